import { describe, expect, test } from '@jest/globals';
import { DRILL_KINDS, drillOf } from '../../src/drill/index.js';
import type { Drill } from '../../src/drill/index.js';
import { limit, tell } from '../../src/quantity/index.js';
import {
  DRILL_NAMES,
  answerNumber,
  calibrationWords,
  drillQuestion,
  guessWords,
  offWords,
  sinceWords,
} from '../../src/words/index.js';
import { UNITS } from '../shelter/helper.js';
import { source } from '../drill/helper.js';

const number = (truth: number, whole = false) =>
  ({ asked: { form: 'number', limit: limit('pull', 'force', 1, 1e4), whole, truth } }) as unknown as Drill;

describe('a question', () => {
  test.each(DRILL_KINDS.filter((k) => k !== 'first' && k !== 'wind'))(
    'of %s is one, in the reader’s units, and does not tell its answer',
    (kind) => {
      const name = kind === 'angle' || kind === 'fault' ? 'river-bed-under-the-fly' : 'hammock-fly';
      const drill = [3, 4, 5, 6, 7, 8]
        .map((seed) => drillOf(kind, source(name), seed, 0.5))
        .find((d) => d !== null)!.drill;
      const said = tell(drillQuestion(drill), UNITS);
      expect(said).toMatch(/^[A-Z].*\?$/);
      expect(said).not.toMatch(/undefined|NaN| {2}/);
      if (drill.asked.form === 'number' && kind === 'pull')
        expect(said).not.toContain(Math.round(drill.asked.truth).toString());
      const feet = tell(drillQuestion(drill), { length: 'ft', force: 'lbf' });
      // the bed is called by its length
      expect(feet.replace(/, 3 m\b/, '')).not.toMatch(/\d (m|N|kg)\b/);
      expect(DRILL_NAMES[kind]).toBeTruthy();
    },
  );
});

describe('how far off a guess is told to be', () => {
  test.each([
    [100, 100, 'Right.'],
    [108, 100, 'Right within 8 %.'],
    [130, 100, '30 % too much.'],
    [75, 100, '33 % too little.'],
    [270, 100, '2.7 times too much.'],
    [37, 100, '2.7 times too little.'],
    [1500, 100, '15 times too much.'],
  ])('%d for %d: %s', (said, truth, words) => {
    expect(guessWords(number(truth), { said, sure: 0.7 })).toBe(words);
  });
  test.each([
    [3, 3, 'Right.'],
    [4, 3, 'One too many.'],
    [1, 3, 'Two too few.'],
  ])('%d wraps for %d: %s', (said, truth, words) => {
    expect(guessWords(number(truth, true), { said, sure: 0.7 })).toBe(words);
  });
  test('of a choice', () => {
    const options = [
      { id: 'a', name: 'left guy' },
      { id: 'b', name: 'ridgeline' },
    ];
    const drill = { asked: { form: 'choice', options, truth: 'b' } } as unknown as Drill;
    expect(guessWords(drill, { said: 'b', sure: 0.9 })).toBe('Right.');
    expect(guessWords(drill, { said: 'a', sure: 0.9 })).toBe('It is ridgeline.');
  });
});

test('what the eye knows', () => {
  expect(offWords({ count: 23, times: 1.42, range: [1.2, 1.83], bias: 0.8 })).toBe(
    'off by 1.4 times (1.2 to 1.8, of 23), mostly too little',
  );
  expect(offWords({ count: 4, times: 2.6, range: [1.8, 12.3], bias: 1.02 })).toBe('off by 2.6 times (1.8 to 12, of 4)');
  expect(calibrationWords({ sure: 0.9, count: 20, near: 0.5, range: [0.33, 0.67] })).toBe(
    'Of 20 that you were 90 % sure of, 10 were near: you are surer than you are right.',
  );
  expect(calibrationWords({ sure: 0.5, count: 20, near: 0.9, range: [0.73, 0.97] })).toMatch(
    /you know more than you think\.$/,
  );
  expect(calibrationWords({ sure: 0.7, count: 10, near: 0.7, range: [0.45, 0.87] })).toMatch(/7 were near\.$/);
});

test('a number is told to what it can be known to', () => {
  const asked = (quantity: 'force' | 'count', whole = false) => ({ whole, limit: limit('x', quantity, 0, 1e4) });
  expect(answerNumber(asked('count'), 14.34, UNITS)).toBe('14.5');
  expect(answerNumber(asked('count', true), 6, UNITS)).toBe('6');
  expect(answerNumber(asked('force'), 157.3, UNITS)).toBe('157 N');
});

test('what became of somebody, and whether that can be told', () => {
  const off = (times: number, low: number, high: number) => ({
    count: 12,
    times,
    range: [low, high] as const,
    bias: 1,
  });
  const said = (a: ReturnType<typeof off>, b: ReturnType<typeof off>): string =>
    sinceWords({ when: 'March 2026', off: a }, { when: 'May 2026', off: b });
  expect(said(off(2.6, 2.1, 3.6), off(1.4, 1.3, 1.7))).toBe(
    'Off by 2.6 times in March 2026, by 1.4 in May 2026: better, as far as guesses can tell.',
  );
  expect(said(off(1.4, 1.3, 1.7), off(2.6, 2.1, 3.6))).toMatch(/: worse, as far as guesses can tell\.$/);
  expect(said(off(2.6, 1.6, 3.6), off(1.4, 1.3, 1.7))).toMatch(/, which may be chance yet\.$/);
});
