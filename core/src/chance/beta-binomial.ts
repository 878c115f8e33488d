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

/**
 * The same by its recurrence, from the mean out, for any mean from 0 to 1: a forecast
 * asks for hundreds.
 */
export function betaBinomialAt(n: number, mean: number, weight: number): Float64Array {
  const result = new Float64Array(n + 1);
  if (mean <= 0 || mean >= 1) {
    result[mean <= 0 ? 0 : n] = 1;
    return result;
  }
  const [a, b] = [mean * weight, (1 - mean) * weight];
  const start = Math.min(Math.floor((n + 1) * mean), n);
  result[start] = 1;
  let sum = 1;
  for (let k = start; k < n; k++) sum += result[k + 1] = ((result[k] as number) * (n - k) * (a + k)) / ((k + 1) * (b + n - k - 1));
  for (let k = start; k > 0; k--) sum += result[k - 1] = ((result[k] as number) * k * (b + n - k)) / ((n - k + 1) * (a + k - 1));
  return result.map((chance) => chance / sum);
}
