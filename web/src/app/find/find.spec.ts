import { type MatDialogRef } from '@angular/material/dialog';
import { Component, inject, Injector } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import type { Found } from '@fresh-tuck/contract';
import { problem, show, type Screen } from '../testing/house';
import { FindBox } from './find';

/** Opens the find box as the frame does. */
@Component({ template: '' })
class Opener {
  readonly box: MatDialogRef<FindBox> = inject(MatDialog).open(FindBox, { injector: inject(Injector) });
}

describe('the find box', () => {
  const found: Found[] = [
    { id: 'b16', kind: 'parcel', title: '16 Leek, Bollard' },
    { id: 'p3', kind: 'packet', title: 'Leek, Bollard' },
    { id: 'leek', kind: 'crop', title: 'Leek' },
  ];
  const box = (): HTMLElement => document.querySelector<HTMLElement>('ft-find') ?? document.body;
  const field = (): HTMLInputElement => box().querySelector('input') ?? document.createElement('input');
  const options = (): string[] =>
    [...box().querySelectorAll('[role=option]')].map((one) => (one.textContent ?? '').replace(/\s+/g, ' ').trim());
  const chosen = (): string => (box().querySelector('[aria-selected=true]')?.textContent ?? '').replace(/\s+/g, ' ').trim();
  let screen: Screen<Opener>;
  const open = async (answers: Record<string, unknown> = {}): Promise<void> => {
    screen = await show(Opener, { 'GET find': found, ...answers });
  };
  const type = async (words: string): Promise<void> => {
    field().value = words;
    field().dispatchEvent(new Event('input'));
    await screen.settle(130);
  };
  const press = async (key: string): Promise<void> => {
    field().dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
    await screen.settle(30);
  };
  afterEach(async () => {
    screen.fixture.componentInstance.box.close();
    await screen.settle(60);
  });

  it('offers what one can do where nothing is typed, and asks the server for nothing', async () => {
    await open();
    expect(options()[0]).toMatch(/^Tuck in seed/);
    expect(screen.asked.some(({ path }) => path === 'find')).toBeFalse();
  });

  it('finds parcels, packets and crops, goes round them by arrows and to the one by Enter', async () => {
    await open();
    await type('  leek ');
    expect(screen.sent('GET', 'find')?.query['words']).toBe('leek');
    expect(options().slice(0, 3)).toEqual(['16 Leek, Bollard parcel', 'Leek, Bollard packet', 'Leek crop']);
    expect(field().getAttribute('aria-activedescendant')).toBe('hit-0');
    await press('ArrowUp');
    expect(chosen()).toBe(options().at(-1) ?? '');
    await press('ArrowDown');
    await press('ArrowDown');
    expect(chosen()).toBe('Leek, Bollard packet');
    await press('Enter');
    await screen.settle(250);
    expect(screen.url).toBe('/packet/p3');
    expect(document.querySelector('ft-find')).toBeNull();
  });

  it('finds pages without the server, and says where nothing goes by a name', async () => {
    await open({ 'GET find': problem(0, '') });
    await type('backup');
    expect(options()[0]).toMatch(/^Copies of the household/);
    await type('qqqqq');
    await screen.until(() => !box().textContent.includes('Looking through'));
    expect(box().querySelector('[role=status]')?.textContent?.trim()).toBe(
      'Nothing goes by that name. Try fewer letters, or a label’s number.',
    );
  });
});
