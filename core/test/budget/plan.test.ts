import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Need, NeedRole, Plan, Stock } from '../../src/budget/index.js';
import { LEAST_JOINED, mostOver, planCuts } from '../../src/budget/index.js';
import { need, solve, stock } from './helper.js';

const ROLES: readonly NeedRole[] = ['ridge', 'guy', 'loop'];
const decimetres = (least: number, most: number): fc.Arbitrary<number> =>
  fc.integer({ min: least, max: most }).map((n) => n / 10);

const needs = (most: number): fc.Arbitrary<Need[]> =>
  fc
    .array(fc.record({ length: decimetres(5, 60), role: fc.constantFrom(...ROLES), of: fc.constantFrom('x', 'y') }), {
      minLength: 1,
      maxLength: most,
    })
    .map((list) => list.map(({ length, role, of }, i) => need(`n${i}`, length, role, { of })));
const stocks = (most: number): fc.Arbitrary<Stock[]> =>
  fc
    .array(decimetres(10, 120), { minLength: 1, maxLength: most })
    .map((list) => list.map((length, i) => stock('abcd'[i]!, length)));

/** Rigs and lines short, cuts, metres of hanks cut into: by trying every way there is. */
function bruteForce(wanted: readonly Need[], on: readonly Stock[]): readonly [number, number, number, number] {
  let best: [number, number, number, number] = [1e9, 1e9, 1e9, 1e9];
  const at: number[] = [];
  const less = (a: readonly number[], b: readonly number[]): boolean => {
    const k = a.findIndex((v, i) => Math.abs(v - b[i]!) > 1e-9);
    return k >= 0 && a[k]! < b[k]!;
  };
  const visit = (k: number): void => {
    if (k < wanted.length) {
      for (let s = -1; s < on.length; s++) {
        at[k] = s;
        visit(k + 1);
      }
      return;
    }
    const lacking = wanted.filter((_, i) => at[i] === -1);
    let [cuts, long] = [0, 0];
    for (const [s, { length }] of on.entries()) {
      const here = wanted.filter((_, i) => at[i] === s);
      const rest = length - here.reduce((sum, n) => sum + n.length, 0);
      if (rest < -1e-9) return;
      const kept = here.some((n) => mostOver(n) >= rest - 1e-9);
      const cut = here.length - Number(kept);
      cuts += cut;
      if (cut > 0) long += length;
    }
    const found: [number, number, number, number] = [
      new Set(lacking.map((n) => n.of)).size,
      lacking.length,
      cuts,
      long,
    ];
    if (less(found, best)) best = found;
  };
  visit(0);
  return best;
}

const scoreOf = (plan: Plan): readonly [number, number, number, number] => {
  const cutInto = new Set(plan.taken.flatMap((t) => t.parts.filter((p) => !p.uncut).map((p) => p.stock)));
  return [
    new Set(plan.unmet.map((n) => n.of)).size,
    plan.unmet.length,
    plan.cuts,
    [...cutInto].reduce((sum, s) => sum + s.length, 0),
  ];
};

/** Whatever is asked: nothing twice, no length over what it is, what stays uncut is what may. */
function keepsTo(plan: Plan, wanted: readonly Need[], on: readonly Stock[]): void {
  const told = [...plan.taken.map((t) => t.need.id), ...plan.unmet.map((n) => n.id)].sort();
  expect(told).toEqual(wanted.map((n) => n.id).sort());
  for (const s of on) {
    const parts = plan.taken.flatMap((t) => t.parts.filter((p) => p.stock === s).map((p) => ({ ...p, need: t.need })));
    const used = parts.reduce((sum, p) => sum + p.length, 0);
    expect(used).toBeLessThanOrEqual(s.length + 1e-6);
    const kept = parts.filter((p) => p.uncut);
    expect(kept.length).toBeLessThanOrEqual(1);
    const left = plan.left.find((l) => l.stock === s)!;
    for (const p of kept) {
      expect(p.over).toBeCloseTo(s.length - used, 6);
      expect(p.over).toBeLessThanOrEqual(mostOver(p.need) + 1e-6);
      expect(left.length).toBe(0);
    }
    if (kept.length === 0) expect(left.length).toBeCloseTo(s.length - used, 6);
  }
}

describe('the plan of cuts', () => {
  test('is the best there is, against every way of trying', () => {
    fc.assert(
      fc.property(needs(5), stocks(3), (wanted, on) => {
        const plan = planCuts(wanted, on, solve);
        keepsTo(plan, wanted, on);
        expect(plan.behind).toEqual([]);
        const [rigs, lines, cuts, long] = bruteForce(wanted, on);
        const found = scoreOf(plan);
        expect(found.slice(0, 3)).toEqual([rigs, lines, cuts]);
        expect(found[3]).toBeCloseTo(long, 6);
      }),
      { numRuns: 120, seed: 7 },
    );
  });

  test('only improves with one more hank', () => {
    fc.assert(
      fc.property(needs(8), stocks(3), decimetres(10, 150), (wanted, on, length) => {
        const [before, after] = [planCuts(wanted, on, solve), planCuts(wanted, [...on, stock('d', length)], solve)];
        keepsTo(before, wanted, on);
        const [a, b] = [scoreOf(before), scoreOf(after)];
        const k = [0, 1, 2].find((i) => a[i] !== b[i]);
        if (k !== undefined) expect(b[k]!).toBeLessThan(a[k]!);
      }),
      { numRuns: 60, seed: 3 },
    );
  });

  test('a camp of dozens of lines keeps to all of it', () => {
    fc.assert(
      fc.property(needs(40), stocks(4), (wanted, on) => keepsTo(planCuts(wanted, on, solve), wanted, on)),
      { numRuns: 8, seed: 5 },
    );
  });

  test('takes what was cut before, and leaves the long hank whole', () => {
    const on = [stock('a', 30), stock('b', 12), stock('a', 3.1, { id: 'a/p', piece: 'p' })];
    const plan = planCuts([need('guy', 3), need('second', 2.5)], on, solve);
    const from = (id: string): Stock => plan.taken.find((t) => t.need.id === id)!.parts[0]!.stock;
    expect(new Set([from('guy').id, from('second').id])).toEqual(new Set(['a/p', 'b']));
    expect(plan.cuts).toBe(1);
  });

  test('what lives on a roof stays on it', () => {
    const lives = stock('a', 5, { id: 'a/g', piece: 'g', on: 'mess' });
    const on = [stock('b', 9), lives];
    const its = planCuts([need('guy', 4, 'guy', { roof: 'mess' })], on, solve);
    expect(its.taken[0]!.parts[0]!.stock).toBe(lives);
    expect(its.cuts).toBe(0);
    const other = planCuts([need('guy', 4, 'guy', { roof: 'landing' })], on, solve);
    expect(other.taken[0]!.parts[0]!.stock.id).toBe('b');
    // a ridgeline of that roof is no cord that hangs on it
    expect(planCuts([need('ridge', 4, 'ridge', { roof: 'mess' })], [lives], solve).unmet).toHaveLength(1);
  });

  test('joins only what no single length does, and only where it may', () => {
    const line = need('ridge', 8, 'ridge');
    const on = [stock('a', 5), stock('b', 6)];
    const may = planCuts([line], on, solve, (all) => all.map((n) => ({ need: n, takes: 0.5 })));
    expect(may.unmet).toEqual([]);
    const [{ parts }] = may.taken as unknown as [Plan['taken'][number]];
    expect(parts).toHaveLength(2);
    expect(parts.reduce((sum, p) => sum + p.length, 0)).toBeCloseTo(8.5, 6);
    for (const p of parts) expect(p.length).toBeGreaterThanOrEqual(LEAST_JOINED - 1e-9);
    // one of both goes into it whole, so that one cut is enough
    expect(may.cuts).toBe(1);
    expect(planCuts([line], on, solve).unmet).toEqual([line]);
    const long = planCuts([line], [...on, stock('c', 9)], solve, () => {
      throw new Error('nothing is to be joined');
    });
    expect(long.taken[0]!.parts).toHaveLength(1);
  });

  test('what is cut for a join is cut in steps of a hand, and no hank gives more than it has', () => {
    const arbitrary = fc.array(fc.double({ min: 1.2, max: 7, noNaN: true }), { minLength: 2, maxLength: 4 });
    fc.assert(
      fc.property(arbitrary, fc.integer({ min: 100, max: 240 }), (lengths, steps) => {
        const on = lengths.map((l, i) => stock(['a', 'b', 'c', 'd'][i]!, l));
        const line = need('ridge', steps * 0.05, 'ridge');
        const plan = planCuts([line], on, solve, (all) => all.map((n) => ({ need: n, takes: 0.5 })));
        for (const { parts } of plan.taken) {
          if (parts.length < 2) continue;
          const wanted = line.length + 0.5;
          const all = parts.reduce((sum, p) => sum + p.length, 0);
          expect(all).toBeGreaterThan(wanted - 1e-6);
          expect(all).toBeLessThan(wanted + 0.05);
          for (const p of parts) {
            expect(p.length).toBeLessThanOrEqual(p.stock.length + 1e-6);
            const off = p.length / 0.05 - Math.round(p.length / 0.05);
            // where a length goes into it whole, or has no step to spare
            if (!p.uncut && p.stock.length - p.length > 0.05) expect(Math.abs(off)).toBeLessThan(1e-4);
          }
        }
      }),
      { numRuns: 60, seed: 11 },
    );
  });

  test('says how far from the best it may be when it is not given the time', () => {
    const wanted = Array.from({ length: 30 }, (_, i) => need(`n${i}`, 1 + ((i * 37) % 29) / 10, 'loop'));
    const on = ['a', 'b', 'c', 'd'].map((id, i) => stock(id, 24 + i));
    const plan = planCuts(wanted, on, () => null);
    keepsTo(plan, wanted, on);
    expect(plan.unmet).toEqual([]);
    // thirty lines from four lengths: twenty-six cuts at the least
    const behind = plan.behind.find((b) => b.rank === 'cuts');
    expect(plan.cuts - (behind?.by ?? 0)).toBe(26);
  });
});
