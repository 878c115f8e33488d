import { readFileSync } from 'node:fs';
import Sqlite from 'better-sqlite3';
import { v7 as uuid } from 'uuid';
import { migrationFiles } from '@fresh-tuck/server';

const SCHEMA = 6;
const AT_MS = Date.parse('2026-04-08T18:30:00+02:00');

/** A household as version 6 of the schema left it, with batches, looks and photographs inside. */
export function older(file: string, batches: number): void {
  const db = new Sqlite(file);
  for (const name of migrationFiles().slice(0, SCHEMA)) db.exec(readFileSync(name, 'utf8'));
  db.pragma(`user_version = ${SCHEMA}`);
  const run = (sql: string, ...values: unknown[]): void => void db.prepare(sql).run(...values);
  db.transaction(() => {
    run(
      "INSERT INTO household (id, name, zone, units, looking_times, millilitres_per_spray, changed_ms) VALUES (1, 'Old', 'Europe/Copenhagen', 'metric', '[\"07:00\"]', 0.8, ?)",
      AT_MS,
    );
    const spot = uuid();
    const packet = uuid();
    run("INSERT INTO spot VALUES (?, 'Shelf', 'room', 1, ?)", spot, AT_MS);
    run("INSERT INTO packet (id, crop_id, variety, dressed, created_ms) VALUES (?, 'leek', 'Quay', 0, ?)", packet, AT_MS);
    for (let nth = 1; nth <= batches; nth++) {
      const [batch, towel, holder] = [uuid(), uuid(), uuid()];
      run("INSERT INTO holder VALUES (?, 'bag', 'sealed_air', ?)", holder, AT_MS);
      run('INSERT INTO holder_place VALUES (?, ?, ?, ?)', holder, spot, AT_MS, AT_MS);
      run(
        "INSERT INTO batch (id, number, token, packet_id, seeds, start_ms, prepared, dose_ml, recorded_ms) VALUES (?, ?, ?, ?, 8, ?, '[]', 7, ?)",
        batch,
        nth,
        uuid(),
        packet,
        AT_MS,
        AT_MS,
      );
      run('INSERT INTO towel (id, batch_id, width_mm, height_mm, plies) VALUES (?, ?, 140, 110, 2)', towel, batch);
      run('INSERT INTO towel_place VALUES (?, ?, ?)', towel, holder, AT_MS);
      for (let look = 0; look < 4; look++) {
        const entry = uuid();
        run(
          "INSERT INTO entry (id, batch_id, kind, at_ms, recorded_ms) VALUES (?, ?, 'look', ?, ?)",
          entry,
          batch,
          AT_MS + look * 3_600_000,
          AT_MS,
        );
        run("INSERT INTO look (entry_id, via, tipped, rotten, rewetted, troubles) VALUES (?, 'opened', ?, 0, 0, '[]')", entry, look);
        run('INSERT INTO act VALUES (?, ?, ?, ?, ?)', entry, `look ${batch}`, '0', AT_MS, 'null');
        if (look === 0)
          run(
            'INSERT INTO photo VALUES (?, ?, ?, ?, ?)',
            uuid(),
            entry,
            'image/png',
            Buffer.concat([Buffer.from('89504e470d0a1a0a', 'hex'), Buffer.alloc(40_000, nth)]),
            AT_MS,
          );
      }
    }
    run("UPDATE serial SET next = ? WHERE name = 'label'", batches + 1);
  })();
  db.close();
}
