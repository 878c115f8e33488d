import { dayIn, monthOf, newYear, yearOf, type DayNumber } from './days.js';
import type { FrostSide, FrostYears } from './frost-law.js';

/** The coldest of each day, one day after another, °C; null where nobody read it. */
export interface DailyMinima {
  readonly first: DayNumber;
  readonly celsius: readonly (number | null)[];
}

/** Winters and summers that differ by less than this are none, K. Guess. */
const LEAST_SWING_K = 3;
/** A half of a year is told of where no more than this share of its days is missing. Common practice, no source. */
const MOST_MISSING = 0.1;
/** Fewer years say too little of frost. Guess. */
export const LEAST_FROST_YEARS = 5;
/** Middles of summer and winter, north of the equator: about the warmest and the coldest days. */
const MIDSUMMER = '07-15';
const MIDWINTER = '01-15';

const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;

/** Whether a record's summer is in the middle of the calendar year; null where it has no winter to speak of. */
export function summerInJuly({ first, celsius }: DailyMinima): boolean | null {
  const of = (months: readonly number[]): number[] =>
    celsius.flatMap((value, nth) => (value !== null && months.includes(monthOf(first + nth)) ? [value] : []));
  const [july, january] = [of([5, 6, 7]), of([11, 0, 1])];
  if (july.length === 0 || january.length === 0) return null;
  const swing = mean(july) - mean(january);
  return Math.abs(swing) < LEAST_SWING_K ? null : swing > 0;
}

/** Frost of a record's years by side, and the halves of years that were left out for their missing days. */
export interface FrostRecord {
  readonly spring: FrostYears;
  readonly autumn: FrostYears;
  readonly leftOut: readonly { readonly year: number; readonly side: FrostSide; readonly missing: number }[];
}

/** A half of a year between midwinter and midsummer, from and until. */
function halves(year: number, july: boolean): Readonly<Record<FrostSide, readonly [DayNumber, DayNumber]>> {
  if (july) {
    const summer = dayIn(year, MIDSUMMER);
    return { spring: [dayIn(year, MIDWINTER), summer], autumn: [summer, dayIn(year + 1, MIDWINTER)] };
  }
  const summer = dayIn(year + 1, MIDWINTER);
  return { spring: [dayIn(year, MIDSUMMER), summer], autumn: [summer, dayIn(year + 1, MIDSUMMER)] };
}

/**
 * The last frost of each spring and the first of each autumn: a day whose coldest is at the threshold or below.
 *
 * @param thresholdC what counts as frost; @param shelterK the garden's nights are so much warmer than the station's (a court), or colder (a hollow, negative)
 * @param july whether its summer is in July
 */
export function frostYears(
  { first, celsius }: DailyMinima,
  { thresholdC, shelterK, july }: { readonly thresholdC: number; readonly shelterK: number; readonly july: boolean },
): FrostRecord {
  const last = first + celsius.length - 1;
  const found: Record<FrostSide, { days: number[]; none: number }> = { spring: { days: [], none: 0 }, autumn: { days: [], none: 0 } };
  const leftOut: { year: number; side: FrostSide; missing: number }[] = [];
  for (let year = yearOf(first) - 1; year <= yearOf(last); year++) {
    const both = halves(year, july);
    for (const side of ['spring', 'autumn'] as const) {
      const [from, until] = both[side];
      if (until <= first || from > last) continue;
      const days = Array.from({ length: until - from }, (_, nth) => celsius[from + nth - first] ?? null);
      const missing = days.filter((value) => value === null).length;
      if (missing > MOST_MISSING * days.length) {
        leftOut.push({ year, side, missing });
        continue;
      }
      const cold = (value: number | null): boolean => value !== null && value + shelterK <= thresholdC;
      const at = side === 'spring' ? days.findLastIndex(cold) : days.findIndex(cold);
      if (at < 0) found[side].none++;
      else found[side].days.push(from + at - newYear(year));
    }
  }
  const told = (side: FrostSide): FrostYears => ({ side, days: found[side].days.sort((a, b) => a - b), none: found[side].none });
  return { spring: told('spring'), autumn: told('autumn'), leftOut };
}
