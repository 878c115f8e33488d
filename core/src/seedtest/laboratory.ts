import type { Crop } from '../crops/index.js';
import { rateAt, responseOf } from '../warmth/index.js';

/**
 * Germination tests of a laboratory by crop: lower and higher temperature, °C (16 and
 * 8 hours a day), day of the first count and of the final one. ISTA, *International
 * Rules for Seed Testing*, Table 5A, from memory.
 */
const COUNTS: Readonly<Record<string, readonly [lowC: number, highC: number, first: number, final: number]>> = {
  onion: [20, 20, 6, 12],
  leek: [20, 20, 6, 14],
  chives: [20, 20, 6, 14],
  dill: [20, 30, 7, 21],
  celery: [20, 30, 10, 21],
  asparagus: [20, 30, 10, 28],
  beet: [20, 30, 4, 14],
  cabbage: [20, 30, 5, 10],
  turnip: [20, 30, 5, 7],
  'pepper-sweet': [20, 30, 7, 14],
  watermelon: [20, 30, 5, 14],
  coriander: [20, 30, 7, 21],
  melon: [20, 30, 4, 8],
  cucumber: [20, 30, 4, 8],
  courgette: [20, 30, 4, 8],
  'winter-squash': [20, 30, 4, 8],
  'globe-artichoke': [20, 30, 7, 21],
  carrot: [20, 30, 7, 14],
  fennel: [20, 30, 7, 14],
  soybean: [20, 30, 5, 8],
  sunflower: [20, 30, 4, 10],
  lettuce: [20, 20, 4, 7],
  'bottle-gourd': [20, 30, 4, 14],
  luffa: [20, 30, 4, 14],
  'bitter-gourd': [20, 30, 4, 14],
  basil: [20, 30, 4, 14],
  parsnip: [20, 30, 6, 28],
  parsley: [20, 30, 10, 28],
  'bean-bush': [20, 30, 5, 9],
  'bean-runner': [20, 30, 5, 9],
  pea: [20, 20, 5, 8],
  radish: [20, 30, 4, 10],
  tomato: [20, 30, 5, 14],
  aubergine: [20, 30, 7, 14],
  spinach: [15, 15, 7, 21],
  nasturtium: [20, 30, 4, 14],
  'broad-bean': [20, 20, 4, 14],
  cowpea: [20, 30, 5, 8],
  'sweet-corn': [20, 30, 4, 7],
  snapdragon: [20, 30, 5, 21],
  'sweet-pea': [20, 20, 5, 14],
  petunia: [20, 30, 7, 14],
  lavender: [20, 30, 7, 21],
  sage: [20, 30, 7, 21],
  thyme: [20, 30, 7, 21],
  zinnia: [20, 30, 3, 10],
};

/** When a test is counted for the last time. */
export interface FinalCount {
  /** Days after the start, whole. */
  readonly day: number;
  readonly by: 'laboratory' | 'patience';
  /** The laboratory's own day and temperatures, where it is tabled. */
  readonly tabled: { readonly day: number; readonly lowC: number; readonly highC: number } | null;
}

/** A home's thermometer is no laboratory's: never a final count in less than this, days. Guess. */
const LEAST_DAYS = 3;
const MOST_DAYS = 120;

/** Medians to wait for where no laboratory has a rule. Common practice, no source. */
export const UNTABLED_TIMES = 4;

/**
 * Day of the final count: the laboratory's, brought to the spot's warmth by the
 * crop's response, else as many medians as the household is patient for.
 *
 * @param progressPerDay days at the optimum that a day at the spot is worth
 * @param chillDays days of cold that come first
 */
export function finalCountFor(crop: Crop, progressPerDay: number, chillDays = 0): FinalCount {
  const row = COUNTS[crop.id];
  const pace = Math.max(progressPerDay, 1e-3);
  const days = (progress: number): number => Math.min(Math.max(Math.ceil(progress / pace - 1e-9), LEAST_DAYS), MOST_DAYS) + chillDays;
  if (!row) return { day: days(UNTABLED_TIMES * crop.days.tipAtOptimum), by: 'patience', tabled: null };
  const [lowC, highC, , final] = row;
  const response = responseOf(crop.temperature);
  const perDay = (2 * rateAt(response, lowC) + rateAt(response, highC)) / 3;
  // Warmer than the laboratory, nobody counts earlier: seedlings must be told apart.
  return { day: Math.max(days(final * perDay), final + chillDays), by: 'laboratory', tabled: { day: final, lowC, highC } };
}
