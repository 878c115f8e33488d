import { agedShare, agedShares, bookPrior } from '../forecast/index.js';
import { CROPS, type Crop } from '../crops/index.js';
import { stockOf } from './stock.js';

const onion = CROPS.find(({ id }) => id === 'onion') as Crop;
const packet = (ageYears: number | null, more: Partial<Parameters<typeof stockOf>[1]> = {}) =>
  stockOf(onion, {
    share: bookPrior(onion, { printedRate: null, ageYears, seen: 'tip' }).share,
    ageYears,
    pace: 1,
    seedsLeft: 40,
    tried: false,
    ...more,
  });

describe('the stock', () => {
  it('expects less of old seed and says so: use it up, and test it before counting on it', () => {
    const [fresh, old] = [packet(0), packet(2)];
    expect(fresh.advice).toEqual([]);
    expect(old.mean).toBeLessThan(fresh.mean);
    expect(old.mean / fresh.mean).toBeCloseTo(agedShares(2, onion.viability.storageYears).mean, 2);
    // Years that are known only roughly leave very old seed a chance.
    expect(agedShares(3, 1).mean).toBeGreaterThan(agedShare(3, 1));
    expect(old.ahead[1]).toBeLessThan(old.mean);
    expect(old.advice).toEqual(['use_up', 'test_first']);
    expect(packet(2, { tried: true }).advice).toEqual(['use_up']);
    expect(packet(2, { seedsLeft: 0 }).advice).toEqual(['empty']);
    expect(packet(null).advice).toEqual([]);
  });

  it('draws the stretch that holds 8 times in 10 around the mean', () => {
    const { low, mean, high } = packet(2);
    expect(low).toBeLessThan(mean);
    expect(high).toBeGreaterThan(mean);
    // Beta(2, 3) has the distribution function 6x² - 8x³ + 3x⁴.
    const below = (x: number): number => 6 * x ** 2 - 8 * x ** 3 + 3 * x ** 4;
    const known = stockOf(onion, { share: { mean: 0.4, weight: 5 }, ageYears: 0, pace: 1, seedsLeft: 9, tried: true });
    expect(below(known.low)).toBeCloseTo(0.1, 9);
    expect(below(known.high)).toBeCloseTo(0.9, 9);
  });
});
