/** Median time of one whole forecast with ten looks, beside one survreg fit of the same batch where R is installed. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { reportFor } from '@fresh-tuck/core/judging';
import { type ParcelFacts } from '@fresh-tuck/core/parcel';
import { bookPrior, evidenceFrom, outlookFor, posteriorOf } from '@fresh-tuck/core/forecast';
import { CROPS } from '@fresh-tuck/core/crops';

const HOUR_MS = 3_600_000;
const startMs = Date.UTC(2026, 3, 1, 6);
const crop = CROPS.find(({ id }) => id === 'tomatillo');
if (!crop) throw new Error('the crop library has no tomatillo');
const tipped = [0, 0, 0, 0, 1, 3, 6, 8, 9, 10];
const facts: ParcelFacts = {
  crop,
  method: 'towel',
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

/** Median of 200 runs after 50 to warm up, ms. */
function median(run: () => unknown): number {
  const times = Array.from({ length: 250 }, () => {
    const before = performance.now();
    run();
    return performance.now() - before;
  }).slice(50);
  return times.sort((a, b) => a - b)[100] ?? NaN;
}

const whole = median(() => reportFor(facts, startMs + 7 * 24 * HOUR_MS));
console.log(`a forecast with ten looks, every answer a screen draws: median ${whole.toFixed(2)} ms`);
const evidence = evidenceFrom(12, facts.looks, startMs, (ms) => (ms - startMs) / (24 * HOUR_MS), crop.root.mmPerDayAtOptimum);
const days = median(() => {
  const outlook = outlookFor(posteriorOf(evidence, facts.prior), evidence.quiet);
  return [9.5, 10, 10.5, 11, 12, 14, Infinity].map((progress) => outlook.furtherTips(progress));
});
console.log(`  of it the posterior, seven days ahead and the end: ${days.toFixed(2)} ms`);
const survreg = spawnSync('Rscript', [join('bench', 'survreg.R')], { encoding: 'utf8' });
if (survreg.status === 0) {
  const fit = Number(survreg.stdout);
  console.log(
    `one survreg fit of the same batch in R: ${fit.toFixed(2)} ms, ${(fit / whole).toFixed(1)} times the whole forecast, ${(fit / days).toFixed(1)} times posterior and days`,
  );
} else {
  console.log('R with its survival package is not installed: no comparison with survreg');
}
