/** Trials: whether two lots differ, and by how much. */
export * from './fisher.js';
export * from './indices.js';
export * from './log-rank.js';
export * from './medians.js';
export * from './permutation.js';
export * from './size.js';
