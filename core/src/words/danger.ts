import { counted, listed, type Words } from '../units/index.js';
import { inTen } from './shares.js';

/** What kills at a place, with what stands there. */
export interface DangerTold {
  readonly lead: string;
  readonly text: string;
}

/**
 * A place whose warmth kills, for the head of Today.
 *
 * @param dies largest share of wet seed that dies there in a day, of the kinds that stand there
 */
export function hotPlace(
  place: string,
  peakC: number,
  dies: number,
  numbers: readonly number[],
  words: Pick<Words, 'temperature'>,
): DangerTold {
  const them = numbers.length === 1 ? 'it' : 'them';
  return {
    lead: `Too hot at ${place}: up to ${words.temperature(peakC)}`,
    text: `Take ${listed(numbers)} off it now, before anything else: in a day there ${inTen(dies)} of the seed dies, by rule of thumb. Put ${them} on a table or in a cooler spot, find the cause, and read the thermometer again before ${numbers.length === 1 ? 'it goes' : 'they go'} back.`,
  };
}

/** Seed that has been in water past its limit, for the head of Today. */
export const drowning = (number: number, title: string, seeds: number): DangerTold => ({
  lead: `Out of the water: ${number} ${title}`,
  text: `It is past the limit of its kind. Dab ${seeds === 1 ? 'the seed' : `the ${counted(seeds, 'seed')}`} dry and lay ${seeds === 1 ? 'it' : 'them'} on a towel barely damp.`,
});

/** Asks an extreme reading back before it is kept; null where it is none. */
export function askBackInWords(
  why: 'deadly' | 'freezing' | null,
  { minC, maxC }: { readonly minC: number; readonly maxC: number },
  words: Pick<Words, 'temperature'>,
): string | null {
  if (why === null) return null;
  return why === 'deadly'
    ? `${words.temperature(maxC)}? Most wet seed dies there. If it is so, take everything off that place first.`
    : `${words.temperature(minC)}? Wet seed freezes there, and most kinds die of it.`;
}

/** Why nothing is put on a board. */
export const refusedInWords = (
  { peakC, dies }: { readonly peakC: number; readonly dies: number },
  words: Pick<Words, 'temperature'>,
): string =>
  `Read up to ${words.temperature(peakC)}: ${inTen(dies)} of this seed would die in a day there. Cool it and read it again first.`;
