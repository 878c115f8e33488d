import type { Crop } from '../crops/index.js';

/** What may be done to seed before it is laid. */
export const PREPARATIONS = ['soak', 'nick', 'file', 'split', 'peel', 'inoculate'] as const;
export type Preparation = (typeof PREPARATIONS)[number];
/** The same and the cold, which is a stay and no handling. */
export type PreparationStep = Preparation | 'chill';

/** A coat is opened dry; a soak follows; the inoculant goes on last, or it would be washed off. Common practice, no source. */
const ORDER: readonly PreparationStep[] = ['peel', 'split', 'file', 'nick', 'soak', 'inoculate', 'chill'];

/**
 * Steps in the order in which they are done.
 *
 * @param sometimes steps for what is still hard after its soak: they follow it
 */
export function inOrder<Step extends PreparationStep>(steps: readonly Step[], sometimes: readonly PreparationStep[] = []): Step[] {
  const after = ORDER.indexOf('soak') + 0.5;
  const rank = (step: Step): number => (sometimes.includes(step) && step !== 'soak' ? after : ORDER.indexOf(step));
  return [...steps].sort((a, b) => rank(a) - rank(b));
}

/** Steps that a crop's sheet asks for all of its seed, the cold left out: what is done unless the gardener says otherwise. */
export const usualSteps = ({ preparation: { steps, sometimes = [] } }: Pick<Crop, 'preparation'>): Preparation[] =>
  inOrder(steps.flatMap((step) => (step === 'chill' || sometimes.includes(step) ? [] : [step])));

/** Steps that open the coat: an open door for mould. */
const OPENING: readonly string[] = ['nick', 'file', 'peel'];
export const opensCoat = (steps: readonly string[]): boolean => steps.some((step) => OPENING.includes(step));
