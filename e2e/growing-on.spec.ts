import type { APIRequestContext, Page } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import type { Nursery } from '@fresh-tuck/contract';
import { batchBody, lookBody, moveBody, packetBody } from '@fresh-tuck/contract/testing';
import { button, expect, inWord, test, type App } from './app.js';
import { householdOn } from './household.js';

/** A household with sprouts on their towel, all of them showing. */
async function showing(
  own: App,
  request: APIRequestContext,
  cropId: string,
  count: number,
  more: { wanted?: number; rootMm?: number } = {},
) {
  const home = householdOn(own, request);
  await home.begin();
  const batch = await home.batch(cropId, '2026-03-28T18:30', { seeds: count, wanted: more.wanted ?? count });
  const marks = Array.from({ length: count }, (_, nth) => ({ seed: nth + 1, stage: 'root', rootMm: more.rootMm ?? 9 }));
  await home.look(batch.id, '2026-04-10T18:30', count, { marks });
  const nursery = async (): Promise<Nursery> => (await (await request.get(`${own.address}api/nursery`)).json()) as Nursery;
  const numbers = async (): Promise<number[]> =>
    (await nursery()).places.flatMap(({ trays }) => trays).flatMap(({ plants }) => plants.map(({ number }) => number));
  const act = async (said: object, some: readonly number[], at: string | null = null) =>
    home.send('post', 'nursery/acts', { id: uuid(), numbers: some, said, at });
  const move = (seeds: readonly number[], destination: string, also: object = {}) =>
    home.send('post', `batches/${batch.id}/moves`, moveBody({ uncounted: 0, seeds, destination, at: '2026-04-10T19:00', ...also }));
  return { home, batch, nursery, numbers, act, move };
}
const bed = async (home: ReturnType<typeof householdOn>, name: string, more: object = {}): Promise<string> => {
  const id = uuid();
  await home.send('post', 'beds', { id, name, widthM: 1.2, lengthM: 2.4, madeYear: 2025, ...more });
  return id;
};

/** From the look of a parcel to the question where its sprouts go. */
async function toTheMove(page: Page, own: App, batchId: string): Promise<void> {
  await page.goto(`${own.address}open/${batchId}`);
  await button(page, 'opened').click();
  await button(page, /^Nothing (else )?new: move/).click();
}

test('forty broad beans for a bed at 4 °C: half in plugs, half tipped, until its soil is warm and Today says so', async ({
  page,
  own,
  request,
}) => {
  const home = householdOn(own, request);
  await home.begin();
  const packetId = uuid();
  const batchId = uuid();
  await home.send('post', 'packets', packetBody({ id: packetId, cropId: 'broad-bean', seedCount: 60 }));
  await home.send(
    'post',
    'batches',
    batchBody(packetId, home.spotId, {
      ...{ id: batchId, seeds: 40, wanted: 40, startAt: '2026-04-04T18:30', prepared: ['soak'] },
      aim: { plants: 40, destination: 'bed', target: null },
    }),
  );
  const marks = Array.from({ length: 20 }, (_, nth) => ({ seed: nth + 1, stage: 'root', rootMm: 9 }));
  await home.look(batchId, null, 40, { marks });
  await bed(home, 'Court bed');

  await toTheMove(page, own, batchId);
  await button(page, 'Court bed').click();
  await page.getByLabel('Its soil now').fill('4');
  await button(page, 'In the soil').click();
  await expect(page.getByText(/Not ready: put them into plugs, that buys about \d+ days/)).toBeVisible();
  await button(page, 'plug').click();
  await expect(page.getByText('roll the damp root and seed in rhizobium powder now', { exact: false })).toBeVisible();
  await inWord(page, /^Where they stand now/, (panel) => panel.getByRole('radio', { name: 'Hall cupboard' }).click());
  await button(page, 'none of these').click();
  await button(page, 'Moved 20 sprouts').click();
  await expect(page.getByRole('heading', { name: 'Write these labels' })).toBeVisible();
  await page.goto(own.address);
  await expect(page.getByText('is warm enough for broad bean', { exact: false })).toBeHidden();

  // A fortnight on they have their leaves; nobody has read the soil since.
  await own.restart('2026-04-25T07:10:00+02:00');
  const { places } = (await (await request.get(`${own.address}api/nursery`)).json()) as Nursery;
  const numbers = places[0]?.trays[0]?.plants.map(({ number }) => number);
  await home.send('post', 'nursery/acts', { id: uuid(), numbers, said: { kind: 'stage', stage: 'true_leaves' }, at: '2026-04-24T18:00' });
  await page.goto(own.address);
  await expect(page.getByText('Read the soil of Court bed')).toBeVisible();
  await page.goto(`${own.address}nursery`);
  await page.getByRole('link', { name: 'To the bed' }).click();
  await page.getByLabel('Its soil now').fill('9.5');
  await button(page, 'In the soil').click();
  await expect(page.getByRole('heading', { name: 'Court bed is warm enough for broad bean' })).toBeVisible();
  await expect(page.getByText('20 in the nursery, once hardened, and 20 on the towel', { exact: false })).toBeVisible();
  await page.goto(own.address);
  await expect(page.getByText('Court bed is warm enough for broad bean')).toBeVisible();

  // Planting day: net and strings are asked for until they are up; taken back, they stand in their plugs again.
  await page.goto(`${own.address}nursery`);
  await page.getByRole('link', { name: 'To the bed' }).click();
  await button(page, '20 are planted out here').click();
  await page.getByRole('link', { name: 'Nursery' }).first().click();
  await expect(page.getByRole('heading', { name: 'Stakes and string round the broad bean plants', level: 3 })).toBeVisible();
  await button(page, /^They are in/).click();
  await expect(page.getByRole('heading', { name: 'Stakes and string round the broad bean plants', level: 3 })).toBeHidden();
  await button(page, /^Net is over/).click();
  await page.getByRole('link', { name: 'Court bed' }).click();
  await expect(page.getByText('20 broad bean: 4 rows of 6, the last of 2', { exact: false })).toBeVisible();
});

test('melons two to a pot are thinned to the stronger, snipped in one touch and taken back in one', async ({ page, own, request }) => {
  const { batch, numbers, act } = await showing(own, request, 'melon', 4);
  await toTheMove(page, own, batch.id);
  await button(page, 'pot').click();
  await button(page, 'One more to a pot').click();
  await expect(page.getByText('2 pots, each thinned to the stronger at its true leaf')).toBeVisible();
  await button(page, 'Moved 4 sprouts').click();
  await expect(page.getByRole('heading', { name: 'Write these labels' })).toBeVisible();
  const [one = 0, two = 0, three = 0, four = 0] = await numbers();
  await own.restart('2026-04-24T07:10:00+02:00');
  await act({ kind: 'stage', stage: 'seed_leaves' }, [two, three], '2026-04-16T07:00');
  await act({ kind: 'stage', stage: 'seed_leaves' }, [one, four], '2026-04-18T07:00');
  await act({ kind: 'stage', stage: 'true_leaves' }, [two, three], '2026-04-23T07:00');
  await page.goto(`${own.address}nursery`);
  await expect(page.getByText(`${two} and ${three} stay.`, { exact: false })).toBeVisible();
  await button(page, /^2 snipped/).click();
  await expect(button(page, /^2 snipped/)).toBeHidden();
  await expect.poll(numbers).toEqual([two, three]);
  await button(page, 'Undo').click();
  await expect(button(page, /^2 snipped/)).toBeVisible();
  await expect.poll(numbers).toHaveLength(4);
});

test('giant squash: one main and one spare, let go only when the main looks safe', async ({ page, own, request }) => {
  const { move, numbers, act } = await showing(own, request, 'giant-pumpkin', 2, { wanted: 1 });
  await move([1, 2], 'pot');
  const [main = 0, spare = 0] = await numbers();
  await own.restart('2026-04-20T07:10:00+02:00');
  await act({ kind: 'stage', stage: 'up' }, [main, spare], '2026-04-15T07:00');
  for (const [number, role] of [
    [main, 'the main plant'],
    [spare, 'a spare'],
  ] as const) {
    await page.goto(`${own.address}seedling/${number}`);
    await inWord(page, /any other/, (panel) => panel.getByRole('radio', { name: role }).click());
    await expect(page.getByText(role, { exact: true }).last()).toBeVisible();
  }
  await page.goto(`${own.address}nursery`);
  await expect(page.getByRole('heading', { name: /^Let go of/ })).toBeHidden();
  await act({ kind: 'stage', stage: 'true_leaves' }, [main, spare]);
  await act({ kind: 'graded', grade: 5 }, [main]);
  await page.reload();
  await expect(page.getByRole('heading', { name: `Let go of giant pumpkin ${spare}` }).first()).toBeVisible();
  await expect(page.getByText(/One is wanted: with the best one kept, .* that it lives/)).toBeVisible();
});

test('twelve of a bed by template: measured out, planted, and what does not fit is said', async ({ page, own, request }) => {
  const { home, move, numbers, act } = await showing(own, request, 'celeriac', 14);
  await bed(home, 'Wall bed', { widthM: 0.9, lengthM: 1.6 });
  await move(
    Array.from({ length: 14 }, (_, nth) => nth + 1),
    'cell',
  );
  await act({ kind: 'stage', stage: 'true_leaves' }, await numbers(), '2026-04-10T20:00');
  await page.goto(`${own.address}bed/${((await (await request.get(`${own.address}api/beds`)).json()) as { id: string }[])[0]?.id}`);
  await expect(
    page.getByText('4 rows of 3, 40 cm apart; the first row 20 cm from the end, its first plant 15 cm from the side'),
  ).toBeVisible();
  await expect(page.getByText('2 of them do not fit at their spacing: another bed, a pot, or given away.')).toBeVisible();
  await expect(page.getByRole('img', { name: 'The bed from above, 1.6 m by 0.9 m: 12 Celeriac to be planted.' })).toBeVisible();
  await button(page, 'Print this spacing to scale').click();
  await expect(page.getByLabel('Apart in the row')).toHaveValue('30 cm');
  const made = page.waitForEvent('download');
  await button(page, 'Make the PDF').click();
  expect((await made).suggestedFilename()).toBe('template.pdf');
  await button(page, '12 are planted out here').click();
  await expect(page.getByRole('heading', { name: 'Wall bed: 12 plants' })).toBeVisible();
  await expect(page.getByText('Not one fits at its spacing beside what stands there', { exact: false })).toBeVisible();
  await page.getByRole('link', { name: 'Nursery' }).first().click();
  await expect(page.getByRole('img', { name: 'The bed from above, 1.6 m by 0.9 m: 12 Celeriac.' })).toBeVisible();

  // In the autumn the bed is cleared in one touch; taken back, they stand in it again.
  await page.getByRole('link', { name: 'Wall bed' }).click();
  await button(page, /^Off the bed\s*: 12 celeriac/).click();
  await expect(page.getByRole('heading', { name: 'Wall bed, still empty' })).toBeVisible();
  await button(page, 'Undo').click();
  await expect(page.getByRole('heading', { name: 'Wall bed: 12 plants' })).toBeVisible();
});

test('apple pips go to gritty pots, measured; the one for a glass case is warned of, and aired', async ({ page, own, request }) => {
  const { batch, nursery, act } = await showing(own, request, 'apple', 4);
  await toTheMove(page, own, batch.id);
  await button(page, 'pot').click();
  await button(page, /^seed 4/).click();
  await page.getByText('The mix, measured').click();
  await inWord(page, /Airy mix/, (panel) => panel.getByRole('radio', { name: /^Gritty mix, herbs/ }).click());
  await expect(page.getByRole('listitem').filter({ hasText: 'seed or potting mix' })).toBeVisible();
  await expect(page.getByText('their dust harms lungs', { exact: false })).toBeVisible();
  await button(page, 'Moved 3 sprouts').click();
  await button(page, 'Go on').click();
  await toTheMove(page, own, batch.id);
  await button(page, 'glass case').click();
  await expect(
    page.getByText('Apple is hardy and wants a cold winter out of doors. It outgrows a case within months.', { exact: false }),
  ).toBeVisible();
  await button(page, 'Moved 1 sprout').click();
  await expect(page.getByRole('heading', { name: 'Write these labels' })).toBeVisible();
  const glass = (await nursery()).places.flatMap(({ trays }) => trays).find(({ destination }) => destination === 'terrarium');
  await own.restart('2026-04-16T07:10:00+02:00');
  await act({ kind: 'stage', stage: 'up' }, glass?.plants.map(({ number }) => number) ?? []);
  await page.goto(`${own.address}nursery`);
  await expect(page.getByRole('heading', { name: 'Air the apple glass case', level: 3 })).toBeVisible();
  await button(page, /^Aired/).click();
  await expect(page.getByRole('heading', { name: 'Air the apple glass case', level: 3 })).toBeHidden();
});

test('a pellet goes net and all into a slot that has a name, freed by who is given away and filled again', async ({
  page,
  own,
  request,
}) => {
  const { home, move, numbers, act } = await showing(own, request, 'strawberry', 3);
  await home.send('post', 'racks', { id: uuid(), name: 'Porch rack', slots: 2 });
  await move([1, 2, 3], 'pellet');
  const [one = 0, two = 0, three = 0] = await numbers();
  await own.restart('2026-04-28T07:10:00+02:00');
  await act({ kind: 'stage', stage: 'roots_out' }, [one, two, three], '2026-04-27T07:00');
  await page.goto(`${own.address}nursery`);
  await expect(page.getByText('net and all into a net cup of rinsed clay pebbles', { exact: false })).toBeVisible();
  await page.getByRole('link', { name: 'Go to them' }).click();
  await button(page, 'Pot them up').click();
  await button(page, /^a net cup/).click();
  await button(page, 'They are potted up').click();
  await page.getByRole('link', { name: 'Nursery' }).first().click();
  await expect(page.getByText('3 stand in no slot that has a name yet.')).toBeVisible();
  await button(page, 'Into the free slots in order').click();
  await expect(page.getByRole('link', { name: `Slot 1: ${one} Strawberry, true leaves. Open the tray` })).toBeVisible();
  await expect(page.getByText('1 stand in no slot that has a name yet.')).toBeVisible();
  await act({ kind: 'given' }, [one]);
  await page.getByRole('link', { name: new RegExp(`^Slot 2: ${two} `) }).click();
  await button(page, new RegExp(`^${three}: `)).click();
  await button(page, `${three} into Porch rack`).click();
  await page.getByRole('group', { name: 'Which slot' }).getByRole('button', { name: '1', exact: true }).click();
  await expect(button(page, new RegExp(`^${three}: .*, slot 1$`))).toBeVisible();
});

test('leeks that came up in their plugs are labelled where they stand, in one touch', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const [packetId, batchId] = [uuid(), uuid()];
  await home.send('post', 'packets', packetBody({ id: packetId }));
  const { towel: _, ...plugs } = batchBody(packetId, home.spotId, {
    ...{ id: batchId, method: 'plug', seeds: 12, prepared: [], startAt: '2026-03-28T18:30' },
    holder: { newId: uuid(), kind: 'tray', closure: 'lidded', spotId: home.spotId },
  });
  await home.send('post', 'batches', plugs);
  await home.send('post', `batches/${batchId}/looks`, lookBody(9));
  await page.goto(`${own.address}nursery`);
  await expect(page.getByRole('heading', { name: /^Label the 9 leek up in/, level: 3 })).toBeVisible();
  await button(page, /^They stay there/).click();
  await expect(page.getByRole('link', { name: /^Leek, .* all 9 up\. Open the tray$/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Hall cupboard' })).toBeVisible();
  await button(page, 'Undo').click();
  await expect(page.getByRole('heading', { name: /^Label the 9 leek up in/, level: 3 })).toBeVisible();
});

test('seed is saved from a plant, with what it may have crossed with said first', async ({ page, own, request }) => {
  const { home, move, numbers, act } = await showing(own, request, 'sorrel', 3);
  await move([1, 2], 'pot');
  const second = uuid();
  await home.send('post', 'packets', packetBody({ id: second, cropId: 'sorrel', variety: 'Weir', seedCount: 20 }));
  const other = batchBody(second, home.spotId, { seeds: 3, startAt: '2026-03-20T18:30', prepared: [] });
  await home.send('post', 'batches', other);
  await home.look(other.id, '2026-03-30T07:00', 3);
  await home.send('post', `batches/${other.id}/moves`, moveBody({ uncounted: 2, destination: 'pot', at: '2026-03-30T08:00' }));
  const [mine = 0, , beside = 0] = (await numbers()).sort((a, b) => a - b);
  await act({ kind: 'stage', stage: 'planted_out' }, [mine], '2026-04-11T06:00');
  await act({ kind: 'trait', trait: 'late to bolt' }, [mine]);
  await page.goto(`${own.address}seedling/${mine}`);
  await expect(page.getByText('No other variety of it stands here.', { exact: false })).toBeVisible();
  await act({ kind: 'stage', stage: 'true_leaves' }, [beside]);
  await page.reload();
  await expect(page.getByText('Weir stands here too: nearer than 800 m they cross.', { exact: false })).toBeVisible();
  await page.getByRole('link', { name: 'Save its seed in the box' }).click();
  await expect(page.getByLabel('Trait hoped for')).toHaveValue('late to bolt');
});
