import { askOf, type Ask } from './asking/ask.js';
import type { Clock } from './clock.js';
import type { Database } from './db/database.js';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { photoFiles, type PhotoFiles } from './photos/files.js';
import { copyStore, type CopyStore } from './backup/copies.js';
import { healthOf, type Health } from './health.js';
import { actIn, type Act } from './http/act.js';
import { changeStream, type Changes } from './http/events.js';
import { printerOf, type Printer } from './print/printer.js';
import { storesOn, type AllStores } from './stores.js';

/** Closes the household, does something with its files, and opens it again; what is asked meanwhile waits. */
export interface Reopener {
  reopen(between: () => Promise<void>): Promise<void>;
}

/** What the routes are built from. */
export interface Services extends AllStores {
  readonly db: Database;
  readonly clock: Clock;
  readonly demo: boolean;
  readonly version: string;
  readonly changes: Changes;
  readonly act: Act;
  /** Can close the household and open it again; null where nobody can. */
  readonly host: Reopener | null;
  readonly copies: CopyStore;
  readonly health: Health;
  /** The folder that all of the household lies in. */
  readonly folder: string;
  readonly photoFiles: PhotoFiles;
  /** Answers what spans the household, beside the request loop. */
  readonly ask: Ask;
  /** Draws sheets of paper, beside the request loop. */
  readonly printer: Printer;
  /** Ends what runs beside, and closes the database. */
  close(): Promise<void>;
}

export function servicesOn(db: Database, clock: Clock, options: { demo: boolean; version: string; host?: Reopener | null }): Services {
  const changes = changeStream();
  const ask = askOf(db);
  const printer = printerOf();
  const folder = db.memory ? mkdtempSync(join(tmpdir(), 'fresh-tuck-')) : dirname(db.name);
  return {
    db,
    clock,
    host: null,
    ...options,
    copies: copyStore(folder, db.name),
    health: healthOf(db),
    ...storesOn(db),
    folder,
    photoFiles: photoFiles(join(folder, 'photos')),
    changes,
    act: actIn(db, clock, changes),
    ask,
    printer,
    async close() {
      changes.close();
      await ask.close();
      await printer.close();
      db.close();
    },
  };
}
