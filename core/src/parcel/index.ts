/** All that is known of one parcel: facts, state, workings, the forecast's answers, past lots. */
export * from './answers.js';
export * from './facts-of.js';
export * from './facts.js';
export * from './hope.js';
export * from './past-lot.js';
export * from './roots-now.js';
export * from './state.js';
export type { Thirst } from './water-now.js';
export * from './ways.js';
export * from './workings.js';
