import type { LookRequest } from '@fresh-tuck/contract';
import type { ParcelLook } from '@fresh-tuck/core/parcel';
import type { ClassCounts } from '@fresh-tuck/core/seedtest';
import { all, write } from '../db/statements.js';
import type { Database } from '../db/database.js';
import type { EntryKind, LookBody } from './entry.js';

interface LookRow {
  readonly entry_id: string;
  readonly via: LookBody['look']['via'];
  readonly tipped: number | null;
  readonly rotten: number | null;
  readonly lost: number | null;
  readonly based_on: string | null;
  readonly damp: ParcelLook['damp'];
  readonly rewetted: 0 | 1;
  readonly troubles: string;
}
interface MarkRow {
  readonly entry_id: string;
  readonly seed: number;
  readonly stage: ParcelLook['marks'][number]['stage'];
  readonly root_mm: number | null;
}
type ClassRow = ClassCounts & { readonly entry_id: string };

function byEntry<Row extends { readonly entry_id: string }>(rows: readonly Row[]): ReadonlyMap<string, readonly Row[]> {
  const map = new Map<string, Row[]>();
  for (const row of rows) {
    const own = map.get(row.entry_id);
    if (own) own.push(row);
    else map.set(row.entry_id, [row]);
  }
  return map;
}

/** Looks: what was seen, seed by seed or as totals; a test's final count is one that sorts the seedlings. */
export function lookKind(db: Database) {
  const ofBatch = 'entry_id IN (SELECT id FROM entry WHERE batch_id = ?)';
  const looks = all<LookRow, [string]>(db, `SELECT * FROM look WHERE ${ofBatch}`);
  const marks = all<MarkRow, [string]>(db, `SELECT entry_id, seed, stage, root_mm FROM seed_mark WHERE ${ofBatch}`);
  const classes = all<ClassRow, [string]>(
    db,
    `SELECT entry_id, normal, abnormal, hard, fresh, dead FROM class_count WHERE ${ofBatch} ORDER BY carrier`,
  );
  const photos = all<{ readonly id: string; readonly entry_id: string }, [string]>(
    db,
    `SELECT id, entry_id FROM (SELECT id, entry_id, recorded_ms FROM photo UNION ALL SELECT id, entry_id, recorded_ms FROM photo_inside)
    WHERE ${ofBatch} ORDER BY recorded_ms, id`,
  );
  const insertLook = write<[LookRow]>(
    db,
    `INSERT INTO look (entry_id, via, tipped, rotten, lost, based_on, damp, rewetted, troubles)
    VALUES (@entry_id, @via, @tipped, @rotten, @lost, @based_on, @damp, @rewetted, @troubles)`,
  );
  const insertMark = write<[string, number, string, number | null]>(
    db,
    'INSERT INTO seed_mark (entry_id, seed, stage, root_mm) VALUES (?, ?, ?, ?)',
  );
  const insertClass = write<[ClassCounts & { readonly entry_id: string; readonly carrier: number }]>(
    db,
    `INSERT INTO class_count (entry_id, carrier, normal, abnormal, hard, fresh, dead)
    VALUES (@entry_id, @carrier, @normal, @abnormal, @hard, @fresh, @dead)`,
  );

  const kind: EntryKind<'look'> = {
    read(batchId) {
      const rows = new Map(looks(batchId).map((row) => [row.entry_id, row]));
      const marked = byEntry(marks(batchId));
      const counted = byEntry(classes(batchId));
      const pictures = byEntry(photos(batchId));
      return ({ id, atMs }) => {
        const row = rows.get(id);
        if (!row) throw new Error(`the look ${id} has lost its row`);
        const classRows = counted.get(id);
        return {
          look: {
            atMs,
            via: row.via,
            through: row.via === 'through',
            tipped: row.tipped,
            rotten: row.rotten,
            lost: row.lost,
            basedOn: row.based_on,
            marks: (marked.get(id) ?? []).map(({ seed, stage, root_mm }) => ({ seed, stage, rootMm: root_mm })),
            damp: row.damp,
            rewetted: row.rewetted === 1,
            troubles: JSON.parse(row.troubles) as ParcelLook['troubles'],
          },
          classes: classRows?.map(({ normal, abnormal, hard, fresh, dead }) => ({ normal, abnormal, hard, fresh, dead })) ?? null,
          photoIds: (pictures.get(id) ?? []).map((photo) => photo.id),
        };
      };
    },
  };
  return {
    ...kind,
    add(id: string, look: LookRequest): void {
      insertLook({
        entry_id: id,
        via: look.via,
        tipped: look.seen?.tipped ?? null,
        rotten: look.seen?.rotten ?? null,
        lost: look.seen?.lost ?? null,
        based_on: look.seen?.basedOn ?? null,
        damp: look.damp,
        rewetted: look.rewetted ? 1 : 0,
        troubles: JSON.stringify(look.troubles),
      });
      look.classes?.forEach((counts, index) => insertClass({ ...counts, entry_id: id, carrier: index + 1 }));
      for (const { seed, stage, rootMm } of look.marks) insertMark(id, seed, stage, rootMm);
    },
  };
}
