/** Seed made ready: steps in their order, the soak's clock, the chill. */
export * from './chill.js';
export * from './credit.js';
export * from './holding.js';
export * from './soak.js';
export * from './steps.js';
