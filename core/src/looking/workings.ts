import type { Crop } from '../crops/schema.js';
import { evidenceFrom, type Evidence } from '../forecast/evidence.js';
import { posteriorOf, type Posterior } from '../forecast/posterior.js';
import { lotCurve, outlookFor, type LotCurve, type Outlook } from '../forecast/predict.js';
import type { LotPrior, Prior } from '../forecast/prior.js';
import type { RootGrowth } from '../moving/growth.js';
import { rateFrom, readyLength, type MeasuredRoot } from '../moving/rate.js';
import type { TestResult } from '../sowing/germination-test.js';
import type { Closure, DampLook, Weighing } from '../towel/drying.js';
import { integrateProgress, type Progress, type Stay } from '../warmth/progress.js';
import { tollOf, type WarmthToll } from '../warmth/toll.js';
import { USUAL_WAYS, type HouseWays } from './house.js';
import type { BagMates } from './next-look.js';
import { parcelState, type ParcelLook, type ParcelMove, type ParcelState } from './parcel-state.js';

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
  /** The household's ways, where it said any. */
  readonly ways?: Partial<HouseWays>;
  /** Seeds left in the packet; null where nobody counted. */
  readonly packetLeft?: number | null;
  /** Whether the packet's rate was printed or proved, not only the book's. */
  readonly rateProved?: boolean;
  readonly method?: string;
  readonly prepared?: readonly string[];
  /** Number of a later batch of the same packet that is under way: the lot is topped up already. */
  readonly followedBy?: number | null;
  /** What fingers said of the other towels of the bag: it dries as one. */
  readonly bagDamp?: readonly DampLook[];
  readonly weighings?: readonly Weighing[];
  /** What the other parcels of the bag ask for. */
  readonly mates?: BagMates | null;
  /** A germination test: when it is counted for the last time, and what it came to. */
  readonly test?: { readonly finalMs: number; readonly result: TestResult | null } | null;
  /** What was known, step by step, before any look: for "Why?". */
  readonly priorSteps?: readonly PriorStep[];
}

/** One thing that was known before any look, and the prior with it and all before it. */
export interface PriorStep {
  readonly what: 'book' | 'packet' | 'records';
  readonly text: string;
  readonly prior: Prior;
}

export const waysOf = ({ ways }: Pick<ParcelFacts, 'ways'>): HouseWays => ({ ...USUAL_WAYS, ...ways });

/** Roots that were measured, with when their tips came. */
function measuresOf({ looks }: ParcelFacts, state: ParcelState, progress: Progress): MeasuredRoot[] {
  return looks.flatMap((look) =>
    look.marks.flatMap(({ seed, rootMm }) => {
      const known = state.seeds[seed - 1];
      if (rootMm === null || !known || known.tipFromMs === null || known.tipToMs === null) return [];
      return [
        {
          seed,
          fromProgress: progress.at(known.tipFromMs),
          toProgress: progress.at(known.tipToMs),
          atProgress: progress.at(look.atMs),
          lengthMm: rootMm,
        },
      ];
    }),
  );
}

/** How this batch's roots grow, by its crop and by what was measured; ready by the household's school. */
function growthOf(facts: ParcelFacts, state: ParcelState, progress: Progress): RootGrowth & { readonly measured: number } {
  const { crop } = facts;
  const { factor, logSd, seeds } = rateFrom(crop, measuresOf(facts, state, progress));
  return {
    mmPerDayAtOptimum: crop.root.mmPerDayAtOptimum * factor,
    logSd,
    readyMm: readyLength(crop, waysOf(facts).rootSchool),
    lateMm: crop.root.lateMm,
    measured: seeds,
  };
}

/** The facts with everything derived from them once. */
export interface Workings {
  readonly facts: ParcelFacts;
  readonly progress: Progress;
  readonly evidence: Evidence;
  readonly posterior: Posterior;
  readonly outlook: Outlook;
  readonly toll: WarmthToll;
  readonly lot: LotCurve;
  readonly state: ParcelState;
  readonly growth: RootGrowth & { readonly measured: number };
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

/** The last workings of facts that are still held: several questions about one parcel share them. */
const latest = new WeakMap<ParcelFacts, { readonly nowMs: number; readonly workings: Workings }>();

/** Derives everything once. @throws RangeError where facts contradict each other */
export function workingsFor(facts: ParcelFacts, nowMs: number): Workings {
  const known = latest.get(facts);
  if (known?.nowMs === nowMs) return known.workings;
  const workings = derive(facts, nowMs);
  latest.set(facts, { nowMs, workings });
  return workings;
}

/** What its looks and its warmth come to, before any question of chance. */
export type Basics = Pick<Workings, 'facts' | 'progress' | 'evidence' | 'toll' | 'state' | 'growth'>;

/**
 * What a parcel went through up to a moment, and no further than some days on.
 *
 * @throws RangeError where facts contradict each other
 */
export function basicsFor(facts: ParcelFacts, nowMs: number, daysOn: number): Basics {
  const endMs = Math.max(nowMs, facts.startMs) + daysOn * DAY_MS;
  const stays =
    facts.chillUntilMs !== null && facts.chillUntilMs > nowMs
      ? [...facts.stays, { fromMs: facts.chillUntilMs, readings: [], guess: AFTER_CHILL }]
      : facts.stays;
  const progress = integrateProgress(facts.crop.temperature.beta, stays, facts.startMs, endMs, facts.utcOffsetHours);
  const state = parcelState(facts.seeds, facts.startMs, facts.looks, facts.moves);
  const growth = growthOf(facts, state, progress);
  const evidence = evidenceFrom(facts.seeds, facts.looks, facts.startMs, progress.at, growth.mmPerDayAtOptimum);
  return { facts, progress, evidence, toll: tollFor(facts, progress, nowMs), state, growth };
}

function derive(facts: ParcelFacts, nowMs: number): Workings {
  const basics = basicsFor(facts, nowMs, HORIZON_DAYS);
  const { evidence, progress, toll } = basics;
  const warmthLogSd = progress.logSdAt(Math.max(nowMs, facts.startMs + 3 * DAY_MS));
  const posterior = posteriorOf(evidence, priorIn(facts.prior, toll, warmthLogSd));
  const outlook = outlookFor(posterior, evidence.quiet);
  return { ...basics, posterior, outlook, lot: lotCurve(posterior) };
}

/** When a progress is reached, the horizon where it is not. */
export const momentOf = (progress: Progress, value: number): number => progress.when(value) ?? progress.endMs;
