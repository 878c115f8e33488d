/** The small geometry and codes that the page may load at once: no statistics, no crop data. */
export { layOut, nearestDistance, spacingNeededMm, type Layout, type Spot } from '../carrier/index.js';
export { rateAt, responseOf, shareAt, type BetaResponse } from '../warmth/index.js';
export * from './boards.js';
export * from './garden-year.js';
export * from './marks.js';
export * from './strata.js';
export * from './yields.js';
export * from './stem.js';
export * from './year-ink.js';
export * from './year-frost.js';
export * from './story.js';
