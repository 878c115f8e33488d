import { closeSync, openSync, readSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import Sqlite from 'better-sqlite3';

/** "FTuc" in the file's header: whose database it is (SQLite's application_id). */
export const APPLICATION_ID = 0x46547563;

/** What stands in the way of a household's file, in a sentence for people. */
export class DatabaseTrouble extends Error {
  /** @param reason the same in a few words, without the file's name */
  constructor(
    message: string,
    readonly reason = message,
  ) {
    super(message);
  }
}

/** Where copies of a database lie, beside it. */
export const copiesOf = (file: string): string => join(dirname(file), 'backups');

const whereCopies = (file: string): string => `Copies, where some were made, lie in ${copiesOf(file)}.`;

/** What a file is, read without writing anything into it. */
export type Identity = { readonly is: 'new' } | { readonly is: 'ours'; /** How many migrations it has had. */ readonly schema: number };

const MAGIC = 'SQLite format 3\0';
/** Offsets of the header's big-endian figures (sqlite.org/fileformat2.html, 1.3). */
const USER_VERSION_AT = 60;
const APPLICATION_ID_AT = 68;
/** Tables that files of the first versions have, which wore no name yet. */
const FIRST_TABLES = ['household', 'entry', 'act', 'serial'];
const NAMELESS_SCHEMAS = 6;

function headerOf(file: string): Buffer | null {
  let size: number;
  try {
    ({ size } = statSync(file));
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return null;
    throw new DatabaseTrouble(`The database ${file} cannot be read (${(error as Error).message}). Nothing in it was touched.`);
  }
  if (size === 0) return null;
  const header = Buffer.alloc(100);
  try {
    const handle = openSync(file, 'r');
    try {
      readSync(handle, header, 0, 100, 0);
    } finally {
      closeSync(handle);
    }
  } catch (error) {
    throw new DatabaseTrouble(
      `The database ${file} cannot be read (${(error as NodeJS.ErrnoException).code ?? 'no reason given'}). Nothing in it was touched; give this account leave to read and write it.`,
    );
  }
  return header;
}

const foreign = (file: string): DatabaseTrouble =>
  new DatabaseTrouble(
    `${file} is not a Fresh Tuck database, so it is left as it is. Move it away, or name another folder in FRESH_TUCK_DATA. ${whereCopies(file)}`,
    'it is not a Fresh Tuck database',
  );

/**
 * Says whose a database file is. The header is read as bytes first; only a file
 * that may be ours is opened, and for reading alone.
 *
 * @param schemas migrations that this version knows
 * @throws DatabaseTrouble in a sentence that names the file, what is safe and where copies are
 */
export function identify(file: string, schemas: number): Identity {
  const header = headerOf(file);
  if (header === null) return { is: 'new' };
  if (header.toString('latin1', 0, 16) !== MAGIC) {
    throw new DatabaseTrouble(
      `${file} is no SQLite file, or its beginning is damaged. It is left as it is. Put a copy back in its place (see the README), or move it away. ${whereCopies(file)}`,
      'it is no SQLite file and no packed copy, or its beginning is damaged',
    );
  }
  const stamped = header.readInt32BE(APPLICATION_ID_AT);
  if (stamped !== 0 && stamped !== APPLICATION_ID) throw foreign(file);
  let schema = header.readInt32BE(USER_VERSION_AT);
  if (stamped === 0) {
    // A name or a table may stand only in the write-ahead log yet.
    const db = opened(file);
    try {
      schema = db.pragma('user_version', { simple: true }) as number;
      const named = db.pragma('application_id', { simple: true }) === APPLICATION_ID;
      const tables = new Set(
        (db.prepare("SELECT name FROM sqlite_master WHERE type = 'table'").all() as { name: string }[]).map(({ name }) => name),
      );
      if (tables.size === 0 && schema === 0) return { is: 'new' };
      if (!named && !(schema >= 1 && schema <= NAMELESS_SCHEMAS && FIRST_TABLES.every((name) => tables.has(name)))) throw foreign(file);
    } catch (error) {
      throw troubleFrom(error, file) ?? error;
    } finally {
      db.close();
    }
  }
  if (schema > schemas) {
    throw new DatabaseTrouble(
      `The database ${file} was written by a newer Fresh Tuck (schema ${schema}); this one knows ${schemas}. Nothing in it was touched: start the newer version, or put an older copy back. ${whereCopies(file)}`,
      `it was written by a newer Fresh Tuck (schema ${schema}; this one knows ${schemas})`,
    );
  }
  return { is: 'ours', schema };
}

function opened(file: string): Sqlite.Database {
  try {
    return new Sqlite(file, { readonly: true, fileMustExist: true });
  } catch (error) {
    throw troubleFrom(error, file) ?? error;
  }
}

/**
 * What a failure of the database or of its disk means, in a sentence; null where
 * the failure is neither.
 */
export function troubleFrom(error: unknown, file: string): DatabaseTrouble | null {
  if (error instanceof DatabaseTrouble) return error;
  const code = (error as { code?: unknown } | null)?.code;
  if (typeof code !== 'string') return null;
  if (code === 'SQLITE_FULL' || code === 'ENOSPC' || code === 'EDQUOT') {
    return new DatabaseTrouble(
      `There is no place left on the disk of ${file}. What was saved before is safe, this was not saved: make room and try again. ${whereCopies(file)}`,
    );
  }
  if (code.startsWith('SQLITE_READONLY') || code === 'EROFS' || code === 'EACCES' || code === 'EPERM') {
    return new DatabaseTrouble(
      `${file} may not be written to. What stands in it is safe, this was not saved: give this account leave to write there. ${whereCopies(file)}`,
    );
  }
  if (code.startsWith('SQLITE_CORRUPT') || code === 'SQLITE_NOTADB') {
    return new DatabaseTrouble(
      `The database ${file} is damaged. Stop the server, keep the file, and put the newest copy back (see the README). ${whereCopies(file)}`,
      'it is damaged',
    );
  }
  if (code.startsWith('SQLITE_IOERR') || code.startsWith('SQLITE_CANTOPEN')) {
    return new DatabaseTrouble(
      `The disk of ${file} cannot be read or written just now (${code}). What was saved before stands; this was not saved. ${whereCopies(file)}`,
    );
  }
  if (code.startsWith('SQLITE_BUSY')) {
    return new DatabaseTrouble(`Another program is using ${file}. This was not saved: close that program and try again.`);
  }
  return null;
}
