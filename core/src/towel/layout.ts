/** A place on the towel, mm from the left and the top of the folded pane. */
export interface Spot {
  readonly xMm: number;
  readonly yMm: number;
}

/** Seeds laid out, and how far apart the nearest two lie. */
export interface Layout {
  readonly spots: readonly Spot[];
  readonly nearestMm: number;
}

const MARGIN_MM = 14;

/** Rows of the given sizes, every second one shifted by half a step where the sizes alternate. */
function rowsOf(sizes: readonly number[], widthMm: number, heightMm: number): Spot[] {
  const innerWidth = widthMm - 2 * MARGIN_MM;
  const innerHeight = heightMm - 2 * MARGIN_MM;
  const most = Math.max(...sizes);
  return sizes.flatMap((size, row) => {
    const y = sizes.length === 1 ? heightMm / 2 : MARGIN_MM + (innerHeight * row) / (sizes.length - 1);
    const step = most === 1 ? 0 : innerWidth / (most - 1);
    const start = widthMm / 2 - (step * (size - 1)) / 2;
    return Array.from({ length: size }, (_, column) => ({ xMm: start + step * column, yMm: y }));
  });
}

/** Least distance between any two places, mm; Infinity for one. */
export function nearestDistance(spots: readonly Spot[]): number {
  let nearest = Infinity;
  spots.forEach((a, i) => {
    for (const b of spots.slice(i + 1)) nearest = Math.min(nearest, Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm));
  });
  return nearest;
}

/** Ways to split seeds into rows: even, and alternating by one as bricks lie. */
function candidates(seeds: number): number[][] {
  const result: number[][] = [];
  for (let rows = 1; rows <= Math.min(seeds, 24); rows++) {
    const base = Math.floor(seeds / rows);
    const extra = seeds - base * rows;
    if (base === 0) continue;
    // Longer rows spread evenly among the shorter ones.
    result.push(
      Array.from({ length: rows }, (_, row) => base + (Math.floor(((row + 1) * extra) / rows) - Math.floor((row * extra) / rows))),
    );
    for (const first of [0, 1]) {
      const long = Math.floor((rows + 1 - first) / 2);
      const size = (seeds + (rows - long)) / rows;
      if (Number.isInteger(size) && size >= 2) {
        result.push(Array.from({ length: rows }, (_, row) => (row % 2 === first ? size : size - 1)));
      }
    }
  }
  return result;
}

/**
 * Lays seeds on a pane as far apart as rows allow, the same way every time.
 *
 * @param seeds 1 to 400
 * @param widthMm pane width; @param heightMm pane height
 * @throws RangeError where the pane is smaller than its margins
 */
export function layOut(seeds: number, widthMm: number, heightMm: number): Layout {
  if (!(widthMm > 2 * MARGIN_MM && heightMm > 2 * MARGIN_MM)) {
    throw new RangeError(`widthMm and heightMm: a pane must be larger than ${2 * MARGIN_MM} mm each way`);
  }
  let best: Layout = { spots: [], nearestMm: -1 };
  for (const sizes of candidates(seeds)) {
    const spots = rowsOf(sizes, widthMm, heightMm);
    const nearestMm = nearestDistance(spots);
    if (nearestMm > best.nearestMm + 1e-9) best = { spots, nearestMm };
  }
  return best;
}

/**
 * Room a seed needs so that late roots do not meet: seed length and twice the
 * root length at which it is late.
 *
 * @returns mm between centres
 */
export const spacingNeededMm = (seedLengthMm: number, lateMm: number): number => seedLengthMm + 2 * lateMm;
