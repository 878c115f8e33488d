import type { BatchRequest } from '@fresh-tuck/contract';
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
  readonly dose_ml: number;
  readonly towel_id: string;
  readonly width_mm: number;
  readonly height_mm: number;
}

const COLUMNS = 'b.*, t.id AS towel_id, t.width_mm, t.height_mm';

export function batchStore(db: Database) {
  const one = db.prepare(`SELECT ${COLUMNS} FROM batch b JOIN towel t ON t.batch_id = b.id WHERE b.id = ?`);
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
  // The nearest in kind first: what bears on a packet's next batch.
  const finished = db.prepare(`
    SELECT b.id, max(e.at_ms) AS closed_ms, max(e.id) AS closing_id FROM batch b
      JOIN packet p ON p.id = b.packet_id
      JOIN entry e ON e.batch_id = b.id AND e.kind = 'close'
        AND NOT EXISTS (SELECT 1 FROM entry u WHERE u.supersedes = e.id)
    WHERE e.at_ms <= @untilMs
    GROUP BY b.id
    ORDER BY (b.packet_id = @packetId) DESC, (p.crop_id = @cropId) DESC, closed_ms DESC LIMIT @most`);
  const insert = db.prepare(`
    INSERT INTO batch (id, number, token, packet_id, seeds, wanted, start_ms, chill_until_ms, prepared, method, dose_ml, recorded_ms)
    VALUES (@id, @number, @token, @packetId, @seeds, @wanted, @startMs, @chillUntilMs, @prepared, @method, @doseMl, @nowMs)`);
  const insertTowel = db.prepare('INSERT INTO towel (id, batch_id, width_mm, height_mm, plies) VALUES (?, ?, ?, ?, ?)');
  const placeTowel = db.prepare('INSERT INTO towel_place (towel_id, holder_id, from_ms) VALUES (?, ?, ?)');
  const places = db.prepare('SELECT holder_id, from_ms FROM towel_place WHERE towel_id = ? ORDER BY from_ms, rowid');

  return {
    get(id: string): BatchRow {
      const row = one.get(id) as BatchRow | undefined;
      if (!row) throw Problem.unknown('batch');
      return row;
    },
    liveIds: (): string[] => (live.all() as { id: string }[]).map(({ id }) => id),
    /** Finished batches that bear on a packet, those of the packet and of its crop first. */
    finished: (packetId: string, cropId: string, untilMs: number, most: number) =>
      finished.all({ packetId, cropId, untilMs, most }) as { id: string; closed_ms: number; closing_id: string }[],
    /** Every batch by number alone, for finding; the newest first. */
    names: () => names.all() as { id: string; number: number; packetId: string; closed: 0 | 1 }[],
    followedBy: (packetId: string, startMs: number, id: string): number | null =>
      (following.get(packetId, startMs, id) as { number: number } | undefined)?.number ?? null,
    count: (): number => (count.get() as { count: number }).count,
    /** Lays a towel into another bag from now on. */
    rebag: (towelId: string, holderId: string, nowMs: number): void => {
      placeTowel.run(towelId, holderId, nowMs);
    },
    placesOf: (towelId: string) => places.all(towelId) as { holder_id: string; from_ms: number }[],
    add(
      request: BatchRequest,
      facts: { number: number; token: string; startMs: number; towelId: string; holderId: string; nowMs: number },
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
        method: request.method ?? 'towel',
        nowMs: facts.nowMs,
      });
      insertTowel.run(facts.towelId, id, towel.widthMm, towel.heightMm, towel.plies);
      placeTowel.run(facts.towelId, facts.holderId, facts.startMs);
    },
  };
}
export type BatchStore = ReturnType<typeof batchStore>;
