import { reportFor } from '../judging/index.js';
import { parcelState } from '../parcel/index.js';
import { toldFor } from '../words/index.js';
import { HOUR_MS, lookingTimes } from '../units/index.js';
import { nextLook, type LookQuestion } from './next-look.js';
import { look, NOW, parcel, words } from '../testing/parcel.js';

describe('looking times', () => {
  it('stay local across both clock changes', () => {
    const local = (from: string, to: number) =>
      lookingTimes(Date.parse(from), 'Europe/Copenhagen', ['07:00', '18:30'], to).map((ms) => new Date(ms).toISOString());
    expect(local('2026-03-28T12:00:00Z', 1)).toEqual(['2026-03-28T17:30:00.000Z', '2026-03-29T05:00:00.000Z', '2026-03-29T16:30:00.000Z']);
    expect(local('2026-10-24T18:00:00Z', 1)).toEqual(['2026-10-25T06:00:00.000Z', '2026-10-25T17:30:00.000Z']);
  });
});

describe('the next look', () => {
  const question = (more: Partial<LookQuestion>): LookQuestion => ({
    timesMs: Array.from({ length: 40 }, (_, index) => index * 12),
    toleranceAt: () => 0.01,
    seenUntilMs: 0,
    quietLateBy: () => 0,
    shownLateBy: () => 0,
    readyMs: null,
    dryingMs: Infinity,
    chillUntilMs: null,
    patienceMs: Infinity,
    ...more,
  });

  it('comes before the first seed can be late, the towel dry or a root ready; else when patience ends', () => {
    const rising = (from: number) => (ms: number) => (ms > from ? 0.02 : 0.001);
    expect(nextLook(question({ quietLateBy: rising(50) }))).toEqual({ atMs: 48, reason: 'tips', via: 'opened' });
    // Where even the next time is late, looking again at once would not help.
    expect(nextLook(question({ quietLateBy: rising(5), seenUntilMs: 2 }))).toEqual({ atMs: 12, reason: 'tips', via: 'opened' });
    expect(nextLook(question({ shownLateBy: rising(5), quietLateBy: rising(50) }))).toEqual({ atMs: 0, reason: 'late', via: 'opened' });
    expect(nextLook(question({ dryingMs: 30 }))).toEqual({ atMs: 24, reason: 'water', via: 'opened' });
    expect(nextLook(question({ readyMs: 30, dryingMs: 100 }))).toEqual({ atMs: 36, reason: 'move', via: 'opened' });
    expect(nextLook(question({ chillUntilMs: 100, dryingMs: 300 }))).toEqual({ atMs: 108, reason: 'chill', via: 'opened' });
    expect(nextLook(question({ patienceMs: 200 }))).toEqual({ atMs: 204, reason: 'patience', via: 'opened' });
    // Through the bag is enough where it notices most of what would be late.
    expect(nextLook(question({ quietLateBy: rising(50), noticedThrough: 0.75 })).via).toBe('through');
    expect(nextLook(question({ quietLateBy: rising(50), noticedThrough: 0.2 })).via).toBe('opened');
    // Chances of a bag add up over its parcels; what only a mate asks for is the bag's.
    const shy = (ms: number) => (ms > 50 ? 0.006 : 0.001);
    const lateBy = Array.from({ length: 28 }, (_, index) => ((index + 1) * 12 > 50 ? 0.006 : 0));
    expect(nextLook(question({ quietLateBy: shy, patienceMs: 300 })).reason).toBe('patience');
    expect(nextLook(question({ quietLateBy: shy, patienceMs: 300, mates: { lateBy, nextMs: 300, number: 7 } }))).toEqual({
      atMs: 48,
      reason: 'tips',
      via: 'opened',
    });
    expect(nextLook(question({ mates: { lateBy: [], nextMs: 36, number: 7 } }))).toEqual({ atMs: 36, reason: 'bag', via: 'opened' });
    expect(() => nextLook(question({ timesMs: [1] }))).toThrowError(/timesMs/);
  });
});

describe('a parcel’s state', () => {
  it('joins touched seeds, counted tips and moves without counting anything twice', () => {
    const state = parcelState(
      8,
      0,
      [
        { ...look(0, { tipped: 3 }), atMs: 10 },
        {
          ...look(0, {
            tipped: 4,
            marks: [
              { seed: 2, stage: 'root', rootMm: 6 },
              { seed: 5, stage: 'tip', rootMm: null },
            ],
          }),
          atMs: 20,
        },
        { ...look(0, { tipped: 3, rotten: 1 }), atMs: 30 },
      ],
      [{ atMs: 31, seeds: [2], uncounted: 1 }],
    );
    expect([state.tipped, state.rotten, state.moved, state.quiet, state.showing]).toEqual([4, 1, 2, 3, 2]);
    expect(state.counted).toEqual([{ fromMs: 0, toMs: 10, count: 1 }]);
    expect(state.seeds[1]).toEqual(jasmine.objectContaining({ stage: 'root', moved: true, tipFromMs: 10, tipToMs: 20, measuredMm: 6 }));
  });
});

describe('the judgement', () => {
  it('keeps a chilled batch cold until its day, and says so', () => {
    const facts = parcel('strawberry', 5, 4, { chillUntilMs: NOW + 9 * 24 * HOUR_MS });
    const answers = reportFor(facts, NOW);
    expect(answers.next.reason).toBe('chill');
    expect(toldFor(facts, answers, words).advice[0]).toEqual(jasmine.objectContaining({ lead: 'Keep it cold', by: 'until 20 April' }));
  });
});
