import { describe, expect, test } from '@jest/globals';
import { bestRise, soilNumbers } from '../../src/anchor/index.js';
import { findPeg, findSoil } from '../../src/catalogue/index.js';
import { ofCode } from '../../src/findings/index.js';
import type { Place, Thing } from '../../src/ground/index.js';
import { evaluatePitch, guysToTrees, layoutOf, pitchModel, pullsOn } from '../../src/pitch/index.js';
import type { Guy, RidgeRig } from '../../src/rig/index.js';
import { tieOutsOf } from '../../src/roof/index.js';
import { toldOf } from '../said.js';
import { contextFor, rigOf, squareRoof } from './helper.js';

const square = squareRoof(3);
const context = contextFor(square);

describe('tie-outs along an edge', () => {
  test('stay free until they are asked for, and then hold their part', () => {
    const gable = rigOf('gable', square);
    const plain = layoutOf(gable, context);
    expect(plain.spare.map((k) => k.name).sort()).toEqual([
      'left first quarter',
      'left second quarter',
      'right first quarter',
      'right second quarter',
    ]);
    const more: RidgeRig = { ...gable, pitch: { ...gable.pitch!, own: { '0q': { off: false } } } };
    const laid = layoutOf(more, context);
    expect(laid.reaches.map((r) => r.key.id)).toContain('0q');
    expect(laid.spare).toHaveLength(3);
    // it lies on the straight edge between the corner and the middle
    const at = (id: string) => laid.plan.keys.find((k) => k.id === id)!.at;
    for (const c of [0, 1, 2] as const) expect(at('0q')[c]).toBeCloseTo((at('00')[c] + at('01')[c]) / 2, 6);
    // hauled last: whoever comes after it takes the edge over
    const last: RidgeRig = {
      ...more,
      pitch: { ...more.pitch!, order: laid.reaches.map((r) => r.key.id).filter((k) => k !== '0q') },
    };
    const { rows } = evaluatePitch(last, context, { full: false }).result;
    expect(rows.find((r) => r.id === 'guy 0q')!.pitched).toBeGreaterThan(5);
  });
  test('a roof without them offers none', () => {
    const roof = squareRoof(3, { tieOuts: tieOutsOf('middles', 3, 3, 'loop') });
    expect(layoutOf(rigOf('gable', roof), contextFor(roof)).spare).toEqual([]);
    const thirds = squareRoof(3, { tieOuts: tieOutsOf('thirds', 3, 3, 'loop') });
    expect(
      layoutOf(rigOf('gable', thirds), contextFor(thirds))
        .spare.map((k) => k.id)
        .sort(),
    ).toEqual(['0T', '0t', '1T', '1t']);
  });
});

test('a guy from a stick comes down at the angle at which its peg asks least of itself', () => {
  const flat = rigOf('flying', square, { soil: 'silty-sand' });
  const shape = findPeg('cut-wood')!;
  const { reaches } = layoutOf(flat, context);
  const best = bestRise(
    soilNumbers(findSoil('silty-sand')!, 'typical', { surface: 'wood', wet: false, depth: shape.length - 0.05 }),
    { width: shape.width, depth: shape.length - 0.05, arm: 0.03 },
    0.35,
    Math.PI / 4,
  );
  const propped = reaches.filter((r) => r.stick > 0);
  expect(propped.length).toBeGreaterThan(0);
  for (const r of propped) {
    const run = Math.hypot(r.foot[0] - r.key.at[0], r.foot[1] - r.key.at[1]);
    expect(Math.atan2(r.key.at[2] - r.foot[2], run)).toBeCloseTo(best, 2);
  }
});

describe('guys given to what stands there', () => {
  // a span of 7 m to the east: x is east, left is north
  const gable: RidgeRig = { ...rigOf('gable', square), site: { place: 'p', from: 'a', to: 'b' } };
  const { result } = evaluatePitch(gable, context, { full: false });
  const guy = result.guys.find((g) => g.key === '01')!;
  const tree = (id: string, at: readonly [number, number], signs: readonly 'fungus'[] = []): Thing =>
    ({ id, name: id, kind: 'tree', at, foot: 0, wood: 'willow', girth: 0.6, height: 9, signs }) as unknown as Thing;
  const placeOf = (things: readonly Thing[]): Place =>
    ({ things: [tree('a', [10, 20]), tree('b', [17, 20]), ...things] }) as unknown as Place;

  test('each goes to what is nearest its own line, where it is in the rig’s axes', () => {
    const beyond = tree('willow', [10 + guy.foot[0], 20 + guy.foot[1] + 1.5]);
    const askew = tree('askew', [10 + guy.foot[0] + 0.6, 20 + guy.foot[1] + 1.5]);
    const found = guysToTrees(gable, context, result, placeOf([askew, beyond])).find((t) => t.key === '01')!;
    expect(found.to).toBe('willow');
    expect(found.foot[0]).toBeCloseTo(guy.foot[0], 6);
    expect(found.foot[1]).toBeCloseTo(guy.foot[1] + 1.5, 6);
    expect(found.off).toBeLessThan(0.05);
    const given: RidgeRig = {
      ...gable,
      pitch: { ...gable.pitch!, own: { '01': { anchor: found.anchor, foot: found.foot } } },
    };
    expect(pitchModel(given, context).members.find((m) => m.id === 'guy 01')!.reach!.foot[2]).toBeCloseTo(0.3, 6);
    expect(evaluatePitch(given, context, { full: false }).result.pegs[0]!.wanted).toBe(5);
  });
  test('a tree that another guy has already is shared, so that both count', () => {
    const willow = tree('willow', [10 + guy.foot[0], 20 + guy.foot[1] + 1.5]);
    const own = { kind: 'stem', name: 'willow', wood: 'willow', girth: 0.3, height: 0.3, signs: [] } as const;
    const foot = [guy.foot[0] + 0.05, guy.foot[1] + 1.5] as const;
    const taken: RidgeRig = { ...gable, pitch: { ...gable.pitch!, own: { '00': { anchor: own, foot, haul: 2 } } } };
    const again = evaluatePitch(taken, context, { full: false }).result;
    const found = guysToTrees(taken, context, again, placeOf([willow])).find((t) => t.key === '01')!;
    expect(found.anchor).toEqual({ kind: 'tree', tree: 'guy-tree 00', height: 0.3 });
    const both: RidgeRig = {
      ...taken,
      pitch: { ...taken.pitch!, own: { ...taken.pitch!.own, '01': { anchor: found.anchor, foot: found.foot } } },
    };
    const judged = evaluatePitch(both, context, { full: false });
    expect(pullsOn(judged.tied.model, 'guy-tree 00', judged.readings[0]!)).toHaveLength(2);
    // what the guy that has it is offered is not its own tree
    const first = guysToTrees(taken, context, again, placeOf([willow])).find((t) => t.key === '00');
    expect(first === undefined || first.anchor.kind === 'stem').toBe(true);
  });
  test('a log that another guy has already holds both', () => {
    const log = {
      kind: 'log',
      id: 'log',
      name: 'the log',
      at: [10 + guy.foot[0], 20 + guy.foot[1] + 1.5],
      foot: 0,
      mass: 90,
    };
    const foot = [guy.foot[0] + 0.05, guy.foot[1] + 1.5] as const;
    const own = { '00': { anchor: { kind: 'weight', name: 'the log', mass: 90 } as const, foot, haul: 2 } };
    const taken: RidgeRig = { ...gable, pitch: { ...gable.pitch!, own } };
    const again = evaluatePitch(taken, context, { full: false }).result;
    const place = placeOf([log as unknown as Thing]);
    const found = guysToTrees(taken, context, again, place).find((t) => t.key === '01')!;
    expect(found.anchor).toEqual({ kind: 'same', line: 'guy 00' });
  });
  test('one log or sapling told for two guys is said, with what to do about it', () => {
    const log = { kind: 'weight', name: 'the log', mass: 90 } as const;
    const said = (a: Guy['anchor'], apart: number): string[] => {
      const own = { '00': { anchor: a, foot: [1, 3] as const }, '01': { anchor: a, foot: [1 + apart, 3] as const } };
      const { result } = evaluatePitch({ ...gable, pitch: { ...gable.pitch!, own } }, context, { full: false });
      return toldOf(ofCode(result.findings, 'held-twice'));
    };
    expect(said(log, 0.1)).toEqual([
      expect.stringMatching(/both held by the log, .* Tell one of them to be held by what holds the other/),
    ]);
    expect(said(log, 0.3)).toEqual([]);
    const sapling = { kind: 'stem', name: 'the sapling', wood: 'willow', girth: 0.3, height: 0.3, signs: [] } as const;
    expect(said(sapling, 0)).toEqual([expect.stringMatching(/Tie one of them to “the sapling” as a tree of this rig/)]);
  });
  test('what a sign rules out, what stands aside and what is too far is left alone', () => {
    const at = (dx: number, dy: number): [number, number] => [10 + guy.foot[0] + dx, 20 + guy.foot[1] + dy];
    for (const thing of [tree('rotten', at(0, 1), ['fungus']), tree('aside', at(4, 0.2)), tree('far', at(0, 12))])
      expect(guysToTrees(gable, context, result, placeOf([thing])).find((t) => t.key === '01')).toBeUndefined();
    expect(
      guysToTrees({ ...gable, site: { place: 'p', from: 'gone', to: 'b' } }, context, result, placeOf([])),
    ).toEqual([]);
  });
});
