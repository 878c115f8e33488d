import { TO_THE_LETTER, type PastLot, posteriorOf, TIP_LAWS } from '../forecast/index.js';
import type { ParcelFacts } from './facts.js';
import { basicsFor, waySpecific } from './workings.js';

/** Prior weight of the flat beta that a finished batch is read with. */
const FLAT = { mean: 0.5, weight: 2 } as const;
/** The first days stand for the warmth of a batch that was closed at once. */
const DAYS_ON = 4;

/**
 * Reads a finished batch for what it tells the next ones: its pace, spread and
 * living share as its looks alone say. Seeds still quiet at closing are censored.
 *
 * @param facts with the prior that the book alone gives
 * @param labels what it shares with other batches
 */
export function pastLotOf(facts: ParcelFacts, closedMs: number, labels: Pick<PastLot, 'packet' | 'crop' | 'spot'>): PastLot {
  const { progress, evidence, toll, slower } = basicsFor(facts, closedMs, DAYS_ON);
  // What was left undone in making it ready is not the packet's pace.
  const expected = facts.prior.logMedian.mean + Math.log(slower);
  const open = { share: FLAT, logMedian: { mean: expected, sd: 0.6 }, spread: facts.prior.spread };
  const posterior = posteriorOf(evidence, open, TO_THE_LETTER);
  const sums = { share: [0, 0], shift: [0, 0], spread: [0, 0] };
  const add = (sum: number[], value: number, weight: number): void => {
    sum[0] = (sum[0] ?? 0) + weight * value;
    sum[1] = (sum[1] ?? 0) + weight * value * value;
  };
  const laws = TIP_LAWS.map(() => 0);
  for (const column of posterior.columns) {
    const law = TIP_LAWS.indexOf(column.law);
    column.weights.forEach((weight, index) => {
      if (weight === 0) return;
      laws[law] = (laws[law] ?? 0) + weight;
      add(sums.share, posterior.shares[index] ?? 0, weight);
      add(sums.shift, column.logMedian - expected, weight);
      add(sums.spread, Math.log(column.spread), weight);
    });
  }
  const moments = ([mean = 0, square = 0]: number[]) => ({ mean, sd: Math.sqrt(Math.max(square - mean * mean, 1e-6)) });
  const share = moments(sums.share);
  // A beta with these moments, less the flat one it began with; the share is told as it would be at its best warmth.
  const weight = Math.max((share.mean * (1 - share.mean)) / share.sd ** 2 - 1 - FLAT.weight, 0);
  const lived = weight * Math.min(share.mean / (toll.share * waySpecific(facts)), 1);
  const shift = moments(sums.shift);
  return {
    ...labels,
    shift: { mean: shift.mean, sd: Math.hypot(shift.sd, progress.logSdAt(closedMs)) },
    logSpread: moments(sums.spread),
    share: { lived, died: weight - lived },
    laws,
  };
}
