/** Quantities, local time and words for numbers. */
export * from './counting.js';
export * from './durations.js';
export * from './half-hours.js';
export * from './local-time.js';
export * from './looking-times.js';
export * from './quantity.js';
export * from './told.js';
export * from './words.js';
export * from './volumes.js';
