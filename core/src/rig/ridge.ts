import type { Bed } from './bed.js';
import type { Pitch } from './pitch.js';
import type { Sign } from '../anchor/index.js';
import type { Pull, Shelter } from '../catalogue/index.js';
import type { KitCord } from '../cordage/index.js';
import type { BodyMeasures, Quantity } from '../quantity/index.js';
import type { Required, Rule, Use } from '../strength/index.js';

export type { KitCord };

export const RIDGE_FORMAT = 'rough-bight/ridge@1';

export const TENSIONINGS = ['tension', 'sag', 'dip', 'passes', 'pulley'] as const;
export type Tensioning = (typeof TENSIONINGS)[number];

/** A trunk the line is tied to. */
export interface Trunk {
  readonly name: string;
  readonly wood: string;
  /** m round. */
  readonly girth: number;
  /** Height of the tie above that trunk's foot, m. */
  readonly tieHeight: number;
  readonly signs: readonly Sign[];
  /** Set where it is no stem to bend (a boulder, a log, a pole with its back-stay): that it holds is judged on the ground. */
  readonly standsOnWord?: true;
}

export interface End {
  readonly termination: string;
  readonly wraps: number;
}

/** Something hung on the line. Places are measured along the straight bare line from the first tie, m. */
export interface Hung {
  readonly id: string;
  readonly name: string;
  readonly mass: number;
  readonly at: number;
}

/**
 * One ridgeline between two trunks, as a person describes it. Every way of measuring keeps its own numbers,
 * so that changing one's mind loses nothing. SI.
 */
export interface RidgeRig {
  readonly format: typeof RIDGE_FORMAT;
  readonly span: {
    readonly how: 'tape' | 'paces';
    readonly tape: number;
    readonly paces: number;
    /** Standard deviation of `tape` where it was laid out by other means than a tape, m. */
    readonly sd?: number | undefined;
  };
  /** Foot of the second trunk above the foot of the first, m. */
  readonly groundRise: number;
  readonly trunks: readonly [Trunk, Trunk];
  /** Id of a cord in the kit. */
  readonly cord: string;
  readonly ends: readonly [End, End];
  readonly tensioning: {
    readonly how: Tensioning;
    readonly tension: number;
    readonly sag: number;
    readonly dip: { readonly mass: number; readonly at: number; readonly drop: number };
    readonly passes: { readonly count: number; readonly takeUp: number };
    readonly pulley: { readonly pull: Pull; readonly loopOut: number; readonly setBack: number };
  };
  readonly roof: {
    readonly on: boolean;
    readonly mass: number;
    readonly wetMass: number;
    readonly at: readonly [number, number];
    /** Area that stands against the wind, m^2. */
    readonly area: number;
  };
  readonly hung: readonly Hung[];
  readonly wind: { readonly beaufort: number; readonly shelter: Shelter };
  /** How far the trunks sway apart, m. */
  readonly sway: number;
  /** Most sag that is still tight enough, share of the span. */
  readonly tightness: number;
  readonly use: Use;
  readonly rule: Rule;
  /** Where it stands: ids of a place and of its two anchors; the second is empty for a pole still to be set. */
  readonly site?: { readonly place: string; readonly from: string; readonly to: string };
  /** Ids of what of the kit was left at home tonight: nothing is sized from it. */
  readonly home?: readonly string[];
  /** A roof of the kit, pitched in a form and solved as a whole; `roof` is then not counted. */
  readonly pitch?: Pitch;
  /** A hammock hung on its trunks, or on others. */
  readonly bed?: Bed;
}

/** At most so many things of the kit can be told left at home. */
export const MOST_HOME = 200;

/** What a rig is judged with: the kit, the person's measures, the margins asked. */
export interface Surroundings {
  readonly kit: readonly KitCord[];
  readonly body: BodyMeasures;
  readonly required: Required;
}

/** Allowed range of every number of a rig, SI, with what it is called in a message. */
export interface Limit {
  readonly name: string;
  readonly quantity: Quantity;
  readonly min: number;
  readonly max: number;
}
/** A limit, in a row of a table. */
export const limit = (name: string, quantity: Quantity, min: number, max: number): Limit => ({
  name,
  quantity,
  min,
  max,
});

export const RIDGE_LIMITS = {
  span: limit('span', 'length', 0.5, 60),
  paces: limit('paces', 'count', 1, 100),
  sd: limit('how well the span is known', 'length', 0, 10),
  groundRise: limit('rise of the ground', 'length', -5, 5),
  girth: limit('girth', 'length', 0.05, 8),
  tieHeight: limit('tie height', 'length', 0.05, 8),
  wraps: limit('wraps', 'count', 0, 8),
  tension: limit('tension', 'force', 0, 5000),
  sag: limit('sag', 'length', 0.001, 20),
  testMass: limit('test mass', 'mass', 0.05, 120),
  dip: limit('dip', 'length', 0.001, 20),
  passes: limit('passes', 'count', 0, 20),
  takeUp: limit('take-up of a pass', 'length', 0, 0.3),
  loopOut: limit("loop's distance from the trunk", 'length', 0, 10),
  setBack: limit('set-back', 'length', 0, 0.5),
  mass: limit('mass', 'mass', 0, 300),
  at: limit('place on the line', 'length', 0.01, 60),
  area: limit('area against the wind', 'area', 0, 60),
  beaufort: limit('wind', 'count', 0, 9),
  sway: limit('sway', 'length', 0, 0.5),
  tightness: limit('most sag', 'share', 0.002, 0.5),
} as const satisfies Record<string, Limit>;

/** Most things on one line besides the roof. */
export const MOST_HUNG = 8;
/** Least room left between a thing on the line and a tie, m. */
export const END_ROOM = 0.05;

export interface Problem {
  /** Path of the field, as in `roof.at.1`. */
  readonly field: string;
  readonly message: string;
}

/** Horizontal distance between the ties, m, as measured. */
export function measuredSpan(rig: RidgeRig, body: BodyMeasures): number {
  return rig.span.how === 'tape' ? rig.span.tape : rig.span.paces * body.pace;
}

/** Height of the second tie above the first, m. */
export function riseOf(rig: RidgeRig): number {
  return rig.groundRise + rig.trunks[1].tieHeight - rig.trunks[0].tieHeight;
}

/** Straight distance between the ties, m. */
export function straightDistance(rig: RidgeRig, body: BodyMeasures): number {
  return Math.hypot(measuredSpan(rig, body), riseOf(rig));
}

/** What fits together no worse than this is solved; the rest is refused with the field and the remedy. */
export function problemsOf(rig: RidgeRig, around: Pick<Surroundings, 'kit' | 'body'>): Problem[] {
  const out: Problem[] = [];
  const long = straightDistance(rig, around.body);
  const onLine = (field: string, what: string, at: number): void => {
    if (!(at >= END_ROOM && at <= long - END_ROOM))
      out.push({
        field,
        message: `${what} is at ${at.toFixed(2)} m, off a line of ${long.toFixed(2)} m. Move it, or widen the span.`,
      });
  };
  if (rig.roof.on && rig.pitch === undefined) {
    onLine('roof.at.0', "The roof's first hitch", rig.roof.at[0]);
    onLine('roof.at.1', "The roof's second hitch", rig.roof.at[1]);
    if (rig.roof.at[1] - rig.roof.at[0] < 0.1)
      out.push({ field: 'roof.at.1', message: "The roof's second hitch must be at least 0.1 m beyond the first." });
    if (rig.roof.wetMass < rig.roof.mass)
      out.push({
        field: 'roof.wetMass',
        message: 'The wet roof cannot weigh less than the dry one. Raise its wet mass.',
      });
  }
  rig.hung.forEach((h, i) => onLine(`hung.${i}.at`, h.name === '' ? 'A thing hung' : `“${h.name}”`, h.at));
  if (rig.tensioning.how === 'dip') onLine('tensioning.dip.at', 'The test mass', rig.tensioning.dip.at);
  if (rig.tensioning.how === 'passes' && rig.tensioning.passes.count * rig.tensioning.passes.takeUp >= long / 2)
    out.push({
      field: 'tensioning.passes.takeUp',
      message: 'The passes take in more than half of the line. Check their number and the take-up of each.',
    });
  if (!around.kit.some((k) => k.id === rig.cord))
    out.push({ field: 'cord', message: 'This cord is no longer in the kit. Choose another.' });
  return out;
}
