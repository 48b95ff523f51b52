/** How uncertain a number is. Ranges are 5 % to 95 % everywhere, so half a range is 1.645 standard deviations. */

/** Standard normal quantile at 95 % (NIST/SEMATECH e-Handbook, 1.3.6.7.1). */
export const Z95 = 1.6448536269514722;

export type Range = readonly [low: number, high: number];

/** The 5 % to 95 % range of a value with the given standard deviation. */
export function rangeFromSd(value: number, sd: number): Range {
  return [value - Z95 * sd, value + Z95 * sd];
}

/** Standard deviation that a 5 % to 95 % range stands for. */
export function sdFromRange(range: Range): number {
  return (range[1] - range[0]) / (2 * Z95);
}

/**
 * Standard normal distribution function, by the complementary error function of
 * W. J. Cody's rational forms as given in Numerical Recipes 6.2 (Chebyshev, relative error below 1.2e-7).
 */
export function normalCdf(x: number): number {
  const z = Math.abs(x) / Math.SQRT2;
  const t = 1 / (1 + 0.5 * z);
  const erfc =
    t *
    Math.exp(
      -z * z -
        1.26551223 +
        t *
          (1.00002368 +
            t *
              (0.37409196 +
                t *
                  (0.09678418 +
                    t *
                      (-0.18628806 +
                        t *
                          (0.27886807 + t * (-1.13520398 + t * (1.48851587 + t * (-0.82215223 + t * 0.17087277)))))))),
    );
  return x >= 0 ? 1 - erfc / 2 : erfc / 2;
}

/** Ratio of two polynomials, coefficients from the lowest power on. */
const rational = (x: number, above: readonly number[], below: readonly number[]): number => {
  const sum = (c: readonly number[]): number => c.reduceRight((s, v) => s * x + v, 0);
  return sum(above) / sum(below);
};

/**
 * Standard normal quantile (M. J. Wichura, Algorithm AS 241, PPND7, Applied Statistics 37, 1988; relative error about 1e-7).
 * @param p 0 to 1, ends excluded
 */
export function normalQuantile(p: number): number {
  if (!(p > 0 && p < 1)) throw new RangeError(`p: ${p}; it must lie between 0 and 1`);
  const q = p - 0.5;
  if (Math.abs(q) <= 0.425)
    return (
      q *
      rational(
        0.180625 - q * q,
        [3.3871327179, 50.434271938, 159.29113202, 59.10937472],
        [1, 17.895169469, 78.757757664, 67.1875636],
      )
    );
  const r = Math.sqrt(-Math.log(q < 0 ? p : 1 - p));
  const z =
    r <= 5
      ? rational(r - 1.6, [1.4234372777, 2.75681539, 1.3067284816, 0.17023821103], [1, 0.7370016425, 0.12021132975])
      : rational(r - 5, [6.657905115, 3.081226386, 0.42868294337, 0.017337203997], [1, 0.24197894225, 0.012258202635]);
  return q < 0 ? -z : z;
}
