import fc from 'fast-check';
import { bedPlan, placesIn, soilBest, soilDays, soilFromAir } from './index.js';

const DAY_MS = 86_400_000;
const NOW = Date.parse('2026-04-11T08:00:00Z');
const day = (ago: number, minC: number, maxC: number) => ({
  fromMs: NOW - (ago + 1) * DAY_MS,
  toMs: NOW - ago * DAY_MS,
  ...{ minC, maxC },
});

describe('a bed laid out', () => {
  const spacing = fc.record({ inRow: fc.integer({ min: 4, max: 120 }), rows: fc.integer({ min: 10, max: 200 }) });
  const bed = fc.record({ widthM: fc.double({ min: 0.3, max: 3, noNaN: true }), lengthM: fc.double({ min: 0.3, max: 10, noNaN: true }) });

  it('one crop alone finds as many places as the bed holds, half a spacing from each edge, none too close', () => {
    fc.assert(
      fc.property(bed, spacing, fc.integer({ min: 1, max: 120 }), (size, spacingCm, plants) => {
        const [laid] = bedPlan(size, [{ plants, spacingCm }]);
        expect(laid?.spots.length).toBe(Math.min(plants, placesIn(size, spacingCm)));
        expect((laid?.spots.length ?? 0) + (laid?.over ?? 0)).toBe(plants);
        const [wide, long] = [Math.min(size.widthM, size.lengthM) * 100, Math.max(size.widthM, size.lengthM) * 100];
        const least = Math.min(spacingCm.inRow, spacingCm.rows);
        for (const [nth, { alongCm, acrossCm }] of (laid?.spots ?? []).entries()) {
          expect(Math.min(alongCm, long - alongCm, acrossCm, wide - acrossCm)).toBeGreaterThanOrEqual(least / 2 - 1e-6);
          for (const other of laid?.spots.slice(nth + 1) ?? [])
            expect(Math.hypot(alongCm - other.alongCm, acrossCm - other.acrossCm)).toBeGreaterThanOrEqual(least - 1e-6);
        }
      }),
      { numRuns: 200, seed: 18 },
    );
  });

  it('a second crop lies behind the first, each with its own spacing between them', () => {
    fc.assert(
      fc.property(bed, spacing, spacing, fc.integer({ min: 1, max: 40 }), fc.integer({ min: 1, max: 40 }), (size, one, two, a, b) => {
        const [first, second] = bedPlan(size, [
          { plants: a, spacingCm: one },
          { plants: b, spacingCm: two },
        ]);
        if (!first?.spots.length || !second?.spots.length) return;
        const end = Math.max(...first.spots.map(({ alongCm }) => alongCm)) + (first.lengthwise ? one.inRow : one.rows) / 2;
        const begin = Math.min(...second.spots.map(({ alongCm }) => alongCm)) - (second.lengthwise ? two.inRow : two.rows) / 2;
        expect(begin).toBeGreaterThanOrEqual(end - 1e-6);
      }),
      { numRuns: 200, seed: 18 },
    );
  });

  it('worked by hand: twelve at 30 by 40 cm in 1.2 by 2.4 m are three rows of four, 15 and 20 cm in', () => {
    const [laid] = bedPlan({ widthM: 1.2, lengthM: 2.4 }, [{ plants: 12, spacingCm: { inRow: 30, rows: 40 } }]);
    expect(laid).toEqual(jasmine.objectContaining({ rows: 3, toARow: 4, fromEndCm: 20, fromSideCm: 15, over: 0, lengthwise: false }));
    expect(laid?.spots.map(({ alongCm }) => alongCm)).toEqual([20, 20, 20, 20, 60, 60, 60, 60, 100, 100, 100, 100]);
    // Vines that only fit lengthwise beside what stands there.
    const plan = bedPlan({ widthM: 1.2, lengthM: 2.4 }, [
      { plants: 8, spacingCm: { inRow: 30, rows: 40 } },
      { plants: 2, spacingCm: { inRow: 75, rows: 90 } },
    ]);
    expect(plan[1]).toEqual(jasmine.objectContaining({ lengthwise: true, rows: 1, toARow: 2, over: 0 }));
  });
});

describe('soil by the air', () => {
  it('follows the last days more than those before, and says nothing of too few or of last week', () => {
    const steady = Array.from({ length: 10 }, (_, ago) => day(ago, 6, 14));
    expect(soilFromAir(steady, NOW)?.celsius).toBeCloseTo(10, 9);
    const warming = steady.map((span, ago) => (ago < 4 ? { ...span, minC: 12, maxC: 20 } : span));
    expect(soilFromAir(warming, NOW)?.celsius).toBeGreaterThan(13);
    expect(soilFromAir(warming, NOW)?.celsius).toBeLessThan(16);
    expect(soilFromAir(steady.slice(0, 2), NOW)).toBeNull();
    expect(soilFromAir(steady.slice(4), NOW)).toBeNull();
    // Days that are still to come tell nothing.
    expect(soilFromAir([...steady, day(-3, 30, 34)], NOW)?.celsius).toBeCloseTo(10, 9);
  });

  it('a fresh reading is believed before the air, an old one after it', () => {
    const read = (ageDays: number) => ({ celsius: 5, source: 'soil' as const, ageDays });
    const air = { celsius: 12, source: 'air' as const, ageDays: 0 };
    expect(soilBest(read(1), air)).toEqual(read(1));
    expect(soilBest(read(40), air)).toEqual(air);
    expect([soilBest(null, air), soilBest(read(40), null), soilBest(null, null)]).toEqual([air, read(40), null]);
  });

  it('a thermometer’s hours are a mean a day', () => {
    const hours = [6, 8, 10].map((celsius, nth) => ({ day: nth < 2 ? '2026-04-10' : '2026-04-11', minC: celsius, maxC: celsius + 1 }));
    expect(soilDays(hours)).toEqual([
      { day: '2026-04-10', celsius: 7.5 },
      { day: '2026-04-11', celsius: 10.5 },
    ]);
  });
});
