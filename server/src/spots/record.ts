import type { SpotSheet } from '@fresh-tuck/contract';
import type { Database } from '../db/database.js';
import { all } from '../db/statements.js';
import { countingReading } from './files.js';

interface Row {
  readonly from_ms: number;
  readonly to_ms: number;
  readonly min_c: number;
  readonly max_c: number;
  readonly import_id: string | null;
  readonly probe_id: string | null;
}
type Drawn = SpotSheet['record'][number];

/** A place's readings with who measured, as its page draws them: where two speak of one stretch, the later word. */
export function recordStore(db: Database) {
  const rows = all<Row, [string, number, number]>(
    db,
    `SELECT from_ms, to_ms, min_c, max_c, import_id, probe_id FROM reading r
      WHERE spot_id = ? AND to_ms > ? AND from_ms < ? AND ${countingReading('r')} ORDER BY rowid`,
  );
  return (spotId: string, fromMs: number, toMs: number): Drawn[] => {
    const byStretch = new Map<string, Drawn>();
    for (const { from_ms, to_ms, min_c, max_c, import_id, probe_id } of rows(spotId, fromMs, toMs)) {
      byStretch.set(`${from_ms} ${to_ms}`, {
        ...{ fromMs: from_ms, toMs: to_ms, minC: min_c, maxC: max_c },
        by: probe_id ? 'probe' : import_id ? 'logger' : 'typed',
      });
    }
    return [...byStretch.values()].sort((a, b) => a.fromMs - b.fromMs || b.toMs - a.toMs);
  };
}
export type RecordStore = ReturnType<typeof recordStore>;
