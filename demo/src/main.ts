import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { v7 } from 'uuid';
import { DateTime } from 'luxon';
import { clockFrom, openDatabase, ownFolder, serve, servicesOn, settingsFrom, type Host, type Services } from '@fresh-tuck/server';
import { buildDemo, readingsUpTo } from './build.js';
import { DEMO_NOW, HOUSEHOLD, MAT } from './household.js';
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

/** Whether the mat's own thermometer is there: a program beside the app, which sends what it reads. */
const probing = process.env['FRESH_TUCK_PROBE'] !== '0';

/** The token of the mat's thermometer: made once, and kept beside the household as its owner would. */
function probeToken(services: Services, folder: string): string | null {
  const file = join(folder, 'thermometer.token');
  const mat = services.spots.list(HOUSEHOLD.zone, 'metric', services.clock.now()).find(({ name }) => name === MAT.spot);
  if (!mat) return null;
  if (existsSync(file) && services.probes.at(mat.id).length > 0) return readFileSync(file, 'utf8');
  const id = v7();
  let token = '';
  services.act('probe', { id, name: 'the wire' }, (nowMs) => {
    token = services.probes.add(id, mat.id, 'the wire', nowMs);
  });
  writeFileSync(file, token, { mode: 0o600 });
  return token;
}

/** The thermometers go on while the clock is stepped. */
function readOn(services: Services, fromMs: number, toMs: number): void {
  const { zone } = HOUSEHOLD;
  const spotIds = new Map(services.spots.list(zone, 'metric', toMs).map(({ name, id }) => [name, id]));
  for (const { spotId, day, minC, maxC } of readingsUpTo(spotIds, fromMs, toMs)) {
    // What its own thermometer sends nobody types.
    if (!spotId || (probing && spotId === spotIds.get(MAT.spot))) continue;
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
  let thermometer: ChildProcess | null = null;
  /** Starts the thermometer's program: it speaks to the app over HTTP, as any household's would. */
  const listen = (): void => {
    thermometer?.kill();
    const token = probing ? probeToken(host.services(), folder) : null;
    if (token === null) return;
    const env = { ...process.env, FRESH_TUCK_ADDRESS: host.address, FRESH_TUCK_TOKEN: token };
    thermometer = spawn(process.execPath, [fileURLToPath(new URL('./probe.mjs', import.meta.url))], { env, stdio: 'ignore' });
    // Where it cannot be started its spot says so: it has gone silent.
    thermometer.on('error', () => undefined);
  };
  process.on('exit', () => thermometer?.kill());
  const reset = (): Promise<void> =>
    host.reopen(() => {
      for (const end of ['', '-wal', '-shm']) rmSync(`${file}${end}`, { force: true });
      return Promise.resolve();
    });
  const host: Host = await serve(settings, {
    folder,
    webRoot: process.env['FRESH_TUCK_WEB'],
    extra: demoRoutes(
      () => host.services(),
      step,
      () => reset().then(listen),
    ),
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
  listen();
  console.log(`Fresh Tuck is ready with the demo household: ${host.address}`);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
