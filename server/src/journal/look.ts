import type { LookRequest } from '@fresh-tuck/contract';
import { hasTipped, type ParcelLook } from '@fresh-tuck/core/parcel';
import type { ClassCounts } from '@fresh-tuck/core/seedtest';
import { all, write } from '../db/statements.js';
import type { Database } from '../db/database.js';
import { Problem } from '../http/problem.js';
import type { EntryKind, LookBody, Subject } from './entry.js';
import { looksOf } from './read.js';

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

/**
 * Refuses a look that cannot be: before the batch, more seeds than there are, or
 * tips that would go back into the seed.
 */
export function checkLook(look: LookRequest, atMs: number, { seeds, startMs, entries }: Subject): void {
  if (atMs < startMs) throw Problem.field('at', 'at must not lie before the batch was tucked in');
  for (const { seed } of look.marks) {
    if (seed > seeds) throw Problem.field('marks', `marks must name seeds from 1 to ${seeds}`);
  }
  const { seen } = look;
  if (!seen) return;
  const seenLost = seen.lost ?? 0;
  if (seen.tipped + seen.rotten + seenLost > seeds) {
    throw Problem.field(
      'seen.tipped',
      `seen.tipped, seen.rotten and seen.lost must add up to at most ${seeds}: the batch has ${seeds} seeds`,
    );
  }
  const marked = look.marks.filter(({ stage }) => hasTipped(stage)).length;
  if (marked > seen.tipped)
    throw Problem.field('seen.tipped', `seen.tipped must be at least ${marked}: so many seeds are marked with a tip`);
  if (seen.basedOn !== null && !entries.some((entry) => entry.id === seen.basedOn && entry.kind === 'look')) {
    throw Problem.field('seen.basedOn', 'seen.basedOn must be a look of this batch');
  }
  // Totals rise with time; a look based on an older one is another pair of eyes and may know less.
  const others = looksOf(entries).filter((other) => other.id !== look.supersedes);
  const earlier = others.filter((other) => other.atMs <= atMs && other.tipped !== null);
  const known = earlier.at(-1);
  if (known && seen.basedOn === known.id) {
    const least = Math.max(...earlier.map((other) => other.tipped ?? 0));
    const leastRotten = Math.max(...earlier.map((other) => other.rotten ?? 0));
    if (seen.tipped < least)
      throw Problem.field(
        'seen.tipped',
        `seen.tipped must be at least ${least}: so many were seen before. Correct that look if it was wrong`,
      );
    if (seen.rotten < leastRotten)
      throw Problem.field('seen.rotten', `seen.rotten must be at least ${leastRotten}: so many were taken out before`);
  }
  // A look that is entered late stands before what was seen since: an opened parcel hides no tip again.
  const since = look.at === null ? [] : others.filter((other) => other.atMs > atMs && !other.through && other.tipped !== null);
  const [next] = since.sort((a, b) => (a.tipped ?? 0) - (b.tipped ?? 0));
  if (next && seen.tipped > (next.tipped ?? 0)) {
    throw Problem.field(
      'seen.tipped',
      `seen.tipped must be at most ${next.tipped}: so many were seen in all at a later look. Correct that look if it was wrong`,
    );
  }
  const all = [...others, { tipped: seen.tipped, rotten: seen.rotten, lost: seenLost }];
  const most = (pick: (look: (typeof all)[number]) => number | null | undefined): number => Math.max(...all.map((one) => pick(one) ?? 0));
  if (most((one) => one.tipped) + most((one) => one.rotten) + most((one) => one.lost) > seeds) {
    throw Problem.field('seen.tipped', `seen.tipped, seen.rotten and seen.lost must fit the ${seeds} seeds together with the other looks`);
  }
}

/** Refuses a final count that does not add up, towel by towel and with what was seen. */
export function checkClasses({ classes, seen, via }: LookRequest, purpose: 'plants' | 'test', replicates: readonly number[]): void {
  if (!classes) return;
  if (purpose !== 'test') throw Problem.field('classes', 'classes belong to a germination test');
  if (via !== 'opened' || !seen) throw Problem.field('classes', 'classes must come with an opened look and its totals');
  if (classes.length !== replicates.length)
    throw Problem.field('classes', `classes must name ${replicates.length} towels: the test has so many`);
  classes.forEach(({ normal, abnormal, hard, fresh, dead }, index) => {
    const sum = normal + abnormal + hard + fresh + dead;
    if (sum !== replicates[index])
      throw Problem.field(
        `classes.${index}`,
        `classes of towel ${index + 1} must add up to its ${replicates[index]} seeds; they are ${sum}`,
      );
  });
  const total = (pick: (count: NonNullable<LookRequest['classes']>[number]) => number): number =>
    classes.reduce((sum, count) => sum + pick(count), 0);
  if (seen.tipped !== total(({ normal, abnormal }) => normal + abnormal))
    throw Problem.field('seen.tipped', 'seen.tipped must be the normal and abnormal seedlings together');
  if (seen.rotten !== total(({ dead }) => dead)) throw Problem.field('seen.rotten', 'seen.rotten must be the dead seeds');
}
