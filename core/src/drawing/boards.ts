const HOUR_MS = 3_600_000;

/** Hours from now at which half a board's near part is passed: what is near has room, what is far is drawn together. */
const NEAR_HOURS = 12;
/** The board reaches so far ahead, hours; what comes later stands at its end. */
export const BOARD_HOURS = 14 * 24 + 48;
/** What has been ready so long stands at the very edge, hours. */
const EDGE_HOURS = 36;

/** Where the moments of a board lie. */
export interface BoardScale {
  readonly width: number;
  /** Where now is; left of it stands what is to be moved. */
  readonly nowX: number;
  /** Place of a moment, px, within the board. */
  x(ms: number): number;
}

/**
 * The scale of a board: now near its left edge, days ahead drawn together the further
 * they lie.
 *
 * @param width of the board, px, above 0
 * @param nowX where now is, px
 */
export function boardScale(nowMs: number, width: number, nowX: number): BoardScale {
  const far = Math.log1p(BOARD_HOURS / NEAR_HOURS);
  const edge = Math.log1p(EDGE_HOURS / NEAR_HOURS);
  return {
    width,
    nowX,
    x(ms) {
      const hours = (ms - nowMs) / HOUR_MS;
      const place =
        hours >= 0
          ? nowX + (Math.log1p(hours / NEAR_HOURS) / far) * (width - nowX)
          : nowX - (Math.log1p(-hours / NEAR_HOURS) / edge) * nowX;
      return Math.min(Math.max(place, 0), width);
    },
  };
}

/** Something that is to stand on a board: its drawing about a place, its name beside or above it. */
export interface ToStand {
  /** Where the middle of its drawing belongs, px. */
  readonly x: number;
  readonly drawing: number;
  /** Of its name, px. */
  readonly name: number;
}
/** Where it stands. */
export interface Stood {
  /** Left edge of its drawing, px. */
  readonly left: number;
  /** Left edge of its name, px. */
  readonly nameLeft: number;
  /** Which row of the board, 0 on the board itself. */
  readonly lane: number;
}

/** Between two neighbours, px. */
const GAP = 10;

/**
 * Stands things on a board so that neither drawings nor names meet: each where it
 * belongs, in the lowest row that has room there. One after another from the left, so
 * that the same things always stand alike.
 *
 * @param beside whether a name stands beside its drawing rather than above it: right of it, or left where the board ends
 * @returns in the order of `things`; and how many rows there are, at least 1
 */
export function standOn(
  things: readonly ToStand[],
  width: number,
  beside: boolean,
): { readonly stood: readonly Stood[]; readonly lanes: number } {
  const clamp = (left: number, wide: number): number => Math.max(Math.min(left, width - wide), 0);
  const ends: number[] = [];
  const stood: Stood[] = [];
  const order = things.map((_, nth) => nth).sort((a, b) => (things[a] as ToStand).x - (things[b] as ToStand).x || a - b);
  for (const nth of order) {
    const { x, drawing, name } = things[nth] as ToStand;
    const left = clamp(x - drawing / 2, drawing);
    const right = left + drawing + GAP / 2;
    const turned = beside && right + name > width && left - GAP / 2 - name >= 0;
    const nameLeft = !beside ? clamp(left, name) : turned ? left - GAP / 2 - name : Math.min(right, Math.max(width - name, 0));
    const from = Math.min(left, nameLeft);
    const to = Math.max(left + drawing, nameLeft + name);
    const free = ends.findIndex((end) => end + GAP <= from);
    const lane = free < 0 ? ends.length : free;
    ends[lane] = to;
    stood[nth] = { left, nameLeft, lane };
  }
  return { stood, lanes: Math.max(ends.length, 1) };
}
