/**
 * Median time of one whole forecast, every answer a screen draws, with facts that are
 * new at every turn: no cache that a real request would not have. Beside it one
 * survreg fit of the same batch, and the fair rival, a parametric bootstrap of 500 such
 * fits, where R is installed.
 */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { bookPrior } from '@fresh-tuck/core/forecast';
import { reportFor } from '@fresh-tuck/core/judging';
import type { ParcelFacts, ParcelLook } from '@fresh-tuck/core/parcel';
import { NOW, parcel } from '@fresh-tuck/core/testing';
import { HOUR_MS } from '@fresh-tuck/core/units';

const WARM_UP = 150;
const RUNS = 200;
const DAY_HOURS = 24;

/** Looks twice a day up to now, rising to a number of tips. */
function looksOf(count: number, tips: number): ParcelLook[] {
  return Array.from({ length: count }, (_, index) => ({
    atMs: NOW - (count - 1 - index) * 12 * HOUR_MS,
    through: false,
    tipped: Math.round(tips * Math.max((index + 1) / count - 0.4, 0) * (1 / 0.6)),
    rotten: 0,
    marks: [],
    damp: null,
    rewetted: false,
    troubles: [],
  }));
}

/** A parcel that nobody has asked for yet: its start, its looks and its dose differ a little each time. */
const fresh = (make: () => ParcelFacts, turn: number): ParcelFacts => {
  const facts = make();
  return {
    ...facts,
    startMs: facts.startMs - turn * 1000,
    doseMl: facts.doseMl + turn / 1000,
    looks: facts.looks.map((look) => ({ ...look })),
  };
};

const days = (looks: number): number => looks / 2 + 1;
const tomatillo = (seeds: number, looks: number, tips: number, more: Partial<ParcelFacts> = {}): ParcelFacts =>
  parcel('tomatillo', days(looks), 25, { seeds, wanted: Math.round(seeds * 0.6), looks: looksOf(looks, tips), ...more });

const CASES: readonly (readonly [what: string, make: () => ParcelFacts])[] = [
  ['12 seeds, ten looks', () => tomatillo(12, 10, 10)],
  ['12 seeds, ten looks, the wish unmet', () => tomatillo(12, 10, 3, { wanted: 10, packetLeft: 60 })],
  [
    '12 seeds of a packet of 1500 that is ten years old',
    () => {
      const facts = tomatillo(12, 10, 2, { wanted: 12, packetLeft: 1500 });
      return { ...facts, prior: bookPrior(facts.crop, { printedRate: 0.8, ageYears: 10, seen: 'tip' }) };
    },
  ],
  ['12 seeds, sixty looks', () => tomatillo(12, 60, 10)],
  ['100 seeds, ten looks', () => tomatillo(100, 10, 70)],
  ['200 seeds, ten looks', () => tomatillo(200, 10, 140)],
];

function median(make: () => ParcelFacts, runs: number): number {
  const times = Array.from({ length: runs }, (_, turn) => {
    const facts = fresh(make, turn);
    const before = performance.now();
    reportFor(facts, NOW);
    return performance.now() - before;
  });
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)] ?? NaN;
}

// Warm is warm for every kind of parcel: what is compiled for one is compiled anew for the next.
for (let round = 0; round < 2; round++) for (const [, make] of CASES) median(make, WARM_UP);
const told = CASES.map(([what, make]) => [what, median(make, RUNS)] as const);
for (const [what, ms] of told) console.log(`${what}: median ${ms.toFixed(2)} ms`);
const whole = told[0]?.[1] ?? NaN;

// The same batch for R: when each tip was seen, in days from the start.
const looks = looksOf(10, 10);
const startMs = NOW - days(10) * DAY_HOURS * HOUR_MS;
const at = (ms: number): number => (ms - startMs) / (DAY_HOURS * HOUR_MS);
const intervals = looks.flatMap(({ atMs, tipped }, index) => {
  const before = looks[index - 1];
  return Array.from({ length: (tipped ?? 0) - (before?.tipped ?? 0) }, () => [before ? at(before.atMs) : 0, at(atMs)]);
});
const quiet = Array.from({ length: 12 - intervals.length }, () => [at(NOW), null]);
const survreg = spawnSync('Rscript', [join('bench', 'survreg.R'), JSON.stringify([...intervals, ...quiet])], { encoding: 'utf8' });
const [fit = NaN, bootstrap = NaN] = survreg.status === 0 ? survreg.stdout.trim().split(/\s+/).map(Number) : [];
if (survreg.status === 0) {
  console.log(`one survreg fit of the same batch in R: ${fit.toFixed(2)} ms; the whole forecast is ${(whole / fit).toFixed(2)} times that`);
  console.log(
    `a parametric bootstrap of 500 such fits: ${bootstrap.toFixed(0)} ms; the whole forecast is ${(bootstrap / whole).toFixed(0)} times faster`,
  );
} else {
  console.log('R with its survival package is not installed: no comparison with survreg');
}
