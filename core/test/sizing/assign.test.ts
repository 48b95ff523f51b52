import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { assign } from '../../src/sizing/index.js';
import type { Offer } from '../../src/sizing/index.js';

const offer = (cost: number, uses: Readonly<Record<string, number>> = {}): Offer => ({
  cost,
  uses: new Map(Object.entries(uses)),
});

/** Every choice there is, the cheapest within the stocks. */
function brute(lines: readonly (readonly Offer[])[], stocks: ReadonlyMap<string, number>): number | null {
  let best: number | null = null;
  const left = new Map(stocks);
  const walk = (d: number, cost: number): void => {
    if ([...left.values()].some((v) => v < -1e-9)) return;
    if (d === lines.length) {
      if (best === null || cost < best) best = cost;
      return;
    }
    for (const o of lines[d]!) {
      for (const [name, amount] of o.uses) if (left.has(name)) left.set(name, left.get(name)! - amount);
      walk(d + 1, cost + o.cost);
      for (const [name, amount] of o.uses) if (left.has(name)) left.set(name, left.get(name)! + amount);
    }
  };
  walk(0, 0);
  return best;
}

const anOffer = fc
  .record({
    cost: fc.integer({ min: 0, max: 40 }),
    cord: fc.integer({ min: 0, max: 6 }),
    pegs: fc.integer({ min: 0, max: 3 }),
    other: fc.integer({ min: 0, max: 2 }),
  })
  .map(({ cost, ...uses }) => offer(cost, uses));
const some = fc.array(fc.array(anOffer, { minLength: 1, maxLength: 5 }), { minLength: 1, maxLength: 5 });
const stocked = fc
  .record({ cord: fc.integer({ min: 0, max: 20 }), pegs: fc.integer({ min: 0, max: 8 }) })
  .map((s) => new Map(Object.entries(s)));

describe('one offer for every line', () => {
  test('costs what trying every choice finds, or cannot be where none can', () => {
    fc.assert(
      fc.property(some, stocked, (lines, stocks) => {
        const found = assign(lines, stocks);
        expect(found?.cost ?? null).toBe(brute(lines, stocks));
        if (found === null) return;
        expect(found.proven).toBe(true);
        expect(found.taken.reduce((sum, o, i) => sum + lines[i]![o]!.cost, 0)).toBe(found.cost);
        for (const [name, have] of stocks)
          expect(found.taken.reduce((sum, o, i) => sum + (lines[i]![o]!.uses.get(name) ?? 0), 0)).toBeLessThanOrEqual(
            have,
          );
      }),
      { seed: 20261124, numRuns: 400 },
    );
  });
  test('more stock never costs more', () => {
    fc.assert(
      fc.property(some, stocked, fc.integer({ min: 1, max: 5 }), (lines, stocks, more) => {
        const plain = assign(lines, stocks);
        const rich = assign(lines, new Map([...stocks].map(([k, v]) => [k, v + more])));
        if (plain !== null) expect(rich!.cost).toBeLessThanOrEqual(plain.cost);
      }),
      { seed: 20261125, numRuns: 200 },
    );
  });
  test('ten like lines on scarce pegs are settled exactly, and soon', () => {
    // two pegs hold for 1, one broad peg for 1.5, nothing but a log for 9; six pegs and three broad ones for ten lines
    const lines = Array.from({ length: 10 }, (_, i) => [
      offer(1 + i / 100, { pegs: 2 }),
      offer(1.5 + i / 90, { broad: 1 }),
      offer(9 + i / 80),
    ]);
    const found = assign(lines, new Map(Object.entries({ pegs: 6, broad: 3 })))!;
    expect(found.proven).toBe(true);
    const count = (k: number): number => found.taken.filter((t) => t === k).length;
    expect([count(0), count(1), count(2)]).toEqual([3, 3, 4]);
  });
  test('a search that is cut short says so', () => {
    const lines = Array.from({ length: 8 }, (_, i) => [
      offer(5, { pegs: 1 }),
      offer(6 + (i % 3), { pegs: 0.4 }),
      offer(7),
    ]);
    const stocks = new Map([['pegs', 2.9]]);
    const short = assign(lines, stocks, 1)!;
    expect(short.proven).toBe(false);
    expect(short.cost).toBeGreaterThanOrEqual(assign(lines, stocks)!.cost);
  });
});
