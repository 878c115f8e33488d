import { DateTime } from 'luxon';
import type { Bed, BedRequest, SoilRequest } from '@fresh-tuck/contract';
import type { Database } from '../db/database.js';
import { Problem } from '../http/problem.js';

interface BedRow {
  readonly id: string;
  readonly name: string;
  readonly width_m: number;
  readonly length_m: number;
  readonly made_year: number | null;
}

const DAY_MS = 86_400_000;

/** Beds with what is known of their soil. */
export function bedStore(db: Database) {
  const all = db.prepare<unknown[], BedRow>('SELECT * FROM bed ORDER BY created_ms, rowid');
  const one = db.prepare<unknown[], BedRow>('SELECT * FROM bed WHERE id = ?');
  const insert = db.prepare(
    'INSERT INTO bed (id, name, width_m, length_m, made_year, created_ms) VALUES (@id, @name, @widthM, @lengthM, @madeYear, @nowMs)',
  );
  const insertSoil = db.prepare(
    'INSERT INTO soil_reading (id, bed_id, day_ms, celsius, source, recorded_ms) VALUES (@id, @bedId, @dayMs, @celsius, @source, @nowMs)',
  );
  // A thermometer in the soil tells more than the air of the same day.
  const newest = db.prepare<unknown[], { celsius: number; source: 'soil' | 'air'; dayMs: number }>(`
    SELECT celsius, source, day_ms AS dayMs FROM soil_reading WHERE bed_id = ? AND day_ms <= ?
    ORDER BY day_ms DESC, source = 'soil' DESC, rowid DESC LIMIT 1`);

  const bedOf = (row: BedRow, nowMs: number): Bed => {
    const soil = newest.get(row.id, nowMs);
    return {
      id: row.id,
      name: row.name,
      widthM: row.width_m,
      lengthM: row.length_m,
      madeYear: row.made_year,
      soil: soil ? { celsius: soil.celsius, source: soil.source, ageDays: Math.max(Math.floor((nowMs - soil.dayMs) / DAY_MS), 0) } : null,
    };
  };
  const get = (id: string): BedRow => {
    const row = one.get(id);
    if (!row) throw Problem.unknown('bed');
    return row;
  };
  return {
    list: (nowMs: number): Bed[] => all.all().map((row) => bedOf(row, nowMs)),
    get,
    add: (body: BedRequest, nowMs: number): void => {
      insert.run({ ...body, nowMs });
    },
    addSoil(bedId: string, { id, day, celsius, source }: SoilRequest, zone: string, nowMs: number): void {
      get(bedId);
      const dayMs = DateTime.fromISO(day, { zone }).startOf('day').toMillis();
      if (dayMs > nowMs) throw Problem.field('day', 'day must not lie in the future');
      insertSoil.run({ id, bedId, dayMs, celsius, source, nowMs });
    },
  };
}
export type BedStore = ReturnType<typeof bedStore>;
