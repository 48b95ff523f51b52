import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Segment } from '../src/net/catenary.js';
import { newSegment, segment } from '../src/net/catenary.js';
import { linearCurve, strainAt, tensionAt, tensionCurve } from '../src/line/index.js';
import type { TensionCurve } from '../src/line/index.js';
import type { Vec3 } from '../src/quantity/index.js';

const nylon = tensionCurve([
  [0, 0],
  [0.02, 30],
  [0.06, 150],
  [0.15, 700],
  [0.3, 2450],
]);

/** The same integral by brute force: midpoint rule on many slices. */
function bySlices(t: Vec3, q: Vec3, length: number, curve: TensionCurve, slices = 40_000): [number, number, number] {
  const r: [number, number, number] = [0, 0, 0];
  const ds = length / slices;
  for (let i = 0; i < slices; i++) {
    const s = (i + 0.5) * ds;
    const v = [t[0] - q[0] * s, t[1] - q[1] * s, t[2] - q[2] * s];
    const T = Math.hypot(...v);
    const k = ((1 + strainAt(curve, T)) * ds) / T;
    for (let c = 0; c < 3; c++) r[c]! += v[c]! * k;
  }
  return r;
}

function ends(t: Vec3, q: Vec3, length: number, curve: TensionCurve): Segment {
  const out = newSegment();
  segment(out, t, q, length, curve);
  return out;
}

describe('one stretch of line', () => {
  test('linear, heavy: Irvine’s closed form for the elastic catenary', () => {
    const [H, V, w, L, EA] = [120, -300, 40, 12, 5e4];
    const r = ends([H, 0, V], [0, 0, -w], L, linearCurve(EA)).r;
    const V1 = V + w * L;
    const x = (H * L) / EA + (H / w) * (Math.asinh(V1 / H) - Math.asinh(V / H));
    const z = (V1 ** 2 - V ** 2) / (2 * EA * w) + (Math.hypot(H, V1) - Math.hypot(H, V)) / w;
    expect(Math.abs(r[0] / x - 1)).toBeLessThan(1e-12);
    expect(Math.abs(r[2] / z - 1)).toBeLessThan(1e-12);
    expect(r[1]).toBe(0);
  });

  test('a bent curve and an oblique load agree with brute integration', () => {
    const t: Vec3 = [180, 20, -60];
    const q: Vec3 = [1, 6, -22];
    const exact = ends(t, q, 9, nylon).r;
    const brute = bySlices(t, q, 9, nylon);
    for (let c = 0; c < 3; c++) expect(Math.abs(exact[c]! - brute[c]!)).toBeLessThan(2e-8);
  });

  test('no weight: straight along the pull, stretched by the curve', () => {
    const { r, length } = ends([30, 40, 0], [0, 0, 0], 2, linearCurve(1000));
    expect(r[0]).toBeCloseTo(2 * 1.05 * 0.6, 12);
    expect(r[1]).toBeCloseTo(2 * 1.05 * 0.8, 12);
    expect(length).toBeCloseTo(2.1, 12);
  });

  test('the flexibility is the derivative of the end vector', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 900, noNaN: true }),
        fc.double({ min: -200, max: 200, noNaN: true }),
        fc.double({ min: -200, max: 200, noNaN: true }),
        fc.double({ min: 0.01, max: 30, noNaN: true }),
        (x, y, z, w) => {
          const q: Vec3 = [0, 0, -w];
          const f = ends([x, y, z], q, 4, linearCurve(4000)).flexibility;
          const step = 1e-4 * Math.hypot(x, y, z);
          const column = (c: number): number[] => {
            const up = [x, y, z] as [number, number, number];
            const down = [x, y, z] as [number, number, number];
            up[c]! += step;
            down[c]! -= step;
            const a = ends(up, q, 4, linearCurve(4000)).r;
            const b = ends(down, q, 4, linearCurve(4000)).r;
            return a.map((v, i) => (v - b[i]!) / (2 * step));
          };
          const [cx, cy, cz] = [column(0), column(1), column(2)];
          const numeric = [cx[0]!, cx[1]!, cx[2]!, cy[1]!, cy[2]!, cz[2]!];
          const size = Math.max(...numeric.map(Math.abs));
          numeric.forEach((n, i) => expect(Math.abs(n - f[i]!)).toBeLessThan(2e-4 * size));
        },
      ),
      { numRuns: 200, seed: 7 },
    );
  });

  test('turning everything round turns the answer round', () => {
    const turn = (v: Vec3, a: number): [number, number, number] => [
      v[0] * Math.cos(a) - v[2] * Math.sin(a),
      v[1],
      v[0] * Math.sin(a) + v[2] * Math.cos(a),
    ];
    const t: Vec3 = [90, 10, -35];
    const q: Vec3 = [0, 0, -12];
    const plain = ends(t, q, 5, nylon).r;
    for (const angle of [0.3, 1.2, 2.8]) {
      const turned = ends(turn(t, angle), turn(q, angle), 5, nylon).r;
      turn(plain, angle).forEach((v, i) => expect(Math.abs(v - turned[i]!)).toBeLessThan(1e-12 * 10));
    }
  });
});

describe('the tension curve', () => {
  test('tension and strain undo each other, beyond the last knot too', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1.2, noNaN: true }), (e) => {
        expect(Math.abs(strainAt(nylon, tensionAt(nylon, e)) - e)).toBeLessThan(1e-12);
      }),
    );
    expect(tensionAt(nylon, -0.1)).toBe(0);
  });

  test.each([
    ['one point', [[0, 0]]],
    [
      'not from the origin',
      [
        [0.01, 0],
        [0.1, 5],
      ],
    ],
    [
      'falling',
      [
        [0, 0],
        [0.1, 5],
        [0.2, 4],
      ],
    ],
    [
      'not finite',
      [
        [0, 0],
        [0.1, Number.NaN],
      ],
    ],
  ] as const)('%s is refused', (_, points) => {
    expect(() => tensionCurve(points as unknown as [number, number][])).toThrow(RangeError);
  });
});
