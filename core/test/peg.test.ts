import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  bestRise,
  bucklingLoad,
  buriedHold,
  footHolds,
  ganged,
  pegFigure,
  pegHold,
  pegHolds,
  pullOut,
  pushOver,
  shortPile,
  soilNumbers,
} from '../src/anchor/index.js';
import type { SoilNumbers } from '../src/anchor/index.js';
import { PEGS, SOILS, findPeg, findSoil } from '../src/catalogue/index.js';
import { holdOf, pegOf, pegsProblems } from '../src/support/index.js';

const clay: SoilNumbers = { cohesion: 40_000, weight: 18_000, adhesion: 0.5, pegFriction: 0.7, pressure: 2 };
const sand: SoilNumbers = { friction: 0.54, weight: 16_000, adhesion: 0.5, pegFriction: 0.7, pressure: 2 };
const met = { surface: 'wood', wet: false, depth: 0.3 } as const;
const peg = { width: 0.025, depth: 0.3, arm: 0.03, lean: 0 };

describe('a peg in the ground', () => {
  test('drawn along itself: what clings to its surface', () => {
    expect(pullOut(clay, peg)).toBeCloseTo(0.5 * 40_000 * Math.PI * 0.025 * 0.3, 6);
    expect(pullOut(sand, peg)).toBeCloseTo(2 * 0.5 * 16_000 * 0.3 * Math.tan(0.7 * 0.54) * Math.PI * 0.025 * 0.3, 9);
  });
  test('pulled level and upright it is Broms’ short pile', () => {
    expect(pegHold(sand, peg, 0)).toBeCloseTo(shortPile({ friction: 0.54, weight: 16_000 }, 0.025, 0.3, 0.03), 9);
    expect(pegHold(clay, peg, 0)).toBeCloseTo(shortPile({ cohesion: 40_000, weight: 18_000 }, 0.025, 0.3, 0.03), 9);
  });
  test('pulled straight up it holds what it is drawn with', () => {
    expect(pegHold(sand, peg, Math.PI / 2)).toBeCloseTo(pullOut(sand, peg), 6);
  });
  test('square to the guy nothing draws it: the whole lateral hold is there', () => {
    const leaning = { ...peg, lean: 0.4 };
    expect(pegHold(clay, leaning, 0.4)).toBeCloseTo(pushOver(clay, leaning), 9);
  });
  test('leaning into the pull holds least, and steeper guys hold less on an upright peg', () => {
    fc.assert(
      fc.property(fc.constantFrom(clay, sand), fc.double({ min: 0.05, max: 1.4, noNaN: true }), (soil, rise) => {
        const away = pegHold(soil, { ...peg, lean: 0.35 }, rise);
        const toward = pegHold(soil, { ...peg, lean: -0.35 }, rise);
        if (rise < 0.9) expect(toward).toBeLessThan(away);
        expect(pegHold(soil, peg, rise + 0.1)).toBeLessThan(pegHold(soil, peg, rise) * 1.0000001);
        expect(away).toBeGreaterThan(0);
      }),
      { seed: 3, numRuns: 100 },
    );
  });
  test('inside the interaction everywhere: both parts of the pull together just reach one', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1.5, noNaN: true }),
        fc.double({ min: -0.5, max: 0.6, noNaN: true }),
        (rise, lean) => {
          const p = { ...peg, lean };
          const T = pegHold(sand, p, rise);
          const across = (T * Math.cos(rise - lean)) / pushOver(sand, p);
          const along = (T * Math.max(0, Math.sin(rise - lean))) / pullOut(sand, p);
          expect(across * across + along * along).toBeCloseTo(1, 9);
        },
      ),
      { seed: 5, numRuns: 100 },
    );
  });
  test('deeper and wider holds more, in every soil of the catalogue', () => {
    for (const soil of SOILS)
      for (const end of ['low', 'typical', 'high'] as const) {
        const n = soilNumbers(soil, end, met);
        expect(pegHold(n, { ...peg, depth: 0.4 }, 0.5)).toBeGreaterThan(pegHold(n, peg, 0.5));
        expect(pegHold(n, { ...peg, width: 0.04 }, 0.5)).toBeGreaterThan(pegHold(n, peg, 0.5));
      }
  });
  test('the figure has its range, and a thin peg bends before the ground gives', () => {
    const soil = findSoil('stiff-clay')!;
    const wood = pegFigure(soil, peg, 0.5, 1, findPeg('cut-wood')!, false);
    expect(wood.range![0]).toBeLessThan(wood.value);
    expect(wood.range![1]).toBeGreaterThan(wood.value);
    const wire = pegFigure(soil, { ...peg, width: 0.006, depth: 0.15 }, 0.5, 1, findPeg('wire')!, false);
    expect(wire.value).toBeLessThan(
      pegHold(soilNumbers(soil, 'typical', { ...met, surface: 'metal' }), { ...peg, width: 0.006, depth: 0.15 }, 0.5),
    );
    expect(wood.notes!.join(' ')).toMatch(/factor of two/);
  });
  test('its range is a factor of two each way, as far as the peg itself bears it', () => {
    for (const soil of SOILS)
      for (const wet of [false, true])
        for (const rise of [0, 0.5, 1]) {
          const stout = findPeg('stout-wood')!;
          const p = { width: stout.width, depth: 0.25, arm: 0.03, lean: 0.3 };
          const f = pegFigure(soil, p, rise, 1, stout, wet);
          expect(f.value).toBeCloseTo(pegHolds(soil, p, rise, 1, stout, wet), 9);
          expect(f.range![0]).toBeCloseTo(f.value / 2, 6);
          expect(f.range![1]).toBeLessThanOrEqual(2 * f.value * 1.000001);
          expect(f.range![1]).toBeGreaterThan(1.5 * f.value);
        }
  });
  test('wetter ground never holds more, a longer peg never less', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SOILS),
        fc.constantFrom(...PEGS),
        fc.double({ min: 0, max: 1.4, noNaN: true }),
        fc.double({ min: -0.4, max: 0.6, noNaN: true }),
        fc.double({ min: 0.08, max: 0.6, noNaN: true }),
        (soil, shape, rise, lean, depth) => {
          const at = (d: number, wet: boolean): number =>
            pegHolds(
              soil,
              { width: shape.width, depth: d, arm: 0.03, lean },
              rise,
              1,
              { ...shape, moment: { ...shape.moment, typical: 1e9 } },
              wet,
            );
          expect(at(depth, true)).toBeLessThanOrEqual(at(depth, false) * 1.000001);
          expect(at(depth * 1.2, true)).toBeGreaterThanOrEqual(at(depth, true) * 0.999999);
        },
      ),
      { seed: 11, numRuns: 300 },
    );
  });
  test('driven wood in sand holds several times what smooth metal does when it is drawn', () => {
    const soil = findSoil('sand')!;
    const drawn = (surface: 'wood' | 'metal'): number =>
      pullOut(soilNumbers(soil, 'typical', { ...met, surface }), peg);
    expect(drawn('wood') / drawn('metal')).toBeGreaterThan(1.5);
  });
  test('damp makes sand stick, by 3 b L² c √K_p over arm and depth', () => {
    const kp = Math.tan(Math.PI / 4 + 0.27) ** 2;
    const more = shortPile({ friction: 0.54, weight: 16_000, apparent: 1000 }, 0.025, 0.3, 0.03);
    expect(more - shortPile({ friction: 0.54, weight: 16_000 }, 0.025, 0.3, 0.03)).toBeCloseTo(
      (3 * 0.025 * 0.09 * 1000 * Math.sqrt(kp)) / 0.33,
      6,
    );
  });
  test('a peg that was pulled replaces the model of it in that soil, and no other', () => {
    const soil = findSoil('silty-sand')!;
    const kit = [{ id: 'mine', name: 'mine', shape: 'cut-wood', count: 6 }];
    const anchor = { kind: 'peg', pegs: 'mine', inLine: 1, lean: 0.3 } as const;
    const pulls = [{ pegs: 'mine', soil: 'silty-sand', force: 260, moved: true, wet: false }];
    const pulled = holdOf(anchor, { soil, pulls }, kit, 'here')!;
    expect(pulled.holds(0.5, false)!.value).toBe(260);
    expect(pulled.held(0.5, false)).toBe(260);
    expect(pulled.holds(0.5, true)!.value).toBeLessThan(260);
    expect(pulled.holds(0.5, false)!.source!.kind).toBe('measured');
    const elsewhere = holdOf(anchor, { soil: findSoil('turf')!, pulls }, kit, 'here')!;
    expect(elsewhere.holds(0.5, false)!.value).not.toBe(260);
    const held = holdOf(anchor, { soil, pulls: [{ ...pulls[0]!, moved: false }] }, kit, 'here')!;
    expect(held.holds(0.5, false)!.range![1]).toBeGreaterThan(pulled.holds(0.5, false)!.range![1]);
  });
  test('pegs behind one another: one, one and a half, one and five sixths', () => {
    expect([1, 2, 3].map(ganged)).toEqual([1, 1.5, expect.closeTo(11 / 6, 12)]);
    const soil = findSoil('turf')!;
    const one = pegFigure(soil, peg, 0.5, 1, findPeg('stout-wood')!, false).value;
    expect(pegFigure(soil, peg, 0.5, 2, findPeg('stout-wood')!, false).value).toBeCloseTo(1.5 * one, 6);
  });
  test('the best angle asks least of the peg for the same level pull', () => {
    const best = bestRise(sand, peg, 0.2, 1.2);
    const worth = (rise: number): number =>
      pegHold(sand, { ...peg, lean: Math.min(rise, Math.PI / 6) }, rise) * Math.cos(rise);
    for (const rise of [0.2, 0.4, 0.7, 1, 1.2]) expect(worth(best)).toBeGreaterThanOrEqual(worth(rise) - 1e-9);
  });
  test('every shape of peg can be driven and bears a bend', () => {
    for (const p of PEGS) {
      expect(p.length).toBeGreaterThan(0.1);
      expect(p.moment.low).toBeLessThan(p.moment.high);
    }
  });
});

describe('what is buried, and sticks', () => {
  test('straight up: the prism above and half the shear at its sides', () => {
    const up = buriedHold(clay, 0.6, 0.2, 0.4, Math.PI / 2);
    expect(up).toBeCloseTo(18_000 * 0.6 * 0.2 * 0.4 + 40_000 * 0.6 * 0.4, 6);
    expect(buriedHold(sand, 0.6, 0.2, 0.4, 0.6)).toBeGreaterThan(buriedHold(sand, 0.6, 0.2, 0.2, 0.6));
  });
  test('Euler: pi squared E I over L squared', () => {
    const I = (Math.PI * 0.03 ** 4) / 64;
    expect(bucklingLoad(8e9, 0.03, 1.5)).toBeCloseTo((Math.PI ** 2 * 8e9 * I) / 1.5 ** 2, 6);
    expect(footHolds(0.5)).toBeCloseTo(0.4636, 4);
  });
});

describe('pegs by their own size', () => {
  const usual = findPeg('cut-wood')!;
  test('are what they were where they have the usual one; a round one twice as thick bends at eight times the moment', () => {
    expect(pegOf({ shape: 'cut-wood' })).toBe(usual);
    const same = pegOf({ shape: 'cut-wood', size: { length: usual.length, width: usual.width } })!;
    expect(same.moment.typical).toBeCloseTo(usual.moment.typical, 9);
    const thick = pegOf({ shape: 'cut-wood', size: { length: 0.5, width: 2 * usual.width } })!;
    expect(thick).toMatchObject({ length: 0.5, width: 2 * usual.width });
    expect(thick.moment.typical).toBeCloseTo(8 * usual.moment.typical, 9);
    const broad = findPeg('broad')!;
    expect(
      pegOf({ shape: 'broad', size: { length: broad.length, width: 2 * broad.width } })!.moment.typical,
    ).toBeCloseTo(4 * broad.moment.typical, 9);
  });
  test('the catalogue’s own sizes agree with that law within a half: a stout wooden peg from a thin one', () => {
    const stout = findPeg('stout-wood')!;
    const scaled = pegOf({ shape: 'cut-wood', size: { length: stout.length, width: stout.width } })!;
    expect(Math.abs(Math.log(scaled.moment.typical / stout.moment.typical))).toBeLessThan(0.4);
  });
  test('shorter than four times their width are none', () => {
    expect(pegsProblems({ shape: 'cut-wood', size: { length: 0.1, width: 0.03 } })).toHaveLength(1);
    expect(pegsProblems({ shape: 'nothing' })).toEqual([]);
  });
});
