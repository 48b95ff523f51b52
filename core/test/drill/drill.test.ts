import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { HITCHES } from '../../src/catalogue/index.js';
import { cordOf, cutLength } from '../../src/cordage/index.js';
import { DRILL_KINDS, drillOf } from '../../src/drill/index.js';
import type { Drill, DrillKind } from '../../src/drill/index.js';
import { GRAVITY } from '../../src/quantity/index.js';
import { evaluateRidge, measuredSpan, ratioOf, rigProblems } from '../../src/rig/index.js';
import { judgeRig } from '../../src/shelter/index.js';
import { demo, namedWind } from '../shelter/helper.js';

const RIGS = readdirSync(join(process.cwd(), 'examples/rigs')).map((f) => f.replace('.rig.json', ''));
const made = (kind: DrillKind, name: string, seed: number, hard = 0): Drill | null =>
  drillOf(kind, demo(name), seed, hard);
const truthOf = (d: Drill): number => {
  if (d.asked.form !== 'number') throw new Error('a number is asked for');
  return d.asked.truth;
};

describe('a drill', () => {
  test('is the same for the same seed, and never the same for another', () => {
    const truths = new Set<number>();
    for (let seed = 0; seed < 60; seed++) {
      const one = made('pull', 'hammock-fly', seed, 0.5)!;
      expect(made('pull', 'hammock-fly', seed, 0.5)).toEqual(one);
      truths.add(truthOf(one));
    }
    expect(truths.size).toBe(60);
  });
  test('is of a rig that can be stored and worked out, with a truth that can be said', () => {
    for (const name of RIGS)
      for (const kind of ['pull', 'sag', 'angle', 'wraps', 'length', 'paces'] as const)
        for (const [seed, hard] of [
          [1, 0],
          [7, 1],
        ] as const) {
          const drill = made(kind, name, seed, hard);
          if (drill === null) continue;
          expect(rigProblems(drill.rig, demo(name).context)).toEqual([]);
          const { asked, figure } = drill;
          if (asked.form !== 'number') throw new Error('a number is asked for');
          expect(asked.truth).toBeGreaterThanOrEqual(asked.limit.min);
          expect(asked.truth).toBeLessThanOrEqual(asked.limit.max);
          if (kind !== 'wraps') expect(figure!.value).toBe(asked.truth);
        }
  });
  test('every kind is asked of some rig of the camp', () => {
    for (const kind of DRILL_KINDS.filter((k) => k !== 'first'))
      expect(RIGS.some((name) => made(kind, name, 3) !== null)).toBe(true);
  });
  test('the harder, the farther from what is often seen', () => {
    const spread = (hard: number): number => {
      const logs = Array.from({ length: 80 }, (_, seed) => Math.log(truthOf(made('pull', 'hammock-fly', seed, hard)!)));
      return Math.max(...logs) - Math.min(...logs);
    };
    expect(spread(1)).toBeGreaterThan(1.5 * spread(0));
  });
});

describe('the truth of', () => {
  const seeds = fc.tuple(
    fc.constantFrom('hammock-fly', 'mess-roof', 'landing'),
    fc.nat(1e6),
    fc.double({ min: 0, max: 1, noNaN: true }),
  );
  test('a pull and a sag is in balance: what hangs in the middle and the line itself, about its lowest place', () => {
    fc.assert(
      fc.property(seeds, fc.constantFrom('pull' as const, 'sag' as const), ([name, seed, hard], kind) => {
        const rig = name === 'landing' ? 'gravel-spit-gable' : name;
        const { context } = demo(rig);
        const drill = made(kind, rig, seed, hard);
        if (drill === null) return;
        const result = evaluateRidge(drill.rig, context);
        // between ends that are not level the sag is measured from the chord, and the same holds along it
        const span = measuredSpan(drill.rig, context.body);
        const rise = result.rise;
        const mass = drill.rig.hung[0]!.mass;
        const weight = (result.cordMass / result.cordNeeded.value) * result.unstressed.value * GRAVITY;
        const moment = (mass * GRAVITY * span) / 4 + (weight * span) / 8;
        const across = moment / result.sag.value;
        // the tension at the steeper end, from its part along the ground and the slopes there
        const slope = (2 * result.sag.value) / span + Math.abs(rise) / span;
        const tension = across * Math.hypot(1, slope);
        expect(tension / result.tension.value).toBeGreaterThan(0.93);
        expect(tension / result.tension.value).toBeLessThan(1.07);
        expect(truthOf(drill)).toBe(kind === 'pull' ? result.tension.value : result.sag.value);
      }),
      { numRuns: 60 },
    );
  });
  test('a strap is what both straps bear together of who lies there', () => {
    for (const name of ['river-bed-under-the-fly', 'drum-tight-bed', 'bed-on-one-alder']) {
      const drill = made('angle', name, 1)!;
      if (drill.kind !== 'angle') throw new Error('straps are asked for');
      const { rig, context } = demo(name);
      const bed = judgeRig(rig, context, { full: false }).report.bed!;
      const borne = [0, 1].reduce(
        (sum, k) => sum + bed.lying.straps[k as 0 | 1].value * Math.sin(bed.lying.angles[k as 0 | 1].value),
        0,
      );
      // the bed's own weight and its ridge-cord are in it too
      expect(borne / drill.facts.load).toBeGreaterThan(0.85);
      expect(borne / drill.facts.load).toBeLessThan(1.25);
      expect(truthOf(drill)).toBe(Math.max(bed.lying.straps[0].value, bed.lying.straps[1].value));
    }
  });
  test('wraps is the least that hold so many times over, by the formula itself', () => {
    const { context } = demo('hammock-fly');
    const cords = context.kit.flatMap((k) => cordOf(k) ?? []);
    let seen = 0;
    for (let seed = 0; seed < 40; seed++) {
      const drill = made('wraps', 'hammock-fly', seed, 1);
      if (drill?.kind !== 'wraps') continue;
      seen++;
      const { facts } = drill;
      const type = HITCHES.find((h) => h.name === facts.hitch)!;
      const cord = cords.find((c) => c.name === facts.cord && c.diameter === facts.thick)!;
      const host = cords.find((c) => c.name === facts.host && c.diameter === facts.hostThick)!;
      expect([type, cord, host]).not.toContain(undefined);
      // its working gives the grip of that many wraps; of one fewer it is in proportion
      const grip = drill.figure!.value;
      const n = truthOf(drill);
      const margin = (g: number): number => (g * (1 - 0.4 * Math.sin(facts.off))) / Math.cos(facts.off);
      const loose = margin(grip) / facts.times;
      expect(n).toBe(Math.round(n));
      if (n > 1) expect(margin((grip * (n - 1)) / n) / facts.times).toBeLessThan(1);
      expect(loose).toBeGreaterThanOrEqual(1);
    }
    expect(seen).toBeGreaterThan(10);
  });
  test('a length is what the rig is cut to, and paces the span over one’s own', () => {
    for (const name of ['hammock-fly', 'mess-roof', 'gravel-spit-gable']) {
      const { rig, context } = demo(name);
      const { rows } = judgeRig(rig, context, { full: false }).report;
      const drill = made('length', name, 5)!;
      if (drill.kind !== 'length') throw new Error('a length is asked for');
      expect(truthOf(drill)).toBeCloseTo(cutLength(rows.find((r) => r.name === drill.facts.line)!.cut!), 9);
      expect(truthOf(made('paces', name, 5)!)).toBeCloseTo(measuredSpan(rig, context.body) / context.body.pace, 9);
    }
  });
  test('what lets go first is there once among three others, and nothing of them is nearer to it as pitched', () => {
    const { rig, context } = demo('bed-on-one-alder');
    const drill = drillOf('first', { rig: { ...rig }, context }, 4, 1)!;
    if (drill.asked.form !== 'choice') throw new Error('a choice is asked for');
    const { options, truth } = drill.asked;
    expect(new Set(options.map((o) => o.id)).size).toBe(options.length);
    expect(options.filter((o) => o.id === truth)).toHaveLength(1);
    const { rows } = judgeRig(rig, context, { full: true, spreads: false, rising: true, ...namedWind(rig) }).report;
    const ratio = (id: string): number => ratioOf(rows.find((r) => r.id === id)!);
    for (const o of options) expect(ratio(o.id)).toBeGreaterThanOrEqual(ratio(truth) - 1e-9);
  });
});
