import { DateTime } from 'luxon';
import { v5 as uuidFrom } from 'uuid';
import type { Bed, BedChange, BedRequest, SoilImport, SoilRequest } from '@fresh-tuck/contract';
import { plantM2, soilBest, soilFromAir, type SoilKnown } from '@fresh-tuck/core/moving';
import type { SeedlingStage } from '@fresh-tuck/core/nursing';
import { counted } from '@fresh-tuck/core/units';
import type { CropStore } from '../crops/store.js';
import type { Database } from '../db/database.js';
import { all } from '../db/statements.js';
import { shelving } from '../shelf/shelved.js';
import { bedOf as wentToBed, happened, standing } from '../db/standing.js';
import { GONE, MOVED, said, STAGE } from '../nursery/standing.js';
import type { WeatherStore } from '../nursery/weather.js';
import { Problem } from '../http/problem.js';

interface BedRow {
  readonly id: string;
  readonly name: string;
  readonly width_m: number;
  readonly length_m: number;
  readonly made_year: number | null;
  readonly version: number;
}
/** Plants of a batch that stand in a bed. */
export interface InBed {
  readonly bedId: string;
  readonly cropId: string;
  readonly batchId: string;
  readonly plants: number;
  /** The first of their labels. */
  readonly number: number;
}
/** One plant of a bed. */
export interface StandsInBed {
  readonly cropId: string;
  readonly variety: string;
  readonly batchId: string;
  readonly number: number;
  readonly sinceMs: number;
  readonly stage: SeedlingStage;
}
interface SoilRow {
  readonly id: string;
  readonly celsius: number;
  readonly source: 'soil' | 'air';
  readonly dayMs: number;
  readonly actId: string | null;
}

const DAY_MS = 86_400_000;
/** The soil follows the air of so many days. */
const AIR_DAYS = 14;

/** Beds with what stands in them and what is known of their soil. */
export function bedStore(db: Database, crops: CropStore, weather: Pick<WeatherStore, 'within'>) {
  const listed = db.prepare<unknown[], BedRow>('SELECT * FROM bed WHERE put_away_ms IS NULL ORDER BY created_ms, rowid');
  const away = db.prepare<unknown[], BedRow>('SELECT * FROM bed WHERE put_away_ms IS NOT NULL ORDER BY created_ms, rowid');
  const one = db.prepare<unknown[], BedRow>('SELECT * FROM bed WHERE id = ?');
  const insert = db.prepare(
    'INSERT INTO bed (id, name, width_m, length_m, made_year, created_ms) VALUES (@id, @name, @widthM, @lengthM, @madeYear, @nowMs)',
  );
  const update = db.prepare(
    'UPDATE bed SET name = @name, width_m = @widthM, length_m = @lengthM, made_year = @madeYear, version = version + 1 WHERE id = @id',
  );
  const insertSoil = db.prepare(
    'INSERT INTO soil_reading (id, bed_id, day_ms, celsius, source, recorded_ms, act_id) VALUES (@id, @bedId, @dayMs, @celsius, @source, @nowMs, @actId)',
  );
  // A thermometer in the soil tells more than the air of the same day.
  const soils = db.prepare<unknown[], SoilRow>(`
    SELECT id, celsius, source, day_ms AS dayMs, act_id AS actId FROM soil_reading s WHERE bed_id = ? AND day_ms <= ? AND ${standing('s')}
    ORDER BY day_ms DESC, source = 'soil' DESC, rowid DESC LIMIT ?`);
  // What was moved straight into a bed, and what was planted out into one, until it is harvested or gone.
  const STANDS = `${MOVED} AND NOT ${GONE} AND ${STAGE} <> 'harvested'`;
  const OUT_IN = `s.stage = 'planted_out' AND s.told IS NOT NULL AND ${said()}`;
  // Each with when it came to stand there.
  const IN_BEDS = `SELECT ${wentToBed('m')} AS bedId, p.crop_id AS cropId, p.variety, b.id AS batchId, c.number, ${happened('e')} AS sinceMs, ${STAGE} AS stage
      FROM cup c JOIN entry e ON e.id = c.entry_id JOIN move m ON m.entry_id = e.id JOIN batch b ON b.id = e.batch_id
        JOIN packet p ON p.id = b.packet_id
      WHERE m.entry_id IN (SELECT entry_id FROM move WHERE bed_id > '' UNION SELECT target_id FROM correction WHERE destination = 'bed')
        AND ${STANDS} AND NOT EXISTS (SELECT 1 FROM seedling_event s WHERE s.cup_number = c.number AND ${OUT_IN})
      UNION ALL
      SELECT json_extract(s.told, '$.bedId'), p.crop_id, p.variety, b.id, c.number, s.at_ms, ${STAGE}
      FROM seedling_now n CROSS JOIN seedling_event s ON s.cup_number = n.cup_number CROSS JOIN cup c ON c.number = s.cup_number
        JOIN entry e ON e.id = c.entry_id JOIN batch b ON b.id = e.batch_id JOIN packet p ON p.id = b.packet_id
      WHERE n.left_as IN ('planted_out', 'ripe') AND ${OUT_IN} AND ${MOVED}`;
  const plants = db.prepare<unknown[], InBed>(
    `SELECT bedId, cropId, batchId, count(*) AS plants, min(number) AS number FROM (${IN_BEDS})
    WHERE bedId IS NOT NULL GROUP BY bedId, cropId, batchId ORDER BY bedId, min(number)`,
  );
  const standingIn = all<StandsInBed, [string]>(db, `SELECT * FROM (${IN_BEDS}) WHERE bedId = ? ORDER BY number`);

  const shelf = shelving(db, 'bed', 'bed', {
    hangs: [
      {
        count: `SELECT (SELECT count(*) FROM move WHERE bed_id = @id) + (SELECT count(*) FROM correction WHERE bed_id = @id)
          + (SELECT count(*) FROM seedling_event WHERE stage = 'planted_out' AND told IS NOT NULL AND json_extract(told, '$.bedId') = @id)`,
        told: (moves) => `${counted(moves, 'move or plant', 'moves and plants')} went into it`,
      },
    ],
    own: ['DELETE FROM soil_reading WHERE bed_id = @id'],
  });

  /** The air of the last days tells something of every bed that nobody read. */
  const byAir = (nowMs: number): SoilKnown | null => soilFromAir(weather.within(nowMs - AIR_DAYS * DAY_MS, nowMs), nowMs);

  function bedOf(row: BedRow, nowMs: number, planted: readonly InBed[], estimated: SoilKnown | null): Bed {
    const last = soils.get(row.id, nowMs, 1);
    const read = last && { celsius: last.celsius, source: last.source, ageDays: Math.max(Math.floor((nowMs - last.dayMs) / DAY_MS), 0) };
    const counts = new Map<string, number>();
    for (const { bedId, cropId, plants: count } of planted) if (bedId === row.id) counts.set(cropId, (counts.get(cropId) ?? 0) + count);
    const own = [...counts].map(([cropId, count]) => ({ cropId, name: crops.crop(cropId).name, plants: count }));
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
      soil: soilBest(read ?? null, estimated),
    };
  }
  const get = (id: string): BedRow => {
    const row = one.get(id);
    if (!row) throw Problem.unknown('bed');
    return row;
  };
  const told = (rows: readonly BedRow[], nowMs: number): Bed[] => {
    if (rows.length === 0) return [];
    const [planted, estimated] = [plants.all(), byAir(nowMs)];
    return rows.map((row) => bedOf(row, nowMs, planted, estimated));
  };
  return {
    ...shelf,
    list: (nowMs: number): Bed[] => told(listed.all(), nowMs),
    /** What went into which bed together and stands there, in the order in which it was labelled. */
    planted: (): InBed[] => plants.all(),
    /** Every plant of a bed, in the order of the labels. */
    plantsIn: (bedId: string): StandsInBed[] => standingIn(bedId),
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
        .map(({ dayMs, actId: _, ...soil }) => ({ ...soil, day: DateTime.fromMillis(dayMs, { zone }).toISODate() ?? '' })),
    /** A reading of its soil that stands, or all that one file brought, by its id. @throws Problem where there is none */
    soilOf(bedId: string, soilId: string): { readonly id: string; readonly dayMs: number }[] {
      const found = soils.all(bedId, Number.MAX_SAFE_INTEGER, 10_000).filter(({ id, actId }) => id === soilId || actId === soilId);
      if (found.length === 0) throw Problem.unknown('reading of this bed');
      return found;
    },
    addSoil(bedId: string, { id, day, celsius, source }: SoilRequest, zone: string, nowMs: number): void {
      get(bedId);
      const dayMs = DateTime.fromISO(day, { zone }).startOf('day').toMillis();
      if (dayMs > nowMs) throw Problem.field('day', 'day must not lie in the future');
      insertSoil.run({ id, bedId, dayMs, celsius, source, nowMs, actId: null });
    },
    /** What a thermometer in the soil recorded, a mean a day; all of it or none. */
    importSoil(bedId: string, { id, days }: SoilImport, zone: string, nowMs: number): void {
      get(bedId);
      days.forEach(({ day, celsius }, nth) => {
        const dayMs = DateTime.fromISO(day, { zone }).startOf('day').toMillis();
        if (dayMs > nowMs) throw Problem.field('days.day', `days.day must not lie in the future: ${day} does`);
        insertSoil.run({ id: uuidFrom(String(nth), id), bedId, dayMs, celsius, source: 'soil', nowMs, actId: id });
      });
    },
  };
}
export type BedStore = ReturnType<typeof bedStore>;
