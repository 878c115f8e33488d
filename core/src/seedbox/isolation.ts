/** How saved seed was kept from other pollen. */
export const ISOLATIONS = ['none', 'distance', 'barrier', 'time', 'alone'] as const;
export type Isolation = (typeof ISOLATIONS)[number];
