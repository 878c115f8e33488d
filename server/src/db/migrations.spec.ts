import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Sqlite, { type Database } from 'better-sqlite3';
import supertest from 'supertest';
import { clockFrom } from '../clock.js';
import { createApp } from '../app.js';
import { servicesOn } from '../services.js';
import { NOW_MS } from '../testing/household.js';
import { addCodes, CODES } from './codes.js';
import { migrationFiles, openDatabase } from './database.js';
import { APPLICATION_ID } from './identity.js';

const AT_MS = NOW_MS - 3 * 86_400_000;
const id = (table: string, nth: number): string => {
  const hash = [...table]
    .reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) >>> 0, 7)
    .toString(16)
    .padStart(8, '0');
  return `${hash}-0000-7000-8000-${String(nth).padStart(12, '0')}`;
};

interface Column {
  readonly name: string;
  readonly type: string;
  readonly notnull: 0 | 1;
  readonly dflt_value: string | null;
}

/** What a column holds where its name alone does not say: the words of the day. */
const SAID: Readonly<Record<string, (nth: number) => unknown>> = {
  'household.id': () => 1,
  'household.zone': () => 'Europe/Copenhagen',
  'household.units': () => 'metric',
  'household.paper': () => null,
  'household.looking_times': () => '["07:00","18:30"]',
  'spot_setup.setup': () => '{"lidded":true,"cloths":0,"mat":null,"sun":null,"room":null,"pricePerKWh":null}',
  'spot_event.kind': (nth) => ['warm', 'sunny', 'power_cut'][nth - 1],
  'spot.kind': (nth) => ['cupboard', 'mat', 'fridge'][nth - 1],
  'packet.crop_id': (nth) => ['okra', 'leek', 'tomato'][nth - 1],
  'packet.year': () => 2024,
  'packet.generation': () => null,
  'packet.mother_id': () => null,
  'packet.father_id': () => null,
  'packet.isolation': () => 'distance',
  'packet.store_place': () => 'room',
  'packet.store_dryness': () => 'dry',
  'holder.kind': (nth) => ['bag', 'tub', 'tray'][nth - 1],
  'holder.closure': (nth) => ['sealed_air', 'corner_open', 'lidded'][nth - 1],
  'holder_closure.closure': () => 'sealed_flat',
  'batch.number': (nth) => nth,
  'batch.seeds': () => 8,
  'batch.method': (nth) => ['towel', 'pot', 'water'][nth - 1],
  'batch.purpose': () => 'plants',
  'batch.chill_until_ms': () => null,
  'batch.final_ms': () => null,
  'batch.taken': () => null,
  'batch.prepared': () => '["soak"]',
  'batch.aim': () => '{}',
  'batch.damped': (nth) => ['water', 'peroxide', null][nth - 1],
  'batch.wet': (nth) => ['wrung', 'free', null][nth - 1],
  'batch.light': (nth) => ['dark', 'indirect', null][nth - 1],
  'batch.chilled_days': () => 0,
  'batch.chill_dry': () => 0,
  'batch.from_id': (nth) => (nth === 2 ? id('batch', 1) : null),
  'batch.from_kind': (nth) => (nth === 2 ? 'restart' : null),
  'carrier.medium': (nth) => ['paper', 'cloth', null][nth - 1],
  'entry.kind': (nth) => ['look', 'move', 'close'][nth - 1],
  'entry.batch_id': () => id('batch', 3),
  'entry.supersedes': () => null,
  'look.entry_id': () => id('entry', 1),
  'look.via': () => 'opened',
  'look.damp': () => 'damp',
  'look.tipped': () => 4,
  'look.rotten': () => 1,
  'look.lost': () => 0,
  'look.based_on': () => null,
  'look.troubles': () => '["fuzz"]',
  'seed_mark.entry_id': () => id('entry', 1),
  'seed_mark.stage': (nth) => ['tip', 'root', 'swollen'][nth - 1],
  'seed_mark.seed': (nth) => nth,
  'move.entry_id': () => id('entry', 2),
  'move.destination': () => 'cup',
  'move.uncounted': () => 1,
  'move.bed_id': () => null,
  'move.snapped': () => 0,
  'move.quiet_planted': () => 0,
  'cup.number': (nth) => 100 + nth,
  'cup.entry_id': () => id('entry', 2),
  'cup.seed': () => null,
  'moved_seed.entry_id': () => id('entry', 2),
  'moved_seed.seed': (nth) => nth,
  'closing.entry_id': () => id('entry', 3),
  'closing.reason': () => 'all_moved',
  'seedling_event.kind': () => 'stage',
  'seedling_event.stage': (nth) => ['up', 'seed_leaves', 'true_leaves'][nth - 1],
  'seedling_event.supersedes': () => null,
  'seedling_event.cup_number': (nth) => 100 + nth,
  'soil_reading.source': () => 'soil',
  'crop_version.crop_id': () => 'okra',
  'crop_version.book_id': () => 'okra',
  'crop_version.name': () => null,
  'photo.entry_id': () => id('entry', 1),
  'photo.content': (nth) => String(nth).repeat(64),
  'photo.bytes': () => Buffer.from('89504e470d0a1a0a', 'hex'),
  'act.reply': () => 'null',
  'photo_inside.bytes': () => Buffer.from('89504e470d0a1a0a', 'hex'),
  'photo_inside.entry_id': () => id('entry', 1),
  'towel.batch_id': (nth) => id('batch', nth),
  'carrier.batch_id': (nth) => id('batch', nth),
  'carrier.kind': (nth) => ['towel', 'pots', 'glass'][nth - 1],
  'round.batch_ids': () => '[]',
  'said.batch_id': (nth) => id('batch', nth),
  'seedling_now.cup_number': (nth) => 100 + nth,
  'seedling_now.stage': (nth) => ['up', 'seed_leaves', 'true_leaves'][nth - 1],
  'seedling_now.left_as': () => null,
  'household.nursing': () => '{}',
  'household.late_tolerance': () => 0.04,
  'wish_word.told': () => null,
  'trial_word.told': () => null,
  'note_word.told': () => null,
  'note_photo.content': (nth) => String(nth).repeat(64),
  'frost_word.told': () => '{"recordId":null,"spring":{"monthDay":"05-10","giveDays":10},"autumn":null,"thresholdC":0,"shelterK":0}',
  'frost_record.minima': () => '[12,null,-3]',
  'seedling_event.told': () => '{}',
  'care.kind': (nth) => ['seen', 'cover', 'place'][nth - 1],
  'care.told': (nth) => ['{}', '{"cover":"off"}', '{}'][nth - 1],
  'spot_light.light': () => '{"daylit":"window","facing":"noon","glazing":"two","metresIn":0,"opposite":false,"lamp":null}',
};
const ONE_ROW = ['household', 'look', 'move', 'closing'];
/** Kept empty: nothing points to them, or they are filled by what is. */
const LEFT_OUT = ['serial', 'recount', 'class_count', 'correction', 'amendment'];

function columnsOf(db: Database, table: string): Column[] {
  return db.pragma(`table_info("${table}")`) as Column[];
}
const tablesOf = (db: Database): string[] =>
  db
    .prepare<[], string>("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'")
    .pluck()
    .all()
    // Lookup tables hold the application's lists, laid down at every start.
    .filter((name) => !(name in CODES));

/** A value of the right kind for a column. */
function valueOf(db: Database, table: string, { name, type }: Column, nth: number): unknown {
  const said = SAID[`${table}.${name}`];
  if (said) return said(nth);
  const [parent] = (db.pragma(`foreign_key_list("${table}")`) as { from: string; table: string }[]).filter(({ from }) => from === name);
  if (parent) return id(parent.table, nth);
  if (name === 'id') return id(table, nth);
  if (name === 'from_ms') return AT_MS + nth * 60_000;
  if (name === 'to_ms') return AT_MS + 86_400_000 + nth * 60_000;
  if (name.endsWith('_ms')) return AT_MS + nth;
  if (name === 'min_c') return 22;
  if (name === 'max_c') return 26;
  if (type === 'TEXT')
    return ['ways', 'figures', 'facts', 'second_step', 'frost', 'before', 'after', 'words'].includes(name) ? '{}' : `${name} ${nth}`;
  if (type === 'REAL') return 2 + nth;
  if (type === 'BLOB') return Buffer.from([nth]);
  return ['dressed', 'rewetted', 'removed', 'full', 'planted', 'skipped'].includes(name) ? 0 : nth;
}

/** Three rows of everything that a schema has. */
function populate(db: Database): void {
  db.pragma('foreign_keys = OFF');
  if (db.prepare("SELECT 1 FROM sqlite_master WHERE name = 'closing_reason'").get()) addCodes(db);
  for (const table of tablesOf(db)) {
    if (LEFT_OUT.includes(table)) continue;
    for (let nth = 1; nth <= (ONE_ROW.includes(table) ? 1 : 3); nth++) {
      const columns = columnsOf(db, table);
      db.prepare(`INSERT INTO "${table}" (${columns.map(({ name }) => name).join()}) VALUES (${columns.map(() => '?').join()})`).run(
        ...columns.map((column) => valueOf(db, table, column, nth)),
      );
    }
  }
  expect(db.pragma('foreign_key_check')).toEqual([]);
}

/** Where a table of an older schema is today, and under which names its columns go. */
const NOW: Readonly<Record<string, string>> = { towel: 'carrier', towel_place: 'carrier_place' };
const COLUMN_NOW: Readonly<Record<string, string>> = { towel_id: 'carrier_id', towel: 'carrier' };
/** Figures that are said of something else since a schema. */
const RESCALED: Readonly<Record<string, { readonly since: number; readonly by: (value: number) => number }>> = {
  'household.late_tolerance': { since: 17, by: (perLook) => 2 * perLook },
};
const hasRowid = (db: Database, table: string): boolean => (db.pragma(`table_list("${table}")`) as { wr: 0 | 1 }[])[0]?.wr === 0;
const rowsOf = (db: Database, table: string): Record<string, unknown>[] =>
  db
    .prepare<[], Record<string, unknown>>(
      hasRowid(db, table) ? `SELECT rowid AS at, * FROM "${table}" ORDER BY rowid` : `SELECT * FROM "${table}"`,
    )
    .all();

describe('an upgrade', () => {
  let folder: string;
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'fresh-tuck-spec-'))));
  afterEach(() => rmSync(folder, { recursive: true, force: true }));

  for (let schema = 1; schema < migrationFiles().length; schema++) {
    it(`keeps every row of a populated database of schema ${schema}, in its order, and every screen reads it`, async () => {
      const file = join(folder, 'household.sqlite');
      const old = new Sqlite(file);
      for (const name of migrationFiles().slice(0, schema)) old.exec(readFileSync(name, 'utf8'));
      populate(old);
      old.pragma(`user_version = ${schema}`);
      if (schema >= 7) old.pragma(`application_id = ${APPLICATION_ID}`);
      const before = new Map(tablesOf(old).map((table) => [table, rowsOf(old, table)]));
      old.close();

      const db = openDatabase(file);
      expect(db.pragma('foreign_key_check')).toEqual([]);
      expect(db.pragma('foreign_keys', { simple: true })).toBe(1);
      for (const [table, rows] of before) {
        const today = table === 'photo' && schema < 7 ? 'photo_inside' : (NOW[table] ?? table);
        const after = rowsOf(db, today);
        const names = new Set(columnsOf(db, today).map(({ name }) => name));
        expect(after.length).withContext(table).toBe(rows.length);
        rows.forEach((row, index) => {
          for (const [column, value] of Object.entries(row)) {
            const name = COLUMN_NOW[column] ?? column;
            if (name !== 'at' && !names.has(name)) continue;
            const rescaled = RESCALED[`${table}.${column}`];
            const meant = rescaled && schema < rescaled.since ? rescaled.by(value as number) : value;
            expect(after[index]?.[name]).withContext(`${table}.${column}`).toEqual(meant);
          }
        });
      }
      const services = servicesOn(db, clockFrom(NOW_MS, true), { demo: false, version: 'test' });
      const request = supertest(createApp(services, { log: () => undefined }));
      const paths = [
        'today',
        'batches',
        'box',
        'nursery',
        'spots',
        'holders',
        'beds',
        'racks',
        `batches/${id('batch', 3)}`,
        `packets/${id('packet', 1)}`,
      ];
      for (const path of paths) {
        const { status, body } = (await request.get(`/api/${path}`)) as { status: number; body: unknown };
        expect(status)
          .withContext(`${path}: ${JSON.stringify(body).slice(0, 200)}`)
          .toBe(200);
      }
      await services.close();
    });
  }
});

describe('codes', () => {
  it('stand in lookup tables that hold every list of the application, and nothing else is written', () => {
    const db = openDatabase(':memory:');
    for (const [table, codes] of Object.entries(CODES)) {
      const stored = db.prepare<[], string>(`SELECT code FROM ${table}`).pluck().all();
      expect(new Set(stored)).withContext(table).toEqual(new Set(codes));
    }
    expect(() => db.prepare("INSERT INTO holder VALUES ('x', 'bucket', 'sealed_air', 0)").run()).toThrowError(/FOREIGN KEY/);
    // No closed list of words is left in a table.
    const sql = db.prepare<[], string>("SELECT group_concat(sql) FROM sqlite_master WHERE type = 'table'").pluck().get() ?? '';
    expect(sql).not.toMatch(/CHECK \(\w+ IN \('/);
    db.close();
  });

  it('every child of the journal is append-only by trigger', () => {
    const db = openDatabase(':memory:');
    const children = db
      .prepare<[], string>("SELECT name FROM sqlite_master WHERE type = 'table'")
      .pluck()
      .all()
      .filter((table) =>
        (db.pragma(`foreign_key_list("${table}")`) as { table: string }[]).some((key) => key.table === 'entry' || key.table === 'cup'),
      )
      // What an older version kept inside is moved out, and how seedlings stand is made of what was said of them.
      .filter((table) => table !== 'photo_inside' && table !== 'seedling_now');
    expect(children.length).toBeGreaterThanOrEqual(10);
    const triggers = db.prepare<[], string>("SELECT name FROM sqlite_master WHERE type = 'trigger'").pluck().all();
    for (const table of [...children, 'entry']) expect(triggers).toEqual(jasmine.arrayContaining([`${table}_stays`, `${table}_kept`]));
    db.close();
  });
});
