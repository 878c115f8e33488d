/** What the seed lies on: doses, layouts, drying. */
export * from './dose.js';
export * from './drying.js';
export * from './layout.js';
export * from './media.js';
export * from './places.js';
export * from './setup.js';
export * from './spread-out.js';
