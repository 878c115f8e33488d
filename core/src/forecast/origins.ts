/**
 * A part of the living whose progress counts only from a later one: seed that waits for
 * its chill, or whose coat lets water in late.
 */
export interface Origin {
  /** Progress of the batch at which its own begins, days at the optimum; Infinity where it is held back for good. */
  readonly progress: number;
  /** Share of the living; all together sum to 1. */
  readonly weight: number;
}

/** Seed that nothing holds back. */
export const AT_START: readonly Origin[] = [{ progress: 0, weight: 1 }];

/** Origins that are reached at all: what is held back for good never tips. */
export const released = (origins: readonly Origin[]): readonly Origin[] => origins.filter(({ progress }) => progress < Infinity);

/** Log of a seed's own progress; -Infinity before it has begun. */
export const logSince = (progress: number, origin: number): number => (progress > origin ? Math.log(progress - origin) : -Infinity);

/** Share of the living that has tipped by a progress, as a mixture over their origins. */
export const mixed = (origins: readonly Origin[], progress: number, tippedBy: (logProgress: number) => number): number =>
  origins.reduce((sum, { progress: origin, weight }) => sum + weight * (progress > origin ? tippedBy(logSince(progress, origin)) : 0), 0);
