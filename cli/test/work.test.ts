import { describe, expect, test } from '@jest/globals';
import { XMLValidator } from 'fast-xml-parser';
import { example, rb } from './run.js';

describe('rb work', () => {
  test('says who does what, in which order, as the words ask', () => {
    const { code, out, err } = rb('work', example('mess-roof'), '--hands', 'two', '--hauls', 'hung', '--nights', '3');
    expect([code, err]).toEqual([0, '']);
    expect(out).toMatch(/^mess roof, two of us: \d+ min$/im);
    expect(out).toMatch(/^ 1\. \[1\] Look up$/m);
    expect(out.indexOf('Hang the mess roof')).toBeLessThan(out.indexOf('Raise it at'));
    expect(out).toMatch(/\[1\+2\] Raise it/);
    expect(out).toMatch(/Pin the slipped hitches/);
  });
  test('and how it comes down, as JSON', () => {
    const { code, out } = rb('work', example('gravel-spit-gable'), '--down', '--json');
    expect(code).toBe(0);
    const said = JSON.parse(out) as { steps: { step: string; from: number; to: number }[] };
    expect(said.steps.at(-1)!.step).toBe('look-back');
    for (const s of said.steps) expect(s.to).toBeGreaterThanOrEqual(s.from);
  });
  test('names what is wrong with what was typed', () => {
    const crowd = rb('work', example('mess-roof'), '--hands', 'crowd');
    expect(crowd.code).toBe(2);
    expect(crowd.err).toMatch(/hands: crowd.*alone, two, class/);
    expect(rb('work', example('mess-roof'), '--nights', '0').code).toBe(2);
    expect(rb('work', '--help').out).toMatch(/rb work FILE/);
  });
});

describe('rb card', () => {
  test('is a page that stands by itself, or an SVG', () => {
    const page = rb('card', example('hammock-fly'));
    expect(page.code).toBe(0);
    expect(page.out).toMatch(/^<!doctype html>/);
    expect(page.out).not.toMatch(/<script|https?:\/\/(?!www\.w3)/);
    expect(XMLValidator.validate(rb('card', example('hammock-fly'), '--svg').out)).toBe(true);
  });
});
