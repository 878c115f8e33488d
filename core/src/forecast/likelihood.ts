import { seenShare, type Evidence, type QuietGroup } from './evidence.js';

/** Keeps an interval the law calls impossible from ruling out every law alike. */
export const LEAST_CHANCE = 1e-300;

/** Share of the living that has shown a tip by a progress. */
export type TippedBy = (progress: number) => number;

/** Groups of seeds last seen quiet, rotten ones among them, that are not empty. */
export const quietGroups = (evidence: Evidence): QuietGroup[] => [...evidence.removed, evidence.quiet].filter((group) => group.count > 0);

/**
 * Log-likelihood of interval-censored looks at one living share and one law:
 * multinomial over the intervals, times (1 - v F) for each seed still quiet.
 * With v = 1 it is the interval-censored likelihood of R's `survreg`.
 *
 * @param livingShare v, inside (0, 1]
 */
export function logLikelihood(evidence: Evidence, livingShare: number, tippedBy: TippedBy): number {
  const tips = evidence.tips.reduce(
    (sum, { fromProgress, toProgress, count }) =>
      sum + count * (Math.log(livingShare) + Math.log(Math.max(tippedBy(toProgress) - tippedBy(fromProgress), LEAST_CHANCE))),
    0,
  );
  return quietGroups(evidence).reduce((sum, group) => sum + group.count * Math.log1p(-livingShare * seenShare(group, tippedBy)), tips);
}
