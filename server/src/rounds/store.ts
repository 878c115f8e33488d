import type { Round, RoundRequest } from '@fresh-tuck/contract';
import type { Database } from '../db/database.js';

/** A round left longer than this is over. */
const OVER_AFTER_MS = 8 * 3_600_000;

/** Rounds under way, so that another device can go on with them. */
export function roundStore(db: Database) {
  const insert = db.prepare(
    'INSERT INTO round (id, batch_ids, started_ms, after_entry) VALUES (?, ?, ?, (SELECT coalesce(max(rowid), 0) FROM entry))',
  );
  const last = db.prepare<unknown[], { id: string; batchIds: string; startedMs: number; afterEntry: number }>(
    'SELECT id, batch_ids AS batchIds, started_ms AS startedMs, after_entry AS afterEntry FROM round ORDER BY rowid DESC LIMIT 1',
  );
  const lookedAt = db.prepare<unknown[], { id: string }>(`
    SELECT DISTINCT e.batch_id AS id FROM entry e JOIN look l ON l.entry_id = e.id
    WHERE e.rowid > ? AND NOT EXISTS (SELECT 1 FROM entry u WHERE u.supersedes = e.id AND u.kind = 'undo')`);
  return {
    start: ({ id, batchIds }: RoundRequest, nowMs: number): void => {
      insert.run(id, JSON.stringify(batchIds), nowMs);
    },
    /** The round that is under way; null where none is, or where it is done. */
    current(nowMs: number, live: ReadonlySet<string>): Round | null {
      const row = last.get();
      if (!row || Math.abs(nowMs - row.startedMs) > OVER_AFTER_MS) return null;
      const batchIds = (JSON.parse(row.batchIds) as string[]).filter((id) => live.has(id));
      const looked = new Set(lookedAt.all(row.afterEntry).map(({ id }) => id));
      const doneIds = batchIds.filter((id) => looked.has(id));
      return doneIds.length === batchIds.length ? null : { id: row.id, batchIds, doneIds, startedMs: row.startedMs };
    },
  };
}
export type RoundStore = ReturnType<typeof roundStore>;
