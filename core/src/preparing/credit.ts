import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';
import type { Crop } from '../crops/index.js';
import { integrateProgress, type Progress, type Rate, type Stay } from '../warmth/index.js';

/** Cold that counts in full reaches this far beyond a crop's range, and fades to nothing so many degrees further on. Guess, after the 0 to 10 °C within which handbooks find chilling to act. */
const FULL_C = 1;
const FADES_C = 3;
/** At and below this nothing happens: it is frozen. */
const FROZEN_C = -1;
/** Damp warmth that must go before the cold, °C. Common practice: a warm room. */
const WARM_C = { from: 15, to: 28 } as const;

/** What a day at a temperature earns of a crop's chill: 1 within its range, nothing where it is warm or frozen. */
export const coldRate =
  ({ chill: { fromC, toC } }: Pick<Crop, 'chill'>): Rate =>
  (celsius) => {
    const [low, high] = [fromC - FULL_C, toC + FULL_C];
    if (celsius <= FROZEN_C) return 0;
    if (celsius > high) return Math.max(1 - (celsius - high) / FADES_C, 0);
    return celsius >= low ? 1 : Math.min((celsius - FROZEN_C) / Math.max(low - FROZEN_C, 0.1), 1);
  };
const warmRate: Rate = (celsius) => (celsius >= WARM_C.from && celsius <= WARM_C.to ? 1 : 0);

/** Chill that seed has earned, days of full cold. */
export interface Credit {
  /** Earned by a moment, what it brought included. */
  at(ms: number): number;
  /** When so much is earned after a warm stretch of so many days; null where it is not within the record. @param warmDays 0 for most kinds */
  when(days: number, warmDays?: number): number | null;
}

/**
 * What the cold of its places earns a batch, hour by hour as their records say: a warm
 * spell earns none, and takes none away.
 *
 * @param stays where it truly lay and is to lie, the first from the start
 * @param broughtDays chill that it was given before it was begun
 * @throws RangeError where there is no stay
 */
export function creditOf(
  crop: Pick<Crop, 'chill'>,
  stays: readonly Stay[],
  startMs: number,
  endMs: number,
  utcOffsetHours: number,
  broughtDays = 0,
): Credit {
  const over = (rate: Rate): Progress => integrateProgress(rate, stays, startMs, endMs, utcOffsetHours);
  const cold = over(coldRate(crop));
  let warm: Progress | null = null;
  return {
    at: (ms) => broughtDays + cold.at(ms),
    when(days, warmDays = 0) {
      // Chill that was given before had its warm weeks before it.
      if (warmDays <= 0 || broughtDays > 0) return cold.when(days - broughtDays);
      warm ??= over(warmRate);
      const warmed = warm.when(warmDays);
      return warmed === null ? null : cold.when(cold.at(warmed) + days);
    },
  };
}

/** Chill is prescribed long enough for nearly all of a lot: the median seed needs this share of it. Guess; the spread between seeds is the sd of the log. */
const MEDIAN_OF_PRESCRIBED = 0.65;
const NEED_LOG_SD = 0.3;
/** Parts, as large as each other, that the seed which earns its chill is laid out in. */
const PARTS = 5;
/** A gardener's own chill, where nobody said what share comes without. Guess. */
const NONE_SAID = 0.3;

/** Days of cold, and of warmth before it, that a part of a lot needs. */
export interface Need {
  readonly coldDays: number;
  readonly warmDays: number;
  /** Share of the living. */
  readonly weight: number;
}

/**
 * How much chill the seeds of a crop need: some none, the rest each its own. Those that have
 * earned theirs by the end are laid out evenly, so that their share is true to the day; the
 * others are one part, which sleeps on.
 *
 * @param credit that is earned by the end, ms
 */
export function needsOf({ chill: { weeks, warmWeeks, needNone } }: Pick<Crop, 'chill'>, credit: Credit, endMs: number): Need[] {
  if (weeks <= 0 && warmWeeks <= 0) return [{ coldDays: 0, warmDays: 0, weight: 1 }];
  const none = needNone < 1 ? needNone : NONE_SAID;
  const need = (times: number, weight: number): Need => ({ coldDays: weeks * 7 * times, warmDays: warmWeeks * 7 * times, weight });
  const at = (quantile: number): number => MEDIAN_OF_PRESCRIBED * Math.exp(NEED_LOG_SD * normalQuantile(quantile, 0, 1));
  // The warmth before the cold is earned or not as a whole.
  const times = credit.at(endMs) / Math.max(weeks * 7, 1e-6);
  const wakes = times <= 0 ? 0 : normalCdf(Math.log(times / MEDIAN_OF_PRESCRIBED) / NEED_LOG_SD, 0, 1);
  const parts =
    wakes < LEAST_PART ? [] : Array.from({ length: PARTS }, (_, k) => need(at((wakes * (k + 0.5)) / PARTS), ((1 - none) * wakes) / PARTS));
  const asleep = (1 - none) * (1 - (parts.length > 0 ? wakes : 0));
  return [...(none > 0 ? [{ coldDays: 0, warmDays: 0, weight: none }] : []), ...parts, ...(asleep > 0 ? [need(Infinity, asleep)] : [])];
}
/** A part smaller than this is no figure to reckon with. */
const LEAST_PART = 0.003;
