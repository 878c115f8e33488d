import type { CensoredStretch, Evidence } from '../forecast/index.js';
import type { CountOf } from './fisher.js';
import type { Side } from './log-rank.js';

/** What one closed batch showed, and how many of its quiet seeds were lost or given away. */
export interface Shown extends Pick<Evidence, 'tips' | 'quiet' | 'removed'> {
  readonly lost: number;
}

/** What one side of a trial showed by the time up to which all sides were watched. */
export interface ShownSide {
  /** Every seed: those that had come by then, and those that had not. */
  readonly stretches: Side;
  /** How many came, of those that had their chance. */
  readonly count: CountOf;
}

/**
 * Time up to which every batch with seeds still quiet was watched: beyond it one side had
 * more of it than the other.
 *
 * @returns Infinity where all seeds came, or were found dead
 */
export const watchedTo = (batches: readonly Pick<Evidence, 'quiet'>[]): number =>
  Math.min(...batches.map(({ quiet }) => (quiet.count > 0 ? quiet.progress : Infinity)));

/**
 * Several batches as one side: what came later than the other side was watched counts as
 * not come by then. Rotten seeds never come; lost ones had no chance and are left out.
 *
 * @param upTo as {@link watchedTo} has it for all sides
 * @param times what a unit of the clock is in days
 */
export function sideOf(batches: readonly Shown[], upTo: number, times = 1): ShownSide {
  const stretches: CensoredStretch[] = [];
  const add = (from: number, to: number, count: number): void => {
    if (count > 0) stretches.push({ left: Math.min(from, upTo) * times, right: to <= upTo ? to * times : Infinity, count });
  };
  for (const { tips, removed, quiet } of batches) {
    for (const { fromProgress, toProgress, count } of tips) add(fromProgress, toProgress, count);
    for (const { progress, count } of [...removed, quiet]) add(progress, Infinity, count);
  }
  const came = stretches.reduce((sum, { right, count }) => sum + (right < Infinity ? count : 0), 0);
  const all = stretches.reduce((sum, { count }) => sum + count, 0);
  return { stretches, count: { came, of: all - batches.reduce((sum, { lost }) => sum + lost, 0) } };
}
