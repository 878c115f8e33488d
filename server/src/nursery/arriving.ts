import { methodOf } from '@fresh-tuck/core/method';
import { standsIn, type Destination } from '@fresh-tuck/core/moving';
import { hasTipped, parcelState, type ParcelState } from '@fresh-tuck/core/parcel';
import type { BatchRow } from '../batches/row.js';
import type { BatchStore } from '../batches/store.js';
import { looksOf, movesOf, seedsOf } from '../journal/read.js';
import type { JournalStore } from '../journal/store.js';

interface Batches {
  readonly batches: BatchStore;
  readonly journal: JournalStore;
}

/** An open batch with what shows of it and was not moved yet. */
export interface Arriving {
  readonly row: BatchRow;
  /** Seeds that were touched, by number, and those only counted. */
  readonly seeds: readonly number[];
  readonly counted: number;
  /** Where they stand already; null where they are moved from a towel or a glass. */
  readonly stands: Destination | null;
  /** What it was begun for. */
  readonly aim: Destination | null;
}

const showing = (state: ParcelState): { readonly seeds: readonly number[]; readonly counted: number } => ({
  seeds: state.seeds.filter(({ stage, moved }) => hasTipped(stage) && !moved).map(({ seed }) => seed),
  counted: state.counted.reduce((sum, { count }) => sum + count, 0),
});

/** What a batch brings to the nursery. */
export function arrivingOf({ batches, journal }: Batches, id: string): Arriving {
  const row = batches.get(id);
  const entries = journal.entries(id);
  const aim = batches.aimOf(row).destination;
  const { event } = methodOf(row.method);
  return {
    row,
    ...showing(parcelState(seedsOf(row, entries), row.start_ms, looksOf(entries), movesOf(entries))),
    stands: event === 'emergence' ? standsIn(row.method, aim) : null,
    aim,
  };
}

/** Open batches for plants of which something shows: those that came up where they were sown, and those meant for a bed. */
export const allArriving = (stores: Batches): Arriving[] =>
  stores.batches
    .liveIds()
    .filter((id) => {
      const row = stores.batches.get(id);
      return row.purpose === 'plants' && (methodOf(row.method).event === 'emergence' || stores.batches.aimOf(row).destination === 'bed');
    })
    .map((id) => arrivingOf(stores, id))
    .filter(({ seeds, counted }) => seeds.length + counted > 0);
