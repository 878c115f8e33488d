/** What screens and server need for crops of one's own, free of statistics. */
export * from './crops/figures.js';
export * from './crops/own.js';
export * from './crops/figure-words.js';
export * from './crops/schools.js';
