import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { betaBinomial, betaBinomialAt } from './beta-binomial.js';
import { binomial } from './binomial.js';
import { ChanceMixer, countByPowers, countForecast, MOST_BY_POWERS } from './count.js';
import { exactInterval, wilsonInterval } from './intervals.js';
import { fastLogWeibullCdf, fastNormalCdf } from './normal.js';
import { logRising, risingTable } from './rising.js';
import { threeFor } from './three.js';

interface Fixtures {
  readonly binomial: readonly { readonly n: number; readonly p: number; readonly chances: readonly number[] }[];
  readonly beta_binomial: readonly {
    readonly n: number;
    readonly mean: number;
    readonly weight: number;
    readonly chances: readonly number[];
  }[];
  readonly normal: { readonly z: readonly number[]; readonly below: readonly number[] };
}
/** By R's own distributions and numerical integration: see reference/chance/fixtures.R. */
const R = JSON.parse(readFileSync(new URL('../../../reference/chance/fixtures.json', import.meta.url), 'utf8')) as Fixtures;

const sum = (values: Float64Array): number => values.reduce((total, value) => total + value, 0);
const share = fc.double({ min: 0, max: 1, noNaN: true });

describe('chances, held against R', () => {
  it('a binomial is R’s to twelve digits', () => {
    for (const { n, p, chances } of R.binomial) {
      binomial(n, p).forEach((chance, k) =>
        expect(chance)
          .withContext(`${k} of ${n} at ${p}`)
          .toBeCloseTo(chances[k] ?? NaN, 12),
      );
    }
  });

  it('a count whose chance is a beta is what integration over that beta gives', () => {
    for (const { n, mean, weight, chances } of R.beta_binomial) {
      betaBinomial(n, { mean, weight }).forEach((chance, k) =>
        expect(chance)
          .withContext(`${k} of ${n}`)
          .toBeCloseTo(chances[k] ?? NaN, 8),
      );
    }
  });

  it('the tabled normal curve strays from R’s by less than a millionth', () => {
    R.normal.z.forEach((z, index) =>
      expect(Math.abs(fastNormalCdf(z) - (R.normal.below[index] ?? NaN)))
        .withContext(String(z))
        .toBeLessThan(5e-7),
    );
  });
});

describe('chances, whatever is asked', () => {
  it('add up to one for up to 400 seeds, at the edges too', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), share, (n, p) => {
        const chances = binomial(n, p);
        expect(chances.length).toBe(n + 1);
        expect(sum(chances)).toBeCloseTo(1, 10);
        expect(chances.every((chance) => chance >= 0)).toBeTrue();
      }),
    );
    expect([...binomial(3, 0)]).toEqual([1, 0, 0, 0]);
    expect([...binomial(3, 1)]).toEqual([0, 0, 0, 1]);
  });

  it('an uncertain rate has the same mean and more spread than a certain one', () => {
    const spread = (chances: Float64Array): number => {
      const mean = chances.reduce((total, chance, k) => total + k * chance, 0);
      return chances.reduce((total, chance, k) => total + (k - mean) ** 2 * chance, 0);
    };
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 60 }),
        fc.double({ min: 0.03, max: 0.97, noNaN: true }),
        fc.double({ min: 1, max: 300, noNaN: true }),
        (n, mean, weight) => {
          const loose = betaBinomial(n, { mean, weight });
          expect(sum(loose)).toBeCloseTo(1, 6);
          expect(loose.reduce((total, chance, k) => total + k * chance, 0)).toBeCloseTo(n * mean, 4);
          expect(spread(loose)).toBeGreaterThan(spread(binomial(n, mean)) - 1e-9);
        },
      ),
    );
  });

  it('the stretch is the shortest that holds what is asked, and no shorter one does', () => {
    const weights = fc
      .array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 2, maxLength: 25 })
      .filter((all) => all.some((one) => one > 0.05));
    fc.assert(
      fc.property(weights, fc.constantFrom(0.5, 0.8, 0.95), (all, asked) => {
        const total = all.reduce((before, one) => before + one, 0);
        const chances = Float64Array.from(all, (one) => one / total);
        const { low, high, mostLikely, anyChance } = countForecast(chances, asked);
        const held = (from: number, to: number): number => sum(chances.slice(from, to + 1));
        expect(held(low, high)).toBeGreaterThanOrEqual(asked - 1e-9);
        for (let from = 0; from + (high - low) - 1 < chances.length; from++)
          expect(held(from, from + (high - low) - 1)).toBeLessThan(asked + 1e-9);
        expect(chances[mostLikely]).toBeCloseTo(Math.max(...chances), 10);
        expect(anyChance).toBeCloseTo(1 - (chances[0] ?? 0), 10);
      }),
    );
  });

  it('mixed chances keep their mean, and what none picks is the mixture’s zero', () => {
    const cells = fc.array(fc.tuple(share, fc.double({ min: 0.01, max: 1, noNaN: true })), { minLength: 1, maxLength: 30 });
    fc.assert(
      fc.property(cells, fc.integer({ min: 1, max: 40 }), fc.constantFrom(0, 0.02, 0.3), (drawn, count, flatness) => {
        const total = drawn.reduce((before, [, weight]) => before + weight, 0);
        const roots = Float64Array.from(drawn, ([chance]) => Math.sqrt(chance));
        const weights = Float64Array.from(drawn, ([, weight]) => weight / total);
        const mixer = new ChanceMixer({ roots, weights }, count, flatness);
        mixer.add(0, drawn.length, 1);
        const told = mixer.addTo(new Float64Array(count + 1));
        const mean = told.reduce((before, chance, k) => before + k * chance, 0);
        const meant = drawn.reduce((before, [chance, weight]) => before + (chance * weight) / total, 0) * count;
        // The grid ends a hair before certainty.
        expect(Math.abs(mean - meant)).toBeLessThan(1e-6 * count + 1e-9);
        expect(mixer.none()).toBeCloseTo(told[0] ?? NaN, 10);
      }),
    );
  });

  it('a chance that scatters gives the beta-binomial, between the weights that are tabulated too', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.02, max: 0.98, noNaN: true }), fc.double({ min: 0.4, max: 70, noNaN: true }), (mean, weight) => {
        const count = 25;
        const expected = betaBinomial(count, { mean, weight });
        const mixer = new ChanceMixer({ roots: Float64Array.of(Math.sqrt(mean)), weights: Float64Array.of(1) }, count, 1 / (weight + 1));
        mixer.add(0, 1, 1);
        const told = mixer.addTo(new Float64Array(count + 1));
        expect(sum(told.map((chance, k) => Math.abs(chance - (expected[k] ?? 0)))) / 2).toBeLessThan(0.02);
        betaBinomialAt(count, mean, weight).forEach((chance, k) => expect(chance).toBeCloseTo(expected[k] ?? NaN, 9));
      }),
      { numRuns: 40 },
    );
    expect([...betaBinomialAt(3, 0, 5), ...betaBinomialAt(3, 1, 5)]).toEqual([1, 0, 0, 0, 0, 0, 0, 1]);
  });

  it('three values stand for many by their first four moments, or leave them as they are', () => {
    const values = Float64Array.from({ length: 9 }, (_, i) => 0.5 + 0.02 * (i - 3) + 0.001 * i * i);
    const weights = values.map((_, i) => Math.exp(-(((i - 3) / 2) ** 2)));
    const moments = (count: number): number[] =>
      [0, 1, 2, 3, 4].map((power) => sum(weights.slice(0, count).map((weight, i) => weight * (values[i] ?? NaN) ** power)));
    const before = moments(9);
    expect(threeFor(values, weights, 9, 1e-3)).toBe(9);
    expect(threeFor(values, weights, 9, 0.5)).toBe(3);
    moments(3).forEach((moment, power) => expect(moment).toBeCloseTo(before[power] ?? NaN, 10));
    expect(threeFor(Float64Array.of(2, 2, 2, 2), Float64Array.of(1, 1, 1, 1), 4, 0.5)).toBe(1);
  });

  it('tabulates the log of a rising product', () => {
    for (const [first, count] of [
      [1, 1],
      [1, 30],
      [7, 12],
      [150, 50],
    ] as const) {
      const table = risingTable(16, first, count);
      for (const y of [0, 0.003, 0.2, 1.7, 9, 16]) {
        const log = Array.from({ length: count }, (_, k) => Math.log(y + first + k)).reduce((a, b) => a + b, 0);
        expect(Math.abs(logRising(table, Math.sqrt(y)) - log))
          .withContext(`${first} ${count} ${y}`)
          .toBeLessThan(2e-3);
      }
    }
  });

  it('a count from the means of a chance’s powers is the mixed binomial, and a chance near nothing keeps its digits', () => {
    const cells = fc.array(fc.tuple(fc.oneof(share, fc.double({ min: 1e-12, max: 1e-6, noNaN: true })), share), {
      minLength: 1,
      maxLength: 30,
    });
    fc.assert(
      fc.property(cells, fc.integer({ min: 0, max: MOST_BY_POWERS }), (drawn, count) => {
        const total = drawn.reduce((before, [, weight]) => before + weight + 0.01, 0);
        const mean = (of: (chance: number) => number): number =>
          drawn.reduce((sum, [chance, weight]) => sum + ((weight + 0.01) / total) * of(chance), 0);
        const told = countByPowers(Float64Array.from({ length: count + 1 }, (_, power) => mean((chance) => chance ** power)));
        for (let k = 0; k <= count; k++) {
          const expected = mean((chance) => binomial(count, chance)[k] ?? NaN);
          expect(Math.abs((told[k] ?? NaN) - expected)).toBeLessThan(1e-8);
          if (k === 1) expect(Math.abs((told[1] ?? NaN) - expected)).toBeLessThan(1e-6 * mean((chance) => chance) * count + 1e-15);
        }
      }),
    );
  });

  it('intervals hold their share, narrow with more seeds, and the exact one is the more careful', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), share, fc.constantFrom(0.8, 0.95), (n, part, confidence) => {
        const k = Math.round(part * n);
        const wilson = wilsonInterval(k, n, confidence);
        const exact = exactInterval(k, n, confidence);
        for (const { low, high } of [wilson, exact]) {
          expect(low).toBeLessThanOrEqual(k / n + 1e-12);
          expect(high).toBeGreaterThanOrEqual(k / n - 1e-12);
          expect(low).toBeGreaterThanOrEqual(-1e-12);
          expect(high).toBeLessThanOrEqual(1 + 1e-12);
        }
        const finer = wilsonInterval(4 * k, 4 * n, confidence);
        expect(finer.high - finer.low).toBeLessThan(wilson.high - wilson.low);
        expect(exact.high - exact.low).toBeGreaterThan(wilson.high - wilson.low - 0.05);
      }),
    );
  });

  it('tabled curves rise from nothing to all, with half at their median', () => {
    for (const curve of [fastNormalCdf, fastLogWeibullCdf]) {
      expect([curve(-99), curve(99)]).toEqual([0, 1]);
      expect(curve(0)).toBeCloseTo(0.5, 6);
      let last = 0;
      for (let z = -30; z < 9; z += 0.0137) {
        expect(curve(z)).toBeGreaterThanOrEqual(last);
        last = curve(z);
      }
    }
  });
});
