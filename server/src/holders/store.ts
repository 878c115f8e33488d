import type { CLOSURES, Holder, HOLDER_KINDS } from '@fresh-tuck/contract';
import type { Database } from '../db/database.js';
import { Problem } from '../http/problem.js';

type Closure = (typeof CLOSURES)[number];

interface HolderRow {
  readonly id: string;
  readonly kind: (typeof HOLDER_KINDS)[number];
  readonly closure: Closure;
}

export function holderStore(db: Database) {
  const one = db.prepare('SELECT id, kind, closure FROM holder WHERE id = ?');
  const insert = db.prepare('INSERT INTO holder (id, kind, closure, created_ms) VALUES (?, ?, ?, ?)');
  const places = db.prepare('SELECT spot_id, from_ms FROM holder_place WHERE holder_id = ? ORDER BY from_ms, recorded_ms, rowid');
  const place = db.prepare('INSERT INTO holder_place (holder_id, spot_id, from_ms, recorded_ms) VALUES (?, ?, ?, ?)');
  const inside = db.prepare(`
    SELECT b.id AS batchId, b.number FROM towel t
      JOIN batch b ON b.id = t.batch_id
      JOIN towel_place p ON p.towel_id = t.id AND p.rowid = (
        SELECT q.rowid FROM towel_place q WHERE q.towel_id = t.id ORDER BY q.from_ms DESC, q.rowid DESC LIMIT 1)
    WHERE p.holder_id = ? ORDER BY b.number`);
  const spotName = db.prepare('SELECT name FROM spot WHERE id = ?');
  const all = db.prepare('SELECT id FROM holder ORDER BY created_ms');

  function get(id: string): HolderRow {
    const row = one.get(id) as HolderRow | undefined;
    if (!row) throw Problem.unknown('bag');
    return row;
  }
  const placesOf = (id: string) => places.all(id) as { spot_id: string; from_ms: number }[];
  const batchesIn = (id: string) => inside.all(id) as { batchId: string; number: number }[];
  return {
    ids: (): string[] => (all.all() as { id: string }[]).map(({ id }) => id),
    get,
    placesOf,
    batchesIn,
    holder(id: string): Holder {
      const row = get(id);
      const spotId = placesOf(id).at(-1)?.spot_id ?? '';
      const { name } = spotName.get(spotId) as { name: string };
      return { id, kind: row.kind, closure: row.closure, spotId, spotName: name, numbers: batchesIn(id).map(({ number }) => number) };
    },
    add(id: string, kind: HolderRow['kind'], closure: Closure, spotId: string, fromMs: number, nowMs: number): void {
      if (one.get(id)) throw Problem.field('holder.newId', 'holder.newId must be new');
      insert.run(id, kind, closure, nowMs);
      place.run(id, spotId, fromMs, nowMs);
    },
    move(id: string, spotId: string, nowMs: number): void {
      get(id);
      place.run(id, spotId, nowMs, nowMs);
    },
  };
}
export type HolderStore = ReturnType<typeof holderStore>;
