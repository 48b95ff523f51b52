import type { LengthUnit } from './units.js';
import { METRES_PER } from './units.js';

/** A person's own measures, all in metres; the pace carries a spread because it is walked, not held up. */
export interface BodyMeasures {
  /** Mean length of one walking pace (one step), m. */
  readonly pace: number;
  /** Standard deviation of one calibration, as a share of the distance paced. */
  readonly paceSpread: number;
  readonly foot: number;
  readonly handSpan: number;
  readonly armSpan: number;
  readonly waist: number;
  readonly elbow: number;
  readonly chest: number;
  readonly shoulder: number;
  readonly brow: number;
  readonly reach: number;
}

/** Heights from the ground that people tie at, lowest first. */
export const BODY_MARKS = ['waist', 'elbow', 'chest', 'shoulder', 'brow', 'reach'] as const;
export type BodyMark = (typeof BODY_MARKS)[number];

/**
 * The body mark nearest a height, or null when none is within `within`.
 * @param height m above the ground
 * @param within m
 */
export function nearestMark(height: number, body: BodyMeasures, within = 0.12): BodyMark | null {
  let best: BodyMark | null = null;
  let least = within;
  for (const mark of BODY_MARKS) {
    const off = Math.abs(body[mark] - height);
    if (off <= least) {
      best = mark;
      least = off;
    }
  }
  return best;
}

/** A height in the owner's words: "my chest", "a hand above my chest", or in the unit when no mark is near. */
export function sayHeight(height: number, body: BodyMeasures, unit: LengthUnit): string {
  const mark = nearestMark(height, body, 0.08);
  if (mark !== null) return mark === 'reach' ? 'my full reach' : `my ${mark}`;
  const near = nearestMark(height, body, 0.3);
  const figure = `${(height / METRES_PER[unit]).toFixed(2)} ${unit}`;
  if (near === null) return height > body.reach ? 'above my reach' : figure;
  return `${height > body[near] ? 'above' : 'below'} my ${near}`;
}

/** A small drop or gap in hands and fingers: 'a hand’s width', "two hand spans". */
export function saySmall(length: number, body: BodyMeasures): string {
  const finger = body.handSpan / 11;
  if (length < finger * 0.5) return 'less than a finger';
  if (length < finger * 3.2)
    return `${Math.max(1, Math.round(length / finger))} finger${Math.round(length / finger) > 1 ? 's' : ''}`;
  if (length < body.handSpan * 0.72) return 'a hand’s width';
  const spans = Math.round((length / body.handSpan) * 2) / 2;
  return spans === 1 ? 'a hand span' : `${spans} hand spans`;
}

/** A length to measure off by one's arms and hands, never less than it is: "4 arm spans and 3 hand spans". */
export function sayByArms(length: number, body: BodyMeasures): string {
  let arms = Math.floor(length / body.armSpan + 1e-9);
  let hands = Math.ceil((length - arms * body.armSpan) / body.handSpan - 1e-6);
  if (hands * body.handSpan >= body.armSpan) [arms, hands] = [arms + 1, 0];
  const some = (n: number, what: string): string => `${n} ${what}${n === 1 ? '' : 's'}`;
  if (arms === 0) return some(hands, 'hand span');
  return hands === 0 ? some(arms, 'arm span') : `${some(arms, 'arm span')} and ${some(hands, 'hand span')}`;
}
