import type { GoesOn } from '../judging/index.js';
import { furtherThere } from '../judging/index.js';
import { about, counted, DAY_MS, HOUR_MS, spanInWords, type Words } from '../units/index.js';
import { refusedInWords } from './danger.js';
import { aheadInWords } from './alarms.js';

type Tone = 'growth' | 'waiting' | 'trouble';

/** Nearer than this two moments are the same, ms. */
const SAME_MS = 4 * HOUR_MS;
const half = (days: number): string => {
  const halves = Math.round(days * 2) / 2;
  return halves === 1 ? 'a day' : `${halves} days`;
};

/** How much later something is: "8 hours later", "1.5 days sooner", "about as soon". */
export function shiftInWords(fromMs: number, toMs: number): string {
  const shift = Math.abs(toMs - fromMs);
  if (shift < SAME_MS) return 'about as soon';
  const word = toMs > fromMs ? 'later' : 'sooner';
  if (shift < 0.9 * DAY_MS) return `${spanInWords(shift)} ${word}`;
  return `${shift < 14 * DAY_MS ? half(shift / DAY_MS) : spanInWords(shift)} ${word}`;
}

/** When the first sprout can be moved: "ready now", "ready Tuesday 07:00", "not within five months". */
export function readyInWords({ readyMs }: GoesOn['window'], nowMs: number, words: Pick<Words, 'when'>): string {
  if (readyMs === null) return 'nothing to be ready here within five months';
  return readyMs <= nowMs ? 'ready to move now' : `first ready ${words.when(about(readyMs))}`;
}

/** Between when and when, 8 chances in 10. */
export function spreadInWords({ lowMs, highMs }: GoesOn['window'], nowMs: number, words: Pick<Words, 'when'>): string {
  if (lowMs === null || highMs === null || highMs <= nowMs) return '';
  return lowMs <= nowMs
    ? `by ${words.when(about(highMs))}, 8 chances in 10`
    : `${words.when(about(lowMs))} to ${words.when(about(highMs))}, 8 chances in 10`;
}

/** What a board would do to a parcel, said before it is carried there. */
export interface BoardTold {
  readonly lead: string;
  readonly tone: Tone;
  /** When, and between when and when. */
  readonly ready: string;
  /** What is to be known besides: fewer, too warm, dries sooner. */
  readonly notes: readonly string[];
  /** It kills there: nothing is carried there. */
  readonly refused: string | null;
}

/** What a change is judged from. */
export interface Carried {
  readonly nowMs: number;
  /** Days of cold that it still wants, where it lies in its chill; null where it does not. */
  readonly chillDays: number | null;
  readonly coldThere: boolean;
  /** Whether it goes to another board; else its own is changed. */
  readonly elsewhere?: boolean;
}

/** Fewer than this of the seeds still to come are noise, not a reason. */
const FEWER = 0.5;

/**
 * What another board does to a parcel, against where it stands; or its own board, changed.
 */
export function boardInWords(
  here: GoesOn,
  there: GoesOn,
  { nowMs, chillDays, coldThere, elsewhere = true }: Carried,
  words: Pick<Words, 'when' | 'temperature'>,
): BoardTold {
  const refused = there.heat && refusedInWords(there.heat, words);
  const notes: string[] = [];
  if (chillDays !== null && !coldThere)
    notes.push(`It has ${counted(Math.ceil(chillDays), 'day')} of its cold to go, and earns none there.`);
  const more = furtherThere(here, there) - here.further;
  if (more <= -FEWER) notes.push(`About ${Math.max(Math.round(-more), 1)} fewer come${elsewhere ? ' there' : ''}.`);
  if (more >= FEWER) notes.push(`About ${Math.max(Math.round(more), 1)} more come${elsewhere ? ' there' : ''}.`);
  if (there.harm && !there.heat) notes.push(aheadInWords(there.harm, words));
  if (there.driesMs < here.driesMs - 6 * HOUR_MS && there.driesMs > nowMs)
    notes.push(`Dries sooner: by ${words.when(about(there.driesMs))}.`);
  const [from, to] = [here.window.readyMs, there.window.readyMs];
  const lead = leadOf(from, to, nowMs, elsewhere);
  const worse =
    refused !== null ||
    there.harm !== null ||
    (more <= -FEWER && -more > 0.2 * Math.max(here.further, 1)) ||
    (to === null && from !== null);
  const tone: Tone = worse ? 'trouble' : from !== null && to !== null && to < from - SAME_MS ? 'growth' : 'waiting';
  return {
    lead,
    tone,
    ready: [readyInWords(there.window, nowMs, words), spreadInWords(there.window, nowMs, words)].filter(Boolean).join('; '),
    notes,
    refused,
  };
}

function leadOf(from: number | null, to: number | null, nowMs: number, elsewhere: boolean): string {
  if (to === null && from === null) return elsewhere ? 'nothing moves there either' : 'nothing moves, as before';
  if (to === null) return elsewhere ? 'nothing moves there' : 'nothing moves any more';
  if (from === null) return 'begins to move';
  return from <= nowMs && to <= nowMs ? (elsewhere ? 'ready now, wherever it stands' : 'ready now in any case') : shiftInWords(from, to);
}

/** What leads the Shelf. */
export function shelfLead(
  first: { readonly title: string; readonly readyMs: number } | null,
  second: { readonly title: string } | null,
  nowMs: number,
  parcels: number,
): string {
  if (parcels === 0) return 'The boards are empty';
  if (!first) return 'Nothing comes to the edge yet';
  const crop = (title: string): string => title.split(',')[0] ?? title;
  const name = crop(first.title);
  const next = second && crop(second.title) !== name ? `; ${crop(second.title).toLowerCase()} is next` : '';
  return first.readyMs <= nowMs ? `${name} is at the edge${next}` : `${name} comes to the edge first${next}`;
}
