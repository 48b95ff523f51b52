import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  NoSuchLine,
  dipOf,
  linearCurve,
  pretensionOf,
  solveSpan,
  spanShape,
  tensionCurve,
  unstressedFromDip,
  unstressedFromPretension,
  unstressedFromSag,
  unstressedFromTension,
} from '../src/line/index.js';
import type { Span } from '../src/line/index.js';
import { add, scale } from '../src/quantity/index.js';
import type { Vec3 } from '../src/quantity/index.js';

const RIGID: Span['give'] = [
  [0, 0, 0],
  [0, 0, 0],
];
const down = (n: number): Vec3 => [0, 0, -n];
const line = (part: Partial<Span>): Span => ({
  chord: [6, 0, 0],
  curve: linearCurve(8000),
  perMetre: [0, 0, 0],
  loads: [],
  give: RIGID,
  ...part,
});
const near = (a: number, b: number, relative = 1e-6): void =>
  expect(Math.abs(a - b)).toBeLessThan(relative * Math.abs(b));

describe('closed forms', () => {
  test('weightless V: T = P / (2 sin a), at any depth', () => {
    const span = line({ curve: linearCurve(1e9), loads: [{ at: 0.5, force: down(100) }] });
    for (const sag of [0.01, 0.1, 0.5, 3, 20]) {
      const state = solveSpan(span, unstressedFromSag(span, sag));
      near(state.tension, 50 / Math.sin(Math.atan(sag / 3)));
      near(state.sag, sag);
      near(state.sagAt, 3);
    }
  });

  test('elastic V: the geometry and Hooke close', () => {
    const EA = 2500;
    const L0 = 5.9;
    const state = solveSpan(line({ curve: linearCurve(EA), loads: [{ at: 0.5, force: down(80) }] }), L0);
    const half = Math.hypot(3, state.sag);
    near(state.tension, EA * (half / (L0 / 2) - 1));
    near(80, 2 * state.tension * (state.sag / half));
  });

  test('small sag: the parabola, T = w L^2 / 8 d', () => {
    const span = line({ perMetre: down(2), curve: linearCurve(1e11) });
    const state = solveSpan(span, unstressedFromSag(span, 0.006));
    near(state.pull[0][0], (2 * 36) / (8 * 0.006), 1e-5);
  });

  test('stiff heavy line: the catenary', () => {
    const [w, c] = [9, 4]; // parameter c = H / w, span 10
    const sag = c * (Math.cosh(5 / c) - 1);
    const span = line({ chord: [10, 0, 0], perMetre: down(w), curve: linearCurve(1e12) });
    const state = solveSpan(span, 2 * c * Math.sinh(5 / c));
    near(state.pull[0][0], w * c);
    near(state.sag, sag);
    near(state.tension, w * c * Math.cosh(5 / c));
  });

  test('straight bare line: Hooke, and the curve', () => {
    const span = line({ chord: [4, 0, 3] });
    near(solveSpan(span, 4.9).tension, 8000 * (5 / 4.9 - 1));
    near(pretensionOf(span, 4.9), 8000 * (5 / 4.9 - 1));
    const curve = tensionCurve([
      [0, 0],
      [0.01, 20],
      [0.1, 900],
    ]);
    near(solveSpan(line({ chord: [4, 0, 3], curve }), 5 / 1.05).tension, 20 + (0.04 * 880) / 0.09);
  });

  test('unlevel ends, one load: statics alone', () => {
    const span = line({ chord: [5, 0, 1.5], curve: linearCurve(1e10), loads: [{ at: 0.4, force: down(60) }] });
    const state = solveSpan(span, 5.6);
    const p = state.loadPlace[0]!;
    const H = state.pull[0][0];
    // each end pulls along its own straight part, and the two together carry the load
    near(state.pull[0][2] / H, p[2] / p[0], 1e-9);
    near(state.pull[1][2] / state.pull[1][0], (p[2] - 1.5) / (p[0] - 5), 1e-9);
    near(-state.pull[0][2] - state.pull[1][2], 60, 1e-9);
    near(-state.pull[1][0], H, 1e-12);
  });

  test('sideways load: the plane of the V turns', () => {
    const angle = 0.7;
    const P = 50;
    const flat = solveSpan(line({ loads: [{ at: 0.5, force: down(P) }] }), 5.95);
    const turned = solveSpan(
      line({ loads: [{ at: 0.5, force: [0, P * Math.sin(angle), -P * Math.cos(angle)] }] }),
      5.95,
    );
    near(turned.tension, flat.tension, 1e-10);
    near(turned.sag, flat.sag * Math.cos(angle), 1e-9);
    near(turned.sideways, flat.sag * Math.sin(angle), 1e-9);
  });

  test('supports that give: the pull and the give agree', () => {
    const give: Span['give'] = [
      [2e-5, 2e-5, 0],
      [5e-5, 5e-5, 0],
    ];
    const span = line({ give });
    const L0 = unstressedFromPretension(span, 400);
    const state = solveSpan(span, L0);
    near(state.tension, 400, 1e-9);
    near(state.ends[0][0], 400 * 2e-5, 1e-9);
    near(6 - state.ends[1][0], 400 * 5e-5, 1e-9);
    near(pretensionOf(span, L0), 400, 1e-9);
  });

  test('supports that sway apart by s add EA s / L0', () => {
    const apart = solveSpan(line({ chord: [6.04, 0, 0] }), 5.9).tension - solveSpan(line({}), 5.9).tension;
    near(apart, (8000 * 0.04) / 5.9, 1e-9);
  });

  test('a support that gives eats the tension of a take-up', () => {
    const soft: Span['give'] = [
      [1e-4, 1e-4, 0],
      [1e-4, 1e-4, 0],
    ];
    // two springs and a bar in series: T = take-up / (L0 / EA + give)
    near(solveSpan(line({ give: soft }), 5.9).tension, 0.1 / (5.9 / 8000 + 2e-4), 1e-9);
  });
});

/** Any sensible rig line. */
const anySpan = fc.record({
  width: fc.double({ min: 2, max: 20, noNaN: true }),
  rise: fc.double({ min: -2, max: 2, noNaN: true }),
  ea: fc.double({ min: 800, max: 60_000, noNaN: true }),
  weight: fc.double({ min: 0.005, max: 1, noNaN: true }),
  at: fc.double({ min: 0.05, max: 0.95, noNaN: true }),
  load: fc.double({ min: 1, max: 120, noNaN: true }),
  other: fc.double({ min: 0.05, max: 0.95, noNaN: true }),
});
const built = (p: {
  width: number;
  rise: number;
  ea: number;
  weight: number;
  at: number;
  load: number;
  other: number;
}): Span =>
  line({
    chord: [p.width, 0, p.rise],
    curve: linearCurve(p.ea),
    perMetre: down(p.weight),
    loads: [
      { at: p.at, force: down(p.load) },
      { at: p.other, force: down(p.load / 3) },
    ],
  });

describe('for any line', () => {
  test('what pulls on the supports is what hangs on the line', () => {
    fc.assert(
      fc.property(anySpan, fc.double({ min: 0.9, max: 1.6, noNaN: true }), (p, slackness) => {
        const span = built(p);
        const length = slackness * p.width;
        const state = solveSpan(span, length);
        expect(state.converged).toBe(true);
        const total = add(state.pull[0], state.pull[1]);
        const hung = add(scale(span.perMetre, length), add(span.loads[0]!.force, span.loads[1]!.force));
        total.forEach((v, i) => expect(Math.abs(v - hung[i]!)).toBeLessThan(1e-9 * Math.max(1, state.tension)));
        expect(state.gap).toBeLessThan(1e-9);
      }),
      { numRuns: 300, seed: 11 },
    );
  });

  test('sag, tension and dip inverses return what was put in', () => {
    fc.assert(
      fc.property(anySpan, fc.double({ min: 0.92, max: 0.999, noNaN: true }), (p, tightness) => {
        const span = built(p);
        const length = tightness * Math.hypot(p.width, p.rise);
        const state = solveSpan(span, length);
        near(unstressedFromSag(span, state.sag), length, 1e-8);
        near(solveSpan(span, unstressedFromTension(span, state.tension)).tension, state.tension, 1e-9);
        const dip = dipOf(span, length, p.at, p.load);
        near(dipOf(span, unstressedFromDip(span, p.at, p.load, dip), p.at, p.load), dip, 1e-7);
      }),
      { numRuns: 60, seed: 3 },
    );
  });

  test('level and tighter means less sag and more tension', () => {
    fc.assert(
      fc.property(anySpan, (p) => {
        const span = built({ ...p, rise: 0 });
        let sag = Number.POSITIVE_INFINITY;
        let bare = -1;
        for (const share of [1.05, 1.01, 1, 0.99, 0.97, 0.94]) {
          const state = solveSpan(span, share * p.width);
          expect(state.sag).toBeLessThan(sag);
          sag = state.sag;
          const pre = pretensionOf(span, state.unstressed);
          expect(pre).toBeGreaterThanOrEqual(bare);
          bare = pre;
        }
      }),
      { numRuns: 60, seed: 5 },
    );
  });

  test('seen from the other end it is the same line', () => {
    fc.assert(
      fc.property(anySpan, (p) => {
        const length = 0.98 * p.width;
        const one = solveSpan(built(p), length);
        const other = solveSpan(built({ ...p, rise: -p.rise, at: 1 - p.at, other: 1 - p.other }), length);
        near(other.tension, one.tension, 1e-8);
        near(other.sag, one.sag, 1e-6);
        near(other.pull[1][2], one.pull[0][2], 1e-6);
      }),
      { numRuns: 60, seed: 9 },
    );
  });

  test('twice the size with twice the load per metre scales', () => {
    const p = { width: 5, rise: 0.4, ea: 3000, weight: 0.1, at: 0.3, load: 20, other: 0.8 };
    const one = solveSpan(built(p), 4.9);
    const two = solveSpan(built({ ...p, width: 10, rise: 0.8, weight: 0.05 }), 9.8);
    near(two.tension, one.tension, 1e-9);
    near(two.sag, 2 * one.sag, 1e-9);
  });

  test('the drawn shape passes through the loads and never dips below the sag', () => {
    const span = built({ width: 7, rise: 0.5, ea: 3000, weight: 0.3, at: 0.3, load: 20, other: 0.8 });
    const state = solveSpan(span, 6.95);
    const shape = spanShape(span, state, 10);
    let lowest = 0;
    for (let i = 0; i < shape.length; i += 4) {
      lowest = Math.max(lowest, (shape[i]! * 0.5) / 7 - shape[i + 2]!);
    }
    expect(lowest).toBeLessThanOrEqual(state.sag + 1e-12);
    expect(shape[40]).toBeCloseTo(state.loadPlace[0]![0], 10);
    expect(shape[42]).toBeCloseTo(state.loadPlace[0]![2], 10);
  });
});

describe('at the limits', () => {
  test('slack and weightless: no tension, and says so', () => {
    const state = solveSpan(line({}), 6.5);
    expect(state).toMatchObject({ slack: true, tension: 0, converged: true });
  });

  test('very long heavy line hangs from two near verticals', () => {
    const span = line({ perMetre: down(3), curve: linearCurve(1e9) });
    const state = solveSpan(span, 2000);
    expect(state.converged).toBe(true);
    near(state.tension, 3000, 1e-2);
  });

  test('never NaN: hostile lengths and loads give a state that says what it is', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-3, max: 1e4, noNaN: true }),
        fc.double({ min: 0, max: 1e6, noNaN: true }),
        fc.double({ min: -1e6, max: 1e6, noNaN: true }),
        fc.double({ min: 1e-6, max: 1 - 1e-6, noNaN: true }),
        (length, P, side, at) => {
          const state = solveSpan(line({ perMetre: down(0.06), loads: [{ at, force: [0, side, -P] }] }), length);
          expect(Number.isFinite(state.tension)).toBe(true);
          expect(Number.isFinite(state.sag)).toBe(true);
          expect(state.converged || state.reason !== null).toBe(true);
        },
      ),
      { numRuns: 300, seed: 13 },
    );
  });

  test('what cannot be is refused with what can', () => {
    expect(() => unstressedFromSag(line({}), 0.2)).toThrow(NoSuchLine);
    expect(() => unstressedFromTension(line({ perMetre: down(1) }), 0.5)).toThrow(/the least is/);
    expect(() => unstressedFromDip(line({ perMetre: down(1) }), 0.5, 1, 5)).toThrow(/nearest possible/);
    expect(() =>
      unstressedFromPretension(
        line({
          give: [
            [1, 1, 0],
            [1, 1, 0],
          ],
        }),
        100,
      ),
    ).toThrow(/half way together/);
  });
});
