import type { WatchedEvent } from '../method/index.js';
import { pastLotOf, workingsFor, type ClosingReason, type ParcelFacts } from '../parcel/index.js';
import { keptQuietBy, type KeptQuiet } from './kept-quiet.js';
import { scoreOf, type BatchScore } from './score.js';

/** What a finished batch is filed under. */
export interface PastLabels {
  readonly id: string;
  readonly number: number;
  readonly packet: string;
  readonly spot: string;
  readonly reason: ClosingReason | null;
  /** Days to its tips as its packet prints them; null where it prints none. */
  readonly packetDays: readonly [low: number, high: number] | null;
  /** Sprouts that broke at the move. */
  readonly snapped: number;
}

/** A finished batch in its figures: read once, when it closes. */
export interface PastBatch extends PastLabels {
  readonly crop: string;
  readonly method: ParcelFacts['method'];
  readonly event: WatchedEvent;
  readonly startMs: number;
  readonly closedMs: number;
  readonly seeds: number;
  readonly wanted: number | null;
  readonly came: number;
  readonly rotten: number;
  readonly quiet: number;
  readonly moved: number;
  /** Times it was opened, those that found nothing new, and those of them before its first tip was likely: less than 1 in 50 by the forecast of its start. */
  readonly openings: number;
  readonly nothing: number;
  readonly tooSoon: number;
  /** By how much its pace differs from the book's, log; with its sd. */
  readonly shift: { readonly mean: number; readonly sd: number };
  /** Sd of log days between its seeds, by its looks alone. */
  readonly logSpread: { readonly mean: number; readonly sd: number };
  readonly meanC: number;
  /** What kept its seed quiet, beside the seed itself. */
  readonly kept: KeptQuiet;
  readonly score: BatchScore;
}

/** Before so little of a batch's first tip is likely nobody need open it. */
const SOON = 0.02;

/**
 * Reads a finished batch: what came of it, what it cost in looks, and how its forecasts did.
 *
 * @param facts with the prior of the day it was begun; @param book the same with what the book alone says
 */
export function pastBatchOf(facts: ParcelFacts, book: ParcelFacts, closedMs: number, labels: PastLabels): PastBatch {
  const score = scoreOf(facts, closedMs);
  const workings = workingsFor(facts, closedMs);
  const { state, progress, toll, method } = workings;
  const opened = facts.looks.filter(({ tipped, through }) => tipped !== null && !through);
  let before = 0;
  const found = opened.map((look) => {
    const fresh = Math.max((look.tipped ?? 0) - before, 0);
    before = Math.max(before, look.tipped ?? 0);
    return { atMs: look.atMs, fresh };
  });
  const begun = workingsFor({ ...facts, looks: [], moves: [] }, facts.startMs + 1);
  const noneBy = (ms: number): number => begun.outlook.furtherTips(progress.at(ms))[0] ?? 1;
  const firstMs = found.find(({ fresh }) => fresh > 0)?.atMs ?? Infinity;
  const { shift, logSpread } = pastLotOf(book, closedMs, { packet: labels.packet, crop: facts.crop.id, spot: labels.spot });
  return {
    ...labels,
    crop: facts.crop.id,
    method: facts.method,
    event: method.event,
    startMs: facts.startMs,
    closedMs,
    seeds: facts.seeds,
    wanted: facts.wanted,
    came: state.tipped,
    rotten: state.rotten,
    quiet: state.quiet,
    moved: state.moved,
    openings: opened.length,
    nothing: found.filter(({ fresh }) => fresh === 0).length,
    tooSoon: found.filter(({ atMs }) => atMs < firstMs && 1 - noneBy(atMs) < SOON).length,
    shift,
    logSpread,
    meanC: toll.meanC,
    kept: keptQuietBy(workings),
    score,
  };
}

/** What may be looked back by. */
export const GROUPINGS = ['crop', 'packet', 'method', 'spot', 'year'] as const;
export type Grouping = (typeof GROUPINGS)[number];

/** What became of a batch's sprouts after it. */
export interface PastFate {
  readonly lived: number;
  readonly died: number;
  /** Thrown on the compost, as too many. */
  readonly composted: number;
}

/** Several batches in their figures. */
export interface PastSum {
  readonly batches: number;
  readonly seeds: number;
  readonly came: number;
  readonly rotten: number;
  readonly quiet: number;
  readonly moved: number;
  readonly snapped: number;
  readonly openings: number;
  readonly nothing: number;
  readonly tooSoon: number;
  /** Sprouts that came and were never moved, or went on the compost. */
  readonly thrown: number;
  readonly lived: number;
  readonly died: number;
  /** Day of the middle tip, over the batches where two or more came; as it was, and as the forecast had said; null where there is none. */
  readonly days: number | null;
  readonly saidDays: number | null;
  /** Days within which 8 in 10 of those that came did, over the same batches. */
  readonly withinDays: number | null;
  /** Mean of how many times off the forecast's day was, 1 where never; and the packet's, over the same batches where it prints one. */
  readonly timesOff: number | null;
  readonly packet: { readonly batches: number; readonly timesOff: number; readonly forecastTimesOff: number } | null;
  /** Of the forecasts asked, how many the 80 % held. */
  readonly asked: number;
  readonly held: number;
}

/** How far off a day was, log of the times. */
const logOff = (said: number, came: number): number => Math.abs(Math.log(said / came));

/** Of a normal distribution a tenth lies beyond so many sd. */
const TENTH = 1.2816;

/** Figures that are added up batch by batch as they stand. */
const ADDED = ['seeds', 'came', 'rotten', 'quiet', 'moved', 'snapped', 'openings', 'nothing', 'tooSoon'] as const;

/** Adds batches up, in one pass: a look back sums thousands several times over. @param fateOf what became of a batch's sprouts */
export function pastSum(batches: readonly PastBatch[], fateOf: (id: string) => PastFate): PastSum {
  const added = { seeds: 0, came: 0, rotten: 0, quiet: 0, moved: 0, snapped: 0, openings: 0, nothing: 0, tooSoon: 0 };
  const fates = { thrown: 0, lived: 0, died: 0 };
  const told = { batches: 0, cameDays: 0, saidDays: 0, withinDays: 0, off: 0 };
  const printed = { batches: 0, packet: 0, forecast: 0 };
  const scores = { asked: 0, held: 0 };
  for (const batch of batches) {
    for (const figure of ADDED) added[figure] += batch[figure];
    const { lived, died, composted } = fateOf(batch.id);
    fates.thrown += Math.max(batch.came - batch.moved - batch.snapped, 0) + composted;
    fates.lived += lived;
    fates.died += died;
    const { middle, asked, held } = batch.score;
    scores.asked += asked;
    scores.held += held;
    if (!middle || middle.saidDays <= 0 || middle.cameDays <= 0) continue;
    const { saidDays, cameDays } = middle;
    const off = logOff(saidDays, cameDays);
    const spread = TENTH * Math.exp(batch.logSpread.mean);
    told.batches++;
    told.cameDays += cameDays;
    told.saidDays += saidDays;
    told.withinDays += cameDays * (Math.exp(spread) - Math.exp(-spread));
    told.off += off;
    if (!batch.packetDays) continue;
    const [low, high] = batch.packetDays;
    printed.batches++;
    printed.packet += logOff((low + high) / 2, cameDays);
    printed.forecast += off;
  }
  const mean = (sum: number): number | null => (told.batches > 0 ? sum / told.batches : null);
  return {
    batches: batches.length,
    ...added,
    ...fates,
    ...scores,
    days: mean(told.cameDays),
    saidDays: mean(told.saidDays),
    withinDays: mean(told.withinDays),
    timesOff: told.batches > 0 ? Math.exp(told.off / told.batches) : null,
    packet:
      printed.batches > 0
        ? {
            batches: printed.batches,
            timesOff: Math.exp(printed.packet / printed.batches),
            forecastTimesOff: Math.exp(printed.forecast / printed.batches),
          }
        : null,
  };
}

/** Between batches of a crop in one house the pace differs by this, log. As the forecast's own priors have it. */
const BATCHES_APART = 0.2;

/** What the house's batches of a crop say of its pace beside the book: how many times its days, with the stretch that holds it 8 times in 10. */
export function paceBeside(batches: readonly Pick<PastBatch, 'shift'>[]): {
  readonly times: number;
  readonly low: number;
  readonly high: number;
} {
  let [weight, sum] = [0, 0];
  for (const { shift } of batches) {
    const own = 1 / (shift.sd ** 2 + BATCHES_APART ** 2);
    weight += own;
    sum += own * shift.mean;
  }
  const [log, sd] = weight > 0 ? [sum / weight, 1 / Math.sqrt(weight)] : [0, Infinity];
  return { times: Math.exp(log), low: Math.exp(log - TENTH * sd), high: Math.exp(log + TENTH * sd) };
}

/** A household's places differ from what a crop's curve says of them by so much a degree, log. Guess, until many batches say otherwise. */
const SLOPE_SD = 0.04;
/** Own batches that outweigh the book where they alone tell its pace to less than lots of one kind differ by, log. */
const OUTWEIGHS = 0.12;

/** What the house's own batches make of a crop's days by warmth. */
export interface OwnCurve {
  /** How many times the book's days at a warmth, with the stretch that holds it 8 times in 10. */
  readonly timesAt: (celsius: number) => { readonly times: number; readonly low: number; readonly high: number };
  /** Sd of log days between seeds of a batch: as the batches have it; null where none tells. */
  readonly spread: number | null;
  /** Whether it outweighs the book: what it says of the pace is surer than the book is. */
  readonly outweighs: boolean;
}

/**
 * The house's response of a crop to warmth, laid over the book's: the pace of each batch
 * against the book's at the warmth it had, by weighted least squares with a prior that
 * takes the book's curve to be right but for a few parts in a hundred a degree.
 *
 * @param batches of one crop, at least one
 */
export function ownCurve(batches: readonly Pick<PastBatch, 'shift' | 'logSpread' | 'meanC'>[]): OwnCurve {
  const told = batches.map(({ shift, meanC }) => ({ y: shift.mean, t: meanC, weight: 1 / (shift.sd ** 2 + BATCHES_APART ** 2) }));
  const weight = told.reduce((sum, one) => sum + one.weight, 0);
  const centre = told.reduce((sum, one) => sum + one.weight * one.t, 0) / weight;
  const level = told.reduce((sum, one) => sum + one.weight * one.y, 0) / weight;
  const squares = told.reduce((sum, one) => sum + one.weight * (one.t - centre) ** 2, 0) + 1 / SLOPE_SD ** 2;
  const slope = told.reduce((sum, one) => sum + one.weight * (one.t - centre) * (one.y - level), 0) / squares;
  const known = batches.filter(({ logSpread }) => logSpread.sd < 0.6);
  const spreads = known.reduce((sum, { logSpread }) => sum + 1 / logSpread.sd ** 2, 0);
  return {
    timesAt: (celsius) => {
      const log = level + slope * (celsius - centre);
      const sd = Math.sqrt(1 / weight + (celsius - centre) ** 2 / squares);
      return { times: Math.exp(log), low: Math.exp(log - TENTH * sd), high: Math.exp(log + TENTH * sd) };
    },
    spread: known.length > 0 ? Math.exp(known.reduce((sum, { logSpread }) => sum + logSpread.mean / logSpread.sd ** 2, 0) / spreads) : null,
    outweighs: 1 / Math.sqrt(weight) < OUTWEIGHS,
  };
}
