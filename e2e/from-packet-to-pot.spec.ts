import { batchBody } from '@fresh-tuck/contract/testing';
import type { Page } from '@playwright/test';
import { button, expect, inWord, test } from './app.js';

const choose = async (page: Page, label: string, option: RegExp): Promise<void> => {
  // The floating label lies over the field; the click that lands on it is the field's all the same.
  await page.getByLabel(label).click({ force: true });
  await page.getByRole('option', { name: option }).click();
};

test('a gardener sets up, tucks in a running batch, opens it, moves sprouts, mends a mistake and finds it all again', async ({
  page,
  own,
}) => {
  await page.goto(own.address);
  await expect(page.getByRole('heading', { name: 'Is this you?' })).toBeVisible();
  await inWord(page, /^What the household is called:/, (panel) => panel.getByLabel('What the household is called').fill('Test house'));
  await inWord(page, /^Time zone:/, (panel) => panel.getByLabel('Time zone').fill('Moon/Crater'));
  await page.getByRole('button', { name: 'Yes: put the first packet in' }).click();
  await button(page, /^Time zone:/).click();
  await expect(page.getByText('The time zone must be an IANA time zone like Europe/Lisbon.').first()).toBeVisible();
  await page.getByRole('dialog').getByLabel('Time zone').fill('Europe/Copenhagen');
  await button(page, 'Done').click();
  await inWord(page, /^When somebody can look:/, (panel) => panel.getByLabel('When somebody can look').fill('7:00, 18:30'));
  await page.getByRole('button', { name: 'Yes: put the first packet in' }).click();
  await expect(page.getByLabel('Crop')).toBeVisible();

  await page.goto(`${own.address}house`);
  await page.getByLabel('Name of a warm spot').fill('Hall cupboard');
  await choose(page, 'What kind of place it is', /Warm cupboard/);
  await page.getByRole('button', { name: 'Add this spot' }).click();
  await expect(page.getByText('about 22.5 °C, a guess')).toBeVisible();
  await page.getByRole('button', { name: 'Type what the thermometer at Hall cupboard says' }).click();
  await page.getByLabel('Lowest').fill('warm');
  await page.getByLabel('Highest').fill('200');
  await page.getByRole('button', { name: 'Save the reading' }).click();
  await expect(page.getByText('A temperature like 21, 21.5 C or 70F.')).toBeVisible();
  await page.getByLabel('Lowest').fill('78F');
  await page.getByRole('button', { name: 'Save the reading' }).click();
  await expect(page.getByText('The warmest temperature must be a number from -30 to 60 °C.')).toBeVisible();
  await page.getByLabel('Highest').fill('28');
  await page.getByRole('button', { name: 'Save the reading' }).click();
  await expect(page.getByText('26.8 °C, swings 2°')).toBeVisible();

  await page.goto(`${own.address}seeds?add=1`);
  await page.getByLabel('Crop').fill('lady');
  await page.getByRole('option', { name: /Okra/ }).click();
  await page.getByLabel('Variety').fill('Tall Mast');
  await page.getByLabel('Seeds in it').fill('31');
  await page.getByLabel('Printed rate').fill('150');
  await page.getByRole('button', { name: 'Put it in the box' }).click();
  await expect(page.getByText('The rate on the packet must be a number from 1 to 100 %.')).toBeVisible();
  await page.getByLabel('Printed rate').fill('80');
  await page.getByRole('button', { name: 'Put it in the box' }).click();
  await page.getByRole('link', { name: 'Tuck some in' }).click();

  // One already running, with its true date.
  await expect(page.getByRole('button', { name: 'Packet: Okra, Tall Mast' })).toBeVisible();
  await page.getByRole('button', { name: /^How many seeds:/ }).click();
  await page.getByRole('dialog').getByRole('spinbutton').fill('40');
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByRole('heading', { name: 'The packet has only 31 left' })).toBeVisible();
  await page.getByRole('button', { name: /^How many seeds:/ }).click();
  await page.getByRole('dialog').getByRole('spinbutton').fill('8');
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: /^When:/ }).click();
  await page.getByLabel('When was it tucked in?').fill('2026-04-07T18:40');
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: 'Tuck in 8 seeds' }).click();
  await expect(page.getByRole('heading', { name: '1 is tucked in' })).toBeVisible();
  await expect(page.getByRole('img', { name: 'Code of this batch' })).toBeVisible();
  await page.getByRole('link', { name: 'To Today' }).click();

  await expect(page.getByRole('heading', { name: 'Open one parcel this morning' })).toBeVisible();
  await expect(page.getByText(/first tips likely|worth a look/)).toBeVisible();
  await page.getByRole('button', { name: /^Why\?/ }).click();
  await expect(page.getByText('80 of 100 printed on the packet')).toBeVisible();
  // Drawn: what was known, and what the warmth did.
  await expect(page.getByRole('img', { name: /^Without it \d+ to \d+, with it/ }).first()).toBeVisible();
  await expect(page.getByText(/did the work of .* at its best/)).toBeVisible();
  await page.getByRole('button', { name: 'Start the round' }).click();

  // Nothing is chosen before the gardener has said it.
  await expect(page.getByRole('button', { pressed: true }).or(page.getByRole('radio', { checked: true }))).toHaveCount(0);
  await page.getByRole('button', { name: 'Nothing new', exact: true }).click();
  await expect(page.getByRole('alert')).toHaveText('Say how you looked: opened, or through the bag.');
  await page.getByRole('radio', { name: 'opened', exact: true }).click();
  await page.getByRole('button', { name: 'Seed 2, quiet' }).click();
  await page.getByRole('button', { name: 'Seed 5, quiet' }).click();
  await page.getByRole('button', { name: 'One tip more' }).click();
  await expect(page.getByLabel('3 new tips')).toBeVisible();
  await page.keyboard.press('u');
  await expect(page.getByLabel('2 new tips')).toBeVisible();
  await page.getByRole('button', { name: 'Seed 2, tip, marked now' }).press('m');
  await page.getByRole('radio', { name: 'root', exact: true }).click();
  await page.getByLabel('Root length').fill('1/4 in');
  await page.getByRole('button', { name: 'Mark seed 2' }).click();
  await expect(page.getByRole('button', { name: 'Seed 2, root 6 mm, marked now' })).toBeVisible();
  await page.getByRole('button', { name: 'damp', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Move 2 sprouts' })).toBeVisible();
  await page.getByRole('button', { name: 'Save, and move what is ready' }).click();

  await expect(page.getByRole('heading', { name: 'Move to where they grow' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^seed 2/, pressed: true })).toBeVisible();
  // Where they go was said when they were tucked in.
  await expect(page.getByRole('radio', { name: 'cup', exact: true, checked: true })).toBeVisible();
  await page.getByRole('radio', { name: 'cup', exact: true }).click();
  await page.getByRole('button', { name: 'Moved 1 sprout' }).click();
  await expect(page.getByRole('heading', { name: 'Write these labels' })).toBeVisible();
  await expect(page.getByText('seed 2 of 1')).toBeVisible();
  await page.getByRole('button', { name: 'Go on' }).click();

  // Mend: undo the move, then correct the look.
  await page.getByRole('link', { name: 'Okra, Tall Mast', exact: true }).click();
  await expect(page.getByText('In cups now: 1, label 2.')).toBeVisible();
  await page.getByRole('list').getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByText('Label 2 leaves the Nursery and is not given again.')).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText('Took back the move.')).toBeVisible();
  await page.getByRole('link', { name: /^Correct the look of/ }).click();
  await expect(page.getByText('Correct a look')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Seed 2, root 6 mm, marked now' })).toBeVisible();
  await page.getByRole('button', { name: 'One tip more' }).click();
  await page.getByRole('button', { name: 'Save the correction' }).click();
  await page.getByRole('button', { name: 'Not now' }).click();

  await own.restart();
  await page.goto(own.address);
  await page.getByRole('link', { name: 'Okra, Tall Mast', exact: true }).click();
  await expect(page.getByText('3 new tips, 3 in all')).toBeVisible();
  await expect(page.getByText('2 new tips, 2 in all')).toBeVisible();
  await page.getByRole('button', { name: 'Correct this' }).click();
  await inWord(page, /^How many seeds:/, (panel) => panel.getByLabel(/How many seeds were there/).fill('2'));
  await page.getByRole('button', { name: 'Correct it so' }).click();
  await expect(page.getByText(/The number of seeds must be at least 5/)).toBeVisible();
  await page.getByRole('button', { name: 'Close the batch' }).click();
  await page.getByRole('button', { name: 'given up' }).click();
  await expect(page.getByText('3 of 8 showed a tip, 0 were moved.')).toBeVisible();
});

test('an empty household is told what to do, and a save of one tab reaches the other', async ({ page, own, context, request }) => {
  const id = (n: number): string => `01900000-0000-7000-8000-00000000000${n}`;
  const send = async (method: 'post' | 'put', path: string, data: object): Promise<void> => {
    expect((await request[method](`${own.address}api/${path}`, { data })).ok()).toBeTruthy();
  };
  await send('put', 'household', {
    id: id(1),
    name: 'Home',
    zone: 'Europe/Copenhagen',
    units: 'us',
    lookingTimes: ['07:00'],
    millilitresPerSpray: 0.8,
  });
  await send('post', 'spots', { id: id(2), name: 'Shelf', kind: 'room' });
  await page.goto(own.address);
  await expect(page.getByRole('heading', { name: 'Nothing is tucked in yet' })).toBeVisible();
  await send('post', 'packets', {
    id: id(3),
    cropId: 'pea',
    variety: 'Mole End',
    year: 2025,
    source: null,
    printedRatePercent: null,
    seedCount: null,
    dressed: true,
  });
  await send(
    'post',
    'batches',
    batchBody(id(3), id(2), {
      id: id(4),
      seeds: 6,
      wanted: null,
      prepared: [],
      holder: { newId: id(5), kind: 'bag', closure: 'sealed_air', spotId: id(2) },
    }),
  );
  await expect(page.getByRole('heading', { name: 'Open one parcel this morning' })).toBeVisible();

  const other = await context.newPage();
  await other.goto(`${own.address}open/${id(4)}`);
  await expect(other.getByText('Dressed seed: gloves')).toBeVisible();
  await other.getByRole('radio', { name: 'opened', exact: true }).click();
  await other.getByRole('button', { name: 'nothing new', exact: true }).click();
  await other.getByRole('button', { name: 'damp', exact: true }).click();
  await other.getByRole('button', { name: 'Save this look' }).click();
  await expect(page.getByRole('heading', { name: 'Nothing to open this morning' })).toBeVisible();
  await expect(page.getByText(/next look/)).toBeVisible();
});
