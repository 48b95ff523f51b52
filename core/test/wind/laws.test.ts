import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  SHEET_LAW,
  canopyCoefficient,
  canopyPressures,
  flutterFactor,
  roofForWind,
  sheetCoefficient,
  sheetPressures,
  windForce,
} from '../../src/weather/index.js';

const level = (): number => 0;
const rad = (degrees: number): number => (degrees * Math.PI) / 180;

/** A rigid roof over level ground, gridded: 4 m along x, `depth` down each slope; one slope falls to -y. */
function rigid(slopes: 1 | 2, degrees: number, parts = 12) {
  const [long, depth] = [4, 3];
  const flat: number[] = [];
  const at: number[] = [];
  const rows = slopes * parts;
  for (let j = 0; j <= rows; j++)
    for (let i = 0; i <= parts; i++) {
      const s = (long * i) / parts - long / 2;
      const t = slopes === 1 ? (depth * j) / rows - depth / 2 : (2 * depth * j) / rows - depth;
      flat.push(s, t);
      const b = rad(degrees);
      at.push(s, t * Math.cos(b), 2 + (slopes === 1 ? t * Math.sin(b) : (depth - Math.abs(t)) * Math.sin(b)));
    }
  const corners: number[] = [];
  for (let j = 0; j < rows; j++)
    for (let i = 0; i < parts; i++) {
      const a = j * (parts + 1) + i;
      corners.push(a, a + 1, a + parts + 2, a, a + parts + 2, a + parts + 1);
    }
  const c = Int32Array.from(corners);
  const p = Float64Array.from(at);
  return { corners: c, at: p, roof: roofForWind(c, p, flat, level), area: slopes * long * depth };
}

describe('the plate law', () => {
  test('passes through zero without a jump, and is the table’s away from its rounded corners', () => {
    expect(sheetCoefficient(0)).toBe(0);
    for (const [degrees, c] of [
      [5, 0.2],
      [8, 0.32],
      [15, 0.6],
      [25, 0.975],
      [35, 1.3],
      [45, 1.325],
      [60, 1.2],
      [90, 1.2],
    ] as const)
      expect(sheetCoefficient(rad(degrees))).toBeCloseTo(c, 9);
    for (const degrees of [10, 20, 30, 40, 50]) {
      const table = { 10: 0.4, 20: 0.8, 30: 1.15, 40: 1.45, 50: 1.2 }[degrees]!;
      expect(Math.abs(sheetCoefficient(rad(degrees)) - table)).toBeLessThan(0.015);
    }
  });
  test('is odd, and its slope is its own derivative everywhere', () => {
    fc.assert(
      fc.property(fc.double({ min: -0.999, max: 0.999, noNaN: true }), (f) => {
        expect(SHEET_LAW.coefficient(-f)).toBeCloseTo(-SHEET_LAW.coefficient(f), 12);
        const h = 1e-6;
        const by = (SHEET_LAW.coefficient(f + h) - SHEET_LAW.coefficient(f - h)) / (2 * h);
        expect(Math.abs(by - SHEET_LAW.slope(f))).toBeLessThan(1e-3 * Math.max(1, Math.abs(by)));
      }),
    );
  });
  test('drag and lift of one rigid panel are its normal force’s parts', () => {
    for (const degrees of [7, 25, 45, 90]) {
      const b = rad(degrees);
      // a panel 1 m wide that faces wind along x, leaning back from it
      const at = Float64Array.from([0, 0, 0, 0, 1, 0, -Math.cos(b), 0, Math.sin(b)]);
      const corners = Int32Array.from([0, 1, 2]);
      const p = new Float64Array(1);
      sheetPressures(corners, at, [1, 0, 0], 100, p);
      const { drag, lift } = windForce(corners, at, p, [1, 0, 0]);
      const N = 100 * sheetCoefficient(b) * 0.5;
      expect(drag).toBeCloseTo(N * Math.sin(b), 9);
      expect(Math.abs(lift)).toBeCloseTo(N * Math.cos(b), 9);
    }
  });
  test('flutter counts for what lies along the wind, and is over at ten degrees', () => {
    const flat = rigid(1, 0);
    expect(flutterFactor(flat.corners, flat.at, [1, 0, 0])).toBeCloseTo(1.3, 9);
    const steep = rigid(1, 12);
    expect(flutterFactor(steep.corners, steep.at, [0, 1, 0])).toBe(1);
    const half = rigid(1, 5);
    expect(flutterFactor(half.corners, half.at, [0, 1, 0])).toBeCloseTo(1.15, 6);
  });
});

describe('free-standing canopies', () => {
  test('rigid roofs get the standard’s whole force, whatever the bearing', () => {
    const q = 80;
    for (const [slopes, degrees, law, c] of [
      [1, 0, 'push', 0.2],
      [1, 0, 'lift', -0.5],
      [1, 0, 'blocked', -1.3],
      [1, 15, 'push', 0.7],
      [1, 15, 'lift', -1.1],
      [1, 15, 'blocked', -1.4],
      [2, 15, 'push', 0.4],
      [2, 15, 'lift', -0.8],
      [2, 30, 'push', 0.9],
      [2, 30, 'lift', -1.0],
      [2, 30, 'blocked', -1.3],
      [2, -10, 'lift', -0.6],
    ] as const)
      for (const bearing of [0, 0.7, 2, 4]) {
        const { corners, at, roof, area } = rigid(slopes, degrees);
        const toward = [Math.cos(bearing), Math.sin(bearing), 0] as const;
        const { lift } = windForce(corners, at, canopyPressures(law, roof, toward, q), toward);
        expect(lift / (q * area)).toBeCloseTo(-c * Math.cos(rad(degrees)), 3);
      }
  });
  test('a single slope is loaded a quarter of its depth behind the windward edge; the rim more than the middle', () => {
    const { roof } = rigid(1, 0, 24);
    const p = canopyPressures('blocked', roof, [1, 0, 0], 100);
    let [sum, moment] = [0, 0];
    p.forEach((x, i) => {
      sum += x * roof.area[i]!;
      moment += x * roof.area[i]! * (roof.middle[2 * i]! + 2);
    });
    expect(moment / sum / 4).toBeGreaterThan(0.22);
    expect(moment / sum / 4).toBeLessThan(0.27);
    const gable = rigid(2, 20);
    const lifted = canopyPressures('lift', gable.roof, [0, 1, 0], 100).map(Math.abs);
    const mean = (rim: 0 | 1): number => {
      const these = [...lifted].filter((_, i) => gable.roof.rim[i] === rim);
      return these.reduce((a, b) => a + b, 0) / these.length;
    };
    expect(mean(1) / mean(0)).toBeCloseTo(1.5, 9);
  });
  test('a gable lifted all over is symmetric, and reads as two slopes; a valley as a trough', () => {
    const { roof, corners, at } = rigid(2, 25);
    expect(roof.shape).toBe('two slopes');
    expect(rigid(1, 25).roof.shape).toBe('one slope');
    expect(rigid(2, -15).roof.shape).toBe('trough');
    const { drag } = windForce(corners, at, canopyPressures('lift', roof, [0, 1, 0], 100), [0, 1, 0]);
    expect(Math.abs(drag)).toBeLessThan(1e-6);
  });
  test('steep faces are pushed to windward and sucked to leeward, and nothing jumps on the way there', () => {
    expect(canopyCoefficient('push', 'two slopes', 70, 1, false)).toBeGreaterThan(0.9);
    expect(canopyCoefficient('lift', 'two slopes', 60, -1, false)).toBeLessThan(-0.3);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 89, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.constantFrom('push' as const, 'lift' as const, 'blocked' as const),
        fc.boolean(),
        (slope, upwind, law, shut) => {
          const a = canopyCoefficient(law, 'two slopes', slope, upwind, shut);
          const b = canopyCoefficient(law, 'two slopes', slope + 0.1, upwind, shut);
          expect(Math.abs(a - b)).toBeLessThan(0.03);
          expect(Math.abs(a)).toBeLessThan(2);
        },
      ),
    );
  });
});
