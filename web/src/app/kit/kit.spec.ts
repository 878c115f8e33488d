import { Component, provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { parcelState } from '@fresh-tuck/core/parcel';
import { shownStages } from './parcel';
import { rootPath } from './seed';
import { Towel, type TowelSeed } from './towel';

@Component({
  imports: [Towel],
  template: `<ft-towel
    [seeds]="seeds()"
    [widthMm]="140"
    [heightMm]="110"
    [seedLengthMm]="5"
    [live]="live()"
    (touched)="touched.push($event)"
    (asked)="asked.push($event)"
  />`,
})
class Host {
  readonly seeds = signal<TowelSeed[]>([
    { seed: 1, stage: 'quiet', moved: false, rootMm: null, fresh: false },
    { seed: 2, stage: 'root', moved: false, rootMm: 9, fresh: true },
    { seed: 3, stage: 'tip', moved: true, rootMm: null, fresh: false },
  ]);
  readonly live = signal(true);
  readonly touched: number[] = [];
  readonly asked: number[] = [];
}

describe('the towel', () => {
  async function towel() {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(Host);
    await fixture.whenStable();
    const root = fixture.nativeElement as HTMLElement;
    return { fixture, host: fixture.componentInstance, seeds: () => [...root.querySelectorAll<SVGGElement>('[role=button]')] };
  }

  it('names every seed with what it shows, and takes touch and keys but not for moved ones', async () => {
    const { host, seeds } = await towel();
    expect(seeds().map((seed) => seed.getAttribute('aria-label'))).toEqual([
      'Seed 1, quiet',
      'Seed 2, root 9 mm, marked now',
      'Seed 3, moved',
    ]);
    seeds().forEach((seed) => seed.dispatchEvent(new MouseEvent('click', { bubbles: true })));
    seeds()[0]?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    seeds()[1]?.dispatchEvent(new KeyboardEvent('keydown', { key: 'm' }));
    seeds()[2]?.dispatchEvent(new KeyboardEvent('keydown', { key: ' ' }));
    expect(host.touched).toEqual([1, 2, 1]);
    expect(host.asked).toEqual([2]);
  });

  it('is a picture where it cannot be touched', async () => {
    const { fixture, host, seeds } = await towel();
    host.live.set(false);
    await fixture.whenStable();
    expect(seeds().length).toBe(0);
  });
});

describe('drawings', () => {
  it('give counted tips, moved ones and rot a place without touching a touched seed', () => {
    const look = { atMs: 1, through: false, rotten: 1, damp: null, rewetted: false, troubles: [] } as const;
    const state = parcelState(
      6,
      0,
      [{ ...look, tipped: 4, marks: [{ seed: 6, stage: 'root', rootMm: 8 }] }],
      [{ atMs: 2, seeds: [], uncounted: 1 }],
    );
    const shown = shownStages(state);
    expect(shown.filter(({ moved }) => moved).length).toBe(1);
    expect(shown.filter(({ stage, moved }) => stage === 'tip' && !moved).length).toBe(2);
    expect(shown.filter(({ stage }) => stage === 'rotten').length).toBe(1);
    expect(shown[5]).toEqual({ stage: 'root', moved: false });
  });

  it('draws a root as long as it is', () => {
    const path = document.createElementNS('http://www.w3.org/2000/svg', 'path');
    for (const length of [4, 12, 30]) {
      path.setAttribute('d', rootPath(3, length));
      expect(path.getTotalLength()).toBeGreaterThan(length * 0.9);
      expect(path.getTotalLength()).toBeLessThan(length * 1.3);
    }
  });
});
