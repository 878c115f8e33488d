import type { Crop } from '@fresh-tuck/core/crops';
import type { Exercise } from '@fresh-tuck/core/practice';

/** Crops that a run is about, and the number that it is drawn from, 0 to 1. */
export interface PracticeQuestion {
  readonly crops: readonly Crop[];
  readonly seed: number;
}
export type PracticeReply =
  { readonly kind: 'run'; readonly exercises: readonly Exercise[] } | { readonly kind: 'failed'; readonly message: string };
