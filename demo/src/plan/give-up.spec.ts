import { reportFor } from '@fresh-tuck/core/judging';
import { toldFor } from '@fresh-tuck/core/words';
import { type ParcelFacts, type ParcelLook } from '@fresh-tuck/core/parcel';
import { wordsFor } from '@fresh-tuck/core/units';
import { bookPrior } from '@fresh-tuck/core/forecast';
import { rateAt, responseOf } from '@fresh-tuck/core/warmth';
import { chanceFrom, drawTrueLot, PRINTED_RATE, type World } from '../truth/lots.js';
import { CROPS } from '@fresh-tuck/core/crops';
import { LATE_LAWS, patienceRow } from './patience.js';
import { cropOf, liveThrough } from './simulate.js';

const DAY_MS = 86_400_000;
const SEEDS = 12;
const words = wordsFor('UTC', 'metric', 0, 0.8);

/** Looks once a day until the judgement gives the lot up; what was binned with it. */
function binnedFrom(world: World, seed: number): { living: number; quiet: number; lateDays: number; dead: boolean } {
  const crop = cropOf(5, 10);
  const lot = drawTrueLot(world, SEEDS, chanceFrom(seed));
  const response = responseOf(crop.temperature);
  const tips = lot.needs.map((need) => ((need * crop.days.tipAtOptimum) / rateAt(response, 25 + lot.warmerC)) * DAY_MS);
  const looks: ParcelLook[] = [];
  for (let day = 1; day < 90; day++) {
    const nowMs = day * DAY_MS;
    const tipped = tips.filter((tip) => tip <= nowMs).length;
    looks.push({ atMs: nowMs, through: false, tipped, rotten: null, marks: [], damp: 'damp', rewetted: false, troubles: [] });
    const facts: ParcelFacts = {
      crop,
      method: 'towel',
      seeds: SEEDS,
      wanted: 6,
      startMs: 0,
      chillUntilMs: null,
      prior: bookPrior(crop, { printedRate: PRINTED_RATE, ageYears: null, seen: 'tip' }),
      stays: [{ fromMs: 0, readings: [{ fromMs: 0, toMs: nowMs, minC: 24.5, maxC: 25.5 }], guess: { minC: 25, maxC: 25 } }],
      utcOffsetHours: 0,
      looks,
      moves: [{ atMs: nowMs, seeds: [], uncounted: tipped }],
      closure: 'sealed_air',
      doseMl: 7,
      lookTimesMs: [nowMs + DAY_MS, nowMs + 2 * DAY_MS],
      lateTolerance: 0.02,
    };
    const answers = reportFor(facts, nowMs);
    const { advice } = toldFor(facts, answers, words);
    const over = advice.some(({ kind }) => kind === 'give_up' || kind === 'restart');
    if (over || answers.state.quiet === 0) {
      return {
        living: tips.filter((tip) => tip > nowMs && tip < Infinity).length,
        quiet: SEEDS - tipped,
        lateDays: (nowMs - answers.patienceMs) / DAY_MS,
        dead: tips.every((tip) => tip === Infinity),
      };
    }
  }
  throw new Error('never given up');
}

describe('giving up', () => {
  it('bins at most one living seed in twenty, and keeps no dead lot longer than patience', () => {
    let living = 0;
    let quiet = 0;
    let longest = -Infinity;
    let dead = 0;
    for (const world of ['model', 'weibull', 'some duds', 'rate 0.15 lower', 'a fifth late', 'lot x 1.4'] as const) {
      for (let lot = 0; lot < 14; lot++) {
        const ended = binnedFrom(world, (0.17 + lot * 0.618034) % 1);
        living += ended.living;
        quiet += ended.quiet;
        if (ended.dead) {
          dead++;
          longest = Math.max(longest, ended.lateDays);
        }
      }
    }
    expect(quiet).toBeGreaterThan(60);
    expect(living / quiet).toBeLessThanOrEqual(1 / 20);
    expect(dead).toBeGreaterThan(0);
    expect(longest).toBeLessThan(1.01);
  }, 60_000);
});

describe('where less than 1 chance in 10 is said', () => {
  it('a tip comes by the end of the promise in few lots, also of late kinds (docs/patience.md in small)', () => {
    const crop = CROPS.find(({ id }) => id === 'tomatillo');
    if (!crop) throw new Error('no tomatillo');
    const rows = Object.values(LATE_LAWS).map((law) => patienceRow(law, crop, 40));
    const [neat, straggling, dormant] = rows;
    expect(neat?.soon).toBeLessThanOrEqual(0.05);
    // The targets are 0.10 and 0.15; forty lots know a share to about 0.05.
    expect(straggling?.soon).toBeLessThanOrEqual(0.15);
    expect(dormant?.soon).toBeLessThanOrEqual(0.2);
    for (const row of rows) {
      expect(row.given).toBeGreaterThan(25);
      expect(row.saidEver).toBeGreaterThan(0.05);
    }
  }, 60_000);
});

describe('the plan of looks', () => {
  it('finds roots as early as two looks a day do, and opens less often (docs/plan.md in small)', () => {
    const crop = cropOf(5, 15);
    const sum = { once: { late: 0, openings: 0 }, twice: { late: 0, openings: 0 }, plan: { late: 0, openings: 0 } };
    for (let batch = 0; batch < 10; batch++) {
      for (const habit of ['once', 'twice', 'plan'] as const) {
        const outcome = liveThrough(crop, 'gamma', habit, (0.3 + batch * 0.618034) % 1);
        sum[habit].late += outcome.late;
        sum[habit].openings += outcome.openings;
      }
    }
    expect(sum.once.late).toBeGreaterThan(2);
    expect(sum.plan.late).toBeLessThanOrEqual(0.4 * sum.once.late);
    expect(sum.plan.openings).toBeLessThanOrEqual(0.8 * sum.twice.openings);
  }, 60_000);

  it('does not open slow seed again and again before a tip is credible', () => {
    const crop = cropOf(14, 15);
    for (let batch = 0; batch < 4; batch++) {
      expect(liveThrough(crop, 'model', 'plan', (0.3 + batch * 0.618034) % 1).early).toBeLessThanOrEqual(2);
    }
  }, 60_000);
});
