import type { Destination } from '@fresh-tuck/core/moving';
import { all, write } from '../db/statements.js';
import type { Database } from '../db/database.js';
import { Problem } from '../http/problem.js';
import type { CorrectBody, Entry, EntryKind, Subject } from './entry.js';

interface Row {
  readonly entry_id: string;
  readonly target_id: string;
  readonly at_ms: number | null;
  readonly destination: Destination | null;
  readonly bed_id: string | null;
}

/** Entries that give another its true time or destination. */
export function correctKind(db: Database) {
  const rows = all<Row, [string]>(db, 'SELECT * FROM correction WHERE entry_id IN (SELECT id FROM entry WHERE batch_id = ?)');
  const insert = write<[Row]>(
    db,
    'INSERT INTO correction (entry_id, target_id, at_ms, destination, bed_id) VALUES (@entry_id, @target_id, @at_ms, @destination, @bed_id)',
  );
  const kind: EntryKind<'correct'> = {
    read(batchId) {
      const own = new Map(rows(batchId).map((row) => [row.entry_id, row]));
      return ({ id }) => {
        const row = own.get(id);
        if (!row) throw new Error(`the correction ${id} has lost its row`);
        return { targetId: row.target_id, toMs: row.at_ms, destination: row.destination, bedId: row.bed_id };
      };
    },
  };
  return {
    ...kind,
    add(id: string, { targetId, toMs, destination, bedId }: CorrectBody): void {
      insert({ entry_id: id, target_id: targetId, at_ms: toMs, destination, bed_id: bedId });
    },
  };
}

/** Entries as their corrections leave them: the last that counts says the time, and where a move went. */
export function asCorrected(entries: readonly Entry[]): Entry[] {
  const said = entries.filter((entry): entry is Extract<Entry, { kind: 'correct' }> => entry.kind === 'correct' && entry.counts);
  if (said.length === 0) return [...entries];
  return entries.map((entry) => {
    const own = said.filter(({ targetId }) => targetId === entry.id);
    if (own.length === 0) return entry;
    const atMs = own.findLast(({ toMs }) => toMs !== null)?.toMs ?? entry.atMs;
    if (entry.kind === 'look') return { ...entry, atMs, look: { ...entry.look, atMs } };
    if (entry.kind !== 'move') return { ...entry, atMs };
    const where = own.findLast(({ destination }) => destination !== null);
    const { destination = null, bedId = null } = where ?? {};
    return { ...entry, atMs, move: { ...entry.move, atMs, ...(destination === null ? {} : { destination, bedId }) } };
  });
}

/** Kinds whose time is a fact of the garden and not of the notebook. */
const DATED: readonly Entry['kind'][] = ['look', 'move', 'close'];

/**
 * The entry that a correction speaks of.
 *
 * @throws Problem where there is none, it counts no more, or it has no such fact
 */
export function checkCorrect({ targetId, toMs, destination }: CorrectBody, { entries, startMs }: Subject): Entry {
  const target = entries.find((entry) => entry.id === targetId);
  if (!target) throw Problem.unknown('entry in this journal');
  if (!target.counts) throw Problem.field('entryId', 'entryId must be an entry that still counts');
  if (!DATED.includes(target.kind)) throw Problem.field('entryId', 'entryId must be a look, a move or a closing');
  if (destination !== null && target.kind !== 'move')
    throw Problem.field('destination', 'destination must be left out: only a move has one');
  if (toMs !== null && toMs < startMs) throw Problem.field('at', 'at must not lie before the batch was tucked in');
  return target;
}
