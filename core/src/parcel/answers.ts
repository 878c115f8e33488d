import type { DryingForecast } from '../carrier/index.js';
import { countForecast, thinnedBy, type CountForecast } from '../chance/index.js';
import { leadsTo, MOST_MM } from '../moving/index.js';
import { soakingNow, type Soaking } from '../preparing/index.js';
import { DAY_MS, HOUR_MS } from '../units/index.js';
import { heatNow, keptQuiet, type DeadlyWarmth, type WarmthToll } from '../warmth/index.js';
import { waitingOf, type Waiting } from './hope.js';
import { rootsNow, type RootsNow } from './roots-now.js';
import type { ParcelState } from './state.js';
import { dryingOf, drowns, meanCelsius, thirstOf, type Thirst } from './water-now.js';
import { HORIZON_DAYS, liesIn, SLOT_MS, type Workings } from './workings.js';

/** A count forecast at a moment. */
export interface CountAt extends CountForecast {
  readonly atMs: number;
}

/** The forecast's answers about one parcel at one moment. */
export interface Answers extends Waiting {
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
  /** Of the quiet seeds, plants to be expected if they are planted along unproved: never surer than if one waits and sees. */
  readonly planted: CountForecast;
  /** When somebody last saw into the bag, ms: at this parcel or at a mate. */
  readonly openedMs: number;
  /** What the warmth so far has cost. */
  readonly toll: WarmthToll;
  /** When the next tip shows: one chance in ten before `low`, nine before `high`; null beyond the horizon or where none is to come. */
  readonly nextTip: { readonly lowMs: number; readonly likelyMs: number; readonly highMs: number } | null;
  /** When half of the live seeds have shown, and when all but the last tenth; null beyond the horizon. */
  readonly halfMs: number | null;
  readonly mostMs: number | null;
  readonly roots: readonly RootsNow[];
  /** When the first sprout is ready, shown or still to come, and when the first is late. */
  readonly window: {
    readonly readyMs: number | null;
    readonly lateMs: number | null;
    /** The first is ready within these, 8 chances in 10. */
    readonly lowMs: number | null;
    readonly highMs: number | null;
  };
  readonly drying: DryingForecast;
  /** It lies in its soak still; null where it is out, or had none. */
  readonly soaking: Soaking | null;
  /** Water that it wants now: felt and not given since, or the likelier state by now; null while it is damp. */
  readonly thirst: Thirst | null;
  /** Chill it has earned of what its kind wants, days of full cold, and share of the living that sleeps on without more; null where it wants none. */
  readonly chill: { readonly earnedDays: number; readonly wantedDays: number; readonly asleep: number } | null;
  /** Its place kills seed by what its thermometer said last; null where it does not. */
  readonly heat: DeadlyWarmth | null;
  /** When seed that lies in water drowns, ms; null where it does not lie in water. */
  readonly drownsMs: number | null;
  /** Share that lived through lying under water too long; 1 where it did not. */
  readonly afloat: number;
  /** How this batch's roots grow: against the crop's figure, and how many measured seeds say so. */
  readonly rootRate: { readonly mmPerDayNow: number; readonly factor: number; readonly seeds: number };
  /** Length of the longest root by now, seen or likely, mm; 0 where none is. */
  readonly longestMm: number;
  /** Mean temperature of the last day, °C. */
  readonly meanC: number;
  /** For drawings: mean share of the quiet seeds that tips in each step from the last look on. */
  readonly ribbon: { readonly fromMs: number; readonly stepMs: number; readonly shares: readonly number[] };
  /** Tips in all, ahead of the last look, with the 80 % band. */
  readonly curve: readonly CountAt[];
}

const RIBBON_STEPS = 60;
const CURVE_DAYS = 7;
const CURVE_STEPS = 6;

const FIRST_STEP_MS = 6 * HOUR_MS;

/** Halves a stretch that holds the moment at which a rising chance passes a level, to the hour. */
function halve(fromMs: number, toMs: number, chance: (ms: number) => number, level: number): number {
  let [low, high] = [fromMs, toMs];
  while (high - low > HOUR_MS) {
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

/** Chance by a moment that a seed still quiet has grown past a length, nobody having looked; rises with time. */
export function quietPast({ growth, outlook, progress }: Workings, lengthMm: number): (ms: number) => number {
  const leads = leadsTo(growth, lengthMm);
  return (ms) => outlook.chanceAny(progress.at(ms), leads);
}

/**
 * Everything the forecast says of one parcel at one moment.
 *
 * @param workings of the facts at that moment; looks after `nowMs` must not be in them
 */
export function answersOf(workings: Workings, nowMs: number): Answers {
  const { facts, progress, outlook, lot, state, growth } = workings;
  const tipsBy = (ms: number): CountAt => ({ atMs: ms, ...countForecast(outlook.furtherTips(progress.at(ms))) });
  const end = countForecast(outlook.furtherTips(Infinity));
  const waiting = waitingOf(workings, nowMs);
  const patience = waiting.patienceMs;
  const roots = rootsNow(workings, nowMs);
  const curve = curveOf(workings, state, patience, nowMs);
  const [soonMs = nowMs] = facts.lookTimesMs.filter((ms) => ms > nowMs + SLOT_MS);
  const nextTip = nextTipOf(workings, curve);
  const drying = dryingOf(workings, nowMs);
  const soaking = soakingNow(
    facts.crop,
    facts.startMs,
    facts.soakUntilMs ?? null,
    facts.looks.map(({ atMs }) => atMs),
  );
  return {
    nowMs,
    state,
    progressNow: progress.at(nowMs),
    now: tipsBy(nowMs),
    soon: tipsBy(soonMs),
    tomorrow: tipsBy(facts.lookTimesMs.findLast((ms) => ms <= nowMs + 1.5 * DAY_MS) ?? nowMs + DAY_MS),
    end,
    planted: plantedAlong(outlook.furtherTips(Infinity), end),
    openedMs: Math.max(facts.startMs, ...facts.looks.map(({ atMs }) => atMs), ...(facts.bagDamp ?? []).map(({ atMs }) => atMs)),
    chanceQuietAlive: outlook.chanceAlive(keptQuiet(workings.toll)),
    toll: workings.toll,
    ...waiting,
    nextTip,
    halfMs: progress.when(lot.progressOf(0.5)),
    mostMs: progress.when(lot.progressOf(0.9)),
    roots,
    window: moveWindow(workings, roots, nextTip, nowMs),
    drying,
    soaking,
    thirst: soaking ? null : thirstOf(workings, drying, nowMs),
    chill: chillOf(workings, nowMs),
    heat: state.quiet + state.showing > 0 ? heatNow(facts.crop, liesIn(facts, nowMs), nowMs) : null,
    drownsMs: drowns(workings, soaking, nowMs),
    afloat: workings.drowned?.survival ?? 1,
    rootRate: {
      mmPerDayNow: growth.mmPerDayAtOptimum * (progress.at(nowMs + DAY_MS) - progress.at(nowMs)),
      factor: growth.what === 'root' ? growth.mmPerDayAtOptimum / facts.crop.root.mmPerDayAtOptimum : 1,
      seeds: growth.measured,
    },
    longestMm: longestRoot(workings, roots, nextTip, nowMs),
    meanC: meanCelsius(progress, nowMs),
    ribbon: ribbonOf(workings, patience, nowMs),
    curve,
  };
}

/** Cold that it has earned, and what waits for more. */
function chillOf({ facts, credit, lot }: Workings, nowMs: number): Answers['chill'] {
  return credit && { earnedDays: credit.at(nowMs), wantedDays: facts.crop.chill.weeks * 7, asleep: 1 - lot.coming };
}

/** A seed planted unproved comes up a little less surely than a sprout that was seen. Guess. */
const UNPROVED = 0.85;

/** Plants from quiet seeds that are planted along, by what would show of them. */
function plantedAlong(tips: ArrayLike<number>, end: CountForecast): CountForecast {
  const planted = countForecast(thinnedBy(tips, UNPROVED));
  return { ...planted, low: Math.min(planted.low, end.low), high: Math.min(planted.high, end.high) };
}

/** The longest root that lies there by now: a seen one, or of a tip that has most likely come since. */
function longestRoot({ growth, progress }: Workings, roots: readonly RootsNow[], nextTip: Answers['nextTip'], nowMs: number): number {
  const seen = Math.max(0, ...roots.map(({ usualMm }) => usualMm));
  const since = nextTip ? progress.at(nowMs) - progress.at(nextTip.likelyMs) : 0;
  return Math.min(Math.max(seen, since * growth.mmPerDayAtOptimum, 0), Math.max(seen, MOST_MM));
}

type ChanceAt = Pick<CountAt, 'atMs' | 'anyChance'>;

/** Where between two moments a rising chance passes a level, if what is left of it falls at an even pace. */
function between(from: ChanceAt, to: ChanceAt, level: number): number {
  const left = ({ anyChance }: Pick<CountAt, 'anyChance'>): number => -Math.log(Math.max(1 - anyChance, 1e-12));
  const rise = left(to) - left(from);
  return rise <= 0 ? to.atMs : from.atMs + ((to.atMs - from.atMs) * (left({ anyChance: level }) - left(from))) / rise;
}

/**
 * The curve says between which of its moments a chance is passed. Between them the
 * chance of none falls as if at an even pace, which one more question corrects.
 */
function nextTipOf({ outlook, evidence, progress }: Workings, curve: readonly CountAt[]): Answers['nextTip'] {
  const at = (level: number): number | null => {
    const after = curve.findIndex(({ anyChance }) => anyChance >= level);
    if (after < 0) return null;
    const [before, reached] = [curve[after - 1], curve[after] as CountAt];
    const from = { atMs: before?.atMs ?? evidence.lastSeenMs, anyChance: before?.anyChance ?? 0 };
    const guessMs = between(from, reached, level);
    const guess = { atMs: guessMs, anyChance: outlook.chanceAny(progress.at(guessMs)) };
    return guess.anyChance >= level ? between(from, guess, level) : between(guess, reached, level);
  };
  const [lowMs, likelyMs] = [at(0.1), at(0.5)];
  // Where nine in ten is not reached within patience, the horizon is all that can be said.
  return lowMs === null || likelyMs === null ? null : { lowMs, likelyMs, highMs: at(0.9) ?? progress.endMs };
}

function moveWindow(workings: Workings, roots: readonly RootsNow[], nextTip: Answers['nextTip'], nowMs: number): Answers['window'] {
  const { growth, evidence, progress } = workings;
  if (roots.length > 0) {
    const first = (of: (root: RootsNow) => number): number => Math.min(...roots.map(of));
    const readyMs = first((root) => root.readyMs);
    return {
      readyMs,
      lateMs: Math.max(
        readyMs,
        first((root) => root.usuallyLateMs),
      ),
      lowMs: first((root) => root.readyFromMs),
      highMs: Math.max(
        readyMs,
        first((root) => root.readyByMs),
      ),
    };
  }
  const endMs = nowMs + (HORIZON_DAYS - 1) * DAY_MS;
  // The first sprout still to come: even chances of a ready root, and of a late one.
  const readyMs = firstMoment(evidence.lastSeenMs, endMs, quietPast(workings, growth.readyMm), 0.5);
  const lateMs = firstMoment(evidence.lastSeenMs, endMs, quietPast(workings, growth.lateMm), 0.5);
  if (readyMs === null || nextTip === null) return { readyMs, lateMs, lowMs: null, highMs: null };
  // From its tip on a root grows by the warmth alone: the tip's own stretch, later by as much.
  const grows = progress.at(readyMs) - progress.at(nextTip.likelyMs);
  const grown = (tipMs: number): number => progress.when(progress.at(tipMs) + grows) ?? progress.endMs;
  return { readyMs, lateMs, lowMs: Math.min(grown(nextTip.lowMs), readyMs), highMs: Math.max(grown(nextTip.highMs), readyMs) };
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
