import type { Crop } from '../crops/index.js';
import {
  TO_THE_LETTER,
  posteriorOf,
  type LotPrior,
  type PastLot,
  type Posterior,
  type Prior,
  type QuietGroup,
  type TipInterval,
} from '../forecast/index.js';
import type { Destination } from '../moving/index.js';
import { rateAt, responseOf, type Rate } from '../warmth/index.js';
import { paceOf } from './pace.js';
import DAYS from './seedling-days.json' with { type: 'json' };
import type { SeedlingStage } from './stages.js';

/** What a seedling comes to from what. A pot shows roots at its base; `size` is when it could go out, and nobody marks it. */
export const STEPS = {
  up: 'moved',
  seed_leaves: 'up',
  true_leaves: 'up',
  roots_out: 'up',
  size: 'up',
} as const satisfies Record<string, SeedlingStage>;
export type Step = keyof typeof STEPS;

interface Row {
  readonly crops: readonly string[];
  readonly from: string;
  readonly to: string;
  readonly days: readonly number[];
  readonly celsius: readonly number[];
  readonly confidence: string;
}
/** Days between stages by crop; `npm test` holds them against reference/seedling_days.csv. */
const TABLE: readonly Row[] = DAYS;

/** The first leaves open so long after the loop, days at 20 °C. Guess. */
const SEED_LEAVES_DAYS = 2.5;
/** Roots are at the base of a cell so long after the true leaf, days at 20 °C. Common practice, no source. */
const FILLS_CELL_DAYS = 8;
/** A larger pot takes so many times as long to fill, counted from when it came up. Guess. */
const FILLS_TIMES: Partial<Record<Destination, number>> = { cup: 1.5, pot: 1.9, terrarium: 2.2 };
/** A pot of half a litre is rooted through so long after potting on, days at 20 °C; smaller and larger ones by {@link FILLS_TIMES} against it. Guess. */
const FILLS_POT_DAYS = 21;
/** Sd of the log of a step's days: between lots where the table names nobody, and between the seedlings of one lot. Guesses. */
const LOTS_LOG_SD = 0.35;
const WITHIN_LOG_SD = { up: 0.3, seed_leaves: 0.3, true_leaves: 0.2, roots_out: 0.2, size: 0.2 } as const;
/** A low and a high of a table hold eight lots in ten: so many sds of the log apart. */
const EIGHT_IN_TEN = 2 * 1.2816;
/** Of those that came up nearly all go on to leaves; as many seedlings' worth as that counts for. Guess. */
const GOES_ON = { mean: 0.97, weight: 12 } as const;

const CONFIDENT = { high: 0, med: 1, low: 2 } as const;
/** The row that knows a crop's step best: the surest, and of those the one nearest to a room's warmth. */
function rowFor(crop: string, from: string, to: string): Row | null {
  const far = ({ celsius: [low = 20, high = 20] }: Row): number => Math.abs((low + high) / 2 - 20);
  const rank = ({ confidence }: Row): number => CONFIDENT[confidence as keyof typeof CONFIDENT];
  const rows = TABLE.filter((row) => row.crops.includes(crop) && row.from === from && row.to === to);
  return rows.sort((a, b) => rank(a) - rank(b) || far(a) - far(b))[0] ?? null;
}

/** Median and sd of the log between lots, days at the pace that is told. */
interface Known {
  readonly days: number;
  readonly logSd: number;
}

/** A row's days counted from when it came up, at the pace that is told. */
function known(crop: Crop, row: Row): Known {
  const [low = 1, high = 1] = row.days;
  const [coolC = 20, warmC = 20] = row.celsius;
  const middleC = (coolC + warmC) / 2;
  const rate = Math.max(paceOf(crop)(middleC), 0.2);
  const { tipAtOptimum, tipToEmergence } = crop.days;
  const unseen = { sown: tipAtOptimum + tipToEmergence, moved: tipToEmergence, up: 0 }[row.from] ?? 0;
  const below = unseen / Math.max(rateAt(responseOf(crop.temperature), middleC), 0.15);
  const median = Math.sqrt(low * high);
  return { days: Math.max(median - below, median * 0.3) * rate, logSd: Math.max(Math.log(high / low) / EIGHT_IN_TEN, 0.12) };
}

const WEEK_DAYS = 7;
function sizeOf(crop: Crop): Known | null {
  const row = rowFor(crop.id, 'sown', 'planting_out');
  if (row) return known(crop, row);
  const { startWeeksBeforeFrost: start, plantOutWeeksAfterFrost: out } = crop.growing;
  if (start === null) return null;
  const middle = (weeks: readonly number[]): number => weeks.reduce((sum, week) => sum + week, 0) / weeks.length;
  const days = (middle(start) + (out === null ? 0 : middle(out))) * WEEK_DAYS - crop.days.tipAtOptimum - crop.days.tipToEmergence;
  return days < WEEK_DAYS ? null : { days, logSd: LOTS_LOG_SD };
}

function trueLeafOf(crop: Crop): Known {
  const row = rowFor(crop.id, 'up', 'true_leaves') ?? rowFor(crop.id, 'moved', 'true_leaves');
  return row ? known(crop, row) : { days: crop.growing.daysToTrueLeaf, logSd: LOTS_LOG_SD };
}

function knownOf(crop: Crop, step: Exclude<Step, 'up'>, destination: Destination): Known | null {
  if (step === 'true_leaves') return trueLeafOf(crop);
  // Where the true leaf unfolds as it comes there is no waiting for a seed leaf.
  if (step === 'seed_leaves') return { days: Math.min(SEED_LEAVES_DAYS, trueLeafOf(crop).days / 2), logSd: LOTS_LOG_SD };
  if (step === 'size') return sizeOf(crop);
  const row = rowFor(crop.id, 'up', 'potting_up') ?? rowFor(crop.id, 'sown', 'potting_up');
  const leaf = trueLeafOf(crop).days + FILLS_CELL_DAYS;
  // Tables speak of pricking out of a common tray: a sprout that has a cell to itself fills it later.
  const cell = row ? { ...known(crop, row), days: Math.max(known(crop, row).days, leaf) } : { days: leaf, logSd: LOTS_LOG_SD };
  return { days: cell.days * (FILLS_TIMES[destination] ?? 1), logSd: cell.logSd };
}

/** The pace at which a step's days pass: below ground as the seed does, above as leaves do. */
export const stepRate = (crop: Crop, step: Step): Rate => {
  const response = responseOf(crop.temperature);
  return step === 'up' ? (celsius) => rateAt(response, celsius) : paceOf(crop);
};

/** A sprout that was moved with its root, and a seed that was planted while it was quiet. */
export interface Planted {
  readonly destination: Destination;
  /** Whether it was potted on since: roots are awaited from then. */
  readonly potted?: boolean;
  readonly proved: boolean;
  /** Chance that one of these comes to be a plant, and as many seedlings' worth as that counts for. */
  readonly survival: { readonly mean: number; readonly weight: number };
}

/**
 * What is known of a step before anybody looked: in days at the crop's optimum for what is
 * below, at {@link paceOf}'s pace above.
 *
 * @returns null for a step that nobody knows of this crop
 */
export function stepPrior(crop: Crop, step: Step, { destination, potted = false, proved, survival }: Planted): LotPrior | null {
  const spread = { median: WITHIN_LOG_SD[step], logSd: 0.4 };
  if (step === 'up') {
    const { tipAtOptimum, tipToEmergence, logSpread } = crop.days;
    const days = proved ? tipToEmergence : tipAtOptimum + tipToEmergence;
    return {
      share: survival,
      logMedian: { mean: Math.log(days), sd: LOTS_LOG_SD },
      spread: proved ? spread : { median: logSpread, logSd: 0.4 },
      known: [],
    };
  }
  const filled = { days: (FILLS_POT_DAYS * (FILLS_TIMES[destination] ?? 1)) / (FILLS_TIMES.pot ?? 1), logSd: LOTS_LOG_SD };
  const found = potted && step === 'roots_out' ? filled : knownOf(crop, step, destination);
  return found && { share: GOES_ON, logMedian: { mean: Math.log(found.days), sd: found.logSd }, spread, known: [] };
}

/** A seedling as it bears on a step: between which progresses it got there, or that it was seen not to be there. */
export interface StepSeen {
  /** Seen short of it for the last time; 0 is where the step begins. */
  readonly fromProgress: number;
  /** Seen there for the first time; null where it is awaited still, or was lost on the way. */
  readonly toProgress: number | null;
}

const APART = 1e-6;
/** Counts what lies at the same progress together: the arithmetic asks each group once. */
function grouped<T>(all: readonly T[], key: (one: T) => string): { readonly one: T; readonly count: number }[] {
  const found = new Map<string, { one: T; count: number }>();
  for (const one of all) {
    const own = found.get(key(one));
    if (own) own.count++;
    else found.set(key(one), { one, count: 1 });
  }
  return [...found.values()];
}

/**
 * What seedlings say of a step by the arithmetic of tips: who got there did so between two
 * looks, who is awaited, given away or lost on the way is censored when last seen.
 */
export function stepPosterior(prior: Prior, seen: readonly StepSeen[]): Posterior {
  const near = (progress: number): number => Math.round(progress / APART);
  const there = seen.filter((one): one is StepSeen & { toProgress: number } => one.toProgress !== null);
  const tips: TipInterval[] = grouped(there, ({ fromProgress, toProgress }) => `${near(fromProgress)} ${near(toProgress)}`).map(
    ({ one, count }) => ({ fromProgress: one.fromProgress, toProgress: Math.max(one.toProgress, one.fromProgress + APART), count }),
  );
  const quiet: QuietGroup[] = grouped(
    seen.filter(({ toProgress }) => toProgress === null),
    ({ fromProgress }) => String(near(fromProgress)),
  ).map(({ one, count }) => ({ progress: one.fromProgress, count }));
  const [last = { progress: 0, count: 0 }, ...removed] = quiet;
  return posteriorOf({ tips, removed, quiet: last, lastSeenMs: 0 }, prior, TO_THE_LETTER);
}

/** Before a tray taught anything its median may lie this far off, sd of the log. */
const OPEN_LOG_SD = 0.6;
const FLAT = { mean: 0.5, weight: 2 } as const;

/**
 * What a tray that is through with a step teaches the next ones: its pace against the book's,
 * as its own marks alone say.
 *
 * @param prior the book's
 * @returns null where nobody was seen to get there
 */
export function stepLesson(prior: LotPrior, seen: readonly StepSeen[], labels: Pick<PastLot, 'packet' | 'crop' | 'spot'>): PastLot | null {
  if (!seen.some(({ toProgress }) => toProgress !== null)) return null;
  const { columns, shares } = stepPosterior({ ...prior, share: FLAT, logMedian: { ...prior.logMedian, sd: OPEN_LOG_SD } }, seen);
  const moments = (valueOf: (column: (typeof columns)[number]) => number): { mean: number; sd: number } => {
    let [mean, square] = [0, 0];
    for (const column of columns) {
      const weight = column.weights.reduce((sum, one) => sum + one, 0);
      const value = valueOf(column);
      mean += weight * value;
      square += weight * value * value;
    }
    return { mean, sd: Math.sqrt(Math.max(square - mean * mean, 1e-6)) };
  };
  const shift = moments(({ logMedian }) => logMedian - prior.logMedian.mean);
  const lived = columns.reduce((sum, { weights }) => sum + weights.reduce((own, weight, i) => own + weight * (shares[i] ?? 0), 0), 0);
  return {
    ...labels,
    shift,
    logSpread: moments(({ spread }) => Math.log(spread)),
    share: { lived: lived * seen.length, died: (1 - lived) * seen.length },
  };
}
