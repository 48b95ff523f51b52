import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  NoSuchLine,
  dipOf,
  linearCurve,
  pretensionOf,
  root,
  unstressedFromDip,
  unstressedFromPretension,
} from '../src/line/index.js';
import type { Span } from '../src/line/index.js';

const line = (part: Partial<Span>): Span => ({
  chord: [6, 0, 0],
  curve: linearCurve(3000),
  perMetre: [0, 0, -2],
  loads: [],
  give: [
    [0, 0, 0],
    [0, 0, 0],
  ],
  ...part,
});

describe('the root finder', () => {
  test.each<[string, (x: number) => number, number, number, number]>([
    ['a square', (x) => x * x - 2, 0, 2, Math.SQRT2],
    ['a flat cubic', (x) => (x - 0.3) ** 3, -1, 2, 0.3],
    ['a steep exponential', (x) => Math.exp(40 * x) - 1e9, 0, 1, Math.log(1e9) / 40],
    ['a kink', (x) => (x < 0.7 ? x - 0.7 : 100 * (x - 0.7)), 0, 1, 0.7],
    ['falling', (x) => 3 - x, 0, 10, 3],
    ['an end that is the root', (x) => x, 0, 1, 0],
  ])('%s', (_, f, a, b, answer) => {
    expect(Math.abs(root(f, a, b, 1e-15) - answer)).toBeLessThan(2e-5);
    expect(Math.abs(f(root(f, a, b, 1e-15)))).toBeLessThan(1e-5);
  });
});

describe('a dip test on a heavy line', () => {
  const [at, force] = [0.5, 3];
  const lengths = Array.from({ length: 400 }, (_, i) => 5.7 + i * 0.005);
  const dips = lengths.map((l) => dipOf(line({}), l, at, force));
  const most = Math.max(...dips);

  test('rises, falls and rises again: one dip can belong to several lengths', () => {
    const turns = dips.filter((d, i) => i > 0 && i < dips.length - 1 && d > dips[i - 1]! !== dips[i + 1]! > d);
    expect(turns.length).toBeGreaterThanOrEqual(2);
  });

  test('the tightest length with that dip is given', () => {
    for (let i = 0; i < dips.length; i += 23) {
      const length = unstressedFromDip(line({}), at, force, dips[i]!);
      expect(dipOf(line({}), length, at, force) / dips[i]!).toBeCloseTo(1, 8);
      expect(length).toBeLessThanOrEqual(lengths[i]! + 1e-6);
      const tighter = lengths.findIndex((l, k) => l < length - 0.006 && dips[k]! > dips[i]! * (1 + 1e-9));
      expect(tighter).toBe(-1);
    }
  });

  test('a dip no length gives is refused, naming one that is at least the largest seen', () => {
    let message = '';
    try {
      unstressedFromDip(line({}), at, force, 40);
    } catch (error) {
      expect(error).toBeInstanceOf(NoSuchLine);
      message = (error as Error).message;
    }
    expect(Number(/nearest possible is ([\d.]+)/.exec(message)?.[1])).toBeGreaterThanOrEqual(Number(most.toFixed(3)));
  });
});

test('pretension over any trunks: finite, below the rigid line’s, and its own inverse', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 0.3, noNaN: true }),
      fc.double({ min: -1.5, max: 1.5, noNaN: true }),
      fc.double({ min: 0.5, max: 400, noNaN: true }),
      (give, rise, tension) => {
        const soft = line({
          chord: [6, 0, rise],
          give: [
            [give, give, 0],
            [give / 3, give / 3, 0],
          ],
        });
        let length: number;
        try {
          length = unstressedFromPretension(soft, tension);
        } catch (error) {
          expect(error).toBeInstanceOf(NoSuchLine);
          return;
        }
        const back = pretensionOf(soft, length);
        expect(Math.abs(back / tension - 1)).toBeLessThan(1e-6);
        expect(back).toBeLessThanOrEqual(pretensionOf(line({ chord: [6, 0, rise] }), length) * (1 + 1e-9));
      },
    ),
    { numRuns: 200, seed: 17 },
  );
});
