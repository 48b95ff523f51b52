import { describe, expect, test } from '@jest/globals';
import { evaluatePitch } from '../../src/pitch/index.js';
import { roofSaid } from '../said.js';
import type { PitchResult } from '../../src/pitch/index.js';
import { demo } from '../shelter/helper.js';

/** Least that any place that the wind pulls on has left, over every bearing and law. */
const least = (r: PitchResult): number => Math.min(...r.rose.map((x) => x.left));
const judged = (name: string, speed?: number): PitchResult => {
  const { rig, context } = demo(name);
  return evaluatePitch(rig, context, {
    full: true,
    spreads: false,
    rising: speed === undefined,
    ...(speed === undefined ? {} : { wind: { speed, from: null } }),
  }).result;
};

describe('the wind in which something lets go first', () => {
  // found from a few cases, checked on all of them: sixteen bearings under every law, dry and soaked
  test.each([
    'hammock-fly',
    'shade-sail',
    'mess-roof',
    'fire-side-lean-to',
    'gravel-spit-gable',
    'folded-three-sides',
    'closed-end-for-a-cold-night',
    'storm-side-down',
    'prop-on-the-spit',
  ])('%s: in it, and from no bearing before it', (name) => {
    const { letsGo, gust } = judged(name);
    const first = letsGo.find((l) => l.gust !== null && l.gust > 0)!.gust!;
    expect(first).toBeGreaterThan(0.1 * gust);
    const at = least(judged(name, first));
    expect(at).toBeGreaterThan(0.9);
    expect(at).toBeLessThan(1.06);
    expect(least(judged(name, 0.85 * first))).toBeGreaterThan(1);
  });
});

describe('what another bearing would do', () => {
  test('is told where it is much, from the solved bearings themselves', () => {
    const { rig, context } = demo('fire-side-lean-to');
    const r = judged('fire-side-lean-to');
    const { detail } = roofSaid(rig, r, context.body);
    const said =
      /named, from the (\S+), it holds (\d\.\d) times the pull; turned by (\d+)° (\S+) it would hold (\d\.\d)/.exec(
        detail,
      )!;
    expect(said).not.toBeNull();
    const from = rig.pitch!.windFrom + ((said[4] === 'clockwise' ? -1 : 1) * Number(said[3]) * Math.PI) / 180;
    const near = (a: number, b: number): boolean => Math.abs(Math.atan2(Math.sin(a - b), Math.cos(a - b))) < 0.06;
    const left = (bearing: number): number =>
      Math.min(...r.rose.filter((x) => near(x.from, bearing)).map((x) => x.left));
    expect(left(rig.pitch!.windFrom)).toBeCloseTo(Number(said[2]), 1);
    expect(left(from)).toBeCloseTo(Number(said[5]), 1);
  });
});
