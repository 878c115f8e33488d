import type { Progress } from './progress.js';

/** A stretch in which nothing could come on, whatever the warmth. */
export interface Pause {
  readonly fromMs: number;
  readonly toMs: number;
}

/**
 * Progress that stands still over some stretches: seed in a dry towel pauses, and what
 * could not come is not counted against it.
 *
 * @param pauses rising, apart from each other
 */
export function paused(progress: Progress, pauses: readonly Pause[]): Progress {
  if (pauses.length === 0) return progress;
  const stretches = pauses.map(({ fromMs, toMs }) => {
    const from = progress.at(fromMs);
    return { fromMs, toMs, from, lost: progress.at(toMs) - from };
  });
  /** What the pauses took by a moment. */
  const lostBy = (ms: number): number =>
    stretches.reduce((sum, { fromMs, toMs, from, lost }) => sum + (ms <= fromMs ? 0 : ms >= toMs ? lost : progress.at(ms) - from), 0);
  return {
    ...progress,
    at: (ms) => progress.at(ms) - lostBy(ms),
    when: (wanted) => progress.when(stretches.reduce((sum, { from, lost }) => (sum > from ? sum + lost : sum), wanted)),
  };
}
