import { logSince, mixed, type Origin } from './origins.js';
import type { Column, Posterior } from './column.js';
import { crowdShare, KERNELS, lateShare, type LawShape } from './tip-law.js';

/** Columns that share a kernel, a median and a spread, and so their crowds, in flat lists. */
export interface Places {
  /** Columns of place g are those from `first[g]` to `first[g + 1]`, exclusive. */
  readonly first: Int32Array;
  readonly logMedian: Float64Array;
  readonly shapes: readonly LawShape[];
  /** Which of {@link KERNELS}. */
  readonly kernel: Uint8Array;
  /** By column: the share that straggles. */
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
  const stragglers = new Float64Array(columns.length);
  let last: Column | null = null;
  for (let index = 0; index < columns.length; index++) {
    const column = columns[index] as Column;
    // Each kernel has shapes of its own.
    if (last === null || last.logMedian !== column.logMedian || last.shape !== column.shape) first.push(index);
    stragglers[index] = column.law.stragglers;
    last = column;
  }
  return {
    first: Int32Array.from([...first, columns.length]),
    logMedian: Float64Array.from(first, (index) => (columns[index] as Column).logMedian),
    shapes: first.map((index) => (columns[index] as Column).shape),
    kernel: Uint8Array.from(first, (index) => KERNELS.indexOf((columns[index] as Column).law.kernel)),
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
  { first, logMedian, shapes, kernel, stragglers }: Places,
  logProgress: number,
  weight: number,
  into: Float64Array,
): void {
  for (let g = 0; g < shapes.length; g++) {
    const shape = shapes[g] as LawShape;
    const distance = logProgress - (logMedian[g] as number);
    const crowd = crowdShare(kernel[g] as number, shape, distance);
    const later = lateShare(shape, distance) - crowd;
    for (let index = first[g] as number, end = first[g + 1] as number; index < end; index++) {
      into[index] = (into[index] as number) + weight * (crowd + (stragglers[index] as number) * later);
    }
  }
}

/** A weighted mean of all columns' curves: by place, so that crowd and stragglers are asked for once. */
export function meanCurve(
  { first, logMedian, shapes, kernel, stragglers }: Places,
  origins: readonly Origin[],
  weights: ArrayLike<number>,
): (progress: number) => number {
  const crowds = new Float64Array(shapes.length);
  const late = new Float64Array(shapes.length);
  for (let g = 0; g < shapes.length; g++) {
    for (let index = first[g] as number; index < (first[g + 1] as number); index++) {
      const straggling = (weights[index] as number) * (stragglers[index] as number);
      crowds[g] = (crowds[g] as number) + (weights[index] as number) - straggling;
      late[g] = (late[g] as number) + straggling;
    }
  }
  const at = (logProgress: number): number => {
    let sum = 0;
    for (let g = 0; g < shapes.length; g++) {
      const shape = shapes[g] as LawShape;
      const distance = logProgress - (logMedian[g] as number);
      sum += (crowds[g] as number) * crowdShare(kernel[g] as number, shape, distance) + (late[g] as number) * lateShare(shape, distance);
    }
    return sum;
  };
  return (progress) => mixed(origins, progress, at);
}
