import { provideZonelessChangeDetection, type Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { DrawnFacts } from '@fresh-tuck/contract';
import { type Report, reportFor } from '@fresh-tuck/core/judging';
import { type ParcelFacts } from '@fresh-tuck/core/parcel';
import { look, NOW, parcel as fixture } from '@fresh-tuck/core/testing';
import { Curve } from './curve';
import { Ribbon } from './ribbon';

function parcel(totals: readonly (readonly [number, number])[]): { facts: ParcelFacts; answers: Report } {
  const facts = fixture('tomato', 4, 24, { looks: totals.map(([hoursAgo, tipped]) => look(hoursAgo, { tipped })) });
  return { facts, answers: reportFor(facts, NOW) };
}

async function draw(kind: Type<Ribbon | Curve>, { facts, answers }: { facts: DrawnFacts; answers: Report }): Promise<SVGElement> {
  TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
  const fixture = TestBed.createComponent(kind);
  fixture.componentRef.setInput('facts', facts);
  fixture.componentRef.setInput('answers', answers);
  await fixture.whenStable();
  return (fixture.nativeElement as HTMLElement).querySelector('svg') as SVGElement;
}

const numbers = (path: Element | null): number[] => (path?.getAttribute('d') ?? '').match(/-?\d+(?:\.\d+)?/g)?.map(Number) ?? [];

describe('the ribbon', () => {
  it('rings silent looks, adds tips up where marks would lie on each other, and draws nothing seen right of now', async () => {
    const svg = await draw(
      Ribbon,
      parcel([
        [72, 0],
        [13, 2],
        [1, 5],
      ]),
    );
    expect(svg.querySelectorAll('.nothing').length).toBe(1);
    const marks = [...svg.querySelectorAll('.seen-text')].map((mark) => mark.textContent?.trim());
    expect(marks.join()).toMatch(/^\+5$|^\+2,\+3$/);
    const now = numbers(svg.querySelector('.now'))[0] ?? 0;
    expect([...svg.querySelectorAll('.nothing')].every((ring) => Number(ring.getAttribute('cx')) < now)).toBeTrue();
    expect(svg.getAttribute('aria-label')).toMatch(/^5 of 8 tips seen; \d+ chances in 10/);
  });

  it('is a thread where nothing more can come, thick where something may', async () => {
    const thickness = (svg: SVGElement): number => {
      const ys = numbers(svg.querySelector('.chance')).filter((_, index) => index % 2 === 1);
      return Math.max(...ys) - Math.min(...ys);
    };
    expect(thickness(await draw(Ribbon, parcel([[1, 8]])))).toBeLessThan(4);
    TestBed.resetTestingModule();
    expect(thickness(await draw(Ribbon, parcel([[1, 2]])))).toBeGreaterThan(15);
  });
});

describe('the curve', () => {
  it('steps up to what was seen, goes on from there and ends at the edge', async () => {
    const svg = await draw(
      Curve,
      parcel([
        [72, 0],
        [24, 3],
        [1, 4],
      ]),
    );
    const seen = svg.querySelector('.seen')?.getAttribute('d') ?? '';
    expect(seen.match(/V/g)?.length).toBe(2);
    const band = numbers(svg.querySelector('.band')).filter((_, index) => index % 2 === 0);
    expect(Math.max(...band)).toBeCloseTo(320, 0);
    expect(svg.querySelector('.wanted-text')?.textContent).toContain('wanted 5');
    expect(svg.getAttribute('aria-label')).toMatch(/^4 of 8 have shown a tip; expect \d to 8 in all$/);
  });
});
