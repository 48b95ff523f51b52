import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DRILL_KINDS, hardFor, spacingOf } from '../../src/drill/index.js';
import type { DrillKind, Guessed } from '../../src/drill/index.js';
import { chanceOf } from '../../src/drill/chance.js';

const DAY = 86_400_000;
const START = Date.UTC(2026, 2, 1, 18);
const guess = (day: number, grade: 1 | 2 | 3 | 4, kind: DrillKind = 'pull'): Guessed => ({
  kind,
  at: new Date(START + day * DAY).toISOString(),
  error: 0,
  near: grade >= 3,
  grade,
  sure: 0.7,
});
const of = (kind: DrillKind, guesses: readonly Guessed[], day = 1000) =>
  spacingOf(guesses, new Date(START + day * DAY)).find((s) => s.kind === kind)!;
const days = (guesses: readonly Guessed[]): number =>
  (of('pull', guesses).due!.getTime() - Date.parse(guesses.at(-1)!.at)) / DAY;

describe('when a drill is due again', () => {
  test('what was never asked is new, and every kind is there once', () => {
    const all = spacingOf([], new Date(START));
    expect(all.map((s) => s.kind).sort()).toEqual([...DRILL_KINDS].sort());
    expect(all.every((s) => s.due === null && s.count === 0)).toBe(true);
  });
  test('the better it is known, the later; forgotten, it comes soon', () => {
    expect(days([guess(0, 4)])).toBeGreaterThan(days([guess(0, 3)]));
    expect(days([guess(0, 3)])).toBeGreaterThan(days([guess(0, 1)]));
    const known = [guess(0, 3), guess(4, 3), guess(20, 3)];
    expect(days(known)).toBeGreaterThan(days(known.slice(0, 2)));
    expect(days([...known, guess(60, 1)])).toBeLessThan(days(known));
    expect(days([guess(0, 1)])).toBeGreaterThan(0);
  });
  test('never later than a season, whatever is known', () => {
    const grades = fc.array(fc.constantFrom(1 as const, 2 as const, 3 as const, 4 as const), {
      minLength: 1,
      maxLength: 25,
    });
    fc.assert(
      fc.property(grades, (list) => {
        const all = list.map((g, i) => guess(7 * i, g));
        const wait = days(all);
        expect(wait).toBeGreaterThan(0);
        // a better grade is a day later than a worse one, even there
        expect(wait).toBeLessThanOrEqual(122);
        // the order in which they lie about is none
        expect(days([...all].reverse().sort((a, b) => (a.at < b.at ? -1 : 1)))).toBe(wait);
        expect(of('pull', [...all].reverse()).due).toEqual(of('pull', all).due);
      }),
      { numRuns: 60 },
    );
  });
  test('due ones come first, the longest due before, then the new, then what is not due', () => {
    const all = [guess(0, 1, 'sag'), guess(1, 1, 'pull'), guess(9, 4, 'paces')];
    const order = spacingOf(all, new Date(START + 10 * DAY)).map((s) => s.kind);
    expect(order.slice(0, 2)).toEqual(['sag', 'pull']);
    expect(order.at(-1)).toBe('paces');
  });
});

describe('how hard the next one is', () => {
  test('begins easy, rises with what is near, falls three times as far', () => {
    expect(hardFor('pull', [])).toBe(0);
    expect(hardFor('pull', [guess(0, 4), guess(1, 3)])).toBeCloseTo(0.2, 12);
    expect(hardFor('pull', [guess(0, 4), guess(1, 3), guess(2, 3), guess(3, 3), guess(4, 1)])).toBeCloseTo(0.1, 12);
    expect(hardFor('pull', [guess(0, 4, 'sag')])).toBe(0);
    expect(hardFor('pull', [guess(0, 1), guess(1, 1)])).toBe(0);
    expect(
      hardFor(
        'pull',
        Array.from({ length: 30 }, (_, i) => guess(i, 4)),
      ),
    ).toBe(1);
  });
  test('settles where three in four are near', () => {
    // a learner who is the less often near the harder it is
    const chance = chanceOf(3);
    const all: Guessed[] = [];
    let near = 0;
    for (let day = 0; day < 1200; day++) {
      const hard = hardFor('pull', all.slice(-300));
      const knows = chance.between(0, 1) < 1 - 0.5 * hard;
      all.push(guess(day, knows ? 3 : 1));
      if (day >= 200 && knows) near++;
    }
    expect(near / 1000).toBeGreaterThan(0.7);
    expect(near / 1000).toBeLessThan(0.8);
  });
});
