import { copyFileSync, mkdtempSync, readFileSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Sqlite from 'better-sqlite3';
import { v7 as uuid } from 'uuid';
import { dump, household, lookBody } from '../testing/household.js';
import { claimFolder } from './claim.js';
import { openDatabase } from './database.js';
import { DatabaseTrouble } from './identity.js';

describe('whose file it is', () => {
  let folder: string;
  let file: string;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'fresh-tuck-spec-'));
    file = join(folder, 'household.sqlite');
  });
  afterEach(() => rmSync(folder, { recursive: true, force: true }));

  const foreign = (make: (db: Sqlite.Database) => void): void => {
    const db = new Sqlite(file);
    make(db);
    db.close();
  };
  const FOREIGN: readonly [string, () => void, RegExp][] = [
    [
      'another program’s database',
      () => foreign((db) => db.exec('CREATE TABLE note (id INTEGER); PRAGMA user_version = 3')),
      /is not a Fresh Tuck database/,
    ],
    [
      'a database that wears another program’s mark, tables like ours or not',
      () => foreign((db) => db.exec('PRAGMA application_id = 4711; CREATE TABLE household (id INTEGER); CREATE TABLE entry (id INTEGER)')),
      /is not a Fresh Tuck database/,
    ],
    [
      'another program’s database in WAL mode',
      () => foreign((db) => db.exec('PRAGMA journal_mode = WAL; CREATE TABLE t (id INTEGER)')),
      /is not a Fresh Tuck/,
    ],
    ['a text', () => writeFileSync(file, 'Dear diary, '.repeat(40)), /no SQLite file, or its beginning is damaged/],
    ['the rest of a file whose beginning is gone', () => writeFileSync(file, Buffer.alloc(8192, 7)), /beginning is damaged/],
  ];
  for (const [what, make, says] of FOREIGN) {
    it(`leaves ${what} as it is, byte for byte, and says so in a sentence that names it`, () => {
      make();
      const before = readFileSync(file);
      expect(() => openDatabase(file)).toThrowMatching(
        (error: Error) =>
          error instanceof DatabaseTrouble && says.test(error.message) && error.message.includes(file) && error.message.includes('backups'),
      );
      expect(readFileSync(file).equals(before)).toBeTrue();
    });
  }

  it('takes in a file of the first versions, which wore no mark, and a damaged one not', async () => {
    const home = await household(file);
    await home.services.close();
    const db = new Sqlite(file);
    expect(db.pragma('application_id', { simple: true })).not.toBe(0);
    db.close();
    const cut = join(folder, 'cut.sqlite');
    copyFileSync(file, cut);
    truncateSync(cut, 30_000);
    expect(() => openDatabase(cut)).toThrowMatching((error: Error) => error instanceof DatabaseTrouble && /damaged/.test(error.message));
  });

  it('is for its owner’s eyes, and for one server at a time', () => {
    const inside = join(folder, 'fresh-tuck');
    const db = openDatabase(join(inside, 'household.sqlite'));
    expect(statSync(inside).mode & 0o777).toBe(0o700);
    for (const end of ['', '-wal', '-shm']) expect(statSync(`${join(inside, 'household.sqlite')}${end}`).mode & 0o777).toBe(0o600);
    db.close();
    const release = claimFolder(inside);
    expect(() => claimFolder(inside)).toThrowMatching((error: Error) => error instanceof DatabaseTrouble && error.message.includes(inside));
    release();
    claimFolder(inside)();
  });

  it('says when there is no place left, saves nothing by halves, and goes on when there is again', async () => {
    const home = await household(file);
    const url = `/api/batches/${home.batchId}/looks`;
    const note = 'x'.repeat(500);
    home.db.pragma(`max_page_count = ${home.db.pragma('page_count', { simple: true }) as number}`);
    let before = dump(home.db);
    let refused: { status: number; body: { detail: string } } | null = null;
    for (let look = 0; look < 200 && !refused; look++) {
      before = dump(home.db);
      const response = await home.request.post(url).set('Prefer', 'return=minimal').send(lookBody(0, { note }));
      if (response.status !== 201) refused = { status: response.status, body: response.body as { detail: string } };
    }
    expect(refused?.status).toBe(507);
    expect(refused?.body.detail).toMatch(/no place left on the disk/);
    expect(refused?.body.detail).toContain(file);
    expect(dump(home.db)).toBe(before);
    home.db.pragma('max_page_count = 1000000');
    await home.request
      .post(url)
      .send(lookBody(0, { id: uuid(), note }))
      .expect(201);
    await home.services.close();
  }, 30_000);
});
