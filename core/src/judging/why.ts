import { countForecast } from '../chance/index.js';
import type { KnownFact } from '../forecast/index.js';
import { workingsFor, type ParcelFacts, type ParcelLook } from '../parcel/index.js';
import { DAY_MS } from '../units/index.js';
import { keptQuiet } from '../warmth/index.js';

/** What a contribution moves. */
export interface WhyFigures {
  /** Tips in all, in the end: the stretch that holds 8 times in 10. */
  readonly low: number;
  readonly high: number;
  readonly mean: number;
  /** Half of the living have shown by then; null beyond the horizon. */
  readonly halfMs: number | null;
  /** Chance that a quiet seed lives. */
  readonly alive: number;
}

/** What a contribution is about. */
export type Ground =
  | { readonly kind: 'book' | 'packet' | 'records'; readonly known: readonly KnownFact[] }
  | { readonly kind: 'warmth'; readonly meanC: number; readonly days: number; readonly progress: number; readonly bestC: number }
  | { readonly kind: 'thermometer' }
  /** What a look added to those before it; null where the seeds were not looked at. */
  | { readonly kind: 'look'; readonly atMs: number; readonly fresh: number | null; readonly rotten: number; readonly through: boolean };

/** One thing that the judgement rests on, with and without it. */
export interface Weighed {
  readonly ground: Ground;
  readonly without: WhyFigures | null;
  readonly with: WhyFigures;
}

/** Everything behind a judgement. */
export interface Why {
  readonly now: WhyFigures;
  readonly weighed: readonly Weighed[];
}

/** Later than this many looks ago is told as one: nobody reads sixty lines. */
const MOST_LOOKS = 12;

function figuresOf(facts: ParcelFacts, nowMs: number): WhyFigures {
  const { evidence, outlook, toll, lot, progress } = workingsFor({ ...facts, moves: [] }, nowMs);
  const tipped = evidence.tips.reduce((sum, { count }) => sum + count, 0);
  const { low, high, mean } = countForecast(outlook.furtherTips(Infinity));
  return {
    low: tipped + low,
    high: tipped + high,
    mean: tipped + mean,
    halfMs: progress.when(lot.progressOf(0.5)),
    alive: evidence.quiet.count === 0 ? 0 : outlook.chanceAlive(keptQuiet(toll)),
  };
}

/** What was known before any look, laid up step by step. */
function stepsOf(facts: ParcelFacts, nowMs: number): Weighed[] {
  const unseen = { ...facts, looks: [], moves: [] };
  let before: WhyFigures | null = null;
  return (facts.priorSteps ?? []).map(({ what, known, prior }) => {
    const after = figuresOf({ ...unseen, prior: { ...prior, known: [] } }, nowMs);
    const step: Weighed = { ground: { kind: what, known }, without: before, with: after };
    before = after;
    return step;
  });
}

/** The warmth against the best there is, and the thermometer against what such a place is usually like. */
function warmthOf(facts: ParcelFacts, nowMs: number, now: WhyFigures): Weighed[] {
  const bestC = facts.crop.temperature.beta.optimumC;
  const atBest = facts.stays.map((stay) => ({ ...stay, readings: [], guess: { minC: bestC, maxC: bestC } }));
  const { toll, progress } = workingsFor(facts, nowMs);
  const days = Math.max((nowMs - facts.startMs) / DAY_MS, 0);
  const warmth: Weighed = {
    ground: { kind: 'warmth', meanC: toll.meanC, days, progress: progress.at(nowMs), bestC },
    without: figuresOf({ ...facts, stays: atBest }, nowMs),
    with: now,
  };
  if (facts.stays.every(({ readings }) => readings.length === 0)) return [warmth];
  const guessed = facts.stays.map((stay) => ({ ...stay, readings: [] }));
  return [warmth, { ground: { kind: 'thermometer' }, without: figuresOf({ ...facts, stays: guessed }, nowMs), with: now }];
}

/** Each look, weighed by computing anew without it. */
function looksOf(facts: ParcelFacts, nowMs: number, now: WhyFigures): Weighed[] {
  const telling = facts.looks.filter((look) => look.tipped !== null || look.rotten !== null);
  const most = (looks: readonly ParcelLook[], pick: (look: ParcelLook) => number | null): number =>
    Math.max(0, ...looks.map((look) => pick(look) ?? 0));
  return telling.slice(-MOST_LOOKS).map((look) => {
    const before = telling.slice(0, telling.indexOf(look));
    return {
      ground: {
        kind: 'look',
        atMs: look.atMs,
        fresh: look.tipped === null ? null : look.tipped - most(before, ({ tipped }) => tipped),
        rotten: (look.rotten ?? 0) - most(before, ({ rotten }) => rotten),
        through: look.through,
      },
      without: figuresOf({ ...facts, looks: facts.looks.filter((other) => other !== look) }, nowMs),
      with: now,
    };
  });
}

/**
 * What a judgement rests on. What was known before any look is laid up step by
 * step; each look and the thermometer are weighed by computing anew without them,
 * so that whatever is changed anywhere changes these figures too.
 *
 * @param facts as the answers were computed from
 */
export function whyFor(facts: ParcelFacts, nowMs: number): Why {
  const now = figuresOf(facts, nowMs);
  return { now, weighed: [...stepsOf(facts, nowMs), ...warmthOf(facts, nowMs, now), ...looksOf(facts, nowMs, now)] };
}
