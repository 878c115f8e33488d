/** The year between the frosts: frost as years had it, the chain of a sowing's stages, when to start, room through time. */
export * from './chain.js';
export * from './day-law.js';
export * from './days.js';
export * from './frost.js';
export * from './frost-file.js';
export * from './frost-law.js';
export * from './frost-years.js';
export * from './hardiness.js';
export * from './pots.js';
export * from './starts.js';
export * from './lot.js';
export * from './space.js';
export * from './lot-year.js';
export * from './yields.js';
export * from './frost-known.js';
export * from './fitting.js';
export * from './plan-that-fits.js';
