import { NoSuchLine } from '@rough-bight/core/line';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { evaluatePitch, pitchVerdict } from '@rough-bight/core/pitch';
import type { PitchResult, TiedRig } from '@rough-bight/core/pitch';
import { RigProblem, evaluateRidge, tradeoff, verdictOf } from '@rough-bight/core/rig';
import type {
  PitchSurroundings,
  RidgeResult,
  RidgeRig,
  Surroundings,
  TradeoffPoint,
  Verdict,
} from '@rough-bight/core/rig';
import { adviseRidge, sizeCords, sizeRig, strongestWind } from '@rough-bight/core/sizing';
import type { Advice, SizeAim, SizedCord, SizedRig } from '@rough-bight/core/sizing';
import { expose } from 'comlink';

export interface Question {
  readonly rig: RidgeRig;
  readonly around: Surroundings;
  readonly units: UnitChoice;
}

/** The same of a rig with a roof pitched on it. */
export interface PitchQuestion extends Question {
  readonly around: PitchSurroundings;
}

export type Answer<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly field: string; readonly message: string };

export interface Judgement {
  readonly rig: RidgeRig;
  readonly result: RidgeResult;
  readonly verdict: Verdict;
}

/** A pitched rig judged. `full` is false while a hand moves it: only as pitched, without spreads. */
export interface PitchJudgement {
  readonly rig: RidgeRig;
  readonly pitch: PitchResult;
  readonly verdict: Verdict;
  readonly full: boolean;
}

/** The rig as it stood last, from which the next like it starts. */
let stood: TiedRig | undefined;

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
  judgePitch: ({ rig, around, units }: PitchQuestion, full: boolean): Answer<PitchJudgement> =>
    answer(() => {
      const { result, tied } = evaluatePitch(rig, around, {
        full,
        ...(full || stood === undefined ? {} : { from: stood }),
      });
      stood = tied;
      return { rig, pitch: result, verdict: pitchVerdict(result, around.body, units, full), full };
    }),
  /** What a rig comes to in a sentence, with or without a roof pitched on it. */
  verdict: ({ rig, around, units }: PitchQuestion): Answer<Verdict> =>
    answer(() =>
      rig.pitch === undefined
        ? verdictOf(evaluateRidge(rig, around, units, { ranges: rig.rule === 'chance' }), around.body, units)
        : pitchVerdict(
            evaluatePitch(rig, around, { full: true, spreads: rig.rule === 'chance' }).result,
            around.body,
            units,
          ),
    ),
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
  sizeRig: ({ rig, around, units }: PitchQuestion, aim: SizeAim, progress: (done: number) => void): Answer<SizedRig> =>
    answer(() =>
      sizeRig(rig, around, aim, units, (done) => {
        progress(done);
        return true;
      })!,
    ),
  strongestWind: ({ rig, around }: PitchQuestion): Answer<number | null> => answer(() => strongestWind(rig, around)),
};

export type RigService = typeof service;
expose(service);
