import { v7 as uuid } from 'uuid';

/**
 * Requests as a client sends them, ordinary in everything: what specs, journeys,
 * benches and the demo's own journeys say otherwise stands at their call.
 */

/** A household in Copenhagen that looks at seven and at half past six. */
export const householdBody = (more: object = {}) => ({
  id: uuid(),
  name: 'Test house',
  zone: 'Europe/Copenhagen',
  units: 'metric',
  lookingTimes: ['07:00', '18:30'],
  millilitresPerSpray: 0.8,
  ...more,
});

/** A warm cupboard. */
export const spotBody = (more: object = {}) => ({ id: uuid(), name: 'Hall cupboard', kind: 'cupboard', ...more });

/** A day's lowest and highest. */
export const readingBody = (day: string, more: object = {}) => ({ id: uuid(), day, minC: 25.5, maxC: 26.5, ...more });

/** A packet of leek, 90 seeds. */
export const packetBody = (more: object = {}) => ({
  id: uuid(),
  cropId: 'leek',
  variety: 'Quay',
  year: 2024 as number | null,
  source: null,
  printedRatePercent: null,
  seedCount: 90,
  dressed: false,
  ...more,
});

/** Eight seeds on a towel in a bag of their own, five plants wanted, begun on a Wednesday evening. */
export const batchBody = (packetId: string, spotId: string, more: object = {}) => ({
  id: uuid(),
  packetId,
  method: 'towel',
  seeds: 8,
  wanted: 5,
  startAt: '2026-04-08T18:30',
  chillDays: null,
  prepared: ['soak'],
  towel: { widthMm: 140, heightMm: 110, plies: 2 },
  doseMl: 7,
  holder: { newId: uuid(), kind: 'bag', closure: 'sealed_air', spotId },
  ...more,
});

/** A damp towel opened, so many tips in all. */
export const lookBody = (tipped = 0, more: object = {}) => ({
  id: uuid(),
  at: null,
  via: 'opened',
  seen: { tipped, rotten: 0, basedOn: null },
  marks: [],
  damp: 'damp',
  rewetted: false,
  troubles: [],
  who: null,
  note: null,
  supersedes: null,
  ...more,
});

/** Two counted sprouts to a cup each. */
export const moveBody = (more: object = {}) => ({
  id: uuid(),
  at: null,
  seeds: [],
  uncounted: 2,
  destination: 'cup',
  who: null,
  ...more,
});
