import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { MEDIA } from '@fresh-tuck/core/carrier';
import { hasPlaces, METHODS, methodOf, paneOf } from '@fresh-tuck/core/method';
import { Towel } from './towel';

const seedsOf = (count: number) =>
  Array.from({ length: count }, (_, index) => ({
    seed: index + 1,
    stage: 'quiet' as const,
    rootMm: null,
    moved: false,
    fresh: false,
  }));

async function draw(inputs: Record<string, unknown>): Promise<SVGSVGElement> {
  const fixture = TestBed.createComponent(Towel);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
  return (fixture.nativeElement as HTMLElement).querySelector('svg') as SVGSVGElement;
}
const numbers = (text: string | null): number[] => (text?.match(/-?\d+(?:\.\d+)?/g) ?? []).map(Number);

describe('what seed lies in, drawn to scale', () => {
  beforeEach(() => TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] }));

  it('holds every seed inside it, each in a place of its own, whatever the way', async () => {
    for (const method of METHODS) {
      for (const count of [1, 4, 17]) {
        const { widthMm, heightMm } = paneOf(methodOf(method), count);
        const svg = await draw({ seeds: seedsOf(count), widthMm, heightMm, seedLengthMm: 3, method, places: count });
        const at = [...svg.querySelectorAll('.place')].map((place) => numbers(place.getAttribute('transform')));
        expect(at.length).withContext(method).toBe(count);
        expect(new Set(at.map(String)).size)
          .withContext(method)
          .toBe(count);
        for (const [x = -1, y = -1] of at) {
          expect(x > 0 && x < widthMm)
            .withContext(`${method} ${count}`)
            .toBeTrue();
          expect(y > 0 && y < heightMm)
            .withContext(`${method} ${count}`)
            .toBeTrue();
        }
        expect(svg.outerHTML)
          .withContext(method)
          .not.toMatch(/NaN|undefined|Infinity/);
      }
    }
  });

  it('keeps the scale clear of what is full of places', async () => {
    for (const method of METHODS.filter((id) => hasPlaces(methodOf(id).carrier))) {
      const { widthMm, heightMm } = paneOf(methodOf(method), 4);
      const svg = await draw({ seeds: seedsOf(4), widthMm, heightMm, seedLengthMm: 3, method, places: 4 });
      const [, , , shown = 0] = numbers(svg.getAttribute('viewBox'));
      const [, scaleY = 0] = numbers(svg.querySelector('.scale')?.parentElement?.getAttribute('transform') ?? null);
      expect(scaleY - 1.4)
        .withContext(method)
        .toBeGreaterThan(heightMm);
      expect(scaleY + 1.4)
        .withContext(method)
        .toBeLessThan(shown);
    }
  });

  it('tells paper, cloth and loose stuff apart without a word', async () => {
    const drawings = new Map<string, string>();
    for (const medium of MEDIA) {
      const svg = await draw({ seeds: seedsOf(4), widthMm: 140, heightMm: 110, seedLengthMm: 3, medium });
      drawings.set(medium, (svg.querySelector('[ftGround]')?.innerHTML ?? '').replaceAll(/ground-\d+/g, 'ground'));
    }
    expect(new Set(['paper', 'cloth', 'pad', 'tissue'].map((medium) => drawings.get(medium))).size).toBe(4);
    expect(drawings.get('perlite')).toContain('crumb');
    expect(drawings.get('paper')).not.toContain('crumb');
  });

  it('sits several seeds of one place around its middle, and says aloud what it is', async () => {
    const { widthMm, heightMm } = paneOf(methodOf('pod'), 4);
    const svg = await draw({ seeds: seedsOf(8), widthMm, heightMm, seedLengthMm: 3, method: 'pod', places: 4 });
    expect(svg.querySelectorAll('.slot').length).toBe(4);
    expect(svg.querySelectorAll('.place').length).toBe(8);
    expect(svg.getAttribute('aria-label')).toBe('Board of 4 slots with 8 seeds');
  });
});
