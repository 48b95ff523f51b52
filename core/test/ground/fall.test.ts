import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  FALL_MARGIN,
  FALL_RUN,
  along,
  bearingOf,
  fallFigure,
  fallingOf,
  insideReach,
  reachToward,
} from '../../src/ground/index.js';
import { place, thing, tree } from './helper.js';

describe('what can fall', () => {
  test('a dead stem reaches its height with the margin all round on the level', () => {
    const [f] = fallingOf(place([thing('hazard', 'stub', [0, 0], { height: 8 })]));
    for (const b of [0, 1, 2, 4]) expect(reachToward(f!, b)).toBeCloseTo(8 * FALL_MARGIN.typical, 12);
  });
  test('it reaches farther downhill by the fall of the slope, and no less uphill', () => {
    const p = place([thing('hazard', 'stub', [0, 0], { height: 10 })], { slope: { fall: 0.2, toward: 1 } });
    const [f] = fallingOf(p);
    expect(reachToward(f!, 1) - reachToward(f!, 1 + Math.PI)).toBeCloseTo(10 * FALL_RUN.typical * 0.2, 12);
    expect(fallFigure(f!, 0.2).value).toBeCloseTo(reachToward(f!, 1), 12);
  });
  test('a hung branch drops near, whatever the slope', () => {
    const [f] = fallingOf(
      place([thing('hazard', 'limb', [0, 0], { what: 'hung branch', height: 4 })], { slope: { fall: 0.3, toward: 0 } }),
    );
    expect(reachToward(f!, 0)).toBe(2);
  });
  test('a dead tree, one with a sign of its stem, and a dead top fall as stems do; a hung branch within its reach; a sound one not at all', () => {
    const p = place([
      tree('sound', [0, 0]),
      tree('rocking', [9, 0], { signs: ['rocking'], height: 10 }),
      tree('topped', [20, 0], { signs: ['dead-top'], height: 10 }),
      tree('dead one', [30, 0], { signs: ['dead'], height: 10 }),
      tree('hung', [40, 0], { signs: ['hung-branch'], height: 10 }),
    ]);
    const found = fallingOf(p);
    expect(found.map((f) => [f.name, f.whole])).toEqual([
      ['rocking', true],
      ['topped', true],
      ['dead one', true],
      ['hung', false],
    ]);
    expect(found[0]!.level).toBeGreaterThan(10);
    // the same spot marked as a hazard reaches as far
    const [marked] = fallingOf(place([thing('hazard', 'stem', [30, 0], { what: 'dead stem', height: 10 })]));
    expect(found[1]!.level).toBe(marked!.level);
    expect(found[2]!.level).toBe(marked!.level);
    expect(found[3]!.level).toBeCloseTo(3.5, 9);
  });
  test('inside and reach agree in every direction', () => {
    const p = place([thing('hazard', 'stub', [3, -2], { height: 7 })], { slope: { fall: 0.15, toward: 5 } });
    const [f] = fallingOf(p);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        fc.double({ min: 0.1, max: 25, noNaN: true }),
        (b, away) => {
          const [e, n] = along(b);
          const spot = [3 + e * away, -2 + n * away] as const;
          expect(insideReach(f!, spot)).toBeCloseTo(reachToward(f!, bearingOf([3, -2], spot)) - away, 9);
        },
      ),
    );
  });
});
