import type { Database } from './database.js';

/**
 * Prepared statements that know what they take and give, so that no row is cast at
 * its use. The type of a row is the promise of the SQL beside it; specs that read
 * every table hold it.
 */

/** Every row of a query. */
export function all<Row, Bind extends readonly unknown[]>(db: Database, sql: string): (...bind: Bind) => Row[] {
  const statement = db.prepare<unknown[], Row>(sql);
  return (...bind) => statement.all(...bind);
}

/** The first row of a query; undefined where there is none. */
export function first<Row, Bind extends readonly unknown[]>(db: Database, sql: string): (...bind: Bind) => Row | undefined {
  const statement = db.prepare<unknown[], Row>(sql);
  return (...bind) => statement.get(...bind);
}

/** The first column of a query's first row; undefined where there is none. */
export function value<Value, Bind extends readonly unknown[]>(db: Database, sql: string): (...bind: Bind) => Value | undefined {
  const statement = db.prepare<unknown[], Value>(sql).pluck();
  return (...bind) => statement.get(...bind);
}

/** Rows as plain lists of their columns: for records of many rows. */
export function lists<Row extends readonly unknown[], Bind extends readonly unknown[]>(
  db: Database,
  sql: string,
): (...bind: Bind) => Row[] {
  const statement = db.prepare<unknown[], Row>(sql).raw();
  return (...bind) => statement.all(...bind);
}

/** A statement that writes; how many rows it changed. */
export function write<Bind extends readonly unknown[]>(db: Database, sql: string): (...bind: Bind) => number {
  const statement = db.prepare<unknown[]>(sql);
  return (...bind) => statement.run(...bind).changes;
}

/** What a query that always has a row gave. @throws Error where it had none, which its SQL rules out */
export function certain<Row>(row: Row | undefined): Row {
  if (row === undefined) throw new Error('a query that always has a row had none');
  return row;
}
