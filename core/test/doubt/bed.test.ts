import { describe, expect, test } from '@jest/globals';
import { betterOf, doubtOf, solveDrawn } from '../../src/doubt/index.js';
import type { Doubt, Drawn } from '../../src/doubt/index.js';
import { valueAt } from '../../src/doubt/unknown.js';
import { GRAVITY } from '../../src/quantity/index.js';
import type { BedKey } from '../../src/shelter/index.js';
import { bedModel, judgeRig } from '../../src/shelter/index.js';
import { UNDER_FLY, bedded, demo, ended } from '../shelter/helper.js';

const { rig, context } = demo(UNDER_FLY);
const bare = bedModel(rig, context, { ranges: false });
const caseOf = (id: string) => bare.cases.find((c) => c.id === id)!;

describe('a bed with other numbers', () => {
  test.each<[string, Partial<Record<BedKey, number>>, typeof rig]>([
    ['a heavier sleeper', { mass: rig.bed!.mass + 12 }, bedded(rig, { mass: rig.bed!.mass + 12 })],
    [
      'a strap tied higher',
      { high0: rig.bed!.ends[0].height + 0.15 },
      ended(rig, 0, { height: rig.bed!.ends[0].height + 0.15 }),
    ],
  ])('is the bed of a rig that has them: %s', (_, values, changed) => {
    // whatever either is asked first
    const as = bare.as(values);
    const other = bedModel(changed, context, { ranges: false });
    for (const id of ['dropping', 'lying']) {
      const [a, b] = [as.stateOf(caseOf(id)), other.stateOf(caseOf(id))];
      expect(a.converged && b.converged).toBe(true);
      expect(a.straps[0] / b.straps[0]).toBeCloseTo(1, 5);
      expect(a.straps[1] / b.straps[1]).toBeCloseTo(1, 5);
      expect(as.forceOf(caseOf(id)) / other.forceOf(caseOf(id))).toBeCloseTo(1, 5);
    }
  });
  test('leaves the bed it was made of as it was', () => {
    const before = bare.stateOf(caseOf('lying')).straps[0];
    bare.as({ mass: 140 }).stateOf(caseOf('lying'));
    expect(bedModel(rig, context, { ranges: false }).stateOf(caseOf('lying')).straps[0] / before).toBeCloseTo(1, 6);
    expect(
      bare.figure({ symbol: 'T', title: 'pull', quantity: 'force' }, caseOf('lying'), (s) => s.straps[0]).value,
    ).toBe(before);
  });
});

describe('a bed under a roof, sampled within what is not known of it', () => {
  const { report } = judgeRig(rig, context, { full: true, spreads: false, rising: false });
  const all = (part: Partial<Parameters<typeof solveDrawn>[2]>): Drawn =>
    solveDrawn(rig, context, { cases: ['dropping', 'pitched+dropping'], seed: 3, ...part }, [0])!;
  const one = all({});
  const doubt = doubtOf([one], 1000);
  const linkOf = (d: Doubt, id: string) => d.links.find((l) => l.id === id)!;

  test('its own links are told with the roof’s, their middle as they are judged', () => {
    for (const row of report.bed!.rows)
      for (const { link } of row.links) {
        if (!['dropping', 'pitched+dropping'].includes(link.caseId)) continue;
        const { left } = linkOf(doubt, link.id);
        expect(left.mid / link.margin.value).toBeGreaterThan(0.9);
        expect(left.mid / link.margin.value).toBeLessThan(1.1);
        expect(left.low).toBeLessThan(link.margin.value);
        expect(left.high).toBeGreaterThan(link.margin.value);
      }
    expect(doubt.links.some((l) => l.id.startsWith('strap0:'))).toBe(true);
  });
  test('a tree that bears both is told once, under both', () => {
    const ids = doubt.links.map((l) => l.id);
    expect(new Set(ids).size).toBe(ids.length);
    for (const t of report.bed!.bears) expect(ids).toContain(t.id);
  });
  test('the span and the trees are one doubt of roof and bed', () => {
    const ids = one.unknowns.map((u) => u.id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids.filter((id) => id.endsWith(':span'))).toEqual(['ridge:span']);
  });
  test('with only the sleeper’s mass unknown, a strap pulls what it pulls under that sleeper', () => {
    const known = new Set(one.unknowns.map((u) => u.id).filter((id) => id !== 'bed:mass'));
    const alone = all({ known });
    expect(alone.unknowns.map((u) => u.id)).toEqual(['bed:mass']);
    const j = alone.members.findIndex((m) => m.id === 'strap0');
    for (const s of [0, 20, 60]) {
      const mass = valueAt(alone.unknowns[0]!, alone.z[s]!);
      const heavier = bedModel(bedded(rig, { mass }), context, { ranges: false });
      const pull = heavier.stateOf(caseOf('lying')).straps[0];
      // the roof moves the ties as it does in the rig as believed
      expect(Math.abs(alone.pitched[s * alone.members.length + j]! / pull - 1)).toBeLessThan(0.02);
    }
    const { pitched } = doubtOf([alone], 1000).lines.find((l) => l.id === 'strap0')!;
    const weight = rig.bed!.mass * GRAVITY;
    expect(pitched.high / pitched.low).toBeLessThan(1.12);
    expect(pitched.high - pitched.low).toBeGreaterThan(0.02 * weight);
  });
  test('what can be found out of the bed is said as something one can do', () => {
    const only = new Set(one.unknowns.map((u) => u.id).filter((id) => !id.startsWith('bed:')));
    const kinds = betterOf(doubtOf([all({ known: only })], 1000)).map((b) => b.kind);
    expect(kinds.length).toBeGreaterThan(0);
    for (const kind of kinds) expect(['bed-heights', 'straps', 'mass', 'bed-cloth']).toContain(kind);
  });
  test('two halves are the whole', () => {
    const halves = [[0], [1]].map((part) => solveDrawn(rig, context, { cases: [], seed: 3 }, part)!);
    const whole = solveDrawn(rig, context, { cases: [], seed: 3 }, [0, 1])!;
    const [apart, together] = [doubtOf(halves, 500), doubtOf([whole], 500)];
    for (const { id, left } of together.links) expect(linkOf(apart, id).left.mid / left.mid).toBeCloseTo(1, 9);
    expect(apart.gives).toEqual(together.gives);
  });
});
