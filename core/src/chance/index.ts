/** Distributions, binomials, counts, intervals: the one home for them. */
export * from './beta-binomial.js';
export * from './binomial.js';
export * from './count.js';
export * from './intervals.js';
export * from './normal.js';
export * from './rising.js';
export * from './score.js';
export * from './three.js';
