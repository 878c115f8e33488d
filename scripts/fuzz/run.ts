import { batchBody, householdBody, lookBody, moveBody, packetBody, spotBody } from '@fresh-tuck/contract/testing';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Sqlite from 'better-sqlite3';
import fc from 'fast-check';
import { v7 as uuid } from 'uuid';
import { clockFrom, createApp, listen, openDatabase, servicesOn } from '@fresh-tuck/server';
import { bodyOf, type Known } from './arbitrary.js';
import { ROUTES, type Route } from './routes.js';

/** What came of the requests. */
export interface Told {
  readonly requests: number;
  readonly byStatus: Readonly<Record<string, number>>;
  /** Answers that no server may give, and errors after which something had changed. */
  readonly wrong: readonly string[];
  readonly seconds: number;
}

const NOW_MS = Date.parse('2026-04-11T07:10:00+02:00');
const MOST_KNOWN = 40;
const WORDS = [
  '',
  'okra',
  'fine',
  'empty',
  'gone',
  'up',
  '%00',
  '__proto__',
  'a'.repeat(300),
  '..%2F..%2Fetc',
  '%F0%9F%8C%B1',
  '-1',
  '0',
  '12',
  '1e9',
  'NaN',
];

/** A household with something of everything, so that there is something to break. */
async function begin(address: string): Promise<void> {
  const send = async (method: string, path: string, body: object): Promise<void> => {
    const response = await fetch(`${address}api/${path}`, {
      method,
      headers: { 'content-type': 'application/json', prefer: 'return=minimal' },
      body: JSON.stringify({ id: uuid(), ...body }),
    });
    if (!response.ok) throw new Error(`${path}: ${await response.text()}`);
    await response.arrayBuffer();
  };
  await send('PUT', 'household', householdBody({ name: 'Fuzz' }));
  const spots = [uuid(), uuid()];
  for (const id of spots) await send('POST', 'spots', spotBody({ id }));
  await send('POST', 'beds', { name: 'Bed', widthM: 1, lengthM: 2, madeYear: null });
  for (const cropId of ['okra', 'leek', 'tomato', 'pea']) {
    const packetId = uuid();
    await send('POST', 'packets', packetBody({ id: packetId, cropId, printedRatePercent: 80, seedCount: 90_000 }));
    for (let nth = 0; nth < 3; nth++) {
      const id = uuid();
      await send('POST', 'batches', batchBody(packetId, spots[nth % 2] ?? '', { id, seeds: 40 }));
      await send('POST', `batches/${id}/looks`, lookBody(12, { seen: { tipped: 12, rotten: 1, basedOn: null } }));
      await send('POST', `batches/${id}/moves`, moveBody({ uncounted: 4 }));
    }
  }
}

/** Whether a refusal says what is wrong in words for people. */
function isSentence(text: string): boolean {
  try {
    const { detail } = JSON.parse(text) as { detail?: unknown };
    return typeof detail === 'string' && detail.length > 8 && !/SQLITE|node_modules|Invalid input/.test(detail);
  } catch {
    return false;
  }
}

/**
 * Sends requests that are drawn from the contract's own schemas, right ones and ones
 * that are a little or wholly wrong, one after another. After every refusal the
 * database must be what it was: another connection sees whether anything was committed.
 *
 * @param count how many; @param seed the same requests for the same seed
 */
export async function fuzz(count: number, seed: number): Promise<Told> {
  const folder = mkdtempSync(join(tmpdir(), 'fresh-tuck-fuzz-'));
  const file = join(folder, 'household.sqlite');
  const clock = clockFrom(NOW_MS, true);
  const services = servicesOn(openDatabase(file), clock, { demo: false, version: 'fuzz' });
  const { server, address } = await listen(
    createApp(services, { log: () => undefined, limitPerMinute: Number.MAX_SAFE_INTEGER }),
    0,
    '127.0.0.1',
  );
  const watch = new Sqlite(file, { readonly: true });
  const began = performance.now();
  const byStatus: Record<string, number> = {};
  const wrong: string[] = [];
  const pool = new Map<string, string[]>();
  const ids = (sql: string): string[] => (watch.prepare(sql).pluck().all() as (string | number)[]).map(String);
  const refresh = (): void => {
    const newest = (table: string): string[] => ids(`SELECT id FROM ${table} ORDER BY rowid DESC LIMIT ${MOST_KNOWN}`);
    const known: Record<string, string[]> = {
      batchId: newest('batch'),
      sittingId: newest('sitting'),
      lineId: newest('sitting_line'),
      packetId: newest('packet'),
      spotId: newest('spot'),
      holderId: newest('holder'),
      bedId: newest('bed'),
      entryId: [...newest('entry'), ...newest('seedling_event')],
      cropId: ['okra', 'leek', 'tomato', 'moonrock', ...ids('SELECT DISTINCT crop_id FROM crop_version LIMIT 10')],
      number: [...ids('SELECT number FROM cup ORDER BY number DESC LIMIT 20'), '0', '-1', '1.5', 'x'],
      photoId: newest('photo'),
      // Ids of requests that were made before: the same again, or another under the same id.
      id: ids('SELECT id FROM act ORDER BY rowid DESC LIMIT 3'),
    };
    const alias: Record<string, string> = {
      supersedes: 'entryId',
      basedOn: 'entryId',
      batchIds: 'batchId',
      spotIds: 'spotId',
      motherId: 'packetId',
      packetIds: 'packetId',
      fatherId: 'packetId',
      like: 'cropId',
    };
    for (const [name, list] of Object.entries(known)) pool.set(name, list);
    for (const [name, of] of Object.entries(alias)) pool.set(name, known[of] ?? []);
  };
  // An id is new for the most part; the others stand for something.
  const known: Known = (field) => (field === 'id' || field === 'newId' ? [] : (pool.get(field) ?? []));
  const draw = (() => {
    let nth = 0;
    return <T>(arbitrary: fc.Arbitrary<T>): T => fc.sample(arbitrary, { numRuns: 1, seed: seed * 1_000_003 + nth++ })[0] as T;
  })();
  const send = async (route: Route): Promise<{ status: number; text: string; told: string }> => {
    const path = route.path.replace(/:(\w+)/g, (_, name: string) => {
      const from = name === 'word' ? WORDS : (pool.get(name) ?? []);
      return from.length > 0 ? draw(fc.constantFrom(...from)) : draw(fc.uuid());
    });
    const body = route.schema ? draw(bodyOf(route.schema, known)) : undefined;
    const again = draw(fc.integer({ min: 0, max: 19 })) === 0;
    const reused = pool.get('id') ?? [];
    if (again && reused.length > 0 && typeof body === 'object' && body !== null)
      (body as { id?: string }).id = draw(fc.constantFrom(...reused));
    const text = JSON.stringify(body);
    const minimal = draw(fc.integer({ min: 0, max: 9 })) > 0;
    const response = await fetch(`${address}api/${path}`, {
      method: route.method,
      headers: { ...(text === undefined ? {} : { 'content-type': 'application/json' }), ...(minimal ? { prefer: 'return=minimal' } : {}) },
      ...(text === undefined ? {} : { body: text }),
    });
    return { status: response.status, text: await response.text(), told: `${route.method} ${path} ${text?.slice(0, 300) ?? ''}` };
  };
  await begin(address);
  const weighted = fc.oneof(...ROUTES.map((route) => ({ weight: route.weight, arbitrary: fc.constant(route) })));
  const version = (): number => watch.pragma('data_version', { simple: true }) as number;
  try {
    for (let nth = 0; nth < count; nth++) {
      if (nth % 25 === 0) refresh();
      const before = version();
      const { status, text, told } = await send(draw(weighted));
      byStatus[status] = (byStatus[status] ?? 0) + 1;
      if (status >= 500) wrong.push(`${status} ${told} → ${text.slice(0, 200)}`);
      if (status >= 400 && version() !== before) wrong.push(`changed on ${status}: ${told}`);
      if (status >= 400 && !isSentence(text)) wrong.push(`no sentence: ${told} → ${text.slice(0, 200)}`);
      if (wrong.length > 20) break;
    }
    const damage = watch.pragma('integrity_check', { simple: true }) as string;
    if (damage !== 'ok') wrong.push(`the database is damaged: ${damage}`);
    if ((watch.pragma('foreign_key_check') as unknown[]).length > 0) wrong.push('a row names one that is not there');
  } finally {
    watch.close();
    server.closeAllConnections();
    server.close();
    await services.close();
    rmSync(folder, { recursive: true, force: true });
  }
  const total = Object.values(byStatus).reduce((sum, one) => sum + one, 0);
  return { requests: total, byStatus, wrong, seconds: (performance.now() - began) / 1000 };
}
