/** What the seed lies on: doses, layouts, drying. */
export * from './dose.js';
export * from './drying.js';
export * from './layout.js';
export * from './places.js';
export * from './spread-out.js';
