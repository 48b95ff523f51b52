import { describe, expect, test } from '@jest/globals';
import { doubtOf, solveDrawn } from '../../src/doubt/index.js';
import { effectAt, effectsOf, restsAt, shaped, unknownShape } from '../../src/doubt/shape.js';
import type { ShapeEffect } from '../../src/doubt/shape.js';
import { evaluatePitch, pitchModel } from '../../src/pitch/index.js';
import type { RidgeRig } from '../../src/rig/index.js';
import { RigProblem } from '../../src/rig/index.js';
import { Z95 } from '../../src/quantity/index.js';
import { demo } from '../shelter/helper.js';

const { rig, context } = demo('gravel-spit-gable');
const judged = evaluatePitch(rig, context, { full: true, spreads: false, rising: false }).result;
const cases = [...new Set(judged.rows.map((r) => r.links[0]!.link.caseId))].slice(0, 2);
const all = solveDrawn(rig, context, { cases, seed: 2 }, [0])!;
const keeping = (...ids: readonly string[]): ReadonlySet<string> =>
  new Set(all.unknowns.map((u) => u.id).filter((id) => !ids.includes(id)));
/** What every link has left in those cases, by its id. */
const leftOf = (other: RidgeRig): ReadonlyMap<string, number> => {
  const { rows } = evaluatePitch(other, context, {
    full: true,
    spreads: false,
    rising: false,
    among: new Set(cases),
  }).result;
  return new Map(rows.flatMap((r) => r.links.map(({ link }) => [link.id, link.margin.value])));
};

describe('heights that were measured by hand', () => {
  const known = keeping('shape:edges');
  const doubt = doubtOf([solveDrawn(rig, context, { cases, seed: 2, known }, [0])!], 2000);

  test('with how high its edges hang alone unknown, a peg has left what it has at either end', () => {
    expect(doubt.unknowns.map((u) => u.id)).toEqual(['shape:edges']);
    const [low, high] = [-0.1, 0.1].map((by) => leftOf(shaped(rig, 'edges', by)));
    const pegs = doubt.links.filter((l) => l.id.endsWith(':anchor'));
    expect(pegs.length).toBeGreaterThan(3);
    for (const { id, left } of pegs) {
      const ends = [low!.get(id)!, high!.get(id)!].sort((a, b) => a - b);
      expect(Math.abs(left.low / Math.min(ends[0]!, left.mid) - 1)).toBeLessThan(0.03);
      expect(Math.abs(left.high / Math.max(ends[1]!, left.mid) - 1)).toBeLessThan(0.03);
    }
    expect(doubt.unknowns[0]!.share).toBeGreaterThan(0.9);
  });
  test('two of them together do what both do, one times the other', () => {
    const both = leftOf(shaped(shaped(rig, 'edges', 0.06), 'tie0', 0.04));
    const base = leftOf(rig);
    const effect = (id: string): ShapeEffect => all.shapes!.find((e) => e.id === id)!;
    let seen = 0;
    all.checks.forEach(({ id }, j) => {
      if (!id.endsWith(':anchor')) return;
      seen++;
      const foretold =
        base.get(id)! *
        Math.exp(effectAt(effect('shape:edges'), j, 0.6 * Z95) + effectAt(effect('shape:tie0'), j, 0.8 * Z95));
      expect(Math.abs(both.get(id)! / foretold - 1)).toBeLessThan(0.04);
    });
    expect(seen).toBeGreaterThan(3);
  });
  test('without the first part of the rigs they are not known, and nothing is said', () => {
    const other = solveDrawn(rig, context, { cases: [], seed: 2 }, [1])!;
    expect(() => doubtOf([other], 500)).toThrow('parts: the first is not among them');
    expect(() => doubtOf([], 500)).toThrow(RangeError);
  });
});

describe('a foot that was set by hand', () => {
  const { reaches } = pitchModel(rig, context).layout;
  const { key, foot } = reaches.find((r) => r.kind === 'guy')!;
  const set = (at: readonly [number, number]): RidgeRig => ({
    ...rig,
    pitch: { ...rig.pitch!, own: { ...rig.pitch!.own, [key.id]: { ...rig.pitch!.own[key.id], foot: [at[0], at[1]] } } },
  });
  const byHand = set([foot[0], foot[1]]);
  const unknown = unknownShape(pitchModel(byHand, context)).find((u) => u.kind === 'feet')!;

  test('is not where it was measured, the others are where the cloth says', () => {
    expect(unknownShape(pitchModel(rig, context)).some((u) => u.kind === 'feet')).toBe(false);
    expect(unknownShape(pitchModel(byHand, context)).filter((u) => u.kind === 'feet')).toEqual([unknown]);
    expect(unknown.id).toBe(`shape:foot:${key.id}`);
    expect(unknown.name).toBe(`how far out the foot at the ${key.name} is`);
    expect(unknown.range).toEqual([-0.1, 0.1]);
  });
  test('farther out is farther from its tie-out, straight on', () => {
    const { acts } = unknown;
    if (acts.on !== 'shape') throw new Error('acts on the shape');
    const out = pitchModel(shaped(byHand, acts.what, 0.1), context).layout.reaches.find((r) => r.key.id === key.id)!;
    const far = ([x, y]: readonly number[]): number => Math.hypot(x! - key.at[0], y! - key.at[1]);
    expect(far(out.foot) - far(foot)).toBeCloseTo(0.1, 9);
    const turn = Math.atan2(out.foot[1] - key.at[1], out.foot[0] - key.at[0]);
    expect(turn).toBeCloseTo(Math.atan2(foot[1] - key.at[1], foot[0] - key.at[0]), 9);
  });
  test('with it alone unknown, its peg has left what it has at either end', () => {
    const there = solveDrawn(byHand, context, { cases, seed: 2 }, [0])!;
    const known = new Set(there.unknowns.map((u) => u.id).filter((id) => id !== unknown.id));
    const doubt = doubtOf([solveDrawn(byHand, context, { cases, seed: 2, known }, [0])!], 2000);
    expect(doubt.unknowns.map((u) => u.id)).toEqual([unknown.id]);
    const { acts } = unknown;
    if (acts.on !== 'shape') throw new Error('acts on the shape');
    const peg = doubt.links.find((l) => l.id === `guy ${key.id}:anchor`)!;
    const ends = [-0.1, 0.1].map((by) => leftOf(shaped(byHand, acts.what, by)).get(peg.id)!);
    const [low, high] = [Math.min(...ends, peg.left.mid), Math.max(...ends, peg.left.mid)];
    expect(high / low).toBeGreaterThan(1.005);
    expect(Math.abs(peg.left.low / low - 1)).toBeLessThan(0.03);
    expect(Math.abs(peg.left.high / high - 1)).toBeLessThan(0.03);
  });
  test('at a tree of the rig it is measured with the tree', () => {
    const tied: RidgeRig = {
      ...byHand,
      pitch: {
        ...byHand.pitch!,
        own: {
          ...byHand.pitch!.own,
          [key.id]: {
            ...byHand.pitch!.own[key.id],
            foot: [foot[0], foot[1]],
            anchor: {
              kind: 'same',
              line: `guy ${reaches.find((r) => r.kind === 'guy' && r.key.id !== key.id)!.key.id}`,
            },
          },
        },
      },
    } as RidgeRig;
    expect(unknownShape(pitchModel(tied, context)).some((u) => u.kind === 'feet')).toBe(false);
  });
});

describe('what stands as it was measured', () => {
  const ids = (name: string): string[] => {
    const other = demo(name);
    return unknownShape(pitchModel(other.rig, other.context)).map((u) => u.id);
  };
  test('each form has the heights that it has', () => {
    expect(ids('gravel-spit-gable')).toEqual(['shape:tie0', 'shape:tie1', 'shape:edges']);
    expect(ids('prop-on-the-spit')).toEqual(['shape:prop']);
  });
  test('an edge on the ground stays there; another never comes down to it', () => {
    const pitch = rig.pitch!;
    const down: RidgeRig = { ...rig, pitch: { ...pitch, shape: { ...pitch.shape, edges: [0, 0.05] } } };
    expect(shaped(down, 'edges', -0.1).pitch!.shape.edges).toEqual([0, 0.021]);
    expect(shaped(down, 'edges', 0.1).pitch!.shape.edges[1]).toBeCloseTo(0.15, 12);
    expect(shaped(rig, 'tie1', 0.05).trunks.map((t) => t.tieHeight)).toEqual([
      rig.trunks[0].tieHeight,
      rig.trunks[1].tieHeight + 0.05,
    ]);
  });
});

describe('an end that comes to nothing', () => {
  const unknowns = unknownShape(pitchModel(rig, context)).slice(0, 1);
  const ends = (leftAt: (r: RidgeRig) => ArrayLike<number> | null) => effectsOf(rig, unknowns, [2, 0], leftAt)[0]!;
  test('without rest: beyond half-way there is none, and it is no change', () => {
    const e = ends((r) => (r.trunks[0].tieHeight > rig.trunks[0].tieHeight ? null : [1, 5]));
    expect([-3, -1, 0, 0.5, 1, 3].map((z) => restsAt(e, z))).toEqual([true, true, true, true, false, false]);
    expect(effectAt(e, 0, -Z95)).toBeCloseTo(Math.log(0.5), 12);
    expect(effectAt(e, 0, Z95)).toBe(0);
    // what has nothing left has no less
    expect(effectAt(e, 1, -Z95)).toBe(0);
  });
  test('where it cannot be pitched so, it does not stand so; any other mistake is told', () => {
    const e = ends(() => {
      throw new RigProblem('pitch.shape', 'too high');
    });
    expect(restsAt(e, 3) && effectAt(e, 0, 3) === 0).toBe(true);
    expect(() =>
      ends(() => {
        throw new TypeError('broken');
      }),
    ).toThrow('broken');
  });
});
