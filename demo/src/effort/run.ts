import fc from 'fast-check';
import { reportFor } from '@fresh-tuck/core/judging';
import { toldFor } from '@fresh-tuck/core/words';
import { type ParcelFacts } from '@fresh-tuck/core/parcel';
import { bookPrior } from '@fresh-tuck/core/forecast';
import { CROPS } from '@fresh-tuck/core/crops';
import { look, NOW, parcel, words } from '../../../core/src/testing/parcel.js';
import { countEffort } from './count.js';

/**
 * Draws crops, ages, stocks and wishes at the edges of what the contract takes, and
 * counts what each answer costs against an ordinary parcel's. A program of its own:
 * code that was made fast before the counting began is not counted. An ordinary parcel
 * takes a short cut that hundreds of seeds cannot.
 */
const MOST_TIMES = 16;

const ordinary = (): ParcelFacts =>
  parcel('okra', 4, 26, { looks: [look(36, { tipped: 0 }), look(24, { tipped: 1 }), look(12, { tipped: 3 })] });
const judged = (facts: ParcelFacts) => (): void => void toldFor(facts, reportFor(facts, NOW), words);

const effort = countEffort();
for (let run = 0; run < 5; run++) judged(ordinary())();
const usual = effort.of(judged(ordinary()));
let most = { cost: 0, what: '' };
let draws = 0;
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
      draws++;
      const what = `${cropId}, ${seeds} seeds, ${wanted} wanted, ${packetLeft} left, ${ageYears} years, rate ${printedRate}`;
      if (cost > most.cost) most = { cost, what };
      if (cost > MOST_TIMES * usual) throw new Error(`${what}: ${(cost / usual).toFixed(1)} times an ordinary parcel`);
    },
  ),
  { numRuns: 100, seed: 10 },
);
effort.stop();
console.log(JSON.stringify({ usual, draws, most, times: most.cost / usual }));
