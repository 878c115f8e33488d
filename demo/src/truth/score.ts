import { countForecast } from '@fresh-tuck/core/chance';
import { rateAt, responseOf } from '@fresh-tuck/core/warmth';
import { type Crop } from '@fresh-tuck/core/crops';
import type { Trial } from './trial.js';
import { PRINTED_RATE } from './lots.js';

/** Whether the shortest stretch that people are shown holds what came. */
export function shownCoverage(distribution: Float64Array, y: number): number {
  const { low, high } = countForecast(distribution);
  return y >= low && y <= high ? 1 : 0;
}

/** Binomial chances of `n` at one chance. */
function binomial(n: number, p: number): Float64Array {
  const result = new Float64Array(n + 1);
  let log = 0;
  for (let k = 0; k <= n; k++) {
    if (k > 0) log += Math.log((n - k + 1) / k);
    const tail = (k === 0 ? 0 : k * Math.log(p)) + (n - k === 0 ? 0 : (n - k) * Math.log1p(-p));
    result[k] = p <= 0 ? Number(k === 0) : p >= 1 ? Number(k === n) : Math.exp(log + tail);
  }
  return result;
}

const normalCdf = (z: number): number => {
  // Abramowitz and Stegun 7.1.26, error below 1.5e-7: enough for a rival.
  const t = 1 / (1 + (0.3275911 * Math.abs(z)) / Math.SQRT2);
  const erf = 1 - ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t * Math.exp((-z * z) / 2);
  return z >= 0 ? (1 + erf) / 2 : (1 - erf) / 2;
};

/** A rival that trusts the printed days and rate, with a fixed spread. */
export function printedDays(crop: Crop, trial: Trial, byMs: number, spread: number): Float64Array {
  const medianMs = (crop.days.tipAtOptimum / rateAt(responseOf(crop.temperature), 25)) * 86_400_000;
  const share = (ms: number): number => PRINTED_RATE * normalCdf(Math.log(ms / medianMs) / spread);
  const quiet = trial.seeds - (trial.looks.at(-1)?.tipped ?? 0);
  const before = share(trial.nowMs);
  return binomial(quiet, Math.min(Math.max((share(byMs) - before) / Math.max(1 - before, 1e-9), 0), 1));
}

/** A rival that expects tomorrow what the batch did a day ago: its plain proportion of the quiet, with one seed's doubt. */
export function plainProportion(trial: Trial): Float64Array {
  const now = trial.looks.at(-1)?.tipped ?? 0;
  const dayAgo = trial.looks.findLast(({ atMs }) => atMs <= trial.nowMs - 86_400_000)?.tipped ?? 0;
  const quiet = trial.seeds - now;
  return binomial(quiet, (now - dayAgo + 0.5) / (trial.seeds - dayAgo + 1));
}
