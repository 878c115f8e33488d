import type { LookRequest, MoveRequest } from '@fresh-tuck/contract';
import type { Database } from '../db/database.js';
import { all, write } from '../db/statements.js';
import { amendKind } from './amend.js';
import { closeKind } from './close.js';
import { asCorrected, correctKind } from './correct.js';
import type { AmendBody, CloseBody, CorrectBody, Entry, EntryHead, EntryKind, EntryKindId } from './entry.js';
import { lookKind } from './look.js';
import { moveKind } from './move.js';
import { recountKind } from './recount.js';
import { undoKind } from './undo.js';

interface EntryRow {
  readonly id: string;
  readonly kind: EntryKindId;
  readonly at_ms: number;
  readonly recorded_ms: number;
  readonly who: string | null;
  readonly note: string | null;
  readonly supersedes: string | null;
}

/** An undo that nobody has written. */
const NOTHING: EntryRow = { id: '', kind: 'undo', at_ms: 0, recorded_ms: 0, who: null, note: null, supersedes: null };

/** Head of an entry that is about to be written. */
export interface NewEntry {
  readonly id: string;
  readonly batchId: string;
  readonly atMs: number;
  readonly nowMs: number;
  readonly who?: string | null;
  readonly note?: string | null;
  readonly supersedes?: string | null;
}

/**
 * Which entries count: those that nothing supersedes, save corrections that were taken
 * back. A correction that was itself corrected still stands over what it corrected.
 */
function counting(rows: readonly EntryRow[]): Set<string> {
  const takenBack = new Set(rows.flatMap(({ kind, supersedes }) => (kind === 'undo' && supersedes ? [supersedes] : [])));
  const superseded = new Set(rows.flatMap(({ id, supersedes }) => (supersedes && !takenBack.has(id) ? [supersedes] : [])));
  return new Set(rows.map(({ id }) => id).filter((id) => !superseded.has(id)));
}

/** The journals of batches: heads here, and a file for each kind of entry. */
export function journalStore(db: Database) {
  const kinds = {
    look: lookKind(db),
    move: moveKind(db),
    recount: recountKind(db),
    close: closeKind(db),
    correct: correctKind(db),
    amend: amendKind(db),
    undo: undoKind,
    untuck: undoKind,
  };
  // In the order they were written, so that what supersedes comes after what it supersedes.
  const heads = all<EntryRow, [string]>(
    db,
    'SELECT id, kind, at_ms, recorded_ms, who, note, supersedes FROM entry WHERE batch_id = ? ORDER BY rowid',
  );
  // From name to name along the index: years of entries are not read for a handful of people.
  const people = all<{ readonly who: string }, []>(
    db,
    `WITH RECURSIVE name (who) AS (
      SELECT min(who) FROM entry WHERE who IS NOT NULL
      UNION ALL SELECT (SELECT min(who) FROM entry WHERE who > name.who) FROM name WHERE name.who IS NOT NULL)
    SELECT who FROM name WHERE who IS NOT NULL ORDER BY (SELECT max(rowid) FROM entry e WHERE e.who = name.who) DESC LIMIT 20`,
  );
  const insert = write<[Omit<EntryRow, 'at_ms' | 'recorded_ms'> & { batchId: string; atMs: number; nowMs: number }]>(
    db,
    `INSERT INTO entry (id, batch_id, kind, at_ms, recorded_ms, who, note, supersedes)
    VALUES (@id, @batchId, @kind, @atMs, @nowMs, @who, @note, @supersedes)`,
  );
  const begin = (kind: EntryKindId, { who = null, note = null, supersedes = null, ...head }: NewEntry): void => {
    insert({ ...head, kind, who, note, supersedes });
  };

  function asWritten(batchId: string, without: readonly string[]): Entry[] {
    const rows = heads(batchId);
    const undone = without.map((supersedes): EntryRow => ({ ...NOTHING, supersedes }));
    const live = counting([...rows, ...undone]);
    // Most batches have moved nothing yet: a kind's tables are read where there is one of it.
    const readers = new Map<EntryKindId, (head: EntryHead) => object>();
    const bodyOf = (kind: EntryKindId, head: EntryHead): object => {
      const read = readers.get(kind) ?? (kinds[kind] as EntryKind<EntryKindId>).read(batchId);
      readers.set(kind, read);
      return read(head);
    };
    return rows.map(({ id, kind, at_ms, recorded_ms, who, note, supersedes }) => {
      const head: EntryHead = { id, atMs: at_ms, recordedMs: recorded_ms, who, note, supersedes, counts: live.has(id) };
      return { ...head, kind, ...bodyOf(kind, head) } as Entry;
    });
  }

  return {
    /** Who looked and moved, the newest first. */
    people: (): string[] => people().map(({ who }) => who),
    /** A batch's entries in the order they were written, each with the time that was last said of it. */
    entries: (batchId: string): Entry[] => asCorrected(asWritten(batchId, [])),
    /** The same as if some of them had been taken back. */
    entriesWithout: (batchId: string, ids: readonly string[]): Entry[] => asCorrected(asWritten(batchId, ids)),
    addLook(head: NewEntry, look: LookRequest): void {
      begin('look', head);
      kinds.look.add(head.id, look);
    },
    /** @param takeNumber gives the next label of the household */
    addMove(head: NewEntry, move: MoveRequest, takeNumber: () => number): void {
      begin('move', head);
      kinds.move.add(head.id, move, takeNumber);
    },
    addRecount(head: NewEntry, seeds: number, joined = 0): void {
      begin('recount', head);
      kinds.recount.add(head.id, seeds, joined);
    },
    addClosing(head: NewEntry, reason: CloseBody['reason']): void {
      begin('close', head);
      kinds.close.add(head.id, reason);
    },
    addUndo: (head: NewEntry): void => begin('undo', head),
    addUntucking: (head: NewEntry): void => begin('untuck', head),
    addCorrection(head: NewEntry, said: CorrectBody): void {
      begin('correct', head);
      kinds.correct.add(head.id, said);
    },
    addAmendment(head: NewEntry, said: AmendBody): void {
      begin('amend', head);
      kinds.amend.add(head.id, said);
    },
  };
}
export type JournalStore = ReturnType<typeof journalStore>;
