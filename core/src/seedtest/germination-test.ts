import { binomial, exactInterval, wilsonInterval, type Interval } from '../chance/index.js';
import { toleranceOf } from './replicate-tolerance.js';

/** Most seeds that a test is planned with: four hundred are a laboratory's. */
export const MOST_TESTED = 400;

/**
 * Fewest seeds whose Wilson interval is no wider than asked, either way of the
 * rate that is expected.
 *
 * @param expected rate looked for, 0 to 1; @param within half the width, for example 0.1
 * @returns seeds, or null where {@link MOST_TESTED} do not
 */
export function seedsForPrecision(expected: number, within: number, confidence = 0.95): number | null {
  const wide = (n: number): number => {
    const { low, high } = wilsonInterval(expected * n, n, confidence);
    return (high - low) / 2;
  };
  for (let n = 2; n <= MOST_TESTED; n++) if (wide(n) <= within + 1e-12) return n;
  return null;
}

/** A test that passes a lot or fails it. */
export interface PassTest {
  readonly seeds: number;
  /** The lot passes with at least so many. */
  readonly atLeast: number;
  /** Chance that a bad lot passes, and that a good one fails. */
  readonly badPasses: number;
  readonly goodFails: number;
}

/**
 * Smallest test that tells a good lot from a bad one with errors one can live
 * with: single sampling by attributes, with exact binomial chances.
 *
 * @param good rate of a lot worth sowing; @param bad rate of one that is not, less than good
 * @param error chance of either mistake that is put up with, inside (0, 0.5)
 */
export function seedsForDecision(good: number, bad: number, error: number): PassTest | null {
  for (let seeds = 2; seeds <= MOST_TESTED; seeds++) {
    const [fine, poor] = [binomial(seeds, good), binomial(seeds, bad)];
    // From the most seeds down: the fewest that a bad lot hardly reaches.
    let badPasses = 0;
    let atLeast = seeds + 1;
    while (atLeast > 0 && badPasses + (poor[atLeast - 1] as number) <= error) badPasses += poor[--atLeast] as number;
    const goodFails = fine.slice(0, atLeast).reduce((sum, chance) => sum + chance, 0);
    if (goodFails <= error) return { seeds, atLeast, badPasses, goodFails };
  }
  return null;
}

/** Seedlings of a test as a laboratory sorts them; dead seed is soft, hard seed has not drunk, fresh has and waits. */
export const SEEDLING_CLASSES = ['normal', 'abnormal', 'hard', 'fresh', 'dead'] as const;
export type SeedlingClass = (typeof SEEDLING_CLASSES)[number];
export type ClassCounts = Readonly<Record<SeedlingClass, number>>;

/** What a test came to. */
export interface TestResult {
  readonly seeds: number;
  readonly totals: ClassCounts;
  /** Share of normal seedlings: the germination rate. */
  readonly rate: number;
  readonly wilson: Interval;
  readonly exact: Interval;
  readonly replicates: ReplicateCheck | null;
}

/** Whether replicates differ by more than chance. */
export interface ReplicateCheck {
  /** Between the highest and the lowest, percent for 4 × 100 and seeds for any other size. */
  readonly range: number;
  readonly allowed: number;
  readonly agree: boolean;
  readonly by: 'table' | 'binomial';
}

/** A greater range than this comes by chance less often than 1 in 40: the published table's own level. */
const REPLICATE_CHANCE = 0.975;

/**
 * Largest range of replicates that chance explains: the smallest range that as many
 * binomial counts of the same rate keep within at least 39 times in 40. Replicates may
 * differ in size by one; then shares are compared with the smallest's.
 *
 * @param rate overall share, 0 to 1; @param seeds in a replicate; @param replicates 2 or more
 */
export function allowedRange(rate: number, seeds: number, replicates: number): number {
  const chances = binomial(seeds, rate);
  const upTo = Float64Array.from(chances);
  for (let k = 1; k <= seeds; k++) upTo[k] = (upTo[k] as number) + (upTo[k - 1] as number);
  for (let range = 0; range < seeds; range++) {
    // All within [lowest, lowest + range], the lowest being reached.
    let within = 0;
    for (let low = 0; low <= seeds; low++) {
      const below = low === 0 ? 0 : (upTo[low - 1] as number);
      const high = upTo[Math.min(low + range, seeds)] as number;
      within += (high - below) ** replicates - (high - (upTo[low] as number)) ** replicates;
    }
    if (within >= REPLICATE_CHANCE) return range;
  }
  return seeds;
}

/**
 * Whether replicates agree: four of a hundred by the published table (ISTA Table 5B
 * after S. R. Miles, *Proc. ISTA* 28, 1963, from memory), any others by exact
 * binomial limits.
 *
 * @param normal normal seedlings of each; @param seeds seeds in each
 * @returns null for a single replicate
 */
export function replicateCheck(normal: readonly number[], seeds: readonly number[]): ReplicateCheck | null {
  if (normal.length < 2) return null;
  const total = seeds.reduce((sum, n) => sum + n, 0);
  const rate = normal.reduce((sum, k) => sum + k, 0) / total;
  const least = Math.min(...seeds);
  const scaled = normal.map((k, index) => (k / (seeds[index] ?? least)) * least);
  const range = Math.max(...scaled) - Math.min(...scaled);
  const lab = normal.length === 4 && seeds.every((n) => n === 100);
  const tabled = lab ? toleranceOf(Math.round(rate * 100)) : null;
  const allowed = tabled ?? allowedRange(rate, least, normal.length);
  return { range, allowed, agree: range <= allowed + 1e-9, by: tabled === null ? 'binomial' : 'table' };
}

/** Works a final count out. @param counts a replicate each, 1 or more */
export function testResult(counts: readonly ClassCounts[]): TestResult {
  const totals = Object.fromEntries(
    SEEDLING_CLASSES.map((name) => [name, counts.reduce((sum, count) => sum + count[name], 0)]),
  ) as unknown as ClassCounts;
  const sizes = counts.map((count) => SEEDLING_CLASSES.reduce((sum, name) => sum + count[name], 0));
  const seeds = sizes.reduce((sum, size) => sum + size, 0);
  return {
    seeds,
    totals,
    rate: totals.normal / seeds,
    wilson: wilsonInterval(totals.normal, seeds),
    exact: exactInterval(totals.normal, seeds),
    replicates: replicateCheck(
      counts.map(({ normal }) => normal),
      sizes,
    ),
  };
}
