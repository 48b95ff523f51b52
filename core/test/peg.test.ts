import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  bestRise,
  bucklingLoad,
  buriedHold,
  footHolds,
  ganged,
  pegFigure,
  pegHold,
  pullOut,
  pushOver,
  shortPile,
  soilNumbers,
} from '../src/anchor/index.js';
import type { SoilNumbers } from '../src/anchor/index.js';
import { PEGS, SOILS, findPeg, findSoil } from '../src/catalogue/index.js';

const clay: SoilNumbers = { cohesion: 40_000, weight: 18_000, adhesion: 0.5, pegFriction: 0.7 };
const sand: SoilNumbers = { friction: 0.54, weight: 16_000, adhesion: 0.5, pegFriction: 0.7 };
const peg = { width: 0.025, depth: 0.3, arm: 0.03, lean: 0 };

describe('a peg in the ground', () => {
  test('drawn along itself: what clings to its surface', () => {
    expect(pullOut(clay, peg)).toBeCloseTo(0.5 * 40_000 * Math.PI * 0.025 * 0.3, 6);
    const k = Math.max(0.5, 1 - Math.sin(0.54));
    expect(pullOut(sand, peg)).toBeCloseTo(k * 0.5 * 16_000 * 0.3 * Math.tan(0.7 * 0.54) * Math.PI * 0.025 * 0.3, 9);
  });
  test('pulled level and upright it is Broms’ short pile', () => {
    expect(pegHold(sand, peg, 0)).toBeCloseTo(shortPile({ friction: 0.54, weight: 16_000 }, 0.025, 0.3, 0.03), 9);
    expect(pegHold(clay, peg, 0)).toBeCloseTo(shortPile({ cohesion: 40_000, weight: 18_000 }, 0.025, 0.3, 0.03), 9);
  });
  test('pulled straight up it holds what it is drawn with', () => {
    expect(pegHold(sand, peg, Math.PI / 2)).toBeCloseTo(pullOut(sand, peg), 6);
  });
  test('square to the guy nothing draws it: the whole lateral hold is there', () => {
    const leaning = { ...peg, lean: 0.4 };
    expect(pegHold(clay, leaning, 0.4)).toBeCloseTo(pushOver(clay, leaning), 9);
  });
  test('leaning into the pull holds least, and steeper guys hold less on an upright peg', () => {
    fc.assert(
      fc.property(fc.constantFrom(clay, sand), fc.double({ min: 0.05, max: 1.4, noNaN: true }), (soil, rise) => {
        const away = pegHold(soil, { ...peg, lean: 0.35 }, rise);
        const toward = pegHold(soil, { ...peg, lean: -0.35 }, rise);
        expect(toward).toBeLessThan(away);
        expect(pegHold(soil, peg, rise + 0.1)).toBeLessThan(pegHold(soil, peg, rise) * 1.0000001);
        expect(away).toBeGreaterThan(0);
      }),
      { seed: 3, numRuns: 100 },
    );
  });
  test('inside the interaction everywhere: both parts of the pull together just reach one', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1.5, noNaN: true }),
        fc.double({ min: -0.5, max: 0.6, noNaN: true }),
        (rise, lean) => {
          const p = { ...peg, lean };
          const T = pegHold(sand, p, rise);
          const across = (T * Math.cos(rise - lean)) / pushOver(sand, p);
          const along = (T * Math.max(0, Math.sin(rise - lean))) / pullOut(sand, p);
          expect(across * across + along * along).toBeCloseTo(1, 9);
        },
      ),
      { seed: 5, numRuns: 100 },
    );
  });
  test('deeper and wider holds more, in every soil of the catalogue', () => {
    for (const soil of SOILS)
      for (const end of ['low', 'typical', 'high'] as const) {
        const n = soilNumbers(soil, end);
        expect(pegHold(n, { ...peg, depth: 0.4 }, 0.5)).toBeGreaterThan(pegHold(n, peg, 0.5));
        expect(pegHold(n, { ...peg, width: 0.04 }, 0.5)).toBeGreaterThan(pegHold(n, peg, 0.5));
      }
  });
  test('the figure has its range, and a thin peg bends before the ground gives', () => {
    const soil = findSoil('stiff-clay')!;
    const wood = pegFigure(soil, peg, 0.5, 1, findPeg('cut-wood')!.moment);
    expect(wood.range![0]).toBeLessThan(wood.value);
    expect(wood.range![1]).toBeGreaterThan(wood.value);
    const wire = pegFigure(soil, { ...peg, width: 0.006, depth: 0.15 }, 0.5, 1, findPeg('wire')!.moment);
    expect(wire.value).toBeLessThan(pegHold(soilNumbers(soil, 'typical'), { ...peg, width: 0.006, depth: 0.15 }, 0.5));
    expect(wood.notes!.join(' ')).toMatch(/factor of two/);
  });
  test('pegs behind one another: one, one and a half, one and five sixths', () => {
    expect([1, 2, 3].map(ganged)).toEqual([1, 1.5, expect.closeTo(11 / 6, 12)]);
    const soil = findSoil('turf')!;
    const one = pegFigure(soil, peg, 0.5, 1, findPeg('stout-wood')!.moment).value;
    expect(pegFigure(soil, peg, 0.5, 2, findPeg('stout-wood')!.moment).value).toBeCloseTo(1.5 * one, 6);
  });
  test('the best angle asks least of the peg for the same level pull', () => {
    const best = bestRise(sand, peg, 0.2, 1.2);
    const worth = (rise: number): number =>
      pegHold(sand, { ...peg, lean: Math.min(rise, Math.PI / 6) }, rise) * Math.cos(rise);
    for (const rise of [0.2, 0.4, 0.7, 1, 1.2]) expect(worth(best)).toBeGreaterThanOrEqual(worth(rise) - 1e-9);
  });
  test('every shape of peg can be driven and bears a bend', () => {
    for (const p of PEGS) {
      expect(p.length).toBeGreaterThan(0.1);
      expect(p.moment.low).toBeLessThan(p.moment.high);
    }
  });
});

describe('what is buried, and sticks', () => {
  test('straight up: the prism above and half the shear at its sides', () => {
    const up = buriedHold(clay, 0.6, 0.2, 0.4, Math.PI / 2);
    expect(up).toBeCloseTo(18_000 * 0.6 * 0.2 * 0.4 + 40_000 * 0.6 * 0.4, 6);
    expect(buriedHold(sand, 0.6, 0.2, 0.4, 0.6)).toBeGreaterThan(buriedHold(sand, 0.6, 0.2, 0.2, 0.6));
  });
  test('Euler: pi squared E I over L squared', () => {
    const I = (Math.PI * 0.03 ** 4) / 64;
    expect(bucklingLoad(8e9, 0.03, 1.5)).toBeCloseTo((Math.PI ** 2 * 8e9 * I) / 1.5 ** 2, 6);
    expect(footHolds(0.5)).toBeCloseTo(0.4636, 4);
  });
});
