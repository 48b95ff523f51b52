import { describe, expect, test } from '@jest/globals';
import { gustCase } from '../../src/cases/index.js';
import { ofCode } from '../../src/findings/index.js';
import { evaluatePitch, haulOrder, pitchModel, solveCase, tieOff } from '../../src/pitch/index.js';
import type { PitchResult } from '../../src/pitch/index.js';
import { gustSpeed, ratioOf } from '../../src/rig/index.js';
import type { Guy, Pitch, RidgeRig } from '../../src/rig/index.js';
import { codesOf, roofSaid, toldOf } from '../said.js';
import { contextFor, rigOf, squareRoof } from './helper.js';

const square = squareRoof(3);
const context = contextFor(square);
/** Judged in a gust from the named bearing alone: all sixteen have tests of their own. */
const named = (rig: RidgeRig) => ({ speed: gustSpeed(rig), from: rig.pitch!.windFrom });
const judge = (rig: RidgeRig): PitchResult =>
  evaluatePitch(rig, context, { full: true, rising: false, wind: named(rig) }).result;
const withPitch = (rig: RidgeRig, part: Partial<Pitch>): RidgeRig => ({ ...rig, pitch: { ...rig.pitch!, ...part } });
const withGuy = (rig: RidgeRig, part: Partial<Guy>): RidgeRig =>
  withPitch(rig, { guy: { ...rig.pitch!.guy, ...part } });
const row = (r: PitchResult, id: string) => r.rows.find((x) => x.id === id)!;
const link = (r: PitchResult, id: string, kind: string) => row(r, id).links.find((l) => l.link.kind === kind)!;

const gable = rigOf('gable', square);
const judged = judge(gable);

describe('the ledger of a pitched rig', () => {
  test('holds every line, both trunks and the cloth, weakest first, each with its governing link', () => {
    expect(judged.rows.map((r) => r.id).sort()).toEqual(
      [
        'ridge',
        'loop0',
        'loop1',
        'guy 00',
        'guy 01',
        'guy 02',
        'guy 10',
        'guy 11',
        'guy 12',
        'trunk0',
        'trunk1',
        'cloth',
      ].sort(),
    );
    const ratios = judged.rows.map(ratioOf);
    expect(ratios).toEqual([...ratios].sort((a, b) => a - b));
    for (const r of judged.rows)
      for (const l of r.links) {
        expect(l.schools.map((s) => s.rule)).toEqual(['factor', 'share', 'chance']);
        expect(judged.cases.map((c) => c.id)).toContain(l.link.caseId);
      }
    expect(link(judged, 'guy 00', 'anchor').link.available.inputs!.length).toBeGreaterThan(5);
    expect(link(judged, 'loop0', 'hitch').link.name).toMatch(/grip of the first hitch/);
  });
  test('the line pulls on its trunk with what the ridge carries', () => {
    const { at } = judged.shapes[0]!;
    expect(at.every(Number.isFinite)).toBe(true);
    const anchor = judged.anchors.find((a) => a.id === 'trunk0' && a.caseId === 'pitched')!;
    expect(anchor.horizontal).toBeGreaterThan(row(judged, 'ridge').pitched * 0.95);
    expect(anchor.horizontal).toBeLessThanOrEqual(row(judged, 'ridge').pitched + 1e-6);
  });
  test('pulls have their ranges: hauls by feel, and in a gust the wind', () => {
    const guy = row(judged, 'guy 01').demand;
    expect(guy.range![0]).toBeLessThan(guy.value);
    expect(guy.range![1]).toBeGreaterThan(guy.value);
  });
  test('a stronger wind pulls harder, still air is the least', () => {
    const at = (beaufort: number): number =>
      row(judge({ ...gable, wind: { beaufort, shelter: 'open' } }), 'ridge').demand.value;
    expect(at(5)).toBeGreaterThan(at(3));
    expect(at(3)).toBeGreaterThanOrEqual(at(0));
  });
  test('turning wind and rig together changes nothing', () => {
    const turned = judge(withPitch(gable, { bearing: gable.pitch!.bearing + 1, windFrom: gable.pitch!.windFrom + 1 }));
    for (const r of judged.rows) expect(row(turned, r.id).demand.value).toBeCloseTo(r.demand.value, 3);
  });
  test('wind from the left and from the right mirror each other', () => {
    const side = (from: number): PitchResult =>
      judge(withPitch(gable, { bearing: Math.PI / 2, windFrom: from, order: ['01', '11'] }));
    const [north, south] = [side(0), side(Math.PI)];
    const gust = (r: PitchResult, id: string): number =>
      r.shapes.find((s) => s.caseId === r.cases.find((c) => c.group === 'gust' && c.wind!.law === 'plate')!.id)!
        .tension[r.topology.lines.find((l) => l.id === id)!.line]!;
    // the order of hauling is not mirrored, so neither is the rig quite
    expect(gust(north, 'guy 01')).toBeCloseTo(gust(south, 'guy 11'), -1.5);
    expect(Math.abs(gust(north, 'guy 01') - gust(south, 'guy 01'))).toBeGreaterThan(3);
  });
  test('steps of the night: tension falls, and the take-up is what was lost', () => {
    const ridge = judged.takeUp.filter((t) => t.row === 'ridge');
    expect(ridge.map((t) => t.caseId)).toEqual(['settled', 'evening', 'wet']);
    for (const t of ridge) {
      expect(t.by).toBeGreaterThan(0);
      expect(t.tension).toBeLessThan(row(judged, 'ridge').pitched);
    }
  });
});

describe('what a person changes', () => {
  test('a loop of the ridge’s own cord with a crossed turn slips, in the ledger and in the scene', () => {
    const hitch = { ...gable.pitch!.hitches[0], cord: 'green-550', wraps: 2, crossed: true };
    const r = judge(withPitch(gable, { hitches: [hitch, hitch] }));
    expect(link(r, 'loop0', 'hitch').judgement.ratio).toBeLessThan(1);
    expect(Math.abs(r.hitches[0]!.slid)).toBeGreaterThan(0.002);
    expect(r.hitches[0]!.advice.map((a) => a.what)).toContain('crossed');
    expect(roofSaid(gable, r, context.body).holds).toBe(false);
    expect(Math.abs(judged.hitches[0]!.slid)).toBeLessThan(0.002);
  });
  test('sliding a hitch out tightens the cloth along the ridge', () => {
    const slid = (m: number): number => {
      const [a, b] = gable.pitch!.hitches;
      return evaluatePitch(withPitch(gable, { hitches: [{ ...a, slid: m }, b] }), context, {
        full: false,
      }).result.rows.find((x) => x.id === 'loop0')!.pitched;
    };
    expect(slid(0.01)).toBeGreaterThan(slid(0) + 10);
    expect(slid(-0.01)).toBeLessThan(slid(0));
  });
  test('a guy hauled harder pulls harder; one left off is gone', () => {
    const r = evaluatePitch(withPitch(gable, { own: { '01': { haul: 90 }, '11': { off: true } } }), context, {
      full: false,
    }).result;
    expect(row(r, 'guy 01').pitched).toBeGreaterThan(row(judged, 'guy 01').pitched);
    expect(r.rows.some((x) => x.id === 'guy 11')).toBe(false);
  });
  test('the order of hauling is as asked, then across and back; later hauls loosen earlier ones', () => {
    const order = (keys: string[]): string[] =>
      haulOrder(pitchModel(withPitch(gable, { order: keys }), context)).map((m) => m.reach!.key.id);
    expect(order(['11', '01']).slice(0, 2)).toEqual(['11', '01']);
    expect(new Set(order([])).size).toBe(6);
    const first = judge(withPitch(gable, { order: ['01', '00', '02', '11', '10', '12'] }));
    const last = judge(withPitch(gable, { order: ['00', '02', '11', '10', '12', '01'] }));
    expect(row(last, 'guy 01').pitched).toBeGreaterThan(row(first, 'guy 01').pitched);
  });
  test('an elastic tie-out takes up what wetting lengthens: more is left in its guys on a wet night', () => {
    const kept = (hitch: Guy['hitch']): number => {
      const r = judge(withGuy(gable, { hitch, haul: 45 }));
      const guys = r.rows.filter((x) => x.role === 'guy');
      const wet = r.takeUp.filter((t) => t.caseId === 'wet' && t.row.startsWith('guy'));
      return wet.reduce((s, t) => s + t.tension, 0) / guys.reduce((s, x) => s + x.pitched, 0);
    };
    expect(kept('elastic')).toBeGreaterThan(kept('knot'));
  });
  test.each([
    [
      { kind: 'stem', name: 'the sapling', wood: 'willow', girth: 0.3, height: 0.1, signs: [] },
      'trunk',
      /foot of the sapling/,
    ],
    [{ kind: 'weight', name: 'the log', mass: 60 }, 'anchor', /the log that slides/],
    [{ kind: 'root', name: 'the root', thickness: 0.03, free: 0.3 }, 'anchor', /the root/],
    [{ kind: 'buried', length: 0.5, width: 0.2, depth: 0.4 }, 'anchor', /buried anchor in/],
    [{ kind: 'peg', pegs: 'cut', inLine: 2, lean: 0.3 }, 'anchor', /2 pegs in/],
  ] as const)('an anchor of another kind: %#', (anchor, kind, name) => {
    const r = judge(withPitch(gable, { own: { '01': { anchor } } }));
    expect(link(r, 'guy 01', kind).link.name).toMatch(name);
    expect(r.anchors.find((a) => a.id === 'foot 01')!.capacity).toBeGreaterThan(0);
  });
  test('heavier pegs on softer ground: what mends it mends it', () => {
    const sandy = withPitch(gable, { soil: 'silty-sand' });
    const weak = judge(sandy);
    expect(roofSaid(sandy, weak, context.body).sentence).toMatch(/[Pp]eg in silty sand/);
    const clay = judge(withPitch(gable, { soil: 'stiff-clay' }));
    expect(link(clay, 'guy 01', 'anchor').link.margin.value).toBeGreaterThan(
      link(weak, 'guy 01', 'anchor').link.margin.value * 2,
    );
  });
  test('short of pegs is said, with how many guys to give to trees', () => {
    const few = { ...context, pegs: [{ ...context.pegs[0]!, count: 4 }] };
    const { result } = evaluatePitch(gable, few);
    expect(result.pegs).toEqual([{ id: 'cut', name: 'cut pegs', wanted: 6, have: 4 }]);
    expect(toldOf(result.findings).join(' ')).toMatch(/Tie 2 guys to what grows there/);
  });
  test('an open side toward the wind as named is told, and no other is', () => {
    const open = withPitch(gable, { form: 'storm', shape: { ...gable.pitch!.shape, edges: [0.4, 0.6] }, bearing: 0 });
    const told = (windFrom: number): boolean =>
      evaluatePitch(withPitch(open, { windFrom }), context, { full: false }).result.findings.some(
        (f) => f.code === 'opens-to-wind',
      );
    // the dropped side is to the left of a span that runs north: wind from the east comes in
    expect([0, Math.PI / 2, Math.PI, (3 * Math.PI) / 2].map(told)).toEqual([false, true, false, false]);
  });
  test('a pulley whose loop is tied too near runs out of travel, and says how far it must be', () => {
    const { tensioning } = gable;
    const hauled = (loopOut: number): RidgeRig => ({
      ...gable,
      tensioning: { ...tensioning, how: 'pulley', pulley: { ...tensioning.pulley, loopOut } },
    });
    const found = (rig: RidgeRig) =>
      ofCode(evaluatePitch(rig, context, { full: false }).result.findings, 'loop-runs-out');
    const { needed, has } = found(hauled(0.05))[0]!.facts;
    expect(has).toBe(0.05);
    expect(needed).toBeGreaterThan(0.05);
    expect(found(hauled(needed + 0.02))).toEqual([]);
  });
  test('a sign on a trunk rules the rig out whatever its numbers', () => {
    const trunks = [{ ...gable.trunks[0], signs: ['fungus'] }, gable.trunks[1]] as unknown as RidgeRig['trunks'];
    const v = roofSaid({ ...gable, trunks }, judge({ ...gable, trunks }), context.body);
    expect(v.holds).toBe(false);
    expect(v.sentence).toMatch(/ruled out: fungus/);
  });
});

describe('line under, over and through', () => {
  test('the cloth hangs lower under a line over it, and rests on a line under it', () => {
    const height = (line: Pitch['line']): number =>
      evaluatePitch(withPitch(gable, { line }), context, { full: false }).result.cover.headroom;
    expect(height('over')).toBeLessThanOrEqual(height('under') + 0.01);
    expect(Math.abs(height('through') - height('under'))).toBeLessThan(0.1);
  });
  test('in a lifting wind cloth leaves a line under it', () => {
    const flying = rigOf('flying', square, {}, { wind: { beaufort: 5, shelter: 'open' } });
    const tied = tieOff(pitchModel(flying, context));
    const s = solveCase(tied, gustCase({ speed: 12, from: 0, law: 'lift' }, false));
    expect(s.numbers.tension.every(Number.isFinite)).toBe(true);
  });
});

describe('what follows the hand', () => {
  test('is what stands when it rests: every pull and place, whatever was dragged before', () => {
    let { tied } = evaluatePitch(gable, context, { full: false });
    const foot = tied.model.layout.reaches.find((r) => r.key.id === '01')!.foot;
    for (const by of [0.02, 0.11, 0.3]) {
      const moved = withPitch(gable, { own: { '01': { foot: [foot[0] + by, foot[1] - by / 2] } } });
      const drag = evaluatePitch(moved, context, { full: false, from: tied });
      tied = drag.tied;
      const rest = evaluatePitch(moved, context, { full: true, spreads: false, rising: false, wind: null });
      const [a, b] = [drag.result.shapes[0]!, rest.result.shapes[0]!];
      const most = Math.max(...b.tension);
      a.tension.forEach((t, i) => expect(Math.abs(t - b.tension[i]!)).toBeLessThan(1e-3 * most));
      a.at.forEach((x, i) => expect(Math.abs(x - b.at[i]!)).toBeLessThan(1e-3));
      expect(drag.result.cover.headroom).toBeCloseTo(rest.result.cover.headroom, 3);
    }
  });
});

describe('rain', () => {
  test('a flat roof with slack pools; a steep one sheds it', () => {
    expect(Math.max(...judged.cases.map((c) => c.litres))).toBeLessThan(0.5);
    const slack = rigOf(
      'flying',
      square,
      {
        shape: { edges: [1.4, 1.4], awning: 0, prop: 1, lift: 0, flap: 0 },
        guy: { ...gable.pitch!.guy, haul: 6 },
        spread: 5,
      },
      { trunks: gable.trunks.map((t) => ({ ...t, tieHeight: 1.45 })) as unknown as RidgeRig['trunks'] },
    );
    const r = judge(slack);
    expect(Math.max(...r.cases.map((c) => c.litres))).toBeGreaterThan(1);
    expect(codesOf(r.findings).some((c) => c === 'pool' || c === 'pool-grows')).toBe(true);
  });
});

describe('answers stay answers', () => {
  test('the same rig gives the same numbers', () => {
    expect(judge(gable).rows.map((r) => r.demand.value)).toEqual(judged.rows.map((r) => r.demand.value));
  });
  test('while a hand moves it, the pitched state comes from the last one and agrees with a fresh one', () => {
    const { tied } = evaluatePitch(gable, context, { full: false });
    const moved = withPitch(gable, { own: { '01': { foot: [3.5, 1.9] } } });
    const warm = evaluatePitch(moved, context, { full: false, from: tied }).result;
    const cold = evaluatePitch(moved, context, { full: false }).result;
    for (const r of cold.rows) expect(row(warm, r.id).pitched).toBeCloseTo(r.pitched, 1);
  });
});

describe('what there is too little of', () => {
  test('is told whatever else is wrong, and by itself it is no holding', () => {
    const few = { ...context, kit: context.kit.map((c) => ({ ...c, length: 1 })) };
    const rig = rigOf('gable', square, { soil: 'sand' });
    const judged = evaluatePitch(rig, few, { full: true, spreads: false, rising: false }).result;
    const said = roofSaid(rig, judged, few.body);
    expect(said.holds).toBe(false);
    expect(`${said.sentence} ${said.detail}`).toMatch(/is too short: \d+\.?\d* m wanted, 1\.00 m on hand/);
    const pegless = { ...context, pegs: context.pegs.map((p) => ({ ...p, count: 0 })) };
    const still = { ...rig, wind: { ...rig.wind, beaufort: 0 }, pitch: { ...rig.pitch!, soil: 'turf' } };
    const calm = evaluatePitch(still, pegless, { full: true, spreads: false, rising: false, wind: null }).result;
    const verdict = roofSaid(still, calm, pegless.body);
    expect(verdict.holds).toBe(false);
    expect(`${verdict.sentence} ${verdict.detail}`).toMatch(/\d+ of .* are missing: \d+ wanted, 0 on hand/);
  });
});
