import type { Database } from '../db/database.js';
import { closed, counting, said, untucked } from '../db/standing.js';
import type { BatchLine, CountRow, UsedRow } from './rows.js';

/** What is left in a packet: its last count, less what batches took since. */
export function stockStore(db: Database) {
  const counts = db.prepare<unknown[], CountRow>(
    `SELECT * FROM packet_count c WHERE packet_id = ? AND ${said('packet_count', 'packet_id', 'c', 'at_ms')} ORDER BY at_ms DESC, rowid DESC`,
  );
  const insertCount = db.prepare(
    'INSERT INTO packet_count (id, packet_id, seeds, grams, after_number, at_ms, recorded_ms) VALUES (?, ?, ?, ?, ?, ?, ?)',
  );
  // What was begun before a count was taken was out of the packet by then.
  const lastBefore = db.prepare<unknown[], { number: number }>(
    'SELECT number FROM batch WHERE packet_id = ? AND start_ms <= ? ORDER BY number DESC LIMIT 1',
  );
  // A corrected count replaces the batch's own.
  const lines = (where: string): string => `
    SELECT b.id, b.packet_id, b.number, b.purpose, b.start_ms, b.seeds AS laid, b.taken, b.from_kind = 'split' AS split,
      coalesce((SELECT sum(r.joined) FROM entry e JOIN recount r ON r.entry_id = e.id
        WHERE e.batch_id = b.id AND e.kind = 'recount' AND ${counting('e')}), 0) AS joined,
      coalesce((SELECT sum(a.seeds) FROM batch_packet a WHERE a.batch_id = b.id), 0) AS other,
      coalesce((SELECT r.seeds FROM entry e JOIN recount r ON r.entry_id = e.id
        WHERE e.batch_id = b.id AND e.kind = 'recount' AND ${counting('e')} ORDER BY e.rowid DESC LIMIT 1), b.seeds) AS seeds,
      ${closed('b.id')} AS closed
    FROM batch b WHERE ${where} AND NOT ${untucked('b.id')} ORDER BY b.number`;
  // Seed that went into batches of another packet of the variety.
  const alongOf = db.prepare<unknown[], { seeds: number }>(
    `SELECT a.seeds FROM batch_packet a JOIN batch b ON b.id = a.batch_id WHERE a.packet_id = ? AND b.number > ? AND NOT ${untucked('b.id')}`,
  );
  const used = db.prepare<unknown[], UsedRow>(lines('b.packet_id = ?'));
  const allUsed = db.prepare<unknown[], UsedRow>(lines('true'));
  const allCounts = db.prepare<unknown[], CountRow>(
    `SELECT * FROM packet_count c WHERE ${said('packet_count', 'packet_id', 'c', 'at_ms')} ORDER BY at_ms DESC, rowid DESC`,
  );

  /** What a batch took out of its packet: nothing where it was split off another; husks that split gave several seeds each. */
  const takenBy = ({ split, seeds, joined, other, taken, laid }: UsedRow): number => {
    if (split === 1) return 0;
    const own = Math.max(seeds - joined - other, 0);
    return taken === null ? own : Math.ceil((own * taken) / laid);
  };
  const lineOf = (line: UsedRow): BatchLine => ({
    ...line,
    taken: takenBy(line),
  });
  const batchesOf = (id: string): BatchLine[] => used.all(id).map(lineOf);
  const countsOf = (id: string) => counts.all(id);

  /** The last count less what was begun since. */
  function leftOf(last: CountRow | undefined, begun: readonly BatchLine[]): number | null {
    if (!last) return null;
    const since = begun.filter(({ number }) => number > last.after_number);
    const along = alongOf.all(last.packet_id, last.after_number).reduce((sum, { seeds }) => sum + seeds, 0);
    return Math.max(last.seeds - since.reduce((sum, { taken }) => sum + taken, 0) - along, 0);
  }

  return {
    batchesOf,
    countsOf,
    leftOf,
    seedsLeft: (id: string): number | null => leftOf(countsOf(id)[0], batchesOf(id)),
    /** Batches of every packet by its id, read at one go. */
    everyBatch(): ReadonlyMap<string, BatchLine[]> {
      const begun = new Map<string, BatchLine[]>();
      for (const line of allUsed.all()) {
        const own = begun.get(line.packet_id);
        if (own) own.push(lineOf(line));
        else begun.set(line.packet_id, [lineOf(line)]);
      }
      return begun;
    },
    /** The last count of every packet that has one, by its id. */
    lastCounts(): ReadonlyMap<string, CountRow> {
      const last = new Map<string, CountRow>();
      for (const count of allCounts.all()) if (!last.has(count.packet_id)) last.set(count.packet_id, count);
      return last;
    },
    /** Writes a count down. @param count.id of the count; `afterNumber` the last batch that was out of the packet by then */
    addCount(count: {
      readonly id: string;
      readonly packetId: string;
      readonly seeds: number;
      readonly grams: number | null;
      readonly afterNumber: number;
      readonly atMs: number;
      readonly nowMs: number;
    }): void {
      const { id, packetId, seeds, grams, afterNumber, atMs, nowMs } = count;
      insertCount.run(id, packetId, seeds, grams, afterNumber, atMs, nowMs);
    },
    /** Number of the last batch that had been begun by a moment; 0 where none had. */
    begunBy: (packetId: string, atMs: number): number => lastBefore.get(packetId, atMs)?.number ?? 0,
  };
}
