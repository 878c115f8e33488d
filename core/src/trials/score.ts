import { countForecast, fairCoverage, logScore, type CountForecast } from '../chance/index.js';
import { workingsFor, type ParcelFacts, type ParcelLook, type Workings } from '../parcel/index.js';
import { DAY_MS } from '../units/index.js';
import { warmFromMs } from './in-warmth.js';

/** How a finished batch's forecasts did, by the warmth that it really had. */
export interface BatchScore {
  /** Forecasts judged: at some of its looks, of tips by the look after and in the end. */
  readonly asked: number;
  /** Of these, how many the 80 % held, fairly counted: not a whole number. */
  readonly held: number;
  /** Log score of the counts by the look after, nats; 0 where none was judged. */
  readonly logScore: number;
  /** Day of the middle tip of those that came: as said before the first look, and as it was; null where fewer than two came. */
  readonly middle: { readonly saidDays: number; readonly cameDays: number } | null;
  /** How many were said to come before the first look, and how many came. */
  readonly end: CountForecast & { readonly came: number };
}

/** Looks at which the forecast is judged, at the most: each costs a forecast. */
const MOST_ASKED = 4;

/** The facts as they were known at a moment. */
const knownAt = (facts: ParcelFacts, ms: number): ParcelFacts => ({
  ...facts,
  looks: facts.looks.filter(({ atMs }) => atMs <= ms),
  moves: facts.moves.filter(({ atMs }) => atMs <= ms),
});

const seesTips = ({ tipped, through }: ParcelLook): boolean => tipped !== null && !through;

/** The looks to be judged at: spread evenly over those with another after them, while seeds were quiet. */
function judgedAt(facts: ParcelFacts): ParcelLook[] {
  const opened = facts.looks.filter(seesTips);
  const open = opened.slice(0, -1).filter(({ tipped, rotten }) => (tipped ?? 0) + (rotten ?? 0) < facts.seeds);
  if (open.length <= MOST_ASKED) return open;
  return Array.from({ length: MOST_ASKED }, (_, index) => open[Math.round((index * (open.length - 1)) / (MOST_ASKED - 1))] as ParcelLook);
}

/** A stretch between looks that is wider than this of its end says too little of when a seed came. */
const WIDE = 0.5;
/** Progress at which the middle one of those that came had, straight between looks; null for fewer than two, or where the looks around it were far apart. */
function middleOf({ evidence }: Workings): number | null {
  const came = evidence.tips.reduce((sum, { count }) => sum + count, 0);
  if (came < 2) return null;
  let before = 0;
  for (const { fromProgress, toProgress, count } of evidence.tips) {
    if (before + count >= came / 2) {
      if (toProgress - fromProgress > WIDE * toProgress) return null;
      return fromProgress + ((came / 2 - before) / count) * (toProgress - fromProgress);
    }
    before += count;
  }
  return null;
}

/**
 * Judges the forecasts of a finished batch as if they were made then, by what was known
 * before it and its looks so far; the warmth is the one it had.
 *
 * @param facts with the prior of the day it was begun; @param closedMs when it was closed
 */
export function scoreOf(facts: ParcelFacts, closedMs: number): BatchScore {
  const opened = facts.looks.filter(seesTips);
  const whole = workingsFor(facts, closedMs);
  const cameInAll = whole.state.tipped;
  const begun = workingsFor(knownAt(facts, facts.startMs), facts.startMs + 1);
  const sum = { asked: 0, held: 0, log: 0, counts: 0 };
  for (const look of judgedAt(facts)) {
    const next = opened.find(({ atMs }) => atMs > look.atMs);
    if (!next) continue;
    const { outlook, progress, state } = workingsFor(knownAt(facts, look.atMs), look.atMs);
    const soon = outlook.furtherTips(progress.at(next.atMs));
    const [came, more] = [Math.max((next.tipped ?? 0) - state.tipped, 0), Math.max(cameInAll - state.tipped, 0)];
    sum.held += fairCoverage(soon, came) + fairCoverage(outlook.furtherTips(whole.progress.at(opened.at(-1)?.atMs ?? closedMs)), more);
    sum.log += logScore(soon, came);
    sum.asked += 2;
    sum.counts++;
  }
  const middle = middleOf(whole);
  const said = begun.lot.progressOf(0.5);
  const fromMs = warmFromMs(facts);
  const dayOf = (progress: number): number | null => {
    const ms = whole.progress.when(progress);
    return ms === null ? null : (ms - fromMs) / DAY_MS;
  };
  const [saidDays, cameDays] = [dayOf(said), middle === null ? null : dayOf(middle)];
  return {
    asked: sum.asked,
    held: sum.held,
    logScore: sum.counts > 0 ? sum.log / sum.counts : 0,
    middle: saidDays !== null && cameDays !== null ? { saidDays, cameDays } : null,
    end: { ...countForecast(begun.outlook.furtherTips(whole.progress.at(opened.at(-1)?.atMs ?? closedMs))), came: cameInAll },
  };
}
