import { lightShare, mediumOf, USUAL_SETUP } from '../carrier/index.js';
import {
  evidenceFrom,
  MOSTLY_NOTICED_MM,
  lotCurve,
  outlookFor,
  posteriorOf,
  type Evidence,
  type Harm,
  type LotCurve,
  type Outlook,
  type Posterior,
  type Prior,
} from '../forecast/index.js';
import { comesUp, growthLimits, methodFor, type GrowthLimits, type Method } from '../method/index.js';
import { rateFrom, readyLength, type MeasuredRoot, type RootGrowth } from '../moving/index.js';
import {
  AFTER_CHILL,
  chilledStays,
  creditOf,
  heldBack,
  medianFactor,
  soakClock,
  soakingNow,
  untold,
  usualSteps,
  type Credit,
} from '../preparing/index.js';
import { DAY_MS, HOUR_MS } from '../units/index.js';
import { integrateProgress, paused, responseOf, tollOf, type Pause, type Progress, type Stay, type WarmthToll } from '../warmth/index.js';
import { feltOf, waysOf, type ParcelFacts } from './facts.js';
import { parcelState, type ParcelState } from './state.js';

/** How far ahead a forecast reaches. */
export const HORIZON_DAYS = 150;
/** A looking time nearer than this is the one that is now. */
export const SLOT_MS = 2 * HOUR_MS;

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

/** What grows on after the event, and how fast in this batch. */
export interface Growth extends RootGrowth, Pick<GrowthLimits, 'what'> {
  /** Seeds whose measured roots told it. */
  readonly measured: number;
}

/** How this batch's roots or shoots grow, by its method, its crop and what was measured; ready by the household's school. */
function growthOf(facts: ParcelFacts, method: Method, state: ParcelState, progress: Progress): Growth {
  const { crop } = facts;
  const { medium } = facts.setup ?? USUAL_SETUP;
  const limits = growthLimits(method, crop, readyLength(crop, waysOf(facts).rootSchool), mediumOf(medium).snags);
  // A ruler beside a pot measures a shoot: it says nothing of the roots.
  const { factor, logSd, seeds } = rateFrom(crop, limits.what === 'root' ? measuresOf(facts, state, progress) : []);
  return { ...limits, mmPerDayAtOptimum: limits.mmPerDayAtOptimum * factor, logSd, measured: seeds };
}

/** The facts with everything derived from them once. */
export interface Workings {
  readonly facts: ParcelFacts;
  readonly method: Method;
  readonly progress: Progress;
  readonly evidence: Evidence;
  readonly posterior: Posterior;
  readonly outlook: Outlook;
  readonly toll: WarmthToll;
  readonly lot: LotCurve;
  readonly state: ParcelState;
  readonly growth: Growth;
  /** How many times as long it takes for what was left undone in making it ready. */
  readonly slower: number;
  /** Whether it lay under water too long; null where it did not. */
  readonly drowned: Drowned | null;
  /** Chill earned so far and to come; null where the crop wants none. */
  readonly credit: Credit | null;
}

/** The toll of the warmth from the end of the chill on; of the days ahead where it has hardly begun. */
function tollFor(facts: ParcelFacts, progress: Progress, nowMs: number): WarmthToll {
  const fromMs = Math.max(facts.startMs, facts.chillUntilMs ?? 0);
  const toll = tollOf(facts.crop, progress, fromMs, nowMs - fromMs < SLOT_MS ? fromMs + 3 * DAY_MS : nowMs);
  // Where it goes after its chill nobody has said yet: that is not held against it.
  return fromMs > nowMs && untold(facts.stays) ? { ...toll, share: 1 } : toll;
}

/** Of seed that lies under water past its limit half is left after as long again. Guess, rule of thumb. */
const HALF_LEFT_AFTER_LIMITS = 1;

/** Seed that lay, or lies, under water past its limit: what that took of what had not shown by then. */
export interface Drowned {
  /** When its limit was passed, ms. */
  readonly fromMs: number;
  /** Share that lived through it. */
  readonly survival: number;
}

/** How long it lay under water past its limit, and what that cost; null where it did not. */
function drownedIn({ crop, startMs, soakUntilMs = null, looks }: ParcelFacts, method: Method, nowMs: number): Drowned | null {
  const { drownsMs } = soakClock(crop, startMs, startMs, true);
  const standing = method.late === 'drowned';
  if ((!standing && soakUntilMs === null) || nowMs <= drownsMs) return null;
  const lookedMs = looks.filter(({ atMs }) => atMs <= nowMs).map(({ atMs }) => atMs);
  const still = standing || soakingNow(crop, startMs, soakUntilMs, lookedMs) !== null;
  // Out of its soak it is at the first look since it had drunk enough: whoever took it out sooner and said nothing is
  // believed, unless what was seen was seed under water.
  const found = looks.find(({ atMs, troubles }) => atMs > drownsMs && atMs <= nowMs && troubles.includes('drowned'));
  const outMs = still ? nowMs : (found?.atMs ?? drownsMs);
  if (outMs <= drownsMs) return null;
  const limits = (outMs - drownsMs) / HOUR_MS / crop.water.drowningLimitHours;
  return { fromMs: drownsMs, survival: 0.5 ** (limits / HALF_LEFT_AFTER_LIMITS) };
}

/** The harsher of what heat and water took. */
function harshest(heat: Harm | null, drowned: Drowned | null, progress: Progress): Harm | null {
  if (drowned === null || drowned.survival > NO_HARM) return heat;
  const water = { progress: progress.at(drowned.fromMs), survival: drowned.survival };
  return heat === null || water.survival < heat.survival ? water : heat;
}

/** Less harm than this is no figure to reckon with. */
const NO_HARM = 0.99;

/** What heat took, as the forecast knows it: some of what had not shown by then. */
const harmOf = ({ survival, harmedMs }: WarmthToll, progress: Progress): Harm | null =>
  harmedMs === null || survival > NO_HARM ? null : { progress: progress.at(harmedMs), survival };

/** The prior at the warmth the batch really had, and by how it was made ready. */
const priorIn = (prior: Prior, toll: WarmthToll, warmthLogSd: number, slower: number): Prior => ({
  share: { mean: Math.max(prior.share.mean * toll.share, 0.02), weight: prior.share.weight },
  logMedian: { mean: prior.logMedian.mean + Math.log(slower), sd: Math.hypot(prior.logMedian.sd, warmthLogSd) },
  spread: prior.spread,
  ...(prior.laws ? { laws: prior.laws } : {}),
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
export type Basics = Pick<
  Workings,
  'facts' | 'method' | 'progress' | 'evidence' | 'toll' | 'state' | 'growth' | 'slower' | 'credit' | 'drowned'
>;

/** Stretches in which its towel was known to be dry: from a finger that felt it so to the next that did not, or to now. */
function dryStretches(facts: ParcelFacts, nowMs: number): Pause[] {
  const felt = feltOf(facts).filter(({ atMs }) => atMs <= nowMs);
  const found: Pause[] = [];
  let dryMs: number | null = null;
  for (const { atMs, damp, rewetted } of felt) {
    if (dryMs !== null && (damp !== 'dry' || rewetted) && atMs > dryMs) {
      found.push({ fromMs: dryMs, toMs: atMs });
      dryMs = null;
    }
    if (damp === 'dry') dryMs = rewetted ? null : (dryMs ?? atMs);
  }
  return dryMs !== null && nowMs > dryMs ? [...found, { fromMs: dryMs, toMs: nowMs }] : found;
}

/** How long before a look through the bag a tip must have come for most of them to be noticed, by the warmth of that day, ms. */
const noticeMs =
  ({ crop }: ParcelFacts, progress: Progress) =>
  (atMs: number): number => {
    const aDay = Math.max(progress.at(atMs) - progress.at(atMs - DAY_MS), 0.02);
    return (MOSTLY_NOTICED_MM / (crop.root.mmPerDayAtOptimum * aDay)) * DAY_MS;
  };

/** Where it truly lies and lay: in the cold while it is chilled, whatever spot it is named for. */
export function liesIn({ crop, stays, chillUntilMs, chillUnplanned }: ParcelFacts, nowMs: number): readonly Stay[] {
  if (chillUntilMs === null) return stays;
  if (!chillUnplanned) return chilledStays(crop, stays, chillUntilMs, nowMs);
  return chillUntilMs > nowMs ? [...stays, { fromMs: chillUntilMs, readings: [], guess: AFTER_CHILL }] : stays;
}

/** Dry cold earns no chill: until it is laid damp it counts as a warm room. */
const dampIn = (stays: readonly Stay[], dryUntilMs: number | null): readonly Stay[] => {
  if (dryUntilMs === null) return stays;
  const [first] = stays;
  const dry: Stay = { fromMs: first?.fromMs ?? dryUntilMs, readings: [], guess: AFTER_CHILL };
  const standing = stays.findLast(({ fromMs }) => fromMs <= dryUntilMs) ?? first;
  return [dry, ...(standing ? [{ ...standing, fromMs: dryUntilMs }] : []), ...stays.filter(({ fromMs }) => fromMs > dryUntilMs)];
};

/**
 * What a parcel went through up to a moment, and no further than some days on.
 *
 * @throws RangeError where facts contradict each other
 */
export function basicsFor(facts: ParcelFacts, nowMs: number, daysOn: number): Basics {
  const { crop, prepared = usualSteps(crop), chillUntilMs, chillDry = false } = facts;
  const endMs = Math.max(nowMs, facts.startMs, chillUntilMs ?? 0) + daysOn * DAY_MS;
  const stays = liesIn(facts, nowMs);
  const whole = integrateProgress(responseOf(facts.crop.temperature), stays, facts.startMs, endMs, facts.utcOffsetHours);
  const progress = paused(whole, dryStretches(facts, nowMs));
  const state = parcelState(facts.seeds, facts.startMs, facts.looks, facts.moves, noticeMs(facts, progress));
  const method = methodFor(facts.method, crop);
  const growth = growthOf(facts, method, state, progress);
  const { medium } = facts.setup ?? USUAL_SETUP;
  const seen = evidenceFrom(facts.seeds, facts.looks, facts.startMs, progress.at, growth.mmPerDayAtOptimum, mediumOf(medium).readable);
  const toll = tollFor(facts, progress, nowMs);
  const drowned = drownedIn(facts, method, nowMs);
  const wantsChill = crop.chill.weeks > 0 || crop.chill.warmWeeks > 0;
  const credit = wantsChill
    ? creditOf(crop, chillDry ? dampIn(stays, chillUntilMs) : stays, facts.startMs, endMs, facts.utcOffsetHours, facts.chilledDays)
    : null;
  const origins = heldBack(crop, prepared, progress, credit, chillDry ? chillUntilMs : null);
  return {
    facts,
    method,
    progress,
    evidence: { ...seen, harm: harshest(harmOf(toll, progress), drowned, progress), origins },
    toll,
    state,
    growth,
    slower: medianFactor(crop, prepared),
    drowned,
    credit,
  };
}

/** Share of the living that comes by the way it lies: in the wrong light, or through what covers it, some do not. */
export const waySpecific = ({ crop, method, setup = USUAL_SETUP }: ParcelFacts): number =>
  lightShare(crop, setup.light) * comesUp(crop, method);

function derive(facts: ParcelFacts, nowMs: number): Workings {
  const basics = basicsFor(facts, nowMs, HORIZON_DAYS);
  const { evidence, progress, toll, slower } = basics;
  const warmthLogSd = progress.logSdAt(Math.max(nowMs, facts.startMs + 3 * DAY_MS));
  const way = waySpecific(facts);
  const posterior = posteriorOf(evidence, priorIn(facts.prior, { ...toll, share: toll.share * way }, warmthLogSd, slower));
  const outlook = outlookFor(posterior, evidence.quiet, evidence.harm, evidence.origins);
  return { ...basics, posterior, outlook, lot: lotCurve(posterior, evidence.origins) };
}

/** When a progress is reached, the horizon where it is not. */
export const momentOf = (progress: Progress, value: number): number => progress.when(value) ?? progress.endMs;
