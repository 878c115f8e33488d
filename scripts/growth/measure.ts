import { readFileSync } from 'node:fs';
import { request } from 'node:http';
import { join } from 'node:path';
import Sqlite from 'better-sqlite3';
import { v7 as uuid } from 'uuid';
import type { Batch, Today } from '@fresh-tuck/contract';
import { lookBody } from '@fresh-tuck/contract/testing';
import { NOW_MS } from './household.js';
import { startServer, type Measured } from './server.js';

interface Line {
  readonly what: string;
  readonly ms: number;
  readonly cpuMs: number;
  readonly loopMs: number;
  readonly waitMs: number;
  readonly bytes: number;
  readonly raw: number;
}

/** Reads an answer as a browser would, and says how many bytes came over the wire. */
function get(address: string, path: string, encoding = 'br, gzip'): Promise<{ bytes: number; body: Buffer }> {
  return new Promise((resolve, reject) => {
    request(`${address}api/${path}`, { headers: { 'accept-encoding': encoding } }, (response) => {
      const chunks: Buffer[] = [];
      response.on('data', (chunk: Buffer) => chunks.push(chunk));
      response.on('end', () => {
        const body = Buffer.concat(chunks);
        if (response.statusCode === 200) resolve({ bytes: body.length, body });
        else reject(new Error(`${path}: ${response.statusCode} ${body.toString().slice(0, 200)}`));
      });
      response.on('error', reject);
    })
      .on('error', reject)
      .end();
  });
}
const value = async <T>(server: Measured, path: string): Promise<T> =>
  JSON.parse((await get(server.address, path, 'identity')).body.toString()) as T;

async function post(server: Measured, path: string, body: object): Promise<void> {
  const response = await fetch(`${server.address}api/${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', prefer: 'return=minimal' },
    body: JSON.stringify(body),
  });
  if (!response.ok) throw new Error(`${path}: ${await response.text()}`);
  await response.arrayBuffer();
}

/** Asks, while a trivial question is asked every few milliseconds. */
async function timed(server: Measured, what: string, paths: readonly string[]): Promise<Line> {
  let running = true;
  let waitMs = 0;
  const beside = (async () => {
    while (running) {
      const before = performance.now();
      await get(server.address, 'about');
      waitMs = Math.max(waitMs, performance.now() - before);
      await new Promise((resolve) => setTimeout(resolve, 5));
    }
  })();
  await server.doing();
  const before = performance.now();
  const answers = await Promise.all(paths.map((path) => get(server.address, path)));
  const ms = performance.now() - before;
  const { loopMs, cpuMs } = await server.doing();
  running = false;
  await beside;
  const raw = await Promise.all(paths.map((path) => get(server.address, path, 'identity')));
  const total = (all: readonly { bytes: number }[]): number => all.reduce((sum, { bytes }) => sum + bytes, 0);
  return { what, ms, cpuMs, loopMs, waitMs, bytes: total(answers), raw: total(raw) };
}

const middle = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0;

/** A look stored, against a bare insert with the same promise of safety on the same disk. */
async function storing(server: Measured, folder: string, live: readonly Batch[]): Promise<string> {
  const floor: number[] = [];
  const stored: number[] = [];
  const answered: number[] = [];
  const bare: number[] = [];
  const db = new Sqlite(join(folder, 'bare.sqlite'));
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.exec('CREATE TABLE IF NOT EXISTS bare (id TEXT PRIMARY KEY, body TEXT NOT NULL) STRICT');
  const insert = db.prepare('INSERT INTO bare VALUES (?, ?)');
  const run = async (into: number[], work: () => unknown): Promise<void> => {
    const before = performance.now();
    await work();
    into.push(performance.now() - before);
  };
  for (const { id, answers } of live) {
    const body = lookBody(answers.state.tipped);
    await run(bare, () => insert.run(uuid(), JSON.stringify(body)));
    await run(floor, () => get(server.address, 'about'));
    await run(stored, () => post(server, `batches/${id}/looks`, body));
    await run(answered, () => get(server.address, `batches/${id}`));
  }
  db.close();
  const own = middle(stored) - middle(floor);
  return `A look stored: median ${middle(stored).toFixed(1)} ms, ${own.toFixed(1)} ms without the HTTP floor of ${middle(floor).toFixed(1)} ms; a bare insert ${middle(bare).toFixed(1)} ms: ${(own / middle(bare)).toFixed(1)} times. Its parcel's page after it: median ${middle(answered).toFixed(1)} ms.`;
}

/** The same measured several times, and the one with the least CPU: what else the machine does is no cost of ours. */
async function best(times: number, measured: () => Promise<Line>): Promise<Line> {
  let least = await measured();
  for (let nth = 1; nth < times; nth++) {
    const line = await measured();
    if (line.cpuMs < least.cpuMs) least = line;
  }
  return least;
}

/** Waits until the server has worked ahead what it works ahead. */
async function idle(server: Measured): Promise<void> {
  for (;;) {
    await server.doing();
    await new Promise((resolve) => setTimeout(resolve, 400));
    if ((await server.doing()).cpuMs < 20) return;
  }
}

/** Every screen's requests on a household, cold and warm. */
export async function measure(folder: string, years: number): Promise<{ text: string }> {
  const lines: Line[] = [];
  const say = (line: Line): void => {
    lines.push(line);
    console.log(
      `${line.what.padEnd(46)} ${line.ms.toFixed(0).padStart(6)} ms ${line.cpuMs.toFixed(0).padStart(6)} cpu ${line.loopMs.toFixed(0).padStart(5)} loop ${line.waitMs.toFixed(0).padStart(5)} wait ${(line.bytes / 1000).toFixed(1).padStart(8)} kB ${(line.raw / 1000).toFixed(0).padStart(6)} raw`,
    );
  };
  const first = await startServer(folder);
  say(await timed(first, 'Today, the first ever after an upgrade', ['today']));
  await idle(first);
  await first.stop();
  const server = await startServer(folder);
  const { loopMs: startLoop } = await server.doing();
  console.log(`start-up ${server.startMs.toFixed(0)} ms, loop ${startLoop.toFixed(0)} ms`);
  say(await timed(server, 'Today, the first after a start', ['today']));
  await idle(server);
  say(await best(3, () => timed(server, 'Today, warm', ['today'])));
  const live = await value<Batch[]>(server, 'batches');
  const today = await value<Today>(server, 'today');
  const one = live[0] as Batch;
  const lookAtAll = async (): Promise<void> => {
    for (const { id, answers } of live) await post(server, `batches/${id}/looks`, lookBody(answers.state.tipped));
  };
  // Every parcel has something new: nothing that was worked out before can be used again.
  say(
    await best(3, async () => {
      await lookAtAll();
      await idle(server);
      return timed(server, 'Today, cold: every parcel was looked at', ['today']);
    }),
  );
  await post(server, `batches/${one.id}/looks`, lookBody(one.answers.state.tipped));
  say(await timed(server, 'Today, after one look', ['today']));
  const db = new Sqlite(join(folder, 'household.sqlite'), { readonly: true });
  const closed = (
    db.prepare("SELECT batch_id AS id FROM entry WHERE kind = 'close' ORDER BY rowid LIMIT 1").get() as { id: string } | undefined
  )?.id;
  const photo = (db.prepare('SELECT id FROM photo LIMIT 1').get() as { id: string } | undefined)?.id;
  db.close();
  const changed = async (what: string, paths: readonly string[]): Promise<void> => {
    await post(server, `batches/${one.id}/looks`, lookBody(one.answers.state.tipped));
    say(await timed(server, what, paths));
  };
  await changed('Batch page, after a look', [`batches/${one.id}`, 'spots']);
  if (closed) say(await timed(server, 'Batch page of the oldest batch', [`batches/${closed}`, 'spots']));
  say(await timed(server, 'Why', [`batches/${one.id}/why`]));
  await changed('Open a parcel, after a look', [`batches/${one.id}`, 'people', 'beds', 'racks', 'rounds/current']);
  await changed('Seeds, after a look', ['box']);
  say(await timed(server, 'Seeds, looked through', ['box?find=variety%201']));
  say(await timed(server, 'Seeds, the next page', ['box?divider=fine&from=40']));
  say(await timed(server, 'A packet', [`packets/${one.packetId}`, `crops/${one.cropId}`]));
  await changed('Tuck in, after a look', [
    'packets',
    'spots',
    'holders',
    `packets/${one.packetId}`,
    `packets/${one.packetId}/kin`,
    `crops/${one.cropId}`,
    `crops/${one.cropId}/seasons`,
  ]);
  // The list of a sitting asks of each of its packets what Tuck in asks of one.
  const sitting = await value<{ id: string }[]>(server, 'sittings');
  const thirteen = [...new Map(live.map(({ packetId, cropId }) => [packetId, cropId])).entries()].slice(0, 13);
  await changed('The list of a sitting of thirteen, after a look', [
    ...(sitting[0] ? [`sittings/${sitting[0].id}`] : ['sittings']),
    'packets',
    'spots',
    'holders',
    ...thirteen.flatMap(([packetId, cropId]) => [
      `packets/${packetId}`,
      `packets/${packetId}/kin`,
      `packets/${packetId}/start`,
      `crops/${cropId}`,
      `crops/${cropId}/seasons`,
    ]),
  ]);
  await changed('Nursery, after a look', ['nursery']);
  const wishes = thirteen.map(([packetId, cropId]) => ({
    wishId: uuid(),
    words: { cropId, packetId, plants: 6, place: 'outdoors', goal: { kind: 'season' } },
  }));
  say(await timed(server, 'Season, nothing wished', ['season']));
  await post(server, 'season/acts', { id: uuid(), year: new Date(NOW_MS).getUTCFullYear(), wishes });
  say(await timed(server, 'Season, thirteen wishes, the first time', ['season']));
  await changed('Season, after a look', ['season']);
  await changed('Season on Today, after a look', ['season/due']);
  await changed('Looking back, by crop, after a look', ['looking-back']);
  await changed('Looking back, by packet, after a look', ['looking-back?by=packet']);
  say(await timed(server, 'Looking back, one crop and its curve', [`looking-back?crop=${one.cropId}`]));
  say(await timed(server, 'Notebook, its trials', ['trials']));
  say(await timed(server, 'Batches of a crop to compare', [`trials/candidates?crop=${one.cropId}`]));
  say(await timed(server, 'Notes, looked through', ['notes?find=mat']));
  say(await timed(server, 'Nursery, a page of what is planted out', ['nursery?group=planted_out&from=400']));
  await changed('Find a word, after a look', ['find?words=tomato']);
  say(await timed(server, 'Find, a number', ['find?words=1200']));
  say(await timed(server, 'House', ['about', 'spots', 'backups']));
  if (photo) say(await timed(server, 'A photograph', [`photos/${photo}`]));
  say(await timed(server, 'The box as a table', ['packets.csv']));
  await lookAtAll();
  await server.doing();
  const table = Array.from({ length: 1000 }, (_, row) => ({
    id: uuid(),
    cropId: one.cropId,
    variety: `Brought in ${row}`,
    year: 2025,
    source: 'swap',
    printedRatePercent: 80,
    seedCount: 40,
    dressed: false,
  }));
  const before = performance.now();
  await post(server, 'packets/imports', { id: uuid(), packets: table });
  const brought = `A table of 1,000 packets brought in: ${(performance.now() - before).toFixed(0)} ms, the request loop held for ${(await server.doing()).loopMs.toFixed(0)} ms.`;
  console.log(brought);
  await idle(server);
  await server.doing();
  const stored = await storing(server, folder, live);
  const { loopMs, rssMb } = await server.doing();
  console.log(stored, `loop ${loopMs.toFixed(0)} ms, rss ${rssMb.toFixed(0)} MB`);
  await server.stop();
  const made = JSON.parse(readFileSync(join(folder, 'made.json'), 'utf8')) as Record<string, number>;
  const rows = lines
    .map(
      ({ what, ms, cpuMs, loopMs: loop, waitMs, bytes, raw }) =>
        `| ${what} | ${ms.toFixed(0)} | ${cpuMs.toFixed(0)} | ${loop.toFixed(0)} | ${waitMs.toFixed(0)} | ${(bytes / 1000).toFixed(1)} | ${(raw / 1000).toFixed(0)} |`,
    )
    .join('\n');
  return {
    text: `## ${years} years

${Object.entries(made)
  .map(([what, count]) => `${count.toLocaleString('en')} ${what}`)
  .join(
    ', ',
  )}. Start-up until the first answer: ${server.startMs.toFixed(0)} ms. Today draws ${today.stations.flatMap(({ stops }) => stops).length} to open and ${today.shut.length} shut.

| what is asked | ms | CPU ms | loop ms | meanwhile ms | kB | kB before |
| --- | --- | --- | --- | --- | --- | --- |
${rows}

${stored} ${brought}`,
  };
}
