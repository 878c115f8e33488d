import { chromium, type Page } from '@playwright/test';
import config from '../../e2e/playwright.config.js';
import { startServer } from './server.js';

/** What a screen cost while somebody tapped on it. */
export interface Tapped {
  readonly what: string;
  /** From the address to the first heading, ms; 0 where it was tapped to. */
  readonly shownMs: number;
  /** Longest task on the main thread while tapping, ms; 0 where none was longer than 50. */
  readonly longestMs: number;
}

const watch = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const held = window as unknown as { longest: number; watching?: boolean };
    held.longest = 0;
    if (held.watching) return;
    held.watching = true;
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) held.longest = Math.max(held.longest, duration);
    }).observe({ type: 'longtask' });
  });
const longest = (page: Page): Promise<number> => page.evaluate(() => (window as unknown as { longest: number }).longest);

/** Opens a household of years in the browser and taps through a morning of it. */
export async function tapThrough(folder: string): Promise<Tapped[]> {
  // The morning after: what was looked at while it was measured wants its next look.
  const server = await startServer(folder, '2026-04-12T07:10:00+02:00');
  const browser = await chromium.launch(config.use?.launchOptions);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const told: Tapped[] = [];
  const on = async (what: string, path: string, tap: () => Promise<void>): Promise<void> => {
    const before = performance.now();
    await page.goto(`${server.address}${path}`);
    await page.locator('main h1, main [role=heading][aria-level="1"]').first().waitFor();
    const shownMs = performance.now() - before;
    await page.waitForTimeout(1200);
    await watch(page);
    await tap();
    await page.waitForTimeout(800);
    told.push({ what, shownMs, longestMs: await longest(page) });
  };
  try {
    await page.goto(server.address);
    await page.locator('main h1').first().waitFor();
    await page.waitForTimeout(8000);
    await on('Today, Why opened five times', '', async () => {
      for (let nth = 0; nth < 5; nth++) {
        await page.getByRole('button', { name: /^Why/ }).nth(nth).click();
        await page.waitForTimeout(300);
        await page.keyboard.press('Escape');
      }
    });
    await on('A round of six parcels', '', async () => {
      await page
        .getByRole('button', { name: /^(Start the round|Go on with the round)/ })
        .first()
        .click();
      await page.locator('header p', { hasText: /\d+ of \d+/ }).waitFor();
      await page.waitForTimeout(1500);
      // The screen of a parcel is built for the first one; from here on it is tapping.
      told.push({ what: 'The first parcel of a round opened', shownMs: 0, longestMs: await longest(page) });
      await watch(page);
      for (let parcel = 0; parcel < 6; parcel++) {
        await page.locator('header p', { hasText: /\d+ of \d+/ }).waitFor();
        const where = (await page.locator('header p', { hasText: /\d+ of \d+/ }).textContent())?.trim() ?? '';
        const opened = page.getByRole('radio', { name: 'opened', exact: true });
        if ((await opened.getAttribute('aria-checked')) !== 'true') await opened.click();
        const next = page.locator('header p', { hasText: /\d+ of \d+/ }).filter({ hasNotText: where });
        await page
          .getByRole('button', { name: /^(Nothing new|Move them later)/ })
          .first()
          .click();
        await next.first().waitFor();
      }
    });
    await on('Seeds, looked through, and more shown', 'seeds', async () => {
      await page.getByPlaceholder('look through the box').pressSequentially('variety 12', { delay: 60 });
      await page.waitForTimeout(500);
      await page.getByPlaceholder('look through the box').fill('');
      await page.waitForTimeout(500);
      for (let nth = 0; nth < 3; nth++) {
        await page
          .getByRole('button', { name: /^Show more/ })
          .first()
          .click();
        await page.waitForTimeout(400);
      }
    });
    await on('Nursery, six marked and more shown', 'nursery', async () => {
      for (let nth = 0; nth < 6; nth++) {
        await page
          .getByRole('button', { name: /\. Touch: / })
          .first()
          .click();
        await page.waitForTimeout(400);
      }
      await page.getByText(/\d+ planted out/).click();
      await page
        .getByRole('button', { name: /^Show more/ })
        .first()
        .click();
    });
    await on('Find, a word typed', 'nursery', async () => {
      await page.keyboard.press('/');
      await page.waitForTimeout(700);
      await page.keyboard.type('tomato vari', { delay: 70 });
    });
    await on('Tuck in, a packet chosen', 'tuck', async () => {
      await page.getByRole('button', { name: /^Packet:/ }).click();
      await page.getByLabel('Look through the box').pressSequentially('variety 14', { delay: 60 });
      await page.waitForTimeout(500);
      await page
        .getByRole('radio', { name: /variety 14/i })
        .first()
        .click();
      await page.waitForTimeout(1500);
    });
  } finally {
    await browser.close();
    await server.stop();
  }
  return told;
}
