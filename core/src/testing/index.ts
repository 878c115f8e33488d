/** What specs, benches and journeys share: a parcel in plain values. */
export * from './aloud.js';
export * from './parcel.js';
export * from './generated.js';
export * from './random.js';
