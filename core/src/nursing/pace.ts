import type { Crop } from '../crops/index.js';
import type { Rate } from '../warmth/index.js';

/** Seedlings' days are told as at this temperature, °C, or at the crop's best where that is cooler. */
const TOLD_AT_C = 20;
/** Leaves want no more warmth than this, however hot the seed likes it, °C. Guess. */
const LEAVES_BEST_C = 27;
/** Nor less: seed that sleeps in warmth grows on in it, °C. Guess. */
const LEAVES_LEAST_BEST_C = 18;

/**
 * How fast a seedling grows at a temperature, against its pace at {@link TOLD_AT_C}: straight
 * up from the base of its seed to its best, straight down to its ceiling, 0 outside. A straight
 * line is the usual thermal time; that of the seed stands in for that of the leaves. Guess.
 */
export function paceOf({ temperature: { tentBaseC, beta } }: Pick<Crop, 'temperature'>): Rate {
  const bestC = Math.max(Math.min(beta.optimumC, LEAVES_BEST_C), LEAVES_LEAST_BEST_C, tentBaseC + 5);
  const ceilingC = Math.max(beta.ceilingC, bestC + 8);
  const told = Math.min(TOLD_AT_C, bestC);
  const tent = (celsius: number): number =>
    celsius <= bestC ? (celsius - tentBaseC) / (bestC - tentBaseC) : (ceilingC - celsius) / (ceilingC - bestC);
  const atTold = tent(told);
  return (celsius) => Math.max(tent(celsius), 0) / atTold;
}
