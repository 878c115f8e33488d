import { PAGES, PRINTER_EDGE_MM, type PageSize } from './pages.js';

/** How labels are cut from a page: stickers by their own grid, long strips for plants, or plain paper cut by hand. */
export const LABEL_KINDS = ['stickers', 'strips', 'cut'] as const;
export type LabelKind = (typeof LABEL_KINDS)[number];

/** The grid of a sheet of labels, mm from the page's upper left corner. */
export interface LabelGrid {
  readonly page: PageSize;
  readonly columns: number;
  readonly rows: number;
  readonly widthMm: number;
  readonly heightMm: number;
  /** White edge left of the first label and above it. */
  readonly leftMm: number;
  readonly topMm: number;
  /** Between two labels side by side, and one below the other. */
  readonly gapXMm: number;
  readonly gapYMm: number;
}

/** Where one label stands. */
export interface LabelPlace {
  /** Page, from 0. */
  readonly page: number;
  readonly xMm: number;
  readonly yMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** Why a grid cannot be printed: the field, and what would be accepted there. */
export interface GridFault {
  readonly field: keyof LabelGrid;
  readonly mostMm: number;
}

/** Rulers and makers' sheets differ by so little, mm. */
const SLACK_MM = 0.5;

const across = (first: number, count: number, size: number, gap: number): number => first + count * size + (count - 1) * gap;

/**
 * Whether a grid fits its page.
 *
 * @returns the size that is too large, with the most that would fit; null where all of it fits
 */
export function gridFault(grid: LabelGrid): GridFault | null {
  const page = PAGES[grid.page];
  const most = (size: number, first: number, count: number, gap: number): number =>
    Math.max(Math.floor(((size - first - (count - 1) * gap) / count) * 10) / 10, 0);
  if (across(grid.leftMm, grid.columns, grid.widthMm, grid.gapXMm) > page.widthMm + SLACK_MM)
    return { field: 'widthMm', mostMm: most(page.widthMm, grid.leftMm, grid.columns, grid.gapXMm) };
  if (across(grid.topMm, grid.rows, grid.heightMm, grid.gapYMm) > page.heightMm + SLACK_MM)
    return { field: 'heightMm', mostMm: most(page.heightMm, grid.topMm, grid.rows, grid.gapYMm) };
  return null;
}

/** As many labels of a size as a page takes within its printable edge, centred. */
function filled(page: PageSize, widthMm: number, heightMm: number): LabelGrid {
  const { widthMm: pageWidth, heightMm: pageHeight } = PAGES[page];
  const columns = Math.floor((pageWidth - 2 * PRINTER_EDGE_MM) / widthMm);
  const rows = Math.floor((pageHeight - 2 * PRINTER_EDGE_MM) / heightMm);
  return {
    page,
    columns,
    rows,
    widthMm,
    heightMm,
    leftMm: (pageWidth - columns * widthMm) / 2,
    topMm: (pageHeight - rows * heightMm) / 2,
    gapXMm: 0,
    gapYMm: 0,
  };
}

/** Long narrow labels that are stuck into soil or folded over a bag's edge. Common practice, no source. */
const STRIP_MM = { width: 96, height: 17 } as const;
/** Plain paper, cut by hand and laid into the bag. */
const CUT_MM = { width: 64, height: 33 } as const;

/** The grid that labels of a kind are printed on; stickers have the household's own. */
export function gridFor(kind: LabelKind, page: PageSize, stickers: LabelGrid): LabelGrid {
  if (kind === 'stickers') return stickers;
  return kind === 'strips' ? filled(page, STRIP_MM.width, STRIP_MM.height) : filled(page, CUT_MM.width, CUT_MM.height);
}

/** A common sheet of stickers to begin with: three across and eight down on A4. Common practice, no source. */
export const USUAL_STICKERS: LabelGrid = {
  page: 'a4',
  columns: 3,
  rows: 8,
  widthMm: 63.5,
  heightMm: 33.9,
  leftMm: 7.2,
  topMm: 12.9,
  gapXMm: 2.5,
  gapYMm: 0,
};

/** Labels on one page. */
export const perPage = ({ columns, rows }: Pick<LabelGrid, 'columns' | 'rows'>): number => columns * rows;

/**
 * Where labels stand, row by row.
 *
 * @param count labels
 * @param first place of the first one on its page, from 1: a half-used sheet is gone on with
 * @throws RangeError where the first place lies beyond the sheet
 */
export function labelPlaces(grid: LabelGrid, count: number, first = 1): LabelPlace[] {
  const places = perPage(grid);
  if (!(Number.isInteger(first) && first >= 1 && first <= places))
    throw new RangeError(`from must be a place of the sheet, from 1 to ${places}`);
  return Array.from({ length: count }, (_, index) => {
    const at = first - 1 + index;
    const place = at % places;
    return {
      page: Math.floor(at / places),
      xMm: grid.leftMm + (place % grid.columns) * (grid.widthMm + grid.gapXMm),
      yMm: grid.topMm + Math.floor(place / grid.columns) * (grid.heightMm + grid.gapYMm),
      widthMm: grid.widthMm,
      heightMm: grid.heightMm,
    };
  });
}
