import type { Crop } from '../crops/index.js';
import type { Progress } from '../warmth/index.js';
import { needsOf, type Credit } from './credit.js';
import { usualSteps, type PreparationStep } from './steps.js';

/** A part of the living and the progress of the batch at which its own begins, days at the optimum; Infinity where it is held back for good. */
export interface HeldBack {
  readonly progress: number;
  readonly weight: number;
}

/** What stays of a hard coat after each step: the rest drinks at once. Guesses. */
const STAYS_HARD: Readonly<Partial<Record<PreparationStep, number>>> = { nick: 0.08, file: 0.08, split: 0.3, peel: 0.3, soak: 0.6 };
/** A hard coat lets water in after so many medians of the crop, in equal thirds: "days in place of weeks". Guess. */
const DRINKS_AFTER = [1.5, 4, 12] as const;
/** A share below this is no figure to reckon with. */
const NO_SHARE = 0.01;
/** Steps that open a coat, husk or stone. */
const OPENS: readonly PreparationStep[] = ['nick', 'file', 'split', 'peel'];

const hardAfter = (steps: readonly string[]): number =>
  Object.entries(STAYS_HARD).reduce((left, [step, stays]) => (steps.includes(step) ? left * stays : left), 1);

/**
 * Share of the seed that drinks late beyond what the crop's own figures hold: these are
 * of seed made ready as its sheet says.
 *
 * @param prepared steps that were done
 */
export function hardShare(crop: Pick<Crop, 'coat' | 'preparation'>, prepared: readonly string[]): number {
  const share = crop.coat.hardShare * (hardAfter(prepared) - hardAfter(usualSteps(crop)));
  return share < NO_SHARE ? 0 : share;
}

/**
 * How many times as long the lot's median takes for what was left undone: a husk or stone
 * left whole, a soak left out.
 */
export function medianFactor(crop: Pick<Crop, 'coat' | 'preparation'>, prepared: readonly string[]): number {
  const usual = usualSteps(crop);
  const opening = usual.filter((step) => OPENS.includes(step));
  const whole = opening.length > 0 && !opening.some((step) => prepared.includes(step)) ? crop.coat.wholeFactor : 1;
  const dry = usual.includes('soak') && !prepared.includes('soak') ? crop.coat.dryFactor : 1;
  return whole * dry;
}

/**
 * What holds the seed of a batch back: chill that each has yet to earn, and coats that let
 * water in late. Nothing counts against a seed before its own progress begins.
 *
 * @param credit of its chill; null where the crop wants none
 * @param dryUntilMs until when it lay dry in the cold, which earns nothing and begins nothing; null where it was damp
 */
export function heldBack(
  crop: Pick<Crop, 'chill' | 'coat' | 'preparation' | 'days'>,
  prepared: readonly string[],
  progress: Progress,
  credit: Credit | null,
  dryUntilMs: number | null = null,
): HeldBack[] {
  const begins = dryUntilMs === null ? 0 : progress.at(dryUntilMs);
  const needs = credit === null ? [{ coldDays: 0, warmDays: 0, weight: 1 }] : needsOf(crop, credit, progress.endMs);
  const hard = hardShare(crop, prepared);
  const parts = new Map<number, number>();
  const add = (at: number, weight: number): void => void parts.set(at, (parts.get(at) ?? 0) + weight);
  for (const { coldDays, warmDays, weight } of needs) {
    const wetMs = coldDays === 0 ? progress.startMs : (credit?.when(coldDays, warmDays) ?? null);
    const from = wetMs === null ? Infinity : Math.max(progress.at(wetMs), begins);
    add(from, weight * (1 - hard));
    if (hard > 0) for (const medians of DRINKS_AFTER) add(from + medians * crop.days.tipAtOptimum, (weight * hard) / DRINKS_AFTER.length);
  }
  return [...parts].map(([at, weight]) => ({ progress: at, weight }));
}
