import { layOut, spacingNeededMm, USUAL_SETUP } from '../carrier/index.js';
import { lateLength, methodOf, paneOf } from '../method/index.js';
import { readyLength } from '../moving/index.js';
import { factsOf, workingsFor, type House, type ParcelFacts } from '../parcel/index.js';
import { soakEnd, untold } from '../preparing/index.js';
import { finalCountFor } from '../seedtest/index.js';
import { DAY_MS } from '../units/index.js';
import { heatNow, placeNow, rateAt, responseOf, type DeadlyWarmth } from '../warmth/index.js';
import { courseOf } from './course.js';
import { filledUp, mostPlants, plantOdds, type PlantOdds, type PlantRate } from './how-many.js';
import type { Plan, PlanAtSpot, PlanQuestion, PlanSpot } from './question.js';
import { perTakenOf, ratesOf } from './rate.js';
import { twoSteps } from './two-steps.js';
import { waterFor } from './water.js';
import { bestSpot, comesAt } from './where.js';
import { chanceInTime, countBack, daysForward, latenessOf, nursingFor, ripeningFor } from './when.js';

/** Sureness at which the number of seeds is laid out. */
const LEVELS = [0.6, 0.8, 0.9, 0.95] as const;
/** Other packets that are offered to fill up from. */
const MOST_OTHERS = 2;
/** Nobody lays more of a packet that is hardly alive. Guess. */
const MOST_TRIED = 40;
const MOST_SPROUTS = 400;

function shortageOf(question: PlanQuestion, rate: PlantRate, taken: number, perTaken: number): Plan['shortage'] {
  const left = question.packet.seedsLeft;
  if (left === null || taken <= left) return null;
  const { wanted, sureness } = question;
  const laid = left * perTaken;
  return {
    left,
    chance: laid > 0 ? plantOdds(wanted, rate).of(laid) : 0,
    plants: laid > 0 ? mostPlants(laid, sureness, rate) : 0,
    singly: question.perPot > 1 ? (laid > 0 ? mostPlants(laid, sureness, { ...rate, perPot: 1, keepers: 1 }) : 0) : null,
    fill: question.others
      .flatMap(({ id, title, prior, seedsLeft }) => {
        const seeds = filledUp(wanted, sureness, rate, laid, prior.share);
        return seeds !== null && (seedsLeft === null || Math.ceil(seeds / perTaken) <= seedsLeft)
          ? [{ packetId: id, title, seeds: Math.ceil(seeds / perTaken) }]
          : [];
      })
      .slice(0, MOST_OTHERS),
  };
}

/** A batch as it would be begun in a spot, or was in the moment it was begun. */
export function startFacts(
  batch: Pick<
    PlanQuestion,
    'crop' | 'method' | 'startMs' | 'chillDays' | 'chilledDays' | 'chillDry' | 'closure' | 'setup' | 'prepared' | 'soaking' | 'soakHours'
  > & {
    readonly seeds: number;
    readonly wanted: number | null;
    readonly doseMl: number;
    readonly packetLeft: number | null;
  },
  { readings, guess, prior }: Omit<PlanSpot, 'id'>,
  house: House,
): ParcelFacts {
  const { chillDays, startMs, soaking, soakHours = null, ...rest } = batch;
  return factsOf(
    {
      ...rest,
      startMs,
      chillUntilMs: chillDays === null ? null : startMs + chillDays * DAY_MS,
      soakUntilMs: soaking && batch.prepared.includes('soak') ? soakEnd(batch.crop, startMs, soakHours) : null,
      prior,
      stays: [{ fromMs: startMs, readings, guess }],
      looks: [],
      moves: [],
    },
    house,
    startMs,
  );
}

/** A spot before its numbers: the batch as it would be begun there, and what share of the living comes. */
interface Tried {
  readonly spot: PlanSpot;
  readonly refused: DeadlyWarmth | null;
  readonly comes: number;
  readonly halfDays: number | null;
}

/** Works out a batch before it is begun: how many, how wet, how far apart, and when in each spot. */
export function planFor(question: PlanQuestion, house: House, millilitresPerSpray: number): Plan {
  const { crop, packet, wanted, sureness, pane, perPot, keepers, startMs, target, setup = USUAL_SETUP } = question;
  const { prior } = packet;
  const rates = ratesOf(question);
  const perTaken = perTakenOf(question);
  const sprouts = Math.min(Math.ceil(wanted / keepers) * perPot, MOST_SPROUTS);
  const ways = { ...house.ways, rootSchool: question.school };
  const begun = (seeds: number, doseMl: number, packetLeft: number | null, spot: PlanSpot): ParcelFacts =>
    startFacts({ ...pick(question), seeds, wanted: sprouts, doseMl, packetLeft }, spot, { ...house, ways });

  const tries = question.spots.map((spot): Tried => {
    const facts = begun(wanted, 1, null, spot);
    const { lot, progress } = workingsFor(facts, startMs);
    const halfMs = progress.when(lot.progressOf(0.5));
    return {
      spot,
      // What its thermometer said last; a guess refuses nobody.
      refused: heatNow(crop, facts.stays, startMs),
      // Begun in a cold spot, nobody has said yet where it goes when its chill is done.
      comes:
        lot.coming *
        (facts.chillUntilMs !== null && untold(facts.stays) ? 1 : comesAt(crop, progress, Math.max(startMs, facts.chillUntilMs ?? 0))),
      halfDays: halfMs === null ? null : (halfMs - startMs) / DAY_MS,
    };
  });
  const spotId = question.spotId ?? bestSpot(tries.map(({ spot, ...rest }) => ({ spotId: spot.id, ...rest })));
  const here = tries.find(({ spot }) => spot.id === spotId);
  /** Odds by the share that comes, to the hundredth: places that are alike share them. */
  const known = new Map<number, PlantOdds>();
  const oddsAt = (comes: number): PlantOdds => {
    const key = Math.round(comes * 100) / 100;
    const found = known.get(key) ?? plantOdds(wanted, rates.at(key));
    known.set(key, found);
    return found;
  };
  const enoughAt = (comes: number): number | null => {
    const fewest = oddsAt(comes).seedsFor(sureness);
    return fewest === null ? null : Math.min(Math.ceil(fewest / perTaken) * perTaken, MOST_SPROUTS);
  };
  const comes = here?.comes ?? 1;
  const [rate, odds, enough] = [rates.at(comes), oddsAt(comes), enoughAt(comes)];
  // Where no number makes it sure, all that the packet has is the best that can be done.
  const seeds = question.seeds ?? enough ?? Math.max(Math.min(packet.seedsLeft ?? MOST_TRIED, MOST_TRIED), wanted);
  const taken = Math.ceil(seeds / perTaken);
  const first = Math.max(Math.ceil(wanted / keepers / (rate.germs ?? 1)), (enough ?? seeds) - 3, 1);
  const numbers = [...new Set([...Array.from({ length: 6 }, (_, step) => first + step), seeds])].sort((a, b) => a - b);
  const method = methodOf(question.method);
  const places = question.places ?? seeds;
  const dose = waterFor({
    crop,
    method: question.method,
    places,
    pane,
    // Soaked seed brings its water with it.
    drinkingGrams: question.prepared.includes('soak') ? 0 : (crop.seed.gramsPerThousand / 1000) * seeds,
    open: question.closure === 'lidded',
    setup,
    millilitresPerSpray,
  });
  const lateness = latenessOf(question.seasons.lateness.filter(({ kind }) => kind === (target?.kind ?? 'plant_out')));
  const nursing = nursingFor(crop, question.seasons.nursingDays);
  const after = { nursing, ripening: ripeningFor(crop), lateDays: lateness?.shiftDays ?? 0 };
  const drawn = method.carrier === 'towel' ? pane : paneOf(method, places);
  const left = packet.seedsLeft === null ? null : Math.max(packet.seedsLeft - taken, 0);

  const atSpot = ({ spot, refused, comes: share, halfDays }: Tried): PlanAtSpot => {
    const facts = begun(seeds, dose.millilitres, left, spot);
    const course = courseOf(facts, oddsAt(share), after);
    const { minC, maxC } = placeNow(spot.readings, spot.guess, startMs, facts.utcOffsetHours);
    return {
      spotId: spot.id,
      facts,
      comes: share,
      enough: enoughAt(share),
      refused,
      halfDays,
      course,
      forward: daysForward(course),
      back: target && countBack(course, target.kind, sureness),
      inTimeNow: target && chanceInTime(course, target.kind, (target.atMs - startMs) / DAY_MS),
      finalCount: finalCountFor(crop, rateAt(responseOf(crop.temperature), (minC + maxC) / 2), question.chillDays ?? 0),
    };
  };
  const bySpot = (question.onlyThere ? tries.filter(({ spot }) => spot.id === spotId) : tries).map(atSpot);
  const planned = bySpot.find((one) => one.spotId === spotId);
  return {
    seeds,
    enough,
    taken,
    sprouts,
    chances: numbers.map((number) => ({ seeds: number, chance: odds.of(number) })),
    levels: LEVELS.map((level) => ({ sureness: level, seeds: odds.seedsFor(level) })),
    expectedRate: rates.factors(comes)[0]?.share ?? prior.share.mean * comes,
    handling: rates.handling,
    survival: rates.survival,
    factors: rates.factors(comes),
    spotId,
    twoSteps:
      planned && enough !== null && perTaken === 1
        ? twoSteps(planned.facts, { enough, sureness, rate, odds, left: packet.seedsLeft })
        : null,
    shortage: shortageOf(question, rate, taken, perTaken),
    lateness,
    nursingTold: nursing.told,
    dose,
    nearestMm: layOut(seeds, drawn.widthMm, drawn.heightMm).nearestMm,
    neededMm: spacingNeededMm(crop.seed.lengthMm, lateLength(crop.root.lateMm, readyLength(crop, question.school))),
    bySpot,
  };
}

/** What of a question a batch's facts take over. */
const pick = ({
  crop,
  method,
  startMs,
  chillDays,
  chilledDays,
  chillDry,
  closure,
  setup,
  prepared,
  soaking,
  soakHours,
}: PlanQuestion): Omit<Parameters<typeof startFacts>[0], 'seeds' | 'wanted' | 'doseMl' | 'packetLeft'> => ({
  crop,
  method,
  startMs,
  chillDays,
  chilledDays,
  chillDry,
  closure,
  setup,
  prepared,
  soaking,
  soakHours,
});
