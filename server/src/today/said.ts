import { DateTime } from 'luxon';
import type { Batch, Today } from '@fresh-tuck/contract';
import type { Words } from '@fresh-tuck/core/units';
import type { Database } from '../db/database.js';

interface SaidRow {
  readonly batch_id: string;
  readonly at_ms: number;
  readonly verdict: string;
  readonly next_ms: number;
  readonly lead: string;
}

/** What is told of a batch. */
export interface Told {
  readonly batchId: string;
  readonly verdict: string;
  readonly nextMs: number;
  readonly lead: string;
}

/** A look this much sooner or later is another thing to plan for. */
const WORTH_SAYING_MS = 2 * 3_600_000;

/** What Today told, day by day. */
export function saidStore(db: Database) {
  const insert = db.prepare('INSERT INTO said (batch_id, at_ms, model, verdict, next_ms, lead) VALUES (?, ?, ?, ?, ?, ?)');
  const since = db.prepare<unknown[], SaidRow>(
    'SELECT batch_id, at_ms, verdict, next_ms, lead FROM said WHERE at_ms >= ? AND at_ms <= ? ORDER BY at_ms',
  );
  const readings = db.prepare<unknown[], { spotId: string; name: string }>(`
    SELECT s.id AS spotId, s.name FROM reading r JOIN spot s ON s.id = r.spot_id WHERE r.recorded_ms > ? AND r.recorded_ms <= ? ORDER BY r.recorded_ms`);
  const places = db.prepare<unknown[], { holderId: string }>(
    'SELECT holder_id AS holderId FROM holder_place WHERE recorded_ms > ? AND recorded_ms <= ?',
  );
  const dayOf = (nowMs: number, zone: string): number => DateTime.fromMillis(nowMs, { zone }).startOf('day').toMillis();

  /** The first thing told of each batch on a day. */
  function first(nowMs: number, zone: string): Map<string, SaidRow> {
    const rows = since.all(dayOf(nowMs, zone), nowMs);
    const result = new Map<string, SaidRow>();
    for (const row of rows) if (!result.has(row.batch_id)) result.set(row.batch_id, row);
    return result;
  }

  /** What may have made the difference since. */
  function cause(batch: Batch, sinceMs: number, nowMs: number): string {
    const read = readings.all(sinceMs, nowMs);
    const moved = places.all(sinceMs, nowMs);
    if (moved.some(({ holderId }) => holderId === batch.holder.id)) return 'Its bag stands somewhere else now.';
    if (read.some(({ spotId }) => spotId === batch.holder.spotId)) return `The thermometer at ${batch.holder.spotName} says otherwise.`;
    return 'A setting, a packet or another parcel of the bag changed.';
  }

  return {
    first,
    /** Keeps what is told now for every batch that was not told of today. */
    keep(all: readonly Told[], nowMs: number, zone: string, model: string): void {
      const told = first(nowMs, zone);
      for (const { batchId, verdict, nextMs, lead } of all) {
        if (!told.has(batchId)) insert.run(batchId, nowMs, model, verdict, nextMs, lead);
      }
    },
    /** What differs from what was told first today, of batches that nobody has looked at since. */
    changes(batches: readonly Batch[], nowMs: number, zone: string, words: Words): Today['changes'] {
      const told = first(nowMs, zone);
      return batches.flatMap((batch) => {
        const before = told.get(batch.id);
        if (!before || (batch.lastLookMs ?? 0) >= before.at_ms) return [];
        // A look that has simply come due is what was said.
        const asked = Math.max(batch.answers.next.atMs, nowMs);
        const said = Math.max(before.next_ms, nowMs);
        const sooner = said - asked;
        if (Math.abs(sooner) < WORTH_SAYING_MS) return [];
        const when = (ms: number): string => (ms <= nowMs ? 'now' : words.when(ms));
        return [
          {
            batchId: batch.id,
            number: batch.number,
            title: batch.title,
            text: `Earlier today it said ${when(before.next_ms)}; now it says ${when(batch.answers.next.atMs)}. ${cause(batch, before.at_ms, nowMs)}`,
          },
        ];
      });
    },
  };
}
export type SaidStore = ReturnType<typeof saidStore>;
