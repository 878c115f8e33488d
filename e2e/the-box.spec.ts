import { batchBody } from '@fresh-tuck/contract/testing';
import type { BatchWithJournal, PacketName, PacketSheet } from '@fresh-tuck/contract';
import type { Page } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { button, expect, inWord, test } from './app.js';
import { householdOn } from './household.js';

const packetOf = (more: object = {}) => ({
  id: uuid(),
  cropId: 'onion',
  variety: 'Brown Knot',
  year: 2025,
  source: null,
  printedRatePercent: null,
  seedCount: 60,
  dressed: false,
  ...more,
});
const startCount = async (page: Page): Promise<number> => {
  const finish = button(page, /^Tuck in \d+ seeds?/);
  // It can be pressed when the worker has answered the sentence as it stands.
  await expect(finish).toBeEnabled();
  return Number(/\d+/.exec((await finish.textContent()) ?? '')?.[0]);
};

test('45 old seeds are tested before any tray is filled, and the survivors planted', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const packet = packetOf({ year: 2023, seedCount: 120 });
  await home.send('post', 'packets', packet);
  await page.goto(`${own.address}seeds`);
  await expect(page.getByRole('heading', { name: '1 packet in the box: test 1 first' })).toBeVisible();
  await page.getByRole('link', { name: 'Test Onion, Brown Knot' }).click();
  await inWord(page, /^How many seeds:/, (panel) => panel.getByRole('spinbutton').fill('45'));
  await inWord(page, /^Towels:/, (panel) => panel.getByRole('radio', { name: /^3 towels/ }).click());
  await expect(page.getByText(/final count is due on day 12/)).toBeVisible();
  await button(page, 'Begin the test of 45 seeds').click();
  await expect(page.getByRole('heading', { name: /Onion, Brown Knot/, level: 1 })).toBeVisible();
  await expect(page.getByText('test on 3 towels')).toBeVisible();

  await own.restart('2026-04-23T18:40:00+02:00');
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Count the test' })).toBeVisible();
  const cell = (towel: number, name: string) => page.getByLabel(`Towel ${towel}, ${name}`);
  for (const [towel, normal] of [11, 9, 10].entries()) {
    await cell(towel + 1, 'normal').fill(String(normal));
    await cell(towel + 1, 'dead').fill(String(14 - normal));
  }
  await button(page, 'Keep this count').click();
  await expect(page.getByRole('alert').filter({ hasText: 'Towel 1: 1 of its seeds are not sorted yet.' })).toBeVisible();
  for (const towel of [1, 2, 3]) await cell(towel, 'fresh').fill('1');
  await button(page, 'Keep this count').click();
  await expect(page.getByText('normal seedlings, 30 of 45.')).toBeVisible();
  await expect(page.getByText(/The towels agree/)).toBeVisible();
  // Counted, it is looked at no more: what lives is moved at once, and then it closes by itself.
  await button(page, 'Move what lives').click();
  await button(page, 'cup').click();
  await button(page, /^Moved \d+ sprouts?$/).click();
  const told = async (): Promise<PacketSheet> =>
    (await (await request.get(`${own.address}api/packets/${packet.id}`)).json()) as PacketSheet;
  await expect.poll(async () => (await told()).batches.map(({ live }) => live)).toEqual([false]);
  const sheet = await told();
  expect(sheet.tests.map(({ result }) => result?.totals.normal)).toEqual([30]);
  expect([sheet.seedsLeft, sheet.stock.advice.includes('test_first')]).toEqual([75, false]);
  await page.goto(`${own.address}nursery`);
  await expect(page.getByRole('heading', { name: 'Nothing to do for the 30 in the nursery' })).toBeVisible();
});

test('a bed of 1.2 m by 0.8 m becomes a start count; what was fixed stays; what cannot be is said', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const [leek, onion] = [packetOf({ cropId: 'leek', variety: 'Bollard', seedCount: 300 }), packetOf({ seedCount: 300 })];
  await home.send('post', 'packets', leek);
  await home.send('post', 'packets', onion);
  await page.goto(`${own.address}tuck?packet=${leek.id}`);
  await inWord(page, /^How many plants:/, async (panel) => {
    const measure = async (wide: string, long: string, row: string, rows: string) => {
      await panel.getByLabel('Wide, m').fill(wide);
      await panel.getByLabel('Long, m').fill(long);
      await panel.getByLabel('In the row, cm').fill(row);
      await panel.getByLabel('Between rows, cm').fill(rows);
      await panel.getByRole('button', { name: 'Fill this bed' }).click();
    };
    await measure('1.2', '0.8', '90', '90');
    await expect(panel.getByRole('alert')).toContainText("wider than the bed's 80 cm");
    await measure('20 cm', '30 cm', '45', '60');
    await expect(panel.getByRole('alert')).toContainText('smaller than the room of one plant');
    await measure('wide', '0.8', '15', '30');
    await expect(panel.getByText('A bed’s side is a length like 1.2 m, 80 cm or 4 ft.')).toBeVisible();
    await measure('1,2', '0.8', '20', '30');
    // Six rows of two or four of four: the better way round.
    await expect(panel.getByText('That many fit in the bed.')).toBeVisible();
  });
  await expect(button(page, 'How many plants: 16 plants')).toBeVisible();
  await expect.poll(() => startCount(page)).toBeGreaterThan(16);
  const many = await startCount(page);
  await inWord(page, /^How sure:/, (panel) => panel.getByRole('radio', { name: /^six times in ten/ }).click());
  await expect.poll(() => startCount(page)).toBeLessThan(many);
  const fewer = await startCount(page);
  await inWord(page, /^Where they go:/, (panel) => panel.getByRole('radio', { name: /^two to each, one kept/ }).click());
  await expect.poll(() => startCount(page)).toBeGreaterThan(1.5 * fewer);
  await inWord(page, /^Packet:/, (panel) => panel.getByRole('radio', { name: /^Onion/ }).click());
  // Another packet: plants, sureness and pots stay as they were fixed.
  await expect(button(page, 'How many plants: 16 plants')).toBeVisible();
  await expect(button(page, 'How sure: six times in ten')).toBeVisible();
  await expect(button(page, /^Where they go: cups, two to each/)).toBeVisible();
  // Counted back from a date, for each spot.
  await inWord(page, /^By when:/, (panel) => panel.getByLabel('To plant out around').fill('2026-08-20'));
  await expect(page.getByText(/^Start by .* in \d+ days: .* in time\.$/)).toBeVisible();
  await expect(button(page, /^Tuck in \d+ seeds now$/)).toBeVisible();
});

test('husks that split double: half as many leave the packet as are laid', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const packet = packetOf({ cropId: 'coriander', variety: 'Round Shot', seedCount: 50 });
  await home.send('post', 'packets', packet);
  await page.goto(`${own.address}tuck?packet=${packet.id}`);
  await inWord(page, /^How many plants:/, (panel) => panel.getByLabel('How many plants do you want?').fill('9'));
  await expect(page.getByText(/^\d+ husks from the packet split into \d+ seeds\.$/)).toBeVisible();
  const laid = await startCount(page);
  expect(laid % 2).toBe(0);
  await button(page, `Tuck in ${laid} seeds`).click();
  await expect(page.getByRole('heading', { name: '1 is tucked in' })).toBeVisible();
  const after = (await (await request.get(`${own.address}api/packets/${packet.id}`)).json()) as PacketSheet;
  expect(after.seedsLeft).toBe(50 - laid / 2);
});

/** Sixty packets as an old spreadsheet writes them: semicolons, decimal commas, Latin-1, blanks and slips. */
function messyTable(): Buffer {
  const crops = ['Tomato', 'Leeks', 'chives', 'Dill', 'Sorrel', 'Soybeans', 'Melon', 'Sweet pea', 'Lettuces', 'Beetroot'];
  const rows = Array.from({ length: 60 }, (_, index) => {
    const year = index === 7 ? '' : index === 23 ? '2031' : String(2019 + (index % 7));
    const seeds = index % 4 === 1 ? '' : index === 40 ? '12,5' : String(10 + index);
    const crop = index === 12 ? 'Moon melon' : (crops[index % crops.length] ?? '');
    const rate = index === 31 ? '150' : index % 3 === 0 ? '0,85' : `${70 + (index % 25)},5`;
    return [crop, `Grün ${index + 1}`, year, 'Café am Kai', rate, index % 4 === 1 ? '0,8 g' : '', seeds, index % 9 === 0 ? 'x' : ''].join(
      ';',
    );
  });
  return Buffer.from(['Kind;Sort;Year;From;Germination %;Weight (g);Qty;Treated', ...rows, ';;;;;;;', ''].join('\r\n'), 'latin1');
}

test('a box of sixty packets comes in from a messy table, mended row by row, all or nothing', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  await page.goto(`${own.address}seeds/import`);
  const file = page.locator('input[type=file]');
  await file.setInputFiles({ name: 'notes.csv', mimeType: 'text/csv', buffer: Buffer.from('just words\n') });
  await expect(page.getByRole('alert').first()).toContainText('the first line must head them');
  await file.setInputFiles({ name: 'box.csv', mimeType: 'text/csv', buffer: messyTable() });
  await expect(page.getByRole('heading', { name: '4 rows need correcting' })).toBeVisible();
  await expect(page.getByText('8 of 8 columns understood; cells separated by semicolons, Latin-1')).toBeVisible();
  await expect(page.getByText('2031 lies in the future: the year must not be after 2027.')).toBeVisible();
  await expect(page.getByText('“12,5” is no number of seeds: a whole number from 0 to 100000, or empty.')).toBeVisible();
  await expect(page.getByText('no year: its age is not known')).toBeVisible();
  await expect(button(page, 'Bring in 56 packets')).toBeDisabled();
  expect((await (await request.get(`${own.address}api/packets`)).json()) as PacketName[]).toEqual([]);
  await page.getByLabel('Crop', { exact: false }).last().selectOption('Melon');
  await page.getByLabel('Year of the seed').last().fill('2025');
  await page.getByLabel('Printed rate %').last().fill('50');
  await page.getByLabel('Printed rate %').last().blur();
  await button(page, /row 42$/).click();
  await button(page, 'Bring in 59 packets').click();
  await expect(page.getByRole('heading', { name: /^59 packets in the box/ })).toBeVisible();
  const packets = (await (await request.get(`${own.address}api/packets`)).json()) as PacketName[];
  const named = packets.find(({ variety }) => variety === 'Grün 1');
  const first = (await (await request.get(`${own.address}api/packets/${named?.id}`)).json()) as PacketSheet;
  expect([first.cropId, first.source, first.printedRatePercent, first.dressed]).toEqual(['tomato', 'Café am Kai', 85, true]);
  expect(packets.find(({ variety }) => variety === 'Grün 2')?.seedsLeft).toBeGreaterThan(100);
});

test('a packet emptied in another tab in the meantime is said at once, with what can be had instead', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const packet = packetOf({ seedCount: 24 });
  await home.send('post', 'packets', packet);
  await home.send('post', 'packets', packetOf({ variety: 'Red Knot', seedCount: 80 }));
  await page.goto(`${own.address}tuck?packet=${packet.id}`);
  await expect(button(page, /^Tuck in \d+ seeds$/)).toBeEnabled();
  await home.send('post', 'batches', batchBody(packet.id, home.spotId, { seeds: 22, wanted: 9, startAt: null, prepared: [] }));
  await expect(page.getByRole('heading', { name: 'The packet has only 2 left' })).toBeVisible();
  await expect(button(page, /^Tuck in \d+ seeds$/)).toBeDisabled();
  await expect(page.getByText(/All 2 of this one and \d+ of it make it sure/)).toBeVisible();
  await button(page, 'Start all 2').click();
  await button(page, 'Tuck in 2 seeds').click();
  await expect(page.getByRole('heading', { name: '2 is tucked in' })).toBeVisible();
  const all = (await (await request.get(`${own.address}api/batches`)).json()) as BatchWithJournal[];
  expect(all.map(({ facts }) => facts.seeds)).toEqual([22, 2]);
});

test('two generations of saved seed come back into the box with their parents', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const packet = packetOf({ cropId: 'tomato', variety: 'Stair Lamp', trait: 'early fruit' });
  await home.send('post', 'packets', packet);
  await page.goto(`${own.address}packet/${packet.id}`);
  for (const generation of [1, 2]) {
    await page.getByRole('link', { name: 'Save seed from it' }).click();
    await expect(page.getByLabel('Generation saved here')).toHaveValue(String(generation));
    await page.getByLabel('Seeds in it').fill('2.5');
    await button(page, 'Put it in the box').click();
    await expect(page.getByText('A whole number of seeds, or empty where you have not counted.')).toBeVisible();
    await expect(page.getByText('Say how its kin were kept away; “not at all” is an answer.')).toBeVisible();
    await page.getByLabel('Seeds in it').fill('40');
    await page.getByRole('combobox', { name: 'Kept from other pollen' }).press('Enter');
    await page.getByRole('option', { name: 'by distance' }).click();
    await page.getByLabel('Year of the seed').fill('2031');
    await button(page, 'Put it in the box').click();
    await expect(page.getByText('The year must not lie after 2027.')).toBeVisible();
    await page.getByLabel('Year of the seed').fill('2026');
    await page.getByLabel('Variety').fill(`Stair Lamp ${generation}`);
    await button(page, 'Put it in the box').click();
    await page.getByRole('link', { name: new RegExp(`^Tomato, Stair Lamp ${generation} 2026`) }).click();
    await expect(page.getByText(generation === 1 ? 'once' : '2 times', { exact: true })).toBeVisible();
    await expect(page.getByText('early fruit')).toBeVisible();
  }
  await page.getByRole('link', { name: 'Tomato, Stair Lamp 1, 2026' }).click();
  await expect(page.getByRole('link', { name: 'Tomato, Stair Lamp, 2025' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Stair Lamp 2, 2026, saved 2×' })).toBeVisible();
});
