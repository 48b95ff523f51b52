import { describe, expect, test } from '@jest/globals';
import { QUIET } from '../../src/cases/index.js';
import { ofCode } from '../../src/findings/index.js';
import {
  MIDDLES,
  evaluatePitch,
  layoutOf,
  middleIn,
  overSleepers,
  pitchModel,
  solveCase,
  tieOff,
  withMiddle,
} from '../../src/pitch/index.js';
import type { Middle } from '../../src/pitch/index.js';
import type { RidgeRig } from '../../src/rig/index.js';
import type { PitchForm } from '../../src/roof/index.js';
import { contextFor, rigOf, squareRoof } from './helper.js';

const roof = squareRoof(3);
const context = contextFor(roof);
const heightOf = (rig: RidgeRig): number => {
  const model = pitchModel(rig, context);
  const { pitched } = tieOff(model, { atOnce: true });
  expect(pitched.numbers.converged).toBe(true);
  return pitched.numbers.at[3 * model.mesh.nodeAt(0, 0) + 2]!;
};
const held = (rig: RidgeRig, how: Middle): RidgeRig => ({
  ...rig,
  pitch: withMiddle(rig.pitch!, middleIn(layoutOf(rig, context), rig.pitch!)!, how),
});

describe.each(['leanto', 'wedge', 'prop', 'diamond', 'tube'] as PitchForm[])('the middle of the form %s', (form) => {
  const rig = rigOf(form, roof);
  test('hangs as its form has it until it is drawn up or propped, which lifts it', () => {
    expect(middleIn(layoutOf(rig, context), rig.pitch!)!.how).toBe('hangs');
    const hangs = heightOf(rig);
    for (const how of ['cord', 'stick'] as const) {
      const now = held(rig, how);
      expect(middleIn(layoutOf(now, context), now.pitch!)!.how).toBe(how);
      expect(heightOf(now)).toBeGreaterThan(hangs + 0.02);
      expect(held(now, 'hangs').pitch).toEqual(rig.pitch);
    }
  });
  test('a stick is as long as it is told: the cloth stands on its head', () => {
    const now = held(rig, 'stick');
    const { sticks } = layoutOf(now, context);
    const stick = sticks.find((s) => s.key.role.to === 'up')!;
    const model = pitchModel(now, context);
    const { at } = tieOff(model, { atOnce: true }).pitched.numbers;
    const n = 3 * model.mesh.nodeAt(0, 0);
    // it may lean, and a straight green stick hardly shortens
    const long = Math.hypot(at[n]! - stick.foot[0], at[n + 1]! - stick.foot[1], at[n + 2]! - stick.foot[2]);
    expect(long / stick.length!).toBeCloseTo(1, 3);
  });
  test('a cord pulls as it was hauled, straight up, from a branch that gives', () => {
    const now = held(rig, 'cord');
    const model = pitchModel(now, context);
    const tied = tieOff(model, { atOnce: true });
    const k = model.members.findIndex((m) => m.reach?.key.role.to === 'up');
    const m = model.members[k]!;
    expect(tied.tension[k]! / m.haul).toBeCloseTo(1, 1);
    const { structure: s } = tied.engine;
    const n = 3 * s.nodeIndex.get(m.foot)!;
    const came = m.reach!.foot[2] - tied.pitched.numbers.at[n + 2]!;
    expect(came).toBeGreaterThan(0);
    expect(came).toBeLessThan(0.2);
    const soaked = solveCase(
      tied,
      QUIET.find((c) => c.kind === 'wet')!,
    );
    expect(Number.isFinite(soaked.numbers.residual)).toBe(true);
  });
});

describe('what may be done with the middle', () => {
  test('nothing where it lies on the ridge or is held by the form', () => {
    for (const form of ['gable', 'lifted', 'low'] as const)
      expect(middleIn(layoutOf(rigOf(form, roof), context), rigOf(form, roof).pitch!)).toBeNull();
    expect(Object.keys(MIDDLES)).toEqual(['hangs', 'cord', 'stick']);
  });
  test('drawn up to what is no higher it is refused at the place, with the remedy', () => {
    const rig = rigOf('leanto', roof);
    const peg = { ...rig, pitch: { ...rig.pitch!, own: { up: { off: false, stick: 0 } } } };
    expect(() => layoutOf(peg, context)).toThrow(/branch/);
  });
  test('a branch is judged, warned of, and its cord goes up, over and down', () => {
    const now = held(rigOf('leanto', roof), 'cord');
    const { result } = evaluatePitch(now, context, { full: true, spreads: false, rising: false });
    const row = result.rows.find((r) => r.id === 'guy up')!;
    expect(row.links.map((l) => l.link.id)).toContain('guy up:anchor');
    expect(ofCode(result.findings, 'branch')).toHaveLength(1);
    const { height } = now.pitch!.own['up']!.anchor as { height: number };
    const { cut } = row;
    expect(cut!.between + cut!.travel).toBeGreaterThan(height - 1.2 + 0.5);
    expect(result.guys.find((g) => g.id === 'guy up')!.trips).toBe(false);
  });
});

describe('over whoever lies there', () => {
  const lying = { id: 'a', kind: 'sleeper', name: '', at: [4.03, 0.5], toward: 0 } as const;
  test('the roof’s middle goes over the middle of the sleepers, in steps that hands have; packs do not count', () => {
    const rig = rigOf('leanto', roof);
    expect(overSleepers(rig)).toBeNull();
    expect(overSleepers({ ...rig, under: [{ ...lying, kind: 'pack' }] })).toBeNull();
    const two = overSleepers({ ...rig, under: [lying, { ...lying, id: 'b', at: [3.01, 0] }] })!;
    expect(two.middle).toBeCloseTo(3.5, 9);
    expect({ ...two, middle: rig.pitch!.middle }).toEqual(rig.pitch);
  });
});
