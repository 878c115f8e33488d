import type { Board, BoardParcel } from '@fresh-tuck/contract';
import { boardScale, standOn, type BoardScale } from '@fresh-tuck/core/drawing';

/** A parcel where it stands. */
export interface LaidParcel {
  readonly parcel: BoardParcel;
  readonly left: number;
  readonly nameLeft: number;
  readonly nameWidth: number;
  /** Of its row's foot above the board, px. */
  readonly foot: number;
  /** The stretch in which it is ready, 8 chances in 10, in the grain of the board; null where none is to be. */
  readonly bar: Bar | null;
  /** Where its stem goes down to its bar, px. */
  readonly stem: number;
}
interface Bar {
  readonly left: number;
  readonly width: number;
  /** Line of the grain from the top of the board's edge, 0 or more. */
  readonly line: number;
}
/** A board with all that stands on it. */
export interface LaidBoard {
  readonly board: Board;
  readonly small: boolean;
  readonly height: number;
  /** Lines of the grain in the board's edge. */
  readonly grain: number;
  readonly parcels: readonly LaidParcel[];
  /** Those that are to be ready in sight. */
  readonly barred: readonly (LaidParcel & { readonly bar: Bar })[];
}

/** Of a drawing, full and small, px; and what a row takes. */
const DRAWN = { full: 118, small: 62 } as const;
const ROW = { full: 92, small: 38 } as const;
/** A name is cut where it is longer, px. */
const MOST_NAME = { full: 280, small: 260, phone: 270 } as const;
/** More rows than this of full drawings, and they are drawn small. */
const MOST_FULL_ROWS = 2;
const NAME_FONT = '700 14px "Atkinson Hyperlegible Next Variable", sans-serif';

/** Its name, and when, where that lies beyond the board. */
export const nameOf = ({ title, far }: BoardParcel): string => (far === null ? title : `${title} · ${far}`);

let pen: CanvasRenderingContext2D | null = null;
/** How wide a name is written, px. */
function widthOf(name: string): number {
  pen ??= document.createElement('canvas').getContext('2d');
  if (!pen) return name.length * 8;
  pen.font = NAME_FONT;
  return Math.ceil(pen.measureText(name).width) + 4;
}

/** Where now is on a board of a width, px. */
const nowAt = (width: number): number => (width < 560 ? 40 : Math.round(width * 0.13));
export const scaleOf = (nowMs: number, width: number): BoardScale => boardScale(nowMs, width, nowAt(width));

/** Where the stretch of a parcel lies on a board. */
export function barOf({ readyMs, lowMs, highMs }: BoardParcel['stands'], scale: BoardScale): Omit<Bar, 'line'> | null {
  if (readyMs === null) return null;
  const left = scale.x(lowMs ?? readyMs);
  return { left, width: Math.max(scale.x(highMs ?? readyMs) - left, 6) };
}

/** Between two bars of one line of the grain, px. */
const BAR_GAP = 6;
/** Lays bars into as few lines as they need so that none meets another; the first to end uppermost. */
function grainOf(bars: readonly (Omit<Bar, 'line'> | null)[]): { readonly lines: readonly number[]; readonly count: number } {
  const ends: number[] = [];
  const lines: number[] = [];
  const order = bars.map((_, nth) => nth).sort((a, b) => (bars[a]?.left ?? 0) - (bars[b]?.left ?? 0));
  for (const nth of order) {
    const bar = bars[nth];
    if (!bar) continue;
    const free = ends.findIndex((end) => end + BAR_GAP <= bar.left);
    lines[nth] = free < 0 ? ends.length : free;
    ends[lines[nth]] = bar.left + bar.width;
  }
  return { lines, count: ends.length };
}

/** Stands a board's parcels where they will be ready, small where there are many or the page is narrow. */
export function layBoard(board: Board, scale: BoardScale, phone: boolean): LaidBoard {
  const full = phone ? null : stand(board, scale, 'full', MOST_NAME.full);
  const small = full === null || full.lanes > MOST_FULL_ROWS;
  const { stood, lanes, names } = small ? stand(board, scale, 'small', phone ? MOST_NAME.phone : MOST_NAME.small, phone) : full;
  const row = small ? ROW.small : ROW.full;
  const bars = board.parcels.map(({ stands }) => barOf(stands, scale));
  const { lines, count } = grainOf(bars);
  const parcels = board.parcels.map((parcel, nth): LaidParcel => {
    const at = stood[nth] ?? { left: 0, nameLeft: 0, lane: 0 };
    const bar = bars[nth];
    return {
      ...{ parcel, left: at.left, nameLeft: at.nameLeft, nameWidth: names[nth] ?? 0, foot: at.lane * row },
      bar: bar ? { ...bar, line: lines[nth] ?? 0 } : null,
      stem: Math.min(
        Math.max(parcel.stands.readyMs === null ? 0 : scale.x(parcel.stands.readyMs), at.left + 4),
        at.left + DRAWN[small ? 'small' : 'full'] - 4,
      ),
    };
  });
  return {
    ...{ board, small, height: Math.max(lanes, 1) * row + (small ? 8 : 0), grain: count, parcels },
    barred: parcels.flatMap((one) => (one.bar ? [{ ...one, bar: one.bar }] : [])),
  };
}

function stand(board: Board, scale: BoardScale, size: 'full' | 'small', mostName: number, ownRow = false) {
  const names = board.parcels.map((parcel) => Math.min(widthOf(nameOf(parcel)), mostName));
  const things = board.parcels.map(({ stands }, nth) => ({
    x: stands.readyMs === null ? scale.width : scale.x(stands.readyMs),
    drawing: DRAWN[size],
    name: names[nth] ?? 0,
  }));
  const { stood, lanes } = standOn(things, scale.width, size === 'small');
  if (!ownRow) return { stood, lanes, names };
  // A thumb wants a row for each, the first to be ready at the top of the board.
  return { stood: stood.map((at, nth) => ({ ...at, lane: stood.length - 1 - nth })), lanes: stood.length, names };
}
