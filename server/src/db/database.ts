import { chmodSync, copyFileSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import Sqlite, { type Database } from 'better-sqlite3';
import { addCodes } from './codes.js';
import { APPLICATION_ID, copiesOf, identify, troubleFrom } from './identity.js';

export type { Database };

const MIGRATIONS = join(dirname(fileURLToPath(import.meta.url)), 'migrations');
/** Copies from before upgrades that are kept, the newest. */
const UPGRADE_COPIES = 3;
/** Folders by these names are the application's own; any other is somebody's, and keeps its permissions. */
const OWN_FOLDERS = ['fresh-tuck', 'demo'];

/** Numbered .sql files in their order; a database's user_version says how many it has had. */
function migrations(): string[] {
  return readdirSync(MIGRATIONS)
    .filter((file) => /^\d{3}_.*\.sql$/.test(file))
    .sort();
}

/** Paths of the migrations, in their order. */
export const migrationFiles = (): string[] => migrations().map((name) => join(MIGRATIONS, name));

/** Makes a folder that only its owner may look into. */
export function ownFolder(folder: string): void {
  const fresh = !existsSync(folder);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  if (fresh || OWN_FOLDERS.includes(basename(folder))) chmodSync(folder, 0o700);
}

/** One copy of the file as it was, before an upgrade of however many steps; the newest few are kept. */
function copyBefore(db: Database, file: string, from: number): void {
  db.pragma('wal_checkpoint(TRUNCATE)');
  const folder = copiesOf(file);
  ownFolder(folder);
  const copy = join(folder, `before-upgrade-from-${String(from).padStart(3, '0')}.sqlite`);
  copyFileSync(file, copy);
  chmodSync(copy, 0o600);
  const copies = readdirSync(folder)
    .filter((name) => /^before-upgrade-from-\d{3}\.sqlite$/.test(name))
    .sort();
  for (const old of copies.slice(0, -UPGRADE_COPIES)) rmSync(join(folder, old));
}

/**
 * Brings a database up to date. Tables that are built anew are dropped under the ones
 * that point to them, so references are checked at the end of each step instead.
 */
function migrate(db: Database, files: readonly string[], version: number): void {
  db.pragma('foreign_keys = OFF');
  files.slice(version).forEach((name, index) => {
    db.transaction(() => {
      db.exec(readFileSync(name, 'utf8'));
      const [broken] = db.pragma('foreign_key_check') as { table: string; parent: string }[];
      if (broken) throw new Error(`${basename(name)}: a row of ${broken.table} points to no ${broken.parent}`);
      db.pragma(`application_id = ${APPLICATION_ID}`);
      db.pragma(`user_version = ${version + index + 1}`);
    })();
  });
  db.transaction(addCodes)(db);
  db.pragma('foreign_keys = ON');
}

/**
 * Opens the household's database and brings it up to date, keeping a copy of the
 * file as it was before the upgrade. A file that is not ours is not written into.
 *
 * @param file path, or ":memory:"
 * @throws DatabaseTrouble in a sentence, where it is foreign, damaged, newer, or may not be read or written
 */
export function openDatabase(file: string): Database {
  const files = migrationFiles();
  const inMemory = file === ':memory:';
  if (!inMemory) ownFolder(dirname(file));
  const known = inMemory ? ({ is: 'new' } as const) : identify(file, files.length);
  try {
    const db = new Sqlite(file);
    try {
      db.pragma('journal_mode = WAL');
      // Every acknowledged look survives a pulled plug.
      db.pragma('synchronous = FULL');
      if (!inMemory) chmodSync(file, 0o600);
      const version = db.pragma('user_version', { simple: true }) as number;
      if (known.is === 'ours' && version < files.length) copyBefore(db, file, version);
      migrate(db, files, version);
      return db;
    } catch (error) {
      db.close();
      throw error;
    }
  } catch (error) {
    throw troubleFrom(error, file) ?? error;
  }
}
