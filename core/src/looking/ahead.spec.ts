import { CROPS, type Crop } from '../crops/index.js';
import {
  assumedHours,
  hoursAhead,
  hoursTold,
  placeNow,
  type Occurrence,
  type Reading,
  type SpotBody,
  type SpotSetup,
} from '../warmth/index.js';
import { harmAhead } from './index.js';

const HOUR_MS = 3_600_000;
const NOW = Date.UTC(2026, 3, 11, 5);
const crop = (id: string): Crop => CROPS.find((one) => one.id === id) as Crop;
const MAT: SpotSetup = { lidded: true, cloths: 0, mat: { watts: 20, setC: 27, bandC: 1, probe: 'fold' }, sun: null };
const day = (back: number): Reading => ({
  fromMs: NOW - (back + 1) * 24 * HOUR_MS,
  toMs: NOW - back * 24 * HOUR_MS,
  minC: 26.4,
  maxC: 27.6,
});
const spot = (more: Partial<SpotBody> = {}): SpotBody => ({
  ...{ readings: [3, 2, 1, 0].map(day), guess: { minC: 24, maxC: 28 }, setup: MAT, around: { minC: 18, maxC: 22 }, fitted: null },
  ...more,
});
const ahead = (of: SpotBody, more: { setup?: SpotSetup; occurrences?: readonly Occurrence[] } = {}): Reading[] =>
  hoursAhead(of, { nowMs: NOW, utcOffsetHours: 2, days: 5, ...more });
const meanC = (hours: readonly Reading[]): number => hours.reduce((sum, { minC, maxC }) => sum + (minC + maxC) / 2, 0) / hours.length;

describe('the hours ahead of a warm spot', () => {
  it('are left to its record where nothing is to change', () => {
    expect(ahead(spot())).toEqual([]);
    expect(ahead(spot(), { setup: { ...MAT } })).toEqual([]);
    expect(ahead(spot(), { occurrences: [{ kind: 'warm', byC: 5, fromMs: NOW - 9 * HOUR_MS, toMs: NOW - HOUR_MS }] })).toEqual([]);
  });

  it('follow the dial by as much as it is turned, from its own record and with the more doubt the more it is turned', () => {
    for (const setC of [24, 25.5, 29]) {
      const settled = ahead(spot(), { setup: { ...MAT, mat: { ...(MAT.mat as NonNullable<SpotSetup['mat']>), setC } } }).slice(24);
      // What the record says of 27 is 27; the dial adds its own.
      expect(meanC(settled))
        .withContext(`${setC}`)
        .toBeGreaterThan(setC - 0.6);
      expect(meanC(settled))
        .withContext(`${setC}`)
        .toBeLessThan(setC + 0.6);
      expect(settled.every(({ errorC = 0 }) => errorC >= 0.25 * Math.abs(setC - 27))).toBeTrue();
    }
  });

  it('without power fall towards the room, and are as before when it has long been back', () => {
    const cut: Occurrence = { kind: 'power_cut', fromMs: NOW, toMs: NOW + 6 * HOUR_MS };
    const hours = ahead(spot(), { occurrences: [cut] });
    const usual = 27;
    expect(hours[5]?.minC).toBeLessThan(usual - 3);
    expect(hours[5]?.minC).toBeGreaterThan(16);
    // By then its record has faded a little into what such places are like, as it does without a cut.
    expect(Math.abs(meanC(hours.slice(48, 72)) - usual)).toBeLessThan(0.4);
    // Where no mat is, there is nothing to fail.
    const bare = spot({ setup: { ...MAT, mat: null } });
    expect(Math.abs(meanC(ahead(bare, { occurrences: [cut] }).slice(0, 24)) - usual)).toBeLessThan(0.2);
  });

  it('under a warm spell rise by no more than the spell, and the sun reaches only what has a window', () => {
    const bare: SpotSetup = { lidded: false, cloths: 0, mat: null, sun: null };
    const spell: Occurrence = { kind: 'warm', byC: 8, fromMs: NOW + 20 * HOUR_MS, toMs: NOW + 32 * HOUR_MS };
    const rises = ahead(spot({ setup: bare }), { occurrences: [spell] }).map(({ maxC }) => maxC - 27.6);
    expect(Math.max(...rises)).toBeGreaterThan(4);
    expect(Math.max(...rises)).toBeLessThan(8.5);
    const clear: Occurrence = { kind: 'sunny', fromMs: NOW, toMs: NOW + 24 * HOUR_MS };
    const sill = { ...bare, sun: { fromHour: 10, toHour: 15 } };
    const peak = (setup: SpotSetup): number => Math.max(...ahead(spot({ setup }), { occurrences: [clear] }).map(({ maxC }) => maxC));
    expect(peak(sill)).toBeGreaterThan(peak(bare) + 2);
    expect(peak({ ...sill, lidded: true })).toBeGreaterThan(peak(sill) + 2);
  });
});

describe('harm ahead', () => {
  const hours = (celsius: readonly number[]): Reading[] =>
    celsius.map((one, nth) => ({ fromMs: NOW + nth * HOUR_MS, toMs: NOW + (nth + 1) * HOUR_MS, minC: one, maxC: one }));
  const night = (lowC: number, long: number): Reading[] =>
    hours(Array.from({ length: 24 }, (_, hour) => (hour >= 12 && hour < 12 + long ? lowC : 18)));

  it('is told before it comes, the worst first, and only where it is one', () => {
    const okra = crop('okra');
    const hot = Array.from({ length: 24 }, (_, hour) => (hour >= 8 && hour < 12 ? okra.temperature.injuryC + 6 : 24));
    expect(harmAhead(okra, hours(hot), false, NOW)).toEqual(
      jasmine.objectContaining({ kind: 'hot', fromMs: NOW + 8 * HOUR_MS, peakC: okra.temperature.injuryC + 6 }),
    );
    expect(harmAhead(okra, hours(hot.map((one) => Math.min(one, okra.temperature.injuryC))), false, NOW)).toBeNull();
    // It does not look further than two days.
    expect(harmAhead(okra, hours([...Array.from({ length: 60 }, () => 24), 50, 50, 50]), false, NOW)).toBeNull();
  });

  it('knows a cold night for a tender kind, frost for every kind, and warmth for what lies in its chill', () => {
    expect(harmAhead(crop('okra'), night(6, 7), false, NOW)?.kind).toBe('chilled');
    expect(harmAhead(crop('okra'), night(6, 4), false, NOW)).toBeNull();
    expect(harmAhead(crop('leek'), night(6, 7), false, NOW)).toBeNull();
    expect(harmAhead(crop('leek'), night(-3, 1), false, NOW)?.kind).toBe('frozen');
    const strawberry = crop('strawberry');
    expect(harmAhead(strawberry, hours(Array.from({ length: 30 }, () => 18)), true, NOW)?.kind).toBe('unchilled');
    expect(harmAhead(strawberry, hours(Array.from({ length: 30 }, () => 4)), true, NOW)).toBeNull();
    expect(harmAhead(strawberry, hours(Array.from({ length: 30 }, () => 18)), false, NOW)).toBeNull();
  });
});

describe('hours that were told of a place', () => {
  const bare: SpotSetup = { lidded: false, cloths: 0, mat: null, sun: null };
  const shelf = (readings: Reading[] = []): SpotBody =>
    spot({ readings, guess: { minC: 19, maxC: 21 }, setup: bare, around: { minC: 19, maxC: 21 } });
  const cold: Occurrence = { kind: 'cold', byC: 8, fromMs: NOW - 80 * HOUR_MS, toMs: NOW - 56 * HOUR_MS };

  it('are cooler or warmer by no more than was told, each with its doubt, and end when the body has settled', () => {
    const hours = hoursTold(shelf(), [cold], 2);
    const lowest = Math.min(...hours.map(({ minC }) => minC));
    expect(lowest).toBeLessThan(14);
    expect(lowest).toBeGreaterThan(19 - 8);
    expect(hours.every(({ once, errorC = 0 }) => once === true && errorC >= 2.5)).toBeTrue();
    expect(Math.min(...hours.map(({ fromMs }) => fromMs))).toBeGreaterThanOrEqual(cold.fromMs - HOUR_MS);
    expect(Math.max(...hours.map(({ toMs }) => toMs))).toBeLessThanOrEqual(cold.toMs + 25 * HOUR_MS);
    // Two weeks apart they are two, however far apart their hours lie.
    const twice = hoursTold(shelf(), [{ ...cold, fromMs: cold.fromMs - 336 * HOUR_MS, toMs: cold.toMs - 336 * HOUR_MS }, cold], 2);
    expect(twice.length).toBe(2 * hours.length);
    expect(hoursTold(shelf(), [], 2)).toEqual([]);
    expect(hoursTold(shelf(), [{ ...cold, kind: 'power_cut' }], 2)).toEqual([]);
  });

  it('say nothing of other days, and a thermometer knows better', () => {
    const told = hoursTold(shelf(), [cold], 2);
    expect(placeNow(told, { minC: 19, maxC: 21 }, NOW, 2)).toEqual(placeNow([], { minC: 19, maxC: 21 }, NOW, 2));
    const read: Reading = { fromMs: cold.fromMs, toMs: cold.toMs, minC: 17, maxC: 18 };
    const at = (readings: Reading[]): number =>
      assumedHours({ fromMs: cold.fromMs, readings, guess: { minC: 19, maxC: 21 } }, cold.fromMs, 12, 2)[11]?.celsius ?? 0;
    expect(at(told)).toBeLessThan(15);
    expect(at([...told, read])).toBeCloseTo(at([read]), 9);
  });

  it('kill no seed by a guess: nobody having read it, it is not taken to have been deadly', () => {
    const hours = hoursTold(
      shelf(),
      [
        { ...cold, kind: 'warm', byC: 20 },
        { ...cold, kind: 'warm', byC: 20 },
      ],
      2,
    );
    expect(Math.max(...hours.map(({ maxC }) => maxC))).toBe(38);
  });
});
