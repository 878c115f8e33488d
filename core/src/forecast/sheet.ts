import type { Edges } from './edges.js';
import { fillingOf } from './filling.js';
import { node, shareOf, type Grid } from './grid.js';
import { outlinesOf, type Family } from './outlines.js';
import type { Column } from './column.js';
import type { Prior } from './prior.js';
import type { Following } from './scatter.js';
import { logShareDensities } from './share-prior.js';
import type { LawShape, TipLaw } from './tip-law.js';

/** Weight, weighted sum and weighted sum of squares of something. */
export type Sums = [weight: number, sum: number, squares: number];
export interface Moment {
  readonly mean: number;
  readonly sd: number;
}
/** Mean and sd of all that was summed. */
export function momentOf(all: readonly Sums[]): Moment {
  const [weight, sum, squares] = all.reduce((one, other) => [one[0] + other[0], one[1] + other[1], one[2] + other[2]], [0, 0, 0]);
  const mean = sum / weight;
  return { mean, sd: Math.sqrt(Math.max(squares / weight - mean * mean, 0)) };
}
function add(sums: Sums, x: number, weight: number): void {
  sums[0] += weight;
  sums[1] += weight * x;
  sums[2] += weight * x * x;
}

/** The laws of a kernel and the grid on which they are weighed. */
export interface SheetPlan {
  readonly family: Family;
  readonly grid: Grid;
}

/** One kernel's part of the posterior; of all sheets that were made together the weights are on one scale. */
export interface Sheet {
  readonly columns: readonly (Column & { readonly mass: number })[];
  readonly mass: number;
  readonly angle: Sums;
  readonly logMedian: Sums;
  readonly logSpread: Sums;
}

interface Question {
  readonly edges: Edges;
  readonly following: Following;
  readonly prior: Prior;
}

/**
 * Weighs every kernel's laws on its own grid.
 *
 * @param plans with one angle axis for all
 * @param roughly where the posterior is only looked for
 */
export function sheetsOf({ edges, following, prior }: Question, plans: readonly SheetPlan[], roughly: boolean): Sheet[] {
  const { angle } = (plans[0] as SheetPlan).grid;
  const shares = Float64Array.from({ length: angle.count }, (_, i) => shareOf(node(angle, i)));
  const logShares = logShareDensities(prior.share, shares);
  const filled = plans.map(({ family, grid }) => {
    const outlines = outlinesOf(prior, family, grid, edges);
    const { weights, scattered, unit } = fillingOf(edges, following, outlines, shares, logShares, roughly);
    // A cell stands for the stretch of median and spread around it.
    return { outlines, grid, weights, scattered, unit: unit + Math.log(grid.logMedian.step * grid.logSpread.step) };
  });
  const highest = Math.max(...filled.map(({ unit }) => unit));
  return filled.map(({ outlines, grid, weights, scattered, unit }): Sheet => {
    const times = Math.exp(unit - highest);
    const { logMedian, shapes, spreads, laws } = outlines;
    const nodes = shares.length;
    const columns: Sheet['columns'][number][] = [];
    const [ofAngle, ofMedian, ofSpread]: [Sums, Sums, Sums] = [
      [0, 0, 0],
      [0, 0, 0],
      [0, 0, 0],
    ];
    for (let column = 0, cell = 0; column < outlines.count; column++) {
      let mass = 0;
      for (let index = 0; index < nodes; index++, cell++) {
        const weight = weights[cell] as number;
        if (weight === 0) continue;
        weights[cell] = weight * times;
        if (scattered) scattered[cell] = (scattered[cell] as number) * times;
        mass += weight * times;
        add(ofAngle, node(angle, index), weight * times);
      }
      if (mass === 0) continue;
      const place = Math.floor(column / laws.length);
      const j = Math.floor(place / logMedian.length);
      const median = logMedian[place % logMedian.length] as number;
      add(ofMedian, median, mass);
      add(ofSpread, node(grid.logSpread, j), mass);
      columns.push({
        law: laws[column % laws.length] as TipLaw,
        logMedian: median,
        spread: spreads[j] as number,
        shape: shapes[j] as LawShape,
        weights: weights.subarray(column * nodes, (column + 1) * nodes),
        scattered: scattered && scattered.subarray(column * nodes, (column + 1) * nodes),
        mass,
      });
    }
    return { columns, mass: ofMedian[0], angle: ofAngle, logMedian: ofMedian, logSpread: ofSpread };
  });
}
