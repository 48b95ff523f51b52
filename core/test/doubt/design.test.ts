import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { BLOCK, firstOrder, hypercube } from '../../src/doubt/index.js';
import { normalCdf, normalQuantile } from '../../src/quantity/index.js';

describe('normal quantile', () => {
  test('is the inverse of the distribution function, over the whole of it', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-9, max: 1 - 1e-9, noNaN: true }), (p) => {
        expect(normalCdf(normalQuantile(p)) / p).toBeCloseTo(1, 5);
      }),
    );
  });
  test('printed values (NIST/SEMATECH e-Handbook, 1.3.6.7.1)', () => {
    expect(normalQuantile(0.5)).toBeCloseTo(0, 12);
    expect(normalQuantile(0.95)).toBeCloseTo(1.6448536, 6);
    expect(normalQuantile(0.025)).toBeCloseTo(-1.959964, 6);
    expect(normalQuantile(1e-6)).toBeCloseTo(-4.753424, 5);
  });
  test.each([0, 1, -0.1, Number.NaN])('%d is no chance', (p) => {
    expect(() => normalQuantile(p)).toThrow(RangeError);
  });
});

describe('a Latin hypercube', () => {
  test('draws once from each equal share of chance, in every dimension', () => {
    fc.assert(
      fc.property(fc.integer(), fc.integer({ min: 0, max: 50 }), fc.integer({ min: 1, max: 6 }), (seed, block, d) => {
        const n = 40;
        const z = hypercube(d, n, seed, block);
        for (let j = 0; j < d; j++) {
          const strata = Array.from({ length: n }, (_, i) => Math.floor(normalCdf(z[i * d + j]!) * n + 1e-4));
          expect(new Set(strata).size).toBeGreaterThanOrEqual(n - 1);
        }
      }),
      { numRuns: 30 },
    );
  });
  test('the same seed and design give the same numbers, another of either gives others', () => {
    const one = hypercube(3, BLOCK, 7, 0);
    expect(hypercube(3, BLOCK, 7, 0)).toEqual(one);
    expect(hypercube(3, BLOCK, 8, 0)).not.toEqual(one);
    expect(hypercube(3, BLOCK, 7, 1)).not.toEqual(one);
  });
  test('its means are nearer than those of numbers drawn anyhow', () => {
    const n = 250;
    const z = hypercube(4, n, 3, 2);
    for (let j = 0; j < 4; j++) {
      let [sum, squares] = [0, 0];
      for (let i = 0; i < n; i++) {
        sum += z[i * 4 + j]! / n;
        squares += z[i * 4 + j]! ** 2 / n;
      }
      expect(Math.abs(sum)).toBeLessThan(0.2 / Math.sqrt(n));
      expect(squares).toBeCloseTo(1, 1);
    }
  });
});

describe('share of the variance that one input makes', () => {
  /** Inputs from -π to π, evenly. */
  const evenly = (seed: number): { readonly x: Float64Array[]; readonly n: number } => {
    const n = 4000;
    const z = hypercube(3, n, seed, 0);
    const x = [0, 1, 2].map((j) =>
      Float64Array.from({ length: n }, (_, i) => Math.PI * (2 * normalCdf(z[i * 3 + j]!) - 1)),
    );
    return { x, n };
  };
  test('of the Ishigami function, as known in closed form (a 7, b 0.1: 0.314, 0.442, 0)', () => {
    const { x, n } = evenly(11);
    const y = Float64Array.from(
      { length: n },
      (_, i) => Math.sin(x[0]![i]!) + 7 * Math.sin(x[1]![i]!) ** 2 + 0.1 * x[2]![i]! ** 4 * Math.sin(x[0]![i]!),
    );
    const within = 0.04;
    expect(Math.abs(firstOrder(x[0]!, y) - 0.3139)).toBeLessThan(within);
    expect(Math.abs(firstOrder(x[1]!, y) - 0.4424)).toBeLessThan(within);
    expect(firstOrder(x[2]!, y)).toBeLessThan(within);
  });
  test('of a sum, by the squares of what each brings', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 1, max: 5 }), fc.integer(), (a, b, seed) => {
        const { x, n } = evenly(seed);
        const y = Float64Array.from({ length: n }, (_, i) => a * x[0]![i]! + b * x[1]![i]!);
        expect(Math.abs(firstOrder(x[0]!, y) - a ** 2 / (a ** 2 + b ** 2))).toBeLessThan(0.04);
      }),
      { numRuns: 20 },
    );
  });
  test('of what never changes, none; of too few samples, a message', () => {
    expect(firstOrder(new Float64Array(60), new Float64Array(60))).toBe(0);
    expect(() => firstOrder([1, 2], [1, 2])).toThrow(/samples: 2/);
  });
});
