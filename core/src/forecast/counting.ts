import { ChanceMixer, countByPowers, MOST_BY_POWERS, threeFor, type ChanceCells } from '../chance/index.js';
import type { Posterior } from './column.js';

/** How many of some seeds come, from the share of the living that does, by column. */
export interface Counting {
  /** Chances of 0, 1, 2 … */
  counts(gains: Float64Array): Float64Array;
  /** Chance of at least one. */
  any(gains: Float64Array): number;
}

/** What a cell knows of a seed that may still come. */
export interface CellChance {
  /** Its chance, over the column's gain. */
  factor(share: number, column: number): number;
  /** Share of the lot's law that lies beyond what was seen. */
  beyond(share: number, column: number): number;
}

/** Cells of one kind, column after column, those of no weight left out. */
class Cells {
  /** Where each column's begin; one more than columns. */
  readonly starts: Int32Array;
  readonly values: Float64Array;
  readonly weights: Float64Array;
  private count = 0;

  constructor({ columns, shares }: Posterior) {
    this.starts = new Int32Array(columns.length + 1);
    this.values = new Float64Array(columns.length * shares.length);
    this.weights = new Float64Array(this.values.length);
  }

  put(value: number, weight: number): void {
    this.values[this.count] = value;
    this.weights[this.count++] = weight;
  }

  /** Ends a column. */
  end(column: number): void {
    this.starts[column + 1] = this.count;
  }

  /**
   * Where a column's values lie so close that a count of seeds cannot tell, three stand
   * for all. What scatters of itself is as if of fewer seeds.
   */
  thin(seeds: number): this {
    const { starts, values, weights } = this;
    const widest = CLOSE / Math.sqrt(seeds);
    let to = 0;
    for (let column = 0, from = 0; column + 1 < starts.length; column++) {
      const end = starts[column + 1] as number;
      const count = end - from;
      const kept = count <= 3 ? count : threeFor(values.subarray(from, end), weights.subarray(from, end), count, widest);
      values.copyWithin(to, from, from + kept);
      weights.copyWithin(to, from, from + kept);
      to += kept;
      from = end;
      starts[column + 1] = to;
    }
    return this;
  }
}

/** So many sds of a count of seeds may a column's own spread be, for three to stand for it. */
const CLOSE = 0.4;

/** Counting of one kind of cell; weights need not add up to 1. */
interface Part {
  /** Adds the chances of 0, 1, 2 … */
  addTo(result: Float64Array, gains: Float64Array): unknown;
  /** Chance of at least one. */
  any(gains: Float64Array): number;
}

/**
 * Prepares the counting of so many seeds. Each cell's chance is a factor of its own
 * times its column's gain, so what can be done with the factors is done once: for few
 * seeds their powers are summed by column, for many their roots are kept. Where the lot
 * scatters about its law, what lies beyond does too, as a beta of so many seeds' worth.
 */
export function countingOf(posterior: Posterior, chance: CellChance, seeds: number): Counting {
  const { columns, shares, concentration } = posterior;
  const [firm, loose] = [new Cells(posterior), new Cells(posterior)];
  let flat = 0;
  let scattering = 0;
  for (let column = 0; column < columns.length; column++) {
    const { weights, scattered } = columns[column] as (typeof columns)[number];
    for (let i = 0; i < weights.length; i++) {
      const weight = weights[i] as number;
      if (weight === 0) continue;
      const share = shares[i] as number;
      const value = chance.factor(share, column);
      const scatters = scattered === null ? 0 : (scattered[i] as number);
      if (weight > scatters) firm.put(value, weight - scatters);
      if (scatters === 0) continue;
      loose.put(value, scatters);
      // A beta of so many seeds' worth as the lot's law has beyond what was seen.
      flat += scatters / (concentration * chance.beyond(share, column) + 1);
      scattering += scatters;
    }
    firm.end(column);
    loose.end(column);
  }
  const parts: Part[] = [];
  if (scattering < 1) parts.push(seeds <= MOST_BY_POWERS ? byPowers(firm, seeds) : byMixing(firm.thin(seeds), seeds, 0));
  const flatness = flat / scattering;
  if (scattering > 0) parts.push(byMixing(loose.thin(1 / (1 / seeds + flatness)), seeds, flatness));
  return {
    counts(gains) {
      const result = new Float64Array(seeds + 1);
      for (const part of parts) part.addTo(result, gains);
      return result;
    },
    any: (gains) =>
      Math.min(
        parts.reduce((sum, part) => sum + part.any(gains), 0),
        1,
      ),
  };
}

function byPowers({ starts, values, weights }: Cells, seeds: number): Part {
  const sums = new Float64Array((starts.length - 1) * seeds);
  let total = 0;
  for (let column = 0; column + 1 < starts.length; column++) {
    for (let cell = starts[column] as number; cell < (starts[column + 1] as number); cell++) {
      const [value, weight] = [values[cell] as number, weights[cell] as number];
      total += weight;
      for (let at = column * seeds, power = weight * value; at < (column + 1) * seeds; at++, power *= value)
        sums[at] = (sums[at] as number) + power;
    }
  }
  const powers = new Float64Array(seeds + 1);
  const counts = (gains: Float64Array): Float64Array => {
    powers.fill(0);
    powers[0] = total;
    for (let column = 0; column < gains.length; column++) {
      const gain = gains[column] as number;
      for (let k = 1, at = column * seeds, power = gain; k <= seeds && power > 0; k++, at++, power *= gain) {
        powers[k] = (powers[k] as number) + power * (sums[at] as number);
      }
    }
    return countByPowers(powers);
  };
  return {
    addTo(result, gains) {
      const chances = counts(gains);
      for (let count = 0; count <= seeds; count++) result[count] = (result[count] as number) + (chances[count] as number);
    },
    // Added up, not taken from 1: a chance near nothing keeps its digits.
    any: (gains) => counts(gains).reduce((sum, chance, count) => (count > 0 ? sum + chance : sum), 0),
  };
}

function byMixing({ starts, values, weights }: Cells, seeds: number, flatness: number): Part {
  const cells: ChanceCells = { roots: values.map((value) => Math.sqrt(Math.max(value, 0))), weights };
  const mixer = new ChanceMixer(cells, seeds, flatness);
  const mix = (gains: Float64Array): ChanceMixer => {
    mixer.clear();
    for (let column = 0; column < gains.length; column++) {
      const [from, to] = [starts[column] as number, starts[column + 1] as number];
      if (to > from) mixer.add(from, to, Math.sqrt(gains[column] as number));
    }
    return mixer;
  };
  const total = weights.subarray(0, starts.at(-1)).reduce((sum, weight) => sum + weight, 0);
  return {
    addTo: (result, gains) => mix(gains).addTo(result),
    any: (gains) => Math.max(total - mix(gains).none(), 0),
  };
}
