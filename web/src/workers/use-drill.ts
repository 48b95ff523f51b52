import type { Said } from '@rough-bight/core/drill';
import type { Picture } from '@rough-bight/core/picture';
import type { LiveDrill } from '@rough-bight/core/teach';
import { proxy } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Answer } from './answer.js';
import type { AskedDrill, DrillAsked, DrillRig, DrillService } from './drill.worker.js';
import type { Thread } from './thread.js';
import { failure, startThread } from './thread.js';

const start = (): Thread<DrillService> =>
  startThread<DrillService>(() => new Worker(new URL('./drill.worker.ts', import.meta.url), { type: 'module' }));

interface Found {
  readonly of: DrillAsked | null;
  readonly found: Answer<AskedDrill | null> | null;
  readonly problem: string | null;
}

/** One drill, made anew whenever another is asked for, and how it is seen to move to what is true. */
export function useDrill(
  asked: DrillAsked,
): Found & { readonly see: (said: Said | null) => Promise<readonly Picture[]> } {
  const [state, setState] = useState<Found>({ of: null, found: null, problem: null });
  const thread = useRef<Thread<DrillService> | null>(null);
  useEffect(() => {
    const mine = start();
    thread.current = mine;
    let open = true;
    mine.service
      .ask(asked)
      .then((found) => {
        if (open) setState({ of: asked, found: found as Answer<AskedDrill | null>, problem: null });
      })
      .catch((error: unknown) => {
        if (open) setState({ of: asked, found: null, problem: failure(error, 'Open the view again.').message });
      });
    return () => {
      open = false;
      mine.stop();
      thread.current = null;
    };
  }, [asked]);
  const see = useCallback(
    async (said: Said | null): Promise<readonly Picture[]> => {
      const answered = (await thread.current?.service.see(said, asked.units)) as Answer<readonly Picture[]> | undefined;
      return answered?.ok === true ? answered.value : [];
    },
    [asked],
  );
  return { ...state, see };
}

/** Many drills at once in a thread of their own. */
export async function drillsOf(
  rigs: readonly DrillRig[],
  wanted: readonly Pick<DrillAsked, 'kind' | 'seed' | 'hard'>[],
  progress: (done: number) => void,
): Promise<readonly AskedDrill[]> {
  const thread = start();
  try {
    return (await thread.service.sheet(rigs, wanted, proxy(progress))) as readonly AskedDrill[];
  } finally {
    thread.stop();
  }
}

/** One drill for a class that answers together; null where no rig has that to ask. @throws Error saying why it cannot be made */
export async function liveDrill(asked: DrillAsked): Promise<Omit<LiveDrill, 'camp'> | null> {
  const thread = start();
  try {
    const made = (await thread.service.live(asked)) as Answer<Omit<LiveDrill, 'camp'> | null>;
    if (!made.ok) throw new Error(made.message);
    return made.value;
  } finally {
    thread.stop();
  }
}
