import type { Evidence } from './evidence.js';
import { edgesOf, power, seenAt, takeHeat, type Edges, type SeenAt } from './edges.js';
import { LEAST_CHANCE } from './likelihood.js';
import type { Prior } from './prior.js';
import { logShareDensities } from './share-prior.js';
import { crowdShare, lateShare, lawShape, TIP_LAWS, type LawShape, type TipLaw } from './tip-law.js';

/** One cell of the posterior in everything but the living share, which has its nodes in `shares`. */
export interface Column {
  readonly law: TipLaw;
  readonly logMedian: number;
  readonly spread: number;
  readonly shape: LawShape;
  /** Weights by living share; all columns together sum to 1. */
  readonly weights: Float64Array;
}

/** The posterior on a grid. The same evidence gives the same grid, to the digit. */
export interface Posterior {
  readonly shares: Float64Array;
  readonly columns: readonly Column[];
}

const REACH_SD = 4;
const PRUNE_BELOW = 1e-3;
/** Columns that together hold less than this are dropped: nobody can see them, and every question asks each column. */
const PRUNE_TAIL = 5e-3;
/** Nodes by axis: while the posterior is looked for, and when it is found. */
const COARSE = { angle: 9, logMedian: 9, logSpread: 5 } as const;
const FINE = { angle: 13, logMedian: 13, logSpread: 7 } as const;
/** Steps towards a posterior that is much narrower than its prior. */
const MOST_STEPS = 3;

/** A stretch of one parameter with its nodes at the middles of equal steps. */
interface Axis {
  readonly low: number;
  readonly step: number;
  readonly count: number;
}

const axis = (low: number, high: number, count: number): Axis => ({ low, step: (high - low) / count, count });
const node = ({ low, step }: Axis, index: number): number => low + (index + 0.5) * step;

/** The living share is laid out as sin², which gives both ends of the beta their due. */
const shareOf = (angle: number): number => Math.sin(angle) ** 2;

const gauss = (x: number, mean: number, sd: number): number => Math.exp(-(((x - mean) / sd) ** 2) / 2) / sd;

interface Grid {
  readonly angle: Axis;
  readonly logMedian: Axis;
  readonly logSpread: Axis;
}

const AXES = ['angle', 'logMedian', 'logSpread'] as const;

interface Pass extends Posterior {
  readonly moments: Record<keyof Grid, { mean: number; sd: number }>;
}

/** Fewest log units below the top at which a cell is dropped. */
const PRUNE_LOG = Math.log(PRUNE_BELOW);

/**
 * Upper bound over the living share of the likelihood's part that depends on it:
 * v^tips (1 - v F)^quiet, which a closed form maximises.
 */
function shareBound(tips: number, quiet: number, tipped: number): number {
  const best = tips === 0 ? 0 : Math.min(1, tips / ((tips + quiet) * Math.max(tipped, 1e-12)));
  return (tips === 0 ? 0 : tips * Math.log(best)) + (quiet === 0 ? 0 : quiet * Math.log1p(-Math.min(best * tipped, 1 - 1e-12)));
}

/** Columns before their cells are filled, in flat lists by column: what each law says of the tips, at its place. */
interface Outlines {
  readonly count: number;
  /** Log of prior and of the tips' likelihood, the living share left out. */
  readonly scale: Float64Array;
  /** Upper bound of the log weight of its cells, the share's prior left out. */
  readonly bound: Float64Array;
  /** Share seen of each quiet group, the groups of a column one after another. */
  readonly seen: Float64Array;
  readonly logMedian: Float64Array;
  readonly shapes: readonly LawShape[];
  readonly spreads: Float64Array;
}

const LOG_LAW_WEIGHTS = TIP_LAWS.map(({ weight }) => Math.log(weight));
/** Laws before the looks: as usual, or as closed batches told. */
const logLawWeights = ({ laws }: Prior): readonly number[] => laws?.map((weight) => Math.log(weight)) ?? LOG_LAW_WEIGHTS;

function outlinesOf(prior: Prior, grid: Grid, edges: Edges): Outlines {
  const { progresses, logs, parts, tips, quiet, tipCount } = edges;
  const count = grid.logSpread.count * grid.logMedian.count * TIP_LAWS.length;
  const [scale, bound, seen] = [new Float64Array(count), new Float64Array(count), new Float64Array(count * quiet.length)];
  const spreads = Float64Array.from({ length: grid.logSpread.count }, (_, j) => Math.exp(node(grid.logSpread, j)));
  const shapes = Array.from(spreads, lawShape);
  const logMedian = Float64Array.from({ length: grid.logMedian.count }, (_, i) => node(grid.logMedian, i));
  // Kernels and stragglers are shared by the laws, so each is worked out once a place; seed that is held back has edges of its own.
  const crowds = { lognormal: new Float64Array(logs.length), weibull: new Float64Array(logs.length) };
  const late = new Float64Array(logs.length);
  const tipped = new Float64Array(progresses.length);
  const quietCount = quiet.at(-1)?.count ?? 0;
  const { mean, sd } = prior.logMedian;
  const lawWeights = logLawWeights(prior);
  let column = 0;
  for (let j = 0; j < shapes.length; j++) {
    const shape = shapes[j] as LawShape;
    const spreadPrior = gauss(node(grid.logSpread, j), Math.log(prior.spread.median), prior.spread.logSd);
    for (let i = 0; i < logMedian.length; i++) {
      const median = logMedian[i] as number;
      for (let edge = 0; edge < logs.length; edge++) {
        const distance = (logs[edge] as number) - median;
        late[edge] = lateShare(shape, distance);
        crowds.lognormal[edge] = crowdShare('lognormal', shape, distance);
        crowds.weibull[edge] = crowdShare('weibull', shape, distance);
      }
      const place = Math.log(spreadPrior * gauss(median, mean, sd));
      for (let l = 0; l < TIP_LAWS.length; l++) {
        const { kernel, stragglers } = TIP_LAWS[l] as TipLaw;
        const crowd = crowds[kernel];
        tipped.fill(0);
        for (let part = 0, at = 0; part < parts.length; part++) {
          for (let edge = 0; edge < tipped.length; edge++, at++) {
            const share = (crowd[at] as number) + stragglers * ((late[at] as number) - (crowd[at] as number));
            tipped[edge] = (tipped[edge] as number) + (parts[part] as number) * share;
          }
        }
        takeHeat(edges, tipped);
        let log = place + (lawWeights[l] as number);
        for (let tip = 0; tip < tips.length; tip++) {
          const { from, to, count: many } = tips[tip] as (typeof tips)[number];
          log += many * Math.log(Math.max((tipped[to] as number) - (tipped[from] as number), LEAST_CHANCE));
        }
        for (let g = 0; g < quiet.length; g++) seen[column * quiet.length + g] = seenAt(quiet[g] as SeenAt, tipped);
        scale[column] = log;
        bound[column] = log + shareBound(tipCount, quietCount, seen[(column + 1) * quiet.length - 1] ?? 0);
        column++;
      }
    }
  }
  return { count, scale, bound, seen, logMedian, shapes, spreads };
}

/** A column by its number, with its cells. */
function columnAt({ logMedian, shapes, spreads }: Outlines, column: number, weights: Float64Array): Column {
  const place = Math.floor(column / TIP_LAWS.length);
  const j = Math.floor(place / logMedian.length);
  return {
    law: TIP_LAWS[column % TIP_LAWS.length] as TipLaw,
    logMedian: logMedian[place % logMedian.length] as number,
    spread: spreads[j] as number,
    shape: shapes[j] as LawShape,
    weights,
  };
}

function pass(edges: Edges, prior: Prior, grid: Grid, tail: number): Pass {
  const shares = Float64Array.from({ length: grid.angle.count }, (_, i) => shareOf(node(grid.angle, i)));
  const { quiet, tipCount } = edges;
  const logPerShare = logShareDensities(prior.share, shares);
  const highestPrior = Math.max(...logPerShare);
  shares.forEach((v, i) => (logPerShare[i] = (logPerShare[i] as number) + tipCount * Math.log(v)));
  const highest = Math.max(...logPerShare);
  const perShare = logPerShare.map((log) => Math.exp(log - highest));
  const outlines = outlinesOf(prior, grid, edges);
  const { scale, bound, seen } = outlines;
  const likeliest = largestOf(bound);
  const scaleOf = scale[likeliest] as number;
  const nodes = shares.length;
  const weights = new Float64Array(outlines.count * nodes);
  /** Fills a column's cells; their largest. */
  const fill = (column: number): number => {
    const factor = Math.exp((scale[column] as number) - scaleOf);
    let most = 0;
    for (let index = 0; index < nodes; index++) {
      let weight = factor * (perShare[index] as number);
      for (let g = 0; g < quiet.length; g++) {
        const stays = 1 - (shares[index] as number) * (seen[column * quiet.length + g] as number);
        weight *= power(stays, (quiet[g] as SeenAt).count);
      }
      weights[column * nodes + index] = weight;
      if (weight > most) most = weight;
    }
    return most;
  };
  // The likeliest column says what a cell must reach at the least; the others only raise it.
  let top = fill(likeliest);
  const masses = new Float64Array(outlines.count);
  for (let column = 0; column < outlines.count; column++) {
    if ((bound[column] as number) + highestPrior >= scaleOf + highest + Math.log(top) + PRUNE_LOG) top = Math.max(top, fill(column));
  }
  const least = top * PRUNE_BELOW;
  for (let column = 0; column < outlines.count; column++) {
    let mass = 0;
    for (let cell = column * nodes; cell < (column + 1) * nodes; cell++) {
      if ((weights[cell] as number) < least) weights[cell] = 0;
      mass += weights[cell] as number;
    }
    masses[column] = mass;
  }
  const leastMass = tail > 0 ? leastKept(masses, tail) : 0;
  const columns: Column[] = [];
  let total = 0;
  for (let column = 0; column < outlines.count; column++) {
    const mass = masses[column] as number;
    if (mass < leastMass || mass === 0) continue;
    columns.push(columnAt(outlines, column, weights.subarray(column * nodes, (column + 1) * nodes)));
    total += mass;
  }
  return { shares, columns, moments: momentsOf(columns, grid, total) };
}

function largestOf(values: Float64Array): number {
  let best = 0;
  for (let index = 1; index < values.length; index++) if ((values[index] as number) > (values[best] as number)) best = index;
  return best;
}

/** Smallest mass of a column that is kept where a tail may be dropped. */
function leastKept(masses: Float64Array, tail: number): number {
  const rising = masses.filter((mass) => mass > 0).sort();
  let spare = 0;
  for (const mass of rising) spare += tail * mass;
  return rising.find((mass) => (spare -= mass) < 0) ?? 0;
}

/** Scales the weights to sum 1 and returns mean and sd along each axis. */
function momentsOf(columns: readonly Column[], grid: Grid, total: number): Pass['moments'] {
  const sums = { angle: [0, 0], logMedian: [0, 0], logSpread: [0, 0] } as Record<keyof Grid, [number, number]>;
  const add = (sum: [number, number], x: number, weight: number): void => {
    sum[0] += weight * x;
    sum[1] += weight * x * x;
  };
  for (const column of columns) {
    let mass = 0;
    for (let index = 0; index < column.weights.length; index++) {
      const weight = (column.weights[index] as number) / total;
      column.weights[index] = weight;
      if (weight === 0) continue;
      mass += weight;
      add(sums.angle, node(grid.angle, index), weight);
    }
    add(sums.logMedian, column.logMedian, mass);
    add(sums.logSpread, Math.log(column.spread), mass);
  }
  const moment = ([mean, square]: [number, number]) => ({ mean, sd: Math.sqrt(Math.max(square - mean * mean, 0)) });
  return { angle: moment(sums.angle), logMedian: moment(sums.logMedian), logSpread: moment(sums.logSpread) };
}

/**
 * The posterior over living share, lot median, spread and straggler law, given
 * interval-censored looks, by deterministic quadrature: a pass over the prior's
 * reach, then recentred on four standard deviations until the steps resolve the
 * posterior. The likelihood is multinomial over the intervals, times
 * (1 - v F) for each seed still quiet.
 *
 * @throws RangeError where the prior's mean share is not inside (0, 1)
 */
export function posteriorOf(evidence: Evidence, prior: Prior): Posterior {
  if (!(prior.share.mean > 0 && prior.share.mean < 1)) throw new RangeError('prior.share.mean must lie inside (0, 1)');
  const reach = ({ mean, sd }: { mean: number; sd: number }, count: number): Axis =>
    axis(mean - REACH_SD * sd, mean + REACH_SD * sd, count);
  const start: Grid = {
    angle: axis(0, Math.PI / 2, COARSE.angle),
    logMedian: reach(prior.logMedian, COARSE.logMedian),
    logSpread: reach({ mean: Math.log(prior.spread.median), sd: prior.spread.logSd }, COARSE.logSpread),
  };
  const edges = edgesOf(evidence);
  let grid = start;
  let { moments } = pass(edges, prior, grid, 0);
  /** The same axis around what was found, inside where it was looked for. */
  const around = (key: keyof Grid, count: number): Axis => {
    const { mean, sd } = moments[key];
    const { low, step, count: most } = start[key];
    // Where one node holds everything the true sd is unknown: step in by degrees.
    const found = REACH_SD * Math.max(sd, grid[key].step * 0.4);
    return axis(Math.max(mean - found, low), Math.min(mean + found, low + step * most), count);
  };
  const closer = (counts: Record<keyof Grid, number>): Grid => ({
    angle: around('angle', counts.angle),
    logMedian: around('logMedian', counts.logMedian),
    logSpread: around('logSpread', counts.logSpread),
  });
  const unresolved = (): boolean => AXES.some((key) => moments[key].sd < 0.6 * grid[key].step);
  for (let step = 0; step < MOST_STEPS && unresolved(); step++) {
    grid = closer(COARSE);
    ({ moments } = pass(edges, prior, grid, 0));
  }
  const { shares, columns } = pass(edges, prior, closer(FINE), PRUNE_TAIL);
  return { shares, columns };
}
