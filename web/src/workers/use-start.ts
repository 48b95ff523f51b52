import type { UnitChoice } from '@rough-bight/core/quantity';
import type { RigContext } from '@rough-bight/core/rig';
import { bestFirst, isReady } from '@rough-bight/core/start';
import type { Candidate, Looked, Ready, Wanted } from '@rough-bight/core/start';
import type { Remote } from 'comlink';
import { proxy } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Answer } from './answer.js';
import type { StartService } from './start.worker.js';
import { failure, startThread } from './thread.js';
import type { Thread } from './thread.js';

/** How far the answer to a wish is. */
export interface Started {
  /** What was asked; null where nothing is yet. */
  readonly wanted: Wanted | null;
  /** Share done; 1 when all rigs are ready. */
  readonly done: number;
  /** What there is so far, best first: seen before it is judged, so that one knows what is coming. */
  readonly rigs: readonly Looked[];
  readonly problem: string | null;
}

const NOTHING: Started = { wanted: null, done: 0, rigs: [], problem: null };
/** As many at a time as there are cores to a phone: one for each, and the page keeps its own. */
const THREADS = 2;
/** How often it is gone through beforehand: as often as it gets faster by it, each a fraction of a second. */
const REHEARSALS = 10;
/** Share of the whole that choosing what to try takes. */
const CHOOSING = 0.06;

const started = (): Thread<StartService>[] =>
  Array.from({ length: THREADS }, () =>
    startThread<StartService>(() => new Worker(new URL('./start.worker.ts', import.meta.url), { type: 'module' })),
  );

/** Whole rigs for a wish: begun when it is asked, each shown as soon as it is ready; asked again, what was begun is given up. */
export function useStart(context: RigContext, units: UnitChoice) {
  const [state, setState] = useState<Started>(NOTHING);
  const threads = useRef<Thread<StartService>[]>([]);
  const busy = useRef(false);
  const stop = useCallback(() => {
    for (const t of threads.current) t.stop();
    threads.current = [];
    busy.current = false;
  }, []);
  // fetched and started while the four things are said, so that the first answer does not wait for them
  useEffect(() => {
    threads.current = started();
    return stop;
  }, [stop]);
  /** Goes through some of the work for a likely wish while the wish is said. */
  const rehearse = useCallback(
    async (wanted: Wanted): Promise<void> => {
      const own = threads.current;
      for (let k = 0; k < REHEARSALS && threads.current === own && !busy.current; k++)
        await Promise.all(own.map(({ service }) => service.rehearse(wanted, context, units, k)));
    },
    [context, units],
  );
  const ask = useCallback(
    (wanted: Wanted): void => {
      // what is at work on another wish is given up
      if (busy.current) stop();
      const own = threads.current.length > 0 ? threads.current : started();
      threads.current = own;
      busy.current = true;
      const current = (): boolean => threads.current === own;
      setState({ ...NOTHING, wanted });
      const work = async (): Promise<void> => {
        const list = (await own[0]!.service.shortlist(wanted, context, units)) as Answer<readonly Candidate[]>;
        if (!current()) return;
        if (!list.ok || list.value.length === 0) {
          setState({
            ...NOTHING,
            wanted,
            done: 1,
            problem: list.ok
              ? 'No roof of the kit fits here in any form. Take another roof, or trees farther apart.'
              : list.message,
          });
          busy.current = false;
          return;
        }
        const shares = list.value.map(() => 0);
        const show = (k: number, share: number): void => {
          shares[k] = share;
          const mean = shares.reduce((a, b) => a + b, 0) / shares.length;
          if (current()) setState((s) => ({ ...s, done: CHOOSING + (1 - CHOOSING) * mean }));
        };
        /** Every candidate in turn by whichever thread is free. */
        const each = (go: (service: Remote<StartService>, k: number) => Promise<void>): Promise<unknown> => {
          let next = 0;
          return Promise.all(
            own.map(async ({ service }) => {
              for (let k = next++; k < list.value.length && current(); k = next++) await go(service, k);
            }),
          );
        };
        const put = (rig: Looked): void =>
          setState((s) => ({
            ...s,
            rigs: bestFirst([...s.rigs.filter((r) => r.serves.form !== rig.serves.form), rig]),
          }));
        await each(async (service, k) => {
          const seen = (await service.look(list.value[k]!, wanted, context, units)) as Answer<Looked>;
          if (current() && seen.ok) put(seen.value);
        });
        await each(async (service, k) => {
          const made = (await service.ready(
            list.value[k]!,
            wanted,
            context,
            units,
            proxy((share: number) => show(k, 0.98 * share)),
          )) as Answer<Ready>;
          if (!current()) return;
          if (made.ok) put(made.value);
          show(k, 1);
        });
        if (!current()) return;
        setState((s) => {
          const rigs = s.rigs.filter(isReady);
          return {
            ...s,
            done: 1,
            rigs,
            problem:
              rigs.length === 0
                ? 'None of the forms that fit here could be worked out. Change the span or the roof.'
                : null,
          };
        });
        busy.current = false;
      };
      work().catch((error: unknown) => {
        if (!current()) return;
        setState({ ...NOTHING, wanted, done: 1, problem: failure(error, 'Ask again.').message });
        stop();
      });
    },
    [context, units, stop],
  );
  const halt = useCallback(() => {
    stop();
    setState((s) => (s.done < 1 ? { ...s, done: 1, rigs: s.rigs.filter(isReady) } : s));
  }, [stop]);
  return { ...state, rehearse, ask, halt };
}
