import type { Crop } from '../crops/schema.js';
import { evidenceFrom, type Evidence } from '../forecast/evidence.js';
import { posteriorOf, type Posterior } from '../forecast/posterior.js';
import { lotCurve, outlookFor, type LotCurve, type Outlook } from '../forecast/predict.js';
import type { LotPrior, Prior } from '../forecast/prior.js';
import type { RootGrowth } from '../moving/growth.js';
import type { Closure } from '../towel/drying.js';
import { integrateProgress, type Progress, type Stay } from '../warmth/progress.js';
import { tollOf, type WarmthToll } from '../warmth/toll.js';
import type { ParcelLook, ParcelMove } from './parcel-state.js';

export const DAY_MS = 86_400_000;
/** How far ahead a forecast reaches. */
export const HORIZON_DAYS = 150;
/** A looking time nearer than this is the one that is now. */
export const SLOT_MS = 2 * 3_600_000;
/** Nobody has said yet where it goes when its chill is done: an ordinary warm room, °C. */
const AFTER_CHILL = { minC: 18, maxC: 24 };

/** Everything about a parcel that its forecast hangs on: plain values, no ids. */
export interface ParcelFacts {
  readonly crop: Crop;
  readonly seeds: number;
  readonly wanted: number | null;
  readonly startMs: number;
  readonly chillUntilMs: number | null;
  /** What was known before any look: book, packet and own records. */
  readonly prior: LotPrior;
  readonly stays: readonly Stay[];
  readonly utcOffsetHours: number;
  readonly looks: readonly ParcelLook[];
  readonly moves: readonly ParcelMove[];
  readonly closure: Closure;
  /** Water that the towel was given, ml. */
  readonly doseMl: number;
  /** The household's looking times from now on, rising. */
  readonly lookTimesMs: readonly number[];
  /** Most a seed may be let past "late" unseen: chance for any seed, per look. */
  readonly lateTolerance: number;
}

/** How roots of a crop grow and when they are ready and late. */
export const growthOf = (crop: Crop): RootGrowth => ({
  mmPerDayAtOptimum: crop.root.mmPerDayAtOptimum,
  readyMm: crop.root.readyMm,
  lateMm: crop.root.lateMm,
});

/** The facts with everything derived from them once. */
export interface Workings {
  readonly facts: ParcelFacts;
  readonly progress: Progress;
  readonly evidence: Evidence;
  readonly posterior: Posterior;
  readonly outlook: Outlook;
  readonly toll: WarmthToll;
  readonly lot: LotCurve;
  readonly growth: RootGrowth;
}

/** The toll of the warmth from the end of the chill on; of the days ahead where it has hardly begun. */
function tollFor(facts: ParcelFacts, progress: Progress, nowMs: number): WarmthToll {
  const fromMs = Math.max(facts.startMs, facts.chillUntilMs ?? 0);
  return tollOf(facts.crop, progress, fromMs, nowMs - fromMs < SLOT_MS ? fromMs + 3 * DAY_MS : nowMs);
}

/** The prior at the warmth the batch really had. */
const priorIn = (prior: Prior, toll: WarmthToll, warmthLogSd: number): Prior => ({
  share: { mean: Math.max(prior.share.mean * toll.share * toll.survival, 0.02), weight: prior.share.weight },
  logMedian: { mean: prior.logMedian.mean, sd: Math.hypot(prior.logMedian.sd, warmthLogSd) },
  spread: prior.spread,
});

/** Derives everything once. @throws RangeError where facts contradict each other */
export function workingsFor(facts: ParcelFacts, nowMs: number): Workings {
  const endMs = Math.max(nowMs, facts.startMs) + HORIZON_DAYS * DAY_MS;
  const stays =
    facts.chillUntilMs !== null && facts.chillUntilMs > nowMs
      ? [...facts.stays, { fromMs: facts.chillUntilMs, readings: [], guess: AFTER_CHILL }]
      : facts.stays;
  const progress = integrateProgress(facts.crop.temperature.beta, stays, facts.startMs, endMs, facts.utcOffsetHours);
  const evidence = evidenceFrom(facts.seeds, facts.looks, facts.startMs, progress.at, facts.crop.root.mmPerDayAtOptimum);
  const toll = tollFor(facts, progress, nowMs);
  const warmthLogSd = progress.logSdAt(Math.max(nowMs, facts.startMs + 3 * DAY_MS));
  const posterior = posteriorOf(evidence, priorIn(facts.prior, toll, warmthLogSd));
  const outlook = outlookFor(posterior, evidence.quiet);
  return { facts, progress, evidence, posterior, outlook, toll, lot: lotCurve(posterior), growth: growthOf(facts.crop) };
}

/** When a progress is reached, the horizon where it is not. */
export const momentOf = (progress: Progress, value: number): number => progress.when(value) ?? progress.endMs;
