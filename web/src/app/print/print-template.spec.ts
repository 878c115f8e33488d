import { Component, inject } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { MatInputHarness } from '@angular/material/input/testing';
import { MatFormFieldHarness } from '@angular/material/form-field/testing';
import { ABOUT, problem, show, type Screen } from '../testing/house';
import { PrintTemplate } from './print-template';

@Component({ template: '' })
class Host {
  constructor() {
    inject(MatDialog).open(PrintTemplate, { data: { name: 'Kerb bed', widthM: 1.2, lengthM: 4 } });
  }
}
const file = new Blob(['%PDF'], { type: 'application/pdf' });

async function opened(answers: Record<string, unknown> = {}) {
  const screen: Screen<Host> = await show(Host, { 'POST print/template': file, ...answers });
  const write = async (label: string, value: string): Promise<void> => {
    const field = await screen.overlays.getHarness(MatInputHarness.with({ label }));
    await field.setValue(value);
    await field.blur();
  };
  return { screen, write };
}
const dialog = (): string => document.querySelector('mat-dialog-container')?.textContent ?? '';

describe('a bed to scale on paper', () => {
  it('has the bed’s own sides, and takes a bare spacing for centimetres as packets say it', async () => {
    const { screen, write } = await opened();
    await write('Apart in the row', '25');
    await write('Rows apart', '0.4 m');
    document.querySelector<HTMLInputElement>('mat-dialog-container input[type=checkbox]')?.click();
    await screen.clickAbove('Make the PDF');
    expect(screen.sent('POST', 'print/template')?.body).toEqual({
      kind: 'bed',
      widthMm: 1200,
      lengthMm: 4000,
      inRowMm: 250,
      rowsMm: 400,
      staggered: true,
    });
    await screen.until(() => dialog() === '');
    expect(dialog()).toBe('');
  });

  it('reads inches and feet where the household has them', async () => {
    const us = { ...ABOUT, household: ABOUT.household && { ...ABOUT.household, units: 'us' } };
    const { screen, write } = await opened({ 'GET about': us });
    await write('Apart in the row', '6');
    await write('Rows apart', '1 ft');
    await screen.clickAbove('Make the PDF');
    const sent = screen.sent('POST', 'print/template')?.body as unknown as { inRowMm: number; rowsMm: number };
    expect(sent.inRowMm).toBeCloseTo(152.4, 6);
    expect(sent.rowsMm).toBeCloseTo(304.8, 6);
  });

  it('says at the field what it takes instead of nothing, of words and of less than nothing, and sends none of them', async () => {
    const { screen, write } = await opened();
    await write('Apart in the row', '-5 cm');
    await write('Rows apart', 'a hand');
    await screen.clickAbove('Make the PDF');
    const fields = await screen.overlays.getAllHarnesses(MatFormFieldHarness);
    const said = (await Promise.all(fields.map((field) => field.getTextErrors()))).flat();
    expect(said).toEqual(Array.from({ length: 2 }, () => 'A distance like 20 cm, 0.2 m or 8 in, above 0.'));
    expect(screen.sent('POST', 'print/template')).toBeUndefined();
  });

  it('puts the server’s refusal at its field, and may be tried again', async () => {
    const message = 'inRowMm must be at least 20 mm: more than 400 plants are no template';
    const { screen, write } = await opened({ 'POST print/template': problem(422, message, [{ field: 'inRowMm', message }]) });
    await write('Apart in the row', '5 mm');
    await write('Rows apart', '5 mm');
    await screen.clickAbove('Make the PDF');
    await screen.settle();
    expect(dialog()).toContain('at least 20 mm');
  });
});
