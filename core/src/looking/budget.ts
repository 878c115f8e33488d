import type { Workings } from '../parcel/index.js';

/** The flush of a lot ends with all but its last twentieth. */
const FLUSH = 0.95;

/** Looks that a flush may ask for before each of them gets less than the household's risk. */
const FEW_LOOKS = 3;

/**
 * Most a seed may be let past "late" unseen by waiting for the look after: the household's
 * risk where a flush is over within a few looks, and less where it takes many, as the risks of
 * all add up. By the square root of their number: one risk for every look lets slow seed with
 * quick roots slip, one risk shared by all of them opens half as often again (`docs/plan.md`
 * has what each costs).
 *
 * @param risk accepted at a look, for any seed of the batch: chance
 */
export function toleranceOf({ lot, growth }: Pick<Workings, 'lot' | 'growth'>, risk: number): number {
  const untilLate = growth.lateMm / growth.mmPerDayAtOptimum;
  const looks = lot.progressOf(FLUSH) / untilLate;
  return risk * Math.min(Math.sqrt(FEW_LOOKS / looks), 1);
}
