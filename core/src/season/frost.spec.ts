import fc from 'fast-check';
import { CROPS } from '../crops/index.js';
import { lastFrostNear, outNotBefore, startWindow, type LastFrost } from './frost.js';

const DAY_MS = 86_400_000;
const MAY: LastFrost = { monthDay: '05-10', giveDays: 10, guessed: false };
const day = (text: string): number => Date.parse(`${text}T12:00:00Z`);

describe('the last frost', () => {
  it('is that of the spring nearest by, whatever the hemisphere', () => {
    expect(lastFrostNear(MAY, day('2026-04-11'))).toBe(day('2026-05-10'));
    expect(lastFrostNear(MAY, day('2026-12-20'))).toBe(day('2027-05-10'));
    expect(lastFrostNear({ monthDay: '10-28' }, day('2026-03-01'))).toBe(day('2025-10-28'));
  });

  it('lets no tender crop out before it is over, and holds back nothing that is hardy without weeks of its own', () => {
    fc.assert(
      fc.property(fc.constantFrom(...CROPS), fc.integer({ min: 0, max: 364 }), (crop, nth) => {
        const readyMs = day('2026-01-01') + nth * DAY_MS;
        const frostMs = lastFrostNear(MAY, readyMs);
        const held = outNotBefore(crop, MAY, readyMs);
        if (held !== null) return held > readyMs;
        const near = frostMs - readyMs > 0 && frostMs - readyMs < 150 * DAY_MS;
        return !(crop.growing.hardiness === 'tender' && near);
      }),
    );
    const crop = (id: string) => CROPS.find((one) => one.id === id) ?? CROPS[0];
    const okra = crop('okra');
    if (!okra) return fail('no okra');
    expect((outNotBefore(okra, MAY, day('2026-04-12')) ?? 0) >= day('2026-05-20')).toBeTrue();
    expect(outNotBefore(okra, MAY, day('2026-07-01'))).toBeNull();
  });

  it('counts the weeks of a start back from the spring that lies ahead', () => {
    const tomato = CROPS.find(({ id }) => id === 'tomato');
    if (!tomato) return fail('no tomato');
    const [low = 0, high = 0] = tomato.growing.startWeeksBeforeFrost ?? [];
    expect(startWindow(tomato, MAY, day('2026-03-20'))).toEqual({
      fromMs: day('2026-05-10') - high * 7 * DAY_MS,
      toMs: day('2026-05-10') - low * 7 * DAY_MS,
    });
    expect(startWindow(tomato, MAY, day('2026-11-20'))?.toMs).toBeGreaterThan(day('2027-01-01'));
  });
});
