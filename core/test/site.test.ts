import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { KitCord, RidgeRig } from '../src/rig/index.js';
import { evaluateRidge, leeward, pegsBare, pitchedAsWished, problemsOf, rigAt } from '../src/rig/index.js';
import { contextFor, squareRoof } from './pitch/helper.js';
import { FORMS, rankSpans } from '../src/ground/index.js';
import { formOf, opensIntoWind } from '../src/roof/index.js';
import { DEFAULT_REQUIRED } from '../src/strength/index.js';
import { landing, place, prepared, thing, tree, who } from './ground/helper.js';

const camp = JSON.parse(readFileSync(join(process.cwd(), 'examples/sallow-ait.json'), 'utf8')) as {
  kit: KitCord[];
  rigs: { rig: RidgeRig }[];
};
const PEGS = contextFor(squareRoof(3)).pegs;
const context = { kit: camp.kit, body: who.body, required: DEFAULT_REQUIRED, pegs: PEGS };
const rig = camp.rigs[0]!.rig;

describe('a rig on a span of the ground', () => {
  test('every span of the landing takes every demo rig, and it can be judged there', () => {
    for (const span of rankSpans(prepared(landing)).good.slice(0, 20))
      for (const { rig: before } of camp.rigs) {
        const after = rigAt(landing, 'the-landing', span, before, PEGS);
        expect(problemsOf(after, context)).toEqual([]);
        const result = evaluateRidge(after, context, { ranges: false });
        expect(Number.isFinite(result.tension.value)).toBe(true);
        expect(after.site).toEqual({ place: 'the-landing', from: span.from.id, to: span.newPole ? '' : span.to.id });
      }
  });
  test('takes the trees, their distance and their rise; the ridge comes out level', () => {
    const p = place([tree('a', [-3.2, 0], { girth: 0.7, wood: 'ash' }), tree('b', [3.2, 0], { foot: 0.4 })]);
    const span = rankSpans(prepared(p)).good.find((s) => !s.newPole)!;
    const after = rigAt(p, 'p', span, rig, PEGS);
    expect(after.span).toMatchObject({ how: 'tape', tape: Math.round(span.span * 100) / 100 });
    expect(after.groundRise).toBeCloseTo(0.4, 9);
    expect(after.trunks[0]).toMatchObject({ wood: 'ash', girth: 0.7 });
    expect(after.trunks[0].tieHeight).toBeCloseTo(after.trunks[1].tieHeight + after.groundRise, 9);
    expect(after.cord).toBe(rig.cord);
    expect(after.tensioning.pulley).toEqual(rig.tensioning.pulley);
  });
  test('walls and fire stay where they were: another place has its own', () => {
    const p = place([tree('a', [-3.2, 0]), tree('b', [3.2, 0])]);
    const span = rankSpans(prepared(p)).good.find((s) => !s.newPole)!;
    const wall = { id: 'w', kind: 'brush', at: [1, 3], toward: 0, length: 4, height: 1 } as const;
    const after = rigAt(p, 'p', span, { ...rig, walls: [{ ...wall, at: [1, 3] }], fire: { at: [1, -5] } }, PEGS);
    expect(after.walls).toBeUndefined();
    expect(after.fire).toBeUndefined();
  });
  test('trunks are called as in a sentence; a number is name enough', () => {
    const named = (a: string, b: string): string[] => {
      const p = place([
        { ...tree('a', [-3.2, 0]), name: a },
        { ...tree('b', [3.2, 0]), name: b },
      ]);
      return rigAt(p, 'p', rankSpans(prepared(p)).good[0]!, rig, PEGS).trunks.map((t) => t.name);
    };
    expect(named('Upstream alder', 'Tree 2')).toEqual(['the upstream alder', 'tree 2']);
    expect(named('My post', 'the willow')).toEqual(['My post', 'the willow']);
  });
  test('a pitched roof turns with the span: its bearing, the place’s wind, soil and slope; guys follow the cloth again', () => {
    const pitched = camp.rigs.find((r) => r.rig.pitch?.form === 'gable')!.rig;
    const moved = { ...pitched, pitch: { ...pitched.pitch!, own: { '01': { foot: [3, 2] as const, haul: 70 } } } };
    const p = place([tree('a', [-3.6, 0]), tree('b', [3.6, 0])], {
      soil: 'gravel',
      slope: { fall: 0.1, toward: 0 },
      wind: { beaufort: 4, from: 1.2, shelter: 'open' },
    });
    const span = rankSpans(prepared(p)).good.find((s) => !s.newPole)!;
    const { pitch, span: long } = rigAt(p, 'p', span, moved, PEGS);
    const along = span.from.id === 'a' ? Math.PI / 2 : (3 * Math.PI) / 2;
    expect(pitch!.bearing).toBeCloseTo(along, 9);
    expect(pitch).toMatchObject({ soil: 'gravel', windFrom: 1.2, own: { '01': { foot: null, haul: 70 } } });
    // it falls to the north, which is to the left of a span that runs east
    expect(pitch!.crossRise).toBeCloseTo(span.from.id === 'a' ? -0.1 : 0.1, 6);
    expect(pitch!.middle).toBeCloseTo(long.tape / 2, 1);
  });
  test('a rig started there keeps how well the span is known, and has the form and cloth that the place wishes for', () => {
    const p = place([tree('a', [-3.6, 0]), tree('b', [3.6, 0])], {
      wind: { beaufort: 3, from: 2, shelter: 'edge' },
    });
    const span = rankSpans(prepared(p)).good.find((s) => !s.newPole)!;
    const paced = { ...span, sd: 0.2 };
    const started = rigAt(p, 'p', paced, rig, PEGS);
    expect(started.span).toMatchObject({ how: 'tape', sd: 0.2 });
    const [low, high] = evaluateRidge(started, context).span.range!;
    expect(high - low).toBeCloseTo(2 * 1.645 * 0.2, 2);
    const roof = squareRoof(3);
    const wishing = { ...p, wish: { ...p.wish, form: 'leanto' as const, roof: { length: 3, width: 3 } } };
    const kit = { cords: camp.kit, roofs: [squareRoof(2.2), roof], pegs: contextFor(roof).pegs };
    const { pitch } = pitchedAsWished(wishing, paced, started, kit);
    expect(pitch).toMatchObject({ form: 'leanto', roof: roof.id, windFrom: 2 });
    // no such cloth, no pegs, or no wish: as it was, and nothing made up
    expect(pitchedAsWished(wishing, paced, started, { ...kit, roofs: [squareRoof(2.2)] })).toBe(started);
    expect(pitchedAsWished(wishing, paced, started, { ...kit, pegs: [] })).toBe(started);
    expect(pitchedAsWished({ ...p, wish: { ...p.wish, form: 'none' } }, paced, started, kit)).toBe(started);
  });
  test('every form that can be wished for is ranked and pitched as wished, its open side out of the wind', () => {
    const roof = squareRoof(3);
    const kit = { cords: camp.kit, roofs: [roof], pegs: contextFor(roof).pegs };
    for (const form of FORMS) {
      const p = place([tree('a', [-3.6, 0]), tree('b', [3.6, 0])], {});
      for (let k = 0; k < 8; k++) {
        const from = (k * Math.PI) / 4 + 0.1;
        const wishing = {
          ...p,
          wind: { ...p.wind, from },
          wish: { ...p.wish, form, roof: { length: 3, width: 3 } },
        };
        const ranking = rankSpans(prepared(wishing));
        const found = [...ranking.good, ...ranking.out].find((s) => !s.newPole)!;
        const span = leeward(wishing, found, form);
        const { pitch } = pitchedAsWished(wishing, span, rigAt(wishing, 'p', span, rig, PEGS), kit);
        if (form === 'none') expect(pitch).toBeUndefined();
        else {
          expect(pitch!.form).toBe(form);
          expect(opensIntoWind(formOf(form), pitch!.bearing, from)).toBe(false);
        }
        expect([span.from.id, span.to.id].sort()).toEqual(['a', 'b']);
        expect(span.rise).toBeCloseTo(span.from.id === found.from.id ? found.rise : -found.rise, 12);
      }
    }
  });
  test('a boulder holds by its mass, a pole by two stays to pegs of the kit; without pegs that is one’s word', () => {
    const p = place([
      tree('a', [-3.2, 0]),
      thing('boulder', 'b', [3.2, 0], { mass: 900 }),
      thing('pole', 'c', [-3.2, 6], {}),
    ]);
    const { good, out } = rankSpans(prepared(p));
    const all = [...good, ...out];
    const at = (x: string, y: string, pegs: typeof PEGS): RidgeRig => {
      const span = all.find((s) => !s.newPole && [s.from.id, s.to.id].sort().join() === [x, y].sort().join())!;
      return rigAt(p, 'p', span, rig, pegs);
    };
    const stands = (r: RidgeRig) => r.trunks.map((t) => t.stand?.kind ?? (t.standsOnWord === true ? 'word' : 'stem'));
    const boulder = at('a', 'b', PEGS);
    expect(stands(boulder).sort()).toEqual(['lump', 'stem']);
    expect(boulder.trunks.find((t) => t.stand !== undefined)!.stand).toEqual({ kind: 'lump', mass: 900 });
    expect(evaluateRidge(boulder, context).findings.map((f) => f.code)).not.toContain('no-stem');
    const pole = at('a', 'c', PEGS);
    expect(stands(pole).sort()).toEqual(['pole', 'stem']);
    expect(problemsOf(pole, context)).toEqual([]);
    expect(evaluateRidge(pole, context).ledger.some((j) => /stay/.test(j.link.name))).toBe(true);
    // its two stays take a peg each, which a line alone counts too
    expect([...pegsBare(pole)]).toEqual([['cut', 2]]);
    expect(stands(at('a', 'c', [])).sort()).toEqual(['stem', 'word']);
  });
  test('a boulder that is immovable stands on one’s word: it does not give, it is in no ledger, and a warning says what it is asked for', () => {
    const p = place([tree('a', [-3.2, 0]), thing('boulder', 'b', [3.2, 0], { fixed: true })]);
    const span = rankSpans(prepared(p)).good.find((s) => s.to.id === 'b')!;
    const after = rigAt(p, 'p', span, rig, PEGS);
    expect(after.trunks.map((t) => t.standsOnWord)).toEqual([undefined, true]);
    const result = evaluateRidge(after, context);
    expect(result.ledger.map((j) => j.link.id)).toContain('trunk-0');
    expect(result.ledger.map((j) => j.link.id)).not.toContain('trunk-1');
    expect(result.trunks[1].moved).toBe(0);
    expect(result.findings.find((f) => f.code === 'no-stem')!.about).toBe('trunk1');
    const stem = evaluateRidge({ ...after, trunks: [after.trunks[0], { ...after.trunks[0], name: 'stem' }] }, context);
    expect(result.pretension.value).toBeGreaterThan(0);
    expect(stem.ledger.map((j) => j.link.id)).toContain('trunk-1');
  });
});
