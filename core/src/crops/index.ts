/** The book, one JSON a crop, and own crops over it; where growers differ. */
export * from './all.js';
export * from './figures.js';
export * from './laid.js';
export * from './one-of.js';
export * from './own.js';
export * from './schema.js';
export * from './schools.js';
