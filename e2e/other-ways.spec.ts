import type { Batch, BatchWithJournal } from '@fresh-tuck/contract';
import { batchBody, packetBody } from '@fresh-tuck/contract/testing';
import { v7 as uuid } from 'uuid';
import { expect, test, type App } from './app.js';
import { householdOn } from './household.js';

type Home = ReturnType<typeof householdOn>;

/** A batch that is no towel, begun through the API: Tuck in starts towels only. */
async function begin(home: Home, method: string, cropId: string, startAt: string, more: object = {}): Promise<string> {
  const packet = packetBody({ cropId, seedCount: 60 });
  await home.send('post', 'packets', packet);
  const { towel: _, ...body } = batchBody(packet.id, home.spotId, { id: uuid(), method, startAt, prepared: [], ...more }) as Record<
    string,
    unknown
  >;
  await home.send('post', 'batches', body);
  return String(body['id']);
}
const told = async (own: App, id: string): Promise<BatchWithJournal> =>
  (await (await fetch(`${own.address}api/batches/${id}`)).json()) as BatchWithJournal;

test('a pot that has come up wants light, and nobody looks for roots in its paper', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const pot = await begin(home, 'pot', 'tomato', '2026-03-30T18:30', {
    places: 8,
    holder: { newId: uuid(), kind: 'tray', closure: 'lidded', spotId: home.spotId },
  });
  await home.look(pot, '2026-04-10T07:00', 0);
  await page.goto(own.address);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Look at one sowing/);
  // Three came up since: counted from above, nothing is opened and nothing touched.
  await page.getByRole('link', { name: /^Open parcel 1/ }).click();
  for (let nth = 0; nth < 3; nth++) await page.getByRole('button', { name: 'One seedling more' }).click();
  await expect(page.getByRole('heading', { name: 'Bring 3 seedlings into the light' })).toBeVisible();
  await expect(page.getByText(/root|paper|re-tuck/i).and(page.locator('ft-advice *'))).toHaveCount(0);
  await page.getByRole('button', { name: 'Save, and see to those that are up' }).click();
  await page.getByRole('button', { name: 'Not now' }).click();
  // Just decided, it is not asked for again at once.
  await expect(page.getByRole('heading', { name: 'Nothing to open this morning' })).toBeVisible();
  const batch = await told(own, pot);
  expect(batch.judgement.advice[0]?.text).toContain('stretches in the dark');
  expect(batch.journal[0]?.text).toMatch(/^3 new seedlings, 3 in all/);
});

test('seed in water is changed daily and taken out before it drowns; each says so on Today', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const glass = { holder: { newId: uuid(), kind: 'tub', closure: 'lidded', spotId: home.spotId } };
  const late = await begin(home, 'water', 'okra', '2026-04-09T06:00', glass);
  await page.goto(own.address);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Out of the water: \d+ Okra/);
  const { judgement, answers } = await told(own, late);
  expect(judgement.advice[0]).toEqual(expect.objectContaining({ lead: 'Out of the water', by: 'now', tone: 'trouble' }));
  expect(answers.drownsMs).toBeLessThan(answers.nowMs);
  await page.goto(`${own.address}batch/${late}`);
  await expect(page.getByRole('heading', { name: 'Out of the water' })).toBeVisible();
  await expect(page.getByText(/some may have drowned/)).toBeVisible();
});

test('a look is corrected twice and taken back step by step, and Today follows each', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const { id } = await home.batch('okra', '2026-04-08T18:30');
  await home.look(id, '2026-04-11T06:00', 5);
  const tipped = async (): Promise<number> => (await told(own, id)).answers.state.tipped;
  const correctTo = async (less: number): Promise<void> => {
    await page.goto(`${own.address}batch/${id}`);
    await page
      .getByRole('link', { name: /^Correct the look of/ })
      .first()
      .click();
    for (let nth = 0; nth < less; nth++) await page.getByRole('button', { name: 'One tip fewer' }).click();
    await page.getByRole('button', { name: 'Save the correction' }).click();
    const later = page.getByRole('button', { name: 'Not now' });
    await later
      .or(page.getByRole('heading', { name: /this morning$/ }))
      .first()
      .waitFor();
    if (await later.isVisible()) await later.click();
  };
  await correctTo(2);
  expect(await tipped()).toBe(3);
  await correctTo(2);
  expect(await tipped()).toBe(1);
  await page.goto(`${own.address}batch/${id}`);
  await expect(page.locator('.journal li.void')).toHaveCount(2);
  const lines = page.locator('.journal > li');
  for (const back of [3, 5]) {
    const before = await lines.count();
    await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect.poll(tipped).toBe(back);
    // The page itself has heard of it: the next button is that of the line before.
    await expect(lines).toHaveCount(before + 1);
  }
  const batches = (await (await fetch(`${own.address}api/batches`)).json()) as Batch[];
  expect(batches[0]?.answers.state.quiet).toBe(3);
});

test('what was moved stays seen: the refusal is read where the undo was asked for', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const { id } = await home.batch('okra', '2026-04-07T18:30');
  await home.look(id, '2026-04-10T18:30', 4);
  const [entry] = (await told(own, id)).journal;
  await home.send('post', `batches/${id}/moves`, { id: uuid(), at: null, seeds: [], uncounted: 3, destination: 'cup', who: null });
  const refused = await request.post(`${own.address}api/batches/${id}/undos`, { data: { id: uuid(), entryId: entry?.id } });
  expect([refused.status(), ((await refused.json()) as { detail: string }).detail]).toEqual([
    422,
    'entryId must be an entry that can be taken back: 3 of its sprouts were moved; undo the move first',
  ]);
  await page.goto(`${own.address}batch/${id}`);
  await expect(page.getByText('In cups now: 3')).toBeVisible();
  // The page says what goes along before it goes.
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click();
  await expect(page.getByText('With it goes the move that rests on it.', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Take all of it back' }).click();
  await expect(page.getByText('In cups now')).toBeHidden();
  await expect(page.getByText('taken back or corrected')).toHaveCount(2);
});
