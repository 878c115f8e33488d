import type { APIRequestContext, Page } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import type { Nursery, Season, SeasonLot, Sitting, SittingName } from '@fresh-tuck/contract';
import { batchBody, lookBody, moveBody, packetBody } from '@fresh-tuck/contract/testing';
import { button, expect, inWord, test, type App } from './app.js';
import { householdOn } from './household.js';

const DAY_MS = 86_400_000;
const dayOf = (day: number): string => new Date(Math.round(day) * DAY_MS).toISOString().slice(5, 10);
/** Thirteen packets of a spring, none of the demo's. */
const BOX = [
  ['tomato', 'Brass Bell'],
  ['aubergine', 'Ink Pot'],
  ['pepper-sweet', 'Low Tide'],
  ['cucumber', 'Long Jetty'],
  ['courgette', 'Oil Drum'],
  ['basil', 'Ferry Green'],
  ['kale', 'Grey Gull'],
  ['lettuce', 'Sandbar'],
  ['beet', 'Iron Ring'],
  ['zinnia', 'Deck Chair'],
  ['sunflower', 'Fog Horn'],
  ['cosmos', 'White Cap'],
  ['bean-runner', 'Signal Mast'],
] as const;

/** A dark place with a lamp over it. */
const LAMP_LIGHT = {
  ...{ daylit: 'dark', facing: 'noon', glazing: 'two', metresIn: 0, opposite: false },
  lamp: { kind: 'white', micromol: 190, gapCm: 28, watts: 36, hours: null },
};

/** A household with its frost said, and what a season needs of it. */
async function household(own: App, request: APIRequestContext) {
  const home = householdOn(own, request);
  await home.begin();
  await home.send('post', 'season/frost', {
    ...{ id: uuid(), recordId: null, spring: { monthDay: '05-10', giveDays: 9 }, autumn: { monthDay: '10-12', giveDays: 14 } },
    ...{ thresholdC: 0, shelterK: 0 },
  });
  const season = async (): Promise<Season> => (await (await request.get(`${own.address}api/season`)).json()) as Season;
  return {
    ...home,
    season,
    lot: async (title: string): Promise<SeasonLot> => {
      const found = (await season()).lots.find((lot) => lot.title === title);
      if (!found) throw new Error(`no lot ${title}`);
      return found;
    },
    async packet(cropId: string, variety: string, more: object = {}): Promise<string> {
      const id = uuid();
      await home.send('post', 'packets', packetBody({ id, cropId, variety, year: 2025, printedRatePercent: 85, seedCount: 80, ...more }));
      return id;
    },
    wish: (packetId: string, cropId: string, plants: number, more: object = {}): Promise<unknown> =>
      home.send('post', 'season/acts', {
        ...{ id: uuid(), year: 2026 },
        wishes: [{ wishId: uuid(), words: { cropId, packetId, plants, place: 'outdoors', goal: { kind: 'season' }, ...more } }],
      }),
  };
}
const heading = (page: Page) => page.getByRole('heading', { level: 1 });

test('thirteen packets are counted back from the frost, and the week’s starts become a sitting', async ({ page, own, request }) => {
  const home = await household(own, request);
  for (const [cropId, variety] of BOX) await home.packet(cropId, variety);
  await page.goto(`${own.address}season`);
  await expect(heading(page)).toHaveText('What shall grow in 2026?');
  await page.getByRole('link', { name: 'Say what shall grow' }).click();
  for (const [, variety] of BOX) await page.getByRole('button', { name: new RegExp(variety) }).click();
  await page.getByLabel('Plants').fill('4');
  await button(page, 'Wish for all 13').click();
  await expect(page.getByText('13 packets are wished for.')).toBeVisible();
  await page.getByRole('link', { name: 'Season' }).first().click();
  await expect(heading(page)).toHaveText(/^Start \w+ this week/);
  const { due, lots } = await home.season();
  expect(lots.length).toBe(13);
  expect(due.length).toBeGreaterThan(2);
  // Every stem leads to its days, and what is due stands on Today too.
  await expect(page.getByRole('link', { name: /^Zinnia, Deck Chair: / })).toBeVisible();
  await page.goto(own.address);
  await expect(page.getByRole('heading', { name: 'To be started this week' })).toBeVisible();
  await page.goto(`${own.address}season`);
  await page.getByRole('button', { name: /^Lay out \w+ packets$/ }).click();
  await expect(heading(page)).toHaveText(/packets, about \d+ minutes$/);
  const [list] = (await (await request.get(`${own.address}api/sittings`)).json()) as SittingName[];
  const sitting = (await (await request.get(`${own.address}api/sittings/${list?.id}`)).json()) as Sitting;
  expect(sitting.lines.length).toBe(due.length);
  for (const { words } of sitting.lines) expect([words.wanted, words.goal?.kind]).toEqual([4, 'plant_out']);
});

test('a melon that came nineteen days late is started sooner, and a second lot is added', async ({ page, own, request }) => {
  const home = await household(own, request);
  await own.restart('2025-04-22T18:30:00+02:00');
  const packetId = await home.packet('melon', 'Salt Barrel', { year: 2024 });
  const batch = batchBody(packetId, home.spotId, {
    startAt: null,
    aim: { plants: 3, destination: 'cup', target: { kind: 'plant_out', day: '2025-05-26' } },
  });
  await home.send('post', 'batches', batch);
  await own.restart('2025-04-28T07:10:00+02:00');
  await home.send('post', `batches/${batch.id}/looks`, lookBody(4, { at: null }));
  await home.send('post', `batches/${batch.id}/moves`, moveBody({ uncounted: 4, destination: 'cup' }));
  await home.send('post', `batches/${batch.id}/closings`, { id: uuid(), reason: 'all_moved' });
  await own.restart('2025-06-14T12:00:00+02:00');
  const { places } = (await (await request.get(`${own.address}api/nursery`)).json()) as Nursery;
  const numbers = places.flatMap(({ trays }) => trays).flatMap(({ plants }) => plants.map(({ number }) => number));
  await home.send('post', 'nursery/acts', { id: uuid(), numbers, said: { kind: 'stage', stage: 'planted_out' }, at: null });
  await own.restart('2026-03-20T18:30:00+01:00');

  await page.goto(`${own.address}season/wishes`);
  await expect(page.getByText('3 plants, begun 22 April, 19 days late')).toBeVisible();
  await page.getByRole('button', { name: /^Again\s*: Melon, Salt Barrel/ }).click();
  await expect(page.getByText('on the list')).toBeVisible();
  const first = await home.lot('Melon, Salt Barrel');
  await page.goto(`${own.address}season/${first.wishId}`);
  await expect(page.getByText('In 2025 it was 19 days late (1 batch): its start is counted 10 days sooner.')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Stage by stage' })).toBeVisible();
  // A week later is no good, so a second lot is sown beside it.
  await page.getByLabel('Every so many days').fill('12');
  await page.getByLabel('Lots in all').fill('2');
  await button(page, 'Sow it again and again').click();
  await expect(page.getByText('2 lots, each 12 days after the one before.')).toBeVisible();
  const { lots } = await home.season();
  expect(lots.map(({ title }) => title)).toEqual(['Melon, Salt Barrel', 'Melon, Salt Barrel']);
  const ripe = lots.map(({ stages }) => stages.find(({ stage }) => stage === 'ripe')?.at50 ?? 0);
  expect(Math.abs((ripe[1] ?? 0) - (ripe[0] ?? 0) - 12)).toBeLessThan(1.5);
  await button(page, 'Undo').click();
  await expect.poll(async () => (await home.season()).lots.length).toBe(1);
});

test('a bed of artichoke, fennel and sorrel becomes counts to start, and a melon has the room of its vines', async ({
  page,
  own,
  request,
}) => {
  const home = await household(own, request);
  await home.send('post', 'beds', { id: uuid(), name: 'South bed', widthM: 1.2, lengthM: 4, madeYear: null });
  for (const [cropId, variety] of [
    ['globe-artichoke', 'Harbour Rose'],
    ['fennel', 'Anise Rope'],
    ['sorrel', 'Green Buoy'],
    ['melon', 'Salt Barrel'],
  ] as const)
    await home.packet(cropId, variety);
  await page.goto(`${own.address}season/wishes`);
  const plants = page.getByLabel('Plants');
  for (const [variety, some] of [
    ['Harbour Rose', '2'],
    ['Anise Rope', '6'],
    ['Green Buoy', '6'],
  ] as const) {
    await page.getByRole('button', { name: new RegExp(variety) }).click();
    await page.getByRole('radio', { name: /South bed/ }).click();
    await expect(page.getByRole('radio', { name: /South bed/ })).toContainText(/holds \d+ of it/);
    await plants.fill(some);
    await button(page, 'Wish for it').click();
    await expect(page.getByText(new RegExp(`${variety} is wished for`))).toBeVisible();
  }
  await page.goto(`${own.address}season`);
  const bed = (await home.season()).rooms.find(({ name }) => name === 'South bed');
  expect(bed?.holds).toBeCloseTo(4.8, 3);
  const artichoke = await home.lot('Globe artichoke, Harbour Rose');
  expect(artichoke.seeds ?? 0).toBeGreaterThanOrEqual(2);
  await expect(page.getByRole('link', { name: 'Fennel, Anise Rope', exact: true })).toBeVisible();

  await page.goto(`${own.address}season/wishes`);
  await page.getByRole('button', { name: /Salt Barrel/ }).click();
  await page.getByRole('radio', { name: /South bed/ }).click();
  await plants.fill('46');
  await button(page, 'Wish for it').click();
  await expect(
    page.getByRole('alert').filter({ hasText: /at most \d+: at 60 by 150 cm South bed has room for no more plants of melon/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: /^As many as it holds/ }).click();
  await button(page, 'Wish for it').click();
  await expect(page.getByText('Melon, Salt Barrel is wished for.')).toBeVisible();
  // Artichokes and vines in one bed: the year says so before anything is sown.
  await page.goto(`${own.address}season`);
  await expect(page.getByRole('heading', { name: /m² too many from/ })).toBeVisible();
});

test('a lit shelf that will not hold everything is solved by two shifts, and one of them is taken back', async ({ page, own, request }) => {
  const home = await household(own, request);
  const litId = uuid();
  await home.send('post', 'spots', { id: litId, name: 'Lamp shelf', kind: 'room' });
  await home.send('post', `spots/${litId}/light`, { id: uuid(), light: LAMP_LIGHT, at: null });
  for (const [cropId, variety, start] of [
    ['lettuce', 'Sandbar', '2026-04-20'],
    ['kale', 'Grey Gull', '2026-04-20'],
    ['beet', 'Iron Ring', '2026-04-20'],
  ] as const)
    await home.wish(await home.packet(cropId, variety, { seedCount: 300 }), cropId, 18, { start });
  const most = Math.max(...((await home.season()).rooms.find(({ id }) => id === litId)?.promised ?? [0]));
  await page.goto(`${own.address}season`);
  await inWord(page, /^Room/, async (panel) => {
    // A fifth less than all three would take at their fullest.
    await panel.getByLabel('Cells').fill(String(Math.round(most * 0.81)));
    await panel.getByRole('button', { name: 'So many stand there' }).click();
  });
  await expect(page.getByRole('heading', { name: /cells too many from/ })).toBeVisible();
  await page.getByRole('button', { name: 'Show a plan that fits' }).click();
  await expect(page.getByRole('heading', { name: 'Two changes and everything fits.' })).toBeVisible();
  await page.getByRole('button', { name: /^Change (?:it|all \d) so$/ }).click();
  await expect(page.getByRole('heading', { name: /cells too many from/ })).toBeHidden();
  const fitted = await home.season();
  expect(fitted.rooms.every(({ overflows }) => overflows.length === 0)).toBeTruthy();
  expect(new Set(fitted.lots.map(({ start }) => dayOf(start))).size).toBeGreaterThan(1);
  await button(page, 'Undo').click();
  await expect(page.getByRole('heading', { name: /cells too many from/ })).toBeVisible();
});

test('young kale under a full lamp is carried to the porch by the plan, and back by Undo', async ({ page, own, request }) => {
  const home = await household(own, request);
  const [litId, porchId] = [uuid(), uuid()];
  await home.send('post', 'spots', { id: litId, name: 'Lamp shelf', kind: 'room' });
  await home.send('post', `spots/${litId}/light`, { id: uuid(), light: LAMP_LIGHT, at: null });
  await home.send('post', 'spots', { id: porchId, name: 'Back porch', kind: 'cool_room' });
  const kale = batchBody(await home.packet('kale', 'Grey Gull'), home.spotId, { seeds: 16 });
  await home.send('post', 'batches', kale);
  await home.send('post', `batches/${kale.id}/looks`, lookBody(16));
  await home.send('post', `batches/${kale.id}/moves`, moveBody({ uncounted: 16, destination: 'cell' }));
  const { places } = (await (await request.get(`${own.address}api/nursery`)).json()) as Nursery;
  const numbers = places.flatMap(({ trays }) => trays).flatMap(({ plants }) => plants.map(({ number }) => number));
  await home.send('post', 'nursery/acts', { id: uuid(), numbers, said: { kind: 'stage', stage: 'true_leaves' }, at: null });
  await home.send('post', 'nursery/care', { id: uuid(), trayIds: [kale.id], done: { kind: 'place', spotId: litId }, at: null });
  await home.send('post', 'season/rooms', { id: uuid(), spotId: litId, cells: 32 });
  await home.send('post', 'season/rooms', { id: uuid(), spotId: porchId, cells: 30 });
  // Marigolds for the same weeks: for them alone the lamp is large enough.
  await home.wish(await home.packet('marigold', 'Rust Bucket', { seedCount: 300 }), 'marigold', 40, { start: '2026-04-12' });

  await page.goto(`${own.address}season`);
  await expect(page.getByRole('heading', { name: /cells too many from/ })).toBeVisible();
  await page.getByRole('button', { name: 'Show a plan that fits' }).click();
  await expect(page.getByRole('heading', { name: 'One change and everything fits.' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Kale, Grey Gull: the 16 that stand there carried to Back porch' })).toBeVisible();
  await page.getByRole('button', { name: 'Change it so' }).click();
  await expect(page.getByRole('heading', { name: /cells too many from/ })).toBeHidden();
  const stands = async (): Promise<string[]> => {
    const nursery = (await (await request.get(`${own.address}api/nursery`)).json()) as Nursery;
    return nursery.places.filter(({ trays }) => trays.length > 0).map(({ name }) => name);
  };
  expect(await stands()).toEqual(['Back porch']);
  await button(page, 'Undo').click();
  await expect(page.getByRole('heading', { name: /cells too many from/ })).toBeVisible();
  expect(await stands()).toEqual(['Lamp shelf']);
});

test('frost by a station’s nights: a file comes in, another summer’s does not', async ({ page, own, request }) => {
  await household(own, request);
  const nights = (shift: number): string =>
    [
      'date;min °C',
      ...Array.from({ length: 365 * 9 }, (_, nth) => {
        const day = new Date(Date.UTC(2010, 0, 1 + nth)).toISOString().slice(0, 10);
        const season = 6 - 9 * Math.cos((2 * Math.PI * (nth - 20 + shift)) / 365.25);
        return `${day};${(season + 4 * Math.sin(nth * 1.7) + 2 * Math.sin(nth * 0.31)).toFixed(1)}`;
      }),
    ].join('\n');
  const file = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
  await page.goto(`${own.address}season/frost`);
  const choose = page.locator('input[type=file]');
  await choose.setInputFiles(file('far-away.csv', nights(182)));
  await expect(page.getByText(/far-away.csv: 2010-01-01 to/)).toBeVisible();
  await button(page, 'Count by these nights').click();
  await expect(page.getByText(/its summer is in January/)).toBeVisible();
  await choose.setInputFiles(file('odd.csv', 'date;min °C\n2014-02-30;3\n2014-03-01;2'));
  await expect(page.getByText(/“2014-02-30” is no day that a calendar has/)).toBeVisible();
  await choose.setInputFiles(file('harbour.csv', nights(0)));
  await button(page, 'Count by these nights').click();
  await expect(page.getByText(/^By \d springs at the station, the last frost falls about/).first()).toBeVisible();
  await expect(page.getByText(/harbour, 2010 to 2018, counts now/)).toBeVisible();
  await button(page, 'Undo').click();
  await expect(page.getByText(/^As it was said, the last frost falls about 10 May/).first()).toBeVisible();
});
