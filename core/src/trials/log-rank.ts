import { turnbull, type CensoredStretch } from '../forecast/index.js';

/** What the seeds of one side showed, on the clock that all sides share. */
export type Side = readonly CensoredStretch[];

/** x log x, which goes to 0 with x. */
const timesLog = (x: number): number => (x > 0 ? x * Math.log(x) : 0);

/**
 * Scores of the log-rank test for times that are only known to lie between two looks:
 * higher the sooner a seed came, and adding up to 0 over all of them.
 *
 * Source: D. M. Finkelstein, "A proportional hazards model for interval-censored failure
 * time data", *Biometrics* 42 (1986) 845-854, with S the non-parametric curve of all
 * sides together (`turnbull`): (S(l) log S(l) - S(r) log S(r)) / (S(l) - S(r)).
 *
 * @returns side by side, the score of each seed, in the order of the stretches
 * @throws RangeError where a side has no seeds
 */
export function logRankScores(sides: readonly Side[]): Float64Array[] {
  sides.forEach((side, index) => {
    if (side.reduce((sum, { count }) => sum + count, 0) < 1) throw new RangeError(`side ${index + 1} has no seeds`);
  });
  const masses = turnbull(alike(sides.flat()));
  const quietAt = (moment: number): number => masses.reduce((left, { to, mass }) => (to <= moment ? left - mass : left), 1);
  const scoreOf = ({ left, right }: CensoredStretch): number => {
    const [before, after] = [quietAt(left), right === Infinity ? 0 : Math.max(quietAt(right), 0)];
    return (timesLog(before) - timesLog(after)) / (before - after);
  };
  return sides.map((side) => Float64Array.from(side.flatMap((stretch) => new Array<number>(stretch.count).fill(scoreOf(stretch)))));
}

/** Stretches that are the same put together: the curve's cost goes with their number. */
function alike(stretches: readonly CensoredStretch[]): CensoredStretch[] {
  const known = new Map<string, CensoredStretch>();
  for (const { left, right, count } of stretches) {
    const key = `${left} ${right}`;
    known.set(key, { left, right, count: count + (known.get(key)?.count ?? 0) });
  }
  return [...known.values()].filter(({ count }) => count > 0);
}
