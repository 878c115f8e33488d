import { DateTime } from 'luxon';
import {
  agedShares,
  bookPrior,
  learn,
  pastLotOf,
  type LotPrior,
  type PacketFacts,
  type ParcelFacts,
  type PastLot,
  type PriorStep,
} from '@fresh-tuck/core';
import type { BatchEnd, BatchRow } from '../batches/store.js';
import type { HouseholdRecord } from '../household/store.js';
import { ageOf } from '../packets/store.js';
import { spotOf, type Stores } from './facts.js';
import { pastEnds, type LotCache } from './past-lots.js';

/** Finished batches that a prior learns from, the nearest in kind first. */
const MOST_PAST = 40;
/** Ways of sprouting by which the tip itself is seen. */
const SEES_TIPS = ['towel', 'water'];

export const seenBy = ({ method }: Pick<BatchRow, 'method'>): PacketFacts['seen'] => (SEES_TIPS.includes(method) ? 'tip' : 'emergence');

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

  /** What book and packet say, before own records. */
  function packetPrior(packetId: string, seen: PacketFacts['seen'], zone: string, atMs: number): LotPrior {
    const packet = stores.packets.get(packetId);
    const { aged, calendar } = ageOf(packet, DateTime.fromMillis(atMs, { zone }).year);
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
    const shareAt = (ms: number): number => agedShares(ageOf(packet, DateTime.fromMillis(ms, { zone }).year).aged ?? 0, storageYears).mean;
    return Math.min(shareAt(nowMs) / Math.max(shareAt(thenMs), 1e-6), 1);
  }

  /** A finished batch read once: its journal is only added to, so its end and its crop's version tell whether it has changed. */
  function pastLot({ id, endId, atMs, packetId, cropId }: BatchEnd, household: HouseholdRecord): PastLot {
    const key = `${endId} ${stores.crops.known(cropId).version}`;
    const known = cache.get(id, key);
    if (known) return known;
    const row = stores.batches.get(id);
    const facts = factsWith(row, packetPrior(packetId, seenBy(row), household.zone, atMs), household, atMs);
    const lot = pastLotOf(facts, atMs, { packet: packetId, crop: cropId, spot: spotOf(row, stores) });
    cache.set(id, key, { fromMs: row.start_ms, toMs: atMs }, lot);
    return lot;
  }

  /** The prior for a packet in a spot, from all that was finished up to a moment. */
  function of(
    packetId: string,
    spotId: string | null,
    seen: PacketFacts['seen'],
    household: HouseholdRecord | null,
    atMs: number,
  ): LotPrior {
    const book = packetPrior(packetId, seen, household?.zone ?? 'UTC', atMs);
    if (!household) return book;
    const { crop_id } = stores.packets.get(packetId);
    const past = ends.bearing(packetId, crop_id, atMs, MOST_PAST).map((end) => {
      const lot = pastLot(end, household);
      return end.packetId === packetId ? { ...lot, kept: keptSince(packetId, end.atMs, atMs, household.zone) } : lot;
    });
    return learn(book, { packet: packetId, crop: crop_id, spot: spotId ?? '' }, past);
  }

  /** What was known before any look, laid up step by step. */
  function steps(row: BatchRow, prior: LotPrior, household: HouseholdRecord): PriorStep[] {
    const crop = stores.crops.crop(stores.packets.get(row.packet_id).crop_id);
    const book = bookPrior(crop, { printedRate: null, ageYears: null, seen: seenBy(row) });
    const packet = packetPrior(row.packet_id, seenBy(row), household.zone, row.start_ms);
    const all: PriorStep[] = [{ what: 'book', text: book.known.join('; '), prior: book }];
    const own = packet.known.filter((line) => !book.known.includes(line));
    if (own.length > 0) all.push({ what: 'packet', text: own.join('; '), prior: packet });
    const learnt = prior.known.filter((line) => !packet.known.includes(line));
    if (learnt.length > 0) all.push({ what: 'records', text: learnt.join('; '), prior });
    return all;
  }

  return { of, steps };
}
