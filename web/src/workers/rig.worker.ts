import { solvePitch } from '@rough-bight/core/pitch';
import type { PitchResult, Retension, Solved, TiedRig } from '@rough-bight/core/pitch';
import { PARTS, doubtOf, solveDrawn } from '@rough-bight/core/doubt';
import type { Doubt, DoubtAsked } from '@rough-bight/core/doubt';
import { dryNight } from '@rough-bight/core/dry';
import type { DryBed, DryNight } from '@rough-bight/core/dry';
import { ladderOf } from '@rough-bight/core/ladder';
import type { Fall, Ladder, Turned } from '@rough-bight/core/ladder';
import { nightOf } from '@rough-bight/core/night';
import type { Night } from '@rough-bight/core/night';
import { SI } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { evaluateRidge, tradeoff } from '@rough-bight/core/rig';
import type { RigContext, RidgeRig, Row, LineContext, TradeoffPoint } from '@rough-bight/core/rig';
import { hangIt, judgeRig, proposeHang, roofAdvice } from '@rough-bight/core/shelter';
import type { HangAnswer, HangTogether, RigReport, RoofAdvice } from '@rough-bight/core/shelter';
import { adviseRidge, firmerThan, sizeCords, sizeRig, strongestWind } from '@rough-bight/core/sizing';
import type { Advice, SizeAim, SizedCord, SizedRig, Unmet } from '@rough-bight/core/sizing';
import { retensionAt, tiedFor, trimOf } from '@rough-bight/core/trim';
import type { AtHour, Trim } from '@rough-bight/core/trim';
import type { WeatherReading } from '@rough-bight/core/weather';
import { verdictOf } from '@rough-bight/core/words';
import type { Verdict } from '@rough-bight/core/words';
import { expose } from 'comlink';
import type { Answer } from './answer.js';
import { answer } from './answer.js';
import type { HalfService } from './half.worker.js';
import { Kept } from './thread.js';
import { withoutWorkings } from './without-workings.js';

export interface Question {
  readonly rig: RidgeRig;
  readonly context: LineContext;
  readonly units: UnitChoice;
}

/** The same with everything of the kit: what a roof or a bed is judged with. */
export interface RigQuestion extends Question {
  readonly context: RigContext;
}

/** The rig as it stood last, from which the next like it starts. */
let stood: TiedRig | undefined;

/** Solves half of a rig's cases. */
const half = new Kept<HalfService>(() => new Worker(new URL('./half.worker.ts', import.meta.url), { type: 'module' }));

/** A roof's cases solved by two threads; null where it cannot be pitched. */
async function inHalves(rig: RidgeRig, context: RigContext): Promise<Solved | null> {
  const other = half.service.solve(rig, context);
  const own = answer(SI, () => solvePitch(rig, context, { full: true }, 0));
  const states = await other;
  return own.ok && states !== null ? { tied: own.value.tied, states: [...own.value.states, ...states] } : null;
}

/** What a ledger shows of its rows while a hand moves: how each stands by what governs it. */
const firstLinks = (rows: readonly Row[]): Row[] =>
  withoutWorkings(rows.map((row) => ({ ...row, links: row.links.slice(0, 1) })));

/** What is looked at while a hand moves: a tenth of the whole to hand from thread to thread. */
const lighter = (r: RigReport): RigReport => ({
  ...r,
  rows: firstLinks(r.rows),
  line: r.line === null ? null : withoutWorkings(r.line),
  roof: r.roof === null ? null : { ...r.roof, rows: firstLinks(r.roof.rows), hitches: withoutWorkings(r.roof.hitches) },
  bed: r.bed === null ? null : { ...withoutWorkings(r.bed), rows: firstLinks(r.bed.rows) },
});

const service = {
  /**
   * A rig judged.
   * @param full  false only as pitched and lain in, without ranges
   * @param moved while a hand moves it: without the workings that nobody opens then
   */
  judge: async ({ rig, context, units }: RigQuestion, full: boolean, moved = false): Promise<Answer<RigReport>> => {
    const solved = full && rig.pitch !== undefined ? await inHalves(rig, context) : null;
    return answer(units, () => {
      const { report, roof } = judgeRig(rig, context, {
        full,
        ...(full || stood === undefined ? {} : { from: stood }),
        ...(solved === null ? {} : { solved }),
      });
      if (roof !== null) stood = roof.tied;
      return moved ? lighter(report) : report;
    });
  },
  /** What a rig comes to in a sentence. */
  verdict: ({ rig, context, units }: RigQuestion): Answer<Verdict> =>
    answer(units, () =>
      verdictOf(judgeRig(rig, context, { full: true, spreads: rig.designRule === 'chance' }).report, context.body),
    ),
  /** How to hang the bed as it is wished. */
  hangIt: ({ rig, context, units }: RigQuestion): Answer<HangAnswer> =>
    answer(units, () => hangIt(rig, context, units)),
  /** Bed, straps and ridge in one proposal. */
  proposeHang: ({ rig, context, units }: RigQuestion): Answer<HangTogether> =>
    answer(units, () => proposeHang(rig, context, units)),
  /** What to change about the roof over the bed. */
  roofAdvice: ({ rig, context, units }: RigQuestion): Answer<RoofAdvice[]> =>
    answer(units, () => roofAdvice(rig, context, units)),
  /** What would help a line that has no roof. */
  advise: ({ rig, context, units }: Question): Answer<Advice[]> =>
    answer(units, () =>
      adviseRidge(rig, context, evaluateRidge(rig, context, { ranges: rig.designRule === 'chance' }), units),
    ),
  tradeoff: ({ rig, context, units }: Question, count: number): Answer<TradeoffPoint[]> =>
    answer(units, () => tradeoff(rig, context, count)),
  size: ({ rig, context, units }: Question, progress: (done: number) => void): Answer<SizedCord[]> =>
    answer(units, () =>
      sizeCords(rig, context, units, (done) => {
        progress(done);
        return true;
      }),
    ),
  sizeRig: ({ rig, context, units }: RigQuestion, aim: SizeAim, progress: (done: number) => void): Answer<SizedRig> =>
    answer(units, () =>
      sizeRig(rig, context, aim, units, (done) => {
        progress(done);
        return true;
      })!,
    ),
  /** Wind or snow turned up until the roof is down. */
  ladder: ({ rig, context, units }: RigQuestion, turned: Turned, progress: (done: number) => void): Answer<Ladder> =>
    answer(units, () =>
      ladderOf(rig, context, turned, {
        progress: (done) => {
          progress(done);
          return true;
        },
      })!,
    ),
  /** A rig sampled within what is not known of it, half of it by each of two threads. */
  doubt: async (
    { rig, context, units }: RigQuestion,
    asked: DoubtAsked,
    samples: number,
    progress: (done: number) => void,
  ): Promise<Answer<Doubt>> => {
    const parts = [...Array(PARTS).keys()];
    const others = half.service.drawn(rig, context, asked, parts.slice(PARTS / 2));
    const own = answer(units, () =>
      solveDrawn(rig, context, asked, parts.slice(0, PARTS / 2), (done) => {
        progress(done);
        return true;
      }),
    );
    const rest = await others;
    if (!own.ok) return own;
    // half of what was asked for is no answer
    const drawn = [own.value, rest].filter((p) => p !== null);
    if (drawn.length < 2)
      return { ok: false, field: '', message: 'Half of the rigs could not be worked out. Close this and ask again.' };
    return answer(units, () => doubtOf(drawn, samples));
  },
  /** What to change so that what gave first gives later. */
  firmer: ({ rig, context, units }: RigQuestion, turned: Turned, fall: Fall): Answer<Unmet | null> =>
    answer(units, () => firmerThan(rig, context, turned, fall, units)),
  /** What a night in the forecast asks of a rig. */
  night: (
    { rig, context, units }: RigQuestion,
    result: Pick<PitchResult, 'takeUp' | 'rows'>,
    forecast: readonly WeatherReading[],
    progress: (done: number) => void,
  ): Answer<Night> =>
    answer(units, () =>
      nightOf(rig, context, result, forecast, units, (done) => {
        progress(done);
        return true;
      })!,
    ),
  /** What stays dry under a roof, hour by hour. */
  dry: (
    { rig, context, units }: RigQuestion,
    bed: DryBed | null,
    forecast: readonly WeatherReading[],
  ): Answer<DryNight> => answer(units, () => dryNight(rig, context, bed, forecast)),
  /** How a roof feels to a hand, where it creases and which peg mends it, what either school leaves. */
  trim: ({ rig, context, units }: RigQuestion, progress: (done: number) => void): Answer<Trim> =>
    answer(units, () =>
      trimOf(tiedFor(rig, context), (done) => {
        progress(done);
        return true;
      })!,
    ),
  /** What every line of a roof wants at an hour. */
  again: ({ rig, context, units }: RigQuestion, at: AtHour): Answer<Retension> =>
    answer(units, () => retensionAt(tiedFor(rig, context), at)),
  strongestWind: ({ rig, context, units }: RigQuestion): Answer<number | null> =>
    answer(units, () => strongestWind(rig, context)),
};

export type RigService = typeof service;
expose(service);
