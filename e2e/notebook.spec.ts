import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { APIRequestContext, Page } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import type { Batch, PacketName, Trial, TrialInShort } from '@fresh-tuck/contract';
import { batchBody, lookBody, moveBody, packetBody, spotBody } from '@fresh-tuck/contract/testing';
import { button, expect, test, type App } from './app.js';
import { householdOn } from './household.js';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });

/** A household that looked every evening at whatever it laid. */
async function household(own: App, request: APIRequestContext) {
  const home = householdOn(own, request);
  const { spotId } = home;
  await home.begin();
  /** What came by each evening from the first on; closed a day after the last. */
  async function lot(packetId: string, came: readonly number[], more: object = {}): Promise<string> {
    const start = '2026-03-02';
    const day = (nth: number): string => `2026-03-${String(2 + nth).padStart(2, '0')}T18:30`;
    const seeds = 30;
    const body = { ...batchBody(packetId, spotId, { seeds, wanted: null, startAt: `${start}T18:30`, ...more }) };
    await home.send('post', 'batches', JSON.parse(JSON.stringify(body)) as object);
    for (const [nth, tipped] of came.entries()) await home.send('post', `batches/${body.id}/looks`, lookBody(tipped, { at: day(nth + 1) }));
    const moved = came.at(-1) ?? 0;
    if (moved > 0) await home.send('post', `batches/${body.id}/moves`, moveBody({ at: day(came.length), seeds: [], uncounted: moved }));
    await home.send('post', `batches/${body.id}/closings`, { id: uuid(), at: day(came.length + 1), reason: 'given_up' });
    return body.id;
  }
  const packet = async (cropId: string, variety: string, year = 2025): Promise<string> => {
    const id = uuid();
    await home.send('post', 'packets', packetBody({ id, cropId, variety, year, printedRatePercent: null, seedCount: 300 }));
    return id;
  };
  const get = async <T>(path: string): Promise<T> => (await (await request.get(`${own.address}api/${path}`)).json()) as T;
  return { ...home, get, lot, packet, spotId };
}

/** Counts of a lot whose middle seed comes on a day. */
const coming = (middle: number, most: number, days = 12): number[] =>
  Array.from({ length: days }, (_, nth) => Math.round(most / (1 + Math.exp(-2.2 * (nth + 1 - middle)))));

test('a trial of soak against none, from the draw to the sentence', async ({ page, own, request }) => {
  const home = await household(own, request);
  const packet = await home.packet('beet', 'Salt Drum');
  await page.goto(`${own.address}notebook`);
  await expect(heading(page)).toHaveText('What have you wondered about?');
  await page.getByRole('link', { name: 'Plan a trial' }).click();
  await button(page, /^Packet:/).click();
  await page.getByRole('radio', { name: /Salt Drum/ }).click();
  await expect(page.getByText(/It comes in about .* With 24 a side/)).toBeVisible();
  await button(page, 'Draw the lots').click();
  await expect(heading(page)).toHaveText('The soak, beet: lay the first side');
  // Each side is laid by Tuck in, with what differs fixed, and stands on the trial at once.
  for (const left of ['The soak, beet: one still to lay', 'The soak, beet: both sides lie']) {
    const place = page.getByRole('listitem').filter({ has: page.getByRole('link', { name: 'Tuck it in' }) });
    const soaked = ((await place.first().textContent()) ?? '').includes('Soaked 12 hours');
    await page.getByRole('link', { name: 'Tuck it in' }).first().click();
    const preparing = expect(button(page, /^Preparation:/));
    await (soaked ? preparing : preparing.not).toContainText('soak');
    await expect(page.getByText('One side of a trial:')).toBeVisible();
    await button(page, /^Tuck in 24 seeds/).click();
    await page.getByRole('link', { name: 'Back to the trial' }).click();
    await expect(heading(page)).toHaveText(left);
  }
  const [{ id = '' } = {}] = await home.get<TrialInShort[]>('trials');
  const { arms } = await home.get<Trial>(`trials/${id}`);
  expect(arms.map(({ batches }) => batches.length)).toEqual([1, 1]);
  const [soaked, dry] = arms.map(({ batches }) => batches[0]?.id ?? '');
  expect((await home.get<Batch>(`batches/${soaked}`)).facts.soakUntilMs).not.toBeNull();
  expect((await home.get<Batch>(`batches/${dry}`)).facts.soakUntilMs ?? null).toBeNull();
  await expect(page.getByText('It is compared when all its batches have been closed')).toBeVisible();
  // A fortnight later both have come, the soaked ones sooner.
  await own.restart('2026-04-28T07:10:00+02:00');
  const day = (nth: number): string => `2026-04-${String(11 + nth).padStart(2, '0')}T18:30`;
  for (const [batchId, middle] of [
    [soaked, 3.2],
    [dry, 5.4],
  ] as const) {
    const came = coming(middle, 21);
    for (const [nth, tipped] of came.entries()) await home.send('post', `batches/${batchId}/looks`, lookBody(tipped, { at: day(nth + 1) }));
    await home.send('post', `batches/${batchId}/closings`, { id: uuid(), at: day(14), reason: 'given_up' });
  }
  await page.goto(`${own.address}notebook`);
  await expect(heading(page)).toHaveText('One trial is over, to be read');
  await page.getByRole('link', { name: 'Read The soak, beet' }).click();
  await expect(heading(page)).toHaveText(/^Those soaked 12 hours came \d(\.\d)? days sooner \(\d\.\d to \d\.\d\); as many came$/);
  await expect(page.getByText('Fair: what else differed weighs next to nothing.')).toBeVisible();
  await button(page, 'Write it down').click();
  await expect(page.getByText(/^Written down/).first()).toBeVisible();
  await page.getByRole('link', { name: 'Notebook' }).first().click();
  await expect(page.getByRole('link', { name: /^Those soaked 12 hours came/ })).toBeVisible();
  // From then on it is said, and can be done, where seed of the kind is tucked in.
  await page.goto(`${own.address}tuck?packet=${packet}`);
  await expect(button(page, /^Preparation:/)).not.toContainText('soak');
  await button(page, 'So again: soaked 12 hours').click();
  await expect(button(page, /^Preparation:/)).toContainText('soak');
});

test('pellets against towels are no comparison; another packet in another place is unfair', async ({ page, own, request }) => {
  const home = await household(own, request);
  const packet = await home.packet('kale', 'Grey Gull');
  const old = await home.packet('kale', 'Last Buoy', 2019);
  await home.lot(packet, coming(2.5, 27));
  await home.lot(packet, coming(5.5, 25), { method: 'pellet', towel: undefined, places: 30 });
  const other = uuid();
  await home.send('post', 'spots', spotBody({ id: other, name: 'Porch sill', kind: 'sill' }));
  await home.lot(old, coming(4.5, 26), {
    damped: 'peroxide',
    holder: { newId: uuid(), kind: 'bag', closure: 'sealed_air', spotId: other },
  });
  await page.goto(`${own.address}notebook/trials/compare?crop=kale`);
  const ask = async (question: string, sides: readonly RegExp[]): Promise<void> => {
    await button(page, /^What is compared:/).click();
    await page.getByRole('radio', { name: new RegExp(`^${question} `) }).click();
    for (const side of sides) await expect(page.getByRole('button', { name: side })).toHaveAttribute('aria-pressed', 'true');
    await button(page, 'Set them side by side').click();
  };
  await ask('the way it is started', [/^On a towel/, /^In a swollen pellet/]);
  await expect(heading(page)).toHaveText('No comparison: the one was seen when its root showed, the other when it came up');
  await page.goto(`${own.address}notebook/trials/compare?crop=kale`);
  await ask('what it is damped with', [/^Damped with plain water/]);
  await expect(heading(page)).not.toHaveText(/came .* sooner/);
  await page.goto(`${own.address}notebook/trials/compare?crop=kale`);
  // One batch of another method is left out, and what differs besides is weighed.
  await button(page, /^What is compared:/).click();
  await page.getByRole('radio', { name: /^what it is damped with/ }).click();
  const pellets = page.getByRole('listitem').filter({ hasText: '25 of 30' });
  await pellets.getByRole('button', { name: /^Leave it out/ }).click();
  await button(page, 'Set them side by side').click();
  await expect(heading(page)).toHaveText('Not to be told: the seed itself may have done as much');
  await expect(page.getByText('Not fair: what else differed may do as much.')).toBeVisible();
  await expect(page.getByText(/^The seed itself: Grey Gull, 2025 against Last Buoy, 2019/)).toBeVisible();
  await button(page, 'Take it out of the notebook').click();
  await expect(page.getByText(/is out of the notebook. Its batches stay/)).toBeVisible();
  await button(page, 'Undo').click();
  await expect(page.getByRole('link', { name: /^What it is damped with, kale/ })).toHaveCount(2);
});

test('two racks that reverse a method’s rank are compared each within itself', async ({ page, own, request }) => {
  const home = await household(own, request);
  const packet = await home.packet('lettuce', 'Sandbar');
  const cool = uuid();
  await home.send('post', 'spots', spotBody({ id: cool, name: 'Cool rack', kind: 'room' }));
  const inCool = { holder: () => ({ newId: uuid(), kind: 'bag', closure: 'sealed_air', spotId: cool }) };
  // Cloth is ahead by a day on either rack; as most of it lay on the cool one, all together it seems late.
  const cloth = { towel: { widthMm: 140, heightMm: 110, plies: 2, medium: 'cloth' } };
  await home.lot(packet, coming(2, 27), cloth);
  for (const middle of [6, 6.1, 5.9]) await home.lot(packet, coming(middle, 27), { ...cloth, holder: inCool.holder() });
  for (const middle of [3, 3.1, 2.9]) await home.lot(packet, coming(middle, 27));
  await home.lot(packet, coming(7.2, 27), { holder: inCool.holder() });
  await page.goto(`${own.address}notebook/trials/compare?crop=lettuce`);
  await button(page, /^What is compared:/).click();
  await page.getByRole('radio', { name: /^what it lies on/ }).click();
  await button(page, 'Set them side by side').click();
  await expect(heading(page)).toHaveText(/^Those on old cloth came .* sooner/);
  await expect(page.getByText('Compared within each place and put together')).toBeVisible();
});

test('what cannot be compared is refused in a sentence', async ({ own, request }) => {
  const home = await household(own, request);
  const [packet = { id: '' }] = await home.get<PacketName[]>('packets');
  const packetId = packet.id === '' ? await home.packet('beet', 'Salt Drum') : packet.id;
  const one = await home.lot(packetId, coming(3, 20));
  const arms = [one, one].map((id, nth) => ({ name: `Side ${nth}`, setting: null, batchIds: [id] }));
  const words = { name: 'Twice', question: 'soak', plan: null, read: null, arms };
  const answer = await request.post(`${own.address}api/trials`, { data: { id: uuid(), trialId: uuid(), words } });
  expect(answer.status()).toBe(422);
  expect(await answer.text()).toContain('a batch cannot be compared with itself');
});

test('ten practice parcels by keyboard, and nothing of them in the records', async ({ page, own, request }) => {
  const home = await household(own, request);
  await page.goto(`${own.address}notebook`);
  await page.getByRole('link', { name: 'Practice' }).click();
  for (let nth = 1; nth <= 10; nth++) {
    await expect(page.getByText(`Practice, ${nth} of 10`)).toBeVisible();
    const sure = (await heading(page).textContent())?.startsWith('How many') ?? false;
    await page.keyboard.press('1');
    if (sure) {
      await expect(heading(page)).toHaveText('How sure are you, give or take one?');
      await page.keyboard.press('2');
    }
    await expect(page.getByRole('status').locator('.lead')).not.toBeEmpty();
    await page.keyboard.press('Enter');
  }
  await expect(heading(page)).toHaveText(/^(\d+ of 10|All ten) right$/);
  await expect(page.getByText(/^Opening was off by \d\.\d days on average; the plan's by/)).toBeVisible();
  await expect(page.getByText(/^Where you were sure 7 times in 10, \d of 2 held/)).toBeVisible();
  await button(page, 'Ten more').click();
  await expect(page.getByText('Practice, 1 of 10')).toBeVisible();
  expect(await home.get<Batch[]>('batches')).toEqual([]);
});

test('the story of a batch is exported without a name in it', async ({ page, own, request }) => {
  const home = await household(own, request);
  const packet = await home.packet('beet', 'Salt Drum');
  const batchId = await home.lot(packet, coming(3, 24));
  await home.send('post', 'notes', { id: uuid(), noteId: uuid(), words: { day: '2026-03-05', text: 'Wilma says so', batchId } });
  await page.goto(`${own.address}batch/${batchId}`);
  const told: string[] = [];
  for (const kind of ['PDF', 'SVG', 'PNG'] as const) {
    const waiting = page.waitForEvent('download');
    await (kind === 'PNG' ? button(page, kind) : page.getByRole('link', { name: kind, exact: true })).click();
    const path = await (await waiting).path();
    const bytes = readFileSync(path);
    expect(bytes.subarray(0, 5).toString('latin1')).toBe({ PDF: '%PDF-', SVG: '<svg ', PNG: '\x89PNG\r' }[kind]);
    expect(bytes.length).toBeGreaterThan(900);
    if (kind === 'SVG') told.push(bytes.toString());
    if (kind === 'PDF') told.push(execFileSync('pdftotext', ['-layout', path, '-']).toString());
  }
  for (const story of told) {
    expect(story).toContain('24 of 30');
    expect(story).toContain('Beet, Salt Drum');
    for (const name of ['Wilma', 'Hall cupboard', 'Home', 'swap table']) expect(story).not.toContain(name);
  }
});

test('notes are written, found, changed and taken back; the bench puts its result where it belongs', async ({ page, own, request }) => {
  const home = await household(own, request);
  const packet = await home.packet('beet', 'Salt Drum');
  await page.goto(`${own.address}notebook/workbench`);
  await button(page, 'Seeds by weight').click();
  await page.getByLabel('They weigh').fill('1/4 oz');
  await page.getByLabel('All of it weighs').fill('1 oz');
  await expect(page.getByText('About 200 seeds.')).toBeVisible();
  await page.getByLabel('All of it weighs').fill('a lot');
  await expect(page.getByText('All of it weighs: a weight like 0.4 g or 1/4 oz.')).toBeVisible();
  await page.getByLabel('All of it weighs').fill('1 oz');
  await button(page, /^Count them into a packet/).click();
  await page.getByRole('radio', { name: /Salt Drum/ }).click();
  await expect(page.getByText('200 counted into Salt Drum.')).toBeVisible();
  expect((await home.get<{ seedsLeft: number }>(`packets/${packet}`)).seedsLeft).toBe(200);
  await button(page, 'Dilution').click();
  await page.getByLabel('The stock has').fill('12');
  await expect(page.getByText('Household peroxide has 3 %: stronger stock is not for homes.')).toBeVisible();
  await page.getByLabel('The stock has').fill('3');
  await expect(page.getByText(/^50 ml \(.* fl oz\) of the stock, 450 ml/)).toBeVisible();
  await button(page, 'Write it into the notes').click();
  await expect(page.getByLabel('A line for the notebook')).toHaveValue(/^Mixed to 0.3 % from 3 %: 50 ml/);
  await button(page, 'Write it down').click();
  await expect(page.getByText('Written down.')).toBeVisible();
  await page.getByLabel('A line for the notebook').fill('New roll of paper, thinner');
  await button(page, 'Write it down').click();
  await expect(page.locator('article')).toHaveCount(2);
  await page.getByLabel('Look through the notes').fill('thinner');
  await expect(page.locator('article')).toHaveCount(1);
  await button(page, 'Take out').click();
  await expect(page.getByText('Nothing holds “thinner”.')).toBeVisible();
  await button(page, 'Undo').click();
  await expect(page.locator('article')).toHaveCount(1);
});
