/** From a temperature record to progress, share and injury. */
export * from './ahead.js';
export * from './body.js';
export * from './body-fit.js';
export * from './body-guess.js';
export * from './paused.js';
export * from './progress.js';
export * from './response.js';
export * from './share.js';
export * from './spoken.js';
export * from './toll.js';
