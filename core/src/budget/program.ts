import type { Condition, MipAnswer, Term } from './mip.js';
import type { Need } from './need.js';
import { mostOver } from './need.js';
import type { Stock } from './stock.js';
import { mayTake } from './stock.js';

/** Needs that no plan can tell apart: as long, from the same lengths, with as much that may stay over. */
export interface Alike {
  readonly needs: readonly Need[];
  readonly length: number;
  readonly over: number;
  /** Indices of the stocks that they may come from. */
  readonly stocks: readonly number[];
}

/** A line that may be joined of two lengths, and the cord that its bend takes, m. */
export interface Joint {
  readonly need: Need;
  readonly takes: number;
  /** Indices of the stocks that they may come from. */
  readonly stocks: readonly number[];
}

/** What a plan is looked for among. */
export interface Question {
  readonly stocks: readonly Stock[];
  readonly alike: readonly Alike[];
  readonly joints: readonly Joint[];
  /** Whether as few rigs as can be fall short, before as few lines. */
  readonly byRig: boolean;
}

/** Least length that is joined on, m: a bend sits clear of both ends' hitches. Judgement: 0.5 to 1.5. */
export const LEAST_JOINED = 1;

/** @param byRig tells lines of two rigs apart, so that as few rigs as can be fall short */
export function question(
  needs: readonly Need[],
  stocks: readonly Stock[],
  joints: readonly Joint[] = [],
  byRig = false,
): Question {
  const joined = new Set(joints.map((j) => j.need.id));
  const groups = new Map<string, { needs: Need[]; length: number; over: number; stocks: number[] }>();
  for (const need of needs) {
    const from = stocks.flatMap((s, i) => (mayTake(need, s) ? [i] : []));
    const over = mostOver(need);
    const key = JSON.stringify([need.length, over, from, joined.has(need.id) ? need.id : '', byRig ? need.of : '']);
    const group = groups.get(key);
    if (group === undefined) groups.set(key, { needs: [need], length: need.length, over, stocks: from });
    else group.needs.push(need);
  }
  return { stocks, alike: [...groups.values()], joints, byRig };
}

// numbers of the program: how many of group g come from stock s, whether one of them keeps the rest of it, how many get nothing
export const taken = (g: number, s: number): string => `x${g}_${s}`;
export const uncut = (g: number, s: number): string => `w${g}_${s}`;
export const unmet = (g: number): string => `u${g}`;
// whether a rig falls short, whether a stock is cut into, and what of it hangs over uncut, m
export const short = (rig: number): string => `r${rig}`;
export const opened = (s: number): string => `c${s}`;
export const over = (s: number): string => `o${s}`;
// whether joint j is made, whether stock s is part of it, by how much, m, and whether all of what is left of it
const made = (j: number): string => `z${j}`;
const part = (j: number, s: number): string => `j${j}_${s}`;
const gives = (j: number, s: number): string => `q${j}_${s}`;
const ends = (j: number, s: number): string => `e${j}_${s}`;

const notOver = (than: number, ...sum: Term[]): Condition => ({ sum, is: '<=', than });
const notUnder = (than: number, ...sum: Term[]): Condition => ({ sum, is: '>=', than });
const equals = (than: number, ...sum: Term[]): Condition => ({ sum, is: '=', than });

/** What a plan has as few of as can be, in this order. */
export const RANKS = ['rigs', 'lines', 'joins', 'cuts'] as const;
export type Rank = (typeof RANKS)[number];

/** All that a plan must keep to, and what each of its sums is. */
export interface Program {
  readonly where: readonly Condition[];
  readonly counts: ReadonlyMap<string, number>;
  /** Rigs that fall short, lines that do, joins, cuts: each counts before all that follow. */
  readonly ranks: Readonly<Record<Rank, readonly Term[]>>;
  /** Metres of hanks that are cut into, and a little for what hangs over. */
  readonly long: readonly Term[];
}

export const rigsIn = ({ alike, byRig }: Question): string[] =>
  byRig ? [...new Set(alike.map((a) => a.needs[0]!.of))] : [];

/** A metre that hangs over on a line, over a metre of hank that is cut into. */
export const OVER_COUNTS = 0.01;

export function programOf(asked: Question): Program {
  const { stocks, alike, joints } = asked;
  const where: Condition[] = [];
  const counts = new Map<string, number>();
  const rigs = rigsIn(asked);
  const cuts: Term[] = [];
  const lines: Term[] = [];
  /** By stock: what is taken of it, m, what of that is cut off, and what keeps the rest. */
  const uses: Term[][] = stocks.map(() => []);
  const cutOff: Term[][] = stocks.map(() => []);
  const keeps: { term: string; over: number }[][] = stocks.map(() => []);
  alike.forEach(({ needs, length, over: most, stocks: from }, g) => {
    const many = needs.length;
    const met: Term[] = [[1, unmet(g)]];
    counts.set(unmet(g), many);
    lines.push([1, unmet(g)]);
    for (const s of from) {
      const [x, w] = [taken(g, s), uncut(g, s)];
      const fit = Math.min(many, Math.floor(stocks[s]!.length / length + 1e-9));
      counts.set(x, fit).set(w, 1);
      met.push([1, x]);
      cuts.push([1, x], [-1, w]);
      uses[s]!.push([length, x]);
      cutOff[s]!.push([length, x], [-length, w]);
      keeps[s]!.push({ term: w, over: most });
      where.push(notOver(0, [1, w], [-1, x]), notOver(0, [1, x], [-1, w], [-fit, opened(s)]));
    }
    joints.forEach(({ need }, j) => {
      if (need.id === needs[0]!.id) met.push([1, made(j)]);
    });
    where.push(equals(many, ...met));
    const rig = rigs.indexOf(needs[0]!.of);
    if (rig >= 0) where.push(notOver(0, [1, unmet(g)], [-many, short(rig)]));
  });
  joints.forEach(({ need, takes, stocks: from }, j) => {
    counts.set(made(j), 1);
    const parts: Term[] = [[-2, made(j)]];
    const length: Term[] = [[-(need.length + takes), made(j)]];
    for (const s of from) {
      const [is, q, e] = [part(j, s), gives(j, s), ends(j, s)];
      const most = stocks[s]!.length;
      counts.set(is, 1).set(e, 1);
      parts.push([1, is]);
      length.push([1, q]);
      uses[s]!.push([1, q]);
      cuts.push([1, is], [-1, e]);
      where.push(
        notOver(0, [1, q], [-most, is]),
        notUnder(0, [1, q], [-Math.min(most, LEAST_JOINED), is]),
        // all of it goes into the join: nothing is cut off
        notUnder(0, [1, q], [-most, e]),
        notOver(0, [1, e], [-1, is]),
        notOver(0, [1, is], [-1, e], [-1, opened(s)]),
      );
    }
    where.push(equals(0, ...parts), equals(0, ...length));
  });
  rigs.forEach((_, r) => counts.set(short(r), 1));
  const long: Term[] = [];
  stocks.forEach(({ length }, s) => {
    if (uses[s]!.length === 0) return;
    counts.set(opened(s), 1);
    where.push(notOver(length, ...uses[s]!), notOver(0, ...cutOff[s]!, [-length, opened(s)]));
    const kept = keeps[s]!;
    if (kept.length > 0)
      where.push(
        notOver(1, ...kept.map((k): Term => [1, k.term])),
        // one that keeps the rest wants the others to have taken enough of it
        notUnder(0, ...uses[s]!, ...kept.map((k): Term => [-Math.max(0, length - k.over), k.term])),
        notUnder(0, [1, over(s)], ...uses[s]!, ...kept.map((k): Term => [-length, k.term])),
      );
    long.push([length, opened(s)], [OVER_COUNTS, over(s)]);
  });
  const joins = joints.map((_, j): Term => [1, made(j)]);
  return { where, counts, ranks: { rigs: rigs.map((_, r): Term => [1, short(r)]), lines, joins, cuts }, long };
}

/** What each need was given. */
export interface Given {
  readonly need: Need;
  /** Indices of its lengths, how much of each, m, and whether the rest of it stays on uncut; none where nothing is left for it. */
  readonly parts: readonly { readonly stock: number; readonly length: number; readonly uncut: boolean }[];
}

/** Reads what a program's answer gives each need. */
export function givenBy({ alike, joints }: Question, values: MipAnswer['values']): Given[] {
  const value = (name: string): number => values.get(name) ?? 0;
  return alike.flatMap(({ needs, length, stocks: from }, g): Given[] => {
    const waiting = [...needs];
    const out: Given[] = [];
    joints.forEach(({ need, stocks: among }, j) => {
      if (value(made(j)) < 1 || need.id !== waiting[0]?.id) return;
      waiting.shift();
      const parts = among.flatMap((s) =>
        value(part(j, s)) < 1 ? [] : [{ stock: s, length: value(gives(j, s)), uncut: value(ends(j, s)) > 0 }],
      );
      out.push({ need, parts });
    });
    for (const s of from)
      for (let k = value(taken(g, s)); k > 0; k--) {
        const need = waiting.shift();
        if (need === undefined) throw new Error('A plan gave more than was asked for.');
        out.push({ need, parts: [{ stock: s, length, uncut: k === 1 && value(uncut(g, s)) > 0 }] });
      }
    return [...out, ...waiting.map((need) => ({ need, parts: [] }))];
  });
}
