import QuickLRU from 'quick-lru';
import { agedShares, bookPrior, learn, type KnownFact, type LotPrior, type PacketFacts, type PastLot } from '@fresh-tuck/core/forecast';
import { pastLotOf, type ParcelFacts, type PriorStep } from '@fresh-tuck/core/parcel';
import type { BatchEnd, BatchRow } from '../batches/row.js';
import type { HouseholdRecord } from '../household/store.js';
import { methodOf } from '@fresh-tuck/core/method';
import { yearAt } from '@fresh-tuck/core/units';
import { ageOf } from '../packets/rows.js';
import { RECORD_REACH_MS } from '../spots/store.js';
import { spotOf, type Stores } from './facts.js';
import { pastEnds, type LotCache } from './past-lots.js';

/** Finished batches that a prior learns from, the nearest in kind first. */
const MOST_PAST = 40;
/** Priors that are kept, the last used: a box of packets, and what is under way. */
const KEPT = 4000;
export const seenBy = ({ method }: Pick<BatchRow, 'method'>): PacketFacts['seen'] => methodOf(method).event;

/** Facts of a batch with a prior, as it stood at a moment. */
export type FactsWith = (row: BatchRow, prior: LotPrior, household: HouseholdRecord, atMs: number) => ParcelFacts;

/**
 * What is known of a packet's next batch before any look: the book, the packet,
 * and what finished batches teach.
 *
 * @param stamp changes whenever the database does
 */
export function priors(stores: Stores, cache: LotCache, stamp: () => string, factsWith: FactsWith) {
  const ends = pastEnds(stores, stamp);
  const kept = new QuickLRU<string, LotPrior>({ maxSize: KEPT });
  let versions = { stamp: '', of: new Map<string, string>() };

  /** Changes with every figure saved for a crop. */
  function cropVersion(cropId: string): string {
    const now = stamp();
    if (versions.stamp !== now) versions = { stamp: now, of: new Map() };
    const version = versions.of.get(cropId) ?? stores.crops.known(cropId).version;
    versions.of.set(cropId, version);
    return version;
  }

  /** What book and packet say, before own records; the packet as it was recorded up to a moment. */
  function packetPrior(packetId: string, seen: PacketFacts['seen'], zone: string, atMs: number, knownMs: number): LotPrior {
    const packet = stores.packets.asOf(packetId, knownMs);
    const { aged, calendar } = ageOf(packet, yearAt(zone, atMs));
    return bookPrior(stores.crops.crop(packet.crop_id), {
      printedRate: packet.printed_rate_percent === null ? null : packet.printed_rate_percent / 100,
      ageYears: aged,
      calendarYears: calendar,
      seen,
    });
  }

  /** Share of what lived in a batch of the packet that has lived on in its store until now. */
  function keptSince(packetId: string, thenMs: number, nowMs: number, zone: string): number {
    const packet = stores.packets.get(packetId);
    const { storageYears } = stores.crops.crop(packet.crop_id).viability;
    const shareAt = (ms: number): number => agedShares(ageOf(packet, yearAt(zone, ms)).aged ?? 0, storageYears).mean;
    return Math.min(shareAt(nowMs) / Math.max(shareAt(thenMs), 1e-6), 1);
  }

  /**
   * All that a finished batch's facts hang on but its readings, which the cache follows
   * itself: its journal is only added to, so its last entry names it.
   */
  const keyOf = ({ endId, lastEntry, cropId }: BatchEnd, { zone }: HouseholdRecord): string =>
    `${endId} ${lastEntry} ${zone} ${cropVersion(cropId)}`;

  /** A finished batch, read once for as long as nothing that it hangs on changes. */
  function pastLot(end: BatchEnd, household: HouseholdRecord): PastLot {
    const { id, atMs, packetId, cropId } = end;
    const key = keyOf(end, household);
    const known = cache.get(id, key);
    if (known) return known;
    const row = stores.batches.get(id);
    const facts = factsWith(row, packetPrior(packetId, seenBy(row), household.zone, atMs, atMs), household, atMs);
    const labels = { packet: packetId, crop: cropId, spot: spotOf(row, stores) };
    const result = facts.test?.result;
    const test = result ? { test: { number: row.number, normal: result.totals.normal, seeds: result.seeds } } : {};
    const lot = { ...pastLotOf(facts, atMs, labels), ...test };
    cache.set(id, key, { fromMs: row.start_ms - RECORD_REACH_MS, toMs: atMs }, lot);
    return lot;
  }

  /** The prior for a packet in a spot, from all that was finished up to a moment, the packet as it was recorded up to another. */
  function of(
    packetId: string,
    spotId: string | null,
    seen: PacketFacts['seen'],
    household: HouseholdRecord | null,
    atMs: number,
    knownMs: number,
  ): LotPrior {
    if (!household) return packetPrior(packetId, seen, 'UTC', atMs, knownMs);
    const packet = stores.packets.asOf(packetId, knownMs);
    const { ends: past, name } = ends.bearing(packetId, packet.crop_id, atMs, MOST_PAST);
    const { crop_id, year, printed_rate_percent, store_place, store_c, store_dryness } = packet;
    const key = JSON.stringify([
      [packetId, crop_id, year, printed_rate_percent, store_place, store_c, store_dryness],
      [cropVersion(crop_id), cache.revision(), name, spotId, seen, yearAt(household.zone, atMs), household.zone],
    ]);
    const known = kept.get(key);
    if (known) return known;
    const lots = past.map((end) => {
      const lot = pastLot(end, household);
      return end.packetId === packetId ? { ...lot, kept: keptSince(packetId, end.atMs, atMs, household.zone) } : lot;
    });
    const prior = learn(
      packetPrior(packetId, seen, household.zone, atMs, knownMs),
      { packet: packetId, crop: crop_id, spot: spotId ?? '' },
      lots,
    );
    kept.set(key, prior);
    return prior;
  }

  /** What was known before any look, laid up step by step. */
  function steps(row: BatchRow, prior: LotPrior, household: HouseholdRecord, knownMs: number): PriorStep[] {
    const crop = stores.crops.crop(stores.packets.get(row.packet_id).crop_id);
    const book = bookPrior(crop, { printedRate: null, ageYears: null, seen: seenBy(row) });
    const packet = packetPrior(row.packet_id, seenBy(row), household.zone, row.start_ms, knownMs);
    const all: PriorStep[] = [{ what: 'book', known: book.known, prior: book }];
    const news = (after: LotPrior, before: LotPrior): KnownFact[] => {
      const had = new Set(before.known.map((fact) => JSON.stringify(fact)));
      return after.known.filter((fact) => !had.has(JSON.stringify(fact)));
    };
    const own = news(packet, book);
    if (own.length > 0) all.push({ what: 'packet', known: own, prior: packet });
    const learnt = news(prior, packet);
    if (learnt.length > 0) all.push({ what: 'records', known: learnt, prior });
    return all;
  }

  /**
   * Works out what finished batches teach that was not worked out yet, for so long.
   *
   * @returns how many are left
   */
  function fill(household: HouseholdRecord, budgetMs: number): number {
    const untilMs = performance.now() + budgetMs;
    const missing = ends.all().filter((end) => cache.get(end.id, keyOf(end, household)) === null);
    let done = 0;
    for (const end of missing) {
      if (performance.now() > untilMs) break;
      pastLot(end, household);
      done++;
    }
    return missing.length - done;
  }

  /** Facts of a finished batch with what the book and its packet said, as its pace is read from. */
  const asBook = (row: BatchRow, household: HouseholdRecord, atMs: number): ParcelFacts =>
    factsWith(row, packetPrior(row.packet_id, seenBy(row), household.zone, atMs, atMs), household, atMs);

  return { of, steps, fill, ends: ends.all, keyOf, asBook };
}
