import betaln from '@stdlib/math-base-special-betaln';
import type { Evidence } from './evidence.js';
import { LEAST_CHANCE, quietGroups } from './likelihood.js';
import type { Prior } from './prior.js';
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

/** A few lots are duds whatever the packet says. */
const DUD = { chance: 0.04, a: 0.6, b: 15 } as const;
const REACH_SD = 4;
const PRUNE_BELOW = 1e-3;
/** Columns that together hold less than this are dropped: nobody can see them, and every question asks each column. */
const PRUNE_TAIL = 5e-3;
/** Nodes: living share, log median, spread. */
const COARSE = [9, 9, 5] as const;
const FINE = [15, 13, 7] as const;

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

function shareDensity({ mean, weight }: Prior['share'], angle: number): number {
  const v = shareOf(angle);
  const beta = (a: number, b: number): number => Math.exp((a - 1) * Math.log(v) + (b - 1) * Math.log1p(-v) - betaln(a, b));
  const mixed = (1 - DUD.chance) * beta(mean * weight, (1 - mean) * weight) + DUD.chance * beta(DUD.a, DUD.b);
  return mixed * 2 * Math.sin(angle) * Math.cos(angle);
}

const gauss = (x: number, mean: number, sd: number): number => Math.exp(-(((x - mean) / sd) ** 2) / 2) / sd;

interface Grid {
  readonly angle: Axis;
  readonly logMedian: Axis;
  readonly logSpread: Axis;
}

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

/** A sum of shares at edges, with weights: what a quiet group would have shown. */
interface SeenAt {
  readonly count: number;
  readonly opened: number;
  readonly leads: readonly { readonly at: number; readonly weight: number }[];
}

/** The progresses that a likelihood asks for, once each, and where each figure of the evidence finds its own. */
function edgesOf(evidence: Evidence) {
  const edges: number[] = [];
  const at = (progress: number): number => {
    const known = edges.indexOf(progress);
    return known >= 0 ? known : edges.push(progress) - 1;
  };
  const tips = evidence.tips.map((tip) => ({ from: at(tip.fromProgress), to: at(tip.toProgress), count: tip.count }));
  const quiet = quietGroups(evidence).map(({ progress, count, through }): SeenAt => ({
    count,
    opened: at(progress),
    leads: (through?.leads ?? []).map((lead) => ({
      at: at(Math.max((through?.progress ?? 0) - lead.progress, progress)),
      weight: lead.weight,
    })),
  }));
  return { logs: edges.map(Math.log), tips, quiet, tipCount: tips.reduce((sum, tip) => sum + tip.count, 0) };
}

/** The seen share of a quiet group from the shares at the edges. */
function seenAt({ opened, leads }: SeenAt, tipped: Float64Array): number {
  const base = tipped[opened] as number;
  let share = base;
  for (const { at, weight } of leads) share += weight * ((tipped[at] as number) - base);
  return share;
}

function pass(evidence: Evidence, prior: Prior, grid: Grid): Pass {
  const shares = Float64Array.from({ length: grid.angle.count }, (_, i) => shareOf(node(grid.angle, i)));
  const { logs, tips, quiet, tipCount } = edgesOf(evidence);
  const perShare = shares.map((v, i) => tipCount * Math.log(v) + Math.log(shareDensity(prior.share, node(grid.angle, i))));
  const highestPrior = Math.max(...shares.map((_, i) => Math.log(shareDensity(prior.share, node(grid.angle, i)))));
  const columns: Column[] = [];
  // Kernels and stragglers are shared by the laws, so each is worked out once a column.
  const crowds = { lognormal: new Float64Array(logs.length), weibull: new Float64Array(logs.length) };
  const late = new Float64Array(logs.length);
  const tipped = new Float64Array(logs.length);
  const { mean, sd } = prior.logMedian;
  let top = -Infinity;
  for (let j = 0; j < grid.logSpread.count; j++) {
    const logSpread = node(grid.logSpread, j);
    const spread = Math.exp(logSpread);
    const shape = lawShape(spread);
    const spreadPrior = gauss(logSpread, Math.log(prior.spread.median), prior.spread.logSd);
    for (let i = 0; i < grid.logMedian.count; i++) {
      const logMedian = node(grid.logMedian, i);
      for (let edge = 0; edge < logs.length; edge++) {
        const distance = (logs[edge] as number) - logMedian;
        late[edge] = lateShare(shape, distance);
        crowds.lognormal[edge] = crowdShare('lognormal', shape, distance);
        crowds.weibull[edge] = crowdShare('weibull', shape, distance);
      }
      const place = Math.log(spreadPrior * gauss(logMedian, mean, sd));
      for (const law of TIP_LAWS) {
        const crowd = crowds[law.kernel];
        for (let edge = 0; edge < logs.length; edge++) {
          tipped[edge] = (1 - law.stragglers) * (crowd[edge] as number) + law.stragglers * (late[edge] as number);
        }
        let scale = place + Math.log(law.weight);
        for (const { from, to, count } of tips) {
          scale += count * Math.log(Math.max((tipped[to] as number) - (tipped[from] as number), LEAST_CHANCE));
        }
        const last = quiet.at(-1);
        const seen = quiet.map((group) => seenAt(group, tipped));
        const bound = shareBound(tipCount, last?.count ?? 0, seen.at(-1) ?? 0);
        if (scale + bound + highestPrior < top + PRUNE_LOG) continue;
        const weights = new Float64Array(shares.length);
        for (let index = 0; index < shares.length; index++) {
          let log = scale + (perShare[index] as number);
          for (let g = 0; g < quiet.length; g++)
            log += (quiet[g]?.count ?? 0) * Math.log1p(-(shares[index] as number) * (seen[g] as number));
          weights[index] = log;
          if (log > top) top = log;
        }
        columns.push({ law, logMedian, spread, shape, weights });
      }
    }
  }
  const masses = columns.map(({ weights }) => {
    let mass = 0;
    for (let index = 0; index < weights.length; index++) {
      const log = (weights[index] as number) - top;
      weights[index] = log < PRUNE_LOG ? 0 : Math.exp(log);
      mass += weights[index] as number;
    }
    return mass;
  });
  const least = leastKept(masses);
  const kept = columns.filter((_, index) => (masses[index] as number) >= least);
  const total = masses.reduce((sum, mass) => sum + (mass >= least ? mass : 0), 0);
  return { shares, columns: kept, moments: momentsOf(kept, grid, total) };
}

/** Smallest mass of a column that is kept. */
function leastKept(masses: readonly number[]): number {
  const rising = [...masses].sort((a, b) => a - b);
  let spare = PRUNE_TAIL * rising.reduce((sum, mass) => sum + mass, 0);
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
  const start: Grid = {
    angle: axis(0, Math.PI / 2, COARSE[0]),
    logMedian: axis(prior.logMedian.mean - REACH_SD * prior.logMedian.sd, prior.logMedian.mean + REACH_SD * prior.logMedian.sd, COARSE[1]),
    logSpread: axis(
      Math.log(prior.spread.median) - REACH_SD * prior.spread.logSd,
      Math.log(prior.spread.median) + REACH_SD * prior.spread.logSd,
      COARSE[2],
    ),
  };
  let grid = start;
  let result = pass(evidence, prior, grid);
  for (let round = 0; round < 4; round++) {
    const around = (key: keyof Grid, count: number): Axis => {
      const { mean, sd } = result.moments[key];
      // Where one node holds everything the true sd is unknown: step in by degrees.
      const reach = REACH_SD * Math.max(sd, grid[key].step * 0.4);
      const bounds = start[key];
      const low = Math.max(mean - reach, bounds.low);
      const high = Math.min(mean + reach, bounds.low + bounds.step * bounds.count);
      return axis(low, high, count);
    };
    const coarse = (Object.keys(result.moments) as (keyof Grid)[]).some((key) => result.moments[key].sd < 0.6 * grid[key].step);
    grid = { angle: around('angle', FINE[0]), logMedian: around('logMedian', FINE[1]), logSpread: around('logSpread', FINE[2]) };
    result = pass(evidence, prior, grid);
    if (!coarse) break;
  }
  return { shares: result.shares, columns: result.columns };
}
