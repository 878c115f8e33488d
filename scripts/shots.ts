/** Takes the pictures in docs/screenshots from the demo data: `npm run shots`. */
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium, type Page } from '@playwright/test';
import type { Batch, Bed, PacketName, SittingName, Spot, TrialInShort } from '@fresh-tuck/contract';
import { start } from '../e2e/app.js';
import config from '../e2e/playwright.config.js';
import { build } from './lib.mjs';

const LAPTOP = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const folder = fileURLToPath(new URL('../docs/screenshots', import.meta.url));

interface Shot {
  readonly name: string;
  readonly path: string;
  readonly phone?: boolean;
  readonly dark?: boolean;
  readonly before?: (page: Page) => Promise<void>;
}

await build();
const demo = await start('demo', { probe: true });
const get = async <T>(path: string): Promise<T> => (await (await fetch(`${demo.address}api/${path}`)).json()) as T;
const okra = (await get<Batch[]>('batches')).find(({ cropId }) => cropId === 'okra');
const [packet] = await get<PacketName[]>('packets?find=Tall Mast');
const [sitting] = await get<SittingName[]>('sittings');
const [bed] = await get<Bed[]>('beds');
const trials = await get<TrialInShort[]>('trials');
const trialOf = (crop: string): string => trials.find(({ cropId }) => cropId === crop)?.id ?? '';
const mat = (await get<Spot[]>('spots')).find(({ kind }) => kind === 'mat');
/** The worker's answer is part of the picture. */
const planned = async (page: Page): Promise<void> => page.getByRole('heading', { name: 'Where it goes' }).waitFor();
const report = async (page: Page): Promise<void> => {
  await page.getByRole('radio', { name: 'opened', exact: true }).click();
  await page.getByRole('button', { name: /^Seed 2,/ }).click();
  await page.getByRole('button', { name: 'damp', exact: true }).click();
};

/** Every line of the list is worked out. */
const listed = async (page: Page): Promise<void> => page.getByRole('button', { name: 'Print the labels first', disabled: false }).waitFor();

/** Both sides are drawn anew. */
const compared = async (page: Page): Promise<void> => page.getByRole('heading', { name: 'How sure?' }).waitFor();
/** The first parcel of a run that is opened. */
const opened = async (page: Page): Promise<void> => {
  await page.getByText('Practice, 1 of 10').waitFor();
  for (const key of ['1', 'Enter', '2']) await page.keyboard.press(key);
  await page.getByRole('button', { name: /^Next/ }).waitFor();
};

const shots: Shot[] = [
  { name: 'today', path: '' },
  { name: 'today-phone', path: '', phone: true },
  { name: 'open', path: `open/${okra?.id}`, before: report },
  { name: 'open-phone', path: `open/${okra?.id}`, phone: true, before: report },
  { name: 'tuck', path: `tuck?packet=${packet?.id}`, before: planned },
  { name: 'batch', path: `batch/${okra?.id}` },
  { name: 'shelf', path: 'shelf' },
  { name: 'shelf-phone', path: 'shelf', phone: true, dark: true },
  { name: 'spot', path: `spot/${mat?.id}` },
  { name: 'seeds', path: 'seeds' },
  { name: 'nursery', path: 'nursery' },
  { name: 'sitting', path: `sitting/${sitting?.id}`, before: listed },
  { name: 'nursery-phone', path: 'nursery', phone: true, dark: true },
  { name: 'bed', path: `bed/${bed?.id}` },
  { name: 'season', path: 'season' },
  { name: 'trial', path: `notebook/trials/${trialOf('lupin')}`, before: compared },
  { name: 'trial-phone', path: `notebook/trials/${trialOf('morning-glory')}`, phone: true, before: compared },
  { name: 'looking-back', path: 'notebook/back' },
  { name: 'practice', path: 'notebook/practice', before: opened },
];

const browser = await chromium.launch(config.use?.launchOptions);
async function take(address: string, { name, path, phone, dark, before }: Shot): Promise<void> {
  const page = await browser.newPage({
    viewport: phone ? PHONE : LAPTOP,
    colorScheme: dark ? 'dark' : 'light',
    locale: 'en-GB',
    reducedMotion: 'reduce',
  });
  page.on('console', (message) => {
    if (message.type() === 'error') console.error(`${name}: ${message.text()}`);
  });
  await page.goto(address + path);
  await page.locator('h1, [role=heading][aria-level="1"]').first().waitFor();
  await page.waitForTimeout(800);
  await before?.(page);
  await page.waitForTimeout(500);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  await page.close();
}
for (const shot of shots) await take(demo.address, shot);
await browser.close();
await demo.stop();
