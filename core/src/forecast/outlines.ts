import { foundAt, seenAt, takeHeat, type Edges, type SeenAt, type TipsAt } from './edges.js';
import { node, type Grid } from './grid.js';
import { LEAST_CHANCE } from './likelihood.js';
import type { Prior } from './prior.js';
import { crowdShare, KERNELS, lateShare, lawShape, TIP_LAWS, type Kernel, type LawShape, type TipLaw } from './tip-law.js';

/** Laws of one kernel, with their weights before the looks. */
export interface Family {
  readonly kernel: number;
  readonly laws: readonly TipLaw[];
  readonly logWeights: readonly number[];
}

/** The laws by kernel, before the looks: as usual, or as closed batches told. */
export const familiesOf = ({ laws }: Prior): Family[] =>
  KERNELS.map((name, kernel) => {
    const own = TIP_LAWS.flatMap((law, index) => (law.kernel === name ? [{ law, weight: laws?.[index] ?? law.weight }] : []));
    return { kernel, laws: own.map(({ law }) => law), logWeights: own.map(({ weight }) => Math.log(weight)) };
  });

/** A family as one law with the mean share of stragglers: near enough to look for a small lot's posterior by. */
export function asOneLaw({ kernel, laws, logWeights }: Family): Family {
  const weights = logWeights.map(Math.exp);
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const stragglers = laws.reduce((sum, law, index) => sum + law.stragglers * (weights[index] as number), 0) / total;
  return { kernel, laws: [{ kernel: KERNELS[kernel] as Kernel, stragglers, weight: total }], logWeights: [Math.log(total)] };
}

/** Columns before their cells are filled, in flat lists by column: what each law says of the looks, at its place. */
export interface Outlines {
  readonly count: number;
  readonly laws: readonly TipLaw[];
  /** Log of the prior, the living share left out. */
  readonly prior: Float64Array;
  /** Share that tips where tips were found, and its log; the groups of a column one after another. */
  readonly found: Float64Array;
  readonly logFound: Float64Array;
  /** Share seen of each quiet group, likewise. */
  readonly seen: Float64Array;
  readonly logMedian: Float64Array;
  readonly shapes: readonly LawShape[];
  readonly spreads: Float64Array;
}

const gauss = (x: number, mean: number, sd: number): number => Math.exp(-(((x - mean) / sd) ** 2) / 2) / sd;

/** Lots that come all but together do so by this much less log spread. */
export const TIGHTER_BY = 1;
/** Density of the log of a lot's spread: about the crop's, and a few lots much tighter. */
function spreadDensity({ median, logSd, tight = 0 }: Prior['spread'], logSpread: number): number {
  const mean = Math.log(median);
  return (1 - tight) * gauss(logSpread, mean, logSd) + (tight > 0 ? tight * gauss(logSpread, mean - TIGHTER_BY, logSd) : 0);
}

/** What the laws of a kernel say at every place of a grid. */
export function outlinesOf(prior: Prior, { kernel, laws, logWeights }: Family, grid: Grid, edges: Edges): Outlines {
  const { progresses, logs, parts, tips, quiet } = edges;
  const count = grid.logSpread.count * grid.logMedian.count * laws.length;
  const priors = new Float64Array(count);
  const [found, logFound] = [new Float64Array(count * tips.length), new Float64Array(count * tips.length)];
  const seen = new Float64Array(count * quiet.length);
  const spreads = Float64Array.from({ length: grid.logSpread.count }, (_, j) => Math.exp(node(grid.logSpread, j)));
  const shapes = Array.from(spreads, lawShape);
  const logMedian = Float64Array.from({ length: grid.logMedian.count }, (_, i) => node(grid.logMedian, i));
  // Kernel and stragglers are shared by the laws, so each is worked out once a place; seed that is held back has edges of its own.
  const crowd = new Float64Array(logs.length);
  const straggling = Float64Array.from(laws, ({ stragglers }) => stragglers);
  const late = new Float64Array(logs.length);
  const tipped = new Float64Array(progresses.length);
  const { mean, sd } = prior.logMedian;
  let column = 0;
  for (let j = 0; j < shapes.length; j++) {
    const shape = shapes[j] as LawShape;
    const ofSpread = spreadDensity(prior.spread, node(grid.logSpread, j));
    for (let i = 0; i < logMedian.length; i++) {
      const median = logMedian[i] as number;
      for (let edge = 0; edge < logs.length; edge++) {
        const distance = (logs[edge] as number) - median;
        late[edge] = lateShare(shape, distance);
        crowd[edge] = crowdShare(kernel, shape, distance);
      }
      const place = Math.log(ofSpread * gauss(median, mean, sd));
      for (let l = 0; l < laws.length; l++, column++) {
        const stragglers = straggling[l] as number;
        tipped.fill(0);
        for (let part = 0, at = 0; part < parts.length; part++) {
          const weight = parts[part] as number;
          for (let edge = 0; edge < tipped.length; edge++, at++) {
            const share = (crowd[at] as number) + stragglers * ((late[at] as number) - (crowd[at] as number));
            tipped[edge] = (tipped[edge] as number) + weight * share;
          }
        }
        takeHeat(edges, tipped);
        priors[column] = place + (logWeights[l] as number);
        for (let t = 0, at = column * tips.length; t < tips.length; t++, at++) {
          found[at] = Math.max(foundAt(tips[t] as TipsAt, tipped), LEAST_CHANCE);
          logFound[at] = Math.log(found[at] as number);
        }
        for (let g = 0; g < quiet.length; g++) seen[column * quiet.length + g] = seenAt(quiet[g] as SeenAt, tipped);
      }
    }
  }
  return { count, laws, prior: priors, found, logFound, seen, logMedian, shapes, spreads };
}
