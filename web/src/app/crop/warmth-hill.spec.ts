import { TestBed } from '@angular/core/testing';
import { Component, signal } from '@angular/core';
import type { Spot } from '@fresh-tuck/contract';
import { CROPS } from '@fresh-tuck/core/crops';
import type { UnitSystem } from '@fresh-tuck/core/units';
import { aSpot, show, type Screen } from '../testing/house';
import { WarmthHill } from './warmth-hill';

@Component({ imports: [WarmthHill], template: `<ft-warmth-hill [crop]="crop()" [spots]="spots()" [units]="units()" />` })
class Host {
  readonly crop = signal(CROPS.find(({ id }) => id === 'okra') ?? CROPS[0]!);
  readonly spots = signal<readonly Spot[]>([]);
  readonly units = signal<UnitSystem>('metric');
}
const at = (celsius: number, nth: number): Spot =>
  aSpot({ id: `s${nth}`, name: `Warm place ${nth}`, guessMinC: celsius, guessMaxC: celsius });

async function hill(...celsius: number[]): Promise<Screen<Host>> {
  const screen = await show(Host, {});
  screen.fixture.componentInstance.spots.set(celsius.map(at));
  await screen.settle();
  return screen;
}
/** Where a text stands, by its own measure. */
const boxOf = (text: SVGTextElement): DOMRect => text.getBBox();
const meet = (a: DOMRect, b: DOMRect): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

describe('a crop’s warmth as a hill', () => {
  it('names no place over another, whichever places a home has', async () => {
    for (const home of [[4.5], [19, 23], [22, 24, 26], [4, 19.5, 22.5, 23.5, 27], [1, 2], [45, 46, 47], [12, 20, 21, 33]]) {
      const screen = await hill(...home);
      const names = screen.all<SVGTextElement>('text.name').map(boxOf);
      expect(names.length).toBe(home.length);
      names.forEach((name, nth) => {
        for (const other of names.slice(nth + 1)) expect(meet(name, other)).withContext(home.join(', ')).toBeFalse();
        // None runs out of the picture.
        expect(name.x).withContext(home.join(', ')).toBeGreaterThanOrEqual(-1);
        expect(name.x + name.width)
          .withContext(home.join(', '))
          .toBeLessThanOrEqual(641);
      });
      TestBed.resetTestingModule();
    }
  });

  it('says of each place by which day half have come, the sooner the nearer its best, and where hardly any come', async () => {
    const screen = await hill(4, 18, 28);
    const said = screen.find('svg')?.getAttribute('aria-label') ?? '';
    expect(said).toMatch(/^Warm place 0: hardly any come; Warm place 1: half by day [\d.]+; Warm place 2: half by day [\d.]+$/);
    const days = [...said.matchAll(/half by day ([\d.]+)/g)].map(([, day]) => Number(day));
    expect(days[0] ?? 0).toBeGreaterThan((days[1] ?? Infinity) * 1.5);
    // The same words stand below the hill, where a phone has no room on it.
    expect(screen.all('li').map((one) => one.textContent.replace(/\s+/g, ' ').trim())[0]).toBe('Warm place 0 hardly any come');
  });

  it('is told in the household’s degrees, and believes a thermometer before the kind of place', async () => {
    const screen = await hill(20);
    screen.fixture.componentInstance.units.set('us');
    const read = { id: 'r', day: '2026-04-10', minC: 4, maxC: 5 };
    screen.fixture.componentInstance.spots.set([aSpot({ guessMinC: 27, guessMaxC: 29, latest: read })]);
    await screen.settle();
    expect(screen.all('text.tick').map((one) => one.textContent)).toEqual(['32 °F', '50 °F', '68 °F', '86 °F', '104 °F']);
    expect(screen.find('svg')?.getAttribute('aria-label')).toContain('hardly any come');
  });
});
