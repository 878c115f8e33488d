import { labelPlaces, type LabelPlace } from '@fresh-tuck/core/paper';
import type { LabelsJob, LabelText } from './jobs.js';
import { HAIR, sheetOf, SOFT, TROUBLE, type Sheet } from './sheet.js';

const PAD_MM = 1.8;
/** A code below this cannot be read by a telephone; it is left out. Common practice, no source. */
const LEAST_CODE_MM = 8;
const MOST_CODE_MM = 20;
/** Smaller print is not read at a worktop, mm of letter height: what is longer is cut short. */
const LEAST_TEXT_MM = 2.3;

/** Number, what it is, count and date, the code, and a line to write on where there is room. */
function drawLabel(sheet: Sheet, { number, title, second, details, code, caution }: LabelText, place: LabelPlace): void {
  const { xMm, yMm, widthMm, heightMm } = place;
  const inner = heightMm - 2 * PAD_MM;
  const codeMm = Math.min(inner, widthMm * 0.32, MOST_CODE_MM);
  const hasCode = codeMm >= LEAST_CODE_MM;
  const right = xMm + widthMm - PAD_MM;
  if (hasCode) sheet.code(code, right - codeMm, yMm + PAD_MM, codeMm);
  let left = xMm + PAD_MM;
  const flat = heightMm < 22;
  if (number !== null) {
    const most = flat ? 7 : 9;
    const shown = sheet.fitted(String(number), widthMm * 0.26, 'number', most, 3);
    const end = sheet.text(shown.text, left, yMm + PAD_MM + most * 0.75, 'number', shown.sizeMm);
    left = flat ? end + 2.5 : Math.max(end + 2.5, left);
  }
  const room = (hasCode ? right - codeMm - 2 : right) - left;
  const draw = (text: string, base: number, face: 'text' | 'bold', most: number, colour?: string, wide = room, from = left): void => {
    if (text === '' || wide < 6) return;
    const fit = sheet.fitted(text, wide, face, most, LEAST_TEXT_MM);
    sheet.text(fit.text, from, base, face, fit.sizeMm, colour);
  };
  if (flat) {
    const step = inner / 3;
    const foot = yMm + PAD_MM + step * 2.7;
    draw(title, yMm + PAD_MM + step * 0.8, 'bold', Math.min(4, step * 0.95));
    draw(second, yMm + PAD_MM + step * 1.75, 'text', Math.min(3.4, step * 0.85));
    const fit = sheet.fitted(details, room, 'text', Math.min(2.9, step * 0.75), LEAST_TEXT_MM);
    let end = sheet.text(fit.text, left, foot, 'text', fit.sizeMm, SOFT) + 2.5;
    if (caution && left + room - end > 10) {
      const warned = sheet.fitted(caution, left + room - end, 'text', 2.6, LEAST_TEXT_MM);
      end = sheet.text(warned.text, end, foot, 'text', warned.sizeMm, TROUBLE) + 2.5;
    }
    if (left + room - end > 12) sheet.line(end, foot + 0.4, left + room, foot + 0.4, HAIR, 0.2);
    return;
  }
  draw(title, yMm + PAD_MM + 3.4, 'bold', 4.1);
  draw(second, yMm + PAD_MM + 7.4, 'text', 3.4);
  const whole = xMm + PAD_MM;
  const below = Math.max(yMm + PAD_MM + 9, number === null ? 0 : yMm + PAD_MM + 8);
  const wide = (hasCode ? right - codeMm - 2 : right) - whole;
  draw(details, below + 3.6, 'text', 2.9, SOFT, wide, whole);
  if (caution) draw(caution, below + 7.2, 'text', 2.6, TROUBLE, wide, whole);
  const bottom = yMm + heightMm - PAD_MM - 1.4;
  if (bottom - below > (caution ? 11 : 8))
    sheet.line(whole, bottom, hasCode && bottom < yMm + PAD_MM + codeMm + 1 ? right - codeMm - 2 : right, bottom, HAIR, 0.2);
}

/** Where plain paper is cut: a hairline round each label, solid where it is a label's own edge. */
function cutLines(sheet: Sheet, places: readonly LabelPlace[]): void {
  for (const { xMm, yMm, widthMm, heightMm } of places) {
    sheet.line(xMm, yMm, xMm + widthMm, yMm, HAIR, 0.12, 1);
    sheet.line(xMm, yMm + heightMm, xMm + widthMm, yMm + heightMm, HAIR, 0.12, 1);
    sheet.line(xMm, yMm, xMm, yMm + heightMm, HAIR, 0.12, 1);
    sheet.line(xMm + widthMm, yMm, xMm + widthMm, yMm + heightMm, HAIR, 0.12, 1);
  }
}

export async function labelsPdf({ as, grid, from, labels }: LabelsJob): Promise<Uint8Array> {
  const sheet = sheetOf(grid.page, 'Labels');
  const places = labelPlaces(grid, labels.length, from);
  const pages = Math.max(...places.map(({ page }) => page)) + 1;
  for (let page = 0; page < pages; page++) {
    sheet.page();
    const here = places.filter((place) => place.page === page);
    if (as !== 'stickers') cutLines(sheet, here);
    places.forEach((place, index) => {
      const label = labels[index];
      if (place.page === page && label) drawLabel(sheet, label, place);
    });
  }
  return sheet.end();
}
