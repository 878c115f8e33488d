import { CROPS, type Crop } from '../crops/index.js';
import { bedGate, type BedFacts } from '../moving/index.js';
import { testResult } from '../seedtest/index.js';
import type { PlanAtSpot } from '../sowing/index.js';
import { DAY_MS } from '../units/index.js';
import { parcel, words } from '../testing/index.js';
import {
  aimInWords,
  bedInWords,
  bladeInWords,
  earlyInWords,
  finalCountInWords,
  isolationInWords,
  latenessInWords,
  liesAhead,
  movingInWords,
  packetHeadline,
  paceInWords,
  prepareInWords,
  printedInWords,
  ratesInWords,
  startInWords,
  testInWords,
  wouldTell,
  yearInWords,
  type Beginning,
} from './index.js';

const crop = (id: string): Crop => parcel(id, 1, 20).crop;
const ROUGH = /undefined|NaN|null|\[object| {2}|\.\.|,,| ,| \./;

describe('a crop’s sheet in words', () => {
  it('says for every crop of the book a whole sentence of each matter, in both systems', () => {
    for (const one of CROPS) {
      for (const units of ['metric', 'us'] as const) {
        for (const say of [yearInWords, prepareInWords, movingInWords]) {
          const text = say(one, units);
          expect(text)
            .withContext(one.id)
            .toMatch(/^[A-Z“].*\.$/);
          expect(text).withContext(one.id).not.toMatch(ROUGH);
        }
      }
      expect(bladeInWords(one) !== null)
        .withContext(one.id)
        .toBe(one.preparation.steps.some((step) => ['nick', 'file'].includes(step)) || /\b(shears|vice)\b/.test(one.preparation.text));
    }
  });

  it('tells a year that begins before the frost by weeks on both sides', () => {
    const { growing } = crop('okra');
    const year = (more: Partial<Crop['growing']>) => yearInWords({ growing: { ...growing, ...more } }, 'metric');
    const bare = { startWeeksBeforeFrost: null, plantOutWeeksAfterFrost: null, minSoilC: null, harvestDaysAfterPlantingOut: null };
    expect(year({ ...bare, plantOutWeeksAfterFrost: [-6, -3] })).toBe('Plant out 3 to 6 weeks before the last frost.');
    expect(year({ ...bare, plantOutWeeksAfterFrost: [-2, 1] })).toBe('Plant out from 2 weeks before the last frost to 1 after.');
    expect(year({ ...bare, startWeeksBeforeFrost: [5, 5], plantOutWeeksAfterFrost: [2, 3], minSoilC: 14 })).toBe(
      'Start 5 weeks before the last frost, plant out 2 to 3 weeks after it, with the soil at 14 °C or more.',
    );
    expect(year({ ...bare, harvestDaysAfterPlantingOut: [70, 70] })).toBe(
      'Frost does not matter: it is kept in a pot. From planting out to harvest 70 days.',
    );
  });
});

describe('a bed in words', () => {
  const bed: BedFacts = { widthM: 1, lengthM: 2, madeYear: null };
  const say = (id: string, celsius: number | null, more: Partial<BedFacts> = {}, units: 'metric' | 'us' = 'metric') =>
    bedInWords(bedGate(crop(id), { ...bed, ...more }, celsius === null ? null : { celsius, source: 'air', ageDays: 3 }, 2027), units);

  it('says what it wants, what it has with its doubt, and where it is too cold what to do instead', () => {
    const cold = say('okra', 9);
    expect(cold.tone).toBe('trouble');
    expect(cold.text).toMatch(/^9 °C give or take 3°, wanted \d+ °C: .* Not ready: put them into plugs, that buys about \d+ days/);
    expect(say('okra', 24)).toEqual(
      jasmine.objectContaining({ tone: 'growth', text: jasmine.stringMatching(/\d+ fit at its spacing\.$/) }),
    );
    expect(say('okra', null).text).toMatch(/^It wants \d+ °C of soil; say what the bed has\./);
    expect(say('okra', 24, { widthM: 0.2, lengthM: 0.2 }).text).toMatch(/Not one fits at its spacing\.$/);
    expect(say('okra', 9, {}, 'us').text).toMatch(/^48\.2 °F give or take 6°, wanted [\d.]+ °F/);
  });

  it('asks for rhizobia in a young bed only, and only for what lives with them', () => {
    const young = (id: string, madeYear: number | null) => say(id, 20, { madeYear }).text.includes('rhizobium');
    expect(young('broad-bean', 2026)).toBeTrue();
    expect(young('broad-bean', 2019)).toBeFalse();
    expect(young('broad-bean', null)).toBeFalse();
    expect(young('okra', 2026)).toBeFalse();
  });
});

describe('a packet in words', () => {
  it('leads with what is to be done first, and says in tenths how many live', () => {
    expect(packetHeadline({ mean: 0.04, advice: [] }, 90)).toBe('Hardly any still live');
    expect(packetHeadline({ mean: 0.98, advice: [] }, 90)).toBe('Nearly all live');
    expect(packetHeadline({ mean: 0.63, advice: ['use_up'] }, 90)).toBe('Use it up: about 6 in 10 live, fewer each year');
    expect(packetHeadline({ mean: 0.63, advice: ['use_up', 'test_first'] }, 90)).toMatch(/^Test it before you count on it/);
    expect(packetHeadline({ mean: 0.63, advice: ['short'] }, 3)).toBe('Nearly empty: 3 left, about 6 in 10 live');
    expect(packetHeadline({ mean: 0.63, advice: ['empty', 'use_up'] }, 0)).toBe('It is used up');
  });

  it('says what is printed, how it ages, and whether its kin were far enough away', () => {
    expect([printedInWords(null, null), printedInWords(85, null), printedInWords(null, [6, 6]), printedInWords(85, [6, 10])]).toEqual([
      null,
      '85 %',
      '6 days',
      '85 %, 6 to 10 days',
    ]);
    expect(paceInWords(0.26)).toBe('it ages 4 times slower than in a dry drawer');
    expect(paceInWords(1.05)).toBe('it ages as in a dry drawer');
    expect(paceInWords(2.5)).toBe('it ages 2.5 times faster than in a dry drawer');
    expect(isolationInWords('distance', 40, 300)).toBe('by distance, 40 m (its kind asks for 300 m: it may have crossed)');
    expect(isolationInWords('distance', 400, 300)).toBe('by distance, 400 m');
    expect(isolationInWords('barrier', null, 300)).toBe('bagged or caged');
  });
});

describe('a start in words', () => {
  const START = Date.parse('2026-03-02T18:00:00Z');
  const dated = (ms: number): string => new Date(ms).toISOString().slice(5, 10);
  const begun = (more: Partial<Beginning> = {}): Beginning => ({ startMs: START, startByMs: null, goal: null, ...more });
  const reached = (goal: 'move' | 'plant_out' | 'ripe', likely: number) => ({ goal, low: likely - 2, likely, high: likely + 3 });
  const at = (more: Partial<PlanAtSpot> = {}): PlanAtSpot => ({
    spotId: 's1',
    course: { enoughBy: [], rootDays: 1, nursing: { days: 40, sd: 4, told: 0 }, ripening: null, lateDays: 0 },
    facts: parcel('leek', 1, 20),
    comes: 1,
    enough: 8,
    refused: null,
    halfDays: 6,
    forward: [reached('move', 9), reached('plant_out', 55)],
    back: { daysBefore: 60, chance: 0.9 },
    inTimeNow: 0.72,
    finalCount: { day: 14, by: 'patience', tabled: null },
    ...more,
  });

  it('counts forward from now', () => {
    expect(startInWords(at(), begun(), dated).text).toBe('Enough to move by 03-11, ready to plant out about 04-26.');
    expect(startInWords(at({ forward: [reached('move', 9)] }), begun(), dated).text).toBe('Enough to move by 03-11.');
    expect(startInWords(at({ forward: [] }), begun(), dated)).toEqual({ tone: 'trouble', text: 'Here too few would ever come.' });
  });

  it('counts back from a date: the day ahead, today, or a day that is past', () => {
    const wish = (days: number, more: Partial<PlanAtSpot> = {}) =>
      startInWords(at(more), begun({ goal: 'ripe', startByMs: START + days * DAY_MS }), dated);
    expect(wish(8)).toEqual({ tone: 'growth', text: 'Start by 03-10, in 8 days: 9 chances in 10 of enough, ripe in time.' });
    expect(wish(1).text).toContain('Start by 03-03, tomorrow:');
    expect(wish(0.2)).toEqual({ tone: 'growth', text: 'Start now: 7 chances in 10 of enough, ripe in time.' });
    expect(wish(-9)).toEqual({
      tone: 'trouble',
      text: 'The day to start was 02-21. Begun now, 7 chances in 10 of enough, ripe in time.',
    });
    expect(wish(8, { back: null }).text).toBe('It cannot be ripe by then at all.');
    expect(liesAhead(begun({ startByMs: START + 0.4 * DAY_MS }))).toBeFalse();
    expect(earlyInWords(begun({ startByMs: START + DAY_MS }), dated)).toBeNull();
    expect(earlyInWords(begun({ startByMs: START + 12 * DAY_MS }), dated)).toBe(
      'The day for it is 03-14; begun now they wait 12 days for room outside.',
    );
  });

  it('says what earlier years shift, and nothing where they shift nothing', () => {
    expect(latenessInWords(null)).toBe('');
    expect(latenessInWords({ year: 2025, lastDays: 0.3, batches: 1, shiftDays: 0 })).toBe('');
    expect(latenessInWords({ year: 2025, lastDays: 8.2, batches: 1, shiftDays: 4 })).toBe(
      'In 2025 it was 8 days late here: this start is 4 days earlier for it.',
    );
    expect(latenessInWords({ year: 2025, lastDays: -2, batches: 3, shiftDays: -1 })).toBe(
      'In 2025 it was 2 days early here (3 batches): this start is 1 day later for it.',
    );
  });

  it('says of a hundred how many show and how many become plants', () => {
    const rates = { expectedRate: 0.8, handling: { mean: 0.9 }, survival: { mean: 0.85 } };
    expect(ratesInWords(rates, false)).toBe('About 80 of 100 show a tip, 61 become plants.');
    expect(ratesInWords(rates, true)).toMatch(/its strongest is kept\.$/);
  });
});

describe('a germination test in words', () => {
  it('says what it is for, what it would tell and by whose rule it is counted', () => {
    expect(aimInWords({ within: 0.15 })).toBe('its rate to within 15 in 100');
    expect(aimInWords({ least: 0.7, error: 0.1 })).toBe('whether 70 in 100 live, wrong at most 10 times in 100');
    expect(wouldTell(0.6, { low: 0.44, high: 0.74 })).toBe(
      'If about 60 in 100 live, as expected, it will say between 44 and 74, 19 times in 20.',
    );
    const tabled = { day: 14, by: 'laboratory' as const, tabled: { day: 12, lowC: 20, highC: 30 } };
    expect(finalCountInWords(tabled, 'Mon 16 Mar', 'metric')).toContain('a laboratory counts on day 12 at 20 °C and 30 °C');
    expect(finalCountInWords(tabled, 'Mon 16 Mar', 'us')).toContain('at 68 °F and 86 °F');
    expect(finalCountInWords({ ...tabled, tabled: null }, 'Mon 16 Mar', 'metric')).toContain('4 times its usual days');
  });

  it('calls what is firm asleep and not dead, and doubts towels that differ', () => {
    const now = Date.parse('2026-03-20T08:00:00Z');
    const counted = (rows: Parameters<typeof testResult>[0]) =>
      testInWords({ kind: 'count', what: 'result', result: testResult(rows), showing: 0 }, now, words);
    const alike = counted([
      { normal: 8, abnormal: 0, hard: 1, fresh: 1, dead: 0 },
      { normal: 8, abnormal: 1, hard: 0, fresh: 0, dead: 1 },
    ]);
    expect(alike.lead).toBe('80 in 100 are good');
    expect(alike.text).toContain('2 seeds are firm and asleep, not dead');
    const apart = counted([
      { normal: 25, abnormal: 0, hard: 0, fresh: 0, dead: 0 },
      { normal: 5, abnormal: 0, hard: 0, fresh: 0, dead: 20 },
    ]);
    expect(apart.text).toContain('differ by more than chance');
  });
});
