import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { PITCHED } from '../src/cases/index.js';
import { codesOf, lineSaid } from './said.js';
import {
  RigProblem,
  evaluateRidge,
  haulLimits,
  hauledPoint,
  hauledTo,
  problemsOf,
  ridgeModel,
  tradeoff,
} from '../src/rig/index.js';
import type { KitCord, RidgeRig, LineContext } from '../src/rig/index.js';
import { adviseRidge, rankCords, sizeCord, sizeCords } from '../src/sizing/index.js';
import { DEFAULT_REQUIRED } from '../src/strength/index.js';
import type { BodyMeasures } from '../src/quantity/index.js';
import { GRAVITY } from '../src/quantity/index.js';
import type { Figure } from '../src/working/index.js';

interface CampFile {
  readonly person: { readonly body: BodyMeasures };
  readonly kit: readonly KitCord[];
  readonly rigs: readonly { readonly name: string; readonly rig: RidgeRig }[];
}
const camp = JSON.parse(readFileSync(join(process.cwd(), 'examples/sallow-ait.json'), 'utf8')) as CampFile;
const context: LineContext = { kit: camp.kit, body: camp.person.body, required: DEFAULT_REQUIRED };
const units = { length: 'm', force: 'N' } as const;
const [gable, bank, drying] = camp.rigs.map((r) => r.rig) as [RidgeRig, RidgeRig, RidgeRig];
const judge = (rig: RidgeRig, ranges = true) => evaluateRidge(rig, context, { ranges });

/** Every figure reachable from a value. */
function figures(value: unknown, out = new Set<Figure>()): Set<Figure> {
  if (typeof value !== 'object' || value === null) return out;
  if ('quantity' in value && 'symbol' in value) {
    if (out.has(value as Figure)) return out;
    out.add(value as Figure);
  }
  for (const part of Object.values(value)) figures(part, out);
  return out;
}

describe('the demo rigs', () => {
  test.each(camp.rigs.map((r) => [r.name, r.rig] as const))(
    '%s: every number has a source or a formula, none is NaN',
    (_, rig) => {
      const all = [...figures(judge(rig))];
      expect(all.length).toBeGreaterThan(60);
      for (const f of all) {
        expect([f.title, Number.isNaN(f.value)]).toEqual([f.title, false]);
        expect([f.title, f.source !== undefined || f.formula !== undefined]).toEqual([f.title, true]);
        if (f.range !== undefined) expect(f.range[0] <= f.value && f.value <= f.range[1]).toBe(true);
      }
    },
  );

  test('they are an instructive set: one holds, one is ruled out, one is too weak', () => {
    expect(lineSaid(gable, judge(gable), context.body)).toMatchObject({
      holds: false,
      sentence: 'The line holds; the cloth on it is not guyed.',
    });
    const bare = { ...gable, hung: gable.hung.filter((h) => h.area === 0) };
    expect(lineSaid(bare, judge(bare), context.body)).toMatchObject({ holds: true });
    const low = {
      ...bare,
      trunks: gable.trunks.map((t) => ({ ...t, tieHeight: 0.05 })) as unknown as RidgeRig['trunks'],
    };
    expect(lineSaid(low, judge(low), context.body).sentence).toMatch(/sags to the ground/);
    expect(lineSaid(bank, judge(bank), context.body).sentence).toMatch(/ruled out: leaning badly/);
    expect(lineSaid(drying, judge(drying), context.body).sentence).toMatch(/too little to spare/);
  });

  test('vertical pulls carry what hangs: roof, lantern and cord', () => {
    const model = ridgeModel(gable, context);
    const state = model.stateOf(PITCHED);
    const hung = gable.hung.reduce((sum, h) => sum + h.mass, 0);
    expect(gable.hung.map((h) => h.area > 0)).toEqual([false, true, true]);
    const weight = (hung + model.cord.massPerMetre.typical * state.unstressed) * GRAVITY;
    expect(-state.pull[0][2] - state.pull[1][2]).toBeCloseTo(weight, 8);
  });

  test('the night goes the right way: nylon relaxes, and wet it sags more', () => {
    const { settling } = judge(gable);
    for (let i = 1; i < settling.length; i++) {
      expect(settling[i]!.tension.value).toBeLessThan(settling[i - 1]!.tension.value);
      expect(settling[i]!.sag.value).toBeGreaterThan(settling[i - 1]!.sag.value);
      expect(settling[i]!.takeUp).toBeGreaterThan(settling[i - 1]!.takeUp);
    }
  });

  test('the quick judgement is the full one without its ranges', () => {
    for (const rig of [gable, bank, drying]) {
      const [full, quick] = [judge(rig), judge(rig, false)];
      expect(quick.tension.value).toBeCloseTo(full.tension.value, 6);
      expect(quick.ledger.map((j) => j.link.margin.value.toFixed(6)).sort()).toEqual(
        full.ledger.map((j) => j.link.margin.value.toFixed(6)).sort(),
      );
    }
  });
});

describe('a rig answers to its inputs', () => {
  const set = (part: Partial<RidgeRig['tensioning']>): RidgeRig => ({
    ...gable,
    tensioning: { ...gable.tensioning, ...part },
  });

  test('each way of tensioning gives back what was measured', () => {
    expect(judge(set({ how: 'tension', tension: 210 })).pretension.value).toBeCloseTo(210, 6);
    expect(judge(set({ how: 'sag', sag: 0.2 })).sag.value).toBeCloseTo(0.2, 8);
    const passes = judge(set({ how: 'passes' }));
    expect(passes.distance - passes.unstressed.value).toBeCloseTo(4 * 0.06, 10);
    const byDip = judge(set({ how: 'dip' }));
    const again = judge(set({ how: 'tension', tension: byDip.pretension.value }));
    expect(again.unstressed.value).toBeCloseTo(byDip.unstressed.value, 8);
  });

  test('a pulley hitch hauls less than three times, and loses some on tying off', () => {
    const { hauling } = judge(gable);
    const [gain, hauled, left] = hauling as [Figure, Figure, Figure];
    expect(gain.value).toBeLessThan(3);
    expect(hauled.value).toBeCloseTo(gain.value * 180, 6);
    expect(left.value).toBeLessThan(hauled.value);
  });

  test('a paced span carries its spread into every tension; a taped one much less', () => {
    const width = (rig: RidgeRig): number => {
      const [a, b] = judge({ ...rig, tensioning: { ...rig.tensioning, how: 'passes' } }).span.range!;
      return b - a;
    };
    expect(width(gable)).toBeGreaterThan(10 * width({ ...gable, span: { ...gable.span, how: 'tape' } }));
  });

  test('more wind, more pull; a thinner trunk gives more and holds less', () => {
    const worst = (rig: RidgeRig): number => judge(rig, false).worstTension.value;
    expect(worst({ ...gable, wind: { ...gable.wind, beaufort: 7 } })).toBeGreaterThan(worst(gable));
    const thin = judge({ ...gable, trunks: [{ ...gable.trunks[0], girth: 0.25 }, gable.trunks[1]] }, false);
    const own = judge(gable, false);
    expect(thin.trunks[0].moved).toBeGreaterThan(own.trunks[0].moved);
    const margin = (r: typeof own): number => r.ledger.find((j) => j.link.id === 'trunk-0')!.link.margin.value;
    expect(margin(thin)).toBeLessThan(margin(own));
  });

  test('sway is felt more by a stiff cord than by a soft one', () => {
    const rise = (cord: string): number => {
      const r = judge({ ...set({ how: 'tension', tension: 150 }), cord, sway: 0.05 }, false);
      return r.cases.find((c) => c.id === 'sway')!.tension.value - r.tension.value;
    };
    expect(rise('slick')).toBeGreaterThan(4 * rise('green-550'));
  });

  test('ledger rows: reductions multiply to what the link holds', () => {
    for (const { link } of judge(drying).ledger.filter((j) => j.link.kind !== 'trunk'))
      expect(link.available.inputs!.reduce((product, f) => product * f.value, 1)).toBeCloseTo(link.available.value, 6);
  });

  test('elastic cord holds nothing', () => {
    const r = judge({ ...drying, cord: 'bungee' });
    expect(r.ledger[0]!.link.margin.value).toBe(0);
    expect(codesOf(r.findings)).toContain('elastic-ridge');
  });
});

describe('what cannot be', () => {
  test.each([
    ['hung.0.wetMass', { ...gable, hung: [{ ...gable.hung[0]!, wetMass: 0.01 }] }],
    ['hung.0.at', { ...gable, hung: [{ ...gable.hung[0]!, at: 12 }] }],
    ['cord', { ...gable, cord: 'gone' }],
    [
      'tensioning.passes.takeUp',
      { ...gable, tensioning: { ...gable.tensioning, how: 'passes' as const, passes: { count: 20, takeUp: 0.3 } } },
    ],
  ])('%s is named', (field, rig) => {
    expect(problemsOf(rig, context).map((p) => p.field)).toContain(field);
    expect(() => judge(rig)).toThrow(RigProblem);
  });

  test('any rig within its limits is judged or refused, never NaN', () => {
    fc.assert(
      fc.property(
        fc.record({
          tape: fc.double({ min: 5.2, max: 60, noNaN: true }),
          rise: fc.double({ min: -5, max: 5, noNaN: true }),
          girth: fc.double({ min: 0.05, max: 8, noNaN: true }),
          tie: fc.double({ min: 0.05, max: 8, noNaN: true }),
          tension: fc.double({ min: 0, max: 5000, noNaN: true }),
          mass: fc.double({ min: 0, max: 300, noNaN: true }),
          beaufort: fc.integer({ min: 0, max: 9 }),
          cord: fc.constantFrom(...camp.kit.map((k) => k.id)),
        }),
        (p) => {
          const rig: RidgeRig = {
            ...gable,
            span: { ...gable.span, how: 'tape', tape: p.tape },
            groundRise: p.rise,
            trunks: [{ ...gable.trunks[0], girth: p.girth, tieHeight: p.tie }, gable.trunks[1]],
            tensioning: { ...gable.tensioning, how: 'tension', tension: p.tension },
            hung: [{ id: 'x', name: 'x', mass: p.mass, wetMass: p.mass, area: 0, at: 2 }],
            wind: { ...gable.wind, beaufort: p.beaufort },
            cord: p.cord,
          };
          try {
            for (const f of figures(judge(rig, false))) expect(Number.isNaN(f.value)).toBe(false);
          } catch (error) {
            expect(['RigProblem', 'NoSuchLine']).toContain((error as Error).name);
          }
        },
      ),
      { numRuns: 80, seed: 21 },
    );
  });
});

describe('sizing', () => {
  test('the window’s ends are where tightness and strength change', () => {
    const { tightFrom, holdsTo } = haulLimits(drying, context);
    expect(hauledPoint(drying, context, tightFrom! * 1.02).tight).toBe(true);
    expect(hauledPoint(drying, context, tightFrom! * 0.97).tight).toBe(false);
    expect(hauledPoint(drying, context, holdsTo! * 0.98).ratio).toBeGreaterThanOrEqual(1);
    expect(hauledPoint(drying, context, holdsTo! * 1.03).ratio).toBeLessThan(1);
  });

  test('against brute force: a cord holds exactly when some haul does', () => {
    for (const kitCord of camp.kit.filter((k) =>
      ['green-550', 'twine', 'slick', 'short-guy', 'bungee'].includes(k.id),
    )) {
      const sized = sizeCord(drying, context, kitCord, units);
      const some = tradeoff({ ...drying, cord: kitCord.id }, context, 60).some((p) => {
        if (!p.tight || p.ratio < 1) return false;
        return judge(hauledTo({ ...drying, cord: kitCord.id }, p.pretension), false).cordNeeded.value <= kitCord.length;
      });
      expect([kitCord.id, sized.holds]).toEqual([kitCord.id, some]);
      expect(sized.reason.length).toBeGreaterThan(10);
    }
  });

  test('ranking puts what holds first, then by the wish; stopping stops', () => {
    const all = sizeCords(drying, context, units);
    const holds = rankCords(all, 'mass').map((c) => c.holds);
    expect(holds.indexOf(false)).toBe(holds.lastIndexOf(true) + 1);
    const light = rankCords(all, 'mass').filter((c) => c.holds);
    for (let i = 1; i < light.length; i++) expect(light[i]!.mass).toBeGreaterThanOrEqual(light[i - 1]!.mass);
    expect(sizeCords(drying, context, units, (done) => done < 0.3)).toHaveLength(3);
  });

  test('advice is computed: every first piece taken makes things better', () => {
    const r = judge(drying);
    const advice = adviseRidge(drying, context, r, units);
    expect(advice.length).toBeGreaterThan(0);
    for (const a of advice)
      expect(judge(a.rig).ledger[0]!.judgement.ratio).toBeGreaterThan(r.ledger[0]!.judgement.ratio);
    expect(adviseRidge(gable, context, judge(gable), units)).toEqual([]);
    expect(adviseRidge(bank, context, judge(bank), units)).toEqual([]);
  });
});
