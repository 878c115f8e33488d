import type { Crop } from '../crops/schema.js';
import { countForecast, type CountForecast } from '../forecast/count.js';
import { evidenceFrom, type Evidence } from '../forecast/evidence.js';
import { lotCurve, outlookFor, type LotCurve, type Outlook } from '../forecast/predict.js';
import { posteriorOf, type Prior } from '../forecast/posterior.js';
import { leadsTo, passing, usualLength, type RootCohort, type RootGrowth } from '../moving/growth.js';
import { dryingForecast, type Closure, type DryingForecast } from '../towel/drying.js';
import { integrateProgress, type Progress, type Stay } from '../warmth/progress.js';
import { nextLook, type NextLook } from './next-look.js';
import { parcelState, type ParcelLook, type ParcelMove, type ParcelState, type SeedState } from './parcel-state.js';

/** Everything about a parcel that its forecast hangs on: plain values, no ids. */
export interface ParcelFacts {
  readonly crop: Crop;
  readonly seeds: number;
  readonly wanted: number | null;
  readonly startMs: number;
  readonly chillUntilMs: number | null;
  /** Rate printed on the packet, 0 to 1, where there is one. */
  readonly printedRate: number | null;
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

/** A count forecast at a moment. */
export interface CountAt extends CountForecast {
  readonly atMs: number;
}

/** A cohort of roots with where it stands. */
export interface RootsNow {
  readonly seeds: readonly number[];
  readonly count: number;
  readonly usualMm: number;
  readonly measured: boolean;
  readonly readyMs: number;
  /** The fastest that could be among them enter the paper. */
  readonly lateFromMs: number;
  readonly usuallyLateMs: number;
}

/** The forecast's answers about one parcel at one moment. */
export interface Answers {
  readonly nowMs: number;
  readonly state: ParcelState;
  readonly progressNow: number;
  /** Further tips since the last look: by the next looking time, by tomorrow's last, in the end. */
  readonly soon: CountAt;
  readonly tomorrow: CountAt;
  readonly end: CountForecast;
  /** Already there if one opened now. */
  readonly now: CountAt;
  readonly chanceQuietAlive: number;
  /** Chance of any further tip before patience ends. */
  readonly chanceAnyFurther: number;
  readonly patienceMs: number;
  /** When half of the living have shown, most likely; null beyond the horizon. */
  readonly halfMs: number | null;
  readonly roots: readonly RootsNow[];
  /** When the first sprout is ready, shown or still to come, and when the first is late. */
  readonly window: { readonly readyMs: number | null; readonly lateMs: number | null };
  readonly drying: DryingForecast;
  readonly next: NextLook;
  /** For drawings: mean share of the quiet seeds that tips in each step from the last look on. */
  readonly ribbon: { readonly fromMs: number; readonly stepMs: number; readonly shares: readonly number[] };
  /** Tips in all, ahead of the last look, with the 80 % band. */
  readonly curve: readonly CountAt[];
}

const DAY_MS = 86_400_000;
/** A looking time nearer than this is the one that is now. */
const SLOT_MS = 2 * 3_600_000;
const HORIZON_DAYS = 150;
const PATIENCE_TIMES_MEDIAN = 4;
/** Lots differ by this sd of log median; less is known of crops whose days are a guess. */
const LOT_LOG_SD = { high: 0.38, med: 0.42, low: 0.52 } as const;
/** Nobody has said yet where it goes when its chill is done: an ordinary warm room, °C. */
const AFTER_CHILL = { minC: 18, maxC: 24 };
const TIPS_OF_NORMAL = 0.97;
const RIBBON_STEPS = 60;
const CURVE_STEPS = 14;

/** The prior for a batch before its first look, from packet and crop. */
export function priorFor(crop: Crop, printedRate: number | null, warmthLogSd: number): Prior {
  const rate = printedRate ?? crop.viability.share;
  return {
    share: { mean: Math.min(Math.max(TIPS_OF_NORMAL * rate, 0.02), 0.98), weight: 6 },
    logMedian: { mean: Math.log(crop.days.tipAtOptimum), sd: Math.hypot(LOT_LOG_SD[crop.days.confidence], warmthLogSd) },
    spread: { median: crop.days.logSpread, logSd: 0.4 },
  };
}

/** How roots of a crop grow and when they are ready and late. */
export const growthOf = (crop: Crop): RootGrowth => ({
  mmPerDayAtOptimum: crop.root.mmPerDayAtOptimum,
  readyMm: crop.root.readyMm,
  lateMm: crop.root.lateMm,
});

/** The facts with everything derived from them once. */
interface Workings {
  readonly facts: ParcelFacts;
  readonly progress: Progress;
  readonly evidence: Evidence;
  readonly outlook: Outlook;
  readonly lot: LotCurve;
  readonly growth: RootGrowth;
}

function workingsFor(facts: ParcelFacts, nowMs: number): Workings {
  const endMs = Math.max(nowMs, facts.startMs) + HORIZON_DAYS * DAY_MS;
  const stays =
    facts.chillUntilMs !== null && facts.chillUntilMs > nowMs
      ? [...facts.stays, { fromMs: facts.chillUntilMs, readings: [], guess: AFTER_CHILL }]
      : facts.stays;
  const progress = integrateProgress(facts.crop.temperature.beta, stays, facts.startMs, endMs, facts.utcOffsetHours);
  const evidence = evidenceFrom(facts.seeds, facts.looks, facts.startMs, progress.at);
  const warmthLogSd = progress.logSdAt(Math.max(nowMs, facts.startMs + 3 * DAY_MS));
  const posterior = posteriorOf(evidence, priorFor(facts.crop, facts.printedRate, warmthLogSd));
  const outlook = outlookFor(posterior, evidence.quiet.count, evidence.quiet.progress);
  return { facts, progress, evidence, outlook, lot: lotCurve(posterior), growth: growthOf(facts.crop) };
}

/** Lengths that the words for a stage stand for, mm, where nobody measured: a nib, and the least that is called a root. */
const STAGE_MM = { tip: 1.5, root: 4 } as const;

interface Roots extends RootCohort {
  readonly seeds: readonly number[];
  readonly measured: boolean;
}

/** One touched seed's root: as measured, else as its stage says, else from when its tip can have come. */
function rootOf(seed: SeedState, { progress, growth, lot }: Workings): Roots {
  const from = progress.at(seed.tipFromMs ?? progress.startMs);
  const to = progress.at(seed.tipToMs ?? progress.startMs);
  const cohort = {
    seeds: [seed.seed],
    count: 1,
    fromProgress: from,
    toProgress: to,
    usualProgress: lot.midway(from, to),
    measuredMm: null,
    measured: false,
  };
  const seenAt = progress.at(seed.stageAtMs ?? seed.tipToMs ?? progress.startMs);
  if (seed.measuredMm !== null && seed.measuredAtMs === seed.stageAtMs) {
    return { ...cohort, toProgress: seenAt, measuredMm: seed.measuredMm, measured: true };
  }
  if (seed.stage === 'tip') return { ...cohort, toProgress: seenAt, measuredMm: STAGE_MM.tip };
  const usualMm = usualLength(growth, cohort, seenAt);
  return usualMm < STAGE_MM.root ? { ...cohort, toProgress: seenAt, measuredMm: STAGE_MM.root } : cohort;
}

/** Roots on the towel: touched ones each for itself, counted ones by when they came. */
function cohortsOf(state: ParcelState, workings: Workings): Roots[] {
  const { progress, lot } = workings;
  const touched = state.seeds
    .filter((seed) => seed.tipToMs !== null && !seed.moved && seed.stage !== 'rotten')
    .map((seed) => rootOf(seed, workings));
  const counted = state.counted.map((tips) => {
    const fromProgress = progress.at(tips.fromMs);
    const toProgress = progress.at(tips.toMs);
    return {
      seeds: [],
      count: tips.count,
      fromProgress,
      toProgress,
      usualProgress: lot.midway(fromProgress, toProgress),
      measuredMm: null,
      measured: false,
    };
  });
  return [...touched, ...counted];
}

/** Mean temperature over the day before a moment: a bag dries by day and by night. */
const meanCelsius = (progress: Progress, nowMs: number): number =>
  Array.from({ length: 24 }, (_, hour) => progress.celsiusAt(nowMs - hour * 3_600_000)).reduce((sum, celsius) => sum + celsius, 0) / 24;

const momentOf = (progress: Progress, value: number): number => progress.when(value) ?? progress.endMs;

/** First moment in [from, end] at which a rising chance passes a level; null where it does not. */
function firstMoment(fromMs: number, endMs: number, chance: (ms: number) => number, level: number): number | null {
  if (chance(endMs) < level) return null;
  let low = fromMs;
  let high = endMs;
  for (let step = 0; step < 14; step++) {
    const middle = (low + high) / 2;
    if (chance(middle) < level) low = middle;
    else high = middle;
  }
  return high;
}

function rootsNow(workings: Workings, state: ParcelState, nowMs: number): RootsNow[] {
  const { progress, growth } = workings;
  return cohortsOf(state, workings).map((cohort) => {
    const late = passing(growth, cohort, growth.lateMm);
    return {
      seeds: cohort.seeds,
      count: cohort.count,
      usualMm: usualLength(growth, cohort, progress.at(nowMs)),
      measured: cohort.measured,
      readyMs: momentOf(progress, passing(growth, cohort, growth.readyMm).usual),
      lateFromMs: momentOf(progress, late.earliest),
      usuallyLateMs: momentOf(progress, late.usual),
    };
  });
}

/** How long to wait for a crop: four times its median in progress, chill on top. */
function patienceMs({ facts, progress }: Workings): number {
  const from = facts.chillUntilMs ?? facts.startMs;
  return momentOf(progress, progress.at(from) + PATIENCE_TIMES_MEDIAN * facts.crop.days.tipAtOptimum);
}

/**
 * Everything the forecast says of one parcel at one moment.
 *
 * @param facts what was seen, where it stood; looks after `nowMs` must not be in it
 * @throws RangeError where facts contradict each other (more tips than seeds)
 */
export function answersFor(facts: ParcelFacts, nowMs: number): Answers {
  const workings = workingsFor(facts, nowMs);
  const { progress, evidence, outlook, lot } = workings;
  const state = parcelState(facts.seeds, facts.startMs, facts.looks, facts.moves);
  const quiet = evidence.quiet;
  const tipsBy = (ms: number): CountAt => ({
    atMs: ms,
    ...countForecast(outlook.furtherTips(progress.at(ms))),
  });
  const patience = patienceMs(workings);
  const roots = rootsNow(workings, state, nowMs);
  const anyPast = (lengthMm: number) => {
    const leads = leadsTo(workings.growth, lengthMm);
    return (ms: number): number => outlook.chanceAny(progress.at(ms), leads);
  };
  const drying = dryingForecast(
    facts.closure,
    meanCelsius(progress, nowMs),
    facts.startMs,
    facts.looks.flatMap(({ atMs, damp, rewetted }) => (damp ? [{ atMs, damp, rewetted }] : [])),
    nowMs,
  );
  const [soonMs = nowMs] = facts.lookTimesMs.filter((ms) => ms > nowMs + SLOT_MS);
  return {
    nowMs,
    state,
    progressNow: progress.at(nowMs),
    now: tipsBy(nowMs),
    soon: tipsBy(soonMs),
    tomorrow: tipsBy(facts.lookTimesMs.findLast((ms) => ms <= nowMs + 1.5 * DAY_MS) ?? nowMs + DAY_MS),
    end: countForecast(outlook.furtherTips(Infinity)),
    chanceQuietAlive: outlook.chanceAlive,
    chanceAnyFurther: outlook.chanceAny(Math.max(progress.at(patience), progress.at(nowMs))),
    patienceMs: patience,
    halfMs: progress.when(lot.progressOf(0.5)),
    roots,
    window: moveWindow(workings, roots, anyPast, nowMs),
    drying,
    next: nextLook({
      timesMs: [nowMs, ...facts.lookTimesMs.filter((ms) => ms > nowMs + SLOT_MS)],
      tolerance: facts.lateTolerance,
      seenUntilMs: evidence.lastSeenMs > facts.startMs ? evidence.lastSeenMs + SLOT_MS : 0,
      quietLateBy: anyPast(workings.growth.lateMm),
      shownLateBy: (ms) => (roots.some((root) => root.lateFromMs <= ms) ? 1 : 0),
      readyMs: roots.length > 0 ? Math.min(...roots.map((root) => root.readyMs)) : null,
      dryingMs: drying.dryingAtMs,
      chillUntilMs: facts.chillUntilMs !== null && facts.chillUntilMs > nowMs ? facts.chillUntilMs : null,
      patienceMs: quiet.count > 0 ? patience : Infinity,
    }),
    ribbon: ribbonOf(workings, patience, nowMs),
    curve: curveOf(workings, state, patience, nowMs),
  };
}

function moveWindow(
  { growth, evidence }: Workings,
  roots: readonly RootsNow[],
  anyPast: (lengthMm: number) => (ms: number) => number,
  nowMs: number,
): Answers['window'] {
  if (roots.length > 0) {
    const readyMs = Math.min(...roots.map((root) => root.readyMs));
    return { readyMs, lateMs: Math.max(readyMs, Math.min(...roots.map((root) => root.usuallyLateMs))) };
  }
  const endMs = nowMs + (HORIZON_DAYS - 1) * DAY_MS;
  // The first sprout still to come: even chances of a ready root, and of a late one.
  return {
    readyMs: firstMoment(evidence.lastSeenMs, endMs, anyPast(growth.readyMm), 0.5),
    lateMs: firstMoment(evidence.lastSeenMs, endMs, anyPast(growth.lateMm), 0.5),
  };
}

function ribbonOf({ evidence, outlook, progress }: Workings, patience: number, nowMs: number): Answers['ribbon'] {
  const fromMs = evidence.lastSeenMs;
  const stepMs = Math.max((Math.max(patience, nowMs + 3 * DAY_MS) - fromMs) / RIBBON_STEPS, 1);
  const tipped = Array.from({ length: RIBBON_STEPS + 1 }, (_, step) => outlook.meanTipped(progress.at(fromMs + step * stepMs)));
  return { fromMs, stepMs, shares: tipped.slice(1).map((share, index) => share - (tipped[index] ?? 0)) };
}

function curveOf({ evidence, outlook, progress }: Workings, state: ParcelState, patience: number, nowMs: number): CountAt[] {
  const fromMs = evidence.lastSeenMs;
  const stepMs = (Math.max(patience, nowMs + 3 * DAY_MS) - fromMs) / CURVE_STEPS;
  return Array.from({ length: CURVE_STEPS + 1 }, (_, step) => {
    const atMs = fromMs + step * stepMs;
    const further = countForecast(outlook.furtherTips(progress.at(atMs)));
    const total = (count: number): number => count + state.tipped;
    return {
      ...further,
      atMs,
      low: total(further.low),
      high: total(further.high),
      mostLikely: total(further.mostLikely),
      mean: total(further.mean),
    };
  });
}
