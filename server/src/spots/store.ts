import { DateTime } from 'luxon';
import {
  PLACE_KINDS,
  type PlaceKind,
  type Reading,
  type ReadingRequest,
  type Spot,
  type SpotChange,
  type SpotRequest,
} from '@fresh-tuck/contract';
import { counted, offsetHours, type UnitSystem } from '@fresh-tuck/core/units';
import { lastIsCold } from '@fresh-tuck/core/preparing';
import { placeNow, SPEAKS_MS } from '@fresh-tuck/core/warmth';
import { placeInWords } from '@fresh-tuck/core/words';
import type { Database } from '../db/database.js';
import { shelving } from '../shelf/shelved.js';
import { closed, liesIn, standing, stood, untucked } from '../db/standing.js';
import { Problem } from '../http/problem.js';
import { countingReading } from './files.js';

interface SpotRow {
  readonly id: string;
  readonly name: string;
  readonly kind: PlaceKind;
  readonly version: number;
  readonly holds: number | null;
}

interface ReadingRow {
  readonly id: string;
  readonly from_ms: number;
  readonly to_ms: number;
  readonly min_c: number;
  readonly max_c: number;
}

/** From, to, °C at the least and at the most. */
type RecordRow = readonly [number, number, number, number];

/** A place with its record, as the forecast wants it. */
export interface SpotRecord {
  readonly id: string;
  readonly name: string;
  readonly guess: { readonly minC: number; readonly maxC: number };
  readonly readings: readonly { fromMs: number; toMs: number; minC: number; maxC: number }[];
}

/** Days before a stay whose readings fill its gaps; no reading is longer, ms. */
const FLANK_MS = 6 * 86_400_000;
/** Readings that stand in for a stay nobody measured are no older than what still speaks. */
const STANDS_IN_MS = SPEAKS_MS;
/** How long before a stay its record begins, ms. */
export const RECORD_REACH_MS = FLANK_MS + STANDS_IN_MS;
/** How many of them there are. */
const NEAREST = 5;
/** Later than any reading, ms. */
const LATEST_MS = 8_640_000_000_000_000;

const readingOf = ([fromMs, toMs, minC, maxC]: RecordRow): SpotRecord['readings'][number] => ({ fromMs, toMs, minC, maxC });

/** Nothing stands where nothing is offered any more. */
const NONE: ReadonlyMap<string, number> = new Map();
/** Bags and trays that hold a batch which is still open, by the spot that they stand at: the open ones first, as the ended are many. */
const STANDING = `WITH live AS MATERIALIZED (SELECT b.id FROM batch b WHERE NOT ${closed('b.id')} AND NOT ${untucked('b.id')})
  SELECT p.spot_id AS spotId, count(DISTINCT p.holder_id) AS bags FROM live
    CROSS JOIN carrier t ON t.batch_id = live.id
    JOIN carrier_place c ON c.rowid = ${liesIn('t.id')}
    JOIN holder_place p ON p.rowid = (SELECT q.rowid FROM holder_place q WHERE q.holder_id = c.holder_id
      AND ${stood('holder_place', 'holder_id', 'q')} ORDER BY q.from_ms DESC, q.rowid DESC LIMIT 1)
  GROUP BY p.spot_id`;

export function spotStore(db: Database) {
  const standingNow = db.prepare<unknown[], { spotId: string; bags: number }>(STANDING);
  const bagsNow = (): ReadonlyMap<string, number> => new Map(standingNow.all().map(({ spotId, bags }) => [spotId, bags]));
  const all = db.prepare<unknown[], SpotRow>(
    'SELECT id, name, kind, version, holds FROM spot WHERE put_away_ms IS NULL ORDER BY walking_order, created_ms',
  );
  const away = db.prepare<unknown[], SpotRow>(
    'SELECT id, name, kind, version, holds FROM spot WHERE put_away_ms IS NOT NULL ORDER BY walking_order, created_ms',
  );
  const one = db.prepare<unknown[], SpotRow>('SELECT id, name, kind, version, holds FROM spot WHERE id = ?');
  const insert = db.prepare(`
    INSERT INTO spot (id, name, kind, holds, walking_order, created_ms)
    VALUES (@id, @name, @kind, @holds, (SELECT coalesce(max(walking_order), 0) + 1 FROM spot), @nowMs)`);
  const place = db.prepare('UPDATE spot SET walking_order = ? WHERE id = ?');
  const insertReading = db.prepare(`
    INSERT INTO reading (id, spot_id, from_ms, to_ms, min_c, max_c, recorded_ms)
    VALUES (@id, @spotId, @fromMs, @toMs, @minC, @maxC, @nowMs)`);
  // Rising by when they were written: where two cover the same day, the later one counts.
  // Hours of a logger are many: rows come as plain lists.
  const readings = db
    .prepare<unknown[], RecordRow>(
      `SELECT from_ms, to_ms, min_c, max_c FROM reading r WHERE spot_id = ? AND from_ms >= ? AND from_ms < ? AND ${countingReading('r')} ORDER BY rowid`,
    )
    .raw();
  const earlier = db
    .prepare<unknown[], RecordRow>(
      `SELECT from_ms, to_ms, min_c, max_c FROM reading r WHERE spot_id = ? AND from_ms < ? AND from_ms >= ? AND ${countingReading('r')}
      ORDER BY from_ms DESC LIMIT ?`,
    )
    .raw();
  const latest = db.prepare<unknown[], ReadingRow>(
    `SELECT id, from_ms, to_ms, min_c, max_c FROM reading r WHERE spot_id = ? AND ${countingReading('r')} ORDER BY from_ms DESC, rowid DESC LIMIT ?`,
  );

  const lastRead = db
    .prepare<unknown[], number>(
      `SELECT max(min(to_ms, recorded_ms)) FROM (SELECT to_ms, recorded_ms FROM reading r WHERE spot_id = ? AND from_ms < ? AND ${countingReading('r')}
        ORDER BY from_ms DESC LIMIT 3)`,
    )
    .pluck();
  const spanOf = db.prepare<unknown[], { from_ms: number; to_ms: number }>(
    `SELECT from_ms, to_ms FROM reading r WHERE spot_id = ? AND id = ? AND ${standing('r')}`,
  );

  const spotOf = (row: SpotRow, zone: string, units: UnitSystem, nowMs: number, bags: ReadonlyMap<string, number>): Spot => {
    const kind = PLACE_KINDS[row.kind];
    const last = latest.get(row.id, 1);
    return {
      id: row.id,
      name: row.name,
      kind: row.kind,
      version: row.version,
      holds: row.holds,
      taken: bags.get(row.id) ?? 0,
      guessMinC: kind.minC,
      guessMaxC: kind.maxC,
      latest: last
        ? { id: last.id, day: DateTime.fromMillis(last.from_ms, { zone }).toISODate() ?? '', minC: last.min_c, maxC: last.max_c }
        : null,
      inWords: placeInWords(placeNow(record(row.id, nowMs, Infinity).readings, guessFor(row), nowMs, offsetHours(zone, nowMs)), units),
    };
  };

  function get(id: string): SpotRow {
    const row = one.get(id);
    if (!row) throw Problem.unknown('warm spot');
    return row;
  }
  const guessFor = ({ kind }: SpotRow): SpotRecord['guess'] => ({ minC: PLACE_KINDS[kind].minC, maxC: PLACE_KINDS[kind].maxC });

  /**
   * A place with its record of a stay: what was read from some days before it on, which
   * fill its gaps; where nothing was, the last readings of the month before. What was read
   * after it left does not speak for it: a place is heated in another season.
   */
  function record(id: string, fromMs: number, toMs: number): SpotRecord {
    const row = get(id);
    const lowMs = fromMs - FLANK_MS;
    const highMs = Math.min(toMs, LATEST_MS);
    const within = readings.all(id, lowMs, highMs);
    const before = (): RecordRow[] => earlier.all(id, lowMs, lowMs - STANDS_IN_MS, NEAREST).reverse();
    return { id, name: row.name, guess: guessFor(row), readings: (within.length > 0 ? within : before()).map(readingOf) };
  }
  const shelf = shelving(db, 'spot', 'warm spot', {
    hangs: [
      {
        count: `SELECT count(DISTINCT holder_id) FROM holder_place p WHERE spot_id = @id`,
        told: (bags) => `${counted(bags, 'bag')} stood there`,
      },
      {
        count: `SELECT count(*) FROM reading r WHERE spot_id = @id AND ${standing('r')}`,
        told: (readings) => `${counted(readings, 'reading')} ${readings === 1 ? 'was' : 'were'} taken there`,
      },
    ],
    inUse: [
      {
        count: `SELECT coalesce(max(bags), 0) FROM (${STANDING}) WHERE spotId = @id`,
        told: (bags) => `${counted(bags, 'bag stands', 'bags stand')} there now`,
      },
    ],
    own: ['DELETE FROM reading WHERE spot_id = @id'],
  });
  const rename = db.prepare('UPDATE spot SET name = @name, kind = @kind, holds = @holds, version = version + 1 WHERE id = @id');

  return {
    /** Whether any spot is cold enough to chill seed, by its last reading or else by what such places are like. */
    anyCold: (atMs: number): boolean =>
      all.all().some(({ id }) => {
        const { readings, guess } = record(id, atMs, LATEST_MS);
        return lastIsCold([{ fromMs: atMs, readings, guess }]);
      }),
    ...shelf,
    /** Put away: kept in records, offered no more. */
    away: (zone: string, units: UnitSystem, nowMs: number): Spot[] => away.all().map((row) => spotOf(row, zone, units, nowMs, NONE)),
    /** Renamed, or said to be of another kind. */
    change(id: string, { name, kind, holds = null, version }: SpotChange): void {
      shelf.checkVersion(id, version);
      rename.run({ id, name, kind, holds });
    },
    /** The last readings, the newest first. */
    readings: (id: string, zone: string, most: number): Reading[] =>
      latest.all(get(id).id, most).map((row) => ({
        id: row.id,
        day: DateTime.fromMillis(row.from_ms, { zone }).toISODate() ?? '',
        minC: row.min_c,
        maxC: row.max_c,
      })),
    /** What a reading spoke of, ms. @throws Problem where there is none that stands */
    readingSpan(spotId: string, readingId: string): { fromMs: number; toMs: number } {
      const row = spanOf.get(spotId, readingId);
      if (!row) throw Problem.unknown('reading at this spot');
      return { fromMs: row.from_ms, toMs: row.to_ms };
    },
    list(zone: string, units: UnitSystem, nowMs: number): Spot[] {
      const bags = bagsNow();
      return all.all().map((row) => spotOf(row, zone, units, nowMs, bags));
    },
    /** Every spot, in walking order. */
    ids: (): string[] => all.all().map(({ id }) => id),
    get,
    has: (id: string): boolean => one.get(id) !== undefined,
    record,
    /** A place's record from a moment on, read once and cut to each stay that is asked for. */
    since(id: string, sinceMs: number): (fromMs: number, toMs: number) => SpotRecord {
      const row = get(id);
      const all = readings.all(id, sinceMs - FLANK_MS, LATEST_MS).map(readingOf);
      return (fromMs, toMs) => {
        const within = all.filter((reading) => reading.fromMs >= fromMs - FLANK_MS && reading.fromMs < toMs);
        return within.length > 0 ? { id, name: row.name, guess: guessFor(row), readings: within } : record(id, fromMs, toMs);
      };
    },
    /** When its thermometer was read last, ms; null where it never was. */
    lastReadMs: (id: string, nowMs: number): number | null => lastRead.get(id, nowMs) ?? null,
    /** What such a place is usually like, °C. */
    guessOf: (id: string): SpotRecord['guess'] => guessFor(get(id)),
    add: ({ holds = null, ...request }: SpotRequest, nowMs: number): void => {
      insert.run({ ...request, holds, nowMs });
    },
    /** @throws Problem unless every spot is named once */
    order(ids: readonly string[]): void {
      const known = all.all().map((row) => row.id);
      if (new Set(ids).size !== ids.length || known.length !== ids.length || known.some((id) => !ids.includes(id))) {
        throw Problem.field('spotIds', 'spotIds must name every warm spot once');
      }
      ids.forEach((id, index) => place.run(index + 1, id));
    },
    addReading(spotId: string, { id, day, minC, maxC }: ReadingRequest, zone: string, nowMs: number): Reading {
      get(spotId);
      const start = DateTime.fromISO(day, { zone }).startOf('day');
      if (start.toMillis() > nowMs) throw Problem.field('day', 'day must not lie in the future');
      insertReading.run({ id, spotId, fromMs: start.toMillis(), toMs: start.plus({ days: 1 }).toMillis(), minC, maxC, nowMs });
      return { id, day, minC, maxC };
    },
  };
}
export type SpotStore = ReturnType<typeof spotStore>;
