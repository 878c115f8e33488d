import type { ParcelFacts } from '../parcel/index.js';
import { DAY_MS } from '../units/index.js';
import { look, NOW, parcel, words } from '../testing/index.js';
import { toldFor } from '../words/index.js';
import { reportFor } from './report.js';

const leads = (facts: ParcelFacts): string[] => toldFor(facts, reportFor(facts, NOW), words).advice.map(({ lead }) => lead);
const steady = (celsius: number) => ({ minC: celsius - 0.5, maxC: celsius + 0.5 });
/** Moved to another spot a day and a half ago. */
const then = (facts: ParcelFacts, celsius: number): ParcelFacts => ({
  ...facts,
  stays: [
    ...facts.stays,
    { fromMs: NOW - 1.5 * DAY_MS, readings: [{ fromMs: NOW - 1.5 * DAY_MS, toMs: NOW, ...steady(celsius) }], guess: steady(celsius) },
  ],
});

describe('a spot that keeps seed quiet', () => {
  const peppers = parcel('pepper-very-hot', 8, 19, { wanted: 6, packetLeft: 40, looks: [look(0, { tipped: 0 })] });

  it('is left before more seed is started into it', () => {
    expect(leads(peppers)).toContain('A warmer spot');
    expect(leads(peppers).join()).not.toMatch(/Start \d|Expect/);
    expect(leads(parcel('leek', 4, 27, { seeds: 30, wanted: 24, packetLeft: 90, looks: [look(0, { tipped: 0 })] }))).toContain(
      'A cooler spot',
    );
  });

  it('is not left twice: who has walked is not sent on', () => {
    expect(leads(then(peppers, 28))).not.toContain('A warmer spot');
    expect(leads(then(peppers, 20))).toContain('A warmer spot');
  });

  it('is no question while seed is chilled, and what comes after is not held against it', () => {
    const larkspur = (more: Partial<ParcelFacts>) => parcel('larkspur', 10, 4.5, { seeds: 20, wanted: null, ...more });
    const chilling = larkspur({ chillUntilMs: NOW + 4 * DAY_MS });
    expect(leads(chilling).join()).not.toMatch(/spot/);
    expect(reportFor(chilling, NOW).toll.share).toBe(1);
    // Forgotten in a fridge without a word of chill it only waits.
    const lavender = parcel('lavender', 20, 4, { seeds: 20, wanted: null });
    expect(leads(lavender).join()).not.toMatch(/spot/);
  });

  it('is no danger while the seed that is named for it lies in the cold, and is one from then on', () => {
    const named = (chillUntilMs: number) => reportFor(parcel('lavender', 5, 44, { seeds: 12, wanted: null, chillUntilMs }), NOW).heat;
    expect(named(NOW + 9 * DAY_MS)).toBeNull();
    expect(named(NOW - DAY_MS)?.peakC).toBeGreaterThan(44);
  });
});
