import AxeBuilder from '@axe-core/playwright';
import type { Batch, Nursery, PacketName, Season, SittingName, TrialInShort } from '@fresh-tuck/contract';
import type { APIRequestContext, Page } from '@playwright/test';
import { expect, test, type App } from './app.js';

/** Every screen, as it is first seen and with what it can unfold. */
const SCREENS = [
  '',
  'seeds?add=1',
  'house',
  'tuck',
  'tuck?packet=PACKET',
  'packet/PACKET',
  'packet/PACKET/test',
  'seeds/import',
  'open/BATCH',
  'batch/BATCH',
  'crop/tomatillo',
  'crop/okra/figures',
  'crop/okra/copy',
  'notebook',
  'notebook/notes',
  'notebook/back',
  'notebook/practice',
  'notebook/workbench',
  'notebook/trials/plan',
  'notebook/trials/compare?crop=lupin',
  'notebook/trials/TRIAL',
  'notebook/handbook',
  'notebook/handbook/troubles',
  'notebook/handbook/media',
  'notebook/handbook/schools',
  'notebook/handbook/safety',
  'notebook/handbook/figures',
  'shelf',
  'nursery',
  'nursery/TRAY',
  'seedling/LABEL',
  'bed/BED',
  'season',
  'season/WISH',
  'season/wishes',
  'season/frost',
  'more',
  'sitting',
  'sitting/SITTING',
  'sitting/SITTING/lay',
  'scan',
  'round/paper',
  'welcome',
];

/** What is seen is the page itself: no second one is opened beside it to read it. */
const axeOn = (page: Page) => new AxeBuilder({ page }).setLegacyMode(true);

async function readThrough(screens: readonly string[], page: Page, demo: App, request: APIRequestContext): Promise<void> {
  test.setTimeout(600_000);
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
  const [batch] = (await (await request.get(`${demo.address}api/batches`)).json()) as Batch[];
  const [packet] = (await (await request.get(`${demo.address}api/packets`)).json()) as PacketName[];
  const [sitting] = (await (await request.get(`${demo.address}api/sittings`)).json()) as SittingName[];
  const { beds, places } = (await (await request.get(`${demo.address}api/nursery`)).json()) as Nursery;
  const { lots } = (await (await request.get(`${demo.address}api/season`)).json()) as Season;
  const tray = places.flatMap(({ trays }) => trays).find(({ week }) => week.length > 0);
  const trials = (await (await request.get(`${demo.address}api/trials`)).json()) as TrialInShort[];
  const ids = {
    BATCH: batch?.id,
    PACKET: packet?.id,
    SITTING: sitting?.id,
    TRAY: `${tray?.id}/${tray?.batchId}`,
    LABEL: String(tray?.plants[0]?.number),
    BED: beds[0]?.id,
    TRIAL: trials.find(({ state }) => state === 'closed')?.id,
    WISH: lots.find(({ state }) => state === 'planned')?.wishId,
  };
  for (const screen of screens) {
    await page.emulateMedia({ colorScheme: 'light' });
    await page.goto(
      demo.address + screen.replace(/BATCH|PACKET|SITTING|TRAY|LABEL|BED|WISH|TRIAL/, (what) => ids[what as keyof typeof ids] ?? ''),
    );
    await expect(page.locator('h1, [role=heading][aria-level="1"]').first()).toBeVisible();
    // The worker's answer is part of what is checked.
    if (screen.startsWith('tuck?')) await expect(page.getByRole('heading', { name: 'Where it goes' })).toBeVisible();
    if (screen.startsWith('sitting/'))
      await expect(page.getByRole('button', { name: /^(Print the labels first|Tucked in)/ })).toBeEnabled();
    if (screen === 'more') {
      await page.keyboard.press('/');
      await expect(page.getByRole('option').first()).toBeVisible();
    }
    const light = await axeOn(page).analyze();
    // What the evening's palette may break are colours; the rest was seen in the light.
    await page.emulateMedia({ colorScheme: 'dark' });
    const evening = await axeOn(page).withRules(['color-contrast']).analyze();
    expect(
      [...light.violations, ...evening.violations].map(({ id, nodes }) => [id, nodes.map(({ html }) => html.slice(0, 160))]),
      screen,
    ).toEqual([]);
  }
}

test('axe finds nothing on any screen, by day and in the evening', ({ page, demo, request }) => readThrough(SCREENS, page, demo, request));

test('axe finds nothing on the first run', async ({ page, own }) => {
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
    await page.goto(own.address);
    await expect(page.getByRole('heading', { name: 'Is this you?' })).toBeVisible();
    expect((await axeOn(page).analyze()).violations.map(({ id }) => id)).toEqual([]);
  }
});
