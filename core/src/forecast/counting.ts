import { ChanceMixture, countByPowers, MOST_BY_POWERS } from '../chance/index.js';
import type { Posterior } from './posterior.js';

/** How many of some seeds come, from the share of the living that does, by column. */
export interface Counting {
  /** Chances of 0, 1, 2 … */
  counts(gains: Float64Array): Float64Array;
  /** Chance of at least one. */
  any(gains: Float64Array): number;
}

/**
 * Prepares the counting of so many seeds. Each cell's chance is a factor of its own
 * times its column's gain, so what can be done with the factors is done once: for few
 * seeds their powers are summed by column, for many their roots are kept.
 *
 * @param factorOf factor of a living share in a column
 */
export function countingOf(posterior: Posterior, factorOf: (share: number, column: number) => number, seeds: number): Counting {
  return seeds <= MOST_BY_POWERS ? few(posterior, factorOf, seeds) : many(posterior, factorOf, seeds);
}

function few({ columns, shares }: Posterior, factorOf: (share: number, column: number) => number, seeds: number): Counting {
  const sums = new Float64Array(columns.length * seeds);
  columns.forEach(({ weights }, column) => {
    for (let i = 0; i < weights.length; i++) {
      const weight = weights[i] as number;
      if (weight === 0) continue;
      const factor = factorOf(shares[i] as number, column);
      for (let k = column * seeds, power = weight * factor; k < (column + 1) * seeds; k++, power *= factor) {
        sums[k] = (sums[k] as number) + power;
      }
    }
  });
  const counts = (gains: Float64Array): Float64Array => {
    const powers = new Float64Array(seeds + 1);
    powers[0] = 1;
    for (let column = 0; column < gains.length; column++) {
      const gain = gains[column] as number;
      for (let k = 1, power = gain; k <= seeds && power > 0; k++, power *= gain) {
        powers[k] = (powers[k] as number) + power * (sums[column * seeds + k - 1] as number);
      }
    }
    return countByPowers(powers);
  };
  return {
    counts,
    // Added up, not taken from 1: a chance near nothing keeps its digits.
    any(gains) {
      const chances = counts(gains);
      let sum = 0;
      for (let count = 1; count <= seeds; count++) sum += chances[count] as number;
      return Math.min(sum, 1);
    },
  };
}

function many({ columns, shares }: Posterior, factorOf: (share: number, column: number) => number, seeds: number): Counting {
  const starts = new Int32Array(columns.length + 1);
  const roots = new Float64Array(columns.length * shares.length);
  const kept = new Float64Array(roots.length);
  let cells = 0;
  columns.forEach(({ weights }, column) => {
    for (let i = 0; i < weights.length; i++) {
      const weight = weights[i] as number;
      if (weight === 0) continue;
      roots[cells] = Math.sqrt(factorOf(shares[i] as number, column));
      kept[cells++] = weight;
    }
    starts[column + 1] = cells;
  });
  const mixed = (gains: Float64Array): ChanceMixture => {
    const mixture = new ChanceMixture();
    for (let column = 0; column < gains.length; column++) {
      mixture.add(roots, kept, starts[column] as number, starts[column + 1] as number, Math.sqrt(gains[column] as number));
    }
    return mixture;
  };
  return { counts: (gains) => mixed(gains).distribution(seeds), any: (gains) => Math.max(1 - mixed(gains).none(seeds), 0) };
}
