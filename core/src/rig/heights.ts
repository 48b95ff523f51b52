import type { BodyMark, BodyMeasures } from '../quantity/index.js';
import { RIDGE_LIMITS } from './limits.js';
import type { RidgeRig } from './rig-document.js';
import { measuredSpan } from './ridge.js';

/** What a line is tied high or low for, by the mark of one's own body that does for it. Judgement: what those who teach it tie at. */
export const PURPOSES = {
  warmth: { name: 'for warmth', mark: 'elbow', why: 'low keeps heat and sheds wind' },
  bed: { name: 'over a bed', mark: 'brow', why: 'an arm above who lies in it' },
  class: { name: 'for a class', mark: 'chest', why: 'hands and hitches where all see them' },
  work: { name: 'for work', mark: 'reach', why: 'room to stand, and air' },
} as const satisfies Record<string, { readonly name: string; readonly mark: BodyMark; readonly why: string }>;
export type Purpose = keyof typeof PURPOSES;

/** What both ends can be brought to at once. */
export type BothEnds = 'level' | 'first-low' | 'second-low' | Purpose;
export const BOTH_ENDS: readonly BothEnds[] = ['level', 'first-low', 'second-low', 'warmth', 'bed', 'class', 'work'];

/** Fall along a ridge that is sloped on purpose, m per m: water runs to its low end and off there. Judgement: 0.03 to 0.1. */
export const RIDGE_FALL = 0.06;

const toFiveCentimetres = (h: number): number => {
  const { min, max } = RIDGE_LIMITS.tieHeight;
  return Math.min(max, Math.max(min, Math.round(20 * h) / 20));
};

/**
 * Heights of both ties, each over the foot of its own tree, m, as a hand sets them: level over falling ground, or with a fall to one end,
 * from where the first is tied; or by what the line is for, then level. The second is the first's height less what the ground rises.
 */
export function bothEnds(rig: RidgeRig, body: BodyMeasures, to: BothEnds): readonly [number, number] {
  const first = rig.trunks[0].tieHeight;
  const level = (from: number): readonly [number, number] => {
    // over rising ground the far tie is nearer to it; where that would be too low both go up
    const low = Math.max(from, RIDGE_LIMITS.tieHeight.min + rig.groundRise);
    return [toFiveCentimetres(low), toFiveCentimetres(low - rig.groundRise)];
  };
  if (to === 'level') return level(first);
  const fall = RIDGE_FALL * measuredSpan(rig, body);
  if (to === 'first-low') return [toFiveCentimetres(first), toFiveCentimetres(first + fall - rig.groundRise)];
  if (to === 'second-low') return [toFiveCentimetres(first), toFiveCentimetres(first - fall - rig.groundRise)];
  return level(body[PURPOSES[to].mark]);
}

/** A rig with its ties at these heights. */
export const tiedAt = (rig: RidgeRig, [first, second]: readonly [number, number]): RidgeRig => ({
  ...rig,
  trunks: [
    { ...rig.trunks[0], tieHeight: first },
    { ...rig.trunks[1], tieHeight: second },
  ],
});
