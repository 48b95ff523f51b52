import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { tell } from '../src/quantity/index.js';
import {
  barkPressure,
  diameterOf,
  footMoment,
  footStress,
  screenTree,
  treeSentence,
  trunkGive,
} from '../src/anchor/index.js';
import { Z95, normalCdf, rangeFromSd, sdFromRange } from '../src/quantity/index.js';
import { DEFAULT_REQUIRED, failureChance, judge, link, strands } from '../src/strength/index.js';
import type { Figure } from '../src/working/index.js';
import { derive, given } from '../src/working/index.js';

const force = (value: number, low = value, high = value): Figure =>
  given({ symbol: 'F', title: 'force', quantity: 'force' }, value, { kind: 'chosen', text: 'test' }, [low, high]);
/** A lognormal with this median and spread of its logarithm. */
const lognormal = (median: number, spread: number): Figure =>
  force(median, median * Math.exp(-Z95 * spread), median * Math.exp(Z95 * spread));

/** Deterministic uniform numbers (Park and Miller, 1988). */
function uniforms(seed: number): () => number {
  let x = seed;
  return () => (x = (x * 48271) % 2147483647) / 2147483647;
}

describe('margins', () => {
  test('factor, share and chance of one link by hand', () => {
    const l = link('x', 'line', 'line', 'c', force(200), force(1000, 800, 1200));
    expect(l.margin.value).toBe(5);
    expect(l.share.value).toBeCloseTo(200 / 800, 12);
    expect(judge(l, 'factor', DEFAULT_REQUIRED, 'ridge').ratio).toBe(2.5);
    expect(judge(l, 'factor', DEFAULT_REQUIRED, 'person').word).toBe('just');
    expect(judge(l, 'share', DEFAULT_REQUIRED, 'ridge').ratio).toBeCloseTo(2, 12);
    expect(
      judge(link('x', 'line', 'line', 'c', force(600), force(1000, 800, 1200)), 'factor', DEFAULT_REQUIRED, 'ridge')
        .word,
    ).toBe('short');
  });

  test('trunks ask for four, whatever the use, and more for people', () => {
    const l = link('t', 'trunk', 'foot', 'c', force(10), force(45));
    expect(judge(l, 'factor', DEFAULT_REQUIRED, 'ridge').required).toBe(4);
    expect(judge(l, 'factor', DEFAULT_REQUIRED, 'person').required).toBe(5);
    expect(judge(l, 'share', DEFAULT_REQUIRED, 'ridge').required).toBe(0.25);
  });

  test('what is asked says why it is not what the person asks: a computed shock, a trunk', () => {
    const l = link('x', 'line', 'line', 'c', force(200), force(1000));
    const steady = judge(l, 'factor', DEFAULT_REQUIRED, 'person').asked;
    expect(steady).toMatchObject({ value: 5, source: { kind: 'chosen' } });
    const quick = judge(l, 'factor', DEFAULT_REQUIRED, 'person', true);
    expect(quick.asked.value).toBe(2.5);
    expect(quick.required).toBe(2.5);
    expect(quick.asked.inputs![0]!.value).toBe(5);
    expect(quick.asked.notes![0]).toMatch(/fall or a swing that is computed itself/);
    const trunk = judge(link('x', 'trunk', 'foot', 'c', force(200), force(1000)), 'factor', DEFAULT_REQUIRED, 'ridge');
    expect(trunk.asked.value).toBe(4);
    expect(trunk.asked.notes![0]).toMatch(/no less than a factor of 4/);
    for (const rule of ['factor', 'share', 'chance'] as const) {
      const j = judge(l, rule, DEFAULT_REQUIRED, 'hangers', true);
      expect(j.asked.value).toBe(j.required);
    }
  });
  test('chance of failure agrees with sampling', () => {
    const [R, S] = [lognormal(1000, 0.15), lognormal(600, 0.2)];
    const next = uniforms(42);
    const normal = (): number => Math.sqrt(-2 * Math.log(next())) * Math.cos(2 * Math.PI * next());
    let failed = 0;
    const n = 200_000;
    for (let i = 0; i < n; i++) if (1000 * Math.exp(0.15 * normal()) < 600 * Math.exp(0.2 * normal())) failed++;
    expect(Math.abs(failureChance(R, S) - failed / n)).toBeLessThan(0.002);
  });

  test('chance grows with the pull and the spread; nothing pulls, nothing fails', () => {
    expect(failureChance(force(100), force(0))).toBe(0);
    expect(failureChance(force(0), force(10))).toBe(1);
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 900, noNaN: true }),
        fc.double({ min: 1.01, max: 2, noNaN: true }),
        (S, k) => {
          expect(failureChance(lognormal(1000, 0.1), force(S * k))).toBeGreaterThanOrEqual(
            failureChance(lognormal(1000, 0.1), force(S)),
          );
        },
      ),
    );
  });

  test('strands: spent and notch stand where margin and requirement say', () => {
    const l = link('x', 'line', 'line', 'c', force(250), force(1000));
    expect(strands(l, judge(l, 'factor', DEFAULT_REQUIRED, 'ridge'))).toEqual({ spent: 2.5, notch: 5 });
    const over = link('x', 'line', 'line', 'c', force(3000), force(1000));
    expect(strands(over, judge(over, 'factor', DEFAULT_REQUIRED, 'ridge')).spent).toBe(10);
  });
});

describe('trunks', () => {
  test('cantilever by hand: 400 N at 1.5 m on a 0.2 m stem', () => {
    const moment = footMoment(400, 1.5);
    expect(moment).toBe(600);
    expect(footStress(moment, 0.2)).toBeCloseTo((32 * 600) / (Math.PI * 0.008), 6);
    const I = (Math.PI * 0.2 ** 4) / 64;
    expect(trunkGive(1.5, 0.2, 8e9)).toBeCloseTo(1.5 ** 3 / (3 * 8e9 * I), 15);
    expect(diameterOf(Math.PI)).toBe(1);
    expect(barkPressure(400, 0.2, 0.025)).toBeCloseTo(160_000, 6);
  });

  test('signs rule out, none never passes, thin trunks carry nobody', () => {
    const tree = { name: 'the alder', girth: 0.4, signs: [] };
    expect(screenTree(tree, false)).toEqual([]);
    expect(screenTree(tree, true)).toEqual([{ why: 'thin', tree: tree.name, girth: tree.girth }]);
    const [rotten] = screenTree({ ...tree, signs: ['hollow', 'fungus'] }, false);
    expect(tell(treeSentence(rotten!))).toMatch(/is ruled out: sounds hollow, fungus on stem or foot\. Choose another/);
  });
});

describe('figures', () => {
  test('the value is computed from the inputs shown, and the range by moving each', () => {
    const f = derive(
      { symbol: 'z', title: 'z', quantity: 'force', formula: 'z = x y' },
      [force(10, 8, 12), force(3, 3, 4)],
      (x, y) => x! * y!,
    );
    expect(f.value).toBe(30);
    expect(f.range![0]).toBeCloseTo(24, 12);
    expect(f.range![1]).toBeCloseTo(30 + Math.hypot(6, 10), 12);
  });

  test('an end of a range that cannot be is left out and said', () => {
    const f = derive({ symbol: 'z', title: 'z', quantity: 'force', formula: '√x' }, [force(1, -1, 4)], (x) =>
      Math.sqrt(x!),
    );
    expect(f.range).toEqual([1, 2]);
    expect(f.notes?.[0]).toMatch(/leaves it out/);
  });

  test('the normal function and ranges', () => {
    expect(normalCdf(0)).toBeCloseTo(0.5, 7);
    expect(normalCdf(1.959963985)).toBeCloseTo(0.975, 6);
    expect(normalCdf(-3.090232306) / 0.001).toBeCloseTo(1, 5);
    expect(sdFromRange(rangeFromSd(5, 0.7))).toBeCloseTo(0.7, 12);
  });
});
