import { ChanceMixture } from '../chance/index.js';
import { seenShare, type QuietGroup } from './evidence.js';
import type { Column, Posterior } from './posterior.js';
import { crowdShare, lateShare, tippedShare, type LawShape } from './tip-law.js';

/** Progress that something takes after the tip, spread, with weights summing to 1. */
export interface Lead {
  readonly progress: number;
  readonly weight: number;
}

const AT_ONCE: readonly Lead[] = [{ progress: 0, weight: 1 }];

const columnShare = ({ law, logMedian, shape }: Column, logProgress: number): number => tippedShare(law, shape, logProgress - logMedian);

/**
 * Tipped shares of all columns at one progress. The laws of a place share their
 * kernels and stragglers, so each is worked out once a place.
 */
function sharesAt(columns: readonly Column[], logProgress: number, into: Float64Array): Float64Array {
  let median = Number.NaN;
  let shape: LawShape | null = null;
  let distance = 0;
  let late = 0;
  let lognormal = -1;
  let weibull = -1;
  for (let index = 0; index < columns.length; index++) {
    const column = columns[index] as Column;
    if (column.logMedian !== median || column.shape !== shape) {
      median = column.logMedian;
      shape = column.shape;
      distance = logProgress - median;
      late = lateShare(shape, distance);
      lognormal = -1;
      weibull = -1;
    }
    let crowd: number;
    if (column.law.kernel === 'lognormal') crowd = lognormal < 0 ? (lognormal = crowdShare('lognormal', shape, distance)) : lognormal;
    else crowd = weibull < 0 ? (weibull = crowdShare('weibull', shape, distance)) : weibull;
    into[index] = (1 - column.law.stragglers) * crowd + column.law.stragglers * late;
  }
  return into;
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
   * @param coming share of the living that come at the temperatures they had; the rest are kept quiet by them
   */
  chanceAlive(coming: number): number;
  /** Living shares of the lot with their weights, and for each the chance that a quiet seed still comes. */
  byShare(): readonly { readonly share: number; readonly weight: number; readonly further: number }[];
}

/**
 * Prepares the answers about the seeds that were last seen quiet. A cell's chance
 * of a tip is v (F(t) - F(from)) / (1 - v F(from)): the factor before the bracket
 * does not depend on t, so its root is kept and every later question is one
 * multiplication a cell.
 *
 * @param group the seeds that may still come
 */
export function outlookFor(posterior: Posterior, group: QuietGroup): Outlook {
  const { count: quiet, progress: fromProgress } = group;
  const { columns, shares } = posterior;
  const before = columns.map((column) => seenShare(group, (progress) => columnShare(column, Math.log(progress))));
  const starts = new Int32Array(columns.length + 1);
  const cells = columns.length * shares.length;
  const roots = new Float64Array(cells);
  const weights = new Float64Array(cells);
  let count = 0;
  const scales = columns.map((column, index) => {
    const base = before[index] as number;
    let scale = 0;
    for (let i = 0; i < column.weights.length; i++) {
      const weight = column.weights[i] as number;
      if (weight === 0) continue;
      const v = shares[i] as number;
      const factor = v / Math.max(1 - v * base, 1e-300);
      roots[count] = Math.sqrt(factor);
      weights[count++] = weight;
      scale += weight * factor;
    }
    starts[index + 1] = count;
    return scale;
  });
  const by = new Float64Array(columns.length);
  const gains = new Float64Array(columns.length);

  const mixtureOf = (byProgress: number, leads: readonly Lead[]): ChanceMixture => {
    const mixture = new ChanceMixture();
    const times = leads
      .map(({ progress, weight }) => ({ by: byProgress - progress, weight }))
      .filter(({ by }) => by > fromProgress)
      .map(({ by, weight }) => ({ log: Math.log(by), weight }));
    gains.fill(0);
    for (const { log, weight } of times) {
      sharesAt(columns, log, by);
      for (let index = 0; index < columns.length; index++) {
        const gain = (by[index] as number) - (before[index] as number);
        if (gain > 0) gains[index] = (gains[index] as number) + weight * gain;
      }
    }
    for (let index = 0; index < columns.length; index++) {
      mixture.add(roots, weights, starts[index] as number, starts[index + 1] as number, Math.sqrt(gains[index] as number));
    }
    return mixture;
  };

  const meanTipped = (byProgress: number): number => {
    sharesAt(columns, Math.log(byProgress), by);
    return scales.reduce((sum, scale, index) => sum + scale * Math.max((by[index] as number) - (before[index] as number), 0), 0);
  };
  return {
    furtherTips: (byProgress) => mixtureOf(byProgress, AT_ONCE).distribution(quiet),
    chanceAny: (byProgress, leads = AT_ONCE) => 1 - Math.min(mixtureOf(byProgress, leads).none(quiet), 1),
    meanTipped,
    chanceAlive(coming) {
      let sum = 0;
      columns.forEach((column, index) => {
        const base = before[index] as number;
        column.weights.forEach((weight, i) => {
          const v = shares[i] as number;
          if (weight > 0) sum += (weight * (Math.min(v / coming, 1) - v * base)) / Math.max(1 - v * base, 1e-300);
        });
      });
      return sum;
    },
    byShare: () =>
      Array.from(shares, (share, i) => {
        let weight = 0;
        let further = 0;
        columns.forEach((column, index) => {
          const own = column.weights[i] as number;
          const base = before[index] as number;
          weight += own;
          further += (own * share * (1 - base)) / Math.max(1 - share * base, 1e-300);
        });
        return { share, weight, further: weight > 0 ? further / weight : 0 };
      }).filter(({ weight }) => weight > 0),
  };
}

/** Mean curve of the lot's living seeds: questions about the lot rather than about its quiet seeds. */
export interface LotCurve {
  /** Progress by which a share of the living has tipped, inside (0, 1). */
  progressOf(share: number): number;
  /** Progress by which half of those that tip between two progresses have tipped. */
  midway(fromProgress: number, toProgress: number): number;
}

/** Halves a stretch until it holds the point where a rising curve passes a level. */
function passes(rising: (x: number) => number, level: number, from: number, to: number, steps: number): number {
  let low = from;
  let high = to;
  for (let step = 0; step < steps; step++) {
    const middle = (low + high) / 2;
    if (rising(middle) < level) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

export function lotCurve(posterior: Posterior): LotCurve {
  const weights = posterior.columns.map((column) => column.weights.reduce((sum, weight) => sum + weight, 0));
  const by = new Float64Array(weights.length);
  const curve = (log: number): number => {
    sharesAt(posterior.columns, log, by);
    return weights.reduce((sum, weight, index) => sum + weight * (by[index] as number), 0);
  };
  return {
    progressOf: (share) => Math.exp(passes(curve, share, Math.log(1e-3), Math.log(1e4), 16)),
    midway(fromProgress, toProgress) {
      const at = (progress: number): number => curve(Math.log(progress));
      return passes(at, (at(fromProgress) + at(toProgress)) / 2, fromProgress, toProgress, 8);
    },
  };
}
