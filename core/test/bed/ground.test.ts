import { describe, expect, test } from '@jest/globals';
import { prepareBed, solveBed } from '../../src/bed/index.js';
import type { Hang } from '../../src/bed/index.js';
import { hang } from './helper.js';

const level = { at: [0, 0, 0], normal: [0, 0, 1] } as const;
/** Someone of 800 N in the middle metre of a bed whose ends are so high. */
const hungAt = (height: number, part: Partial<Hang> = {}): Hang => ({
  ...hang({ loads: [{ from: 1, to: 2, force: 800 }], ...part }),
  ends: [
    { at: [0, 0, height], give: 0, pole: null, free: 1 },
    { at: [4.2, 0, height], give: 0, pole: null, free: 1 },
  ],
});

describe('a bed comes down to the ground and no further', () => {
  test('the ground bears what its straps do not, and pushes only up', () => {
    const h = hungAt(0.8, { ground: level });
    const s = solveBed(prepareBed(h), h);
    expect(s.converged).toBe(true);
    expect(s.borne).toBeGreaterThan(100);
    // 806 N come down: what the straps do not hold up the ground does
    expect(s.borne - s.pull[0][2] - s.pull[1][2]).toBeCloseTo(806, 3);
    // level nothing is taken: both straps pull alike
    expect(s.pull[0][0] + s.pull[1][0]).toBeCloseTo(0, 3);
    for (const p of s.line) expect(p[2]).toBeGreaterThan(-0.01);
    const free = solveBed(prepareBed(h), { ...h, ground: null });
    expect(Math.min(...free.line.map((p) => p[2]))).toBeLessThan(-0.1);
    expect(Math.max(...s.straps)).toBeLessThan(Math.max(...free.straps));
  });
  test('hung clear it is as if there were none', () => {
    const h = hungAt(1.9, { ground: level });
    const one = solveBed(prepareBed(h), h);
    const other = solveBed(prepareBed(h), { ...h, ground: null });
    expect(one.borne).toBe(0);
    expect(one.straps[0]).toBeCloseTo(other.straps[0], 9);
    expect(one.line[12]![2]).toBeCloseTo(other.line[12]![2], 9);
  });
  test('sloping ground is met where it is higher, and the force is across it', () => {
    const up = Math.atan(0.2);
    const h = hungAt(1.2, { ground: { at: [2.1, 0, 0.2], normal: [-Math.sin(up), 0, Math.cos(up)] } });
    const s = solveBed(prepareBed(h), h);
    expect(s.converged).toBe(true);
    const over = s.line.map((p) => p[2] - 0.2 - 0.2 * (p[0] - 2.1));
    expect(Math.min(...over)).toBeGreaterThan(-0.01);
    expect(s.borne).toBeGreaterThan(0);
    expect(s.borne - s.pull[0][2] - s.pull[1][2]).toBeCloseTo(806, 3);
    // frictionless: its level part is the slope times what it bears
    expect(s.pull[0][0] + s.pull[1][0]).toBeCloseTo(-0.2 * s.borne, 3);
  });
});
