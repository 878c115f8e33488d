import fc from 'fast-check';
import { DateTime } from 'luxon';
import { keptDays } from './rule.js';

const FIRST = DateTime.fromISO('2024-01-01', { zone: 'utc' });
const dayOf = (index: number): string => FIRST.plus({ days: index }).toISODate() ?? '';

describe('the copies that are kept', () => {
  it('are seven days, four weeks and twelve months after two years of a copy a day', () => {
    let copies: string[] = [];
    for (let day = 0; day < 731; day++) {
      copies = [...copies, dayOf(day)];
      const kept = keptDays(copies);
      copies = copies.filter((one) => kept.has(one));
    }
    const newest = dayOf(730);
    expect(copies.at(-1)).toBe(newest);
    expect(copies.slice(-7)).toEqual(Array.from({ length: 7 }, (_, back) => dayOf(724 + back)));
    const months = new Set(copies.map((day) => day.slice(0, 7)));
    expect(months.size).toBe(12);
    expect(copies.length).toBeLessThanOrEqual(7 + 4 + 12);
  });

  it('never lose the newest, whatever days are missing, and keep the same when asked again', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 0, max: 1500 }), { minLength: 1, maxLength: 60 }), (days) => {
        const all = days.map(dayOf);
        const kept = keptDays(all);
        expect(kept.has([...all].sort().at(-1) ?? '')).toBeTrue();
        expect(keptDays([...kept])).toEqual(kept);
        if (all.length <= 7) expect(kept.size).toBe(all.length);
      }),
    );
  });
});
