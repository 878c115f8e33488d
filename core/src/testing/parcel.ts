import { bookPrior } from '../forecast/index.js';
import { CROPS } from '../crops/index.js';
import { HOUR_MS, lookingTimes, wordsFor } from '../units/index.js';
import { type ParcelFacts, type ParcelLook } from '../parcel/index.js';

/** What the specs of looking share: a parcel in plain values, on a Saturday morning in spring. */
export const NOW = Date.parse('2026-04-11T07:10:00+02:00');
export const words = wordsFor('Europe/Copenhagen', 'metric', NOW, 0.8);

export const look = (hoursAgo: number, more: Partial<ParcelLook>): ParcelLook => ({
  atMs: NOW - hoursAgo * HOUR_MS,
  through: false,
  tipped: null,
  rotten: null,
  marks: [],
  damp: null,
  rewetted: false,
  troubles: [],
  ...more,
});

/** A parcel tucked in so many days ago and kept at a temperature. */
export function parcel(cropId: string, days: number, celsius: number, more: Partial<ParcelFacts> = {}): ParcelFacts {
  const crop = CROPS.find(({ id }) => id === cropId);
  if (!crop) throw new Error(`no ${cropId}`);
  const startMs = NOW - days * 24 * HOUR_MS;
  return {
    crop,
    method: 'towel',
    seeds: 8,
    wanted: 5,
    startMs,
    chillUntilMs: null,
    prior: bookPrior(crop, { printedRate: null, ageYears: null, seen: 'tip' }),
    stays: [
      {
        fromMs: startMs,
        readings: [{ fromMs: startMs, toMs: NOW, minC: celsius - 0.5, maxC: celsius + 0.5 }],
        guess: { minC: celsius, maxC: celsius },
      },
    ],
    utcOffsetHours: 2,
    looks: [],
    moves: [],
    closure: 'sealed_air',
    doseMl: 8,
    lookTimesMs: lookingTimes(NOW, 'Europe/Copenhagen', ['07:00', '18:30'], 70),
    lateTolerance: 0.02,
    ...more,
  };
}
