import { NoSuchLine } from '@rough-bight/core/line';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { solvePitch } from '@rough-bight/core/pitch';
import type { PitchResult, PitchRow, Solved, TiedRig } from '@rough-bight/core/pitch';
import { RigProblem, evaluateRidge, tradeoff } from '@rough-bight/core/rig';
import type {
  PitchSurroundings,
  RidgeResult,
  RidgeRig,
  Surroundings,
  TradeoffPoint,
  Verdict,
} from '@rough-bight/core/rig';
import { evaluateShelter, hangIt, proposeHang, roofAdvice } from '@rough-bight/core/shelter';
import type { BedResult, HangAnswer, HangTogether, RoofAdvice } from '@rough-bight/core/shelter';
import { adviseRidge, sizeCords, sizeRig, strongestWind } from '@rough-bight/core/sizing';
import type { Advice, SizeAim, SizedCord, SizedRig } from '@rough-bight/core/sizing';
import type { Remote } from 'comlink';
import { expose, wrap } from 'comlink';
import type { HalfService } from './half.worker.js';
import { withoutWorkings } from './without-workings.js';

export interface Question {
  readonly rig: RidgeRig;
  readonly around: Surroundings;
  readonly units: UnitChoice;
}

/** The same with everything of the kit: what a roof or a bed is judged with. */
export interface PitchQuestion extends Question {
  readonly around: PitchSurroundings;
}

export type Answer<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly field: string; readonly message: string };

export interface Judgement {
  readonly rig: RidgeRig;
  readonly result: RidgeResult;
  readonly bed: BedResult | null;
  readonly verdict: Verdict;
}

/** A pitched rig judged. `full` is false while a hand moves it: only as pitched, without spreads and workings. */
export interface PitchJudgement {
  readonly rig: RidgeRig;
  readonly pitch: PitchResult;
  readonly bed: BedResult | null;
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

/** Solves half of a rig's cases. */
let half: Remote<HalfService> | undefined;
const halfWorker = (): Remote<HalfService> =>
  (half ??= wrap<HalfService>(new Worker(new URL('./half.worker.ts', import.meta.url), { type: 'module' })));

/** A rig's cases solved by two threads; null where it cannot be pitched. */
async function inHalves(rig: RidgeRig, around: PitchSurroundings): Promise<Solved | null> {
  const other = halfWorker().solve(rig, around);
  const own = answer(() => solvePitch(rig, around, { full: true }, 0));
  const states = await other;
  return own.ok && states !== null ? { tied: own.value.tied, states: [...own.value.states, ...states] } : null;
}

/** What a ledger shows of its rows while a hand moves: how each stands by what governs it. */
const firstLinks = (rows: readonly PitchRow[]): PitchRow[] =>
  withoutWorkings(rows.map((row) => ({ ...row, links: row.links.slice(0, 1) })));

const service = {
  judgePitch: async ({ rig, around, units }: PitchQuestion, full: boolean): Promise<Answer<PitchJudgement>> => {
    const solved = full ? await inHalves(rig, around) : null;
    return answer(() => {
      const { roof, bed, verdict } = evaluateShelter(rig, around, units, {
        full,
        ...(full || stood === undefined ? {} : { from: stood }),
        ...(solved === null ? {} : { solved }),
      });
      stood = roof!.tied;
      const { result } = roof!;
      return full
        ? { rig, pitch: result, bed, verdict, full }
        : {
            rig,
            pitch: { ...result, rows: firstLinks(result.rows), hitches: withoutWorkings(result.hitches) },
            bed: bed === null ? null : { ...withoutWorkings(bed), rows: firstLinks(bed.rows) },
            verdict,
            full,
          };
    });
  },
  /** What a rig comes to in a sentence, with or without a roof pitched on it. */
  verdict: ({ rig, around, units }: PitchQuestion): Answer<Verdict> =>
    answer(() => evaluateShelter(rig, around, units, { full: true, spreads: rig.rule === 'chance' }).verdict),
  judge: ({ rig, around, units }: PitchQuestion, full: boolean): Answer<Judgement> =>
    answer(() => {
      const { ridge, bed, verdict } = evaluateShelter(rig, around, units, { full });
      return { rig, result: ridge!, bed, verdict };
    }),
  /** How to hang the bed as it is wished. */
  hangIt: ({ rig, around, units }: PitchQuestion): Answer<HangAnswer> => answer(() => hangIt(rig, around, units)),
  /** Bed, straps and ridge in one proposal. */
  proposeHang: ({ rig, around, units }: PitchQuestion): Answer<HangTogether> =>
    answer(() => proposeHang(rig, around, units)),
  /** What to change about the roof over the bed. */
  roofAdvice: ({ rig, around, units }: PitchQuestion): Answer<RoofAdvice[]> =>
    answer(() => roofAdvice(rig, around, units)),
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
