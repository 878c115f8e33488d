import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** How often chance alone makes sides as uneven as those that were seen. */
export interface ByChance {
  /** Draws made so far. */
  readonly draws: number;
  /** Draws at least as uneven as what was seen. */
  readonly asUneven: number;
  /** (as uneven + 1) / (draws + 1): what was seen is itself one of the ways to draw. */
  readonly chance: number;
}

/** Scores of each side's seeds in one stratum: a rack, say, on which all sides stood; a side may be missing. */
export type Stratum = readonly Float64Array[];

/** Rounding among sums of the same scores. */
const ROUNDING = 1e-9;

/**
 * A test by drawing the sides anew from all seeds together, again and again: in steps, so
 * that it can tell how far it has come and be stopped between them. Seeds are drawn within
 * their stratum only, so that what differs between strata favours no side. Uneven is what
 * the sides' scores add up to, each less the mean of its stratum: Σ (sum of a side)² / n.
 *
 * Source of the count: B. Phipson and G. K. Smyth, "Permutation p-values should never be
 * zero", *Statistical Applications in Genetics and Molecular Biology* 9 (2010) 39.
 *
 * @param strata one for a plain comparison; each with the same sides in the same order
 * @param seed of the random numbers, a whole number
 * @throws RangeError where there are fewer than two sides, strata differ in their number, or a side is empty throughout
 */
export function permutationTest(strata: readonly Stratum[], seed: number) {
  const sides = strata[0]?.length ?? 0;
  if (sides < 2) throw new RangeError('sides: at least two are needed');
  if (strata.some(({ length }) => length !== sides)) throw new RangeError('strata: each needs the same sides');
  const totals = Array.from({ length: sides }, (_, side) =>
    strata.reduce((sum, stratum) => sum + (stratum[side] as Float64Array).length, 0),
  );
  if (totals.some((total) => total === 0)) throw new RangeError('sides: each needs at least one seed');
  const drawn = strata.map((stratum) => ({ scores: centred(stratum), sizes: stratum.map(({ length }) => length) }));
  const random = xoroshiro128plus(seed);
  const sums = new Float64Array(sides);
  const uneven = (): number => {
    sums.fill(0);
    for (const { scores, sizes } of drawn) {
      for (let side = 0, at = 0; side < sides; side++) {
        let sum = 0;
        for (const end = at + (sizes[side] as number); at < end; at++) sum += scores[at] as number;
        sums[side] = (sums[side] as number) + sum;
      }
    }
    return sums.reduce((sum, own, side) => sum + (own * own) / (totals[side] as number), 0);
  };
  const squares = drawn.reduce((sum, { scores }) => scores.reduce((all, score) => all + score * score, sum), 0);
  const seen = uneven() - ROUNDING * Math.max(squares, Number.MIN_VALUE);
  let [draws, asUneven] = [0, 0];
  return {
    /** Draws so many times more. */
    draw(times: number): void {
      for (let time = 0; time < times; time++) {
        for (const { scores } of drawn) shuffle(scores, random);
        if (uneven() >= seen) asUneven++;
      }
      draws += times;
    },
    result: (): ByChance => ({ draws, asUneven, chance: (asUneven + 1) / (draws + 1) }),
  };
}

/** Scores of a stratum one after another, less their mean. */
function centred(stratum: Stratum): Float64Array {
  const scores = Float64Array.from(stratum.flatMap((side) => [...side]));
  const mean = scores.reduce((sum, score) => sum + score, 0) / Math.max(scores.length, 1);
  return scores.map((score) => score - mean);
}

/** Fisher and Yates's shuffle, in place. */
function shuffle(scores: Float64Array, random: ReturnType<typeof xoroshiro128plus>): void {
  for (let index = scores.length - 1; index > 0; index--) {
    const other = uniformInt(random, 0, index);
    const score = scores[index] as number;
    scores[index] = scores[other] as number;
    scores[other] = score;
  }
}

export type PermutationTest = ReturnType<typeof permutationTest>;

/**
 * Chances of several comparisons made at once, raised so that all of them together are
 * wrong no more often than one would be.
 *
 * Source: S. Holm, "A simple sequentially rejective multiple test procedure",
 * *Scandinavian Journal of Statistics* 6 (1979) 65-70.
 *
 * @param chances of each comparison, 0 to 1; @returns in the same order
 */
export function holm(chances: readonly number[]): number[] {
  const rising = chances.map((chance, index) => ({ chance, index })).sort((a, b) => a.chance - b.chance);
  const raised = new Array<number>(chances.length).fill(0);
  let most = 0;
  rising.forEach(({ chance, index }, rank) => {
    most = Math.max(most, Math.min(1, chance * (chances.length - rank)));
    raised[index] = most;
  });
  return raised;
}
