import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import type { Batch, Elsewhere, ShelfView } from '@fresh-tuck/contract';
import { readingBody, spotBody } from '@fresh-tuck/contract/testing';
import { button, start, test } from './app.js';
import { householdOn } from './household.js';

/** A bag by its first parcel, in the thumb's menu. */
async function carryFrom(page: Page, name: RegExp, to: string): Promise<void> {
  await page.getByRole('button', { name }).click();
  await page.getByRole('menuitem', { name: 'Carry it to another board' }).click();
  await page.getByRole('button', { name: `Carry it to ${to}` }).click();
}

test('two lots of one crop, warm and cool: the boards say the difference in days, also from looks through the bag', async ({
  page,
  own,
  request,
}) => {
  const home = householdOn(own, request);
  await home.begin();
  const shelf = spotBody({ id: uuid(), name: 'Bookshelf', kind: 'room' });
  await home.send('post', 'spots', shelf);
  for (const day of ['2026-04-06', '2026-04-09', '2026-04-10'])
    await home.send('post', `spots/${shelf.id}/readings`, readingBody(day, { minC: 18.5, maxC: 19.5 }));
  const warm = await home.batch('tomatillo', '2026-04-07T18:30', { seeds: 12 });
  const cool = await home.batch('tomatillo', '2026-04-07T18:30', { seeds: 12 });
  await home.send('post', `holders/${cool.bag}/place`, { id: uuid(), spotId: shelf.id, at: '2026-04-07T18:30' });
  for (const at of ['2026-04-09T07:00', '2026-04-10T07:00', '2026-04-10T18:30'])
    for (const { id } of [warm, cool]) await home.look(id, at, 0, { via: 'through' });
  await home.look(warm.id, null, 1);

  await page.goto(`${own.address}shelf`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Tomatillo/);
  const left = async (name: RegExp): Promise<number> => (await page.getByRole('button', { name }).boundingBox())?.x ?? NaN;
  await expect(page.getByRole('button', { name: /^2 Tomatillo.*at Bookshelf/ })).toBeVisible();
  expect(await left(/^1 Tomatillo.*at Hall cupboard/)).toBeLessThan(await left(/^2 Tomatillo.*at Bookshelf/));
  await page.getByRole('button', { name: /^2 Tomatillo/ }).click();
  await page.getByRole('menuitem', { name: 'Carry it to another board' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText(/days sooner/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Leave it where it is' }).click();

  // The place's own page says who belongs there.
  await page.getByRole('link', { name: 'Bookshelf' }).click();
  await expect(page.getByText(/Better at Hall cupboard, .* sooner/)).toBeVisible();
  await button(page, /^Carry 2 to Hall cupboard$/).click();
  await page.getByRole('button', { name: 'Carry it to Hall cupboard' }).click();
  await expect(page.getByText('2 stands at Hall cupboard.')).toBeVisible();
});

test('three lots in one bag in a cold room: the logger’s file comes in whole, then the bag goes to the warm', async ({
  page,
  own,
  request,
}) => {
  const home = householdOn(own, request);
  await home.begin();
  const porch = spotBody({ id: uuid(), name: 'Back porch', kind: 'cool_room' });
  await home.send('post', 'spots', porch);
  const first = await home.batch('pea', '2026-04-07T18:30');
  await home.batch('radish', '2026-04-07T18:30', { bag: first.bag });
  await home.batch('spinach', '2026-04-07T18:30', { bag: first.bag });
  await home.send('post', `holders/${first.bag}/place`, { id: uuid(), spotId: porch.id, at: '2026-04-07T18:30' });
  // Local times, decimal commas, a line of the maker's above the table, every ten minutes for three days.
  const lines = Array.from({ length: 432 }, (_, nth) => {
    const local = new Date(Date.UTC(2026, 3, 8, 7, nth * 10)).toISOString();
    const warmth = 9.5 + 2.5 * Math.sin((nth / 144) * 2 * Math.PI);
    return `${local.slice(8, 10)}.${local.slice(5, 7)}.2026 ${local.slice(11, 16)};${warmth.toFixed(1).replace('.', ',')}`;
  });
  const file = {
    name: 'porch.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(['Porch logger', 'Datum;Temperatur °C', ...lines].join('\r\n')),
  };

  await page.goto(`${own.address}spot/${porch.id}`);
  await page.getByLabel('Bring in a logger’s file').setInputFiles(file);
  await expect(page.getByText(/porch\.csv: 432 lines from Wed 8 Apr, 07:00 to Sat 11 Apr/)).toBeVisible();
  await button(page, 'Bring in 72 hours').click();
  await expect(page.getByText('72 hours came in.')).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Back porch: 9\.\d °C, swings 4°, too cool for radish$/);
  await expect(page.getByText(/from a logger’s file/)).toBeVisible();
  // Brought once more, it is known.
  await page.getByLabel('Bring in a logger’s file').setInputFiles(file);
  await button(page, 'Bring in 72 hours').click();
  await expect(page.getByText(/Every hour of this file is known already/)).toBeVisible();
  await page
    .getByLabel('Bring in a logger’s file')
    .setInputFiles({ ...file, buffer: Buffer.from('Time;Temp\n2026-04-09 07:00;21,5 C\n2026-04-09 08:00;70,1 F\n') });
  await expect(page.getByText(/Some temperatures are in °C and some in °F/)).toBeVisible();

  await page.goto(`${own.address}shelf`);
  await carryFrom(page, /^1 Pea/, 'Hall cupboard');
  await expect(page.getByText('The bag with 1, 2 and 3 stands at Hall cupboard.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^3 Spinach.*at Hall cupboard/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /^3 Spinach.*at Back porch/ })).toBeVisible();
});

test('a sunny sill overshoots: seen beforehand, warned of on Today, and then in its record', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const sill = spotBody({ id: uuid(), name: 'South sill', kind: 'sill' });
  await home.send('post', 'spots', sill);
  const { bag } = await home.batch('leek', '2026-04-08T18:30');
  await home.send('post', `holders/${bag}/place`, { id: uuid(), spotId: sill.id, at: null });

  await page.goto(`${own.address}spot/${sill.id}`);
  await expect(page.getByText(/A guess by its kind: nothing was read here yet/)).toBeVisible();
  await page.getByRole('checkbox', { name: 'under a lid or in a closed box' }).check();
  await button(page, 'It is set up so').click();
  await expect(page.getByText('Saved: the forecasts of all that stands here follow it.')).toBeVisible();
  await button(page, /^What comes over it/).click();
  await page.getByRole('radio', { name: 'a clear sky tomorrow' }).click();
  await expect(page.getByText(/The parcels get .* at most [345]\d(\.\d)? °C \(tomorrow 1[2-5]:00\)/)).toBeVisible();
  await button(page, 'Reckon with it').click();
  await expect(page.getByText(/Sun 12 Apr, 06:00 to Sun 12 Apr, 21:00: a clear sky, sun on it/)).toBeVisible();

  await page.goto(own.address);
  await expect(
    page.getByRole('heading', { name: /^South sill will be too hot from (?:tomorrow )?1\d:00: up to about [345]\d °C/ }),
  ).toBeVisible();
  await expect(page.getByText(/Carry it to a cooler board before then/)).toBeVisible();

  await own.restart('2026-04-13T07:10+02:00');
  await page.goto(`${own.address}spot/${sill.id}`);
  await page.getByLabel('Day', { exact: true }).fill('2026-04-12');
  await page.getByLabel('Lowest').fill('15');
  await page.getByLabel('Highest').fill('41');
  await button(page, 'Save the reading').click();
  await button(page, 'Yes, save it').click();
  await button(page, 'Show what was read').click();
  await expect(page.getByText('Sun 12 Apr: 15 °C to 41 °C')).toBeVisible();
  await page.goto(own.address);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Too hot at South sill: up to 41 °C');
});

test('a bag dragged to another board shows its days before it is dropped, and they come true', async ({ page }) => {
  const demo = await start('demo');
  try {
    await page.goto(`${demo.address}shelf`);
    const bag = page.getByRole('button', { name: /^20 Celeriac/ });
    await expect(bag).toBeVisible();
    const [from, to] = [await bag.boundingBox(), await page.getByRole('button', { name: /^10 Strawberry/ }).boundingBox()];
    if (!from || !to) throw new Error('nothing stands there');
    const hold = async (y: number): Promise<void> => {
      await expect(page.locator('.cdk-drag-preview')).toHaveCount(0);
      const at = (await bag.boundingBox()) ?? from;
      await page.mouse.move(at.x + 20, at.y + 15);
      await page.mouse.down();
      await page.mouse.move(at.x + 30, at.y + 5, { steps: 4 });
      await page.mouse.move(640, y, { steps: 12 });
    };
    // Held over the cold it says so; carried back it stands where it stood.
    await hold(to.y + 20);
    await expect(page.getByText(/^20\s*(?:\d+(?:\.\d)? (?:days|weeks) later|nothing moves there)/)).toBeVisible();
    await page.mouse.move(640, from.y + 20, { steps: 8 });
    await page.mouse.up();
    await expect(page.getByRole('button', { name: /^20 Celeriac.*at Fridge top/ })).toBeVisible();
    const warm = await page.getByRole('button', { name: /^21 Okra/ }).boundingBox();
    await hold((warm?.y ?? 0) + 30);
    await expect(page.getByText(/^20\s*.*(?:sooner|later|as soon)/)).toBeVisible();
    await page.mouse.up();
    await expect(page.getByText('20 stands at Hall cupboard.')).toBeVisible();

    // Dropped elsewhere it is a leek's turn: to the warm and back, its days told and come true.
    const ask = async <T>(path: string): Promise<T> => (await (await page.request.get(`${demo.address}api/${path}`)).json()) as T;
    const batches = await ask<Batch[]>('batches');
    const celeriac = batches.find(({ number }) => number === 20);
    const told = (await ask<Elsewhere>(`holders/${celeriac?.holder.id}/elsewhere`)).boards.find(({ here }) => here)?.parcels[0]?.stands;
    const shelf = await ask<ShelfView>('shelf');
    expect(shelf.boards[0]?.parcels.find(({ number }) => number === 20)?.stands).toEqual(told);
    const halfDays = Math.ceil(((told?.highMs ?? 0) - shelf.nowMs) / (12 * 3_600_000)) + 1;
    for (let nth = 0; nth < halfDays; nth++) await page.request.post(`${demo.address}api/demo/step`);
    const { seeds } = await ask<{ seeds: { stage: string }[] }>(`demo/parcels/${celeriac?.id}`);
    expect(seeds.filter(({ stage }) => ['tip', 'root', 'leaves'].includes(stage)).length).toBeGreaterThan(0);
  } finally {
    await demo.kill();
  }
});

test('three days away: what runs late is told, two remedies are taken, and the return begins with what is due', async ({
  page,
  own,
  request,
}) => {
  const home = householdOn(own, request);
  await home.begin();
  const porch = spotBody({ id: uuid(), name: 'Back porch', kind: 'cool_room' });
  await home.send('post', 'spots', porch);
  for (const day of ['2026-04-08', '2026-04-10'])
    await home.send('post', `spots/${porch.id}/readings`, readingBody(day, { minC: 9, maxC: 12 }));
  const kale = await home.batch('kale', '2026-04-10T18:30', { seeds: 10 });
  const dill = await home.batch('dill', '2026-04-02T18:30', { seeds: 10 });
  await home.look(dill.id, null, 2);
  await page.goto(own.address);
  await button(page, 'Away for some days?').click();
  await page.getByLabel('Leaving').fill('2026-04-11T12:00');
  await page.getByLabel('Back').fill('2026-04-10T18:00');
  await expect(page.getByText('The day of return must lie after the day of leaving.')).toBeVisible();
  await page.getByLabel('Back').fill('2026-04-14T18:00');
  await expect(page.getByRole('heading', { name: '3 days away: see to 1 and 2 before leaving' })).toBeVisible();
  await expect(page.getByText(/Move the two sprouts that show before leaving/)).toBeVisible();
  await button(page, 'Carried to Back porch: 1').click();
  await expect(page.getByText('1: carried to back porch.')).toBeVisible();
  await page.getByRole('button', { name: 'Open it now: 2' }).click();
  await expect(page).toHaveURL(new RegExp(`/open/${dill.id}`));
  await page.goto(own.address);
  await button(page, 'Away for some days?').click();
  await page.getByLabel('Leaving').fill('2026-04-11T12:00');
  await page.getByLabel('Back').fill('2026-04-14T18:00');
  await button(page, 'Plan no looks then').click();
  await expect(page.getByText(/Away Sat 11 Apr, 12:00 to Tue 14 Apr, 18:00: no look is planned then\./)).toBeVisible();
  const { boards } = (await (await request.get(`${own.address}api/shelf`)).json()) as ShelfView;
  expect(boards.find(({ spot }) => spot.id === porch.id)?.parcels.map(({ id }) => id)).toEqual([kale.id]);
  await own.restart('2026-04-14T18:40+02:00');
  await page.goto(own.address);
  await expect(page.getByText(/Away Sat 11 Apr/)).toBeHidden();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^(?:Rescue|Open) /);
  await expect(page.getByRole('button', { name: /^Start the (?:round|rescue)$/ })).toBeVisible();
});

test('the household’s own thermometer sends, sleeps in the evening, and Today says that it has gone silent', async ({ page }) => {
  const demo = await start('demo', { probe: true });
  try {
    await page.goto(`${demo.address}shelf`);
    await page.getByRole('link', { name: 'Mat, kitchen shelf' }).click();
    await expect(page.getByText(/the wire: \d\d(?:\.\d)? °C, this morning/)).toBeVisible();
    await expect(page.getByText(/sent by a thermometer/)).toBeVisible();
    await page.goto(demo.address);
    await expect(page.getByText(/No reading from the wire/)).toBeHidden();
    await button(page, 'Half a day on').click();
    await expect(page.getByText(/No reading from the wire at Mat, kitchen shelf for \d+ minutes; it said/)).toBeVisible();
    await page.getByRole('link', { name: 'Its page' }).click();
    await page.getByRole('button', { name: /^Withdraw its token/ }).click();
    await expect(page.getByText('Its token lets nobody in any more.')).toBeVisible();
    await expect(page.getByText(/the wire: /)).toBeHidden();
  } finally {
    await demo.kill();
  }
});
