import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  coverOf,
  filledBy,
  meshCloth,
  neighboursOf,
  nodeAreas,
  pathFrom,
  roofArea,
  roofMass,
  roofProblems,
  runOff,
  runsDown,
  tieOutAt,
  tieOutsOf,
} from '../../src/roof/index.js';
import type { KitRoof, Mesh } from '../../src/roof/index.js';

const roof = (part: Partial<KitRoof> = {}): KitRoof => ({
  id: 'r',
  name: 'roof',
  cloth: 'nylon',
  length: 4,
  width: 3,
  hollow: 0,
  tieOuts: tieOutsOf('full', 4, 3, 'loop'),
  mass: 0,
  sun: 'new',
  wear: 'sound',
  ...part,
});
const flatGround = (): number => 0;

/** Lifts a flat mesh into space. */
const lifted = (mesh: Mesh, z: (s: number, t: number) => number): Float64Array => {
  const at = new Float64Array((mesh.flat.length / 2) * 3);
  for (let n = 0; n < mesh.flat.length / 2; n++)
    at.set([mesh.flat[2 * n]!, mesh.flat[2 * n + 1]!, z(mesh.flat[2 * n]!, mesh.flat[2 * n + 1]!)], 3 * n);
  return at;
};
const area = (mesh: Mesh): number => {
  let sum = 0;
  for (let t = 0; t < mesh.corners.length; t += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => 2 * mesh.corners[t + k]!) as [number, number, number];
    const f = mesh.flat;
    const twice = (f[b]! - f[a]!) * (f[c + 1]! - f[a + 1]!) - (f[c]! - f[a]!) * (f[b + 1]! - f[a + 1]!);
    expect(twice).toBeGreaterThan(0); // every triangle face up
    sum += twice / 2;
  }
  return sum;
};

describe('cuts', () => {
  test('layouts put tie-outs where they say', () => {
    expect(tieOutsOf('corners', 4, 3, 'loop')).toHaveLength(4);
    expect(tieOutsOf('middles', 4, 3, 'loop')).toHaveLength(8);
    expect(tieOutsOf('thirds', 4, 3, 'loop').map((t) => t.at)).toContainEqual([-0.667, -1.5]);
    const full = roof();
    expect(tieOutAt(full, 0, 0)?.hold).toBe('loop');
    expect(tieOutAt(full, 2, 1.5)).toBeDefined();
    expect(tieOutAt(full, 1.2, 0.4)).toBeUndefined();
    for (const layout of ['corners', 'middles', 'thirds', 'full'] as const)
      expect(roofProblems(roof({ tieOuts: tieOutsOf(layout, 4, 3, 'eyelet') }))).toEqual([]);
  });
  test('mass from cloth and area unless weighed; hollow edges take cloth away', () => {
    expect(roofMass(roof())).toBeCloseTo(12 * 0.055, 9);
    expect(roofMass(roof({ mass: 0.9 }))).toBe(0.9);
    expect(roofArea(roof({ hollow: 0.1 }))).toBeCloseTo(12 - (4 / 3) * 0.1 * 7, 9);
  });
  test('what cannot be is named with its remedy', () => {
    const bad = roof({
      hollow: 0.45,
      cloth: 'lead',
      tieOuts: [...tieOutsOf('corners', 4, 3, 'loop'), { id: '-50,-50', at: [9, 0], hold: 'loop' }],
    });
    expect(roofProblems(bad).map((p) => p.field)).toEqual(['cloth', 'hollow', 'tieOuts.4.id', 'tieOuts.4.at']);
  });
});

describe('meshes', () => {
  test('cover the cloth once, face up, with every wanted place a node', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 6, noNaN: true }),
        fc.double({ min: 1, max: 6, noNaN: true }),
        fc.array(
          fc.tuple(fc.double({ min: -0.5, max: 0.5, noNaN: true }), fc.double({ min: -0.5, max: 0.5, noNaN: true })),
          { maxLength: 5 },
        ),
        fc.boolean(),
        (length, width, shares, diagonal) => {
          const spots = shares.map(([p, q]) => [p * length, q * width] as const);
          const mesh = meshCloth(length, width, spots, 8, diagonal);
          expect(area(mesh)).toBeCloseTo(length * width, 6);
          for (const [s, t] of diagonal ? [] : spots) expect(mesh.nodeAt(s, t)).toBeGreaterThanOrEqual(0);
          expect(mesh.nodeAt(0, 0)).toBeGreaterThanOrEqual(0);
        },
      ),
      { seed: 11, numRuns: 60 },
    );
  });
  test('hollow edges take away what the cut says', () => {
    const mesh = meshCloth(4, 3, [], 24, false, 0.1);
    expect(area(mesh)).toBeCloseTo(roofArea(roof({ hollow: 0.1 })), 1);
  });
  test('a fold from corner to corner runs along edges of triangles', () => {
    const mesh = meshCloth(4, 3, [], 8, true);
    let along = 0;
    for (let t = 0; t < mesh.corners.length; t += 3)
      for (let k = 0; k < 3; k++) {
        const on = (n: number): boolean => Math.abs(mesh.flat[2 * n]! / 4 - mesh.flat[2 * n + 1]! / 3) < 1e-9;
        if (on(mesh.corners[t + k]!) && on(mesh.corners[t + ((k + 1) % 3)]!)) along++;
      }
    expect(along).toBe(16); // eight pieces, each the side of two triangles
  });
});

describe('water', () => {
  const mesh = meshCloth(4, 3, [], 8, false);
  const context = neighboursOf(mesh);
  test('an even slope sheds all of it over its low edge, and nothing stands', () => {
    const at = lifted(mesh, (_, t) => 1 + 0.3 * t);
    const r = runOff(mesh, context, at, flatGround);
    expect(r.catches).toBeCloseTo(12, 6);
    expect(r.ponds).toEqual([]);
    expect(r.drips.reduce((sum, d) => sum + d.perMillimetre, 0)).toBeCloseTo(12, 6);
    for (const d of r.drips) expect(mesh.flat[2 * d.node + 1]).toBeCloseTo(-1.5, 9);
  });
  test('a gable sheds half to each side', () => {
    const at = lifted(mesh, (_, t) => 1.7 - 0.5 * Math.abs(t));
    const r = runOff(mesh, context, at, flatGround);
    const left = r.drips.filter((d) => mesh.flat[2 * d.node + 1]! > 0).reduce((s, d) => s + d.perMillimetre, 0);
    expect(left).toBeGreaterThan(5);
    expect(left).toBeLessThan(7);
  });
  test('a bowl holds what lies below its rim: an upside-down tent of known volume', () => {
    // falls straight from the edge to the middle: a pyramid, a third of base times depth
    const at = lifted(mesh, (s, t) => 1 + 0.2 * Math.max(Math.abs(s) / 2, Math.abs(t) / 1.5));
    const r = runOff(mesh, context, at, flatGround);
    expect(r.ponds).toHaveLength(1);
    expect(r.ponds[0]!.depth).toBeCloseTo(0.2, 9);
    expect(r.ponds[0]!.volume).toBeCloseTo((12 * 0.2) / 3, 1);
    expect(mesh.flat[2 * r.ponds[0]!.node]).toBeCloseTo(0, 9);
  });
  test('every way ends, none runs in a circle, and no water is lost: whatever the shape', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -0.3, max: 0.3, noNaN: true }), { minLength: 81, maxLength: 81 }),
        (bumps) => {
          let k = 0;
          const at = lifted(mesh, () => 1 + bumps[k++ % 81]!);
          const r = runOff(mesh, context, at, flatGround);
          let out = 0;
          for (let n = 0; n < r.next.length; n++) {
            const path = pathFrom(r, n);
            expect(path.length).toBeLessThan(r.next.length);
            if (r.next[n] === -1) {
              out += r.through[n]!;
              expect(context.edge[n]).toBe(1);
            }
          }
          expect(out).toBeCloseTo(r.catches, 6);
          for (const p of r.ponds) expect(p.volume).toBeGreaterThan(0);
        },
      ),
      { seed: 13, numRuns: 40 },
    );
  });
  test('a bowl fills with what falls on it, its level as deep as that water, and no further than its rim', () => {
    const at = lifted(mesh, (s, t) => 1 + 0.2 * Math.max(Math.abs(s) / 2, Math.abs(t) / 1.5));
    const r = runOff(mesh, context, at, flatGround);
    const brim = r.ponds[0]!;
    for (const rain of [0.002, 0.01, 0.03]) {
      const [pond] = filledBy(r, rain);
      // what falls on the rim itself drips off it
      expect(pond!.volume).toBeLessThanOrEqual(rain * 12);
      expect(pond!.volume).toBeGreaterThan(rain * 12 * (7 / 8) ** 2);
      // the water under its level is what is said
      expect(pond!.wet.reduce((sum, w) => sum + w.depth * w.area, 0)).toBeCloseTo(pond!.volume, 9);
      // a pyramid: volume goes with the cube of depth, as near as the squares of cloth are fine
      expect(pond!.depth / brim.depth).toBeCloseTo(Math.cbrt(pond!.volume / brim.volume), 1);
    }
    expect(filledBy(r, 1)).toEqual(r.ponds);
    expect(filledBy(r, Number.POSITIVE_INFINITY)).toBe(r.ponds);
    expect(filledBy(r, 0)).toEqual([]);
  });
  test('what stands is never more than fell, never more than fits, and never less for more rain', () => {
    const bumpy = fc.array(fc.double({ min: -0.3, max: 0.3, noNaN: true }), { minLength: 81, maxLength: 81 });
    fc.assert(
      fc.property(bumpy, fc.double({ min: 1e-4, max: 0.2, noNaN: true }), (bumps, rain) => {
        let k = 0;
        const r = runOff(
          mesh,
          context,
          lifted(mesh, () => 1 + bumps[k++ % 81]!),
          flatGround,
        );
        const stands = (fallen: number): number => filledBy(r, fallen).reduce((sum, p) => sum + p.volume, 0);
        expect(stands(rain)).toBeLessThanOrEqual(rain * r.catches + 1e-9);
        expect(stands(rain)).toBeLessThanOrEqual(stands(Number.POSITIVE_INFINITY) + 1e-9);
        expect(stands(2 * rain)).toBeGreaterThanOrEqual(stands(rain) - 1e-9);
        expect(stands(1e6)).toBeCloseTo(stands(Number.POSITIVE_INFINITY), 9);
        for (const p of filledBy(r, rain))
          expect(p.wet.reduce((sum, w) => sum + w.depth * w.area, 0)).toBeCloseTo(p.volume, 9);
      }),
      { seed: 17, numRuns: 60 },
    );
  });
  test('down an even slope every run is straight, square to the hem, to the very edge', () => {
    const slope = [0.08, 0.3] as const;
    const at = lifted(mesh, (s, t) => 2 + slope[0] * s + slope[1] * t);
    const panels = Array.from({ length: mesh.corners.length / 3 }, (_, t) => t);
    for (const run of runsDown(mesh, at, panels)) {
      const [from, to] = [run[0]!, run.at(-1)!];
      const run2 = Math.hypot(to[0] - from[0], to[1] - from[1]);
      // on the line of steepest fall, no stairs
      for (const p of run)
        expect(Math.abs((p[0] - from[0]) * slope[1] - (p[1] - from[1]) * slope[0])).toBeLessThan(1e-9);
      expect(from[2] - to[2]).toBeCloseTo(Math.hypot(...slope) * run2, 9);
      expect(Math.min(2 - Math.abs(to[0]), 1.5 - Math.abs(to[1]))).toBeLessThan(1e-9);
    }
  });
  test('in a valley runs gather along its bottom and go down it', () => {
    const at = lifted(mesh, (s, t) => 1 + 0.4 * Math.abs(t) + 0.1 * s);
    const panels = Array.from({ length: mesh.corners.length / 3 }, (_, t) => t);
    for (const run of runsDown(mesh, at, panels)) {
      const to = run.at(-1)!;
      expect(to[0]).toBeCloseTo(-2, 9);
      const gathered = run.filter((p) => Math.abs(p[1]) < 1e-9);
      // what reaches the bottom stays in it
      if (gathered.length > 0) expect(run.indexOf(gathered[0]!)).toBe(run.length - gathered.length);
    }
  });
  test('whatever the shape a run only falls, stays on the cloth and ends', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -0.3, max: 0.3, noNaN: true }), { minLength: 81, maxLength: 81 }),
        (bumps) => {
          let k = 0;
          const at = lifted(mesh, () => 1 + bumps[k++ % 81]!);
          for (const run of runsDown(mesh, at, [3, 40, 77, 100])) {
            expect(run.length).toBeLessThan(200);
            for (let i = 1; i < run.length; i++) expect(run[i]![2]).toBeLessThan(run[i - 1]![2] + 1e-9);
            for (const p of run) expect(Math.abs(p[0]) < 2 + 1e-9 && Math.abs(p[1]) < 1.5 + 1e-9).toBe(true);
          }
        },
      ),
      { seed: 14, numRuns: 60 },
    );
  });
  test('cloth down on the ground lets its water go there', () => {
    const at = lifted(mesh, (_, t) => Math.abs(t) * 0.4);
    expect(runOff(mesh, context, at, flatGround).ponds).toEqual([]);
    expect(runOff(mesh, context, at, () => -1).ponds.length).toBeGreaterThanOrEqual(0);
  });
  test('shares of the plan area add up to it', () => {
    const at = lifted(mesh, (s) => Math.sin(s));
    expect(nodeAreas(mesh, at).reduce((a, b) => a + b, 0)).toBeCloseTo(12, 9);
  });
});

describe('cover', () => {
  const mesh = meshCloth(4, 3, [], 8, false);
  const context = neighboursOf(mesh);
  test('a flat roof at 2 m: its area, its volume, standing all over, open all round', () => {
    const c = coverOf(
      mesh,
      context,
      lifted(mesh, () => 2),
      flatGround,
    );
    expect(c.ground).toBeCloseTo(12, 0);
    expect(c.volume).toBeCloseTo(24, 0);
    expect(c.headroom).toBeCloseTo(2, 9);
    expect(c.standing).toBeCloseTo(c.ground, 9);
    expect(c.lowestEdge).toBeCloseTo(2, 9);
    expect(c.openness).toBeCloseTo(1, 9);
  });
  test('a gable to the ground: half the box, and the ground’s own rise counts', () => {
    const gable = lifted(mesh, (_, t) => 1.5 - Math.abs(t));
    const c = coverOf(mesh, context, gable, flatGround);
    expect(c.volume / (12 * 1.5)).toBeCloseTo(0.5, 1);
    expect(c.lowestEdge).toBeCloseTo(0, 9);
    expect(c.headroom).toBeGreaterThan(1.4);
    const raised = coverOf(mesh, context, gable, () => 0.5);
    expect(raised.headroom).toBeCloseTo(c.headroom - 0.5, 1);
  });
});
