import { readdirSync } from 'node:fs';
import { CROPS } from './all.js';
import { comesBelowC, rateAt, responseOf, shareAt, tentRateAt } from '../warmth/index.js';
import { cropSchema } from './schema.js';

const crop = (id: string) => {
  const found = CROPS.find((one) => one.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};
const daysAt = (id: string, celsius: number): number => crop(id).days.tipAtOptimum / rateAt(responseOf(crop(id).temperature), celsius);

describe('the crop library', () => {
  it('holds every entry once, each of its shape, with a source for every group of figures', () => {
    for (const entry of CROPS)
      expect(() => cropSchema.parse(entry))
        .withContext(entry.id)
        .not.toThrow();
    const files = readdirSync(new URL('.', import.meta.url)).filter((file) => file.endsWith('.json'));
    expect(CROPS.map(({ id }) => `${id}.json`).sort()).toEqual(files.sort());
    expect(CROPS.length).toBeGreaterThanOrEqual(133);
  });

  it('has figures that do not contradict each other', () => {
    for (const { id, temperature, root, days, water } of CROPS) {
      const { baseC, optimumC, ceilingC } = temperature.beta;
      expect(baseC < optimumC && optimumC < ceilingC && temperature.tentBaseC < optimumC)
        .withContext(id)
        .toBeTrue();
      expect(root.readyMm < root.lateMm)
        .withContext(id)
        .toBeTrue();
      expect(days.tipRange[0] <= days.tipRange[1])
        .withContext(id)
        .toBeTrue();
      expect(water.soakHours[1] <= water.drowningLimitHours)
        .withContext(id)
        .toBeTrue();
    }
    expect(tentRateAt(crop('tomato').temperature.beta, crop('tomato').temperature.beta.optimumC)).toBe(1);
  });

  it('comes to nothing below its base and beyond the ends of its share, and is nowhere level there', () => {
    for (const { id, temperature } of CROPS) {
      const { tentBaseC, share } = temperature;
      const cells = share?.values ?? [];
      const response = responseOf(temperature);
      expect(cells.length).withContext(id).toBeGreaterThan(2);
      expect(rateAt(response, tentBaseC - 0.1))
        .withContext(id)
        .toBe(0);
      expect(rateAt(response, tentBaseC + 1))
        .withContext(id)
        .toBeGreaterThan(0);
      // Ice is where the share of the hardiest ends.
      expect(tentBaseC <= 0 || shareAt(cells, tentBaseC) === 0)
        .withContext(id)
        .toBeTrue();
      expect(shareAt(cells, comesBelowC(temperature)))
        .withContext(id)
        .toBe(0);
      expect(shareAt(cells, -6)).withContext(id).toBe(0);
      // It rises to its best and falls from it.
      const shares = cells.map(([, value]) => value);
      const top = shares.indexOf(1);
      expect(
        top >= 0 && shares.every((value, at) => at === 0 || (at <= top ? value >= (shares[at - 1] ?? 0) : value <= (shares[at - 1] ?? 1))),
      )
        .withContext(id)
        .toBeTrue();
    }
  });

  // Common practice, no source: what growers of the kind would say of a room, and of a hot shelf.
  const SHARES: readonly [string, number, number, number][] = [
    ['courgette', 18, 0.6, 0.8],
    ['winter-squash', 18, 0.6, 0.8],
    ['bottle-gourd', 18, 0, 0.3],
    ['luffa', 18, 0, 0.3],
    ['pepper-very-hot', 18, 0.2, 0.4],
    ['melon', 18, 0, 0.38],
    ['okra', 4, 0, 0],
    ['celery', 2, 0, 0],
    ['coriander', 30, 0, 0.35],
    ['leek', 30, 0, 0.5],
    ['sweet-pea', 30, 0, 0.3],
    ['broad-bean', 30, 0, 0.5],
    ['chervil', 30, 0, 0.05],
    ['lavender', 26, 0, 0.6],
    ['poppy', 26, 0, 0.4],
    ['pea', 36, 0, 0],
  ];
  for (const [id, celsius, low, high] of SHARES) {
    it(`lets ${id} come at ${celsius} °C by ${low} to ${high} of its best`, () => {
      const share = shareAt(crop(id).temperature.share?.values ?? [], celsius);
      expect(share).toBeGreaterThanOrEqual(low);
      expect(share).toBeLessThanOrEqual(high);
    });
  }

  // Median first tip on a towel: common practice, no source.
  const RANGES: readonly [string, number, number, number][] = [
    ['pea', 22, 1, 3],
    ['radish', 25, 1, 3],
    ['melon', 25, 2, 6],
    ['tomato', 25, 2, 6],
    ['bean-bush', 21, 3, 6],
    ['pepper-sweet', 27, 4, 9],
  ];
  for (const [id, celsius, low, high] of RANGES) {
    it(`expects ${id} at ${celsius} °C in ${low} to ${high} days`, () => {
      expect(daysAt(id, celsius)).toBeGreaterThanOrEqual(low);
      expect(daysAt(id, celsius)).toBeLessThanOrEqual(high);
    });
  }
});
