/**
 * Chances of 0 … n successes in n trials, by the recurrence from the mode out, so
 * that nothing under- or overflows for n up to 400.
 *
 * @param p chance of each, 0 to 1
 */
export function binomial(n: number, p: number): Float64Array {
  const result = new Float64Array(n + 1);
  if (p <= 0 || p >= 1) {
    result[p <= 0 ? 0 : n] = 1;
    return result;
  }
  const mode = Math.min(Math.floor((n + 1) * p), n);
  const odds = p / (1 - p);
  result[mode] = 1;
  let sum = 1;
  for (let k = mode; k < n; k++) sum += result[k + 1] = ((result[k] as number) * odds * (n - k)) / (k + 1);
  for (let k = mode; k > 0; k--) sum += result[k - 1] = ((result[k] as number) * k) / (odds * (n - k + 1));
  return result.map((chance) => chance / sum);
}

/** Every count of a distribution goes on with a chance of its own. */
export function thinnedBy(counts: ArrayLike<number>, share: number): Float64Array {
  const result = new Float64Array(counts.length);
  for (let n = 0; n < counts.length; n++) {
    binomial(n, share).forEach((chance, k) => (result[k] = (result[k] as number) + (counts[n] as number) * chance));
  }
  return result;
}
