import type { LookRequest, MoveRequest } from '@fresh-tuck/contract';
import type { ClassCounts } from '@fresh-tuck/core/seedtest';
import type { ParcelLook, ParcelMove } from '@fresh-tuck/core/parcel';
import type { Database } from '../db/database.js';

/** One line of a batch's journal as it is kept. */
export interface Entry {
  readonly id: string;
  readonly kind: 'look' | 'move' | 'recount' | 'close' | 'undo';
  readonly atMs: number;
  readonly recordedMs: number;
  readonly who: string | null;
  readonly note: string | null;
  readonly supersedes: string | null;
  /** False where a later entry that counts took it back or corrected it. */
  readonly counts: boolean;
  readonly look: (ParcelLook & { readonly via: LookRequest['via']; readonly basedOn: string | null }) | null;
  readonly move:
    | (ParcelMove & {
        readonly destination: MoveRequest['destination'];
        readonly cups: { number: number; seed: number | null }[];
        readonly rooted: { readonly freed: number; readonly patched: number; readonly snapped: number };
        /** Seeds planted along while still quiet: they are off the towel, and have proved nothing. */
        readonly quietPlanted: number;
      })
    | null;
  /** A test's final count, a towel each. */
  readonly classes: readonly ClassCounts[] | null;
  readonly photoIds: readonly string[];
  readonly seeds: number | null;
  readonly reason: string | null;
}

interface EntryRow {
  readonly id: string;
  readonly kind: Entry['kind'];
  readonly at_ms: number;
  readonly recorded_ms: number;
  readonly who: string | null;
  readonly note: string | null;
  readonly supersedes: string | null;
  readonly via: LookRequest['via'] | null;
  readonly tipped: number | null;
  readonly rotten: number | null;
  readonly lost: number | null;
  readonly based_on: string | null;
  readonly damp: ParcelLook['damp'];
  readonly rewetted: number | null;
  readonly troubles: string | null;
  readonly destination: MoveRequest['destination'] | null;
  readonly uncounted: number | null;
  readonly freed: number | null;
  readonly patched: number | null;
  readonly snapped: number | null;
  readonly quiet_planted: number | null;
  readonly seeds: number | null;
  readonly reason: string | null;
}

interface Header {
  readonly id: string;
  readonly batchId: string;
  readonly kind: Entry['kind'];
  readonly atMs: number;
  readonly nowMs: number;
  readonly who?: string | null;
  readonly note?: string | null;
  readonly supersedes?: string | null;
}

/** Which entries count: those that no counting entry supersedes, told from the newest back. */
function counting(rows: readonly EntryRow[]): Set<string> {
  const supersededBy = new Map<string, string[]>();
  for (const row of rows) {
    if (row.supersedes) supersededBy.set(row.supersedes, [...(supersededBy.get(row.supersedes) ?? []), row.id]);
  }
  const result = new Set<string>();
  for (const row of [...rows].reverse()) {
    if (!(supersededBy.get(row.id) ?? []).some((later) => result.has(later))) result.add(row.id);
  }
  return result;
}

export function journalStore(db: Database) {
  // In the order they were written, so that what supersedes comes after what it supersedes.
  const select = db.prepare(`
    SELECT e.*, l.via, l.tipped, l.rotten, l.lost, l.based_on, l.damp, l.rewetted, l.troubles,
      m.destination, m.uncounted, m.freed, m.patched, m.snapped, m.quiet_planted, r.seeds, c.reason
    FROM entry e
      LEFT JOIN look l ON l.entry_id = e.id
      LEFT JOIN move m ON m.entry_id = e.id
      LEFT JOIN recount r ON r.entry_id = e.id
      LEFT JOIN closing c ON c.entry_id = e.id
    WHERE e.batch_id = ? ORDER BY e.rowid`);
  const marks = db.prepare(
    'SELECT entry_id, seed, stage, root_mm FROM seed_mark WHERE entry_id IN (SELECT id FROM entry WHERE batch_id = ?)',
  );
  const cups = db.prepare(
    'SELECT entry_id, number, seed FROM cup WHERE entry_id IN (SELECT id FROM entry WHERE batch_id = ?) ORDER BY number',
  );
  // From name to name along the index: years of entries are not read for a handful of people.
  const people = db.prepare(`
    WITH RECURSIVE name (who) AS (
      SELECT min(who) FROM entry WHERE who IS NOT NULL
      UNION ALL SELECT (SELECT min(who) FROM entry WHERE who > name.who) FROM name WHERE name.who IS NOT NULL)
    SELECT who FROM name WHERE who IS NOT NULL ORDER BY (SELECT max(rowid) FROM entry e WHERE e.who = name.who) DESC LIMIT 20`);
  const movedSeeds = db.prepare(
    'SELECT entry_id, seed FROM moved_seed WHERE entry_id IN (SELECT id FROM entry WHERE batch_id = ?) ORDER BY seed',
  );
  const classes = db.prepare('SELECT * FROM class_count WHERE entry_id IN (SELECT id FROM entry WHERE batch_id = ?) ORDER BY towel');
  const insertClass = db.prepare(`
    INSERT INTO class_count (entry_id, towel, normal, abnormal, hard, fresh, dead)
    VALUES (@entryId, @towel, @normal, @abnormal, @hard, @fresh, @dead)`);
  const insertMoved = db.prepare('INSERT INTO moved_seed (entry_id, seed) VALUES (?, ?)');
  const photos = db.prepare(`
    SELECT id, entry_id FROM (SELECT id, entry_id, recorded_ms FROM photo UNION ALL SELECT id, entry_id, recorded_ms FROM photo_inside)
    WHERE entry_id IN (SELECT id FROM entry WHERE batch_id = ?) ORDER BY recorded_ms, id`);
  const insert = db.prepare(`
    INSERT INTO entry (id, batch_id, kind, at_ms, recorded_ms, who, note, supersedes)
    VALUES (@id, @batchId, @kind, @atMs, @nowMs, @who, @note, @supersedes)`);
  const insertLook = db.prepare(`
    INSERT INTO look (entry_id, via, tipped, rotten, lost, based_on, damp, rewetted, troubles)
    VALUES (@id, @via, @tipped, @rotten, @lost, @basedOn, @damp, @rewetted, @troubles)`);
  const insertMark = db.prepare('INSERT INTO seed_mark (entry_id, seed, stage, root_mm) VALUES (?, ?, ?, ?)');
  const insertMove = db.prepare(`
    INSERT INTO move (entry_id, destination, uncounted, freed, patched, snapped, bed_id, quiet_planted)
    VALUES (@id, @destination, @uncounted, @freed, @patched, @snapped, @bedId, @quietPlanted)`);
  const insertCup = db.prepare('INSERT INTO cup (number, entry_id, seed, planted) VALUES (?, ?, ?, ?)');
  const insertRecount = db.prepare('INSERT INTO recount (entry_id, seeds) VALUES (?, ?)');
  const insertClosing = db.prepare('INSERT INTO closing (entry_id, reason) VALUES (?, ?)');

  const begin = ({ who = null, note = null, supersedes = null, ...header }: Header): void => {
    insert.run({ ...header, who, note, supersedes });
  };
  return {
    /** Who looked and moved, the newest first. */
    people: (): string[] => (people.all() as { who: string }[]).map(({ who }) => who),
    entries(batchId: string): Entry[] {
      const rows = select.all(batchId) as EntryRow[];
      const live = counting(rows);
      // Most batches have moved nothing yet: what only a move has is asked for where there is one.
      const anyMove = rows.some(({ destination }) => destination !== null);
      const markRows = marks.all(batchId) as {
        entry_id: string;
        seed: number;
        stage: ParcelLook['marks'][number]['stage'];
        root_mm: number | null;
      }[];
      const movedRows = (anyMove ? movedSeeds.all(batchId) : []) as { entry_id: string; seed: number }[];
      const photoRows = photos.all(batchId) as { id: string; entry_id: string }[];
      const cupRows = (anyMove ? cups.all(batchId) : []) as { entry_id: string; number: number; seed: number | null }[];
      const classRows = classes.all(batchId) as (ClassCounts & { entry_id: string })[];
      const classesOf = (id: string): ClassCounts[] | null => {
        const own = classRows.filter(({ entry_id }) => entry_id === id);
        return own.length === 0 ? null : own.map(({ normal, abnormal, hard, fresh, dead }) => ({ normal, abnormal, hard, fresh, dead }));
      };
      return rows.map((row) => ({
        id: row.id,
        kind: row.kind,
        atMs: row.at_ms,
        recordedMs: row.recorded_ms,
        who: row.who,
        note: row.note,
        supersedes: row.supersedes,
        counts: live.has(row.id),
        look:
          row.via === null
            ? null
            : {
                atMs: row.at_ms,
                via: row.via,
                through: row.via === 'through',
                tipped: row.tipped,
                rotten: row.rotten,
                lost: row.lost,
                basedOn: row.based_on,
                marks: markRows.filter((m) => m.entry_id === row.id).map((m) => ({ seed: m.seed, stage: m.stage, rootMm: m.root_mm })),
                damp: row.damp,
                rewetted: row.rewetted === 1,
                troubles: JSON.parse(row.troubles ?? '[]') as ParcelLook['troubles'],
              },
        move:
          row.destination === null
            ? null
            : {
                atMs: row.at_ms,
                destination: row.destination,
                uncounted: row.uncounted ?? 0,
                seeds: movedRows.filter((moved) => moved.entry_id === row.id).map(({ seed }) => seed),
                cups: cupRows.filter((cup) => cup.entry_id === row.id).map(({ number, seed }) => ({ number, seed })),
                rooted: { freed: row.freed ?? 0, patched: row.patched ?? 0, snapped: row.snapped ?? 0 },
                quietPlanted: row.quiet_planted ?? 0,
              },
        classes: classesOf(row.id),
        photoIds: photoRows.filter((photo) => photo.entry_id === row.id).map(({ id }) => id),
        seeds: row.seeds,
        reason: row.reason,
      }));
    },
    addLook(header: Header, look: LookRequest): void {
      begin(header);
      insertLook.run({
        id: header.id,
        via: look.via,
        tipped: look.seen?.tipped ?? null,
        rotten: look.seen?.rotten ?? null,
        lost: look.seen?.lost ?? null,
        basedOn: look.seen?.basedOn ?? null,
        damp: look.damp,
        rewetted: look.rewetted ? 1 : 0,
        troubles: JSON.stringify(look.troubles),
      });
      look.classes?.forEach((counts, index) => insertClass.run({ ...counts, entryId: header.id, towel: index + 1 }));
      for (const { seed, stage, rootMm } of look.marks) insertMark.run(header.id, seed, stage, rootMm);
    },
    /** @param takeNumber gives the next label of the household */
    addMove(header: Header, move: MoveRequest, takeNumber: () => number): void {
      begin(header);
      const { freed = 0, patched = 0, snapped = 0 } = move.rooted ?? {};
      const quietPlanted = move.quietPlanted ?? 0;
      const { destination, uncounted } = move;
      insertMove.run({ id: header.id, destination, uncounted, freed, patched, snapped, bedId: move.bedId ?? null, quietPlanted });
      for (const seed of move.seeds) insertMoved.run(header.id, seed);
      // Snapped ones go without a label: the last of the list, where nobody said which.
      const sprouts = [...move.seeds, ...Array.from({ length: move.uncounted }, () => null)];
      for (const seed of sprouts.slice(0, sprouts.length - snapped)) insertCup.run(takeNumber(), header.id, seed, 0);
      for (let index = 0; index < quietPlanted; index++) insertCup.run(takeNumber(), header.id, null, 1);
    },
    addRecount(header: Header, seeds: number): void {
      begin(header);
      insertRecount.run(header.id, seeds);
    },
    addClosing(header: Header, reason: string): void {
      begin(header);
      insertClosing.run(header.id, reason);
    },
    addUndo: (header: Header): void => begin(header),
  };
}
export type JournalStore = ReturnType<typeof journalStore>;
