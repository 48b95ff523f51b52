import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { add, norm, scale, sub } from '../../src/quantity/index.js';
import type { Vec3 } from '../../src/quantity/index.js';
import {
  clothAbove,
  clothOver,
  coverBeyond,
  lineOffCloth,
  pointOffTriangle,
  rainSlant,
  segmentOffTriangle,
  segmentsApart,
} from '../../src/roof/index.js';

const number = fc.double({ min: -2, max: 2, noNaN: true });
const place = fc.tuple(number, number, number);
const between = (a: Vec3, b: Vec3, t: number): Vec3 => add(a, scale(sub(b, a), t));

describe('distances', () => {
  test('of segments: never more than between any two of their places, and reached by some', () => {
    fc.assert(
      fc.property(place, place, place, place, (p, q, r, s) => {
        const d = segmentsApart(p, q, r, s);
        let least = Number.POSITIVE_INFINITY;
        for (let i = 0; i <= 40; i++)
          for (let j = 0; j <= 40; j++)
            least = Math.min(least, norm(sub(between(p, q, i / 40), between(r, s, j / 40))));
        expect(d).toBeLessThanOrEqual(least + 1e-8);
        expect(d).toBeGreaterThan(least - (norm(sub(p, q)) + norm(sub(r, s))) / 40 - 1e-8);
      }),
      { numRuns: 60 },
    );
  });
  test('of a segment from a triangle: as a fine net of both says', () => {
    fc.assert(
      fc.property(place, place, place, place, place, (p, q, a, b, c) => {
        const d = segmentOffTriangle(p, q, a, b, c);
        let least = Number.POSITIVE_INFINITY;
        const n = 24;
        for (let i = 0; i <= n; i++)
          for (let j = 0; j + i <= n; j++) {
            const x = add(add(scale(a, i / n), scale(b, j / n)), scale(c, 1 - (i + j) / n));
            least = Math.min(least, segmentsApart(p, q, x, x));
          }
        expect(d).toBeLessThanOrEqual(least + 1e-8);
        const size = Math.max(norm(sub(a, b)), norm(sub(b, c)), norm(sub(c, a)));
        expect(d).toBeGreaterThan(least - (1.2 * size) / n - 1e-8);
      }),
      { numRuns: 60 },
    );
  });
  test('of a ball over a plane: its height less nothing, beside it to the edge', () => {
    const [a, b, c]: [Vec3, Vec3, Vec3] = [
      [0, 0, 0],
      [4, 0, 0],
      [0, 4, 0],
    ];
    expect(pointOffTriangle([1, 1, 0.7], a, b, c)).toBeCloseTo(0.7, 12);
    expect(pointOffTriangle([-3, 0, 4], a, b, c)).toBeCloseTo(5, 12);
    expect(segmentOffTriangle([1, 1, 1], [1, 1, -1], a, b, c)).toBe(0);
  });
  test('of a line from a cloth: its nearest panel’s', () => {
    // two panels of a metre square at height 2
    const at = [0, 0, 2, 1, 0, 2, 1, 1, 2, 0, 1, 2];
    const corners = Int32Array.from([0, 1, 2, 0, 2, 3]);
    const low = lineOffCloth(
      [
        [-1, 0.5, 1.2],
        [0.5, 0.5, 1.5],
        [2, 0.5, 1.1],
      ],
      corners,
      at,
    );
    expect(low.distance).toBeCloseTo(0.5, 9);
    expect(low.where).toEqual([0.5, 0.5, 1.5]);
  });
});

describe('rain over a flat cloth two metres up', () => {
  const at = [0, 0, 2, 4, 0, 2, 4, 3, 2, 0, 3, 2];
  const corners = Int32Array.from([0, 1, 2, 0, 2, 3]);
  test('straight down it keeps dry what lies under it, and reaches beyond by what is left', () => {
    expect(clothAbove([2, 1, 0.5], corners, at, [0, 0])).toBeCloseTo(2, 12);
    expect(clothAbove([4.1, 1, 0.5], corners, at, [0, 0])).toBeNull();
    expect(clothAbove([2, 1, 2.5], corners, at, [0, 0])).toBeNull();
    expect(coverBeyond([3.2, 1, 0.5], [1, 0], corners, at, [0, 0])).toBeCloseTo(0.8, 2);
    expect(coverBeyond([4.3, 1, 0.5], [1, 0], corners, at, [0, 0])).toBeCloseTo(-0.3, 1);
  });
  test('at a slant the dry ground moves downwind by the slant times the height', () => {
    const slant = rainSlant(7, [1, 0, 0]);
    expect(slant[0]).toBeCloseTo(1, 12);
    // 1.5 m under the cloth rain comes 1.5 m farther on
    expect(clothAbove([1.4, 1, 0.5], corners, at, slant)).toBeNull();
    expect(clothAbove([1.6, 1, 0.5], corners, at, slant)).toBeCloseTo(2, 12);
    expect(clothAbove([5.4, 1, 0.5], corners, at, slant)).toBeCloseTo(2, 12);
  });
});

describe('the cloth over many places', () => {
  /** Every panel looked at, by weights of its corners. */
  const oneByOne = (
    [x, y, z]: Vec3,
    corners: Int32Array,
    at: readonly number[],
    [sx, sy]: readonly [number, number],
  ): number | null => {
    const seen = (n: number): readonly [number, number] => [
      at[3 * n]! + at[3 * n + 2]! * sx,
      at[3 * n + 1]! + at[3 * n + 2]! * sy,
    ];
    const side = (a: readonly [number, number], b: readonly [number, number], c: readonly [number, number]): number =>
      (b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1]);
    const p = [x + z * sx, y + z * sy] as const;
    const heights: number[] = [];
    for (let t = 0; t < corners.length; t += 3) {
      const nodes = [corners[t]!, corners[t + 1]!, corners[t + 2]!] as const;
      const [a, b, c] = [seen(nodes[0]), seen(nodes[1]), seen(nodes[2])];
      const whole = side(a, b, c);
      if (Math.abs(whole) < 1e-9) continue;
      const shares = [side(p, b, c) / whole, side(a, p, c) / whole, side(a, b, p) / whole];
      if (shares.some((s) => s < 0)) continue;
      const height = nodes.reduce((sum, n, k) => sum + shares[k]! * at[3 * n + 2]!, 0);
      if (height >= z) heights.push(height);
    }
    return heights.length === 0 ? null : Math.min(...heights);
  };
  // to a centimetre, and places between them: no place lies on an edge, no panel is nearly but not quite on edge
  const metre = fc.integer({ min: -300, max: 300 }).map((x) => x / 100);
  const height = fc.integer({ min: 0, max: 300 }).map((x) => x / 100);
  const lean = fc.integer({ min: -20, max: 20 }).map((x) => x / 10);
  test('is what every panel by itself says', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(metre, metre, height), { minLength: 3, maxLength: 24 }),
        fc.array(fc.nat(), { minLength: 3, maxLength: 150 }),
        fc.tuple(lean, lean),
        fc.array(
          fc.tuple(metre, metre, height).map(([x, y, z]): Vec3 => [x + 0.00037, y + 0.00053, z + 0.00021]),
          { minLength: 1, maxLength: 20 },
        ),
        (nodes, picks, slant, places) => {
          const at = nodes.flat();
          const corners = Int32Array.from(picks.slice(0, picks.length - (picks.length % 3)), (k) => k % nodes.length);
          const over = clothOver(corners, at, slant);
          for (const p of places) {
            const [found, known] = [over(...p), oneByOne(p, corners, at, slant)];
            if (known === null) expect(found).toBeNull();
            else expect(found).toBeCloseTo(known, 6);
          }
        },
      ),
      { numRuns: 300 },
    );
  });
});
