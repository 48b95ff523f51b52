import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { PITCHED } from '../src/cases/index.js';
import { solveSpan, unstressedFromEndTension, unstressedFromPretension } from '../src/line/index.js';
import type { Span } from '../src/line/index.js';
import { tensionCurve } from '../src/net/index.js';
import { GRAVITY } from '../src/quantity/index.js';
import { ridgeModel } from '../src/rig/index.js';
import type { Hauls, RidgeRig } from '../src/rig/index.js';
import { judgeRig } from '../src/shelter/index.js';
import { roofMass } from '../src/roof/index.js';
import { demo } from './shelter/helper.js';

const curve = tensionCurve([
  [0, 0],
  [0.1, 1000],
]);
const span = (loads: Span['loads'], weight = 0): Span => ({
  chord: [6, 0, 0],
  curve,
  perMetre: [0, 0, -weight],
  loads,
  give: [
    [0, 0, 0],
    [0, 0, 0],
  ],
});

describe('a line hauled with something on it', () => {
  test('weightless and bare it is hauled as any line: to the same length', () => {
    for (const pull of [50, 200, 600])
      expect(unstressedFromEndTension(span([]), 1, pull)).toBeCloseTo(unstressedFromPretension(span([]), pull), 9);
  });
  test('a weight in its middle takes its own share of the pull: T sin a = P / 2 at the end', () => {
    const P = 40;
    const length = unstressedFromEndTension(span([{ at: 0.5, force: [0, 0, -P] }]), 1, 200);
    // V of two straight halves, each stretched by T
    const T = 200;
    const half = (length / 2) * (1 + T / 10_000);
    const drop = Math.sqrt(half * half - 9);
    expect((2 * T * drop) / half).toBeCloseTo(P, 6);
  });
  test('what is returned pulls as it was hauled, looked at from the length again', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 60, max: 800, noNaN: true }),
        fc.array(fc.double({ min: 0.05, max: 0.95, noNaN: true }), { maxLength: 4 }),
        fc.double({ min: 0, max: 12, noNaN: true }),
        fc.constantFrom(0 as const, 1 as const),
        (pull, places, each, end) => {
          const laden = span(
            [...places].sort((a, b) => a - b).map((at) => ({ at, force: [0, 0, -each] as const })),
            0.1,
          );
          const state = solveSpan(laden, unstressedFromEndTension(laden, end, pull));
          expect(state.converged).toBe(true);
          expect(state.endTension[end] / pull).toBeCloseTo(1, 6);
        },
      ),
      { seed: 4, numRuns: 120 },
    );
  });
  test('less than what hangs on it does not raise it: that is said', () => {
    const heavy = span([{ at: 0.5, force: [0, 0, -400] }]);
    expect(() => unstressedFromEndTension(heavy, 1, 150)).toThrow(/does not raise what hangs on it/);
  });
});

describe('a rig hauled bare, and with the cloth on', () => {
  const { rig, context } = demo('mess-roof');
  const hauled = (hauls: Hauls, change: Partial<RidgeRig> = {}): RidgeRig => ({
    ...rig,
    ...change,
    tensioning: { ...rig.tensioning, how: 'pulley' },
    work: { hands: 'two', hauls, rain: false, nights: 1 },
  });
  test('the same pull leaves less in the line with the cloth on it, and its end had just that pull', () => {
    const [bare, hung] = [ridgeModel(hauled('bare'), context), ridgeModel(hauled('hung'), context)];
    expect(hung.pretension.value).toBeLessThan(bare.pretension.value);
    expect(hung.unstressed.value).toBeGreaterThan(bare.unstressed.value);
    const roof = context.roofs.find((r) => r.id === rig.pitch!.roof)!;
    const cloth = hung.unstressed.inputs!.find((f) => f.symbol === 'm_c')!;
    expect(cloth.value).toBeCloseTo(roofMass(roof), 9);
    expect(cloth.value * GRAVITY).toBeGreaterThan(5);
    // by what stands in its working: the gain, the pull, the tension hauled
    const [, T] = hung.hauling;
    const state = solveSpan(
      {
        ...hung.spanOf(PITCHED),
        loads: Array.from({ length: 5 }, (_, k) => ({
          at: (rig.pitch!.middle + (roof.length / 2) * (k / 2 - 1)) / hung.distance,
          force: [0, 0, (-cloth.value * GRAVITY) / 5] as const,
        })),
      },
      hung.unstressed.value - rig.tensioning.pulley.setBack,
    );
    expect(state.endTension[1] / T!.value).toBeCloseTo(1, 6);
  });
  test('only a pull is told so: a tension, a sag or a dip is what it was measured to be', () => {
    for (const how of ['tension', 'sag', 'dip', 'passes'] as const) {
      const of = (hauls: Hauls): number =>
        ridgeModel({ ...hauled(hauls), tensioning: { ...rig.tensioning, how } }, context).unstressed.value;
      expect(of('hung')).toBe(of('bare'));
    }
  });
  test('the whole rig is solved from it: its ridge pulls less than hauled bare', () => {
    const pull = (hauls: Hauls): number =>
      judgeRig(hauled(hauls), context, { full: false }).report.rows.find((r) => r.id === 'ridge')!.pitched;
    expect(pull('hung')).toBeLessThan(pull('bare'));
  });
});
