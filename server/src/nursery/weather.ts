import { v5 as uuidFrom } from 'uuid';
import type { WeatherSpan } from '@fresh-tuck/core/nursing';
import type { Database } from '../db/database.js';
import { standing } from '../db/standing.js';
import { all, write } from '../db/statements.js';
import { Problem } from '../http/problem.js';

interface Row {
  readonly id: string;
  readonly from_ms: number;
  readonly to_ms: number;
  readonly min_c: number;
  readonly max_c: number;
  readonly wind_kmh: number | null;
}

/** The weather out of doors as it was told ahead or was. */
export function weatherStore(db: Database) {
  const within = all<Row, [number, number]>(
    db,
    `SELECT id, from_ms, to_ms, min_c, max_c, wind_kmh FROM weather w WHERE from_ms < ? AND from_ms >= ? AND ${standing('w')} ORDER BY rowid`,
  );
  const ofAct = all<Row, [string]>(db, `SELECT id, from_ms, to_ms FROM weather w WHERE act_id = ? AND ${standing('w')}`);
  const insert = write<[Row & { actId: string; nowMs: number }]>(
    db,
    `INSERT INTO weather (id, act_id, from_ms, to_ms, min_c, max_c, wind_kmh, recorded_ms)
    VALUES (@id, @actId, @from_ms, @to_ms, @min_c, @max_c, @wind_kmh, @nowMs)`,
  );
  return {
    /** What is known of a stretch; of a moment the last word alone. */
    within(fromMs: number, toMs: number): WeatherSpan[] {
      const rows = within(toMs, fromMs - 86_400_000).filter(({ to_ms }) => to_ms > fromMs);
      const overruled = (row: Row, index: number): boolean =>
        rows.slice(index + 1).some((later) => later.from_ms <= row.from_ms && later.to_ms >= row.to_ms);
      return rows
        .filter((row, index) => !overruled(row, index))
        .map(({ from_ms, to_ms, min_c, max_c, wind_kmh }) => ({
          fromMs: from_ms,
          toMs: to_ms,
          minC: min_c,
          maxC: max_c,
          windKmh: wind_kmh,
        }));
    },
    add(id: string, spans: readonly WeatherSpan[], nowMs: number): void {
      spans.forEach(({ fromMs, toMs, minC, maxC, windKmh }, index) => {
        const own = { id: uuidFrom(String(index), id), actId: id, nowMs };
        insert({ ...own, from_ms: fromMs, to_ms: toMs, min_c: minC, max_c: maxC, wind_kmh: windKmh });
      });
    },
    /** What an act told and that stands. @throws Problem where there is nothing */
    ofAct(actId: string): { readonly id: string; readonly fromMs: number; readonly toMs: number }[] {
      const rows = ofAct(actId);
      if (rows.length === 0) throw Problem.unknown('weather');
      return rows.map(({ id, from_ms, to_ms }) => ({ id, fromMs: from_ms, toMs: to_ms }));
    },
  };
}
export type WeatherStore = ReturnType<typeof weatherStore>;
