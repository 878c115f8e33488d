import { logSince, mixed, type Origin } from './origins.js';
import type { Column, Posterior } from './column.js';
import { crowdShare, KERNELS, lateShare, type LawShape } from './tip-law.js';

/** Columns that share a median and a spread, and so their kernels and stragglers, in flat lists. */
export interface Places {
  /** Columns of place g are those from `first[g]` to `first[g + 1]`, exclusive. */
  readonly first: Int32Array;
  readonly logMedian: Float64Array;
  readonly shapes: readonly LawShape[];
  /** By column: which of {@link KERNELS}, and the share that straggles. */
  readonly kernel: Uint8Array;
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
  const kernel = new Uint8Array(columns.length);
  const stragglers = new Float64Array(columns.length);
  let last: Column | null = null;
  for (let index = 0; index < columns.length; index++) {
    const column = columns[index] as Column;
    if (last === null || last.logMedian !== column.logMedian || last.shape !== column.shape) first.push(index);
    kernel[index] = KERNELS.indexOf(column.law.kernel);
    stragglers[index] = column.law.stragglers;
    last = column;
  }
  return {
    first: Int32Array.from([...first, columns.length]),
    logMedian: Float64Array.from(first, (index) => (columns[index] as Column).logMedian),
    shapes: first.map((index) => (columns[index] as Column).shape),
    kernel,
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

/** Shares by kernel at one place, worked out when first asked for. */
const crowds = new Float64Array(KERNELS.length);

function addShares(
  { first, logMedian, shapes, kernel, stragglers }: Places,
  logProgress: number,
  weight: number,
  into: Float64Array,
): void {
  for (let g = 0; g < shapes.length; g++) {
    const shape = shapes[g] as LawShape;
    const distance = logProgress - (logMedian[g] as number);
    const late = lateShare(shape, distance);
    crowds.fill(-1);
    for (let index = first[g] as number; index < (first[g + 1] as number); index++) {
      const own = kernel[index] as number;
      let crowd = crowds[own] as number;
      if (crowd < 0) crowd = crowds[own] = crowdShare(own, shape, distance);
      into[index] = (into[index] as number) + weight * (crowd + (stragglers[index] as number) * (late - crowd));
    }
  }
}

/** Weights of a place: one for each kernel, and one for what straggles. */
const PARTS = KERNELS.length + 1;

/** A weighted mean of all columns' curves: by place, so that each kernel is asked for once. */
export function meanCurve(
  { first, logMedian, shapes, kernel, stragglers }: Places,
  origins: readonly Origin[],
  weights: ArrayLike<number>,
): (progress: number) => number {
  const parts = new Float64Array(PARTS * shapes.length);
  for (let g = 0; g < shapes.length; g++) {
    const straggling = PARTS * (g + 1) - 1;
    for (let index = first[g] as number; index < (first[g + 1] as number); index++) {
      const late = (weights[index] as number) * (stragglers[index] as number);
      const crowd = PARTS * g + (kernel[index] as number);
      parts[crowd] = (parts[crowd] as number) + (weights[index] as number) - late;
      parts[straggling] = (parts[straggling] as number) + late;
    }
  }
  const at = (logProgress: number): number => {
    let sum = 0;
    for (let g = 0; g < shapes.length; g++) {
      const shape = shapes[g] as LawShape;
      const distance = logProgress - (logMedian[g] as number);
      for (let own = 0; own < KERNELS.length; own++) {
        const part = parts[PARTS * g + own] as number;
        if (part > 0) sum += part * crowdShare(own, shape, distance);
      }
      sum += (parts[PARTS * (g + 1) - 1] as number) * lateShare(shape, distance);
    }
    return sum;
  };
  return (progress) => mixed(origins, progress, at);
}
