import type { LookReason } from '../looking/index.js';
import { hasLookedSince, type ParcelFacts } from '../parcel/index.js';
import { VERDICTS, type Counsel, type Headline, type Leave, type Verdict } from './counsel.js';
import { headlineOf } from './headline.js';
import { lifts } from './lift.js';
import { mends } from './mend.js';
import type { Report } from './report.js';
import { supplying } from './supplying.js';

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
function leaving(facts: ParcelFacts, { state, next, nowMs, chanceQuietAlive }: Report): Leave {
  if (state.quiet === 0) return { kind: 'leave', what: state.showing === 0 ? 'nothing_more' : 'no_quiet' };
  const about = { kind: 'leave', quiet: state.quiet, alive: chanceQuietAlive, untilMs: next.atMs } as const;
  if (next.atMs <= nowMs) return { ...about, what: hasLookedSince(facts.looks, nowMs - JUST_NOW_MS) ? 'retuck' : 'look_now' };
  return { ...about, what: chilling(facts, nowMs) ? 'cold' : 'shut' };
}

/** Before when a counsel must be done, ms; null where it presses nobody. */
function deadlineOf(one: Counsel, nowMs: number): number | null {
  switch (one.kind) {
    case 'mend':
      return one.what === 'other_board' ? null : one.what === 'drowning' ? one.drownsMs : nowMs;
    case 'rescue':
      return nowMs;
    case 'move':
    case 'top_up':
      return one.byMs;
    case 'count':
      return one.what === 'due' ? one.finalMs : null;
    default:
      return null;
  }
}

/**
 * What the looks mean and what to do.
 *
 * @param facts the same that the report was made from
 */
export function judge(facts: ParcelFacts, report: Report): Judgement {
  const supply = supplying(facts, report, report.supply);
  const counsel: Counsel[] = [...mends(facts, report), ...lifts(facts, report), ...supply];
  const ended = supply.some(({ kind }) => kind === 'give_up' || kind === 'restart' || kind === 'count');
  const settled = counsel.some(({ kind }) => kind !== 'retuck');
  if (!ended && (!settled || report.state.quiet > 0)) counsel.push(leaving(facts, report));
  const kinds = new Set<string>(counsel.map(({ kind }) => kind));
  const deadlines = counsel.map((one) => deadlineOf(one, report.nowMs)).filter((ms) => ms !== null);
  const thirst = counsel.find((one) => one.kind === 'mend' && one.what === 'thirst');
  const { state, end, next } = report;
  return {
    verdict: VERDICTS.find((verdict) => kinds.has(verdict)) ?? 'leave',
    counsel,
    headline: headlineOf(facts, report, next),
    next,
    // What is past is to be done now.
    deadlineMs: deadlines.length > 0 ? Math.max(Math.min(...deadlines), report.nowMs) : null,
    giveMl: thirst && 'doseMl' in thirst ? thirst.doseMl : 0,
    total: { low: state.tipped + end.low, high: state.tipped + end.high, seeds: facts.seeds, wanted: facts.wanted },
  };
}
