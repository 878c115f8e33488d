/** A logger's file of 400,000 lines, and the boards of sixty parcels: time, memory, and what the event loop waits meanwhile. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { chromium } from '@playwright/test';
import Papa from 'papaparse';
import { v7 as uuid } from 'uuid';
import { batchBody, householdBody, lookBody, packetBody, spotBody } from '@fresh-tuck/contract/testing';
import { columnsOf, loggedHours } from '@fresh-tuck/core/logger';
import { clockFrom, createApp, listen, openDatabase, servicesOn } from '@fresh-tuck/server';
import config from '../e2e/playwright.config.js';

const LINES = 400_000;
const PART = 1000;
const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const CROPS = ['tomato', 'okra', 'leek', 'chives', 'pea', 'melon', 'lettuce', 'dill', 'sorrel', 'pepper-sweet'];
const nowMs = Date.parse('2026-04-11T07:10:00+02:00');

const folder = mkdtempSync(join(tmpdir(), 'fresh-tuck-bench-'));
let clock = clockFrom(nowMs - 5 * DAY_MS, true);
const services = servicesOn(openDatabase(join(folder, 'household.sqlite')), { now: () => clock.now() }, { demo: false, version: 'bench' });
const webRoot = resolve(process.env['FRESH_TUCK_WEB'] ?? 'web/dist');
const { server, address } = await listen(createApp(services, { webRoot, limitPerMinute: 1e9 }), 0, '127.0.0.1');
const ask = async (method: string, path: string, body?: object): Promise<number> => {
  const before = performance.now();
  const response = await fetch(`${address}api/${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
  const text = await response.text();
  if (!response.ok) throw new Error(`${path}: ${text}`);
  return performance.now() - before;
};
/** What it took, and the longest that the event loop waited. */
async function watched(what: string, run: () => Promise<void>): Promise<void> {
  const delay = monitorEventLoopDelay({ resolution: 1 });
  await new Promise((resolve) => setTimeout(resolve, 50));
  delay.enable();
  const before = performance.now();
  await run();
  const took = performance.now() - before;
  await new Promise((resolve) => setTimeout(resolve, 20));
  delay.disable();
  console.log(`${what}: ${took.toFixed(0)} ms, the event loop waited ${(delay.max / 1e6).toFixed(0)} ms at most`);
}

await ask('PUT', 'household', householdBody({ name: 'Bench' }));
const spots = ['mat', 'cupboard', 'fridge_top', 'room'].map((kind) => spotBody({ id: uuid(), name: kind, kind }));
for (const spot of spots) await ask('POST', 'spots', spot);
const browser = await chromium.launch({
  ...config.use?.launchOptions,
  ...(process.env['CHROME_BIN'] ? { executablePath: process.env['CHROME_BIN'] } : {}),
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const session = await page.context().newCDPSession(page);
await session.send('Performance.enable', { timeDomain: 'threadTicks' });
const busy = async (): Promise<number> =>
  (await session.send('Performance.getMetrics')).metrics
    .filter(({ name }) => name === 'TaskDuration')
    .reduce((sum, { value }) => sum + value * 1000, 0);
const middle = (times: readonly number[]): number => times[Math.floor(times.length / 2)] ?? NaN;
/** What the main thread is busy for when the page turns to the shelf, rising, ms. */
async function shelfDrawn(parcels: number): Promise<number[]> {
  // Nothing asks the page while it draws: what waits for an element costs as much as the boards.
  const click = (path: string): Promise<void> =>
    page.evaluate((href) => document.querySelector<HTMLElement>(`a[href="${href}"]`)?.click(), path);
  await page.goto(`${address}nursery`);
  const took: number[] = [];
  for (let turn = 0; turn < 10; turn++) {
    await click('/nursery');
    await page.waitForTimeout(800);
    const before = await busy();
    await click('/shelf');
    await page.waitForTimeout(900);
    // The first turn also fetches the screen.
    if (turn > 0) took.push((await busy()) - before);
    if ((await page.locator('button.parcel').count()) !== parcels) throw new Error('the boards were not drawn');
  }
  return took.map(Math.round).sort((a, b) => a - b);
}
const empty = await shelfDrawn(0);

const batches: string[] = [];
for (let nth = 0; nth < 60; nth++) {
  const [packetId, id] = [uuid(), uuid()];
  await ask(
    'POST',
    'packets',
    packetBody({ id: packetId, cropId: CROPS[nth % CROPS.length], variety: `V${nth}`, printedRatePercent: 80, seedCount: null }),
  );
  await ask('POST', 'batches', batchBody(packetId, spots[nth % 4]?.id ?? '', { id, seeds: 6 + (nth % 15), startAt: null, prepared: [] }));
  batches.push(id);
}
for (const half of [5, 6, 7]) {
  clock = clockFrom(nowMs + (half - 8) * 12 * HOUR_MS, true);
  for (const [nth, id] of batches.entries()) await ask('POST', `batches/${id}/looks`, lookBody(Math.min(half - 5 + (nth % 2), 5)));
}
clock = clockFrom(nowMs, true);

const firstMs = nowMs - LINES * 60_000;
const csv = [
  'Time;Temp °C',
  ...Array.from(
    { length: LINES },
    (_, nth) => `${new Date(firstMs + nth * 60_000).toISOString().slice(0, 19)}Z;${(20 + 4 * Math.sin(nth / 230)).toFixed(2)}`,
  ),
].join('\n');
const heap = process.memoryUsage().heapUsed;
let reader: ReturnType<typeof loggedHours> | null = null;
let line = 0;
const read = performance.now();
Papa.parse<string[]>(csv, {
  delimiter: ';',
  step: ({ data }) => {
    if (++line === 1) return;
    reader ??= loggedHours(columnsOf(['Time', 'Temp °C'], [data]), 'Europe/Copenhagen');
    reader.take(data, line);
  },
});
const { hours } = (reader as unknown as ReturnType<typeof loggedHours>).done();
console.log(
  `${LINES} lines (${(csv.length / 1e6).toFixed(0)} MB) read to ${hours.length} hours, as the page's worker does: ${(performance.now() - read).toFixed(0)} ms, ${((process.memoryUsage().heapUsed - heap) / 1e6).toFixed(0)} MB more`,
);
const spotId = spots[0]?.id ?? '';
await watched(`${hours.length} hours brought in, in parts of ${PART}`, async () => {
  const importId = uuid();
  await ask('POST', `spots/${spotId}/imports`, { id: importId, name: 'bench.csv', lines: LINES, hours: hours.length });
  for (let from = 0; from < hours.length; from += PART) {
    const part = hours.slice(from, from + PART).map(({ fromMs, minC, maxC }) => [fromMs / HOUR_MS, minC, maxC]);
    await ask('POST', `spots/${spotId}/imports/${importId}/parts`, { id: uuid(), hours: part });
  }
  await ask('POST', `spots/${spotId}/imports/${importId}/end`, { id: uuid() });
});
for (const what of ['first', 'again', 'after a look'] as const) {
  if (what === 'after a look') await ask('POST', `batches/${batches[0]}/looks`, lookBody(6));
  await watched(`all boards for 60 parcels, ${what}`, async () => void (await ask('GET', 'shelf')));
}
await watched('a spot’s page', async () => void (await ask('GET', `spots/${spotId}/sheet`)));
await watched('away for three days', async () => void (await ask('GET', 'household/away?leaving=2026-04-12T09:00&back=2026-04-15T18:00')));

const [full, bare] = [await shelfDrawn(60), empty];
console.log(
  `the shelf of 60 drawn: ${middle(full)} ms of the main thread (${full.join(', ')}), of which the empty page takes ${middle(bare)}`,
);
await page.screenshot({ path: join(tmpdir(), 'shelf-sixty.png'), fullPage: true });
await page.setViewportSize({ width: 390, height: 844 });
await page.waitForTimeout(500);
await page.screenshot({ path: join(tmpdir(), 'shelf-sixty-phone.png') });
await browser.close();
server.closeAllConnections();
server.close();
await services.close();
rmSync(folder, { recursive: true, force: true });
