import { normalQuantile } from '../quantity/index.js';
import type { DrillKind } from './drill.js';

/** A guess as it is remembered. */
export interface Guessed {
  readonly kind: DrillKind;
  /** ISO 8601. */
  readonly at: string;
  readonly error: number | null;
  readonly near: boolean;
  readonly grade: 1 | 2 | 3 | 4;
  /** How sure they were that it is near, a share. */
  readonly sure: number;
}

/** How far off guesses are: a factor, with what it lies between nine times in ten, and whether they are mostly over or under. */
export interface Off {
  readonly count: number;
  /** e to the root mean square of their errors: typically over or under by so many times. */
  readonly times: number;
  readonly range: readonly [number, number];
  /** e to their mean: over 1 they are mostly too high. */
  readonly bias: number;
}

/** Nine in ten. */
const WITHIN = 0.9;

/**
 * Quantile of chi squared with n degrees of freedom (Wilson and Hilferty, PNAS 17, 1931): at the quantiles used here within 7 % for n of
 * 3 and more, and within half a hundredth from 10 (test).
 */
export function chiSquared(p: number, n: number): number {
  const a = 2 / (9 * n);
  return n * Math.max(0, 1 - a + normalQuantile(p) * Math.sqrt(a)) ** 3;
}

/** Of guesses of numbers; null where there are fewer than three: too few to say. */
export function offBy(guesses: readonly Pick<Guessed, 'error'>[]): Off | null {
  const errors = guesses.flatMap((g) => (g.error === null ? [] : [g.error]));
  const n = errors.length;
  if (n < 3) return null;
  const square = errors.reduce((sum, e) => sum + e * e, 0);
  const root = Math.sqrt(square / n);
  const low = Math.sqrt(square / chiSquared((1 + WITHIN) / 2, n));
  const high = Math.sqrt(square / chiSquared((1 - WITHIN) / 2, n));
  return {
    count: n,
    times: Math.exp(root),
    range: [Math.exp(low), Math.exp(high)],
    bias: Math.exp(errors.reduce((sum, e) => sum + e, 0) / n),
  };
}

/** Of those who said they were so sure, the share that was near, and what that lies between nine times in ten. */
export interface Calibrated {
  readonly sure: number;
  readonly count: number;
  readonly near: number;
  readonly range: readonly [number, number];
}

/** How often one is near when one says so: by how sure one was, the least first; ranges by Wilson (J. Am. Stat. Assoc. 22, 1927). */
export function calibration(guesses: readonly Pick<Guessed, 'near' | 'sure'>[]): Calibrated[] {
  const z = normalQuantile((1 + WITHIN) / 2);
  return [...new Set(guesses.map((g) => g.sure))]
    .sort((a, b) => a - b)
    .map((sure) => {
      const of = guesses.filter((g) => g.sure === sure);
      const n = of.length;
      const p = of.filter((g) => g.near).length / n;
      const middle = (p + (z * z) / (2 * n)) / (1 + (z * z) / n);
      const half = (z / (1 + (z * z) / n)) * Math.sqrt((p * (1 - p)) / n + (z * z) / (4 * n * n));
      return { sure, count: n, near: p, range: [Math.max(0, middle - half), Math.min(1, middle + half)] };
    });
}

/** Guesses of each month, the first first: "2026-03". */
export function byMonth(guesses: readonly Guessed[]): ReadonlyMap<string, readonly Guessed[]> {
  const out = new Map<string, Guessed[]>();
  for (const g of [...guesses].sort((a, b) => (a.at < b.at ? -1 : 1))) {
    const month = g.at.slice(0, 7);
    out.set(month, [...(out.get(month) ?? []), g]);
  }
  return out;
}
