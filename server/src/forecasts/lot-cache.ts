import { createHash, randomUUID } from 'node:crypto';
import { chmodSync, existsSync, readFileSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import Sqlite from 'better-sqlite3';
import type { Database } from '../db/database.js';
import type { LotCache } from './past-lots.js';

/** Keeps what was worked out in memory, for as long as the process lives. */
export function memoryCache(): LotCache {
  const kept = new Map<string, { key: string; lot: unknown }>();
  return {
    get: <Kept>(id: string, key: string) => {
      const found = kept.get(id);
      return found?.key === key ? (found.lot as Kept) : null;
    },
    set: (id, key, _span, lot) => void kept.set(id, { key, lot }),
    refresh: () => undefined,
    revision: () => 0,
    flush: () => undefined,
    close: () => undefined,
  };
}

/** Another program may reckon otherwise: what the running one was built from. */
function build(): string {
  const file = fileURLToPath(import.meta.url);
  return file.endsWith('.mjs') ? createHash('sha256').update(readFileSync(file)).digest('hex') : randomUUID();
}

const SCHEMA = `
  CREATE TABLE IF NOT EXISTS lot (batch_id TEXT PRIMARY KEY, key TEXT NOT NULL, from_ms INTEGER NOT NULL, to_ms INTEGER NOT NULL, lot TEXT NOT NULL) STRICT;
  CREATE TABLE IF NOT EXISTS mark (name TEXT PRIMARY KEY, value TEXT NOT NULL) STRICT;`;

/** Records whose lateness can change what a finished batch went through. */
const RECORDS = [
  { table: 'reading', toMs: 'to_ms' },
  { table: 'reading_whole', toMs: 'to_ms' },
  { table: 'probe_reading', toMs: 'to_ms' },
  { table: 'taken_back', toMs: 'to_ms' },
  // From then on until somebody says otherwise.
  { table: 'holder_place', toMs: '9e15' },
  { table: 'carrier_place', toMs: '9e15' },
] as const;

/**
 * Keeps what was worked out beside the database too, so that a start after years
 * of records does not read every finished batch anew. It is no part of the
 * household: it can be deleted at any time, and is, where it does not fit. A
 * reading that comes late for days of a finished batch takes that batch out.
 *
 * @param db the household it belongs to
 */
export function fileCache(db: Database): LotCache {
  const file = join(dirname(db.name), 'reckoned.sqlite');
  const cache = open(file);
  let revision = 0;
  const kept = new Map<string, { key: string; lot: unknown }>();
  const fresh = new Map<string, { key: string; fromMs: number; toMs: number; lot: unknown }>();
  const put = cache.prepare('INSERT OR REPLACE INTO lot (batch_id, key, from_ms, to_ms, lot) VALUES (?, ?, ?, ?, ?)');
  const getMark = cache.prepare('SELECT value FROM mark WHERE name = ?').pluck();
  const setMark = cache.prepare('INSERT OR REPLACE INTO mark (name, value) VALUES (?, ?)');
  const touched = cache.prepare('SELECT batch_id FROM lot WHERE from_ms < ? AND to_ms > ?').pluck();
  const forget = cache.prepare('DELETE FROM lot WHERE batch_id = ?');
  const news = RECORDS.map(({ table, toMs }) => ({
    table,
    after: db.prepare(
      `SELECT count(*) AS count, min(from_ms) AS fromMs, max(${toMs}) AS toMs, max(rowid) AS last FROM ${table} WHERE rowid > ?`,
    ),
    at: db.prepare(`SELECT id FROM ${table} WHERE rowid = ?`).pluck(),
  }));

  const built = build();
  if (getMark.get('build') !== built) {
    cache.exec('DELETE FROM lot');
    setMark.run('build', built);
  }
  for (const row of cache.prepare('SELECT batch_id, key, lot FROM lot').all() as { batch_id: string; key: string; lot: string }[]) {
    kept.set(row.batch_id, { key: row.key, lot: JSON.parse(row.lot) as unknown });
  }

  function clear(): void {
    cache.exec('DELETE FROM lot');
    revision++;
    kept.clear();
    fresh.clear();
  }

  /** Takes in what thermometers have said since. */
  function catchUp(): void {
    for (const { table, after, at } of news) {
      const [seen = 0, id = ''] = JSON.parse((getMark.get(table) as string | undefined) ?? '[0, ""]') as [number, string];
      // The record that was read last is another one: this is not the same database.
      if (seen > 0 && at.get(seen) !== id) clear();
      const { count, fromMs, toMs, last } = after.get(seen) as { count: number; fromMs: number; toMs: number; last: number };
      if (count === 0) continue;
      for (const batchId of touched.all(toMs, fromMs) as string[]) {
        forget.run(batchId);
        kept.delete(batchId);
        revision++;
      }
      setMark.run(table, JSON.stringify([last, at.get(last)]));
    }
  }

  return {
    get<Kept>(batchId: string, key: string) {
      const found = kept.get(batchId);
      return found?.key === key ? (found.lot as Kept) : null;
    },
    set(batchId, key, span, lot) {
      kept.set(batchId, { key, lot });
      fresh.set(batchId, { key, ...span, lot });
    },
    refresh: () => cache.transaction(catchUp)(),
    revision: () => revision,
    flush() {
      if (fresh.size === 0) return;
      cache.transaction(() => {
        for (const [batchId, { key, fromMs, toMs, lot }] of fresh) put.run(batchId, key, fromMs, toMs, JSON.stringify(lot));
      })();
      fresh.clear();
    },
    close: () => cache.close(),
  };
}

function open(file: string): Database {
  const fresh = (): Database => {
    const cache = new Sqlite(file);
    chmodSync(file, 0o600);
    cache.pragma('journal_mode = WAL');
    // Nothing is lost with it but the time to work it out.
    cache.pragma('synchronous = OFF');
    cache.exec(SCHEMA);
    return cache;
  };
  try {
    return fresh();
  } catch {
    for (const end of ['', '-wal', '-shm']) if (existsSync(`${file}${end}`)) rmSync(`${file}${end}`);
    return fresh();
  }
}
