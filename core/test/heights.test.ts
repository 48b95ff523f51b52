import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  BOTH_ENDS,
  PURPOSES,
  RIDGE_FALL,
  RIDGE_LIMITS,
  bothEnds,
  measuredSpan,
  rigProblems,
  tiedAt,
} from '../src/rig/index.js';
import type { Purpose, RidgeRig } from '../src/rig/index.js';
import { demo } from './shelter/helper.js';

const { rig, context } = demo('gravel-spit-gable');
const { body } = context;
const over = (groundRise: number, tieHeight = 1.5): RidgeRig => ({
  ...tiedAt(rig, [tieHeight, tieHeight]),
  groundRise,
});
/** How much higher the second tie is than the first, over level. */
const rise = (of: RidgeRig, [a, b]: readonly [number, number]): number => of.groundRise + b - a;

describe('both ends at once', () => {
  test('level is level over falling and rising ground, to a hand’s five centimetres', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.8, max: 0.8, noNaN: true }),
        fc.double({ min: 1, max: 2.4, noNaN: true }),
        (groundRise, height) => {
          const of = over(groundRise, height);
          expect(Math.abs(rise(of, bothEnds(of, body, 'level')))).toBeLessThanOrEqual(0.05 + 1e-9);
        },
      ),
    );
  });
  test('a fall on purpose runs to the end it is said to, by its share of the span', () => {
    const of = over(0.3);
    const fall = RIDGE_FALL * measuredSpan(of, body);
    expect(rise(of, bothEnds(of, body, 'second-low'))).toBeCloseTo(-fall, 1);
    expect(rise(of, bothEnds(of, body, 'first-low'))).toBeCloseTo(fall, 1);
  });
  test('by purpose: a mark of one’s own body, level', () => {
    for (const to of Object.keys(PURPOSES) as Purpose[]) {
      const [a, b] = bothEnds(over(0), body, to);
      expect(a).toBe(b);
      expect(Math.abs(a - body[PURPOSES[to].mark])).toBeLessThanOrEqual(0.025 + 1e-9);
    }
    const [warm, taught, worked] = (['warmth', 'class', 'work'] as const).map((to) => bothEnds(over(0), body, to)[0]);
    expect(warm).toBeLessThan(taught!);
    expect(taught).toBeLessThan(worked!);
  });
  test('whatever the ground does, no tie goes below or above where one may be', () => {
    const { min, max } = RIDGE_LIMITS.tieHeight;
    fc.assert(
      fc.property(
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.double({ min, max, noNaN: true }),
        fc.constantFrom(...BOTH_ENDS),
        (groundRise, height, to) => {
          for (const h of bothEnds(over(groundRise, height), body, to)) {
            expect(h).toBeGreaterThanOrEqual(min);
            expect(h).toBeLessThanOrEqual(max);
          }
        },
      ),
    );
  });
  test('a rig so tied is a rig, with all else as it was', () => {
    for (const to of BOTH_ENDS) {
      const next = tiedAt(rig, bothEnds(rig, body, to));
      expect(rigProblems(next, context)).toEqual([]);
      expect({ ...next, trunks: null }).toEqual({ ...rig, trunks: null });
    }
  });
});
