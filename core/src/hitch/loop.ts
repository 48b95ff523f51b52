import type { Cut } from '../cordage/index.js';

/** Cord of the join knot of a loop, in diameters; and its two tails, m. Judgement: a double fisherman's or like. */
const JOIN = 40;
const TAILS = 0.1;

/**
 * Cord to cut for a loop hitch: its two legs, two turns round the host for each wrap, join and tails.
 * @param loop length of the loop from wraps to load point, m
 * @param tail of either end left hanging from the join, m
 */
export const loopCut = (hank: string, loop: number, wraps: number, diameter: number, host: number, tail = 0): Cut => ({
  hank,
  between: 2 * loop,
  wraps: 2 * wraps * Math.PI * (host + diameter),
  knots: JOIN * diameter,
  tails: Math.max(TAILS, 2 * tail),
  travel: 0,
  over: 0,
});

/**
 * How far the load point hangs under the ridge when the loop is pulled along it and down, m: the loop's own length at the
 * angle of the pull.
 * @param angle of the pull below the host, rad
 */
export function hangGap(loop: number, angle: number): number {
  return loop * Math.sin(Math.max(0, angle));
}
