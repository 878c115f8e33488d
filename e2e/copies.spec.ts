import { v7 as uuid } from 'uuid';
import type { About, BatchWithJournal } from '@fresh-tuck/contract';
import { expect, test } from './app.js';
import { householdOn } from './household.js';

test('a household makes a copy, goes on, puts it back, and takes that back too', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const okra = await home.batch('okra', '2026-04-08T18:30');
  await home.look(okra.id, '2026-04-10T07:00', 1);
  const tipped = async (): Promise<number> =>
    ((await (await request.get(`${own.address}api/batches/${okra.id}`)).json()) as BatchWithJournal).answers.state.tipped;
  await page.goto(`${own.address}house`);
  await expect(page.getByText('No copy yet')).toBeVisible();
  await page.getByRole('button', { name: 'Make a copy now' }).click();
  await expect(page.getByText('The copy is made and was read through.')).toBeVisible();
  await expect(page.getByText('1 packet · 1 batch · 1 look · 0 seedlings')).toBeVisible();
  await home.look(okra.id, '2026-04-10T18:30', 4);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Download it with photographs' }).click(),
  ]);
  const file = await download.path();
  // What is in it is seen before anything is put back, and the present is kept.
  await page.getByRole('button', { name: /^Put the copy of/ }).click();
  await expect(page.getByText(/The last thing written in it is of .* a copy of all as it is now is made first and kept/)).toBeVisible();
  await page.getByRole('button', { name: 'Put this copy back' }).click();
  await expect(page.getByText('Put back. The present as it was before is the newest copy.')).toBeVisible();
  expect(await tipped()).toBe(1);
  await expect(page.getByText('as it was before a copy was put back')).toBeVisible();
  // The same from a file that was carried away.
  await page
    .getByLabel('Bring a copy from a file')
    .setInputFiles({ name: 'fresh-tuck.zip', mimeType: 'application/zip', buffer: await readAll(file) });
  await expect(page.getByText('It is a household’s copy and whole.')).toBeVisible();
  await page.getByRole('button', { name: 'Put this copy back' }).click();
  await expect(page.getByText('Put back.')).toBeVisible();
  expect(await tipped()).toBe(4);
  await page
    .getByLabel('Bring a copy from a file')
    .setInputFiles({ name: 'diary.sqlite', mimeType: '', buffer: Buffer.from('Dear diary') });
  await expect(page.getByRole('alert').filter({ hasText: 'no SQLite file' })).toBeVisible();
  expect(await tipped()).toBe(4);
});

test('a clock that was set back is said on every screen until somebody settles it', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const okra = await home.batch('okra', '2026-04-08T18:30');
  await home.look(okra.id, null, 1);
  await own.restart('2026-04-09T07:10:00+02:00');
  for (const screen of ['', 'seeds', `batch/${okra.id}`, `open/${okra.id}`]) {
    await page.goto(own.address + screen);
    await expect(page.getByRole('alert').filter({ hasText: 'Is the clock right?' })).toContainText('This machine says Thu 9 Apr, 07:10');
  }
  // A look that would lie before what was seen is stored at its own time, and taken back in the order of saying.
  await page.goto(`${own.address}batch/${okra.id}`);
  await page.getByRole('button', { name: 'The clock is right now' }).click();
  await expect(page.getByText('Is the clock right?')).toBeHidden();
  expect(((await (await request.get(`${own.address}api/about`)).json()) as About).aheadMs).toBeNull();
  const refused = await request.post(`${own.address}api/clock/settlements`, { data: { id: uuid(), more: 1 } });
  expect(refused.status()).toBe(422);
});

async function readAll(path: string): Promise<Buffer> {
  const { readFile } = await import('node:fs/promises');
  return readFile(path);
}
