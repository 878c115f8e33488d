/** Why a parcel is to be opened when it is. */
export type LookReason = 'tips' | 'late' | 'move' | 'water' | 'chill' | 'patience';

/** The next look at a parcel. */
export interface NextLook {
  readonly atMs: number;
  readonly reason: LookReason;
}

/** What the decision hangs on. */
export interface LookQuestion {
  /** Moments at which somebody could look: now, then the household's looking times, rising. */
  readonly timesMs: readonly number[];
  /** Most a seed may be let past "late" unseen by waiting for the next time: chance for any seed, per look. */
  readonly tolerance: number;
  /** Until when a look at the quiet seeds can tell nothing new, as somebody has just looked. */
  readonly seenUntilMs: number;
  /** Chance that a quiet seed has gone past "late" by a moment; rises with time. */
  readonly quietLateBy: (ms: number) => number;
  /** Chance that some root already seen has gone past "late" by a moment; rises with time. */
  readonly shownLateBy: (ms: number) => number;
  /** When the first root already seen is ready to move, where there is one. */
  readonly readyMs: number | null;
  /** When the towel passes from damp to drying. */
  readonly dryingMs: number;
  /** End of the chill, where it is still going on. */
  readonly chillUntilMs: number | null;
  /** When patience ends and the parcel is judged. */
  readonly patienceMs: number;
}

/**
 * When to look next: at the first looking time where waiting for the one after
 * would let a seed pass "late" unseen with more than the household's tolerance,
 * or let the towel dry, or leave a ready root standing. Looking is a decision,
 * not a habit: each opening cools and dries.
 *
 * @throws RangeError where fewer than two times are given
 */
export function nextLook(question: LookQuestion): NextLook {
  const { timesMs, tolerance } = question;
  const last = timesMs.length - 1;
  if (last < 1) throw new RangeError('timesMs: now and at least one looking time are needed');
  const time = (index: number): number => timesMs[Math.min(index, last)] as number;
  const firstIndex = (due: (index: number) => boolean): number => {
    let low = 0;
    let high = last;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (due(middle)) high = middle;
      else low = middle + 1;
    }
    return low;
  };
  // The chance rises with time, so the first time that is too late is found by halving.
  const late = (chance: (ms: number) => number): number => firstIndex((index) => chance(time(index + 1)) > tolerance);
  const options: NextLook[] = [
    { atMs: time(firstIndex((index) => time(index + 1) > question.dryingMs)), reason: 'water' },
    { atMs: time(firstIndex((index) => time(index) >= question.patienceMs)), reason: 'patience' },
  ];
  if (question.readyMs !== null) {
    const ready = question.readyMs;
    options.push({ atMs: time(firstIndex((index) => time(index) >= ready)), reason: 'move' });
  }
  const shownLate = late(question.shownLateBy);
  if (shownLate < last) options.push({ atMs: time(shownLate), reason: 'late' });
  const until = question.chillUntilMs;
  if (until !== null) {
    options.push({ atMs: time(firstIndex((index) => time(index) >= until)), reason: 'chill' });
  }
  const tips = late(question.quietLateBy);
  const worthwhile = firstIndex((index) => time(index) >= question.seenUntilMs);
  if (tips < last) options.push({ atMs: time(Math.max(tips, worthwhile)), reason: 'tips' });
  const rank: LookReason[] = ['late', 'move', 'tips', 'water', 'chill', 'patience'];
  return options.reduce((best, option) =>
    option.atMs < best.atMs || (option.atMs === best.atMs && rank.indexOf(option.reason) < rank.indexOf(best.reason)) ? option : best,
  );
}
