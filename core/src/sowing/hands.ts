import type { MethodId } from '../method/index.js';
import type { Preparation } from '../preparing/index.js';

/** Minutes of hands: to set up, for each seed, and a look or a watering each day. Guesses. */
export const HANDS: Readonly<Record<MethodId, { readonly start: number; readonly seed: number; readonly day: number }>> = {
  towel: { start: 5, seed: 0.2, day: 1 },
  water: { start: 2, seed: 0.1, day: 2 },
  plug: { start: 6, seed: 0.4, day: 0.7 },
  pod: { start: 6, seed: 0.5, day: 0.4 },
  pellet: { start: 6, seed: 0.6, day: 0.7 },
  pot: { start: 6, seed: 0.7, day: 0.7 },
  bed: { start: 8, seed: 0.2, day: 1 },
  surface: { start: 6, seed: 0.1, day: 0.7 },
};
/** Further minutes a seed that is made ready by hand takes. Guesses. */
const READYING: Readonly<Record<Preparation, number>> = { soak: 0.05, nick: 0.4, file: 0.5, split: 0.2, peel: 1.5, inoculate: 0.05 };

/** Own minutes by the clock: how many packets were timed, and what the middle one took. */
export interface TimedHands {
  readonly packets: number;
  readonly minutes: number;
}

/** The middle of several, or between the two that are. */
function middle(all: readonly number[]): number {
  const sorted = all.toSorted((a, b) => a - b);
  return ((sorted[Math.floor((all.length - 1) / 2)] ?? 0) + (sorted[Math.floor(all.length / 2)] ?? 0)) / 2;
}

/**
 * The middle time of each method's packets, in minutes to a tenth: one evening on which
 * the telephone rang does not move it far.
 *
 * @param timed packets by the clock, pauses left out, s
 */
export function timedHands(
  timed: readonly { readonly method: MethodId; readonly seconds: number }[],
): Partial<Record<MethodId, TimedHands>> {
  const by = new Map<MethodId, number[]>();
  for (const { method, seconds } of timed) by.set(method, [...(by.get(method) ?? []), seconds]);
  return Object.fromEntries([...by].map(([method, all]) => [method, { packets: all.length, minutes: Math.round(middle(all) / 6) / 10 }]));
}

/** The guess counts for so many packets of one's own. Guess. */
const GUESS_WEIGHT = 3;

/** Minutes at the worktop for one packet: the guess, drawn towards what this household took. */
export function handsFor(
  { method, seeds, prepared }: { readonly method: MethodId; readonly seeds: number; readonly prepared: readonly Preparation[] },
  own: TimedHands | null,
): number {
  const { start, seed } = HANDS[method];
  const guess = start + (seed + prepared.reduce((sum, step) => sum + READYING[step], 0)) * seeds;
  if (own === null || own.packets === 0) return guess;
  return (guess * GUESS_WEIGHT + own.minutes * own.packets) / (GUESS_WEIGHT + own.packets);
}
