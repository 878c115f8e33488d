import type { Crop } from '../crops/index.js';
import type { RootSchool } from './rate.js';

/** Share of sprouts lost on the way at a short root, by how shy the kind is of being moved. Guess; own records take over. */
const LOST_BY_SHYNESS = [0.02, 0.03, 0.05] as const;
/** A longer root breaks more easily; a fine seed is easier to hold by it. Guess. */
const LOSS_BY_SCHOOL: Readonly<Record<RootSchool, number>> = { crop: 1, tip: 0.8, short: 1, finger: 1.6 };
const FINE_SEED_MM = 2;
const FINE_SEED_LOSS = 0.7;
/** As many sprouts' worth as the guess counts for. */
const GUESS_WEIGHT = 12;

/** Chance that a sprout survives being moved. */
export interface Handling {
  readonly mean: number;
  /** Sprouts of this crop that told it, moved and snapped. */
  readonly told: number;
}

/**
 * Loss on the way from towel to pot, by the school's root length and learnt from what snapped.
 *
 * @param records sprouts of the crop that were moved whole, and that snapped
 */
export function handlingFor(
  { root, seed }: Crop,
  { moved, snapped }: { readonly moved: number; readonly snapped: number },
  school: RootSchool = 'crop',
): Handling {
  const held = school === 'finger' && seed.lengthMm < FINE_SEED_MM && root.shy < 2 ? FINE_SEED_LOSS : LOSS_BY_SCHOOL[school];
  const lost = (LOST_BY_SHYNESS[root.shy] ?? LOST_BY_SHYNESS[1]) * held;
  return { mean: ((1 - lost) * GUESS_WEIGHT + moved) / (GUESS_WEIGHT + moved + snapped), told: moved + snapped };
}
