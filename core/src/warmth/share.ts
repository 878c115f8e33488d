import type { Crop } from '../crops/index.js';

type Cells = readonly (readonly [number, number])[];

/** Beyond its outermost temperatures a table runs out to nothing within so much, °C. Rule of thumb, no source. */
const RUNS_OUT_C = 5;

/** From the end of a table outwards: nothing is level beyond what was seen. */
const beyond = ([atC, share]: readonly [number, number], celsius: number): number =>
  share * Math.max(1 - Math.abs(celsius - atC) / RUNS_OUT_C, 0);

/**
 * Share of the living that come at a temperature, 1 at the best: straight lines
 * between tabled temperatures, and to nothing beyond the outermost.
 *
 * Source of the tabled cells: Harrington and Minges (1954), normal seedlings, made
 * to rise to their best and fall from it (a dip between two higher cells is the
 * table's noise); what others come to is told beside their figures.
 *
 * @param cells °C and share, rising in °C
 */
export function shareAt(cells: Cells, celsius: number): number {
  const [first, last] = [cells[0], cells.at(-1)];
  if (!first || !last) return 1;
  if (celsius <= first[0]) return beyond(first, celsius);
  if (celsius >= last[0]) return beyond(last, celsius);
  const above = cells.findIndex(([at]) => at >= celsius);
  const [lowC, low] = cells[above - 1] ?? first;
  const [highC, high] = cells[above] ?? last;
  return low + ((high - low) * (celsius - lowC)) / (highC - lowC);
}

/** Where nothing comes any more for heat, °C: the figure shown to people. The fitted curve's ceiling is a parameter and no limit. */
export const comesBelowC = ({ share, beta }: Crop['temperature']): number => share?.values.at(-1)?.[0] ?? beta.ceilingC;

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
