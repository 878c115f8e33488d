import type { Aim, batchRequest, BatchRequest } from '@fresh-tuck/contract';
import type * as z from 'zod';
import type { Database } from '../db/database.js';
import { Problem } from '../http/problem.js';

export interface BatchRow {
  readonly id: string;
  readonly number: number;
  readonly token: string;
  readonly packet_id: string;
  readonly seeds: number;
  readonly wanted: number | null;
  readonly start_ms: number;
  readonly chill_until_ms: number | null;
  readonly prepared: string;
  readonly method: NonNullable<BatchRequest['method']>;
  readonly purpose: 'plants' | 'test';
  readonly final_ms: number | null;
  readonly aim: string;
  readonly dose_ml: number;
  /** Its only towel, or the first of a test's. */
  readonly towel_id: string;
  readonly width_mm: number;
  readonly height_mm: number;
}

/** A closing, or a test's final count, that counts. */
export interface BatchEnd {
  /** Of the batch. */
  readonly id: string;
  readonly endId: string;
  readonly atMs: number;
  readonly packetId: string;
  readonly cropId: string;
}

const COLUMNS = 'b.*, t.id AS towel_id, t.width_mm, t.height_mm';

export function batchStore(db: Database) {
  const one = db.prepare(`SELECT ${COLUMNS} FROM batch b
    JOIN towel t ON t.rowid = (SELECT min(rowid) FROM towel WHERE batch_id = b.id) WHERE b.id = ?`);
  const live = db.prepare(`
    SELECT b.id FROM batch b
    WHERE NOT EXISTS (SELECT 1 FROM entry e WHERE e.batch_id = b.id AND e.kind = 'close'
      AND NOT EXISTS (SELECT 1 FROM entry u WHERE u.supersedes = e.id))
    ORDER BY b.number`);
  // A later live batch of the same packet: the lot is topped up or begun again already.
  const following = db.prepare(`
    SELECT b.number FROM batch b WHERE b.packet_id = ? AND b.start_ms > ? AND b.id <> ?
      AND NOT EXISTS (SELECT 1 FROM entry e WHERE e.batch_id = b.id AND e.kind = 'close'
        AND NOT EXISTS (SELECT 1 FROM entry u WHERE u.supersedes = e.id))
    ORDER BY b.number DESC LIMIT 1`);
  const names = db.prepare(`
    SELECT b.id, b.number, b.packet_id AS packetId, EXISTS (SELECT 1 FROM entry e WHERE e.batch_id = b.id AND e.kind = 'close'
      AND NOT EXISTS (SELECT 1 FROM entry u WHERE u.supersedes = e.id)) AS closed
    FROM batch b ORDER BY b.number DESC`);
  const count = db.prepare('SELECT count(*) AS count FROM batch');
  // What ended batches: their closings, and the counts of tests, which have told theirs closed or not.
  const ends = db.prepare(`
    SELECT e.batch_id AS id, e.id AS endId, e.at_ms AS atMs, b.packet_id AS packetId, p.crop_id AS cropId
    FROM (SELECT rowid AS at, * FROM entry WHERE kind = 'close'
      UNION ALL SELECT e.rowid AS at, e.* FROM entry e WHERE e.id IN (SELECT DISTINCT entry_id FROM class_count)) e
      JOIN batch b ON b.id = e.batch_id JOIN packet p ON p.id = b.packet_id
    WHERE NOT EXISTS (SELECT 1 FROM entry u WHERE u.supersedes = e.id) ORDER BY e.at_ms DESC, e.at DESC`);
  const insert = db.prepare(`
    INSERT INTO batch (id, number, token, packet_id, seeds, wanted, start_ms, chill_until_ms, prepared, method, dose_ml, recorded_ms,
      purpose, taken, final_ms, aim)
    VALUES (@id, @number, @token, @packetId, @seeds, @wanted, @startMs, @chillUntilMs, @prepared, @method, @doseMl, @nowMs,
      @purpose, @taken, @finalMs, @aim)`);
  const insertTowel = db.prepare('INSERT INTO towel (id, batch_id, width_mm, height_mm, plies, seeds) VALUES (?, ?, ?, ?, ?, ?)');
  const placeTowel = db.prepare('INSERT INTO towel_place (towel_id, holder_id, from_ms) VALUES (?, ?, ?)');
  const towels = db.prepare('SELECT id, seeds FROM towel WHERE batch_id = ? ORDER BY rowid');
  // What was said later counts from its moment on, also over what a clock that ran ahead had dated beyond it.
  const places = db.prepare(`
    SELECT holder_id, from_ms FROM towel_place p WHERE towel_id = ?
      AND NOT EXISTS (SELECT 1 FROM towel_place q WHERE q.towel_id = p.towel_id AND q.rowid > p.rowid AND q.from_ms <= p.from_ms)
    ORDER BY from_ms, rowid`);

  return {
    get(id: string): BatchRow {
      const row = one.get(id) as BatchRow | undefined;
      if (!row) throw Problem.unknown('batch');
      return row;
    },
    liveIds: (): string[] => (live.all() as { id: string }[]).map(({ id }) => id),
    /** What ended batches, the latest first; a batch that was counted and closed stands twice. */
    ends: () => ends.all() as BatchEnd[],
    /** Every batch by number alone, for finding; the newest first. */
    names: () => names.all() as { id: string; number: number; packetId: string; closed: 0 | 1 }[],
    followedBy: (packetId: string, startMs: number, id: string): number | null =>
      (following.get(packetId, startMs, id) as { number: number } | undefined)?.number ?? null,
    count: (): number => (count.get() as { count: number }).count,
    /** Lays a batch's towels into another bag from now on. */
    rebag: (batchId: string, holderId: string, nowMs: number): void => {
      for (const { id } of towels.all(batchId) as { id: string }[]) placeTowel.run(id, holderId, nowMs);
    },
    /** Seeds on each towel, in their order. */
    replicatesOf: (row: BatchRow): number[] => (towels.all(row.id) as { seeds: number | null }[]).map(({ seeds }) => seeds ?? row.seeds),
    aimOf: (row: BatchRow): Aim => ({ plants: null, destination: null, target: null, ...(JSON.parse(row.aim) as Partial<Aim>) }),
    placesOf: (towelId: string) => places.all(towelId) as { holder_id: string; from_ms: number }[],
    add(
      request: z.output<typeof batchRequest>,
      facts: { number: number; token: string; startMs: number; newId: () => string; holderId: string; nowMs: number },
    ): void {
      const { id, packetId, seeds, wanted, towel, doseMl } = request;
      insert.run({
        id,
        packetId,
        seeds,
        wanted,
        doseMl,
        number: facts.number,
        token: facts.token,
        startMs: facts.startMs,
        chillUntilMs: request.chillDays === null ? null : facts.startMs + request.chillDays * 86_400_000,
        prepared: JSON.stringify(request.prepared),
        method: request.method,
        nowMs: facts.nowMs,
        purpose: request.purpose,
        taken: request.taken,
        finalMs: request.finalDays === null ? null : facts.startMs + request.finalDays * 86_400_000,
        aim: JSON.stringify(request.aim),
      });
      const { replicates } = request;
      for (let towelIndex = 0; towelIndex < replicates; towelIndex++) {
        const share = Math.floor(seeds / replicates) + (towelIndex < seeds % replicates ? 1 : 0);
        const towelId = facts.newId();
        insertTowel.run(towelId, id, towel.widthMm, towel.heightMm, towel.plies, replicates === 1 ? null : share);
        placeTowel.run(towelId, facts.holderId, facts.startMs);
      }
    },
  };
}
export type BatchStore = ReturnType<typeof batchStore>;
