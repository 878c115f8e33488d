import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { turnbull, type CensoredStretch } from '../forecast/index.js';
import type { Difference } from './fisher.js';
import type { Side } from './log-rank.js';

/** The curve need not be sharper than this for a median. */
const SHARP = 1e-6;

/**
 * When half of the seeds that came had come: by the non-parametric curve, straight
 * inside the stretch in which it passes a half, as nobody knows more.
 *
 * @param came stretches in which seeds came, each with an end; on the side's clock
 * @returns null where none came
 */
export function medianOf(came: Side): number | null {
  const known = came.filter(({ count, right }) => count > 0 && right < Infinity);
  if (known.length === 0) return null;
  let below = 0;
  const masses = turnbull(known, SHARP);
  for (const { from, to, mass } of masses) {
    if (below + mass >= 0.5) return from + ((0.5 - below) / mass) * (to - from);
    below += mass;
  }
  return masses.at(-1)?.to ?? null;
}

/** The seeds of a side that came, with how many there are up to each stretch. */
interface Resampled {
  readonly came: Side;
  readonly size: number;
  readonly upTo: Float64Array;
}

function resampled(side: Side): Resampled {
  const came = side.filter(({ count, right }) => count > 0 && right < Infinity);
  let size = 0;
  const upTo = Float64Array.from(came, ({ count }) => (size += count));
  return { came, size, upTo };
}

/** Every seed of a side drawn anew from its own. */
function drawnAnew({ came, size, upTo }: Resampled, random: ReturnType<typeof xoroshiro128plus>): CensoredStretch[] {
  const counts = new Int32Array(came.length);
  for (let seed = 0; seed < size; seed++) {
    const at = uniformInt(random, 0, size - 1);
    let index = 0;
    while ((upTo[index] as number) <= at) index++;
    counts[index] = (counts[index] as number) + 1;
  }
  return came.flatMap((stretch, index) => ((counts[index] as number) > 0 ? [{ ...stretch, count: counts[index] as number }] : []));
}

/** A difference of medians, with how the differences of sides drawn anew lie. */
export interface MedianDifference extends Difference {
  /** {@link SHAPE} of them, evenly spread from the least to the most. */
  readonly shape: readonly number[];
}
const SHAPE = 41;

/** Two sides that stood together: in one place, say. */
export type PairOf<T> = readonly [first: T, second: T];

/**
 * By how much later the first side's middle seed came than the second's, with the
 * interval of as many differences between sides drawn anew from themselves. Of several
 * strata the mean of their differences, by n m / (n + m) of the seeds that came.
 *
 * Source: B. Efron, "Bootstrap methods: another look at the jackknife", *Annals of
 * Statistics* 7 (1979) 1-26; the percentile interval.
 *
 * @param strata one for a plain comparison; those where fewer than two came on a side tell nothing
 * @param draws how often each side is drawn anew; @param seed of the random numbers, a whole number
 * @param confidence inside (0, 1)
 * @returns null where no stratum tells anything
 */
export function medianDifference(strata: readonly PairOf<Side>[], draws: number, seed: number, confidence = 0.95): MedianDifference | null {
  const told = strata.flatMap((pair) => {
    const [first, second] = pair.map(resampled) as [Resampled, Resampled];
    if (first.size < 2 || second.size < 2) return [];
    return [{ first, second, weight: (first.size * second.size) / (first.size + second.size) }];
  });
  if (told.length === 0) return null;
  const whole = told.reduce((sum, { weight }) => sum + weight, 0);
  const mean = (of: (stratum: (typeof told)[number]) => number): number =>
    told.reduce((sum, stratum) => sum + stratum.weight * of(stratum), 0) / whole;
  const random = xoroshiro128plus(seed);
  const anew = (side: Resampled): number => medianOf(drawnAnew(side, random)) as number;
  const differences = Float64Array.from({ length: draws }, () => mean(({ first, second }) => anew(first) - anew(second))).sort();
  const at = (share: number): number => differences[Math.min(Math.max(Math.ceil(share * draws) - 1, 0), draws - 1)] as number;
  const tail = (1 - confidence) / 2;
  const difference = mean(({ first, second }) => (medianOf(first.came) as number) - (medianOf(second.came) as number));
  const shape = Array.from({ length: SHAPE }, (_, nth) => at((nth + 0.5) / SHAPE));
  return { difference, low: at(tail), high: at(1 - tail), shape };
}
