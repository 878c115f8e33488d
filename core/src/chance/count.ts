import QuickLRU from 'quick-lru';
import { binomial } from './binomial.js';

/** Chances are mixed on a grid of square roots: fine where they are small, where it matters. */
const GRID = 96;
/** The last position below the grid's end. */
const LAST = GRID - 1e-9;
/** One over the gap between neighbouring chances of the grid: a forecast asks hundreds of thousands of times. */
const GAP = Float64Array.from({ length: GRID }, (_, below) => 1 / (2 * below + 1));

const binomials = new QuickLRU<number, Float64Array[]>({ maxSize: 64 });

/** Binomial distributions of `count` trials for each chance of the grid; kept, as every tap asks for the same few. */
function binomialTable(count: number): Float64Array[] {
  const kept = binomials.get(count);
  if (kept) return kept;
  const table = Array.from({ length: GRID + 1 }, (_, g) => binomial(count, (g / GRID) ** 2));
  binomials.set(count, table);
  return table;
}

/** Collects chances with their weights and turns them into the distribution of a count. */
export class ChanceMixture {
  private readonly weights = new Float64Array(GRID + 1);

  /**
   * Adds the cells `from` to `to` (exclusive), whose chances are the squares of their
   * roots times `factor`. A weight is shared between the two grid chances around its
   * own so that the mean chance holds.
   *
   * @param roots square roots, which times `factor` lie in [0, 1]
   */
  add(roots: Float64Array, weights: Float64Array, from: number, to: number, factor: number): void {
    const scale = factor * GRID;
    const into = this.weights;
    for (let cell = from; cell < to; cell++) {
      let position = (roots[cell] as number) * scale;
      if (position > LAST) position = LAST;
      const below = position | 0;
      const part = (position * position - below * below) * (GAP[below] as number);
      const weight = weights[cell] as number;
      into[below] = (into[below] as number) + weight * (1 - part);
      into[below + 1] = (into[below + 1] as number) + weight * part;
    }
  }

  /** Distribution of how many of `count` seeds the mixed chance picks; index is the number. */
  distribution(count: number): Float64Array {
    const result = new Float64Array(count + 1);
    const table = binomialTable(count);
    for (let g = 0; g <= GRID; g++) {
      const weight = this.weights[g] as number;
      if (weight === 0) continue;
      const chances = table[g] as Float64Array;
      for (let k = 0; k <= count; k++) result[k] = (result[k] as number) + weight * (chances[k] as number);
    }
    return result;
  }

  /** Chance that none of `count` is picked. */
  none(count: number): number {
    const table = binomialTable(count);
    return this.weights.reduce((sum, weight, g) => sum + weight * (table[g]?.[0] ?? 0), 0);
  }
}

/** Most trials whose count is worked out from powers: with more their alternating sum loses digits (some 1e-9 at 16). */
export const MOST_BY_POWERS = 16;

/**
 * Distribution of how many of n trials succeed whose common chance is itself
 * uncertain, from the means of that chance's powers: of C(n, j) pʲ (1 - p)ⁿ⁻ʲ
 * multiplied out.
 *
 * @param powers means of p⁰ (which is 1), p¹ … pⁿ, with n up to `MOST_BY_POWERS`
 * @returns chances of 0 … n
 */
export function countByPowers(powers: Float64Array): Float64Array {
  const n = powers.length - 1;
  const result = new Float64Array(n + 1);
  let choose = 1;
  for (let j = 0; j <= n; j++) {
    let sum = 0;
    let term = choose;
    for (let m = j; m <= n; m++) {
      sum += term * (powers[m] as number);
      term *= -(n - m) / (m - j + 1);
    }
    result[j] = Math.max(sum, 0);
    choose *= (n - j) / (j + 1);
  }
  return result;
}

/** A count with the shortest stretch that holds at least the asked share. */
export interface CountForecast {
  readonly low: number;
  readonly high: number;
  readonly mostLikely: number;
  readonly mean: number;
  /** Chance that it is at least one. */
  readonly anyChance: number;
}

/**
 * Shortest run of counts that holds at least `share` of a distribution; of
 * equally short ones the likeliest.
 *
 * @param distribution chances of 0, 1, 2 …, summing to 1
 * @param share 0 to 1, by default 0.8
 */
export function countForecast(distribution: Float64Array, share = 0.8): CountForecast {
  let mean = 0;
  let any = 0;
  let mostLikely = 0;
  distribution.forEach((chance, count) => {
    mean += count * chance;
    // Added up, not taken from 1: a chance near nothing keeps its digits and never falls below it.
    if (count > 0) any += chance;
    // A hair's breadth is no preference: the smaller count wins a tie.
    if (chance > (distribution[mostLikely] as number) + 1e-12) mostLikely = count;
  });
  let best = { low: 0, high: distribution.length - 1, mass: 1 };
  let low = 0;
  let mass = 0;
  for (let high = 0; high < distribution.length; high++) {
    mass += distribution[high] as number;
    while (mass - (distribution[low] as number) >= share - 1e-12) mass -= distribution[low++] as number;
    const length = high - low;
    const shorter = length < best.high - best.low || (length === best.high - best.low && mass > best.mass);
    if (mass >= share - 1e-12 && shorter) best = { low, high, mass };
  }
  return { low: best.low, high: best.high, mostLikely, mean, anyChance: Math.min(any, 1) };
}
