import type { Database } from './database.js';
import { first } from './statements.js';

/** An entry that can change nothing of what is over: a look at a batch begun for plants that never ended. */
const OF_NOW = `(e.kind = 'look' AND EXISTS (SELECT 1 FROM batch b WHERE b.id = e.batch_id AND b.purpose = 'plants')
  AND NOT EXISTS (SELECT 1 FROM entry ending WHERE ending.batch_id = e.batch_id AND ending.kind = 'close'))`;

/**
 * What batches that ended and plants of former years teach is the same for as long as this is:
 * looks at what is still under way leave it alone. The records are only added to, so that the last
 * row of each tells; packets, which may be changed, are told by their versions.
 */
export function pastStamp(db: Database): () => string {
  const last = first<Record<string, number | null>, []>(
    db,
    `SELECT (SELECT e.rowid FROM entry e WHERE NOT ${OF_NOW} ORDER BY e.rowid DESC LIMIT 1) AS entry,
      (SELECT max(rowid) FROM seedling_event) AS seedling, (SELECT max(rowid) FROM taken_back) AS gone, (SELECT max(rowid) FROM batch) AS batch,
      (SELECT count(*) FROM packet) AS packets, (SELECT sum(version) FROM packet) AS versions`,
  );
  return () => Object.values(last() ?? {}).join(' ');
}
