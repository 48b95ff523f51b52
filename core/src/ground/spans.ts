import { COMMON_PEG, pileIn } from '../anchor/index.js';
import type { TreeAgainst } from '../anchor/index.js';
import type { Cord } from '../catalogue/index.js';
import { SHELTERS, acrossOf, findSoil } from '../catalogue/index.js';
import { cordNeeded } from '../cordage/index.js';
import { normalCdf } from '../quantity/index.js';
import { beaufortSpeed } from '../weather/index.js';
import type { Falling } from './fall.js';
import { fallingOf, insideReachAt } from './fall.js';
import type { Fit } from './fit.js';
import { TRAVEL, endsOf, fitOf, strapHeight } from './fit.js';
import { wished } from './forms.js';
import { mayHold, within } from './holding.js';
import type { Reader } from './measurer.js';
import type { Place } from './place-document.js';
import type { Criterion } from './place.js';
import { CRITERIA, along, bearingOf } from './place.js';
import type { ExpectedPull } from './pull.js';
import { expectedPull } from './pull.js';
import type { Pond } from './surface.js';
import { heightAt, heightOf, pondOf, runOffLines } from './surface.js';
import type { Area, At, Hollow, Pole, Thing } from './thing/index.js';
import { halfWidth, isArea, kindOf, poleHold, roundOf } from './thing/index.js';

const { abs, hypot, max, min, sin, cos, sqrt } = Math;
/** What a span is judged against: the place made ready once for all its pairs. */
export interface Prepared {
  readonly place: Place;
  readonly who: Reader;
  readonly cord: { readonly cord: Cord; readonly length: number };
  readonly fit: Fit;
  /** The longest span for straps and reach, and the cord that both ends take beyond the span and their girths, m. */
  readonly longest: number;
  readonly cordBeyond: number;
  readonly pull: ExpectedPull;
  readonly anchors: readonly Anchor[];
  readonly ponds: readonly Pond[];
  readonly runs: readonly {
    readonly name: string;
    readonly points: readonly At[];
    readonly middle: At;
    readonly radius: number;
  }[];
  readonly falling: readonly Falling[];
  readonly hedges: readonly { readonly thing: Area; readonly points: readonly At[] }[];
  readonly keeps: readonly Box[];
  /** Everything that can lie under the cloth or hold a guy, from west to east: east, north, radius, three a thing. */
  readonly lying: Float64Array;
  readonly lyingThings: readonly Thing[];
  /** Room for the indices of those about one span; each judging writes it anew. */
  readonly near: Int32Array;
  /** Largest radius among them, m. */
  readonly widest: number;
  readonly sleep: At | null;
  /** What a common peg may be asked to hold in the soil of the place, N. */
  readonly pegHold: number;
  /** The same of a pole's back-stay to pegs. */
  readonly poleHold: number;
  readonly hollows: readonly Hollow[];
  /** Patches of other soil, and what a peg may be asked there. */
  readonly patches: readonly {
    readonly at: At;
    readonly outline: readonly At[];
    readonly pegHold: number;
    readonly poleHold: number;
  }[];
  /** Half of what the cloth, or a bed without one, takes along the ridge; its reach to the lee and to windward, m. */
  readonly halfRidge: number;
  readonly covers: readonly [lee: number, windward: number];
  /** How much the wind matters, 0 to 1, and the way it comes from. */
  readonly windMatters: number;
  readonly from: At;
  /** Standard deviation of the distance between two things, m. */
  readonly spread: (a: string, b: string, distance: number) => number;
}

interface Anchor {
  readonly thing: Thing;
  readonly at: At;
  readonly half: number;
  readonly girth: number;
  readonly foot: number;
  /** Level pull it may be asked to hold at the ridge, N. */
  readonly ridgeHold: number;
  readonly against: readonly TreeAgainst[];
}
interface Box {
  readonly thing: Thing & { readonly outline: readonly At[] };
  readonly middle: At;
  readonly radius: number;
}

/** Why a span is ruled out. */
export type Ruling =
  'short' | 'long' | 'cord' | 'sign' | 'weak' | 'pond' | 'run-off' | 'trees' | 'keep' | 'overhead' | 'backstay';

/** A span judged: every number that its sentences are made from. */
export interface JudgedSpan {
  /** "a|b", or "a|pole" for a pole still to be set. */
  readonly id: string;
  readonly from: Thing;
  readonly to: Thing;
  /** True where `to` is a pole that is not drawn yet. */
  readonly newPole: boolean;
  /** Clear distance, bark to bark, m, and its standard deviation. */
  readonly span: number;
  readonly sd: number;
  readonly middle: At;
  readonly bearing: number;
  /** How far the second foot stands above the first, m. */
  readonly rise: number;
  /** Cloth and bed on the ground: half length along, and reach across to the left and right of the bearing, m. */
  readonly half: number;
  readonly left: number;
  readonly right: number;
  readonly ruled: readonly Ruling[];
  /** 0 to 1, by criterion, and their weighted mean; zero when ruled out. */
  readonly scores: Readonly<Record<Criterion, number>>;
  readonly score: number;
  readonly cord: number;
  readonly margins: readonly [number, number];
  /** What shelters its middle from the wind. */
  readonly lee: Thing | null;
  /** Angle between ridge and wind, rad, 0 to pi / 2. */
  readonly windAngle: number;
  /** Rise over distance along and across the ridge. */
  readonly slopeAlong: number;
  readonly slopeAcross: number;
  readonly pond: Pond | null;
  readonly run: string | null;
  readonly lying: Thing | null;
  readonly keep: Thing | null;
  readonly overhead: Falling | null;
  /** How far what is overhead reaches into it, m; negative is clear. */
  readonly reachIn: number;
  readonly guysGood: number;
  readonly guys: number;
  readonly nearGuys: number;
  /** Pull to expect in one guy, N. */
  readonly guyPull: number;
  /** Distance from the sleeping place, m; null where none is marked. */
  readonly away: number | null;
  /** What holds a new pole's back-stay; null for pegs. */
  readonly backstay: Thing | null;
}

/** Distances set by eye on the plan, as a share (judgement, 0.03 to 0.1). */
const BY_EYE = 0.05;
const RUN_REACH = 30;
/** Spans that miss the bounds by more than this are not worth a sentence. */
const NEARLY = 1.25;
/** Heights are told by eye to about a tenth: clear of a reach by less than this share of it is not clear. */
const TOO_NEAR = 0.1;
/** Clear of what is overhead by so many times its reach counts in full. */
const WELL_CLEAR = 0.5;
const BED_LENGTH = 2;
const BED_WIDTH = 0.8;
/** Guys stand out from the cloth's edge by so much, m. */
const GUY_OUT = 0.9;
const NATURAL = 1.2;
/** A guy's pull, as a share of the ridge's. Judgement, 0.2 to 0.5. */
const GUY_SHARE = 0.3;

/** Index of the first thing at or east of a place; `lying` runs from west to east. */
function firstEast(lying: Float64Array, east: number): number {
  let low = 0;
  let high = lying.length / 3;
  while (low < high) {
    const mid = (low + high) >> 1;
    if (lying[3 * mid]! < east) low = mid + 1;
    else high = mid;
  }
  return low;
}

/** Readies a place for judging spans. @param spread from the measures, or null where none join the two */
export function prepareGround(
  place: Place,
  who: Reader,
  cord: { readonly cord: Cord; readonly length: number },
  spread: (a: string, b: string) => number | null = () => null,
): Prepared {
  const { wish } = place;
  const girths = place.things.flatMap((t) => ('girth' in t && kindOf(t).ends ? [t.girth] : [])).sort((a, b) => a - b);
  const person = wish.bed === 'hammock';
  const anchors = place.things.flatMap((t): Anchor[] => {
    const kind = kindOf(t);
    if (!kind.ends) return [];
    return [
      {
        thing: t,
        at: t.at,
        half: halfWidth(t),
        girth: roundOf(t),
        foot: heightAt(place, t.at) + t.foot,
        ridgeHold: mayHold(place, t, wish.ridgeHeight),
        against: kind.against(t, person),
      },
    ];
  });
  const lyingThings = place.things.filter((t) => kindOf(t).bulk !== null).sort((p, q) => p.at[0] - q.at[0]);
  const lying = new Float64Array(3 * lyingThings.length);
  lyingThings.forEach((t, i) => lying.set([t.at[0], t.at[1], halfWidth(t)], 3 * i));
  const pegIn = (id: string): number => {
    const soil = findSoil(id);
    return soil === undefined ? 0 : pileIn(soil, 'typical', COMMON_PEG.diameter, COMMON_PEG.depth, COMMON_PEG.arm);
  };
  const open = beaufortSpeed(place.wind.beaufort) * SHELTERS[place.wind.shelter].typical;
  const fit = fitOf(wish, cord, girths[girths.length >> 1] ?? 0.6, who.body);
  return {
    place,
    who,
    cord,
    fit,
    longest: min(60, ...fit.longest.filter((b) => b.what !== 'cord').map((b) => b.figure.value)),
    cordBeyond: cordNeeded(0, endsOf(0, 0), acrossOf(cord.cord), TRAVEL.typical),
    pull: expectedPull(place, cord.cord),
    anchors,
    ponds: place.things.flatMap((t) => {
      if (t.kind !== 'hollow') return [];
      const pond = pondOf(t, place.slope.fall, place.slope.toward);
      return pond.depth > 0.01 ? [pond] : [];
    }),
    runs: runOffLines(place, RUN_REACH).map(({ name, points }) => {
      const [first, last] = [points[0]!, points.at(-1)!];
      const middle: At = [(first[0] + last[0]) / 2, (first[1] + last[1]) / 2];
      return {
        name,
        points,
        middle,
        radius: points.reduce((r, p) => max(r, hypot(p[0] - middle[0], p[1] - middle[1])), 0),
      };
    }),
    falling: fallingOf(place),
    hedges: place.things.flatMap((t) =>
      isArea(t) && t.kind === 'shelter'
        ? [{ thing: t, points: t.outline.map((p): At => [t.at[0] + p[0], t.at[1] + p[1]]) }]
        : [],
    ),
    keeps: place.things.flatMap((t) =>
      isArea(t) && t.kind === 'keep'
        ? [{ thing: t, middle: t.at, radius: t.outline.reduce((r, p) => max(r, hypot(p[0], p[1])), 0) }]
        : [],
    ),
    lying,
    lyingThings,
    near: new Int32Array(lyingThings.length),
    widest: lyingThings.reduce((w, t) => max(w, halfWidth(t)), 0),
    sleep: place.things.find((t) => t.kind === 'sleep')?.at ?? null,
    pegHold: pegIn(place.soil),
    poleHold: poleHold(place.soil),
    hollows: place.things.filter((t) => t.kind === 'hollow'),
    patches: place.things.flatMap((t) =>
      isArea(t) && t.kind === 'soil'
        ? [{ at: t.at, outline: t.outline, pegHold: pegIn(t.soil), poleHold: poleHold(t.soil) }]
        : [],
    ),
    halfRidge: max(wished(wish.form).footprint.ridge(wish.roof), wish.bed === 'none' ? 0 : BED_LENGTH) / 2,
    covers: wished(wish.form).footprint.covers(wish.roof, wish.ridgeHeight),
    windMatters: min(1, open / 5),
    from: along(place.wind.from),
    spread: (a, b, distance) => spread(a, b) ?? distance * BY_EYE,
  };
}

/** Distance of a point from a box about the middle, in the box's own axes. */
function offBox(u: number, v: number, half: number, low: number, high: number): number {
  const du = max(0, abs(u) - half);
  const dv = v < low ? low - v : v > high ? v - high : 0;
  return sqrt(du * du + dv * dv);
}

const closer = (a: At, b: At, than: number): boolean =>
  (a[0] - b[0]) * (a[0] - b[0]) + (a[1] - b[1]) * (a[1] - b[1]) < than * than;

/** Whether a line of points crosses a box: each stretch clipped to it (Liang and Barsky 1984). Nothing is allocated. */
function crosses(
  points: readonly At[],
  middle: At,
  e: number,
  n: number,
  half: number,
  low: number,
  high: number,
): boolean {
  let u0 = 0;
  let v0 = 0;
  for (let i = 0; i < points.length; i++) {
    const p = points[i]!;
    const u = (p[0] - middle[0]) * e + (p[1] - middle[1]) * n;
    const v = (p[0] - middle[0]) * n - (p[1] - middle[1]) * e;
    if (u >= -half && u <= half && v >= low && v <= high) return true;
    if (
      i > 0 &&
      !((u > half && u0 > half) || (u < -half && u0 < -half) || (v > high && v0 > high) || (v < low && v0 < low))
    ) {
      const du = u - u0;
      const dv = v - v0;
      const a1 = du === 0 ? 0 : ((du > 0 ? -half : half) - u0) / du;
      const b1 = du === 0 ? 1 : ((du > 0 ? half : -half) - u0) / du;
      const a2 = dv === 0 ? 0 : ((dv > 0 ? low : high) - v0) / dv;
      const b2 = dv === 0 ? 1 : ((dv > 0 ? high : low) - v0) / dv;
      if (max(0, a1, a2) <= min(1, b1, b2)) return true;
    }
    u0 = u;
    v0 = v;
  }
  return false;
}

/** An anchor that a pole would be, at a spot. */
function poleAt(ground: Prepared, at: At): Anchor {
  const { place } = ground;
  const thing: Pole = {
    kind: 'pole',
    id: 'pole',
    name: 'a pole set here',
    at,
    foot: 0,
    length: place.wish.ridgeHeight + 0.3,
  };
  const patch = ground.patches.find((q) => within(at, q.at, q.outline));
  return {
    thing,
    at,
    half: 0.04,
    girth: 0.25,
    foot: heightOf(place.slope, ground.hollows, at),
    ridgeHold: patch?.poleHold ?? ground.poleHold,
    against: [],
  };
}

/** Height and pull at which an anchor is loaded: what it may hold over what is asked of it, all its lines together. */
function marginOf(ground: Prepared, a: Anchor, span: number, hold: number): number {
  const { roof, bed } = ground.pull;
  const ridge = ground.place.wish.ridgeHeight;
  // moments add: the bed's pull counts as the pull at ridge height that bends as much
  const bedArm = strapHeight(span) / ridge;
  const asked =
    (roof?.value ?? 0) + (bed?.value ?? 0) * (a.thing.kind === 'tree' || a.thing.kind === 'post' ? bedArm : 1);
  return asked > 0 ? hold / asked : Number.POSITIVE_INFINITY;
}

/** Nothing behind a pole within this reach holds its back-stay but pegs, m. */
const STAY = [1.2, 5] as const;

/** What stands behind a pole to stay it to: the strongest thing in a cone of 20 degrees; pegs where there is none. */
function backstayOf(
  ground: Prepared,
  pole: Anchor,
  e: number,
  n: number,
): { readonly thing: Thing | null; readonly hold: number } {
  let best: Thing | null = null;
  let hold = pole.ridgeHold;
  const { lying, lyingThings } = ground;
  for (let i = firstEast(lying, pole.at[0] - STAY[1]); i < lyingThings.length; i++) {
    const de = lying[3 * i]! - pole.at[0];
    if (de > STAY[1]) break;
    const dn = lying[3 * i + 1]! - pole.at[1];
    const far = sqrt(de * de + dn * dn);
    const t = lyingThings[i]!;
    if (far < STAY[0] || far > STAY[1] || de * e + dn * n < 0.94 * far || t === pole.thing || kindOf(t).may === null)
      continue;
    const holds = mayHold(ground.place, t, 0.3);
    if (holds > hold) {
      best = t;
      hold = holds;
    }
  }
  return { thing: best, hold };
}

/** A hedge or bank shelters ten of its heights to its lee (Caborn, Shelterbelts and Windbreaks, 1965: useful to 10 to 15), leaving about half the wind. */
const LEE_REACH = 10;
const LEE_WIND = 0.5;

function leeOf(ground: Prepared, middle: At): Thing | null {
  for (const h of ground.hedges) {
    const reach = (LEE_REACH * h.thing.height) / 2;
    if (
      crosses(
        h.points,
        [middle[0] + ground.from[0] * reach, middle[1] + ground.from[1] * reach],
        ground.from[0],
        ground.from[1],
        reach,
        -0.3,
        0.3,
      )
    )
      return h.thing;
  }
  return null;
}

/** A pole settles, wants its stay watched, and has to be cut and dug in: its span counts as so much weaker. Judgement, 0.2 to 0.6. */
const POLE_COST = 0.4;

/** Rises to one at `good`, from zero at `bad`. */
const ramp = (x: number, bad: number, good: number): number => min(1, max(0, (x - bad) / (good - bad)));

/**
 * Reasons that rule a span out and cost little to find: how many; zero sends it on to be judged in full. It finds nothing
 * that `judgeSpan` does not.
 */
function ruledEarly(ground: Prepared, a: Anchor, b: Anchor, newPole: boolean): number {
  const de = b.at[0] - a.at[0];
  const dn = b.at[1] - a.at[1];
  const centres = max(1e-9, sqrt(de * de + dn * dn));
  const e = de / centres;
  const n = dn / centres;
  const span = max(0, centres - a.half - b.half);
  let found = a.against.length + b.against.length > 0 ? 1 : 0;
  if (span < ground.fit.least || span > ground.longest) found++;
  if (ground.place.wish.form !== 'none' && span + ground.cordBeyond + a.girth + b.girth > ground.cord.length) found++;
  // a pole's back-stay takes looking for: only the other end is weighed here
  if (marginOf(ground, a, span, a.ridgeHold) < 1 && a.thing.kind !== 'pole') found++;
  if (!newPole && b.thing.kind !== 'pole' && marginOf(ground, b, span, b.ridgeHold) < 1) found++;
  const { half, left, right } = footprint(ground, span, e, n);
  const lineHalf = max(half, centres / 2);
  const me = (a.at[0] + b.at[0]) / 2;
  const mn = (a.at[1] + b.at[1]) / 2;
  for (const f of ground.falling) {
    const fe = f.at[0] - me;
    const fn = f.at[1] - mn;
    if (offBox(fe * e + fn * n, fe * n - fn * e, lineHalf, -left, right) < f.level * (1 + TOO_NEAR)) {
      found++;
      break;
    }
  }
  return found;
}

/** The cloth and the bed on the ground: half length along, reach to the left and right of the way from a to b. */
function footprint(
  ground: Prepared,
  span: number,
  e: number,
  n: number,
): { readonly half: number; readonly left: number; readonly right: number; readonly windOnRight: boolean } {
  const windOnRight = ground.from[0] * n - ground.from[1] * e > 0;
  return {
    half: min(span / 2, ground.halfRidge),
    left: windOnRight ? ground.covers[0] : ground.covers[1],
    right: windOnRight ? ground.covers[1] : ground.covers[0],
    windOnRight,
  };
}

/** Judges the span between two anchors in full, ruled out or not. */
export function judgeSpan(ground: Prepared, a: Anchor, b: Anchor, newPole = false): JudgedSpan {
  return judged(ground, a, b, newPole, false)!;
}

/** The same; `brief` gives null as soon as something rules the span out. */
function judged(ground: Prepared, a: Anchor, b: Anchor, newPole: boolean, brief: boolean): JudgedSpan | null {
  const { place, fit, cord } = ground;
  const { wish } = place;
  const trait = wished(wish.form);
  const de = b.at[0] - a.at[0];
  const dn = b.at[1] - a.at[1];
  const centres = max(1e-9, sqrt(de * de + dn * dn));
  const e = de / centres;
  const n = dn / centres;
  const span = max(0, centres - a.half - b.half);
  const sd = newPole ? 0.03 : ground.spread(a.thing.id, b.thing.id, centres);
  const middle: At = [(a.at[0] + b.at[0]) / 2, (a.at[1] + b.at[1]) / 2];
  const rise = b.foot - a.foot;
  const ruled: Ruling[] = [];

  // length: chance that it fits, times how comfortably
  const cordWanted =
    wish.form === 'none'
      ? 0
      : cordNeeded(sqrt(span * span + rise * rise), endsOf(a.girth, b.girth), acrossOf(cord.cord), TRAVEL.typical);
  const { longest: long } = ground;
  const fits = normalCdf((span - fit.least) / sd) * normalCdf((long - span) / sd);
  if (fits < 0.5) ruled.push(span < fit.least ? 'short' : 'long');
  const length =
    fits * (0.5 + 0.5 * (1 - ramp(span, max(fit.least + 1.2, fit.least * 1.25), max(fit.least + 5, fit.least * 2))));

  // cord
  if (cordWanted > cord.length) ruled.push('cord');
  const cordScore = wish.form === 'none' ? 1 : 0.3 + 0.7 * ramp(1 - cordWanted / cord.length, 0, 0.35);

  // anchors
  if (a.against.length + b.against.length > 0) ruled.push('sign');
  const stay = b.thing.kind === 'pole' ? backstayOf(ground, b, e, n) : null;
  const stayA = a.thing.kind === 'pole' ? backstayOf(ground, a, -e, -n) : null;
  const margins = [
    marginOf(ground, a, span, stayA?.hold ?? a.ridgeHold),
    marginOf(ground, b, span, stay?.hold ?? b.ridgeHold),
  ] as const;
  const weakest = min(margins[0], margins[1]);
  if (weakest < 1)
    ruled.push(
      stay !== null && margins[1] <= margins[0]
        ? 'backstay'
        : stayA !== null && margins[0] < margins[1]
          ? 'backstay'
          : 'weak',
    );
  const anchors = 0.3 + 0.7 * ramp(weakest, 1, 3) - (stay !== null || stayA !== null ? POLE_COST : 0);

  // wind
  const intoWind = abs(e * ground.from[0] + n * ground.from[1]);
  const windAngle = Math.acos(min(1, intoWind));
  const suits = trait.wind === 'any' ? 1 : trait.wind === 'across' ? 1 - intoWind * intoWind : intoWind * intoWind;
  const hedge = leeOf(ground, middle);
  const wind = 1 - ground.windMatters * (hedge === null ? 1 : LEE_WIND) * (1 - suits);

  // where the cloth and the bed come to lie: v to the right of the bearing
  const [lee, windward] = ground.covers;
  const { half, left, right, windOnRight } = footprint(ground, span, e, n);
  const onGround = wish.bed === 'ground';
  const bedHalf = min(half, BED_LENGTH / 2);
  const bedLow = onGround ? max(-left, -BED_WIDTH) : -BED_WIDTH / 2;
  const bedHigh = onGround ? min(right, BED_WIDTH) : BED_WIDTH / 2;

  // ground: level, dry, clear
  const toward = along(place.slope.toward);
  const slopeAlong = -place.slope.fall * (e * toward[0] + n * toward[1]);
  const slopeAcross = -place.slope.fall * (n * toward[0] - e * toward[1]);
  const level = onGround
    ? min(1 - ramp(abs(slopeAcross), 0.03, 0.12), 1 - ramp(abs(slopeAlong), 0.06, 0.2))
    : 1 - ramp(abs(rise) / max(0.5, span), 0.08, 0.35);
  let dry = 1;
  let pond: Pond | null = null;
  for (const p of ground.ponds) {
    const u = (p.at[0] - middle[0]) * e + (p.at[1] - middle[1]) * n;
    const v = (p.at[0] - middle[0]) * n - (p.at[1] - middle[1]) * e;
    const inBed = offBox(u, v, bedHalf, bedLow, bedHigh) < p.radius;
    if (!inBed && offBox(u, v, half, -left, right) >= p.radius) continue;
    pond = p;
    dry = min(dry, 0.4);
    if (inBed && onGround) ruled.push('pond');
    else if (inBed) dry = min(dry, 0.3);
    break;
  }
  const reach = sqrt(half * half + max(left, right) ** 2) + 1;
  let run: string | null = null;
  for (const r of ground.runs) {
    if (!closer(r.middle, middle, r.radius + reach) || !crosses(r.points, middle, e, n, half, -left, right)) continue;
    run = r.name;
    const inBed = crosses(r.points, middle, e, n, bedHalf, bedLow, bedHigh);
    if (inBed && onGround) ruled.push('run-off');
    dry = min(dry, inBed ? 0.3 : 0.6);
    break;
  }
  let clear = 1;
  let lying: Thing | null = null;
  const { lying: obstacles, lyingThings } = ground;
  const round = reach + GUY_OUT + NATURAL + ground.widest;
  const { near } = ground;
  let nearCount = 0;
  for (let i = firstEast(obstacles, middle[0] - round); i < lyingThings.length; i++) {
    const oe = obstacles[3 * i]! - middle[0];
    if (oe > round) break;
    const on = obstacles[3 * i + 1]! - middle[1];
    const radius = obstacles[3 * i + 2]!;
    const square = oe * oe + on * on;
    if (square > round * round) continue;
    near[nearCount++] = i;
    if (square > (reach + radius) * (reach + radius)) continue;
    const t = lyingThings[i]!;
    if (t === a.thing || t === b.thing) continue;
    const u = oe * e + on * n;
    const v = oe * n - on * e;
    const inBed = offBox(u, v, bedHalf, bedLow, bedHigh) < radius;
    if (!inBed && offBox(u, v, half, -left, right) >= radius) continue;
    const kind = kindOf(t);
    const stands = kind.bulk === 'stands';
    // in the line of the ridge a stem is in the way whatever the bed
    const inLine = stands && abs(v) < radius + 0.15 && abs(u) < half;
    const worse = inLine || (inBed && wish.bed !== 'none') ? 0.15 : kind.may === null ? 0.8 : 0.5;
    if (worse < clear) {
      clear = worse;
      lying = t;
    }
    if (inLine || (inBed && stands && onGround)) {
      if (!ruled.includes('trees')) ruled.push('trees');
      lying = t;
    }
  }
  let keep: Thing | null = null;
  for (const k of ground.keeps) {
    if (!closer(k.middle, middle, k.radius + max(reach, centres / 2))) continue;
    const corners = k.thing.outline.map((p): At => [k.middle[0] + p[0], k.middle[1] + p[1]]);
    if (
      within(middle, k.middle, k.thing.outline) ||
      within(a.at, k.middle, k.thing.outline) ||
      within(b.at, k.middle, k.thing.outline) ||
      crosses([...corners, corners[0]!], middle, e, n, half, -left, right)
    ) {
      keep = k.thing;
      ruled.push('keep');
      break;
    }
  }
  if (brief && ruled.length > 0) return null;
  const groundScore = level * 0.4 + dry * 0.35 + clear * 0.25 - (min(level, dry, clear) < 0.35 ? 0.2 : 0);

  // overhead: the cloth and the whole line
  let overhead: Falling | null = null;
  let reachIn = Number.NEGATIVE_INFINITY;
  let worstIn = Number.NEGATIVE_INFINITY;
  let clearance = 1;
  const lineHalf = max(half, centres / 2);
  for (const f of ground.falling) {
    const u = (f.at[0] - middle[0]) * e + (f.at[1] - middle[1]) * n;
    const v = (f.at[0] - middle[0]) * n - (f.at[1] - middle[1]) * e;
    const most = f.level + f.downhill;
    const edge = offBox(u, v, lineHalf, -left, right);
    let into = most - edge;
    if (into > -most * WELL_CLEAR && f.downhill > 0) {
      // reach differs with direction: look along the whole edge
      into = Number.NEGATIVE_INFINITY;
      const cu = min(lineHalf, max(-lineHalf, u));
      const cv = min(right, max(-left, v));
      for (let k = 0; k <= 17; k++) {
        let pu = cu;
        let pv = cv;
        if (k < 17) {
          // once round the edge, four steps a side
          const t = (k % 4) / 4;
          const side = k >> 2;
          pu =
            side === 0
              ? lineHalf * (2 * t - 1)
              : side === 1
                ? lineHalf
                : side === 2
                  ? lineHalf * (1 - 2 * t)
                  : -lineHalf;
          pv =
            side === 0
              ? right
              : side === 1
                ? right - (right + left) * t
                : side === 2
                  ? -left
                  : -left + (right + left) * t;
        }
        into = max(
          into,
          insideReachAt(f, middle[0] + pu * e + pv * n - f.at[0], middle[1] + pu * n - pv * e - f.at[1]),
        );
      }
    }
    if (into + TOO_NEAR * f.level > worstIn) {
      worstIn = into + TOO_NEAR * f.level;
      reachIn = into;
      overhead = f;
    }
    clearance = min(clearance, ramp(-into, 0, most * WELL_CLEAR));
  }
  if (worstIn > 0) ruled.push('overhead');
  if (brief && ruled.length > 0) return null;

  // guys
  const keepsNear = ground.keeps.filter((k) => closer(k.middle, middle, k.radius + round));
  const pondsNear = ground.ponds.filter((p) => closer(p.at, middle, p.radius + round));
  let guysGood = 0;
  let nearGuys = 0;
  const guyPull = GUY_SHARE * (ground.pull.roof?.value ?? 0);
  for (const [gu, gv] of trait.footprint.guys) {
    const lengthwise = gu * (trait.footprint.ridge(wish.roof) / 2 + (gv === 0 ? GUY_OUT : GUY_OUT * 0.6));
    const across = gv > 0 ? windward : lee;
    const sideways = (gv > 0 === windOnRight ? 1 : -1) * abs(gv) * (across + GUY_OUT);
    const spot: At = [middle[0] + lengthwise * e + sideways * n, middle[1] + lengthwise * n - sideways * e];
    const patch = ground.patches.length === 0 ? undefined : ground.patches.find((q) => within(spot, q.at, q.outline));
    let good = ramp(patch?.pegHold ?? ground.pegHold, 0.25 * guyPull, 2 * guyPull);
    for (const k of keepsNear) if (within(spot, k.middle, k.thing.outline)) good = 0;
    for (const p of pondsNear) if (closer(p.at, spot, p.radius)) good = 0;
    for (let k = 0; k < nearCount; k++) {
      const i = near[k]!;
      const t = lyingThings[i]!;
      const ge = obstacles[3 * i]! - spot[0];
      const gn = obstacles[3 * i + 1]! - spot[1];
      const close = NATURAL + obstacles[3 * i + 2]!;
      if (ge * ge + gn * gn < close * close && t !== a.thing && t !== b.thing) {
        nearGuys++;
        good = 1;
        break;
      }
    }
    guysGood += good;
  }
  const guys = trait.footprint.guys.length === 0 ? 1 : guysGood / trait.footprint.guys.length;

  const away =
    ground.sleep === null
      ? null
      : offBox(
          (ground.sleep[0] - middle[0]) * e + (ground.sleep[1] - middle[1]) * n,
          (ground.sleep[0] - middle[0]) * n - (ground.sleep[1] - middle[1]) * e,
          half,
          -left,
          right,
        );
  const scores: Record<Criterion, number> = {
    length,
    cord: cordScore,
    anchors: max(0, anchors),
    wind,
    ground: max(0, groundScore),
    overhead: clearance,
    guys,
    near: away === null ? 1 : Math.exp(-away / 6),
  };
  return {
    id: newPole ? `${a.thing.id}|pole` : `${a.thing.id}|${b.thing.id}`,
    from: a.thing,
    to: b.thing,
    newPole,
    span,
    sd,
    middle,
    bearing: bearingOf(a.at, b.at),
    rise,
    half,
    left,
    right,
    ruled,
    scores,
    score: ruled.length > 0 ? 0 : total(scores, wish.weights),
    cord: cordWanted,
    margins,
    lee: hedge,
    windAngle,
    slopeAlong,
    slopeAcross,
    pond,
    run,
    lying,
    keep,
    overhead: reachIn > Number.NEGATIVE_INFINITY ? overhead : null,
    reachIn,
    guysGood,
    guys: trait.footprint.guys.length,
    nearGuys,
    guyPull,
    away,
    backstay: (stay ?? stayA)?.thing ?? null,
  };
}

/** Weighted mean of the scores, 0 to 1; plain mean where every weight is zero. */
export function total(
  scores: Readonly<Record<Criterion, number>>,
  weights: Readonly<Record<Criterion, number>>,
): number {
  let sum = 0;
  let weight = 0;
  for (const c of CRITERIA) {
    sum += scores[c] * weights[c];
    weight += weights[c];
  }
  return weight > 0 ? sum / weight : CRITERIA.reduce((s, c) => s + scores[c], 0) / CRITERIA.length;
}

export interface Ranking {
  readonly ground: Prepared;
  /** Those that remain, best first. */
  readonly good: readonly JudgedSpan[];
  /** Those ruled out that come nearest to being good, at most `MOST_OUT`: fewest reasons first, then what they would score. */
  readonly out: readonly JudgedSpan[];
  /** How many are ruled out, and pairs so far from fitting that they are only counted. */
  readonly ruledOut: number;
  readonly tooClose: number;
  readonly tooFar: number;
}

const POLE_BEARINGS = 24;
export const MOST_OUT = 40;

/**
 * Every pair of anchors, and every anchor with a pole set where it suits best, judged and ranked.
 * The same ground and wish give the same order.
 */
export function rankSpans(ground: Prepared): Ranking {
  const { anchors, fit, sleep } = ground;
  const good: JudgedSpan[] = [];
  const out: JudgedSpan[] = [];
  const early: { readonly a: Anchor; readonly b: Anchor; readonly cost: number }[] = [];
  let tooClose = 0;
  let tooFar = 0;
  const least = fit.least / NEARLY;
  const most = fit.most * NEARLY;
  const east = Float64Array.from(anchors, (a) => a.at[0]);
  const north = Float64Array.from(anchors, (a) => a.at[1]);
  const half = Float64Array.from(anchors, (a) => a.half);
  for (let i = 0; i < anchors.length; i++) {
    for (let j = i + 1; j < anchors.length; j++) {
      const de = east[i]! - east[j]!;
      const dn = north[i]! - north[j]!;
      const d = sqrt(de * de + dn * dn) - half[i]! - half[j]!;
      if (d < least) {
        tooClose++;
        continue;
      }
      if (d > most) {
        tooFar++;
        continue;
      }
      const [a, b] = [anchors[i]!, anchors[j]!];
      const found = ruledEarly(ground, a, b, false);
      const span = found > 0 ? null : judged(ground, a, b, false, true);
      if (span !== null) good.push(span);
      else {
        const away =
          sleep === null ? 0 : abs(east[i]! + east[j]! - 2 * sleep[0]) + abs(north[i]! + north[j]! - 2 * sleep[1]);
        early.push({ a, b, cost: max(1, found) + away / (away + 20) });
      }
    }
  }
  if (fit.least <= fit.most)
    for (const a of anchors) {
      if (a.thing.kind === 'pole') continue;
      const best = bestPole(ground, a);
      if (best !== null) (best.ruled.length > 0 ? out : good).push(best);
    }
  const ruledOut = out.length + early.length;
  early.sort((p, q) => p.cost - q.cost);
  for (const { a, b } of early.slice(0, MOST_OUT)) out.push(judgeSpan(ground, a, b));
  const would = new Map(out.map((j) => [j, total(j.scores, ground.place.wish.weights) - j.ruled.length]));
  // an anchor is made only where what stands there fails one: a pole to be cut and stayed comes after every pair that holds
  good.sort((p, q) => Number(p.newPole) - Number(q.newPole) || q.score - p.score || (p.id < q.id ? -1 : 1));
  out.sort((p, q) => would.get(q)! - would.get(p)! || (p.id < q.id ? -1 : 1));
  return { ground, good, out: out.slice(0, MOST_OUT), ruledOut, tooClose, tooFar };
}

/** Bearings judged in full about one anchor, those first that suit the wind and the sleeping place. */
const POLES_JUDGED = 8;

/** A pole set about one anchor where the span comes out best; null where nothing about it will do. */
function bestPole(ground: Prepared, a: Anchor): JudgedSpan | null {
  if (a.against.length > 0 || marginOf(ground, a, ground.fit.least, a.ridgeHold) < 1) return null;
  const { sleep, place } = ground;
  const { weights, form } = place.wish;
  const far = min(ground.fit.most, ground.fit.least + 0.5) + a.half + 0.04;
  const tries = Array.from({ length: POLE_BEARINGS }, (_, k) => {
    const bearing = (2 * Math.PI * k) / POLE_BEARINGS;
    const e = sin(bearing);
    const n = cos(bearing);
    const into = (e * ground.from[0] + n * ground.from[1]) ** 2;
    const wind = wished(form).wind;
    const suits = wind === 'any' ? 1 : wind === 'across' ? 1 - into : into;
    const away = sleep === null ? 0 : hypot(a.at[0] + (e * far) / 2 - sleep[0], a.at[1] + (n * far) / 2 - sleep[1]);
    return {
      at: [a.at[0] + e * far, a.at[1] + n * far] as At,
      worth: weights.wind * ground.windMatters * suits + weights.near * Math.exp(-away / 6),
    };
  }).sort((p, q) => q.worth - p.worth);
  let best: JudgedSpan | null = null;
  let ruledPole: Anchor | null = null;
  let judgedSoFar = 0;
  for (const { at } of tries) {
    const pole = poleAt(ground, at);
    if (ruledEarly(ground, a, pole, true) > 0) continue;
    ruledPole ??= pole;
    const span = judged(ground, a, pole, true, true);
    if (span !== null && (best === null || span.score > best.score)) best = span;
    if (++judgedSoFar >= POLES_JUDGED && best !== null) break;
  }
  return best ?? (ruledPole === null ? null : judgeSpan(ground, a, ruledPole, true));
}

/** One span of a place by its id, judged anew; undefined where its anchors are gone. */
export function spanById(ranking: Ranking, id: string): JudgedSpan | undefined {
  return ranking.good.find((s) => s.id === id) ?? ranking.out.find((s) => s.id === id);
}
