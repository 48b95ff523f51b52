import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  levelFigure,
  levelOn,
  momentFigure,
  momentOn,
  rootsHold,
  stemHolds,
  treeHoldFigure,
  treeHolds,
} from '../src/anchor/index.js';
import type { TiePull } from '../src/anchor/index.js';
import { SOILS, WOODS, findWood } from '../src/catalogue/index.js';
import { given } from '../src/working/index.js';

const pull = (level: number, toward: number, height: number, off = 0): TiePull => ({
  level,
  toward,
  height,
  down: 0,
  what: 'the line',
  figure: () =>
    given({ symbol: 'H', title: 'level pull', quantity: 'force' }, level, { kind: 'derived', text: 'test' }, [
      level * (1 - off),
      level * (1 + off),
    ]),
});
const anyPull = fc
  .tuple(
    fc.double({ min: 0, max: 2000, noNaN: true }),
    fc.double({ min: -Math.PI, max: Math.PI, noNaN: true }),
    fc.double({ min: 0.02, max: 3, noNaN: true }),
  )
  .map(([level, toward, height]) => pull(level, toward, height));

describe('a stem under several pulls', () => {
  test('two at right angles come to what Pythagoras says, each at its own height', () => {
    const both = [pull(300, 0, 2), pull(400, Math.PI / 2, 2)];
    expect(levelOn(both)).toBeCloseTo(500, 9);
    expect(momentOn(both)).toBeCloseTo(1000, 9);
    expect(momentOn([pull(300, 0, 2), pull(400, Math.PI / 2, 0.5)])).toBeCloseTo(Math.hypot(600, 200), 9);
  });
  test('one straight against another at the same height takes it off; low down it hardly eases the foot', () => {
    expect(momentOn([pull(500, 0, 1.5), pull(500, Math.PI, 1.5)])).toBeCloseTo(0, 9);
    expect(momentOn([pull(500, 0, 1.5), pull(500, Math.PI, 0.15)])).toBeCloseTo(675, 9);
  });
  test('turning the plan, or the order, changes nothing; more is never more than the sum', () => {
    fc.assert(
      fc.property(
        fc.array(anyPull, { minLength: 1, maxLength: 6 }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (pulls, turn) => {
          const turned = pulls.map((p) => pull(p.level, p.toward + turn, p.height));
          const M = momentOn(pulls);
          expect(momentOn(turned)).toBeCloseTo(M, 6);
          expect(momentOn([...pulls].reverse())).toBeCloseTo(M, 6);
          const each = pulls.map((p) => p.level * p.height);
          const sum = each.reduce((a, b) => a + b, 0);
          expect(M).toBeLessThanOrEqual(sum + 1e-6);
          expect(M).toBeGreaterThanOrEqual(2 * Math.max(...each) - sum - 1e-6);
        },
      ),
    );
  });
  test('the moment with its working; one pull reads as the plain formula', () => {
    fc.assert(
      fc.property(fc.array(anyPull, { minLength: 1, maxLength: 6 }), (pulls) => {
        const f = momentFigure('the alder', pulls);
        expect(f.value).toBeCloseTo(momentOn(pulls), 6);
        expect(levelFigure('the alder', pulls).value).toBeCloseTo(levelOn(pulls), 6);
        expect(f.inputs).toHaveLength(pulls.length === 1 ? 2 : 3 * pulls.length);
      }),
    );
    expect(momentFigure('the alder', [pull(400, 1, 1.5)]).formula).toBe('M = H h');
    expect(momentFigure('the alder', [pull(400, 1, 1.5)]).value).toBeCloseTo(600, 9);
  });
  test('each pull and where it goes is told, numbered, and its range widens that of the whole', () => {
    const sure = momentFigure('the alder', [pull(400, 0, 1.5), pull(100, 0, 0.3)]);
    const loose = momentFigure('the alder', [pull(400, 0, 1.5, 0.3), pull(100, 0, 0.3)]);
    expect(sure.inputs!.map((f) => f.symbol)).toEqual(['H₁', 'φ₁', 'h₁', 'H₂', 'φ₂', 'h₂']);
    expect(loose.range![1] - loose.value).toBeGreaterThan(sure.range![1] - sure.value);
    expect(loose.value).toBe(sure.value);
  });
});

describe('what the foot of a tree holds', () => {
  const alder = findWood('alder')!;
  test('a stem bends at f pi d cubed over 32; roots turn over with the cube of the diameter', () => {
    expect(stemHolds(0.3, 45e6)).toBeCloseTo((45e6 * Math.PI * 0.027) / 32, 6);
    expect(rootsHold(0.4, { soil: 'turf', wet: false }) / rootsHold(0.2, { soil: 'turf', wet: false })).toBeCloseTo(
      8,
      9,
    );
  });
  test('the lesser of the two, with both in its working', () => {
    for (const soil of SOILS)
      for (const wet of [false, true])
        for (const wood of WOODS) {
          const ground = { soil: soil.id, wet };
          const f = treeHoldFigure('it', 0.25, wood, ground);
          expect(f.value).toBe(treeHolds(0.25, wood, ground));
          expect(f.value).toBe(Math.min(...f.inputs!.map((x) => x.value)));
        }
  });
  test('wet, stony and soft ground never holds a tree better', () => {
    for (const soil of SOILS) {
      expect(rootsHold(0.3, { soil: soil.id, wet: true })).toBeLessThan(rootsHold(0.3, { soil: soil.id, wet: false }));
      expect(rootsHold(0.3, { soil: soil.id, wet: false })).toBeLessThanOrEqual(
        rootsHold(0.3, { soil: 'firm-clay', wet: false }),
      );
    }
    expect(treeHolds(0.3, alder, { soil: 'gravel', wet: true })).toBeLessThan(
      treeHolds(0.3, alder, { soil: 'turf', wet: false }),
    );
  });
});
