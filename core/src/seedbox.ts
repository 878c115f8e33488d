/** Tables of packets: columns recognised, rows read. No crop data in it. */
export * from './seedbox/columns.js';
export * from './seedbox/rows.js';
export { ageingPace, DRYNESSES, freezesWet, STORES, type Dryness, type Storage, type Store } from './sowing/storage.js';
export { plantsForBed, plantsForRack, type Wish } from './sowing/wish.js';
