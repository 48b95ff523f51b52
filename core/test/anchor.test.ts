import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { COMMON_PEG, pileIn, shortPile, slideHold } from '../src/anchor/index.js';
import { FEATURES, SOILS, findSoil, likelyWoods, weakestOf, WOODS } from '../src/catalogue/index.js';
import type { Feature } from '../src/catalogue/index.js';
import { GRAVITY } from '../src/quantity/index.js';

const clay = { cohesion: 30_000, weight: 18_000 };
const sand = { friction: 0.56, weight: 16_000 };
const lengths = fc.double({ min: 0.1, max: 1.5, noNaN: true });

describe('a short rigid peg or post (Broms)', () => {
  test('in clay balances moments about the point where it turns', () => {
    fc.assert(
      fc.property(lengths, fc.double({ min: 0, max: 2, noNaN: true }), (depth, arm) => {
        const b = 0.02;
        const H = shortPile(clay, b, depth, arm);
        const f = H / (9 * clay.cohesion * b);
        const g = depth - 1.5 * b - f;
        expect(g).toBeGreaterThan(0);
        const moment = H * (arm + 1.5 * b + f / 2);
        expect(moment / (2.25 * clay.cohesion * b * g * g)).toBeCloseTo(1, 6);
      }),
    );
  });
  test('pulled at the ground, deep and thin, comes to 9 c b times 0.414 of the free length', () => {
    const H = shortPile(clay, 0.001, 1, 0);
    expect(H / (9 * clay.cohesion * 0.001 * 0.414 * 1)).toBeCloseTo(1, 2);
  });
  test('in sand goes with the cube of its depth over arm and depth', () => {
    expect(shortPile(sand, 0.02, 0.6, 0) / shortPile(sand, 0.02, 0.3, 0)).toBeCloseTo(4, 9);
    const kp = Math.tan(Math.PI / 4 + 0.28) ** 2;
    expect(shortPile(sand, 0.05, 0.8, 1.2)).toBeCloseTo((0.5 * 16_000 * 0.05 * 0.512 * kp) / 2, 9);
  });
  test('holds more when deeper or pulled lower, nothing in the loose top', () => {
    fc.assert(
      fc.property(
        lengths,
        fc.double({ min: 0.01, max: 1, noNaN: true }),
        fc.constantFrom(clay, sand),
        (depth, arm, soil) => {
          const held = shortPile(soil, 0.03, depth, arm);
          expect(shortPile(soil, 0.03, depth * 1.1, arm)).toBeGreaterThan(held);
          expect(shortPile(soil, 0.03, depth, arm * 1.1)).toBeLessThan(held);
        },
      ),
    );
    expect(shortPile(clay, 0.2, 0.25, 0)).toBe(0);
  });
  test('every soil of the catalogue is one that sticks or one that runs, with ranges in order and a source', () => {
    for (const s of SOILS) {
      expect(Number(s.cohesion !== undefined) + Number(s.friction !== undefined)).toBe(1);
      for (const c of [s.cohesion, s.friction, s.apparent, s.wet, s.weight, s.runOff]) {
        if (c === undefined) continue;
        expect(c.low).toBeLessThanOrEqual(c.typical);
        expect(c.typical).toBeLessThan(c.high);
        expect(c.citation.length).toBeGreaterThan(8);
      }
      const { diameter, depth, arm } = COMMON_PEG;
      expect(pileIn(s, 'low', diameter, depth, arm)).toBeLessThan(pileIn(s, 'high', diameter, depth, arm));
    }
  });
  test('silty sand holds pegs badly, firm clay well', () => {
    const { diameter, depth, arm } = COMMON_PEG;
    const held = (id: string): number => pileIn(findSoil(id)!, 'typical', diameter, depth, arm);
    expect(held('silty-sand')).toBeLessThan(90);
    expect(held('firm-clay')).toBeGreaterThan(300);
  });
});

test('a weight slides where pull and friction balance, sooner when lifted', () => {
  expect(slideHold(100, 0.5)).toBeCloseTo(50 * GRAVITY, 9);
  const lift = 0.5;
  const level = slideHold(100, 0.5, lift);
  const T = level / Math.cos(lift);
  expect(T * Math.cos(lift)).toBeCloseTo(0.5 * (100 * GRAVITY - T * Math.sin(lift)), 6);
  expect(level).toBeLessThan(slideHold(100, 0.5));
});

describe('trees by their features', () => {
  test('cones that stay and blunt leaves are an alder', () => {
    expect(likelyWoods(['cones', 'notched-leaf', 'by-water'])[0]!.id).toBe('alder');
    expect(likelyWoods(['white-bark'])[0]!.id).toBe('birch');
  });
  test('nothing seen is nothing known, and what contradicts itself fits nothing', () => {
    expect(likelyWoods([])).toEqual([]);
    expect(likelyWoods(['white-bark', 'needles-drop', 'nuts', 'paired-leaflets'])).toEqual([]);
  });
  test('every wood but the nameless one can be found by some feature, and every feature is of some wood', () => {
    const all = Object.keys(FEATURES) as Feature[];
    const found = new Set(all.flatMap((f) => likelyWoods([f]).map((w) => w.id)));
    expect([...found].sort()).toEqual(
      WOODS.filter((w) => w.id !== 'unknown')
        .map((w) => w.id)
        .sort(),
    );
    for (const f of all) expect(likelyWoods([f]).length).toBeGreaterThan(0);
  });
  test('of those that fit alike, the weaker is taken', () => {
    expect(weakestOf(['oak', 'willow', 'ash'])).toBe('willow');
    expect(weakestOf([])).toBe('unknown');
  });
});
