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
await page.getByRole('button', { name: 'opened', exact: true }).click();
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
await browser.close();
await demo.stop();
