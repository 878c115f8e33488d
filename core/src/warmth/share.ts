import type { Crop } from '../crops/index.js';

/**
 * Share of the living that come at a temperature, 1 at the best: straight lines
 * between tabled temperatures, level beyond the outermost.
 *
 * Source of the tabled cells: Harrington and Minges (1954), normal seedlings, made
 * to rise to their best and fall from it (a dip between two higher cells is the
 * table's noise); untabled crops take their nearest tabled relative's.
 *
 * @param cells °C and share, rising in °C
 */
export function shareAt(cells: readonly (readonly [number, number])[], celsius: number): number {
  const above = cells.findIndex(([at]) => at >= celsius);
  if (above === 0) return cells[0]?.[1] ?? 1;
  if (above < 0) return cells.at(-1)?.[1] ?? 1;
  const [lowC, low] = cells[above - 1] ?? [0, 1];
  const [highC, high] = cells[above] ?? [0, 1];
  return low + ((high - low) * (celsius - lowC)) / (highC - lowC);
}

/** Whether more of the living come where it is cooler, or warmer; null where the table knows no better. */
export function betterWay({ temperature }: Pick<Crop, 'temperature'>, celsius: number): 'cooler' | 'warmer' | null {
  const cells = temperature.share?.values ?? [];
  const here = shareAt(cells, celsius);
  const best = cells.reduce((top, [, share]) => Math.max(top, share), 0);
  if (best <= here + WORTH) return null;
  // The nearest of those near the best: it is the way there that is asked for.
  const good = cells.filter(([, share]) => share > best - WORTH);
  const [bestC] = good.reduce((near, cell) => (Math.abs(cell[0] - celsius) < Math.abs(near[0] - celsius) ? cell : near));
  return bestC < celsius ? 'cooler' : 'warmer';
}
/** A share is better by this at the least: less is the table's noise. */
const WORTH = 0.05;
