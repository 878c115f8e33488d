import type { Aim, batchRequest } from '@fresh-tuck/contract';
import { methodOf, paneOf, type CarrierKind, type MethodId, type Pane } from '@fresh-tuck/core/method';
import type { SecondStep } from '@fresh-tuck/core/parcel';
import type * as z from 'zod';
import type { Database } from '../db/database.js';
import { all, first, value, write } from '../db/statements.js';
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
  readonly soak_until_ms: number | null;
  /** JSON of what was agreed; null where nothing was. */
  readonly second_step: string | null;
  readonly prepared: string;
  readonly method: MethodId;
  readonly purpose: 'plants' | 'test';
  readonly final_ms: number | null;
  readonly aim: string;
  readonly dose_ml: number;
  /** Its only carrier, or the first of a test's. */
  readonly carrier_id: string;
  readonly carrier_kind: CarrierKind;
  readonly width_mm: number | null;
  readonly height_mm: number | null;
  readonly places: number | null;
}

/** A closing, or a test's final count, that counts. */
export interface BatchEnd {
  /** Of the batch. */
  readonly id: string;
  readonly endId: string;
  /** The last line of its journal: names what it holds. */
  readonly lastEntry: number;
  readonly atMs: number;
  readonly packetId: string;
  readonly cropId: string;
}

interface NewBatch extends Omit<BatchRow, 'carrier_id' | 'carrier_kind' | 'width_mm' | 'height_mm' | 'places'> {
  readonly taken: number | null;
  readonly recorded_ms: number;
}
interface NewCarrier extends Pick<BatchRow, 'width_mm' | 'height_mm' | 'places'> {
  readonly id: string;
  readonly batch_id: string;
  readonly kind: CarrierKind;
  readonly plies: number | null;
  readonly seeds: number | null;
}

const CLOSED = `EXISTS (SELECT 1 FROM entry e WHERE e.batch_id = b.id AND e.kind = 'close'
  AND NOT EXISTS (SELECT 1 FROM entry u WHERE u.supersedes = e.id))`;
const DAY_MS = 86_400_000;

/** Batches and what their seed lies in. */
export function batchStore(db: Database) {
  const one = first<BatchRow, [string]>(
    db,
    `SELECT b.*, c.id AS carrier_id, c.kind AS carrier_kind, c.width_mm, c.height_mm, c.places FROM batch b
    JOIN carrier c ON c.rowid = (SELECT min(rowid) FROM carrier WHERE batch_id = b.id) WHERE b.id = ?`,
  );
  const live = all<{ readonly id: string }, []>(db, `SELECT b.id FROM batch b WHERE NOT ${CLOSED} ORDER BY b.number`);
  // A later live batch of the same packet: the lot is topped up or begun again already.
  const following = value<number, [string, number, string]>(
    db,
    `SELECT b.number FROM batch b WHERE b.packet_id = ? AND b.start_ms > ? AND b.id <> ? AND NOT ${CLOSED} ORDER BY b.number DESC LIMIT 1`,
  );
  const names = all<{ readonly id: string; readonly number: number; readonly packetId: string; readonly closed: 0 | 1 }, []>(
    db,
    `SELECT b.id, b.number, b.packet_id AS packetId, ${CLOSED} AS closed FROM batch b ORDER BY b.number DESC`,
  );
  const count = value<number, []>(db, 'SELECT count(*) FROM batch');
  // What ended batches: their closings, and the counts of tests, which have told theirs closed or not.
  const ends = all<BatchEnd, []>(
    db,
    `SELECT e.batch_id AS id, e.id AS endId, e.at_ms AS atMs,
      (SELECT max(l.rowid) FROM entry l WHERE l.batch_id = b.id) AS lastEntry, b.packet_id AS packetId, p.crop_id AS cropId
    FROM (SELECT rowid AS at, * FROM entry WHERE kind = 'close'
      UNION ALL SELECT e.rowid AS at, e.* FROM entry e WHERE e.id IN (SELECT DISTINCT entry_id FROM class_count)) e
      JOIN batch b ON b.id = e.batch_id JOIN packet p ON p.id = b.packet_id
    WHERE NOT EXISTS (SELECT 1 FROM entry u WHERE u.supersedes = e.id) ORDER BY e.at_ms DESC, e.at DESC`,
  );
  const insert = write<[NewBatch]>(
    db,
    `INSERT INTO batch (id, number, token, packet_id, method, purpose, seeds, taken, wanted, start_ms, chill_until_ms, soak_until_ms,
      second_step, prepared, dose_ml, final_ms, aim, recorded_ms)
    VALUES (@id, @number, @token, @packet_id, @method, @purpose, @seeds, @taken, @wanted, @start_ms, @chill_until_ms, @soak_until_ms,
      @second_step, @prepared, @dose_ml, @final_ms, @aim, @recorded_ms)`,
  );
  const insertCarrier = write<[NewCarrier]>(
    db,
    `INSERT INTO carrier (id, batch_id, kind, width_mm, height_mm, plies, places, seeds)
    VALUES (@id, @batch_id, @kind, @width_mm, @height_mm, @plies, @places, @seeds)`,
  );
  const place = write<[string, string, number]>(db, 'INSERT INTO carrier_place (carrier_id, holder_id, from_ms) VALUES (?, ?, ?)');
  const carriers = all<{ readonly id: string; readonly seeds: number | null }, [string]>(
    db,
    'SELECT id, seeds FROM carrier WHERE batch_id = ? ORDER BY rowid',
  );
  // What was said later counts from its moment on, also over what a clock that ran ahead had dated beyond it.
  const places = all<{ readonly holder_id: string; readonly from_ms: number }, [string]>(
    db,
    `SELECT holder_id, from_ms FROM carrier_place p WHERE carrier_id = ?
      AND NOT EXISTS (SELECT 1 FROM carrier_place q WHERE q.carrier_id = p.carrier_id AND q.rowid > p.rowid AND q.from_ms <= p.from_ms)
    ORDER BY from_ms, rowid`,
  );

  return {
    get(id: string): BatchRow {
      const row = one(id);
      if (!row) throw Problem.unknown('batch');
      return row;
    },
    liveIds: (): string[] => live().map(({ id }) => id),
    /** What ended batches, the latest first; a batch that was counted and closed stands twice. */
    ends,
    /** Every batch by number alone, for finding; the newest first. */
    names,
    followedBy: (packetId: string, startMs: number, id: string): number | null => following(packetId, startMs, id) ?? null,
    count: (): number => count() ?? 0,
    /** Lays a batch into another bag from now on. */
    rebag: (batchId: string, holderId: string, nowMs: number): void => {
      for (const { id } of carriers(batchId)) place(id, holderId, nowMs);
    },
    /** Seeds in each carrier, in their order. */
    replicatesOf: (row: BatchRow): number[] => carriers(row.id).map(({ seeds }) => seeds ?? row.seeds),
    /** The pane that a batch is drawn on, mm. */
    paneOf: ({ method, width_mm, height_mm, places: held, seeds }: BatchRow): Pane =>
      width_mm !== null && height_mm !== null ? { widthMm: width_mm, heightMm: height_mm } : paneOf(methodOf(method), held ?? seeds),
    secondOf: ({ second_step }: BatchRow): SecondStep | null => (second_step === null ? null : (JSON.parse(second_step) as SecondStep)),
    aimOf: (row: BatchRow): Aim => ({ plants: null, destination: null, target: null, ...(JSON.parse(row.aim) as Partial<Aim>) }),
    placesOf: places,
    add(
      request: z.output<typeof batchRequest>,
      facts: {
        number: number;
        token: string;
        startMs: number;
        soakUntilMs: number | null;
        secondStep: SecondStep | null;
        newId: () => string;
        holderId: string;
        nowMs: number;
      },
    ): void {
      const { id, seeds, replicates, chillDays, finalDays } = request;
      const daysOn = (days: number | null): number | null => (days === null ? null : facts.startMs + days * DAY_MS);
      insert({
        id,
        number: facts.number,
        token: facts.token,
        packet_id: request.packetId,
        method: request.method,
        purpose: request.purpose,
        seeds,
        taken: request.taken,
        wanted: request.wanted,
        start_ms: facts.startMs,
        chill_until_ms: daysOn(chillDays),
        soak_until_ms: facts.soakUntilMs,
        second_step: facts.secondStep && JSON.stringify(facts.secondStep),
        prepared: JSON.stringify(request.prepared),
        dose_ml: request.doseMl,
        final_ms: daysOn(finalDays),
        aim: JSON.stringify(request.aim),
        recorded_ms: facts.nowMs,
      });
      const sheet = 'towel' in request ? request.towel : null;
      for (let nth = 0; nth < replicates; nth++) {
        const share = Math.floor(seeds / replicates) + (nth < seeds % replicates ? 1 : 0);
        const carrierId = facts.newId();
        insertCarrier({
          id: carrierId,
          batch_id: id,
          kind: methodOf(request.method).carrier,
          width_mm: sheet?.widthMm ?? null,
          height_mm: sheet?.heightMm ?? null,
          plies: sheet?.plies ?? null,
          places: 'places' in request ? request.places : null,
          seeds: replicates === 1 ? null : share,
        });
        place(carrierId, facts.holderId, facts.startMs);
      }
    },
  };
}
export type BatchStore = ReturnType<typeof batchStore>;
