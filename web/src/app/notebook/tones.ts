export type { TrialShown } from './trial.messages';

/** Sides in the colours of the page, told apart by their strokes as well. */
export const TONES = ['first', 'second', 'third', 'fourth'] as const;
