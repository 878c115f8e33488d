import { expect, test } from './app.js';

test('a gardener finds a crop by a misspelt name, sets a figure, makes a crop of their own and puts a packet of it in the box', async ({
  page,
  own,
  request,
}) => {
  await request.put(`${own.address}api/household`, {
    data: {
      id: '01900000-0000-7000-8000-000000000001',
      name: 'Home',
      zone: 'Europe/Copenhagen',
      units: 'us',
      lookingTimes: ['07:00'],
      millilitresPerSpray: 0.8,
    },
  });
  await page.goto(own.address);
  await expect(page.getByRole('heading', { name: 'Nothing is tucked in yet' })).toBeVisible();
  await page.keyboard.press('/');
  await page.getByRole('combobox').fill('tomatilo');
  await expect(page.getByRole('option', { name: /^Tomatillo/ })).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Tomatillo', level: 1 })).toBeVisible();
  await expect(page.getByText('Root hair.')).toBeVisible();

  await page.getByRole('link', { name: 'Set figures of your own' }).click();
  await page.getByLabel('Ready to move at a root of').fill('soon');
  await page.getByRole('button', { name: 'Save these figures' }).click();
  await expect(page.getByText(/^Ready to move at a root of: a number from 1\/16 to 3 1\/8 in/)).toBeVisible();
  await page.getByLabel('Ready to move at a root of').fill('3 in');
  await page.getByRole('button', { name: 'Save these figures' }).click();
  await expect(page.getByText('In the paper from a root of: it must be longer than the root that is ready.')).toBeVisible();
  await page.getByLabel('Ready to move at a root of').fill('8 mm');
  await page.getByLabel('Fastest at').fill('26 C');
  await expect(page.getByText('2 figures differ from ours.')).toBeVisible();
  await page.getByRole('button', { name: 'Take ours Fastest at' }).click();
  await page.getByRole('button', { name: 'Save these figures' }).click();
  await expect(page.getByRole('heading', { name: 'Your own figures' })).toBeVisible();
  await expect(page.getByText('we say 0.2362 in')).toBeVisible();

  await page.getByRole('link', { name: 'Make a crop of your own from it' }).click();
  await page.getByLabel('What it is called').fill('Tomato');
  await page.getByRole('button', { name: 'Put it in the library' }).click();
  await expect(page.getByText('The name must be new: there is a crop called Tomato.')).toBeVisible();
  await page.getByLabel('What it is called').fill('Harbour tomatillo');
  await page.getByRole('button', { name: 'Put it in the library' }).click();
  await expect(page.getByRole('heading', { name: 'Harbour tomatillo', level: 1 })).toBeVisible();
  await expect(page.getByText('Your own crop, laid on Tomatillo')).toBeVisible();

  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole('link', { name: 'More', exact: true }).click();
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await page.getByRole('combobox').fill('add packet');
  await page.getByRole('option', { name: /Add a packet/ }).click();
  await page.getByRole('combobox', { name: 'Crop', exact: true }).fill('harbour');
  await page.getByRole('option', { name: /Harbour tomatillo/ }).click();
  await page.getByLabel('Variety').fill('Quay');
  await page.getByRole('button', { name: 'Put it in the box' }).click();
  await expect(page.getByText('Harbour tomatillo, Quay is in the box.')).toBeVisible();
});
