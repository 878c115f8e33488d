import type { Kin, Packet, PacketSheet } from '@fresh-tuck/contract';
import { stockOf, type Stock } from '@fresh-tuck/core/seedbox';
import type { Reader } from '../forecasts/reader.js';
import { yearAt } from '@fresh-tuck/core/units';
import { parcelState } from '@fresh-tuck/core/parcel';
import { looksOf, movesOf, resultOf, seedsOf } from '../journal/read.js';
import { ageOf } from '../packets/rows.js';
import type { StoredPacket } from '../packets/store.js';

/** Other packets of a crop that are offered to fill up from. */
const MOST_KIN = 12;

/** A packet with what is expected of it. */
export function packetView({ batches, crops, forecasts, household, journal, nursery, packets }: Reader) {
  const yearOf = (nowMs: number): number => yearAt(household.find()?.zone ?? 'UTC', nowMs);

  const testsOf = ({ batches: begun }: StoredPacket): PacketSheet['tests'] =>
    begun
      .filter(({ purpose }) => purpose === 'test')
      .map(({ id, number }) => ({ batchId: id, number, atMs: batches.get(id).start_ms, result: resultOf(journal.entries(id)) }));

  const priorOf = (id: string, nowMs: number) => forecasts.priorOf(id, null, 'tip', household.find(), nowMs);

  /** What is expected of a packet's next batch, and what to do with it; and what that hangs on. */
  function stock(packet: StoredPacket, tested: boolean, nowMs: number, prior = priorOf(packet.id, nowMs)) {
    const { aged, pace } = ageOf(packets.get(packet.id), yearOf(nowMs));
    const facts = {
      share: prior.share,
      ageYears: aged,
      pace,
      seedsLeft: packet.seedsLeft,
      tried: packet.batches.some(({ live }) => !live) || tested,
    };
    const { crop, version } = crops.known(packet.cropId);
    return { key: JSON.stringify([crop.id, version, facts]), work: (): Stock => stockOf(crop, facts) };
  }

  /** What came of a batch, by its journal alone. */
  function outcomeOf(batchId: string): PacketSheet['outcomes'][number] {
    const row = batches.get(batchId);
    const entries = journal.entries(batchId);
    const { tipped, rotten, moved, quiet } = parcelState(seedsOf(row, entries), row.start_ms, looksOf(entries), movesOf(entries));
    const from = batches.fromOf(row);
    return {
      batchId,
      method: row.method,
      from: from && { batchId: from.batchId, number: from.number, kind: from.kind },
      tipped,
      rotten,
      moved,
      quiet,
    };
  }

  /** What a start of it is counted by, beside its prior; and its tests' results. */
  function counting(packet: StoredPacket) {
    const counted = testsOf(packet).flatMap(({ result }) => (result ? [result] : []));
    return {
      counted,
      facts: {
        handled: nursery.handled(packet.cropId),
        fates: nursery.fates(packet.cropId),
        sound: {
          normal: counted.reduce((sum, { totals }) => sum + totals.normal, 0),
          abnormal: counted.reduce((sum, { totals }) => sum + totals.abnormal, 0),
        },
      },
    };
  }

  function whole(packet: StoredPacket, nowMs: number): Packet {
    const { counted, facts } = counting(packet);
    const prior = priorOf(packet.id, nowMs);
    return {
      ...packet,
      pace: ageOf(packets.get(packet.id), yearOf(nowMs)).pace,
      prior,
      ...facts,
      stock: stock(packet, counted.length > 0, nowMs, prior).work(),
    };
  }

  return {
    /** What a row of the box draws. */
    stock: (packet: StoredPacket, nowMs: number): { readonly key: string; readonly work: () => Stock } =>
      stock(
        packet,
        testsOf(packet).some(({ result }) => result !== null),
        nowMs,
      ),
    counting: (packetId: string) => counting(packets.packet(packetId)).facts,
    sheet(id: string, nowMs: number): PacketSheet {
      const packet = packets.packet(id);
      const { growing, hazards } = crops.crop(packet.cropId);
      return {
        ...whole(packet, nowMs),
        ...packets.history(id),
        tests: testsOf(packet),
        outcomes: packet.batches.map(({ id: batchId }) => outcomeOf(batchId)),
        isolationNeededM: growing.isolationM,
        hazards: { text: hazards.text, regulated: hazards.regulated },
      };
    },
    /** Other packets of its crop that hold seed, the newest first, with what they would do. */
    kin(id: string, nowMs: number): Kin[] {
      const { crop_id } = packets.get(id);
      return packets
        .names({ words: '', cropId: crop_id, most: MOST_KIN + 1 })
        .filter((one) => one.id !== id && one.seedsLeft !== 0)
        .map((one) => ({ id: one.id, variety: one.variety, seedsLeft: one.seedsLeft, prior: priorOf(one.id, nowMs) }));
    },
  };
}
export type PacketView = ReturnType<typeof packetView>;
