import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { MipAnswer } from './mip.js';
import type { Question } from './program.js';
import { OVER_COUNTS, opened, over, rigsIn, short, taken, uncut, unmet } from './program.js';

/** Moves that are tried for each line: a tenth of a second for some hundred. */
const MOVES = 500;
const CLOSE = 1e-9;

/** What is in one stock: how many lines of each group. */
interface Filled {
  readonly groups: number[];
  used: number;
}

/** What one stock costs as it is filled: cuts, metres of hank that are cut into, and the group whose line keeps the rest. */
function costOf({ stocks, alike }: Question, s: number, { groups, used }: Filled): readonly [number, number, number] {
  if (groups.length === 0) return [0, 0, -1];
  const rest = stocks[s]!.length - used;
  const keeper = groups.reduce((best, g) => (best < 0 || alike[g]!.over > alike[best]!.over ? g : best), -1);
  const kept = alike[keeper]!.over >= rest - CLOSE;
  const cuts = groups.length - Number(kept);
  return [cuts, (cuts > 0 ? stocks[s]!.length : 0) + (kept ? OVER_COUNTS * Math.max(0, rest) : 0), kept ? keeper : -1];
}

/**
 * A good plan without joins, to begin the exact search with: each line into the tightest length that takes it, the longest first,
 * then single moves and swaps as long as they make nothing worse. The same question gives the same plan.
 */
export function firstPlan(asked: Question): MipAnswer['values'] {
  const { stocks, alike } = asked;
  const source = xoroshiro128plus(1);
  const chance = (n: number): number => uniformInt(source, 0, n - 1);
  const filled = stocks.map((): Filled => ({ groups: [], used: 0 }));
  const lines = alike.flatMap(({ needs }, g) => needs.map(() => g)).sort((a, b) => alike[b]!.length - alike[a]!.length);
  const at = lines.map(() => -1);
  const room = (s: number): number => stocks[s]!.length - filled[s]!.used;
  const put = (line: number, s: number): void => {
    const g = lines[line]!;
    const from = at[line]!;
    if (from >= 0) {
      filled[from]!.groups.splice(filled[from]!.groups.indexOf(g), 1);
      filled[from]!.used -= alike[g]!.length;
    }
    if (s >= 0) {
      filled[s]!.groups.push(g);
      filled[s]!.used += alike[g]!.length;
    }
    at[line] = s;
  };
  const fits = (line: number): number[] =>
    alike[lines[line]!]!.stocks.filter((s) => room(s) >= alike[lines[line]!]!.length - CLOSE);
  lines.forEach((_, line) => {
    const [tightest] = fits(line).sort((a, b) => room(a) - room(b));
    if (tightest !== undefined) put(line, tightest);
  });
  const score = (of: readonly number[]): readonly [number, number] => {
    let [cuts, long] = [0, 0];
    for (const s of of) {
      if (s < 0) continue;
      const cost = costOf(asked, s, filled[s]!);
      cuts += cost[0];
      long += cost[1];
    }
    return [cuts, long];
  };
  const worse = (now: readonly [number, number], was: readonly [number, number]): boolean =>
    now[0] > was[0] || (now[0] === was[0] && now[1] > was[1] + CLOSE);
  for (let k = 0; k < MOVES * lines.length; k++) {
    const line = chance(lines.length);
    const [g, from] = [lines[line]!, at[line]!];
    const among = alike[g]!.stocks;
    if (among.length === 0) continue;
    const to = among[chance(among.length)]!;
    if (to === from) continue;
    if (room(to) >= alike[g]!.length - CLOSE) {
      const was = score([from, to]);
      put(line, to);
      // one more line that is met is worth any cut
      if (from >= 0 && worse(score([from, to]), was)) put(line, from);
      continue;
    }
    const other = chance(lines.length);
    const [h, there] = [lines[other]!, at[other]!];
    if (there < 0 || there === from || h === g || !alike[g]!.stocks.includes(there)) continue;
    if (from < 0 || !alike[h]!.stocks.includes(from)) continue;
    const [a, b] = [alike[g]!.length, alike[h]!.length];
    if (room(from) + a < b - CLOSE || room(there) + b < a - CLOSE) continue;
    const was = score([from, there]);
    put(line, -1);
    put(other, from);
    put(line, there);
    if (worse(score([from, there]), was)) {
      put(line, -1);
      put(other, there);
      put(line, from);
    }
  }
  return valuesOf(asked, filled);
}

/** The numbers of the program that a plan is. */
function valuesOf(asked: Question, filled: readonly Filled[]): Map<string, number> {
  const { stocks, alike } = asked;
  const values = new Map<string, number>();
  const met = alike.map(() => 0);
  filled.forEach((f, s) => {
    const [cuts, , keeper] = costOf(asked, s, f);
    for (const g of f.groups) {
      met[g]!++;
      values.set(taken(g, s), (values.get(taken(g, s)) ?? 0) + 1);
    }
    if (keeper >= 0) values.set(uncut(keeper, s), 1).set(over(s), Math.max(0, stocks[s]!.length - f.used));
    if (cuts > 0) values.set(opened(s), 1);
  });
  const rigs = rigsIn(asked);
  alike.forEach(({ needs }, g) => {
    const lacks = needs.length - met[g]!;
    values.set(unmet(g), lacks);
    const rig = rigs.indexOf(needs[0]!.of);
    if (lacks > 0 && rig >= 0) values.set(short(rig), 1);
  });
  return values;
}
