import type { packetChange, PacketName, packetRequest, Packet as WholePacket } from '@fresh-tuck/contract';
import type * as z from 'zod';
import type { CropStore } from '../crops/store.js';
import type { Database } from '../db/database.js';
import { all as rowsOf, value, write } from '../db/statements.js';
import { shelving } from '../shelf/shelved.js';
import { counted } from '@fresh-tuck/core/units';
import { Problem } from '../http/problem.js';
import { COLUMNS, storageOf, type PacketRow, type PacketValues } from './rows.js';
import { muddleOf } from './muddle.js';
import { stockStore } from './stock.js';

type PacketRequest = z.output<typeof packetRequest>;
type PacketChange = z.output<typeof packetChange>;

/** A packet as the store knows it; what is expected of it is the forecast's to say. */
export type StoredPacket = Omit<WholePacket, 'prior' | 'handled' | 'fates' | 'sound' | 'stock' | 'pace'>;

export function packetStore(db: Database, crops: CropStore) {
  const stock = stockStore(db);
  const all = db.prepare<unknown[], PacketRow>('SELECT * FROM packet WHERE put_away_ms IS NULL ORDER BY created_ms, rowid');
  const prices = db.prepare<unknown[], { id: string; price: number }>('SELECT id, price FROM packet WHERE price IS NOT NULL');
  const titles = db.prepare<unknown[], { id: string; cropId: string; variety: string; year: number | null }>(
    'SELECT id, crop_id AS cropId, variety, year FROM packet ORDER BY rowid',
  );
  const newestFirst = db.prepare('SELECT * FROM packet WHERE put_away_ms IS NULL ORDER BY rowid DESC');
  const ofCrop = db.prepare('SELECT * FROM packet WHERE crop_id = ? AND put_away_ms IS NULL ORDER BY rowid DESC');
  const beside = db.prepare('SELECT * FROM packet WHERE crop_id = ? AND id <> ? AND put_away_ms IS NULL ORDER BY year DESC, rowid DESC');
  const one = db.prepare<unknown[], PacketRow>('SELECT * FROM packet WHERE id = ?');
  const insert = db.prepare(`
    INSERT INTO packet (id, created_ms, ${Object.keys(COLUMNS).join(', ')})
    VALUES (?, ?, ${Object.values(COLUMNS)
      .map(() => '?')
      .join(', ')})`);
  const update = db.prepare(`
    UPDATE packet SET ${Object.entries(COLUMNS)
      .map(([column, name]) => `${column} = @${name}`)
      .join(', ')}, version = version + 1 WHERE id = @id`);
  const beforeChange = value<string, [string, number]>(
    db,
    'SELECT facts FROM packet_before WHERE packet_id = ? AND until_ms > ? ORDER BY until_ms, rowid LIMIT 1',
  );
  const keepBefore = write<[string, number, string]>(db, 'INSERT INTO packet_before (packet_id, until_ms, facts) VALUES (?, ?, ?)');
  const everyOf = db.prepare<unknown[], PacketRow>('SELECT * FROM packet WHERE crop_id = ? ORDER BY rowid DESC');
  const putAway = db.prepare<unknown[], PacketRow>('SELECT * FROM packet WHERE put_away_ms IS NOT NULL ORDER BY put_away_ms DESC');
  const children = db.prepare<unknown[], { id: string; variety: string; year: number | null; generation: number | null }>(
    'SELECT id, variety, year, generation FROM packet WHERE mother_id = @id OR father_id = @id ORDER BY created_ms, rowid',
  );

  const addCandidate = write<[string, string]>(db, 'INSERT INTO packet_one_of (packet_id, candidate_id) VALUES (?, ?)');
  const candidates = rowsOf<PacketRow, [string]>(
    db,
    'SELECT p.* FROM packet_one_of o JOIN packet p ON p.id = o.candidate_id WHERE o.packet_id = ? ORDER BY p.rowid',
  );
  const { batchesOf, countsOf, leftOf, seedsLeft } = stock;

  function get(id: string, field?: string): PacketRow {
    const row = one.get(id);
    if (!row && field) throw Problem.field(field, `${field} must be a packet of the box`);
    if (!row) throw Problem.unknown('packet');
    return row;
  }
  /** Packets of the crop beside one that have seed left, or that nobody counted; the newest harvest first. */
  function othersOf(id: string, most: number): { readonly row: PacketRow; readonly left: number | null }[] {
    const found: { row: PacketRow; left: number | null }[] = [];
    for (const row of beside.all(get(id).crop_id, id) as PacketRow[]) {
      const left = seedsLeft(row.id);
      if (left === 0) continue;
      found.push({ row, left });
      if (found.length === most) break;
    }
    return found;
  }
  const nameOf = (row: PacketRow, left = seedsLeft(row.id)): PacketName => ({
    id: row.id,
    cropId: row.crop_id,
    cropName: crops.crop(row.crop_id).name,
    variety: row.variety,
    year: row.year,
    seedsLeft: left,
  });

  /** Seeds that a weight means, by the packet's own count to a gram or the crop's. */
  const seedsIn = (grams: number, cropId: string, perGram: number | null): number =>
    Math.round(grams * (perGram ?? 1000 / crops.crop(cropId).seed.gramsPerThousand));

  const titleOf = (row: Pick<PacketRow, 'crop_id' | 'variety'>): string => `${crops.crop(row.crop_id).name}, ${row.variety}`;
  const oneOf = (id: string) => candidates(id).map((row) => ({ id: row.id, title: titleOf(row) }));
  const parentOf = (id: string | null) => {
    if (id === null) return null;
    const row = get(id);
    return { id, title: titleOf(row), year: row.year };
  };

  const packetOf = (row: PacketRow, begun = batchesOf(row.id), last = countsOf(row.id)[0]): StoredPacket => ({
    id: row.id,
    cropId: row.crop_id,
    cropName: crops.crop(row.crop_id).name,
    variety: row.variety,
    year: row.year,
    source: row.source,
    printedRatePercent: row.printed_rate_percent,
    printedDays: row.printed_days_low === null || row.printed_days_high === null ? null : [row.printed_days_low, row.printed_days_high],
    seedsLeft: leftOf(last, begun),
    version: row.version,
    putAway: row.put_away_ms !== null,
    note: row.note,
    price: row.price,
    oneOf: oneOf(row.id),
    seedsPerGram: row.seeds_per_gram,
    dressed: row.dressed === 1,
    trait: row.trait,
    generation: row.generation,
    motherId: row.mother_id,
    fatherId: row.father_id,
    isolation: row.isolation,
    isolationM: row.isolation_m,
    storage: storageOf(row),
    batches: begun.map(({ id, number, seeds, closed, purpose, start_ms }) => ({
      id,
      number,
      seeds,
      purpose,
      startMs: start_ms,
      live: closed === 0,
    })),
  });

  /** Columns of a request; parents must be there, and nobody is their own. */
  function described(id: string, packet: PacketChange | PacketRequest) {
    crops.known(packet.cropId);
    for (const field of ['motherId', 'fatherId'] as const) {
      const parent = packet[field];
      if (parent === null) continue;
      if (parent === id || ancestors(parent).has(id))
        throw Problem.field(field, `${field} must not be the packet itself or one grown from it`);
      get(parent, field);
    }
    return {
      ...Object.fromEntries(Object.values(COLUMNS).map((name) => [name, packet[name as keyof typeof packet] ?? null])),
      id,
      dressed: packet.dressed ? 1 : 0,
      daysLow: packet.printedDays?.[0] ?? null,
      daysHigh: packet.printedDays?.[1] ?? null,
      place: packet.storage.place,
      celsius: packet.storage.celsius,
      dryness: packet.storage.dryness,
    };
  }
  const valuesOf = (request: PacketRequest): PacketValues => {
    const row: Record<string, unknown> = described(request.id, request);
    return Object.values(COLUMNS).map((name) => row[name]);
  };
  function ancestors(id: string, seen = new Set<string>()): Set<string> {
    const row = one.get(id);
    for (const parent of [row?.mother_id, row?.father_id]) {
      if (!parent || seen.has(parent)) continue;
      seen.add(parent);
      ancestors(parent, seen);
    }
    return seen;
  }

  const shelf = shelving(db, 'packet', 'packet', {
    hangs: [
      {
        count: 'SELECT count(*) FROM batch WHERE packet_id = @id',
        told: (begun) => `${counted(begun, 'batch was', 'batches were')} begun from it`,
      },
      {
        count: 'SELECT count(*) FROM packet WHERE mother_id = @id OR father_id = @id',
        told: (saved) => `${counted(saved, 'packet was', 'packets were')} saved from it`,
      },
    ],
    own: ['DELETE FROM packet_count WHERE packet_id = @id', 'DELETE FROM packet_before WHERE packet_id = @id'],
  });
  return {
    ...shelf,
    othersOf,
    /** Every packet; what they share is read at one go. */
    list(): StoredPacket[] {
      const [begun, last] = [stock.everyBatch(), stock.lastCounts()];
      return all.all().map((row) => packetOf(row, begun.get(row.id) ?? [], last.get(row.id)));
    },
    /** Every packet by name alone, for finding. */
    titles: () => titles.all(),
    /** What packets cost, where that was written down. */
    prices: () => prices.all(),
    /** Packets to choose from, the newest first and the empty ones last; `cropId` for those of one crop. */
    names({ words, cropId, most }: { words: string; cropId: string | null; most: number }): PacketName[] {
      const wanted = words.trim().toLowerCase();
      const full: PacketName[] = [];
      const empty: PacketName[] = [];
      for (const row of (cropId === null ? newestFirst.all() : ofCrop.all(cropId)) as PacketRow[]) {
        if (full.length >= most) break;
        const cropName = crops.crop(row.crop_id).name;
        if (wanted !== '' && !`${cropName} ${row.variety} ${row.source ?? ''} ${row.year ?? ''}`.toLowerCase().includes(wanted)) continue;
        const left = seedsLeft(row.id);
        if (left === 0 && empty.length >= most) continue;
        (left === 0 ? empty : full).push(nameOf(row, left));
      }
      return [...full, ...empty].slice(0, most);
    },
    /** The same of packets by their ids, in their order, the empty ones last; none that was put away. */
    named(ids: readonly string[], most: number): PacketName[] {
      const all = ids.flatMap((id) => {
        const row = one.get(id);
        return row && row.put_away_ms === null ? [nameOf(row)] : [];
      });
      return [...all.filter(({ seedsLeft: left }) => left !== 0), ...all.filter(({ seedsLeft: left }) => left === 0)].slice(0, most);
    },
    get,
    find: (id: string): PacketRow | undefined => one.get(id),
    titleOf,
    has: (id: string): boolean => one.get(id) !== undefined,
    packet: (id: string): StoredPacket => packetOf(get(id)),
    /** Where it came from, what came of it, and every count. */
    history: (id: string) => {
      const row = get(id);
      return {
        mother: parentOf(row.mother_id),
        father: parentOf(row.father_id),
        children: children.all({ id }),
        counts: countsOf(id).map(({ id: countId, seeds, grams, at_ms }) => ({ id: countId, seeds, grams, atMs: at_ms })),
        hangs: shelf.hangs(id),
      };
    },
    /**
     * What a packet's row will hold, worked out before the transaction; null where its
     * parents must be looked for in it, as they may come in the same table.
     */
    ready: (request: PacketRequest): PacketValues | null =>
      request.motherId === null && request.fatherId === null ? valuesOf(request) : null,
    /** Seed of which only this is known, that it is from one of some packets: a packet of its own until it is told apart. */
    addMuddle(id: string, named: readonly string[], nowMs: number): void {
      const rows = named.length > 0 ? named.map((one) => get(one, 'packetIds')) : all.all();
      const { request, from } = muddleOf(id, rows, named.length === 0, (one) => candidates(one).length > 0);
      insert.run(id, nowMs, ...valuesOf(request));
      for (const candidate of from) addCandidate(id, candidate);
    },
    /** A muddle of which nothing is left to tell apart goes out of the box by itself. */
    settleMuddle(id: string, nowMs: number): void {
      if (candidates(id).length > 0 && batchesOf(id).length === 0 && get(id).put_away_ms === null) shelf.putAway(id, nowMs);
    },
    add(request: PacketRequest, nowMs: number, ready: PacketValues | null = null): void {
      insert.run(request.id, nowMs, ...(ready ?? valuesOf(request)));
      const { grams, seedCount, cropId, seedsPerGram } = request;
      const seeds = seedCount ?? (grams === null ? null : seedsIn(grams, cropId, seedsPerGram));
      if (seeds !== null) stock.addCount({ id: request.id, packetId: request.id, seeds, grams, afterNumber: 0, atMs: nowMs, nowMs });
    },
    /** A packet as it was recorded up to a moment; as it is now, where it was not changed since. */
    asOf(id: string, atMs: number): PacketRow {
      const before = beforeChange(id, atMs);
      return before === undefined ? get(id) : (JSON.parse(before) as PacketRow);
    },
    change(id: string, request: PacketChange, nowMs: number): void {
      const row = get(id);
      shelf.checkVersion(id, request.version);
      if (row.crop_id !== request.cropId && batchesOf(id).length > 0)
        throw Problem.field('cropId', 'cropId must stay: batches of this packet were begun; put another packet in instead');
      const next = described(id, request);
      keepBefore(id, nowMs, JSON.stringify(row));
      update.run(next);
    },
    /** @param atMs when it was counted: what was begun since is taken off */
    count(
      id: string,
      countId: string,
      { seeds, grams }: { seeds: number | null; grams: number | null },
      { atMs, nowMs }: { readonly atMs: number; readonly nowMs: number },
    ): void {
      const row = get(id);
      const told = seeds ?? seedsIn(grams ?? 0, row.crop_id, row.seeds_per_gram);
      stock.addCount({ id: countId, packetId: id, seeds: told, grams, afterNumber: stock.begunBy(id, atMs), atMs, nowMs });
    },
    /** When a count was taken, ms. @throws Problem where there is none that stands */
    countMs(id: string, countId: string): number {
      const found = countsOf(id).find((count) => count.id === countId);
      if (!found) throw Problem.unknown('count of this packet');
      return found.at_ms;
    },
    /** Packets of a crop, put away or not, to know a row of a table again. */
    sameCrop: (cropId: string): PacketRow[] => everyOf.all(cropId),
    /** Lays an earlier state of its row back. */
    restore(id: string, before: PacketRow, nowMs: number): void {
      keepBefore(id, nowMs, JSON.stringify(get(id)));
      update.run({
        id,
        ...Object.fromEntries(Object.entries(COLUMNS).map(([column, name]) => [name, before[column as keyof PacketRow] ?? null])),
      });
    },
    away: (): PacketRow[] => putAway.all(),
    seedsLeft: (id: string): number | null => seedsLeft(get(id).id),
    /** @throws Problem where the packet holds fewer; @param field named in the error */
    checkStock(id: string, seeds: number, field: string): void {
      const left = seedsLeft(get(id).id);
      if (left !== null && seeds > left) throw Problem.field(field, `${field} must be at most ${left}: that is what the packet has left`);
    },
  };
}
export type PacketStore = ReturnType<typeof packetStore>;
