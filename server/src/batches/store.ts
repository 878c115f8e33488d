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
  const count = db.prepare('SELECT count(*) AS count FROM batch');
  const insert = db.prepare(`
    INSERT INTO batch (id, number, token, packet_id, seeds, wanted, start_ms, chill_until_ms, prepared, dose_ml, recorded_ms)
    VALUES (@id, @number, @token, @packetId, @seeds, @wanted, @startMs, @chillUntilMs, @prepared, @doseMl, @nowMs)`);
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
    count: (): number => (count.get() as { count: number }).count,
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
        nowMs: facts.nowMs,
      });
      insertTowel.run(facts.towelId, id, towel.widthMm, towel.heightMm, towel.plies);
      placeTowel.run(facts.towelId, facts.holderId, facts.startMs);
    },
  };
}
export type BatchStore = ReturnType<typeof batchStore>;
