import { knownInWords } from '../words/index.js';
import { agedShare, bookPrior, learn, type PastLot } from './prior.js';
import { reportFor } from '../judging/index.js';
import { pastLotOf, type ParcelFacts } from '../parcel/index.js';
import { CROPS } from '../crops/index.js';

const HOUR_MS = 3_600_000;
const crop = (id: string) => {
  const found = CROPS.find((one) => one.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};
const book = (id: string) => bookPrior(crop(id), { printedRate: 0.85, ageYears: null, seen: 'tip' });

/** A finished tomato batch at its optimum that came later than the book by a factor, looked at twice a day. */
function finished(factor: number, seeds = 20, living = 17): ParcelFacts {
  const tomato = crop('tomato');
  const { optimumC } = tomato.temperature.beta;
  const tips = Array.from(
    { length: living },
    (_, i) => tomato.days.tipAtOptimum * factor * Math.exp(0.25 * 1.8 * ((i + 0.5) / (living / 2) - 1)),
  );
  const reading = { minC: optimumC, maxC: optimumC };
  return {
    crop: tomato,
    method: 'towel',
    seeds,
    wanted: null,
    startMs: 0,
    chillUntilMs: null,
    prior: book('tomato'),
    stays: [{ fromMs: 0, readings: [{ fromMs: 0, toMs: 1e10, ...reading }], guess: reading }],
    utcOffsetHours: 0,
    looks: Array.from({ length: 34 }, (_, i) => {
      const atMs = (i + 1) * 12 * HOUR_MS;
      return {
        atMs,
        through: false,
        tipped: tips.filter((tip) => tip * 24 * HOUR_MS <= atMs).length,
        rotten: null,
        marks: [],
        damp: null,
        rewetted: false,
        troubles: [],
      };
    }),
    moves: [],
    closure: 'sealed_air',
    doseMl: 8,
    lookTimesMs: [500 * HOUR_MS],
    lateTolerance: 0.02,
  };
}

describe('what finished batches teach', () => {
  const labels = { packet: 'a', crop: 'tomato', spot: 'cupboard' };
  const slow = (): PastLot => pastLotOf(finished(1.4), 17 * 24 * HOUR_MS, labels);
  const shiftFor = (id: string, here: typeof labels, past: PastLot[]): number => {
    const before = book(id);
    return learn(before, here, past).logMedian.mean - before.logMedian.mean;
  };

  it('reads a batch for its pace, its spread and its living share', () => {
    const lot = slow();
    expect(lot.shift.mean).toBeCloseTo(Math.log(1.4), 1);
    expect(lot.shift.sd).toBeLessThan(0.15);
    // 17 of 20 came at 28 °C, where the table has nine in ten of the best.
    expect(lot.share.lived / (lot.share.lived + lot.share.died)).toBeGreaterThan(0.83);
    expect(lot.share.lived / (lot.share.lived + lot.share.died)).toBeLessThan(0.96);
    expect(lot.share.lived + lot.share.died).toBeLessThan(24);
  });

  it('moves the same packet by at least half of what three slow batches were, its crop by less, other crops hardly', () => {
    const past = [slow(), slow(), slow()];
    const slower = Math.log(1.4);
    const same = shiftFor('tomato', labels, past);
    const cousin = shiftFor('tomato', { ...labels, packet: 'b' }, past);
    const stranger = shiftFor('okra', { packet: 'c', crop: 'okra', spot: 'cupboard' }, past);
    const elsewhere = shiftFor('okra', { packet: 'c', crop: 'okra', spot: 'fridge' }, past);
    expect(same).toBeGreaterThan(slower / 2);
    expect(same).toBeLessThan(slower * 1.05);
    expect(cousin).toBeGreaterThan(0.15 * slower);
    expect(cousin).toBeLessThan(0.7 * same);
    expect(stranger).toBeLessThan(0.2 * slower);
    expect(elsewhere).toBeCloseTo(0, 9);
    expect(learn(book('tomato'), labels, past).logMedian.sd).toBeLessThan(book('tomato').logMedian.sd);
    expect(learn(book('tomato'), labels, past).known.map(knownInWords).at(-1)).toMatch(/3 finished of this packet\): expected \d+ % later/);
  });

  it('learns a packet’s rate from its own batches, more than from the print', () => {
    const poor = pastLotOf(finished(1, 20, 8), 17 * 24 * HOUR_MS, labels);
    const learnt = learn(book('tomato'), labels, [poor, poor]).share;
    expect(learnt.mean).toBeLessThan(0.65);
    expect(learnt.weight).toBeGreaterThan(book('tomato').share.weight);
    expect(learn(book('tomato'), { ...labels, packet: 'b' }, [poor, poor]).share.mean).toBeGreaterThan(learnt.mean + 0.1);
  });
});

describe('the book’s prior', () => {
  it('ages seed by its storage life, and never makes it better', () => {
    // "Storage life": four in five left; common practice, no source.
    expect(agedShare(4, 4)).toBeCloseTo(0.8, 2);
    expect(agedShare(-1, 4)).toBe(1);
    const ages = [0, 1, 3, 6, 12].map((ageYears) => bookPrior(crop('tomato'), { printedRate: 0.9, ageYears, seen: 'tip' }).share.mean);
    expect([...ages].sort((a, b) => b - a)).toEqual(ages);
  });

  it('adds the delay to what comes up where no tip is seen', () => {
    const tip = bookPrior(crop('pea'), { printedRate: null, ageYears: null, seen: 'tip' });
    const up = bookPrior(crop('pea'), { printedRate: null, ageYears: null, seen: 'emergence' });
    const { tipAtOptimum, tipToEmergence } = crop('pea').days;
    expect(Math.exp(up.logMedian.mean)).toBeCloseTo(tipAtOptimum + tipToEmergence, 9);
    expect(up.logMedian.sd).toBeGreaterThan(tip.logMedian.sd);
  });
});

describe('the toll of the warmth', () => {
  it('keeps seed quiet in heat without calling it dead, and says where it would come', () => {
    const at = (celsius: number) => {
      const lettuce = crop('lettuce');
      const reading = { minC: celsius, maxC: celsius };
      const facts: ParcelFacts = {
        ...finished(1),
        crop: lettuce,
        prior: book('lettuce'),
        seeds: 10,
        looks: [],
        stays: [{ fromMs: 0, readings: [{ fromMs: 0, toMs: 1e10, ...reading }], guess: reading }],
      };
      return reportFor(
        { ...facts, looks: [{ ...(finished(1).looks[0] as ParcelFacts['looks'][number]), atMs: 120 * HOUR_MS, tipped: 0 }] },
        121 * HOUR_MS,
      );
    };
    // Harrington and Minges (1954): lettuce 99 % at 25 °C, 12 % at 30 °C.
    expect(at(24).toll.share).toBeGreaterThan(0.98);
    expect(at(30).toll.share).toBeCloseTo(0.12, 1);
    expect(at(30).chanceQuietAlive).toBeGreaterThan(at(24).chanceQuietAlive + 0.2);
    expect(at(42).toll.survival).toBeLessThan(0.1);
  });
});
