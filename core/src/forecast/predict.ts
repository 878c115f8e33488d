import { countingOf } from './counting.js';
import { seenShare, thinned, type Harm, type QuietGroup } from './evidence.js';
import { AT_START, mixed, released, type Origin } from './origins.js';
import { meanCurve, placesOf, sharesAt } from './places.js';
import type { Column, Posterior } from './column.js';
import { tippedShare } from './tip-law.js';

/** Progress that something takes after the tip, spread, with weights summing to 1. */
export interface Lead {
  readonly progress: number;
  readonly weight: number;
}

const AT_ONCE: readonly Lead[] = [{ progress: 0, weight: 1 }];

/** Share of a column's living that has tipped by a progress. */
const columnShare = ({ law, logMedian, shape }: Column, origins: readonly Origin[], progress: number): number =>
  mixed(origins, progress, (logProgress) => tippedShare(law, shape, logProgress - logMedian));

/** What the posterior says of seeds last seen quiet at one progress. */
export interface Outlook {
  /** Distribution of how many have shown a tip by a progress; chances of 0 … quiet. */
  furtherTips(byProgress: number): Float64Array;
  /**
   * Chance that at least one tipped early enough to be `leads` further by a
   * progress, nobody having looked in between. Roots differ in speed, so the
   * lead is itself spread.
   */
  chanceAny(byProgress: number, leads?: readonly Lead[]): number;
  /** Mean share that has tipped by a progress. */
  meanTipped(byProgress: number): number;
  /**
   * Chance that one of them is alive.
   *
   * @param atTheirWarmth share of the living that come at the temperatures they had; the rest are kept quiet by them
   */
  chanceAlive(atTheirWarmth: number): number;
  /** What is known of the quiet seeds by the lot's living share. */
  byShare(): readonly ByShare[];
}

/** A living share of the lot with its weight. */
export interface ByShare {
  readonly share: number;
  readonly weight: number;
  /** Chance that a quiet seed still comes, and how much that itself scatters: as a beta's, 1 / (its weight + 1). */
  readonly further: number;
  readonly flatness: number;
}

const sharesOf = ({ columns, shares, concentration }: Posterior, before: Float64Array, whole: (column: number) => number): ByShare[] =>
  Array.from(shares, (share, i) => {
    let weight = 0;
    let further = 0;
    let flat = 0;
    columns.forEach((column, index) => {
      const own = column.weights[i] as number;
      const base = before[index] as number;
      weight += own;
      further += (own * share * (whole(index) - base)) / Math.max(1 - share * base, 1e-300);
      if (column.scattered) flat += (column.scattered[i] as number) / (concentration * Math.max(1 - share * base, 0) + 1);
    });
    return { share, weight, further: weight > 0 ? further / weight : 0, flatness: weight > 0 ? flat / weight : 0 };
  }).filter(({ weight }) => weight > 0);

/**
 * Prepares the answers about the seeds that were last seen quiet. A cell's chance
 * of a tip is v (F(t) - F(from)) / (1 - v F(from)): the factor before the bracket
 * does not depend on t and is worked out once. A lot that scatters about its law does so
 * beyond what was seen by what is left of it: such a chance is a beta's, of the lot's
 * concentration times (1 - v F(from)).
 *
 * @param group the seeds that may still come
 * @param harm heat that took some of what had not shown by then
 * @param holding what holds some of the seed back
 */
export function outlookFor(
  posterior: Posterior,
  group: QuietGroup,
  harm: Harm | null = null,
  holding: readonly Origin[] = AT_START,
): Outlook {
  const { count: quiet, progress: fromProgress } = group;
  const origins = released(holding);
  /** Share of the living that is not held back for good. */
  const coming = origins.reduce((sum, { weight }) => sum + weight, 0);
  const { columns, shares } = posterior;
  const places = placesOf(posterior);
  const survival = harm?.survival ?? 1;
  const struck = harm?.progress ?? Infinity;
  const atHarm = Float64Array.from(columns, (column) => (harm ? columnShare(column, origins, struck) : 1));
  /** A column's share by a progress, what heat took left out. */
  const left = (share: number, column: number, progress: number): number =>
    progress > struck ? thinned(share, atHarm[column] as number, survival) : share;
  /** Share of a column's living that comes in the end, and that is alive to come if what holds it is undone. */
  const whole = (column: number): number => left(coming, column, Infinity);
  const alive = (column: number): number => left(1, column, Infinity);
  const before = Float64Array.from(columns, (column, index) =>
    seenShare(group, (progress) => left(columnShare(column, origins, progress), index, progress)),
  );
  const factorOf = (share: number, column: number): number => share / Math.max(1 - share * (before[column] as number), 1e-300);
  const beyond = (share: number, column: number): number => Math.max(1 - share * (before[column] as number), 0);
  const counting = countingOf(posterior, { factor: factorOf, beyond }, quiet);
  const scales = Float64Array.from(columns, ({ weights }, column) =>
    weights.reduce((sum, weight, i) => sum + weight * factorOf(shares[i] as number, column), 0),
  );
  const by = new Float64Array(columns.length);
  const gains = new Float64Array(columns.length);

  /** Share of the living that tips between the last look and so many progresses less a lead, by column. */
  const gainsBy = (byProgress: number, leads: readonly Lead[]): Float64Array => {
    gains.fill(0);
    for (const { progress, weight } of leads) {
      if (byProgress - progress <= fromProgress) continue;
      sharesAt(places, origins, byProgress - progress, by);
      for (let index = 0; index < columns.length; index++) {
        const gain = left(by[index] as number, index, byProgress - progress) - (before[index] as number);
        if (gain > 0) gains[index] = (gains[index] as number) + weight * gain;
      }
    }
    return gains;
  };

  const meanAll = meanCurve(places, origins, scales);
  const meanAtHarm = harm ? meanAll(struck) : 0;
  const meanBy = (progress: number): number => (progress > struck ? thinned(meanAll(progress), meanAtHarm, survival) : meanAll(progress));
  const meanBefore = scales.reduce((sum, scale, index) => sum + scale * (before[index] as number), 0);
  const told = new Map<number, Float64Array>();
  let shared: readonly ByShare[] | null = null;
  return {
    furtherTips(byProgress) {
      const known = told.get(byProgress) ?? counting.counts(gainsBy(byProgress, AT_ONCE));
      told.set(byProgress, known);
      return known;
    },
    chanceAny: (byProgress, leads = AT_ONCE) => counting.any(gainsBy(byProgress, leads)),
    // A look through the bag has seen some that had not tipped when it was last opened: never less than nothing.
    meanTipped: (byProgress) => (byProgress <= fromProgress ? 0 : Math.max(meanBy(byProgress) - meanBefore, 0)),
    chanceAlive(atTheirWarmth) {
      let sum = 0;
      columns.forEach((column, index) => {
        const base = before[index] as number;
        column.weights.forEach((weight, i) => {
          const v = shares[i] as number;
          if (weight > 0) sum += (weight * (Math.min(v / atTheirWarmth, 1) * alive(index) - v * base)) / Math.max(1 - v * base, 1e-300);
        });
      });
      // Weights add up to one but for the last digits.
      return Math.min(Math.max(sum, 0), 1);
    },
    byShare: () => (shared ??= sharesOf(posterior, before, whole)),
  };
}
