/** How roots of a lot grow. */
export interface RootGrowth {
  /** mm in a day at the crop's optimum; scales with temperature as development does. */
  readonly mmPerDayAtOptimum: number;
  /** Sd of log elongation rate: between the seeds of a lot, and what is not known of the lot. */
  readonly logSd: number;
  /** Length at which the household's school moves it. */
  readonly readyMm: number;
  /** Length at which it enters the paper. */
  readonly lateMm: number;
}

/**
 * Five-point Gauss-Hermite nodes of a standard normal (Abramowitz and Stegun,
 * table 25.10, rescaled): with three the fast tail of the roots would be lumped.
 */
const NODES = [
  { z: -2.85697, weight: 0.0112574 },
  { z: -1.355626, weight: 0.2220759 },
  { z: 0, weight: 0.5333334 },
  { z: 1.355626, weight: 0.2220759 },
  { z: 2.85697, weight: 0.0112574 },
] as const;

/**
 * Progress (days at the optimum) that a root needs to grow to a length, as a
 * small distribution over fast, usual and slow roots.
 */
export function leadsTo(growth: RootGrowth, lengthMm: number): { progress: number; weight: number }[] {
  return NODES.map(({ z, weight }) => ({
    progress: lengthMm / (growth.mmPerDayAtOptimum * Math.exp(growth.logSd * z)),
    weight,
  }));
}

/** Roots that showed between two progresses, or were measured at the later one. */
export interface RootCohort {
  readonly fromProgress: number;
  readonly toProgress: number;
  /** Where between the two the tip most likely came. */
  readonly usualProgress: number;
  readonly count: number;
  /** Length measured at `toProgress`, where someone did. */
  readonly measuredMm: number | null;
}

/** When a cohort passes a length, as progress: for the fastest that could be, the usual, and nearly the slowest. */
export interface PassingProgress {
  readonly earliest: number;
  readonly usual: number;
  readonly latest: number;
}

/** One tenth of the roots are faster (or slower) than this factor. */
const tenth = ({ logSd }: RootGrowth): number => Math.exp(1.2816 * logSd);

/**
 * Progress at which roots of a cohort pass a length: an unmeasured one may have
 * tipped right after the earlier look and be among the fastest tenth.
 */
export function passing(growth: RootGrowth, cohort: RootCohort, lengthMm: number): PassingProgress {
  const fast = tenth(growth);
  if (cohort.measuredMm !== null) {
    const lead = (lengthMm - cohort.measuredMm) / growth.mmPerDayAtOptimum;
    const spread = (factor: number): number => cohort.toProgress + (lead > 0 ? lead * factor : lead);
    return { earliest: spread(1 / fast), usual: spread(1), latest: spread(fast) };
  }
  const lead = lengthMm / growth.mmPerDayAtOptimum;
  return {
    earliest: cohort.fromProgress + lead / fast,
    usual: cohort.usualProgress + lead,
    latest: cohort.toProgress + lead * fast,
  };
}

/** A folded towel holds no longer root: it coils, and without light or food it stops. Guess. */
export const MOST_MM = 120;

/** Usual length of a cohort's roots at a progress, mm; never negative. */
export function usualLength(growth: RootGrowth, cohort: RootCohort, progress: number): number {
  const since = cohort.measuredMm !== null ? cohort.toProgress : cohort.usualProgress;
  const grown = Math.max((cohort.measuredMm ?? 0) + growth.mmPerDayAtOptimum * (progress - since), 0);
  return Math.max(Math.min(grown, MOST_MM), cohort.measuredMm ?? 0);
}
