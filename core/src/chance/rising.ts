import gammaln from '@stdlib/math-base-special-gammaln';
import QuickLRU from 'quick-lru';

/** Steps of the table, even in the square root of y: its bend lies where y is small. */
const STEPS = 256;

/** Tables by y's end, first factor and count: a forecast asks for the same few in every cell. */
const tables = new QuickLRU<string, RisingTable>({ maxSize: 512 });

/** Log of a rising product by the square root of its y. */
export interface RisingTable {
  /** Values at even steps of the root, one more than steps. */
  readonly logs: Float64Array;
  /** Steps a unit of the root. */
  readonly perRoot: number;
}

/**
 * Log of the rising product (y + first)(y + first + 1) … (y + first + count - 1),
 * tabulated for y in [0, most] with straight lines between; the error is below 2e-3.
 *
 * @param first 1 or more; @param count factors, 0 or more
 */
export function risingTable(most: number, first: number, count: number): RisingTable {
  const key = `${most} ${first} ${count}`;
  const known = tables.get(key);
  if (known) return known;
  const perRoot = STEPS / Math.sqrt(most);
  const logs = Float64Array.from({ length: STEPS + 2 }, (_, step) => {
    const y = (step / perRoot) ** 2;
    return gammaln(y + first + count) - gammaln(y + first);
  });
  const table = { logs, perRoot };
  tables.set(key, table);
  return table;
}

/** The log of the product at y. @param root square root of y, within the table's reach */
export function logRising({ logs, perRoot }: RisingTable, root: number): number {
  const position = root * perRoot;
  const below = position | 0;
  const at = logs[below] as number;
  return at + ((logs[below + 1] as number) - at) * (position - below);
}
