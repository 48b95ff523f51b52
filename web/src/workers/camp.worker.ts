import { budgetOf, loadSolver } from '@rough-bight/core/budget';
import type { Bag, Budget, Planned, SolveMip } from '@rough-bight/core/budget';
import { cardOf } from '@rough-bight/core/card';
import type { Card } from '@rough-bight/core/card';
import type { Timed } from '@rough-bight/core/order';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { judgeRig } from '@rough-bight/core/shelter';
import { expose } from 'comlink';
import wasm from 'highs/runtime?url';
import type { Answer } from './answer.js';
import { answer } from './answer.js';

let solver: Promise<SolveMip> | undefined;

/** A rig of a camp whose card is made. */
export interface Carded extends Planned {
  readonly note: string;
  /** Where it is found on the instructor's own network. */
  readonly address: string;
}

const service = {
  /** Cards of some rigs, each judged in full; a rig that cannot be worked out says why instead. */
  cards: (
    rigs: readonly Carded[],
    units: UnitChoice,
    timed: readonly Timed[],
    progress: (done: number) => void,
  ): readonly Answer<Card>[] =>
    rigs.map((one, i) => {
      progress(i / rigs.length);
      return answer(units, () => {
        const { report } = judgeRig(one.rig, one.context, { full: true, rising: true });
        return cardOf({ ...one, report, units, timed });
      });
    }),
  /** The cord of some rigs of a camp together. */
  budget: async (planned: readonly Planned[], bag: Bag, progress: (done: number) => void): Promise<Budget | null> => {
    solver ??= loadSolver(wasm);
    const solve = await solver;
    return budgetOf(planned, bag, solve, (done) => {
      progress(done);
      return true;
    });
  },
};

export type CampService = typeof service;
expose(service);
