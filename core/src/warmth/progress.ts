import { HOUR_MS } from '../units/index.js';
import { rateAt, type BetaResponse, type Rate } from './response.js';
import { ageAt, assumedOf, daysOf, ERROR_C, fadeStep, patternAt, type DayRange, type Reading } from './spoken.js';

const DAY_HOURS = 24;
/** How far a record is worked out beyond what is asked for: mostly the next question lies there. */
const STRETCH_HOURS = 10 * DAY_HOURS;

/** A stretch that a parcel spends in one place; it lasts until the next stay begins. */
export interface Stay {
  readonly fromMs: number;
  /** In the order they were written: where two overlap, the later one counts. */
  readonly readings: readonly Reading[];
  /** What such a place is usually like, where nothing was measured. */
  readonly guess: DayRange;
}

/** Hour (UTC of the place's meridian) at which a room is warmest; its swing is a sine around it. */
const WARMEST_HOUR = 16;

/** An hour's temperature and the development it brings, as assumed and with its error either way. */
interface HourOfWarmth {
  readonly celsius: number;
  readonly errorC: number;
  readonly days: number;
  readonly daysIfWarmer: number;
  readonly daysIfCooler: number;
}

/** Which reading speaks for each hour of a stretch, -1 where none does: painted in the order they were written. */
function spoken(readings: readonly Reading[], startMs: number, hours: number): Int32Array {
  const by = new Int32Array(hours).fill(-1);
  // An hour is spoken for by what covers its middle.
  const hourFrom = (ms: number): number => Math.ceil((ms - startMs) / HOUR_MS - 0.5);
  readings.forEach(({ fromMs, toMs }, index) => {
    const from = Math.max(hourFrom(fromMs), 0);
    const to = Math.min(hourFrom(toMs), hours);
    if (from < to) by.fill(index, from, to);
  });
  return by;
}

/** The hours of one stay. */
interface Hours {
  /** An hour by its number from the start. */
  at(hour: number): HourOfWarmth;
  /** How far the stay's own record has faded by an hour; hours of a day repeat while it stays the same. */
  stepAt(hour: number): number;
}

/** The hours of one stay: what was read, else what is assumed of the place that day. */
function hoursOf(rateOf: Rate, stay: Stay, startMs: number, hours: number, utcOffsetHours: number): Hours {
  const by = spoken(stay.readings, startMs, hours);
  const days = daysOf(stay.readings, utcOffsetHours);
  const middleOf = (hour: number): number => startMs + (hour + 0.5) * HOUR_MS;
  const localHour = (hour: number): number => middleOf(hour) / HOUR_MS + utcOffsetHours;
  const patterns = new Map<number, ReturnType<typeof patternAt>>();
  const patternOf = (day: number): ReturnType<typeof patternAt> => {
    const known = patterns.get(day);
    if (known !== undefined) return known;
    const found = patternAt(days, (day * DAY_HOURS + DAY_HOURS / 2 - utcOffsetHours) * HOUR_MS);
    patterns.set(day, found);
    return found;
  };
  const lastMs = days.at(-1)?.toMs ?? -Infinity;
  // Beyond the record its age is a subtraction: most hours of a forecast lie there.
  const stepAt = (hour: number): number => {
    const ms = middleOf(hour);
    return fadeStep(ms >= lastMs ? ms - lastMs : ageAt(days, ms));
  };
  // A reading over several days says the same of the same hour of each.
  const said: HourOfWarmth[] = [];
  return {
    stepAt,
    at(hour) {
      const read = stay.readings[by[hour] as number];
      return read ? (said[(by[hour] as number) * DAY_HOURS + (hour % DAY_HOURS)] ??= work(hour, read)) : work(hour, null);
    },
  };

  function work(hour: number, read: Reading | null): HourOfWarmth {
    const local = localHour(hour);
    const { minC, maxC, errorC } = read
      ? { ...read, errorC: read.errorC ?? ERROR_C.read }
      : assumedOf(patternOf(Math.floor(local / DAY_HOURS)), stay.guess, stepAt(hour));
    const phase = Math.cos(((local - WARMEST_HOUR) / DAY_HOURS) * 2 * Math.PI);
    const celsius = (minC + maxC) / 2 + ((maxC - minC) / 2) * phase;
    const rate = (errorsC: number): number => rateOf(celsius + errorsC) / DAY_HOURS;
    return { celsius, errorC, days: rate(0), daysIfWarmer: rate(errorC), daysIfCooler: rate(-errorC) };
  }
}

/**
 * The hours of a place as they are assumed: read, remembered or guessed.
 *
 * @param hours how many from `startMs` on, whole, 0 or more
 */
export function assumedHours(
  stay: Stay,
  startMs: number,
  hours: number,
  utcOffsetHours: number,
): { readonly celsius: number; readonly errorC: number }[] {
  const own = hoursOf(() => 0, stay, startMs, hours, utcOffsetHours);
  return Array.from({ length: hours }, (_, hour) => own.at(hour));
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
 * from what is assumed of the place (its own days, fading into what such places are
 * usually like); that widens the uncertainty, taken as one shared error for all filled
 * hours, which is the cautious way.
 *
 * @param response a crop's, or what else a temperature earns in a day: the credit of a chill
 * @param stays ordered by time; the first must begin at or before `startMs`
 * @param startMs when the seed was wetted
 * @param endMs how far ahead to compute; the last stay's pattern goes on
 * @param utcOffsetHours of the household, for the daily swing
 * @throws RangeError where there is no stay or the end is not after the start
 */
export function integrateProgress(
  response: BetaResponse | Rate,
  stays: readonly Stay[],
  startMs: number,
  endMs: number,
  utcOffsetHours = 0,
): Progress {
  if (stays.length === 0) throw new RangeError('stays: a batch must stand somewhere');
  if (!(endMs > startMs)) throw new RangeError('endMs must lie after startMs');
  const rateOf: Rate = typeof response === 'function' ? response : (celsius) => rateAt(response, celsius);
  const hours = Math.ceil((endMs - startMs) / HOUR_MS);
  const done = new Float64Array(hours + 1);
  const warmer = new Float64Array(hours + 1);
  const cooler = new Float64Array(hours + 1);
  const celsius = new Float64Array(hours);
  const lastKnownMs = stays.reduce(
    (last, stay) => stay.readings.reduce((latest, { toMs }) => Math.max(latest, toMs), Math.max(last, stay.fromMs)),
    -Infinity,
  );
  let stayIndex = -1;
  let own: Hours | null = null;
  let hour = 0;
  const days: HourOfWarmth[] = [];
  const put = ({ celsius: warmth, days, daysIfWarmer, daysIfCooler }: HourOfWarmth): void => {
    celsius[hour] = warmth;
    done[hour + 1] = (done[hour] as number) + days;
    warmer[hour + 1] = (warmer[hour] as number) + daysIfWarmer;
    cooler[hour + 1] = (cooler[hour] as number) + daysIfCooler;
  };
  /** Works on up to an hour, and a stretch beyond: what nobody asks for is not worked out. */
  const reach = (asked: number): void => {
    if (asked <= hour) return;
    const to = Math.min(asked + STRETCH_HOURS, hours);
    for (; hour < to; hour++) {
      const ms = startMs + (hour + 0.5) * HOUR_MS;
      const before = stayIndex;
      while (stayIndex < 0 || (stayIndex + 1 < stays.length && (stays[stayIndex + 1]?.fromMs ?? Infinity) <= ms)) stayIndex++;
      if (!own || stayIndex !== before) own = hoursOf(rateOf, stays[stayIndex] as Stay, startMs, hours, utcOffsetHours);
      if (ms > lastKnownMs) break;
      put(own.at(hour));
    }
    // Beyond the last reading a day repeats the one before until the record has faded a step, so 24 hours serve
    // for each; hours come one after another, so that it is the same whoever asks first for what.
    for (; hour < to; hour++) {
      const step = (own as Hours).stepAt(hour);
      put((days[step * DAY_HOURS + (hour % DAY_HOURS)] ??= (own as Hours).at(hour)));
    }
  };
  const read = (table: Float64Array, ms: number): number => {
    const position = Math.min(Math.max((ms - startMs) / HOUR_MS, 0), hours);
    const below = Math.min(Math.floor(position), hours - 1);
    reach(below + 1);
    const low = table[below] as number;
    return low + ((table[below + 1] as number) - low) * (position - below);
  };
  return {
    startMs,
    endMs,
    at: (ms) => read(done, ms),
    when(progress) {
      if (progress <= 0) return startMs;
      while (hour < hours && (done[hour] as number) < progress) reach(hour + 1);
      if (progress > (done[hour] as number)) return null;
      let low = 0;
      let high = hour;
      while (high - low > 1) {
        const middle = (low + high) >> 1;
        if ((done[middle] as number) < progress) low = middle;
        else high = middle;
      }
      const from = done[low] as number;
      const to = done[high] as number;
      return startMs + (low + (to > from ? (progress - from) / (to - from) : 1)) * HOUR_MS;
    },
    celsiusAt(ms) {
      const at = Math.min(Math.max(Math.floor((ms - startMs) / HOUR_MS), 0), hours - 1);
      reach(at + 1);
      return celsius[at] as number;
    },
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
