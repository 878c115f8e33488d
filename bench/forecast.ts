/** Median time of one whole forecast with ten looks: `npm run bench`. */
import { answersFor, bookPrior, CROPS, type ParcelFacts } from '../core/src/index.js';

const HOUR_MS = 3_600_000;
const startMs = Date.UTC(2026, 3, 1, 6);
const crop = CROPS.find(({ id }) => id === 'tomatillo');
if (!crop) throw new Error('the crop library has no tomatillo');
const tipped = [0, 0, 0, 0, 1, 3, 6, 8, 9, 10];
const facts: ParcelFacts = {
  crop,
  seeds: 12,
  wanted: 8,
  startMs,
  chillUntilMs: null,
  prior: bookPrior(crop, { printedRate: 0.85, ageYears: null, seen: 'tip' }),
  stays: [{ fromMs: startMs, readings: [], guess: { minC: 23, maxC: 27 } }],
  utcOffsetHours: 1,
  looks: tipped.map((total, index) => ({
    atMs: startMs + (index + 4) * 12 * HOUR_MS,
    through: false,
    tipped: total,
    rotten: 0,
    marks: [],
    damp: null,
    rewetted: false,
    troubles: [],
  })),
  moves: [],
  closure: 'sealed_air',
  doseMl: 9,
  lookTimesMs: Array.from({ length: 60 }, (_, index) => startMs + (170 + 12 * index) * HOUR_MS),
  lateTolerance: 0.01,
};

const times = Array.from({ length: 220 }, () => {
  const before = performance.now();
  answersFor(facts, startMs + 7 * 24 * HOUR_MS);
  return performance.now() - before;
})
  .slice(20)
  .sort((a, b) => a - b);
console.log(`one forecast with ten looks, all answers: median ${times[100]?.toFixed(2)} ms, slowest of 200 ${times.at(-1)?.toFixed(2)} ms`);
