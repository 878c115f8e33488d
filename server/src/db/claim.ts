import { chmodSync } from 'node:fs';
import { join } from 'node:path';
import Sqlite from 'better-sqlite3';
import { DatabaseTrouble } from './identity.js';

/**
 * Claims a folder for this process: a second server on it would give out the same
 * labels. SQLite's own file lock is used, which the system drops with the process,
 * however that ends.
 *
 * @returns gives the folder free again
 * @throws DatabaseTrouble where another server holds it
 */
export function claimFolder(folder: string): () => void {
  const file = join(folder, 'in-use');
  const lock = new Sqlite(file, { timeout: 0 });
  chmodSync(file, 0o600);
  try {
    lock.exec('BEGIN EXCLUSIVE');
  } catch (error) {
    lock.close();
    if (!String((error as { code?: unknown }).code).startsWith('SQLITE_BUSY')) throw error;
    throw new DatabaseTrouble(
      `Another Fresh Tuck already runs on ${folder}. Use that one, stop it, or name another folder in FRESH_TUCK_DATA. Nothing was touched.`,
    );
  }
  return () => lock.close();
}
