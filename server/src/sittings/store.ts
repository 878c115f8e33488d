import { v4 as token } from 'uuid';
import type { lineWords, METHODS, Sitting, SittingLineView, SittingName } from '@fresh-tuck/contract';
import { timedHands } from '@fresh-tuck/core/sowing';
import type * as z from 'zod';
import type { Database } from '../db/database.js';
import { all, certain, first, write } from '../db/statements.js';
import { untucked } from '../db/standing.js';
import { changedMeanwhile, Problem } from '../http/problem.js';
import type { PacketStore } from '../packets/store.js';

type Words = z.output<typeof lineWords>;
type Method = (typeof METHODS)[number];
interface SittingRow {
  readonly id: string;
  readonly name: string | null;
  readonly at: string | null;
  readonly created_ms: number;
  readonly ended_ms: number | null;
  readonly spent: number | null;
  readonly version: number;
}
interface LineRow {
  readonly id: string;
  readonly sitting_id: string;
  readonly packet_id: string;
  readonly number: number;
  readonly token: string;
  readonly words: string;
  readonly bag: string | null;
  /** Null where none was begun, or what was begun was taken back. */
  readonly batch_id: string | null;
  readonly laid: number | null;
  readonly method: Method | null;
  readonly seconds: number | null;
  readonly skipped: 0 | 1;
}
interface NewLine {
  readonly id: string;
  readonly packetId: string;
  readonly words: Words;
  readonly bag: string | null;
}

/** Lists that are named to choose from, the newest first. */
const MOST_NAMED = 12;
/** Minutes beyond this were no packet: the clock ran on while somebody was away. */
const MOST_SECONDS = 3600;

/** Sittings: lists of packets, with the labels that are theirs before any packet is opened. */
export function sittingStore(db: Database, packets: Pick<PacketStore, 'find' | 'titleOf' | 'seedsLeft'>, takeNumber: () => number) {
  const one = first<SittingRow, [string]>(db, 'SELECT * FROM sitting WHERE id = ?');
  // A batch that was taken back leaves its line as it was before.
  const LINE = `SELECT l.id, l.sitting_id, l.packet_id, l.number, l.token, l.words, l.bag, l.seconds, l.skipped,
    b.id AS batch_id, b.seeds AS laid, b.method
    FROM sitting_line l LEFT JOIN batch b ON b.id = l.batch_id AND NOT ${untucked('b.id')}`;
  const linesOf = all<LineRow, [string]>(db, `${LINE} WHERE l.sitting_id = ? AND l.removed_ms IS NULL ORDER BY l.position, l.number`);
  const lineBy = first<LineRow, [string]>(db, `${LINE} WHERE l.id = ? AND l.removed_ms IS NULL`);
  const lineByToken = first<LineRow, [string]>(db, `${LINE} WHERE l.token = ? AND l.removed_ms IS NULL`);
  const lineByNumber = first<LineRow, [number]>(db, `${LINE} WHERE l.number = ? AND l.removed_ms IS NULL`);
  const begunBefore = first<{ readonly batch_id: string | null }, [string]>(db, 'SELECT batch_id FROM sitting_line WHERE id = ?');
  const names = all<SittingName & { readonly endedMs: number | null }, [number]>(
    db,
    `SELECT s.id, s.name, s.at, s.created_ms AS createdMs, s.ended_ms AS endedMs,
      (SELECT count(*) FROM sitting_line l WHERE l.sitting_id = s.id AND l.removed_ms IS NULL) AS packets,
      (SELECT count(*) FROM sitting_line l WHERE l.sitting_id = s.id AND l.removed_ms IS NULL
        AND (l.skipped = 1 OR (l.batch_id IS NOT NULL AND NOT ${untucked('l.batch_id')}))) AS done
    FROM sitting s ORDER BY s.ended_ms IS NOT NULL, s.rowid DESC LIMIT ?`,
  );
  const timed = all<{ readonly method: Method; readonly seconds: number }, [number]>(
    db,
    `SELECT b.method, l.seconds FROM sitting_line l JOIN batch b ON b.id = l.batch_id
    WHERE l.seconds IS NOT NULL AND l.seconds <= ? AND NOT ${untucked('b.id')}`,
  );
  const timedBatches = all<{ readonly batchId: string; readonly seconds: number }, [number]>(
    db,
    'SELECT batch_id AS batchId, seconds FROM sitting_line WHERE batch_id IS NOT NULL AND seconds IS NOT NULL AND seconds <= ?',
  );
  const insert = write<[string, string | null, string | null, number]>(
    db,
    'INSERT INTO sitting (id, name, at, created_ms) VALUES (?, ?, ?, ?)',
  );
  const update = write<[string | null, string | null, number | null, string]>(
    db,
    'UPDATE sitting SET name = ?, at = ?, spent = ?, version = version + 1 WHERE id = ?',
  );
  const day = write<[string | null, string]>(db, 'UPDATE sitting SET at = ?, version = version + 1 WHERE id = ?');
  const end = write<[number, string]>(db, 'UPDATE sitting SET ended_ms = ?, version = version + 1 WHERE id = ?');
  const insertLine = write<[string, string, string, number, number, string, string, string | null]>(
    db,
    'INSERT INTO sitting_line (id, sitting_id, packet_id, position, number, token, words, bag) VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
  );
  const updateLine = write<[string, number, string, string | null, string]>(
    db,
    'UPDATE sitting_line SET packet_id = ?, position = ?, words = ?, bag = ?, skipped = 0 WHERE id = ?',
  );
  const place = write<[number, string]>(db, 'UPDATE sitting_line SET position = ? WHERE id = ?');
  const remove = write<[number, string]>(db, 'UPDATE sitting_line SET removed_ms = ? WHERE id = ?');
  const skip = write<[number, string]>(db, 'UPDATE sitting_line SET skipped = ? WHERE id = ?');
  const begin = write<[string, number | null, string]>(
    db,
    'UPDATE sitting_line SET batch_id = ?, seconds = coalesce(?, seconds), skipped = 0 WHERE id = ?',
  );
  // A number stands on one label: a batch that was taken back gives it up to the one begun in its place.
  const giveUp = write<[string]>(db, "UPDATE batch SET number = -number, token = token || ' given up' WHERE id = ?");

  function get(id: string): SittingRow {
    const row = one(id);
    if (!row) throw Problem.unknown('sitting');
    return row;
  }
  function open(id: string): SittingRow {
    const row = get(id);
    if (row.ended_ms !== null) throw new Problem(409, 'Over', 'This sitting is over. Use its list again for another one.');
    return row;
  }
  function line(id: string): LineRow {
    const row = lineBy(id);
    if (!row) throw Problem.unknown('packet of this sitting');
    return row;
  }
  /** What is on the list must be in the box; a packet that went meanwhile is named with what is to be done. */
  function checkPacket({ packetId }: NewLine, index: number): void {
    const packet = packets.find(packetId);
    if (!packet) throw Problem.field(`lines.${index}.packetId`, `lines.${index}.packetId must be a packet of the box: this one is gone`);
    if (packet.put_away_ms !== null)
      throw Problem.field(`lines.${index}.packetId`, `lines.${index}.packetId must be a packet of the box: this one is put away`);
    if (packets.seedsLeft(packetId) === 0)
      throw Problem.field(`lines.${index}.packetId`, `lines.${index}.packetId must be a packet with seed in it: this one is used up`);
  }
  function put(sittingId: string, { id, packetId, words, bag }: NewLine, position: number): void {
    if (begunBefore(id)) throw Problem.field('lines', 'lines must have each an id that is new, or of this list');
    insertLine(id, sittingId, packetId, position, takeNumber(), token(), JSON.stringify(words), bag);
  }
  const lineView = (row: LineRow): SittingLineView => {
    const packet = packets.find(row.packet_id);
    return {
      id: row.id,
      packetId: row.packet_id,
      title: packet && packet.put_away_ms === null ? packets.titleOf(packet) : null,
      cropId: packet?.crop_id ?? null,
      seedsLeft: packet ? packets.seedsLeft(row.packet_id) : null,
      number: row.number,
      token: row.token,
      words: JSON.parse(row.words) as Words,
      bag: row.bag,
      batchId: row.batch_id,
      begun: row.laid === null || row.method === null ? null : { seeds: row.laid, method: row.method },
      seconds: row.seconds,
      skipped: row.skipped === 1,
    };
  };
  return {
    line,
    find: (id: string) => lineBy(id),
    /** The day a sitting is meant for. */
    dayOf: (id: string): string | null => get(id).at,
    lineByToken,
    lineByNumber,
    lineView,
    names: (): SittingName[] => names(MOST_NAMED).map(({ endedMs, ...name }) => ({ ...name, ended: endedMs !== null })),
    whole(id: string): Sitting {
      const { name, at, created_ms, ended_ms, spent, version } = get(id);
      const lines = linesOf(id).map(lineView);
      return {
        id,
        name,
        at,
        createdMs: created_ms,
        ended: ended_ms !== null,
        spent,
        version,
        lines,
        hands: timedHands(timed(MOST_SECONDS)),
      };
    },
    add({ id, name, at, lines }: { id: string; name: string | null; at: string | null; lines: readonly NewLine[] }, nowMs: number): void {
      lines.forEach(checkPacket);
      insert(id, name, at, nowMs);
      lines.forEach((each, index) => put(id, each, index));
    },
    /** The list as it is now: new packets get the next numbers, what was tucked in stays. */
    change(
      id: string,
      change: { name: string | null; at: string | null; spent: number | null; lines: readonly NewLine[]; version: number },
      nowMs: number,
    ): void {
      if (open(id).version !== change.version) throw changedMeanwhile('Somebody changed this list meanwhile.');
      const before = new Map(linesOf(id).map((row) => [row.id, row]));
      change.lines.forEach((each, index) => {
        const known = before.get(each.id);
        // What lay on the list already may have gone since: it is named on the list, and is no reason to refuse the rest.
        if (known?.packet_id !== each.packetId) checkPacket(each, index);
        if (!known) return put(id, each, index);
        before.delete(each.id);
        if (known.batch_id !== null || known.skipped === 1) place(index, each.id);
        else updateLine(each.packetId, index, JSON.stringify(each.words), each.bag, each.id);
      });
      for (const { id: lineId, batch_id } of before.values()) {
        if (batch_id !== null) throw Problem.field('lines', 'lines must name every packet that is tucked in already');
        remove(nowMs, lineId);
      }
      update(change.name, change.at, change.spent, id);
    },
    /** Meant for another day. */
    begin(id: string, at: string | null): void {
      open(id);
      day(at, id);
    },
    skip(sittingId: string, lineId: string, skipped: boolean): void {
      open(sittingId);
      const row = line(lineId);
      if (row.sitting_id !== sittingId) throw Problem.unknown('packet of this sitting');
      if (row.batch_id !== null) throw new Problem(409, 'Tucked in', `${row.number} is tucked in already: undo that first.`);
      skip(skipped ? 1 : 0, lineId);
    },
    end: (id: string, nowMs: number): void => {
      open(id);
      end(nowMs, id);
    },
    /**
     * The number and token of a line, for the batch begun from it.
     *
     * @throws Problem where the line is of another packet, or tucked in already
     */
    take(lineId: string, packetId: string): { readonly number: number; readonly token: string } {
      const row = lineBy(lineId);
      if (!row) throw Problem.field('sitting.lineId', 'sitting.lineId must be a packet of a sitting');
      if (row.batch_id !== null) throw new Problem(409, 'Tucked in', `${row.number} is tucked in already, here or on another screen.`);
      if (row.packet_id !== packetId)
        throw Problem.field('sitting.lineId', 'sitting.lineId must be of the packet that is opened: its label names another');
      const before = certain(begunBefore(lineId)).batch_id;
      if (before !== null) giveUp(before);
      return { number: row.number, token: row.token };
    },
    /** Seconds at the worktop by batch; a clock that was forgotten tells nothing. */
    timed: () => timedBatches(MOST_SECONDS),
    begun: (lineId: string, batchId: string, seconds: number | null): void => void begin(batchId, seconds, lineId),
  };
}
export type SittingStore = ReturnType<typeof sittingStore>;
