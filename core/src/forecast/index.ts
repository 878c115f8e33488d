/** What the looks say of a lot. */
export * from './column.js';
export * from './evidence.js';
export * from './likelihood.js';
export * from './origins.js';
export * from './posterior.js';
export * from './predict.js';
export * from './lot-curve.js';
export * from './prior.js';
export { TO_THE_LETTER } from './scatter.js';
export * from './tip-law.js';
export * from './turnbull.js';
