/** Equal parts of the samples, by the size of an input, in whose means its effect is looked for. */
const BINS = 20;

/**
 * Share of the variance of a result that one input makes by itself, from samples as they are: the variance of the means of twenty equal
 * parts of them by that input's size, less what chance alone would give (E. Plischke, Reliability Engineering and System Safety 95, 2010).
 * @param x the input, by sample
 * @param y the result, by sample
 * @returns 0 to 1; with n samples good to about √(40 / n)
 */
export function firstOrder(x: ArrayLike<number>, y: ArrayLike<number>): number {
  const n = Math.min(x.length, y.length);
  if (n < 2 * BINS) throw new RangeError(`samples: ${n}; at least ${2 * BINS} are needed`);
  const order = Array.from({ length: n }, (_, i) => i).sort((a, b) => x[a]! - x[b]!);
  let mean = 0;
  for (let i = 0; i < n; i++) mean += y[i]! / n;
  let whole = 0;
  for (let i = 0; i < n; i++) whole += (y[i]! - mean) ** 2 / (n - 1);
  if (!(whole > 0)) return 0;
  let [between, within] = [0, 0];
  for (let b = 0; b < BINS; b++) {
    const part = order.slice(Math.floor((b * n) / BINS), Math.floor(((b + 1) * n) / BINS));
    let own = 0;
    for (const i of part) own += y[i]! / part.length;
    let spread = 0;
    for (const i of part) spread += (y[i]! - own) ** 2 / (part.length - 1);
    between += (part.length / n) * (own - mean) ** 2;
    within += spread / n;
  }
  return Math.min(1, Math.max(0, (between - within) / whole));
}
