import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readRigFile, contextOf } from '@rough-bight/core/formats';
import { evaluatePitch } from '@rough-bight/core/pitch';
import { measuredSpan, pitchProblems } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import { windToward } from '@rough-bight/core/weather';
import { movedBy } from '../src/scene/moved.js';
import { bearingInRig, footNow, movedPitch, withGuy, withoutOwn } from '../src/scene/pitch-moves.js';

const file = readRigFile(readFileSync(join(process.cwd(), 'examples/rigs/gravel-spit-gable.rig.json'), 'utf8'));
const context = contextOf(file);
const { rig } = file;
const { body } = file.settings;
const { guys } = evaluatePitch(rig, context, { full: false }).result;
const foot = guys.find((g) => g.key === '01')!.foot;

describe('taking hold of a pitched rig', () => {
  test('a foot goes where the hand puts it, from where it stood, to the centimetre', () => {
    const next = movedPitch(rig, { kind: 'foot', key: '01' }, [0.2, 0.301, 0], guys, body);
    expect(next.pitch!.own['01']!.foot).toEqual([
      Math.round((foot[0] + 0.2) * 100) / 100,
      Math.round((foot[1] + 0.301) * 100) / 100,
    ]);
    expect(pitchProblems(next, context)).toEqual([]);
    // a key that is not there moves nothing
    expect(movedPitch(rig, { kind: 'foot', key: 'zz' }, [1, 1, 0], guys, body)).toBe(rig);
  });
  test('a foot let go of at a trunk is tied to it; taken off again it is pegged as the others are', () => {
    const span = measuredSpan(rig, body);
    const put = (r: RidgeRig, to: readonly [number, number], from = foot): RidgeRig =>
      movedPitch(
        r,
        { kind: 'foot', key: '01' },
        [to[0] - from[0], to[1] - from[1], 0],
        guys.map((g) => (g.key === '01' ? { ...g, foot: from } : g)),
        body,
      );
    const on = put(rig, [span - 0.1, 0.15]);
    expect(on.pitch!.own['01']).toMatchObject({ anchor: { kind: 'tree', tree: 'trunk1' }, foot: [span, 0] });
    expect(pitchProblems(on, context)).toEqual([]);
    const guy = guys.find((g) => g.key === '01')!;
    expect(footNow(on, body, guy)).toEqual([span, 0, guy.foot[2]]);
    // a hair's breadth does not take it off; a hand's does, and where it then is it stays
    expect(put(on, [span + 0.01, 0.01], [span, 0, 0])).toBe(on);
    const off = put(on, [span + 0.05, 0.05], [span, 0, 0]);
    expect(off.pitch!.own['01']).toEqual({ ...rig.pitch!.own['01'], foot: [span + 0.05, 0.05] });
    expect(footNow(off, body, guy)).toEqual([span + 0.05, 0.05, guy.foot[2]]);
    expect(put(rig, [span - 0.5, 0]).pitch!.own['01']!.anchor).toBeUndefined();
  });
  test('a sapling that one guy has catches another, never its own', () => {
    const sapling = { kind: 'stem', name: 'the sapling', wood: 'willow', girth: 0.3, height: 0.2, signs: [] } as const;
    const has = withGuy(rig, '11', { anchor: sapling, foot: [3, -4] });
    const near = movedPitch(has, { kind: 'foot', key: '01' }, [3.1 - foot[0], -4 - foot[1], 0], guys, body);
    expect(near.pitch!.own['01']!.anchor).toMatchObject({ kind: 'tree', tree: 'guy-tree 11' });
    const own = guys.find((g) => g.key === '11')!;
    const stays = movedPitch(has, { kind: 'foot', key: '11' }, [0.1, 0, 0], [{ ...own, foot: [3, -4, 0] }], body);
    expect(stays.pitch!.own['11']).toEqual({ anchor: sapling, foot: [3.1, -4] });
  });
  test('a tie, the roof, a hitch and an edge move only what they are, within their limits', () => {
    const around = { kit: context.kit, body, straps: null, sag: 0.1, guys };
    expect(movedBy(rig, { kind: 'tie', index: 1 }, [0, 0, 0.1], around).trunks.map((t) => t.tieHeight)).toEqual([
      1.7, 1.8,
    ]);
    expect(movedPitch(rig, { kind: 'roof' }, [0.25, 0, 0], guys, body).pitch!.middle).toBe(3.75);
    expect(movedPitch(rig, { kind: 'roof' }, [99, 0, 0], guys, body).pitch!.middle).toBeLessThan(7);
    const [out, inn] = [0, 1].map(
      (i) => movedPitch(rig, { kind: 'hitch', index: i as 0 | 1 }, [0.01, 0, 0], guys, body).pitch!.hitches,
    );
    // away from the roof is out, at either end
    expect(out![0].slid).toBeCloseTo(-0.01, 9);
    expect(inn![1].slid).toBeCloseTo(0.01, 9);
    expect(movedPitch(rig, { kind: 'edge', index: 0 }, [0, 0, -9], guys, body).pitch!.shape.edges).toEqual([0, 0.5]);
  });
  test('the wind comes from where the hand is', () => {
    for (const [x, y] of [
      [1, 0],
      [0, 1],
      [-0.6, 0.8],
      [0.3, -0.9],
    ] as const) {
      const turned = movedPitch(rig, { kind: 'wind' }, [0, 0, 0], guys, body, [x, y]).pitch!;
      const [wx, wy] = windToward(turned.windFrom, turned.bearing);
      expect(wx).toBeCloseTo(-x / Math.hypot(x, y), 1);
      expect(wy).toBeCloseTo(-y / Math.hypot(x, y), 1);
    }
    // x runs along the span, whose bearing it has
    expect(bearingInRig(rig, 1, 0)).toBeCloseTo(rig.pitch!.bearing, 2);
  });
  test('a guy gets its own ways and gives them up again', () => {
    const own = withGuy(withGuy(rig, '02', { haul: 70 }), '02', { off: true });
    expect(own.pitch!.own['02']).toEqual({ haul: 70, off: true });
    expect(withoutOwn(own, '02').pitch!.own).toEqual(rig.pitch!.own);
    expect(rig.pitch!.own['02']).toBeUndefined();
  });
});
