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

/** Rounding among sums of the same scores. */
const ROUNDING = 1e-9;

/**
 * A test by drawing the sides anew from all seeds together, again and again: in steps, so
 * that it can tell how far it has come and be stopped between them. Uneven is what the
 * means of the sides' scores say: Σ n (mean - mean of all)².
 *
 * Source of the count: B. Phipson and G. K. Smyth, "Permutation p-values should never be
 * zero", *Statistical Applications in Genetics and Molecular Biology* 9 (2010) 39.
 *
 * @param sides scores of each side's seeds; at least two sides, each with a seed
 * @param seed of the random numbers, a whole number
 * @throws RangeError where there are fewer than two sides or one is empty
 */
export function permutationTest(sides: readonly Float64Array[], seed: number) {
  if (sides.length < 2) throw new RangeError('sides: at least two are needed');
  if (sides.some(({ length }) => length === 0)) throw new RangeError('sides: each needs at least one seed');
  const scores = Float64Array.from(sides.flatMap((side) => [...side]));
  const mean = scores.reduce((sum, score) => sum + score, 0) / scores.length;
  for (let index = 0; index < scores.length; index++) scores[index] = (scores[index] as number) - mean;
  const sizes = sides.map(({ length }) => length);
  const random = xoroshiro128plus(seed);
  // The last side is what the others leave, and the sum of all is nothing.
  const uneven = (): number => {
    let [at, left, total] = [0, 0, 0];
    for (let side = 0; side < sizes.length - 1; side++) {
      const size = sizes[side] as number;
      let sum = 0;
      for (const end = at + size; at < end; at++) sum += scores[at] as number;
      total += (sum * sum) / size;
      left -= sum;
    }
    return total + (left * left) / (sizes.at(-1) as number);
  };
  const seen =
    uneven() -
    ROUNDING *
      Math.max(
        scores.reduce((sum, score) => sum + score * score, 0),
        Number.MIN_VALUE,
      );
  const drawn = scores.length - (sizes.at(-1) as number);
  let [draws, asUneven] = [0, 0];
  return {
    /** Draws so many times more. */
    draw(times: number): void {
      for (let time = 0; time < times; time++) {
        for (let index = 0; index < drawn; index++) {
          const other = uniformInt(random, index, scores.length - 1);
          const score = scores[index] as number;
          scores[index] = scores[other] as number;
          scores[other] = score;
        }
        if (uneven() >= seen) asUneven++;
      }
      draws += times;
    },
    result: (): ByChance => ({ draws, asUneven, chance: (asUneven + 1) / (draws + 1) }),
  };
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
