import type { Crop } from '../crops/index.js';

/** Lengths at which the schools move a sprout, mm. Common practice, no source. */
export const ROOT_SCHOOLS = { tip: 2, short: 8, finger: 16 } as const;
/** A school, or what the crop's own sheet advises. */
export type RootSchool = keyof typeof ROOT_SCHOOLS | 'crop';

/**
 * Root length at which a sprout is ready, mm: the household's school, but what
 * hates being moved is moved when its sheet says.
 */
export function readyLength({ root }: Crop, school: RootSchool): number {
  if (school === 'crop' || root.shy === 2) return root.readyMm;
  return ROOT_SCHOOLS[school];
}

/** Sd of log elongation rate between the seeds of a lot. Guess. */
export const SEED_LOG_SD = 0.25;
/** Sd between lots, wider where the crop's figure is a guess. Guess. */
const LOT_LOG_SD = { high: 0.15, med: 0.2, low: 0.25 } as const;
/** A ruler on damp paper is good to about this, mm. Common practice, no source. */
const RULER_SD_MM = 1;

/** A root that somebody measured. */
export interface MeasuredRoot {
  readonly seed: number;
  /** Progress between which its tip came. */
  readonly fromProgress: number;
  readonly toProgress: number;
  readonly atProgress: number;
  readonly lengthMm: number;
}

/** Rate of a lot against the crop's figure. */
export interface RateKnown {
  readonly factor: number;
  /** Sd of log rate that remains: between seeds, and of the lot. */
  readonly logSd: number;
  /** Seeds that told it. */
  readonly seeds: number;
}

const STEPS = 40;
const REACH_SD = 4;
/** Points within the stretch in which a tip came. */
const TIP_POINTS = [0.1, 0.3, 0.5, 0.7, 0.9] as const;

const density = (z: number, sd: number): number => Math.exp(-((z / sd) ** 2) / 2) / sd;

/** Likelihood of one seed's measurements at a rate, mm a day at the optimum. */
function likelihood(measures: readonly MeasuredRoot[], rate: number): number {
  const [first] = measures;
  const last = measures.at(-1);
  if (!first || !last) return 1;
  const sdOf = (lengthMm: number): number => Math.hypot(SEED_LOG_SD, RULER_SD_MM / Math.max(lengthMm, 1));
  const grown = last.lengthMm - first.lengthMm;
  const between = last.atProgress - first.atProgress;
  // Two measures of one root tell its rate without a word on when its tip came.
  if (between > 0 && grown > 2 * RULER_SD_MM) return density(Math.log(grown / (rate * between)), sdOf(grown / Math.SQRT2));
  const to = Math.min(last.toProgress, last.atProgress);
  return TIP_POINTS.reduce((sum, share) => {
    const since = last.atProgress - (last.fromProgress + share * (to - last.fromProgress));
    return sum + density(Math.log(Math.max(last.lengthMm, 0.5) / (rate * Math.max(since, 1e-6))), sdOf(last.lengthMm));
  }, 0);
}

/**
 * What measured roots say of how fast this lot's roots grow: the crop's figure
 * corrected, on a grid. Without a measure it is the crop's figure with all that is
 * not known of the lot.
 *
 * @param measures of any seeds, in any order
 */
export function rateFrom({ root }: Crop, measures: readonly MeasuredRoot[]): RateKnown {
  const lotSd = LOT_LOG_SD[root.confidence];
  const bySeed = new Map<number, MeasuredRoot[]>();
  for (const one of [...measures].sort((a, b) => a.atProgress - b.atProgress)) bySeed.set(one.seed, [...(bySeed.get(one.seed) ?? []), one]);
  if (bySeed.size === 0) return { factor: 1, logSd: Math.hypot(SEED_LOG_SD, lotSd), seeds: 0 };
  let total = 0;
  let sum = 0;
  let square = 0;
  for (let step = -STEPS; step <= STEPS; step++) {
    const log = (step / STEPS) * REACH_SD * lotSd;
    let weight = Math.exp(-((log / lotSd) ** 2) / 2);
    for (const own of bySeed.values()) weight *= Math.max(likelihood(own, root.mmPerDayAtOptimum * Math.exp(log)), 1e-9);
    total += weight;
    sum += weight * log;
    square += weight * log * log;
  }
  const mean = sum / total;
  const sd = Math.sqrt(Math.max(square / total - mean * mean, 0));
  return { factor: Math.exp(mean), logSd: Math.hypot(SEED_LOG_SD, sd), seeds: bySeed.size };
}
