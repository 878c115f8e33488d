import { pastLotOf, workingsFor, type ClosingReason, type ParcelFacts } from '../parcel/index.js';

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
  const { state, progress, toll } = workingsFor(facts, closedMs);
  const score = scoreOf(facts, closedMs);
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

const mean = (values: readonly number[]): number | null =>
  values.length === 0 ? null : values.reduce((sum, value) => sum + value, 0) / values.length;
const timesOff = (said: number, came: number): number => Math.abs(Math.log(said / came));
const asTimes = (logs: readonly number[]): number | null => {
  const log = mean(logs);
  return log === null ? null : Math.exp(log);
};

/** Of a normal distribution a tenth lies beyond so many sd. */
const TENTH = 1.2816;

/** Adds batches up. @param fateOf what became of a batch's sprouts */
export function pastSum(batches: readonly PastBatch[], fateOf: (id: string) => PastFate): PastSum {
  const sum = (of: (batch: PastBatch) => number): number => batches.reduce((total, batch) => total + of(batch), 0);
  const told = batches.flatMap(({ score, packetDays, logSpread }) => {
    const { middle } = score;
    return middle && middle.saidDays > 0 && middle.cameDays > 0 ? [{ ...middle, packetDays, spread: Math.exp(logSpread.mean) }] : [];
  });
  const printed = told.flatMap(({ packetDays, saidDays, cameDays }) =>
    packetDays ? [{ forecast: timesOff(saidDays, cameDays), packet: timesOff((packetDays[0] + packetDays[1]) / 2, cameDays) }] : [],
  );
  return {
    batches: batches.length,
    seeds: sum(({ seeds }) => seeds),
    came: sum(({ came }) => came),
    rotten: sum(({ rotten }) => rotten),
    quiet: sum(({ quiet }) => quiet),
    moved: sum(({ moved }) => moved),
    snapped: sum(({ snapped }) => snapped),
    openings: sum(({ openings }) => openings),
    nothing: sum(({ nothing }) => nothing),
    tooSoon: sum(({ tooSoon }) => tooSoon),
    thrown: sum(({ id, came, moved, snapped }) => Math.max(came - moved - snapped, 0) + fateOf(id).composted),
    lived: sum(({ id }) => fateOf(id).lived),
    died: sum(({ id }) => fateOf(id).died),
    days: mean(told.map(({ cameDays }) => cameDays)),
    withinDays: mean(told.map(({ cameDays, spread }) => cameDays * (Math.exp(TENTH * spread) - Math.exp(-TENTH * spread)))),
    saidDays: mean(told.map(({ saidDays }) => saidDays)),
    timesOff: asTimes(told.map(({ saidDays, cameDays }) => timesOff(saidDays, cameDays))),
    packet:
      printed.length === 0
        ? null
        : {
            batches: printed.length,
            timesOff: asTimes(printed.map(({ packet }) => packet)) as number,
            forecastTimesOff: asTimes(printed.map(({ forecast }) => forecast)) as number,
          },
    asked: sum(({ score }) => score.asked),
    held: sum(({ score }) => score.held),
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
