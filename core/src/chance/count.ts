import QuickLRU from 'quick-lru';
import { betaBinomialAt } from './beta-binomial.js';
import { binomial } from './binomial.js';

/** Chances are mixed on a grid of square roots: fine where they are small, where it matters. */
const GRID = 96;
const ROWS = GRID + 1;
/** The last position below the grid's end. */
const LAST = GRID - 1e-9;
/** One over the gap between neighbouring chances of the grid: a forecast asks hundreds of thousands of times. */
const GAP = Float64Array.from({ length: GRID }, (_, below) => 1 / (2 * below + 1));

/** Weights of a beta that are tabulated, rising; between two of them the variance is shared out. */
const WEIGHTS = [0.3, 0.8, 1.6, 2.8, 4.5, 7, 11, 17, 27, 45, 80];
const FLATNESS = WEIGHTS.map((weight) => 1 / (weight + 1));

/** Distributions for every chance of the grid, one after another: of each, chances of 0 … trials. */
type Table = Float64Array;
const tables = new QuickLRU<string, Table>({ maxSize: 96 });

/** Kept, as every tap asks for the same few. @param weight of the beta that each chance is; Infinity where it is what it is */
function tableOf(count: number, weight: number): Table {
  const key = `${count} ${weight}`;
  const kept = tables.get(key);
  if (kept) return kept;
  const table = new Float64Array(ROWS * (count + 1));
  for (let row = 0; row < ROWS; row++) {
    const chance = (row / GRID) ** 2;
    table.set(weight === Infinity ? binomial(count, chance) : betaBinomialAt(count, chance, weight), row * (count + 1));
  }
  tables.set(key, table);
  return table;
}

/**
 * Distributions of trials whose chance is a beta's around each chance of the grid.
 *
 * @param flatness of the beta, 1 / (weight + 1): its variance over that of a single trial
 */
function looseTable(count: number, flatness: number): Table {
  const after = FLATNESS.findIndex((one) => one <= flatness);
  const below = tableOf(count, WEIGHTS[after < 0 ? WEIGHTS.length - 1 : after] as number);
  if (after <= 0) return below;
  const above = tableOf(count, WEIGHTS[after - 1] as number);
  const [most, least] = [FLATNESS[after - 1] as number, FLATNESS[after] as number];
  const part = (flatness - least) / (most - least);
  return above.map((chance, at) => part * chance + (1 - part) * (below[at] as number));
}

/** Chances that are known only as a mixture, prepared once for many questions: flat lists. */
export interface ChanceCells {
  /** Square roots of each chance over what it is later multiplied by. */
  readonly roots: Float64Array;
  readonly weights: Float64Array;
}

/** Mixes such chances and turns them into the distribution of a count. */
export class ChanceMixer {
  /** Weights by chance of the grid. */
  private readonly mixed = new Float64Array(ROWS);
  private readonly table: Table;

  /**
   * @param count trials
   * @param flatness how much each chance itself scatters, as a beta's: 1 / (its weight + 1); 0 where it is what it is
   */
  constructor(
    private readonly cells: ChanceCells,
    private readonly count: number,
    flatness = 0,
  ) {
    this.table = flatness > 0 ? looseTable(count, flatness) : tableOf(count, Infinity);
  }

  /** Forgets what was added. */
  clear(): void {
    this.mixed.fill(0);
  }

  /**
   * Adds the cells `from` to `to` (exclusive), whose chances are the squares of their
   * roots times `factor`. A weight is shared between the two grid chances around its
   * own so that the mean chance holds.
   *
   * @param factor which times the roots lies in [0, 1]
   */
  add(from: number, to: number, factor: number): void {
    const scale = factor * GRID;
    const { mixed } = this;
    const { roots, weights } = this.cells;
    for (let cell = from; cell < to; cell++) {
      let position = (roots[cell] as number) * scale;
      if (position > LAST) position = LAST;
      const below = position | 0;
      const part = (position * position - below * below) * (GAP[below] as number);
      const weight = weights[cell] as number;
      mixed[below] = (mixed[below] as number) + weight * (1 - part);
      mixed[below + 1] = (mixed[below + 1] as number) + weight * part;
    }
  }

  /** Adds the distribution of how many of the trials succeed to another; index is the number. */
  addTo(result: Float64Array): Float64Array {
    const { mixed, table, count } = this;
    for (let row = 0; row < ROWS; row++) {
      const weight = mixed[row] as number;
      if (weight === 0) continue;
      for (let k = 0, at = row * (count + 1); k <= count; k++, at++) result[k] = (result[k] as number) + weight * (table[at] as number);
    }
    return result;
  }

  /** Chance that none succeeds, as far as the weights go. */
  none(): number {
    const { mixed, table, count } = this;
    let sum = 0;
    for (let row = 0, at = 0; row < ROWS; row++, at += count + 1) sum += (mixed[row] as number) * (table[at] as number);
    return sum;
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
