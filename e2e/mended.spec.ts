import type { BatchWithJournal, NurseryPage, PacketName, PacketSheet } from '@fresh-tuck/contract';
import { batchBody, moveBody, packetBody } from '@fresh-tuck/contract/testing';
import type { Page } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { button, expect, inWord, test, type App } from './app.js';
import { householdOn } from './household.js';

const told = async (own: App, id: string): Promise<BatchWithJournal> =>
  (await (await fetch(`${own.address}api/batches/${id}`)).json()) as BatchWithJournal;

/** Counts what a thumb taps on a page, from now on. */
async function taps(page: Page): Promise<() => Promise<number>> {
  const listen = (): void => {
    const counter = window as unknown as { taps?: number };
    counter.taps ??= 0;
    addEventListener('click', (event) => event.isTrusted && (counter.taps = (counter.taps ?? 0) + 1), true);
  };
  await page.evaluate(listen);
  return () => page.evaluate(() => (window as unknown as { taps?: number }).taps ?? 0);
}

test('three days are entered late, in the wrong order, and one of them corrected', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const { id } = await home.batch('okra', '2026-04-07T18:30');
  // Yesterday’s first, seed by seed.
  await page.goto(`${own.address}open/${id}`);
  await inWord(page, /^When it was looked at:/, (panel) => panel.getByRole('radio', { name: 'yesterday evening, 18:30' }).click());
  await button(page, 'opened').click();
  for (const seed of [2, 5, 7]) await button(page, `Seed ${seed}, quiet`).click();
  await button(page, /^Save/).click();
  await button(page, 'Not now').click();
  await expect.poll(async () => (await told(own, id)).answers.state.tipped).toBe(3);
  // Then the days before, as a table; more than was seen later cannot be.
  await page.goto(`${own.address}batch/${id}`);
  await button(page, 'Enter several days').click();
  const rows = page.locator('ft-days tbody tr');
  await expect(rows).toHaveCount(2);
  await page.getByLabel('tips in all, row 1').fill('0');
  await page.getByLabel('tips in all, row 2').fill('4');
  await button(page, 'Keep these days').click();
  await expect(page.getByText(/The number showing a tip in row 2 must be at most 3/)).toBeVisible();
  await page.getByLabel('tips in all, row 2').fill('2');
  await button(page, 'Keep these days').click();
  await expect(page.getByText('2 looks stand in the journal.')).toBeVisible();
  const journal = async (): Promise<string[]> =>
    (await told(own, id)).journal.filter(({ kind, counts }) => kind === 'look' && counts).map(({ text }) => text.split(' ·')[0] ?? '');
  await expect
    .poll(journal)
    .toEqual([
      expect.stringMatching(/^1 new tip, 3 in all/),
      expect.stringMatching(/^2 new tips, 2 in all/),
      expect.stringMatching(/^Nothing new/),
    ] as never);
  // The middle one was one tip: corrected, and the last one is told anew by it.
  await page
    .getByRole('link', { name: /^Correct the look of/ })
    .nth(1)
    .click();
  await expect(page.getByText('Correct a look')).toBeVisible();
  await button(page, 'One tip fewer').click();
  await button(page, 'Save the correction').click();
  await expect.poll(async () => (await journal())[0]).toMatch(/^2 new tips, 3 in all/);
  expect((await told(own, id)).answers.state.tipped).toBe(3);
});

test('a wrong packet is found out after the move: the labels follow, and it can be taken back', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const { id } = await home.batch('okra', '2026-04-07T18:30');
  const right = packetBody({ id: uuid(), cropId: 'okra', variety: 'Windlass', seedCount: 30 });
  await home.send('post', 'packets', right);
  await home.look(id, '2026-04-10T18:30', 4);
  await home.send('post', `batches/${id}/moves`, moveBody({ uncounted: 3 }));
  await page.goto(`${own.address}batch/${id}`);
  await button(page, 'Correct this').click();
  await inWord(page, /^Packet:/, (panel) => panel.getByRole('radio', { name: /^Okra, Windlass/ }).click());
  await expect(page.getByText('8 seeds go back into Okra, Quay and leave Okra, Windlass.')).toBeVisible();
  await expect(page.getByText('Labels 2 to 4 in the Nursery are of Okra, Windlass then: write their name anew.')).toBeVisible();
  await button(page, 'Correct it so').click();
  await expect(page.getByRole('heading', { name: /Okra, Windlass/, level: 1 })).toBeVisible();
  const nursery = async (): Promise<string[]> =>
    ((await (await request.get(`${own.address}api/nursery?group=moved`)).json()) as NurseryPage).seedlings.map(({ title }) => title);
  expect(await nursery()).toEqual(Array(3).fill('Okra, Windlass'));
  const left = async (packetId: string): Promise<number | null> =>
    ((await (await request.get(`${own.address}api/packets/${packetId}`)).json()) as PacketSheet).seedsLeft;
  expect(await left(right.id)).toBe(22);
  await expect(page.getByText('Corrected: the packet is Okra, Windlass. Before: the packet is Okra, Quay.')).toBeVisible();
  await page.locator('.journal li', { hasText: 'Corrected: the packet' }).getByRole('button', { name: 'Undo' }).click();
  await button(page, 'Take it back').click();
  await expect(page.getByRole('heading', { name: /Okra, Quay/, level: 1 })).toBeVisible();
  expect([await left(right.id), await nursery()]).toEqual([30, Array(3).fill('Okra, Quay')]);
});

test('the same table comes in twice: it is known again, and each is taken out in one', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const file = (text: string) => ({ name: 'box.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  const bring = async (text: string): Promise<void> => {
    await page.goto(`${own.address}seeds/import`);
    await page.locator('input[type=file]').setInputFiles(file(text));
  };
  const box = async (): Promise<string[]> =>
    ((await (await request.get(`${own.address}api/packets`)).json()) as PacketName[])
      .map(({ cropName, variety, year, seedsLeft }) => `${cropName} ${variety} ${year} ${seedsLeft}`)
      .sort();
  const table = 'Crop;Variety;Bought;Qty;Notes\nLeek;Bollard;3/4/24;80;from the pier\nOkra;Quay;2025;30;\n';
  await bring(table);
  await button(page, 'Bring in 2 packets').click();
  await expect(page.getByText('2 packets are in the box.')).toBeVisible();
  const once = await box();
  expect(once).toEqual(['Leek Bollard 2024 80', 'Okra Quay 2025 30']);
  await bring(table);
  await expect(page.getByRole('heading', { name: 'All of it is in the box already' })).toBeVisible();
  // Somebody counted the leek anew in the sheet, and wrote a row more.
  await bring(`${table.replace('80', '61')}Dill;Net;2025;200;\n`);
  await expect(page.getByText('Seeds left: 80 in the box, 61 in the table.')).toBeVisible();
  await button(page, 'take the table’s').click();
  await button(page, 'Bring in 1 packet and 1 correction').click();
  await expect(page.getByText('1 packet is in the box, 1 corrected.')).toBeVisible();
  expect(await box()).toEqual(['Dill Net 2025 200', 'Leek Bollard 2024 61', 'Okra Quay 2025 30']);
  await page.getByRole('button', { name: 'Take it all out' }).last().click();
  await expect.poll(box).toEqual(once);
});

test('a bed that is full is asked back, and a row of it has one label', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const bedId = uuid();
  await home.send('post', 'beds', { id: bedId, name: 'Wall bed', widthM: 1.5, lengthM: 2, madeYear: 2020 });
  await home.send('post', `beds/${bedId}/soil`, { id: uuid(), day: '2026-04-10', celsius: 24, source: 'soil' });
  // Tomatoes stand there already: okra has what they leave.
  const first = await home.batch('tomato', '2026-04-04T18:30');
  await home.look(first.id, '2026-04-10T07:00', 3);
  await home.send('post', `batches/${first.id}/moves`, moveBody({ uncounted: 3, destination: 'bed', bedId }));
  const { id } = await home.batch('okra', '2026-04-07T18:30', { seeds: 20, wanted: 12 });
  await home.look(id, '2026-04-10T18:30', 12, {
    marks: Array.from({ length: 12 }, (_, nth) => ({ seed: nth + 1, stage: 'root', rootMm: 12 })),
  });
  await page.goto(`${own.address}open/${id}`);
  await button(page, 'opened').click();
  await button(page, /^Nothing else new: move/).click();
  await button(page, 'bed').click();
  await button(page, 'Wall bed').click();
  await expect(page.getByText('In it stand 3 Tomato.')).toBeVisible();
  await expect(page.getByText(/\d+ fits? at its spacing beside what stands there/)).toBeVisible();
  await button(page, 'Moved 12 sprouts').click();
  await expect(page.getByText(/^(Only|Not one).* and you move 12\. Move them all the same\?$/)).toBeVisible();
  expect((await told(own, id)).cups).toEqual([]);
  await button(page, 'Yes, moved 12 sprouts').click();
  await expect(page.getByText(/^12 plants in the row, from \d+$/)).toBeVisible();
  await expect(page.locator('ul.labels li')).toHaveCount(1);
});

test('a round of six with two moves takes at most fourteen taps, a tuck-in at most five', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  for (const crop of ['okra', 'tomato']) {
    const packetId = uuid();
    const id = uuid();
    await home.send('post', 'packets', packetBody({ id: packetId, cropId: crop, year: 2025, printedRatePercent: 90, seedCount: 60 }));
    const aim = { plants: 3, destination: 'cup', target: null };
    await home.send('post', 'batches', batchBody(packetId, home.spotId, { id, startAt: '2026-04-06T18:30', aim }));
    await home.look(id, '2026-04-10T18:30', 3, { marks: [1, 2, 3].map((seed) => ({ seed, stage: 'root', rootMm: 14 })) });
  }
  for (const crop of ['radish', 'kale', 'lettuce', 'cucumber']) await home.batch(crop, '2026-04-09T18:30');
  await page.goto(own.address);
  await expect(page.getByRole('heading', { name: 'Open six parcels this morning' })).toBeVisible();
  const inRound = await taps(page);
  await button(page, 'Start the round').click();
  await button(page, 'opened').click();
  for (let nth = 0; nth < 6; nth++) {
    const move = button(page, /^Nothing else new: move/);
    await move
      .or(button(page, /^Nothing new/))
      .first()
      .waitFor();
    if (!(await move.isVisible())) {
      await button(page, /^Nothing new/)
        .first()
        .click();
      continue;
    }
    await move.click();
    await button(page, /^Moved \d sprouts?$/).click();
    await button(page, 'Go on').click();
  }
  await expect(page.getByRole('heading', { name: /this morning$/ })).toBeVisible();
  expect(await inRound()).toBeLessThanOrEqual(14);
  expect(
    (await told(own, ((await (await request.get(`${own.address}api/batches`)).json()) as { id: string }[])[0]?.id ?? '')).answers.state
      .moved,
  ).toBe(3);

  await home.send('post', 'packets', packetBody({ variety: 'Net', year: 2025, printedRatePercent: 90 }));
  const tucking = await taps(page);
  const before = await tucking();
  await page.getByRole('link', { name: 'Tuck in seed' }).first().click();
  await inWord(page, /^Packet:/, (panel) => panel.getByRole('radio', { name: /^Leek, Net/ }).click());
  await button(page, /^Tuck in \d+ seeds?$/).click();
  await expect(page.getByRole('heading', { name: /is tucked in$/ })).toBeVisible();
  // Two listeners count by now: the later one began at the earlier one’s count.
  expect(((await tucking()) - before) / 2).toBeLessThanOrEqual(5);
});

test('one that is already running is asked for what was seen, and is not called forgotten', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const packet = packetBody({ cropId: 'tomato', variety: 'Rope', year: 2025, printedRatePercent: 90, seedCount: 40 });
  await home.send('post', 'packets', packet);
  await page.goto(`${own.address}tuck?packet=${packet.id}`);
  await inWord(page, /^When:/, (panel) => panel.getByLabel('When was it tucked in?').fill('2026-04-06T18:30'));
  await button(page, /^Tuck in \d+ seeds?$/).click();
  await expect(page.getByRole('heading', { name: /^It has been running since Mon 6 Apr, 18:30/ })).toBeVisible();
  await page.getByLabel('tips in all, row 3').fill('2');
  await button(page, 'Keep these days').click();
  await expect(page.getByText('The look stands in the journal.')).toBeVisible();
  await page.getByRole('link', { name: 'To Today' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Open one parcel this morning$/);
  await expect(page.getByText(/Nobody has looked/)).toHaveCount(0);
});
