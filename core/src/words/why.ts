import { aliveInWords } from './alive.js';
import type { Ground, Why, Weighed, WhyFigures } from '../judging/index.js';
import { methodFor, type Method } from '../method/index.js';
import type { ParcelFacts } from '../parcel/index.js';
import { about, capital, chanceInWords, counted, HOUR_MS, rangeInWords, type Words } from '../units/index.js';
import { knownInWords } from './known.js';

/** One thing that the judgement rests on, with and without it, told. */
export interface Contribution {
  readonly id: string;
  readonly kind: Ground['kind'];
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

/** A shift of the half is told from here on, hours. */
const LEAST_HOURS = 2;

/** The difference that one thing made, in the plainest figure that it moved. */
function movedInWords({ without, with: now }: Weighed, words: Words): string {
  const half = now.halfMs === null ? 'no time that can be named' : words.when(about(now.halfMs));
  if (without === null) return `${rangeInWords(now.low, now.high)} in the end, half of the live seeds by ${half}`;
  const parts: string[] = [];
  if (without.low !== now.low || without.high !== now.high) {
    parts.push(`${rangeInWords(now.low, now.high)} in the end instead of ${rangeInWords(without.low, without.high)}`);
  }
  const hours = now.halfMs === null || without.halfMs === null ? 0 : (now.halfMs - without.halfMs) / HOUR_MS;
  if (Math.abs(hours) >= LEAST_HOURS) {
    const far = Math.abs(hours) < 36 ? counted(Math.round(Math.abs(hours)), 'hour') : counted(Math.round(Math.abs(hours) / 24), 'day');
    parts.push(`half of the live seeds ${far} ${hours > 0 ? 'later' : 'sooner'}`);
  }
  if (parts.length === 0 && Math.abs(now.alive - without.alive) >= 0.02) {
    parts.push(`a quiet seed ${aliveInWords(now.alive)}, not ${chanceInWords(without.alive)}`);
  }
  return parts.length > 0 ? parts.join('; ') : 'hardly anything';
}

function groundInWords(ground: Ground, { nouns, bagged }: Method, words: Words): string {
  switch (ground.kind) {
    case 'warmth':
      return `${words.temperature(ground.meanC)} on average: ${ground.days.toFixed(1)} days did the work of ${ground.progress.toFixed(1)} at its best, ${words.temperature(Math.round(ground.bestC))}`;
    case 'thermometer':
      return 'The thermometer, against what such a place is usually like';
    case 'look': {
      const { fresh, rotten, through, atMs } = ground;
      const seen =
        fresh === null
          ? 'the seeds were not looked at'
          : fresh > 0
            ? `${fresh} new ${fresh === 1 ? nouns.event.one : nouns.event.many}`
            : 'nothing new';
      const soft = rotten > 0 ? `, ${rotten} rotten` : '';
      return `${capital(words.when(atMs))}: ${seen}${soft}${through && bagged ? ', through the bag' : ''}`;
    }
    default:
      return capital(ground.known.map(knownInWords).join('; '));
  }
}

/** How sure it all is, and what would make it surer. */
function sureInWords({ seeds, looks, stays }: ParcelFacts, { low, high }: WhyFigures): string {
  if (high === low) return 'As sure as it gets: the count leaves no other.';
  const wide = high - low > seeds / 3 ? 'Still wide' : 'Fairly narrow';
  const unmeasured = stays.every(({ readings }) => readings.length === 0);
  const next = looks.length === 0 ? 'the first look' : unmeasured ? 'a thermometer in its place' : 'each further look';
  return `${wide}: ${rangeInWords(low, high)} of ${seeds} hold 8 times in 10; ${next} narrows it.`;
}

/** Tells what a judgement rests on. */
export function whyInWords({ now, weighed }: Why, facts: ParcelFacts, words: Words): WhyPanel {
  const method = methodFor(facts.method, facts.crop);
  return {
    seeds: facts.seeds,
    now,
    contributions: weighed.map((one) => {
      const { ground } = one;
      const atMs = ground.kind === 'look' ? ground.atMs : null;
      return {
        id: atMs === null ? ground.kind : `look ${atMs}`,
        kind: ground.kind,
        atMs,
        text: groundInWords(ground, method, words),
        without: one.without,
        with: one.with,
        moved: movedInWords(one, words),
      };
    }),
    sure: sureInWords(facts, now),
  };
}
