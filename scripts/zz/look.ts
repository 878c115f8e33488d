import { chromium } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { start } from '../../e2e/app.js';
import config from '../../e2e/playwright.config.js';
const demo = await start('demo');
const own = await start('server');
const browser = await chromium.launch(config.use?.launchOptions);
const send = async (method: string, path: string, body: object) => {
  const r = await fetch(`${own.address}api/${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ id: uuid(), ...body }),
  });
  if (!r.ok) throw new Error(path + (await r.text()));
};
const N = 'Tomatenpflanzensamenkornverpackungsbezeichnungsschildchenname';
await send('PUT', 'household', {
  name: N.slice(0, 60),
  zone: 'Europe/Copenhagen',
  units: 'metric',
  lookingTimes: ['07:00'],
  millilitresPerSpray: 0.8,
});
const spotId = uuid(),
  packetId = uuid(),
  batchId = uuid();
await send('POST', 'spots', { id: spotId, name: N.slice(0, 60), kind: 'cupboard' });
await send('POST', 'packets', {
  id: packetId,
  cropId: 'okra',
  variety: N.slice(0, 60),
  year: 2025,
  source: N.slice(0, 60),
  printedRatePercent: 90,
  seedCount: 60,
  dressed: true,
});
await send('POST', 'batches', {
  id: batchId,
  packetId,
  seeds: 8,
  wanted: 5,
  startAt: '2026-04-07T18:30',
  chillDays: null,
  prepared: ['soak'],
  towel: { widthMm: 140, heightMm: 110, plies: 2 },
  doseMl: 7,
  holder: { newId: uuid(), kind: 'bag', closure: 'sealed_air', spotId },
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const shot = async (name: string, url: string, w = 1280, h = 800, before?: () => Promise<void>, full = false) => {
  await page.setViewportSize({ width: w, height: h });
  await page.goto(url);
  await page.waitForTimeout(900);
  if (before) {
    await before();
    await page.waitForTimeout(600);
  }
  await page.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: full });
};
const which = process.argv.slice(2);
const all: [string, () => Promise<void>][] = [
  [
    'house',
    async () => {
      await fetch(`${demo.address}api/backups`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ id: uuid() }),
      });
      await shot('house', demo.address + 'house', 1280, 800, async () => {
        await page.getByRole('heading', { name: 'Copies of the household' }).scrollIntoViewIfNeeded();
        await page
          .getByRole('button', { name: /^Put the copy/ })
          .first()
          .click();
        await page.mouse.wheel(0, 900);
      });
    },
  ],
  [
    'house-phone',
    async () =>
      shot('house-phone', demo.address + 'house', 390, 844, async () => {
        await page.mouse.wheel(0, 9000);
      }),
  ],
  ['seeds', async () => shot('seeds', demo.address + 'seeds')],
  [
    'seeds-find',
    async () =>
      shot('seeds-find', demo.address + 'seeds', 390, 844, async () => {
        await page.getByPlaceholder('look through the box').fill('zzz');
      }),
  ],
  ['nursery', async () => shot('nursery', demo.address + 'nursery')],
  [
    'find',
    async () =>
      shot('find', demo.address + 'seeds', 1280, 800, async () => {
        await page.keyboard.press('/');
        await page.keyboard.type('okra');
      }),
  ],
  [
    'tuck',
    async () =>
      shot('tuck', demo.address + 'tuck', 1280, 800, async () => {
        await page.getByRole('button', { name: /^Packet:/ }).click();
        await page.getByLabel('Look through the box').fill('leek');
      }),
  ],
  ['long-today', async () => shot('long-today', own.address, 390, 844)],
  ['long-today-desk', async () => shot('long-today-desk', own.address)],
  ['long-batch', async () => shot('long-batch', `${own.address}batch/${batchId}`)],
  ['long-seeds', async () => shot('long-seeds', `${own.address}seeds`, 390, 844)],
];
for (const [name, run] of all) if (which.length === 0 || which.includes(name)) await run();
await own.restart('2026-04-09T07:10:00+02:00');
if (which.length === 0 || which.includes('clock')) {
  await shot('clock', own.address);
  await shot('clock-phone', own.address, 390, 844);
}
await browser.close();
await demo.stop();
await own.stop();
