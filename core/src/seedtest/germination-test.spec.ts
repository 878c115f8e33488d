import { readFileSync } from 'node:fs';
import { parse } from 'csv-parse/sync';
import { CROPS, type Crop } from '../crops/index.js';
import { finalCountFor } from './laboratory.js';
import { rateAt, responseOf } from '../warmth/index.js';
import { exactInterval, wilsonInterval } from '../chance/index.js';
import { allowedRange, replicateCheck, seedsForDecision, seedsForPrecision, testResult } from './germination-test.js';
import { toleranceOf } from './replicate-tolerance.js';

const fixtures = JSON.parse(readFileSync(new URL('../../../reference/germination/fixtures.json', import.meta.url), 'utf8')) as {
  intervals: { k: number; n: number; confidence: number; wilson: [number, number]; exact: [number, number] }[];
  ranges: { rate: number; seeds: number; replicates: number; range: number }[];
  precision: { expected: number; within: number; seeds: number }[];
  decisions: { good: number; bad: number; error: number; seeds: number; atLeast: number }[];
};
const rows = (file: string): Record<string, string>[] =>
  parse(readFileSync(new URL(`../../../reference/${file}.csv`, import.meta.url)), { columns: true, comment: '#', comment_no_infix: true });

describe('a germination test', () => {
  it('has the intervals of R’s prop.test and binom.test', () => {
    for (const { k, n, confidence, wilson, exact } of fixtures.intervals) {
      const [ours, sure] = [wilsonInterval(k, n, confidence), exactInterval(k, n, confidence)];
      expect([ours.low, ours.high].every((end, i) => Math.abs(end - (wilson[i] ?? NaN)) < 1e-9))
        .withContext(`${k} of ${n}`)
        .toBeTrue();
      expect([sure.low, sure.high].every((end, i) => Math.abs(end - (exact[i] ?? NaN)) < 1e-9))
        .withContext(`${k} of ${n}`)
        .toBeTrue();
    }
  });

  it('takes the sample that a precision or a decision asks for, as R finds it', () => {
    for (const { expected, within, seeds } of fixtures.precision) expect(seedsForPrecision(expected, within)).toBe(seeds);
    for (const { good, bad, error, seeds, atLeast } of fixtures.decisions) {
      expect(seedsForDecision(good, bad, error)).toEqual(jasmine.objectContaining({ seeds, atLeast }));
    }
    expect(seedsForPrecision(0.5, 0.01)).toBeNull();
  });

  // ISTA Table 5B after Miles, Proc. ISTA 28 (1963), from memory; lower averages mirror it.
  it('checks four replicates of a hundred by the published table', () => {
    for (const row of rows('replicate_tolerance')) {
      const [from, to, range] = ['average_percent_from', 'average_percent_to', 'max_range'].map((name) => Number(row[name]));
      for (let average = from ?? 0; average <= (to ?? 0); average++) {
        expect([toleranceOf(average), toleranceOf(101 - average)]).toEqual([range ?? 0, range ?? 0]);
        // It agrees with the exact limit to one percent.
        expect(Math.abs(allowedRange(average / 100, 100, 4) - (range ?? 0)))
          .withContext(`${average} %`)
          .toBeLessThanOrEqual(1);
      }
    }
    const hundreds = [100, 100, 100, 100];
    expect(replicateCheck([90, 91, 92, 80], hundreds)).toEqual({ range: 12, allowed: 13, agree: true, by: 'table' });
    expect(replicateCheck([95, 91, 92, 78], hundreds)).toEqual(jasmine.objectContaining({ agree: false, by: 'table' }));
  });

  it('checks any other size by exact binomial limits', () => {
    for (const { rate, seeds, replicates, range } of fixtures.ranges) expect(allowedRange(rate, seeds, replicates)).toBe(range);
    expect(replicateCheck([10], [12])).toBeNull();
    expect(replicateCheck([15, 2, 14], [15, 15, 15])).toEqual(jasmine.objectContaining({ agree: false, by: 'binomial' }));
    expect(replicateCheck([0, 0], [10, 10])?.agree).toBeTrue();
  });

  it('counts normal seedlings as the rate, whatever else sprouted or sleeps', () => {
    const result = testResult([
      { normal: 9, abnormal: 1, hard: 2, fresh: 0, dead: 3 },
      { normal: 8, abnormal: 0, hard: 1, fresh: 2, dead: 4 },
    ]);
    expect([result.seeds, result.totals.normal, result.totals.hard, result.rate]).toEqual([30, 17, 3, 17 / 30]);
  });

  // ISTA Table 5A, from memory: the day of the final count at the laboratory's own warmth.
  it('is counted when a laboratory would, at the laboratory’s warmth; never sooner where it is warmer', () => {
    let tabled = 0;
    for (const crop of CROPS) {
      const row = rows('germination_counts').find(({ crop: name }) => name === crop.id);
      if (!row) continue;
      tabled++;
      const [low = 20, high = low] = (row['temperature_C'] ?? '').split('-').map(Number);
      const response = responseOf(crop.temperature);
      const there = finalCountFor(crop, (2 * rateAt(response, low) + rateAt(response, high)) / 3);
      expect([there.day, there.tabled?.day])
        .withContext(crop.id)
        .toEqual([Number(row['final_count_day']), Number(row['final_count_day'])]);
      expect(finalCountFor(crop, 1.2).day).toBeGreaterThanOrEqual(Number(row['final_count_day']));
    }
    expect(tabled).toBeGreaterThan(20);
    const untold = CROPS.find(({ id }) => id === 'passion-fruit') as Crop;
    expect(finalCountFor(untold, 0.5, 7)).toEqual({
      day: Math.ceil((4 * untold.days.tipAtOptimum) / 0.5) + 7,
      by: 'patience',
      tabled: null,
    });
  });
});
