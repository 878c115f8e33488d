import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';
import type { DayNumber } from './days.js';

/** On which side of the summer a frost is: the last of spring, or the first of autumn. */
export type FrostSide = 'spring' | 'autumn';

/**
 * The last or the first frost as years have had it: days after the season's 1 January, rising,
 * and so many years without any. A year without frost has its last before, its first after all.
 */
export interface FrostYears {
  readonly side: FrostSide;
  readonly days: readonly number[];
  readonly none: number;
}

/** A frost that is said and not recorded stands for so many even years. */
const SAID_YEARS = 19;
/** 1.2816 sd on either side hold eight years in ten. */
const EIGHTY_Z = 1.2816;
/** Beyond the furthest year the chance falls off over this share of the spread. Guess. */
const TAIL = 0.45;

/**
 * A day that is said, give or take, as years that are spread about it evenly (normal).
 *
 * @param day days after the season's 1 January; @param giveDays it comes so much earlier or later in eight years of ten
 */
export function saidFrost(side: FrostSide, day: number, giveDays: number): FrostYears {
  const sd = giveDays / EIGHTY_Z;
  const days = Array.from({ length: SAID_YEARS }, (_, nth) => day + sd * normalQuantile((nth + 1) / (SAID_YEARS + 1), 0, 1));
  return { side, days, none: 0 };
}

/** All years in rising order, those without frost where they belong. */
const sorted = ({ side, days, none }: FrostYears): readonly number[] => {
  const without = Array<number>(none).fill(side === 'spring' ? -Infinity : Infinity);
  return side === 'spring' ? [...without, ...days] : [...days, ...without];
};

const tailOf = (days: readonly number[]): number => Math.max(((days.at(-1) ?? 0) - (days[0] ?? 0)) / 4, 2) * TAIL;

/**
 * The day by which the frost has come in such a share of years, by the definition that a further
 * year of the kind lies before the i-th of n with chance i/(n + 1): Weibull's, type 6 in Hyndman
 * and Fan, *The American Statistician* 50 (1996) 361-365.
 *
 * @param share inside (0, 1)
 * @returns days after the season's 1 January; null where that falls among years without frost
 */
export function frostDay(years: FrostYears, share: number): number | null {
  const all = sorted(years);
  if (years.days.length === 0) return null;
  const at = share * (all.length + 1);
  const [low, high] = [Math.min(Math.max(Math.floor(at), 1), all.length), Math.min(Math.max(Math.ceil(at), 1), all.length)];
  const [before = NaN, after = NaN] = [all[low - 1], all[high - 1]];
  if (!Number.isFinite(before) || !Number.isFinite(after)) return null;
  return before + (after - before) * Math.min(Math.max(at - low, 0), 1);
}

/** Chance that the frost of a further year comes after a day: the last frost of spring, or the first of autumn. */
export function frostAfter(years: FrostYears, day: number): number {
  const { days, none, side } = years;
  const [first, last] = [days[0], days.at(-1)];
  if (first === undefined || last === undefined) return side === 'spring' ? 0 : 1;
  const n = days.length + none;
  const before = side === 'spring' ? none : 0;
  // Before the first year that had one, and beyond the last, it is rarer and rarer.
  if (day < first) return 1 - (before + Math.exp((day - first) / tailOf(days))) / (n + 1);
  if (day >= last) return afterLast(n, before + days.length, (day - last) / tailOf(days));
  const index = days.findIndex((one) => one > day);
  const [low = first, high = last] = [days[index - 1], days[index]];
  const rank = before + index + (high > low ? (day - low) / (high - low) : 0);
  return 1 - rank / (n + 1);
}

/** What is left beyond the last year that had one: the years without, and a tail. */
function afterLast(n: number, rank: number, far: number): number {
  const without = (n - rank) / (n + 1);
  return without + (1 - rank / (n + 1) - without) * Math.exp(-far);
}

/** What bears frost grows no more this long after the first, days: light and warmth are gone. Guess. */
const GROWS_AFTER_FROST = 21;

/**
 * The end of a crop's season as years have had it: the night that kills it or, of what bears frost,
 * three weeks after the first. The n-th year of the one is taken as the n-th of the other: a year
 * whose cold comes early comes early by every threshold.
 *
 * @param kills first nights of autumn that kill it; @param first the first frost, of the same years
 */
export function seasonEnd(kills: FrostYears, first: FrostYears): FrostYears {
  const grown = sorted(first).map((day) => day + GROWS_AFTER_FROST);
  const all = sorted(kills).map((day, nth) => Math.min(day, grown[nth] ?? Infinity));
  const days = all.filter((day) => Number.isFinite(day));
  return { side: 'autumn', days, none: all.length - days.length };
}

/** Days of the season's year for which a frost's chance is laid down: from the autumn before to the summer after. */
const TABLE = { from: -150, to: 600, perDay: 2 } as const;
const tables = new WeakMap<FrostYears, Float64Array>();

/** The same chance for those who ask for many days: laid down once, straight between half days. */
export function frostTable(years: FrostYears): (day: number) => number {
  const known = tables.get(years);
  const table =
    known ??
    Float64Array.from({ length: (TABLE.to - TABLE.from) * TABLE.perDay + 1 }, (_, nth) =>
      frostAfter(years, TABLE.from + nth / TABLE.perDay),
    );
  if (!known) tables.set(years, table);
  const last = table.length - 1;
  return (day) => {
    const at = Math.min(Math.max((day - TABLE.from) * TABLE.perDay, 0), last);
    const low = Math.floor(at);
    const here = table[low] as number;
    return low === last ? here : here + ((table[low + 1] as number) - here) * (at - low);
  };
}

/** Frost as a household is told it: the days by which it is still to come in 9, 5 and 1 of ten springs, or already here in 1, 5 and 9 autumns. */
export interface FrostDates {
  /** By share of years in which it has come by then. */
  readonly at10: DayNumber | null;
  readonly at50: DayNumber | null;
  readonly at90: DayNumber | null;
  /** Years that it is told by, and those among them that had none. */
  readonly years: number;
  readonly none: number;
}

/** @param newYear the season's 1 January */
export function frostDates(years: FrostYears, newYear: DayNumber): FrostDates {
  const at = (share: number): DayNumber | null => {
    const day = frostDay(years, share);
    return day === null ? null : newYear + day;
  };
  return { at10: at(0.1), at50: at(0.5), at90: at(0.9), years: years.days.length + years.none, none: years.none };
}
