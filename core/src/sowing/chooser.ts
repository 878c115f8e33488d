import type { Crop } from '../crops/index.js';
import { comesUp, methodOf, type MethodId } from '../method/index.js';
import { handlingFor, readyLength, survivalFor, waysTo, type Destination, type Fates } from '../moving/index.js';
import { soakClock } from '../preparing/index.js';
import { DAY_MS } from '../units/index.js';
import type { House, ParcelFacts } from '../parcel/index.js';
import { workingsFor } from '../parcel/index.js';
import { startFacts } from './plan.js';
import type { PlanQuestion, PlanSpot } from './question.js';
import { HANDS } from './hands.js';
import { comesAt } from './where.js';

/** Own finished batches of a crop started one way for one destination. */
export interface WayRecord {
  readonly method: MethodId;
  readonly destination: Destination;
  /** The rack whose slots they went to; null where none was named. */
  readonly rackId?: string | null;
  /** Seeds that were started, and plants that stood there in the end. */
  readonly seeds: number;
  readonly plants: number;
}

/** What may go wrong with a way. */
export type WayRisk = 'rot' | 'snag' | 'shy' | 'fine' | 'drowns' | 'dries' | 'uncovered';
/** What speaks for a way, or against it, loudest. */
export type WayReason =
  | 'records'
  | 'fine'
  | 'shy'
  | 'soilless'
  | 'soilless_poor'
  | 'coat'
  | 'chill'
  | 'doubtful'
  | 'slow'
  | 'drowns'
  | 'simple'
  | 'proved'
  | 'stands';

/** One way to start a crop for a destination, with its figures. */
export interface Way {
  readonly method: MethodId;
  /** Whether it stands at its destination from the start. */
  readonly stands: boolean;
  /** Plants to be expected of the seeds. */
  readonly plants: number;
  /** Of one seed: what the book says, and with own records. */
  readonly share: number;
  /** Days until half of the seedlings stand, up and in their place; null where they never do there. */
  readonly days: number | null;
  /** Days on the warm board, and places of tray, rack or bed times the days that they are taken until it stands. */
  readonly warmDays: number;
  readonly placeDays: number;
  readonly minutes: number;
  readonly risk: WayRisk | null;
  readonly reason: WayReason;
  /** Own records, where there are some, and whether they outweigh the book. */
  readonly own: { readonly seeds: number; readonly plants: number; readonly outweighs: boolean } | null;
}

/** The book counts for so many seeds of one's own. Guess. */
const BOOK_WEIGHT = 10;
/** Seed this light is dust: hard to lift once it has sprouted. Grams to a thousand. Common practice, no source. */
const FINE_GRAMS = 0.35;
const LIFTED_FINE = 0.75;
/** From here on a packet is doubtful, a kind slow, a chill long. Guesses. */
const DOUBTFUL = 0.7;
const SLOW_DAYS = 5;
const LONG_CHILL_WEEKS = 3;
/** A moved sprout stands still so long, days at its best warmth. Guess. */
const SHOCK_DAYS = 1;
/** What each way has for it or against it beside its plants, as shares of a seed. Guesses that put the known cases in their order. */
const WORTH = { coat: 0.17, chill: 0.12, doubtful: 0.06, slow: 0.05, fine: 0.12, shy: 0.16, snag: 0.03, stands: 0.02 } as const;
const PER_DAY = 0.004;
const PER_MINUTE = 0.001;
const MINUTES_A_MOVE = 1.2;

const isFine = ({ seed }: Pick<Crop, 'seed'>): boolean => seed.gramsPerThousand < FINE_GRAMS;
const hasCoat = ({ coat }: Pick<Crop, 'coat'>): boolean => coat.hardShare >= 0.1 || coat.wholeFactor >= 1.3;

/** What a chooser asks about: a plan's question, with both events' priors and the own records. */
export interface WaysQuestion extends Pick<
  PlanQuestion,
  'crop' | 'destination' | 'school' | 'prepared' | 'soaking' | 'setup' | 'chillDays' | 'chilledDays' | 'chillDry' | 'closure' | 'startMs'
> {
  readonly seeds: number;
  readonly records: readonly WayRecord[];
  /** The rack that is asked about; null for any place of the destination. */
  readonly rackId?: string | null;
  readonly handled: { readonly moved: number; readonly snapped: number };
  readonly fates: Readonly<Record<string, Fates>>;
  /** The place it would stand in, with what is known of the packet there for either event. */
  readonly spot: Omit<PlanSpot, 'prior'> & { readonly priors: Readonly<Record<'tip' | 'emergence', PlanSpot['prior']>> };
}

/** The batch as it would be begun that way. */
function factsOfWay(question: WaysQuestion, method: MethodId, house: House): ParcelFacts {
  const { spot, seeds } = question;
  const prior = spot.priors[methodOf(method).event];
  const ways = { ...house.ways, rootSchool: question.school };
  const { crop, startMs, chillDays, closure, prepared, soaking, setup, chilledDays, chillDry } = question;
  const lies = { crop, startMs, chillDays, closure, prepared, soaking, setup, chilledDays, chillDry };
  return startFacts({ ...lies, method, seeds, wanted: seeds, doseMl: 1, packetLeft: null }, { ...spot, prior }, { ...house, ways });
}

function riskOf(crop: Crop, method: MethodId, destination: Destination, quickRoots: boolean, drowned: boolean): WayRisk | null {
  if (method === 'water') return drowned ? 'drowns' : crop.root.shy === 2 ? 'shy' : null;
  if (method === 'towel') {
    if (isFine(crop)) return 'fine';
    if (crop.root.shy === 2 && destination !== 'slot') return 'shy';
    return quickRoots ? 'snag' : null;
  }
  if (method === 'pod') return crop.methods.soilless === 'poor' ? 'rot' : null;
  if (method === 'surface') return 'dries';
  return method === 'bed' ? 'uncovered' : null;
}

/** Each rack is a place of its own: its light and its pump are not another's. */
const inRack = ({ rackId = null }: Pick<WaysQuestion, 'rackId'>, record: WayRecord): boolean => rackId === null || record.rackId === rackId;

/** Roots that cross from ready to late within a day. */
const QUICK_ROOTS_MM_A_DAY = 15;

function wayOf(
  question: WaysQuestion,
  method: MethodId,
  stands: boolean,
  begun: ParcelFacts,
): Way & { readonly score: number; readonly praise: WayReason } {
  const { crop, destination, school, seeds, startMs } = question;
  const { lot, progress, outlook, slower } = workingsFor(begun, startMs);
  const comes = lot.coming * comesAt(crop, progress, Math.max(startMs, begun.chillUntilMs ?? 0));
  const shows = begun.prior.share.mean * comes;
  const drownsMs = soakClock(crop, startMs, startMs, true).drownsMs;
  // What has no root by its limit goes on a towel, half drowned.
  const rooted = method === 'water' ? outlook.meanTipped(progress.at(drownsMs)) / Math.max(outlook.meanTipped(Infinity), 1e-9) : 1;
  const drowned = rooted < 0.7;
  const event = methodOf(method).event;
  const up = comesUp(crop, method);
  const fine = event === 'tip' && isFine(crop) ? LIFTED_FINE : 1;
  const handling = event === 'tip' ? handlingFor(crop, question.handled, school).mean : 1;
  const survival = survivalFor(destination, question.fates[destination] ?? { lived: 0, lost: 0 }).mean;
  const book = Math.min(shows * up * fine * handling * survival * (0.5 + rooted / 2), 1);
  const own = question.records
    .filter((record) => record.method === method && record.destination === destination && inRack(question, record))
    .reduce((sum, record) => ({ seeds: sum.seeds + record.seeds, plants: sum.plants + record.plants }), { seeds: 0, plants: 0 });
  const share = (book * BOOK_WEIGHT + own.plants) / (BOOK_WEIGHT + own.seeds);
  // To the same stage either way: half of what comes stands, up and in its place.
  const half = lot.progressOf(0.5);
  const readyAfter = readyLength(crop, school) / crop.root.mmPerDayAtOptimum;
  const standing = event === 'tip' ? half + Math.max(readyAfter, crop.days.tipToEmergence * slower) + SHOCK_DAYS : half;
  const daysTo = (reached: number): number | null => {
    const ms = progress.when(reached);
    return ms === null ? null : (ms - startMs) / DAY_MS;
  };
  const days = daysTo(standing);
  const showDays = daysTo(event === 'tip' ? half + readyAfter : half);
  // In its cold it takes no lit place.
  const inCold = question.chillDays ?? 0;
  const taken = event === 'tip' ? share * seeds * Math.max((days ?? 0) - (showDays ?? 0), 0) : seeds * Math.max((days ?? 0) - inCold, 0);
  const hands = HANDS[method];
  const minutes = hands.start + hands.seed * seeds + hands.day * (showDays ?? 0) + (event === 'tip' ? MINUTES_A_MOVE * share * seeds : 0);
  const outweighs = own.seeds >= BOOK_WEIGHT;
  const risk = riskOf(crop, method, destination, crop.root.mmPerDayAtOptimum >= QUICK_ROOTS_MM_A_DAY, drowned);
  const pulls = pullsOf(crop, method, begun.prior.share.mean, risk, stands);
  const pulled = Object.values(pulls).reduce((sum, worth) => sum + worth, 0);
  const [reason = 'simple'] = (Object.keys(pulls) as WayReason[]).sort((a, b) => Math.abs(pulls[b] ?? 0) - Math.abs(pulls[a] ?? 0));
  const praised = (Object.keys(pulls) as WayReason[])
    .filter((one) => (pulls[one] ?? 0) > 0)
    .sort((a, b) => (pulls[b] ?? 0) - (pulls[a] ?? 0));
  return {
    method,
    stands,
    praise: outweighs ? 'records' : (praised[0] ?? (event === 'tip' ? 'proved' : 'simple')),
    plants: share * seeds,
    share,
    days,
    warmDays: Math.max((showDays ?? 0) - inCold, 0),
    placeDays: taken,
    minutes,
    risk,
    reason: outweighs ? 'records' : reason,
    own: own.seeds > 0 ? { ...own, outweighs } : null,
    // Own records have the last word: what the book holds for or against a way fades as they come in.
    score:
      share +
      (pulled * BOOK_WEIGHT) / (BOOK_WEIGHT + own.seeds) -
      PER_DAY * (days ?? 200) -
      (PER_MINUTE * minutes) / Math.max(seeds / 8, 1),
  };
}

/** What speaks for a way or against it beside the plants that it brings. */
function pullsOf(crop: Crop, method: MethodId, rate: number, risk: WayRisk | null, stands: boolean): Partial<Record<WayReason, number>> {
  const pulls: Partial<Record<WayReason, number>> = {};
  const tip = methodOf(method).event === 'tip';
  if (method === 'towel') {
    if (hasCoat(crop)) pulls.coat = WORTH.coat;
    if (crop.chill.weeks >= LONG_CHILL_WEEKS) pulls.chill = WORTH.chill;
    if (rate < DOUBTFUL) pulls.doubtful = WORTH.doubtful;
    if (crop.days.tipAtOptimum >= SLOW_DAYS) pulls.slow = WORTH.slow;
  }
  if (isFine(crop) && method === 'surface') pulls.fine = WORTH.fine;
  else if (isFine(crop)) pulls.fine = tip ? -WORTH.fine : method === 'plug' ? WORTH.fine / 2 : 0;
  // A thick coat is opened and watched: it is moved at its first nib, and loses less by it.
  if (crop.root.shy === 2 && method !== 'pod')
    pulls.shy = tip ? (hasCoat(crop) ? -WORTH.shy / 2 : -WORTH.shy) : stands ? WORTH.shy / 4 : -WORTH.shy / 2;
  if (method === 'pod')
    pulls[crop.methods.soilless === 'fine' ? 'soilless' : 'soilless_poor'] = crop.methods.soilless === 'fine' ? WORTH.stands : -WORTH.coat;
  if (risk === 'drowns') pulls.drowns = -WORTH.shy;
  if (stands && pulls.soilless_poor === undefined) pulls.stands = WORTH.stands;
  return Object.fromEntries(Object.entries(pulls).filter(([, worth]) => worth !== 0));
}

/**
 * The ways to start a crop for a destination, the best first, each with its figures at one
 * place. Own records of the same crop, way and destination are added to what the book
 * says, and outweigh it from ten seeds on.
 *
 * @param question with seeds, 1 or more
 */
export function rankWays(question: WaysQuestion, house: House): Way[] {
  // Ways in which the same event is watched share one forecast.
  const begun = { tip: factsOfWay(question, 'towel', house), emergence: factsOfWay(question, 'pot', house) };
  return (
    waysTo(question.crop, question.destination)
      .map(({ method, stands }) => wayOf(question, method, stands, begun[methodOf(method).event]))
      .sort((a, b) => b.score - a.score)
      // What leads is praised; of the others it is told what holds them back.
      .map(({ score: _, praise, ...way }, nth) => (nth === 0 ? { ...way, reason: praise } : way))
  );
}
