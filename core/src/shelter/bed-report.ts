import type { HangState } from '../bed/index.js';
import type { RidgeRig } from '../rig/index.js';
import type { BedModel } from './bed-model.js';
import type { BedResult } from './evaluate.js';

/** Lowest place of the bed over the ground beneath it, m. */
export function lowestOf(model: BedModel, s: HangState): number {
  let least = Number.POSITIVE_INFINITY;
  for (const p of s.line) least = Math.min(least, p[2] - model.ground(p[0], p[1]));
  return least;
}

/** Nearer to the ground than this it is on it, m: what grows there touches it. Judgement. */
const TOUCHES = 0.02;

/** Whether a bed has come down on the ground. */
export const isGrounded = (model: BedModel, s: HangState): boolean => lowestOf(model, s) <= TOUCHES;

type Grounded = Pick<BedResult['cases'][number], 'id' | 'said' | 'grounded' | 'height' | 'below'>;

/** The case with someone in it that comes down on the ground most; null where none does. */
export const groundedIn = (bed: { readonly cases: readonly Grounded[] }): Grounded | null =>
  bed.cases.reduce<Grounded | null>(
    (worst, c) => (c.id === 'empty' || !c.grounded || (worst !== null && worst.below >= c.below) ? worst : c),
    null,
  );

/** So far over the ground it is to stay, m. */
const CLEAR = 0.1;
/** How much higher both straps must go for it to stay clear of the ground, m, to the centimetre. */
export const raiseOver = (c: Grounded): number => Math.ceil(100 * (CLEAR + (c.below > 0 ? c.below : -c.height))) / 100;

/** Angle of a strap below level where it leaves its trunk, rad. */
export function strapAngle(s: HangState, i: 0 | 1): number {
  const [a, b] = [s.ties[i], s.links[i]];
  return Math.atan2(a[2] - b[2], Math.hypot(a[0] - b[0], a[1] - b[1]));
}

/** How deep the bed hangs under the line of its ends, m: the most, straight down. */
export function sagOf(s: HangState): number {
  const [a, b] = s.links;
  const level = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
  let sag = 0;
  for (const p of s.line) {
    const f = ((p[0] - a[0]) * (b[0] - a[0]) + (p[1] - a[1]) * (b[1] - a[1])) / (level * level);
    sag = Math.max(sag, a[2] + f * (b[2] - a[2]) - p[2]);
  }
  return sag;
}

/** The bed's end at the head over the one at the feet, m. */
export function headEndUp(rig: RidgeRig, s: HangState): number {
  const up = s.links[0][2] - s.links[1][2];
  return rig.bed!.head === 0 ? up : -up;
}
