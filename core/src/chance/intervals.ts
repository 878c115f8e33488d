import betaQuantile from '@stdlib/stats-base-dists-beta-quantile';
import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';

/** A share with the stretch that holds it. */
export interface Interval {
  readonly low: number;
  readonly high: number;
}

/**
 * Wilson's score interval of a share (E. B. Wilson, *J. Amer. Statist. Assoc.* 22,
 * 1927), without a continuity correction.
 *
 * @param k successes, 0 to n; @param n seeds, 1 or more; @param confidence inside (0, 1)
 */
export function wilsonInterval(k: number, n: number, confidence = 0.95): Interval {
  const z = normalQuantile(0.5 + confidence / 2, 0, 1);
  const share = k / n;
  const middle = (share + z ** 2 / (2 * n)) / (1 + z ** 2 / n);
  const half = (z / (1 + z ** 2 / n)) * Math.sqrt((share * (1 - share)) / n + z ** 2 / (4 * n ** 2));
  return { low: k === 0 ? 0 : middle - half, high: k === n ? 1 : middle + half };
}

/**
 * The exact interval of a share (C. J. Clopper and E. S. Pearson, *Biometrika* 26,
 * 1934): it holds the true share at least as often as it says.
 */
export function exactInterval(k: number, n: number, confidence = 0.95): Interval {
  const tail = (1 - confidence) / 2;
  return {
    low: k === 0 ? 0 : betaQuantile(tail, k, n - k + 1),
    high: k === n ? 1 : betaQuantile(1 - tail, k + 1, n - k),
  };
}
