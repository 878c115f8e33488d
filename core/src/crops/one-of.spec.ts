import fc from 'fast-check';
import { CROPS } from './all.js';
import { kindsIn, MOST_KINDS, oneOf, oneOfId } from './one-of.js';
import { cropSchema } from './schema.js';

const kinds = fc.uniqueArray(fc.constantFrom(...CROPS), { minLength: 2, maxLength: MOST_KINDS, selector: ({ id }) => id });

describe('a crop of which only this is known, that it is one of several', () => {
  it('is a crop like any other, and its id names the kinds whatever order they were named in', () => {
    fc.assert(
      fc.property(kinds, (crops) => {
        const muddled = oneOf(crops);
        expect(() => cropSchema.parse({ ...muddled, latin: 'several' })).not.toThrow();
        const ids = crops.map(({ id }) => id);
        expect(kindsIn(muddled.id)).toEqual([...ids].sort());
        expect(oneOfId([...ids].reverse())).toBe(oneOfId(ids));
      }),
      { numRuns: 60 },
    );
  });

  it('does the least harm whichever it turns out to be', () => {
    fc.assert(
      fc.property(kinds, (crops) => {
        const { water, temperature, root, coat, hazards, methods, days, preparation } = oneOf(crops);
        for (const each of crops) {
          expect(water.drowningLimitHours).toBeLessThanOrEqual(each.water.drowningLimitHours);
          expect(water.dampRatio).toBeLessThanOrEqual(each.water.dampRatio);
          expect(temperature.injuryC).toBeLessThanOrEqual(each.temperature.injuryC);
          expect(temperature.tentBaseC).toBeLessThanOrEqual(each.temperature.tentBaseC);
          expect(root.lateMm).toBeLessThanOrEqual(each.root.lateMm);
          expect(root.mmPerDayAtOptimum).toBeGreaterThanOrEqual(each.root.mmPerDayAtOptimum);
          expect(methods.mouldProne).toBeGreaterThanOrEqual(each.methods.mouldProne);
          // Every caution of every kind stands in it, with the kind that it is of.
          if (each.hazards.text !== '') expect(hazards.text).toContain(`${each.name}: ${each.hazards.text}`);
          expect(hazards.care).toEqual(jasmine.arrayContaining([...each.hazards.care]));
        }
        // One seed in so many is hard, as a draw of any of them would be; a hard one waits as long as the hardest.
        const hard = crops.map((one) => one.coat.hardShare);
        expect(coat.hardShare).toBeGreaterThanOrEqual(Math.min(...hard) - 1e-9);
        expect(coat.hardShare).toBeLessThanOrEqual(Math.max(...hard) + 1e-9);
        expect(coat.wholeFactor).toBe(Math.max(...crops.map((one) => one.coat.wholeFactor)));
        // Nothing is cut, soaked or chilled that another of them would not stand.
        expect(preparation.steps).toEqual([]);
        const tips = crops.map((one) => one.days.tipAtOptimum);
        expect(days.tipAtOptimum).toBeGreaterThanOrEqual(Math.min(...tips) * (1 - 1e-9));
        expect(days.tipAtOptimum).toBeLessThanOrEqual(Math.max(...tips) * (1 + 1e-9));
        expect(days.tipRange[1]).toBe(Math.max(...crops.map((one) => one.days.tipRange[1])));
      }),
      { numRuns: 60 },
    );
  });

  it('is spread as a draw of any of them would be: between kinds as well as within', () => {
    // Two kinds at 2 and 8 days, each with a spread of 0.3: by hand sqrt(0.3² + ln(2)²) = 0.755.
    const [first] = CROPS;
    const at = (tipAtOptimum: number, id: string) => ({ ...first!, id, days: { ...first!.days, tipAtOptimum, logSpread: 0.3 } });
    const { days } = oneOf([at(2, 'a'), at(8, 'b')]);
    expect(days.tipAtOptimum).toBeCloseTo(4, 9);
    expect(days.logSpread).toBeCloseTo(0.755, 3);
  });

  it('is no muddle where it is of one kind, and an own crop’s id is no muddle’s', () => {
    expect(oneOfId(['leek', 'leek'])).toBe('leek');
    expect(kindsIn('leek')).toBeNull();
    expect(kindsIn('own-one-of-a-kind')).toBeNull();
    expect(() => oneOf([CROPS[0]!])).toThrowError(RangeError);
  });
});
