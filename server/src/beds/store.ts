import { DateTime } from 'luxon';
import type { Bed, BedChange, BedRequest, SoilRequest } from '@fresh-tuck/contract';
import { plantM2 } from '@fresh-tuck/core/moving';
import { counted } from '@fresh-tuck/core/units';
import type { CropStore } from '../crops/store.js';
import type { Database } from '../db/database.js';
import { shelving } from '../shelf/shelved.js';
import { bedOf as wentToBed, counting, standing, untucked } from '../db/standing.js';
import { Problem } from '../http/problem.js';

interface BedRow {
  readonly id: string;
  readonly name: string;
  readonly width_m: number;
  readonly length_m: number;
  readonly made_year: number | null;
  readonly version: number;
}
interface SoilRow {
  readonly id: string;
  readonly celsius: number;
  readonly source: 'soil' | 'air';
  readonly dayMs: number;
}

const DAY_MS = 86_400_000;

/** Beds with what stands in them and what is known of their soil. */
export function bedStore(db: Database, crops: CropStore) {
  const all = db.prepare<unknown[], BedRow>('SELECT * FROM bed WHERE put_away_ms IS NULL ORDER BY created_ms, rowid');
  const away = db.prepare<unknown[], BedRow>('SELECT * FROM bed WHERE put_away_ms IS NOT NULL ORDER BY created_ms, rowid');
  const one = db.prepare<unknown[], BedRow>('SELECT * FROM bed WHERE id = ?');
  const insert = db.prepare(
    'INSERT INTO bed (id, name, width_m, length_m, made_year, created_ms) VALUES (@id, @name, @widthM, @lengthM, @madeYear, @nowMs)',
  );
  const update = db.prepare(
    'UPDATE bed SET name = @name, width_m = @widthM, length_m = @lengthM, made_year = @madeYear, version = version + 1 WHERE id = @id',
  );
  const insertSoil = db.prepare(
    'INSERT INTO soil_reading (id, bed_id, day_ms, celsius, source, recorded_ms) VALUES (@id, @bedId, @dayMs, @celsius, @source, @nowMs)',
  );
  // A thermometer in the soil tells more than the air of the same day.
  const soils = db.prepare<unknown[], SoilRow>(`
    SELECT id, celsius, source, day_ms AS dayMs FROM soil_reading s WHERE bed_id = ? AND day_ms <= ? AND ${standing('s')}
    ORDER BY day_ms DESC, source = 'soil' DESC, rowid DESC LIMIT ?`);
  const IN_BED = `FROM cup c JOIN entry e ON e.id = c.entry_id AND ${counting('e')} AND NOT ${untucked('e.batch_id')}
      JOIN move m ON m.entry_id = e.id JOIN batch b ON b.id = e.batch_id JOIN packet p ON p.id = b.packet_id
    WHERE NOT EXISTS (SELECT 1 FROM seedling_event s WHERE s.cup_number = c.number AND s.kind IN ('lost', 'given')
        AND NOT EXISTS (SELECT 1 FROM seedling_event u WHERE u.supersedes = s.id))`;
  const plants = db.prepare<unknown[], { bedId: string; cropId: string; plants: number }>(`
    SELECT ${wentToBed('m')} AS bedId, p.crop_id AS cropId, count(*) AS plants ${IN_BED}
      AND (m.bed_id IS NOT NULL OR EXISTS (SELECT 1 FROM correction x WHERE x.target_id = m.entry_id))
    GROUP BY 1, 2 HAVING bedId IS NOT NULL`);

  const shelf = shelving(db, 'bed', 'bed', {
    hangs: [
      {
        count: `SELECT (SELECT count(*) FROM move WHERE bed_id = @id) + (SELECT count(*) FROM correction WHERE bed_id = @id)`,
        told: (moves) => `${counted(moves, 'move')} went into it`,
      },
    ],
    own: ['DELETE FROM soil_reading WHERE bed_id = @id'],
  });

  function bedOf(row: BedRow, nowMs: number, planted: ReturnType<typeof plants.all>): Bed {
    const soil = soils.get(row.id, nowMs, 1);
    const own = planted
      .filter(({ bedId }) => bedId === row.id)
      .map(({ cropId, plants: count }) => ({ cropId, name: crops.crop(cropId).name, plants: count }));
    const area = own.reduce((sum, { cropId, plants: count }) => {
      const { spacingCm } = crops.crop(cropId).growing;
      return sum + (spacingCm === null ? 0 : plantM2(spacingCm) * count);
    }, 0);
    return {
      id: row.id,
      name: row.name,
      widthM: row.width_m,
      lengthM: row.length_m,
      madeYear: row.made_year,
      version: row.version,
      taken: { plants: own.reduce((sum, { plants: count }) => sum + count, 0), areaM2: area, crops: own },
      soil: soil ? { celsius: soil.celsius, source: soil.source, ageDays: Math.max(Math.floor((nowMs - soil.dayMs) / DAY_MS), 0) } : null,
    };
  }
  const get = (id: string): BedRow => {
    const row = one.get(id);
    if (!row) throw Problem.unknown('bed');
    return row;
  };
  const told = (rows: readonly BedRow[], nowMs: number): Bed[] => {
    const planted = rows.length === 0 ? [] : plants.all();
    return rows.map((row) => bedOf(row, nowMs, planted));
  };
  return {
    ...shelf,
    list: (nowMs: number): Bed[] => told(all.all(), nowMs),
    /** Put away: kept in records, offered no more. */
    away: (nowMs: number): Bed[] => told(away.all(), nowMs),
    get,
    add: (body: BedRequest, nowMs: number): void => {
      insert.run({ ...body, nowMs });
    },
    /** Renamed, measured anew, or given its age. */
    change(id: string, { version, name, widthM, lengthM, madeYear }: BedChange): void {
      shelf.checkVersion(id, version);
      update.run({ id, name, widthM, lengthM, madeYear });
    },
    /** The last readings of its soil, the newest first. */
    soilReadings: (id: string, zone: string, nowMs: number, most: number) =>
      soils
        .all(get(id).id, nowMs, most)
        .map(({ dayMs, ...soil }) => ({ ...soil, day: DateTime.fromMillis(dayMs, { zone }).toISODate() ?? '' })),
    /** When a reading of its soil was taken, ms. @throws Problem where there is none that stands */
    soilMs(bedId: string, soilId: string): number {
      const found = soils.all(bedId, Number.MAX_SAFE_INTEGER, 10_000).find(({ id }) => id === soilId);
      if (!found) throw Problem.unknown('reading of this bed');
      return found.dayMs;
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
