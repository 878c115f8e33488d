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
