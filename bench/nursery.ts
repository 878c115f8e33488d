/** Two hundred seedlings: what the server takes and its loop waits, and what the page's main thread is busy for when it draws them and answers a touch. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { chromium } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import type { Nursery } from '@fresh-tuck/contract';
import { batchBody, householdBody, lookBody, moveBody, packetBody, spotBody } from '@fresh-tuck/contract/testing';
import { clockFrom, createApp, listen, openDatabase, servicesOn } from '@fresh-tuck/server';
import config from '../e2e/playwright.config.js';

const DAY_MS = 86_400_000;
const nowMs = Date.parse('2026-04-11T07:10:00+02:00');
/** Ten batches of twelve in pots and one of eighty in cells. */
const LOTS = [...Array.from({ length: 10 }, () => ({ count: 12, destination: 'cup' })), { count: 80, destination: 'cell' }];
const CROPS = ['tomato', 'okra', 'leek', 'chives', 'pea', 'melon', 'lettuce', 'dill', 'sorrel', 'pepper-sweet', 'celery'];

const folder = mkdtempSync(join(tmpdir(), 'fresh-tuck-bench-'));
let clock = clockFrom(nowMs - 12 * DAY_MS, true);
const services = servicesOn(openDatabase(join(folder, 'household.sqlite')), { now: () => clock.now() }, { demo: false, version: 'bench' });
const { server, address } = await listen(
  createApp(services, { webRoot: resolve(process.env['FRESH_TUCK_WEB'] ?? 'web/dist'), limitPerMinute: 1e9 }),
  0,
  '127.0.0.1',
);
async function ask<T>(
  method: string,
  path: string,
  body?: object,
): Promise<{ readonly took: number; readonly answer: T; readonly bytes: number }> {
  const before = performance.now();
  const response = await fetch(`${address}api/${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
  const text = await response.text();
  if (!response.ok) throw new Error(`${path}: ${text}`);
  return { took: performance.now() - before, answer: JSON.parse(text) as T, bytes: text.length };
}

await ask('PUT', 'household', householdBody({ name: 'Bench' }));
const spot = spotBody({ kind: 'sill' });
await ask('POST', 'spots', spot);
for (const [nth, { count, destination }] of LOTS.entries()) {
  const packet = packetBody({ cropId: CROPS[nth], variety: `Lot ${nth}`, seedCount: 400 });
  await ask('POST', 'packets', packet);
  const batch = batchBody(packet.id, spot.id, { seeds: count, startAt: null });
  await ask('POST', 'batches', batch);
  await ask('POST', `batches/${batch.id}/looks`, lookBody(count));
  await ask('POST', `batches/${batch.id}/moves`, moveBody({ uncounted: count, destination }));
}
clock = clockFrom(nowMs - 4 * DAY_MS, true);
const first = (await ask<Nursery>('GET', 'nursery')).answer;
const trays = first.places.flatMap((place) => place.trays);
await ask('POST', 'nursery/care', { id: uuid(), trayIds: trays.map(({ id }) => id), done: { kind: 'place', spotId: spot.id }, at: null });
for (const { plants } of trays)
  await ask('POST', 'nursery/acts', {
    id: uuid(),
    numbers: plants.slice(0, Math.ceil(plants.length * 0.8)).map(({ number }) => number),
    said: { kind: 'stage', stage: 'up' },
    at: null,
  });
clock = clockFrom(nowMs, true);

const delay = monitorEventLoopDelay({ resolution: 1 });
delay.enable();
const times: number[] = [];
let bytes = 0;
for (let turn = 0; turn < 6; turn++) {
  const { took, bytes: size } = await ask<Nursery>('GET', 'nursery');
  times.push(took);
  bytes = size;
}
delay.disable();
console.log(
  `200 seedlings: the nursery answered in ${times[0]?.toFixed(0)} ms at first, ${Math.min(...times).toFixed(0)} ms then; ${(bytes / 1000).toFixed(0)} kB; the event loop waited ${(delay.max / 1e6).toFixed(0)} ms at most`,
);

const browser = await chromium.launch({
  ...config.use?.launchOptions,
  ...(process.env['CHROME_BIN'] ? { executablePath: process.env['CHROME_BIN'] } : {}),
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const session = await page.context().newCDPSession(page);
await session.send('Performance.enable', { timeDomain: 'threadTicks' });
const busy = async (): Promise<number> =>
  (await session.send('Performance.getMetrics')).metrics
    // What the measuring itself asks of the page is none of its work.
    .map(({ name, value }) => (name === 'TaskDuration' ? value : name === 'DevToolsCommandDuration' ? -value : 0))
    .reduce((sum, value) => sum + value * 1000, 0);
const press = (selector: string): Promise<void> => page.evaluate((found) => document.querySelector<HTMLElement>(found)?.click(), selector);
const spent = async (run: () => Promise<void>): Promise<number> => {
  const before = await busy();
  await run();
  await page.waitForTimeout(900);
  return (await busy()) - before;
};
const middle = (all: readonly number[]): string => ([...all].sort((a, b) => a - b)[all.length >> 1] ?? NaN).toFixed(0);

await page.goto(`${address}nursery`);
await page.locator('button.plant').first().waitFor();
const [drawn, touched]: [number[], number[]] = [[], []];
for (let turn = 0; turn < 8; turn++) {
  await press('a[href="/seeds"]');
  await page.waitForTimeout(900);
  const took = await spent(() => press('a[href="/nursery"]'));
  if (turn > 0) drawn.push(took);
  if ((await page.locator('button.plant').count()) < 100) throw new Error('the seedlings were not drawn');
  touched.push(await spent(() => press('button.plant')));
}
console.log(
  `the page's main thread was busy for ${middle(drawn)} ms to draw them and ${middle(touched)} ms to answer a touch (the answer drawn anew)`,
);
await browser.close();
server.closeAllConnections();
server.close();
await services.close();
rmSync(folder, { recursive: true, force: true });
