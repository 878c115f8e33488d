import type { Page } from '@playwright/test';
import { expect, test } from './app.js';

/** The household is built anew, weeks of looks and all; then the page begins again too. */
async function beginAgain(page: Page): Promise<void> {
  const loaded = page.waitForEvent('load');
  await page.getByRole('button', { name: 'Begin again' }).click();
  await loaded;
}

test('the demo is walked through on a phone: seen as it lies, reported, stepped on and begun again', async ({ page, demo }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(demo.address);
  await beginAgain(page);
  await expect(page.getByRole('heading', { name: /^Open .* this morning$/ })).toBeVisible();
  await page.getByRole('button', { name: 'Start the round' }).click();
  await expect(page.getByRole('heading', { name: /Okra, Tall Mast/ })).toBeVisible();
  await page.getByRole('button', { name: 'Demo: what lies in the bag?' }).click();
  await expect(page.getByText('This is what you would see.')).toBeVisible();
  await page.getByRole('radio', { name: 'opened', exact: true }).click();
  await page.getByRole('button', { name: 'Seed 2, swollen' }).click();
  await page.getByRole('button', { name: 'damp', exact: true }).click();
  // The main action is in reach of the thumb, on the screen, whatever is scrolled.
  await expect(page.getByRole('button', { name: 'Save, and move what is ready' })).toBeInViewport({ ratio: 1 });
  await page.getByRole('button', { name: 'Save, and move what is ready' }).click();
  await page.getByRole('button', { name: 'Not now' }).click();
  await expect(page.getByRole('heading', { name: /Melon, Salt Stair/ })).toBeVisible();
  // How one looks was asked once for the round.
  await expect(page.getByRole('radio', { name: 'opened', exact: true, checked: true })).toBeVisible();
  await page.getByRole('button', { name: 'Skip', exact: true }).click();
  await expect(page.getByRole('heading', { name: /Salt Stair/ })).toBeHidden();
  await page.getByRole('link', { name: 'Pause' }).click();
  await page.getByRole('button', { name: 'Half a day on' }).click();
  // Nobody took the soybean out of its water, which was due in the morning.
  await expect(page.getByRole('heading', { level: 1, name: /^Out of the water: .*Soybean/ })).toBeVisible();
  await expect(page.getByText('Saturday 11 April, 19:10')).toBeVisible();
  await beginAgain(page);
  await expect(page.getByRole('heading', { name: /this morning$/ })).toBeVisible();
});

test('an unknown batch is said to be unknown', async ({ page, demo }) => {
  await page.goto(`${demo.address}batch/01900000-0000-7000-8000-000000000000`);
  await expect(page.getByText('There is no batch with this id.')).toBeVisible();
  await page.goto(`${demo.address}open/01900000-0000-7000-8000-000000000000`);
  await expect(page.getByText('There is no batch with this id.')).toBeVisible();
});
