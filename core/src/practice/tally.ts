import type { Marked } from './exercises.js';

/** How guesses of one sureness did. */
export interface SureTally {
  readonly sureness: number;
  readonly asked: number;
  readonly held: number;
}

/** Several answers added up. */
export interface PracticeTally {
  readonly asked: number;
  readonly right: number;
  /** Mean days off where days were asked; null where none were. With the plan's on the same parcels. */
  readonly daysOff: number | null;
  readonly planDaysOff: number | null;
  readonly sure: readonly SureTally[];
  /** Mean squared distance of the sureness from what happened, 0 to 1; null where none was asked. A coin toss called at 5 in 10 scores 0.25. */
  readonly brier: number | null;
  readonly planHeld: number;
  readonly planAsked: number;
}

/**
 * Adds answers up: what was right, days off, and whether a sureness held as often as it said.
 *
 * Source of the score: G. W. Brier, "Verification of forecasts expressed in terms of
 * probability", *Monthly Weather Review* 78 (1950) 1-3.
 */
export function practiceTally(answers: readonly Marked[]): PracticeTally {
  const days = answers.flatMap((one) => one.days ?? []);
  const counts = answers.flatMap(({ count }) => count ?? []);
  const mean = (values: readonly number[]): number | null =>
    values.length === 0 ? null : values.reduce((sum, value) => sum + value, 0) / values.length;
  const levels = [...new Set(counts.map(({ sureness }) => sureness))].sort();
  return {
    asked: answers.length,
    right: answers.filter(({ right }) => right).length,
    daysOff: mean(days.map(({ own }) => own)),
    planDaysOff: mean(days.map(({ plan }) => plan)),
    sure: levels.map((sureness) => {
      const its = counts.filter((one) => one.sureness === sureness);
      return { sureness, asked: its.length, held: its.filter(({ held }) => held).length };
    }),
    brier: mean(counts.map(({ held, sureness }) => (sureness - (held ? 1 : 0)) ** 2)),
    planHeld: counts.filter(({ planHeld }) => planHeld).length,
    planAsked: counts.length,
  };
}
