import { bookPrior, evidenceFrom, outlookFor, posteriorOf, type LookFact, type Outlook } from '@fresh-tuck/core/forecast';
import { comesUp } from '@fresh-tuck/core/method';
import { creditOf, heldBack, usualSteps } from '@fresh-tuck/core/preparing';
import { integrateProgress, rateAt, responseOf } from '@fresh-tuck/core/warmth';
import { type Crop } from '@fresh-tuck/core/crops';
import { chanceFrom, drawTrueLot, PRINTED_RATE, type Chance, type TrueLot, type World } from './lots.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const SAID_C = 25;

/** One batch looked at up to some moment, with what came after. */
export interface Trial {
  readonly seeds: number;
  readonly looks: readonly LookFact[];
  /** When it could begin to come: laid damp, or out of its cold. */
  readonly startMs: number;
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
 * @param lived when it is forecast, earliest and latest, in medians of the book
 */
export function trialOf(
  crop: Crop,
  world: World,
  perDay: 1 | 2,
  sizes: readonly [number, number],
  seed: number,
  lived: readonly [number, number] = [0.4, 2.3],
): Trial {
  const chance = chanceFrom(seed);
  const seeds = sizes[0] + Math.floor(chance.uniform() * (sizes[1] - sizes[0] + 1));
  const lot = drawTrueLot(world, seeds, chance);
  if (lot.chills.length > 0) return chilledTrial(crop, lot, perDay, chance, lived);
  const response = responseOf(crop.temperature);
  const trueRate = rateAt(response, SAID_C + lot.warmerC);
  const seen = lot.delays.length > 0 ? 'emergence' : 'tip';
  const wayUp = (index: number): number => (lot.delays[index] ?? 0) * crop.days.tipToEmergence;
  const tipMs = lot.needs.map((need, index) => ((need * crop.days.tipAtOptimum + wayUp(index)) / trueRate) * DAY_MS);
  const median = crop.days.tipAtOptimum + (seen === 'emergence' ? crop.days.tipToEmergence : 0);
  const medianMs = (median / rateAt(response, SAID_C)) * DAY_MS;
  const step = DAY_MS / perDay;
  const count = Math.max(1, Math.round(((lived[0] + (lived[1] - lived[0]) * chance.uniform()) * medianMs) / step));
  const tippedBy = (ms: number): number => tipMs.filter((tip) => tip <= ms).length;
  const through = world === 'through the bag';
  // Through the bag a root is noticed once it is so long, and some never are.
  const noticeMs = through ? tipMs.map((tip) => tip + noticedAfterMs(crop, trueRate, chance)) : tipMs;
  const seenBy = (ms: number): number => noticeMs.filter((at) => at <= ms).length;
  const looks = Array.from({ length: count }, (_, index) => {
    const atMs = (index + 1) * step;
    return { atMs, through, tipped: seenBy(atMs), rotten: null };
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
  const book = bookPrior(crop, { printedRate: PRINTED_RATE, ageYears: null, seen });
  const up = seen === 'emergence' ? comesUp(crop, 'pot') : 1;
  const share = { ...book.share, mean: book.share.mean * up };
  const prior = { ...book, share, logMedian: { ...book.logMedian, sd: Math.hypot(book.logMedian.sd, progress.logSdAt(nowMs)) } };
  return {
    seeds,
    looks,
    startMs: 0,
    nowMs,
    outlook: outlookFor(posteriorOf(evidence, prior), evidence.quiet, null, evidence.origins),
    progressAt: progress.at,
    // Of what was not seen yet: through the bag also what is there unnoticed.
    cameBy: (ms) => tippedBy(ms) - seenBy(nowMs),
  };
}

/** Roots differ in speed by this sd of the log, and are noticed through the bag from these lengths on, mm: invented, of another form than the forecast's. */
const SPEED_LOG_SD = 0.25;
const NOTICED_MEAN_MM = 5;
const NEVER_NOTICED = 0.25;

function noticedAfterMs({ root }: Crop, rate: number, chance: Chance): number {
  const speed = root.mmPerDayAtOptimum * rate * Math.exp(SPEED_LOG_SD * chance.normal());
  return chance.uniform() < NEVER_NOTICED ? Infinity : ((NOTICED_MEAN_MM * chance.exponential()) / speed) * DAY_MS;
}

const COLD_C = 4;
const THEN_C = 18;
/** Share of the prescribed cold that is given. */
const GIVEN = 0.5;
const steady = (celsius: number) => ({ minC: celsius - 0.5, maxC: celsius + 0.5 });
/** No seed of these worlds takes longer, days. */
const MOST_DAYS = 60;

/** A lot that was taken out of its cold too soon: what had not earned its chill by then sleeps on. */
function chilledTrial(crop: Crop, lot: TrueLot, perDay: 1 | 2, chance: Chance, lived: readonly [number, number]): Trial {
  const coldMs = GIVEN * crop.chill.weeks * 7 * DAY_MS;
  const response = responseOf(crop.temperature);
  const stays = [
    { fromMs: 0, readings: [{ fromMs: 0, toMs: coldMs, ...steady(COLD_C) }], guess: steady(COLD_C) },
    { fromMs: coldMs, readings: [], guess: steady(THEN_C) },
  ];
  const endMs = coldMs + 2 * MOST_DAYS * DAY_MS;
  const progress = integrateProgress(response, stays, 0, endMs);
  const tipMs = lot.needs.map((need, index) => {
    const wakesMs = (lot.chills[index] ?? 0) * crop.chill.weeks * 7 * DAY_MS;
    return wakesMs > coldMs ? Infinity : (progress.when(progress.at(wakesMs) + need * crop.days.tipAtOptimum) ?? Infinity);
  });
  const step = DAY_MS / perDay;
  const medianMs = (crop.days.tipAtOptimum / rateAt(response, THEN_C)) * DAY_MS;
  const count = Math.max(1, Math.round(((lived[0] + (lived[1] - lived[0]) * chance.uniform()) * medianMs) / step));
  const tippedBy = (ms: number): number => tipMs.filter((tip) => tip <= ms).length;
  const looks = Array.from({ length: count + 1 }, (_, index) => {
    const atMs = coldMs + index * step;
    return { atMs, through: false, tipped: tippedBy(atMs), rotten: null };
  });
  const nowMs = coldMs + count * step;
  const credit = creditOf(crop, stays, 0, endMs, 0);
  const seen = evidenceFrom(lot.needs.length, looks, 0, progress.at, crop.root.mmPerDayAtOptimum);
  const evidence = { ...seen, origins: heldBack(crop, usualSteps(crop), progress, credit) };
  const book = bookPrior(crop, { printedRate: PRINTED_RATE, ageYears: null, seen: 'tip' });
  const prior = { ...book, logMedian: { ...book.logMedian, sd: Math.hypot(book.logMedian.sd, progress.logSdAt(nowMs)) } };
  return {
    seeds: lot.needs.length,
    looks,
    startMs: coldMs,
    nowMs,
    outlook: outlookFor(posteriorOf(evidence, prior), evidence.quiet, null, evidence.origins),
    progressAt: progress.at,
    cameBy: (ms) => tippedBy(ms) - tippedBy(nowMs),
  };
}
