/** How many to start and when; whether enough will come. */
export * from './course.js';
export * from './how-many.js';
export * from './plan.js';
export * from './supply.js';
export * from './when.js';
export * from './wish.js';
