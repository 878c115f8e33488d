import { pastBatchOf, type PastBatch, type PastFate } from '@fresh-tuck/core/trials';
import type { BatchEnd } from '../batches/row.js';
import { spotOf } from '../forecasts/facts.js';
import type { Reader } from '../forecasts/reader.js';
import type { HouseholdRecord } from '../household/store.js';
import { countingOf } from '../journal/read.js';
import { RECORD_REACH_MS } from '../spots/store.js';

/** A batch in its figures, or nothing where it was begun to learn a packet's rate. */
type Kept = { readonly past: PastBatch | null };

/**
 * Finished batches in their figures. Each is read once, when it has closed; what is kept
 * lies beside the database and can be worked out anew.
 */
export function pastBatches(reader: Reader) {
  const { batches, cache, forecasts, journal, nursery, packets } = reader;
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
      const byBatch = new Map(nursery.fatesByBatch().map(({ batchId, ...fate }) => [batchId, fate]));
      return (id) => byBatch.get(id) ?? { lived: 0, died: 0, composted: 0 };
    },
  };
}
