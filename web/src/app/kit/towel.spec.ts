import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Towel, type TowelSeed } from './towel';

const seedsOf = (count: number, moved: readonly number[] = []): TowelSeed[] =>
  Array.from({ length: count }, (_, index) => ({
    seed: index + 1,
    stage: 'quiet',
    moved: moved.includes(index + 1),
    rootMm: null,
    fresh: false,
  }));

async function towel(seeds: readonly TowelSeed[]) {
  TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
  const fixture = TestBed.createComponent(Towel);
  for (const [name, value] of Object.entries({ seeds, widthMm: 140, heightMm: 110, seedLengthMm: 5, live: true })) {
    fixture.componentRef.setInput(name, value);
  }
  const touched: number[] = [];
  fixture.componentInstance.touched.subscribe((seed) => touched.push(seed));
  document.body.append(fixture.nativeElement as HTMLElement);
  await fixture.whenStable();
  const places = (): SVGElement[] => [...(fixture.nativeElement as HTMLElement).querySelectorAll<SVGElement>('.place')];
  const stops = (): (string | null)[] =>
    places()
      .filter((place) => place.getAttribute('tabindex') === '0')
      .map((place) => place.getAttribute('aria-label'));
  const press = async (key: string): Promise<string | null> => {
    document.activeElement?.dispatchEvent(
      new KeyboardEvent('keydown', { key, keyCode: KEY_CODES[key] ?? 0, bubbles: true, cancelable: true }),
    );
    await fixture.whenStable();
    return document.activeElement?.getAttribute('aria-label') ?? null;
  };
  return { fixture, places, stops, press, touched };
}
/** What the key manager of the toolkit goes by. */
const KEY_CODES: Readonly<Record<string, number>> = { ArrowLeft: 37, ArrowUp: 38, ArrowRight: 39, ArrowDown: 40, Home: 36, End: 35 };

describe('the towel by keyboard', () => {
  it('is one stop of the tab key, at the first seed that is there', async () => {
    const { stops } = await towel(seedsOf(8, [1]));
    expect(stops()).toEqual(['Seed 2, quiet']);
  });

  it('goes by arrows from seed to seed past the moved ones, to the ends, and up and down', async () => {
    const { places, press, stops, touched } = await towel(seedsOf(8, [2]));
    places()[0]?.focus();
    expect(await press('ArrowRight')).toBe('Seed 3, quiet');
    expect(stops()).toEqual(['Seed 3, quiet']);
    expect(await press('ArrowLeft')).toBe('Seed 1, quiet');
    expect(await press('End')).toBe('Seed 8, quiet');
    const up = await press('ArrowUp');
    expect(up).not.toBe('Seed 8, quiet');
    expect(await press('Home')).toBe('Seed 1, quiet');
    await press('Enter');
    expect(touched).toEqual([1]);
  });

  it('draws a moved seed as what nobody can touch', async () => {
    const { places, touched } = await towel(seedsOf(3, [2]));
    expect(places()[1]?.getAttribute('aria-label')).toBe('Seed 2, moved');
    expect(places()[1]?.getAttribute('aria-disabled')).toBe('true');
    places()[1]?.dispatchEvent(new MouseEvent('click', { bubbles: true }));
    expect(touched).toEqual([]);
  });
});
