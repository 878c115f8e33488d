import { PAGES, TEMPLATE_MARGIN_MM, templatePages, windowOf } from '@fresh-tuck/core/paper';
import type { TemplateJob } from './jobs.js';
import { HAIR, INK, sheetOf, SOFT, type Sheet } from './sheet.js';

const RULER_MM = 100;
const MARK_MM = 5;

/** A ruler of ten centimetres: whoever prints lays their own against it. */
function ruler(sheet: Sheet, x: number, y: number): void {
  sheet.line(x, y, x + RULER_MM, y, INK, 0.25);
  for (let at = 0; at <= RULER_MM; at += 5) sheet.line(x + at, y, x + at, y - (at % 10 === 0 ? 3 : 1.8), INK, 0.2);
  sheet.text('0', x - 0.8, y + 3.6, 'text', 2.8, SOFT);
  sheet.text('100 mm', x + RULER_MM - 4, y + 3.6, 'text', 2.8, SOFT);
}

/** Crosses at the corners, by which pages are laid edge to edge. */
function corners(sheet: Sheet, x: number, y: number, w: number, h: number): void {
  for (const [cx, cy] of [
    [x, y],
    [x + w, y],
    [x, y + h],
    [x + w, y + h],
  ] as const) {
    sheet.line(cx - MARK_MM, cy, cx + MARK_MM, cy, INK, 0.15);
    sheet.line(cx, cy - MARK_MM, cx, cy + MARK_MM, INK, 0.15);
  }
}

export async function templatePdf(job: TemplateJob): Promise<Uint8Array> {
  const { page, title, note, widthMm, heightMm, foldMm, spots, dotMm, roomMm } = job;
  const pages = templatePages(widthMm, heightMm, page);
  const part = windowOf(page);
  const columns = Math.ceil(widthMm / part.widthMm - 1e-9);
  const rows = pages.length / columns;
  const sheet = sheetOf(page, title);
  const [left, top] = [TEMPLATE_MARGIN_MM.side, TEMPLATE_MARGIN_MM.top];
  const foot = PAGES[page].heightMm - TEMPLATE_MARGIN_MM.bottom;
  pages.forEach(({ column, row, fromXMm, fromYMm, widthMm: w, heightMm: h }, index) => {
    sheet.page();
    const named = sheet.fitted(title, part.widthMm - 40, 'bold', 5, 3);
    sheet.text(named.text, left, 12, 'bold', named.sizeMm);
    const fit = sheet.fitted(note, part.widthMm, 'text', 3.2, 2.2);
    sheet.text(fit.text, left, 18, 'text', fit.sizeMm, SOFT);
    if (pages.length > 1) {
      const at = `page ${index + 1} of ${pages.length}: column ${column + 1} of ${columns}, row ${row + 1} of ${rows}`;
      sheet.text(at, left + part.widthMm - sheet.width(at, 'text', 2.8), 22.6, 'text', 2.8, SOFT);
    }
    sheet.within(left - 0.3, top - 0.3, w + 0.6, h + 0.6, () => {
      for (const spot of spots) {
        const [x, y] = [left + spot.xMm - fromXMm, top + spot.yMm - fromYMm];
        const reach = Math.max(roomMm / 2, dotMm);
        if (x < left - reach || y < top - reach || x > left + w + reach || y > top + h + reach) continue;
        if (roomMm > dotMm) sheet.ring(x, y, roomMm / 2, HAIR, 1.2);
        sheet.line(x - dotMm, y, x + dotMm, y, INK, 0.12);
        sheet.line(x, y - dotMm, x, y + dotMm, INK, 0.12);
        sheet.ring(x, y, dotMm / 2, INK);
      }
      if (foldMm !== null) sheet.line(left + foldMm - fromXMm, top, left + foldMm - fromXMm, top + h, SOFT, 0.2, 2);
    });
    // What is an edge of the whole is drawn; where pages meet, only the crosses stand.
    if (fromXMm === 0) sheet.line(left, top, left, top + h, INK, 0.25);
    if (fromYMm === 0) sheet.line(left, top, left + w, top, INK, 0.25);
    if (fromXMm + w >= widthMm - 1e-6) sheet.line(left + w, top, left + w, top + h, INK, 0.25);
    if (fromYMm + h >= heightMm - 1e-6) sheet.line(left, top + h, left + w, top + h, INK, 0.25);
    if (pages.length > 1) corners(sheet, left, top, w, h);
    ruler(sheet, left, foot + 12);
    sheet.text(
      'Lay your own ruler on this one; if it differs, print at 100 %, not fitted to the page.',
      left,
      foot + 20,
      'text',
      2.8,
      SOFT,
    );
  });
  return sheet.end();
}
