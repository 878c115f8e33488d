import type { Crop } from '../crops/index.js';
import { dayIn, newYear, type DayNumber } from './days.js';
import type { CropFrost } from './chain.js';
import type { LastFrost } from './frost.js';
import { frostDates, frostDay, saidFrost, seasonEnd, type FrostDates, type FrostSide, type FrostYears } from './frost-law.js';
import { frostYears, LEAST_FROST_YEARS, summerInJuly, type DailyMinima, type FrostRecord } from './frost-years.js';
import { killedBy } from './hardiness.js';

/** A frost that is said: a day of the year, give or take in eight years of ten. */
export interface SaidFrost {
  readonly monthDay: string;
  readonly giveDays: number;
}

/** What a household knows of frost. */
export interface FrostSources {
  /** A station's nights; null where there is no record. */
  readonly minima: DailyMinima | null;
  /** The last frost as the household has it: said, or a guess; null where nobody was asked. */
  readonly house: LastFrost | null;
  /** The first of autumn, where somebody said it. */
  readonly autumn: SaidFrost | null;
  /** What counts as frost, °C. */
  readonly thresholdC: number;
  /** The garden's nights against the station's, K. */
  readonly shelterK: number;
}

/** Frost of one season. */
export interface FrostSeason {
  readonly source: 'record' | 'said' | 'guess' | 'none';
  readonly newYear: DayNumber;
  readonly spring: FrostYears | null;
  readonly autumn: FrostYears | null;
  /** Whether nobody said the autumn's, so that it is taken from the spring's. */
  readonly autumnGuessed: boolean;
  /** Halves of years that the record leaves out for their missing days. */
  readonly leftOut: FrostRecord['leftOut'];
  /** Frost as it bears on one crop. */
  of(crop: Pick<Crop, 'id' | 'growing'>): CropFrost;
  dates(side: FrostSide): FrostDates | null;
}

/** Nights grow warmer in spring and colder in autumn by a degree in so many days. Guess, for a said frost alone. */
const DAYS_PER_K = 5;
/** The frost-free months lie about this day of the year, north of the equator. Guess. */
const MIDDLE_NORTH = '07-29';
const MIDDLE_SOUTH = '01-28';
/** Nobody said the autumn's: it comes within so many days, eight years in ten. Guess. */
const AUTUMN_GIVE_DAYS = 20;
const SECOND_HALF = 7;

/** Whether a household's spring is that of the south. */
export const springInSouth = (monthDay: string): boolean => Number(monthDay.slice(0, 2)) >= SECOND_HALF;

/** The year of the season that a day is planned in: a season begins with its spring, and is over with its autumn's frost. */
export function seasonYear(today: DayNumber, south: boolean): number {
  const date = new Date(today * 86_400_000);
  const [year, month] = [date.getUTCFullYear(), date.getUTCMonth()];
  // In the north November plans the next year; in the south May does.
  return south ? (month >= 4 ? year : year - 1) : month >= 10 ? year + 1 : year;
}

/**
 * Frost of a season from whatever is known: a station's record before days that are said or guessed.
 *
 * @param year the season's, that of its spring
 */
export function frostSeason({ minima, autumn, house, thresholdC, shelterK }: FrostSources, year: number): FrostSeason {
  const start = newYear(year);
  const july = minima && summerInJuly(minima);
  if (minima && july !== null) {
    const at = once((celsius) => frostYears(minima, { thresholdC: celsius, shelterK, july }));
    const own = at(thresholdC);
    if (own.spring.days.length + own.spring.none >= LEAST_FROST_YEARS && own.autumn.days.length + own.autumn.none >= LEAST_FROST_YEARS)
      return season('record', start, own.spring, own.autumn, false, own.leftOut, at, thresholdC);
  }
  const last = house;
  if (last === null) return season('none', start, null, null, false, [], () => null, thresholdC);
  const south = springInSouth(last.monthDay);
  const lastDay = dayIn(year, last.monthDay) - start;
  const middle = dayIn(south ? year + 1 : year, south ? MIDDLE_SOUTH : MIDDLE_NORTH) - start;
  const firstDay = autumn ? dayIn(south ? year + 1 : year, autumn.monthDay) - start : 2 * middle - lastDay;
  const give = autumn?.giveDays ?? AUTUMN_GIVE_DAYS;
  // Colder nights come sooner in spring and later in autumn than those of the threshold.
  const at = once((celsius) => {
    const sooner = (thresholdC - celsius + shelterK) * DAYS_PER_K;
    return {
      spring: saidFrost('spring', lastDay - sooner, last.giveDays),
      autumn: saidFrost('autumn', firstDay + sooner, give),
    };
  });
  const own = at(thresholdC);
  return season(last.guessed ? 'guess' : 'said', start, own.spring, own.autumn, autumn === null, [], at, thresholdC);
}

type At = (celsius: number) => { readonly spring: FrostYears; readonly autumn: FrostYears } | null;

/** Works out each figure once. */
function once<T>(work: (celsius: number) => T): (celsius: number) => T {
  const known = new Map<number, T>();
  return (celsius) => {
    const found = known.get(celsius) ?? work(celsius);
    known.set(celsius, found);
    return found;
  };
}

function season(
  source: FrostSeason['source'],
  start: DayNumber,
  spring: FrostYears | null,
  autumn: FrostYears | null,
  autumnGuessed: boolean,
  leftOut: FrostRecord['leftOut'],
  at: At,
  thresholdC: number,
): FrostSeason {
  return {
    source,
    newYear: start,
    spring,
    autumn,
    autumnGuessed,
    leftOut,
    // What kills it is the cold of its own kind, never milder than what counts as frost here.
    of(crop) {
      const kills = at(Math.min(killedBy(crop).high, thresholdC));
      return { newYear: start, spring, kills: kills && kills.spring, ends: kills && autumn && seasonEnd(kills.autumn, autumn) };
    },
    dates(side) {
      const years = side === 'spring' ? spring : autumn;
      return years && frostDates(years, start);
    },
  };
}

/** The last frost of spring as Tuck in counts by it: the middle, and how far eight years in ten lie from it. */
export function lastFrostFrom(spring: FrostYears): SaidFrost | null {
  const [low, middle, high] = [frostDay(spring, 0.1), frostDay(spring, 0.5), frostDay(spring, 0.9)];
  if (middle === null || high === null) return null;
  // Of a year that is no leap year.
  const date = new Date(Date.UTC(2025, 0, 1) + Math.round(middle) * 86_400_000).toISOString();
  return { monthDay: date.slice(5, 10), giveDays: Math.round(low === null ? high - middle : (high - low) / 2) };
}
