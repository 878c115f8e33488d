import type { ImportUndone, PacketImported } from '@fresh-tuck/contract';
import type { packetImportChange, packetRequest } from '@fresh-tuck/contract';
import type * as z from 'zod';
import { v7 as uuid } from 'uuid';
import { all, first, write } from '../db/statements.js';
import type { Database } from '../db/database.js';
import type { TakenBackStore } from '../db/taken-back.js';
import { Problem } from '../http/problem.js';
import type { PacketRow, PacketValues } from './rows.js';
import type { PacketStore } from './store.js';

type NewPacket = z.output<typeof packetRequest>;
type ChangedPacket = z.output<typeof packetImportChange>;

interface ImportedRow {
  readonly packet_id: string;
  readonly before: string | null;
  readonly count_id: string | null;
}

/** What a row of a table is known again by: how it is written does not matter. */
const plain = (words: string | null): string =>
  (words ?? '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** How well a packet fits a row; null where it is another harvest, or another sort. */
function likeness(
  row: { readonly variety: string; readonly year: number | null; readonly source: string | null },
  packet: PacketRow,
): number | null {
  if (plain(packet.variety) !== plain(row.variety)) return null;
  if (row.year !== null && packet.year !== null && row.year !== packet.year) return null;
  const sameYear = row.year === packet.year ? 4 : 0;
  const sameSource = plain(row.source) === plain(packet.source) ? 2 : 0;
  // The same sort of the same year from two places are two packets.
  if (row.source !== null && packet.source !== null && sameSource === 0) return null;
  return sameYear + sameSource + (packet.put_away_ms === null ? 1 : 0);
}

/** Tables of packets: known again, brought in, and taken out in one. */
export function importStore(db: Database, packets: PacketStore, takenBack: TakenBackStore) {
  const insert = write<[string, number]>(db, 'INSERT INTO packet_import (id, recorded_ms) VALUES (?, ?)');
  const insertRow = write<[string, string, string | null, string | null]>(
    db,
    'INSERT INTO packet_imported (import_id, packet_id, before, count_id) VALUES (?, ?, ?, ?)',
  );
  const recent = all<Omit<PacketImported, 'undone'> & { undone: 0 | 1 }, [number]>(
    db,
    `SELECT i.id, i.recorded_ms AS atMs, i.undone_ms IS NOT NULL AS undone,
      (SELECT count(*) FROM packet_imported r WHERE r.import_id = i.id AND r.before IS NULL) AS added,
      (SELECT count(*) FROM packet_imported r WHERE r.import_id = i.id AND r.before IS NOT NULL) AS changed
    FROM packet_import i ORDER BY i.rowid DESC LIMIT ?`,
  );
  const one = first<{ readonly undone_ms: number | null }, [string]>(db, 'SELECT undone_ms FROM packet_import WHERE id = ?');
  const rowsOf = all<ImportedRow, [string]>(
    db,
    'SELECT packet_id, before, count_id FROM packet_imported WHERE import_id = ? ORDER BY rowid DESC',
  );
  const setUndone = write<[number, string]>(db, 'UPDATE packet_import SET undone_ms = ? WHERE id = ?');

  return {
    recent: (most: number): PacketImported[] => recent(most).map((row) => ({ ...row, undone: row.undone === 1 })),
    /** The packet that each row is known as; a packet is no two rows'. */
    matches(rows: readonly { cropId: string; variety: string; year: number | null; source: string | null }[]): (PacketRow | null)[] {
      const byCrop = new Map<string, PacketRow[]>();
      const taken = new Set<string>();
      return rows.map((row) => {
        const own = byCrop.get(row.cropId) ?? packets.sameCrop(row.cropId);
        byCrop.set(row.cropId, own);
        let best: { readonly packet: PacketRow; readonly score: number } | null = null;
        for (const packet of own) {
          const score = taken.has(packet.id) ? null : likeness(row, packet);
          if (score !== null && (best === null || score > best.score)) best = { packet, score };
        }
        if (best) taken.add(best.packet.id);
        return best?.packet ?? null;
      });
    },
    add(
      id: string,
      {
        added,
        changed,
        ready,
      }: {
        readonly added: readonly NewPacket[];
        readonly changed: readonly ChangedPacket[];
        readonly ready: readonly (PacketValues | null)[];
      },
      nowMs: number,
    ): void {
      insert(id, nowMs);
      added.forEach((packet, index) => {
        packets.add(packet, nowMs, ready[index]);
        insertRow(id, packet.id, null, null);
      });
      changed.forEach(({ packetId, seedCount, grams, ...packet }, index) => {
        const before = packets.get(packetId);
        inRow(index, () => packets.change(packetId, { ...packet, id: packetId }, nowMs));
        const countId = seedCount === null && grams === null ? null : uuid();
        if (countId !== null)
          packets.count(packetId, countId, { seeds: seedCount, grams: seedCount === null ? grams : null }, { atMs: nowMs, nowMs });
        insertRow(id, packetId, JSON.stringify(before), countId);
      });
    },
    /** Takes a table out again; what something hangs on since stays, and is named. */
    undo(id: string, nowMs: number): ImportUndone {
      const found = one(id);
      if (!found) throw Problem.unknown('table that was brought in');
      if (found.undone_ms !== null) throw new Problem(409, 'Taken out already', 'This table was taken out again already.');
      const result = { removed: 0, restored: 0, kept: [] as string[] };
      for (const { packet_id, before, count_id } of rowsOf(id)) {
        const row = packets.get(packet_id);
        if (before === null) {
          if (packets.hangs(packet_id) || row.version > 0) result.kept.push(row.variety);
          else {
            packets.remove(packet_id);
            result.removed++;
          }
          continue;
        }
        if (count_id !== null) takenBack.add({ id: count_id, kind: 'count', fromMs: nowMs, toMs: nowMs }, nowMs);
        const was = JSON.parse(before) as PacketRow;
        // Somebody changed it since: theirs stays.
        if (row.version !== was.version + 1) result.kept.push(row.variety);
        else {
          packets.restore(packet_id, was, nowMs);
          result.restored++;
        }
      }
      setUndone(nowMs, id);
      return result;
    },
  };
}

/** A refusal names the row that it is about. */
function inRow(index: number, change: () => void): void {
  try {
    change();
  } catch (error) {
    if (!(error instanceof Problem) || error.errors.length === 0) throw error;
    const [{ field, message } = { field: '', message: '' }] = error.errors;
    throw Problem.field(`changes.${index}.${field}`, message.replace(field, `changes.${index}.${field}`));
  }
}
