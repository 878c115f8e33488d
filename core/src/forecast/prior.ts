import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import type { Crop } from '../crops/index.js';
import type { WatchedEvent } from '../method/index.js';
import { TIP_LAWS } from './tip-law.js';

/** What is known of a lot before its first look. */
export interface Prior {
  /** Living share of the lot: mean and weight (as many seeds' worth) of its beta. */
  readonly share: { readonly mean: number; readonly weight: number };
  /** Natural log of the median progress to the tip, and its sd between lots. */
  readonly logMedian: { readonly mean: number; readonly sd: number };
  /** Spread within the lot: median of the sd of log progress, and the sd of its log. */
  readonly spread: {
    readonly median: number;
    readonly logSd: number;
    /** Share of lots that come much closer together than that; absent where none is to be thought of. */
    readonly tight?: number;
  };
  /** Weights of {@link TIP_LAWS}, where closed batches told how many straggle; absent where none did. */
  readonly laws?: readonly number[];
}

/** One thing that was known of a lot before its first look, as figures. */
export type KnownFact =
  /** Rate of the packet, or of the crop's book where `source` names it. */
  | { readonly what: 'rate'; readonly percent: number; readonly crop: string; readonly source: string | null }
  | { readonly what: 'age'; readonly calendarYears: number; readonly agedYears: number; readonly percent: number }
  | { readonly what: 'days'; readonly seen: WatchedEvent; readonly days: number }
  /** A germination test of the packet, by its number, and what it came to. */
  | { readonly what: 'test'; readonly number: number; readonly normal: number; readonly seeds: number }
  /** Finished batches of the packet and of its crop, and the shift of the log median that they teach. */
  | { readonly what: 'records'; readonly packet: number; readonly crop: number; readonly shift: number };

/** A prior that can say where it comes from. */
export interface LotPrior extends Prior {
  readonly known: readonly KnownFact[];
}

/** What a packet and a way of sprouting say before any look. */
export interface PacketFacts {
  /** Rate printed on the packet, 0 to 1: of normal seedlings in a laboratory. */
  readonly printedRate: number | null;
  /** Years by which it has aged since its harvest, its store considered; null where nobody knows. */
  readonly ageYears: number | null;
  /** Calendar years, where its store has aged it by another pace. */
  readonly calendarYears?: number | null;
  /** On a towel the tip is watched; elsewhere, what comes up. */
  readonly seen: WatchedEvent;
}

/** Lots differ by this sd of log median; less is known of crops whose days are a guess. */
const LOT_LOG_SD = { high: 0.38, med: 0.42, low: 0.52 } as const;
/** Tips to a hundred normal seedlings less those of a lot that fails the packet's promise: a starting point that held up. */
const TIPS_OF_NORMAL = 0.97;
const SHARE_WEIGHT = 6;
const LEAST_WEIGHT = 1.5;
const SPREAD_LOG_SD = 0.4;
/** Of lots that nothing is known of, so many come all but together (docs/decisions/0022). */
const TIGHT_LOTS = 0.15;
/** Sd of the log of the delay from tip to emergence. Guess. */
const DELAY_LOG_SD = 0.3;

/**
 * Share of its first rate that seed keeps: four in five at the tabled storage
 * life, three in ten at twice that. Guess, shaped on what "storage life" is
 * commonly taken to mean (Harrington's list in Knott's Handbook, from memory).
 */
export const agedShare = (ageYears: number, storageYears: number): number =>
  Math.exp(-0.223 * (Math.max(ageYears, 0) / storageYears) ** 2.4);

/** How well a store's ageing is known: sd of the log of the years. Guess. */
const AGE_LOG_SD = 0.35;
/** Nodes and weights of the normal distribution for a mean over it (five points, Gauss-Hermite). */
const NORMAL_NODES = [
  [-2.857, 0.01126],
  [-1.3556, 0.22208],
  [0, 0.53333],
  [1.3556, 0.22208],
  [2.857, 0.01126],
] as const;

/** Mean and sd of the share that is kept, the years being known only roughly: old seed surprises both ways. */
export function agedShares(ageYears: number, storageYears: number): { mean: number; sd: number } {
  let mean = 0;
  let square = 0;
  for (const [z, weight] of NORMAL_NODES) {
    const share = agedShare(ageYears * Math.exp(AGE_LOG_SD * z), storageYears);
    mean += weight * share;
    square += weight * share ** 2;
  }
  return { mean, sd: Math.sqrt(Math.max(square - mean ** 2, 0)) };
}

/** Keeps a mean inside what a beta can hold. */
const inside = (mean: number): number => Math.min(Math.max(mean, 0.02), 0.98);

/** The beta of fresh seed, widened by what is not known of its ageing. */
function shareOf(fresh: number, aged: number, agedSd: number): Prior['share'] {
  const mean = inside(fresh * aged);
  const spread = (mean * (1 - mean)) / (SHARE_WEIGHT + 1) + (fresh * agedSd) ** 2;
  return { mean, weight: Math.max((mean * (1 - mean)) / spread - 1, LEAST_WEIGHT) };
}

/** The prior from the book and the packet alone. */
export function bookPrior(crop: Crop, { printedRate, ageYears, calendarYears = ageYears, seen }: PacketFacts): LotPrior {
  const rate = printedRate ?? crop.viability.share;
  const { mean: aged, sd: agedSd } = ageYears === null ? { mean: 1, sd: 0 } : agedShares(ageYears, crop.viability.storageYears);
  const delay = seen === 'emergence' ? crop.days.tipToEmergence : 0;
  const days = crop.days.tipAtOptimum + delay;
  const percent = Math.round(rate * 100);
  const known: KnownFact[] = [{ what: 'rate', percent, crop: crop.name, source: printedRate === null ? crop.viability.source : null }];
  if (aged < 0.97 && ageYears !== null)
    known.push({ what: 'age', calendarYears: calendarYears ?? ageYears, agedYears: ageYears, percent: Math.round(aged * 100) });
  known.push({ what: 'days', seen, days });
  return {
    share: shareOf(TIPS_OF_NORMAL * rate, aged, agedSd),
    logMedian: { mean: Math.log(days), sd: Math.hypot(LOT_LOG_SD[crop.days.confidence], DELAY_LOG_SD * (delay / days)) },
    spread: { median: crop.days.logSpread, logSd: SPREAD_LOG_SD, tight: TIGHT_LOTS },
    known,
  };
}

/** A finished batch as it bears on the next one. The labels only say what is the same. */
export interface PastLot {
  readonly packet: string;
  readonly crop: string;
  readonly spot: string;
  /** Log of its median over the book's, with the sd that its looks left. */
  readonly shift: { readonly mean: number; readonly sd: number };
  readonly logSpread: { readonly mean: number; readonly sd: number };
  /** What its looks say of its living share, as if so many had lived and so many not. */
  readonly share: { readonly lived: number; readonly died: number };
  /** The germination test that it was, where it was one. */
  readonly test?: { readonly number: number; readonly normal: number; readonly seeds: number };
  /** How well each of {@link TIP_LAWS} tells it, weights that sum to 1; absent where it was read before they were kept. */
  readonly laws?: readonly number[];
  /** Share of what lived in it that the same packet has kept since; all, where nothing is said. */
  readonly kept?: number;
}

/** Where lots' differences lie, as shares of their variance. Guess; the sum is 1. */
const VARIANCE = { crop: 0.3, packet: 0.32, spot: 0.08, batch: 0.3 } as const;
/** Another sample of the same packet counts for this much of a seed of this one; another packet of the crop for less. */
const SAME_PACKET = 0.7;
const SAME_CROP = 0.12;
const MOST_FROM_CROP = 6;
const SPREAD_BETWEEN_LOTS = 0.3;

/**
 * Narrows a prior by finished batches: the same packet tells rate and pace, the
 * same crop pace and spread, the same spot a bias of its thermometer. Paces are
 * conditioned on together as one multivariate normal.
 *
 * @param past at most a few dozen; the caller picks those of the packet, the crop and the spot
 */
export function learn(book: LotPrior, here: Pick<PastLot, 'packet' | 'crop' | 'spot'>, past: readonly PastLot[]): LotPrior {
  if (past.length === 0) return book;
  const variance = book.logMedian.sd ** 2;
  const shared = (a: typeof here, b: typeof here): number =>
    variance *
    ((a.crop === b.crop ? VARIANCE.crop : 0) +
      (a.crop === b.crop && a.packet === b.packet ? VARIANCE.packet : 0) +
      (a.spot === b.spot ? VARIANCE.spot : 0));
  const between = new Matrix(
    past.map((a, i) => past.map((b, j) => shared(a, b) + (i === j ? variance * VARIANCE.batch + a.shift.sd ** 2 : 0))),
  );
  const withHere = Matrix.columnVector(past.map((lot) => shared(here, lot)));
  const weights = new CholeskyDecomposition(between).solve(withHere).to1DArray();
  const shift = past.reduce((sum, lot, index) => sum + (weights[index] ?? 0) * lot.shift.mean, 0);
  const explained = past.reduce((sum, lot, index) => sum + (weights[index] ?? 0) * shared(here, lot), 0);
  return {
    share: learnShare(book, here, past),
    logMedian: { mean: book.logMedian.mean + shift, sd: Math.sqrt(Math.max(variance - explained, 0.01)) },
    spread: learnSpread(book, here, past),
    laws: learnLaws(here, past),
    known: [...book.known, ...learntFrom(here, past, shift)],
  };
}

function learnShare(book: LotPrior, here: Pick<PastLot, 'packet' | 'crop'>, past: readonly PastLot[]): Prior['share'] {
  const count = (lots: readonly PastLot[], worth: number) =>
    lots.reduce(
      (sum, { share, packet, kept = 1 }) => {
        // Only the packet itself has gone on ageing in its store.
        const lived = share.lived * (packet === here.packet ? kept : 1);
        return { lived: sum.lived + worth * lived, died: sum.died + worth * (share.lived + share.died - lived) };
      },
      { lived: 0, died: 0 },
    );
  const own = count(
    past.filter((lot) => lot.packet === here.packet),
    SAME_PACKET,
  );
  const others = count(
    past.filter((lot) => lot.crop === here.crop && lot.packet !== here.packet),
    SAME_CROP,
  );
  const limit = Math.min(1, MOST_FROM_CROP / Math.max(others.lived + others.died, 1e-9));
  const lived = book.share.mean * book.share.weight + own.lived + limit * others.lived;
  const weight = book.share.weight + own.lived + own.died + limit * (others.lived + others.died);
  return { mean: inside(lived / weight), weight };
}

function learnSpread(book: LotPrior, here: Pick<PastLot, 'crop'>, past: readonly PastLot[]): Prior['spread'] {
  let precision = 1 / book.spread.logSd ** 2;
  let sum = precision * Math.log(book.spread.median);
  for (const { crop, logSpread } of past) {
    if (crop !== here.crop) continue;
    const worth = 1 / (SPREAD_BETWEEN_LOTS ** 2 + logSpread.sd ** 2);
    precision += worth;
    sum += worth * logSpread.mean;
  }
  // The next lot still differs from the crop's own mean.
  const { logSd, tight = 0 } = book.spread;
  return {
    median: Math.exp(sum / precision),
    logSd: Math.min(Math.hypot(Math.sqrt(1 / precision), 0.2), logSd),
    // The better a crop's own spread is known, the less room there is for a surprise.
    tight: tight / (precision * logSd ** 2),
  };
}

/** The laws' own weights count for so many lots; a lot of the packet, the crop or only the household for less than one. Guess. */
const LAWS_WEIGHT = 4;
const LAW_WORTH = { packet: 1, crop: 0.6, household: 0.1 } as const;

/** How many straggle, from closed batches of the packet, the crop and the household. */
function learnLaws(here: Pick<PastLot, 'packet' | 'crop'>, past: readonly PastLot[]): number[] {
  const weights = TIP_LAWS.map(({ weight }) => LAWS_WEIGHT * weight);
  for (const { packet, crop, laws } of past) {
    const worth = LAW_WORTH[packet === here.packet ? 'packet' : crop === here.crop ? 'crop' : 'household'];
    laws?.forEach((share, index) => (weights[index] = (weights[index] ?? 0) + worth * share));
  }
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return weights.map((weight) => weight / total);
}

function learntFrom(here: Pick<PastLot, 'packet' | 'crop'>, past: readonly PastLot[], shift: number): KnownFact[] {
  const tests = past.flatMap(({ packet, test }): KnownFact[] => (packet === here.packet && test ? [{ what: 'test', ...test }] : []));
  const packet = past.filter((lot) => lot.packet === here.packet).length;
  const crop = past.filter((lot) => lot.crop === here.crop).length - packet;
  return packet + crop === 0 ? [] : [...tests, { what: 'records', packet, crop, shift }];
}
