import type { Ahead } from '../looking/index.js';
import { counted, HOUR_MS, listed, type Words } from '../units/index.js';
import type { SpotSetup } from '../warmth/index.js';
import type { DangerTold } from './danger.js';
import { inTen } from './shares.js';

/** What the hours ahead of a place do to what stands there, in a sentence. */
export function aheadInWords(ahead: Ahead, words: Pick<Words, 'when' | 'temperature'>): string {
  switch (ahead.kind) {
    case 'hot':
      return `From ${words.when(ahead.fromMs)} too hot for its kind, up to ${words.temperature(ahead.peakC)}: ${inTen(ahead.dies)} of the seed would die.`;
    case 'frozen':
      return `Frost is foreseen there from ${words.when(ahead.fromMs)}: down to ${words.temperature(ahead.lowC)}. Damp seed freezes.`;
    case 'chilled':
      return `Too cold for its kind from ${words.when(ahead.fromMs)}: down to ${words.temperature(ahead.lowC)} for hours. Damp seed of warm countries rots after that.`;
    case 'unchilled':
      return `From ${words.when(ahead.fromMs)} it is too warm there to earn cold, up to ${words.temperature(ahead.peakC)}.`;
  }
}

const LEAD: Readonly<Record<Ahead['kind'], string>> = {
  hot: 'will be too hot',
  frozen: 'will freeze',
  chilled: 'will be too cold',
  unchilled: 'will be too warm to chill',
};
/** What is done now, before it comes. @param spared what cools the place itself */
const DO: Readonly<Record<Ahead['kind'], (it: string, goes: string, spared: string) => string>> = {
  hot: (it, goes, spared) => `Carry ${it} to a cooler board before then${spared}; ${goes} back when it has passed.`,
  frozen: (it) => `Carry ${it} indoors before then.`,
  chilled: (it, goes) => `Carry ${it} to a warmer board for the night; ${goes} back when it has passed.`,
  unchilled: (it, goes) =>
    `Carry ${it} to a colder place, else those days do not count; nothing dies of it, and ${goes} on where it stopped.`,
};

/** A place as its alarms speak of it. */
export interface AlarmedPlace {
  readonly name: string;
  readonly setup: Pick<SpotSetup, 'lidded' | 'mat' | 'sun'>;
  /** No thermometer ever read it. */
  readonly guessed: boolean;
}

/**
 * A harm that the hours ahead of a place would do, for Today, with what to do now.
 *
 * @param ahead the worst of what is foreseen for the kinds that stand there
 */
export function alarmInWords(
  { name, setup, guessed }: AlarmedPlace,
  ahead: Ahead,
  numbers: readonly number[],
  words: Pick<Words, 'when' | 'temperature'>,
): DangerTold {
  const one = numbers.length === 1;
  const degrees = (celsius: number): string => (guessed ? `about ${words.temperature(Math.round(celsius))}` : words.temperature(celsius));
  const extreme = 'peakC' in ahead ? `up to ${degrees(ahead.peakC)}` : `down to ${degrees(ahead.lowC)}`;
  const harm =
    ahead.kind === 'hot'
      ? `; ${inTen(ahead.dies)} of the seed would die of it, by rule of thumb`
      : ahead.kind === 'chilled'
        ? ', too cold for damp seed of a warm country'
        : '';
  const cooling = [
    ...(setup.sun ? ['lay a cloth over the window'] : []),
    ...(setup.lidded ? ['lift the lid'] : []),
    ...(setup.mat ? ['turn the mat down'] : []),
  ];
  const spared = cooling.length === 0 ? '' : `, or ${listed(cooling)}`;
  const doubt = guessed ? ' That is guessed by its kind of place: a thermometer laid there for a day knows better.' : '';
  return {
    lead: `${name} ${LEAD[ahead.kind]} from ${words.when(ahead.fromMs)}: ${extreme}`,
    text: `${listed(numbers)} ${one ? 'stands' : 'stand'} there${harm}. ${DO[ahead.kind](one ? 'it' : 'them', one ? 'it goes' : 'they go', spared)}${doubt}`,
  };
}

/** A thermometer that sends has gone silent. @param last what it said last */
export function silentInWords(
  name: string,
  place: string,
  last: { readonly atMs: number; readonly celsius: number },
  nowMs: number,
  words: Pick<Words, 'when' | 'temperature'>,
): string {
  const minutes = Math.round((nowMs - last.atMs) / 60_000);
  const since = minutes < 120 ? counted(minutes, 'minute') : counted(Math.round((nowMs - last.atMs) / HOUR_MS), 'hour');
  return `No reading from ${name} at ${place} for ${since}; it said ${words.temperature(last.celsius)} last (${words.when(last.atMs)}). Look whether it has power and reaches the app, and at the place itself.`;
}
