import { join } from 'node:path';
import { clockFrom } from '../clock.js';
import { openDatabase, ownFolder } from '../db/database.js';
import { serve, type Host } from '../host.js';
import { servicesOn } from '../services.js';
import { NOW_MS } from './household.js';

/** A household served as the program serves it, on a free port. */
export async function serveFolder(folder: string): Promise<{ host: Host; clock: ReturnType<typeof clockFrom>; stop(): Promise<void> }> {
  ownFolder(folder);
  const clock = clockFrom(NOW_MS, true);
  const host = await serve(
    { port: 0, host: '127.0.0.1', dataFolder: folder, clock },
    {
      folder,
      log: () => undefined,
      open: (opener) => servicesOn(openDatabase(join(folder, 'household.sqlite')), clock, { demo: false, version: 'spec', host: opener }),
    },
  );
  return { host, clock, stop: host.stop };
}
