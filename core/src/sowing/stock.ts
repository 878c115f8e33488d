import betaQuantile from '@stdlib/stats-base-dists-beta-quantile';
import type { Crop } from '../crops/schema.js';
import type { Prior } from '../forecast/prior.js';

/** What is expected of a packet now. */
export interface StockFacts {
  readonly share: Prior['share'];
  readonly ageYears: number | null;
  readonly seedsLeft: number | null;
  /** Whether own batches of it have told something. */
  readonly tried: boolean;
}

/** A packet as the box tells it at a glance. */
export interface Stock {
  /** Living share expected now, with the stretch that holds 8 times in 10. */
  readonly mean: number;
  readonly low: number;
  readonly high: number;
  readonly advice: readonly ('use_up' | 'test_first' | 'short')[];
}

/** A packet past this share of its storage life is to be used up. Guess. */
const NEARLY_OVER = 0.75;
/** Below this expected share, or with a wider stretch, a packet nobody has tried is tested first. Guess. */
const DOUBTFUL_SHARE = 0.6;
const WIDE = 0.55;
/** Fewer seeds than this do not make a batch. Guess. */
const FEW = 5;

/**
 * What a packet is good for: its expected rate with an interval, and what to do
 * with it. The beta is that of the forecast's own prior, age and records in it.
 */
export function stockOf({ viability }: Crop, { share, ageYears, seedsLeft, tried }: StockFacts): Stock {
  const a = share.mean * share.weight;
  const b = (1 - share.mean) * share.weight;
  const [low, high] = [betaQuantile(0.1, a, b), betaQuantile(0.9, a, b)];
  const empty = seedsLeft !== null && seedsLeft <= 0;
  const advice: Stock['advice'][number][] = [];
  if (!empty && ageYears !== null && ageYears >= NEARLY_OVER * viability.storageYears) advice.push('use_up');
  if (!empty && !tried && (share.mean < DOUBTFUL_SHARE || high - low > WIDE)) advice.push('test_first');
  if (seedsLeft !== null && seedsLeft < FEW) advice.push('short');
  return { mean: share.mean, low, high, advice };
}
