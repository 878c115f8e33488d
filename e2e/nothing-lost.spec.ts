import Database from 'better-sqlite3';
import { expect, test, type App } from './app.js';
import { householdOn } from './household.js';

interface LookRow {
  readonly batch_id: string;
  readonly tipped: number | null;
  readonly at_ms: number;
}

/** What truly stands in the household's database. */
function looksIn(own: App): LookRow[] {
  const db = new Database(own.database, { readonly: true });
  try {
    return db
      .prepare('SELECT e.batch_id, l.tipped, e.at_ms FROM look l JOIN entry e ON e.id = l.entry_id ORDER BY e.recorded_ms, e.rowid')
      .all() as LookRow[];
  } finally {
    db.close();
  }
}

test('the server is killed between tap and save: the look waits in the browser and arrives once', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const okra = await home.batch('okra', '2026-04-08T18:30');
  await page.goto(`${own.address}open/${okra.id}`);
  await page.getByRole('radio', { name: 'opened', exact: true }).click();
  await page.getByRole('button', { name: 'Seed 2, quiet' }).click();
  await own.kill();
  await page.getByRole('button', { name: 'Save this look' }).click();
  await expect(page.getByText('Kept in this browser and sent when it does: the look at 1.')).toBeVisible();
  // Half an hour passes before the server is back; the look is of the moment of the tap.
  await page.waitForTimeout(3500);
  await own.restart('2026-04-11T07:40:00+02:00');
  await expect(page.getByText('The server does not answer.')).toBeHidden();
  await expect.poll(() => looksIn(own).length).toBe(1);
  const [look] = looksIn(own);
  expect([look?.batch_id, look?.tipped]).toEqual([okra.id, 1]);
  expect(look?.at_ms).toBeLessThan(Date.parse('2026-04-11T07:39:58+02:00'));
});

test('the answer to a save is lost: the look is sent again and never doubled', async ({ page, own, request }) => {
  const home = householdOn(own, request);
  await home.begin();
  const okra = await home.batch('okra', '2026-04-08T18:30');
  let lost = 0;
  await page.route('**/api/batches/*/looks', async (route) => {
    if (lost > 0) return route.continue();
    lost++;
    await route.fetch();
    return route.abort('connectionreset');
  });
  await page.goto(`${own.address}open/${okra.id}`);
  await page.getByRole('radio', { name: 'opened', exact: true }).click();
  await page.getByRole('button', { name: 'Seed 2, quiet' }).click();
  await page.getByRole('button', { name: 'Save this look' }).click();
  await expect(page.getByText('kept in this browser and sent when it can be')).toBeVisible();
  expect(looksIn(own).length).toBe(1);
  await expect(page.getByText('The server does not answer.')).toBeHidden();
  expect(lost).toBe(1);
  expect(looksIn(own).length).toBe(1);
});

test('the network goes in mid-round: the round goes on, outlives a reload, and everything arrives', async ({
  page,
  own,
  request,
  context,
}) => {
  const home = householdOn(own, request);
  await home.begin();
  const okra = await home.batch('okra', '2026-04-08T18:30');
  const tomato = await home.batch('tomato', '2026-04-07T18:30');
  await page.goto(own.address);
  const fetched = page.waitForResponse((response) => response.url().endsWith(`/api/batches/${tomato.id}`));
  await page.getByRole('button', { name: 'Start the round' }).click();
  await fetched;
  await page.getByRole('radio', { name: 'opened', exact: true }).click();
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Seed 2, quiet' }).click();
  await page.getByRole('button', { name: 'Save, next parcel' }).click();
  await expect(page.getByRole('heading', { name: /Tomato, Quay/ })).toBeVisible();
  await page.getByRole('button', { name: 'Nothing new', exact: true }).click();
  await expect(page.getByText(/Kept in this browser and sent when it does: the look at 1, the look at 2\./)).toBeVisible();
  expect(looksIn(own)).toEqual([]);
  await context.setOffline(false);
  await page.reload();
  await expect
    .poll(() => looksIn(own).map(({ batch_id, tipped }) => [batch_id, tipped]))
    .toEqual([
      [okra.id, 1],
      [tomato.id, 0],
    ]);
  await expect(page.getByText('The server does not answer.')).toBeHidden();
});
