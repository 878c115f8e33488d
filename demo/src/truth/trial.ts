import { bookPrior, evidenceFrom, outlookFor, posteriorOf, type LookFact, type Outlook } from '@fresh-tuck/core/forecast';
import { integrateProgress, rateAt, responseOf } from '@fresh-tuck/core/warmth';
import { type Crop } from '@fresh-tuck/core/crops';
import { chanceFrom, drawTrueLot, PRINTED_RATE, type World } from './lots.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const SAID_C = 25;

/** One batch looked at up to some moment, with what came after. */
export interface Trial {
  readonly seeds: number;
  readonly looks: readonly LookFact[];
  readonly nowMs: number;
  readonly outlook: Outlook;
  readonly progressAt: (ms: number) => number;
  /** Further tips by a moment; in the end for Infinity. */
  readonly cameBy: (ms: number) => number;
}

/**
 * Draws a batch, looks at it, and forecasts from a look somewhere in its life.
 *
 * @param perDay looks a day, 1 or 2
 * @param sizes smallest and largest batch
 */
export function trialOf(crop: Crop, world: World, perDay: 1 | 2, sizes: readonly [number, number], seed: number): Trial {
  const chance = chanceFrom(seed);
  const seeds = sizes[0] + Math.floor(chance.uniform() * (sizes[1] - sizes[0] + 1));
  const lot = drawTrueLot(world, seeds, chance);
  const response = responseOf(crop.temperature);
  const trueRate = rateAt(response, SAID_C + lot.warmerC);
  const tipMs = lot.needs.map((need) => ((need * crop.days.tipAtOptimum) / trueRate) * DAY_MS);
  const medianMs = (crop.days.tipAtOptimum / rateAt(response, SAID_C)) * DAY_MS;
  const step = DAY_MS / perDay;
  const count = Math.max(1, Math.round(((0.4 + 1.9 * chance.uniform()) * medianMs) / step));
  const tippedBy = (ms: number): number => tipMs.filter((tip) => tip <= ms).length;
  const looks = Array.from({ length: count }, (_, index) => {
    const atMs = (index + 1) * step;
    return { atMs, through: false, tipped: tippedBy(atMs), rotten: null };
  });
  const nowMs = count * step;
  const reading = { minC: SAID_C - 0.5, maxC: SAID_C + 0.5 };
  const progress = integrateProgress(
    response,
    [{ fromMs: 0, readings: [{ fromMs: 0, toMs: nowMs, ...reading }], guess: reading }],
    0,
    nowMs + 60 * DAY_MS,
  );
  const evidence = evidenceFrom(seeds, looks, 0, progress.at, crop.root.mmPerDayAtOptimum);
  const book = bookPrior(crop, { printedRate: PRINTED_RATE, ageYears: null, seen: 'tip' });
  const prior = { ...book, logMedian: { ...book.logMedian, sd: Math.hypot(book.logMedian.sd, progress.logSdAt(nowMs)) } };
  return {
    seeds,
    looks,
    nowMs,
    outlook: outlookFor(posteriorOf(evidence, prior), evidence.quiet),
    progressAt: progress.at,
    cameBy: (ms) => tippedBy(ms) - tippedBy(nowMs),
  };
}
