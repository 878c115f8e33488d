import type { JournalEntry } from '@fresh-tuck/contract';
import type { Crop } from '@fresh-tuck/core/crops';
import { methodFor } from '@fresh-tuck/core/method';
import type { ParcelState } from '@fresh-tuck/core/parcel';
import type { Preparation } from '@fresh-tuck/core/preparing';
import type { Words } from '@fresh-tuck/core/units';
import { bagLineInWords, journalInWords, type AmendedFact, type BagLine, type JournalFact, type UndoneFact } from '@fresh-tuck/core/words';
import type { Aim } from '@fresh-tuck/contract';
import type { BatchRow } from '../batches/row.js';
import type { Amended, Entry } from '../journal/entry.js';
import { seedsOf } from '../journal/read.js';
import type { AllStores } from '../stores.js';

type Stores = Pick<AllStores, 'batches' | 'beds' | 'crops' | 'holders' | 'journal' | 'nursery' | 'packets' | 'setups' | 'spots'>;

/** What the lines of a batch's journal tell, names in place of ids. */
export function journalFacts(stores: Stores) {
  const { batches, beds, crops, holders, journal, nursery, packets, setups, spots } = stores;
  const packetTitle = (id: string): string => {
    const { crop_id, variety } = packets.get(id);
    return `${crops.crop(crop_id).name}, ${variety}`;
  };

  /** What was corrected, in the columns of the batch's row, as people know it. */
  function amendedFact(said: Partial<Amended>): AmendedFact {
    return {
      ...(said.packet_id === undefined ? {} : { packet: packetTitle(said.packet_id) }),
      ...(said.start_ms === undefined ? {} : { startMs: said.start_ms }),
      ...(said.prepared === undefined ? {} : { prepared: JSON.parse(said.prepared) as Preparation[] }),
      // Cold that only moved with the start goes without saying.
      ...(said.chill_until_ms === undefined || said.start_ms !== undefined ? {} : { chillUntilMs: said.chill_until_ms }),
      ...(said.method === undefined ? {} : { method: said.method }),
      ...(said.wanted === undefined ? {} : { wanted: said.wanted }),
      ...(said.aim === undefined ? {} : { destination: (JSON.parse(said.aim) as Partial<Aim>).destination ?? null }),
    };
  }

  /** What an entry tells, with the totals that were known before it. */
  function factOf(entry: Entry, before: { tipped: number; rotten: number }, entries: readonly Entry[], seeds: number): JournalFact {
    const what = (id: string | null) => {
      const kind = entries.find((one) => one.id === id)?.kind;
      return kind === undefined || kind === 'undo' ? null : kind;
    };
    switch (entry.kind) {
      case 'look':
        return { kind: 'look', via: entry.look.via, look: entry.look, before: { ...before }, classes: entry.classes };
      case 'move': {
        const { destination, bedId, seeds: moved, uncounted, cups, rooted, quietPlanted } = entry.move;
        const sprouts = moved.length + uncounted - rooted.snapped;
        const labels = cups.map(({ number }) => number);
        return { kind: 'move', destination, bed: bedId && beds.get(bedId).name, sprouts, labels, ...rooted, quietPlanted };
      }
      case 'recount':
        return { kind: 'recount', seeds: entry.seeds };
      case 'close':
        return { kind: 'close', reason: entry.reason };
      case 'undo':
        return { kind: 'undo', what: what(entry.supersedes) };
      case 'correct': {
        const { targetId, toMs, destination, bedId } = entry;
        return { kind: 'correct', what: what(targetId), toMs, destination, bed: bedId && beds.get(bedId).name };
      }
      case 'amend':
        return { kind: 'amend', now: amendedFact(entry.after), was: amendedFact(entry.before) };
      case 'untuck':
        return { kind: 'untuck', seeds };
    }
  }

  return {
    factOf,
    /** What becomes of a batch where one of its entries is taken back, entry by entry. */
    undone(batchId: string, before: ParcelState, after: ParcelState): (entry: Entry) => UndoneFact {
      const entries = journal.entries(batchId);
      return (entry) => {
        switch (entry.kind) {
          case 'look': {
            const totals = ({ tipped, rotten, lost }: ParcelState) => ({ tipped, rotten, lost });
            return { kind: 'look', before: totals(before), after: totals(after), corrects: entry.supersedes !== null };
          }
          case 'move': {
            const { seeds, uncounted, cups, quietPlanted } = entry.move;
            const told = cups.map(({ number }) => nursery.told(number));
            return {
              kind: 'move',
              labels: cups.map(({ number }) => number),
              sprouts: seeds.length + uncounted,
              quiet: quietPlanted,
              marks: told.reduce((sum, { marks }) => sum + marks, 0),
              out: told.filter(({ out }) => out).length,
            };
          }
          case 'recount':
            return { kind: 'recount', seeds: seedsOf(batches.get(batchId), journal.entriesWithout(batchId, [entry.id])) };
          case 'close':
            return { kind: 'close' };
          case 'correct':
            return {
              kind: 'correct',
              atMs: journal.entriesWithout(batchId, [entry.id]).find(({ id }) => id === entry.targetId)?.atMs ?? entry.atMs,
            };
          case 'amend':
            return { kind: 'amend', was: amendedFact(entry.before) };
          case 'untuck':
            return { kind: 'untuck', seeds: batches.get(batchId).taken ?? seedsOf(batches.get(batchId), entries) };
          case 'undo':
            throw new Error('an undo is not taken back');
        }
      };
    },
    /** What was said of the bags that a batch lay in, while it lay in them. */
    bagLines(
      row: BatchRow,
      untilMs: number,
      nowMs: number,
    ): (BagLine & { readonly id: string; readonly holderId: string; readonly atMs: number; readonly recordedMs: number })[] {
      const stays = batches.placesOf(row.carrier_id);
      const spotName = (id: string): string => spots.get(id).name;
      return stays.flatMap((stay, nth) => {
        const leftMs = Math.min(stays[nth + 1]?.from_ms ?? Infinity, untilMs);
        const holder = holders.get(stay.holder_id);
        const { places, closures, weighings } = holders.lines(stay.holder_id);
        const within = ({ from_ms }: { readonly from_ms: number }): boolean => from_ms > stay.from_ms && from_ms <= leftMs;
        const line = (of: { readonly id: string; readonly from_ms: number; readonly recorded_ms: number }) => ({
          ...{ id: of.id, holderId: stay.holder_id, atMs: of.from_ms, recordedMs: of.recorded_ms },
        });
        const mates = holders.batchesIn(stay.holder_id).filter(({ batchId }) => batchId !== row.id);
        const standsIn = places.findLast(({ from_ms }) => from_ms <= stay.from_ms) ?? places[0];
        const spot = standsIn ? spotName(standsIn.spot_id) : '';
        return [
          ...(nth === 0
            ? []
            : [{ ...line(stay), kind: 'rebag' as const, holder: holder.kind, spot, mates: mates.map(({ number }) => number) }]),
          ...places
            .filter((place) => place.came === 0 && (within(place) || (nth === 0 && place.from_ms <= stay.from_ms && place === standsIn)))
            .map((place) => ({ ...line(place), kind: 'place' as const, holder: holder.kind, spot: spotName(place.spot_id) })),
          ...closures.filter(within).map((one) => ({ ...line(one), kind: 'closure' as const, holder: holder.kind, closure: one.closure })),
          ...weighings
            .map((one) => ({ ...one, from_ms: one.at_ms }))
            .filter((one) => one.from_ms >= stay.from_ms && one.from_ms <= leftMs)
            .map((one) => ({ ...line(one), kind: 'weighing' as const, holder: holder.kind, grams: one.grams, full: one.full === 1 })),
          // What came over a place marks whatever stood there meanwhile.
          ...places.flatMap((place, at) => {
            const fromMs = Math.max(place.from_ms, stay.from_ms);
            const toMs = Math.min(places[at + 1]?.from_ms ?? Infinity, leftMs, nowMs);
            if (fromMs >= toMs) return [];
            return setups.events(place.spot_id, fromMs, toMs).map(({ id, kind: what, note, fromMs: cameMs }) => ({
              ...{ id, holderId: stay.holder_id, atMs: Math.max(cameMs, fromMs), recordedMs: cameMs },
              ...{ kind: 'spell' as const, what, note, spot: spotName(place.spot_id) },
            }));
          }),
        ];
      });
    },
  };
}
export type JournalFacts = ReturnType<typeof journalFacts>;

/** The journal as people read it, newest first, with what was said of its bag. */
export function journalView(
  facts: JournalFacts,
  entries: readonly Entry[],
  {
    row,
    crop,
    untilMs,
    nowMs,
    words,
  }: { readonly row: BatchRow; readonly crop: Crop; readonly untilMs: number; readonly nowMs: number; readonly words: Words },
): JournalEntry[] {
  const method = methodFor(row.method, crop);
  const seeds = row.taken ?? seedsOf(row, entries);
  const before = { tipped: 0, rotten: 0 };
  const own = [...entries]
    .sort((a, b) => a.atMs - b.atMs || a.recordedMs - b.recordedMs)
    .map((entry): JournalEntry => {
      const text = journalInWords(facts.factOf(entry, before, entries, seeds), method, words);
      if (entry.counts && entry.kind === 'look') {
        before.tipped = Math.max(before.tipped, entry.look.tipped ?? 0);
        before.rotten = Math.max(before.rotten, entry.look.rotten ?? 0);
      }
      const { id, kind, atMs, recordedMs, who, note, counts } = entry;
      return {
        ...{ id, kind, atMs, recordedMs, who, note, text, counts },
        photoIds: entry.kind === 'look' ? [...entry.photoIds] : [],
        mend: counts && kind !== 'undo' ? 'entry' : null,
        dated: counts && (kind === 'look' || kind === 'move' || kind === 'close'),
        holderId: null,
        finalCount: entry.kind === 'look' && entry.classes !== null,
      };
    });
  const bag = facts.bagLines(row, untilMs, nowMs).map((line): JournalEntry => ({
    ...{ id: line.id, kind: line.kind, atMs: line.atMs, recordedMs: line.recordedMs, who: null, note: null, photoIds: [] },
    ...{
      text: bagLineInWords(line),
      counts: true,
      mend: line.kind === 'spell' ? null : 'bag',
      dated: false,
      holderId: line.holderId,
      finalCount: false,
    },
  }));
  return [...own, ...bag].sort((a, b) => a.atMs - b.atMs || a.recordedMs - b.recordedMs).reverse();
}
