import type { CLOSURES, Holder, HOLDER_KINDS } from '@fresh-tuck/contract';
import type { Database } from '../db/database.js';
import { liesIn, said, standing, stood, untucked, closed } from '../db/standing.js';
import { certain } from '../db/statements.js';
import { v7 as uuid } from 'uuid';
import { Problem } from '../http/problem.js';

type Closure = (typeof CLOSURES)[number];

interface HolderRow {
  readonly id: string;
  readonly kind: (typeof HOLDER_KINDS)[number];
  readonly closure: Closure;
}

interface PlaceRow {
  /** Whether the bag came with it: what was said later is a line of its journal. */
  readonly came: 0 | 1;
  readonly id: string;
  readonly spot_id: string;
  readonly from_ms: number;
  readonly recorded_ms: number;
}
interface ProbeRow {
  readonly id: string;
  readonly from_ms: number;
  readonly to_ms: number;
  readonly min_c: number;
  readonly max_c: number;
  readonly recorded_ms: number;
}
interface WeighingRow {
  readonly id: string;
  readonly at_ms: number;
  readonly grams: number;
  readonly full: 0 | 1;
  readonly recorded_ms: number;
}

/** What was said of a bag, by kind. */
export interface HolderLines {
  readonly places: readonly PlaceRow[];
  readonly closures: readonly { readonly id: string; readonly closure: Closure; readonly from_ms: number; readonly recorded_ms: number }[];
  readonly probes: readonly ProbeRow[];
  readonly weighings: readonly WeighingRow[];
}

export function holderStore(db: Database) {
  const one = db.prepare<unknown[], HolderRow>('SELECT id, kind, closure FROM holder WHERE id = ?');
  const insert = db.prepare('INSERT INTO holder (id, kind, closure, created_ms) VALUES (?, ?, ?, ?)');
  const places = db.prepare<unknown[], PlaceRow>(`
    SELECT id, spot_id, from_ms, recorded_ms, rowid = (SELECT min(rowid) FROM holder_place f WHERE f.holder_id = p.holder_id) AS came
    FROM holder_place p WHERE holder_id = ? AND ${stood('holder_place', 'holder_id', 'p')}
    ORDER BY from_ms, rowid`);
  const place = db.prepare('INSERT INTO holder_place (id, holder_id, spot_id, from_ms, recorded_ms) VALUES (?, ?, ?, ?, ?)');
  const inside = db.prepare<unknown[], { batchId: string; number: number }>(`
    SELECT DISTINCT b.id AS batchId, b.number FROM carrier_place ever JOIN carrier t ON t.id = ever.carrier_id
      JOIN batch b ON b.id = t.batch_id
      JOIN carrier_place p ON p.rowid = ${liesIn('t.id')}
    WHERE ever.holder_id = @id AND p.holder_id = @id AND NOT ${untucked('b.id')} ORDER BY b.number`);
  const spotName = db.prepare<unknown[], { name: string }>('SELECT name FROM spot WHERE id = ?');
  // Bags that hold a batch which is still open, the oldest first.
  const inUse = db.prepare<unknown[], { id: string }>(`
    WITH live AS MATERIALIZED (SELECT b.id FROM batch b WHERE NOT ${closed('b.id')} AND NOT ${untucked('b.id')})
    SELECT DISTINCT h.id FROM live
      CROSS JOIN carrier t ON t.batch_id = live.id
      JOIN carrier_place p ON p.rowid = ${liesIn('t.id')}
      JOIN holder h ON h.id = p.holder_id
    ORDER BY h.rowid`);
  const closures = db.prepare<unknown[], { id: string; closure: Closure; from_ms: number; recorded_ms: number }>(
    `SELECT id, closure, from_ms, recorded_ms FROM holder_closure c WHERE holder_id = ? AND ${said('holder_closure', 'holder_id', 'c')} ORDER BY from_ms DESC, rowid DESC`,
  );
  const insertClosure = db.prepare('INSERT INTO holder_closure (id, holder_id, closure, from_ms, recorded_ms) VALUES (?, ?, ?, ?, ?)');
  const probe = db.prepare<unknown[], ProbeRow>(
    `SELECT id, from_ms, to_ms, min_c, max_c, recorded_ms FROM probe_reading r
    WHERE holder_id = ? AND to_ms > ? AND from_ms < ? AND ${standing('r')} ORDER BY rowid`,
  );
  const probes = db.prepare(`SELECT 1 FROM probe_reading r WHERE holder_id = ? AND ${standing('r')} LIMIT 1`);
  const insertProbe = db.prepare(`
    INSERT INTO probe_reading (id, holder_id, from_ms, to_ms, min_c, max_c, recorded_ms)
    VALUES (@id, @holderId, @fromMs, @toMs, @minC, @maxC, @nowMs)`);
  const weighings = db.prepare<unknown[], WeighingRow>(
    `SELECT id, at_ms, grams, full, recorded_ms FROM weighing w WHERE holder_id = ? AND ${standing('w')} ORDER BY at_ms, rowid`,
  );
  const insertWeighing = db.prepare('INSERT INTO weighing (id, holder_id, at_ms, grams, full, recorded_ms) VALUES (?, ?, ?, ?, ?, ?)');
  // Water that all that is inside were given together, ml.
  const doses = db.prepare<unknown[], { ml: number }>(`
    SELECT coalesce(sum(dose_ml), 0) AS ml FROM (SELECT DISTINCT b.id, b.dose_ml FROM carrier_place ever JOIN carrier t ON t.id = ever.carrier_id
      JOIN batch b ON b.id = t.batch_id JOIN carrier_place p ON p.rowid = ${liesIn('t.id')}
    WHERE ever.holder_id = @id AND p.holder_id = @id AND NOT ${untucked('b.id')})`);

  function get(id: string): HolderRow {
    const row = one.get(id);
    if (!row) throw Problem.unknown('bag');
    const changed = closures.all(id)[0];
    return { ...row, closure: changed?.closure ?? row.closure };
  }
  const placesOf = (id: string) => places.all(id);
  const batchesIn = (id: string) => inside.all({ id });
  const weighed = (id: string) => weighings.all(id);
  return {
    has: (id: string): boolean => one.get(id) !== undefined,
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
      place.run(uuid(), id, spotId, fromMs, nowMs);
    },
    /** Another closing from a moment on. */
    close(id: string, entryId: string, closure: Closure, atMs: number, nowMs: number): void {
      get(id);
      insertClosure.run(entryId, id, closure, atMs, nowMs);
    },
    /** When the bag was first there, ms: nothing of it lies before. */
    sinceMs: (id: string): number => placesOf(id)[0]?.from_ms ?? 0,
    /** Lines of the bag's own journal, each with its name; its first place came with it. */
    lines: (id: string): HolderLines => ({
      places: placesOf(id),
      closures: closures.all(id),
      probes: probe.all(id, 0, Number.MAX_SAFE_INTEGER),
      weighings: weighed(id),
    }),
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
    weigh(holderId: string, { id, grams, full }: { id: string; grams: number; full: boolean }, atMs: number, nowMs: number): void {
      get(holderId);
      if (!full && !weighed(holderId).some((one) => one.full === 1 && one.at_ms <= atMs)) {
        throw Problem.field('full', 'full must be true the first time: weigh the bag once when it was just given its water');
      }
      insertWeighing.run(id, holderId, atMs, grams, full ? 1 : 0, nowMs);
    },
    /** What the scale said, as shares of the water that the bag was given. */
    sharesLeft(id: string): { atMs: number; shareLeft: number; fullMs: number }[] {
      const { ml } = certain(doses.get({ id }));
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
    /** The bag to another spot from a moment on. */
    move(id: string, entryId: string, spotId: string, atMs: number, nowMs: number): void {
      get(id);
      place.run(entryId, id, spotId, atMs, nowMs);
    },
  };
}
export type HolderStore = ReturnType<typeof holderStore>;
