import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { HITCHES } from '../../src/catalogue/index.js';
import { cordOf, cutLength } from '../../src/cordage/index.js';
import { DRILL_KINDS, FAULTS, chanceOf, drillOf, footOff, seenOf } from '../../src/drill/index.js';
import type { Asking, Drill, DrillKind, DrillOf } from '../../src/drill/index.js';
import { prepareGround, rankSpans } from '../../src/ground/index.js';
import { ladderOf } from '../../src/ladder/index.js';
import { GRAVITY } from '../../src/quantity/index.js';
import { evaluateRidge, guyOf, measuredSpan, ratioOf, rigProblems } from '../../src/rig/index.js';
import type { RidgeRig } from '../../src/rig/index.js';
import { judgeRig } from '../../src/shelter/index.js';
import type { RigReport } from '../../src/shelter/index.js';
import { demo, namedWind } from '../shelter/helper.js';
import { source } from './helper.js';

const RIGS = readdirSync(join(process.cwd(), 'examples/rigs')).map((f) => f.replace('.rig.json', ''));
const asking = (kind: DrillKind, name: string, seed: number, hard = 0): Asking | null =>
  drillOf(kind, source(name), seed, hard);
const made = <K extends DrillKind>(kind: K, name: string, seed: number, hard = 0): DrillOf<K> | null =>
  (asking(kind, name, seed, hard)?.drill ?? null) as DrillOf<K> | null;
const truthOf = (d: Drill): number => {
  if (d.asked.form !== 'number') throw new Error('a number is asked for');
  return d.asked.truth;
};
const quick = (rig: RidgeRig, name: string): RigReport => judgeRig(rig, demo(name).context, { full: false }).report;
/** Kinds that are made in no time, and a rig that each is asked of. */
const OF = {
  pull: 'hammock-fly',
  sag: 'mess-roof',
  angle: 'river-bed-under-the-fly',
  wraps: 'hammock-fly',
  length: 'landing',
  foot: 'mess-roof',
  pair: 'hammock-fly',
  fault: 'river-bed-under-the-fly',
  paces: 'mess-roof',
} as const;
const QUICK = Object.keys(OF) as (keyof typeof OF)[];
const rigFor = (kind: keyof typeof OF): string => (OF[kind] === 'landing' ? 'gravel-spit-gable' : OF[kind]);

describe('a drill', () => {
  test.each(QUICK)('of %s is the same for the same seed, and never the same for another', (kind) => {
    const asked = new Set<string>();
    let count = 0;
    for (let seed = 0; seed < 24; seed++) {
      const one = made(kind, rigFor(kind), seed, 0.5);
      if (one === null) continue;
      count++;
      if (seed < 2) expect(made(kind, rigFor(kind), seed, 0.5)).toEqual(one);
      asked.add(JSON.stringify([one.facts, one.asked]));
    }
    expect(count).toBeGreaterThanOrEqual(10);
    expect(asked.size).toBe(count);
    // a kind that a rig has is asked of it, whatever falls
    if (kind === 'pair' || kind === 'wraps') expect(count).toBe(24);
  });
  test('of what the wind does is another in another wind, with other pulls', () => {
    const one = made('first', 'gravel-spit-gable', 1, 0.5)!;
    const other = made('first', 'gravel-spit-gable', 2, 0.5)!;
    expect(other.rig).not.toEqual(one.rig);
    expect([other.facts, other.truths, other.asked]).not.toEqual([one.facts, one.truths, one.asked]);
  });
  test('is of a rig that can be stored and worked out, with a truth that can be said and seen', () => {
    for (const name of RIGS)
      for (const kind of QUICK)
        for (const [seed, hard] of [
          [1, 0],
          [7, 1],
        ] as const) {
          const one = asking(kind, name, seed, hard);
          if (one === null) continue;
          const { drill, seen } = one;
          expect(rigProblems(drill.rig, demo(name).context)).toEqual([]);
          const { asked, figure, shown } = drill;
          const after = seen(null);
          expect(after).toHaveLength(1);
          for (const { strokes, width, height } of [shown.picture, ...after]) {
            expect(width).toBe(640);
            expect(height).toBeLessThanOrEqual(320);
            const all = strokes.flatMap((s) => s.rings.flat());
            expect(all.length).toBeGreaterThan(4);
            expect(all.flat().every(Number.isFinite)).toBe(true);
          }
          if (asked.form !== 'number') continue;
          expect(asked.truth).toBeGreaterThanOrEqual(asked.limit.min);
          expect(asked.truth).toBeLessThanOrEqual(asked.limit.max);
          if (kind !== 'wraps') expect(figure!.value).toBe(asked.truth);
        }
  });
  test('every kind is asked of some rig of the camp', () => {
    for (const kind of DRILL_KINDS.filter((k) => k !== 'first' && k !== 'wind'))
      expect(RIGS.some((name) => [3, 4, 5].some((seed) => made(kind, name, seed) !== null))).toBe(true);
  });
  test.each(['pull', 'length', 'paces'] as const)(
    'of %s is the harder, the farther from what is often seen',
    (kind) => {
      const spread = (hard: number): number => {
        const logs = Array.from({ length: 60 }, (_, seed) => Math.log(truthOf(made(kind, 'hammock-fly', seed, hard)!)));
        return Math.max(...logs) - Math.min(...logs);
      };
      expect(spread(1)).toBeGreaterThan(1.5 * spread(0));
    },
  );
  test('moves from what was said to what is true', () => {
    const one = asking('pull', 'hammock-fly', 3)!;
    const truth = truthOf(one.drill);
    const lowest = (k: number, frames = one.seen(truth / 2)): number =>
      Math.max(...frames[k]!.strokes.find((s) => s.pen === 'line')!.rings[0]!.map(([, y]) => y));
    const begun = one.seen(truth / 2);
    expect(begun.length).toBeGreaterThan(5);
    // half the pull is twice the sag; it ends as it was shown
    const straight = Math.min(...begun[0]!.strokes.find((s) => s.pen === 'guide')!.rings[0]!.map(([, y]) => y));
    expect((lowest(0) - straight) / (lowest(begun.length - 1) - straight)).toBeCloseTo(2, 1);
    expect(begun.at(-1)).toEqual(one.drill.shown.picture);
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
    let seen = 0;
    for (const name of ['river-bed-under-the-fly', 'drum-tight-bed', 'bed-on-one-alder'])
      for (const seed of [1, 2, 3, 4]) {
        const drill = made('angle', name, seed, seed / 4);
        if (drill === null) continue;
        seen++;
        const bed = quick(drill.rig, name).bed!;
        const [a, b] = bed.lying.straps;
        const borne = [a, b].reduce((sum, s, k) => sum + s.value * Math.sin(bed.lying.angles[k as 0 | 1].value), 0);
        // the bed's own weight and its ridge-cord are in it too
        expect(borne / drill.facts.load).toBeGreaterThan(0.8);
        expect(borne / drill.facts.load).toBeLessThan(1.25);
        expect(truthOf(drill)).toBe(Math.max(a.value, b.value));
        expect(bed.cases.find((c) => c.id === 'lying')!.grounded).toBe(false);
      }
    expect(seen).toBeGreaterThan(5);
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
  test('a length is what such a line is cut to: between its ends, turns, knots, tails and hauling', () => {
    for (let seed = 0; seed < 20; seed++) {
      const drill = made('length', 'hammock-fly', seed, seed / 20)!;
      const { context } = demo('hammock-fly');
      const { between, ends } = drill.facts;
      const truth = truthOf(drill);
      const cut = evaluateRidge(drill.rig, context);
      expect(truth).toBeCloseTo(cutLength(cut.rows.find((r) => r.role === 'ridge')!.cut!), 9);
      // at least the way and the turns; over them no more than knots, tails and a haul take
      const turns = ends.reduce((sum, e) => sum + e.wraps * e.girth, 0);
      expect(truth).toBeGreaterThan(between + turns);
      expect(truth).toBeLessThan(1.02 * (between + turns) + 3);
    }
  });
  test('paces are the span over one’s own', () => {
    const { context } = demo('mess-roof');
    for (let seed = 0; seed < 10; seed++) {
      const drill = made('paces', 'mess-roof', seed, 1)!;
      expect(truthOf(drill)).toBeCloseTo(measuredSpan(drill.rig, context.body) / context.body.pace, 9);
    }
  });
  test('what lets go first is there once among three others, and nothing of them is nearer to it as pitched', () => {
    const drill = made('first', 'bed-on-one-alder', 4, 1)!;
    if (drill.asked.form !== 'choice') throw new Error('a choice is asked for');
    const { options, truth } = drill.asked;
    expect(new Set(options.map((o) => o.id)).size).toBe(options.length);
    expect(options.filter((o) => o.id === truth)).toHaveLength(1);
    const { context } = demo('bed-on-one-alder');
    const { rig } = drill;
    const { rows } = judgeRig(rig, context, { full: true, spreads: false, rising: true, ...namedWind(rig) }).report;
    const ratio = (id: string): number => ratioOf(rows.find((r) => r.id === id)!);
    for (const o of options) expect(ratio(o.id)).toBeGreaterThanOrEqual(ratio(truth) - 1e-9);
  });
  test('a gust is the one in which the ladder loses the first thing', () => {
    const drill = made('wind', 'gravel-spit-gable', 3, 0.4)!;
    const { rig, truths } = drill;
    const from = rig.pitch!.windFrom;
    const ladder = ladderOf(rig, demo('gravel-spit-gable').context, { of: 'wind', from, wet: false })!;
    const fall = ladder.rungs.flatMap((r) => r.falls)[0];
    expect(truths.gives?.name).toBe(fall?.name);
    expect(truthOf(drill) / (fall?.at ?? ladder.at!)).toBeCloseTo(1, 6);
  });
  test('a foot is on the line through the cloth: the guy that goes there has no way off it, and another slackens the panel', () => {
    let seen = 0;
    for (const name of ['mess-roof', 'gravel-spit-gable', 'hammock-fly'])
      for (let seed = 0; seed < 4; seed++) {
        const drill = made('foot', name, seed, seed / 4);
        if (drill?.asked.form !== 'place') continue;
        const { asked, rig, facts } = drill;
        const { context } = demo(name);
        const report = quick(rig, name).roof!;
        const guy = report.guys.find((g) => g.kind === 'guy' && g.name.startsWith(facts.guy))!;
        expect(guy.off).toBeLessThan(0.05);
        expect([guy.foot[0], guy.foot[1]]).toEqual(asked.truth);
        const { pitch } = rig;
        const square: [number, number] = [
          asked.from[0],
          asked.from[1] + Math.sign(asked.truth[1] - asked.from[1]) * Math.abs(asked.truth[1] - asked.from[1]),
        ];
        const { turned } = footOff(asked, square);
        if (turned < 0.3) continue;
        seen++;
        const key = guy.key;
        const own = { ...pitch!.own, [key]: { ...guyOf(pitch!, key), foot: square } };
        const wrong = judgeRig({ ...rig, pitch: { ...pitch!, own } }, context, { full: false }).report.roof!;
        expect(wrong.guys.find((g) => g.key === key)!.off).toBeCloseTo(turned, 1);
      }
    expect(seen).toBeGreaterThan(2);
  });
  test('the pair is the ranking’s first, and every other is ruled out or scores less', () => {
    for (let seed = 0; seed < 8; seed++) {
      const drill = made('pair', 'hammock-fly', seed, seed / 8);
      if (drill?.asked.form !== 'choice') continue;
      const { ground, context } = source('hammock-fly');
      const { facts, asked, truths } = drill;
      const place = {
        ...ground!.place,
        wind: { ...ground!.place.wind, from: facts.from, beaufort: facts.beaufort },
        wish: {
          ...ground!.place.wish,
          roof: { length: facts.roof[0], width: facts.roof[1] },
          bed: facts.hammock ? ('hammock' as const) : ('ground' as const),
        },
      };
      const hank = context.kit.find((k) => k.id === place.wish.cord)!;
      const ranking = rankSpans(prepareGround(place, ground!.who, { cord: cordOf(hank)!, length: hank.length }));
      const best = ranking.good.find((s) => !s.newPole)!;
      expect(asked.truth).toBe(best.id);
      for (const o of asked.options.filter((x) => x.id !== best.id)) {
        const good = ranking.good.find((s) => s.id === o.id);
        const ruled = truths.out.find((x) => x.id === o.id)?.ruled ?? [];
        expect(good === undefined).toBe(ruled.length > 0);
        if (good !== undefined) expect(good.score).toBeLessThan(best.score);
      }
    }
  });
  test('a fault is in the rig and was not, and none of the others is; what is seen of it tells it', () => {
    const put = new Set<string>();
    for (const name of ['river-bed-under-the-fly', 'gravel-spit-gable', 'mess-roof', 'bed-on-one-alder'])
      for (let seed = 0; seed < 10; seed++) {
        const drill = made('fault', name, seed, (seed % 5) / 4);
        if (drill?.asked.form !== 'choice') continue;
        const { asked, rig, truths, facts } = drill;
        put.add(truths.fault);
        expect(asked.truth).toBe(truths.fault);
        const [was, now] = [quick(demo(name).rig, name), quick(rig, name)];
        for (const f of FAULTS.filter((x) => asked.options.some((o) => o.id === x.id))) {
          expect(f.has(was)).toBe(false);
          expect(f.has(now)).toBe(f.id === truths.fault);
        }
        expect(JSON.stringify(facts.seen)).not.toBe(JSON.stringify(seenOf(was)));
        expect(asked.options.length).toBeGreaterThanOrEqual(3);
      }
    expect(put.size).toBeGreaterThanOrEqual(7);
  });
  test('every fault can be put into some demo rig, plain and subtle', () => {
    for (const f of FAULTS)
      for (const hard of [0, 1])
        expect([
          f.id,
          hard,
          RIGS.some((name) =>
            [1, 2, 3, 4].some((seed) => {
              const rig = f.put(source(name), chanceOf(seed), hard);
              return rig !== null && rigProblems(rig, demo(name).context).length === 0 && f.has(quick(rig, name));
            }),
          ),
        ]).toEqual([f.id, hard, true]);
  });
});
