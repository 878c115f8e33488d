import {
  copyFileSync,
  existsSync,
  fsyncSync,
  linkSync,
  mkdirSync,
  openSync,
  closeSync,
  readFileSync,
  readSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import Sqlite from 'better-sqlite3';
import { migrationFiles } from '../db/database.js';
import { DatabaseTrouble, identify } from '../db/identity.js';
import { contentOf, photoPath } from '../photos/files.js';
import { unpack } from './unpack.js';

/** What stands in a copy, so that one sees what one puts back. */
export interface CopyContent {
  /** How many migrations it has had. */
  readonly schema: number;
  readonly household: string | null;
  readonly packets: number;
  readonly batches: number;
  readonly looks: number;
  readonly seedlings: number;
  readonly photographs: number;
  /** Photographs whose files are not in the copy. */
  readonly photographsMissing: number;
  /** When the newest record in it was written, ms; null where there is none. */
  readonly newestMs: number | null;
  readonly bytes: number;
}

/** Work on whole databases, done in a thread of its own. */
export type Job =
  | { readonly kind: 'check'; readonly file: string }
  | { readonly kind: 'copy'; readonly file: string; readonly photos: string; readonly to: string; readonly madeMs: number }
  | { readonly kind: 'single'; readonly file: string; readonly to: string }
  | { readonly kind: 'receive'; readonly file: string; readonly to: string; readonly madeMs: number }
  | { readonly kind: 'look'; readonly folder: string }
  | { readonly kind: 'lay'; readonly from: string; readonly file: string; readonly photos: string };

export interface JobResults {
  /** What is wrong with the file, in SQLite's words; null where nothing is. */
  check: string | null;
  copy: CopyContent;
  single: null;
  receive: CopyContent;
  look: CopyContent;
  lay: null;
}

const DATABASE = 'household.sqlite';
const PHOTOS = 'photos';

/** Sees to it that a file, or a folder's list of files, is on the disk. */
function settle(path: string): void {
  const handle = openSync(path, 'r');
  try {
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
}

function damageOf(db: Sqlite.Database): string | null {
  const rows = db.pragma('quick_check(5)') as { quick_check: string }[];
  return rows.length === 1 && rows[0]?.quick_check === 'ok' ? null : rows.map(({ quick_check }) => quick_check).join('; ');
}

/** A file of a copy at its place: linked where the disk can, for what did not change takes no room twice. */
function put(from: string, to: string): void {
  if (existsSync(to)) return;
  mkdirSync(dirname(to), { recursive: true, mode: 0o700 });
  try {
    linkSync(from, to);
  } catch {
    copyFileSync(from, to);
    settle(to);
  }
}

const tablesOf = (db: Sqlite.Database): Set<string> =>
  new Set(db.prepare("SELECT name FROM sqlite_master WHERE type = 'table'").pluck().all() as string[]);

interface PhotoFile {
  readonly content: string;
  readonly type: string;
  readonly size: number;
}
const photosIn = (db: Sqlite.Database): PhotoFile[] =>
  tablesOf(db).has('photo_inside') ? (db.prepare('SELECT content, type, size FROM photo').all() as PhotoFile[]) : [];

/**
 * Opens a copy and reads it through.
 *
 * @throws DatabaseTrouble where it is no Fresh Tuck database, newer than this program, or damaged
 */
function lookInto(folder: string): CopyContent {
  const file = join(folder, DATABASE);
  const known = identify(file, migrationFiles().length);
  if (known.is === 'new') throw new DatabaseTrouble(`There is no household in ${file}.`, 'there is no household in it');
  const db = new Sqlite(file, { readonly: true });
  try {
    const damage = damageOf(db);
    if (damage !== null)
      throw new DatabaseTrouble(`The copy ${file} is damaged and is not put back: ${damage}`, `it is damaged (${damage})`);
    const tables = tablesOf(db);
    const count = (table: string): number =>
      tables.has(table) ? (db.prepare(`SELECT count(*) FROM "${table}"`).pluck().get() as number) : 0;
    const photos = photosIn(db);
    const missing = photos.filter(({ content, type, size }) => {
      const path = join(folder, PHOTOS, photoPath(content, type));
      return !existsSync(path) || statSync(path).size !== size;
    });
    return {
      schema: known.schema,
      household: (db.prepare('SELECT name FROM household').pluck().get() as string | undefined) ?? null,
      packets: count('packet'),
      batches: count('batch'),
      looks: count('look'),
      seedlings: count('cup'),
      // Before photographs were files they lay in the database.
      photographs: tables.has('photo_inside') ? photos.length + count('photo_inside') : count('photo'),
      photographsMissing: missing.length,
      newestMs: db.prepare('SELECT max(recorded_ms) FROM act').pluck().get() as number | null,
      bytes: statSync(file).size + photos.reduce((sum, { size }) => sum + size, 0),
    };
  } finally {
    db.close();
  }
}

/** A whole copy of a database, taken in one go while others may write. */
async function single(file: string, to: string): Promise<void> {
  const db = new Sqlite(file, { readonly: true });
  try {
    // All pages in one step: SQLite would begin again whenever somebody saves in between.
    await db.backup(to, { progress: () => 2_000_000_000 });
  } finally {
    db.close();
  }
  const copy = new Sqlite(to);
  // A copy lies there as one file, whatever becomes of its neighbours.
  copy.pragma('journal_mode = DELETE');
  copy.close();
  settle(to);
}

async function copy(file: string, photos: string, to: string, madeMs: number): Promise<CopyContent> {
  const part = `${to}.part`;
  rmSync(part, { recursive: true, force: true });
  mkdirSync(part, { recursive: true, mode: 0o700 });
  await single(file, join(part, DATABASE));
  const db = new Sqlite(join(part, DATABASE), { readonly: true });
  const files = photosIn(db);
  db.close();
  for (const { content, type } of files) {
    const path = photoPath(content, type);
    if (existsSync(join(photos, path))) put(join(photos, path), join(part, PHOTOS, path));
  }
  const content = lookInto(part);
  writeFileSync(join(part, 'about.json'), JSON.stringify({ ...content, madeMs }), { mode: 0o600 });
  settle(join(part, 'about.json'));
  settle(part);
  rmSync(to, { recursive: true, force: true });
  renameSync(part, to);
  settle(dirname(to));
  return content;
}

function beginsWith(file: string, letters: string): boolean {
  const begin = Buffer.alloc(letters.length);
  const handle = openSync(file, 'r');
  try {
    readSync(handle, begin, 0, letters.length, 0);
  } finally {
    closeSync(handle);
  }
  return begin.toString('latin1') === letters;
}

/** Takes a file from outside: a database, or a packed copy with its photographs. */
async function receive(file: string, to: string, madeMs: number): Promise<CopyContent> {
  const part = `${to}.part`;
  rmSync(part, { recursive: true, force: true });
  mkdirSync(part, { recursive: true, mode: 0o700 });
  try {
    if (beginsWith(file, 'PK')) await unpack(file, part, { database: DATABASE, photos: PHOTOS });
    else renameSync(file, join(part, DATABASE));
    const content = lookInto(part);
    writeFileSync(join(part, 'about.json'), JSON.stringify({ ...content, madeMs }), { mode: 0o600 });
    rmSync(to, { recursive: true, force: true });
    renameSync(part, to);
    return content;
  } finally {
    rmSync(part, { recursive: true, force: true });
    rmSync(file, { force: true });
  }
}

/** Lays a copy where a household lies; nobody has it open. Until the last step the present one stands whole. */
function lay(from: string, file: string, photos: string): void {
  const db = new Sqlite(join(from, DATABASE), { readonly: true });
  const files = photosIn(db);
  db.close();
  for (const { content, type, size } of files) {
    const path = photoPath(content, type);
    const source = join(from, PHOTOS, path);
    const there = join(photos, path);
    if (existsSync(there) && (statSync(there).size !== size || contentOf(readFileSync(there)) !== content)) rmSync(there);
    if (existsSync(source)) put(source, there);
  }
  const incoming = `${file}.incoming`;
  copyFileSync(join(from, DATABASE), incoming);
  settle(incoming);
  // A log of the present household must not be played into the one that comes.
  const present = new Sqlite(file);
  present.pragma('journal_mode = DELETE');
  present.close();
  for (const end of ['-wal', '-shm']) rmSync(`${file}${end}`, { force: true });
  renameSync(incoming, file);
  settle(dirname(file));
}

/** Does a job. @throws DatabaseTrouble, or what the disk says */
export async function work<K extends Job['kind']>(job: Extract<Job, { kind: K }>): Promise<JobResults[K]> {
  const run = async (): Promise<unknown> => {
    const any = job as Job;
    switch (any.kind) {
      case 'check': {
        const db = new Sqlite(any.file, { readonly: true });
        try {
          return damageOf(db);
        } finally {
          db.close();
        }
      }
      case 'copy':
        return copy(any.file, any.photos, any.to, any.madeMs);
      case 'single':
        await single(any.file, any.to);
        return null;
      case 'receive':
        return receive(any.file, any.to, any.madeMs);
      case 'look':
        return lookInto(any.folder);
      case 'lay':
        lay(any.from, any.file, any.photos);
        return null;
    }
  };
  return (await run()) as JobResults[K];
}
