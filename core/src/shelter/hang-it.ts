import { trunkGive } from '../anchor/index.js';
import { settingsOf, strapSets } from '../bed/index.js';
import type { HangState, Setting, StrapSet } from '../bed/index.js';
import { say } from '../quantity/index.js';
import type { UnitChoice } from '../quantity/index.js';
import { bedProblems, bedStem } from '../rig/index.js';
import type { Bed, BedEnd, RigContext, RidgeRig } from '../rig/index.js';
import { BED_LIMITS } from '../rig/index.js';
import type { BedModel } from './bed-model.js';
import { bedModel } from './bed-model.js';
import { headEndUp, lowestOf, strapAngle } from './bed-report.js';

/** One way to hang the bed, worked out whole. */
export interface HangOffer {
  readonly rig: RidgeRig;
  readonly ends: readonly [
    { readonly height: number; readonly wraps: number; readonly loop: number; readonly free: number },
    { readonly height: number; readonly wraps: number; readonly loop: number; readonly free: number },
  ];
  /** As it then lies: lowest place over the ground, m, straps below level, rad, head's end over the feet's, m, pull of the harder strap, N. */
  readonly height: number;
  readonly angles: readonly [number, number];
  readonly headUp: number;
  readonly pull: number;
  /** What a strap a step longer would do: lower by, m, and flatter by, rad. */
  readonly step: { readonly lower: number; readonly flatter: number };
}

export interface HangAnswer {
  /** Best first. */
  readonly offers: readonly HangOffer[];
  /** Ways of setting both straps that were looked at. */
  readonly tried: number;
  /** Why there is none, and what would help. */
  readonly problem: string | null;
}

/** Off the wished angle by so much, rad, weighs as much as one. */
const ANGLE_MATTERS = 0.09;
/** Off the middle by so much, m, as well. */
const MIDDLE_MATTERS = 0.25;
/** A further wrap costs as much as this share of it. Judgement: wraps save bark and eat strap. */
const WRAP_COSTS = 0.02;
/** Ways solved whole, and those offered. */
const POLISHED = 5;
const OFFERED = 3;

const meanAngle = (a: readonly [number, number]): number => 0.5 * (a[0] + a[1]);

/** How far a way is from what is wished: 0 is as wished. @param offMiddle of the bed from where it should hang, m */
export function wishOff(
  wish: Bed['wish'],
  angles: readonly [number, number],
  offMiddle: number,
  sets: readonly [Pick<StrapSet, 'wraps'>, Pick<StrapSet, 'wraps'>],
): number {
  return (
    ((meanAngle(angles) - wish.angle) / ANGLE_MATTERS) ** 2 +
    (offMiddle / MIDDLE_MATTERS) ** 2 +
    WRAP_COSTS * (sets[0].wraps + sets[1].wraps - 2)
  );
}

/** Where along the way between its anchors a bed should hang: under the roof's middle where it is on the rig's trunks. */
export function wishedMiddle(rig: RidgeRig, span: number): number {
  const own = rig.bed!.ends.every((e) => e.anchor.kind === 'trunk');
  return own && rig.pitch !== undefined ? rig.pitch.middle : span / 2;
}

/** The rig with its straps set so. */
export function withEnds(rig: RidgeRig, parts: readonly [Partial<BedEnd>, Partial<BedEnd>]): RidgeRig {
  const bed = rig.bed!;
  return {
    ...rig,
    bed: {
      ...bed,
      ends: [
        { ...bed.ends[0], ...parts[0] },
        { ...bed.ends[1], ...parts[1] },
      ],
    },
  };
}

interface Lies {
  readonly model: BedModel;
  readonly state: HangState;
  readonly low: number;
  readonly headUp: number;
}
function lies(rig: RidgeRig, context: RigContext): Lies {
  const model = bedModel(rig, context, { ranges: false });
  const state = model.stateOf(model.cases.find((c) => c.id === 'lying')!);
  return { model, state, low: lowestOf(model, state), headUp: headEndUp(rig, state) };
}

/** Heights, to the millimetre, at which the bed lies as wished with these straps: solved whole, stems and slopes and all. */
export function heightsFor(
  rig: RidgeRig,
  context: RigContext,
  sets: readonly [StrapSet, StrapSet],
  begin: readonly [number, number],
): { readonly rig: RidgeRig; readonly lies: Lies } | null {
  const { wish, head } = rig.bed!;
  const set = (heights: readonly [number, number]): RidgeRig =>
    withEnds(rig, [
      { ...strapPart(sets[0]), height: heights[0] },
      { ...strapPart(sets[1]), height: heights[1] },
    ]);
  const fits = (h: number): number => Math.min(BED_LIMITS.height.max, Math.max(BED_LIMITS.height.min, h));
  let heights: readonly [number, number] = [fits(begin[0]), fits(begin[1])];
  let now = lies(set(heights), context);
  /** How much higher the head's end comes for every metre its strap goes up over the other. */
  let lift = 1;
  for (let k = 0; k < 8 && now.state.converged; k++) {
    const tilt = wish.headUp - now.headUp;
    const up = wish.height - now.low;
    if (Math.abs(tilt) < 1e-3 && Math.abs(up) < 1e-3) break;
    const raise = Math.max(-0.5, Math.min(0.5, tilt / lift));
    const before = now;
    const moved: readonly [number, number] = [
      fits(heights[0] + up + (head === 0 ? 0.5 : -0.5) * raise),
      fits(heights[1] + up + (head === 1 ? 0.5 : -0.5) * raise),
    ];
    if (Math.abs(moved[0] - heights[0]) + Math.abs(moved[1] - heights[1]) < 1e-5) break;
    heights = moved;
    now = lies(set(heights), context);
    const gained = now.headUp - before.headUp;
    if (Math.abs(raise) > 1e-3 && gained / raise > 0.15) lift = Math.min(2, gained / raise);
  }
  return now.state.converged ? { rig: now.model.rig, lies: now } : null;
}

const strapPart = (s: StrapSet): Partial<BedEnd> => ({
  wraps: s.wraps,
  ...(s.loop > 0 ? { loop: s.loop } : { free: s.free }),
});

/**
 * Strap heights, wraps and loops at which the bed hangs as it is wished: height, angle of the straps, head over feet.
 * Every pair of ways of setting the straps is looked at; the best are solved whole.
 * @throws RigProblem where the bed cannot be computed at all
 */
export function hangIt(rig: RidgeRig, context: RigContext, units: UnitChoice): HangAnswer {
  const bed = rig.bed!;
  const { wish } = bed;
  const straps = context.straps.find((s) => s.id === bed.straps);
  const kit = context.beds.find((b) => b.id === bed.bed);
  if (straps === undefined || kit === undefined)
    return { offers: [], tried: 0, problem: 'Choose a bed and straps of the kit first.' };
  const choices = [strapSets(straps, bedStem(rig, 0).girth), strapSets(straps, bedStem(rig, 1).girth)] as const;
  for (const i of [0, 1] as const)
    if (choices[i].length === 0)
      return {
        offers: [],
        tried: 0,
        problem: `The straps do not go round ${bedStem(rig, i).name} and leave a loop free. Take longer ones, or a thinner tree that is strong enough.`,
      };
  // something that can be solved, to read the bed's own numbers off: its straps as long as they go
  const probe = withEnds(rig, [strapPart(choices[0].at(-1)!), strapPart(choices[1].at(-1)!)]);
  const tried = choices[0].length * choices[1].length;
  const wrong = bedProblems(probe, context)[0];
  if (wrong !== undefined) return { offers: [], tried, problem: wrong.message };
  const model = bedModel(probe, context, { ranges: false });
  const lying = model.cases.find((c) => c.id === 'lying')!;
  const hang = model.hangOf(lying);
  const usual = wish.height + 1;
  const give = ([0, 1] as const).reduce<number>(
    (sum, i) =>
      hang.ends[i].give > 0 ? sum + trunkGive(usual, model.diameters[i], model.woods[i].modulus.typical) : sum,
    0,
  );
  const [a, b] = [hang.ends[0].at, hang.ends[1].at];
  const span = Math.hypot(a[0] - b[0], a[1] - b[1]);
  const settings = settingsOf(
    { length: hang.length, cloth: hang.cloth, weight: hang.weight, ridge: hang.ridge, loads: hang.loads },
    { span, strap: hang.strap, give },
    choices,
    bed.head === 0 ? -wish.headUp : wish.headUp,
  );
  const heightsOf = (s: Setting): readonly [number, number] => {
    const f = s.lowAt / span;
    const low = model.ground(a[0] + f * (b[0] - a[0]), a[1] + f * (b[1] - a[1])) + wish.height;
    return [low + s.over[0] - model.ground(a[0], a[1]), low + s.over[1] - model.ground(b[0], b[1])];
  };
  const middle = wishedMiddle(rig, span);
  const reach = context.body.reach;
  const inReach = (h: readonly [number, number]): boolean =>
    h.every((x) => x <= reach + 1e-6 && x >= BED_LIMITS.height.min);
  const ranked = settings
    .map((s) => ({ s, heights: heightsOf(s), off: wishOff(wish, s.angles, s.middle - middle, s.sets) }))
    .sort((p, q) => p.off - q.off);
  const offers: { offer: HangOffer; off: number }[] = [];
  for (const { s, heights } of ranked) {
    if (offers.length >= POLISHED) break;
    if (!inReach(heights.map((h) => h - 0.03) as never)) continue;
    // one that closes only by stretching is refused as too short, by hand as well
    if (bedProblems(withEnds(rig, [strapPart(s.sets[0]), strapPart(s.sets[1])]), context).length > 0) continue;
    const found = heightsFor(rig, context, s.sets, heights);
    if (found === null) continue;
    const set = found.rig.bed!.ends;
    if (!inReach([set[0].height, set[1].height])) continue;
    const angles = [strapAngle(found.lies.state, 0), strapAngle(found.lies.state, 1)] as const;
    offers.push({
      off: wishOff(wish, angles, middleOf(found.lies.state) - middle, s.sets),
      offer: {
        rig: rounded(found.rig),
        ends: [
          { ...s.sets[0], height: set[0].height },
          { ...s.sets[1], height: set[1].height },
        ],
        height: found.lies.low,
        angles,
        headUp: found.lies.headUp,
        pull: Math.max(...found.lies.state.straps),
        step: stepOf(found.rig, context, found.lies, choices[1]),
      },
    });
  }
  offers.sort((p, q) => p.off - q.off);
  return {
    offers: offers.slice(0, OFFERED).map((o) => o.offer),
    tried,
    problem: offers.length > 0 ? null : whyNone(ranked, settings.length, { span, reach, units, least: choices }),
  };
}

/** Where a bed's ends have their middle, m from the first anchor. */
export function middleOf(s: HangState): number {
  const [tie] = s.ties;
  return Math.hypot(0.5 * (s.links[0][0] + s.links[1][0]) - tie[0], 0.5 * (s.links[0][1] + s.links[1][1]) - tie[1]);
}

/** Heights as a hand can set them: to the centimetre. */
function rounded(rig: RidgeRig): RidgeRig {
  const cm = (x: number): number => Math.round(x * 100) / 100;
  const { ends } = rig.bed!;
  return withEnds(rig, [{ height: cm(ends[0].height) }, { height: cm(ends[1].height) }]);
}

/** What the next longer way of the second strap does, with the heights kept: how exactly it can be hung at all. */
function stepOf(rig: RidgeRig, context: RigContext, now: Lies, sets: readonly StrapSet[]): HangOffer['step'] {
  const is = now.model.figures.free1.value;
  const next = sets.find((s) => s.free > is + 1e-6);
  if (next === undefined) return { lower: 0, flatter: 0 };
  const then = lies(withEnds(rig, [{}, strapPart(next)]), context);
  return {
    lower: now.low - then.low,
    flatter:
      meanAngle([strapAngle(now.state, 0), strapAngle(now.state, 1)]) -
      meanAngle([strapAngle(then.state, 0), strapAngle(then.state, 1)]),
  };
}

function whyNone(
  ranked: readonly { readonly s: Setting; readonly heights: readonly [number, number] }[],
  settings: number,
  context: {
    readonly span: number;
    readonly reach: number;
    readonly units: UnitChoice;
    readonly least: readonly [readonly StrapSet[], readonly StrapSet[]];
  },
): string {
  const { units } = context;
  if (settings === 0) {
    const longest = context.least[0].at(-1)!.free + context.least[1].at(-1)!.free;
    return `No setting of the straps closes a span of ${say(context.span, 'length', units)} with straps between 15° and 73°: they give ${say(longest, 'length', units)} at most between both trunks and the bed. Choose anchors nearer to each other or farther apart, or other straps.`;
  }
  const lowest = ranked.reduce((best, r) => (Math.max(...r.heights) < Math.max(...best.heights) ? r : best));
  const need = Math.max(...lowest.heights);
  return need > context.reach
    ? `At this span the straps would have to sit at ${say(need, 'length', units)}, above my reach of ${say(context.reach, 'length', units)}, even as flat as they go. Wish it ${say(need - context.reach, 'length', units)} lower, choose trees nearer to each other, or push the strap up with a forked stick.`
    : 'No setting within reach lies as wished. Wish less of a slope from head to feet, or another height.';
}
