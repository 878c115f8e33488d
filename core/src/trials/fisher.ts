import gammaln from '@stdlib/math-base-special-gammaln';
import { wilsonInterval, type Interval } from '../chance/index.js';

/** So many of so many. */
export interface CountOf {
  readonly came: number;
  readonly of: number;
}

/** Chances of a table as uneven as this one, or more so, where both sides are the same. */
export interface FisherChances {
  /** The first side has so many or more. */
  readonly firstMore: number;
  /** The first side has so many or fewer. */
  readonly firstFewer: number;
  /** Any table that is no likelier than this one. */
  readonly either: number;
}

/** Chances that differ by less than this share are alike: rounding must not leave out the table itself. */
export const ALIKE = 1 + 1e-7;

const logChoose = (n: number, k: number): number => gammaln(n + 1) - gammaln(k + 1) - gammaln(n - k + 1);

/** Chances of all tables where so many came in all: of the first side's counts, from the least that is possible on. */
export function tablesOf(first: number, second: number, came: number): Float64Array {
  const whole = logChoose(first + second, came);
  const least = Math.max(0, came - second);
  return Float64Array.from({ length: Math.min(first, came) - least + 1 }, (_, index) =>
    Math.exp(logChoose(first, least + index) + logChoose(second, came - least - index) - whole),
  );
}

function checkedCount(name: string, { came, of }: CountOf): void {
  if (!Number.isInteger(of) || of < 1) throw new RangeError(`${name}.of must be a whole number, 1 or more`);
  if (!Number.isInteger(came) || came < 0 || came > of) throw new RangeError(`${name}.came must be a whole number from 0 to ${of}`);
}

/**
 * Fisher's exact test of two shares: all tables with the same margins, by their
 * hypergeometric chances.
 *
 * Source: R. A. Fisher, *The Design of Experiments* (1935), chapter 2; both sides by
 * adding up the tables that are no likelier, as is usual.
 *
 * @throws RangeError where a side has no seeds or more came than there were
 */
export function fisherExact(first: CountOf, second: CountOf): FisherChances {
  checkedCount('first', first);
  checkedCount('second', second);
  const came = first.came + second.came;
  const least = Math.max(0, came - second.of);
  const tables = tablesOf(first.of, second.of, came);
  const own = tables[first.came - least] as number;
  let [firstMore, firstFewer, either] = [0, 0, 0];
  tables.forEach((chance, index) => {
    if (least + index >= first.came) firstMore += chance;
    if (least + index <= first.came) firstFewer += chance;
    if (chance <= own * ALIKE) either += chance;
  });
  return { firstMore: Math.min(firstMore, 1), firstFewer: Math.min(firstFewer, 1), either: Math.min(either, 1) };
}

/** A difference with the stretch that holds it. */
export interface Difference extends Interval {
  readonly difference: number;
}

/**
 * First share less second, with the interval that combines both sides' score intervals.
 *
 * Source: R. G. Newcombe, "Interval estimation for the difference between independent
 * proportions", *Statistics in Medicine* 17 (1998) 873-890, method 10.
 *
 * @param confidence inside (0, 1)
 * @throws RangeError as {@link fisherExact}
 */
export function shareDifference(first: CountOf, second: CountOf, confidence = 0.95): Difference {
  checkedCount('first', first);
  checkedCount('second', second);
  const [p, q] = [first.came / first.of, second.came / second.of];
  const own = wilsonInterval(first.came, first.of, confidence);
  const other = wilsonInterval(second.came, second.of, confidence);
  return {
    difference: p - q,
    low: p - q - Math.hypot(p - own.low, other.high - q),
    high: p - q + Math.hypot(own.high - p, q - other.low),
  };
}

/**
 * The same within each of several strata: the mean of their differences by n m / (n + m),
 * and their intervals' reaches added up by their squares.
 *
 * Source: G. Y. Zou and A. Donner, "Construction of confidence limits about effect
 * measures: a general approach", *Statistics in Medicine* 27 (2008) 1693-1702.
 *
 * @param strata with seeds on both sides
 * @throws RangeError where there is none
 */
export function shareDifferenceWithin(strata: readonly (readonly [CountOf, CountOf])[], confidence = 0.95): Difference {
  if (strata.length === 0) throw new RangeError('strata: at least one with both sides is needed');
  const told = strata.map(([first, second]) => ({
    ...shareDifference(first, second, confidence),
    weight: (first.of * second.of) / (first.of + second.of),
  }));
  const whole = told.reduce((sum, { weight }) => sum + weight, 0);
  const difference = told.reduce((sum, one) => sum + one.weight * one.difference, 0) / whole;
  return {
    difference,
    low: difference - Math.hypot(...told.map((one) => one.weight * (one.difference - one.low))) / whole,
    high: difference + Math.hypot(...told.map((one) => one.weight * (one.high - one.difference))) / whole,
  };
}
