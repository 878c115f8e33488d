/** From the moved sprout to the planted plant: stages and when they come, light, water, feed, the best of a tray. */
export * from './expected.js';
export * from './pace.js';
export * from './stages.js';
export * from './timing.js';
export * from './daylight.js';
export * from './place-light.js';
export * from './wanted-light.js';
export * from './tray.js';
export * from './care.js';
export * from './tasks.js';
export * from './said.js';
export * from './place-day.js';
export * from './troubles.js';
