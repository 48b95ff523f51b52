import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { afterCutting, cuttingsOf, joiningOf, needsOf, planCuts, stocksOf } from '../../src/budget/index.js';
import type { Planned } from '../../src/budget/index.js';
import { fightsOf } from '../../src/budget/index.js';
import { BENDS, WRONG_BEND, safeBends } from '../../src/catalogue/index.js';
import { cutFigure, cutLength, cordDocument, onHand } from '../../src/cordage/index.js';
import type { KitCord } from '../../src/cordage/index.js';
import { misfit } from '../../src/document/index.js';
import type { RidgeRig, Row } from '../../src/rig/index.js';
import { judgeRig } from '../../src/shelter/index.js';
import { demo } from '../shelter/helper.js';
import { need, solve, stock } from './helper.js';

const planned = (name: string): Planned => {
  const { rig, context } = demo(name);
  return { id: name, name, rig, context };
};
const rowsOf = ({ rig, context }: Planned, full = false): readonly Row[] =>
  judgeRig(rig, context, { full, spreads: false, rising: false }).report.rows;

describe('what a rig wants of the kit', () => {
  test.each(['gravel-spit-gable', 'hammock-fly', 'mess-roof', 'bed-on-one-alder', 'cape-end-tied'])(
    '%s: every line of cord once, with its working, as the judgement has it',
    (name) => {
      const of = planned(name);
      const rows = rowsOf(of);
      const needs = needsOf(of, rows);
      expect(new Set(needs.map((n) => n.id)).size).toBe(needs.length);
      expect(needs.length).toBeGreaterThan(0);
      for (const n of needs) {
        const row = rows.find((r) => `${name}/${r.id}` === n.id)!;
        const figure = cutFigure(n.cut, n.name);
        expect(figure.value).toBeCloseTo(cutLength(n.cut), 12);
        expect(n.length).toBeGreaterThanOrEqual(figure.value - 1e-6);
        expect(n.length - figure.value).toBeLessThan(0.05 + 1e-6);
        // a line is never shorter than what lies between its ends
        expect(n.cut.between).toBeGreaterThanOrEqual(row.unstressed! - 1e-9);
        expect(n.from.has(n.cut.hank)).toBe(true);
      }
      const cord = rows.filter((r) => ['ridge', 'tie', 'loop', 'guy', 'peg', 'stay'].includes(r.role));
      expect(needs).toHaveLength(cord.length);
    },
  );

  test('another hank does only where it is the same cord and no worse', () => {
    const of = planned('gravel-spit-gable');
    const guys = needsOf(of, rowsOf(of)).filter((n) => n.role === 'guy');
    const named = of.context.kit.find((k) => k.id === guys[0]!.cut.hank)!;
    const others: KitCord[] = [
      { ...named, id: 'as-good', length: 9 },
      { ...named, id: 'worn', wear: 'cut' },
      { ...named, id: 'other', cord: named.cord === 'manila-6' ? 'sisal-3' : 'manila-6' },
    ];
    const more = { ...of, context: { ...of.context, kit: [...of.context.kit, ...others] } };
    const from = needsOf(more, rowsOf(more)).find((n) => n.id === guys[0]!.id)!.from;
    expect([from.has('as-good'), from.has('worn'), from.has('other')]).toEqual([true, false, false]);
    const home: RidgeRig = { ...of.rig, home: ['as-good'] };
    const left = { ...more, rig: home };
    expect(
      needsOf(left, rowsOf(left))
        .find((n) => n.id === guys[0]!.id)!
        .from.has('as-good'),
    ).toBe(false);
  });
});

describe('cutting', () => {
  test('loses no cord, and writes down what was cut', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 10, max: 80 }), { minLength: 1, maxLength: 5 }),
        fc.integer({ min: 100, max: 300 }),
        (lengths, hank) => {
          const on: KitCord = {
            id: 'a',
            name: 'hank',
            cord: 'nylon-550-4',
            length: hank / 10,
            pieces: [{ id: 'old', length: 4, name: 'a guy' }],
            sun: 'new',
            wear: 'sound',
          };
          const wanted = lengths.map((l, i) => need(`n${i}`, l / 10, 'loop', { roof: 'mess' }));
          const plan = planCuts(wanted, stocksOf([on]), solve);
          const [cutting] = cuttingsOf(plan, () => 'mess roof');
          if (cutting === undefined) return;
          let k = 0;
          const after = afterCutting(on, cutting, '2026-05-01T18:00:00Z', () => `p${k++}`);
          expect(misfit(cordDocument, after)).toBeNull();
          // what is too short to keep is less than 0.3 m of each length that was cut
          const lost = onHand(on) - onHand(after);
          expect(lost).toBeGreaterThanOrEqual(-1e-6);
          expect(lost).toBeLessThan(0.6);
          expect(after.cuts).toHaveLength(plan.cuts);
          // the same plan again cuts nothing more
          const again = planCuts(
            plan.taken.map((t) => t.need),
            stocksOf([after]),
            solve,
          );
          expect([again.unmet.length, again.cuts]).toEqual([0, 0]);
          expect(after.pieces!.filter((p) => p.on === 'mess').length).toBe(cutting.cuts.length + cutting.tied.length);
        },
      ),
      { numRuns: 40, seed: 11 },
    );
  });

  test('rigs that want the same hank are told of each other', () => {
    const on = [stock('a', 12)];
    const wanted = [need('x', 8, 'ridge', { of: 'one' }), need('y', 7, 'ridge', { of: 'two' })];
    const plan = planCuts(wanted, on, solve);
    const [fight] = fightsOf(plan, wanted, on, solve);
    expect(fight!.rigs.map((r) => [r.of, r.wants, r.alone]).sort()).toEqual([
      ['one', 8, true],
      ['two', 7, true],
    ]);
    expect(fight!.have).toBe(12);
    expect(fight!.rigs.flatMap((r) => r.lacks).map((n) => n.id)).toEqual(plan.unmet.map((n) => n.id));
  });
});

describe('joining', () => {
  const joined = (of: Planned, pick: (r: Row) => boolean): ReturnType<typeof joiningOf> =>
    joiningOf(of.rig, of.context, rowsOf(of, true).find(pick)!);
  const ridge = (r: Row): boolean => r.role === 'ridge';

  test('a strong line is joined by the bend that is easiest undone and holds, a weak one by none', () => {
    const of = planned('gravel-spit-gable');
    const strong = joined(of, ridge);
    expect(strong.may).toBe(true);
    if (!strong.may) return;
    expect(strong.judged.judgement.ratio).toBeGreaterThanOrEqual(1);
    expect(strong.takes).toBeGreaterThan(0.2);
    // the same line asked for so much that no bend holds
    const harder = { ...of.context.required, factor: { ...of.context.required.factor, ridge: 100, hangers: 100 } };
    const weak = joined(
      { ...of, rig: { ...of.rig, designRule: 'factor' }, context: { ...of.context, required: harder } },
      ridge,
    );
    expect(weak).toMatchObject({ may: false, why: 'too-weak' });
  });

  test('never what bears a sleeper, never slick braid', () => {
    const of = planned('gravel-spit-gable');
    expect(joined({ ...of, rig: { ...of.rig, use: 'person' } }, ridge)).toMatchObject({
      may: false,
      why: 'bears-person',
    });
    const slick: KitCord = { ...of.context.kit.find((k) => k.id === of.rig.cord)!, cord: 'uhmwpe-1.75' };
    const kit = of.context.kit.map((k) => (k.id === slick.id ? slick : k));
    expect(joined({ ...of, context: { ...of.context, kit } }, ridge)).toMatchObject({ may: false, why: 'slips' });
  });

  test('the reef knot is refused, with its reason', () => {
    expect(safeBends().map((b) => b.id)).not.toContain('reef');
    expect(WRONG_BEND.refused).toMatch(/slide/);
    for (const b of BENDS) expect(b.efficiency.low).toBeLessThan(b.efficiency.typical);
  });
});
