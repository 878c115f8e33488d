import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DateTime } from 'luxon';
import { Router } from 'express';
import type { Services } from '../services.js';

export function backupRoutes({ clock, db, household }: Services): Router {
  return Router().get('/backup', async (_request, response) => {
    const folder = await mkdtemp(join(tmpdir(), 'fresh-tuck-'));
    const file = join(folder, 'household.sqlite');
    // SQLite's own copy is whole even while someone saves.
    await db.backup(file);
    const day = DateTime.fromMillis(clock.now(), { zone: household.get().zone }).toISODate();
    response.download(file, `fresh-tuck-${day}.sqlite`, () => void rm(folder, { recursive: true }));
  });
}
