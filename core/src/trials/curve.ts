import { wilsonInterval } from '../chance/index.js';
import type { CensoredStretch } from '../forecast/index.js';

/** How many of a side had come by a moment. */
export interface CameBy {
  readonly day: number;
  readonly came: number;
  readonly low: number;
  readonly high: number;
}

/**
 * How many of a side's seeds had come by each day, with the score interval of that
 * share. Inside the stretch between two looks a seed is as likely to have come at any
 * moment as at any other: nobody knows more.
 *
 * @param stretches of a side, in days; @param lastDay of the curve, above 0
 * @param steps of the curve, 1 or more; @param confidence inside (0, 1)
 */
export function cameByDay(stretches: readonly CensoredStretch[], lastDay: number, steps = 60, confidence = 0.8): CameBy[] {
  const seeds = stretches.reduce((sum, { count }) => sum + count, 0);
  return Array.from({ length: steps + 1 }, (_, step) => {
    const day = (lastDay * step) / steps;
    const came = stretches.reduce((sum, { left, right, count }) => {
      if (day >= right) return sum + count;
      return right < Infinity && day > left ? sum + (count * (day - left)) / (right - left) : sum;
    }, 0);
    if (came === 0 || seeds === 0) return { day, came, low: 0, high: 0 };
    const { low, high } = wilsonInterval(came, seeds, confidence);
    return { day, came, low: low * seeds, high: high * seeds };
  });
}

/** The day on which each seed that came was found, rising; one that is not there never came. */
export const foundOn = (stretches: readonly CensoredStretch[]): number[] =>
  stretches
    .filter(({ right }) => right < Infinity)
    .flatMap(({ right, count }) => new Array<number>(count).fill(right))
    .sort((a, b) => a - b);
