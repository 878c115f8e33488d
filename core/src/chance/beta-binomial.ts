import betaln from '@stdlib/math-base-special-betaln';
import gammaln from '@stdlib/math-base-special-gammaln';

const logChoose = (n: number, k: number): number => gammaln(n + 1) - gammaln(k + 1) - gammaln(n - k + 1);

/**
 * Distribution of how many of so many seeds come, where the chance of each is itself
 * known only as a beta: beta-binomial, chances of 0 … n.
 *
 * @param mean of the beta, inside (0, 1); @param weight its weight, as many seeds' worth
 */
export function betaBinomial(n: number, { mean, weight }: { readonly mean: number; readonly weight: number }): Float64Array {
  const a = mean * weight;
  const b = (1 - mean) * weight;
  return Float64Array.from({ length: n + 1 }, (_, k) => Math.exp(logChoose(n, k) + betaln(k + a, n - k + b) - betaln(a, b)));
}
