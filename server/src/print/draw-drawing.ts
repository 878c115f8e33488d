import { inkOf } from '@fresh-tuck/core/drawing';
import { PAGES } from '@fresh-tuck/core/paper';
import type { DrawingJob } from './jobs.js';
import { INK, sheetOf, SOFT } from './sheet.js';

const MARGIN_MM = 10;
/** Words of the drawing are set in its own pixels; one is so many millimetres at the most. */
const MOST_UNIT_MM = 0.27;
const LINE_MM = 4.4;
/** Height of the title and its line, and the least that is kept for the lines. */
const HEAD_MM = 17;
const STARTS_MM = 26;
const COLUMN_MM = 88;

/** A drawing on one page that lies, then its lines in columns. */
export async function drawingPdf({ page, title, intro, drawing, lines }: DrawingJob): Promise<Uint8Array> {
  const sheet = sheetOf(page, title, true);
  const { widthMm: high, heightMm: wide } = PAGES[page];
  const room = wide - 2 * MARGIN_MM;
  sheet.page();
  sheet.text(title, MARGIN_MM, MARGIN_MM + 5, 'number', 6);
  const told = sheet.fitted(intro, room, 'text', 3.4, 2.4);
  sheet.text(told.text, MARGIN_MM, MARGIN_MM + 11, 'text', told.sizeMm, SOFT);
  const below = high - 2 * MARGIN_MM - HEAD_MM - STARTS_MM;
  const unit = Math.min(room / drawing.width, below / drawing.height, MOST_UNIT_MM);
  const [x0, y0] = [MARGIN_MM, MARGIN_MM + HEAD_MM];
  sheet.within(x0, y0, drawing.width * unit, drawing.height * unit, () => {
    for (const mark of drawing.marks) {
      const ink = inkOf(mark);
      if (mark.kind === 'path') {
        sheet.path(mark.d, ink, x0, y0, unit);
        continue;
      }
      const [face, sizeMm] = [ink.bold ? ('bold' as const) : ('text' as const), (ink.size ?? 14) * unit];
      const length = sheet.width(mark.text, face, sizeMm);
      const back = mark.anchor === 'end' ? length : mark.anchor === 'middle' ? length / 2 : 0;
      sheet.text(mark.text, x0 + mark.x * unit - back, y0 + mark.y * unit, face, sizeMm, ink.fill ?? INK);
    }
  });
  const top = y0 + drawing.height * unit + 7;
  const columns = Math.max(Math.floor(room / COLUMN_MM), 1);
  const rows = Math.ceil(lines.length / columns);
  const step = Math.min(LINE_MM, (high - MARGIN_MM - top) / Math.max(rows, 1));
  lines.forEach((text, nth) => {
    const column = Math.floor(nth / Math.max(rows, 1));
    const fitted = sheet.fitted(text, COLUMN_MM - 4, 'text', Math.min(3.4, step * 0.78), 1.6);
    sheet.text(fitted.text, MARGIN_MM + column * COLUMN_MM, top + (nth % Math.max(rows, 1)) * step, 'text', fitted.sizeMm);
  });
  return sheet.end();
}
