import fc from 'fast-check';
import { reportFor } from '../judging/index.js';
import { type ParcelFacts, type ParcelLook } from '../parcel/index.js';
import { countForecast } from '../chance/index.js';
import { CROPS } from '../crops/index.js';
import { evidenceFrom } from './evidence.js';
import { outlookFor } from './predict.js';
import { posteriorOf } from './posterior.js';
import { bookPrior } from './prior.js';

const HOUR_MS = 3_600_000;
const START = Date.UTC(2026, 3, 1, 6);
const crop = CROPS.find(({ id }) => id === 'tomatillo');
if (!crop) throw new Error('no tomatillo');

const look = (hours: number, tipped: number | null, more: Partial<ParcelLook> = {}): ParcelLook => ({
  atMs: START + hours * HOUR_MS,
  through: false,
  tipped,
  rotten: null,
  marks: [],
  damp: null,
  rewetted: false,
  troubles: [],
  ...more,
});

const parcel = (more: Partial<ParcelFacts> = {}): ParcelFacts => ({
  crop,
  method: 'towel',
  seeds: 10,
  wanted: null,
  startMs: START,
  chillUntilMs: null,
  prior: bookPrior(crop, { printedRate: 0.85, ageYears: null, seen: 'tip' }),
  stays: [{ fromMs: START, readings: [], guess: { minC: 23, maxC: 27 } }],
  utcOffsetHours: 0,
  looks: [],
  moves: [],
  closure: 'sealed_air',
  doseMl: 8,
  lookTimesMs: Array.from({ length: 100 }, (_, index) => START + (index + 1) * 12 * HOUR_MS),
  lateTolerance: 0.02,
  ...more,
});

/** Rising totals at rising hours: any history that a gardener could have written. */
const history = fc
  .record({
    seeds: fc.constantFrom(1, 2, 6, 24, 400),
    gaps: fc.array(fc.integer({ min: 1, max: 40 }), { maxLength: 12 }),
    shares: fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 12, maxLength: 12 }),
    rot: fc.double({ min: 0, max: 0.3, noNaN: true }),
    celsius: fc.constantFrom(0.5, 12, 24, 33, 41),
  })
  .map(({ seeds, gaps, shares, rot, celsius }) => {
    const rotten = Math.floor(seeds * rot);
    let hours = 0;
    let tipped = 0;
    const looks = gaps.map((gap, index) => {
      hours += gap;
      tipped += Math.floor((seeds - rotten - tipped) * (shares[index] ?? 0));
      return look(hours, tipped, { rotten });
    });
    return {
      facts: parcel({ seeds, looks, stays: [{ fromMs: START, readings: [], guess: { minC: celsius, maxC: celsius } }] }),
      nowMs: START + (hours + 2) * HOUR_MS,
    };
  });

const everyNumber = (value: unknown, visit: (n: number, path: string) => void, path = ''): void => {
  if (typeof value === 'number') visit(value, path);
  else if (value && typeof value === 'object')
    for (const [key, inner] of Object.entries(value)) everyNumber(inner, visit, `${path}.${key}`);
};

describe('the forecast', () => {
  it('is a number on anything that could be written down, and its chances are chances', () => {
    fc.assert(
      fc.property(history, ({ facts, nowMs }) => {
        const answers = reportFor(facts, nowMs);
        everyNumber(answers, (n, path) => {
          if (Number.isNaN(n)) throw new Error(`${path} is not a number`);
        });
        for (const chance of [answers.chanceQuietAlive, answers.chanceAnyFurther, answers.now.anyChance]) {
          expect(chance).toBeGreaterThanOrEqual(-1e-9);
          expect(chance).toBeLessThanOrEqual(1 + 1e-9);
        }
        expect(answers.end.high).toBeLessThanOrEqual(answers.state.quiet);
        expect(answers.now.mean).toBeLessThanOrEqual(answers.end.mean + 1e-6);
      }),
      { numRuns: 40, seed: 11 },
    );
  });

  it('holds at the extremes: sixty looks, all tipped at once, one seed at half a degree', () => {
    const many = Array.from({ length: 60 }, (_, index) => look((index + 1) * 6, Math.min(Math.floor(index / 2), 24)));
    const cold = [{ fromMs: START, readings: [], guess: { minC: 0.5, maxC: 0.5 } }];
    const cases: ParcelFacts[] = [
      parcel({ seeds: 24, looks: many }),
      parcel({ seeds: 400, looks: [look(1, 400)] }),
      parcel({ seeds: 400, looks: [look(2000, 0)] }),
      parcel({ seeds: 1, looks: [], stays: cold }),
      parcel({ seeds: 1, looks: [look(5, 1)], stays: cold }),
    ];
    for (const facts of cases) {
      const answers = reportFor({ ...facts, lookTimesMs: [START + 2412 * HOUR_MS] }, START + 2400 * HOUR_MS);
      everyNumber(answers, (n, path) => expect(n).withContext(path).not.toBeNaN());
      expect(answers.state.quiet === 0 ? answers.end.high : 0).toBe(0);
    }
  });

  it('does not mind the order in which looks are entered, and an undone look leaves no trace', () => {
    const looks = [look(40, 0), look(64, 2), look(76, 5, { rotten: 1 }), look(90, 6)];
    const nowMs = START + 92 * HOUR_MS;
    const whole = reportFor(parcel({ looks }), nowMs);
    expect(reportFor(parcel({ looks: [...looks].reverse() }), nowMs)).toEqual(whole);
    const without = reportFor(parcel({ looks: looks.slice(0, 3) }), nowMs);
    reportFor(parcel({ looks: [...looks.slice(0, 3), look(90, 9)] }), nowMs);
    expect(reportFor(parcel({ looks: looks.slice(0, 3) }), nowMs)).toEqual(without);
  });

  it('expects no fewer tips from one more seed, and no later ones from warmth nearer the optimum', () => {
    const nowMs = START + 3 * 24 * HOUR_MS;
    const at = (celsius: number, seeds: number) =>
      reportFor(parcel({ seeds, stays: [{ fromMs: START, readings: [], guess: { minC: celsius, maxC: celsius } }] }), nowMs);
    const sizes = [1, 2, 5, 12, 40].map((seeds) => at(24, seeds).end.mean);
    expect([...sizes].sort((a, b) => a - b)).toEqual(sizes);
    const warmth = [14, 18, 22, 26].map((celsius) => at(celsius, 10).halfMs ?? Infinity);
    expect([...warmth].sort((a, b) => b - a)).toEqual(warmth);
  });

  it('takes a look through the bag for what it shows, and a silent one for less than an open one', () => {
    const nowMs = START + 120 * HOUR_MS;
    const alive = (looks: ParcelLook[]): number => reportFor(parcel({ looks }), nowMs).chanceQuietAlive;
    const [never, through, opened] = [alive([]), alive([look(115, 0, { through: true })]), alive([look(115, 0)])];
    expect(through).toBeLessThan(never - 0.01);
    expect(opened).toBeLessThan(through - 0.01);
    const { tips, quiet } = evidenceFrom(
      10,
      [look(60, 2, { through: true }), look(90, 5), look(95, 5, { through: true })],
      START,
      (ms) => (ms - START) / HOUR_MS,
      8,
    );
    const bounds = tips.map(({ fromProgress, toProgress, count }) => [fromProgress, toProgress, count]);
    expect(bounds).toEqual([
      [0, 60, 2],
      [0, 90, 3],
    ]);
    // What is noticed at 60 came long enough before it; what was not noticed then but found at 90 came later, or is never noticed.
    expect(tips[0]?.noticed?.every((part) => part.toProgress < 60)).toBeTrue();
    expect(tips[1]?.noticed?.map((part) => part.fromProgress > 58 && part.toProgress === 90)).toEqual([true, true, true, false]);
    expect([quiet.progress, quiet.count, quiet.through?.progress]).toEqual([90, 5, 95]);
  });

  it('dates what is only ever seen through the bag: a lot noticed late is known to be late', () => {
    const prior = bookPrior(crop, { printedRate: 0.85, ageYears: null, seen: 'tip' });
    const median = (first: number): number => {
      const looks = Array.from({ length: 8 }, (_, day) => look(24 * (day + first), Math.min(6 * day, 24), { through: true }));
      const { columns } = posteriorOf(
        evidenceFrom(40, looks, START, (ms) => (ms - START) / 24 / HOUR_MS, 8),
        prior,
      );
      return columns.reduce((sum, { logMedian, weights }) => sum + logMedian * weights.reduce((a, b) => a + b, 0), 0);
    };
    // None at the first look, a quarter more at each of the next: half of what shows has been noticed after two days.
    expect(Math.abs(Math.exp(median(3)) - 4.6)).toBeLessThan(0.7);
    expect(Math.exp(median(6)) - Math.exp(median(3))).toBeGreaterThan(2);
  });

  it('takes rotten seed for dead and lost seed for nothing but gone', () => {
    const nowMs = START + 150 * HOUR_MS;
    const at = (more: Partial<ParcelLook>) => reportFor(parcel({ looks: [look(100, 3), look(140, 3, more)] }), nowMs);
    const [plain, rotten, lost] = [at({}), at({ rotten: 4 }), at({ lost: 4 })];
    expect([rotten.state.quiet, lost.state.quiet]).toEqual([3, 3]);
    // Four fewer that could come; but what was lost may well have lived.
    expect(rotten.end.mean).toBeLessThan(plain.end.mean);
    expect(lost.chanceQuietAlive).toBeGreaterThanOrEqual(rotten.chanceQuietAlive);
  });

  it('narrows on the truth with many seeds: 160 of 200 in the end', () => {
    const fates = Array.from({ length: 160 }, (_, index) => Math.log(crop.days.tipAtOptimum) + 0.25 * 1.9 * ((index + 0.5) / 80 - 1));
    const progress = [3, 4, 5, 6, 8, 12, 18].map((p) => ({ p, tipped: fates.filter((fate) => fate <= Math.log(p)).length }));
    const looks = progress.map(({ p, tipped }) => look(p, tipped));
    const evidence = evidenceFrom(200, looks, START, (ms) => (ms - START) / HOUR_MS, 8);
    const posterior = posteriorOf(evidence, bookPrior(crop, { printedRate: 0.9, ageYears: null, seen: 'tip' }));
    const outlook = outlookFor(posterior, evidence.quiet);
    const end = countForecast(outlook.furtherTips(Infinity));
    expect(end.mean).toBeLessThan(4);
    expect(outlook.chanceAlive(1)).toBeLessThan(0.1);
  });

  it('hears the same from touched seeds as from bare counts, and from a part split off as from the whole', () => {
    const nowMs = START + 100 * HOUR_MS;
    const tips = (...seeds: number[]) => seeds.map((seed) => ({ seed, stage: 'tip' as const, rootMm: null }));
    const counted = reportFor(parcel({ looks: [look(60, 1), look(84, 4)] }), nowMs);
    const touched = reportFor(parcel({ looks: [look(60, 1, { marks: tips(3) }), look(84, 4, { marks: tips(1, 7, 9) })] }), nowMs);
    expect([touched.soon, touched.end, touched.curve, touched.chanceQuietAlive]).toEqual([
      counted.soon,
      counted.end,
      counted.curve,
      counted.chanceQuietAlive,
    ]);
    // Four quiet ones split off at 60 h and silent until 84 h: they were quiet all along.
    const apart = parcel({ seeds: 4, looks: [look(60, 0), look(84, 0)] });
    const never = parcel({ seeds: 4, looks: [look(84, 0)] });
    expect(reportFor(apart, nowMs).end.mean).toBeCloseTo(reportFor(never, nowMs).end.mean, 9);
  });

  it('gives the shortest stretch that holds the asked share', () => {
    const shortest = (...chances: number[]) => {
      const { low, high, mostLikely } = countForecast(Float64Array.from(chances));
      return [low, high, mostLikely];
    };
    expect(shortest(0.8, 0.1, 0.1)).toEqual([0, 0, 0]);
    expect(shortest(0.1, 0.4, 0.4, 0.1)).toEqual([1, 2, 1]);
    expect(shortest(0.05, 0.15, 0.3, 0.4, 0.1)).toEqual([1, 3, 3]);
    expect(shortest(0, 0, 1)).toEqual([2, 2, 2]);
  });

  it('refuses facts that contradict each other', () => {
    expect(() => reportFor(parcel({ seeds: 3, looks: [look(40, 4)] }), START + 48 * HOUR_MS)).toThrowError(
      /4 tips, 0 rotten and 0 lost of 3/,
    );
    expect(() => reportFor(parcel({ stays: [] }), START + 48 * HOUR_MS)).toThrowError(/stays/);
  });
});
