import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  FIRE_FROM_CLOTH,
  LEE,
  WALL_KINDS,
  fireBy,
  fireFindings,
  fireFrom,
  fireToLee,
  fromSheet,
  leftBehind,
  wallToWindward,
  windPast,
  withWalls,
} from '../../src/around/index.js';
import type { Fire, Sheet, Wall } from '../../src/around/index.js';
import { dryNight } from '../../src/dry/index.js';
import { contextOf, readRigFile, writeRigFile } from '../../src/formats/index.js';
import { evaluatePitch } from '../../src/pitch/index.js';
import type { RidgeRig } from '../../src/rig/index.js';
import { holds, judgeRig } from '../../src/shelter/index.js';
import { lyingUnder } from '../../src/under/index.js';
import type { Lying } from '../../src/under/index.js';
import { windToward } from '../../src/weather/index.js';
import { codesOf, toldOf } from '../said.js';

const level = (): number => 0;
/** A flat cloth 4 by 3 m, 1.5 m up, its middle over the origin. */
const cloth: Sheet = {
  corners: Int32Array.from([0, 1, 2, 0, 2, 3]),
  at: [-2, -1.5, 1.5, 2, -1.5, 1.5, 2, 1.5, 1.5, -2, 1.5, 1.5],
};
const wall = (part: Partial<Wall> = {}): Wall => ({
  id: 'w',
  kind: 'brush',
  at: [0, 3],
  toward: 0,
  length: 5,
  height: 1,
  ...part,
});

describe('wind behind a wall', () => {
  test('is never more than in the open, least some heights behind it, and all of it far off', () => {
    for (const kind of WALL_KINDS) {
      fc.assert(
        fc.property(fc.double({ min: 0, max: 60, noNaN: true }), (h) => {
          const left = leftBehind(kind, h);
          expect(left).toBeGreaterThan(0);
          expect(left).toBeLessThanOrEqual(1);
        }),
      );
      expect(leftBehind(kind, 40)).toBe(1);
      for (const [h, left] of LEE[kind]) expect(leftBehind(kind, h)).toBeCloseTo(left, 12);
    }
    // brush shelters farther, a bank more nearby
    expect(leftBehind('bank', 2)).toBeLessThan(leftBehind('brush', 2));
    expect(leftBehind('brush', 8)).toBeLessThan(leftBehind('bank', 8));
  });
  test('a place behind it has what is left there; in front, beside and above it all of the wind', () => {
    const past = (at: readonly [number, number, number], way: readonly [number, number] = [0, 1]): number =>
      windPast([wall()], at, way, level);
    expect(past([0, 0, 0.25])).toBeCloseTo(leftBehind('brush', 3), 12);
    expect(past([0, 5, 0.25])).toBe(1);
    expect(past([4, 0, 0.25])).toBe(1);
    expect(past([0, 0, 1.2])).toBe(1);
    // with the wind along it
    expect(past([0, 0, 0.25], [1, 0])).toBe(1);
    // of two the better, not their product: the second stands in air that is slow already
    expect(windPast([wall(), wall({ id: 'v', at: [0, 6] })], [0, 0, 0.25], [0, 1], level)).toBeCloseTo(
      leftBehind('brush', 3),
      12,
    );
  });
  test('turned with everything else it shelters as much', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (a, x) => {
          const turn = ([u, v]: readonly [number, number]): [number, number] => [
            u * Math.cos(a) - v * Math.sin(a),
            u * Math.sin(a) + v * Math.cos(a),
          ];
          const turned = wall({ at: turn([0, 3]), toward: a });
          fc.pre(Math.abs(Math.abs(x) - 2.5) > 1e-6);
          expect(windPast([turned], [...turn([x, 0]), 0.2], turn([0, 1]), level)).toBeCloseTo(
            windPast([wall()], [x, 0, 0.2], [0, 1], level),
            9,
          );
        },
      ),
    );
  });
});

describe('rain behind a wall', () => {
  test('what drives in under the cloth is kept off as far behind it as rain falls from its top', () => {
    // rain that goes toward -y, a metre and a half for each it falls
    const slant = [0, -1.5] as const;
    const dry = (y: number, walls: readonly Wall[]): number =>
      lyingUnder({ ...cloth, ground: level, slant, upwind: [0, 1], walls }).dry({
        id: 's',
        kind: 'sleeper',
        name: '',
        at: [0, y],
        toward: 0,
      } satisfies Lying);
    // under the middle the cloth keeps it off no more: 1.5 m up and 2.25 m of drift
    expect(dry(1.1, [])).toBe(0);
    expect(dry(1.1, [wall({ at: [0, 1.6] })])).toBe(1);
    // its shadow is a metre and a half: in front of it is none
    expect(dry(1.1, [wall({ at: [0, 0.5] })])).toBe(0);
    expect(withWalls(cloth, [], level)).toBe(cloth);
  });
});

describe('a fire', () => {
  const by = (
    at: readonly [number, number],
    upwind: readonly [number, number] | null = [0, 1],
  ): ReturnType<typeof fireBy> => fireBy({ at: [...at] }, [], cloth, upwind, 4);
  test('its distance is to the shadow of the cloth, and under it nothing', () => {
    expect(fromSheet([0, 0], cloth)).toBe(0);
    expect(fromSheet([0, 4.5], cloth)).toBeCloseTo(3, 12);
    expect(fromSheet([5, 5.5], cloth)).toBeCloseTo(5, 12);
    expect(codesOf(fireFindings(by([0.3, 0.2])))).toEqual(['fire-under', 'fire']);
  });
  test('to windward sparks blow onto the cloth, to leeward not, in a calm nowhere', () => {
    expect(by([0, 5.9]).windward).toBe(true);
    expect(by([0, -5.9]).windward).toBe(false);
    expect(by([0, 5.9], null).windward).toBe(false);
    expect(by([12, 5.9]).windward).toBe(false);
  });
  test('the harder the wind the farther off it belongs', () => {
    expect(fireFrom(0)).toBe(FIRE_FROM_CLOTH);
    for (let b = 1; b <= 12; b++) expect(fireFrom(b)).toBeGreaterThanOrEqual(fireFrom(b - 1));
    expect(codesOf(fireFindings(by([0, -4])))).toContain('fire-near');
    expect(codesOf(fireFindings(by([0, -6])))).toEqual(['fire']);
  });
  test('a wall of brush catches, a bank does not', () => {
    const fire: Fire = { at: [0, -6] };
    const near = (kind: Wall['kind']): string[] =>
      codesOf(fireFindings(fireBy(fire, [wall({ kind, at: [0, -7] })], cloth, [0, 1], 4)));
    expect(near('brush')).toContain('fire-near');
    expect(near('bank')).toEqual(['fire']);
  });
  test('where it is put, and where a wall is, needs no word: whatever the wind', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 6.28, noNaN: true }), fc.integer({ min: 1, max: 10 }), (a, beaufort) => {
        const upwind = [Math.cos(a), Math.sin(a)] as const;
        const put = fireToLee(cloth, upwind, beaufort);
        const brush = wallToWindward('w', 'brush', cloth, upwind);
        expect(codesOf(fireFindings(fireBy(put, [brush], cloth, upwind, beaufort)))).toEqual(['fire']);
        expect(windPast([brush], [0, 0, 0.3], upwind, level)).toBeLessThan(0.7);
      }),
      { seed: 5, numRuns: 60 },
    );
  });
});

describe('round a rig', () => {
  const text = readFileSync(join(process.cwd(), 'examples/rigs/mess-roof.rig.json'), 'utf8');
  const file = readRigFile(text);
  const context = contextOf(file);
  const under: Lying[] = [{ id: 's', kind: 'sleeper', name: '', at: [4, 1.2], toward: 0 }];
  const rig: RidgeRig = { ...file.rig, under };
  const quick = (r: RidgeRig): ReturnType<typeof evaluatePitch>['result'] =>
    evaluatePitch(r, context, { full: false }).result;
  const bare = quick(rig);
  const roof: Sheet = { corners: bare.topology.corners, at: bare.shapes[0]!.at };
  const { windFrom, bearing } = rig.pitch!;
  const [wx, wy] = windToward(windFrom, bearing);
  const brush = wallToWindward('w', 'brush', roof, [-wx, -wy]);
  test('a wall changes what is felt and never a pull', () => {
    const walled = quick({ ...rig, walls: [{ ...brush, length: 20, height: 2 }] });
    expect(walled.rows.map((r) => r.demand.value)).toEqual(bare.rows.map((r) => r.demand.value));
    expect(walled.under!.things[0]!.open).toBeLessThanOrEqual(bare.under!.things[0]!.open);
  });
  test('a fire under the cloth keeps it from holding, and that is the first thing said', () => {
    const lit = { ...rig, fire: { at: [...bare.cover.headroomAt] as [number, number] } };
    const { report } = judgeRig(lit, context, { full: true, spreads: false, wind: null });
    expect(report.findings[0]!.code).toBe('fire-under');
    expect(holds(report)).toBe(false);
    expect(toldOf(report.findings).some((t) => t.includes('Local fire rules'))).toBe(true);
  });
  test('walls and fire go into the rig’s file and out of it again', () => {
    const put: RidgeRig = { ...rig, walls: [brush], fire: { at: [3, -6] } };
    const again = readRigFile(writeRigFile({ ...file, rig: put }));
    expect(again.rig).toEqual(put);
  });
  test('hour by hour of a forecast a wall keeps ground dry that rain would reach', () => {
    const hour = { time: 0, wind: 12, gust: 16, from: windFrom, rain: 3, temperature: 8, humidity: 90, pressure: 1000 };
    const forecast = [hour] as unknown as Parameters<typeof dryNight>[3];
    const under = (walls: Wall[]): ReturnType<typeof dryNight>['hours'][number] =>
      dryNight({ ...rig, walls }, context, null, forecast).hours[0]!;
    const [open, walled] = [under([]), under([{ ...brush, length: 20, height: 2 }])];
    expect(walled.area).toBeGreaterThan(open.area);
    // what a wall keeps off runs into no pail
    expect(walled.pail).toBeCloseTo(open.pail, 9);
  });
});
