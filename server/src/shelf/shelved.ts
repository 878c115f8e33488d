import type { Database } from '../db/database.js';
import { first, value, write } from '../db/statements.js';
import { changedMeanwhile, Problem } from '../http/problem.js';

/** Rows that are put away, taken out again, or removed where nothing hangs on them. */
export type Shelved = 'packet' | 'spot' | 'bed' | 'rack';

/** What may hang on a row: a count of it, and how it is said. */
export interface Hanging {
  readonly count: string;
  /** "1 batch was begun from it" */
  readonly told: (count: number) => string;
}

/**
 * Putting away and removing the rows of a table.
 *
 * @param what it is called, for refusals
 * @param hangs what forbids removing one
 * @param inUse what forbids putting one away
 * @param ownRows tables whose rows are its own and go with it
 */
export function shelving(
  db: Database,
  table: Shelved,
  what: string,
  {
    hangs,
    inUse = [],
    own = [],
  }: { readonly hangs: readonly Hanging[]; readonly inUse?: readonly Hanging[]; readonly own?: readonly string[] },
) {
  const row = first<{ readonly version: number; readonly put_away_ms: number | null }, [string]>(
    db,
    `SELECT version, put_away_ms FROM ${table} WHERE id = ?`,
  );
  const set = write<[number | null, string]>(db, `UPDATE ${table} SET put_away_ms = ?, version = version + 1 WHERE id = ?`);
  const drop = [...own, `DELETE FROM ${table} WHERE id = @id`].map((sql) => write<[{ id: string }]>(db, sql));
  const counts = (list: readonly Hanging[]) => list.map(({ count, told }) => ({ told, of: value<number, [{ id: string }]>(db, count) }));
  const [hanging, using] = [counts(hangs), counts(inUse)];

  const get = (id: string) => {
    const found = row(id);
    if (!found) throw Problem.unknown(what);
    return found;
  };
  const refuse = (list: typeof hanging, id: string, instead: string): void => {
    const said = list.flatMap(({ of, told }) => {
      const count = of({ id }) ?? 0;
      return count > 0 ? [told(count)] : [];
    });
    if (said.length > 0) throw new Problem(409, 'In use', `${said.join('; ')}. ${instead}`);
  };
  return {
    /** @throws Problem where somebody changed it since, so that nothing of theirs is lost unseen */
    checkVersion(id: string, version: number): void {
      if (get(id).version !== version) throw changedMeanwhile(`Somebody changed this ${what} meanwhile.`);
    },
    putAway(id: string, nowMs: number): void {
      get(id);
      refuse(using, id, 'See to that first.');
      set(nowMs, id);
    },
    takeOut(id: string): void {
      get(id);
      set(null, id);
    },
    /** @throws Problem where something hangs on it */
    remove(id: string): void {
      get(id);
      refuse(hanging, id, 'Put it away instead: it is offered no more and stays in the records.');
      for (const run of drop) run({ id });
    },
    /** Whether something hangs on it. */
    hangs: (id: string): boolean => hanging.some(({ of }) => (of({ id }) ?? 0) > 0),
  };
}
