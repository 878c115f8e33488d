import type { Database } from '../db/database.js';
import { standing } from '../db/standing.js';
import { all, write } from '../db/statements.js';
import { Problem } from '../http/problem.js';

/** A stretch in which nobody is at home. */
export interface Absence {
  readonly id: string;
  readonly fromMs: number;
  readonly toMs: number;
}

/** Absences that a household is read with: what is over plans nothing. */
const MOST_LAST = 12;

export function absenceStore(db: Database) {
  const insert = write<[Absence & { nowMs: number }]>(
    db,
    'INSERT INTO absence (id, from_ms, to_ms, recorded_ms) VALUES (@id, @fromMs, @toMs, @nowMs)',
  );
  const after = all<Absence, [number]>(
    db,
    `SELECT id, from_ms AS fromMs, to_ms AS toMs FROM absence a WHERE to_ms > ? AND ${standing('a')} ORDER BY from_ms, rowid`,
  );
  const last = all<Absence, []>(
    db,
    `SELECT id, from_ms AS fromMs, to_ms AS toMs FROM absence a WHERE ${standing('a')} ORDER BY to_ms DESC, rowid DESC LIMIT ${MOST_LAST}`,
  );
  return {
    /** The last that were told, whether over or to come; rising. */
    last: (): Absence[] => last().reverse(),
    /** That are still to come, or go on. */
    after,
    add(absence: Absence, nowMs: number): void {
      insert({ ...absence, nowMs });
    },
    /** @throws Problem where there is none that stands */
    spanOf(id: string): Absence {
      const found = after(-8.64e15).find((each) => each.id === id);
      if (!found) throw Problem.unknown('absence');
      return found;
    },
  };
}
export type AbsenceStore = ReturnType<typeof absenceStore>;
