import type { Stay } from '@fresh-tuck/core/warmth';
import type { CropStore } from '../crops/store.js';
import type { HolderStore } from '../holders/store.js';
import type { PacketStore } from '../packets/store.js';
import type { SpotRecord, SpotStore } from '../spots/store.js';
import type { WarmSpots } from '../spots/warm.js';
import type { JournalStore } from '../journal/store.js';
import type { BatchRow } from '../batches/row.js';
import type { BatchStore } from '../batches/store.js';

/** What facts are gathered from. */
export interface Stores {
  readonly batches: BatchStore;
  readonly crops: CropStore;
  readonly holders: HolderStore;
  readonly journal: JournalStore;
  readonly packets: PacketStore;
  readonly spots: SpotStore;
  readonly warm: WarmSpots;
}

/** The bag that a batch lies in now, or lay in last. */
export const holderOf = (row: BatchRow, { batches }: Pick<Stores, 'batches'>): string =>
  batches.placesOf(row.carrier_id).at(-1)?.holder_id ?? '';

/** The spot that its bag stands in now, or stood in last. */
export const spotOf = (row: BatchRow, stores: Pick<Stores, 'batches' | 'holders'>): string =>
  stores.holders.placesOf(holderOf(row, stores)).at(-1)?.spot_id ?? '';

/** Places from a start on: what was last said before it holds from then, as where the start was corrected. */
function sinceStart<Place extends { readonly from_ms: number }>(places: readonly Place[], startMs: number): Place[] {
  const last = places.findLastIndex(({ from_ms }) => from_ms <= startMs);
  return places.slice(Math.max(last, 0)).map((place, nth) => (nth === 0 ? { ...place, from_ms: startMs } : place));
}

/** A place's record of a stay. */
export type RecordOf = (spotId: string, fromMs: number, toMs: number) => Pick<SpotRecord, 'readings' | 'guess'>;

/** Where a batch stood, and from when to when. */
interface Stood {
  readonly holderId: string;
  readonly spotId: string;
  readonly fromMs: number;
  readonly toMs: number;
}

/**
 * Where a batch stood when.
 *
 * @param untilMs when it was closed; Infinity while it is open
 */
export function stoodAt(row: BatchRow, { batches, holders }: Pick<Stores, 'batches' | 'holders'>, untilMs: number): Stood[] {
  const carrierPlaces = sinceStart(batches.placesOf(row.carrier_id), row.start_ms);
  return carrierPlaces.flatMap((place, index) => {
    const leftMs = Math.min(carrierPlaces[index + 1]?.from_ms ?? Infinity, untilMs);
    const inHolder = holders.placesOf(place.holder_id);
    // Where the bag already stood when it came, its last place before counts from then.
    const before = inHolder.findLast(({ from_ms }) => from_ms <= place.from_ms) ?? inHolder[0];
    // A batch that was closed at once still stood somewhere.
    const after = inHolder.filter(({ from_ms }) => from_ms > place.from_ms && from_ms < leftMs && from_ms !== before?.from_ms);
    const stood = [
      ...(before ? [{ spotId: before.spot_id, fromMs: place.from_ms }] : []),
      ...after.map((p) => ({ spotId: p.spot_id, fromMs: p.from_ms })),
    ];
    return stood.map(({ spotId, fromMs }, nth) => ({
      holderId: place.holder_id,
      spotId,
      fromMs,
      toMs: stood[nth + 1]?.fromMs ?? leftMs,
    }));
  });
}

/**
 * Where a batch was when, as stays with what their thermometers said meanwhile.
 *
 * @param untilMs when it was closed; Infinity while it is open
 */
export function staysOf(row: BatchRow, stores: Stores, untilMs: number, recordOf: RecordOf = stores.warm.record): Stay[] {
  return stoodAt(row, stores, untilMs).map(({ holderId, spotId, fromMs, toMs }) => {
    const { readings, guess } = recordOf(spotId, fromMs, toMs);
    // The bag's own probe knows better than the place's thermometer: where both cover an hour, it counts.
    return { fromMs, readings: [...readings, ...stores.holders.probed(holderId, fromMs, toMs)], guess };
  });
}
