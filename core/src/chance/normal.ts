import cdf from '@stdlib/stats-base-dists-normal-cdf';

const STEPS_PER_UNIT = 256;

/**
 * Tabulates a distribution function on [low, high] with straight lines between:
 * a forecast asks tens of thousands of times. The error is at most 5e-7 for
 * curves no more bent than the normal.
 */
function tabulate(distribution: (x: number) => number, low: number, high: number): (x: number) => number {
  const table = Float64Array.from({ length: (high - low) * STEPS_PER_UNIT + 2 }, (_, index) => distribution(low + index / STEPS_PER_UNIT));
  return (x) => {
    if (!(x > low)) return 0;
    if (x >= high) return 1;
    const position = (x - low) * STEPS_PER_UNIT;
    const below = position | 0;
    const at = table[below] as number;
    return at + ((table[below + 1] as number) - at) * (position - below);
  };
}

/** Standard normal distribution function. */
export const fastNormalCdf = tabulate((z) => cdf(z, 0, 1), -8, 8);

/** Distribution of the log of a Weibull time in units of its shape, with its median at 0. */
export const fastLogWeibullCdf = tabulate((z) => -Math.expm1(-Math.LN2 * Math.exp(z)), -24, 5);
