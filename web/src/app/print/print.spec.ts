import { Component, signal } from '@angular/core';
import { MatInputHarness } from '@angular/material/input/testing';
import type { LabelsRequest } from '@fresh-tuck/contract';
import { USUAL_STICKERS } from '@fresh-tuck/core/paper';
import { problem, show, type Screen } from '../testing/house';
import { PrintLabel } from './print-label';

@Component({ imports: [PrintLabel], template: `<ft-print-label [items]="items()" />` })
class Host {
  readonly items = signal<LabelsRequest['items']>(Array.from({ length: 5 }, (_, nth) => ({ kind: 'seedling', id: String(nth) })));
}
const PAPER = { page: 'a4', stickers: USUAL_STICKERS };
const refused = problem(422, 'stickers.widthMm must be at most 65.9 mm: so many labels of this size do not fit on the page', [
  { field: 'stickers.widthMm', message: 'stickers.widthMm must be at most 65.9 mm: so many labels of this size do not fit on the page' },
]);
const sheet = (): HTMLElement => document.querySelector<HTMLElement>('mat-dialog-container') ?? document.body;
const sticker = (nth: number): HTMLButtonElement | null => sheet().querySelector(`button[aria-label="Begin at sticker ${nth}"]`);

async function opened(answers: Record<string, unknown> = {}): Promise<Screen<Host>> {
  const screen = await show(Host, {
    'GET print/paper': PAPER,
    'POST print/labels': new Blob(['%PDF'], { type: 'application/pdf' }),
    'PUT print/paper': PAPER,
    ...answers,
  });
  await screen.click(/^Print its label/);
  await screen.until(() => sheet().textContent.includes('labels on paper'));
  return screen;
}

describe('labels on paper', () => {
  beforeEach(() => localStorage.clear());

  it('go on with a half-used sheet at the sticker that is touched, and remember where it ends', async () => {
    const screen = await opened();
    expect(sheet().textContent).toContain('5 labels on paper');
    sticker(23)?.click();
    await screen.settle();
    expect([sticker(22)?.className, sticker(24)?.className]).toEqual(['taken', 'filled']);
    await screen.clickAbove('Make the PDF');
    expect(screen.sent('POST', 'print/labels')?.body).toEqual(jasmine.objectContaining({ kind: 'stickers', from: 23 }));
    await screen.until(() => document.querySelector('mat-dialog-container') === null);
    expect(document.querySelector('mat-dialog-container')).toBeNull();
    await screen.click(/^Print its label/);
    await screen.until(() => sticker(4)?.getAttribute('aria-pressed') === 'true');
    // Two on the first sheet, three on the next: the fourth is free.
    expect(sticker(4)?.getAttribute('aria-pressed')).toBe('true');
  });

  it('have the household’s own grid, and say at the field what cannot be', async () => {
    const screen = await opened({ 'PUT print/paper': refused });
    await screen.clickAbove('My sheet is another');
    const width = await screen.overlays.getHarness(MatInputHarness.with({ label: /^Width of one/ }));
    await width.setValue('90 mm');
    await screen.clickAbove('Keep this sheet');
    const sent = screen.sent('PUT', 'print/paper')?.body as unknown as { stickers: object };
    expect(sent.stickers).toEqual({ ...USUAL_STICKERS, widthMm: 90 });
    expect(sheet().textContent).toContain('The width of a label must be at most 65.9 mm');
    await width.setValue('wide');
    await width.blur();
    expect(sheet().textContent).toContain('A number, as a ruler on the sheet says it.');
  });

  it('begin at the first place of plain paper, and say a refusal that came as a file', async () => {
    const gone = new Blob([JSON.stringify({ detail: 'There is no such batch.', errors: [] })]);
    const refusal = problem(404, '');
    Object.defineProperty(refusal, 'error', { value: gone });
    const screen = await opened({ 'POST print/labels': refusal });
    sticker(9)?.click();
    await screen.clickAbove(/^\s*strips for plants/);
    await screen.clickAbove('Make the PDF');
    expect(screen.sent('POST', 'print/labels')?.body).toEqual(jasmine.objectContaining({ kind: 'strips', from: 1 }));
    await screen.until(() => sheet().textContent.includes('no such batch'));
    expect(sheet().textContent).toContain('There is no such batch.');
  });
});
