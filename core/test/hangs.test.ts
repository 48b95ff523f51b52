import { describe, expect, test } from '@jest/globals';
import { ofCode } from '../src/findings/index.js';
import { GRAVITY, norm, sub } from '../src/quantity/index.js';
import { besideHung, evaluatePitch, pitchModel, tieOff } from '../src/pitch/index.js';
import type { Hung, RidgeRig } from '../src/rig/index.js';
import { HOOKED, alongFor, evaluateRidge, holdsAlong, wrapsOf } from '../src/rig/index.js';
import { contextFor, rigOf, squareRoof } from './pitch/helper.js';
import { toldOf } from './said.js';

const roof = squareRoof(3);
const context = contextFor(roof);
const gable = rigOf('gable', roof);
const { pitch, ...line } = gable;
if (pitch === undefined) throw new Error('no pitch');
const pack: Hung = { id: 'p', name: 'pack', mass: 12, wetMass: 14, area: 0, at: 1.2 };
const slack = (hung: readonly Hung[]): RidgeRig => ({
  ...line,
  hung: [...hung],
  tensioning: { ...line.tensioning, how: 'tension', tension: 60 },
});
const slides = (rig: RidgeRig) => ofCode(evaluateRidge(rig, context).findings, 'hung-slides').map((f) => f.facts.name);

describe('what hangs on a line', () => {
  test('pulls along it by the tension on either side: none in the middle of a level line, all of it on one that stands', () => {
    expect(alongFor([100, 0, -20], [100, 0, 20])).toBeCloseTo(0, 12);
    expect(alongFor([0, 0, -100], [0, 0, -40])).toBeCloseTo(1, 12);
    // a weight W far out on a taut line: its share along is the sine of the bisector
    const [before, after] = [
      [100, 0, -30],
      [100, 0, 10],
    ] as const;
    expect(alongFor(before, after)).toBeCloseTo((norm(before) - norm(after)) / 40, 12);
  });
  test('hooked near an end of a slack line it slides to the middle; there it stays, and by a hitch it stays anywhere', () => {
    expect(slides(slack([pack]))).toEqual(['pack']);
    expect(slides(slack([{ ...pack, at: 3.5 }]))).toEqual([]);
    expect(slides(slack([{ ...pack, wraps: 3 }]))).toEqual([]);
    expect(wrapsOf(pack)).toBe(0);
    expect(wrapsOf({ ...pack, area: 1 })).toBe(3);
    expect(holdsAlong(pack, { fibre: 'nylon' }, false)).toBe(HOOKED.typical);
    expect(holdsAlong({ ...pack, wraps: 2 }, { fibre: 'nylon' }, false)).toBeCloseTo(
      2 * Math.PI * 2 * 0.22 * 0.85 * 0.6,
      9,
    );
  });
  test('under a roof the line’s tensions beside it differ by its weight, and it slides just as well', () => {
    const rig: RidgeRig = {
      ...gable,
      hung: [{ ...pack, mass: 3, at: 0.6 }],
      tensioning: { ...gable.tensioning, tension: 120 },
    };
    const tied = tieOff(pitchModel(rig, context));
    const [sides] = besideHung(tied, tied.pitched);
    // and a hand's breadth of line that hangs there too
    expect(norm(sub(sides![1], sides![0])) / (3 * GRAVITY)).toBeCloseTo(1, 1);
    expect(alongFor(...sides!)).toBeGreaterThan(0);
  });
  test('what is light when it is hung up and soaks in the rain slides then: the wet night is looked at too', () => {
    const told = (coat: Hung, full: boolean): string[] => {
      const rig = { ...gable, hung: [coat], tensioning: { ...gable.tensioning, tension: 150 } };
      const { findings } = evaluatePitch(rig, context, { full, spreads: false, rising: false }).result;
      return ofCode(findings, 'hung-slides').map((f) => f.facts.name);
    };
    const coat: Hung = { ...pack, name: 'coat', mass: 0.8, wetMass: 12, at: 0.5 };
    expect(told(coat, false)).toEqual([]);
    expect(told(coat, true)).toEqual(['coat']);
    expect(told({ ...coat, wetMass: 0.9 }, true)).toEqual([]);
  });
  test('without a ridgeline nothing hangs on it, and no cord is joined to it: both are said', () => {
    const joined = { cord: 'guy', bend: 'double-sheet', at: 2 };
    const ends = { ...gable, hung: [pack], joined, pitch: { ...pitch, line: 'none' as const } } as RidgeRig;
    const { findings } = evaluatePitch(ends, context, { full: false }).result;
    expect(ofCode(findings, 'no-line').map((f) => f.facts)).toEqual([{ things: ['pack'], joined: true }]);
    expect(toldOf(ofCode(findings, 'no-line')).join()).toContain('the cord joined on');
  });
});
