import QuickLRU from 'quick-lru';
import { nearestDistance, type Spot } from './places.js';
import { spreadOut } from './spread-out.js';

/** Seeds laid out, and how far apart the nearest two lie. */
export interface Layout {
  readonly spots: readonly Spot[];
  readonly nearestMm: number;
}

const MARGIN_MM = 14;
/** Up to so many seeds are spread out freely; more lie best in rows anyway. */
const MOST_SPREAD = 30;
const WORTH_IT = 1.015;
const ROWS_TRIED = 6;

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

/** Drawings ask for the same few panes again and again. */
const known = new QuickLRU<string, Layout>({ maxSize: 60 });

/**
 * Lays seeds on a pane as far apart as can be, in rows where these come near it, the same way every time.
 *
 * @param seeds 1 to 400
 * @param widthMm pane width; @param heightMm pane height
 * @throws RangeError where the pane is smaller than its margins
 */
export function layOut(seeds: number, widthMm: number, heightMm: number): Layout {
  if (!(widthMm > 2 * MARGIN_MM && heightMm > 2 * MARGIN_MM)) {
    throw new RangeError(`widthMm and heightMm: a pane must be larger than ${2 * MARGIN_MM} mm each way`);
  }
  const key = `${seeds} ${widthMm} ${heightMm}`;
  const found = known.get(key) ?? laidOut(seeds, widthMm, heightMm);
  known.set(key, found);
  return found;
}

function laidOut(seeds: number, widthMm: number, heightMm: number): Layout {
  let best: Layout = { spots: [], nearestMm: -1 };
  const rows = candidates(seeds).map((sizes) => {
    const spots = rowsOf(sizes, widthMm, heightMm);
    return { spots, nearestMm: nearestDistance(spots) };
  });
  for (const layout of rows) if (layout.nearestMm > best.nearestMm + 1e-9) best = layout;
  if (seeds > MOST_SPREAD) return best;
  const moved = (spots: readonly Spot[], by: number): Spot[] => spots.map(({ xMm, yMm }) => ({ xMm: xMm + by, yMm: yMm + by }));
  const starts = [...rows].sort((a, b) => b.nearestMm - a.nearestMm).slice(0, ROWS_TRIED);
  const spread = moved(
    spreadOut(
      seeds,
      widthMm - 2 * MARGIN_MM,
      heightMm - 2 * MARGIN_MM,
      starts.map(({ spots }) => moved(spots, -MARGIN_MM)),
    ),
    MARGIN_MM,
  );
  const nearestMm = nearestDistance(spread);
  // Rows are easier to lay and to read: they give way only to a real gain.
  return nearestMm > best.nearestMm * WORTH_IT ? { spots: spread, nearestMm } : best;
}

/**
 * Room a seed needs so that late roots do not meet: seed length and twice the
 * root length at which it is late.
 *
 * @returns mm between centres
 */
export const spacingNeededMm = (seedLengthMm: number, lateMm: number): number => seedLengthMm + 2 * lateMm;
