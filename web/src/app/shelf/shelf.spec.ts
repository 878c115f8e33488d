import { parcel } from '@fresh-tuck/core/testing';
import type { Board, BoardParcel, Elsewhere, ShelfView } from '@fresh-tuck/contract';
import { aBatch, ABOUT, aSpot, show, type Screen } from '../testing/house';
import { layBoard, scaleOf } from './laid';
import { ShelfScreen } from './shelf';

const HOUR_MS = 3_600_000;
const NOW = ABOUT.nowMs;

export const stands = (hours: number | null): BoardParcel['stands'] =>
  hours === null
    ? { readyMs: null, lowMs: null, highMs: null }
    : { readyMs: NOW + hours * HOUR_MS, lowMs: NOW + (hours - 9) * HOUR_MS, highMs: NOW + (hours + 14) * HOUR_MS };
export const aBoardParcel = (number: number, hours: number | null, more: Partial<BoardParcel> = {}): BoardParcel => {
  const { answers } = aBatch(parcel('okra', 4, 27));
  return {
    ...{ id: `b${number}`, number, title: `Okra, Quay ${number}`, holderId: `h${number}`, holderKind: 'bag', carrier: 'towel' },
    ...{ state: answers.state, stands: stands(hours), lateMs: null, lead: 'leave shut', tone: 'waiting' },
    ...{ far: hours === null ? 'not in sight' : null, inWords: 'first ready tomorrow 07:00' },
    ...more,
  };
};
const aBoard = (id: string, name: string, parcels: BoardParcel[]): Board => ({
  ...{ spot: aSpot({ id, name }), room: 3, wave: Array.from({ length: 24 }, () => 22), alarm: null, parcels },
});

describe('the shelf', () => {
  const view: ShelfView = {
    ...{ nowMs: NOW, lead: 'Okra is at the edge', edge: { id: 'b7', number: 7 } },
    boards: [
      aBoard('s1', 'Hall cupboard', [aBoardParcel(7, -3), aBoardParcel(8, 30, { holderId: 'h7' })]),
      aBoard('s2', 'Cold porch', []),
      aBoard('s3', 'Sill', []),
    ],
  };
  const there = (spotId: string, name: string, refused: string | null): Elsewhere['boards'][number] => ({
    ...{ spotId, name, inWords: '14 °C, steady', here: spotId === 's1', refused },
    parcels: [7, 8].map((number) => ({
      ...{ id: `b${number}`, number, lead: '2 days later', tone: 'waiting' as const, ready: 'first ready Monday 07:00' },
      ...{ notes: ['About 2 fewer come there.'], stands: stands(60), comes: 0.6 },
    })),
  });
  const elsewhere: Elsewhere = {
    holderId: 'h7',
    parcels: [7, 8].map((number) => ({ id: `b${number}`, number, title: `Okra, Quay ${number}`, ready: 'ready now' })),
    boards: [there('s1', 'Hall cupboard', null), there('s2', 'Cold porch', null), there('s3', 'Sill', 'Read up to 44 °C.')],
  };
  const open = async (more: Record<string, unknown> = {}): Promise<Screen<ShelfScreen>> => {
    const screen = await show(ShelfScreen, { 'GET shelf': view, 'GET holders/h7/elsewhere': elsewhere, ...more });
    (screen.fixture.nativeElement as HTMLElement).style.width = '1200px';
    document.body.append(screen.fixture.nativeElement as Node);
    await screen.until(() => screen.all('button.parcel').length === 2);
    return screen;
  };

  it('leads with what is at the edge, and names every parcel with its board and its time for who does not see it', async () => {
    const screen = await open();
    expect(screen.find('h1')?.textContent).toBe('Okra is at the edge');
    expect(screen.find('a.do')?.getAttribute('href')).toBe('/open/b7');
    expect(screen.all('button.parcel').map((one) => one.ariaLabel)).toEqual([
      '7 Okra, Quay 7, at Hall cupboard: first ready tomorrow 07:00',
      '8 Okra, Quay 8, at Hall cupboard: first ready tomorrow 07:00',
    ]);
    const [first, second] = screen.all<HTMLElement>('button.parcel').map(({ style }) => parseFloat(style.left));
    expect(first).toBeLessThan(second ?? 0);
  });

  it('says of every board what it would do to all in the bag before it is carried, and carries it at its moment', async () => {
    const screen = await open({ 'POST holders/h7/place': {} });
    await screen.press(/^8 Okra/);
    await screen.clickAbove('Carry it to another board').catch(() => undefined);
    [...document.querySelectorAll<HTMLElement>('[mat-menu-item]')]
      .find(({ textContent }) => textContent?.includes('another board'))
      ?.click();
    await screen.until(() => document.querySelector('ft-carry li') !== null);
    const dialog = document.querySelector('ft-carry')?.textContent?.replace(/\s+/g, ' ') ?? '';
    expect(dialog).toContain('Carry 7 and 8');
    expect(dialog).toContain('They lie in one bag: all of them go.');
    expect(dialog).toContain('About 2 fewer come there.');
    expect(dialog).toContain('Read up to 44 °C.');
    // What kills has no button, and where it stands needs none.
    const buttons = [...document.querySelectorAll<HTMLElement>('ft-carry button[aria-label]')].map(({ ariaLabel }) => ariaLabel);
    expect(buttons.filter((one) => one?.startsWith('Carry it to'))).toEqual(['Carry it to Cold porch']);
    document.querySelector<HTMLElement>('ft-carry button[aria-label="Carry it to Cold porch"]')?.click();
    await screen.until(() => screen.sent('POST', 'holders/h7/place') !== undefined);
    expect(screen.sent('POST', 'holders/h7/place')?.body).toEqual(jasmine.objectContaining({ spotId: 's2', at: null }));
    await screen.until(() => document.body.textContent.includes('The bag with 7 and 8 stands at Cold porch.'));
    expect(document.body.textContent).toContain('The bag with 7 and 8 stands at Cold porch.');
  });

  it('teaches an empty shelf its first step', async () => {
    const boards = view.boards.map((board) => ({ ...board, parcels: [] }));
    const screen = await show(ShelfScreen, { 'GET shelf': { ...view, lead: 'The boards are empty', edge: null, boards } });
    expect(screen.find('a.do')?.textContent?.trim()).toBe('Tuck in the first seeds');
  });
});

describe('a full board', () => {
  it('draws sixty small, none over another, and their bars apart in its grain', () => {
    const parcels = Array.from({ length: 60 }, (_, nth) => aBoardParcel(nth + 1, (nth * 37) % 300));
    for (const [width, phone] of [
      [980, false],
      [358, true],
    ] as const) {
      const laid = layBoard(aBoard('s1', 'Hall cupboard', parcels), scaleOf(NOW, width), phone);
      expect(laid.small).toBeTrue();
      for (const a of laid.parcels)
        for (const b of laid.parcels) {
          if (a === b) continue;
          if (a.foot === b.foot) expect(a.left + 62 <= b.left || b.left + 62 <= a.left).toBeTrue();
          if (a.bar && b.bar && a.bar.line === b.bar.line)
            expect(a.bar.left + a.bar.width <= b.bar.left || b.bar.left + b.bar.width <= a.bar.left).toBeTrue();
        }
    }
  });
});
