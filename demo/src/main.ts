import { existsSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { v7 } from 'uuid';
import { DateTime } from 'luxon';
import { clockFrom, openDatabase, ownFolder, serve, servicesOn, settingsFrom, type Host, type Services } from '@fresh-tuck/server';
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
  const folder = join(settings.dataFolder, 'demo');
  const file = join(folder, 'household.sqlite');
  const clock = demoClock(process.env['FRESH_TUCK_NOW_FROZEN'] === '1');
  ownFolder(folder);
  const step = (): void => {
    const services = host.services();
    const before = clock.now();
    clock.step(HALF_DAY_MS);
    readOn(services, before, clock.now());
    services.changes.tell();
  };
  const reset = (): Promise<void> =>
    host.reopen(() => {
      for (const end of ['', '-wal', '-shm']) rmSync(`${file}${end}`, { force: true });
      return Promise.resolve();
    });
  const host: Host = await serve(settings, {
    folder,
    webRoot: process.env['FRESH_TUCK_WEB'],
    extra: demoRoutes(() => host.services(), step, reset),
    open: async (opener) => {
      const fresh = !existsSync(file);
      const services = servicesOn(openDatabase(file), clock, {
        demo: true,
        version: process.env['npm_package_version'] ?? '0.1.0',
        host: opener,
      });
      if (fresh) await buildDemo(services, clock);
      const { last } = services.db.prepare('SELECT max(recorded_ms) AS last FROM act').get() as { last: number | null };
      clock.run(Math.max(DateTime.fromISO(DEMO_NOW, { zone: HOUSEHOLD.zone }).toMillis(), last ?? 0));
      return services;
    },
  });
  console.log(`Fresh Tuck is ready with the demo household: ${host.address}`);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
