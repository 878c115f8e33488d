/** Germination tests: how many to test, when to count, what the count says. */
export * from './germination-test.js';
export * from './laboratory.js';
export * from './replicate-tolerance.js';
