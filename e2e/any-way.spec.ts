import type { BatchWithJournal } from '@fresh-tuck/contract';
import { batchBody, lookBody, packetBody, spotBody } from '@fresh-tuck/contract/testing';
import { v7 as uuid } from 'uuid';
import { button, expect, inWord, test, type App } from './app.js';
import { householdOn } from './household.js';

type Home = ReturnType<typeof householdOn>;
const told = async (own: App, id: string): Promise<BatchWithJournal> =>
  (await (await fetch(`${own.address}api/batches/${id}`)).json()) as BatchWithJournal;
/** A packet in the box. */
async function packet(home: Home, cropId: string, more: object = {}): Promise<string> {
  const body = packetBody({ cropId, variety: 'Ferry', year: 2025, seedCount: 40, printedRatePercent: 85, ...more });
  await home.send('post', 'packets', body);
  return body.id;
}
/** A batch that is no towel, begun with its true date. */
async function begun(home: Home, packetId: string, method: string, startAt: string, more: object = {}): Promise<string> {
  const { towel, ...body } = batchBody(packetId, home.spotId, {
    id: uuid(),
    method,
    startAt,
    prepared: [],
    holder: { newId: uuid(), kind: 'tray', closure: 'lidded', spotId: home.spotId },
    ...more,
  }) as Record<string, unknown>;
  await home.send('post', 'batches', method === 'towel' ? { towel, ...body } : body);
  return String(body['id']);
}

test('a peroxide bottle is mixed by its card, and its sprouts go from the towel to a cup and up', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const packetId = await packet(home, 'tomatillo');
  await page.goto(`${own.address}tuck?packet=${packetId}&seeds=6`);
  await inWord(page, /^How it is laid:/, async (panel) => {
    await button(page, /^a little peroxide in the water/).click();
    await button(page, /^500 ml/).click();
    await expect(panel.getByText(/^450 ml of water first, then 50 ml of 3 % peroxide: 500 ml at 0.3 %/)).toBeVisible();
    await expect(panel.getByText(/not to drink · mixed /)).toBeVisible();
    await expect(panel.getByText(/Never with vinegar or bleach/)).toBeVisible();
  });
  await expect(page.getByText('From the peroxide bottle, 0.3 %', { exact: false })).toBeVisible();
  await inWord(page, /^When:/, (panel) => panel.getByLabel('When was it tucked in?').fill('2026-04-07T18:30'));
  await page.getByRole('button', { name: 'Tuck in 6 seeds' }).click();
  await expect(page.getByRole('heading', { name: '1 is tucked in' })).toBeVisible();
  await page.getByRole('link', { name: 'To Today' }).click();
  await page.getByRole('link', { name: /^Open parcel 1/ }).click();
  await page.getByRole('radio', { name: 'opened', exact: true }).click();
  await page.getByRole('button', { name: 'Seed 2, quiet' }).press('m');
  await page.getByRole('radio', { name: 'root', exact: true }).click();
  await page.getByLabel('Root length').fill('9 mm');
  await page.getByRole('button', { name: 'Mark seed 2' }).click();
  await page.getByRole('button', { name: 'Save, and move what is ready' }).click();
  await page.getByRole('radio', { name: 'cup', exact: true }).click();
  await expect(page.getByText('Loose roots go under the paper’s edge', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Moved 1 sprout' }).click();
  await page.getByRole('button', { name: 'Go on' }).click();
  await page.goto(`${own.address}nursery`);
  await page
    .getByRole('button', { name: /Touch: up$/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: /: up\. Touch: seed leaves open$/ })).toBeVisible();
});

test('slots fail, a towel from the same packet succeeds, and the days lost are told', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin(['2026-03-24', '2026-04-05', '2026-04-10']);
  const packetId = await packet(home, 'nasturtium');
  const first = await begun(home, packetId, 'pod', '2026-03-21T18:00', { places: 6, seeds: 6, wanted: 4 });
  await home.look(first, '2026-04-10T07:00', 0, { damp: null });
  await page.goto(`${own.address}batch/${first}`);
  await expect(page.getByRole('heading', { name: 'Board of 6 slots' })).toBeVisible();
  await page.getByRole('link', { name: 'Start this packet another way' }).click();
  await expect(page.getByText('A second try after 1, in a soilless slot: none of 6 came. 21 days lost so far.')).toBeVisible();
  // Ranked for where it is to stand; the towel leads after such a start.
  await expect(page.getByRole('heading', { name: /^Which way/ })).toBeVisible();
  await page.getByRole('button', { name: /^Tuck in \d+ seeds/ }).click();
  await expect(page.getByRole('heading', { name: '2 is tucked in' })).toBeVisible();
  const [, second] = ((await (await fetch(`${own.address}api/batches`)).json()) as BatchWithJournal[]).sort((a, b) => a.number - b.number);
  await page.goto(`${own.address}batch/${second?.id}`);
  await expect(page.getByText('A second try after 1: 21 days lost since the first')).toBeVisible();
  await home.look(String(second?.id), null, 4);
  await page.goto(`${own.address}packet/${packetId}`);
  await expect(page.getByText(/on a towel, after 1: .*4 showed/)).toBeVisible();
  // A late one in the slots is still written down once they were given up.
  await page.goto(`${own.address}batch/${first}`);
  await page.getByRole('button', { name: 'Close the batch' }).click();
  await page.getByRole('button', { name: 'given up' }).click();
  await page.getByRole('button', { name: 'A late one has come' }).click();
  await page.getByRole('button', { name: 'One seedling more' }).click();
  await page.getByRole('button', { name: /^Save, and see to those/ }).click();
  await expect.poll(async () => (await told(own, first)).answers.state.tipped).toBe(1);
});

test('a soak is overslept: it is told with what it may have cost, and ends when they are out', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const packetId = await packet(home, 'soybean');
  const soaked = await begun(home, packetId, 'towel', '2026-04-10T20:00', { prepared: ['soak'], soaking: true, soakHours: 4 });
  await page.goto(own.address);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Out of the water/);
  await page.goto(`${own.address}batch/${soaked}`);
  await expect(page.getByText(/some may have drowned, about \d in 10 by rule of thumb/)).toBeVisible();
  const before = (await told(own, soaked)).answers.end.mean;
  await home.look(soaked, null, 0, { troubles: ['drowned'] });
  const after = await told(own, soaked);
  expect(after.answers.soaking).toBeNull();
  expect(after.answers.end.mean).toBeLessThan(before + 0.5);
  // One that is within its limit is said with its hour and its latest.
  const kind = await begun(home, packetId, 'towel', '2026-04-11T04:00', { prepared: ['soak'], soaking: true, soakHours: 4 });
  expect((await told(own, kind)).judgement.headline.text).toMatch(/Its soak ends by .*, at the latest /);
});

test('stones are peeled and read over eleven weeks; a straight root goes to a glass, a bent one into soil', async ({
  page,
  own,
  request,
}) => {
  const home = householdOn(own, request);
  await home.begin(['2026-02-10', '2026-03-10', '2026-04-10']);
  const packetId = await packet(home, 'avocado', { seedCount: 3, year: 2026, printedRatePercent: null });
  const stones = await begun(home, packetId, 'towel', '2026-01-23T18:00', { seeds: 3, wanted: 2, prepared: ['peel', 'soak'] });
  await page.goto(`${own.address}batch/${stones}`);
  await page.getByRole('button', { name: 'Enter several days' }).click();
  await home.send('post', `batches/${stones}/days`, {
    id: uuid(),
    looks: [
      { id: uuid(), at: '2026-02-08T10:00', tipped: 0, damp: 'drying' },
      { id: uuid(), at: '2026-03-01T10:00', tipped: 0, damp: 'damp' },
      { id: uuid(), at: '2026-03-20T10:00', tipped: 1 },
      { id: uuid(), at: '2026-04-05T10:00', tipped: 2 },
    ],
  });
  const whole = await told(own, stones);
  expect(whole.answers.chanceQuietAlive).toBeGreaterThan(0.3);
  for (const destination of ['glass', 'pot'])
    await home.send('post', `batches/${stones}/moves`, { id: uuid(), at: null, seeds: [], uncounted: 1, destination, who: null });
  await page.goto(`${own.address}batch/${stones}`);
  await expect(page.getByText(/1 sprout moved into a glass of water/)).toBeVisible();
  await expect(page.getByText(/1 sprout moved into a pot/)).toBeVisible();
});

test('five weeks of chill in a bag of vermiculite, a warm spell between, count by the record of the place', async ({
  page,
  own,
  request,
}) => {
  const home = householdOn(own, request);
  await home.begin();
  const fridge = uuid();
  await home.send('post', 'spots', spotBody({ id: fridge, name: 'Cold shelf', kind: 'fridge' }));
  const reading = (day: string, minC: number, maxC: number) =>
    home.send('post', `spots/${fridge}/readings`, { id: uuid(), day, minC, maxC });
  // Read every day; in the last week of March the door stood open.
  for (let day = Date.UTC(2026, 2, 7); day <= Date.UTC(2026, 3, 10); day += 86_400_000) {
    const date = new Date(day).toISOString().slice(0, 10);
    const warm = date >= '2026-03-23' && date <= '2026-03-29';
    await reading(date, warm ? 17 : 3, warm ? 21 : 5);
  }
  const packetId = await packet(home, 'apple');
  const pips = await begun(home, packetId, 'towel', '2026-03-07T09:00', {
    prepared: ['soak'],
    chillDays: 70,
    towel: { widthMm: 140, heightMm: 110, plies: 2, medium: 'vermiculite' },
    holder: { newId: uuid(), kind: 'bag', closure: 'sealed_air', spotId: fridge },
  });
  const { answers, facts } = await told(own, pips);
  expect(answers.chill?.earnedDays).toBeGreaterThan(25);
  expect(answers.chill?.earnedDays).toBeLessThan(31);
  // Seventy days are wished: what the warm week cost is made up for.
  expect(Math.round(((facts.chillUntilMs ?? 0) - facts.startMs) / 86_400_000)).toBeGreaterThanOrEqual(75);
  await page.goto(`${own.address}batch/${pips}`);
  await expect(page.getByText(/^4 weeks of the 10 weeks of cold that its kind wants are earned/)).toBeVisible();
});

test('dust-fine seed on the surface under a lid is seen as green specks', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const packetId = await packet(home, 'foxglove', { seedCount: null });
  const tray = await begun(home, packetId, 'surface', '2026-03-30T18:00', { seeds: 30, wanted: 8 });
  await page.goto(`${own.address}open/${tray}`);
  await expect(page.getByText('Without touching: through the lid: specks of green', { exact: false })).toBeVisible();
  await expect(page.getByRole('radio', { name: 'opened', exact: true })).toHaveCount(0);
  for (let nth = 0; nth < 3; nth++) await page.getByRole('button', { name: 'One green speck more' }).click();
  await button(page, 'damp').click();
  await page.getByRole('button', { name: /^Save, and see to those that are up/ }).click();
  await expect.poll(async () => (await told(own, tray)).journal[0]?.text).toMatch(/^3 new green specks, 3 in all/);
});

test('husks split into their two seeds go double into slots, and part of them apart into a pot', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const packetId = await packet(home, 'coriander');
  await page.goto(`${own.address}tuck?packet=${packetId}&method=pod&seeds=8`);
  await expect(page.getByText('4 husks from the packet split into 8 seeds.')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Board of 8 slots' })).toBeVisible();
  await inWord(page, /^Which way:/, (panel) => panel.getByLabel('How many slots?').fill('4'));
  await expect(page.getByRole('heading', { name: 'Board of 4 slots' })).toBeVisible();
  await page.getByRole('button', { name: 'Tuck in 8 seeds' }).click();
  await expect(page.getByRole('heading', { name: '1 is tucked in' })).toBeVisible();
  const [batch] = (await (await fetch(`${own.address}api/batches`)).json()) as BatchWithJournal[];
  expect([batch?.carrier, batch?.facts.seeds]).toEqual([{ kind: 'slots', places: 4 }, 8]);
  await page.goto(`${own.address}batch/${batch?.id}`);
  await page.getByRole('button', { name: 'Lay some apart' }).click();
  await inWord(page, /^How many are laid apart:/, (panel) => panel.getByLabel('How many quiet seeds?').fill('3'));
  await inWord(page, /^Which way they go on:/, () => button(page, /^in a pot/).click());
  await page.getByRole('button', { name: 'Lay them apart' }).click();
  await expect(page.getByText('Laid apart as 2: write its label.')).toBeVisible();
  await expect(page.getByText('Some of it was laid apart as 2')).toBeVisible();
  // A look of one is none of the other.
  await home.send(
    'post',
    `batches/${batch?.id}/looks`,
    lookBody(5, { seen: { tipped: 5, rotten: 0, lost: 3, basedOn: null }, damp: null }),
  );
  expect((await told(own, String(batch?.id))).answers.state.quiet).toBe(0);
});
