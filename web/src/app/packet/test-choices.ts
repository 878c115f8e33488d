/** How close a test comes, half the width of what it says. */
export const PRECISIONS = [
  { within: 0.2, text: 'to within 20 in 100', follows: 'enough to tell dead from good' },
  { within: 0.15, text: 'to within 15 in 100', follows: 'enough to plan a tray' },
  { within: 0.1, text: 'to within 10 in 100', follows: 'as a careful gardener' },
  { within: 0.05, text: 'to within 5 in 100', follows: 'nearly a laboratory' },
] as const;
/** Rates that a test is to decide about. */
export const LEAST = [0.5, 0.6, 0.7, 0.8, 0.9] as const;
/** A lot whose rate is less by this must not pass. Guess. */
export const WORSE = 0.25;
/** Chance of a wrong answer that one can live with, either way. */
export const ERRORS = [
  { error: 0.2, text: 'wrong at most 2 times in 10' },
  { error: 0.1, text: 'wrong at most 1 time in 10' },
  { error: 0.05, text: 'wrong at most 1 time in 20' },
] as const;
export const TOWELS = [1, 2, 3, 4] as const;
