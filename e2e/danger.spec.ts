import { expect } from '@playwright/test';
import type { BatchWithJournal } from '@fresh-tuck/contract';
import { packetBody } from '@fresh-tuck/contract/testing';
import { v7 as uuid } from 'uuid';
import { button, test } from './app.js';
import { householdOn } from './household.js';

test('heat that was typed leads Today until the bags stand elsewhere, and the board is refused meanwhile', async ({
  page,
  own,
  request,
}) => {
  const home = householdOn(own, request);
  await home.begin();
  const { id } = await home.batch('okra', '2026-04-08T18:30');
  const cool = { id: uuid(), name: 'Landing', kind: 'room' };
  await home.send('post', 'spots', cool);

  await page.goto(`${own.address}house`);
  await button(page, /^Type what the thermometer at .* says$/)
    .first()
    .click();
  await page.getByLabel('Lowest').fill('38');
  await page.getByLabel('Highest').fill('45');
  await button(page, 'Save the reading').click();
  await expect(page.getByText('45 °C? Most wet seed dies there.')).toBeVisible();
  await button(page, 'Yes, save it').click();
  await expect(page.getByText('41.5 °C, swings 7°')).toBeVisible();

  await page.goto(own.address);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Too hot at .*: up to 45 °C$/);
  await page.getByRole('link', { name: /^Move \d+$/ }).click();
  await expect(page.getByRole('heading', { name: 'Off the heat now' })).toBeVisible();
  await expect(button(page, /Read up to 45 °C/)).toBeDisabled();

  await page.goto(`${own.address}open/${id}`);
  await expect(page.getByText('Off the heat first: its place kills.')).toBeVisible();

  // Nothing new is put there, and the sentence says so where it is put elsewhere by itself.
  const { packetId } = (await (await request.get(`${own.address}api/batches/${id}`)).json()) as BatchWithJournal;
  await page.goto(`${own.address}tuck?packet=${packetId}`);
  await expect(page.getByText(/Read up to 45 °C: .* of this seed would die in a day there\./)).toBeVisible();
  await expect(button(page, 'Warm spot: Landing')).toBeVisible();

  await page.goto(`${own.address}batch/${id}?show=place`);
  await button(page, /^Landing/).click();
  await expect(page.getByRole('heading', { name: 'Off the heat now' })).toBeHidden();
  await page.goto(own.address);
  await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(/Too hot/);
});

test('a soak is due out by its hours, and a dry towel stays first until it has water', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const packet = packetBody({ cropId: 'broad-bean', variety: 'Fog Horn', seedCount: 60 });
  await home.send('post', 'packets', packet);
  await page.goto(`${own.address}tuck?packet=${packet.id}`);
  await expect(page.getByText('Soaked seed brings its own drink: no more than this.')).toBeVisible();
  await button(page, /^Tuck in \d+ seeds/).click();
  await expect(page.getByRole('heading', { name: /is tucked in$/ })).toBeVisible();
  await page.goto(own.address);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Nothing to open/);
  await own.restart('2026-04-12T07:00:00+02:00');
  await page.goto(own.address);
  await expect(page.getByText('out of the water')).toBeVisible();
  await page.getByRole('link', { name: /^Open parcel \d+, Broad bean/ }).click();
  await button(page, 'opened').click();
  await button(page, 'drying').click();
  await button(page, 'Save the damp only').click();
  // Stored, and back on Today, before the machine is killed.
  await page.waitForURL(own.address);

  // Twelve hours on nobody has given it water: it is said as it was.
  await own.restart('2026-04-12T19:10:00+02:00');
  await page.goto(own.address);
  await expect(page.getByText('drying: wet it now')).toBeVisible();
  await page.getByRole('link', { name: /^Open parcel \d+, Broad bean/ }).click();
  await button(page, 'opened').click();
  await button(page, 'drying').click();
  await button(page, 'I re-damped it').click();
  await button(page, 'nothing new').click();
  await button(page, 'Save this look').click();
  await page.waitForURL(own.address);
  await expect(page.getByText('drying: wet it now')).toBeHidden();
});
