import { copyFileSync, existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import Sqlite, { type Database } from 'better-sqlite3';

export type { Database };

const MIGRATIONS = join(dirname(fileURLToPath(import.meta.url)), 'migrations');

/** Numbered .sql files in their order; a database's user_version says how many it has had. */
function migrations(): string[] {
  return readdirSync(MIGRATIONS)
    .filter((file) => /^\d{3}_.*\.sql$/.test(file))
    .sort();
}

/**
 * Opens the household's database and brings it up to date, keeping a copy of the
 * file as it was before each migration.
 *
 * @param file path, or ":memory:"
 * @throws Error where the file was written by a newer version
 */
export function openDatabase(file: string): Database {
  if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true });
  const existed = file !== ':memory:' && existsSync(file);
  const db = new Sqlite(file);
  db.pragma('journal_mode = WAL');
  // Every acknowledged look survives a pulled plug.
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
  const files = migrations();
  const version = db.pragma('user_version', { simple: true }) as number;
  if (version > files.length) {
    throw new Error(`The database ${file} was written by a newer Fresh Tuck (schema ${version}); this one knows ${files.length}.`);
  }
  files.slice(version).forEach((name, index) => {
    if (existed) {
      db.pragma('wal_checkpoint(TRUNCATE)');
      copyFileSync(file, `${file}.before-${name.slice(0, 3)}`);
    }
    db.transaction(() => {
      db.exec(readFileSync(join(MIGRATIONS, name), 'utf8'));
      db.pragma(`user_version = ${version + index + 1}`);
    })();
  });
  return db;
}
