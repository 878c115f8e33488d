import type { Aim, Batch, batchRequest, LINK_KINDS } from '@fresh-tuck/contract';
import { USUAL_SETUP, type Setup } from '@fresh-tuck/core/carrier';
import { methodOf, paneOf, type Pane } from '@fresh-tuck/core/method';
import type { SecondStep } from '@fresh-tuck/core/parcel';
import { v7 as uuid } from 'uuid';
import type * as z from 'zod';
import type { Database } from '../db/database.js';
import { pastStamp } from '../db/past-stamp.js';
import { all, first, value, write } from '../db/statements.js';
import { closed, counting, happened, stood, untucked } from '../db/standing.js';
import { Problem } from '../http/problem.js';
import type { Amended } from '../journal/entry.js';
import type { BatchEnd, BatchRow, CarrierPlace, NewBatch, NewCarrier } from './row.js';

/** Open and standing: neither closed nor taken back. */
const LIVE = `NOT ${closed('b.id')} AND NOT ${untucked('b.id')}`;
const DAY_MS = 86_400_000;

/** Columns of a batch's own row that a correction may rewrite; what it lies in is its carrier's. */
const ROW_COLUMNS = [
  'packet_id',
  'start_ms',
  'prepared',
  'chill_until_ms',
  'soak_until_ms',
  'method',
  'wanted',
  'aim',
  'final_ms',
] as const satisfies readonly (keyof Amended)[];
/** Drawn where seed turns out to lie on a towel that nobody measured. */
const USUAL_PANE = { widthMm: 140, heightMm: 110, plies: 2 } as const;

/** Batches and what their seed lies in. */
export function batchStore(db: Database) {
  const one = first<BatchRow, [string]>(
    db,
    `SELECT b.*, c.id AS carrier_id, c.kind AS carrier_kind, c.width_mm, c.height_mm, c.places, c.medium FROM batch b
    JOIN carrier c ON c.rowid = (SELECT min(rowid) FROM carrier WHERE batch_id = b.id) WHERE b.id = ?`,
  );
  const idByToken = value<string, [string]>(db, `SELECT b.id FROM batch b WHERE b.token = ? AND NOT ${untucked('b.id')}`);
  const live = all<{ readonly id: string }, []>(db, `SELECT b.id FROM batch b WHERE ${LIVE} ORDER BY b.number`);
  // A later live batch of the same packet: the lot is topped up or begun again already.
  const following = value<number, [string, number, string]>(
    db,
    `SELECT b.number FROM batch b WHERE b.packet_id = ? AND b.start_ms > ? AND b.id <> ? AND ${LIVE} ORDER BY b.number DESC LIMIT 1`,
  );
  const names = all<{ readonly id: string; readonly number: number; readonly packetId: string; readonly closed: 0 | 1 }, []>(
    db,
    `SELECT b.id, b.number, b.packet_id AS packetId, ${closed('b.id')} AS closed FROM batch b WHERE NOT ${untucked('b.id')} ORDER BY b.number DESC`,
  );
  const count = value<number, []>(db, `SELECT count(*) FROM batch b WHERE NOT ${untucked('b.id')}`);
  // What ended batches: their closings, and the counts of tests, which have told theirs closed or not.
  const ends = all<BatchEnd, []>(
    db,
    `SELECT e.batch_id AS id, e.id AS endId, ${happened('e')} AS atMs,
      (SELECT max(l.rowid) FROM entry l WHERE l.batch_id = b.id) AS lastEntry, b.packet_id AS packetId, p.crop_id AS cropId
    FROM (SELECT rowid AS at, * FROM entry WHERE kind = 'close'
      UNION ALL SELECT e.rowid AS at, e.* FROM entry e WHERE e.id IN (SELECT DISTINCT entry_id FROM class_count)) e
      JOIN batch b ON b.id = e.batch_id JOIN packet p ON p.id = b.packet_id
    WHERE ${counting('e')} AND NOT ${untucked('b.id')} ORDER BY atMs DESC, e.at DESC`,
  );
  const past = pastStamp(db);
  const insert = write<[NewBatch]>(
    db,
    `INSERT INTO batch (id, number, token, packet_id, method, purpose, seeds, taken, wanted, start_ms, chill_until_ms, soak_until_ms,
      second_step, prepared, dose_ml, final_ms, aim, recorded_ms, damped, wet, light, chilled_days, chill_dry, from_id, from_kind)
    VALUES (@id, @number, @token, @packet_id, @method, @purpose, @seeds, @taken, @wanted, @start_ms, @chill_until_ms, @soak_until_ms,
      @second_step, @prepared, @dose_ml, @final_ms, @aim, @recorded_ms, @damped, @wet, @light, @chilled_days, @chill_dry, @from_id, @from_kind)`,
  );
  const insertCarrier = write<[NewCarrier]>(
    db,
    `INSERT INTO carrier (id, batch_id, kind, width_mm, height_mm, plies, places, seeds, medium)
    VALUES (@id, @batch_id, @kind, @width_mm, @height_mm, @plies, @places, @seeds, @medium)`,
  );
  const place = write<[string, string, string, number, number]>(
    db,
    'INSERT INTO carrier_place (id, carrier_id, holder_id, from_ms, recorded_ms) VALUES (?, ?, ?, ?, ?)',
  );
  const carriers = all<{ readonly id: string; readonly seeds: number | null }, [string]>(
    db,
    'SELECT id, seeds FROM carrier WHERE batch_id = ? ORDER BY rowid',
  );
  const places = all<CarrierPlace, [string]>(
    db,
    `SELECT id, holder_id, from_ms, recorded_ms FROM carrier_place p WHERE carrier_id = ? AND ${stood('carrier_place', 'carrier_id', 'p')}
    ORDER BY from_ms, rowid`,
  );

  const alsoFrom = write<[string, string, number]>(db, 'INSERT INTO batch_packet (batch_id, packet_id, seeds) VALUES (?, ?, ?)');
  const followers = all<{ readonly batchId: string; readonly number: number; readonly kind: (typeof LINK_KINDS)[number] }, [string]>(
    db,
    `SELECT b.id AS batchId, b.number, b.from_kind AS kind FROM batch b WHERE b.from_id = ? AND NOT ${untucked('b.id')} ORDER BY b.number`,
  );

  const setColumn = Object.fromEntries(
    ROW_COLUMNS.map((column) => [column, write<[string | number | null, string]>(db, `UPDATE batch SET ${column} = ? WHERE id = ?`)]),
  ) as Record<(typeof ROW_COLUMNS)[number], (said: string | number | null, id: string) => number>;
  const setKind = write<[string, string]>(db, 'UPDATE carrier SET kind = ? WHERE batch_id = ?');
  const layOut = write<[number, number, number, string]>(
    db,
    'UPDATE carrier SET width_mm = coalesce(width_mm, ?), height_mm = coalesce(height_mm, ?), plies = coalesce(plies, ?) WHERE batch_id = ?',
  );

  return {
    get(id: string): BatchRow {
      const row = one(id);
      if (!row) throw Problem.unknown('batch');
      // What was tucked in in its place has its label now; it is still told by its number.
      return row.number < 0 ? { ...row, number: -row.number, label_gone: true } : row;
    },
    /** A batch by what its label's code says; one that was taken back has no label any more. */
    byToken: (token: string): BatchRow | null => one(idByToken(token) ?? '') ?? null,
    liveIds: (): string[] => live().map(({ id }) => id),
    /** The same for as long as what ended batches and former plants tell is. */
    pastStamp: past,
    /** What ended batches, the latest first; a batch that was counted and closed stands twice. */
    ends,
    /** Every batch by number alone, for finding; the newest first. */
    names,
    followedBy: (packetId: string, startMs: number, id: string): number | null => following(packetId, startMs, id) ?? null,
    count: (): number => count() ?? 0,
    /** Lays a batch into another bag from a moment on; replicates go together, the first one's line names the act. */
    rebag: (batchId: string, entryId: string, holderId: string, atMs: number, nowMs: number): void => {
      carriers(batchId).forEach(({ id }, nth) => place(nth === 0 ? entryId : uuid(), id, holderId, atMs, nowMs));
    },
    /** Lines of the same act on a batch's other carriers. */
    alongside: (batchId: string, entryId: string): string[] => {
      const [first, ...rest] = carriers(batchId).map(({ id }) => places(id));
      const line = first?.find(({ id }) => id === entryId);
      if (!line) return [];
      return rest.flatMap((own) =>
        own.filter(({ from_ms, recorded_ms }) => from_ms === line.from_ms && recorded_ms === line.recorded_ms).map(({ id }) => id),
      );
    },
    /** Batches that follow one: begun again, or split off. */
    followers,
    /** The batch that one follows, and the days between the first start of the chain and its own; null where it is a first try. */
    fromOf(row: BatchRow): Batch['from'] {
      if (row.from_id === null || row.from_kind === null) return null;
      const from = one(row.from_id);
      if (!from) return null;
      let first = from;
      // A chain is short, and never a ring: each follows one with a smaller number.
      while (first.from_id !== null && first.from_kind === 'restart') first = one(first.from_id) ?? { ...first, from_id: null };
      return {
        batchId: from.id,
        number: from.number,
        kind: row.from_kind,
        daysLost: row.from_kind === 'restart' ? Math.max(Math.round((row.start_ms - first.start_ms) / DAY_MS), 0) : 0,
      };
    },
    /** How it was laid, as the forecast has it. */
    setupOf: ({ medium, damped, wet, light }: BatchRow): Setup => ({
      medium: medium ?? USUAL_SETUP.medium,
      damped: damped ?? USUAL_SETUP.damped,
      wet: wet ?? USUAL_SETUP.wet,
      light,
    }),
    /** Seeds in each carrier, in their order. */
    replicatesOf: (row: BatchRow): number[] => carriers(row.id).map(({ seeds }) => seeds ?? row.seeds),
    /** The pane that a batch is drawn on, mm. */
    paneOf: ({ method, width_mm, height_mm, places: held, seeds }: BatchRow): Pane =>
      width_mm !== null && height_mm !== null ? { widthMm: width_mm, heightMm: height_mm } : paneOf(methodOf(method), held ?? seeds),
    secondOf: ({ second_step }: BatchRow): SecondStep | null => (second_step === null ? null : (JSON.parse(second_step) as SecondStep)),
    aimOf: (row: BatchRow): Aim => ({ plants: null, destination: null, target: null, ...(JSON.parse(row.aim) as Partial<Aim>) }),
    placesOf: places,
    /** Lays corrected columns into a batch's row; what they were before stands in its journal. */
    rewrite(batchId: string, columns: Partial<Amended>): void {
      if (columns.carrier_kind === 'towel') layOut(USUAL_PANE.widthMm, USUAL_PANE.heightMm, USUAL_PANE.plies, batchId);
      for (const [column, said] of Object.entries(columns) as [keyof Amended, string | number | null][]) {
        if (column === 'carrier_kind') setKind(String(said), batchId);
        else setColumn[column](said, batchId);
      }
    },
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
        from?: { readonly id: string; readonly kind: (typeof LINK_KINDS)[number]; readonly chillUntilMs?: number | null };
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
        chill_until_ms: facts.from?.chillUntilMs === undefined ? daysOn(chillDays) : facts.from.chillUntilMs,
        soak_until_ms: facts.soakUntilMs,
        second_step: facts.secondStep && JSON.stringify(facts.secondStep),
        prepared: JSON.stringify(request.prepared),
        dose_ml: request.doseMl,
        final_ms: daysOn(finalDays),
        aim: JSON.stringify(request.aim),
        recorded_ms: facts.nowMs,
        damped: request.damped,
        wet: request.wet,
        light: request.light,
        chilled_days: request.chilledDays,
        chill_dry: request.chillDry ? 1 : 0,
        from_id: facts.from?.id ?? null,
        from_kind: facts.from?.kind ?? null,
      });
      if (request.also) alsoFrom(id, request.also.packetId, request.also.seeds);
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
          medium: sheet?.medium ?? null,
          places: 'places' in request ? request.places : null,
          seeds: replicates === 1 ? null : share,
        });
        place(uuid(), carrierId, facts.holderId, facts.startMs, facts.nowMs);
      }
    },
  };
}
export type BatchStore = ReturnType<typeof batchStore>;
