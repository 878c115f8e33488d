import { countForecast } from '../forecast/count.js';
import { counted, rangeInWords, type Words } from '../units/words.js';
import { chanceInWords } from '../units/quantity.js';
import { about, capital } from './advice.js';
import type { ParcelLook } from './parcel-state.js';
import { keptQuiet } from '../warmth/toll.js';
import { workingsFor, type ParcelFacts } from './workings.js';

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

/** One thing that the judgement rests on, with and without it. */
export interface Contribution {
  readonly id: string;
  readonly kind: 'book' | 'packet' | 'records' | 'warmth' | 'thermometer' | 'look';
  readonly atMs: number | null;
  readonly text: string;
  readonly without: WhyFigures | null;
  readonly with: WhyFigures;
  /** What it changed, in words. */
  readonly moved: string;
}

/** Everything behind a judgement, drawn and told. */
export interface WhyPanel {
  readonly seeds: number;
  readonly now: WhyFigures;
  readonly contributions: readonly Contribution[];
  readonly sure: string;
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

/** The difference that one thing made, in the plainest figure that it moved. */
function movedInWords(without: WhyFigures | null, now: WhyFigures, words: Words): string {
  const half = now.halfMs === null ? 'no time that can be named' : words.when(about(now.halfMs));
  if (without === null) return `${rangeInWords(now.low, now.high)} in the end, half of the living by ${half}`;
  const parts: string[] = [];
  if (without.low !== now.low || without.high !== now.high) {
    parts.push(`${rangeInWords(now.low, now.high)} in the end instead of ${rangeInWords(without.low, without.high)}`);
  }
  const hours = now.halfMs === null || without.halfMs === null ? 0 : (now.halfMs - without.halfMs) / 3_600_000;
  if (Math.abs(hours) >= 2) {
    const far = Math.abs(hours) < 36 ? counted(Math.round(Math.abs(hours)), 'hour') : counted(Math.round(Math.abs(hours) / 24), 'day');
    parts.push(`half of the living ${far} ${hours > 0 ? 'later' : 'sooner'}`);
  }
  if (parts.length === 0 && Math.abs(now.alive - without.alive) >= 0.02) {
    parts.push(`a quiet seed lives with ${chanceInWords(now.alive)} instead of ${chanceInWords(without.alive)}`);
  }
  return parts.length > 0 ? parts.join('; ') : 'hardly anything';
}

function lookInWords({ tipped, rotten, through }: ParcelLook, before: readonly ParcelLook[], words: Words, atMs: number): string {
  const most = (pick: (look: ParcelLook) => number | null): number => Math.max(0, ...before.map((look) => pick(look) ?? 0));
  const fresh = (tipped ?? 0) - most((look) => look.tipped);
  const soft = (rotten ?? 0) - most((look) => look.rotten);
  const seen = [
    tipped === null ? 'the seeds were not looked at' : fresh > 0 ? counted(fresh, 'new tip') : 'nothing new',
    soft > 0 ? `${soft} rotten` : '',
  ]
    .filter(Boolean)
    .join(', ');
  return `${capital(words.when(atMs))}: ${seen}${through ? ', through the bag' : ''}`;
}

/**
 * What a judgement rests on. What was known before any look is laid up step by
 * step; each look and the thermometer are weighed by computing anew without them,
 * so that whatever is changed anywhere changes these figures too.
 *
 * @param facts as the answers were computed from
 */
export function whyFor(facts: ParcelFacts, nowMs: number, words: Words): WhyPanel {
  const now = figuresOf(facts, nowMs);
  const contributions: Contribution[] = [];
  const add = (one: Omit<Contribution, 'moved'>): void => {
    contributions.push({ ...one, moved: movedInWords(one.without, one.with, words) });
  };
  const unseen = { ...facts, looks: [], moves: [] };
  let before: WhyFigures | null = null;
  for (const { what, text, prior } of facts.priorSteps ?? []) {
    const after = figuresOf({ ...unseen, prior: { ...prior, known: [] } }, nowMs);
    add({ id: what, kind: what, atMs: null, text: capital(text), without: before, with: after });
    before = after;
  }
  const best = facts.crop.temperature.beta.optimumC;
  const steady = (celsius: number): ParcelFacts => ({
    ...facts,
    stays: facts.stays.map((stay) => ({ ...stay, readings: [], guess: { minC: celsius, maxC: celsius } })),
  });
  const { toll, progress } = workingsFor(facts, nowMs);
  const days = Math.max((nowMs - facts.startMs) / 86_400_000, 0);
  add({
    id: 'warmth',
    kind: 'warmth',
    atMs: null,
    text: `${words.temperature(toll.meanC)} on average: ${days.toFixed(1)} days did the work of ${progress.at(nowMs).toFixed(1)} at its best, ${words.temperature(best)}`,
    without: figuresOf(steady(best), nowMs),
    with: now,
  });
  if (facts.stays.some(({ readings }) => readings.length > 0)) {
    add({
      id: 'thermometer',
      kind: 'thermometer',
      atMs: null,
      text: 'The thermometer, against what such a place is usually like',
      without: figuresOf({ ...facts, stays: facts.stays.map((stay) => ({ ...stay, readings: [] })) }, nowMs),
      with: now,
    });
  }
  const telling = facts.looks.filter((look) => look.tipped !== null || look.rotten !== null);
  for (const look of telling.slice(-MOST_LOOKS)) {
    const others = facts.looks.filter((other) => other !== look);
    add({
      id: `look ${look.atMs}`,
      kind: 'look',
      atMs: look.atMs,
      text: lookInWords(look, telling.slice(0, telling.indexOf(look)), words, look.atMs),
      without: figuresOf({ ...facts, looks: others }, nowMs),
      with: now,
    });
  }
  return { seeds: facts.seeds, now, contributions, sure: sureInWords(facts, now) };
}

/** How sure it all is, and what would make it surer. */
function sureInWords({ seeds, looks, stays }: ParcelFacts, { low, high }: WhyFigures): string {
  const width = high - low;
  if (width === 0) return 'As sure as it gets: the count leaves no other.';
  const wide = width > seeds / 3 ? 'Still wide' : 'Fairly narrow';
  const next =
    looks.length === 0
      ? 'the first look'
      : stays.every(({ readings }) => readings.length === 0)
        ? 'a thermometer in its place'
        : 'each further look';
  return `${wide}: ${rangeInWords(low, high)} of ${seeds} hold 8 times in 10; ${next} narrows it.`;
}
