import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { against } from '../../src/findings/index.js';
import { freshRig, rigProblems } from '../../src/rig/index.js';
import type { RigContext, RidgeRig } from '../../src/rig/index.js';
import { PITCH_FORMS, PITCH_TRAITS, opensIntoWind } from '../../src/roof/index.js';
import { bestFirst, firstLook, isReady, ready, shortlist } from '../../src/start/index.js';
import type { Ready, Wanted } from '../../src/start/index.js';
import { DEFAULT_REQUIRED } from '../../src/strength/index.js';
import { judgeRig } from '../../src/shelter/index.js';
import { DRY } from '../../src/under/index.js';

const camp = JSON.parse(readFileSync(join(process.cwd(), 'examples/sallow-ait.json'), 'utf8'));
const context: RigContext = {
  kit: camp.kit,
  roofs: camp.roofs,
  pegs: camp.pegs,
  beds: camp.beds,
  straps: camp.straps,
  body: camp.person.body,
  required: DEFAULT_REQUIRED,
};
const UNITS = { length: 'm', force: 'N' } as const;
const base = (paces: number, beaufort = 3): RidgeRig => {
  const fresh = freshRig(camp.kit[0].id);
  return {
    ...fresh,
    span: { ...fresh.span, how: 'paces', paces },
    trunks: [
      { ...fresh.trunks[0], girth: 0.8 },
      { ...fresh.trunks[1], girth: 0.8 },
    ],
    wind: { beaufort, shelter: 'wood' },
  };
};
const lie = { bearing: Math.PI / 2, windFrom: 0, soil: 'turf', crossRise: 0 } as const;
const two: Wanted = { roof: null, who: { kind: 'ground', people: 2, packs: 2 }, base: base(8), lie };

describe('what could stand here', () => {
  test('a few, each in a form of its own, that fit the kit and the span; the paced span stays paced', () => {
    const list = shortlist(two, context);
    expect(list.length).toBeGreaterThanOrEqual(2);
    expect(list.length).toBeLessThanOrEqual(3);
    expect(new Set(list.map((c) => c.serves.form)).size).toBe(list.length);
    for (const { rig } of list) {
      expect(rigProblems(rig, context)).toEqual([]);
      expect(rig.span).toMatchObject({ how: 'paces', paces: 8 });
      expect(rig.under).toHaveLength(4);
    }
    expect([...list].sort((a, b) => b.score - a.score)).toEqual(list);
  });
  test('none opens into the wind, wherever it comes from: the trunks change places instead', () => {
    for (const windFrom of [0, 1.2, Math.PI / 2, 3, 4.5])
      for (const { rig } of shortlist({ ...two, lie: { ...lie, windFrom } }, context)) {
        const { form, bearing } = rig.pitch!;
        if (opensIntoWind(PITCH_TRAITS[form], lie.bearing, windFrom))
          expect(opensIntoWind(PITCH_TRAITS[form], bearing, windFrom)).toBe(false);
      }
  });
  test('a class has room to stand; more people want a larger roof', () => {
    const few = shortlist({ ...two, who: { kind: 'class', people: 3 } }, context);
    const many = shortlist({ ...two, who: { kind: 'class', people: 14 }, base: base(12) }, context);
    const area = (rig: RidgeRig): number => {
      const roof = context.roofs.find((r) => r.id === rig.pitch!.roof)!;
      return roof.length * roof.width;
    };
    expect(few[0]!.serves.upright).toBe(3);
    expect(area(many[0]!.rig)).toBeGreaterThan(area(few[0]!.rig));
  });
  test('a kit without a roof says so', () => {
    expect(() => shortlist(two, { ...context, roofs: [] })).toThrow(/A rig wants a roof/);
  });
});

describe('a rig made ready', () => {
  const [first] = shortlist(two, context);
  const made = ready(first!, two.who, context, UNITS)!;
  test('is what it is said to be when it is judged by itself, in every wind', () => {
    const { report } = judgeRig(made.rig, context, { full: true, spreads: false, rising: false });
    expect(made.report.findings).toEqual(report.findings);
    expect(made.holds).toBe(against(report.findings).length === 0);
    expect(report.roof!.cases.length).toBeGreaterThan(100);
  });
  test.each([
    ['a moderate breeze, in which its wedge on a ridgeline holds', 4, 'lifted', true],
    ['a fresh breeze, in which it holds', 5, 'leanto', true],
    ['a strong breeze, in which nothing of the kit holds it', 6, 'leanto', false],
  ])('is told from nothing or sooner, and always the same: %s', (_, beaufort, form, known) => {
    const wanted = { ...two, base: base(8, beaufort), lie: { ...lie, windFrom: 0.3 } };
    const candidate = shortlist(wanted, context).find((c) => c.serves.form === form)!;
    const there = ready(candidate, two.who, context, UNITS)!;
    const { report } = judgeRig(there.rig, context, { full: true, spreads: false, rising: false });
    const code = (r: typeof report): string[] => against(r.findings).map((f) => `${f.code} ${f.about}`);
    expect(there.holds).toBe(known);
    expect(code(there.report)).toEqual(code(report));
    report.rows.forEach((row, k) => {
      const own = there.report.rows[k]!.links[0]!.judgement.ratio;
      expect(Math.abs(own / row.links[0]!.judgement.ratio - 1)).toBeLessThan(1e-3);
    });
  });
  test('its sleepers lie where they were promised a place, under the cloth as it hangs', () => {
    const sleepers = made.report.roof!.under!.things.filter((t) => t.lying.kind === 'sleeper');
    expect(sleepers).toHaveLength(2);
    expect(sleepers.filter((t) => t.dry >= DRY)).toHaveLength(made.serves.dry);
  });
  test('sized for a few gusts, it is sized for others that ask more of its lines as well', () => {
    const storm = shortlist(two, context).find((c) => c.serves.form === 'storm')!;
    expect(ready(storm, two.who, context, UNITS)!.report.findings.map((f) => f.code)).not.toContain('short');
  });
  test.each(PITCH_FORMS)('the form %s is pitched where it is asked for by name, and nothing else is', (form) => {
    const list = shortlist({ ...two, form }, context);
    expect(list.map((c) => c.serves.form)).toEqual([form]);
  });
  test('a hammock between trees seven paces apart holds under some roof, with tails where water would run in', () => {
    const who = { kind: 'hammock', bed: 'river-bed', mass: 85 } as const;
    const list = shortlist({ roof: 'square', who, base: base(7), lie }, context);
    const flying = ready(
      list.find((c) => c.serves.form === 'flying')!,
      who,
      context,
      UNITS,
    )!;
    expect(against(flying.report.findings)).toEqual([]);
    expect(flying.report.bed!.drips.filter((d) => d.wets)).toEqual([]);
  });
  test('a first look shows it as pitched, its sleepers laid, and does not say that it holds', () => {
    const seen = firstLook(first!, two.who, context);
    expect(isReady(seen)).toBe(false);
    expect(isReady(made)).toBe(true);
    expect(seen.report.full).toBe(false);
    expect(seen.rig.under).toHaveLength(4);
    expect(seen.serves.form).toBe(made.serves.form);
    expect(bestFirst([seen, made]).indexOf(made)).toBe(made.holds ? 0 : 1);
  });
  test('stopped, it is none', () => {
    expect(ready(first!, two.who, context, UNITS, () => false)).toBeNull();
  });
  test('what holds is offered before what serves better and does not', () => {
    const one = (holds: boolean, score: number): Ready => ({ ...made, holds, score });
    const list = [one(false, 3), one(true, 1), one(true, 2)];
    expect(bestFirst(list).map((r) => [r.holds, r.score])).toEqual([
      [true, 2],
      [true, 1],
      [false, 3],
    ]);
  });
});
