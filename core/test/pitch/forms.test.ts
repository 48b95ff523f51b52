import { describe, expect, test } from '@jest/globals';
import { QUIET, casesFor, gustCase } from '../../src/cases/index.js';
import { closure, evaluatePitch, layoutOf, pitchModel, solveCase, tieOff } from '../../src/pitch/index.js';
import type { PitchState, TiedRig } from '../../src/pitch/index.js';
import type { Engine } from '../../src/net/index.js';
import { GRAVITY } from '../../src/quantity/index.js';
import type { Pitch } from '../../src/rig/index.js';
import { PITCH_FORMS, PITCH_TRAITS, formOf, openSide, roofMass } from '../../src/roof/index.js';
import type { PitchForm } from '../../src/roof/index.js';
import { contextFor, rigOf, roofFor, squareRoof } from './helper.js';

/** Force on the whole rig in a state, N: supports, own weight and wind; zero in equilibrium. */
function outOfBalance({ engine }: TiedRig, s: PitchState): { sum: number[]; supports: number[]; largest: number } {
  const { structure } = engine;
  const { numbers } = s;
  const supports = [0, 0, 0];
  const sum = [0, 0, 0];
  for (let n = 0; n < structure.nodes; n++)
    for (let c = 0; c < 3; c++) {
      supports[c]! += numbers.reaction[3 * n + c]!;
      sum[c]! += numbers.reaction[3 * n + c]! + numbers.ground[3 * n + c]! + structure.load[3 * n + c]!;
    }
  for (let i = 0; i < structure.area.length; i++) {
    sum[2]! -= structure.panelWeight[i]! * structure.area[i]!;
    const [a, b, c] = [0, 1, 2].map((k) => 3 * structure.corner[3 * i + k]!) as [number, number, number];
    const u = [0, 1, 2].map((k) => numbers.at[b + k]! - numbers.at[a + k]!) as [number, number, number];
    const v = [0, 1, 2].map((k) => numbers.at[c + k]! - numbers.at[a + k]!) as [number, number, number];
    const normal = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]];
    for (let k = 0; k < 3; k++) sum[k]! += (numbers.pressure[i]! * normal[k]!) / 2;
  }
  return { sum, supports, largest: Math.max(...numbers.tension) };
}

/** The node that mirrors each one, across the ridge (`y`) or across the middle of the span (`x`). */
function mirrored(rig: TiedRig, axis: 'x' | 'y'): number[] {
  const { flat } = rig.model.mesh;
  return Array.from({ length: flat.length / 2 }, (_, n) => {
    const [s, t] = [flat[2 * n]! * (axis === 'x' ? -1 : 1), flat[2 * n + 1]! * (axis === 'y' ? -1 : 1)];
    for (let m = 0; m < flat.length / 2; m++) if (Math.hypot(flat[2 * m]! - s, flat[2 * m + 1]! - t) < 1e-6) return m;
    return -1;
  });
}

/** A form's shape the other of its two ways: an awning thrown back, the other flank opened. */
const otherWay = (form: PitchForm): Pitch['shape'] => {
  const { shape } = rigOf(form, roofFor(form)).pitch!;
  const { of } = formOf(form).either!;
  return { ...shape, [of]: (shape[of] ?? 0) > 0 ? 0 : 1 };
};

/** Every form as it is usually pitched, those with a ridgeline once more tied by their ends, those of two ways the other way. */
const WAYS: readonly (readonly [called: string, form: PitchForm, part: Partial<Pitch>])[] = [
  ...PITCH_FORMS.map((form) => [form, form, {}] as const),
  ...PITCH_FORMS.filter((form) => PITCH_TRAITS[form].hangs === 'ridge').map(
    (form) => [`${form} tied by its ends`, form, { line: 'none' }] as const,
  ),
  ...PITCH_FORMS.filter((form) => formOf(form).either !== undefined).map(
    (form) => [`${form} the other way`, form, { shape: otherWay(form) }] as const,
  ),
];

describe.each(WAYS)('the form %s', (_, form, part) => {
  const roof = roofFor(form);
  const context = contextFor(roof);
  const rig = rigOf(form, roof, part);
  const tied = tieOff(pitchModel(rig, context), { atOnce: true });

  test('closes: no flat piece is stretched, and every point of the cloth has its place over the ground', () => {
    const { plan, setting } = layoutOf(rig, context);
    const { stretched, slack } = closure(plan);
    expect(stretched).toBeLessThan(0.005);
    expect(slack).toBeGreaterThan(-0.3);
    for (const k of plan.keys) expect(k.at[2]).toBeGreaterThan(setting.ground(k.at[0], k.at[1]) - 1e-9);
    // the pieces cover the cloth once
    const byId = new Map(plan.keys.map((k) => [k.id, k.flat]));
    const area = plan.facets.reduce((sum, f) => {
      const [a, b, c] = f.map((id) => byId.get(id)!) as unknown as [
        readonly number[],
        readonly number[],
        readonly number[],
      ];
      return sum + Math.abs((b[0]! - a[0]!) * (c[1]! - a[1]!) - (c[0]! - a[0]!) * (b[1]! - a[1]!)) / 2;
    }, 0);
    expect(area).toBeCloseTo(roof.length * roof.width, 6);
  });

  test('solves, as pitched and on a wet night', () => {
    expect(tied.pitched.numbers.reason).toBeNull();
    expect(tied.pitched.numbers.converged).toBe(true);
    const wet = solveCase(
      tied,
      QUIET.find((c) => c.kind === 'wet')!,
    );
    expect(wet.numbers.converged).toBe(true);
    solveCase(tied, tied.pitched.case);
  });

  test('balances as a whole: what the supports bear is the weight, and in wind the weight and the wind', () => {
    const weight = roofMass(roof) * GRAVITY;
    const calm = outOfBalance(tied, solveCase(tied, tied.pitched.case));
    for (const f of calm.sum) expect(Math.abs(f)).toBeLessThan(1e-4 * calm.largest);
    const { ground } = tied.pitched.numbers;
    const lain = ground.reduce((sum, f, i) => sum + (i % 3 === 2 ? f : 0), 0);
    expect(calm.supports[2]! + lain).toBeGreaterThan(weight * 0.99);
    expect(calm.supports[2]! + lain).toBeLessThan(weight + 1);
    const windy = solveCase(tied, gustCase({ speed: 7, from: 0, law: 'plate' }, false));
    expect(windy.numbers.reason).toBeNull();
    expect(windy.luffing).toBe(false);
    const w = outOfBalance(tied, windy);
    for (const f of w.sum) expect(Math.abs(f)).toBeLessThan(1e-4 * w.largest);
    solveCase(tied, tied.pitched.case);
  });

  // the closed form has one end unlike the other, and the prop and the wedge have a front; all mirror across the ridge
  // but those whose flanks differ by design
  const axis = ['storm', 'leanto', 'threesided', 'window', 'tube', 'canopy'].includes(form) ? 'x' : 'y';
  // on the diagonal warp and weft change places, which the cloth is not alike in
  if (['diagonal', 'wedge', 'lifted', 'diamond'].includes(form)) return;
  test('is as symmetric as its inputs', () => {
    const state = tieOff(pitchModel(rig, context), { atOnce: true }).pitched;
    const { at } = state.numbers;
    const middle = rig.pitch!.middle;
    mirrored(tied, axis).forEach((m, n) => {
      if (m < 0) return;
      const of = (k: number): number[] => [at[3 * k]!, at[3 * k + 1]!, at[3 * k + 2]!];
      const [a, b] = [of(n), of(m)];
      expect(b[0]).toBeCloseTo(axis === 'x' ? 2 * middle - a[0]! : a[0]!, 2);
      expect(b[1]).toBeCloseTo(axis === 'y' ? -a[1]! : a[1]!, 2);
      expect(b[2]).toBeCloseTo(a[2]!, 2);
    });
  });
});

describe('what a ridge does in time and wet, it does all along', () => {
  const square = squareRoof(3);
  const rig = rigOf('gable', square);
  const tied = tieOff(pitchModel(rig, contextFor(square)), { atOnce: true });
  const cases = casesFor('roof', rig, null).filter((c) => c.since > 0 || c.environment.wet);
  const ridgeOf = ({ structure: s }: Engine) => {
    const i = s.lineId.indexOf('ridge');
    return { rest: s.rest[i]!, seats: [...s.passAt.subarray(s.passStart[i]!, s.passStart[i + 1]!)] };
  };
  const dry = ridgeOf(tied.engine);
  test.each(cases.map((c) => [c.id, c] as const))('%s: what sits on it goes with its place', (_, c) => {
    const state = solveCase(tied, c, { slip: false });
    const now = ridgeOf(tied.engine);
    expect(now.rest).not.toBe(dry.rest);
    now.seats.forEach((at, j) => expect(at / now.rest).toBeCloseTo(dry.seats[j]! / dry.rest, 12));
    // a mirrored rig stays mirrored: neither end takes all of it
    expect(state.ridgeEnds[0]).toBeGreaterThan(1);
    expect(state.ridgeEnds[0] / state.ridgeEnds[1]).toBeCloseTo(1, 3);
    expect(state.hitches[0]!.inside / state.hitches[1]!.inside).toBeCloseTo(1, 3);
  });
  test('there are some of each', () => {
    expect(cases.filter((c) => c.environment.wet).length).toBeGreaterThan(0);
    expect(cases.filter((c) => !c.environment.wet).length).toBeGreaterThan(0);
  });
});

describe('what shapes a form', () => {
  const square = squareRoof(3);
  const context = contextFor(square);
  test('guys follow the cloth: a corner’s at 45 degrees in plan on a square, a middle’s straight out', () => {
    const { reaches } = layoutOf(rigOf('gable', square), context);
    const corner = reaches.find((r) => r.key.id === '02')!;
    const middle = reaches.find((r) => r.key.id === '01')!;
    const plan = (r: typeof corner): number => Math.atan2(r.foot[1] - r.key.at[1], r.foot[0] - r.key.at[0]);
    expect(plan(middle)).toBeCloseTo(Math.PI / 2, 6);
    // on the extension of the line from the middle of the ridge through the corner
    expect(plan(corner)).toBeCloseTo(Math.atan2(corner.key.at[1], corner.key.at[0] - 3.5), 6);
    expect(plan(corner)).toBeGreaterThan(0.5);
    expect(plan(corner)).toBeLessThan(1);
  });
  test('an edge too high to be drawn down by a guy gets a stick under it', () => {
    expect(layoutOf(rigOf('gable', square), context).sticks).toHaveLength(0);
    const flying = layoutOf(rigOf('flying', square), context);
    expect(flying.sticks.length).toBeGreaterThanOrEqual(5);
    for (const s of flying.sticks) expect(s.key.at[2] - s.foot[2]).toBeGreaterThan(1);
  });
  test('a diamond’s top corner thrown back over the ridge is tied behind it, closes and solves', () => {
    const rig = rigOf('diamond', square, {}, {});
    const thrown = { ...rig, pitch: { ...rig.pitch!, shape: { ...rig.pitch!.shape, awning: 0 } } };
    const { plan, reaches } = layoutOf(thrown, context);
    expect(closure(plan).stretched).toBeLessThan(0.005);
    expect(reaches.find((r) => r.key.id === 'fm')!.foot[1]).toBeLessThan(0);
    expect(tieOff(pitchModel(thrown, context)).pitched.numbers.converged).toBe(true);
  });
  test('one without tie-outs is gathered, and the tool says where', () => {
    const bare = squareRoof(3, { tieOuts: [] });
    const { gathered, reaches } = layoutOf(rigOf('gable', bare), contextFor(bare));
    expect(gathered).toContain('first left corner');
    expect(reaches.every((r) => r.hold === 'gathered')).toBe(true);
    // no tie-out in the middle of an edge: none is guyed there
    expect(reaches.map((r) => r.key.id)).not.toContain('01');
  });
  test.each([
    ['gable', { trunks: 2.6 }, 'pitch.shape.edges.0', /Lower the ridge/],
    ['prop', { prop: 2.4 }, 'pitch.shape.prop', /too high for this cloth/],
    ['threesided', { trunks: 1.9 }, 'trunks.0.tieHeight', /too narrow/],
    ['closed', { trunks: 1.45 }, 'trunks.0.tieHeight', /too short to close/],
    ['wedge', { trunks: 2.95 }, 'trunks.0.tieHeight', /Tie it lower/],
  ] as const)('%s that cannot be names the number to change', (form, change, field, message) => {
    const rig = rigOf(form, square);
    const height = 'trunks' in change ? change.trunks : undefined;
    const next = {
      ...rig,
      trunks: rig.trunks.map((t) => ({ ...t, tieHeight: height ?? t.tieHeight })) as unknown as typeof rig.trunks,
      pitch: { ...rig.pitch!, shape: { ...rig.pitch!.shape, ...('prop' in change ? { prop: change.prop } : {}) } },
    };
    let problem: { field?: string; message?: string } = {};
    try {
      layoutOf(next, context);
    } catch (error) {
      problem = error as typeof problem;
    }
    expect(problem.field).toBe(field);
    expect(problem.message).toMatch(message);
  });
  test('a window in the left flank is the one in the right, mirrored, and open on that side', () => {
    const rig = rigOf('window', square);
    const other = { ...rig, pitch: { ...rig.pitch!, shape: otherWay('window') } };
    const at = (of: typeof rig, name: string) => layoutOf(of, context).plan.keys.find((k) => k.name === name)!.at;
    const [right, left] = [at(rig, 'window'), at(other, 'window')];
    expect(right[1]).toBeLessThan(0);
    expect(left).toEqual([right[0], -right[1], right[2]]);
    expect(at(other, 'first left corner')[0]).toBeCloseTo(at(rig, 'first right corner')[0], 12);
    expect(openSide(formOf('window'), rig.pitch!.shape)).toBe('right');
    expect(openSide(formOf('window'), other.pitch.shape)).toBe('left');
    // a form that has no such choice is open where it always is
    expect(openSide(formOf('leanto'), other.pitch.shape)).toBe(formOf('leanto').open);
    expect(openSide(formOf('gable'), other.pitch.shape)).toBeNull();
  });
  test('a higher ridge gives more room and a steeper flank covers less ground', () => {
    const at = (height: number) => {
      const rig = rigOf('gable', square);
      const trunks = rig.trunks.map((t) => ({ ...t, tieHeight: height })) as unknown as typeof rig.trunks;
      return evaluatePitch({ ...rig, trunks }, context, { full: false }).result.cover;
    };
    const [low, high] = [at(1.3), at(1.8)];
    expect(high.headroom).toBeGreaterThan(low.headroom + 0.4);
    expect(high.ground).toBeLessThan(low.ground);
  });
});
