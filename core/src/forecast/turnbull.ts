/** A seed known to have tipped after `left` and by `right`; Infinity where it has not been seen to. */
export interface CensoredStretch {
  readonly left: number;
  readonly right: number;
  readonly count: number;
}

/** A stretch into which the non-parametric estimate puts mass; where inside it, the data cannot say. */
export interface MassStretch {
  readonly from: number;
  readonly to: number;
  readonly mass: number;
}

const MOST_ROUNDS = 20_000;

/**
 * Non-parametric maximum likelihood estimate of a distribution from
 * interval-censored times, overlapping ones among them.
 *
 * Source: B. W. Turnbull, "The empirical distribution function with arbitrarily
 * grouped, censored and truncated data", Journal of the Royal Statistical Society
 * B 38 (1976) 290-295: self-consistent masses on the innermost stretches.
 *
 * @param intervals half open, (left, right]; left < right
 * @param tolerance largest change of a mass at which the rounds end
 * @returns stretches in order, masses summing to 1; mass up to Infinity is of those not seen
 * @throws RangeError where there are no intervals or one is empty
 */
export function turnbull(intervals: readonly CensoredStretch[], tolerance = 1e-10): MassStretch[] {
  if (intervals.length === 0) throw new RangeError('intervals: at least one is needed');
  if (intervals.some(({ left, right }) => !(left < right))) throw new RangeError('intervals: left must lie before right');
  const stretches = innermost(intervals);
  const total = intervals.reduce((sum, { count }) => sum + count, 0);
  const holds = intervals.map(({ left, right }) => stretches.map(({ from, to }) => left <= from && to <= right));
  let mass = stretches.map(() => 1 / stretches.length);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const next = stretches.map(() => 0);
    intervals.forEach(({ count }, i) => {
      const inside = mass.reduce((sum, m, j) => sum + (holds[i]?.[j] ? m : 0), 0);
      mass.forEach((m, j) => {
        if (holds[i]?.[j]) next[j] = (next[j] ?? 0) + (count * m) / (inside * total);
      });
    });
    const moved = Math.max(...next.map((m, j) => Math.abs(m - (mass[j] ?? 0))));
    mass = next;
    if (moved < tolerance) break;
  }
  return stretches.map((stretch, index) => ({ ...stretch, mass: mass[index] ?? 0 }));
}

/** Stretches from a left end to the next right end with no other left end between: only there can mass lie. */
function innermost(intervals: readonly CensoredStretch[]): { from: number; to: number }[] {
  const ends = [...new Set(intervals.map(({ left }) => left)).values()].map((at) => ({ at, left: true }));
  const rights = [...new Set(intervals.map(({ right }) => right))].map((at) => ({ at, left: false }));
  // At the same moment a right end comes first: the intervals are open on the left.
  const all = [...ends, ...rights].sort((a, b) => a.at - b.at || Number(a.left) - Number(b.left));
  return all.flatMap((end, index) => {
    const after = all[index + 1];
    return end.left && after && !after.left ? [{ from: end.at, to: after.at }] : [];
  });
}
