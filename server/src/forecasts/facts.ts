import type { Stay } from '@fresh-tuck/core/warmth';
import { testResult, type TestResult } from '@fresh-tuck/core/seedtest';
import type { CropStore } from '../crops/store.js';
import type { HolderStore } from '../holders/store.js';
import type { PacketStore } from '../packets/store.js';
import type { SpotRecord, SpotStore } from '../spots/store.js';
import type { Entry, JournalStore } from '../batches/journal.js';
import type { BatchRow, BatchStore } from '../batches/store.js';

/** What facts are gathered from. */
export interface Stores {
  readonly batches: BatchStore;
  readonly crops: CropStore;
  readonly holders: HolderStore;
  readonly journal: JournalStore;
  readonly packets: PacketStore;
  readonly spots: SpotStore;
}

/** The bag that a batch lies in now, or lay in last. */
export const holderOf = (row: BatchRow, { batches }: Pick<Stores, 'batches'>): string =>
  batches.placesOf(row.towel_id).at(-1)?.holder_id ?? '';

/** The spot that its bag stands in now, or stood in last. */
export const spotOf = (row: BatchRow, stores: Pick<Stores, 'batches' | 'holders'>): string =>
  stores.holders.placesOf(holderOf(row, stores)).at(-1)?.spot_id ?? '';

/** A place's record of a stay. */
export type RecordOf = (spotId: string, fromMs: number, toMs: number) => Pick<SpotRecord, 'readings' | 'guess'>;

/**
 * Where a towel was when, as stays with what their thermometers said meanwhile.
 *
 * @param untilMs when it was closed; Infinity while it is open
 */
export function staysOf(row: BatchRow, { batches, holders, spots }: Stores, untilMs: number, recordOf: RecordOf = spots.record): Stay[] {
  const towelPlaces = batches.placesOf(row.towel_id);
  return towelPlaces.flatMap((place, index) => {
    const leftMs = Math.min(towelPlaces[index + 1]?.from_ms ?? Infinity, untilMs);
    const inHolder = holders.placesOf(place.holder_id);
    // Where the bag already stood when the towel came, its last place before counts from then.
    const before = inHolder.findLast(({ from_ms }) => from_ms <= place.from_ms) ?? inHolder[0];
    // A batch that was closed at once still stood somewhere.
    const after = inHolder.filter(({ from_ms }) => from_ms > place.from_ms && from_ms < leftMs && from_ms !== before?.from_ms);
    const stood = [
      ...(before ? [{ spotId: before.spot_id, fromMs: place.from_ms }] : []),
      ...after.map((p) => ({ spotId: p.spot_id, fromMs: p.from_ms })),
    ];
    return stood.map(({ spotId, fromMs }, nth) => {
      const toMs = stood[nth + 1]?.fromMs ?? leftMs;
      const { readings, guess } = recordOf(spotId, fromMs, toMs);
      // The bag's own probe knows better than the place's thermometer: where both cover an hour, it counts.
      return { fromMs, readings: [...readings, ...holders.probed(place.holder_id, fromMs, toMs)], guess };
    });
  });
}

/** The starting count as corrected. */
export const seedsOf = (row: BatchRow, entries: readonly Entry[]): number =>
  entries.findLast((entry) => entry.counts && entry.seeds !== null)?.seeds ?? row.seeds;

/**
 * Looks that say something, oldest first. Quiet seeds that were planted along on a
 * moving day have left the towel without a word: that day tells so many lost.
 */
export function looksOf(entries: readonly Entry[]) {
  const real = entries
    .filter((entry) => entry.counts && entry.look && entry.look.via !== 'skipped')
    .flatMap((entry) => (entry.look ? [{ ...entry.look, id: entry.id }] : []));
  const planted = entries.flatMap((entry) =>
    entry.counts && entry.move && entry.move.quietPlanted > 0 ? [{ id: entry.id, ...entry.move }] : [],
  );
  let lost = 0;
  const gone = planted
    .sort((a, b) => a.atMs - b.atMs)
    .map(({ id, atMs, quietPlanted }) => {
      const before = Math.max(0, ...real.filter((look) => look.atMs <= atMs).map((look) => look.lost ?? 0));
      lost = Math.max(before, lost) + quietPlanted;
      return {
        id,
        atMs,
        via: 'opened' as const,
        through: false,
        tipped: null,
        rotten: null,
        lost,
        basedOn: null,
        marks: [],
        damp: null,
        rewetted: false,
        troubles: [],
      };
    });
  return [...real, ...gone].sort((a, b) => a.atMs - b.atMs);
}

export const movesOf = (entries: readonly Entry[]) => entries.flatMap((entry) => (entry.counts && entry.move ? [entry.move] : []));

/** What a test's final count came to, the newest that counts. */
export function resultOf(entries: readonly Entry[]): TestResult | null {
  const classes = entries.findLast((entry) => entry.counts && entry.classes)?.classes;
  return classes ? testResult(classes) : null;
}
