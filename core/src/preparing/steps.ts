/** What may be done to seed before it is laid. */
export const PREPARATIONS = ['soak', 'nick', 'file', 'split', 'peel', 'inoculate'] as const;
export type Preparation = (typeof PREPARATIONS)[number];
/** The same and the cold, which is a stay and no handling. */
export type PreparationStep = Preparation | 'chill';

/** A coat is opened dry; a soak follows; the inoculant goes on last, or it would be washed off. Common practice, no source. */
const ORDER: readonly PreparationStep[] = ['peel', 'split', 'file', 'nick', 'soak', 'inoculate', 'chill'];

/** Steps in the order in which they are done. */
export const inOrder = <Step extends PreparationStep>(steps: readonly Step[]): Step[] =>
  [...steps].sort((a, b) => ORDER.indexOf(a) - ORDER.indexOf(b));

/** Steps that open the coat: an open door for mould. */
const OPENING: readonly string[] = ['nick', 'file', 'peel'];
export const opensCoat = (steps: readonly string[]): boolean => steps.some((step) => OPENING.includes(step));
