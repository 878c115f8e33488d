import type { MoveRequest } from '@fresh-tuck/contract';
import { hasTipped, parcelState } from '@fresh-tuck/core/parcel';
import { Problem } from '../http/problem.js';
import { all, write } from '../db/statements.js';
import type { Database } from '../db/database.js';
import type { EntryKind, MoveBody, Subject } from './entry.js';
import { looksOf, movesOf } from './read.js';

interface MoveRow {
  readonly entry_id: string;
  readonly destination: MoveBody['move']['destination'];
  readonly uncounted: number;
  readonly freed: number;
  readonly patched: number;
  readonly snapped: number;
  readonly quiet_planted: number;
  readonly bed_id: string | null;
  readonly per_pot: number;
}

/** Moves: sprouts lifted out, each with its label; the number outlives an undo. */
export function moveKind(db: Database) {
  const ofBatch = 'entry_id IN (SELECT id FROM entry WHERE batch_id = ?)';
  const moves = all<MoveRow, [string]>(db, `SELECT * FROM move WHERE ${ofBatch}`);
  const cups = all<{ readonly entry_id: string; readonly number: number; readonly seed: number | null }, [string]>(
    db,
    `SELECT entry_id, number, seed FROM cup WHERE ${ofBatch} ORDER BY number`,
  );
  const movedSeeds = all<{ readonly entry_id: string; readonly seed: number }, [string]>(
    db,
    `SELECT entry_id, seed FROM moved_seed WHERE ${ofBatch} ORDER BY seed`,
  );
  const insertMove = write<[MoveRow]>(
    db,
    `INSERT INTO move (entry_id, destination, uncounted, freed, patched, snapped, bed_id, quiet_planted, per_pot)
    VALUES (@entry_id, @destination, @uncounted, @freed, @patched, @snapped, @bed_id, @quiet_planted, @per_pot)`,
  );
  const insertMoved = write<[string, number]>(db, 'INSERT INTO moved_seed (entry_id, seed) VALUES (?, ?)');
  const insertCup = write<[number, string, number | null, 0 | 1]>(
    db,
    'INSERT INTO cup (number, entry_id, seed, planted) VALUES (?, ?, ?, ?)',
  );
  const insertNow = write<[number]>(db, 'INSERT INTO seedling_now (cup_number) VALUES (?)');

  const kind: EntryKind<'move'> = {
    read(batchId) {
      const rows = new Map(moves(batchId).map((row) => [row.entry_id, row]));
      const [seeds, labels] = [movedSeeds(batchId), cups(batchId)];
      return ({ id, atMs }) => {
        const row = rows.get(id);
        if (!row) throw new Error(`the move ${id} has lost its row`);
        return {
          move: {
            atMs,
            destination: row.destination,
            bedId: row.bed_id,
            uncounted: row.uncounted,
            seeds: seeds.filter(({ entry_id }) => entry_id === id).map(({ seed }) => seed),
            cups: labels.filter(({ entry_id }) => entry_id === id).map(({ number, seed }) => ({ number, seed })),
            rooted: { freed: row.freed, patched: row.patched, snapped: row.snapped },
            quietPlanted: row.quiet_planted,
          },
        };
      };
    },
  };
  return {
    ...kind,
    /** @param takeNumber gives the next label of the household */
    add(id: string, move: MoveRequest, takeNumber: () => number): void {
      const { freed = 0, patched = 0, snapped = 0 } = move.rooted ?? {};
      const quiet = move.quietPlanted ?? 0;
      const { destination, uncounted } = move;
      const more = { bed_id: move.bedId ?? null, quiet_planted: quiet, per_pot: move.perPot ?? 1 };
      insertMove({ entry_id: id, destination, uncounted, freed, patched, snapped, ...more });
      for (const seed of move.seeds) insertMoved(id, seed);
      // Snapped ones go without a label: the last of the list, where nobody said which.
      const sprouts = [...move.seeds, ...Array.from({ length: uncounted }, () => null)];
      const label = (seed: number | null, planted: 0 | 1): void => {
        const number = takeNumber();
        insertCup(number, id, seed, planted);
        insertNow(number);
      };
      for (const seed of sprouts.slice(0, sprouts.length - snapped)) label(seed, 0);
      for (let index = 0; index < quiet; index++) label(null, 1);
    },
  };
}

/** Refuses to move what is not there. */
export function checkMove(move: MoveRequest, atMs: number, { seeds, startMs, entries }: Subject): void {
  if (atMs < startMs) throw Problem.field('at', 'at must not lie before the batch was tucked in');
  // What had been seen by then: a sprout cannot be lifted out before its tip was there.
  const seenBy = looksOf(entries).filter((look) => look.atMs <= atMs);
  const state = parcelState(seeds, startMs, seenBy, movesOf(entries));
  for (const number of move.seeds) {
    const seed = state.seeds[number - 1];
    if (!seed) throw Problem.field('seeds', `seeds must name seeds from 1 to ${seeds}`);
    if (seed.moved) throw Problem.field('seeds', `seed ${number} was moved before`);
    if (!hasTipped(seed.stage)) throw Problem.field('seeds', `seed ${number} shows no tip by then; mark it in a look first`);
  }
  const counted = state.counted.reduce((sum, { count }) => sum + count, 0);
  if (move.uncounted > counted) {
    throw Problem.field('uncounted', `uncounted must be at most ${counted}: so many tips were counted by then and not touched`);
  }
}

/** Refuses to plant more quiet seeds than there are. */
export function checkQuiet(quietPlanted: number, { seeds, startMs, entries }: Subject): void {
  const { quiet } = parcelState(seeds, startMs, looksOf(entries), movesOf(entries));
  if (quietPlanted > quiet) throw Problem.field('quietPlanted', `quietPlanted must be at most ${quiet}: so many are still quiet`);
}
