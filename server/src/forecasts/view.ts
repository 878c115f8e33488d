import type { Batch, WhyPanel } from '@fresh-tuck/contract';
import { asMate, matesOf, nextLook } from '@fresh-tuck/core/looking';
import { offsetHours, wordsFor } from '@fresh-tuck/core/units';
import type { Reading } from '@fresh-tuck/core/warmth';
import { whyFor } from '@fresh-tuck/core/judging';
import type { Preparation } from '@fresh-tuck/core/preparing';
import { closedInWords, toldFor, whyInWords } from '@fresh-tuck/core/words';
import { bookPrior, type LotPrior, type PacketFacts } from '@fresh-tuck/core/forecast';
import { factsOf, type OtherPacket, type ParcelFacts } from '@fresh-tuck/core/parcel';
import type { Entry } from '../journal/entry.js';
import { lastAmendment } from '../journal/amend.js';
import { closedAt, countingOf, isUntucked, looksOf, movesOf, reasonOf, resultOf, seedsOf } from '../journal/read.js';
import type { BatchEnd, BatchRow } from '../batches/row.js';
import type { HouseholdRecord } from '../household/store.js';
import { answerCache } from './answers.js';
import { holderOf, spotOf, staysOf, type RecordOf, type Stores } from './facts.js';
import type { LotCache } from './past-lots.js';
import { priors, seenBy } from './priors.js';

/** Other packets that a parcel's advice may name. */
const MOST_OTHERS = 1;
const DAY_MS = 86_400_000;
/** Records of the last weeks are read once for all parcels, ms. */
const SHARED_MS = 30 * 86_400_000;

/**
 * Gathers facts and computes forecasts. Nothing computed is stored as truth:
 * answers are kept by the content they depend on.
 *
 * @param stamp changes whenever the database does
 */
export function forecasts(stores: Stores, cache: LotCache, stamp: () => string) {
  const answersOf = answerCache();
  const known = priors(stores, cache, stamp, (row, prior, household, atMs) =>
    factsWith(row, stores.journal.entries(row.id), prior, household, atMs, atMs),
  );

  function factsWith(
    row: BatchRow,
    entries: readonly Entry[],
    prior: LotPrior,
    household: HouseholdRecord,
    nowMs: number,
    untilMs: number,
    entriesOf: (id: string) => readonly Entry[] = stores.journal.entries,
    recordOf: RecordOf = stores.warm.record,
  ): ParcelFacts {
    const packet = stores.packets.get(row.packet_id);
    const holderId = holderOf(row, stores);
    return factsOf(
      {
        crop: stores.crops.crop(packet.crop_id),
        method: row.method,
        seeds: seedsOf(row, entries),
        wanted: row.wanted,
        startMs: row.start_ms,
        chillUntilMs: row.chill_until_ms,
        chilledDays: row.chilled_days,
        chillDry: row.chill_dry === 1,
        soakUntilMs: row.soak_until_ms,
        setup: stores.batches.setupOf(row),
        secondStep: stores.batches.secondOf(row),
        prior,
        stays: staysOf(row, stores, untilMs, recordOf),
        looks: looksOf(entries).map(({ id: _, via: __, basedOn: ___, ...look }) => look),
        moves: movesOf(entries).map(({ atMs, seeds, uncounted }) => ({ atMs, seeds, uncounted })),
        closure: stores.holders.get(holderId).closure,
        bagDamp: dampOfMates(row.id, holderId, entriesOf),
        weighings: stores.holders.sharesLeft(holderId),
        doseMl: row.dose_ml,
        packetLeft: stores.packets.seedsLeft(row.packet_id),
        prepared: JSON.parse(row.prepared) as Preparation[],
        followedBy: stores.batches.followedBy(row.packet_id, row.start_ms, row.id),
        test: row.purpose === 'test' ? { finalMs: row.final_ms ?? row.start_ms, result: resultOf(entries) } : null,
      },
      household,
      nowMs,
    );
  }

  /** What fingers said of the other towels in the bag since it was together. */
  function dampOfMates(
    id: string,
    holderId: string,
    entriesOf: (id: string) => readonly Entry[],
  ): { atMs: number; damp: NonNullable<ParcelFacts['looks'][number]['damp']>; rewetted: boolean }[] {
    return stores.holders
      .batchesIn(holderId)
      .filter(({ batchId }) => batchId !== id)
      .flatMap(({ batchId }) =>
        looksOf(entriesOf(batchId)).flatMap(({ atMs, damp, rewetted }) => (damp ? [{ atMs, damp, rewetted }] : [])),
      );
  }

  /** Other packets of a batch's crop that could help it out. */
  function othersOf(row: BatchRow, atMs: number): { readonly id: string; readonly packet: OtherPacket }[] {
    return stores.packets.othersOf(row.packet_id, MOST_OTHERS).map(({ row: other, left }) => ({
      id: other.id,
      // What its own batches taught is left to the day on which it is chosen.
      packet: {
        title: other.year === null ? other.variety : `${other.variety}, ${other.year}`,
        share: known.of(other.id, null, seenBy(row), null, atMs, atMs).share,
        left,
      },
    }));
  }
  return {
    priorOf: (
      packetId: string,
      spotId: string | null,
      seen: PacketFacts['seen'],
      household: HouseholdRecord | null,
      atMs: number,
      knownMs = atMs,
    ): LotPrior => known.of(packetId, spotId, seen, household, atMs, knownMs),
    /** Works out ahead what finished batches teach, for so long; how many are left. */
    fill: (household: HouseholdRecord | null, budgetMs: number): number => (household ? known.fill(household, budgetMs) : 0),
    /** Sd of log days between the seeds of a crop, as the book alone has it. */
    bookSpread: (cropId: string): LotPrior['spread'] =>
      bookPrior(stores.crops.crop(cropId), { printedRate: null, ageYears: null, seen: 'tip' }).spread,
    /** The last end of every finished batch, the latest first. */
    ends: (): BatchEnd[] => known.ends(),
    /** Changes with whatever a finished batch's story hangs on, but its thermometers. */
    endKey: (end: BatchEnd, household: HouseholdRecord): string => known.keyOf(end, household),
    /** A finished batch as it stood at its end: with what was known when it began, and with what the book alone says. */
    finished(row: BatchRow, household: HouseholdRecord, atMs: number): { readonly facts: ParcelFacts; readonly book: ParcelFacts } {
      const prior = known.of(row.packet_id, spotOf(row, stores), seenBy(row), household, row.start_ms, atMs);
      const book = known.asBook(row, household, atMs);
      return { facts: { ...book, prior }, book };
    },
    /** Batches as they stand at a moment; what they share is worked out once. */
    at(household: HouseholdRecord, nowMs: number) {
      const words = wordsFor(household.zone, household.units, nowMs, household.millilitresPerSpray);
      const live = new Set(stores.batches.liveIds());
      const journals = new Map<string, readonly Entry[]>();
      const entriesOf = (id: string): readonly Entry[] => {
        const entries = journals.get(id) ?? stores.journal.entries(id);
        journals.set(id, entries);
        return entries;
      };
      const bags = new Map<string, ReturnType<typeof stores.holders.batchesIn>>();
      const together = (holderId: string) => {
        const inside = bags.get(holderId) ?? stores.holders.batchesIn(holderId);
        bags.set(holderId, inside);
        return inside;
      };
      // Parcels stand together: each place's record is read once, and cut to every stay.
      const records = new Map<string, ReturnType<typeof stores.spots.since>>();
      // What is known to come over a place, or was changed there, counts for whatever stands there now.
      const foreseen = new Map<string, readonly Reading[]>();
      const aheadOf = (spotId: string): readonly Reading[] => {
        const ahead = foreseen.get(spotId) ?? stores.warm.ahead(spotId, nowMs, offsetHours(household.zone, nowMs));
        foreseen.set(spotId, ahead);
        return ahead;
      };
      const recordOf: RecordOf = (spotId, fromMs, toMs) => {
        const record = readOf(spotId, fromMs, toMs);
        const ahead = toMs === Infinity ? aheadOf(spotId) : [];
        return { ...record, readings: [...stores.warm.told(spotId, record, fromMs, toMs), ...record.readings, ...ahead] };
      };
      const readOf: RecordOf = (spotId, fromMs, toMs) => {
        if (toMs < nowMs - SHARED_MS || fromMs < nowMs - SHARED_MS) return stores.spots.record(spotId, fromMs, toMs);
        const since = records.get(spotId) ?? stores.spots.since(spotId, nowMs - SHARED_MS);
        records.set(spotId, since);
        return since(fromMs, toMs);
      };
      /** One parcel for itself, before the bag has a say; each is worked out once. */
      const alone = new Map<string, ReturnType<typeof parcelAlone>>();
      function parcelAlone(id: string) {
        const row = stores.batches.get(id);
        const entries = entriesOf(id);
        // A closed batch is told as it stood when it was closed: what the years since did to its place is not its story.
        // Where the clock was set back, a parcel is told as of the last that was seen of it.
        const seenMs = Math.max(nowMs, row.start_ms, ...looksOf(entries).map((look) => look.atMs));
        const atMs = live.has(id) ? seenMs : (closedAt(entries) ?? nowMs);
        // What was known when it began: its own end must not teach it.
        const prior = known.of(row.packet_id, spotOf(row, stores), seenBy(row), household, row.start_ms, atMs);
        const plain = factsWith(row, entries, prior, household, atMs, live.has(id) ? Infinity : atMs, entriesOf, recordOf);
        const others = live.has(id) ? othersOf(row, atMs) : [];
        const facts = { ...plain, priorSteps: known.steps(row, prior, household, atMs), otherPackets: others.map(({ packet }) => packet) };
        const { version } = stores.crops.known(facts.crop.id);
        return { row, entries, facts, atMs, others, ...answersOf(facts, version, atMs) };
      }
      function parcel(id: string): ReturnType<typeof parcelAlone> {
        const found = alone.get(id) ?? parcelAlone(id);
        alone.set(id, found);
        return found;
      }
      /** A batch with its forecast and what to do, as the screens show it. */
      function batch(id: string): Batch {
        const { row, entries, facts: own, report: found0, question, others } = parcel(id);
        const holderId = holderOf(row, stores);
        const inBag = together(holderId).filter(({ batchId }) => batchId !== id && live.has(batchId));
        const mates = matesOf(inBag.map(({ batchId, number }) => ({ number, ...asMate(parcel(batchId).question) })));
        const facts = { ...own, mates };
        const found = mates && live.has(id) ? { ...found0, next: nextLook({ ...question, mates }) } : found0;
        const packet = stores.packets.get(row.packet_id);
        // Quiet seeds planted along tell as a look would; only a real one can be based on or corrected.
        const lookIds = new Set(countingOf(entries, 'look').map((entry) => entry.id));
        const lastLook = looksOf(entries).findLast((look) => lookIds.has(look.id));
        return {
          id,
          number: row.number,
          token: row.token,
          packetId: packet.id,
          otherPacketId: others[0]?.id ?? null,
          cropId: packet.crop_id,
          title: `${facts.crop.name}, ${packet.variety}`,
          holder: stores.holders.holder(holderId),
          bagMates: inBag.map(({ number }) => number),
          carrier: { kind: row.carrier_kind, places: row.places },
          ...stores.batches.paneOf(row),
          closed: !live.has(id),
          untucked: isUntucked(entries),
          recordedMs: row.recorded_ms,
          amendedId: lastAmendment(entries),
          chillDays: row.chill_until_ms === null ? null : Math.round((row.chill_until_ms - row.start_ms) / DAY_MS),
          closedInWords: live.has(id) || isUntucked(entries) ? '' : closedInWords(found.state.quiet, found.chanceEver, reasonOf(entries)),
          lastLookId: lastLook?.id ?? null,
          lastLookMs: lastLook?.atMs ?? null,
          prepared: JSON.parse(row.prepared) as Preparation[],
          from: stores.batches.fromOf(row),
          followers: stores.batches.followers(id),
          dressed: packet.dressed === 1,
          purpose: row.purpose,
          replicates: stores.batches.replicatesOf(row),
          aim: stores.batches.aimOf(row),
          facts,
          answers: found,
          judgement: toldFor(facts, found, words),
        };
      }
      return {
        batch,
        live: (): Batch[] => [...live].map(batch),
        /** What the judgement of a batch rests on. */
        why: (id: string): WhyPanel => {
          const { facts, atMs } = parcel(id);
          return whyInWords(whyFor(facts, atMs), facts, words);
        },
      };
    },
  };
}
export type Forecasts = ReturnType<typeof forecasts>;
