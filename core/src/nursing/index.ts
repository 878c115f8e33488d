/** From the moved sprout to the planted plant: its stages. */
export * from './stages.js';
