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
