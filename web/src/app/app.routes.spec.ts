import { provideZonelessChangeDetection, type Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter, Router, type Routes } from '@angular/router';
import { of } from 'rxjs';
import { routes } from './app.routes';
import { AboutService } from './data/household/about.service';
import { ABOUT } from './testing/house';

const all = (within: Routes): Routes => within.flatMap((route) => [route, ...all(route.children ?? [])]);
const screens = all(routes).filter(({ loadComponent }) => loadComponent !== undefined);

describe('the ways through the house', () => {
  it('each leads to a screen that can be loaded, under a title of its own', async () => {
    expect(screens.length).toBeGreaterThan(18);
    for (const { path, title, loadComponent } of screens) {
      const screen = (await loadComponent?.()) as Type<unknown>;
      expect(typeof screen)
        .withContext(path ?? '')
        .toBe('function');
      expect(String(title))
        .withContext(path ?? '')
        .toMatch(/^.+ · Fresh Tuck$/);
    }
    const titles = screens.map(({ title }) => title);
    expect(new Set(titles).size).toBe(titles.length);
  });

  it('lead to the first run before there is a household, and to Today where there is no such way', async () => {
    const where = async (household: typeof ABOUT.household, url: string): Promise<string> => {
      TestBed.resetTestingModule();
      // The ways as they are, with nothing at their ends: what is loaded is another spec's.
      const bare = (within: Routes): Routes =>
        within.map(({ loadComponent: _, ...route }) => ({
          ...route,
          ...(route.redirectTo === undefined ? { children: bare(route.children ?? []) } : {}),
        }));
      TestBed.configureTestingModule({
        providers: [
          provideZonelessChangeDetection(),
          provideRouter(bare(routes)),
          { provide: AboutService, useValue: { first$: of({ ...ABOUT, household }) } },
        ],
      });
      const router = TestBed.inject(Router);
      await router.navigateByUrl(url);
      return router.url;
    };
    expect(await where(null, '/seeds')).toBe('/welcome');
    expect(await where(ABOUT.household, '/seeds')).toBe('/seeds');
    expect(await where(ABOUT.household, '/no/such/room')).toBe('/');
    expect(await where(null, '/welcome')).toBe('/welcome');
  });
});
