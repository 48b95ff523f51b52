import { expect, test } from '@jest/globals';
import { evaluatePitch, solvePitch } from '../../src/pitch/index.js';
import type { Evaluated, Solved } from '../../src/pitch/index.js';
import type { RidgeRig } from '../../src/rig/index.js';
import { demo } from '../shelter/helper.js';

const SPARING = { full: true, spreads: false, rising: false } as const;
const QUIET = new Set<string>();
const solvedOf = ({ tied, readings }: Evaluated): Solved => ({ tied, states: readings.map((r) => r.state) });
const harder = (rig: RidgeRig): RidgeRig => ({
  ...rig,
  pitch: { ...rig.pitch!, guy: { ...rig.pitch!.guy, haul: 1.2 * rig.pitch!.guy.haul } },
});
/** Steps to the last balance of each case, together. */
const work = (e: Evaluated): number => e.readings.reduce((sum, r) => sum + r.state.numbers.iterations, 0);

test.each(['wedge-on-one-willow', 'mess-roof'])(
  'a rig hauled harder comes to the same whether it begins from the rig as it was or from nothing: %s',
  (name) => {
    const { rig, context } = demo(name);
    const before = evaluatePitch(rig, context, SPARING);
    const cold = evaluatePitch(harder(rig), context, SPARING);
    const warm = evaluatePitch(harder(rig), context, { ...SPARING, like: solvedOf(before) });
    expect(warm.result.cases.map((c) => [c.id, c.converged, c.luffing])).toEqual(
      cold.result.cases.map((c) => [c.id, c.converged, c.luffing]),
    );
    const largest = Math.max(...cold.result.cases.map((c) => c.tension));
    warm.result.cases.forEach((c, k) => {
      expect(Math.abs(c.tension - cold.result.cases[k]!.tension)).toBeLessThan(0.01 * largest);
    });
    // it is another rig than before, and it was less work
    expect(cold.result.rows[0]!.links[0]!.judgement.ratio).not.toBeCloseTo(
      before.result.rows[0]!.links[0]!.judgement.ratio,
      3,
    );
    expect(work(warm)).toBeLessThan(work(cold));
  },
);

test('a rig of other lines is no rig like it: nothing begins from there', () => {
  const mess = demo('mess-roof');
  const other = evaluatePitch(mess.rig, mess.context, SPARING);
  const { rig, context } = demo('prop-on-the-spit');
  const [alone, beside] = [undefined, solvedOf(other)].map(
    (like) => evaluatePitch(rig, context, { ...SPARING, among: QUIET, ...(like === undefined ? {} : { like }) }).result,
  );
  expect(beside!.cases.map((c) => c.tension)).toEqual(alone!.cases.map((c) => c.tension));
});

test.each(['prop-on-the-spit', 'mess-roof'])(
  'with its calm cases known a rig comes to what it comes to alone: %s',
  (name) => {
    const { rig, context } = demo(name);
    const alone = evaluatePitch(rig, context, SPARING).result;
    const solved = solvePitch(rig, context, { ...SPARING, among: QUIET });
    expect(solved.states.length).toBeGreaterThan(3);
    const after = evaluatePitch(rig, context, { ...SPARING, solved }).result;
    expect(after.cases.map((c) => [c.id, c.luffing])).toEqual(alone.cases.map((c) => [c.id, c.luffing]));
    after.cases.forEach((c, k) => expect(Math.abs(c.tension / alone.cases[k]!.tension - 1)).toBeLessThan(1e-5));
  },
);
