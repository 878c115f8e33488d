import { existsSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { v7 } from 'uuid';
import { DateTime } from 'luxon';
import type { Express } from 'express';
import { clockFrom, createApp, listen, openDatabase, servicesOn, settingsFrom, type Services } from '@fresh-tuck/server';
import { buildDemo, readingsUpTo } from './build.js';
import { DEMO_NOW, HOUSEHOLD } from './household.js';
import { demoRoutes } from './routes.js';

const HALF_DAY_MS = 12 * 3_600_000;

/** A clock that stands where it is set while the demo is built, and then runs on. */
function demoClock(frozen: boolean) {
  let current = clockFrom(0, true);
  return {
    now: () => Math.round(current.now()),
    step: (ms: number) => current.step(ms),
    set: (ms: number) => {
      current = clockFrom(ms, true);
    },
    run: (ms: number) => {
      current = clockFrom(ms, frozen);
    },
  };
}

/** One whole demo: its file, its clock, its services. */
async function openDemo(file: string, frozen: boolean) {
  const clock = demoClock(frozen);
  const fresh = !existsSync(file);
  const services = servicesOn(openDatabase(file), clock, { demo: true, version: process.env['npm_package_version'] ?? '0.1.0' });
  const morning = DateTime.fromISO(DEMO_NOW, { zone: HOUSEHOLD.zone }).toMillis();
  if (fresh) await buildDemo(services, clock);
  const { last } = services.db.prepare('SELECT max(recorded_ms) AS last FROM act').get() as { last: number | null };
  clock.run(Math.max(morning, last ?? 0));
  return { clock, services };
}

/** The thermometers go on while the clock is stepped. */
function readOn(services: Services, fromMs: number, toMs: number): void {
  const { zone } = HOUSEHOLD;
  const spotIds = new Map(services.spots.list(zone, 'metric', toMs).map(({ name, id }) => [name, id]));
  for (const { spotId, day, minC, maxC } of readingsUpTo(spotIds, fromMs, toMs)) {
    if (!spotId) continue;
    const body = { id: v7(), day, minC, maxC };
    services.act(`reading ${spotId}`, body, (nowMs) => services.spots.addReading(spotId, body, zone, nowMs));
  }
}

async function main(): Promise<void> {
  const settings = settingsFrom(process.env);
  const file = join(settings.dataFolder, 'demo', 'household.sqlite');
  const frozen = process.env['FRESH_TUCK_NOW_FROZEN'] === '1';
  let demo = await openDemo(file, frozen);
  let app: Express;
  const step = (): void => {
    const before = demo.clock.now();
    demo.clock.step(HALF_DAY_MS);
    readOn(demo.services, before, demo.clock.now());
    demo.services.changes.tell();
  };
  const mount = (): Express =>
    createApp(demo.services, { webRoot: process.env['FRESH_TUCK_WEB'], extra: demoRoutes(() => demo.services, step, reset) });
  async function reset(): Promise<void> {
    const old = demo.services;
    for (const end of ['', '-wal', '-shm']) rmSync(`${file}${end}`, { force: true });
    demo = await openDemo(file, frozen);
    app = mount();
    // Open tabs ask again at the new household.
    old.changes.close();
    old.db.close();
  }
  app = mount();
  const { server, address } = await listen(
    (request, response) => {
      void app(request, response);
    },
    settings.port,
    settings.host,
  );
  const stop = (): void => {
    demo.services.changes.close();
    server.closeAllConnections();
    server.close(() => process.exit(0));
  };
  process.once('SIGINT', stop);
  process.once('SIGTERM', stop);
  console.log(`Fresh Tuck is ready with the demo household: ${address}`);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
