/**
 * At most three values in place of many, with the same weight, mean, variance, skewness
 * and kurtosis; the middle one is the mean. Works in place: the values asked for become
 * the first three.
 *
 * Source: matching the first four moments; t² - γ σ t - (κ - γ²) σ² = 0 gives the outer two.
 *
 * @param count how many of the values there are; more than three
 * @param widest relative spread beyond which they stay as they are
 * @returns how many there are now; as many as before where three would be too far apart, or reach beyond the others
 */
export function threeFor(values: Float64Array, weights: Float64Array, count: number, widest: number): number {
  let [total, mean, least, most] = [0, 0, Infinity, -Infinity];
  for (let i = 0; i < count; i++) {
    const [value, weight] = [values[i] as number, weights[i] as number];
    total += weight;
    mean += weight * value;
    if (value < least) least = value;
    if (value > most) most = value;
  }
  mean /= total;
  let [second, third, fourth] = [0, 0, 0];
  for (let i = 0; i < count; i++) {
    const off = (values[i] as number) - mean;
    const square = (weights[i] as number) * off * off;
    second += square;
    third += square * off;
    fourth += square * off * off;
  }
  second /= total;
  const sd = Math.sqrt(second);
  if (sd > widest * mean) return count;
  if (!(sd > 1e-9 * mean)) {
    values[0] = mean;
    weights[0] = total;
    return 1;
  }
  const skewness = third / total / (second * sd);
  const peaked = Math.max(fourth / total / (second * second) - skewness * skewness, 1);
  const root = Math.sqrt((skewness * skewness) / 4 + peaked);
  const [up, down] = [sd * (skewness / 2 + root), sd * (root - skewness / 2)];
  if (mean + up > most || mean - down < least) return count;
  const [above, below] = [second / (up * (up + down)), second / (down * (up + down))];
  values.set([mean - down, mean, mean + up]);
  weights.set([total * below, total * (1 - above - below), total * above]);
  return 3;
}
