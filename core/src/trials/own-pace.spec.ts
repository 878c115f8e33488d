import { logScore } from '../chance/index.js';
import { bookPrior, learn, type Prior, type PastLot } from '../forecast/index.js';
import { pastLotOf, workingsFor } from '../parcel/index.js';
import { look, NOW, parcel, randomFrom } from '../testing/index.js';
import { DAY_MS } from '../units/index.js';
import { rateAt, responseOf } from '../warmth/index.js';

const [HOUSES, LEARNT, TRIED, DAYS, SEEDS] = [10, 10, 3, 30, 16];

interface World {
  /** By how much the crop's curve lies warmer than the book's, °C, and how many times its days it takes. */
  readonly shiftC: number;
  readonly pace: number;
}

/**
 * Households that keep one crop in places of 18 to 28 °C: how much better, in nats a count,
 * the forecast before the first look is after ten batches of their own than by the book.
 */
function gained({ shiftC, pace }: World): number {
  const random = randomFrom(7);
  const bell = (): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  let [sum, asked] = [0, 0];
  for (let house = 0; house < HOUSES; house++) {
    const lots: PastLot[] = [];
    for (let nth = 0; nth < LEARNT + TRIED; nth++) {
      const celsius = 18 + 10 * random();
      const plain = parcel('tomatillo', DAYS, celsius, { seeds: SEEDS });
      const { baseC, optimumC, ceilingC } = responseOf(plain.crop.temperature);
      const rate = rateAt({ baseC: baseC + shiftC, optimumC: optimumC + shiftC, ceilingC: ceilingC + shiftC }, celsius);
      const median = ((pace * plain.crop.days.tipAtOptimum) / Math.max(rate, 0.05)) * Math.exp(0.12 * bell());
      const came = Array.from({ length: SEEDS }, () => (random() < 0.85 ? median * Math.exp(0.28 * bell()) : Infinity));
      const by = (day: number): number => came.filter((at) => at <= day).length;
      const looks = Array.from({ length: DAYS }, (_, day) => look(24 * (DAYS - 1 - day), { tipped: by(day + 1), rotten: 0 }));
      const labels = { packet: `p${nth}`, crop: plain.crop.id, spot: `s${nth}` };
      if (nth >= LEARNT) {
        const book = bookPrior(plain.crop, { printedRate: null, ageYears: null, seen: 'tip' });
        const scored = (prior: Prior): number => {
          const { outlook, progress } = workingsFor({ ...plain, prior: { ...book, ...prior } }, plain.startMs + 1);
          const days = [0.3, 0.6, 1, 1.5].map((share) => Math.max(Math.round(share * median), 1));
          const scores = days.map((day) => logScore(outlook.furtherTips(progress.at(plain.startMs + day * DAY_MS)), by(day)));
          return scores.reduce((total, one) => total + one, 0) / scores.length;
        };
        sum += scored(learn(book, labels, lots)) - scored(book);
        asked++;
      }
      lots.unshift(pastLotOf({ ...plain, looks }, NOW, labels));
    }
  }
  return sum / asked;
}

describe('a household’s own pace', () => {
  for (const [name, world] of [
    ['4 °C warmer than the book', { shiftC: 4, pace: 1 }],
    ['4 °C cooler', { shiftC: -4, pace: 1 }],
    ['three tenths sooner', { shiftC: 0, pace: 0.7 }],
  ] as const)
    it(`makes the forecast of a crop that is ${name} a tenth of a nat better after ten batches`, () => {
      expect(gained(world)).toBeGreaterThan(0.1);
    });

  it('makes it no worse where the crop is like the book', () => {
    expect(gained({ shiftC: 0, pace: 1 })).toBeGreaterThan(0);
  });
});
