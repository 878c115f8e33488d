import { batchBody } from '@fresh-tuck/contract/testing';
import type { Page } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { expect, test } from './app.js';
import { householdOn } from './household.js';

/** Sixty letters and no space: a name that somebody pastes. */
const LONG = 'Tomatenpflanzensamenkornverpackungsbezeichnungsschildchenname';
const NAME = LONG.slice(0, 60);

const SCREENS = [
  '',
  'seeds',
  'seeds?add=1',
  'house',
  'tuck',
  'tuck?packet=PACKET',
  'packet/PACKET',
  'packet/PACKET/test',
  'seeds/import',
  'open/BATCH',
  'batch/BATCH',
  'crop/CROP',
  'crop/CROP/figures',
  'notebook',
  'notebook/notes',
  'notebook/back',
  'notebook/practice',
  'notebook/workbench',
  'notebook/trials/plan',
  'notebook/trials/compare',
  'notebook/handbook',
  'notebook/handbook/troubles',
  'notebook/handbook/media',
  'notebook/handbook/schools',
  'notebook/handbook/safety',
  'notebook/handbook/figures',
  'shelf',
  'nursery',
  'sitting',
  'sitting/SITTING',
  'sitting/SITTING/lay',
  'scan',
  'round/paper',
  'more',
];

/** As a reader does who sets the text twice as large: every size doubled, the layout left to cope. */
const doubleText = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const all = Array.from(document.body.querySelectorAll<HTMLElement>('*'));
    const sizes = all.map((element) => parseFloat(getComputedStyle(element).fontSize));
    all.forEach((element, index) => element.style.setProperty('font-size', `${(sizes[index] ?? 16) * 2}px`, 'important'));
  });

/** What reaches beyond the right edge, the innermost first; nothing where the page does not scroll sideways. */
const beyond = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const wide = document.documentElement.clientWidth;
    const scroller = document.scrollingElement;
    if (!scroller || scroller.scrollWidth <= wide) return [];
    const scrolls = (element: Element | null): boolean =>
      element !== null && (/auto|scroll|hidden|clip/.test(getComputedStyle(element).overflowX) || scrolls(element.parentElement));
    return Array.from(document.body.querySelectorAll('*'))
      .filter(
        (element) => element.getBoundingClientRect().right > wide + 1 && element.children.length === 0 && !scrolls(element.parentElement),
      )
      .slice(0, 4)
      .map(
        (element) =>
          `${element.parentElement?.tagName}.${element.parentElement?.className} > ${element.tagName}.${element.getAttribute('class')}: ${element.textContent?.trim().slice(0, 40)}`,
      );
  });

for (const [width, height] of [
  [1280, 800],
  [390, 844],
] as const) {
  test(`names of sixty letters and text twice as large scroll no screen sideways at ${width}`, async ({ page, own, request }) => {
    test.setTimeout(600_000);
    await page.setViewportSize({ width, height });
    await page.emulateMedia({ reducedMotion: 'reduce' });
    const home = householdOn(own, request);
    await home.begin();
    await home.send('put', 'household', {
      id: uuid(),
      name: NAME,
      zone: 'Europe/Copenhagen',
      units: 'metric',
      lookingTimes: ['07:00', '18:30'],
      millilitresPerSpray: 0.8,
      version: 0,
    });
    const [spotId, packetId, batchId, bedId, cropId, sittingId] = [uuid(), uuid(), uuid(), uuid(), uuid(), uuid()];
    await home.send('post', 'spots', { id: spotId, name: NAME, kind: 'cupboard' });
    await home.send('post', 'beds', { id: bedId, name: NAME, widthM: 1, lengthM: 2, madeYear: null });
    await home.send('post', 'racks', { id: uuid(), name: NAME, slots: 8 });
    await home.send('post', 'crops', { id: cropId, like: 'okra', name: NAME, figures: {} });
    const packet = { cropId, variety: NAME, year: 2025, source: NAME, printedRatePercent: 90, seedCount: 60, dressed: true };
    await home.send('post', 'packets', { id: packetId, ...packet });
    await home.send('post', 'batches', batchBody(packetId, spotId, { id: batchId, startAt: '2026-04-07T18:30' }));
    await home.look(batchId, '2026-04-10T18:30', 3, { who: NAME, note: NAME });
    await home.send('post', `batches/${batchId}/moves`, {
      id: uuid(),
      at: null,
      seeds: [],
      uncounted: 1,
      destination: 'bed',
      bedId,
      who: NAME,
    });
    const lines = [{ id: uuid(), packetId }];
    await home.send('post', 'sittings', { id: sittingId, name: NAME, lines });
    await home.send('post', 'backups', { id: uuid() });
    const wrong: string[] = [];
    for (const screen of SCREENS) {
      const ids = { BATCH: batchId, PACKET: packetId, CROP: cropId, SITTING: sittingId };
      await page.goto(own.address + screen.replace(/BATCH|PACKET|CROP|SITTING/, (what) => ids[what as keyof typeof ids]));
      await expect(page.locator('h1, [role=heading][aria-level="1"]').first()).toBeVisible();
      if (screen.startsWith('tuck?')) await expect(page.getByRole('heading', { name: 'Where it goes' })).toBeVisible();
      for (const twice of [false, true]) {
        if (twice) await doubleText(page);
        for (const what of await beyond(page)) wrong.push(`${screen}${twice ? ' at 200 %' : ''}: ${what}`);
      }
    }
    expect(wrong).toEqual([]);
  });
}
