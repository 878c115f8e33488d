import Sqlite from 'better-sqlite3';
import { openDatabase, readerOn, memoryCache } from '@fresh-tuck/server';

/** A table this small may be read whole. */
const SMALL_ROWS = 500;

/** Every statement that the stores prepare, and those whose plan reads a large table whole. */
export function scanningPlans(file: string): { statements: number; scans: string[] } {
  const db = openDatabase(file);
  const statements = new Set<string>();
  const prepare = db.prepare.bind(db);
  db.prepare = (sql: string) => {
    statements.add(sql);
    return prepare(sql);
  };
  readerOn(db, memoryCache());
  const plain = new Sqlite(file, { readonly: true });
  const rows = new Map(
    (plain.prepare("SELECT name FROM sqlite_master WHERE type = 'table'").all() as { name: string }[]).map(({ name }) => [
      name,
      (plain.prepare(`SELECT count(*) AS n FROM "${name}"`).get() as { n: number }).n,
    ]),
  );
  const scans: string[] = [];
  for (const sql of statements) {
    const named = sql.replace(/\s+/g, ' ').trim();
    const parameters = new Set(sql.match(/@\w+/g) ?? []);
    const plan = plain.prepare(`EXPLAIN QUERY PLAN ${sql}`);
    const details = (
      parameters.size > 0
        ? plain.prepare(`EXPLAIN QUERY PLAN ${sql.replace(/@\w+/g, 'NULL')}`).all()
        : plan.all(...Array.from({ length: (sql.match(/\?/g) ?? []).length }, () => null))
    ) as { detail: string }[];
    for (const { detail } of details) {
      const table = /^SCAN (\w+)/.exec(detail)?.[1] ?? '';
      const alias = new RegExp(`\\b(\\w+)(?: AS)? ${table}\\b`).exec(named)?.[1] ?? table;
      const count = rows.get(table) ?? rows.get(alias) ?? 0;
      if (count > SMALL_ROWS) scans.push(`${detail} (${count} rows): ${named.slice(0, 110)}`);
    }
  }
  plain.close();
  db.close();
  return { statements: statements.size, scans };
}
