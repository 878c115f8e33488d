import { logSince, mixed, type Origin } from './origins.js';
import type { Column, Posterior } from './posterior.js';
import { crowdShare, lateShare, type LawShape } from './tip-law.js';

/** Columns that share a median and a spread, and so their kernels and stragglers, in flat lists. */
export interface Places {
  /** Columns of place g are those from `first[g]` to `first[g + 1]`, exclusive. */
  readonly first: Int32Array;
  readonly logMedian: Float64Array;
  readonly shapes: readonly LawShape[];
  /** By column. */
  readonly weibull: Uint8Array;
  readonly stragglers: Float64Array;
}

const known = new WeakMap<Posterior, Places>();

/** Places of a posterior: what is asked of its quiet seeds and of its lot share them. */
export function placesOf(posterior: Posterior): Places {
  const found = known.get(posterior) ?? placesFrom(posterior.columns);
  known.set(posterior, found);
  return found;
}

function placesFrom(columns: readonly Column[]): Places {
  const first: number[] = [];
  const weibull = new Uint8Array(columns.length);
  const stragglers = new Float64Array(columns.length);
  let last: Column | null = null;
  for (let index = 0; index < columns.length; index++) {
    const column = columns[index] as Column;
    if (last === null || last.logMedian !== column.logMedian || last.shape !== column.shape) first.push(index);
    weibull[index] = column.law.kernel === 'weibull' ? 1 : 0;
    stragglers[index] = column.law.stragglers;
    last = column;
  }
  return {
    first: Int32Array.from([...first, columns.length]),
    logMedian: Float64Array.from(first, (index) => (columns[index] as Column).logMedian),
    shapes: first.map((index) => (columns[index] as Column).shape),
    weibull,
    stragglers,
  };
}

/** Tipped shares of all columns at one progress. */
export function sharesAt(places: Places, origins: readonly Origin[], progress: number, into: Float64Array): Float64Array {
  into.fill(0);
  for (const { progress: origin, weight } of origins) {
    if (progress > origin) addShares(places, logSince(progress, origin), weight, into);
  }
  return into;
}

function addShares(
  { first, logMedian, shapes, weibull, stragglers }: Places,
  logProgress: number,
  weight: number,
  into: Float64Array,
): void {
  for (let g = 0; g < shapes.length; g++) {
    const shape = shapes[g] as LawShape;
    const distance = logProgress - (logMedian[g] as number);
    const late = lateShare(shape, distance);
    let lognormal = -1;
    let weibullShare = -1;
    for (let index = first[g] as number; index < (first[g + 1] as number); index++) {
      let crowd: number;
      if (weibull[index] === 1) crowd = weibullShare < 0 ? (weibullShare = crowdShare('weibull', shape, distance)) : weibullShare;
      else crowd = lognormal < 0 ? (lognormal = crowdShare('lognormal', shape, distance)) : lognormal;
      into[index] = (into[index] as number) + weight * (crowd + (stragglers[index] as number) * (late - crowd));
    }
  }
}

/** A weighted mean of all columns' curves: by place, so that each kernel is asked for once. */
export function meanCurve(
  { first, logMedian, shapes, weibull, stragglers }: Places,
  origins: readonly Origin[],
  weights: ArrayLike<number>,
): (progress: number) => number {
  const parts = new Float64Array(3 * shapes.length);
  for (let g = 0; g < shapes.length; g++) {
    for (let index = first[g] as number; index < (first[g + 1] as number); index++) {
      const late = (weights[index] as number) * (stragglers[index] as number);
      const crowd = 3 * g + (weibull[index] as number);
      parts[crowd] = (parts[crowd] as number) + (weights[index] as number) - late;
      parts[3 * g + 2] = (parts[3 * g + 2] as number) + late;
    }
  }
  const at = (logProgress: number): number => {
    let sum = 0;
    for (let g = 0; g < shapes.length; g++) {
      const shape = shapes[g] as LawShape;
      const distance = logProgress - (logMedian[g] as number);
      const [lognormal, weibullPart] = [parts[3 * g] as number, parts[3 * g + 1] as number];
      if (lognormal > 0) sum += lognormal * crowdShare('lognormal', shape, distance);
      if (weibullPart > 0) sum += weibullPart * crowdShare('weibull', shape, distance);
      sum += (parts[3 * g + 2] as number) * lateShare(shape, distance);
    }
    return sum;
  };
  return (progress) => mixed(origins, progress, at);
}
