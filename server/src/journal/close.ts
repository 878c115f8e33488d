import { all, write } from '../db/statements.js';
import type { Database } from '../db/database.js';
import { Problem } from '../http/problem.js';
import type { CloseBody, EntryKind, Subject } from './entry.js';
import { closedAt, isUntucked } from './read.js';

/** The end of a batch, with its reason; seeds still quiet then are censored. */
export function closeKind(db: Database) {
  const closings = all<{ readonly entry_id: string } & CloseBody, [string]>(
    db,
    'SELECT entry_id, reason FROM closing WHERE entry_id IN (SELECT id FROM entry WHERE batch_id = ?)',
  );
  const insert = write<[string, string]>(db, 'INSERT INTO closing (entry_id, reason) VALUES (?, ?)');
  const kind: EntryKind<'close'> = {
    read(batchId) {
      const rows = new Map(closings(batchId).map(({ entry_id, reason }) => [entry_id, reason]));
      return ({ id }) => ({ reason: rows.get(id) ?? 'other' });
    },
  };
  return { ...kind, add: (id: string, reason: CloseBody['reason']): void => void insert(id, reason) };
}

/** Moves and looks bind to a batch that is still open; the batch itself otherwise. */
export function refuseClosed(subject: Subject): Subject {
  refuseUntucked(subject);
  if (closedAt(subject.entries) !== null) throw new Problem(409, 'Closed', 'This batch is closed. Undo the closing first.');
  return subject;
}

/** Nothing is said of a batch whose tuck-in was taken back. */
export function refuseUntucked(subject: Subject): Subject {
  if (isUntucked(subject.entries)) throw new Problem(409, 'Taken back', 'This tuck-in was taken back. Undo that first, in its journal.');
  return subject;
}
