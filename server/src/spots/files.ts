import type { ImportRequest } from '@fresh-tuck/contract';
import type { Database } from '../db/database.js';
import { standing } from '../db/standing.js';
import { all, first, value, write } from '../db/statements.js';
import { Problem } from '../http/problem.js';

interface Hour {
  readonly fromMs: number;
  readonly toMs: number;
  readonly minC: number;
  readonly maxC: number;
}
interface FileRow {
  readonly id: string;
  readonly spot_id: string;
  readonly name: string;
  readonly lines: number;
  readonly hours: number;
  readonly begun_ms: number;
}
/** A logger's file that came whole. */
export interface LoggerFile {
  readonly id: string;
  readonly name: string;
  readonly lines: number;
  readonly hours: number;
  readonly known: number;
  readonly fromMs: number;
  readonly toMs: number;
  readonly recordedMs: number;
}

/** A reading counts: nobody took it back, and the file that it came with is whole and stands. @param row alias of reading */
export const countingReading = (row: string): string =>
  `${standing(row)} AND (${row}.import_id IS NULL OR ${row}.import_id IN (SELECT whole.id FROM reading_whole whole WHERE ${standing('whole')}))`;

/** Loggers' files: announced, brought in parts, and counted once whole. */
export function fileStore(db: Database) {
  const one = first<FileRow, [string]>(db, 'SELECT id, spot_id, name, lines, hours, begun_ms FROM reading_import WHERE id = ?');
  const insert = write<[Omit<ImportRequest, never> & { spotId: string; nowMs: number }]>(
    db,
    'INSERT INTO reading_import (id, spot_id, name, lines, hours, begun_ms) VALUES (@id, @spotId, @name, @lines, @hours, @nowMs)',
  );
  const whole = value<number, [string]>(db, 'SELECT 1 FROM reading_whole WHERE id = ?');
  // Word for word the same, by whatever way it came: it is known.
  const known = value<number, [{ spotId: string } & Hour]>(
    db,
    `SELECT 1 FROM reading r WHERE r.spot_id = @spotId AND r.from_ms = @fromMs AND r.to_ms = @toMs AND r.min_c = @minC AND r.max_c = @maxC
      AND ${countingReading('r')} LIMIT 1`,
  );
  const put = write<[{ id: string; spotId: string; importId: string; nowMs: number } & Hour]>(
    db,
    `INSERT INTO reading (id, spot_id, from_ms, to_ms, min_c, max_c, recorded_ms, import_id)
      VALUES (@id, @spotId, @fromMs, @toMs, @minC, @maxC, @nowMs, @importId) ON CONFLICT (id) DO NOTHING`,
  );
  const span = first<{ hours: number; fromMs: number | null; toMs: number | null }, [string]>(
    db,
    'SELECT count(*) AS hours, min(from_ms) AS fromMs, max(to_ms) AS toMs FROM reading WHERE import_id = ?',
  );
  const end = write<[{ id: string; fromMs: number; toMs: number; known: number; nowMs: number }]>(
    db,
    'INSERT INTO reading_whole (id, from_ms, to_ms, known, recorded_ms) VALUES (@id, @fromMs, @toMs, @known, @nowMs)',
  );
  const list = all<LoggerFile, [string]>(
    db,
    `SELECT i.id, i.name, i.lines, i.hours, w.known, w.from_ms AS fromMs, w.to_ms AS toMs, w.recorded_ms AS recordedMs
      FROM reading_import i JOIN reading_whole w ON w.id = i.id WHERE i.spot_id = ? AND ${standing('w')} ORDER BY w.rowid DESC`,
  );
  /** A file that is still coming. */
  function coming(spotId: string, id: string): FileRow {
    const row = one(id);
    if (row?.spot_id !== spotId) throw Problem.unknown('logger’s file at this spot');
    if (whole(id) !== undefined) throw new Problem(409, 'Already whole', 'This file is in already; nothing can be added to it.');
    return row;
  }
  return {
    begin: (spotId: string, request: ImportRequest, nowMs: number): void => void insert({ ...request, spotId, nowMs }),
    /** @returns how many of its hours were known already */
    part(spotId: string, importId: string, partId: string, hours: readonly Hour[], nowMs: number): number {
      coming(spotId, importId);
      let seen = 0;
      for (const [nth, hour] of hours.entries()) {
        if (known({ spotId, ...hour }) !== undefined) seen++;
        else put({ id: `${partId}-${nth}`, spotId, importId, nowMs, ...hour });
      }
      return seen;
    },
    /** The file is whole: from now on it counts. @throws Problem where parts are missing, or all of it is known */
    finish(spotId: string, id: string, nowMs: number): LoggerFile {
      const row = coming(spotId, id);
      const { hours = 0, fromMs = null, toMs = null } = span(id) ?? {};
      if (fromMs === null || toMs === null)
        throw new Problem(409, 'Known already', 'Every hour of this file is known already: it has been read before. Nothing was added.');
      end({ id, fromMs, toMs, known: row.hours - hours, nowMs });
      return { ...row, known: row.hours - hours, fromMs, toMs, recordedMs: nowMs };
    },
    list,
    spanOf(spotId: string, id: string): { fromMs: number; toMs: number } {
      const file = list(spotId).find((each) => each.id === id);
      if (!file) throw Problem.unknown('logger’s file at this spot');
      return file;
    },
  };
}
export type FileStore = ReturnType<typeof fileStore>;
