import fc from 'fast-check';
import { asMate, matesOf, nextLook } from '../looking/index.js';
import { reportAndQuestion } from './report.js';
import { type ParcelFacts } from '../parcel/index.js';
import { whyInWords } from '../words/index.js';
import { whyFor } from './why.js';
import { HOUR_MS } from '../units/index.js';
import { look, NOW, parcel, words } from '../testing/parcel.js';

/** Looks a day apart with rising totals. */
const looksArbitrary = fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 1, maxLength: 4 }).map((fresh) => {
  let total = 0;
  return fresh.map((count, index) => look((fresh.length - 1 - index) * 24, { tipped: Math.min((total += count), 8) }));
});

const told = (facts: ParcelFacts) => whyInWords(whyFor(facts, NOW), facts, words);

describe('what a judgement rests on', () => {
  it('is each look weighed by computing anew without it, and nothing else', () => {
    fc.assert(
      fc.property(looksArbitrary, fc.constantFrom('tomato', 'okra', 'leek'), (looks, crop) => {
        const facts = parcel(crop, 5, 25, { looks });
        const { contributions, now } = told(facts);
        return looks.every((one) => {
          const own = contributions.find(({ atMs }) => atMs === one.atMs);
          const without = whyFor({ ...facts, looks: looks.filter((other) => other !== one) }, NOW).now;
          return own !== undefined && JSON.stringify(own.without) === JSON.stringify(without) && own.with.mean === now.mean;
        });
      }),
      { numRuns: 12, seed: 5 },
    );
  });

  it('says what the heat did, against the crop at its best', () => {
    const cold = told(parcel('okra', 4, 18)).contributions.find(({ kind }) => kind === 'warmth');
    expect(cold?.text).toMatch(/^18 °C on average: 4\.0 days did the work of \d\.\d at its best, 35 °C$/);
    expect(cold?.moved).toMatch(/half of the live seeds \d+ days later/);
    const noThermometer = parcel('okra', 4, 18, { stays: [{ fromMs: NOW - 96 * HOUR_MS, readings: [], guess: { minC: 17, maxC: 19 } }] });
    expect(told(noThermometer).contributions.some(({ kind }) => kind === 'thermometer')).toBeFalse();
  });
});

describe('a bag', () => {
  const alone = (facts: ParcelFacts) => reportAndQuestion(facts, NOW).question;

  it('is opened when its first parcel asks, or sooner as its chances add up; never later', () => {
    const kinds = fc.record({
      crop: fc.constantFrom('tomato', 'okra', 'leek', 'pea'),
      days: fc.integer({ min: 0, max: 6 }),
      celsius: fc.integer({ min: 18, max: 28 }),
    });
    fc.assert(
      fc.property(fc.array(kinds, { minLength: 2, maxLength: 4 }), (bag) => {
        const questions = bag.map(({ crop, days, celsius }) => alone(parcel(crop, days + 0.2, celsius)));
        const single = questions.map((question) => nextLook(question).atMs);
        const together = questions.map((question, index) => {
          const others = questions.flatMap((other, at) => (at === index ? [] : [{ number: at + 1, ...asMate(other) }]));
          return nextLook({ ...question, mates: matesOf(others) }).atMs;
        });
        return together.every((atMs) => atMs <= Math.min(...single));
      }),
      { numRuns: 20, seed: 9 },
    );
    expect(matesOf([])).toBeNull();
  });
});
