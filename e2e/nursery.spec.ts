import type { APIRequestContext, Page } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import type { Nursery, Packet } from '@fresh-tuck/contract';
import { moveBody, spotBody } from '@fresh-tuck/contract/testing';
import { expect, test, type App } from './app.js';
import { householdOn } from './household.js';

const button = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' });

/** Seedlings that were moved from a towel, with the labels that they were given. */
async function moved(
  own: App,
  request: APIRequestContext,
  cropId: string,
  count: number,
  destination: string,
  more: { wanted?: number } = {},
) {
  const home = householdOn(own, request);
  await home.begin();
  const batch = await home.batch(cropId, '2026-03-28T18:30', { seeds: count, wanted: more.wanted ?? count });
  await home.look(batch.id, '2026-04-01T07:00', count);
  await home.send('post', `batches/${batch.id}/moves`, moveBody({ uncounted: count, destination, at: '2026-04-01T07:30' }));
  const nursery = async (): Promise<Nursery> => (await (await request.get(`${own.address}api/nursery`)).json()) as Nursery;
  const [tray] = (await nursery()).places.flatMap(({ trays }) => trays);
  const numbers = tray?.plants.map((plant) => plant.number) ?? [];
  const act = (said: object, some = numbers, at: string | null = null) =>
    home.send('post', 'nursery/acts', { id: uuid(), numbers: some, said, at });
  return { home, batch, tray, numbers, nursery, act };
}

test('sixty leeks: the whole tray is up in two touches, its lid comes off; what damps off lowers next year’s survival', async ({
  page,
  own,
  request,
}) => {
  const { home, numbers } = await moved(own, request, 'leek', 60, 'cell');
  const packetId = uuid();
  await home.send('post', 'packets', {
    id: packetId,
    cropId: 'leek',
    variety: 'Next Year',
    year: 2026,
    source: null,
    printedRatePercent: 90,
    seedCount: 80,
    dressed: false,
  });
  const fates = async () => ((await (await request.get(`${own.address}api/packets/${packetId}`)).json()) as Packet).fates['cell'];
  await page.goto(`${own.address}nursery`);
  await page.getByRole('link', { name: /Open the tray$/ }).click();
  await button(page, '60 up').click();
  await expect(page.getByRole('heading', { name: /: all 60 up$/ })).toBeVisible();
  await button(page, 'Undo').click();
  await expect(page.getByRole('heading', { name: /: none of 60 up yet$/ })).toBeVisible();
  // All but three: touch those, then the others.
  for (const number of numbers.slice(0, 3)) await page.getByRole('button', { name: `${number}: moved, not up yet`, exact: true }).click();
  await button(page, 'the others instead').click();
  await button(page, '57 up').click();
  await expect(page.getByRole('heading', { name: /: 57 of 60 up$/ })).toBeVisible();
  await button(page, 'Lid is off').click();
  await expect(button(page, 'Lid is off')).toBeHidden();

  // Half a row collapses: nothing is lost before it is named.
  await button(page, 'Fallen over, thin and brown at the soil').click();
  await expect(page.getByText('people with asthma leave it to someone else')).toBeVisible();
  await expect(button(page, 'Touch the lost ones first').first()).toBeDisabled();
  for (const number of numbers.slice(10, 16)) await page.getByRole('button', { name: `${number}: up`, exact: true }).click();
  await button(page, 'Lost to it: these 6').click();
  await expect(page.getByRole('heading', { name: /: 51 of 54 up$/ })).toBeVisible();
  expect(await fates()).toEqual(expect.objectContaining({ lived: 0, lost: 6 }));
  // Taken back, it tells nothing any more.
  await button(page, 'Undo').click();
  await expect(page.getByRole('heading', { name: /: 57 of 60 up$/ })).toBeVisible();
  expect(await fates()).toEqual(expect.objectContaining({ lived: 0, lost: 0 }));
});

test('pots of twelve with three kept: the best are named with their reason, the rest are given away', async ({ page, own, request }) => {
  const { act, numbers } = await moved(own, request, 'tomatillo', 12, 'pot', { wanted: 3 });
  await act({ kind: 'stage', stage: 'up' }, numbers.slice(0, 6), '2026-04-04T07:00');
  await act({ kind: 'stage', stage: 'up' }, numbers.slice(6), '2026-04-06T07:00');
  await act({ kind: 'stage', stage: 'true_leaves' }, numbers.slice(0, 5), '2026-04-10T07:00');
  await page.goto(`${own.address}nursery`);
  await page
    .getByRole('link', { name: /^Tomatillo/ })
    .first()
    .click();
  await page.getByText('The best first').click();
  await expect(page.getByText('a stage ahead and up first').first()).toBeVisible();
  await expect(page.getByRole('heading', { name: /^Let go of tomatillo/ })).toBeVisible();
  await expect(page.getByText(/Three are wanted: with the best \w+ kept, .*9 chances in 10/)).toBeVisible();
  await button(page, 'Pick them').click();
  await page.getByRole('button', { name: /^Give these \d away$/ }).click();
  await page.getByLabel('To whom, if you like').fill('the house next door');
  await button(page, 'Given away').click();
  await expect(page.getByRole('heading', { name: /^Let go of/ })).toBeHidden();

  // One of them by itself: what is seen on it, its role, and its record.
  await page.goto(`${own.address}seedling/${numbers[0]}`);
  await page.getByLabel('Seen on it: colour, shape, vigour').fill('dark stem');
  await button(page, 'Write it down').click();
  await expect(page.getByText('seen on it: dark stem', { exact: true })).toBeVisible();
  await button(page, /^Undo\s*: seen on it/).click();
  await expect(page.getByText('seen on it: dark stem', { exact: true })).toBeHidden();
  await page.goto(`${own.address}seedling/${numbers[11]}`);
  await expect(page.getByText('given to the house next door', { exact: true })).toBeVisible();
});

test('a porch tray: where it lies gives its daylight, a lamp the hours after dusk, a cold night its way in', async ({
  page,
  own,
  request,
}) => {
  const { home, act } = await moved(own, request, 'cabbage', 6, 'pot');
  await home.send('post', 'spots', spotBody({ name: 'Porch', kind: 'cool_room' }));
  await act({ kind: 'stage', stage: 'true_leaves' });
  await page.goto(`${own.address}nursery`);
  await page.getByRole('link', { name: 'say it in House' }).click();
  await page.getByLabel('How far north the house lies').fill('91');
  await button(page, 'Save how they are raised').click();
  await expect(page.getByText('Degrees from 65 S to 65 N, like 55.6 or 33.9 S, or empty.')).toBeVisible();
  await page.getByLabel('How far north the house lies').fill('55.6');
  await page.getByLabel('Sunshine, of the day’s hours').fill('5');
  await button(page, 'Save how they are raised').click();
  await expect(page.getByText('Saved. The Nursery follows it at once.')).toBeVisible();

  await page.goto(`${own.address}nursery`);
  await page
    .getByRole('link', { name: /^Cabbage/ })
    .first()
    .click();
  await button(page, /^Where they stand/).click();
  await page.getByRole('radio', { name: 'Porch' }).click();
  await expect(page.getByText('Stands at Porch.')).toBeVisible();
  await page.getByRole('link', { name: 'Nursery' }).first().click();
  await expect(page.getByText(/of 11 mol$/)).toBeVisible();
  await page.getByRole('link', { name: 'Porch' }).click();
  await button(page, /^The lamp/).click();
  await page.getByRole('radio', { name: 'white diodes, a board or strip' }).click();
  await page.getByLabel('Its strength at the leaves').fill('8000 lux');
  await page.getByLabel('Its switch gives').fill('30');
  await button(page, 'The light is so').click();
  await expect(page.getByText('From 0 to 24 hours a day, or empty.')).toBeVisible();
  await page.getByLabel('Its switch gives').fill('');
  await button(page, 'The light is so').click();
  await expect(page.getByText('Its light is noted.')).toBeVisible();
  await page.goto(`${own.address}nursery`);
  await expect(page.getByRole('heading', { name: 'Lamp on over porch' })).toBeVisible();

  // A forecast typed: tonight is too cold for what stands out there.
  await page.getByText('The weather ahead').click();
  await page.getByLabel('low Sa').fill('-1');
  await page.getByLabel('high Sa').fill('9');
  await page.getByLabel('low Su').fill('2');
  await button(page, 'This is the weather').click();
  await expect(page.getByText('Each day wants its lowest and its highest, like 4 and 12.')).toBeVisible();
  await page.getByLabel('high Su').fill('10');
  await button(page, 'This is the weather').click();
  await expect(page.getByRole('heading', { name: 'Carry the cabbage pots in by 17:00' }).first()).toBeVisible();
  await button(page, /^Carried in/).click();
  await expect(page.getByText('Carried in.')).toBeVisible();
  // Hardening begins: a week by that weather.
  await page
    .getByRole('link', { name: /^Cabbage/ })
    .first()
    .click();
  await button(page, 'further on…').click();
  await button(page, '6 hardening').click();
  await expect(page.getByRole('heading', { name: 'A week of hardening' })).toBeVisible();
  await expect(page.getByText('-1 °C to 9 °C')).toBeVisible();
});
