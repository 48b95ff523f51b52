import { firstPlan } from './first.js';
import type { Condition, MipAnswer, SolveMip, Term } from './mip.js';
import type { Need } from './need.js';
import { STEP } from './need.js';
import type { Given, Joint, Program, Question, Rank } from './program.js';
import { LEAST_JOINED, RANKS, givenBy, programOf, question } from './program.js';
import type { Stock } from './stock.js';
import { mayTake } from './stock.js';

/** A line made of a length on hand. */
export interface Taken {
  readonly need: Need;
  readonly parts: readonly {
    readonly stock: Stock;
    /** Measured off, m. */
    readonly length: number;
    /** Whether the rest of that length stays on it uncut, and how much that is, m. */
    readonly uncut: boolean;
    readonly over: number;
  }[];
}

/** What each length on hand is cut into. */
export interface Left {
  readonly stock: Stock;
  /** Of what is left in one for other things, m; 0 where nothing is, or where it stays on a line. */
  readonly length: number;
}

/** How far from the best it may be. */
export interface Behind {
  readonly rank: Rank | 'long';
  /** Rigs, lines, joins, cuts, or metres of hanks that are cut into. */
  readonly by: number;
}

export interface Plan {
  readonly taken: readonly Taken[];
  readonly unmet: readonly Need[];
  readonly left: readonly Left[];
  readonly cuts: number;
  /** Empty where it is proven to be the best. */
  readonly behind: readonly Behind[];
}

/** Says of lines that come from no single length whether they may be joined, and what the bend takes. */
export type Joinable = (needs: readonly Need[]) => readonly { readonly need: Need; readonly takes: number }[];

/** Time for all searches, s, and the least for one: what is found by then is taken, and how far from the best it may be is told. */
const ALL = 2;
const ONE = 0.1;

/** Lengths that depend on each other: needs that could come from the same stocks. */
function apart(needs: readonly Need[], stocks: readonly Stock[]): { needs: Need[]; stocks: Stock[] }[] {
  const groups: { needs: Need[]; stocks: Set<Stock> }[] = [];
  for (const need of needs) {
    // what is too short for it alone could still be joined
    const from = new Set(stocks.filter((s) => mayTake({ ...need, length: 0 }, s)));
    const together = groups.filter((g) => [...g.stocks].some((s) => from.has(s)));
    const merged = {
      needs: [...together.flatMap((g) => g.needs), need],
      stocks: new Set([...together.flatMap((g) => [...g.stocks]), ...from]),
    };
    for (const g of together) groups.splice(groups.indexOf(g), 1);
    groups.push(merged);
  }
  return groups.map((g) => ({ needs: g.needs, stocks: stocks.filter((s) => g.stocks.has(s)) }));
}

/** A plan of one question as it is made better, rank by rank. */
interface Search {
  values: MipAnswer['values'];
  readonly kept: Condition[];
  readonly behind: Behind[];
}

/**
 * Makes a plan the best by one rank, and keeps to that from then on.
 * @param time   s
 * @param atLeast what the sum cannot be less than
 */
function better(
  search: Search,
  { counts }: Program,
  rank: Behind['rank'],
  sum: readonly Term[],
  solve: SolveMip,
  time: number,
  atLeast: number,
): void {
  const total = (): number => sum.reduce((t, [factor, name]) => t + factor * (search.values.get(name) ?? 0), 0);
  let bound = atLeast;
  if (total() > atLeast) {
    const found = solve({ least: sum, where: search.kept, counts }, Math.max(ONE, time), search.values);
    if (found !== null) {
      search.values = found.values;
      bound = Math.max(bound, found.bound);
    }
  }
  const by = total() - bound;
  if (by >= (rank === 'long' ? NEAR : 1 - 1e-6))
    search.behind.push({ rank, by: rank === 'long' ? by : Math.floor(by + 1e-6) });
  search.kept.push({ sum, is: '<=', than: total() + 1e-6 });
}

/** The best plan for lines that could come from the same lengths. @param time s */
function bestOf(
  needs: readonly Need[],
  stocks: readonly Stock[],
  solve: SolveMip,
  joinable: Joinable,
  time: number,
): { readonly given: readonly Given[]; readonly behind: readonly Behind[] } {
  const begin = (asked: Question): { program: Program; search: Search } => {
    const program = programOf(asked);
    return { program, search: { values: firstPlan(asked), kept: [...program.where], behind: [] } };
  };
  let asked = question(needs, stocks);
  let { program, search } = begin(asked);
  better(search, program, 'lines', program.ranks.lines, solve, time / 4, 0);
  let most: readonly Rank[] = ['cuts'];
  if (givenBy(asked, search.values).some((g) => g.parts.length === 0)) {
    // not all can be met: now it counts whose they are, and what may be joined
    const joints = joinable(needs).map((j): Joint => ({ ...j, stocks: joinedFrom(j.need, stocks) }));
    asked = question(needs, stocks, joints, true);
    ({ program, search } = begin(asked));
    most = RANKS;
  }
  most.forEach((rank, k) => {
    const sum = program.ranks[rank];
    const met = needs.length - givenBy(asked, search.values).filter((g) => g.parts.length === 0).length;
    // every line is cut off but one of each length, which may keep the rest
    const atLeast = rank === 'cuts' ? Math.max(0, met - stocks.length) : 0;
    if (sum.length > 0) better(search, program, rank, sum, solve, (0.75 * time) / (most.length + 1 - k), atLeast);
  });
  better(search, program, 'long', program.long, solve, time / 4, 0);
  return { given: givenBy(asked, search.values), behind: search.behind };
}

/** Lengths that could be a part of a line that is joined: each may be too short for it alone. */
const joinedFrom = (need: Need, stocks: readonly Stock[]): number[] =>
  stocks.flatMap((s, i) => (s.length >= LEAST_JOINED && mayTake({ ...need, length: 0 }, s) ? [i] : []));

/** Metres of hanks nearer than this to the best are the best. */
const NEAR = 0.1;

/**
 * The best plan for all needs from all stocks: as few rigs and lines short as can be, then the fewest joins, then the fewest
 * cuts, then the longest hanks left whole.
 */
export function planCuts(
  needs: readonly Need[],
  stocks: readonly Stock[],
  solve: SolveMip,
  joinable: Joinable = () => [],
): Plan {
  const groups = apart(needs, stocks).map((group) => ({
    ...bestOf(group.needs, group.stocks, solve, joinable, (ALL * group.needs.length) / needs.length),
    stocks: group.stocks,
  }));
  return planOf(
    groups,
    stocks,
    groups.flatMap((g) => g.behind),
  );
}

/** What one length gives a line, m. */
interface Part {
  readonly stock: Stock;
  readonly length: number;
  readonly uncut: boolean;
}

/**
 * Both parts of a joined line in whole steps of the hand, where there is that much left of what is cut: the one longer, and the
 * other shorter by as much unless it is not cut at all.
 */
function inSteps(parts: readonly Part[], left: Map<Stock, number>): readonly Part[] {
  if (parts.length < 2) return parts;
  for (const one of parts) {
    const up = Math.ceil(one.length / STEP - 1e-6) * STEP - one.length;
    if (one.uncut || left.get(one.stock)! < up - 1e-9) continue;
    const longer = new Map(parts.map((p) => [p, p === one ? up : p.uncut ? 0 : -up]));
    for (const [p, by] of longer) left.set(p.stock, left.get(p.stock)! - by);
    return parts.map((p) => ({ ...p, length: p.length + longer.get(p)! }));
  }
  return parts;
}

function planOf(
  all: readonly { readonly given: readonly Given[]; readonly stocks: readonly Stock[] }[],
  stocks: readonly Stock[],
  behind: readonly Behind[],
): Plan {
  const left = new Map(stocks.map((s) => [s, s.length]));
  const solved = all.flatMap(({ given: list, stocks: of }) =>
    list.map((g) => ({ need: g.need, parts: g.parts.map((p): Part => ({ ...p, stock: of[p.stock]! })) })),
  );
  for (const { parts } of solved) for (const p of parts) left.set(p.stock, left.get(p.stock)! - p.length);
  const given = solved.map((g) => ({ need: g.need, parts: inSteps(g.parts, left) }));
  const kept = new Set(given.flatMap((g) => g.parts.flatMap((p) => (p.uncut ? [p.stock] : []))));
  const taken = given
    .filter((g) => g.parts.length > 0)
    .map((g): Taken => ({
      need: g.need,
      parts: g.parts.map((p) => ({ ...p, over: p.uncut ? Math.max(0, left.get(p.stock)!) : 0 })),
    }));
  return {
    taken,
    unmet: given.filter((g) => g.parts.length === 0).map((g) => g.need),
    left: stocks.map((stock) => ({ stock, length: kept.has(stock) ? 0 : Math.max(0, left.get(stock)!) })),
    cuts: taken.reduce((sum, t) => sum + t.parts.filter((p) => !p.uncut).length, 0),
    behind,
  };
}
