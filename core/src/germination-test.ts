/** Germination tests: how many to test, when to count, what the count says. */
export * from './sowing/germination-test.js';
export * from './sowing/replicate-tolerance.js';
