import type { Crop } from '../crops/schema.js';

/** Share of sprouts that reach their place unbroken, by how shy the kind is of being moved. Guess; own records take over. */
const BY_SHYNESS = [0.97, 0.95, 0.9] as const;
/** As many sprouts' worth as the guess counts for. */
const GUESS_WEIGHT = 12;

/** Chance that a sprout survives being moved. */
export interface Handling {
  readonly mean: number;
  /** Sprouts of this crop that told it, moved and snapped. */
  readonly told: number;
}

/**
 * Loss on the way from towel to pot, learnt from what snapped.
 *
 * @param records sprouts of the crop that were moved whole, and that snapped
 */
export function handlingFor({ root }: Crop, { moved, snapped }: { readonly moved: number; readonly snapped: number }): Handling {
  const guess = BY_SHYNESS[root.shy] ?? BY_SHYNESS[1];
  return { mean: (guess * GUESS_WEIGHT + moved) / (GUESS_WEIGHT + moved + snapped), told: moved + snapped };
}
