import { describe, expect, test } from '@jest/globals';
import { ofCode } from '../../src/findings/index.js';
import { HANGS, evaluatePitch, leadsOf, pitchModel, tieOff, withDrip } from '../../src/pitch/index.js';
import type { RidgeRig } from '../../src/rig/index.js';
import { hasDrip, rigProblems } from '../../src/rig/index.js';
import { liesAt } from '../../src/under/index.js';
import type { Lying } from '../../src/under/index.js';
import { contextFor, rigOf, squareRoof } from './helper.js';

const roof = squareRoof(3);
const context = contextFor(roof);
const gable = rigOf('gable', roof);
const leads = (rig: RidgeRig) => leadsOf(tieOff(pitchModel(rig, context), { atOnce: true }), rig.under);
const sleeper: Lying = { id: 's', kind: 'sleeper', name: 'Hazel', at: [3.5, 0], toward: 0 };

describe('water along the lines of a roof', () => {
  test('runs in along a ridgeline under its cloth from both trees to its lowest place, and drips on who lies there', () => {
    const found = leads({ ...gable, under: [sleeper] });
    expect(found.map((l) => l.id)).toEqual(['ridge0', 'ridge1']);
    for (const l of found) {
      expect(l.runsIn).toBe(true);
      expect(l.on).toEqual(['Hazel']);
      expect(l.drips[0]).toBeCloseTo(3.5, 1);
      // the line comes under the cloth where that begins: half a roof's length from the middle
      expect(l.edge).toBeCloseTo(2, 0);
      expect(l.tailAt).toBeGreaterThan(l.edge);
    }
  });
  test('not along one over the cloth; and along the cords of one tied by its ends', () => {
    expect(leads({ ...gable, pitch: { ...gable.pitch!, line: 'over' } })).toEqual([]);
    const ends: RidgeRig = { ...gable, pitch: { ...gable.pitch!, line: 'none' } };
    const tied = leads(ends);
    expect(tied.map((l) => l.id)).toEqual(['tie0', 'tie1']);
    for (const l of tied) {
      expect(l.runsIn).toBe(true);
      // to the lowest place of the fold, somewhere between the ends of the cloth
      expect(Math.abs(l.drips[0] - 3.5)).toBeLessThan(1.6);
      const under = [{ ...sleeper, at: [l.drips[0], l.drips[1]] as const }];
      expect(leads({ ...ends, under }).find((x) => x.id === l.id)!.on).toEqual(['Hazel']);
    }
  });
  test('a drip line lets it off, and so do the tails of the hitch where they hang a finger’s length', () => {
    const told = (rig: RidgeRig) => ofCode(evaluatePitch(rig, context, { full: false }).result.findings, 'drips-on');
    const rig = { ...gable, under: [sleeper] };
    expect(told(rig)).toHaveLength(2);
    const one = withDrip(rig, 'ridge0', true);
    expect(hasDrip(one, 'ridge0')).toBe(true);
    expect(told(one)).toHaveLength(1);
    expect(told(withDrip(one, 'ridge1', true))).toEqual([]);
    expect(withDrip(one, 'ridge0', false).pitch).toEqual(rig.pitch);
    const [a, b] = rig.pitch!.hitches;
    const hung = (tail: number): RidgeRig => ({
      ...rig,
      pitch: {
        ...rig.pitch!,
        hitches: [
          { ...a, tail },
          { ...b, tail },
        ],
      },
    });
    expect(told(hung(HANGS / 2))).toHaveLength(2);
    expect(told(hung(HANGS))).toEqual([]);
    expect(rigProblems(one, context)).toEqual([]);
  });
  test('nobody beneath, nothing is said; who lies elsewhere is not dripped on', () => {
    expect(ofCode(evaluatePitch(gable, context, { full: false }).result.findings, 'drips-on')).toEqual([]);
    const aside = { ...gable, under: [{ ...sleeper, at: [3.5, 1.2] as const }] };
    expect(ofCode(evaluatePitch(aside, context, { full: false }).result.findings, 'drips-on')).toEqual([]);
    expect(liesAt(sleeper, 4.4, 0, 0)).toBe(true);
    expect(liesAt(sleeper, 4.6, 0, 0)).toBe(false);
    expect(liesAt({ ...sleeper, toward: Math.PI / 2 }, 3.5, 0.9, 0)).toBe(true);
    expect(liesAt({ ...sleeper, toward: Math.PI / 2 }, 4.4, 0, 0)).toBe(false);
  });
  test('on a slope the water of the upper tree runs in and that of the lower runs away', () => {
    const sloped: RidgeRig = {
      ...gable,
      tensioning: { ...gable.tensioning, tension: 700 },
      trunks: [
        { ...gable.trunks[0], tieHeight: 1.95 },
        { ...gable.trunks[1], tieHeight: 1.4 },
      ],
    };
    const [upper, lower] = leads(sloped);
    expect(upper!.runsIn).toBe(true);
    expect(lower!.runsIn).toBe(false);
  });
});
