/** How many to start and when; whether enough will come. */
export * from './chooser.js';
export * from './clashes.js';
export * from './course.js';
export * from './hands.js';
export * from './how-many.js';
export * from './plan.js';
export * from './question.js';
export * from './rate.js';
export * from './supplies.js';
export * from './supply.js';
export * from './two-steps.js';
export * from './water.js';
export * from './when.js';
export * from './where.js';
export * from './wish.js';
