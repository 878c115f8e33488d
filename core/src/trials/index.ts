/** Trials: whether two lots differ, by how much, and whether anything can be said of it. */
export * from './compare.js';
export * from './curve.js';
export * from './fairness.js';
export * from './fisher.js';
export * from './in-warmth.js';
export * from './indices.js';
export * from './kept-quiet.js';
export * from './log-rank.js';
export * from './lots.js';
export * from './medians.js';
export * from './past.js';
export * from './permutation.js';
export * from './pots.js';
export * from './score.js';
export * from './sides.js';
export * from './size.js';
export * from './trial.js';
