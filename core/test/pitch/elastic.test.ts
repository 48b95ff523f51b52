import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { gustCase } from '../../src/cases/index.js';
import type { USUAL_ELASTIC } from '../../src/cordage/index.js';
import { drawnBy } from '../../src/cordage/index.js';
import { ofCode } from '../../src/findings/index.js';
import { tensionAt } from '../../src/net/index.js';
import { evaluatePitch, pitchModel, solveCase, tieOff } from '../../src/pitch/index.js';
import type { Guy, RidgeRig } from '../../src/rig/index.js';
import { contextFor, rigOf, squareRoof } from './helper.js';

const roof = squareRoof(3);
const context = contextFor(roof);
const gable = rigOf('gable', roof);
const guyed = (guy: Partial<Guy>): RidgeRig => ({
  ...gable,
  pitch: { ...gable.pitch!, guy: { ...gable.pitch!.guy, haul: 30, ...guy } },
});

describe('elastic let into a line', () => {
  test('draws out by its own stiffness, and the cord beside it bears from its end on', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 0.6, noNaN: true }),
        fc.double({ min: 10, max: 200, noNaN: true }),
        (draw, pull) => {
          const model = pitchModel(guyed({ hitch: 'elastic', elastic: { draw, pull } }), context, { ranges: false });
          const m = model.members.find((x) => x.role === 'guy')!;
          const length = Math.hypot(...[0, 1, 2].map((c) => m.reach!.key.at[c]! - m.reach!.foot[c]!));
          const curve = model.curveOf(m, false);
          const bare = pitchModel(guyed({ hitch: 'adjustable' }), context, { ranges: false });
          const cord = bare.curveOf(
            bare.members.find((x) => x.id === m.id)!,
            false,
          );
          // at its end the elastic is drawn by what it draws, and the cord is as far as that pull takes it
          const end = curve.strain[1]!;
          expect(curve.tension[1]).toBeCloseTo(pull, 9);
          expect(tensionAt(cord, end - draw / length)).toBeCloseTo(pull, 6);
          // half as far, half as hard
          expect(tensionAt(curve, end / 2)).toBeCloseTo(pull / 2, 6);
          expect(drawnBy({ draw, pull }, pull / 2)).toBeCloseTo(draw / 2, 12);
          expect(drawnBy({ draw, pull }, 3 * pull)).toBe(draw);
        },
      ),
      { numRuns: 25 },
    );
  });
  test('eases a gust that it is long enough for: the guys pull less than without', () => {
    const worst = (rig: RidgeRig): number => {
      const model = pitchModel(rig, context);
      const tied = tieOff(model, { atOnce: true });
      const blown = solveCase(tied, gustCase({ speed: 9, from: 0, law: 'plate' }, false));
      return Math.max(...model.members.map((m, k) => (m.role === 'guy' ? blown.numbers.tension[tied.line[k]!]! : 0)));
    };
    const stiff = worst(guyed({ hitch: 'adjustable' }));
    const eased = worst(guyed({ hitch: 'elastic', elastic: { draw: 0.5, pull: 150 } }));
    expect(eased).toBeLessThan(0.95 * stiff);
  });
  test('at a hitch it stands between loop and cloth; nothing else of the loop changes', () => {
    const put = (elastic: typeof USUAL_ELASTIC | undefined): RidgeRig => {
      const [a, b] = gable.pitch!.hitches;
      const hitches = [a, b].map((h) =>
        elastic === undefined ? h : { ...h, elastic },
      ) as unknown as typeof gable.pitch extends undefined ? never : readonly [typeof a, typeof b];
      return { ...gable, pitch: { ...gable.pitch!, hitches } };
    };
    const { result } = evaluatePitch(put({ draw: 0.12, pull: 50 }), context, { full: false });
    expect(result.elastics.map((e) => e.id)).toEqual(['loop0', 'loop1']);
    for (const e of result.elastics) {
      expect(e.pitched / (0.12 * (result.rows.find((r) => r.id === e.id)!.pitched / 50))).toBeCloseTo(1, 6);
      expect(e.most).toBeGreaterThanOrEqual(e.pitched);
    }
    expect(evaluatePitch(put(undefined), context, { full: false }).result.elastics).toEqual([]);
  });
  test('drawn to its end as pitched it is said, with what to do', () => {
    const { result } = evaluatePitch(guyed({ hitch: 'elastic', haul: 60 }), context, { full: false });
    expect(ofCode(result.findings, 'elastic-out')[0]!.facts.lines.length).toBeGreaterThan(0);
    const less = evaluatePitch(guyed({ hitch: 'elastic', haul: 20 }), context, { full: false }).result;
    expect(ofCode(less.findings, 'elastic-out')).toEqual([]);
  });
});

describe('a line and a fabric tie-out', () => {
  const at = (guy: Partial<Guy>) => {
    const { result } = evaluatePitch(guyed(guy), context, { full: false });
    const row = result.rows.find((r) => r.role === 'guy')!;
    return { result, row, tieOut: row.links.find((l) => l.link.id.endsWith(':tie-out'))!.link.available.value };
  };
  test('drawn through bare it saws: a good half is left, and it is said', () => {
    const bare = at({ tab: 'bare' });
    expect(bare.tieOut / at({}).tieOut).toBeCloseTo(0.55, 9);
    expect(ofCode(bare.result.findings, 'tab-sawn')).toHaveLength(1);
  });
  test('through a connector it does not, and the connector is a link', () => {
    const hooked = at({ tab: 'connector' });
    expect(hooked.tieOut).toBeCloseTo(at({}).tieOut, 9);
    expect(hooked.row.links.some((l) => l.link.id.endsWith(':connector'))).toBe(true);
    expect(ofCode(hooked.result.findings, 'tab-sawn')).toEqual([]);
  });
});
