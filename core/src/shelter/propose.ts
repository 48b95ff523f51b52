import { LEAST_GAP } from '../catalogue/index.js';
import { solvedIn } from '../pitch/index.js';
import type { Evaluated, Solved } from '../pitch/index.js';
import type { UnitChoice } from '../quantity/index.js';
import { BED_LIMITS, RigProblem, isBrought, ratioOf } from '../rig/index.js';
import type { BedEnd, RigContext, RidgeRig } from '../rig/index.js';
import type { PitchForm } from '../roof/index.js';
import type { Drip } from './drip.js';
import { groundedIn, raiseOver } from './bed-report.js';
import type { BedResult } from './evaluate.js';
import { evaluateBed } from './evaluate.js';
import type { HangAnswer, HangOffer } from './hang-it.js';
import { hangIt } from './hang-it.js';
import type { Gap, RoofOver } from './over.js';
import { tooNear } from './over.js';
import { MOST, OTHER, STEP, overOf, ridgeBy, tight } from './roof-advice.js';
import { DRY, OF_THE_ROOF, bedHolds } from './findings.js';
import type { FindingCode } from '../findings/index.js';
import { against } from '../findings/index.js';
import type { RigReport, Shelter } from './whole.js';
import { holds, judgeRig } from './whole.js';

/** What keeps a hung bed from being slept in. */
export type Forbids = 'bears' | 'ground' | 'touches' | 'wet' | 'roof';

/** Bed, straps and ridge set together, and judged whole. */
export interface HangProposal {
  readonly rig: RidgeRig;
  /** How its straps are set. */
  readonly offer: HangOffer;
  /** Straps of the kit taken instead of its own; null where those stay. */
  readonly straps: string | null;
  /** Straps steeper than wished, rad; bed higher than wished, m; ridge moved up, m, less than nothing where it comes down. */
  readonly steeper: number;
  readonly higher: number;
  readonly ridgeBy: number;
  /** The form the same roof is turned to; null where it stays. */
  readonly turned: PitchForm | null;
  /** Lines that get a tail tied on, so that water drips off before the bed. */
  readonly tails: readonly string[];
  /** Nearest place of bed or sleeper to the cloth in any case; null where no cloth is over it. */
  readonly nearest: Gap | null;
  /** Share of the bed that rain does not reach; null without a roof. */
  readonly dry: number | null;
  /** What forbids it still, most pressing first; empty where it holds, clears and stays dry. */
  readonly forbids: readonly Forbids[];
  /** The whole as it would then be judged. */
  readonly report: RigReport;
}

/** The ways of hanging it, and the one proposal for all of it; null where there is none, and the answer's problem says why. */
export interface HangTogether extends HangAnswer {
  readonly whole: HangProposal | null;
}

/** Straps are wished so much steeper at a time, at most so steep, rad. */
const STEEPER = Math.PI / 36;
const STEEPEST = 0.87;
/** Other straps must mend at least so much of what is missing, in e-folds. Judgement. */
const WORTH_SWAPPING = 0.1;
/** Times it is hung anew so that it stays off the ground, and the ridge moved anew for what the weather does to it. */
const RAISES = 3;
const ROUNDS = 3;

/** A bed hung so that all of it bears who lies in it, as near to the wish as can be. */
export interface Hung {
  readonly offer: HangOffer;
  readonly bed: BedResult;
  /** Straps of the kit taken instead of its own; null where those stay. */
  readonly straps: string | null;
  readonly steeper: number;
  readonly higher: number;
}

/**
 * Hangs the bed as wished, steeper where something would be too weak, higher where it would come to the ground, by other straps of
 * the kit where its own do not bear it; the best there is where nothing does. Null where no setting of the straps is within reach.
 * @param roof as it stands, where trunks bear it as well
 */
export function hungToBear(rig: RidgeRig, context: RigContext, roof: Evaluated | null, units: UnitChoice): Hung | null {
  // its own straps first, then what else is in the kit
  const own = rig.bed!.straps;
  const kits = [own, ...context.straps.map((s) => s.id).filter((id) => id !== own && isBrought(rig, 'straps', id))];
  let best: Hung | null = null;
  for (const straps of kits) {
    const hung = hungOn(rig, straps, context, roof, units);
    if (hung === null) continue;
    if (bedHolds(hung.bed)) return hung;
    if (best === null || short(hung.bed) < short(best.bed) - WORTH_SWAPPING) best = hung;
  }
  return best;
}

/** The same with these straps of the kit. */
function hungOn(
  rig: RidgeRig,
  straps: string,
  context: RigContext,
  roof: Evaluated | null,
  units: UnitChoice,
): Hung | null {
  const { wish } = rig.bed!;
  let best: Hung | null = null;
  let higher = 0;
  let raises = 0;
  for (let angle = wish.angle; angle <= Math.max(wish.angle, STEEPEST);) {
    const wished = { ...wish, angle: Math.round(100 * angle) / 100, height: wish.height + higher };
    const offer = hangIt({ ...rig, bed: { ...rig.bed!, straps, wish: wished } }, context, units).offers[0];
    if (offer === undefined) break;
    const bed = evaluateBed(offer.rig, context, {
      full: true,
      spreads: rig.designRule === 'chance',
      ...(roof === null ? {} : { roof }),
    });
    const hung: Hung = {
      offer: { ...offer, rig: withWish(offer.rig, rig) },
      bed,
      straps: straps === rig.bed!.straps ? null : straps,
      steeper: angle - wish.angle,
      higher,
    };
    if (bedHolds(bed)) return hung;
    if (best === null || short(bed) < short(best.bed) - 1e-6) best = hung;
    const down = groundedIn(bed);
    const up = down === null ? 0 : raiseOver(down);
    if (up > 0 && raises++ < RAISES && wish.height + higher + up <= BED_LIMITS.wishHeight.max) higher += up;
    else angle += STEEPER;
  }
  return best;
}

const withStraps = (rig: RidgeRig, straps: string): RidgeRig => ({ ...rig, bed: { ...rig.bed!, straps } });

/** The wish stays as it was asked: what was given up for it is told beside it. */
const withWish = (rig: RidgeRig, asked: RidgeRig): RidgeRig => ({
  ...rig,
  bed: { ...rig.bed!, wish: asked.bed!.wish },
});

/** How far a bed is from bearing all that is asked of it; the ground counts most. */
const short = (bed: BedResult): number =>
  bed.rows.reduce((sum, r) => sum + Math.max(0, -Math.log(Math.max(1e-6, ratioOf(r)))), 0) +
  (groundedIn(bed) === null ? 0 : 10);

interface Ridge {
  readonly rig: RidgeRig;
  readonly by: number;
  readonly turned: PitchForm | null;
  readonly over: RoofOver | null;
}

/** A higher number is better: free of the cloth first, then dry, then as little moved as may be. */
function worth({ over, by }: Ridge): number {
  if (over === null) return Number.NEGATIVE_INFINITY;
  const free = tight(over) ? -10 + Math.max(-1, over.gaps[0]?.distance ?? 0) : 0;
  return free + Math.min(DRY, over.dryInRain) - 0.02 * Math.abs(by);
}
const isRight = (r: Ridge): boolean => r.over !== null && !tight(r.over) && r.over.dryInRain >= DRY;

/** The roof over a hung bed: its ridge moved, or the cloth turned, as little as makes the bed free and dry. */
function roofFor(rig: RidgeRig, context: RigContext): Ridge {
  const tried = (by: number, turned: PitchForm | null): Ridge => {
    const form = turned === null ? rig : { ...rig, pitch: { ...rig.pitch!, form: turned, own: {}, order: [] } };
    const next = by === 0 ? form : ridgeBy(form, by);
    const within = by === 0 || next.trunks.every((t) => t.tieHeight <= context.body.reach + 1e-6 && t.tieHeight > 0.3);
    return { rig: next, by, turned, over: within ? overOf(next, context) : null };
  };
  const other = OTHER[rig.pitch!.form];
  let best = tried(0, null);
  for (const turned of other === undefined ? [null] : [null, other]) {
    if (isRight(best)) break;
    for (let k = 0; k * STEP <= MOST + 1e-9; k++)
      for (const sign of k === 0 ? [1] : [1, -1]) {
        const ridge = tried((sign * Math.round(100 * k * STEP)) / 100, turned);
        if (worth(ridge) > worth(best) + 1e-9) best = ridge;
        if (isRight(best)) return best;
      }
  }
  return best;
}

/** The rig with a tail tied on each of these lines, where water is to drip off. */
function withTails(rig: RidgeRig, drips: readonly Drip[]): RidgeRig {
  if (drips.length === 0) return rig;
  const bed = rig.bed!;
  const at = (id: string): Drip | undefined => drips.find((d) => d.id === id);
  const end = (i: 0 | 1): BedEnd => {
    const drip = at(`strap${i}`);
    return drip === undefined ? bed.ends[i] : { ...bed.ends[i], drip: Math.round(100 * drip.tailAt) / 100 };
  };
  const ridge = (i: 0 | 1): boolean => bed.ridgeDrip[i] || at(`ridge${i}`) !== undefined;
  return { ...rig, bed: { ...bed, ends: [end(0), end(1)], ridgeDrip: [ridge(0), ridge(1)] } };
}

/** How a proposal is judged. */
export interface Judging {
  /** false leaves out in which wind each link lets go. */
  readonly rising?: boolean;
  /** A rig like it and what it did: where its hauls and gusts may begin. */
  readonly like?: Solved;
}

/** Judged whole, as quickly as that can be; null where it cannot be pitched so. */
function judgedAs(rig: RidgeRig, context: RigContext, options: Judging): Shelter | null {
  try {
    return judgeRig(rig, context, { full: true, spreads: rig.designRule === 'chance', ...options });
  } catch (error) {
    if (error instanceof RigProblem) return null;
    throw error;
  }
}

/** What each finding forbids; anything else that does not hold is the roof's. */
const FORBIDS: Partial<Record<FindingCode, Forbids>> = {
  'bed-grounded': 'ground',
  touches: 'touches',
  'rain-reaches': 'wet',
};

function forbidden(report: RigReport): Forbids[] {
  const { bed } = report;
  if (bed === null) return [];
  const out = new Set<Forbids>();
  for (const { code } of against(bed.findings)) out.add(FORBIDS[code] ?? (OF_THE_ROOF.has(code) ? 'wet' : 'bears'));
  if (out.has('ground')) out.delete('bears');
  if (out.size === 0 && !holds(report)) out.add('roof');
  return FORBIDS_ORDER.filter((f) => out.has(f));
}
const FORBIDS_ORDER: readonly Forbids[] = ['ground', 'bears', 'touches', 'wet', 'roof'];

/**
 * One proposal for bed, straps and ridge: hung as wished, steeper or higher where it must be, the ridge moved so that it touches
 * nothing and stays dry, and the whole judged in every wind; or what forbids it.
 * @throws RigProblem where the bed cannot be computed at all
 */
export function proposeHang(
  rig: RidgeRig,
  context: RigContext,
  units: UnitChoice,
  judging: Judging = {},
): HangTogether {
  const own = hangIt(rig, context, units);
  const hung = hungToBear(rig, context, null, units);
  if (hung === null) return { ...own, whole: null };
  // where its own straps do not reach, the ways are those of the straps that do
  const answer = own.offers.length > 0 ? own : hangIt(withStraps(rig, hung.offer.rig.bed!.straps), context, units);
  let roof: Ridge =
    rig.pitch === undefined
      ? { rig: hung.offer.rig, by: 0, turned: null, over: null }
      : roofFor(hung.offer.rig, context);
  let { like } = judging;
  /** What was judged from nothing last. */
  let fresh: RigReport | null = null;
  const judged = (rig: RidgeRig, anew = like === undefined): RigReport | null => {
    const now = judgedAs(rig, context, { rising: judging.rising ?? true, ...(anew ? {} : { like: like! }) });
    if (now?.roof) like = solvedIn(now.roof);
    if (anew) fresh = now?.report ?? null;
    return now?.report ?? null;
  };
  let whole = judged(roof.rig);
  let tails: readonly Drip[] = [];
  // a tail on a line weighs nothing: it moves nothing else
  const tailed = (rig: RidgeRig): RidgeRig => withTails(rig, tails);
  const tie = (): void => {
    const wets = whole?.bed?.drips.filter((d) => d.wets) ?? [];
    tails = [...tails.filter((t) => !wets.some((d) => d.id === t.id)), ...wets];
  };
  tie();
  for (
    let round = 0;
    round < ROUNDS && bedHolds(hung.bed) && whole !== null && whole.bed !== null && roof.by < MOST;
    round++
  ) {
    const near = whole.bed.over === null ? [] : tooNear(whole.bed.over);
    if (near.length === 0) break;
    // in weather cloth comes nearer than it was pitched
    const missing = Math.max(...near.map((g) => LEAST_GAP[g.what] - g.distance));
    const up = STEP * Math.max(1, Math.ceil(missing / STEP));
    const next = ridgeBy(roof.rig, up);
    if (next.trunks.some((t) => t.tieHeight > context.body.reach + 1e-6)) break;
    const then = judged(tailed(next));
    if (then === null) break;
    roof = { ...roof, rig: next, by: Math.round(100 * (roof.by + up)) / 100 };
    whole = then;
    tie();
  }
  if (whole?.bed?.drips.some((d) => d.wets) === true) whole = judged(tailed(roof.rig));
  // what holds from where a like rig stood has to hold from nothing as well
  if (whole !== null && whole !== fresh && holds(whole)) whole = judged(tailed(roof.rig), true);
  if (whole === null || whole.bed === null) return { ...answer, whole: null };
  const { over } = whole.bed;
  return {
    ...answer,
    whole: {
      rig: tailed(roof.rig),
      tails: tails.map((d) => d.name),
      offer: hung.offer,
      straps: hung.straps,
      steeper: hung.steeper,
      higher: hung.higher,
      ridgeBy: roof.by,
      turned: roof.turned,
      nearest: over === null ? null : (over.gaps[0] ?? null),
      dry: over === null ? null : over.dryInRain,
      forbids: forbidden(whole),
      report: whole,
    },
  };
}
