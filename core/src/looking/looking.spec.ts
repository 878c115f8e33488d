import {
  answersFor,
  bookPrior,
  CROPS,
  judge,
  lookingTimes,
  nextLook,
  parcelState,
  wordsFor,
  type LookQuestion,
  type ParcelFacts,
  type ParcelLook,
} from '../index.js';

const HOUR_MS = 3_600_000;
const NOW = Date.parse('2026-04-11T07:10:00+02:00');
const words = wordsFor('Europe/Copenhagen', 'metric', NOW, 0.8);

const look = (hoursAgo: number, more: Partial<ParcelLook>): ParcelLook => ({
  atMs: NOW - hoursAgo * HOUR_MS,
  through: false,
  tipped: null,
  rotten: null,
  marks: [],
  damp: null,
  rewetted: false,
  troubles: [],
  ...more,
});

function parcel(cropId: string, days: number, celsius: number, more: Partial<ParcelFacts> = {}): ParcelFacts {
  const crop = CROPS.find(({ id }) => id === cropId);
  if (!crop) throw new Error(`no ${cropId}`);
  const startMs = NOW - days * 24 * HOUR_MS;
  return {
    crop,
    seeds: 8,
    wanted: 5,
    startMs,
    chillUntilMs: null,
    prior: bookPrior(crop, { printedRate: null, ageYears: null, seen: 'tip' }),
    stays: [
      {
        fromMs: startMs,
        readings: [{ fromMs: startMs, toMs: NOW, minC: celsius - 0.5, maxC: celsius + 0.5 }],
        guess: { minC: celsius, maxC: celsius },
      },
    ],
    utcOffsetHours: 2,
    looks: [],
    moves: [],
    closure: 'sealed_air',
    doseMl: 8,
    lookTimesMs: lookingTimes(NOW, 'Europe/Copenhagen', ['07:00', '18:30'], 70),
    lateTolerance: 0.01,
    ...more,
  };
}

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
    tolerance: 0.01,
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
    expect(nextLook(question({ quietLateBy: rising(50) }))).toEqual({ atMs: 48, reason: 'tips' });
    // Where even the next time is late, looking again at once would not help.
    expect(nextLook(question({ quietLateBy: rising(5), seenUntilMs: 2 }))).toEqual({ atMs: 12, reason: 'tips' });
    expect(nextLook(question({ shownLateBy: rising(5), quietLateBy: rising(50) }))).toEqual({ atMs: 0, reason: 'late' });
    expect(nextLook(question({ dryingMs: 30 }))).toEqual({ atMs: 24, reason: 'water' });
    expect(nextLook(question({ readyMs: 30, dryingMs: 100 }))).toEqual({ atMs: 36, reason: 'move' });
    expect(nextLook(question({ chillUntilMs: 100, dryingMs: 300 }))).toEqual({ atMs: 108, reason: 'chill' });
    expect(nextLook(question({ patienceMs: 200 }))).toEqual({ atMs: 204, reason: 'patience' });
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

/** Situations in plain words with what should be said. */
const SITUATIONS: readonly [string, ParcelFacts, string, RegExp][] = [
  ['okra tucked in an hour ago', parcel('okra', 0.04, 27), 'leave', /^Leave it shut/],
  [
    'okra that showed roots of 4 mm just now',
    parcel('okra', 3, 27, {
      looks: [
        look(0, {
          tipped: 2,
          marks: [
            { seed: 1, stage: 'root', rootMm: 4 },
            { seed: 2, stage: 'tip', rootMm: 1 },
          ],
        }),
      ],
    }),
    'move',
    /^Move 1 sprout/,
  ],
  [
    'a root of 30 mm',
    parcel('okra', 5, 27, { looks: [look(0, { tipped: 1, marks: [{ seed: 1, stage: 'root', rootMm: 30 }] })] }),
    'rescue',
    /^Rescue 1 sprout/,
  ],
  ['a dry towel', parcel('leek', 2, 21, { looks: [look(0, { damp: 'dry' })] }), 'mend', /^Wet the towel/],
  [
    'a pool in the bag, and a root ready',
    parcel('okra', 3, 27, { looks: [look(0, { tipped: 1, damp: 'pooling', marks: [{ seed: 1, stage: 'root', rootMm: 5 }] })] }),
    'mend',
    /^Pour off/,
  ],
  [
    'a melon lot silent for a fortnight in the warm',
    parcel('melon', 14, 28, { looks: [look(36, { tipped: 0 }), look(0, { tipped: 0 })] }),
    'restart',
    /^Start again another way/,
  ],
  [
    'the same with the wish met',
    parcel('melon', 14, 28, {
      wanted: 2,
      looks: [look(200, { tipped: 4 }), look(0, { tipped: 4 })],
      moves: [{ atMs: NOW - 190 * HOUR_MS, seeds: [], uncounted: 4 }],
    }),
    'give_up',
    /^Close it/,
  ],
  [
    'all up and moved',
    parcel('radish', 4, 24, { seeds: 3, wanted: 3, looks: [look(5, { tipped: 3 })], moves: [{ atMs: NOW, seeds: [], uncounted: 3 }] }),
    'leave',
    /^Nothing more to come/,
  ],
  [
    'far too few living',
    parcel('tomato', 12, 25, {
      wanted: 8,
      looks: [look(60, { tipped: 2, rotten: 4 }), look(0, { tipped: 2, rotten: 4 })],
      moves: [{ atMs: NOW - HOUR_MS, seeds: [], uncounted: 2 }],
    }),
    'restart',
    /^Start again/,
  ],
];

describe('the judgement', () => {
  for (const [situation, facts, verdict, lead] of SITUATIONS) {
    it(`of ${situation}: ${verdict}`, () => {
      const judgement = judge(facts, answersFor(facts, NOW), words);
      expect(judgement.verdict).toBe(verdict as typeof judgement.verdict);
      expect(judgement.advice[0]?.lead).toMatch(lead);
      expect(judgement.reasons.length).toBeGreaterThan(2);
      expect(JSON.stringify(judgement)).not.toMatch(/NaN|undefined|Infinity/);
    });
  }

  it('keeps a chilled batch cold until its day, and says so', () => {
    const facts = parcel('strawberry', 5, 4, { chillUntilMs: NOW + 9 * 24 * HOUR_MS });
    const answers = answersFor(facts, NOW);
    expect(answers.next.reason).toBe('chill');
    expect(judge(facts, answers, words).advice[0]).toEqual(jasmine.objectContaining({ lead: 'Keep it cold', by: 'until 20 April' }));
  });

  it('never tells anyone to bin living seed without its chance', () => {
    for (const [, facts] of SITUATIONS) {
      const judgement = judge(facts, answersFor(facts, NOW), words);
      for (const advice of judgement.advice.filter(({ kind }) => kind === 'give_up' || kind === 'restart')) {
        expect(advice.text).toMatch(/lives with .*chance/);
      }
    }
  });
});
