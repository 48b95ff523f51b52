import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CORDS, FIBRES, cordWeight, dryCurve, findCord } from '../../src/catalogue/index.js';
import {
  OWN,
  OWN_LIMITS,
  RATINGS,
  cordDocument,
  cordOf,
  cordProblems,
  freshOwn,
  ownCord,
  ownName,
  ownProblems,
} from '../../src/cordage/index.js';
import type { OwnCord } from '../../src/cordage/index.js';
import { misfit } from '../../src/document/index.js';
import { against } from '../../src/findings/index.js';
import { GRAVITY } from '../../src/quantity/index.js';
import { tensionAt } from '../../src/line/index.js';
import { judgeRig } from '../../src/shelter/index.js';
import { codesOf } from '../said.js';
import { ONE_TREE, UNDER_FLY, bedded, demo, kitted } from '../shelter/helper.js';

const own = (part: Partial<OwnCord>): OwnCord => ({ ...freshOwn(), ...part });
const hank = (part: Partial<OwnCord>) =>
  ({ id: 'x', name: 'a hank', cord: OWN, own: own(part), length: 20, sun: 'new', wear: 'sound' }) as const;

describe('a cord that is none of the catalogue’s', () => {
  test('what is printed on it counts for what it says: a working load for three, an average for less, a minimum for itself', () => {
    const of = (rating: OwnCord['rating']): number =>
      ownCord(own({ rating, rated: 1000, fibre: 'nylon' })).strength.typical;
    expect([of('minimum'), of('average'), of('working'), of('held')]).toEqual([1000, 850, 3000, 1000]);
    for (const rating of Object.keys(RATINGS) as OwnCord['rating'][]) {
      const { strength } = ownCord(own({ rating, rated: 1000 }));
      expect(strength.low).toBeLessThanOrEqual(strength.typical);
      expect(strength.typical).toBeLessThanOrEqual(strength.high);
    }
  });
  test('each number says whether it is the maker’s, measured, or guessed', () => {
    const all = ownCord(
      own({
        rating: 'minimum',
        rated: 2000,
        fibre: 'polyester',
        perMetre: 0.01,
        hung: { mass: 10, over: 2, drawn: 0.01 },
      }),
    );
    expect([all.strength.kind, all.massPerMetre.kind, all.breakStrain.kind]).toEqual([
      'printed',
      'measured',
      'measured',
    ]);
    const none = ownCord(own({}));
    expect([none.strength.kind, none.massPerMetre.kind, none.breakStrain.kind]).toEqual([
      'judgement',
      'judgement',
      'judgement',
    ]);
    expect([all.known, none.known, ownCord(own({ rating: 'minimum', rated: 2000 })).known]).toEqual([
      true,
      false,
      false,
    ]);
  });
  test('a guess lies under every cord of the catalogue of that fibre and thickness, and an unknown fibre under all', () => {
    for (const cord of CORDS.filter((c) => c.bears)) {
      const guess = (fibre: OwnCord['fibre']): number =>
        ownCord(own({ fibre, thickness: cord.diameter, width: cord.width ?? 0 })).strength.typical;
      expect(guess(cord.fibre)).toBeLessThan(cord.strength.typical);
      expect(guess('unknown')).toBeLessThan(guess(cord.fibre));
    }
  });
  test('its weight comes within a third of the catalogue’s for the same fibre and thickness', () => {
    for (const id of ['accessory-5', 'polyester-3', 'manila-6', 'uhmwpe-1.75']) {
      const cord = findCord(id)!;
      const guess = cordWeight(ownCord(own({ fibre: cord.fibre, thickness: cord.diameter })), false);
      expect(Math.abs(Math.log(guess / cordWeight(cord, false)))).toBeLessThan(0.3);
    }
  });
  test('its curve passes through the mass that was hung on it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FIBRES.filter((f) => f !== 'elastic' && f !== 'unknown')),
        fc.double({ min: 0.02, max: 0.6, noNaN: true }),
        fc.double({ min: 0.005, max: 0.1, noNaN: true }),
        (fibre, share, strain) => {
          const rated = 2000;
          const hung = { mass: (share * rated) / GRAVITY, over: 2, drawn: 2 * strain };
          const curve = dryCurve(ownCord(own({ fibre, rating: 'minimum', rated, hung })));
          // the curve is drawn in ten straight pieces, which lie above the bend by a little
          expect(tensionAt(curve, strain) / (share * rated)).toBeGreaterThan(0.999);
          expect(tensionAt(curve, strain) / (share * rated)).toBeLessThan(1.05);
        },
      ),
    );
  });
  test('what does not fit together is told at its field with the remedy', () => {
    const fields = (part: Partial<OwnCord>): string[] => ownProblems(own(part)).map((p) => p.field);
    expect(fields({ rating: 'minimum', rated: 0 })).toEqual(['own.rated']);
    expect(fields({ width: 0.001, thickness: 0.004 })).toEqual(['own.width']);
    expect(fields({ rating: 'minimum', rated: 500, hung: { mass: 60, over: 2, drawn: 0.1 } })).toEqual([
      'own.hung.mass',
    ]);
    expect(fields({ rating: 'minimum', rated: 5000, hung: { mass: 10, over: 2, drawn: 3 } })).toEqual([
      'own.hung.drawn',
    ]);
    expect(cordProblems({ cord: OWN, length: 5 }).map((p) => p.field)).toEqual(['own']);
    expect(cordProblems({ cord: 'manila-6', own: own({}), length: 5 }).map((p) => p.field)).toEqual(['own']);
    expect(cordProblems(hank({}))).toEqual([]);
    expect(misfit(cordDocument, hank({ thickness: OWN_LIMITS.thickness.max * 2 }))!.message).toMatch(/thickness/);
  });
  test('is called by what one sees of it', () => {
    expect(ownName(own({ fibre: 'polypropylene', thickness: 0.006 }))).toBe('6 mm polypropylene cord');
    expect(ownName(own({ thickness: 0.0012, width: 0.025 }))).toBe('25 mm webbing of unknown fibre');
    expect(cordOf(hank({ fibre: 'nylon' }))!.name).toBe('4 mm nylon cord');
  });
});

describe('what is only guessed', () => {
  test('is told where it holds a roof, and nobody hangs from it', () => {
    const fly = demo(UNDER_FLY);
    const guy = fly.rig.pitch!.guy.cord;
    const withGuy = { ...fly.context, kit: fly.context.kit.map((k) => (k.id === guy ? { ...hank({}), id: guy } : k)) };
    const { report } = judgeRig(bedded(fly.rig, {}), withGuy, { full: false });
    expect(codesOf(report.findings)).toContain('guessed');
    expect(codesOf(report.findings)).not.toContain('guessed-under-someone');
    const straps = kitted(fly.context, {}, { webbing: OWN, own: own({ thickness: 0.0015, width: 0.03 }) });
    expect(against(judgeRig(fly.rig, straps, { full: false }).report.findings)[0]).toMatchObject({
      code: 'guessed-under-someone',
      severity: 'refuses',
    });
    const printed = kitted(
      fly.context,
      {},
      {
        webbing: OWN,
        own: own({ fibre: 'polyester', thickness: 0.0015, width: 0.03, rating: 'minimum', rated: 12_000 }),
      },
    );
    expect(codesOf(judgeRig(fly.rig, printed, { full: false }).report.findings)).not.toContain('guessed-under-someone');
  });
  test('nor from a back-stay of it', () => {
    const one = demo(ONE_TREE);
    const stay = one.rig.bed!.ends.flatMap((e) => (e.anchor.kind === 'pole' ? [e.anchor.cord] : []))[0]!;
    const context = {
      ...one.context,
      kit: one.context.kit.map((k) => (k.id === stay ? { ...hank({}), id: stay } : k)),
    };
    expect(codesOf(judgeRig(one.rig, context, { full: false }).report.findings)).toContain('guessed-under-someone');
  });
});
