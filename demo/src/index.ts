export * from './laws/lots.js';
export * from './laws/growth.js';
export * from './laws/warmth.js';
