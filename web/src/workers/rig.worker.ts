import { NoSuchLine } from '@rough-bight/core/line';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { RigProblem, evaluateRidge, tradeoff, verdictOf } from '@rough-bight/core/rig';
import type { RidgeResult, RidgeRig, Surroundings, TradeoffPoint, Verdict } from '@rough-bight/core/rig';
import { adviseRidge, sizeCords } from '@rough-bight/core/sizing';
import type { Advice, SizedCord } from '@rough-bight/core/sizing';
import { expose } from 'comlink';

export interface Question {
  readonly rig: RidgeRig;
  readonly around: Surroundings;
  readonly units: UnitChoice;
}

export type Answer<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly field: string; readonly message: string };

export interface Judgement {
  readonly rig: RidgeRig;
  readonly result: RidgeResult;
  readonly verdict: Verdict;
}

function answer<T>(work: () => T): Answer<T> {
  try {
    return { ok: true, value: work() };
  } catch (error) {
    if (error instanceof RigProblem) return { ok: false, field: error.field, message: error.message };
    if (error instanceof NoSuchLine)
      return { ok: false, field: 'tensioning', message: `That cannot be: ${error.message}.` };
    throw error;
  }
}

const service = {
  judge: ({ rig, around, units }: Question, ranges: boolean): Answer<Judgement> =>
    answer(() => {
      const result = evaluateRidge(rig, around, units, { ranges });
      return { rig, result, verdict: verdictOf(result, around.body, units) };
    }),
  advise: ({ rig, around, units }: Question): Answer<Advice[]> =>
    answer(() => adviseRidge(rig, around, evaluateRidge(rig, around, units, { ranges: rig.rule === 'chance' }), units)),
  tradeoff: ({ rig, around }: Question, count: number): Answer<TradeoffPoint[]> =>
    answer(() => tradeoff(rig, around, count)),
  size: ({ rig, around, units }: Question, progress: (done: number) => void): Answer<SizedCord[]> =>
    answer(() =>
      sizeCords(rig, around, units, (done) => {
        progress(done);
        return true;
      }),
    ),
};

export type RigService = typeof service;
expose(service);
