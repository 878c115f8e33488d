import { doseFor, layOut, spacingNeededMm, type Closure, type Dose } from '../carrier/index.js';
import type { Crop } from '../crops/index.js';
import type { LotPrior } from '../forecast/index.js';
import { methodOf, paneOf, type MethodId } from '../method/index.js';
import {
  handlingFor,
  soundShare,
  survivalFor,
  type Destination,
  type Fates,
  type Handling,
  type RootSchool,
  type Survival,
} from '../moving/index.js';
import { factsOf, workingsFor, type House, type ParcelFacts } from '../parcel/index.js';
import { soakHours, type Preparation } from '../preparing/index.js';
import { finalCountFor, type FinalCount } from '../seedtest/index.js';
import { DAY_MS, HOUR_MS } from '../units/index.js';
import { placeNow, rateAt, type DayRange, type Reading } from '../warmth/index.js';
import { courseOf } from './course.js';
import { filledUp, mostPlants, plantOdds, type PlantRate } from './how-many.js';
import {
  chanceInTime,
  countBack,
  daysForward,
  latenessOf,
  nursingFor,
  ripeningFor,
  type CountedBack,
  type CropLateness,
  type Goal,
  type Reached,
} from './when.js';

/** Sureness at which the number of seeds is laid out. */
const LEVELS = [0.6, 0.8, 0.9, 0.95] as const;
/** Other packets that are offered to fill up from. */
const MOST_OTHERS = 2;
/** Nobody lays more of a packet that is hardly alive. Guess. */
const MOST_TRIED = 40;
const MOST_SPROUTS = 400;

/** A place in which a batch could be begun: its record, what such places are like, and what is known of the packet there. */
export interface PlanSpot {
  readonly id: string;
  readonly readings: readonly Reading[];
  readonly guess: DayRange;
  readonly prior: LotPrior;
}

/** What is planned: this many plants of that crop, started how, when and where. */
export interface PlanQuestion {
  readonly crop: Crop;
  readonly method: MethodId;
  readonly packet: {
    readonly prior: LotPrior;
    /** Sprouts of its crop that were moved, and that snapped on the way. */
    readonly handled: { readonly moved: number; readonly snapped: number };
    readonly fates: Readonly<Record<string, Fates>>;
    /** Seedlings of its tests by whether they would become plants. */
    readonly sound: { readonly normal: number; readonly abnormal: number };
    readonly seedsLeft: number | null;
  };
  /** Other packets of the crop with what they hold, to fill up from. */
  readonly others: readonly { readonly id: string; readonly title: string; readonly prior: LotPrior; readonly seedsLeft: number | null }[];
  readonly wanted: number;
  /** Share of the plants that is worth keeping, where only the best are. */
  readonly keep: number;
  readonly sureness: number;
  /** What the gardener fixed, or null to be told. */
  readonly seeds: number | null;
  readonly destination: Destination;
  readonly school: RootSchool;
  /** Sprouts to a pot, and plants left in it. */
  readonly perPot: number;
  readonly keepers: number;
  readonly prepared: readonly Preparation[];
  readonly startMs: number;
  /** Midday of the day by which it is wished for. */
  readonly target: { readonly kind: Exclude<Goal, 'move'>; readonly atMs: number } | null;
  /** What earlier batches of the crop tell. */
  readonly seasons: {
    readonly nursingDays: readonly number[];
    readonly lateness: readonly { readonly year: number; readonly days: number; readonly kind: Exclude<Goal, 'move'> }[];
  };
  readonly chillDays: number | null;
  readonly closure: Closure;
  /** The folded towel; what it is drawn on where it is none. */
  readonly pane: { readonly widthMm: number; readonly heightMm: number; readonly plies: number };
  readonly spots: readonly PlanSpot[];
}

/** A spot with what it would do. */
export interface PlanAtSpot {
  readonly spotId: string;
  /** The batch as it would be begun there. */
  readonly facts: ParcelFacts;
  /** Days from the start until half of the living show; null where they never do. */
  readonly halfDays: number | null;
  /** The days forward, if enough come. */
  readonly forward: readonly Reached[];
  /** Counted back from the wished date; and the chance of being in time if begun now. */
  readonly back: CountedBack | null;
  readonly inTimeNow: number | null;
  /** Final count of a test here. */
  readonly finalCount: FinalCount;
}

/** Everything that Tuck in works out before a batch is begun. */
export interface Plan {
  /** The gardener's number, or the fewest that suffice. */
  readonly seeds: number;
  /** The fewest that suffice; null where no number does. */
  readonly enough: number | null;
  /** Taken from the packet, where husks split. */
  readonly taken: number;
  /** Sprouts that the wished plants take. */
  readonly sprouts: number;
  /** Chance of the wanted plants for numbers around it. */
  readonly chances: readonly { readonly seeds: number; readonly chance: number }[];
  /** Fewest seeds by sureness. */
  readonly levels: readonly { readonly sureness: number; readonly seeds: number | null }[];
  readonly expectedRate: number;
  readonly handling: Handling;
  readonly survival: Survival;
  /** What the packet's rest gives where it has too few. */
  readonly shortage: {
    readonly left: number;
    readonly chance: number;
    /** Most plants that the rest gives as surely as asked. */
    readonly plants: number;
    /** Seeds of other packets of the crop that fill it up. */
    readonly fill: readonly { readonly packetId: string; readonly title: string; readonly seeds: number }[];
  } | null;
  readonly lateness: CropLateness | null;
  readonly nursingTold: number;
  readonly dose: Dose;
  readonly nearestMm: number;
  readonly neededMm: number;
  readonly bySpot: readonly PlanAtSpot[];
}

/** Half a husk is not left over: all of its seeds are laid. */
const perTakenOf = ({ crop, prepared }: PlanQuestion): number =>
  prepared.includes('split') ? Math.max(Math.round(crop.seed.perUnit), 1) : 1;

/** Shares along the way from seed to plant. */
function rateOf(question: PlanQuestion): { rate: PlantRate; handling: Handling; survival: Survival } {
  const { crop, packet, destination, school, keep, perPot, keepers } = question;
  const handling = handlingFor(crop, packet.handled, school);
  const survival = survivalFor(destination, packet.fates[destination] ?? { lived: 0, lost: 0 });
  const rate = {
    ...packet.prior.share,
    handling: handling.mean,
    survival: survival.mean * soundShare(packet.sound),
    keep,
    perPot,
    keepers,
    germs: perTakenOf(question) > 1 ? 1 : crop.seed.perUnit,
  };
  return { handling, survival, rate };
}

function shortageOf(question: PlanQuestion, rate: PlantRate, taken: number, perTaken: number): Plan['shortage'] {
  const left = question.packet.seedsLeft;
  if (left === null || taken <= left) return null;
  const { wanted, sureness } = question;
  const laid = left * perTaken;
  return {
    left,
    chance: laid > 0 ? plantOdds(wanted, rate).of(laid) : 0,
    plants: laid > 0 ? mostPlants(laid, sureness, rate) : 0,
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
  batch: Pick<PlanQuestion, 'crop' | 'method' | 'startMs' | 'chillDays' | 'closure' | 'prepared'> & {
    readonly seeds: number;
    readonly wanted: number | null;
    readonly doseMl: number;
    readonly packetLeft: number | null;
  },
  { readings, guess, prior }: Omit<PlanSpot, 'id'>,
  house: House,
): ParcelFacts {
  const { chillDays, startMs, ...rest } = batch;
  return factsOf(
    {
      ...rest,
      startMs,
      chillUntilMs: chillDays === null ? null : startMs + chillDays * DAY_MS,
      prior,
      stays: [{ fromMs: startMs, readings, guess }],
      looks: [],
      moves: [],
    },
    house,
    startMs,
  );
}

/** Works out a batch before it is begun: how many, how wet, how far apart, and when in each spot. */
export function planFor(question: PlanQuestion, house: House, millilitresPerSpray: number): Plan {
  const { crop, packet, wanted, sureness, pane, perPot, keepers, startMs, target } = question;
  const { prior } = packet;
  const { rate, handling, survival } = rateOf(question);
  const odds = plantOdds(wanted, rate);
  const fewest = odds.seedsFor(sureness);
  const perTaken = perTakenOf(question);
  const enough = fewest === null ? null : Math.min(Math.ceil(fewest / perTaken) * perTaken, MOST_SPROUTS);
  // Where no number makes it sure, all that the packet has is the best that can be done.
  const seeds = question.seeds ?? enough ?? Math.max(Math.min(packet.seedsLeft ?? MOST_TRIED, MOST_TRIED), wanted);
  const taken = Math.ceil(seeds / perTaken);
  const first = Math.max(Math.ceil(wanted / keepers / (rate.germs ?? 1)), (fewest ?? seeds) - 3, 1);
  const numbers = [...new Set([...Array.from({ length: 6 }, (_, step) => first + step), seeds])].sort((a, b) => a - b);
  const sprouts = Math.min(Math.ceil(wanted / keepers) * perPot, MOST_SPROUTS);
  const sheet = { widthMm: pane.widthMm * 2, heightMm: pane.heightMm * 2, plies: pane.plies };
  const dose = doseFor(sheet, crop.water.dampRatio, (crop.seed.gramsPerThousand / 1000) * seeds, millilitresPerSpray);
  const lateness = latenessOf(question.seasons.lateness.filter(({ kind }) => kind === (target?.kind ?? 'plant_out')));
  const nursing = nursingFor(crop, question.seasons.nursingDays);
  const after = { nursing, ripening: ripeningFor(crop), lateDays: lateness?.shiftDays ?? 0 };
  const soakDays = question.prepared.includes('soak') ? ((soakHours(crop)?.[1] ?? 0) * HOUR_MS) / DAY_MS : 0;
  const method = methodOf(question.method);
  const drawn = method.carrier === 'towel' ? pane : paneOf(method, seeds);
  const left = packet.seedsLeft === null ? null : Math.max(packet.seedsLeft - taken, 0);
  const batch = { ...question, seeds, wanted: sprouts, doseMl: dose.millilitres, packetLeft: left };

  const atSpot = (spot: PlanSpot): PlanAtSpot => {
    const facts = startFacts(pick(batch), spot, { ...house, ways: { ...house.ways, rootSchool: question.school } });
    const { lot, progress } = workingsFor(facts, startMs);
    const halfMs = progress.when(lot.progressOf(0.5));
    const course = courseOf(facts, odds, after);
    const back = target && countBack(course, target.kind, sureness);
    const { minC, maxC } = placeNow(spot.readings, spot.guess, startMs, facts.utcOffsetHours);
    return {
      spotId: spot.id,
      facts,
      halfDays: halfMs === null ? null : (halfMs - startMs) / DAY_MS,
      forward: daysForward(course),
      back: back && { ...back, daysBefore: Math.ceil(back.daysBefore + soakDays) },
      inTimeNow: target && chanceInTime(course, target.kind, (target.atMs - startMs) / DAY_MS),
      finalCount: finalCountFor(crop, rateAt(crop.temperature.beta, (minC + maxC) / 2), house.ways.patienceTimes, question.chillDays ?? 0),
    };
  };
  return {
    seeds,
    enough,
    taken,
    sprouts,
    chances: numbers.map((number) => ({ seeds: number, chance: odds.of(number) })),
    levels: LEVELS.map((level) => ({ sureness: level, seeds: odds.seedsFor(level) })),
    expectedRate: prior.share.mean,
    handling,
    survival,
    shortage: shortageOf(question, rate, taken, perTaken),
    lateness,
    nursingTold: nursing.told,
    dose,
    nearestMm: layOut(seeds, drawn.widthMm, drawn.heightMm).nearestMm,
    neededMm: spacingNeededMm(crop.seed.lengthMm, crop.root.lateMm),
    bySpot: question.spots.map(atSpot),
  };
}

/** What of a question a batch's facts take over. */
const pick = <T extends Parameters<typeof startFacts>[0]>({
  crop,
  method,
  startMs,
  chillDays,
  closure,
  prepared,
  seeds,
  wanted,
  doseMl,
  packetLeft,
}: T): Parameters<typeof startFacts>[0] => ({ crop, method, startMs, chillDays, closure, prepared, seeds, wanted, doseMl, packetLeft });
