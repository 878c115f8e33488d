/** Geometry for drawings, free of statistics, so that the first load can hold it. */
export * from './towel/layout.js';
export { rateAt, type BetaResponse } from './warmth/response.js';
export { shareAt } from './warmth/share.js';
