import betaQuantile from '@stdlib/stats-base-dists-beta-quantile';
import type { Crop } from '../crops/index.js';
import { agedShares, type Prior } from '../forecast/index.js';

/** What is expected of a packet now. */
export interface StockFacts {
  readonly share: Prior['share'];
  /** Years that its storage has aged it by, against a dry drawer in a room. */
  readonly ageYears: number | null;
  /** Such years that a year in its store adds. */
  readonly pace: number;
  readonly seedsLeft: number | null;
  /** Whether own batches or tests of it have told something. */
  readonly tried: boolean;
}

/** A packet as the box tells it at a glance. */
export interface Stock {
  /** Living share expected now, with the stretch that holds 8 times in 10. */
  readonly mean: number;
  readonly low: number;
  readonly high: number;
  readonly advice: readonly StockAdvice[];
  /** Share expected after 0, 1, 2 … further years in its store. */
  readonly ahead: readonly number[];
  /** The same 1, 2, … years ago, as far back as it was seed; empty where its age is not known. */
  readonly behind: readonly number[];
}
export type StockAdvice = 'use_up' | 'test_first' | 'short' | 'empty';

/** A packet past this share of its storage life is to be used up. Guess. */
const NEARLY_OVER = 0.75;
/** Below this expected share, or with a wider stretch, a packet nobody has tried is tested first. Guess. */
const DOUBTFUL_SHARE = 0.6;
const WIDE = 0.55;
/** Fewer seeds than this do not make a batch. Guess. */
const FEW = 5;
const YEARS_AHEAD = 6;
/** Years that the line reaches back at the most. */
const MOST_BEHIND = 12;

/**
 * What a packet is good for: its expected rate with an interval, and what to do
 * with it. The beta is that of the forecast's own prior, age and records in it.
 */
export function stockOf({ viability }: Crop, { share, ageYears, pace, seedsLeft, tried }: StockFacts): Stock {
  const a = share.mean * share.weight;
  const b = (1 - share.mean) * share.weight;
  const [low, high] = [betaQuantile(0.1, a, b), betaQuantile(0.9, a, b)];
  const empty = seedsLeft !== null && seedsLeft <= 0;
  const advice: StockAdvice[] = [];
  if (!empty && ageYears !== null && ageYears >= NEARLY_OVER * viability.storageYears) advice.push('use_up');
  if (!empty && !tried && (share.mean < DOUBTFUL_SHARE || high - low > WIDE)) advice.push('test_first');
  if (empty) advice.push('empty');
  else if (seedsLeft !== null && seedsLeft < FEW) advice.push('short');
  const now = agedShares(ageYears ?? 0, viability.storageYears).mean;
  const at = (years: number): number =>
    Math.min((share.mean * agedShares((ageYears ?? 0) + years * pace, viability.storageYears).mean) / Math.max(now, 1e-6), 1);
  const ahead = Array.from({ length: YEARS_AHEAD + 1 }, (_, years) => at(years));
  const behind = Array.from({ length: Math.min(Math.floor((ageYears ?? 0) / pace + 1e-9), MOST_BEHIND) }, (_, nth) => at(-(nth + 1)));
  return { mean: share.mean, low, high, advice, ahead, behind };
}
