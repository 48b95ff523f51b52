import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { bindingsOf, planCuts, stocksOf } from '../../src/budget/index.js';
import type { Binding, BindingKind, KitCord } from '../../src/cordage/index.js';
import { BINDINGS, bindingDocument, cutLength, cutOfBinding, freshBinding } from '../../src/cordage/index.js';
import { misfit } from '../../src/document/index.js';
import { solve } from '../budget/helper.js';

const hank: KitCord = { id: 'tarred', name: 'tarred', cord: 'seine-36', length: 30, sun: 'new', wear: 'fuzzy' };
const binding = (part: Partial<Binding>): Binding => ({ ...freshBinding('b', 'tarred'), ...part });
const turn = (part: Partial<Binding>, d: number): number =>
  cutLength(cutOfBinding(binding({ between: 0, ...part, turns: 2 }), d)) -
  cutLength(cutOfBinding(binding({ between: 0, ...part, turns: 1 }), d));

describe('cord of a binding', () => {
  test('a turn round a bundle is its girth and the cord’s own', () => {
    expect(turn({ kind: 'bundle', girth: 0.5 }, 0.003)).toBeCloseTo(0.5 + Math.PI * 0.003, 12);
  });
  test('a turn round two alike that touch is the hull of two rounds; of one that is hardly there, the other’s own round', () => {
    const [D, d] = [0.06, 0.003];
    // π D + 2 D of the rounds with the cord on them
    expect(turn({ kind: 'beside', first: D, second: D }, d)).toBeCloseTo((Math.PI + 2) * (D + d), 12);
    const thin = turn({ kind: 'beside', first: 0.4, second: 0.01 }, 0.00001);
    expect(thin).toBeGreaterThan(Math.PI * 0.4);
    expect(thin).toBeLessThan(Math.PI * 0.4 * 1.05);
  });
  test('the hull agrees with its width summed over every direction (Cauchy)', () => {
    const thick = fc.double({ min: 0.02, max: 0.3, noNaN: true });
    fc.assert(
      fc.property(thick, thick, (a, b) => {
        let length = 0;
        const m = 4000;
        for (let i = 0; i < m; i++) {
          const along = ((a + b) / 2) * Math.cos((Math.PI * (i + 0.5)) / m);
          const width = Math.max(a / 2, along + b / 2) - Math.min(-a / 2, along - b / 2);
          length += (width * Math.PI) / m;
        }
        expect(turn({ kind: 'beside', first: a, second: b }, 0)).toBeCloseTo(length, 5);
      }),
    );
  });
  test.each(Object.keys(BINDINGS) as BindingKind[])('%s: more turns and thicker poles take more', (kind) => {
    const length = (part: Partial<Binding>): number => cutLength(cutOfBinding(binding({ kind, ...part }), 0.003));
    expect(length({ turns: 6 })).toBeGreaterThan(length({ turns: 3 }));
    expect(length({ girth: 0.6, first: 0.1 })).toBeGreaterThan(length({ girth: 0.5, first: 0.05 }));
    expect(misfit(bindingDocument, binding({ kind }))).toBeNull();
  });
  test('each of them is a length of its own in the plan', () => {
    const needs = bindingsOf([binding({ count: 4 })], [hank]);
    expect(needs).toHaveLength(4);
    expect(new Set(needs.map((n) => n.id)).size).toBe(4);
    const plan = planCuts(needs, stocksOf([hank]), solve);
    expect(plan.unmet).toEqual([]);
    expect(plan.cuts).toBe(4);
    expect(bindingsOf([binding({ cord: 'gone' })], [hank])).toEqual([]);
  });
});
