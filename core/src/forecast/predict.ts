import { countingOf } from './counting.js';
import { seenShare, thinned, type Harm, type QuietGroup } from './evidence.js';
import { AT_START, logSince, mixed, released, type Origin } from './origins.js';
import type { Column, Posterior } from './posterior.js';
import { crowdShare, lateShare, tippedShare, type LawShape } from './tip-law.js';

/** Progress that something takes after the tip, spread, with weights summing to 1. */
export interface Lead {
  readonly progress: number;
  readonly weight: number;
}

const AT_ONCE: readonly Lead[] = [{ progress: 0, weight: 1 }];

/** Share of a column's living that has tipped by a progress. */
const columnShare = ({ law, logMedian, shape }: Column, origins: readonly Origin[], progress: number): number =>
  mixed(origins, progress, (logProgress) => tippedShare(law, shape, logProgress - logMedian));

/** Columns that share a median and a spread, and so their kernels and stragglers, in flat lists. */
interface Places {
  /** Columns of place g are those from `first[g]` to `first[g + 1]`, exclusive. */
  readonly first: Int32Array;
  readonly logMedian: Float64Array;
  readonly shapes: readonly LawShape[];
  /** By column. */
  readonly weibull: Uint8Array;
  readonly stragglers: Float64Array;
}

/** Places of a posterior: what is asked of its quiet seeds and of its lot share them. */
const known = new WeakMap<Posterior, Places>();

function placesOf(posterior: Posterior): Places {
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
function sharesAt(places: Places, origins: readonly Origin[], progress: number, into: Float64Array): Float64Array {
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
function meanCurve(
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

/** What the posterior says of seeds last seen quiet at one progress. */
export interface Outlook {
  /** Distribution of how many have shown a tip by a progress; chances of 0 … quiet. */
  furtherTips(byProgress: number): Float64Array;
  /**
   * Chance that at least one tipped early enough to be `leads` further by a
   * progress, nobody having looked in between. Roots differ in speed, so the
   * lead is itself spread.
   */
  chanceAny(byProgress: number, leads?: readonly Lead[]): number;
  /** Mean share that has tipped by a progress. */
  meanTipped(byProgress: number): number;
  /**
   * Chance that one of them is alive.
   *
   * @param atTheirWarmth share of the living that come at the temperatures they had; the rest are kept quiet by them
   */
  chanceAlive(atTheirWarmth: number): number;
  /** Living shares of the lot with their weights, and for each the chance that a quiet seed still comes. */
  byShare(): readonly { readonly share: number; readonly weight: number; readonly further: number }[];
}

/** Living shares of the lot with their weights, and for each the chance that a quiet seed still comes. */
const sharesOf = (
  { columns, shares }: Posterior,
  before: Float64Array,
  whole: (column: number) => number,
): ReturnType<Outlook['byShare']> =>
  Array.from(shares, (share, i) => {
    let weight = 0;
    let further = 0;
    columns.forEach((column, index) => {
      const own = column.weights[i] as number;
      const base = before[index] as number;
      weight += own;
      further += (own * share * (whole(index) - base)) / Math.max(1 - share * base, 1e-300);
    });
    return { share, weight, further: weight > 0 ? further / weight : 0 };
  }).filter(({ weight }) => weight > 0);

/**
 * Prepares the answers about the seeds that were last seen quiet. A cell's chance
 * of a tip is v (F(t) - F(from)) / (1 - v F(from)): the factor before the bracket
 * does not depend on t and is worked out once.
 *
 * @param group the seeds that may still come
 * @param harm heat that took some of what had not shown by then
 * @param holding what holds some of the seed back
 */
export function outlookFor(
  posterior: Posterior,
  group: QuietGroup,
  harm: Harm | null = null,
  holding: readonly Origin[] = AT_START,
): Outlook {
  const { count: quiet, progress: fromProgress } = group;
  const origins = released(holding);
  /** Share of the living that is not held back for good. */
  const coming = origins.reduce((sum, { weight }) => sum + weight, 0);
  const { columns, shares } = posterior;
  const places = placesOf(posterior);
  const survival = harm?.survival ?? 1;
  const struck = harm?.progress ?? Infinity;
  const atHarm = Float64Array.from(columns, (column) => (harm ? columnShare(column, origins, struck) : 1));
  /** A column's share by a progress, what heat took left out. */
  const left = (share: number, column: number, progress: number): number =>
    progress > struck ? thinned(share, atHarm[column] as number, survival) : share;
  /** Share of a column's living that comes in the end, and that is alive to come if what holds it is undone. */
  const whole = (column: number): number => left(coming, column, Infinity);
  const alive = (column: number): number => left(1, column, Infinity);
  const before = Float64Array.from(columns, (column, index) =>
    seenShare(group, (progress) => left(columnShare(column, origins, progress), index, progress)),
  );
  const factorOf = (share: number, column: number): number => share / Math.max(1 - share * (before[column] as number), 1e-300);
  const counting = countingOf(posterior, factorOf, quiet);
  const scales = Float64Array.from(columns, ({ weights }, column) =>
    weights.reduce((sum, weight, i) => sum + weight * factorOf(shares[i] as number, column), 0),
  );
  const by = new Float64Array(columns.length);
  const gains = new Float64Array(columns.length);

  /** Share of the living that tips between the last look and so many progresses less a lead, by column. */
  const gainsBy = (byProgress: number, leads: readonly Lead[]): Float64Array => {
    gains.fill(0);
    for (const { progress, weight } of leads) {
      if (byProgress - progress <= fromProgress) continue;
      sharesAt(places, origins, byProgress - progress, by);
      for (let index = 0; index < columns.length; index++) {
        const gain = left(by[index] as number, index, byProgress - progress) - (before[index] as number);
        if (gain > 0) gains[index] = (gains[index] as number) + weight * gain;
      }
    }
    return gains;
  };

  const meanAll = meanCurve(places, origins, scales);
  const meanAtHarm = harm ? meanAll(struck) : 0;
  const meanBy = (progress: number): number => (progress > struck ? thinned(meanAll(progress), meanAtHarm, survival) : meanAll(progress));
  const meanBefore = scales.reduce((sum, scale, index) => sum + scale * (before[index] as number), 0);
  const told = new Map<number, Float64Array>();
  let shared: ReturnType<Outlook['byShare']> | null = null;
  return {
    furtherTips(byProgress) {
      const known = told.get(byProgress) ?? counting.counts(gainsBy(byProgress, AT_ONCE));
      told.set(byProgress, known);
      return known;
    },
    chanceAny: (byProgress, leads = AT_ONCE) => counting.any(gainsBy(byProgress, leads)),
    // A look through the bag has seen some that had not tipped when it was last opened: never less than nothing.
    meanTipped: (byProgress) => (byProgress <= fromProgress ? 0 : Math.max(meanBy(byProgress) - meanBefore, 0)),
    chanceAlive(atTheirWarmth) {
      let sum = 0;
      columns.forEach((column, index) => {
        const base = before[index] as number;
        column.weights.forEach((weight, i) => {
          const v = shares[i] as number;
          if (weight > 0) sum += (weight * (Math.min(v / atTheirWarmth, 1) * alive(index) - v * base)) / Math.max(1 - v * base, 1e-300);
        });
      });
      // Weights add up to one but for the last digits.
      return Math.min(Math.max(sum, 0), 1);
    },
    byShare: () => (shared ??= sharesOf(posterior, before, whole)),
  };
}

/** Mean curve of the lot's living seeds: questions about the lot rather than about its quiet seeds. */
export interface LotCurve {
  /** Share of the living that is not held back for good. */
  readonly coming: number;
  /** Progress by which a share of those has tipped, inside (0, 1). */
  progressOf(share: number): number;
  /** Progress by which half of those that tip between two progresses have tipped. */
  midway(fromProgress: number, toProgress: number): number;
}

/**
 * Where a rising curve passes 0 between two points, by the false position whose idle
 * end counts half (the Illinois rule): a handful of questions where halving asks a dozen.
 *
 * @param near how close to 0 is close enough
 */
function passes(rising: (x: number) => number, from: number, to: number, near: number): number {
  let [low, high] = [from, to];
  let [below, above] = [rising(low), rising(high)];
  if (below >= 0 || above <= 0) return below >= 0 ? low : high;
  for (let step = 0, last = 0; step < 40; step++) {
    const x = (low * above - high * below) / (above - below);
    const y = rising(x);
    if (Math.abs(y) < near) return x;
    if (y < 0) {
      if (last < 0) above /= 2;
      [low, below, last] = [x, y, -1];
    } else {
      if (last > 0) below /= 2;
      [high, above, last] = [x, y, 1];
    }
  }
  return (low + high) / 2;
}

/** A rise of the curve below this is rounding. */
const LEAST_RISE = 1e-12;

export function lotCurve(posterior: Posterior, holding: readonly Origin[] = AT_START): LotCurve {
  const places = placesOf(posterior);
  const origins = released(holding);
  const coming = origins.reduce((sum, { weight }) => sum + weight, 0);
  const curve = meanCurve(
    places,
    origins,
    Float64Array.from(posterior.columns, ({ weights }) => weights.reduce((sum, weight) => sum + weight, 0)),
  );
  return {
    coming,
    progressOf: (share) =>
      Math.exp(passes((logProgress) => curve(Math.exp(logProgress)) - share * coming, Math.log(1e-3), Math.log(1e4), 1e-5)),
    midway(fromProgress, toProgress) {
      const [from, to] = [curve(fromProgress), curve(toProgress)];
      // Tips where the lot can hardly have shown any: nothing tells one moment from another.
      if (to - from < LEAST_RISE) return (fromProgress + toProgress) / 2;
      const half = (from + to) / 2;
      const past = (progress: number): number => (progress === fromProgress ? from : progress === toProgress ? to : curve(progress)) - half;
      return passes(past, fromProgress, toProgress, (to - from) / 500);
    },
  };
}
