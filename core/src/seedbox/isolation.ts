/** How saved seed was kept from strange pollen. */
export const ISOLATIONS = ['none', 'distance', 'barrier', 'time', 'alone'] as const;
export type Isolation = (typeof ISOLATIONS)[number];
