import type { CLOSURES, Holder, HOLDER_KINDS } from '@fresh-tuck/contract';
import type { Database } from '../db/database.js';
import { certain } from '../db/statements.js';
import { Problem } from '../http/problem.js';

type Closure = (typeof CLOSURES)[number];

interface HolderRow {
  readonly id: string;
  readonly kind: (typeof HOLDER_KINDS)[number];
  readonly closure: Closure;
}

export function holderStore(db: Database) {
  const one = db.prepare<unknown[], HolderRow>('SELECT id, kind, closure FROM holder WHERE id = ?');
  const insert = db.prepare('INSERT INTO holder (id, kind, closure, created_ms) VALUES (?, ?, ?, ?)');
  // What was said later counts from its moment on, also over what a clock that ran ahead had dated beyond it.
  const places = db.prepare<unknown[], { spot_id: string; from_ms: number }>(`
    SELECT spot_id, from_ms FROM holder_place p WHERE holder_id = ?
      AND NOT EXISTS (SELECT 1 FROM holder_place q WHERE q.holder_id = p.holder_id AND q.rowid > p.rowid AND q.from_ms <= p.from_ms)
    ORDER BY from_ms, rowid`);
  const place = db.prepare('INSERT INTO holder_place (holder_id, spot_id, from_ms, recorded_ms) VALUES (?, ?, ?, ?)');
  const inside = db.prepare<unknown[], { batchId: string; number: number }>(`
    SELECT DISTINCT b.id AS batchId, b.number FROM carrier t
      JOIN batch b ON b.id = t.batch_id
      JOIN carrier_place p ON p.carrier_id = t.id AND p.rowid = (
        SELECT max(q.rowid) FROM carrier_place q WHERE q.carrier_id = t.id)
    WHERE p.holder_id = ? ORDER BY b.number`);
  const spotName = db.prepare<unknown[], { name: string }>('SELECT name FROM spot WHERE id = ?');
  // Bags that hold a batch which is still open, the oldest first.
  const inUse = db.prepare<unknown[], { id: string }>(`
    WITH live AS MATERIALIZED (SELECT b.id FROM batch b
      WHERE NOT EXISTS (SELECT 1 FROM entry e WHERE e.batch_id = b.id AND e.kind = 'close'
        AND NOT EXISTS (SELECT 1 FROM entry u WHERE u.supersedes = e.id)))
    SELECT DISTINCT h.id FROM live
      CROSS JOIN carrier t ON t.batch_id = live.id
      JOIN carrier_place p ON p.rowid = (SELECT max(q.rowid) FROM carrier_place q WHERE q.carrier_id = t.id)
      JOIN holder h ON h.id = p.holder_id
    ORDER BY h.rowid`);
  const closures = db.prepare<unknown[], { closure: Closure }>(
    'SELECT closure FROM holder_closure WHERE holder_id = ? ORDER BY rowid DESC LIMIT 1',
  );
  const insertClosure = db.prepare('INSERT INTO holder_closure (holder_id, closure, from_ms, recorded_ms) VALUES (?, ?, ?, ?)');
  const probe = db.prepare<unknown[], { from_ms: number; to_ms: number; min_c: number; max_c: number }>(
    'SELECT from_ms, to_ms, min_c, max_c FROM probe_reading WHERE holder_id = ? AND to_ms > ? AND from_ms < ? ORDER BY rowid',
  );
  const probes = db.prepare('SELECT 1 FROM probe_reading WHERE holder_id = ? LIMIT 1');
  const insertProbe = db.prepare(`
    INSERT INTO probe_reading (id, holder_id, from_ms, to_ms, min_c, max_c, recorded_ms)
    VALUES (@id, @holderId, @fromMs, @toMs, @minC, @maxC, @nowMs)`);
  const weighings = db.prepare<unknown[], { at_ms: number; grams: number; full: 0 | 1 }>(
    'SELECT at_ms, grams, full FROM weighing WHERE holder_id = ? ORDER BY rowid',
  );
  const insertWeighing = db.prepare('INSERT INTO weighing (id, holder_id, at_ms, grams, full, recorded_ms) VALUES (?, ?, ?, ?, ?, ?)');
  // Water that all that is inside were given together, ml.
  const doses = db.prepare<unknown[], { ml: number }>(`
    SELECT coalesce(sum(dose_ml), 0) AS ml FROM (SELECT DISTINCT b.id, b.dose_ml FROM carrier t JOIN batch b ON b.id = t.batch_id
      JOIN carrier_place p ON p.carrier_id = t.id AND p.rowid = (
        SELECT max(q.rowid) FROM carrier_place q WHERE q.carrier_id = t.id)
    WHERE p.holder_id = ?)`);

  function get(id: string): HolderRow {
    const row = one.get(id);
    if (!row) throw Problem.unknown('bag');
    const changed = closures.get(id);
    return { ...row, closure: changed?.closure ?? row.closure };
  }
  const placesOf = (id: string) => places.all(id);
  const batchesIn = (id: string) => inside.all(id);
  const weighed = (id: string) => weighings.all(id);
  return {
    /** Bags, tubs and trays with an open batch in them. */
    inUse: (): string[] => inUse.all().map(({ id }) => id),
    get,
    placesOf,
    batchesIn,
    holder(id: string): Holder {
      const row = get(id);
      const spotId = placesOf(id).at(-1)?.spot_id ?? '';
      const { name } = certain(spotName.get(spotId));
      return {
        id,
        kind: row.kind,
        closure: row.closure,
        spotId,
        spotName: name,
        numbers: batchesIn(id).map(({ number }) => number),
        weighedG: weighed(id).at(-1)?.grams ?? null,
        probed: probes.get(id) !== undefined,
      };
    },
    add(id: string, kind: HolderRow['kind'], closure: Closure, spotId: string, fromMs: number, nowMs: number): void {
      if (one.get(id)) throw Problem.field('holder.newId', 'holder.newId must be new');
      insert.run(id, kind, closure, nowMs);
      place.run(id, spotId, fromMs, nowMs);
    },
    close(id: string, closure: Closure, nowMs: number): void {
      get(id);
      insertClosure.run(id, closure, nowMs, nowMs);
    },
    /** What the bag's own probe said of a stretch, in the order it was written. */
    probed: (id: string, fromMs: number, toMs: number) =>
      probe.all(id, fromMs, Math.min(toMs, Number.MAX_SAFE_INTEGER)).map((row) => ({
        fromMs: row.from_ms,
        toMs: row.to_ms,
        minC: row.min_c,
        maxC: row.max_c,
      })),
    addProbe(holderId: string, reading: { id: string; fromMs: number; toMs: number; minC: number; maxC: number }, nowMs: number): void {
      get(holderId);
      insertProbe.run({ ...reading, holderId, nowMs });
    },
    weigh(holderId: string, { id, grams, full }: { id: string; grams: number; full: boolean }, nowMs: number): void {
      get(holderId);
      if (!full && !weighed(holderId).some((one) => one.full === 1)) {
        throw Problem.field('full', 'full must be true the first time: weigh the bag once when it was just given its water');
      }
      insertWeighing.run(id, holderId, nowMs, grams, full ? 1 : 0, nowMs);
    },
    /** What the scale said, as shares of the water that the bag was given. */
    sharesLeft(id: string): { atMs: number; shareLeft: number; fullMs: number }[] {
      const { ml } = certain(doses.get(id));
      if (ml <= 0) return [];
      let full: { at_ms: number; grams: number } | null = null;
      return weighed(id).flatMap((one) => {
        if (one.full === 1) full = one;
        // Weighed full is given its dose.
        if (one.full === 1) return [{ atMs: one.at_ms, fullMs: one.at_ms, shareLeft: 1 }];
        if (full === null) return [];
        // A gram of water is a millilitre.
        return [{ atMs: one.at_ms, fullMs: full.at_ms, shareLeft: Math.min(Math.max(1 - (full.grams - one.grams) / ml, 0), 1.2) }];
      });
    },
    move(id: string, spotId: string, nowMs: number): void {
      get(id);
      place.run(id, spotId, nowMs, nowMs);
    },
  };
}
export type HolderStore = ReturnType<typeof holderStore>;
