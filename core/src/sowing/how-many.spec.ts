import { chanceOfPlants, seedsFor } from '../index.js';

describe('how many to start', () => {
  // Beta-binomial worked by hand: 26 of 30 tested, flat prior, so Beta(27, 5).
  const tested = { mean: 27 / 32, weight: 32, handling: 1 };

  it('needs 18 seeds for 12 plants nineteen times in twenty; 17 give 92.5 %', () => {
    expect(chanceOfPlants(17, 12, tested)).toBeCloseTo(0.925, 3);
    expect(seedsFor(12, 0.95, tested)).toBe(18);
  });

  it('asks for more where handling loses some, and owns up where no number will do', () => {
    expect(seedsFor(12, 0.95, { ...tested, handling: 0.9 })).toBeGreaterThan(18);
    expect(seedsFor(5, 0.9, { mean: 0.001, weight: 6, handling: 1 })).toBeNull();
    expect(chanceOfPlants(4, 5, tested)).toBe(0);
  });
});
