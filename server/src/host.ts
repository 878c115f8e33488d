import type { RequestListener } from 'node:http';
import { createApp, type AppOptions } from './app.js';
import { claimFolder } from './db/claim.js';
import { listen } from './listen.js';
import type { Reopener, Services } from './services.js';
import type { Settings } from './settings.js';

/** A household that is being served, and can be closed and opened again under the same address. */
export interface Host extends Reopener {
  readonly address: string;
  services(): Services;
  /** Stops serving and closes what is open. */
  stop(): Promise<void>;
}

/** Copies are looked after this often, and not in the first moments of a start, ms. */
const CARE_EVERY_MS = 10 * 60_000;
const CARE_FIRST_MS = 20_000;

export interface HostOptions extends AppOptions {
  /** Opens the household on its folder. */
  readonly open: (host: Reopener) => Services | Promise<Services>;
  readonly folder: string;
}

/**
 * Serves a household until the process is told to stop, then closes what is open.
 *
 * @throws Error in a sentence where the folder, its database or the port cannot be had
 */
export async function serve(settings: Settings, { open, folder, log = console.error, ...options }: HostOptions): Promise<Host> {
  const { host: name, port } = settings;
  const hostNames = name === '127.0.0.1' || name === '0.0.0.0' ? [] : [name];
  const release = claimFolder(folder);
  let gate: Promise<void> = Promise.resolve();
  const self = { reopen: (between: () => Promise<void>) => reopen(between) };
  let services: Services;
  let app: RequestListener;
  const mount = async (): Promise<void> => {
    services = await open(self);
    app = createApp(services, { hostNames, log, ...options });
  };

  async function reopen(between: () => Promise<void>): Promise<void> {
    let done: () => void = () => undefined;
    const before = gate;
    gate = new Promise((resolve) => (done = resolve));
    await before;
    try {
      await services.close();
      try {
        await between();
      } finally {
        await mount();
      }
    } finally {
      done();
    }
    ahead();
  }

  /** What is done beside the requests: worked ahead, and photographs of older versions moved out. */
  function ahead(): void {
    const { ask, clock, db, photos, photoFiles } = services;
    ask.warm(() => clock.now()).catch(log);
    void (async () => {
      while (await photos.moveOne(photoFiles));
    })().catch((error: unknown) => db.open && log(error));
  }

  /** The database read through once, and a copy a day; begun anew where the database was changed for another meanwhile. */
  async function care(first: boolean): Promise<void> {
    await gate;
    const { clock, copies, db, demo, health, household } = services;
    if (!db.open) return;
    try {
      if (first) health.found(await copies.check());
      const home = household.find();
      if (demo || !home || copies.madeToday(clock.now(), home.zone)) return;
      await copies.make('daily', clock.now(), home.zone);
    } catch (error) {
      if (db.open) throw error;
      await care(first);
    }
  }

  try {
    await mount();
    const { server, address } = await listen(
      (request, response) => {
        void gate.then(() => app(request, response));
      },
      port,
      name,
    );
    ahead();
    const cared = (first: boolean): void => void care(first).catch(log);
    const timers = [setTimeout(() => cared(true), CARE_FIRST_MS), setInterval(() => cared(false), CARE_EVERY_MS)];
    for (const timer of timers) timer.unref();
    const stop = async (): Promise<void> => {
      for (const timer of timers) clearTimeout(timer);
      services.changes.close();
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await services.close();
      release();
    };
    const end = (): void => void stop().finally(() => process.exit(0));
    process.once('SIGINT', end);
    process.once('SIGTERM', end);
    return { address, services: () => services, reopen, stop };
  } catch (error) {
    release();
    throw error;
  }
}
