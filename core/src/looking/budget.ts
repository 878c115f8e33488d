import type { Workings } from '../parcel/index.js';

/** The flush of a lot ends with all but its last twentieth. */
const FLUSH = 0.95;

/** Looks that a flush may ask for before each of them gets less than the household's risk. */
const FEW_LOOKS = 3;

/** Below this chance of any tip none is credible yet. */
const CREDIBLE = 0.05;

/**
 * Most a seed may be let past "late" unseen by waiting from a moment for the look after:
 * the household's risk where a flush is over within a few looks, and less where it takes
 * many, as the risks of all add up. By the square root of their number: one risk for every
 * look lets slow seed with quick roots slip, one risk shared by all of them opens half as
 * often again (`docs/plan.md` has what each costs). Until a tip is credible it is the whole
 * risk: nobody opens ten times for what cannot be there yet.
 *
 * @param risk accepted at a look, for any seed of the batch: chance
 * @returns the tolerance by moment, ms; never rises
 */
export function toleranceOf(
  { lot, growth, state, outlook, progress }: Pick<Workings, 'lot' | 'growth' | 'state' | 'outlook' | 'progress'>,
  risk: number,
): (ms: number) => number {
  const untilLate = growth.lateMm / growth.mmPerDayAtOptimum;
  const looks = lot.progressOf(FLUSH) / untilLate;
  const least = risk * Math.min(Math.sqrt(FEW_LOOKS / looks), 1);
  if (state.tipped > 0 || least === risk) return () => least;
  return (ms) => (outlook.chanceAny(progress.at(ms)) < CREDIBLE ? risk : least);
}
