import { hopeless, reportFor } from '@fresh-tuck/core/judging';
import { bookPrior } from '@fresh-tuck/core/forecast';
import type { Crop } from '@fresh-tuck/core/crops';
import type { ParcelFacts, ParcelLook } from '@fresh-tuck/core/parcel';
import { rateAt, responseOf } from '@fresh-tuck/core/warmth';
import { chanceFrom, PRINTED_RATE, type Chance } from '../truth/lots.js';

const DAY_MS = 86_400_000;
const SAID_C = 25;
const SEEDS = 12;
const MOST_DAYS = 160;

/** Laws that patience is tried on: a seed's time over its lot's median. Only the first is neat. */
export const LATE_LAWS: Readonly<Record<string, (chance: Chance) => number>> = {
  'no stragglers': (chance) => Math.exp(0.25 * chance.normal()),
  '15 in 100 straggle': (chance) => (chance.uniform() < 0.15 ? Math.exp(0.9 + 0.6 * chance.normal()) : Math.exp(0.25 * chance.normal())),
  'a fifth dormant, two to four times as long': (chance) =>
    Math.exp(0.25 * chance.normal()) * (chance.uniform() < 0.2 ? 2 + 2 * chance.uniform() : 1),
};

/** What became of lots that were looked at daily until they were given up. */
export interface PatienceRow {
  readonly lots: number;
  /** Lots that were given up with seeds still quiet. */
  readonly given: number;
  /** Of these: another tip came by the end of what was promised, or ever. */
  readonly soon: number;
  readonly ever: number;
  /** What was said on average of a tip that comes ever. */
  readonly saidEver: number;
  /** Mean day of giving up; and of lots in which nothing lived. */
  readonly day: number;
  readonly deadDay: number;
}

/** Every fifth lot is dead; the others live as their packet says, each at its own pace. */
function drawLot(law: (chance: Chance) => number, crop: Crop, nth: number): number[] {
  const chance = chanceFrom((0.13 + nth * 0.618034) % 1);
  const living = nth % 5 === 4 ? 0 : chance.beta(12 * PRINTED_RATE, 12 * (1 - PRINTED_RATE))();
  const pace = Math.exp(0.3 * chance.normal());
  const days = crop.days.tipAtOptimum / rateAt(responseOf(crop.temperature), SAID_C);
  return Array.from({ length: SEEDS }, () => (chance.uniform() < living ? pace * law(chance) * days * DAY_MS : Infinity));
}

/** Only looks that say something new, and the last: the others tell the forecast nothing. */
const telling = (looks: readonly ParcelLook[]): ParcelLook[] =>
  looks.filter((look, nth) => nth === looks.length - 1 || look.tipped !== looks[nth + 1]?.tipped || look.tipped !== looks[nth - 1]?.tipped);

/** Looks at lots of a law once a day until they are given up. */
export function patienceRow(law: (chance: Chance) => number, crop: Crop, lots: number): PatienceRow {
  const prior = bookPrior(crop, { printedRate: PRINTED_RATE, ageYears: null, seen: 'tip' });
  const sum = { given: 0, soon: 0, ever: 0, saidEver: 0, days: 0, dead: 0, deadDays: 0 };
  for (let nth = 0; nth < lots; nth++) {
    const tips = drawLot(law, crop, nth);
    const looks: ParcelLook[] = [];
    for (let day = 1; day < MOST_DAYS; day++) {
      const nowMs = day * DAY_MS;
      const tipped = tips.filter((tip) => tip <= nowMs).length;
      looks.push({ atMs: nowMs, through: false, tipped, rotten: null, marks: [], damp: 'damp', rewetted: false, troubles: [] });
      if (tipped === SEEDS) break;
      const facts: ParcelFacts = {
        crop,
        method: 'towel',
        seeds: SEEDS,
        wanted: 6,
        startMs: 0,
        chillUntilMs: null,
        prior,
        stays: [
          {
            fromMs: 0,
            readings: [{ fromMs: 0, toMs: nowMs, minC: SAID_C - 0.5, maxC: SAID_C + 0.5 }],
            guess: { minC: SAID_C, maxC: SAID_C },
          },
        ],
        utcOffsetHours: 0,
        looks: telling(looks),
        moves: [{ atMs: nowMs, seeds: [], uncounted: tipped }],
        closure: 'sealed_air',
        doseMl: 7,
        lookTimesMs: [nowMs + DAY_MS, nowMs + 2 * DAY_MS],
        lateTolerance: 0.02,
      };
      const report = reportFor(facts, nowMs);
      if (!hopeless(facts, report)) continue;
      sum.given++;
      sum.days += day;
      sum.saidEver += report.chanceEver;
      if (tips.some((tip) => tip > nowMs && tip <= report.hopeUntilMs)) sum.soon++;
      if (tips.some((tip) => tip > nowMs && tip < Infinity)) sum.ever++;
      if (tips.every((tip) => tip === Infinity)) {
        sum.dead++;
        sum.deadDays += day;
      }
      break;
    }
  }
  const { given, soon, ever, saidEver, days, dead, deadDays } = sum;
  return {
    lots,
    given,
    soon: soon / given,
    ever: ever / given,
    saidEver: saidEver / given,
    day: days / given,
    deadDay: deadDays / Math.max(dead, 1),
  };
}
