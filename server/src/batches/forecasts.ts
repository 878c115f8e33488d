import { createHash } from 'node:crypto';
import { DateTime } from 'luxon';
import type { Batch, WhyPanel } from '@fresh-tuck/contract';
import {
  agedShares,
  asMate,
  bookPrior,
  judge,
  learn,
  lookingTimes,
  matesOf,
  nextLook,
  pastLotOf,
  questionAndAnswers,
  whyFor,
  wordsFor,
  type LotPrior,
  type PacketFacts,
  type ParcelFacts,
  type PastLot,
  type PriorStep,
} from '@fresh-tuck/core';
import type { HouseholdRecord } from '../household/store.js';
import { ageOf } from '../packets/store.js';
import { looksOf, movesOf, resultOf, seedsOf, staysOf, type Stores } from './facts.js';
import type { Entry } from './journal.js';
import type { BatchRow } from './store.js';

const KEPT_ANSWERS = 200;
const LOOK_DAYS_AHEAD = 70;
/** Finished batches that a prior learns from, the nearest in kind first. */
const MOST_PAST = 40;
/** Ways of sprouting by which the tip itself is seen. */
const SEES_TIPS = ['towel', 'water'];

/**
 * Gathers facts and computes forecasts. Nothing computed is stored: answers are
 * kept in memory by the content they depend on, to the minute.
 */
export function forecasts(stores: Stores) {
  const kept = new Map<string, ReturnType<typeof questionAndAnswers>>();

  const pastLots = new Map<string, PastLot>();

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

  /** A finished batch read once; its journal is only added to, so its closing and its crop's version tell whether it has changed. */
  function pastLot(id: string, closedMs: number, closingId: string, household: HouseholdRecord): PastLot {
    const row = stores.batches.get(id);
    const { crop_id } = stores.packets.get(row.packet_id);
    const key = `${id} ${closingId} ${stores.crops.known(crop_id).version}`;
    const known = pastLots.get(key);
    if (known) return known;
    const seen = SEES_TIPS.includes(row.method) ? 'tip' : 'emergence';
    const facts = factsWith(
      row,
      stores.journal.entries(id),
      packetPrior(row.packet_id, seen, household.zone, closedMs),
      household,
      closedMs,
      [],
    );
    const lot = pastLotOf(facts, closedMs, { packet: row.packet_id, crop: crop_id, spot: spotOf(row) });
    pastLots.set(key, lot);
    return lot;
  }

  const spotOf = (row: BatchRow): string => {
    const holderId = stores.batches.placesOf(row.towel_id).at(-1)?.holder_id ?? '';
    return stores.holders.placesOf(holderId).at(-1)?.spot_id ?? '';
  };

  /** The prior for a packet in a spot, from all that was finished up to a moment. */
  function priorOf(
    packetId: string,
    spotId: string | null,
    seen: PacketFacts['seen'],
    household: HouseholdRecord | null,
    atMs: number,
  ): LotPrior {
    const book = packetPrior(packetId, seen, household?.zone ?? 'UTC', atMs);
    if (!household) return book;
    const { crop_id } = stores.packets.get(packetId);
    const past = stores.batches.finished(packetId, crop_id, atMs, MOST_PAST).map(({ id, closed_ms, closing_id }) => {
      const lot = pastLot(id, closed_ms, closing_id, household);
      return lot.packet === packetId ? { ...lot, kept: keptSince(packetId, closed_ms, atMs, household.zone) } : lot;
    });
    return learn(book, { packet: packetId, crop: crop_id, spot: spotId ?? '' }, past);
  }

  function factsOf(
    row: BatchRow,
    entries: readonly Entry[],
    household: HouseholdRecord,
    nowMs: number,
    lookTimesMs: readonly number[],
  ): ParcelFacts {
    // What was known when it began: its own end must not teach it.
    const seen = SEES_TIPS.includes(row.method) ? 'tip' : 'emergence';
    const prior = priorOf(row.packet_id, spotOf(row), seen, household, row.start_ms);
    return { ...factsWith(row, entries, prior, household, nowMs, lookTimesMs), priorSteps: stepsOf(row, seen, prior, household) };
  }

  /** What was known before any look, laid up step by step. */
  function stepsOf(row: BatchRow, seen: PacketFacts['seen'], prior: LotPrior, household: HouseholdRecord): PriorStep[] {
    const crop = stores.crops.crop(stores.packets.get(row.packet_id).crop_id);
    const book = bookPrior(crop, { printedRate: null, ageYears: null, seen });
    const packet = packetPrior(row.packet_id, seen, household.zone, row.start_ms);
    const steps: PriorStep[] = [{ what: 'book', text: book.known.join('; '), prior: book }];
    const own = packet.known.filter((line) => !book.known.includes(line));
    if (own.length > 0) steps.push({ what: 'packet', text: own.join('; '), prior: packet });
    const learnt = prior.known.filter((line) => !packet.known.includes(line));
    if (learnt.length > 0) steps.push({ what: 'records', text: learnt.join('; '), prior });
    return steps;
  }

  function factsWith(
    row: BatchRow,
    entries: readonly Entry[],
    prior: LotPrior,
    household: HouseholdRecord,
    nowMs: number,
    lookTimesMs: readonly number[],
  ): ParcelFacts {
    const packet = stores.packets.get(row.packet_id);
    const holderId = stores.batches.placesOf(row.towel_id).at(-1)?.holder_id ?? '';
    return {
      crop: stores.crops.crop(packet.crop_id),
      seeds: seedsOf(row, entries),
      wanted: row.wanted,
      startMs: row.start_ms,
      chillUntilMs: row.chill_until_ms,
      prior,
      stays: staysOf(row, stores),
      utcOffsetHours: DateTime.fromMillis(nowMs, { zone: household.zone }).offset / 60,
      looks: looksOf(entries).map(({ id: _, via: __, basedOn: ___, ...look }) => look),
      moves: movesOf(entries).map(({ atMs, seeds, uncounted }) => ({ atMs, seeds, uncounted })),
      closure: stores.holders.get(holderId).closure,
      bagDamp: dampOfMates(row.id, holderId),
      weighings: stores.holders.sharesLeft(holderId),
      doseMl: row.dose_ml,
      lookTimesMs,
      lateTolerance: household.ways.lateTolerance,
      ways: household.ways,
      packetLeft: stores.packets.packet(row.packet_id).seedsLeft,
      method: row.method,
      prepared: JSON.parse(row.prepared) as string[],
      followedBy: stores.batches.followedBy(row.packet_id, row.start_ms, row.id),
      test: row.purpose === 'test' ? { finalMs: row.final_ms ?? row.start_ms, result: resultOf(entries) } : null,
    };
  }

  /** What fingers said of the other towels in the bag since it was together. */
  function dampOfMates(
    id: string,
    holderId: string,
  ): { atMs: number; damp: NonNullable<ParcelFacts['looks'][number]['damp']>; rewetted: boolean }[] {
    return stores.holders
      .batchesIn(holderId)
      .filter(({ batchId }) => batchId !== id)
      .flatMap(({ batchId }) =>
        looksOf(stores.journal.entries(batchId)).flatMap(({ atMs, damp, rewetted }) => (damp ? [{ atMs, damp, rewetted }] : [])),
      );
  }

  function answers(facts: ParcelFacts, nowMs: number): ReturnType<typeof questionAndAnswers> {
    const key = createHash('sha256').update(JSON.stringify(facts)).digest('base64') + Math.floor(nowMs / 60_000);
    const found = kept.get(key);
    if (found) return found;
    const fresh = questionAndAnswers(facts, nowMs);
    if (kept.size >= KEPT_ANSWERS) kept.clear();
    kept.set(key, fresh);
    return fresh;
  }

  return {
    priorOf,
    /** Batches as they stand at a moment; what they share is worked out once. */
    at(household: HouseholdRecord, nowMs: number) {
      const lookTimesMs = lookingTimes(nowMs, household.zone, household.lookingTimes, LOOK_DAYS_AHEAD);
      const words = wordsFor(household.zone, household.units, nowMs, household.millilitresPerSpray);
      const live = new Set(stores.batches.liveIds());
      /** One parcel for itself, before the bag has a say; each is worked out once. */
      const alone = new Map<string, ReturnType<typeof parcelAlone>>();
      function parcelAlone(id: string) {
        const row = stores.batches.get(id);
        const entries = stores.journal.entries(id);
        const facts = factsOf(row, entries, household, nowMs, lookTimesMs);
        return { row, entries, facts, ...answers(facts, nowMs) };
      }
      function parcel(id: string): ReturnType<typeof parcelAlone> {
        const found = alone.get(id) ?? parcelAlone(id);
        alone.set(id, found);
        return found;
      }
      /** A batch with its forecast and what to do, as the screens show it. */
      function batch(id: string): Batch {
        const { row, entries, facts: own, answers: found0, question } = parcel(id);
        const inBag = stores.holders
          .batchesIn(stores.batches.placesOf(row.towel_id).at(-1)?.holder_id ?? '')
          .filter(({ batchId }) => batchId !== id && live.has(batchId));
        const mates = matesOf(inBag.map(({ batchId, number }) => ({ number, ...asMate(parcel(batchId).question) })));
        const facts = { ...own, mates };
        const found = mates && live.has(id) ? { ...found0, next: nextLook({ ...question, mates }) } : found0;
        const packet = stores.packets.get(row.packet_id);
        const holder = stores.holders.holder(stores.batches.placesOf(row.towel_id).at(-1)?.holder_id ?? '');
        // Quiet seeds planted along tell as a look would; only a real one can be based on or corrected.
        const lookIds = new Set(entries.filter(({ kind }) => kind === 'look').map((entry) => entry.id));
        const lastLook = looksOf(entries).findLast((look) => lookIds.has(look.id));
        return {
          id,
          number: row.number,
          token: row.token,
          packetId: packet.id,
          cropId: packet.crop_id,
          title: `${facts.crop.name}, ${packet.variety}`,
          holder,
          bagMates: inBag.map(({ number }) => number),
          widthMm: row.width_mm,
          heightMm: row.height_mm,
          closed: !live.has(id),
          lastLookId: lastLook?.id ?? null,
          lastLookMs: lastLook?.atMs ?? null,
          prepared: JSON.parse(row.prepared) as string[],
          dressed: packet.dressed === 1,
          purpose: row.purpose,
          replicates: stores.batches.replicatesOf(row),
          aim: stores.batches.aimOf(row),
          facts,
          answers: found,
          judgement: judge(facts, found, words),
        };
      }
      return {
        batch,
        live: (): Batch[] => [...live].map(batch),
        /** What the judgement of a batch rests on. */
        why: (id: string): WhyPanel => whyFor(parcel(id).facts, nowMs, words),
      };
    },
  };
}
export type Forecasts = ReturnType<typeof forecasts>;
