import { reportFor } from './report.js';
import { type ParcelFacts } from '../parcel/index.js';
import { toldFor } from '../words/index.js';
import { type Verdict } from './counsel.js';
import { HOUR_MS } from '../units/index.js';
import { look, NOW, parcel, words } from '../testing/parcel.js';

const moved = (hoursAgo: number, uncounted: number) => ({ atMs: NOW - hoursAgo * HOUR_MS, seeds: [], uncounted });
const root = (seed: number, rootMm: number) => ({ seed, stage: 'root' as const, rootMm });

/** Situations in plain words with what should be said; agreed with the Handbook's pages. */
const SITUATIONS: readonly [string, ParcelFacts, Verdict, RegExp][] = [
  // Nothing to do yet.
  ['okra tucked in an hour ago', parcel('okra', 0.04, 27), 'leave', /^Leave it shut/],
  ['leek on its first day in a cool room', parcel('leek', 1, 18), 'leave', /^Leave it shut/],
  ['a stone in its third week', parcel('avocado', 20, 24, { seeds: 2, wanted: 1 }), 'leave', /^(Leave it shut|Look at it)/],
  [
    'a parcel just looked at, nothing new, on time',
    parcel('tomato', 2, 25, { looks: [look(0, { tipped: 0, damp: 'damp' })] }),
    'leave',
    /^(Leave it shut|Re-tuck)/,
  ],
  ['strawberry in its chill', parcel('strawberry', 5, 4, { chillUntilMs: NOW + 9 * 24 * HOUR_MS }), 'leave', /^Keep it cold/],
  [
    'white fuzz round a root',
    parcel('tomato', 2, 25, {
      wanted: 2,
      looks: [look(0, { tipped: 1, troubles: ['fuzz'], marks: [{ seed: 1, stage: 'tip', rootMm: 1 }] })],
    }),
    'leave',
    /^Leave the fuzz/,
  ],
  // Mend first.
  ['a dry towel', parcel('leek', 2, 21, { looks: [look(0, { damp: 'dry' })] }), 'mend', /^Wet the towel/],
  ['a drying towel', parcel('leek', 2, 21, { looks: [look(0, { damp: 'drying' })] }), 'mend', /^Re-damp/],
  [
    'a drying towel that was re-damped at once',
    parcel('leek', 2, 21, { looks: [look(0, { tipped: 0, damp: 'drying', rewetted: true })] }),
    'leave',
    /^(Leave it shut|Re-tuck)/,
  ],
  [
    'a pool in the bag, and a root ready',
    parcel('okra', 3, 27, { looks: [look(0, { tipped: 1, damp: 'pooling', marks: [root(1, 5)] })] }),
    'mend',
    /^Pour off/,
  ],
  [
    'threads over the paper',
    parcel('dill', 4, 21, { looks: [look(0, { tipped: 0, troubles: ['threads'] })] }),
    'mend',
    /^Look at the threads/,
  ],
  ['a sour smell', parcel('dill', 4, 21, { looks: [look(0, { tipped: 0, troubles: ['smell'] })] }), 'mend', /^Find what smells/],
  ['a bag in the sun', parcel('tomato', 2, 25, { looks: [look(0, { tipped: 0, troubles: ['too_hot'] })] }), 'mend', /^Cool it down/],
  [
    'spinach in a hot cupboard',
    parcel('spinach', 4, 33, { looks: [look(0, { tipped: 1 })], moves: [moved(0, 1)] }),
    'mend',
    /^(A cooler spot|It has been too hot)/,
  ],
  [
    'spinach just below its quickest warmth, where most of it sleeps',
    parcel('spinach', 5, 23.5, { looks: [look(0, { tipped: 1, damp: 'damp' })] }),
    'mend',
    /^A cooler spot/,
  ],
  [
    'very hot peppers in a room: the spot first, and no more seed into the same cold',
    parcel('pepper-very-hot', 8, 19, { wanted: 6, packetLeft: 30, looks: [look(0, { tipped: 0 })] }),
    'mend',
    /^A warmer spot/,
  ],
  ['okra on a cold porch', parcel('okra', 6, 13, { looks: [look(0, { tipped: 0 })] }), 'mend', /^A warmer spot/],
  // Roots.
  [
    'okra that showed roots of 4 mm just now',
    parcel('okra', 3, 27, { looks: [look(0, { tipped: 2, marks: [root(1, 4), { seed: 2, stage: 'tip', rootMm: 1 }] })] }),
    'move',
    /^Move 1 sprout/,
  ],
  [
    'the same where finger-wide roots are the school: okra hates being moved',
    parcel('okra', 3, 27, { ways: { rootSchool: 'finger' }, looks: [look(0, { tipped: 1, marks: [root(1, 4)] })] }),
    'move',
    /^Move 1 sprout/,
  ],
  [
    'a tomato root of 5 mm',
    parcel('tomato', 4, 25, { wanted: 1, looks: [look(0, { tipped: 1, marks: [root(1, 5)] })] }),
    'leave',
    /^Re-tuck 1 tip/,
  ],
  [
    'the same where first tips are the school',
    parcel('tomato', 4, 25, { ways: { rootSchool: 'tip' }, looks: [look(0, { tipped: 1, marks: [root(1, 5)] })] }),
    'move',
    /^Move 1 sprout/,
  ],
  ['a tomato root of 9 mm', parcel('tomato', 4, 25, { looks: [look(0, { tipped: 1, marks: [root(1, 9)] })] }), 'move', /^Move 1 sprout/],
  ['tips counted two days ago on a warm mat', parcel('okra', 5, 28, { looks: [look(48, { tipped: 3 })] }), 'rescue', /^Rescue 3 sprouts/],
  ['a root of 30 mm', parcel('okra', 5, 27, { looks: [look(0, { tipped: 1, marks: [root(1, 30)] })] }), 'rescue', /^Rescue 1 sprout/],
  [
    'seed leaves open',
    parcel('tomato', 9, 25, { looks: [look(0, { tipped: 1, marks: [{ seed: 1, stage: 'leaves', rootMm: null }] })] }),
    'rescue',
    /^Rescue 1 sprout/,
  ],
  [
    'a root ready, and too few to come',
    parcel('tomato', 4, 25, { wanted: 8, looks: [look(0, { tipped: 1, rotten: 4, marks: [root(1, 9)] })] }),
    'move',
    /^Move 1 sprout/,
  ],
  // Too few.
  [
    'half of them rotten early, the packet full',
    parcel('tomato', 3, 25, { wanted: 6, packetLeft: 40, looks: [look(0, { tipped: 0, rotten: 4 })] }),
    'top_up',
    /^Start \d+ more seed/,
  ],
  [
    'the same with an empty packet',
    parcel('tomato', 3, 25, { wanted: 6, packetLeft: 0, looks: [look(0, { tipped: 0, rotten: 4 })] }),
    'leave',
    /^(Leave it shut|Re-tuck)/,
  ],
  [
    'the same, topped up already',
    parcel('tomato', 3, 25, { wanted: 6, packetLeft: 40, followedBy: 17, looks: [look(0, { tipped: 0, rotten: 4 })] }),
    'leave',
    /^(Leave it shut|Re-tuck)/,
  ],
  [
    'all shown, one short',
    parcel('radish', 4, 24, { seeds: 3, wanted: 4, packetLeft: 20, looks: [look(5, { tipped: 3 })], moves: [moved(5, 3)] }),
    'top_up',
    /^Start [12] more seed/,
  ],
  [
    'hope gone, but more than half of the wish in cups',
    parcel('melon', 14, 28, {
      wanted: 6,
      packetLeft: 9,
      looks: [look(200, { tipped: 4 }), look(0, { tipped: 4 })],
      moves: [moved(190, 4)],
    }),
    'top_up',
    /^Start \d+ more seed/,
  ],
  // Over.
  [
    'one melon of eight, the rest silent for a fortnight in the warm',
    parcel('melon', 18, 28, { looks: [look(330, { tipped: 1 }), look(0, { tipped: 1, damp: 'damp' })], moves: [moved(320, 1)] }),
    'restart',
    /^Start \d+ another way/,
  ],
  [
    'a melon lot that never stirred: no other way of the same packet',
    parcel('melon', 14, 28, { looks: [look(36, { tipped: 0 }), look(0, { tipped: 0 })] }),
    'give_up',
    /^Close it/,
  ],
  [
    'the same, with another packet in the box',
    parcel('melon', 14, 28, {
      looks: [look(36, { tipped: 0 }), look(0, { tipped: 0 })],
      otherPackets: [{ title: 'Dune Bell, 2025', share: { mean: 0.85, weight: 6 }, left: 14 }],
    }),
    'restart',
    /^Start \d+ seeds of another packet/,
  ],
  [
    'the same, begun again already',
    parcel('melon', 14, 28, { followedBy: 17, looks: [look(36, { tipped: 0 }), look(0, { tipped: 0 })] }),
    'give_up',
    /^Close it/,
  ],
  [
    'the same with an empty packet',
    parcel('melon', 14, 28, { packetLeft: 0, looks: [look(36, { tipped: 0 }), look(0, { tipped: 0 })] }),
    'give_up',
    /^Close it/,
  ],
  [
    'the wish met, the rest silent',
    parcel('melon', 18, 28, { wanted: 2, looks: [look(296, { tipped: 4 }), look(0, { tipped: 4, damp: 'damp' })], moves: [moved(286, 4)] }),
    'give_up',
    /^Close it/,
  ],
  [
    'all up and moved',
    parcel('radish', 4, 24, { seeds: 3, wanted: 3, looks: [look(5, { tipped: 3 })], moves: [moved(0, 3)] }),
    'leave',
    /^Nothing more to come/,
  ],
  [
    'few of many, far below the packet’s promise, the wish met',
    parcel('radish', 5, 24, { seeds: 30, wanted: 5, looks: [look(40, { tipped: 7 }), look(0, { tipped: 8 })], moves: [moved(0, 8)] }),
    'retest',
    /^Test the packet again/,
  ],
];

describe('the verdict', () => {
  it('is held to thirty situations and more', () => expect(SITUATIONS.length).toBeGreaterThanOrEqual(30));

  for (const [situation, facts, verdict, lead] of SITUATIONS) {
    it(`on ${situation}: ${verdict}`, () => {
      const judgement = toldFor(facts, reportFor(facts, NOW), words);
      expect(judgement.verdict).toBe(verdict);
      expect(judgement.advice[0]?.lead).toMatch(lead);
      expect(judgement.reasons.length + judgement.grounds.length).toBeGreaterThan(3);
      expect(JSON.stringify(judgement)).not.toMatch(/NaN|undefined|Infinity/);
      // Nobody is told to bin living seed without its chance, nor to add seed without what it gives.
      for (const { kind, text } of judgement.advice) {
        if (kind === 'give_up' || kind === 'restart') expect(text).toMatch(/has .*chance.* of being alive/);
        if (kind === 'top_up') expect(text).toMatch(/chance.* With \d+ more/);
        if (kind === 'retest') expect(text).toMatch(/chance/);
      }
    });
  }

  it('says what another way would be, and what it would give', () => {
    const silent = { looks: [look(366, { tipped: 1 }), look(0, { tipped: 1, damp: 'damp' })], moves: [moved(360, 1)], packetLeft: 12 };
    const text = (facts: ParcelFacts) => toldFor(facts, reportFor(facts, NOW), words).advice.find(({ kind }) => kind === 'restart')?.text;
    expect(text(parcel('okra', 16, 28, silent))).toMatch(/^On a towel, (soaked|nicked) first\. If the seed is sound, \d+ give \d/);
    expect(text(parcel('okra', 16, 28, { ...silent, prepared: ['soak', 'nick'] }))).toMatch(/^Straight in a (plug or pod|pot of mix)/);
    expect(text(parcel('okra', 16, 28, { ...silent, prepared: ['soak', 'nick'], method: 'pot' }))).toMatch(/^On a towel, where/);
  });
});

describe('measured roots', () => {
  it('correct the rate of their batch, and only as far as they can know', () => {
    const measured = (mm: number[]) =>
      parcel('tomato', 4, 25, {
        looks: [
          look(36, { tipped: 3, marks: [1, 2, 3].map((seed) => ({ seed, stage: 'tip', rootMm: 2 })) }),
          look(0, { tipped: 3, marks: mm.map((rootMm, index) => root(index + 1, rootMm)) }),
        ],
      });
    const rate = (mm: number[]) => reportFor(measured(mm), NOW).rootRate;
    const usual = reportFor(parcel('tomato', 4, 25), NOW).rootRate.mmPerDayNow;
    const [slow, fast] = [rate([6, 7, 6]), rate([30, 28, 33])];
    expect(slow.seeds).toBe(3);
    expect(slow.factor).toBeLessThan(0.85);
    expect(fast.factor).toBeGreaterThan(1.25);
    // Grown by the book's own rate, the book stands.
    const grown = 2 + usual * 1.5;
    expect(rate([grown, grown, grown]).factor).toBeCloseTo(1, 1);
    const late = (mm: number[]) => reportFor(measured(mm), NOW).roots.map(({ usuallyLateMs }) => usuallyLateMs);
    expect(Math.min(...late([6, 7, 6]))).toBeGreaterThan(Math.min(...late([grown, grown, grown])));
  });
});
