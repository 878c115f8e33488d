/** What a tap costs in the browser: the worker's answer, the longest task on the main thread, the first load. */
import { chromium } from '@playwright/test';
import type { Batch } from '@fresh-tuck/contract';
import { start } from '../e2e/app.js';
import config from '../e2e/playwright.config.js';

const demo = await start('demo');
const batches = (await (await fetch(`${demo.address}api/batches`)).json()) as Batch[];
const leek = batches.find(({ cropId }) => cropId === 'leek');
const browser = await chromium.launch(config.use?.launchOptions);
const page = await browser.newPage();
let bytes = 0;
page.on('response', (response) => {
  void response
    .request()
    .sizes()
    .then(({ responseBodySize }) => (bytes += responseBodySize))
    .catch(() => undefined);
});
await page.goto(demo.address);
await page.getByRole('heading', { level: 1 }).waitFor();
await page.waitForTimeout(500);
console.log(`first load up to Today, compressed: ${(bytes / 1000).toFixed(0)} kB`);
await page.goto(`${demo.address}open/${leek?.id}`);
await page.getByRole('radio', { name: 'opened', exact: true }).click();
await page.waitForTimeout(800);
const { answers, longest } = await page.evaluate(async () => {
  const tasks: number[] = [];
  new PerformanceObserver((list) => tasks.push(...list.getEntries().map(({ duration }) => duration))).observe({ type: 'longtask' });
  const button = (label: string) => document.querySelector<HTMLButtonElement>(`button[aria-label="${label}"]`);
  const band = () => document.querySelector('ft-curve .band')?.getAttribute('d') ?? '';
  const times: number[] = [];
  for (let tap = 0; tap < 40; tap++) {
    const before = band();
    const at = performance.now();
    button(tap % 8 < 4 ? 'One tip more' : 'One tip fewer')?.click();
    while (band() === before && performance.now() - at < 2000) await new Promise((resolve) => requestAnimationFrame(resolve));
    times.push(performance.now() - at);
    await new Promise((resolve) => setTimeout(resolve, 60));
  }
  return { answers: times.sort((a, b) => a - b), longest: Math.max(0, ...tasks) };
});
console.log(
  `a tap answered on the screen, 20 ms of patience and the frame among it: median ${answers[20]?.toFixed(0)} ms, slowest of 40 ${answers.at(-1)?.toFixed(0)} ms`,
);
console.log(
  longest === 0
    ? 'no task on the main thread was longer than 50 ms while tapping'
    : `longest task on the main thread while tapping: ${longest.toFixed(0)} ms`,
);
// A round of what is due at Lantern Court, as often as makes twelve parcels.
let requests = 0;
let roundBytes = 0;
const round = await browser.newPage();
round.on('response', (response) => {
  requests++;
  void response
    .request()
    .sizes()
    .then(({ responseBodySize, requestBodySize }) => (roundBytes += responseBodySize + requestBodySize))
    .catch(() => undefined);
});
await round.goto(demo.address);
await round.getByRole('button', { name: 'Start the round' }).waitFor();
await round.waitForTimeout(800);
requests = 0;
roundBytes = 0;
await round.evaluate(() => {
  const held = window as unknown as { longest: number };
  held.longest = 0;
  new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries()) held.longest = Math.max(held.longest, duration);
  }).observe({ type: 'longtask' });
});
let parcels = 0;
while (parcels < 12) {
  await round.getByRole('button', { name: 'Start the round' }).click();
  for (;;) {
    await round.locator('header p', { hasText: /\d+ of \d+/ }).waitFor();
    const opened = round.getByRole('radio', { name: 'opened', exact: true });
    if ((await opened.getAttribute('aria-checked')) !== 'true') await opened.click();
    const where = (await round.locator('header p', { hasText: /\d+ of \d+/ }).textContent())?.trim();
    await round.getByRole('button', { name: /^Nothing new/ }).click();
    parcels++;
    const later = round.getByRole('button', { name: 'Not now' });
    const next = round.locator('header p', { hasText: /\d+ of \d+/ }).filter({ hasNotText: where ?? '' });
    const home = round.getByRole('heading', { name: /this (morning|afternoon|evening)$/ });
    await later.or(next).or(home).first().waitFor();
    if (await later.isVisible()) await later.click();
    await next.or(home).first().waitFor();
    if (await home.isVisible()) break;
  }
  if (parcels < 12) {
    await round.getByRole('button', { name: 'Half a day on' }).click();
    await round.waitForTimeout(1500);
    if (!(await round.getByRole('button', { name: 'Start the round' }).isVisible())) {
      await round.getByRole('button', { name: 'Half a day on' }).click();
      await round.getByRole('button', { name: 'Start the round' }).waitFor();
    }
  }
}
const longestInRound = await round.evaluate(() => (window as unknown as { longest: number }).longest);
console.log(
  `a round of ${parcels} parcels: ${requests} requests, ${(roundBytes / 1000).toFixed(0)} kB, longest task ${longestInRound === 0 ? 'under 50' : longestInRound.toFixed(0)} ms`,
);
await browser.close();
await demo.stop();
