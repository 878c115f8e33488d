import type { Workings } from '../parcel/index.js';

/** The flush of a lot ends with all but its last twentieth. */
const FLUSH = 0.95;

/**
 * Most a seed may be let past "late" unseen by one look: the batch's risk shared over the
 * openings that its flush still asks for, as the risks of all looks add up. Slow seed with
 * quick roots asks for many, each with a small share; what comes at once for few. What
 * straggles after the flush comes singly, and each look has the whole of it.
 *
 * @param risk accepted for the whole batch: chance that any root is missed
 * @param nowProgress days at the optimum so far
 */
export function toleranceOf({ lot, growth }: Pick<Workings, 'lot' | 'growth'>, risk: number, nowProgress: number): number {
  const untilLate = growth.lateMm / growth.mmPerDayAtOptimum;
  return risk / Math.max((lot.progressOf(FLUSH) - nowProgress) / untilLate, 1);
}
