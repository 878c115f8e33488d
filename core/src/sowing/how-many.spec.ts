import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { chanceOfPlants, filledUp, mostPlants, plantOdds, seedsFor, type PlantRate } from './how-many.js';

interface Case {
  readonly seeds: number;
  readonly wanted: number;
  readonly a: number;
  readonly b: number;
  readonly survival: number;
  readonly chance: number;
}
const fixtures = JSON.parse(readFileSync(new URL('../../../reference/germination/fixtures.json', import.meta.url), 'utf8')) as {
  plants: Case[];
  pairs: Case[];
};
const rateOf = ({ a, b, survival }: Case): PlantRate => ({ mean: a / (a + b), weight: a + b, handling: 1, survival });

describe('how many to start', () => {
  // Beta-binomial worked by hand: 26 of 30 tested, flat prior, so Beta(27, 5).
  const tested = { mean: 27 / 32, weight: 32, handling: 1 };

  it('agrees with R, one to a pot and two to a pot with the stronger kept (reference/germination)', () => {
    for (const one of fixtures.plants) expect(chanceOfPlants(one.seeds, one.wanted, rateOf(one))).toBeCloseTo(one.chance, 9);
    for (const one of fixtures.pairs) {
      expect(chanceOfPlants(one.seeds, one.wanted, { ...rateOf(one), perPot: 2, keepers: 1 })).toBeCloseTo(one.chance, 9);
    }
  });

  it('needs 18 seeds for 12 plants nineteen times in twenty; 17 give 92.5 %', () => {
    expect(chanceOfPlants(17, 12, tested)).toBeCloseTo(0.925, 3);
    expect(seedsFor(12, 0.95, tested)).toBe(18);
  });

  it('asks for more where handling loses some, and owns up where no number will do', () => {
    expect(seedsFor(12, 0.95, { ...tested, handling: 0.9 })).toBeGreaterThan(18);
    expect(seedsFor(5, 0.9, { mean: 0.001, weight: 6, handling: 1 })).toBeNull();
    expect(chanceOfPlants(4, 5, tested)).toBe(0);
  });

  it('counts clusters, clumps and the best as what they give', () => {
    const sure = (more: Partial<PlantRate>) => seedsFor(12, 0.9, { ...tested, survival: 0.8, ...more }) ?? Infinity;
    // A cluster thinned to one forgives a loss; a clump of three left to grow gives three.
    expect(sure({ germs: 2.3 })).toBeLessThan(sure({}));
    expect(sure({ perPot: 3, keepers: 3 })).toBe(sure({}));
    expect(sure({ perPot: 3, keepers: 1 })).toBeGreaterThan(2 * sure({}));
    // The better half of twice as many.
    expect(sure({ keep: 0.5 })).toBeGreaterThan(1.8 * sure({}));
    expect(chanceOfPlants(3, 3, { mean: 0.98, weight: 1e6, handling: 1, germs: 2, keepers: 2 })).toBeGreaterThan(0.99);
  });

  it('never gives less for a seed more, and its sizes are the smallest that do', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 25 }),
        fc.double({ min: 0.3, max: 0.95, noNaN: true }),
        fc.double({ min: 0.5, max: 1, noNaN: true }),
        fc.integer({ min: 1, max: 3 }),
        (wanted, mean, survival, perPot) => {
          const odds = plantOdds(wanted, { mean, weight: 8, handling: 0.95, survival, perPot, keepers: 1 });
          const chances = Array.from({ length: 60 }, (_, seeds) => odds.of(seeds));
          chances.forEach((chance, seeds) => expect(chance).toBeGreaterThanOrEqual((chances[seeds - 1] ?? 0) - 1e-12));
          const fewest = odds.seedsFor(0.8);
          if (fewest !== null) {
            expect(odds.of(fewest)).toBeGreaterThanOrEqual(0.8 - 1e-12);
            expect(odds.of(fewest - 1)).toBeLessThan(0.8);
          }
        },
      ),
      { numRuns: 40, seed: 7 },
    );
  });

  it('says what too few give, and what fills them up', () => {
    const most = mostPlants(10, 0.9, tested);
    expect(chanceOfPlants(10, most, tested)).toBeGreaterThanOrEqual(0.9);
    expect(chanceOfPlants(10, most + 1, tested)).toBeLessThan(0.9);
    const enough = seedsFor(12, 0.9, tested) ?? 0;
    const fill = filledUp(12, 0.9, tested, 10, tested) ?? 0;
    // Two packets fail apart: together they need no more than one alone.
    expect(10 + fill).toBeLessThanOrEqual(enough);
    expect(10 + fill).toBeGreaterThanOrEqual(enough - 1);
    expect(filledUp(12, 0.9, tested, 2, { mean: 0.002, weight: 6 })).toBeNull();
  });
});
