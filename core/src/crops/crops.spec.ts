import { readdirSync } from 'node:fs';
import { CROPS } from './all.js';
import { rateAt, tentRateAt } from '../warmth/index.js';
import { cropSchema } from './schema.js';

const crop = (id: string) => {
  const found = CROPS.find((one) => one.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};
const daysAt = (id: string, celsius: number): number => crop(id).days.tipAtOptimum / rateAt(crop(id).temperature.beta, celsius);

describe('the crop library', () => {
  it('holds every entry once, each of its shape, with a source for every group of figures', () => {
    for (const entry of CROPS)
      expect(() => cropSchema.parse(entry))
        .withContext(entry.id)
        .not.toThrow();
    const files = readdirSync(new URL('.', import.meta.url)).filter((file) => file.endsWith('.json'));
    expect(CROPS.map(({ id }) => `${id}.json`).sort()).toEqual(files.sort());
    expect(CROPS.length).toBeGreaterThanOrEqual(10);
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
