import { countForecast, type CountForecast } from '../forecast/count.js';
import { noticingAt } from '../forecast/evidence.js';
import { leadsTo } from '../moving/growth.js';
import { dryingForecast, type DryingForecast } from '../towel/drying.js';
import type { Progress } from '../warmth/progress.js';
import { keptQuiet, type WarmthToll } from '../warmth/toll.js';
import { mouldIndex } from './mould.js';
import { nextLook, type LookQuestion, type NextLook } from './next-look.js';
import type { ParcelState } from './parcel-state.js';
import { rootsNow, type RootsNow } from './roots-now.js';
import { supplyOf, type Supply } from './supply.js';
import { DAY_MS, HORIZON_DAYS, momentOf, SLOT_MS, waysOf, workingsFor, type ParcelFacts, type Workings } from './workings.js';

/** A count forecast at a moment. */
export interface CountAt extends CountForecast {
  readonly atMs: number;
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
  /** What the warmth so far has cost. */
  readonly toll: WarmthToll;
  /** Chance of any further tip before patience ends. */
  readonly chanceAnyFurther: number;
  readonly patienceMs: number;
  /** When the next tip shows: one chance in ten before `low`, nine before `high`; null beyond the horizon or where none is to come. */
  readonly nextTip: { readonly lowMs: number; readonly likelyMs: number; readonly highMs: number } | null;
  /** When half of the living have shown, and when all but the last tenth; null beyond the horizon. */
  readonly halfMs: number | null;
  readonly mostMs: number | null;
  readonly roots: readonly RootsNow[];
  /** When the first sprout is ready, shown or still to come, and when the first is late. */
  readonly window: { readonly readyMs: number | null; readonly lateMs: number | null };
  readonly drying: DryingForecast;
  readonly next: NextLook;
  /** How this batch's roots grow: against the crop's figure, and how many measured seeds say so. */
  readonly rootRate: { readonly mmPerDayNow: number; readonly factor: number; readonly seeds: number };
  /** Length of the longest root by now, seen or likely, mm; 0 where none is. */
  readonly longestMm: number;
  /** Mould index, 0 to 10: a rule of thumb, no chance. */
  readonly mould: number;
  /** Whether enough will come, and what would mend it. */
  readonly supply: Supply;
  /** For drawings: mean share of the quiet seeds that tips in each step from the last look on. */
  readonly ribbon: { readonly fromMs: number; readonly stepMs: number; readonly shares: readonly number[] };
  /** Tips in all, ahead of the last look, with the 80 % band. */
  readonly curve: readonly CountAt[];
}

const RIBBON_STEPS = 60;
const CURVE_DAYS = 7;
const CURVE_STEPS = 6;

/** Mean temperature over the day before a moment: a bag dries by day and by night. */
const meanCelsius = (progress: Progress, nowMs: number): number =>
  Array.from({ length: 24 }, (_, hour) => progress.celsiusAt(nowMs - hour * 3_600_000)).reduce((sum, celsius) => sum + celsius, 0) / 24;

const HOUR_MS = 3_600_000;
const FIRST_STEP_MS = 6 * HOUR_MS;

/** Halves a stretch that holds the moment at which a rising chance passes a level, to the hour or in so many steps. */
function halve(fromMs: number, toMs: number, chance: (ms: number) => number, level: number, most = Infinity): number {
  let [low, high] = [fromMs, toMs];
  for (let step = 0; step < most && high - low > HOUR_MS; step++) {
    const middle = (low + high) / 2;
    if (chance(middle) < level) low = middle;
    else high = middle;
  }
  return high;
}

/**
 * First moment in [from, end] at which a rising chance passes a level, to the
 * hour; null where it does not. What matters lies near: steps double from a
 * quarter of a day before the last one is halved.
 */
function firstMoment(fromMs: number, endMs: number, chance: (ms: number) => number, level: number): number | null {
  if (chance(endMs) < level) return null;
  let low = fromMs;
  let step = FIRST_STEP_MS;
  let high = Math.min(low + step, endMs);
  while (high < endMs && chance(high) < level) {
    low = high;
    step *= 2;
    high = Math.min(low + step, endMs);
  }
  return halve(low, high, chance, level);
}

/** How long to wait for a crop: so many times its median in progress, chill on top. */
function patienceMs({ facts, progress }: Workings): number {
  const from = facts.chillUntilMs ?? facts.startMs;
  return momentOf(progress, progress.at(from) + waysOf(facts).patienceTimes * Math.exp(facts.prior.logMedian.mean));
}

/**
 * Everything the forecast says of one parcel at one moment.
 *
 * @param facts what was seen, where it stood; looks after `nowMs` must not be in it
 * @throws RangeError where facts contradict each other (more tips than seeds)
 */
export const answersFor = (facts: ParcelFacts, nowMs: number): Answers => questionAndAnswers(facts, nowMs).answers;

/** The answers, and the question of when to look with its chances: for the other parcels of the bag. */
export function questionAndAnswers(facts: ParcelFacts, nowMs: number): { readonly answers: Answers; readonly question: LookQuestion } {
  const workings = workingsFor(facts, nowMs);
  const { progress, evidence, outlook, lot, state, growth } = workings;
  const quiet = evidence.quiet;
  const tipsBy = (ms: number): CountAt => ({
    atMs: ms,
    ...countForecast(outlook.furtherTips(progress.at(ms))),
  });
  const patience = patienceMs(workings);
  const roots = rootsNow(workings, nowMs);
  const curve = curveOf(workings, state, patience, nowMs);
  const anyPast = (lengthMm: number) => {
    const leads = leadsTo(workings.growth, lengthMm);
    return (ms: number): number => outlook.chanceAny(progress.at(ms), leads);
  };
  const drying = dryingForecast(
    facts.closure,
    meanCelsius(progress, nowMs),
    facts.startMs,
    [...facts.looks.flatMap(({ atMs, damp, rewetted }) => (damp ? [{ atMs, damp, rewetted }] : [])), ...(facts.bagDamp ?? [])],
    nowMs,
    facts.weighings,
  );
  const [soonMs = nowMs] = facts.lookTimesMs.filter((ms) => ms > nowMs + SLOT_MS);
  const end = countForecast(outlook.furtherTips(Infinity));
  const question: LookQuestion = {
    timesMs: [nowMs, ...facts.lookTimesMs.filter((ms) => ms > nowMs + SLOT_MS)],
    tolerance: facts.lateTolerance,
    seenUntilMs: evidence.lastSeenMs > facts.startMs ? evidence.lastSeenMs + SLOT_MS : 0,
    quietLateBy: anyPast(growth.lateMm),
    shownLateBy: (ms) => (roots.some((root) => root.lateFromMs <= ms) ? 1 : 0),
    readyMs: roots.length > 0 ? Math.min(...roots.map((root) => root.readyMs)) : null,
    dryingMs: drying.dryingAtMs,
    chillUntilMs: chillDue(workings, nowMs),
    patienceMs: facts.test ? (facts.test.result ? Infinity : facts.test.finalMs) : quiet.count > 0 ? patience : Infinity,
    noticedThrough: noticedThrough(workings, soonMs - nowMs, nowMs),
    mates: facts.mates ?? null,
  };
  const nextTip = nextTipOf(workings, curve);
  const answers: Answers = {
    nowMs,
    state,
    progressNow: progress.at(nowMs),
    now: tipsBy(nowMs),
    soon: tipsBy(soonMs),
    tomorrow: tipsBy(facts.lookTimesMs.findLast((ms) => ms <= nowMs + 1.5 * DAY_MS) ?? nowMs + DAY_MS),
    end,
    chanceQuietAlive: outlook.chanceAlive(keptQuiet(workings.toll)),
    toll: workings.toll,
    chanceAnyFurther: outlook.chanceAny(Math.max(progress.at(patience), progress.at(nowMs))),
    patienceMs: patience,
    nextTip,
    halfMs: progress.when(lot.progressOf(0.5)),
    mostMs: progress.when(lot.progressOf(0.9)),
    roots,
    window: moveWindow(workings, roots, anyPast, nowMs),
    drying,
    next: nextLook(question),
    rootRate: {
      mmPerDayNow: growth.mmPerDayAtOptimum * (progress.at(nowMs + DAY_MS) - progress.at(nowMs)),
      factor: growth.mmPerDayAtOptimum / facts.crop.root.mmPerDayAtOptimum,
      seeds: growth.measured,
    },
    supply: supplyOf(workings, nowMs),
    longestMm: longestRoot(workings, roots, nextTip, nowMs),
    mould: mouldIndex({
      crop: facts.crop,
      closure: facts.closure,
      celsius: meanCelsius(progress, nowMs),
      days: (nowMs - facts.startMs) / DAY_MS,
      wetness: drying.shareLeft,
      pooling: facts.looks.at(-1)?.damp === 'pooling',
      damaged: (facts.prepared ?? []).some((step) => step === 'nick' || step === 'file' || step === 'peel'),
      found: (state.rotten + facts.looks.filter(({ troubles }) => troubles.includes('threads')).length) / facts.seeds,
    }),
    ribbon: ribbonOf(workings, patience, nowMs),
    curve,
  };
  return { answers, question };
}

/** A place below this is still the cold of a chill, °C. */
const STILL_COLD_C = 9;

/** When the chill ends; also while it is over and the parcel is still in the cold. */
function chillDue({ facts, progress }: Workings, nowMs: number): number | null {
  const until = facts.chillUntilMs;
  return until !== null && (until > nowMs || progress.celsiusAt(nowMs) < STILL_COLD_C) ? until : null;
}

/** The longest root that lies there by now: a seen one, or of a tip that has most likely come since. */
function longestRoot({ growth, progress }: Workings, roots: readonly RootsNow[], nextTip: Answers['nextTip'], nowMs: number): number {
  const seen = Math.max(0, ...roots.map(({ usualMm }) => usualMm));
  const since = nextTip ? progress.at(nowMs) - progress.at(nextTip.likelyMs) : 0;
  return Math.max(seen, since * growth.mmPerDayAtOptimum, 0);
}

/** Closures that no lamp shines through. */
const HIDES: readonly ParcelFacts['closure'][] = ['lidded'];
/** Shorter seed cannot be read through paper, mm. Guess. */
const LEAST_SEEN_MM = 1.5;

/** Chance that a look through the bag notices a root that would be in the paper one looking time on. */
function noticedThrough({ facts, growth, progress }: Workings, stepMs: number, nowMs: number): number {
  if (!waysOf(facts).unopenedFirst || HIDES.includes(facts.closure) || facts.crop.seed.lengthMm < LEAST_SEEN_MM) return 0;
  const grows = growth.mmPerDayAtOptimum * (progress.at(nowMs + stepMs) - progress.at(nowMs));
  return noticingAt(Math.max(growth.lateMm - grows, 0));
}

/** The curve says between which of its moments a chance is passed; a few halvings say when. */
function nextTipOf({ outlook, evidence, progress }: Workings, curve: readonly CountAt[]): Answers['nextTip'] {
  const any = (ms: number): number => outlook.chanceAny(progress.at(ms));
  const at = (level: number): number | null => {
    const after = curve.findIndex(({ anyChance }) => anyChance >= level);
    if (after < 0) return null;
    return halve(curve[after - 1]?.atMs ?? evidence.lastSeenMs, curve[after]?.atMs ?? progress.endMs, any, level, 5);
  };
  const [lowMs, likelyMs] = [at(0.1), at(0.5)];
  // Where nine in ten is not reached within patience, the horizon is all that can be said.
  return lowMs === null || likelyMs === null ? null : { lowMs, likelyMs, highMs: at(0.9) ?? progress.endMs };
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

/** Now, each of the days ahead, and then in longer steps until patience ends. */
function curveTimes(fromMs: number, nowMs: number, patience: number): number[] {
  const days = Array.from({ length: CURVE_DAYS + 1 }, (_, day) => nowMs + day * DAY_MS);
  const last = days.at(-1) ?? nowMs;
  const rest = Array.from({ length: CURVE_STEPS }, (_, step) => last + ((step + 1) * (patience - last)) / CURVE_STEPS);
  return [...(fromMs < nowMs ? [fromMs] : []), ...days, ...rest.filter((ms) => ms > last)];
}

function curveOf({ evidence, outlook, progress }: Workings, state: ParcelState, patience: number, nowMs: number): CountAt[] {
  return curveTimes(evidence.lastSeenMs, nowMs, patience).map((atMs) => {
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
