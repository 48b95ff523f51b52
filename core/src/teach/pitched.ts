import { normalQuantile } from '../quantity/index.js';

/** What instructors see wrong with a roof that was pitched in haste, and the knot that is practised against it, where it is one. */
export const PITCH_FAULTS = {
  'crossed-turns': { name: 'crossed turns', knot: 'loop' },
  'slack-ridge': { name: 'slack ridge', knot: 'pulley' },
  'pulled-square': { name: 'corner pulled square', knot: null },
  'peg-leans-in': { name: 'peg leaning in', knot: null },
  'unequal-loops': { name: 'unequal loops', knot: 'double-fisherman' },
  'unlevel-ends': { name: 'unlevel ends', knot: null },
  'no-drip-break': { name: 'no drip break', knot: null },
  'bed-taut': { name: 'over-tight hammock', knot: null },
  'no-look-up': { name: 'forgotten look-up', knot: null },
  'tangled-cord': { name: 'tangled cord', knot: null },
} as const satisfies Readonly<Record<string, { readonly name: string; readonly knot: string | null }>>;
export type PitchFault = keyof typeof PITCH_FAULTS;
export const PITCH_FAULT_IDS = Object.keys(PITCH_FAULTS) as PitchFault[];

/** What was pitched against the watch: a roof, or roof and bed. */
export const PITCHES = { roof: 'a roof', both: 'roof and bed' } as const;
export type PitchOf = keyof typeof PITCHES;
/** Steps between which the watch is pressed. */
export const SPLITS = {
  look: 'looked up, trees chosen',
  ridge: 'ridge strung',
  hang: 'cloth hung',
  guy: 'guyed out',
  bed: 'bed hung',
} as const;
export type SplitOf = keyof typeof SPLITS;
export const splitsOf = (of: PitchOf): readonly SplitOf[] =>
  of === 'roof' ? ['look', 'ridge', 'hang', 'guy'] : ['look', 'ridge', 'hang', 'guy', 'bed'];

/** A timed pitch as it is remembered. */
export interface Pitched {
  /** ISO 8601. */
  readonly at: string;
  readonly of: PitchOf;
  /** s. */
  readonly total: number;
  readonly splits: readonly { readonly of: SplitOf; readonly took: number }[];
  readonly faults: readonly PitchFault[];
}

/** Times of some pitches of one sort: the best, the middle one, and what eight in ten lie between, s. */
export interface Times {
  readonly count: number;
  readonly best: number;
  readonly middle: number;
  readonly range: readonly [number, number];
}

/** null where there is none. The spread is that of logarithms about their mean: times are never negative and have a long tail. */
export function timesOf(pitches: readonly Pick<Pitched, 'total'>[]): Times | null {
  const all = pitches.map((p) => p.total).sort((a, b) => a - b);
  const [best] = all;
  if (best === undefined) return null;
  const middle = all.length % 2 === 1 ? all[all.length >> 1]! : (all[all.length / 2 - 1]! + all[all.length / 2]!) / 2;
  const logs = all.map(Math.log);
  const mean = logs.reduce((s, l) => s + l, 0) / logs.length;
  const sd = Math.sqrt(logs.reduce((s, l) => s + (l - mean) ** 2, 0) / Math.max(1, logs.length - 1));
  const z = normalQuantile(0.9);
  return { count: all.length, best, middle, range: [Math.exp(mean - z * sd), Math.exp(mean + z * sd)] };
}

/** How often each fault was seen, the most frequent first; those never seen are left out. */
export function faultsSeen(
  pitches: readonly Pick<Pitched, 'faults'>[],
): readonly { readonly fault: PitchFault; readonly count: number }[] {
  return PITCH_FAULT_IDS.map((fault) => ({ fault, count: pitches.filter((p) => p.faults.includes(fault)).length }))
    .filter((f) => f.count > 0)
    .sort((a, b) => b.count - a.count);
}

/** Monday of the week of a day, as an ISO date. */
export function weekOf(at: string): string {
  const day = new Date(at);
  day.setUTCDate(day.getUTCDate() - ((day.getUTCDay() + 6) % 7));
  return day.toISOString().slice(0, 10);
}
/** Pitches of each week, the first first. */
export function byWeek(pitches: readonly Pitched[]): ReadonlyMap<string, readonly Pitched[]> {
  const out = new Map<string, Pitched[]>();
  for (const p of [...pitches].sort((a, b) => (a.at < b.at ? -1 : 1))) {
    const week = weekOf(p.at);
    out.set(week, [...(out.get(week) ?? []), p]);
  }
  return out;
}
