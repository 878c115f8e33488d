import type { Page } from '@playwright/test';
import type { BatchWithJournal } from '@fresh-tuck/contract';
import { button, expect, test } from './app.js';
import { householdOn } from './household.js';

test('one bag of three lots: one moves, one waits, one is topped up, and the round opens them together', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const okra = await home.batch('okra', '2026-04-07T18:30');
  const carrot = await home.batch('carrot', '2026-04-10T18:30', { bag: okra.bag });
  const tomato = await home.batch('tomato', '2026-04-08T18:30', { bag: okra.bag, wanted: 6 });
  await home.look(okra.id, '2026-04-10T18:30', 2);
  await page.goto(own.address);
  await expect(page.getByText('In the same bag as').first()).toBeVisible();
  await button(page, 'Start the round').click();
  await expect(page.getByRole('heading', { name: /Okra, Quay/, level: 1 })).toBeVisible();
  await button(page, 'opened').click();
  // A root is drawn out of its seed to the scale of the paper; its length can be typed as well.
  const seed = await button(page, /^Seed 3,/).boundingBox();
  if (!seed) throw new Error('seed 3 is not there');
  await page.mouse.move(seed.x + seed.width / 2, seed.y + seed.height / 2);
  await page.mouse.down();
  await page.mouse.move(seed.x + seed.width / 2 + 40, seed.y + seed.height / 2 + 20, { steps: 4 });
  await page.mouse.up();
  await expect(button(page, /^Seed 3, root \d+ mm, marked now$/)).toBeVisible();
  await button(page, 'Save, and move what is ready').click();
  await button(page, 'cup').click();
  await expect(page.getByText('By the coat, never the root.', { exact: false })).toBeVisible();
  await button(page, /^Moved \d sprouts?$/).click();
  await button(page, 'Go on').click();
  // Nothing is new with the carrot: one tap.
  await expect(page.getByRole('heading', { name: /Carrot, Quay/, level: 1 })).toBeVisible();
  await button(page, 'Nothing new, next parcel').click();
  // Four of the tomatoes have gone soft: the packet has more.
  await expect(page.getByRole('heading', { name: /Tomato, Quay/, level: 1 })).toBeVisible();
  for (const seed of [1, 2, 3, 4]) {
    await button(page, new RegExp(`^Seed ${seed},`)).press('m');
    await button(page, 'rotten').click();
    await button(page, `Mark seed ${seed}`).click();
  }
  await expect(page.getByRole('heading', { name: /^Start \d+ more seeds?$/ })).toBeVisible();
  // What is seen is told by pictures; what to do and the caution follow at once.
  await button(page, 'Something wrong?').click();
  await button(page, /soft seed/).click();
  await expect(page.getByRole('heading', { name: 'Take the soft ones out' })).toBeVisible();
  await expect(page.getByText(/do not sniff at it/)).toBeVisible();
  await button(page, 'Save this look').click();
  await expect(page.getByRole('heading', { name: /this morning$/ })).toBeVisible();
  const after = (await (await request.get(`${own.address}api/batches/${carrot.id}`)).json()) as BatchWithJournal;
  expect(after.judgement.verdict).toBe('leave');
  const short = (await (await request.get(`${own.address}api/batches/${tomato.id}`)).json()) as BatchWithJournal;
  expect(short.judgement.advice.map(({ kind }) => kind)).toContain('top_up');
});

test('after three days away the longest roots come first, and how they came out is kept', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  // Written down as it happened: what was running when it was first told of is nobody’s absence.
  await own.restart('2026-04-05T18:35:00+02:00');
  await home.begin(['2026-04-05']);
  const quick = await home.batch('okra', '2026-04-05T18:30');
  await home.batch('leek', '2026-04-05T18:30');
  await own.restart('2026-04-08T07:05:00+02:00');
  await home.look(quick.id, '2026-04-08T07:00', 3);
  await own.restart();
  await page.goto(own.address);
  await expect(page.getByRole('heading', { name: /^Rescue (one|two) parcels? first$/ })).toBeVisible();
  await expect(page.getByText('Nobody has looked for 3 days')).toBeVisible();
  await button(page, 'Start the rescue').click();
  await expect(page.getByRole('heading', { name: /Okra, Quay/, level: 1 })).toBeVisible();
  await button(page, 'opened').click();
  await button(page, /^Seed 1,/).press('m');
  await button(page, 'root').click();
  await page.getByLabel('Root length').fill('30 mm');
  await button(page, 'Mark seed 1').click();
  await expect(page.getByRole('heading', { name: /^Rescue \d sprouts?$/ })).toBeVisible();
  await button(page, 'Save, and move what is ready').click();
  await expect(page.getByRole('heading', { name: 'Rescue them, longest first' })).toBeVisible();
  await button(page, 'One more cut out with the paper').click();
  await button(page, 'One more snapped').click();
  await button(page, 'pot').click();
  await button(page, /^Moved 3 sprouts$/).click();
  await expect(page.getByRole('heading', { name: 'Write these labels' })).toBeVisible();
  // Three left the towel, two have labels: what snapped is lost.
  const after = (await (await request.get(`${own.address}api/batches/${quick.id}`)).json()) as BatchWithJournal;
  expect([after.answers.state.moved, after.cups.length]).toEqual([3, 2]);
  expect(after.journal[0]?.text).toContain('1 with their patch; 1 snapped');
});

test('broad beans for a bed that is too cold: half of them go into plugs, and the nursery knows them', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const bean = await home.batch('broad-bean', '2026-04-04T18:30', { wanted: 8 });
  const marks = [1, 2, 3, 4].map((seed) => ({ seed, stage: 'root', rootMm: 9 }));
  await home.look(bean.id, null, 4, { marks });
  await page.goto(`${own.address}open/${bean.id}`);
  await button(page, 'opened').click();
  await button(page, /^Nothing else new: move/).click();
  await button(page, 'bed').click();
  await button(page, 'Another bed').click();
  await page.getByLabel('What it is called').fill('Court bed');
  await page.getByLabel('Wide, m').fill('0,8');
  await page.getByLabel('Long, m').fill('wide');
  await button(page, 'Add this bed').click();
  await expect(page.getByText('A length like 1.2, 80 cm or 4 ft.')).toBeVisible();
  await page.getByLabel('Long, m').fill('1.2');
  await button(page, 'Add this bed').click();
  await expect(page.getByText(/say what the bed has\. \d+ fit at its spacing/)).toBeVisible();
  await page.getByLabel('Its soil now').fill('39F');
  await button(page, 'In the soil').click();
  await expect(page.getByText(/Not ready: put them into plugs, that buys about \d+ days/)).toBeVisible();
  await button(page, /^seed 1/).click();
  await button(page, /^seed 2/).click();
  await button(page, 'plug').click();
  await button(page, 'Moved 2 sprouts').click();
  await button(page, 'Go on').click();

  await page.getByRole('link', { name: 'Nursery' }).click();
  await expect(page.getByRole('heading', { name: 'Nothing to do for the 2 in the nursery' })).toBeVisible();
  await page.getByRole('link', { name: /^Broad bean, .* none of 2 up yet\. Open the tray$/ }).click();
  await page.getByRole('button', { name: /^2: moved/ }).click();
  await button(page, 'up').click();
  await expect(page.getByRole('heading', { name: /: 1 of 2 up$/ })).toBeVisible();
  await page.getByRole('button', { name: /^3: moved/ }).click();
  await button(page, 'Fallen over, thin and brown at the soil').click();
  await button(page, 'Lost to it: 3').click();
  await page.getByRole('link', { name: 'Nursery' }).first().click();
  await page.getByText('1 harvested, lost or given').click();
  await expect(page.getByText('lost: damped off', { exact: true })).toBeVisible();
  await button(page, /^Undo\s*label 3: lost: damped off/).click();
  await expect(page.getByText('1 harvested, lost or given')).toBeHidden();
});

test('a towel is read through the bag, and pellets get their water and reserve', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const okra = await home.batch('okra', '2026-04-08T07:00');
  await page.goto(`${own.address}open/${okra.id}`);
  await button(page, 'through the bag').click();
  await button(page, 'Nothing new').click();
  await expect(page.getByRole('heading', { name: /this morning$/ })).toBeVisible();
  const read = (await (await request.get(`${own.address}api/batches/${okra.id}`)).json()) as BatchWithJournal;
  expect(read.journal[0]?.text).toBe('Nothing new. Through the bag.');
  // It saw less than an opening would: a quiet seed may hide a tip.
  expect(read.answers.now.anyChance).toBeGreaterThan(0.02);
  await home.look(okra.id, null, 2, { marks: [1, 2].map((seed) => ({ seed, stage: 'root', rootMm: 6 })) });
  await page.goto(`${own.address}open/${okra.id}`);
  await button(page, 'opened').click();
  await button(page, /^Nothing else new: move/).click();
  await button(page, 'coir pellet').click();
  await expect(
    page.getByText('Swell 2 pellets with 80 ml of lukewarm water, poured slowly until they weep; 20 ml stay in the tray as reserve.'),
  ).toBeVisible();
  await button(page, 'soilless slot').click();
  await expect(page.getByText('the top shaded against algae', { exact: false })).toBeVisible();
});

test('two people on the same round in two browsers lose no look', async ({ page, own, request, browser }) => {
  const home = householdOn(own, request);
  await home.begin();
  const okra = await home.batch('okra', '2026-04-08T18:30');
  await home.batch('tomato', '2026-04-07T18:30');
  await page.goto(own.address);
  await button(page, 'Start the round').click();
  await button(page, 'opened').click();
  await button(page, 'Who, note, picture').click();
  await page.getByLabel('Who looked').fill('Ana');
  await page.getByLabel('A note').fill('smells of beans');
  const picture = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==', 'base64');
  await page.getByLabel('A picture, kept in this house only').setInputFiles({ name: 'towel.png', mimeType: 'image/png', buffer: picture });
  await expect(page.getByText('towel.png')).toBeVisible();

  const second = await (await browser.newContext({ locale: 'en-GB' })).newPage();
  await second.goto(own.address);
  await button(second, 'Go on with the round, 2 left').click();
  await button(second, 'opened').click();
  await second.getByRole('button', { name: /^Seed 4,/ }).click();
  await button(second, 'Save, next parcel').click();
  await button(page, /^Seed 5,/).click();
  await button(page, /^Seed 6,/).click();
  await button(page, 'Save, next parcel').click();
  await expect(
    page.getByRole('heading', { name: /Tomato, Quay/, level: 1 }).or(page.getByRole('heading', { name: /^Move to/ })),
  ).toBeVisible();
  const after = (await (await request.get(`${own.address}api/batches/${okra.id}`)).json()) as BatchWithJournal;
  const looks = after.journal.filter(({ kind, counts }) => kind === 'look' && counts);
  expect(looks.map(({ who, note }) => [who, note])).toContainEqual(['Ana', 'smells of beans']);
  expect(looks.length).toBe(2);
  await expect
    .poll(
      async () =>
        ((await (await request.get(`${own.address}api/batches/${okra.id}`)).json()) as BatchWithJournal).journal.flatMap(
          ({ photoIds }) => photoIds,
        ).length,
    )
    .toBe(1);
  // Totals are absolute: two and one make two, never three.
  expect(after.answers.state.tipped).toBe(2);
  await second.context().close();
});

test('the round by keyboard alone', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  await home.batch('okra', '2026-04-08T18:30');
  await home.batch('tomato', '2026-04-07T18:30');
  await page.goto(own.address);
  await expect(button(page, 'Start the round')).toBeVisible();
  const tabTo = async (name: RegExp): Promise<void> => {
    for (let step = 0; step < 60; step++) {
      await page.keyboard.press('Tab');
      const label = await page.evaluate(
        () => document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.textContent?.trim() ?? '',
      );
      if (name.test(label)) return;
    }
    throw new Error(`never came to ${name.source}`);
  };
  await tabTo(/^Start the round/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /Okra, Quay/, level: 1 })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('heading', { name: 'By keyboard alone' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('heading', { name: 'By keyboard alone' })).toBeHidden();
  await page.keyboard.press('o');
  // The towel is one stop: from there the arrows go from seed to seed.
  await tabTo(/^Seed 1,/);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await page.keyboard.press('+');
  await page.keyboard.press('+');
  await page.keyboard.press('-');
  await page.keyboard.press('d');
  await page.keyboard.press('d');
  await page.keyboard.press('d');
  await expect(page.getByLabel('2 new tips')).toBeVisible();
  await expect(page.getByRole('button', { name: 'damp', exact: true, pressed: true })).toBeVisible();
  await page.keyboard.press('Control+Enter');
  await expect(page.getByRole('heading', { name: 'Move to where they grow' })).toBeFocused();
  await tabTo(/^cup$/);
  await page.keyboard.press('ArrowRight');
  await tabTo(/^Moved 1 sprout/);
  await page.keyboard.press('Enter');
  await tabTo(/^Go on/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /Tomato, Quay/, level: 1 })).toBeVisible();
  await page.keyboard.press('s');
  await expect(page.getByRole('heading', { name: /this morning$/ })).toBeVisible();
});

/** While a note says that something was saved, a touch of the button at the foot meets that button. */
async function meetsTheThumb(page: Page, name: string): Promise<void> {
  await expect(page.locator('.notice-phone')).toBeVisible();
  const met = await button(page, name)
    .first()
    .evaluate((element) => {
      const { left, top, width, height } = element.getBoundingClientRect();
      return element.contains(document.elementFromPoint(left + width / 2, top + height / 2));
    });
  expect(met).toBeTruthy();
}

test('twelve parcels with four changes are done in thirty taps on a phone, and an unchanged one in one', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  for (let index = 0; index < 12; index++) await home.batch(index % 2 ? 'tomato' : 'okra', '2026-04-08T07:00', { wanted: null });
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(own.address);
  let taps = 0;
  const tap = async (name: string | RegExp): Promise<void> => {
    await button(page, name).first().click();
    taps++;
  };
  await tap('Start the round');
  await tap('opened');
  for (let index = 0; index < 12; index++) {
    await expect(page.getByText(`${index + 1} of 12`)).toBeVisible();
    const end = index === 11;
    if (index % 3 === 0) {
      await tap(/^Seed 2, quiet/);
      await tap('damp');
      await tap(end ? 'Save this look' : 'Save, next parcel');
      // Roots that are ready already would ask to be moved: these are fresh tips.
      await expect(page.getByText(`${index + 2} of 12`)).toBeVisible();
      if (index === 0) await meetsTheThumb(page, 'Nothing new, next parcel');
    } else await tap(end ? 'Nothing new' : 'Nothing new, next parcel');
  }
  await expect(page.getByRole('heading', { name: /this morning$/ })).toBeVisible();
  expect(taps).toBeLessThanOrEqual(30);
});
