import { logRising } from '../chance/index.js';
import type { Edges, SeenAt, TipsAt } from './edges.js';
import type { Outlines } from './outlines.js';
import type { Following, Scatter } from './scatter.js';

/** Weights of all cells, column by column. */
interface Cells {
  readonly weights: Float64Array;
  readonly top: number;
  /** Log of prior times likelihood where the weight is 1. */
  readonly unit: number;
}

/** Cells below this share of the largest are dropped. */
const PRUNE_BELOW = 1e-3;
/** A lot of no more seeds that scatters leaves its law hardly wider than one that does not. */
const FEW_SEEDS = 30;
const PRUNE_LOG = Math.log(PRUNE_BELOW);

/** Weights of all cells: in all, and of these what scatters (null for none). */
export interface Filling {
  readonly weights: Float64Array;
  readonly scattered: Float64Array | null;
  /** Log of prior times likelihood where the weight is 1. */
  readonly unit: number;
}

/**
 * @param logShares log of the prior of each living share
 * @param roughly where the posterior is only looked for: of few seeds the plain likelihood tells where
 */
export function fillingOf(
  edges: Edges,
  { scatters, scatter }: Following,
  outlines: Outlines,
  shares: Float64Array,
  logShares: Float64Array,
  roughly: boolean,
): Filling {
  const plain = fillPlainly(edges, outlines, shares, logShares);
  const { weights } = plain;
  if (scatter === null || (roughly && scatter.seeds <= FEW_SEEDS)) {
    return { weights: pruned(weights, plain.top), scattered: null, unit: plain.unit };
  }
  const { weights: scattered, top, unit } = fillScattered(edges, outlines, shares, logShares, scatter);
  const [ofPlain, ofScattered] = [Math.log((1 - scatters) * plain.top) + plain.unit, Math.log(scatters * top) + unit];
  const highest = Math.max(ofPlain, ofScattered);
  const plainly = (1 - scatters) * Math.exp(plain.unit - highest);
  const loosely = scatters * Math.exp(unit - highest);
  // What scatters lies flatter: each kind is pruned by its own top.
  const [leastPlain, leastLoose] = [plain.top * PRUNE_BELOW, top * PRUNE_BELOW];
  for (let cell = 0; cell < weights.length; cell++) {
    const [firm, loose] = [weights[cell] as number, scattered[cell] as number];
    scattered[cell] = loose < leastLoose ? 0 : loose * loosely;
    weights[cell] = (firm < leastPlain ? 0 : firm * plainly) + (scattered[cell] as number);
  }
  return { weights, scattered, unit: highest };
}

function pruned(weights: Float64Array, top: number): Float64Array {
  const least = top * PRUNE_BELOW;
  for (let cell = 0; cell < weights.length; cell++) if ((weights[cell] as number) < least) weights[cell] = 0;
  return weights;
}

/** x to a whole power, by squaring: the likelihood of a quiet group, asked for in every cell. */
function power(x: number, n: number): number {
  let result = 1;
  let base = x;
  for (let left = n; left > 0; left >>= 1) {
    if (left & 1) result *= base;
    base *= base;
  }
  return result;
}

/**
 * Upper bound over the living share of the likelihood's part that depends on it:
 * v^tips (1 - v F)^quiet, which a closed form maximises.
 */
function shareBound(tips: number, quiet: number, tipped: number): number {
  const best = tips === 0 ? 0 : Math.min(1, tips / ((tips + quiet) * Math.max(tipped, 1e-12)));
  return (tips === 0 ? 0 : tips * Math.log(best)) + (quiet === 0 ? 0 : quiet * Math.log1p(-Math.min(best * tipped, 1 - 1e-12)));
}

function largestOf(values: Float64Array): number {
  let best = 0;
  for (let index = 1; index < values.length; index++) if ((values[index] as number) > (values[best] as number)) best = index;
  return best;
}

/** The plain likelihood: multinomial over the intervals, times (1 - v F) for each seed still quiet. */
function fillPlainly(edges: Edges, outlines: Outlines, shares: Float64Array, logShares: Float64Array): Cells {
  const { tips, quiet, tipCount } = edges;
  const { count, prior, logFound, seen } = outlines;
  const highestPrior = Math.max(...logShares);
  const perLog = logShares.map((log, index) => log + tipCount * Math.log(shares[index] as number));
  const highest = Math.max(...perLog);
  const perShare = perLog.map((log) => Math.exp(log - highest));
  const quietCount = quiet.at(-1)?.count ?? 0;
  const [scale, bound] = [prior.slice(), new Float64Array(count)];
  for (let column = 0; column < count; column++) {
    let log = prior[column] as number;
    for (let t = 0, at = column * tips.length; t < tips.length; t++, at++) log += (tips[t] as TipsAt).count * (logFound[at] as number);
    scale[column] = log;
    bound[column] = log + shareBound(tipCount, quietCount, seen[(column + 1) * quiet.length - 1] ?? 0);
  }
  const likeliest = largestOf(bound);
  const scaleOf = scale[likeliest] as number;
  const nodes = shares.length;
  const weights = new Float64Array(count * nodes);
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
  for (let column = 0; column < count; column++) {
    if ((bound[column] as number) + highestPrior >= scaleOf + highest + Math.log(top) + PRUNE_LOG) top = Math.max(top, fill(column));
  }
  return { weights, top, unit: scaleOf + highest };
}

/** Cells that much further below the top than what is dropped are not worked out, in log units. */
const OUT_OF_SIGHT = 12;

/** Places of four knots among the shares, and what each counts for at every share: the cubic through them. */
function knotsFor(shares: number): { readonly at: readonly number[]; readonly parts: Float64Array } {
  const at = [0, 1, 2, 3].map((knot) => Math.round((knot * (shares - 1)) / 3));
  const parts = new Float64Array(shares * 4);
  for (let index = 0; index < shares; index++) {
    at.forEach((own, knot) => {
      parts[index * 4 + knot] = at.reduce((part, other) => (other === own ? part : (part * (index - other)) / (own - other)), 1);
    });
  }
  return { at, parts };
}

/**
 * The likelihood of a lot that scatters about its law (see `scatter.ts`). The shares of
 * tips are taken out, which leaves products that change so little with the living share
 * that four knots tell them. Written out knot by knot: it is most of a forecast's cost.
 */
function fillScattered(edges: Edges, outlines: Outlines, shares: Float64Array, logShares: Float64Array, scatter: Scatter): Cells {
  const { tips, quiet } = edges;
  const { count, prior, found, logFound, seen } = outlines;
  const nodes = shares.length;
  const { at, parts } = knotsFor(nodes);
  const perShare = logShares.map((log, index) => log + tips.length * Math.log(shares[index] as number));
  const highestShare = Math.max(...perShare);
  const [v0, v1, v2, v3] = at.map((index) => shares[index] as number) as [number, number, number, number];
  const kappa = scatter.concentration;
  const [r0, r1, r2, r3] = [Math.sqrt(kappa * v0), Math.sqrt(kappa * v1), Math.sqrt(kappa * v2), Math.sqrt(kappa * v3)];
  const logs = new Float64Array(count * nodes).fill(-Infinity);
  let highest = -Infinity;
  for (let column = 0; column < count; column++) {
    let log = prior[column] as number;
    for (let t = 0, tip = column * tips.length; t < tips.length; t++, tip++) log += logFound[tip] as number;
    let [k0, k1, k2, k3] = [log, log, log, log];
    for (const { index, table } of scatter.tips) {
      const root = Math.sqrt(found[column * tips.length + index] as number);
      k0 += logRising(table, r0 * root);
      k1 += logRising(table, r1 * root);
      k2 += logRising(table, r2 * root);
      k3 += logRising(table, r3 * root);
    }
    for (const { index, table } of scatter.quiet) {
      const share = seen[column * quiet.length + index] as number;
      k0 += logRising(table, Math.sqrt(kappa * Math.max(1 - v0 * share, 0)));
      k1 += logRising(table, Math.sqrt(kappa * Math.max(1 - v1 * share, 0)));
      k2 += logRising(table, Math.sqrt(kappa * Math.max(1 - v2 * share, 0)));
      k3 += logRising(table, Math.sqrt(kappa * Math.max(1 - v3 * share, 0)));
    }
    if (Math.max(k0, k1, k2, k3) + highestShare < highest - OUT_OF_SIGHT) continue;
    for (let index = 0, part = 0, cell = column * nodes; index < nodes; index++, part += 4, cell++) {
      const own =
        (perShare[index] as number) +
        (parts[part] as number) * k0 +
        (parts[part + 1] as number) * k1 +
        (parts[part + 2] as number) * k2 +
        (parts[part + 3] as number) * k3;
      logs[cell] = own;
      if (own > highest) highest = own;
    }
  }
  const weights = new Float64Array(count * nodes);
  let top = 0;
  for (let column = 0, cell = 0; column < count; column++) {
    const share = scatter.last < 0 ? 0 : (seen[column * quiet.length + scatter.last] as number);
    for (let index = 0; index < nodes; index++, cell++) {
      const below = (logs[cell] as number) - highest;
      if (below < -OUT_OF_SIGHT) continue;
      const weight = Math.exp(below) * (1 - (shares[index] as number) * share);
      weights[cell] = weight;
      if (weight > top) top = weight;
    }
  }
  return { weights, top, unit: highest + scatter.log };
}
