/** How seed is started: one entry a method, and what follows from it. */
export * from './comes-up.js';
export * from './geometry.js';
export * from './late.js';
export * from './methods.js';
export * from './suits.js';
