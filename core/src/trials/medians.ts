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

/** Every seed of a side drawn anew from its own. */
function drawnAnew(side: Side, size: number, upTo: Float64Array, random: ReturnType<typeof xoroshiro128plus>): CensoredStretch[] {
  const counts = new Int32Array(side.length);
  for (let seed = 0; seed < size; seed++) {
    const at = uniformInt(random, 0, size - 1);
    let index = 0;
    while ((upTo[index] as number) <= at) index++;
    counts[index] = (counts[index] as number) + 1;
  }
  return side.flatMap((stretch, index) => ((counts[index] as number) > 0 ? [{ ...stretch, count: counts[index] as number }] : []));
}

/**
 * By how much later the first side's middle seed came than the second's, with the
 * interval of as many differences between sides drawn anew from themselves.
 *
 * Source: B. Efron, "Bootstrap methods: another look at the jackknife", *Annals of
 * Statistics* 7 (1979) 1-26; the percentile interval.
 *
 * @param draws how often each side is drawn anew; @param seed of the random numbers, a whole number
 * @param confidence inside (0, 1)
 * @returns null where on either side fewer than two came
 */
export function medianDifference(first: Side, second: Side, draws: number, seed: number, confidence = 0.95): Difference | null {
  const sides = [first, second].map((side) => {
    const came = side.filter(({ count, right }) => count > 0 && right < Infinity);
    let size = 0;
    const upTo = Float64Array.from(came, ({ count }) => (size += count));
    return { came, size, upTo, median: medianOf(came) };
  });
  const [own, other] = sides as [(typeof sides)[number], (typeof sides)[number]];
  if (own.median === null || other.median === null || own.size < 2 || other.size < 2) return null;
  const random = xoroshiro128plus(seed);
  const differences = Float64Array.from({ length: draws }, () => {
    const [a, b] = [own, other].map(({ came, size, upTo }) => medianOf(drawnAnew(came, size, upTo, random)) as number);
    return (a as number) - (b as number);
  }).sort();
  const at = (share: number): number => differences[Math.min(Math.max(Math.ceil(share * draws) - 1, 0), draws - 1)] as number;
  const tail = (1 - confidence) / 2;
  return { difference: own.median - other.median, low: at(tail), high: at(1 - tail) };
}
