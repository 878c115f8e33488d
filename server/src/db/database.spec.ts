import { fork } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import Sqlite from 'better-sqlite3';
import type { BatchWithJournal } from '@fresh-tuck/contract';
import { household, lookBody } from '../testing/household.js';
import { migrationFiles, openDatabase } from './database.js';

describe('the database', () => {
  let folder: string;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'fresh-tuck-spec-'));
  });
  afterEach(() => rmSync(folder, { recursive: true, force: true }));

  it('finds everything again after a restart', async () => {
    const file = join(folder, 'household.sqlite');
    const home = await household(file);
    await home.request.post(`/api/batches/${home.batchId}/looks`).send(lookBody()).expect(201);
    const before = (await home.request.get(`/api/batches/${home.batchId}`)).body as BatchWithJournal;
    await home.services.close();
    const db = openDatabase(file);
    expect((db.prepare('SELECT count(*) AS n FROM look').get() as { n: number }).n).toBe(1);
    expect((db.prepare('SELECT number FROM batch').get() as { number: number }).number).toBe(before.number);
    db.close();
    // Every save is flushed to the disk, which a busy machine makes wait.
  }, 30_000);

  it('keeps a copy before an upgrade, and refuses a file of a newer version', () => {
    const file = join(folder, 'old.sqlite');
    const old = new Sqlite(file);
    for (const name of migrationFiles().slice(0, 6)) old.exec(readFileSync(name, 'utf8'));
    old.pragma('user_version = 6');
    old.close();
    openDatabase(file).close();
    // One copy however many steps the upgrade has.
    expect(readdirSync(join(folder, 'backups'))).toEqual(['before-upgrade-from-006.sqlite']);
    const db = openDatabase(file);
    db.pragma('user_version = 99');
    db.close();
    expect(() => openDatabase(file)).toThrowError(/newer Fresh Tuck/);
  });

  it('keeps every acknowledged look, and nothing by halves, when the server is killed in the middle of 200 saves', async () => {
    const file = join(folder, 'killed.sqlite');
    const child = fork(fileURLToPath(new URL('../testing/saver.ts', import.meta.url)), [file], {
      execArgv: ['--import', 'tsx'],
      stdio: 'inherit',
    });
    const acknowledged: string[] = [];
    child.on('message', (id: string) => {
      acknowledged.push(id);
      if (acknowledged.length === 83) child.kill('SIGKILL');
    });
    await once(child, 'exit');
    expect(acknowledged.length).toBeGreaterThanOrEqual(83);
    expect(acknowledged.length).toBeLessThan(200);
    const db = openDatabase(file);
    expect(db.pragma('integrity_check', { simple: true })).toBe('ok');
    expect(db.pragma('foreign_key_check')).toEqual([]);
    const kept = new Set((db.prepare('SELECT id FROM entry').all() as { id: string }[]).map(({ id }) => id));
    expect(acknowledged.filter((id) => !kept.has(id))).toEqual([]);
    // Each look is whole: its entry, its look, its three marks and its act, or nothing of it.
    const halves = db
      .prepare(
        `SELECT e.id FROM entry e WHERE NOT EXISTS (SELECT 1 FROM look l WHERE l.entry_id = e.id)
          OR NOT EXISTS (SELECT 1 FROM act a WHERE a.id = e.id) OR (SELECT count(*) FROM seed_mark m WHERE m.entry_id = e.id) <> 3`,
      )
      .all();
    expect(halves).toEqual([]);
    expect((db.prepare("SELECT count(*) AS n FROM act WHERE kind LIKE 'look%'").get() as { n: number }).n).toBe(kept.size);
    db.close();
  }, 60_000);
});
