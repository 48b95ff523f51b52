import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { byMonth, calibration, chiSquared, offBy, scoreOf } from '../../src/drill/index.js';
import type { Drill, Guessed } from '../../src/drill/index.js';
import { chanceOf } from '../../src/drill/chance.js';
import { limit, normalQuantile } from '../../src/quantity/index.js';

const asks = (truth: number, whole = false): Pick<Drill, 'asked'> => ({
  asked: { form: 'number', limit: limit('pull', 'force', 1, 1e4), whole, truth },
});

describe('a guess is scored', () => {
  test.each([
    [100, 100, 4, true],
    [114, 100, 4, true],
    [130, 100, 3, true],
    [70, 100, 2, false],
    [190, 100, 2, false],
    [40, 100, 1, false],
    [260, 100, 1, false],
  ] as const)('%d for %d: %d', (said, truth, grade, near) => {
    expect(scoreOf(asks(truth), { said, sure: 0.7 })).toMatchObject({ grade, near, error: Math.log(said / truth) });
  });
  test.each([
    [3, 3, 3, true],
    [4, 3, 2, false],
    [5, 3, 1, false],
  ] as const)('%d wraps for %d: %d', (said, truth, grade, near) => {
    expect(scoreOf(asks(truth, true), { said, sure: 0.7 })).toMatchObject({ grade, near });
  });
  test('twice too much is as far off as half, and nearer is never graded worse', () => {
    const positive = fc.double({ min: 1, max: 1e4, noNaN: true });
    fc.assert(
      fc.property(positive, positive, positive, (truth, a, b) => {
        const of = (said: number) => scoreOf(asks(truth), { said, sure: 0.5 });
        expect(of((truth * truth) / a).grade).toBe(of(a).grade);
        const [near, far] = Math.abs(Math.log(a / truth)) < Math.abs(Math.log(b / truth)) ? [a, b] : [b, a];
        expect(of(near).grade).toBeGreaterThanOrEqual(of(far).grade);
      }),
      // where a factor is hit exactly, rounding decides
      { examples: [[100, 150, 90]] },
    );
  });
  test('a choice is right or wrong; a guess of another form is none', () => {
    const choice: Pick<Drill, 'asked'> = { asked: { form: 'choice', options: [{ id: 'a', name: 'A' }], truth: 'a' } };
    expect(scoreOf(choice, { said: 'a', sure: 1 })).toEqual({ error: null, near: true, grade: 3 });
    expect(scoreOf(choice, { said: 'b', sure: 1 })).toEqual({ error: null, near: false, grade: 1 });
    expect(() => scoreOf(choice, { said: 4, sure: 1 })).toThrow(RangeError);
    for (const said of ['a', 0, -3, Number.NaN]) expect(() => scoreOf(asks(5), { said, sure: 1 })).toThrow(RangeError);
  });
});

describe('chi squared', () => {
  // Abramowitz and Stegun, Handbook of Mathematical Functions, 1964, table 26.8
  test.each([
    [0.95, 3, 7.815],
    [0.05, 3, 0.352],
    [0.95, 5, 11.07],
    [0.05, 5, 1.145],
    [0.95, 10, 18.307],
    [0.05, 10, 3.94],
    [0.95, 30, 43.773],
    [0.05, 30, 18.493],
  ])('at %d with %d degrees of freedom', (p, n, value) => {
    expect(Math.abs(chiSquared(p, n) / value - 1)).toBeLessThan(n < 10 ? 0.07 : 0.005);
  });
});

describe('how far off one is', () => {
  const of = (...errors: number[]) => errors.map((error) => ({ error }));
  test('is the root mean square as a factor, and says nothing of fewer than three', () => {
    expect(offBy(of(0.1, -0.1))).toBeNull();
    const two = Math.log(2);
    const off = offBy(of(two, -two, two, -two))!;
    expect(off.times).toBeCloseTo(2, 12);
    expect(off.bias).toBeCloseTo(1, 12);
    expect(off.range[0]).toBeLessThan(2);
    expect(off.range[1]).toBeGreaterThan(2);
    expect(offBy(of(two, two, two))!.bias).toBeCloseTo(2, 12);
  });
  test('its range holds the truth nine times in ten', () => {
    const chance = chanceOf(20);
    const normal = (): number => normalQuantile(chance.between(1e-9, 1 - 1e-9));
    for (const n of [4, 12, 40]) {
      let held = 0;
      for (let k = 0; k < 2000; k++) {
        const { range } = offBy(of(...Array.from({ length: n }, () => 0.5 * normal())))!;
        if (range[0] <= Math.exp(0.5) && Math.exp(0.5) <= range[1]) held++;
      }
      expect(held / 2000).toBeGreaterThan(0.88);
      expect(held / 2000).toBeLessThan(0.92);
    }
  });
  test('narrows with practice', () => {
    const many = (n: number) => offBy(of(...Array.from({ length: n }, (_, i) => (i % 2 === 0 ? 0.3 : -0.3))))!.range;
    expect(many(40)[1] - many(40)[0]).toBeLessThan(many(8)[1] - many(8)[0]);
  });
});

test('how often one is near when one says so, by how sure, within what that can be told', () => {
  const guess = (sure: number, near: boolean) => ({ sure, near });
  const all = [...Array.from({ length: 20 }, (_, i) => guess(0.9, i < 10)), guess(0.5, true)];
  const [half, ninety] = calibration(all);
  expect(half).toMatchObject({ sure: 0.5, count: 1, near: 1 });
  // of one nothing much can be told
  expect(half!.range[0]).toBeLessThan(0.4);
  expect(ninety).toMatchObject({ sure: 0.9, count: 20, near: 0.5 });
  // they are surer than they are right
  expect(ninety!.range[1]).toBeLessThan(0.9);
  expect(calibration([])).toEqual([]);
});

test('by month, the first first', () => {
  const at = (day: string): Guessed => ({
    kind: 'pull',
    at: `${day}T18:00:00Z`,
    error: 0,
    near: true,
    grade: 4,
    sure: 0.7,
  });
  const months = byMonth([at('2026-04-02'), at('2026-03-30'), at('2026-04-01')]);
  expect([...months.keys()]).toEqual(['2026-03', '2026-04']);
  expect(months.get('2026-04')!.map((g) => g.at.slice(8, 10))).toEqual(['01', '02']);
});
