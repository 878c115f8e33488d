import { PAGES, type PageSize } from './pages.js';

/** A place on a template, mm from the upper left corner of what it is laid on. */
export interface TemplateSpot {
  readonly xMm: number;
  readonly yMm: number;
}

/** One page of a template: the window of the whole that is printed on it. */
export interface TemplatePage {
  /** Column and row among the pages, from 0. */
  readonly column: number;
  readonly row: number;
  readonly fromXMm: number;
  readonly fromYMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** Kept free on each side for marks and the printer's edge; above and below also for words and the ruler, mm. */
export const TEMPLATE_MARGIN_MM = { side: 14, top: 26, bottom: 26 } as const;
/** Most pages that anybody glues together. */
export const MOST_TEMPLATE_PAGES = 60;

/** The part of a page that a template is drawn on, mm. */
export const windowOf = (page: PageSize): { readonly widthMm: number; readonly heightMm: number } => ({
  widthMm: PAGES[page].widthMm - 2 * TEMPLATE_MARGIN_MM.side,
  heightMm: PAGES[page].heightMm - TEMPLATE_MARGIN_MM.top - TEMPLATE_MARGIN_MM.bottom,
});

/**
 * Splits what is larger than a page into pages that meet edge to edge, row by row.
 *
 * @throws RangeError where it would take more pages than anybody glues together
 */
export function templatePages(widthMm: number, heightMm: number, page: PageSize): TemplatePage[] {
  const part = windowOf(page);
  const columns = Math.ceil(widthMm / part.widthMm - 1e-9);
  const rows = Math.ceil(heightMm / part.heightMm - 1e-9);
  if (columns * rows > MOST_TEMPLATE_PAGES)
    throw new RangeError(`the template would take ${columns * rows} pages; ${MOST_TEMPLATE_PAGES} are the most: print a part of the bed`);
  return Array.from({ length: columns * rows }, (_, index) => {
    const [column, row] = [index % columns, Math.floor(index / columns)];
    const [fromXMm, fromYMm] = [column * part.widthMm, row * part.heightMm];
    return {
      column,
      row,
      fromXMm,
      fromYMm,
      widthMm: Math.min(part.widthMm, widthMm - fromXMm),
      heightMm: Math.min(part.heightMm, heightMm - fromYMm),
    };
  });
}

/**
 * Plants over a bed or tray in rows, half a spacing from its edges, every second row shifted where asked.
 *
 * @param inRowMm between plants of a row; @param rowsMm between rows; both above 0
 * @throws RangeError naming the measure that is not above 0
 */
export function spacedSpots(widthMm: number, lengthMm: number, inRowMm: number, rowsMm: number, staggered = false): TemplateSpot[] {
  for (const [name, value] of Object.entries({ widthMm, lengthMm, inRowMm, rowsMm }))
    if (!(value > 0)) throw new RangeError(`${name} must be above 0 mm`);
  const columns = Math.max(Math.floor(widthMm / inRowMm + 1e-9), 1);
  const rows = Math.max(Math.floor(lengthMm / rowsMm + 1e-9), 1);
  const firstX = (widthMm - (columns - 1) * inRowMm) / 2;
  const firstY = (lengthMm - (rows - 1) * rowsMm) / 2;
  return Array.from({ length: rows }, (_, row) => {
    const odd = staggered && row % 2 === 1 && columns > 1;
    return Array.from({ length: odd ? columns - 1 : columns }, (_, column) => ({
      xMm: firstX + column * inRowMm + (odd ? inRowMm / 2 : 0),
      yMm: firstY + row * rowsMm,
    }));
  }).flat();
}
