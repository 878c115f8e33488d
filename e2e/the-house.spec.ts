import { expect, inWord, test } from './app.js';
import { householdOn } from './household.js';

test('a house says how it looks and judges, and a bag what belongs to it; Today follows at once', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const tomato = await home.batch('tomato', '2026-04-09T18:30');
  const leek = await home.batch('leek', '2026-04-09T18:30');
  await page.goto(`${own.address}house`);
  await inWord(page, /^Accepted risk of missing a late root:/, (panel) =>
    panel.getByLabel('Accepted risk of missing a late root').fill('often'),
  );
  await page.getByRole('button', { name: 'Save how it is done here' }).click();
  await expect(page.getByText('One word of the sentences cannot be so: open the word that is marked and mend it.')).toBeVisible();
  await inWord(page, /^Accepted risk of missing a late root:/, (panel) =>
    panel.getByLabel('Accepted risk of missing a late root').fill('90'),
  );
  await page.getByRole('button', { name: 'Save how it is done here' }).click();
  await expect(page.getByText('The accepted risk of missing a late root must be a number from 0.001 to 0.5 as a share.')).toBeVisible();
  await inWord(page, /^Accepted risk of missing a late root:/, (panel) =>
    panel.getByLabel('Accepted risk of missing a late root').fill('2,5'),
  );
  await page.getByRole('button', { name: 'Save how it is done here' }).click();
  await expect(page.getByText('Saved. Today follows it at once.')).toBeVisible();

  await page.goto(`${own.address}batch/${tomato.id}`);
  await page.getByRole('button', { name: 'The bag itself' }).click();
  await page.getByRole('button', { name: /^the bag with 2/ }).click();
  await expect(page.getByText('in one bag with 2')).toBeVisible();
  await page.getByRole('button', { name: 'a corner open' }).click();
  await expect(page.getByRole('button', { name: 'a corner open', pressed: true })).toBeVisible();
  await page.getByLabel('Grams, bag and all').fill('a lot');
  await page.getByRole('button', { name: 'Save the weight' }).click();
  await expect(page.getByText('A weight in grams, like 23.5.')).toBeVisible();
  await page.getByLabel('Grams, bag and all').fill('31 g');
  await page.getByRole('button', { name: 'Save the weight' }).click();
  await expect(page.getByText('last 31 g')).toBeVisible();
  await page.goto(`${own.address}batch/${leek.id}`);
  await expect(page.getByText('in one bag with 1')).toBeVisible();
  await page.getByRole('button', { name: 'The bag itself' }).click();
  await page.getByRole('button', { name: 'a bag of its own, same place' }).click();
  await expect(page.getByText('in one bag with')).toBeHidden();
});
