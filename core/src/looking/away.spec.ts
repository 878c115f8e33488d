import fc from 'fast-check';
import { CROPS, type Crop } from '../crops/index.js';
import { integrateProgress, responseOf } from '../warmth/index.js';
import { lateStart, startedAway } from './index.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const NOW = Date.UTC(2026, 3, 11, 5);

describe('what is begun before an absence', () => {
  const okra = CROPS.find(({ id }) => id === 'okra') as Crop;
  const prior = { logMedian: { mean: Math.log(3) }, spread: { median: 0.3 } };
  const at = (celsius: number) => {
    const stay = { fromMs: NOW, readings: [], guess: { minC: celsius, maxC: celsius } };
    return integrateProgress(responseOf(okra.temperature), [stay], NOW, NOW + 60 * DAY_MS);
  };
  const late = (celsius: number, from: number, to: number): number | null =>
    lateStart(okra.root, prior, at(celsius), { fromMs: NOW + from * DAY_MS, toMs: NOW + to * DAY_MS });

  it('is late where the earliest root is, by as long as its root needs after its tip', () => {
    const { optimumC } = responseOf(okra.temperature);
    // At the optimum a day is a day: the earliest tip, and then the root's own growth.
    const days = Math.exp(Math.log(3) - 1.28 * 0.3) + okra.root.lateMm / okra.root.mmPerDayAtOptimum;
    expect((late(optimumC, 1, 12) ?? 0) / DAY_MS).toBeCloseTo(days, 1);
    // Home again before the first, or gone after the usual one: nobody misses it.
    expect(late(optimumC, 0, days - 0.2)).toBeNull();
    expect(late(optimumC, 40, 50)).toBeNull();
    // The cooler it lies, the longer it may wait; where nothing moves, for ever.
    expect(late(optimumC - 8, 1, 40) ?? 0).toBeGreaterThan(late(optimumC, 1, 40) ?? Infinity);
    expect(late(okra.temperature.tentBaseC - 4, 1, 40)).toBeNull();
  });

  it('names the first absence that meets it, and a start from which none of that is late', () => {
    const days = fc.double({ min: 0, max: 40, noNaN: true });
    fc.assert(
      fc.property(days, days, days, days, fc.array(fc.tuple(days, days), { maxLength: 3 }), (ready, early, spread, stays, gone) => {
        const ms = (day: number): number => NOW + day * DAY_MS;
        const window = { readyMs: ms(ready), lowMs: ms(Math.max(ready - early, 0)), highMs: ms(ready + spread), lateMs: ms(ready + stays) };
        const away = gone.map(([from, long]) => ({ fromMs: ms(from), toMs: ms(from + long + 0.01) })).sort((a, b) => a.fromMs - b.fromMs);
        const found = startedAway(window, away, NOW);
        const later = (by: number) => ({
          readyMs: window.readyMs + by,
          lowMs: window.lowMs + by,
          highMs: window.highMs + by,
          lateMs: window.lateMs + by,
        });
        if (!found) {
          for (const one of away)
            expect(
              window.lowMs + window.lateMs - window.readyMs >= one.toMs || window.highMs + window.lateMs - window.readyMs <= one.fromMs,
            ).toBeTrue();
          return;
        }
        expect(away).toContain(found.absence);
        expect(found.beginMs).toBeGreaterThan(NOW);
        // Begun then, it does not meet that absence any more.
        expect(startedAway(later(found.beginMs - NOW + 1), [found.absence], found.beginMs)).toBeNull();
      }),
    );
    expect(startedAway({ readyMs: null, lowMs: null, highMs: null, lateMs: null }, [{ fromMs: NOW, toMs: NOW + DAY_MS }], NOW)).toBeNull();
  });
});
