import { DAY_MS, HOUR_MS } from './durations.js';

/** "1 seed", "3 seeds". */
export const counted = (count: number, one: string, many = `${one}s`): string => `${count} ${count === 1 ? one : many}`;

const ROW = new Intl.ListFormat('en-GB');
/** "21", "21 and 22", "21, 22 and 23". */
export const listed = (all: readonly (string | number)[]): string => ROW.format(all.map(String));

/** "4", or "0 to 4" where low and high differ. */
export const rangeInWords = (low: number, high: number): string => (low === high ? `${low}` : `${low} to ${high}`);

/** A stretch of time as one would say it: "20 hours", "3 days", "4 weeks". */
export function spanInWords(ms: number): string {
  const days = Math.round(ms / DAY_MS);
  if (ms < 1.5 * DAY_MS) return counted(Math.max(Math.round(ms / HOUR_MS), 1), 'hour');
  return days < 21 ? counted(days, 'day') : counted(Math.round(days / 7), 'week');
}

/** With its first letter large, as a sentence begins. */
export const capital = (text: string): string => text.replace(/^./, (first) => first.toUpperCase());

/** With its first letter small, as within a sentence. */
export const uncapital = (text: string): string => text.replace(/^./, (first) => first.toLowerCase());

const SMALL = [
  ...['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'],
  ...['thirteen', 'fourteen', 'fifteen', 'sixteen', 'seventeen', 'eighteen', 'nineteen', 'twenty'],
];
/** A small number as a word, as a heading says it; a larger one in figures. */
export const numberWord = (count: number): string => SMALL[count] ?? String(count);
