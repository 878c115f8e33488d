import { pastBatchOf, type PastBatch, type PastFate } from '@fresh-tuck/core/trials';
import type { BatchEnd } from '../batches/row.js';
import { all } from '../db/statements.js';
import { spotOf } from '../forecasts/facts.js';
import type { Reader } from '../forecasts/reader.js';
import type { HouseholdRecord } from '../household/store.js';
import { countingOf } from '../journal/read.js';
import { LIVED, LOST, MOVED } from '../nursery/standing.js';
import { RECORD_REACH_MS } from '../spots/store.js';

interface FateRow extends PastFate {
  readonly batch_id: string;
}
/** A batch in its figures, or nothing where it was begun to learn a packet's rate. */
type Kept = { readonly past: PastBatch | null };

/**
 * Finished batches in their figures. Each is read once, when it has closed; what is kept
 * lies beside the database and can be worked out anew.
 */
export function pastBatches(reader: Reader) {
  const { batches, cache, db, forecasts, journal, packets } = reader;
  const fateRows = all<FateRow, []>(
    db,
    `SELECT e.batch_id, coalesce(sum(${LIVED}), 0) AS lived, coalesce(sum(${LOST}), 0) AS died,
        coalesce(sum(now.left_as IS 'composted'), 0) AS composted
      FROM entry e JOIN cup c ON c.entry_id = e.id AND c.planted = 0 JOIN seedling_now now ON now.cup_number = c.number
      WHERE e.kind = 'move' AND ${MOVED} GROUP BY e.batch_id`,
  );
  const nameOf = ({ id }: BatchEnd): string => `past ${id}`;

  function read(end: BatchEnd, household: HouseholdRecord): Kept {
    const row = batches.get(end.id);
    if (row.purpose === 'test') return { past: null };
    const { facts, book } = forecasts.finished(row, household, end.atMs);
    const entries = journal.entries(end.id);
    const { printed_days_low: low, printed_days_high: high } = packets.get(end.packetId);
    const labels = {
      ...{ id: end.id, number: row.number, packet: end.packetId, spot: spotOf(row, reader) },
      reason: countingOf(entries, 'close').at(-1)?.reason ?? null,
      packetDays: low === null || high === null ? null : ([low, high] as const),
      snapped: countingOf(entries, 'move').reduce((sum, { move }) => sum + move.rooted.snapped, 0),
    };
    return { past: pastBatchOf(facts, book, end.atMs, labels) };
  }

  return {
    /** Finished batches in their figures: those that were not read yet are, for so long, ms; and how many are left. */
    all(household: HouseholdRecord, budgetMs: number): { readonly past: PastBatch[]; readonly left: number } {
      const untilMs = performance.now() + budgetMs;
      const found: PastBatch[] = [];
      let left = 0;
      for (const end of forecasts.ends()) {
        const [name, key] = [nameOf(end), forecasts.endKey(end, household)];
        let kept = cache.get<Kept>(name, key);
        if (kept === null && performance.now() > untilMs) {
          left++;
          continue;
        }
        if (kept === null) {
          kept = read(end, household);
          cache.set(name, key, { fromMs: batches.get(end.id).start_ms - RECORD_REACH_MS, toMs: end.atMs }, kept);
        }
        if (kept.past) found.push(kept.past);
      }
      return { past: found, left };
    },
    /** What became of every batch's sprouts. */
    fates(): (id: string) => PastFate {
      const byBatch = new Map(fateRows().map(({ batch_id, ...fate }) => [batch_id, fate]));
      return (id) => byBatch.get(id) ?? { lived: 0, died: 0, composted: 0 };
    },
  };
}
