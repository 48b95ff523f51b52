import type { Card } from '@rough-bight/core/card';
import type { Bag, Budget, Planned } from '@rough-bight/core/budget';
import type { Remote } from 'comlink';
import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Answer } from './answer.js';
import type { CampService, CardsAsked } from './camp.worker.js';
import { failure, startThread } from './thread.js';

/** Work on a camp's rigs together that is begun anew whenever what it is asked of changes; what was begun before is given up. */
function useCampWork<Q, T>(
  asked: Q,
  work: (service: Remote<CampService>, asked: Q, progress: (done: number) => void) => Promise<T>,
): { readonly of: Q | null; readonly done: number; readonly found: T | null; readonly problem: string | null } {
  const [state, setState] = useState<{
    readonly of: Q | null;
    readonly done: number;
    readonly found: T | null;
    readonly problem: string | null;
  }>({ of: null, done: 0, found: null, problem: null });
  const begin = useRef(work);
  useEffect(() => {
    const thread = startThread<CampService>(
      () => new Worker(new URL('./camp.worker.ts', import.meta.url), { type: 'module' }),
    );
    let open = true;
    const show = (done: number): void => {
      if (open) setState((s) => ({ ...s, done, problem: null }));
    };
    begin
      .current(thread.service, asked, proxy(show))
      .then((found) => {
        if (open) setState({ of: asked, done: 1, found, problem: null });
      })
      .catch((error: unknown) => {
        if (open)
          setState({ of: asked, done: 1, found: null, problem: failure(error, 'Open the view again.').message });
      })
      .finally(() => thread.stop());
    return () => {
      open = false;
      thread.stop();
    };
  }, [asked]);
  return state;
}

/** What cord is planned for: rigs, and what they draw on. */
export interface BudgetAsked {
  readonly planned: readonly Planned[];
  readonly bag: Bag;
}

/** The cord of some rigs together. */
export const useBudget = (asked: BudgetAsked) =>
  useCampWork(
    asked,
    async (service, { planned, bag }, progress) => (await service.budget(planned, bag, progress)) as Budget | null,
  );

/** Cards of some rigs. */
export const useCards = (asked: CardsAsked) =>
  useCampWork(
    asked,
    async (service, cards, progress) => (await service.cards(cards, progress)) as readonly Answer<Card>[],
  );

/** The card of one rig as a page of its own. @throws Error saying why it cannot be made */
export async function cardPage(asked: CardsAsked): Promise<string> {
  const thread = startThread<CampService>(
    () => new Worker(new URL('./camp.worker.ts', import.meta.url), { type: 'module' }),
  );
  try {
    const made = (await thread.service.page(asked)) as Answer<string>;
    if (!made.ok) throw new Error(made.message);
    return made.value;
  } finally {
    thread.stop();
  }
}
