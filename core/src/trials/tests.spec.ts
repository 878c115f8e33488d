import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import type { CensoredStretch } from '../forecast/index.js';
import { randomFrom } from '../testing/index.js';
import { fisherExact, shareDifference, type CountOf } from './fisher.js';
import { germinationIndices, looksTooSparse, type Indices } from './indices.js';
import { logRankScores } from './log-rank.js';
import { medianDifference, medianOf } from './medians.js';
import { holm, permutationTest } from './permutation.js';
import { chanceToSeeDays, chanceToSeeShares, seedsToSee, trialSize, type SeedToTry } from './size.js';

interface Fixtures {
  readonly fisher: readonly {
    readonly first: CountOf;
    readonly second: CountOf;
    readonly more: number;
    readonly fewer: number;
    readonly either: number;
    readonly interval: readonly [number, number];
  }[];
  readonly sides: readonly {
    readonly name: string;
    readonly left: readonly number[];
    readonly right: readonly (number | null)[];
    readonly side: readonly number[];
    readonly scores: readonly number[];
    readonly chance: number;
  }[];
  readonly middles: readonly {
    readonly name: string;
    readonly first: readonly number[];
    readonly second: readonly number[];
    readonly medians: readonly [number, number];
    readonly interval: readonly [number, number];
  }[];
  readonly indices: readonly (Indices & { readonly seeds: number; readonly day: readonly number[]; readonly new: readonly number[] })[];
  readonly power: readonly { readonly seeds: number; readonly shares: readonly [number, number]; readonly chance: number }[];
  readonly holm: readonly { readonly chances: readonly number[]; readonly raised: readonly number[] }[];
}
/** By R's own tests and by the definitions: see reference/trials/fixtures.R. */
const R = JSON.parse(readFileSync(new URL('../../../reference/trials/fixtures.json', import.meta.url), 'utf8')) as Fixtures;

const DRAWS = 20_000;
const onDays = (days: readonly number[]): CensoredStretch[] => days.map((day) => ({ left: day - 1, right: day, count: 1 }));
const stretch = fc
  .record({
    left: fc.integer({ min: 0, max: 12 }),
    length: fc.integer({ min: 1, max: 4 }),
    open: fc.boolean(),
    count: fc.integer({ min: 1, max: 3 }),
  })
  .map(({ left, length, open, count }): CensoredStretch => ({ left, right: open ? Infinity : left + length, count }));
const side = fc.array(stretch, { minLength: 1, maxLength: 8 });

describe('two shares', () => {
  it('are told apart as Fisher told the lady’s cups of tea (The Design of Experiments, 1935)', () => {
    const tea = fisherExact({ came: 3, of: 4 }, { came: 1, of: 4 });
    expect(tea.firstMore).toBeCloseTo(0.2429, 4);
    expect(tea.either).toBeCloseTo(0.4857, 4);
  });

  it('are told apart, and by how much, as R has it', () => {
    for (const { first, second, more, fewer, either, interval } of R.fisher) {
      const chances = fisherExact(first, second);
      expect(chances.firstMore).toBeCloseTo(more, 9);
      expect(chances.firstFewer).toBeCloseTo(fewer, 9);
      expect(chances.either).toBeCloseTo(either, 9);
      const { low, high } = shareDifference(first, second);
      expect(low).toBeCloseTo(interval[0], 9);
      expect(high).toBeCloseTo(interval[1], 9);
    }
  });

  // R. G. Newcombe, Statistics in Medicine 17 (1998), table II, 56 of 70 against 48 of 80 (from memory): 0.0524 to 0.3339.
  it('differ by the interval of Newcombe’s worked example', () => {
    const { low, high } = shareDifference({ came: 56, of: 70 }, { came: 48, of: 80 });
    expect([low.toFixed(4), high.toFixed(4)]).toEqual(['0.0524', '0.3339']);
  });

  it('are asked for by name where one is missing or too large', () => {
    expect(() => fisherExact({ came: 0, of: 0 }, { came: 1, of: 4 })).toThrowError(/first\.of must be a whole number, 1 or more/);
    expect(() => shareDifference({ came: 1, of: 4 }, { came: 5, of: 4 })).toThrowError(/second\.came must be a whole number from 0 to 4/);
  });

  it('show themselves as often as R says', () => {
    for (const { seeds, shares, chance } of R.power) expect(chanceToSeeShares(seeds, shares)).toBeCloseTo(chance, 9);
  });
});

describe('how many seeds a trial needs', () => {
  const seed: SeedToTry = { medianDays: 5, spread: 0.25, rate: 0.85, lookEveryDays: 1 };

  it('is what the test itself finds on so many', () => {
    const random = randomFrom(11);
    const normal = (): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const trials = 300;
    for (const [seeds, days] of [
      [12, 1.4],
      [24, 1],
    ] as const) {
      // prettier-ignore
      const lot = (median: number): number[] =>
        Array.from({ length: seeds }, () => Math.ceil(median * Math.exp(seed.spread * normal()))).filter(() => random() < seed.rate);
      let called = 0;
      for (let trial = 0; trial < trials; trial++) {
        const test = permutationTest([logRankScores([onDays(lot(seed.medianDays - days)), onDays(lot(seed.medianDays))])], trial);
        test.draw(400);
        if (test.result().chance <= 0.05) called++;
      }
      expect(Math.abs(called / trials - chanceToSeeDays(seeds, days, seed))).toBeLessThan(0.09);
    }
  });

  it('is the fewest that show it as often as wanted, and none where too many were needed', () => {
    const seeds = seedsToSee((n) => chanceToSeeDays(n, 1, seed)) ?? 0;
    expect(chanceToSeeDays(seeds, 1, seed)).toBeGreaterThanOrEqual(0.8);
    expect(chanceToSeeDays(seeds - 1, 1, seed)).toBeLessThan(0.8);
    expect(seedsToSee((n) => chanceToSeeShares(n, [0.8, 0.79]))).toBeNull();
    // Each side more asks for more seed, as more pairs may come out by chance.
    const needed = [2, 3, 4].map((sides) => trialSize(24, { of: 'days', days: 1 }, seed, sides).needed ?? Infinity);
    expect(needed).toEqual([...new Set(needed)].sort((a, b) => a - b));
    expect(needed[0]).toBeGreaterThan(seeds);
  });
});

describe('the log-rank test of what came between looks', () => {
  for (const { name, left, right, side: sides, scores, chance } of R.sides) {
    const of = (which: number): CensoredStretch[] =>
      left.flatMap((from, index) => (sides[index] === which ? [{ left: from, right: right[index] ?? Infinity, count: 1 }] : []));
    it(`has R’s scores, by survfit’s curve (${name})`, () => {
      const own = logRankScores([of(1), of(2)]).flatMap((side) => [...side]);
      own.forEach((score, index) => expect(score).toBeCloseTo(scores[index] ?? NaN, 4));
    });

    it(`has the chance of all ways to draw the sides (${name})`, () => {
      const test = permutationTest([logRankScores([of(1), of(2)])], 7);
      test.draw(DRAWS);
      // Four standard errors of so many draws.
      expect(Math.abs(test.result().chance - chance)).toBeLessThan(4 * Math.sqrt((chance * (1 - chance)) / DRAWS) + 1 / DRAWS);
    });
  }

  it('adds up to nothing over all sides, and gains nothing from which comes first', () => {
    fc.assert(
      fc.property(side, side, (a, b) => {
        const [first, second] = logRankScores([a, b]) as [Float64Array, Float64Array];
        expect([...first, ...second].reduce((sum, score) => sum + score, 0)).toBeCloseTo(0, 4);
        const there = permutationTest([[first, second]], 3);
        const back = permutationTest([[second, first]], 3);
        for (const test of [there, back]) test.draw(400);
        expect(Math.abs(there.result().chance - back.result().chance)).toBeLessThan(0.15);
      }),
      { numRuns: 40 },
    );
  });

  it('calls sides of the same seed different no more often than it says', () => {
    let called = 0;
    const trials = 400;
    const random = randomFrom(42);
    for (let trial = 0; trial < trials; trial++) {
      const days = Array.from({ length: 24 }, () => 1 + Math.floor(6 * random() * random() + 2 * random()));
      const scores = logRankScores([onDays(days.slice(0, 12)), onDays(days.slice(12))]);
      const test = permutationTest([scores], trial);
      test.draw(300);
      if (test.result().chance <= 0.05) called++;
    }
    expect(called / trials).toBeLessThan(0.05 + 3 * Math.sqrt((0.05 * 0.95) / trials));
  });

  it('compares within each rack, where mixing two racks turns a method’s rank about', () => {
    // Most of the first side stood on the warm rack; on either rack the second came a day sooner.
    const warm = [onDays([4, 4, 4, 5, 4, 5, 4, 4, 5, 4]), onDays([3, 3, 4])] as const;
    const cold = [onDays([9, 9, 10]), onDays([8, 8, 9, 8, 8, 9, 8, 8, 9, 8])] as const;
    const mean = (scores: Float64Array = new Float64Array(0)): number => scores.reduce((sum, score) => sum + score, 0) / scores.length;
    const mixed = logRankScores([
      [...warm[0], ...cold[0]],
      [...warm[1], ...cold[1]],
    ]);
    expect(mean(mixed[0])).toBeGreaterThan(mean(mixed[1]));
    const apart = [logRankScores(warm), logRankScores(cold)];
    for (const rack of apart) expect(mean(rack[0])).toBeLessThan(mean(rack[1]));
    const test = permutationTest(apart, 5);
    test.draw(2000);
    expect(test.result().chance).toBeLessThan(0.02);
  });

  it('needs seeds on each side', () => {
    expect(() => logRankScores([onDays([2]), []])).toThrowError(/side 2 has no seeds/);
    expect(() => permutationTest([[new Float64Array(1)]], 1)).toThrowError(/at least two/);
  });

  it('raises the chances of several comparisons as R does', () => {
    for (const { chances, raised } of R.holm)
      holm(chances).forEach((chance, index) => expect(chance).toBeCloseTo(raised[index] ?? NaN, 12));
  });
});

describe('the middle seeds', () => {
  for (const { name, first, second, medians, interval } of R.middles) {
    it(`lie as far apart as R’s, drawn anew (${name})`, () => {
      expect(medianOf(onDays(first))).toBeCloseTo(medians[0], 4);
      expect(medianOf(onDays(second))).toBeCloseTo(medians[1], 4);
      const found = medianDifference([[onDays(first), onDays(second)]], 4000, 5);
      expect(found?.difference).toBeCloseTo(medians[0] - medians[1], 4);
      // Middles of a handful lie a quarter of a day apart.
      const near = first.length < 10 ? 0.3 : 0.12;
      expect(Math.abs((found?.low ?? NaN) - interval[0])).toBeLessThan(near);
      expect(Math.abs((found?.high ?? NaN) - interval[1])).toBeLessThan(near);
    });
  }

  it('cannot be told where fewer than two came', () => {
    expect(medianOf([{ left: 5, right: Infinity, count: 9 }])).toBeNull();
    expect(medianDifference([[onDays([3]), onDays([4, 5])]], 100, 1)).toBeNull();
  });
});

describe('the indices', () => {
  it('are those of their definitions, recomputed in R', () => {
    for (const { seeds, day, new: found, ...expected } of R.indices) {
      const indices = germinationIndices(
        seeds,
        day.map((at, index) => ({ day: at, count: found[index] ?? 0 })),
      );
      for (const key of Object.keys(indices) as (keyof Indices)[])
        expect(indices[key])
          .withContext(key)
          .toBeCloseTo(expected[key] ?? NaN, 8);
    }
  });

  it('tell nothing of days where nothing came, and say where looks were too far apart', () => {
    const none = germinationIndices(12, [{ day: 3, count: 0 }]);
    expect([none.finalPercent, none.meanDays, none.t50Coolbear, none.synchrony]).toEqual([0, null, null, null]);
    const looks = [{ day: 3, count: 1 }, { day: 9, count: 8 }]; // prettier-ignore
    expect(looksTooSparse(looks)).toBe(true);
    expect(looksTooSparse([2, 3, 4, 5].map((day) => ({ day, count: 3 })))).toBe(false);
  });

  it('refuse more tips than seeds and days that do not rise', () => {
    expect(() => germinationIndices(3, [{ day: 2, count: 4 }])).toThrowError(/no fewer than the 4/);
    expect(() => germinationIndices(3, [{ day: 2, count: 1 }, { day: 2, count: 1 }])).toThrowError(/days must rise/); // prettier-ignore
  });
});
