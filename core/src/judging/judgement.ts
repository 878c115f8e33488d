import type { LookReason } from '../looking/index.js';
import { hasLookedSince, type ParcelFacts } from '../parcel/index.js';
import { VERDICTS, type Counsel, type Headline, type Leave, type Supplying, type Verdict } from './counsel.js';
import { headlineOf, paperByNow } from './headline.js';
import { lifts } from './lift.js';
import { mends } from './mend.js';
import type { Report } from './report.js';
import { countDue, supplying, survivorsOf } from './supplying.js';

/** A look so recent that the parcel is still in the hand, ms. */
const JUST_NOW_MS = 1_800_000;

/** What is read about one parcel, as figures: every screen, print and calendar tells this and no other. */
export interface Judgement {
  readonly verdict: Verdict;
  readonly counsel: readonly Counsel[];
  readonly headline: Headline;
  /** When to look next, why, and whether through the bag is enough. */
  readonly next: { readonly atMs: number; readonly reason: LookReason; readonly via: 'opened' | 'through' };
  /** Before when the first thing must be done, ms; null where nothing presses. */
  readonly deadlineMs: number | null;
  /** Water that it wants now, ml; 0 where it wants none. */
  readonly giveMl: number;
  /** What is to be expected in all. */
  readonly total: { readonly low: number; readonly high: number; readonly seeds: number; readonly wanted: number | null };
}

const chilling = ({ chillUntilMs }: ParcelFacts, nowMs: number): boolean => chillUntilMs !== null && chillUntilMs > nowMs;

/** What stays where it is: shut until when, or to be looked at now. */
function leaving(facts: ParcelFacts, report: Report): Leave {
  const { state, next, nowMs, chanceQuietAlive, soaking } = report;
  if (state.quiet === 0) return { kind: 'leave', what: state.showing === 0 ? 'nothing_more' : 'no_quiet' };
  const unseenMm = state.showing === 0 && paperByNow(facts, report) ? report.longestMm : null;
  const about = { kind: 'leave', quiet: state.quiet, alive: chanceQuietAlive, untilMs: next.atMs, unseenMm } as const;
  if (soaking) return { ...about, what: 'soak' };
  if (next.atMs <= nowMs) return { ...about, what: hasLookedSince(facts.looks, nowMs - JUST_NOW_MS) ? 'retuck' : 'look_now' };
  return { ...about, what: chilling(facts, nowMs) ? 'cold' : 'shut' };
}

/** Before when a counsel must be done, ms; null where it presses nobody. */
function deadlineOf(one: Counsel, nowMs: number): number | null {
  switch (one.kind) {
    case 'mend':
      return one.what === 'other_board' || one.what === 'wants_cold' ? null : one.what === 'drowning' ? one.drownsMs : nowMs;
    case 'rescue':
      return nowMs;
    case 'move':
      return one.byMs;
    case 'top_up':
      return one.what === 'more' ? one.byMs : nowMs;
    case 'count':
      return one.what === 'due' ? one.finalMs : null;
    default:
      return null;
  }
}

/** A test on its day is counted, whatever else it shows; after it only what lives is moved. */
function ofTest(facts: ParcelFacts, report: Report, supply: readonly Supplying[]): Counsel[] {
  if (facts.test?.result) {
    const survivors = survivorsOf(facts.test.result, report.state);
    // What is not sound is no plant: it is left out of the move.
    return [
      ...supply,
      ...lifts(facts, report).flatMap((one) => (survivors === 0 ? [] : [{ ...one, count: Math.min(one.count, survivors) }])),
    ];
  }
  const mending = mends(facts, report);
  if (countDue(facts, report.nowMs)) return [...supply, ...mending.filter(({ what }) => what === 'heat')];
  return [...mending, ...lifts(facts, report), ...supply];
}

/**
 * What the looks mean and what to do.
 *
 * @param facts the same that the report was made from
 */
export function judge(facts: ParcelFacts, report: Report): Judgement {
  const supply = supplying(facts, report, report.supply);
  const counsel: Counsel[] = facts.test ? ofTest(facts, report, supply) : [...mends(facts, report), ...lifts(facts, report), ...supply];
  const ended = supply.some(({ kind }) => kind === 'give_up' || kind === 'restart' || kind === 'count');
  const settled = counsel.some(({ kind }) => kind !== 'retuck' && kind !== 'short');
  if (!ended && (!settled || report.state.quiet > 0)) {
    const leave = leaving(facts, report);
    // Beside what is to be mended now nothing is left shut, nor looked at for itself.
    const pressing = counsel.some((one) => one.kind === 'mend' && (deadlineOf(one, report.nowMs) ?? Infinity) <= report.nowMs);
    if (!pressing || leave.what === 'retuck' || leave.what === 'cold') counsel.push(leave);
  }
  // What cannot be had is said last: it asks for nothing today.
  counsel.sort((a, b) => Number(a.kind === 'short') - Number(b.kind === 'short'));
  const kinds = new Set<string>(counsel.map(({ kind }) => kind));
  const deadlines = counsel.map((one) => deadlineOf(one, report.nowMs)).filter((ms) => ms !== null);
  const thirst = counsel.find((one) => one.kind === 'mend' && one.what === 'thirst');
  const { state, end, next } = report;
  return {
    // A test's verdict is its count, before and after.
    verdict: facts.test && kinds.has('count') ? 'count' : (VERDICTS.find((verdict) => kinds.has(verdict)) ?? 'leave'),
    counsel,
    headline: headlineOf(facts, report, next),
    next,
    // What is past is to be done now.
    deadlineMs: deadlines.length > 0 ? Math.max(Math.min(...deadlines), report.nowMs) : null,
    giveMl: thirst && 'doseMl' in thirst ? thirst.doseMl : 0,
    total: { low: state.tipped + end.low, high: state.tipped + end.high, seeds: facts.seeds, wanted: facts.wanted },
  };
}
