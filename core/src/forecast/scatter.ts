import { logRising, risingTable, type RisingTable } from '../chance/index.js';
import type { Evidence, QuietGroup } from './evidence.js';
import { quietGroups } from './likelihood.js';

/**
 * A lot keeps to its law to the letter, or it scatters about it: then its own
 * distribution is a Dirichlet process about the law's, with this concentration, as if so
 * many seeds had been drawn from the law and the lot from those. Shares and concentration
 * were found by trying foreign laws (docs/decisions/0022).
 */
const KEEPS_TO_LAW = 0.7;
const CONCENTRATION = 16;
/** Lots of no more seeds keep to their law: they hardly show whether they scatter, and the bands held on foreign laws without it. */
const SMALL_LOT = 12;

/** A rising product over what tips, or what stays quiet, at one of the evidence's tips or quiet groups. */
interface Rising {
  readonly index: number;
  readonly table: RisingTable;
}

/** The likelihood of a lot that scatters: products that rise by 1 with each seed, where the plain one has powers. */
export interface Scatter {
  /** How closely such a lot follows its law all the same, as so many seeds' worth. */
  readonly concentration: number;
  readonly seeds: number;
  readonly tips: readonly Rising[];
  readonly quiet: readonly Rising[];
  /** The quiet group beyond which nothing is known; -1 where every seed has tipped. */
  readonly last: number;
  /** Log of what all cells share. */
  readonly log: number;
}

/** How a lot may follow the laws, before its looks are weighed. */
export interface Following {
  /** Share of lots that scatter. */
  readonly scatters: number;
  /** The likelihood of those; null where none does. */
  readonly scatter: Scatter | null;
}

/** For what one lot teaches of its own packet: the next batch is of the same seed, whatever its shape. */
export const TO_THE_LETTER: Following = { scatters: 0, scatter: null };

/** All seeds of the evidence. */
export const seedsOf = ({ tips, removed, quiet }: Evidence): number =>
  [...tips, ...removed, quiet].reduce((sum, { count }) => sum + count, 0);

/**
 * How a lot with this evidence may follow the laws. Where no product tells it (looks
 * through the bag, intervals that overlap) it is taken by the letter: what is not noticed
 * leaves such a forecast wide enough.
 */
export function followingOf(evidence: Evidence): Following {
  const scatter = seedsOf(evidence) <= SMALL_LOT ? null : scatterOf(evidence);
  return scatter === null ? TO_THE_LETTER : { scatters: 1 - KEEPS_TO_LAW, scatter };
}

/** Seeds known to have been quiet for longer than a group was seen to be: later tips and later groups. */
function longerQuiet({ tips }: Evidence, groups: readonly QuietGroup[], { progress }: QuietGroup): number {
  const later = tips.reduce((sum, { toProgress, count }) => sum + (toProgress > progress ? count : 0), 0);
  return groups.reduce((sum, group) => sum + (group.progress > progress ? group.count : 0), later);
}

/**
 * The parts of a scattered lot's likelihood, with κ its concentration: κ v dF over each
 * interval, rising by its tips, times for each quiet group κ (1 - v F) and the seeds
 * known quiet for longer, rising by its seeds; over κ rising by all (T. S. Ferguson, "A
 * Bayesian analysis of some nonparametric problems", Annals of Statistics 1 (1973)
 * 209-230; for what is censored V. Susarla and J. Van Ryzin, Journal of the American
 * Statistical Association 71 (1976) 897-902).
 *
 * @returns null where it has no such form: looks through the bag, and intervals that overlap
 */
function scatterOf(evidence: Evidence): Scatter | null {
  if (evidence.quiet.through) return null;
  const rising = [...evidence.tips].sort((a, b) => a.fromProgress - b.fromProgress);
  if (rising.some(({ noticed, fromProgress }, nth) => noticed || fromProgress < (rising[nth - 1]?.toProgress ?? 0))) return null;
  const groups = quietGroups(evidence);
  const known = groups.map((group) => longerQuiet(evidence, groups, group));
  const last = known.indexOf(0);
  const table = (first: number, count: number): RisingTable => risingTable(CONCENTRATION, first, count);
  // κ itself stands in every interval, in the last group's first factor, and below the line.
  const atAll = evidence.tips.length + (last < 0 ? 0 : 1) - 1;
  const seeds = seedsOf(evidence);
  return {
    concentration: CONCENTRATION,
    seeds,
    tips: evidence.tips.flatMap(({ count }, index) => (count > 1 ? [{ index, table: table(1, count - 1) }] : [])),
    // Where nothing is known beyond, the first factor may be nothing and is left to each cell.
    quiet: groups.map(({ count }, index) => {
      const longer = known[index] as number;
      return { index, table: longer > 0 ? table(longer, count) : table(1, count - 1) };
    }),
    last,
    log: atAll * Math.log(CONCENTRATION) - logRising(table(1, seeds - 1), Math.sqrt(CONCENTRATION)),
  };
}
