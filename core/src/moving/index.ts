/** Roots and how they grow, destinations, beds, losses on the way. */
export * from './bed.js';
export * from './bed-plan.js';
export * from './destinations.js';
export * from './growth.js';
export * from './handling.js';
export * from './rate.js';
export * from './soil.js';
export * from './survival.js';
export * from './ways-to.js';
