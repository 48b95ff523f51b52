/** One way to make a line. */
export interface Offer {
  /** What it costs, in the aim's unit; a shortfall is part of it. */
  readonly cost: number;
  /** What it takes from each stock: name and amount. */
  readonly uses: ReadonlyMap<string, number>;
}

/** An offer taken for each line. */
export interface Assignment {
  /** Index of the offer taken, by line. */
  readonly taken: readonly number[];
  readonly cost: number;
  /** false where the search was cut short: then it is good, but not proven to be the least. */
  readonly proven: boolean;
}

/** Amounts nearer than this are the same. */
const SAME = 1e-9;
/** Steps after which the search settles for the best it has. */
const STEPS = 200_000;
/** Rounds in which the stocks are priced. */
const ROUNDS = 60;

/** An offer with its uses in the order of the stocks. */
interface Dense {
  /** Where it stands among its line's offers. */
  readonly i: number;
  readonly cost: number;
  readonly uses: Float64Array;
}

/** The offers that no other beats in cost and in every stock, cheapest first. */
function worthwhile(offers: readonly Offer[], names: readonly string[]): Dense[] {
  const at = new Map(names.map((n, s) => [n, s]));
  const dense = offers.map((o, i): Dense => {
    const uses = new Float64Array(names.length);
    for (const [name, amount] of o.uses) {
      const s = at.get(name);
      if (s !== undefined) uses[s] = amount;
    }
    return { i, cost: o.cost, uses };
  });
  dense.sort((a, b) => a.cost - b.cost || a.i - b.i);
  const beats = (a: Dense, b: Dense): boolean => {
    for (let s = 0; s < names.length; s++) if (a.uses[s]! > b.uses[s]! + SAME) return false;
    return true;
  };
  const out: Dense[] = [];
  for (const o of dense) if (!out.some((b) => beats(b, o))) out.push(o);
  return out;
}

/** Indices of the offers that no other beats in cost and in every stock, cheapest first. */
export function undominated(offers: readonly Offer[]): number[] {
  const names = new Set(offers.flatMap((o) => [...o.uses.keys()]));
  return worthwhile(offers, [...names]).map((o) => o.i);
}

/**
 * A price for each stock such that what lines would take at these prices comes near to what there is: the prices make the bound of
 * the search tight where a stock is short (Lagrangian relaxation by subgradients; Fisher, Management Science 27, 1981).
 */
function pricesOf(lines: readonly (readonly Dense[])[], have: readonly number[]): Float64Array {
  let prices = new Float64Array(have.length);
  let best = { prices, bound: Number.NEGATIVE_INFINITY };
  let reach = 2;
  const over = new Float64Array(have.length);
  for (let round = 0; round < ROUNDS; round++) {
    let bound = 0;
    for (let s = 0; s < have.length; s++) {
      over[s] = -have[s]!;
      bound -= prices[s]! * have[s]!;
    }
    for (const offers of lines) {
      let least = Number.POSITIVE_INFINITY;
      let taken = offers[0]!;
      for (const o of offers) {
        const cost = priced(o, prices);
        if (cost < least) [least, taken] = [cost, o];
      }
      bound += least;
      for (let s = 0; s < over.length; s++) over[s]! += taken.uses[s]!;
    }
    if (bound > best.bound) best = { prices, bound };
    else reach *= 0.9;
    const square = over.reduce((sum, g, s) => sum + (g > 0 || prices[s]! > 0 ? g * g : 0), 0);
    if (square < SAME) break;
    const step = (reach * (0.05 * Math.abs(best.bound) + 1)) / square;
    prices = prices.map((p, s) => Math.max(0, p + step * over[s]!));
  }
  return best.prices;
}

function priced(o: Dense, prices: Float64Array): number {
  let cost = o.cost;
  for (let s = 0; s < prices.length; s++) cost += prices[s]! * o.uses[s]!;
  return cost;
}

/**
 * Takes one offer for every line at the least total cost within the stocks: branch and bound, exact unless it is cut short.
 * @param lines the offers of each line
 * @param stocks what there is of each stock; one not named is without end
 * @param steps after which it settles for the best it has found
 * @returns null where the stocks do not suffice for any choice
 */
export function assign(
  lines: readonly (readonly Offer[])[],
  stocks: ReadonlyMap<string, number>,
  steps = STEPS,
): Assignment | null {
  // a stock that nobody can exhaust need not be watched
  const names = [...stocks.keys()].filter(
    (n) => lines.reduce((sum, l) => sum + Math.max(...l.map((o) => o.uses.get(n) ?? 0)), 0) > stocks.get(n)! + SAME,
  );
  const have = names.map((name) => stocks.get(name)!);
  const worth = lines.map((offers) => worthwhile(offers, names));
  const prices = pricesOf(worth, have);
  for (const w of worth) w.sort((a, b) => priced(a, prices) - priced(b, prices) || a.i - b.i);
  // fewest offers first: a wrong turn shows early
  const order = lines.map((_, i) => i).sort((a, b) => worth[a]!.length - worth[b]!.length || a - b);
  // what the lines still to come cost, cost at the prices, and take at the least
  const rest = (of: (offer: Dense) => number): Float64Array => {
    const out = new Float64Array(order.length + 1);
    for (let d = order.length - 1; d >= 0; d--) out[d] = out[d + 1]! + Math.min(...worth[order[d]!]!.map(of));
    return out;
  };
  const restCost = rest((o) => o.cost);
  const restPriced = rest((o) => priced(o, prices));
  const restUse = names.map((_, s) => rest((o) => o.uses[s]!));
  const left = Float64Array.from(have);
  const taken = new Array<number>(lines.length).fill(-1);
  let best: Assignment | null = null;
  let walked = 0;
  const walk = (d: number, cost: number): void => {
    let paid = 0;
    for (let s = 0; s < left.length; s++) {
      if (restUse[s]![d]! > left[s]! + SAME) return;
      paid += prices[s]! * left[s]!;
    }
    if (best !== null && cost + Math.max(restCost[d]!, restPriced[d]! - paid) >= best.cost - SAME) return;
    if (d === order.length) {
      best = { taken: [...taken], cost, proven: true };
      return;
    }
    const line = order[d]!;
    for (const o of worth[line]!) {
      // past its steps it goes on only until it has found anything at all
      if (walked++ > steps && best !== null) return;
      for (let s = 0; s < left.length; s++) left[s]! -= o.uses[s]!;
      taken[line] = o.i;
      walk(d + 1, cost + o.cost);
      for (let s = 0; s < left.length; s++) left[s]! += o.uses[s]!;
    }
  };
  walk(0, 0);
  const found = best as Assignment | null;
  return found === null ? null : { ...found, proven: walked <= steps };
}
