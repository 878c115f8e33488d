import { AT_START, released, type Origin } from './origins.js';
import { meanCurve, placesOf } from './places.js';
import type { Posterior } from './column.js';

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
