import { foundShare, seenShare, type Evidence, type QuietGroup } from './evidence.js';

/** Keeps an interval the law calls impossible from ruling out every law alike. */
export const LEAST_CHANCE = 1e-300;

/** Share of the living that has shown a tip by a progress. */
export type TippedBy = (progress: number) => number;

/** Groups of seeds last seen quiet, rotten ones among them, that are not empty: one a moment, those that may still come last. */
export function quietGroups({ removed, quiet }: Evidence): QuietGroup[] {
  const groups: QuietGroup[] = [];
  for (const group of [...removed, quiet]) {
    if (group.count === 0) continue;
    const same = group.through ? -1 : groups.findIndex(({ progress }) => progress === group.progress);
    const [known] = same < 0 ? [] : groups.splice(same, 1);
    groups.push(known ? { ...group, count: group.count + known.count } : group);
  }
  return groups;
}

/**
 * Log-likelihood of interval-censored looks at one living share and one law:
 * multinomial over the intervals, times (1 - v F) for each seed still quiet.
 * With v = 1 it is the interval-censored likelihood of R's `survreg`.
 *
 * @param livingShare v, inside (0, 1]
 */
export function logLikelihood(evidence: Evidence, livingShare: number, tippedBy: TippedBy): number {
  const tips = evidence.tips.reduce(
    (sum, tip) => sum + tip.count * (Math.log(livingShare) + Math.log(Math.max(foundShare(tip, tippedBy), LEAST_CHANCE))),
    0,
  );
  return quietGroups(evidence).reduce((sum, group) => sum + group.count * Math.log1p(-livingShare * seenShare(group, tippedBy)), tips);
}
