import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import {
  expectedOf,
  lasts,
  marksOf,
  orderBySchool,
  pitchingOf,
  scheduleOf,
  schoolOf,
  strikingOf,
  timeOf,
} from '../../src/order/index.js';
import type { LettingGo, Step } from '../../src/order/index.js';
import { HANDS, HAULS } from '../../src/rig/index.js';
import type { Hands, Hauls, RidgeRig, RigContext, Work } from '../../src/rig/index.js';
import { judgeRig } from '../../src/shelter/index.js';
import type { RigReport } from '../../src/shelter/index.js';
import { stepWords } from '../../src/words/index.js';
import { demo } from '../shelter/helper.js';

const RIGS = readdirSync(join(process.cwd(), 'examples/rigs')).map((f) => f.replace('.rig.json', ''));
const judged = new Map<string, { rig: RidgeRig; context: RigContext; report: RigReport }>();
const of = (name: string): { rig: RidgeRig; context: RigContext; report: RigReport } => {
  const known = judged.get(name);
  if (known !== undefined) return known;
  const { rig, context } = demo(name);
  const made = { rig, context, report: judgeRig(rig, context, { full: false }).report };
  judged.set(name, made);
  return made;
};
const WORKS: readonly Work[] = (Object.keys(HANDS) as Hands[]).flatMap((hands) =>
  (Object.keys(HAULS) as Hauls[]).map((hauls, i) => ({ hands, hauls, rain: i === 0, nights: 1 + 2 * i })),
);
const seconds = (s: Step): number => timeOf(s, []).value;
/** Nobody does two things at once, nothing begins before what comes before it. */
function keepsTo(steps: readonly Step[], hands: Hands): number {
  const plan = scheduleOf(steps, hands, seconds);
  expect(plan.map((p) => p.step.id).sort()).toEqual(steps.map((s) => s.id).sort());
  expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
  const at = new Map(plan.map((p) => [p.step.id, p]));
  for (const p of plan) {
    expect(p.to - p.from).toBeCloseTo(seconds(p.step), 9);
    for (const before of p.step.after) expect(at.get(before)!.to).toBeLessThanOrEqual(p.from + 1e-9);
    for (const q of plan)
      if (q !== p && q.by.some((i) => p.by.includes(i)) && q.to > q.from && p.to > p.from)
        expect(q.to <= p.from + 1e-9 || q.from >= p.to - 1e-9).toBe(true);
  }
  return lasts(plan);
}

describe.each(RIGS)('the work on %s', (name) => {
  test('every line of it is tied in some step and let go in another, whoever works and however', () => {
    const { rig, context, report } = of(name);
    for (const work of WORKS) {
      const worked = { ...rig, work };
      const [pitching, striking] = [pitchingOf(worked, context, report), strikingOf(worked, context, report)];
      const cords = report.rows.filter((r) =>
        ['ridge', 'tie', 'loop', 'guy', 'peg', 'stay', 'strap', 'bed'].includes(r.role),
      );
      const touched = new Set(pitching.flatMap((s) => s.lines));
      for (const row of cords) if (row.id !== 'side-stay') expect(touched).toContain(row.id);
      const slipped = new Set(striking.flatMap((s) => s.lines));
      for (const row of cords) if (!['bed-ridge', 'side-stay'].includes(row.id)) expect(slipped).toContain(row.id);
      const [alone, here] = [keepsTo(pitching, 'alone'), keepsTo(pitching, work.hands)];
      expect(alone).toBeCloseTo(
        pitching.reduce((sum, s) => sum + seconds(s), 0),
        6,
      );
      expect(here).toBeLessThanOrEqual(alone + 1e-9);
      keepsTo(striking, work.hands);
      // what is looked at first is what hangs over it
      expect(pitching[0]!.code).toBe('look-up');
      expect(striking.at(-1)!.code).toBe('look-back');
    }
  });
  test('every step has words in both units, and no number that is none', () => {
    const { rig, context, report } = of(name);
    for (const work of WORKS)
      for (const step of [
        ...pitchingOf({ ...rig, work }, context, report),
        ...strikingOf({ ...rig, work }, context, report),
      ])
        for (const length of ['m', 'ft'] as const) {
          const said = stepWords(step, { body: context.body, units: { length, force: 'N' } });
          expect(said.what.length).toBeGreaterThan(4);
          const all = `${said.what} ${said.how} ${said.number}`;
          expect(all).not.toMatch(/undefined|NaN|null|\[object/);
          if (length === 'ft') expect(said.number).not.toMatch(/\d m\b/);
        }
  });
});

describe('what still holds as it is let go', () => {
  const striking = (name: string, hauls: Hauls = 'bare'): readonly Step[] => {
    const { rig, context, report } = of(name);
    return strikingOf({ ...rig, work: { hands: 'two', hauls, rain: false, nights: 1 } }, context, report);
  };
  test.each(RIGS)('%s: says where one stands', (name) => {
    for (const hauls of ['bare', 'hung'] as const)
      for (const step of striking(name, hauls)) {
        const held = step.code === 'slip-end' || step.code === 'lower-end' ? (step.facts as LettingGo).tension : 0;
        const said = stepWords(step, { body: of(name).context.body, units: { length: 'm', force: 'N' } }).how;
        expect(said.includes('Stand beside the line')).toBe(held > 0);
      }
  });
  test.each(['shade-between-two-poles', 'bed-on-one-alder'])(
    '%s: a pole’s stays are let off last of all, once nothing hangs on it, by two',
    (name) => {
      const steps = striking(name);
      const down = steps.filter((s) => s.code === 'pole-down');
      expect(down.length).toBeGreaterThan(0);
      for (const step of down) {
        expect(step.hands).toBe(2);
        const stays = step.lines.filter((l) => /stay/.test(l));
        expect(stays).toHaveLength(2);
        // no step before it touches them, and line and bed are off
        const before = steps.slice(0, steps.indexOf(step));
        for (const stay of stays) expect(before.flatMap((s) => s.lines)).not.toContain(stay);
        const { report } = of(name);
        for (const row of report.rows.filter((r) => ['ridge', 'bed', 'strap'].includes(r.role) && r.id !== 'bed-ridge'))
          expect(before.flatMap((s) => s.lines)).toContain(row.id);
      }
      // pegs, where there are any, are drawn after that
      const pegs = steps.findIndex((s) => s.code === 'draw-pegs');
      if (pegs >= 0) expect(pegs).toBeGreaterThan(steps.indexOf(down.at(-1)!));
    },
  );
  test('lowered first, the line is slack at both ends; else it holds where it was hauled', () => {
    const holds = (hauls: Hauls): number =>
      striking('gravel-spit-gable', hauls).filter((s) => s.code === 'slip-end' && (s.facts as LettingGo).tension > 0)
        .length;
    expect([holds('hung'), holds('bare')]).toEqual([0, 1]);
  });
  test('each end of a cloth without a ridgeline is let go at the tree it is tied to', () => {
    const { rig, report } = of('gable-tied-by-its-ends');
    const ties = striking('gable-tied-by-its-ends').filter((s) => s.code === 'slip-end');
    expect(ties).toHaveLength(2);
    for (const step of ties) {
      const row = report.rows.find((r) => step.lines.includes(r.id))!;
      // the trunk named in its own chain of strengths
      const said = (step.facts as LettingGo).tree;
      expect(rig.trunks.map((t) => t.name)).toContain(said);
      expect(JSON.stringify(row.links)).toContain(said);
    }
    expect(new Set(ties.map((s) => (s.facts as LettingGo).tree)).size).toBe(2);
  });
});

describe('in what order', () => {
  test('in rain the roof is up before the bed is out; dry, hands that are free hang the bed', () => {
    const { rig, context, report } = of('river-bed-under-the-fly');
    const plan = (rain: boolean) =>
      scheduleOf(
        pitchingOf({ ...rig, work: { hands: 'two', hauls: 'bare', rain, nights: 1 } }, context, report),
        'two',
        seconds,
      );
    const when = (rain: boolean, id: string) => plan(rain).find((p) => p.step.id === id)!;
    expect(when(true, 'strap0').from).toBeGreaterThanOrEqual(when(true, 'tighten').to - 1e-9);
    expect(when(false, 'strap0').from).toBeLessThan(when(false, 'tighten').from);
  });
  test('hauled with the cloth on, the hitches go on low and the line is raised after', () => {
    const { rig, context, report } = of('mess-roof');
    const ids = (hauls: Hauls): string[] =>
      pitchingOf({ ...rig, work: { hands: 'two', hauls, rain: false, nights: 1 } }, context, report).map((s) => s.id);
    const [bare, hung] = [ids('bare'), ids('hung')];
    expect(bare.indexOf('tension-end')).toBeLessThan(bare.indexOf('hang'));
    expect(hung.indexOf('low-end')).toBeLessThan(hung.indexOf('hang'));
    expect(hung.indexOf('hang')).toBeLessThan(hung.indexOf('raise-end'));
  });
  test('for days, or in a strong breeze, what is slipped is pinned', () => {
    const { rig, context, report } = of('gravel-spit-gable');
    const pins = (nights: number, beaufort: number): boolean =>
      pitchingOf(
        { ...rig, wind: { ...rig.wind, beaufort }, work: { hands: 'alone', hauls: 'bare', rain: false, nights } },
        context,
        report,
      ).some((s) => s.code === 'pin');
    expect([pins(1, 3), pins(3, 3), pins(1, 6)]).toEqual([false, true, true]);
  });
  test.each(['gravel-spit-gable', 'mess-roof', 'shade-sail'])(
    '%s: both schools name every guy once, each its own first',
    (name) => {
      const { rig, context } = of(name);
      const [middles, corners] = [orderBySchool(rig, context, 'middles'), orderBySchool(rig, context, 'corners')];
      expect([...middles].sort()).toEqual([...corners].sort());
      expect(new Set(middles).size).toBe(middles.length);
      expect(schoolOf({ ...rig, pitch: { ...rig.pitch!, order: middles } }, context)).toBe('middles');
      if (middles.join() !== corners.join()) {
        expect(middles[0]).not.toBe(corners[0]);
        expect(schoolOf({ ...rig, pitch: { ...rig.pitch!, order: corners } }, context)).toBe('corners');
      }
    },
  );
});

describe('how long it takes', () => {
  const step = { code: 'guy', made: ['foot', 'knot', 'knot'] } as const;
  test('by the catalogue until something was timed, then by one’s own hands', () => {
    expect(timeOf(step, []).value).toBeCloseTo(expectedOf(step), 9);
    fc.assert(
      fc.property(fc.double({ min: 0.3, max: 4, noNaN: true }), fc.integer({ min: 1, max: 60 }), (slower, times) => {
        const timed = Array.from({ length: times }, () => ({
          code: 'guy' as const,
          took: slower * 240,
          expected: 240,
        }));
        const found = timeOf(step, timed);
        const scale = found.value / expectedOf(step);
        // between the catalogue and one's own, nearer to one's own the more there are
        expect(Math.abs(Math.log(scale))).toBeLessThanOrEqual(Math.abs(Math.log(slower)) + 1e-9);
        expect(Math.log(scale) * Math.log(slower)).toBeGreaterThanOrEqual(-1e-12);
        const fewer = timeOf(step, timed.slice(1));
        const width = (f: { range?: readonly [number, number] }): number => Math.log(f.range![1] / f.range![0]);
        expect(width(found)).toBeLessThan(width(fewer));
      }),
    );
    const many = Array.from({ length: 4000 }, (_, i) => ({
      code: 'guy' as const,
      took: i % 2 ? 120 : 480,
      expected: 240,
    }));
    expect(timeOf(step, many).value).toBeCloseTo(expectedOf(step), -1);
  });
  test('times of another kind of step say nothing of it', () => {
    const other = [{ code: 'strap' as const, took: 1000, expected: 120 }];
    expect(timeOf(step, other).value).toBeCloseTo(expectedOf(step), 9);
  });
});

describe('what is marked', () => {
  test.each(RIGS)('%s: no line is dulled that somebody walks into, none is both', (name) => {
    const { rig, report } = of(name);
    const { bright, dull } = marksOf(rig, report);
    const ids = new Set(bright.map((b) => b.id));
    for (const d of dull) expect(ids.has(d.id)).toBe(false);
    for (const g of report.roof?.guys ?? []) if (g.kind === 'guy' && g.trips) expect(ids.has(g.id)).toBe(true);
  });
});
