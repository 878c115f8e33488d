import { parcelState } from '@fresh-tuck/core/parcel';
import { Problem } from '../http/problem.js';
import { all, write } from '../db/statements.js';
import type { Database } from '../db/database.js';
import type { EntryKind, Subject } from './entry.js';
import { looksOf, movesOf } from './read.js';

/** The starting count, corrected. */
export function recountKind(db: Database) {
  const recounts = all<{ readonly entry_id: string; readonly seeds: number }, [string]>(
    db,
    'SELECT entry_id, seeds FROM recount WHERE entry_id IN (SELECT id FROM entry WHERE batch_id = ?)',
  );
  const insert = write<[string, number, number]>(db, 'INSERT INTO recount (entry_id, seeds, joined) VALUES (?, ?, ?)');
  const kind: EntryKind<'recount'> = {
    read(batchId) {
      const rows = new Map(recounts(batchId).map(({ entry_id, seeds }) => [entry_id, seeds]));
      return ({ id }) => ({ seeds: rows.get(id) ?? 0 });
    },
  };
  return {
    ...kind /** @param joined of them, seeds that came along from another batch */,
    add: (id: string, seeds: number, joined: number): void => void insert(id, seeds, joined),
  };
}

/** Refuses a starting count below what was already seen. */
export function checkRecount(count: number, { seeds, startMs, entries }: Subject): void {
  const looks = looksOf(entries);
  const state = parcelState(seeds, startMs, looks, movesOf(entries));
  const named = Math.max(0, ...looks.flatMap((look) => look.marks.map(({ seed }) => seed)));
  const least = Math.max(state.tipped + state.rotten + state.lost, named, 1);
  if (count < least) throw Problem.field('seeds', `seeds must be at least ${least}: so many were already seen`);
}
