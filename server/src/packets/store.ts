import type { Packet as WholePacket, PacketRequest } from '@fresh-tuck/contract';
import type { CropStore } from '../crops/store.js';
import type { Database } from '../db/database.js';
import { Problem } from '../http/problem.js';

/** A packet as the store knows it; what is expected of it is the forecast's to say. */
export type StoredPacket = Omit<WholePacket, 'prior' | 'handling' | 'stock'>;

export interface PacketRow {
  readonly id: string;
  readonly crop_id: string;
  readonly variety: string;
  readonly year: number | null;
  readonly source: string | null;
  readonly printed_rate_percent: number | null;
  readonly seed_count: number | null;
  readonly dressed: 0 | 1;
}

export function packetStore(db: Database, crops: CropStore) {
  const all = db.prepare('SELECT * FROM packet ORDER BY created_ms, rowid');
  const names = db.prepare('SELECT id, crop_id AS cropId, variety, year FROM packet ORDER BY created_ms, rowid');
  const one = db.prepare('SELECT * FROM packet WHERE id = ?');
  const insert = db.prepare(`
    INSERT INTO packet (id, crop_id, variety, year, source, printed_rate_percent, seed_count, dressed, created_ms)
    VALUES (@id, @cropId, @variety, @year, @source, @printedRatePercent, @seedCount, @dressed, @nowMs)`);
  // A corrected count replaces the batch's own; an undo, which is final, takes it or a closing back.
  const used = db.prepare(`
    SELECT b.id, b.number,
      coalesce((SELECT r.seeds FROM entry e JOIN recount r ON r.entry_id = e.id
        WHERE e.batch_id = b.id AND NOT EXISTS (SELECT 1 FROM entry u WHERE u.supersedes = e.id)
        ORDER BY e.recorded_ms DESC, e.rowid DESC LIMIT 1), b.seeds) AS seeds,
      EXISTS (SELECT 1 FROM entry e WHERE e.batch_id = b.id AND e.kind = 'close'
        AND NOT EXISTS (SELECT 1 FROM entry u WHERE u.supersedes = e.id)) AS closed
    FROM batch b WHERE b.packet_id = ? ORDER BY b.number`);

  function get(id: string): PacketRow {
    const row = one.get(id) as PacketRow | undefined;
    if (!row) throw Problem.unknown('packet');
    return row;
  }
  const batchesOf = (id: string) => used.all(id) as { id: string; number: number; seeds: number; closed: 0 | 1 }[];
  const seedsLeft = (row: PacketRow): number | null =>
    row.seed_count === null ? null : row.seed_count - batchesOf(row.id).reduce((sum, { seeds }) => sum + seeds, 0);

  const packetOf = (row: PacketRow): StoredPacket => ({
    id: row.id,
    cropId: row.crop_id,
    cropName: crops.crop(row.crop_id).name,
    variety: row.variety,
    year: row.year,
    source: row.source,
    printedRatePercent: row.printed_rate_percent,
    seedsLeft: seedsLeft(row),
    dressed: row.dressed === 1,
    batches: batchesOf(row.id).map(({ id, number, closed }) => ({ id, number, live: closed === 0 })),
  });
  return {
    list: (): StoredPacket[] => (all.all() as PacketRow[]).map(packetOf),
    /** Every packet by name alone, for finding. */
    names: () => names.all() as { id: string; cropId: string; variety: string; year: number | null }[],
    get,
    packet: (id: string): StoredPacket => packetOf(get(id)),
    add(request: PacketRequest, nowMs: number): void {
      crops.known(request.cropId);
      insert.run({ ...request, dressed: request.dressed ? 1 : 0, nowMs });
    },
    /** @throws Problem where the packet holds fewer; @param field named in the error */
    checkStock(id: string, seeds: number, field: string): void {
      const left = seedsLeft(get(id));
      if (left !== null && seeds > left) throw Problem.field(field, `${field} must be at most ${left}: that is what the packet has left`);
    },
  };
}
export type PacketStore = ReturnType<typeof packetStore>;
