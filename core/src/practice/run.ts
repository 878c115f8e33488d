import { randomInt, randomLcg, randomUniform } from 'd3-random';
import type { Crop } from '../crops/index.js';
import { bookPrior } from '../forecast/index.js';
import { FINDING_IDS, reportFor } from '../judging/index.js';
import type { ParcelFacts, ParcelLook } from '../parcel/index.js';
import { DAY_MS } from '../units/index.js';
import { DEEDS, type Deed, type Exercise, type ExerciseKind, type Seen, type ShownParcel } from './exercises.js';
import { trueSeeds, type TrueSeed } from './laws/growth.js';
import { drawLot, type Lot } from './laws/lots.js';
import type { Climate } from './laws/warmth.js';

/** What a run of ten is made of, in the order in which it is met. */
export const RUN: readonly ExerciseKind[] = ['what', 'do', 'open', 'count', 'what', 'do', 'open', 'what', 'do', 'count'];
/** Names that a finding is chosen from; days on which a parcel may be opened; tries for a parcel that shows what is wanted. */
const [NAMES, DAYS, TRIES] = [4, 8, 60];
/** What a drawing alone can tell: smell and heat are not seen. */
const DRAWN: readonly Seen[] = [...FINDING_IDS.filter((id) => id !== 'smell' && id !== 'heat'), 'alive'];
/** Any moment: practice has a calendar of its own. */
const EPOCH = Date.UTC(2026, 2, 1, 7);
const LOOK_EVERY_DAYS = 1;

type Source = () => number;
interface Drawn {
  readonly crop: Crop;
  readonly celsius: number;
  readonly seeds: number;
  /** Every seed after so many days. */
  readonly at: (days: number) => TrueSeed[];
}

const shows = ({ stage }: TrueSeed): boolean => stage === 'tip' || stage === 'root' || stage === 'leaves';
const longest = (seeds: readonly TrueSeed[]): number => Math.max(0, ...seeds.map(({ rootMm }) => rootMm ?? 0));

/** A lot as a household's are: alive or not, sooner or later than the book, with a straggler or two. @param poor old seed, slow and much of it dead */
function parcelFrom(crops: readonly Crop[], source: Source, poor = false): Drawn {
  const uniform = randomUniform.source(source);
  const whole = randomInt.source(source);
  const crop = crops[whole(0, crops.length)()] as Crop;
  const { optimumC } = crop.temperature.beta;
  const celsius = Math.round(Math.min(uniform(optimumC - 5, optimumC + 1)(), 30));
  const climate: Climate = { meanC: celsius, swingC: 1.5 };
  const seeds = whole(7, 15)();
  const lot: Lot = {
    living: poor ? uniform(0.2, 0.55)() : uniform(0.55, 0.98)(),
    pace: Math.exp(poor ? uniform(0.3, 0.9)() : uniform(-0.3, 0.3)()),
    law: (['weibull', 'gamma', 'log_logistic'] as const)[whole(0, 3)()] as Lot['law'],
    dormant: uniform(0, 0.15)(),
    dormantTimes: 2,
  };
  const fates = drawLot(lot, seeds, source());
  return {
    ...{ crop, celsius, seeds },
    at: (days) => trueSeeds(crop, fates, [{ fromMs: EPOCH, climate }], EPOCH, EPOCH + days * DAY_MS),
  };
}

/** Facts of a drawn parcel after so many days, looked at each day up to then. */
function factsOf({ crop, celsius, seeds, at }: Drawn, days: number, lookDays: readonly number[]): ParcelFacts {
  const nowMs = EPOCH + days * DAY_MS;
  const looks = lookDays.map((day): ParcelLook => {
    const seen = at(day);
    return {
      ...{ atMs: EPOCH + day * DAY_MS, through: false, marks: [], damp: 'damp', rewetted: false, troubles: [] },
      tipped: seen.filter(shows).length,
      rotten: seen.filter(({ stage }) => stage === 'rotten').length,
    };
  });
  return {
    ...{ crop, method: 'towel', seeds, wanted: null, startMs: EPOCH, chillUntilMs: null, utcOffsetHours: 0, moves: [], looks },
    prior: bookPrior(crop, { printedRate: null, ageYears: null, seen: 'tip' }),
    stays: [
      {
        fromMs: EPOCH,
        readings: [{ fromMs: EPOCH, toMs: nowMs, minC: celsius - 0.8, maxC: celsius + 0.8 }],
        guess: { minC: celsius - 0.8, maxC: celsius + 0.8 },
      },
    ],
    ...{ closure: 'sealed_air', doseMl: 8, lateTolerance: 0.02 },
    lookTimesMs: Array.from({ length: 60 }, (_, nth) => nowMs + nth * DAY_MS),
  };
}

const shownOf = ({ crop, celsius, seeds, at }: Drawn, days: number, lookDays: readonly number[]): ShownParcel => ({
  ...{ crop: { id: crop.id, name: crop.name }, seeds, days, celsius },
  looks: lookDays.map((day) => ({ daysAgo: days - day, came: at(day).filter(shows).length })),
  ...{ readyMm: crop.root.readyMm, lateMm: crop.root.lateMm, seedMm: crop.seed.lengthMm },
});

const everyDay = (from: number, to: number): number[] =>
  Array.from({ length: Math.max(Math.floor((to - from) / LOOK_EVERY_DAYS) + 1, 0) }, (_, nth) => from + nth * LOOK_EVERY_DAYS);

/** What is best done with an opened towel: by its longest root, then by what is soft. */
export function bestDeed(seeds: readonly TrueSeed[], { readyMm, lateMm }: Pick<ShownParcel, 'readyMm' | 'lateMm'>): Deed {
  const root = longest(seeds);
  if (root > lateMm) return 'rescue';
  if (root >= readyMm) return 'move';
  return seeds.some(({ stage }) => stage === 'rotten') ? 'rot' : 'leave';
}

function whatIsIt(source: Source): Exercise {
  const left = [...DRAWN];
  const take = () => left.splice(randomInt.source(source)(0, left.length)(), 1)[0] as Seen;
  const finding = take();
  const options = [finding, ...Array.from({ length: NAMES - 1 }, take)];
  // In an order that tells nothing.
  return { kind: 'what', finding, options: DRAWN.filter((id) => options.includes(id)) };
}

function whatToDo(crops: readonly Crop[], source: Source): Exercise {
  const wanted = DEEDS[randomInt.source(source)(0, DEEDS.length)()] as Deed;
  for (let tried = 0; ; tried++) {
    const drawn = parcelFrom(crops, source, wanted === 'rot');
    const days = randomInt.source(source)(2, 16)();
    const towel = drawn.at(days);
    const parcel = shownOf(drawn, days, []);
    const best = bestDeed(towel, parcel);
    if (best === wanted || tried > TRIES) return { kind: 'do', parcel, towel, options: DEEDS, best };
  }
}

function whenToOpen(crops: readonly Crop[], source: Source): Exercise {
  for (let tried = 0; ; tried++) {
    const drawn = parcelFrom(crops, source);
    const days = randomInt.source(source)(1, 4)();
    const lookDays = everyDay(1, days);
    const ahead = Array.from({ length: DAYS }, (_, nth) => nth + 1);
    const fits = ahead.filter((day) => {
      const seeds = drawn.at(days + day);
      return seeds.some(shows) && longest(seeds) <= drawn.crop.root.lateMm;
    });
    const quiet = !drawn.at(days).some(shows);
    const [from, to] = [fits[0], fits.at(-1)];
    if ((!quiet || from === undefined || to === undefined || from === 1) && tried < TRIES) continue;
    const facts = factsOf(drawn, days, lookDays);
    const nowMs = EPOCH + days * DAY_MS;
    const plan = Math.max(1, Math.round((reportFor(facts, nowMs).next.atMs - nowMs) / DAY_MS));
    return { kind: 'open', parcel: shownOf(drawn, days, lookDays), options: ahead, good: { from: from ?? DAYS, to: to ?? DAYS }, plan };
  }
}

function howMany(crops: readonly Crop[], source: Source): Exercise {
  for (let tried = 0; ; tried++) {
    const drawn = parcelFrom(crops, source);
    const final = drawn.at(45).filter(shows).length;
    const days = everyDay(2, 20).find((day) => drawn.at(day).filter(shows).length >= Math.max(2, 0.3 * final)) ?? 20;
    const came = drawn.at(days).filter(shows).length;
    if ((final < 4 || came >= final) && tried < TRIES) continue;
    const lookDays = everyDay(1, days);
    const nowMs = EPOCH + days * DAY_MS;
    const { end, state } = reportFor(factsOf(drawn, days, lookDays), nowMs);
    const all = Array.from({ length: drawn.seeds - came + 1 }, (_, nth) => came + nth);
    const options = all.length <= 9 ? all : all.filter((_, nth) => nth % 2 === (all.length + 1) % 2);
    const plan = { low: state.tipped + end.low, high: state.tipped + end.high };
    return { kind: 'count', parcel: shownOf(drawn, days, lookDays), options, final, plan };
  }
}

/**
 * A run of ten exercises on simulated parcels.
 *
 * @param crops that it is about, at least one; @param seed of the random numbers, 0 to 1
 * @throws RangeError without a crop
 */
export function practiceRun(crops: readonly Crop[], seed: number): Exercise[] {
  if (crops.length === 0) throw new RangeError('crops: at least one is needed');
  const source = randomLcg(seed);
  const make: Record<ExerciseKind, () => Exercise> = {
    what: () => whatIsIt(source),
    do: () => whatToDo(crops, source),
    open: () => whenToOpen(crops, source),
    count: () => howMany(crops, source),
  };
  return RUN.map((kind) => make[kind]());
}
