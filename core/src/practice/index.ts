/** Practice: seed by laws that are not the forecast's, exercises on it, and their scores. */
export * from './laws/growth.js';
export * from './laws/lots.js';
export * from './laws/warmth.js';
export * from './exercises.js';
export * from './run.js';
export * from './tally.js';
