import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  capstanHold,
  linearCurve,
  pulleyHitchGain,
  relaxedTension,
  strainAt,
  tensionAfterSetBack,
  tensionAfterTakeUp,
  tensionAt,
  travelNeeded,
  turnEfficiency,
  unstressedWhenRelaxed,
} from '../src/line/index.js';
import { CORDS, dryCurve } from '../src/catalogue/index.js';

const curve = linearCurve(5000);

describe('tensioning', () => {
  test('take-up by hand: 6 m, 0.1 m hauled in, EA 5000 N', () => {
    expect(tensionAfterTakeUp(6, 0.1, curve)).toBeCloseTo((5000 * 0.1) / 5.9, 9);
    expect(tensionAfterTakeUp(6, 0, curve)).toBe(0);
    expect(() => tensionAfterTakeUp(6, 6, curve)).toThrow(/takeUp: 6; allowed: 0 to less than 6 m/);
    expect(() => tensionAfterTakeUp(0, 0, curve)).toThrow(/length: 0/);
    expect(() => tensionAfterTakeUp(6, Number.NaN, curve)).toThrow(RangeError);
  });

  test('pulley-style hitch: three without friction, one when it locks', () => {
    expect(pulleyHitchGain(1, 1)).toBe(3);
    expect(pulleyHitchGain(0, 0)).toBe(1);
    expect(pulleyHitchGain(0.5, 0.5)).toBe(1.75);
    expect(turnEfficiency(0.22, Math.PI)).toBeCloseTo(0.501, 3);
  });

  test('capstan: two turns at 0.35 hold over eighty times the tail', () => {
    expect(capstanHold(1, 0.35, 2)).toBeCloseTo(Math.exp(0.35 * 4 * Math.PI), 9);
    expect(capstanHold(100, 0.35, 0)).toBe(100);
  });

  test('set-back loses EA c / L, nearly', () => {
    const left = tensionAfterSetBack(300, 0.02, 6, curve);
    expect(Math.abs(300 - left - (5000 * 0.02) / 6)).toBeLessThan(3);
    expect(tensionAfterSetBack(300, 0, 6, curve)).toBeCloseTo(300, 9);
    expect(tensionAfterSetBack(10, 0.5, 6, curve)).toBe(0);
  });

  test('travel is the stretch and the bedding-in', () => {
    expect(travelNeeded(6, 300, curve, 0.05)).toBeCloseTo((6 * 0.06) / 1.06 + 0.05, 9);
  });
});

describe('relaxing and wetting', () => {
  test('T(t) = T0 (1 - k log10(1 + t / t0))', () => {
    expect(relaxedTension(200, 0.06, 0, 60)).toBe(200);
    expect(relaxedTension(200, 0.06, 540, 60)).toBeCloseTo(200 * 0.94, 9);
    expect(relaxedTension(200, 0.9, 1e9, 60)).toBe(0);
  });

  test('the relaxed length gives the relaxed tension at the same stretched length', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 800, noNaN: true }),
        fc.double({ min: 0.5, max: 1, noNaN: true }),
        (T, share) => {
          for (const cord of CORDS) {
            const c = dryCurve(cord);
            const L0 = unstressedWhenRelaxed(5, T, T * share, c);
            const stretched = 5 * (1 + strainAt(c, T));
            expect(Math.abs(tensionAt(c, stretched / L0 - 1) / (T * share) - 1)).toBeLessThan(1e-9);
            expect(L0).toBeGreaterThanOrEqual(5);
          }
        },
      ),
      { numRuns: 40, seed: 2 },
    );
    expect(unstressedWhenRelaxed(5, 0, 0, curve)).toBe(5);
  });
});
