import fc from 'fast-check';
import { bedGate, placesIn } from './bed.js';
import { CROPS, type Crop } from '../crops/index.js';
import { DESTINATIONS } from './destinations.js';
import { moveCard } from '../words/index.js';
import { handlingFor } from './handling.js';
import { mouldIndex, quietChoices, reportFor } from '../judging/index.js';
import { dryingForecast, lossPerDay } from '../carrier/index.js';
import { binomial } from '../chance/index.js';
import { look, NOW, parcel, words } from '../testing/parcel.js';

const crop = (id: string): Crop => {
  const found = CROPS.find((one) => one.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};
const DAY_MS = 86_400_000;

describe('a bed', () => {
  const bed = { widthM: 0.8, lengthM: 1.2, madeYear: null };

  it('lets broad beans in from cold soil and okra only from warm, and says how sure that is', () => {
    const soil = (celsius: number, source: 'soil' | 'air' = 'soil', ageDays = 0) => ({ celsius, source, ageDays });
    expect(bedGate(crop('broad-bean'), bed, soil(8), 2026).ready).toBeTrue();
    expect(bedGate(crop('broad-bean'), bed, soil(3), 2026).ready).toBeFalse();
    expect(bedGate(crop('okra'), bed, soil(15), 2026).ready).toBeFalse();
    expect(bedGate(crop('okra'), bed, soil(20), 2026).chanceWarm).toBeGreaterThan(0.95);
    // The air says less than a thermometer in the soil, an old reading less than today's.
    const chance = (...known: Parameters<typeof soil>) => bedGate(crop('okra'), bed, soil(...known), 2026).chanceWarm ?? 0;
    expect(chance(20, 'air')).toBeLessThan(chance(20));
    expect(chance(20, 'soil', 6)).toBeLessThan(chance(20));
    expect(bedGate(crop('okra'), bed, null, 2026)).toEqual(jasmine.objectContaining({ ready: false, chanceWarm: null }));
    expect(bedGate(crop('okra'), bed, soil(10), 2026).plugDays).toBeGreaterThan(10);
  });

  it('holds what fits at the spacing, its rows along the better side', () => {
    expect(placesIn(bed, { inRow: 20, rows: 40 })).toBe(12);
    expect(placesIn(bed, { inRow: 80, rows: 120 })).toBe(1);
    expect(placesIn(bed, { inRow: 130, rows: 130 })).toBe(0);
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 5, noNaN: true }),
        fc.double({ min: 0.2, max: 9, noNaN: true }),
        fc.integer({ min: 3, max: 90 }),
        (w, l, apart) => {
          const places = placesIn({ widthM: w, lengthM: l }, { inRow: apart, rows: apart });
          return (
            places <= (w * l) / (apart / 100) ** 2 + 1e-6 && places === placesIn({ widthM: l, lengthM: w }, { inRow: apart, rows: apart })
          );
        },
      ),
      { seed: 6 },
    );
  });
});

describe('a move card', () => {
  it('is whole for every crop and place, and keeps light-needing seed on the surface', () => {
    for (const one of CROPS) {
      for (const destination of DESTINATIONS) {
        const card = moveCard(one, destination, 3, words);
        expect(card.lines.length).toBeGreaterThan(6);
        expect(JSON.stringify(card)).not.toMatch(/undefined|NaN/);
        const depth = card.lines.find(({ what }) => what === 'Depth')?.text ?? '';
        if (one.moving.surfaceSown && destination === 'cell') expect(depth).toContain('On the surface');
      }
    }
    expect(moveCard(crop('okra'), 'pellet', 5, words).lines.find(({ what }) => what === 'Into')?.text).toContain('200 ml');
    expect(moveCard(crop('tomato'), 'cup', 1, words).cautions.join()).toContain('Legionella');
    expect(moveCard(crop('tomato'), 'slot', 1, words).cautions.length).toBe(1);
  });
});

describe('quiet seeds on moving day', () => {
  it('are worth what each school would give, and planting takes their places', () => {
    const answers = reportFor(parcel('tomato', 4, 25, { looks: [look(0, { tipped: 4 })] }), NOW);
    const [retuck, plant, stop] = quietChoices(answers);
    expect([retuck?.low, retuck?.high]).toEqual([answers.end.low, answers.end.high]);
    expect([plant?.places, stop?.high]).toEqual([4, 0]);
    expect(plant?.high).toBeLessThanOrEqual(4);
  });

  it('and what snaps is learnt for the next start count', () => {
    const guess = handlingFor(crop('okra'), { moved: 0, snapped: 0 });
    expect(guess.told).toBe(0);
    expect(guess.mean).toBeCloseTo(0.95, 9);
    expect(handlingFor(crop('okra'), { moved: 10, snapped: 10 }).mean).toBeLessThan(0.72);
    expect(handlingFor(crop('okra'), { moved: 60, snapped: 0 }).mean).toBeGreaterThan(0.97);
  });
});

describe('water and mould', () => {
  it('the scale corrects a bag’s drying, and agrees with a finger that says the same', () => {
    const from = NOW - 3 * DAY_MS;
    const rule = dryingForecast(lossPerDay('sealed_air'), 25, from, [], NOW);
    const weighed = (shareLeft: number) =>
      dryingForecast(lossPerDay('sealed_air'), 25, from, [], NOW, [{ atMs: NOW, fullMs: from, shareLeft }]);
    expect(weighed(0.5).dryingAtMs).toBeLessThan(rule.dryingAtMs);
    expect(weighed(0.5).shareLeft).toBeCloseTo(0.5, 1);
    expect(weighed(0.97).dryingAtMs).toBeGreaterThan(rule.dryingAtMs);
    const agreed = weighed(rule.shareLeft).factor;
    expect(agreed).toBeGreaterThan(0.8);
    expect(agreed).toBeLessThan(1.25);
  });

  it('the index sorts: wetter, warmer, tighter, longer, damaged and found are never less (rule of thumb, no source)', () => {
    const base = {
      crop: crop('okra'),
      closure: 'corner_open' as const,
      celsius: 20,
      days: 4,
      wetness: 0.7,
      pooling: false,
      damaged: false,
      found: 0,
    };
    const index = (more: object): number => mouldIndex({ ...base, ...more });
    const least = index({});
    for (const worse of [
      { wetness: 1 },
      { celsius: 28 },
      { closure: 'sealed_flat' },
      { days: 20 },
      { damaged: true },
      { found: 0.3 },
      { pooling: true },
    ]) {
      expect(index(worse)).toBeGreaterThanOrEqual(least);
    }
    expect(index({ found: 0.3 })).toBeGreaterThan(least + 2);
    expect(index({ found: 1, pooling: true, celsius: 30, days: 60, damaged: true })).toBeLessThanOrEqual(10);
  });

  it('binomial chances sum to one and have the right mean, for any count and chance', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 400 }), fc.double({ min: 0, max: 1, noNaN: true }), (n, p) => {
        const chances = binomial(n, p);
        const sum = chances.reduce((a, b) => a + b, 0);
        const mean = chances.reduce((a, b, k) => a + b * k, 0);
        return Math.abs(sum - 1) < 1e-9 && Math.abs(mean - n * p) < 1e-6 * Math.max(n, 1);
      }),
      { seed: 8 },
    );
  });
});
