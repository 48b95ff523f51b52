import { describe, expect, test } from '@jest/globals';
import { levelOn, momentOn } from '../../src/anchor/index.js';
import { evaluatePitch, pullsOn } from '../../src/pitch/index.js';
import { unmetOf } from '../../src/sizing/remedies.js';
import type { Guy, RigContext, RidgeRig } from '../../src/rig/index.js';
import { rigProblems, rowsTogether, treeAt, treeOf, treesOf, trunksUsed } from '../../src/rig/index.js';
import { judgeRig } from '../../src/shelter/index.js';
import type { BedResult } from '../../src/shelter/index.js';
import type { Evaluated } from '../../src/pitch/index.js';
import type { GuyAnchor, TreeId } from '../../src/support/index.js';
import { ONE_TREE, UNDER_FLY, UNITS, demo, ended, namedWind } from './helper.js';

const judged = (
  rig: RidgeRig,
  context: RigContext,
): { readonly roof: Evaluated | null; readonly bed: BedResult | null } => {
  const { roof, report } = judgeRig(rig, context, { full: true, spreads: false, ...namedWind(rig) });
  return { roof, bed: report.bed };
};
const tied = (tree: TreeId, height = 0.4): GuyAnchor => ({ kind: 'tree', tree, height });
const guyed = (rig: RidgeRig, own: Readonly<Record<string, Partial<Guy>>>): RidgeRig => ({
  ...rig,
  pitch: { ...rig.pitch!, own: { ...rig.pitch!.own, ...own } },
});
const stem = (name: string, girth = 0.4, height = 0.3): GuyAnchor => ({
  kind: 'stem',
  name,
  wood: 'willow',
  girth,
  height,
  signs: [],
});

const fly = demo(UNDER_FLY);
const keys = evaluatePitch(fly.rig, fly.context, { full: false }).result.guys.map((g) => g.key);

describe('a guy on a trunk that carries ridge and bed', () => {
  const rig = guyed(fly.rig, { [keys[0]!]: { anchor: tied('trunk0') } });
  const { roof, bed } = judged(rig, fly.context);
  const { result, tied: tiedRig, readings } = roof!;
  const pulled = readings.map((r) => ({ id: r.state.case.id, pulls: pullsOn(tiedRig.model, 'trunk0', r) }));

  test('ends at the trunk, at its height there', () => {
    const guy = result.guys.find((g) => g.key === keys[0])!;
    expect([guy.foot[0], guy.foot[1]]).toEqual([0, 0]);
    expect(guy.foot[2]).toBeCloseTo(0.4, 9);
  });
  test('pulls along itself: its level part is its tension’s, toward the cloth', () => {
    const [, guy] = pulled[0]!.pulls;
    const report = result.guys.find((g) => g.key === keys[0])!;
    const at = result.shapes[0]!.at;
    const node = result.topology.keys.find((k) => k.id === keys[0])!.node;
    const [dx, dy, dz] = [0, 1, 2].map((c) => at[3 * node + c]! - report.foot[c]!) as [number, number, number];
    expect(guy!.level).toBeCloseTo((report.tension * Math.hypot(dx, dy)) / Math.hypot(dx, dy, dz), 0);
    expect(guy!.toward).toBeCloseTo(Math.atan2(dy, dx), 2);
    expect(guy!.height).toBe(0.4);
  });
  test('moments of ridge, guy and bed add in every case, by their directions', () => {
    const trunk = bed!.bears.find((t) => t.id === 'trunk0')!;
    const high = rig.bed!.ends[0].height;
    for (const load of trunk.loads) {
      const { pulls } = pulled.find((p) => p.id === load.caseId.split('+')[0])!;
      expect(pulls.map((p) => p.what)[0]).toBe('the ridgeline');
      expect(pulls).toHaveLength(2);
      // leaning out, the bed pulls aside as well; else along the span, as it hangs between the same trunks
      if (load.caseId.endsWith('leaning')) continue;
      const x = pulls.reduce((sum, p) => sum + p.level * p.height * Math.cos(p.toward), load.bed * high);
      const y = pulls.reduce((sum, p) => sum + p.level * p.height * Math.sin(p.toward), 0);
      // the roof moves the strap a hair across the span
      expect(load.asked).toBeCloseTo(Math.hypot(x, y), 2);
      expect(load.roof).toBeCloseTo(levelOn(pulls), 9);
    }
    const [worst] = bed!.rows.find((r) => r.id === 'trunk0')!.links;
    const load = trunk.loads.find((l) => l.caseId === worst!.link.caseId)!;
    expect(worst!.link.demand.value).toBeCloseTo(load.asked, 6);
  });
  test('the roof alone tells the same trunk with ridge and guy; no second row for it', () => {
    const row = result.rows.find((r) => r.id === 'trunk0')!;
    const at = pulled.find((p) => p.id === row.links[0]!.link.caseId)!;
    expect(row.links[0]!.link.demand.value).toBeCloseTo(momentOn(at.pulls), 6);
    expect(row.pitched).toBeCloseTo(levelOn(pulled[0]!.pulls), 9);
    const guy = result.rows.find((r) => r.id === `guy ${keys[0]}`)!;
    expect(guy.links.some((l) => l.link.kind === 'trunk' || l.link.kind === 'anchor')).toBe(false);
    expect(rowsTogether(result.rows, bed!.rows).filter((r) => r.id === 'trunk0')).toHaveLength(1);
    expect(result.anchors.find((a) => a.id === `foot ${keys[0]}`)!.name).toBe(`foot of ${rig.trunks[0].name}`);
  });
  test('higher up it bends the trunk more', () => {
    const moment = (height: number): number => {
      const { model } = evaluatePitch(guyed(fly.rig, { [keys[0]!]: { anchor: tied('trunk0', height) } }), fly.context, {
        full: false,
      }).tied;
      const bare = evaluatePitch(model.rig, fly.context, { full: false });
      return momentOn(pullsOn(bare.tied.model, 'trunk0', bare.readings[0]!).slice(1));
    };
    expect(moment(1)).toBeGreaterThan(1.5 * moment(0.4));
  });
});

describe('one tree for several', () => {
  test('two guys on one sapling bend it together; the one that has it tells it', () => {
    const rig = guyed(fly.rig, {
      [keys[0]!]: { anchor: stem('the sapling') },
      [keys[1]!]: { anchor: tied(`guy-tree ${keys[0]!}`) },
    });
    const { result, tied: tiedRig, readings } = evaluatePitch(rig, fly.context, { full: false });
    const [first, second] = [0, 1].map((n) => result.guys.find((g) => g.key === keys[n])!);
    expect([second!.foot[0], second!.foot[1]]).toEqual([first!.foot[0], first!.foot[1]]);
    const pulls = pullsOn(tiedRig.model, `guy-tree ${keys[0]!}`, readings[0]!);
    expect(pulls.map((p) => p.height)).toEqual([0.3, 0.4]);
    const trunk = (key: string) =>
      result.rows.find((r) => r.id === `guy ${key}`)!.links.filter((l) => l.link.kind === 'trunk');
    expect(trunk(keys[0]!)[0]!.link.demand.value).toBeCloseTo(momentOn(pulls), 6);
    expect(trunk(keys[1]!)).toEqual([]);
  });
  test('too thin for both, they are tied lower, and then it bears them', () => {
    const weak = (height: number): RidgeRig =>
      guyed(fly.rig, {
        [keys[0]!]: { anchor: stem('the sapling', 0.07, height), haul: 60 },
        [keys[1]!]: { anchor: tied(`guy-tree ${keys[0]!}`, height), haul: 60 },
      });
    const known = evaluatePitch(weak(0.5), fly.context, { full: true, spreads: false, ...namedWind(fly.rig) });
    const found = unmetOf(weak(0.5), fly.context, known, UNITS).find((u) => /Tie .* on the sapling/.test(u.remedy));
    expect(found!.remedy).toMatch(/^Tie them at 0\.\d+ m/);
    const [own, shared] = [0, 1].map((n) => found!.rig!.pitch!.own[keys[n]!]!.anchor as { height: number });
    expect(own!.height).toBeLessThan(0.5);
    expect(shared!.height).toBe(own!.height);
  });
  test('a guy on the tree of a bed’s end is in that tree’s row', () => {
    const own = {
      kind: 'stem' as const,
      name: 'the old alder',
      wood: 'alder',
      girth: 0.9,
      at: [5.3, 0.4] as const,
      signs: [],
    };
    const hung = ended(fly.rig, 1, { anchor: own });
    const without = judged(hung, fly.context).bed!.bears.find((t) => t.id === 'bed-stem1')!;
    expect(without.loads.every((l) => l.roof === 0)).toBe(true);
    const { bed, roof } = judged(guyed(hung, { [keys[1]!]: { anchor: tied('bed-stem1') } }), fly.context);
    const tree = bed!.bears.find((t) => t.id === 'bed-stem1')!;
    expect(tree.loads.every((l) => l.roof > 0)).toBe(true);
    expect(rowsTogether(roof!.result.rows, bed!.rows).filter((r) => r.name === 'the old alder')).toHaveLength(1);
  });
});

describe('back-stays on a tree of the rig', () => {
  const one = demo(ONE_TREE);
  const end = one.rig.bed!.ends[1];
  const pole = end.anchor as Extract<typeof end.anchor, { kind: 'pole' }>;
  const far = { ...pole, stays: 1 as const, foot: [pole.foot[0], pole.foot[1]] as const, anchor: tied('trunk1', 0.3) };
  // the second trunk stands beyond the pole, in line with the bed
  const { standsOnWord, ...grown } = one.rig.trunks[1];
  expect(standsOnWord).toBe(true);
  const rig: RidgeRig = {
    ...ended(one.rig, 1, { anchor: far }),
    span: { ...one.rig.span, how: 'tape', tape: pole.foot[0] + 2.2 },
    trunks: [one.rig.trunks[0], { ...grown, name: 'the far willow', wood: 'willow', girth: 0.6 }],
  };

  test('the tree bears the stay’s level part with what else is tied to it', () => {
    const { bed } = judged(rig, one.context);
    const tree = bed!.bears.find((t) => t.id === 'trunk1')!;
    const lying = tree.loads.find((l) => l.caseId.endsWith('lying'))!;
    const shape = bed!.shapes.find((s) => s.caseId === 'lying')!;
    const [{ head, stays }] = shape.poles as [(typeof shape.poles)[number]];
    expect(stays[0]!.foot[0]).toBeCloseTo(pole.foot[0] + 2.2, 9);
    const way = [0, 1, 2].map((c) => head[c]! - stays[0]!.foot[c]!);
    expect(lying.bed).toBeCloseTo((stays[0]!.pull * Math.hypot(way[0]!, way[1]!)) / Math.hypot(...way), 6);
    // a stay lifts its tree a little
    expect(lying.down).toBeLessThan(0);
    const stay = bed!.rows.find((r) => r.id === 'stay10')!;
    expect(stay.links.some((l) => l.link.kind === 'trunk')).toBe(false);
    expect(bed!.rows.some((r) => r.id === 'trunk1' && r.links[0]!.link.name === 'foot of the far willow')).toBe(true);
  });
  test('on the sapling of a guy: the tree has a row of its own beside the guy’s, with both', () => {
    const held = guyed(fly.rig, { [keys[1]!]: { anchor: stem('the sapling', 0.5), foot: [7.6, 0] } });
    const stood = ended(held, 1, {
      anchor: {
        ...pole,
        stays: 1,
        foot: [5, 0],
        cord: fly.rig.pitch!.guy.cord,
        anchor: tied(`guy-tree ${keys[1]!}`, 0.2),
      },
    });
    const { roof, bed } = judged(stood, fly.context);
    const rows = rowsTogether(roof!.result.rows, bed!.rows).map((r) => r.id);
    expect(rows).toContain(`guy ${keys[1]!}`);
    expect(rows).toContain(`guy-tree ${keys[1]!}`);
    expect(bed!.shapes.find((x) => x.caseId === 'lying')!.poles[0]!.stays[0]!.foot[0]).toBeCloseTo(7.6, 9);
    const tree = bed!.bears.find((t) => t.id === `guy-tree ${keys[1]!}`)!;
    expect(tree.loads.every((l) => l.roof > 0 && l.bed > 0)).toBe(true);
  });
  test('a sign on that tree rules it out', () => {
    const rotten: RidgeRig = { ...rig, trunks: [rig.trunks[0], { ...rig.trunks[1], signs: ['fungus'] }] };
    expect(judged(rotten, one.context).bed!.findings.map((f) => (f.code === 'tree' ? f.facts.tree : ''))).toContain(
      'the far willow',
    );
  });
});

describe('trees of a rig', () => {
  test('its trunks, the bed’s own, those of guys; with where they stand', () => {
    const rig = guyed(fly.rig, { [keys[0]!]: { anchor: stem('the sapling'), foot: [1, 2] } });
    expect(treesOf(rig).map((t) => t.id)).toEqual(['trunk0', 'trunk1', `guy-tree ${keys[0]!}`]);
    expect(treeAt(rig, fly.context.body, 'trunk1')![0]).toBeCloseTo(5.4, 9);
    expect(treeAt(rig, fly.context.body, `guy-tree ${keys[0]!}`)).toEqual([1, 2]);
    expect(treeOf(rig, 'bed-stem0')).toBeNull();
  });
  test('trunks stand in the picture where anything is tied to them', () => {
    const wedge: RidgeRig = { ...fly.rig, pitch: { ...fly.rig.pitch!, form: 'wedge' } };
    const { bed, ...bare } = wedge;
    expect(bed).toBeDefined();
    expect(trunksUsed(wedge)).toEqual([0, 1]);
    expect(trunksUsed(bare)).toEqual([0]);
    expect(trunksUsed(guyed(bare, { b: { anchor: tied('trunk1') } }))).toEqual([0, 1]);
    expect(trunksUsed({ ...bare, pitch: { ...bare.pitch!, form: 'gable' } })).toEqual([0, 1]);
    const { pitch, ...line } = bare;
    expect(pitch!.form).toBe('wedge');
    expect(trunksUsed(line)).toEqual([0, 1]);
  });
  test.each([
    ['bed-stem1', /tied to the tree of the bed’s second end, which is not there/],
    [`guy-tree ${keys[1]!}`, /tied to the tree of another guy, which is not there/],
  ] as const)('one that is not there, %s, is told at its field', (tree, words) => {
    const rig = guyed(fly.rig, { [keys[0]!]: { anchor: tied(tree) } });
    const [found] = rigProblems(rig, fly.context);
    expect(found).toMatchObject({ field: `pitch.own.${keys[0]!}.anchor.tree`, message: expect.stringMatching(words) });
    expect(() => evaluatePitch(rig, fly.context)).toThrow(words);
  });
  test('nor can two guys each be on the other’s tree, or one on its own', () => {
    const both = guyed(fly.rig, {
      [keys[0]!]: { anchor: tied(`guy-tree ${keys[1]!}`) },
      [keys[1]!]: { anchor: tied(`guy-tree ${keys[0]!}`) },
    });
    expect(rigProblems(both, fly.context)).toHaveLength(2);
    expect(
      rigProblems(guyed(fly.rig, { [keys[0]!]: { anchor: tied(`guy-tree ${keys[0]!}`) } }), fly.context),
    ).toHaveLength(1);
  });
  test('the tree of a guy left off is told to be missing', () => {
    const rig = guyed(fly.rig, {
      [keys[0]!]: { anchor: stem('the sapling'), off: true },
      [keys[1]!]: { anchor: tied(`guy-tree ${keys[0]!}`) },
    });
    expect(() => evaluatePitch(rig, fly.context)).toThrow(
      /which is not there\. Choose another tree for it, or what else holds it/,
    );
  });
});
