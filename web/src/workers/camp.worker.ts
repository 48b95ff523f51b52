import { budgetOf, loadSolver } from '@rough-bight/core/budget';
import type { Bag, Budget, Planned, SolveMip } from '@rough-bight/core/budget';
import { expose } from 'comlink';
import wasm from 'highs/runtime?url';

let solver: Promise<SolveMip> | undefined;

const service = {
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
