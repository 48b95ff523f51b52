import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { normalQuantile } from '../quantity/index.js';

/** Samples of one design; several independent ones tell how far to trust what they come to. */
export const BLOCK = 250;

/**
 * One Latin hypercube: in every dimension each of n equal shares of chance is drawn from once (McKay, Beckman and Conover,
 * Technometrics 21, 1979).
 * @param seed  whole number; the same gives the same design
 * @param block which of the independent designs of a seed
 * @returns     standard normal numbers, n rows of `dimensions`
 */
export function hypercube(dimensions: number, n: number, seed: number, block: number): Float64Array {
  const source = xoroshiro128plus(Math.imul(seed | 0, 0x9e3779b1) ^ Math.imul(block + 1, 0x85ebca6b));
  const out = new Float64Array(dimensions * n);
  const order = new Int32Array(n);
  for (let d = 0; d < dimensions; d++) {
    for (let i = 0; i < n; i++) order[i] = i;
    for (let i = n - 1; i > 0; i--) {
      const j = uniformInt(source, 0, i);
      [order[i], order[j]] = [order[j]!, order[i]!];
    }
    for (let i = 0; i < n; i++) {
      // never quite an end
      const p = (order[i]! + Math.min(1 - 1e-9, Math.max(1e-9, uniformFloat64(source)))) / n;
      out[i * dimensions + d] = normalQuantile(p);
    }
  }
  return out;
}
