import type { Bag, Budget, Planned } from '@rough-bight/core/budget';
import { proxy } from 'comlink';
import { useEffect, useState } from 'react';
import type { CampService } from './camp.worker.js';
import { failure, startThread } from './thread.js';

/** How far a plan of cord is. */
export interface Budgeted {
  /** What it was made of; another is at work where that is not what is asked. */
  readonly of: readonly Planned[] | null;
  readonly done: number;
  readonly budget: Budget | null;
  readonly problem: string | null;
}

/** The cord of some rigs, planned anew whenever one of them or the kit changes; what was begun before is given up. */
export function useBudget(planned: readonly Planned[], bag: Bag): Budgeted {
  const [state, setState] = useState<Budgeted>({ of: null, done: 0, budget: null, problem: null });
  useEffect(() => {
    const thread = startThread<CampService>(
      () => new Worker(new URL('./camp.worker.ts', import.meta.url), { type: 'module' }),
    );
    let open = true;
    const show = (done: number): void => {
      if (open) setState((s) => ({ ...s, done, problem: null }));
    };
    thread.service
      .budget(planned, bag, proxy(show))
      .then((budget) => {
        if (open) setState({ of: planned, done: 1, budget: budget as Budget | null, problem: null });
      })
      .catch((error: unknown) => {
        if (open)
          setState({ of: planned, done: 1, budget: null, problem: failure(error, 'Open the view again.').message });
      });
    return () => {
      open = false;
      thread.stop();
    };
  }, [planned, bag]);
  return state;
}
