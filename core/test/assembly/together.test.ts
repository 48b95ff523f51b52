import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { trunkGiveAt } from '../../src/anchor/index.js';
import { PITCHED, casesFor } from '../../src/cases/index.js';
import { findWood } from '../../src/catalogue/index.js';
import { against } from '../../src/findings/index.js';
import { prepare, resultOf, solve } from '../../src/net/index.js';
import { evaluatePitch, pullsOn } from '../../src/pitch/index.js';
import type { RidgeRig, RigContext } from '../../src/rig/index.js';
import { evaluateRidge, lineNet, ridgeModel } from '../../src/rig/index.js';
import { bedModel, evaluateBed, jointOf, judgeRig, lineTogether, roofTogether } from '../../src/shelter/index.js';
import { ONE_TREE, UNDER_FLY, WRONG, demo, namedWind } from '../shelter/helper.js';

const lainOf = (rig: RidgeRig) => casesFor('roof', rig, null).filter((c) => c.occupancy === 'lying');
const thin = (rig: RidgeRig, girth: number): RidgeRig => ({
  ...rig,
  trunks: rig.trunks.map((t) => ({ ...t, girth })) as unknown as RidgeRig['trunks'],
});

describe('a gust on the roof with someone in the bed beneath, as one net', () => {
  test.each([
    ['the fly', UNDER_FLY],
    ['the gable', WRONG],
  ])('asks no more than what is judged of both apart: %s', (_, name) => {
    const { rig, context } = demo(name);
    const { roof, report } = judgeRig(rig, context, { full: true, spreads: false, rising: false });
    const { tied } = roof!;
    const model = bedModel(rig, context, { ranges: false });
    let solved = 0;
    for (const { state } of roof!.readings) {
      const { case: c, numbers } = state;
      // every gust from every other bearing
      if (c.environment.wind === null || Math.round(c.environment.wind.from / (Math.PI / 8)) % 2 === 1) continue;
      const joint = roofTogether(model, tied, c);
      expect(joint.roof.numbers.converged && joint.bed.converged && !joint.roof.luffing).toBe(true);
      const most = Math.max(...numbers.tension);
      // the roof's own lines, whose order is that of the roof alone
      for (const i of tied.line)
        expect(joint.roof.numbers.tension[i]! / Math.max(numbers.tension[i]!, 0.1 * most)).toBeLessThan(1.02);
      joint.bed.straps.forEach((pull, i) => {
        expect(pull).toBeLessThan(report.rows.find((r) => r.id === `strap${i}`)!.demand.value);
      });
      solved++;
    }
    expect(solved).toBeGreaterThan(50);
  });
});

describe('a bare ridgeline as a net', () => {
  const { rig, context } = demo(ONE_TREE);
  test('is the line that is solved exactly, whatever hangs on it and however tight', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 600, noNaN: true }),
        fc.double({ min: 0.25, max: 1.5, noNaN: true }),
        fc.uniqueArray(
          fc.record({
            at: fc.integer({ min: 2, max: 18 }).map((n) => n / 20),
            mass: fc.double({ min: 0.1, max: 20, noNaN: true }),
          }),
          { maxLength: 3, selector: (h) => h.at },
        ),
        (tension, girth, hung) => {
          const span = rig.span.tape;
          const own: RidgeRig = {
            ...thin(rig, girth),
            tensioning: { ...rig.tensioning, how: 'tension', tension },
            hung: hung.map((h, i) => ({
              id: `h${i}`,
              name: '',
              mass: h.mass,
              wetMass: h.mass,
              area: 0,
              at: h.at * span,
            })),
          };
          const model = ridgeModel(own, context, { ranges: false });
          const exact = model.stateOf(PITCHED);
          const tie = (i: 0 | 1) => [i * span, 0, own.trunks[i].tieHeight + i * own.groundRise] as const;
          const engine = prepare(lineNet(model, PITCHED, [tie(0), tie(1)]));
          const outcome = solve(engine);
          expect(outcome.converged).toBe(true);
          const { lines, nodes } = resultOf(engine, outcome);
          expect(Math.abs(lines['ridge']!.tension / exact.tension - 1)).toBeLessThan(1e-6);
          exact.loadPlace.forEach((p, k) => {
            expect(nodes[`hung h${k}`]!.at[0]).toBeCloseTo(p[0], 5);
            expect(nodes[`hung h${k}`]!.at[2] - tie(0)[2]).toBeCloseTo(p[2], 5);
          });
        },
      ),
      { seed: 4, numRuns: 40 },
    );
  });
  const camp = JSON.parse(readFileSync(join(process.cwd(), 'examples/sallow-ait.json'), 'utf8')) as {
    readonly kit: RigContext['kit'];
    readonly rigs: readonly { readonly name: string; readonly rig: RidgeRig }[];
  };
  const bare = camp.rigs.filter((r) => r.rig.pitch === undefined);
  test.each(bare)('is so in every case without wind: relaxed, soaked, swaying: $name', ({ rig: own }) => {
    const around = { ...context, kit: camp.kit };
    const model = ridgeModel(own, around, { ranges: false });
    const still = casesFor('line', own, { speed: 10, bearings: null }).filter((c) => c.environment.wind === null);
    expect(still.length).toBeGreaterThan(2);
    for (const c of still) {
      const exact = model.stateOf(c);
      const { chord } = model.spanOf(c);
      const first = [0, 0, own.trunks[0].tieHeight] as const;
      const second = [chord[0], chord[1], first[2] + chord[2]] as const;
      const engine = prepare(lineNet(model, c, [first, second]));
      const outcome = solve(engine);
      expect(outcome.converged).toBe(true);
      expect(resultOf(engine, outcome).lines['ridge']!.tension / exact.tension).toBeCloseTo(1, 5);
    }
  });
  test('someone in a bed on its trunk eases it, and a thin trunk more', () => {
    const eased = (girth: number): number => {
      const own = thin(rig, girth);
      const line = ridgeModel(own, context, { ranges: false });
      const found = lineTogether(bedModel(own, context, { ranges: false }), line);
      expect(found.bed.converged).toBe(true);
      return found.tension / line.stateOf(PITCHED).tension;
    };
    expect(eased(0.8)).toBeLessThan(1);
    expect(eased(0.4)).toBeLessThan(eased(0.8));
  });
  test('the whole judgement tells what is left of it', () => {
    const { draws } = judgeRig(rig, context, { full: false }).report.bed!;
    expect(draws!.by).toBeGreaterThan(0);
    expect(draws!.after).toBeLessThan(draws!.before);
  });
});

test('a bed that comes to no rest with what else is on its trees is not passed', () => {
  const { rig, context } = demo(ONE_TREE);
  const joint = { ...jointOf(rig, context), line: () => null, rests: () => false };
  const bed = evaluateBed(rig, context, { full: false, ridge: evaluateRidge(rig, context, { ranges: false }), joint });
  expect(bed.draws).toBeNull();
  expect(against(bed.findings).map((f) => f.code)).toContain('bed-unsettled');
});

describe.each([UNDER_FLY, WRONG])('%s: roof, bed and trees as one net', (name) => {
  const { rig, context } = demo(name);
  const { tied } = evaluatePitch(rig, context, { full: false });
  const model = bedModel(rig, context, { ranges: false });
  test.each([false, true])(
    'come to rest together (soaked: %s), and the bed pulls as it does alone on trees so moved',
    (wet) => {
      const c = lainOf(rig).find((x) => x.environment.wet === wet)!;
      const { roof, bed, moved } = roofTogether(model, tied, c);
      expect(roof.numbers.converged).toBe(true);
      const again = bedModel(rig, context, { ranges: false, moved: () => moved });
      const alone = again.stateOf(again.cases.find((x) => x.kind === (wet ? 'soaked' : 'lying'))!);
      for (const i of [0, 1] as const) {
        expect(Math.abs(alone.straps[i] / bed.straps[i] - 1)).toBeLessThan(1e-5);
        for (const d of [0, 1, 2] as const) expect(alone.pull[i][d]).toBeCloseTo(bed.pull[i][d], 1);
      }
    },
  );
  test('each trunk stands where everything tied to it bends it to', () => {
    const c = lainOf(rig)[0]!;
    const { roof, bed } = roofTogether(model, tied, c);
    for (const i of [0, 1] as const) {
      const { tieHeight, girth, wood } = rig.trunks[i];
      const end = rig.bed!.ends[i];
      if (end.anchor.kind !== 'trunk') continue;
      const give = (at: number, by: number): number =>
        trunkGiveAt(at, by, girth / Math.PI, findWood(wood)!.modulus.typical);
      const n = 3 * tied.engine.structure.nodeIndex.get(`trunk${i}`)!;
      const stretch = tied.engine.structure.at;
      const moved = roof.numbers.at[n]! - (stretch[n]! + tied.engine.structure.origin[0]);
      const own = -roof.numbers.reaction[n]!;
      // less than what cord and bark give besides
      const way = give(tieHeight, tieHeight) * own + give(tieHeight, end.height) * bed.pull[i][0];
      expect(Math.abs(moved - way)).toBeLessThan(2.1e-8 * Math.abs(own));
    }
  });
  test('the case is one of the rig’s, and the ridge has less in it than as pitched', () => {
    const { report, roof } = judgeRig(rig, context, { full: true, spreads: false, rising: false, ...namedWind(rig) });
    const cases = report.roof!.cases.filter((c) => c.group === 'lain');
    expect(cases.map((c) => [c.id, c.converged])).toEqual([
      ['lain', true],
      ['lain-wet', true],
    ]);
    const level = (kind: string): number =>
      pullsOn(
        roof!.tied.model,
        'trunk0',
        roof!.readings.find((r) => r.state.case.kind === kind)!,
      )[0]!.level;
    expect(level('lain')).toBeLessThan(level('pitched'));
    expect(report.bed!.draws!.after).toBeLessThan(report.bed!.draws!.before);
    // what was joined once is not worked out otherwise by the bed alone
    const alone = evaluateBed(rig, context, { full: true, spreads: false, roof: roof! });
    expect(alone.lying.straps.map((f) => f.value)).toEqual(report.bed!.lying.straps.map((f) => f.value));
  });
});
