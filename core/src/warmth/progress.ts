import { rateAt, type BetaResponse } from './response.js';

const HOUR_MS = 3_600_000;
const DAY_HOURS = 24;

/** What a thermometer said over a stretch of time, °C. */
export interface Reading {
  readonly fromMs: number;
  readonly toMs: number;
  readonly minC: number;
  readonly maxC: number;
}

/** A stretch that a parcel spends in one place; it lasts until the next stay begins. */
export interface Stay {
  readonly fromMs: number;
  /** In the order they were written: where two overlap, the later one counts. */
  readonly readings: readonly Reading[];
  /** What such a place is usually like, where nothing was measured. */
  readonly guess: { readonly minC: number; readonly maxC: number };
}

/** Standard error of an hour's temperature by how it is known, °C. Rule of thumb, no source. */
const ERROR_C = { read: 0.5, pattern: 1.2, guess: 2.5 } as const;

/** Hour (UTC of the place's meridian) at which a room is warmest; its swing is a sine around it. */
const WARMEST_HOUR = 16;

/** An hour's temperature and the development it brings, as assumed and with its error either way. */
interface HourOfWarmth {
  readonly celsius: number;
  readonly days: number;
  readonly daysIfWarmer: number;
  readonly daysIfCooler: number;
}

const overlaps = (reading: Reading, ms: number): boolean => reading.fromMs <= ms && ms < reading.toMs;

/** The place's own pattern: the mean of its readings nearest in time. */
function pattern(stay: Stay, ms: number): { minC: number; maxC: number } | null {
  if (stay.readings.length === 0) return null;
  const distance = (reading: Reading): number => Math.max(reading.fromMs - ms, ms - reading.toMs, 0);
  const nearest = [...stay.readings].sort((a, b) => distance(a) - distance(b)).slice(0, 5);
  const mean = (pick: (reading: Reading) => number): number => nearest.reduce((sum, reading) => sum + pick(reading), 0) / nearest.length;
  return { minC: mean((reading) => reading.minC), maxC: mean((reading) => reading.maxC) };
}

function hourOfWarmth(response: BetaResponse, stay: Stay, ms: number, utcOffsetHours: number): HourOfWarmth {
  const read = stay.readings.findLast((reading) => overlaps(reading, ms));
  const filled = read ?? pattern(stay, ms);
  const { minC, maxC } = filled ?? stay.guess;
  const localHour = ms / HOUR_MS + utcOffsetHours;
  const phase = Math.cos(((localHour - WARMEST_HOUR) / DAY_HOURS) * 2 * Math.PI);
  const celsius = (minC + maxC) / 2 + ((maxC - minC) / 2) * phase;
  const errorC = read ? ERROR_C.read : filled ? ERROR_C.pattern : ERROR_C.guess;
  const days = (errorsC: number): number => rateAt(response, celsius + errorsC) / DAY_HOURS;
  return { celsius, days: days(0), daysIfWarmer: days(errorC), daysIfCooler: days(-errorC) };
}

/** Progress of a batch through its warmth, in days at the crop's optimum. */
export interface Progress {
  readonly startMs: number;
  readonly endMs: number;
  /** Days at the optimum done by a moment; 0 before the start, flat after the end. */
  at(ms: number): number;
  /** When a progress is first reached; null where it is not before the end. */
  when(progress: number): number | null;
  /** Temperature assumed for an hour, °C. */
  celsiusAt(ms: number): number;
  /** Sd of log progress by `ms` that comes from not knowing the temperature. */
  logSdAt(ms: number): number;
}

/**
 * Integrates the rate of development over a temperature record. Gaps are filled
 * from the place's own daily pattern, else from what such places are usually
 * like; either widens the uncertainty, taken as one shared error for all filled
 * hours, which is the cautious way.
 *
 * @param stays ordered by time; the first must begin at or before `startMs`
 * @param startMs when the seed was wetted
 * @param endMs how far ahead to compute; the last stay's pattern goes on
 * @param utcOffsetHours of the household, for the daily swing
 * @throws RangeError where there is no stay or the end is not after the start
 */
export function integrateProgress(
  response: BetaResponse,
  stays: readonly Stay[],
  startMs: number,
  endMs: number,
  utcOffsetHours = 0,
): Progress {
  if (stays.length === 0) throw new RangeError('stays: a batch must stand somewhere');
  if (!(endMs > startMs)) throw new RangeError('endMs must lie after startMs');
  const hours = Math.ceil((endMs - startMs) / HOUR_MS);
  const done = new Float64Array(hours + 1);
  const warmer = new Float64Array(hours + 1);
  const cooler = new Float64Array(hours + 1);
  const celsius = new Float64Array(hours);
  // Beyond the last reading every day repeats the last pattern, so 24 hours serve for all.
  const lastKnownMs = Math.max(...stays.map((stay) => Math.max(stay.fromMs, ...stay.readings.map((r) => r.toMs))));
  let stayIndex = 0;
  const beyond: HourOfWarmth[] = [];
  for (let hour = 0; hour < hours; hour++) {
    const ms = startMs + (hour + 0.5) * HOUR_MS;
    while (stayIndex + 1 < stays.length && (stays[stayIndex + 1]?.fromMs ?? Infinity) <= ms) stayIndex++;
    const stay = stays[stayIndex] as Stay;
    const warmth =
      ms > lastKnownMs
        ? (beyond[hour % DAY_HOURS] ??= hourOfWarmth(response, stay, ms, utcOffsetHours))
        : hourOfWarmth(response, stay, ms, utcOffsetHours);
    celsius[hour] = warmth.celsius;
    done[hour + 1] = (done[hour] as number) + warmth.days;
    warmer[hour + 1] = (warmer[hour] as number) + warmth.daysIfWarmer;
    cooler[hour + 1] = (cooler[hour] as number) + warmth.daysIfCooler;
  }
  const read = (table: Float64Array, ms: number): number => {
    const position = Math.min(Math.max((ms - startMs) / HOUR_MS, 0), hours);
    const below = Math.min(Math.floor(position), hours - 1);
    const low = table[below] as number;
    return low + ((table[below + 1] as number) - low) * (position - below);
  };
  return {
    startMs,
    endMs,
    at: (ms) => read(done, ms),
    when(progress) {
      if (progress <= 0) return startMs;
      if (progress > (done[hours] as number)) return null;
      let low = 0;
      let high = hours;
      while (high - low > 1) {
        const middle = (low + high) >> 1;
        if ((done[middle] as number) < progress) low = middle;
        else high = middle;
      }
      const from = done[low] as number;
      const to = done[high] as number;
      return startMs + (low + (to > from ? (progress - from) / (to - from) : 1)) * HOUR_MS;
    },
    celsiusAt: (ms) => celsius[Math.min(Math.max(Math.floor((ms - startMs) / HOUR_MS), 0), hours - 1)] as number,
    logSdAt(ms) {
      const high = read(warmer, ms);
      const low = read(cooler, ms);
      const middle = read(done, ms);
      if (middle <= 0) return 0;
      // Above the optimum warmer is slower; the spread counts either way. Capped: a base within the error would make it endless.
      return Math.min(Math.abs(Math.log(Math.max(high, middle * 0.2) / Math.max(low, middle * 0.2))) / 2, 0.8);
    },
  };
}
