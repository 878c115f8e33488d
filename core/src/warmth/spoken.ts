import { DAY_MS, HOUR_MS } from '../units/index.js';

/** What a thermometer said over a stretch of time, °C. */
export interface Reading {
  readonly fromMs: number;
  readonly toMs: number;
  readonly minC: number;
  readonly maxC: number;
  /** How far off it may be, °C, where it is no thermometer's: an hour that is still to come. */
  readonly errorC?: number | undefined;
  /** It was told to have come over the place this once, and nobody measured: it says nothing of other days. */
  readonly once?: boolean | undefined;
}

/** What a place is like over a day, °C. */
export interface DayRange {
  readonly minC: number;
  readonly maxC: number;
}

/** Standard error of an hour's temperature by how it is known, °C: read, filled from the place's own days, guessed. Rule of thumb, no source. */
export const ERROR_C = { read: 0.5, pattern: 1.2, guess: 2.5 } as const;

/** For so long a reading speaks for its place in full, ms: thermometers are read every day or two. */
const FULL_MS = 2 * DAY_MS;
/** Then the guess takes over, a step a week; after so many steps it stands alone. */
const STEP_MS = 7 * DAY_MS;
const STEPS = 8;
/** A place forgets its own weather over about this many steps: seasons and heating change it. Guess. */
const FADES_STEPS = 4;

/** How long a reading says anything of its place, ms: what is older need not be read. */
export const SPEAKS_MS = FULL_MS + STEPS * STEP_MS;

/**
 * How much of a place's own record still speaks so long after its last reading.
 *
 * @param ageMs time since the nearest reading, 0 or more
 * @returns 0 (still) to {@link STEPS} and one more, at which only the guess speaks
 */
export const fadeStep = (ageMs: number): number => (ageMs <= FULL_MS ? 0 : Math.min(Math.ceil((ageMs - FULL_MS) / STEP_MS), STEPS + 1));

/** Share of the own record at a step, 1 to 0. */
export const fadeWeight = (step: number): number => (step > STEPS ? 0 : Math.exp(-step / FADES_STEPS));

/** What is assumed of a place at a moment without a reading, and how well it is known. */
export interface Assumed extends DayRange {
  readonly errorC: number;
  /** Share of it that is the place's own record; 0 where it is the guess alone. */
  readonly weight: number;
}

/**
 * The one rule for stale warmth: a place's own days speak in full for two days, then
 * fade into what such a place is usually like over two months, and what is assumed is
 * known the worse for it. Words and figures both ask here.
 *
 * @param pattern mean of the place's nearest days; null where it has none
 */
export function assumedOf(pattern: DayRange | null, guess: DayRange, step: number): Assumed {
  const weight = pattern ? fadeWeight(step) : 0;
  if (!pattern || weight === 0) return { ...guess, errorC: ERROR_C.guess, weight: 0 };
  const mix = (own: number, usual: number): number => weight * own + (1 - weight) * usual;
  return {
    minC: mix(pattern.minC, guess.minC),
    maxC: mix(pattern.maxC, guess.maxC),
    errorC: Math.sqrt((weight * ERROR_C.pattern) ** 2 + (1 - weight ** 2) * ERROR_C.guess ** 2),
    weight,
  };
}

/** What the readings of one day at a place come to. */
interface Day extends DayRange {
  readonly fromMs: number;
  readonly toMs: number;
}
/** Days that a pattern is the mean of. */
const PATTERN_DAYS = 5;
/** Longer than this no reading is an hour's, ms. */
export const HOURLY_MS = 2 * HOUR_MS;
const DAY_HOURS = 24;

/** The days of a record by the place's calendar, rising; a reading belongs to the day of its middle, and corrects one of the same stretch. What came over it once is none of them. */
export function daysOf(readings: readonly Reading[], utcOffsetHours: number): Day[] {
  const days = new Map<number, Day>();
  const counting = new Map(readings.filter(({ once }) => !once).map((reading) => [`${reading.fromMs} ${reading.toMs}`, reading]));
  for (const { fromMs, toMs, ...read } of counting.values()) {
    // What an hour swings is its thermostat's doing, and none of the day's.
    const { minC, maxC } = toMs - fromMs > HOURLY_MS ? read : { minC: (read.minC + read.maxC) / 2, maxC: (read.minC + read.maxC) / 2 };
    const key = Math.floor(((fromMs + toMs) / 2 / HOUR_MS + utcOffsetHours) / DAY_HOURS);
    const known = days.get(key);
    days.set(
      key,
      known
        ? {
            fromMs: Math.min(known.fromMs, fromMs),
            toMs: Math.max(known.toMs, toMs),
            minC: Math.min(known.minC, minC),
            maxC: Math.max(known.maxC, maxC),
          }
        : { fromMs, toMs, minC, maxC },
    );
  }
  return [...days.entries()].sort(([a], [b]) => a - b).map(([, day]) => day);
}

/** How far a day lies from a moment, ms; 0 inside it. */
const distanceTo = ({ fromMs, toMs }: Day, ms: number): number => Math.max(fromMs - ms, ms - toMs, 0);

/** First day of a rising list that ends after a moment. */
function after(days: readonly Day[], ms: number): number {
  let low = 0;
  for (let high = days.length; low < high;) {
    const middle = (low + high) >> 1;
    if ((days[middle] as Day).toMs <= ms) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** The place's own pattern: the mean of its days nearest in time, which are neighbours in a rising list; null where it has none. */
export function patternAt(days: readonly Day[], ms: number): DayRange | null {
  if (days.length === 0) return null;
  const distance = (index: number): number => (days[index] ? distanceTo(days[index], ms) : Infinity);
  let above = after(days, ms);
  let below = above - 1;
  let [minC, maxC, count] = [0, 0, 0];
  while (count < PATTERN_DAYS && count < days.length) {
    const day = days[distance(above) <= distance(below) ? above++ : below--] as Day;
    minC += day.minC;
    maxC += day.maxC;
    count++;
  }
  return { minC: minC / count, maxC: maxC / count };
}

/** Time to the nearest day of a record, ms; Infinity where there is none. */
export function ageAt(days: readonly Day[], ms: number): number {
  const at = after(days, ms);
  return Math.min(...[days[at - 1], days[at]].map((day) => (day ? distanceTo(day, ms) : Infinity)));
}

/** A place at a moment, as words and figures both take it. */
export interface PlaceNow extends Assumed {
  /** Days since it was last read; null where it never was. */
  readonly ageDays: number | null;
}

/** What is known of a place now: read, remembered or guessed. */
export function placeNow(readings: readonly Reading[], guess: DayRange, nowMs: number, utcOffsetHours: number): PlaceNow {
  const days = daysOf(readings, utcOffsetHours);
  const ageMs = ageAt(days, nowMs);
  const assumed = assumedOf(patternAt(days, nowMs), guess, fadeStep(ageMs));
  // What a thermometer covers now is not assumed: the last that was written counts.
  const read = readings.findLast(({ fromMs, toMs, once }) => !once && fromMs <= nowMs && nowMs < toMs);
  const known = read ? { minC: read.minC, maxC: read.maxC, errorC: ERROR_C.read, weight: 1 } : assumed;
  return { ...known, ageDays: ageMs === Infinity ? null : ageMs / DAY_MS };
}
