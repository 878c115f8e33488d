import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';
import { binomial } from '../chance/index.js';
import { ALIKE, tablesOf } from './fisher.js';

/** Below this chance of so uneven sides by chance alone they are called different. */
export const USUAL_LEVEL = 0.05;
/** As often as this a trial should show a difference that is there. */
export const USUAL_POWER = 0.8;

/**
 * Chance that a trial of so many seeds a side is called different by Fisher's exact
 * test, where the true shares are these: every outcome by its binomial chance.
 *
 * @param seeds a side, 1 or more
 * @param shares that truly come, each 0 to 1
 * @param level below which a difference is called one
 */
export function chanceToSeeShares(seeds: number, shares: readonly [number, number], level = USUAL_LEVEL): number {
  const [first, second] = [binomial(seeds, shares[0]), binomial(seeds, shares[1])];
  let total = 0;
  for (let came = 0; came <= 2 * seeds; came++) {
    const least = Math.max(0, came - seeds);
    const ways = tablesOf(seeds, seeds, came);
    // The likelier tables, from the least likely on, until together they are beyond the level.
    const rising = [...ways.keys()].sort((a, b) => (ways[a] as number) - (ways[b] as number));
    let below = 0;
    for (let at = 0; at < rising.length;) {
      const own = ways[rising[at] as number] as number;
      let end = at;
      let alike = 0;
      while (end < rising.length && (ways[rising[end] as number] as number) <= own * ALIKE)
        alike += ways[rising[end++] as number] as number;
      below += alike;
      if (below > level) break;
      for (; at < end; at++) {
        const k = least + (rising[at] as number);
        total += (first[k] as number) * (second[came - k] as number);
      }
    }
  }
  return total;
}

/** What is known of seed that is to be tried. */
export interface SeedToTry {
  /** Days to the middle tip. */
  readonly medianDays: number;
  /** Sd of log days between seeds. */
  readonly spread: number;
  /** Share that comes. */
  readonly rate: number;
  /** Days from one look to the next. */
  readonly lookEveryDays: number;
}

/** Of the information in lognormal times a log-rank test uses this share (as long as few are censored). */
const LOG_RANK_USES = 0.82;

/**
 * Chance that a trial is called different in speed where one side truly comes so many
 * days sooner: the normal approximation to a test of log times among the seeds that
 * come, with what looks so far apart blur.
 *
 * @param seeds a side, 1 or more; @param days between the middle seeds, above 0 and less than the median
 */
export function chanceToSeeDays(seeds: number, days: number, seed: SeedToTry, level = USUAL_LEVEL): number {
  const shift = -Math.log1p(-Math.min(days / seed.medianDays, 0.99));
  // A time known to within an interval is off by its length over the root of twelve.
  const blur = seed.lookEveryDays / seed.medianDays / Math.sqrt(12);
  const come = Math.max(seeds * seed.rate, 1e-9);
  const apart = (shift * Math.sqrt((come * LOG_RANK_USES) / 2)) / Math.hypot(seed.spread, blur);
  const bound = normalQuantile(1 - level / 2, 0, 1);
  return normalCdf(apart - bound, 0, 1) + normalCdf(-apart - bound, 0, 1);
}

/** A trial of more seeds a side is not asked of a household. */
export const MOST_TRIED = 400;

/**
 * Fewest seeds a side that show a difference as often as is wanted.
 *
 * @param chanceAt chance to see it with so many seeds a side, rising with them but for small steps
 * @returns null where {@link MOST_TRIED} are not enough
 */
export function seedsToSee(chanceAt: (seeds: number) => number, power = USUAL_POWER): number | null {
  if (chanceAt(MOST_TRIED) < power) return null;
  let [low, high] = [1, MOST_TRIED];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (chanceAt(middle) >= power) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** A difference that one would care about: so many days sooner, or so large a share of the seeds more. */
export type CareFor = { readonly of: 'days'; readonly days: number } | { readonly of: 'share'; readonly share: number };

/**
 * Chance to see between two of a trial's sides what one would care about, and how many
 * seeds a side show it 8 times in 10. Every pair is asked twice, how many and how
 * soon, each at a part of the level (Bonferroni, the first step of Holm's way).
 *
 * @param seeds a side, 1 or more; @param sides 2 or more
 */
export function trialSize(
  seeds: number,
  care: CareFor,
  seed: SeedToTry,
  sides = 2,
): { readonly chance: number; readonly needed: number | null } {
  const level = USUAL_LEVEL / (sides * (sides - 1));
  const chanceAt = (count: number): number =>
    care.of === 'days'
      ? chanceToSeeDays(count, Math.min(care.days, 0.95 * seed.medianDays), seed, level)
      : chanceToSeeShares(count, [seed.rate, seed.rate > care.share ? seed.rate - care.share : Math.min(seed.rate + care.share, 1)], level);
  return { chance: chanceAt(seeds), needed: seedsToSee(chanceAt) };
}
