import { describe, expect, test } from '@jest/globals';
import { compareRigs, evaluatePitch } from '../../src/pitch/index.js';
import { ratioOf } from '../../src/rig/index.js';
import type { RidgeRig } from '../../src/rig/index.js';
import { contextFor, rigOf, squareRoof } from './helper.js';

const square = squareRoof(3);
const context = contextFor(square);
const judged = (rig: RidgeRig) =>
  evaluatePitch(rig, context, { full: true, spreads: false, rising: false, wind: null }).result;
const calm = { wind: { beaufort: 0, shelter: 'edge' } } as const;
const gable = rigOf('gable', square, {}, calm);
const a = judged(gable);

describe('two rigs line by line', () => {
  test('a rig beside itself differs in nothing', () => {
    const rows = compareRigs(a.rows, a.rows);
    expect(rows.map((r) => r.id).sort()).toEqual(a.rows.map((r) => r.id).sort());
    for (const r of rows) {
      expect(r.weaker).toBeNull();
      expect(r.rows[0]).toBe(r.rows[1]);
    }
  });
  test('what differs most comes first, and the weaker is named; turned round, so is the answer', () => {
    const { pitch } = gable;
    const own = { '01': { hitch: 'adjustable', wraps: 2 } as const };
    const b = judged({ ...gable, pitch: { ...pitch!, own } });
    const rows = compareRigs(a.rows, b.rows);
    expect(rows[0]!.id).toBe('guy 01');
    expect(rows[0]!.weaker).toBe(1);
    const turned = compareRigs(b.rows, a.rows);
    expect(turned[0]!.weaker).toBe(0);
    const far = rows.map(({ rows: [p, q] }) => Math.abs(Math.log(ratioOf(p!) / ratioOf(q!))));
    for (let i = 1; i < far.length; i++) expect(far[i]!).toBeLessThanOrEqual(far[i - 1]! + 1e-9);
  });
  test('lines that only one has are there, with nothing beside them', () => {
    const fly = judged(rigOf('diagonal', square, {}, calm));
    const rows = compareRigs(a.rows, fly.rows);
    expect(rows.find((r) => r.id === 'guy 01')!.rows[1]).toBeNull();
    expect(rows.find((r) => r.id === 'guy 0')!.rows[0]).toBeNull();
    expect(rows.find((r) => r.id === 'ridge')!.rows.every((r) => r !== null)).toBe(true);
    expect(rows.findIndex((r) => r.rows.includes(null))).toBe(0);
  });
});
