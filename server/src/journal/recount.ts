import { all, write } from '../db/statements.js';
import type { Database } from '../db/database.js';
import type { EntryKind } from './entry.js';

/** The starting count, corrected. */
export function recountKind(db: Database) {
  const recounts = all<{ readonly entry_id: string; readonly seeds: number }, [string]>(
    db,
    'SELECT entry_id, seeds FROM recount WHERE entry_id IN (SELECT id FROM entry WHERE batch_id = ?)',
  );
  const insert = write<[string, number]>(db, 'INSERT INTO recount (entry_id, seeds) VALUES (?, ?)');
  const kind: EntryKind<'recount'> = {
    read(batchId) {
      const rows = new Map(recounts(batchId).map(({ entry_id, seeds }) => [entry_id, seeds]));
      return ({ id }) => ({ seeds: rows.get(id) ?? 0 });
    },
  };
  return { ...kind, add: (id: string, seeds: number): void => void insert(id, seeds) };
}
