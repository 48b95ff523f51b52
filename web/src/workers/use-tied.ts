import type { Tied } from '@rough-bight/core/knot';
import { useEffect, useState } from 'react';
import type { KnotService } from './knot.worker.js';
import { Kept } from './thread.js';

const thread = new Kept<KnotService>(
  () => new Worker(new URL('./knot.worker.ts', import.meta.url), { type: 'module' }),
);
/** What was tied already: the same knot lies the same each time. */
const known = new Map<string, Promise<Tied>>();

/** A knot tied, once it is; null meanwhile. @param wrong id of a way of tying it wrong */
export function useTied(id: string, wrong: string | null = null): Tied | null {
  const key = `${id} ${wrong ?? ''}`;
  const [found, setFound] = useState<{ readonly key: string; readonly tied: Tied } | null>(null);
  useEffect(() => {
    let open = true;
    let tied = known.get(key);
    if (tied === undefined) {
      tied = thread.service.tie(id, wrong) as Promise<Tied>;
      known.set(key, tied);
    }
    tied
      .then((t) => {
        if (open) setFound({ key, tied: t });
      })
      // asked again the next time
      .catch(() => known.delete(key));
    return () => {
      open = false;
    };
  }, [key, id, wrong]);
  return found?.key === key ? found.tied : null;
}
