import fc from 'fast-check';
import { answersFor, bookPrior, CROPS, judge, type ParcelFacts } from '../index.js';
import { countEffort } from '../testing/effort.js';
import { look, NOW, parcel, words } from '../testing/parcel.js';

/** What an ordinary parcel of eight seeds costs, blocks run. */
const ordinary = (): ParcelFacts =>
  parcel('okra', 4, 26, { looks: [look(36, { tipped: 0 }), look(24, { tipped: 1 }), look(12, { tipped: 3 })] });

const judged = (facts: ParcelFacts) => (): void => void judge(facts, answersFor(facts, NOW), words);

describe('the cost of an answer', () => {
  it('stays within bounds whatever the packet, its age, the stock and the wish', () => {
    const effort = countEffort();
    for (let run = 0; run < 5; run++) judged(ordinary())();
    const usual = effort.of(judged(ordinary()));
    expect(usual).toBeGreaterThan(10_000);
    let most = { cost: 0, what: '' };
    fc.assert(
      fc.property(
        fc.constantFrom(...CROPS.map(({ id }) => id)),
        fc.constantFrom(1, 2, 8, 100, 399, 400),
        fc.constantFrom(null, 1, 5, 400),
        fc.constantFrom(null, 0, 1, 37, 1500, 100_000),
        fc.constantFrom(null, 0, 3, 12, 40),
        fc.constantFrom(null, 0.01, 0.5, 1),
        fc.constantFrom(0.05, 3, 20, 90),
        fc.constantFrom(8, 21, 33),
        fc.constantFrom(0, 0.1, 1),
        (cropId, seeds, wanted, packetLeft, ageYears, printedRate, days, celsius, share) => {
          const crop = CROPS.find(({ id }) => id === cropId);
          if (!crop) return;
          const tipped = Math.floor(seeds * share);
          const facts = parcel(cropId, days, celsius, {
            seeds,
            wanted,
            packetLeft,
            prior: bookPrior(crop, { printedRate, ageYears, seen: 'tip' }),
            looks: days < 1 ? [] : [look(days * 12, { tipped: Math.floor(tipped / 2), damp: 'damp' }), look(1, { tipped, rotten: 0 })],
          });
          const cost = effort.of(judged(facts));
          if (cost > most.cost) most = { cost, what: `${cropId}, ${seeds} seeds, ${wanted} wanted, ${packetLeft} left, ${ageYears} years` };
          expect(cost)
            .withContext(most.what)
            .toBeLessThan(6 * usual);
        },
      ),
      { numRuns: 60, seed: 10 },
    );
    effort.stop();
  }, 60_000);
});
