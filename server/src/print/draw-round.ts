import { PAGES } from '@fresh-tuck/core/paper';
import type { RoundJob, RoundRow } from './jobs.js';
import { HAIR, INK, sheetOf, SOFT, TROUBLE, type Sheet } from './sheet.js';

const LEFT_MM = 14;
const TOP_MM = 16;
const FOOT_MM = 14;
const LINE_MM = 4.3;

/** A word with an empty box before it. */
function tick(sheet: Sheet, x: number, base: number, text: string): number {
  sheet.box(x, base - 3, 3.2, 3.2, INK, 0.2);
  return sheet.text(text, x + 4.6, base, 'text', 3) + 5;
}
/** A word with a line to write on after it. */
function blank(sheet: Sheet, x: number, base: number, text: string, widthMm: number): number {
  const end = sheet.text(text, x, base, 'text', 3) + 1.5;
  sheet.line(end, base + 0.4, end + widthMm, base + 0.4, INK, 0.2);
  return end + widthMm + 5;
}

function heightOf(sheet: Sheet, row: RoundRow, widthMm: number): number {
  const text = [row.last, row.look, row.act].flatMap((part) => (part === '' ? [] : sheet.lines(part, widthMm, 'text', 3.2)));
  const caution = row.caution ? sheet.lines(row.caution, widthMm, 'text', 2.8).length : 0;
  return 7 + text.length * LINE_MM + caution * 3.8 + 12;
}

function drawRow(sheet: Sheet, row: RoundRow, y: number, widthMm: number): void {
  const left = LEFT_MM + 18;
  const number = sheet.fitted(String(row.number), 15, 'number', 8, 4);
  sheet.text(number.text, LEFT_MM, y + 7, 'number', number.sizeMm);
  const title = sheet.fitted(`${row.title} · ${row.seeds} seeds`, widthMm, 'bold', 4, 2.6);
  let at = y + 5;
  sheet.text(title.text, left, at, 'bold', title.sizeMm);
  const say = (text: string, size: number, colour: string, step: number): void => {
    for (const line of text === '' ? [] : sheet.lines(text, widthMm, 'text', size)) {
      at += step;
      sheet.text(line, left, at, 'text', size, colour);
    }
  };
  say(row.last, 3.2, SOFT, LINE_MM);
  say(row.look, 3.2, INK, LINE_MM);
  say(row.act, 3.2, INK, LINE_MM);
  if (row.caution) say(row.caution, 2.8, TROUBLE, 3.8);
  at += 6;
  let x = blank(sheet, left, at, 'at', 14);
  x = blank(sheet, x, at, `${row.counts} in all`, 12);
  x = blank(sheet, x, at, 'rotten, taken out', 10);
  at += 5;
  x = left;
  for (const damp of ['dry', 'drying', 'damp', 'pooling']) x = tick(sheet, x, at, damp);
  x = tick(sheet, x, at, 'watered');
  tick(sheet, x, at, 'not opened');
}

export async function roundPdf({ page, title, intro, stations, cautions }: RoundJob): Promise<Uint8Array> {
  const { widthMm: pageWidth, heightMm } = PAGES[page];
  const widthMm = pageWidth - 2 * LEFT_MM - 18;
  const sheet = sheetOf(page, title);
  let y = Infinity;
  let pages = 0;
  const fresh = (): void => {
    sheet.page();
    pages++;
    y = TOP_MM;
    if (pages > 1) sheet.text(`${title} · page ${pages}`, LEFT_MM, 10, 'text', 2.8, SOFT);
  };
  const need = (height: number): void => {
    if (y + height > heightMm - FOOT_MM) fresh();
  };
  fresh();
  sheet.text(title, LEFT_MM, y + 3, 'number', 7);
  y += 8;
  for (const line of sheet.lines(intro, pageWidth - 2 * LEFT_MM, 'text', 3.2)) {
    y += LINE_MM;
    sheet.text(line, LEFT_MM, y, 'text', 3.2, SOFT);
  }
  y += 9;
  blank(sheet, blank(sheet, LEFT_MM, y, 'Who looked', 50), y, 'on', 30);
  y += 6;
  for (const { name, warmth, rows } of stations) {
    need(12 + heightOf(sheet, rows[0] as RoundRow, widthMm));
    y += 8;
    const end = sheet.text(name, LEFT_MM, y, 'bold', 5);
    sheet.text(warmth, end + 3, y, 'text', 3, SOFT);
    y += 2;
    sheet.line(LEFT_MM, y, pageWidth - LEFT_MM, y, INK, 0.4);
    for (const row of rows) {
      const height = heightOf(sheet, row, widthMm);
      need(height);
      drawRow(sheet, row, y, widthMm);
      y += height;
      sheet.line(LEFT_MM, y, pageWidth - LEFT_MM, y, HAIR, 0.15);
    }
  }
  for (const caution of cautions) {
    const lines = sheet.lines(caution, pageWidth - 2 * LEFT_MM, 'text', 3);
    need(lines.length * LINE_MM + 3);
    y += 2;
    for (const line of lines) {
      y += LINE_MM;
      sheet.text(line, LEFT_MM, y, 'text', 3, TROUBLE);
    }
  }
  return sheet.end();
}
