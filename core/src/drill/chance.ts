import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** What falls out of a seed, the same each time. */
export interface Chance {
  /** Between two numbers, evenly. */
  readonly between: (low: number, high: number) => number;
  /** Between two positive numbers, evenly in their logarithm. */
  readonly scaled: (low: number, high: number) => number;
  readonly one: <T>(of: readonly T[]) => T;
  /** All of them in another order. */
  readonly shuffled: <T>(of: readonly T[]) => T[];
}

/** @param seed whole number */
export function chanceOf(seed: number): Chance {
  const source = xoroshiro128plus(Math.imul(seed | 0, 0x9e3779b1) ^ 0x3c6ef372);
  const between = (low: number, high: number): number => low + (high - low) * uniformFloat64(source);
  return {
    between,
    scaled: (low, high) => Math.exp(between(Math.log(low), Math.log(high))),
    one: (of) => of[uniformInt(source, 0, of.length - 1)]!,
    shuffled: (of) => {
      const out = [...of];
      for (let i = out.length - 1; i > 0; i--) {
        const j = uniformInt(source, 0, i);
        [out[i], out[j]] = [out[j]!, out[i]!];
      }
      return out;
    },
  };
}
