import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import supertest from 'supertest';
import { v7 as uuid } from 'uuid';
import type { About, Copies, Copy } from '@fresh-tuck/contract';
import { openDatabase, servicesOn, type Host, type Services } from '../index.js';
import { serveFolder } from '../testing/served.js';
import { batchBody, dump, householdBody, lookBody } from '../testing/household.js';

const PNG = Buffer.concat([Buffer.from('89504e470d0a1a0a', 'hex'), Buffer.alloc(4000, 3)]);

describe('copies of the household', () => {
  let base: string;
  const hosts: { stop(): Promise<void> }[] = [];
  beforeEach(() => (base = mkdtempSync(join(tmpdir(), 'fresh-tuck-spec-'))));
  afterEach(async () => {
    for (const host of hosts.splice(0)) await host.stop();
    rmSync(base, { recursive: true, force: true });
  });

  async function house(
    name: string,
    filled: boolean,
  ): Promise<{ host: Host; request: ReturnType<typeof supertest>; services(): Services; batchId: string; folder: string }> {
    const folder = join(base, name);
    const served = await serveFolder(folder);
    hosts.push(served);
    const request = supertest(served.host.address.replace(/\/$/, ''));
    const batch = batchBody(uuid(), uuid());
    if (filled) {
      await request.put('/api/household').send(householdBody()).expect(200);
      const spotId = batch.holder.spotId;
      await request.post('/api/spots').send({ id: spotId, name: 'Hall cupboard', kind: 'cupboard' }).expect(201);
      await request
        .post('/api/packets')
        .send({
          id: batch.packetId,
          cropId: 'okra',
          variety: 'Tall Mast',
          year: 2024,
          source: null,
          printedRatePercent: 80,
          seedCount: 20,
          dressed: false,
        })
        .expect(201);
      await request.post('/api/batches').send(batch).expect(201);
      const look = lookBody(0, { seen: { tipped: 2, rotten: 0, basedOn: null } });
      await request.post(`/api/batches/${batch.id}/looks`).send(look).expect(201);
      await request.put(`/api/looks/${look.id}/photos/${uuid()}`).set('Content-Type', 'image/png').send(PNG).expect(201);
    }
    return { host: served.host, request, services: served.host.services, batchId: batch.id, folder };
  }
  const act = (): { id: string } => ({ id: uuid() });
  const bytes = (request: supertest.Test): Promise<Buffer> =>
    request
      .buffer(true)
      .parse((stream, done) => {
        const parts: Buffer[] = [];
        stream.on('data', (part: Buffer) => parts.push(part));
        stream.on('end', () => done(null, Buffer.concat(parts)));
      })
      .expect(200)
      .then(({ body }) => body as Buffer);

  it('bring a household back field by field, keep the present first, and share what did not change', async () => {
    const home = await house('one', true);
    const made = (await home.request.post('/api/backups').send(act()).expect(201)).body as Copies;
    expect(made.copies.map(({ kind, looks, photographs, photographsMissing }) => [kind, looks, photographs, photographsMissing])).toEqual([
      ['by_hand', 1, 1, 0],
    ]);
    const before = dump(home.services().db);
    const photo = home.services().photos.all()[0];
    const inCopy = join(
      home.folder,
      'backups',
      made.copies[0]?.name ?? '',
      'photos',
      photo?.content.slice(0, 2) ?? '',
      `${photo?.content}.png`,
    );
    // One file on the disk under two names.
    expect(statSync(inCopy).ino).toBe(statSync(home.services().photoFiles.pathOf(photo?.content ?? '', 'image/png')).ino);
    await home.request
      .post(`/api/batches/${home.batchId}/looks`)
      .send(lookBody(0, { seen: { tipped: 5, rotten: 0, basedOn: null } }))
      .expect(201);
    const later = dump(home.services().db);
    expect(later).not.toBe(before);
    // What is asked while it is put back waits, and is answered by what was put back.
    const [, about] = await Promise.all([
      home.request.post(`/api/backups/${made.copies[0]?.name}/restorations`).send(act()).expect(201),
      new Promise((resolve) => setTimeout(resolve, 30)).then(() => home.request.get('/api/about').expect(200)),
    ]);
    expect((about.body as About).household?.name).toBe('Test house');
    expect(dump(home.services().db)).toBe(before);
    const kept = ((await home.request.get('/api/backups').expect(200)).body as Copies).copies.find(({ kind }) => kind === 'before_restore');
    await home.request.post(`/api/backups/${kept?.name}/restorations`).send(act()).expect(201);
    expect(dump(home.services().db)).toBe(later);
    expect(Buffer.compare(await bytes(home.request.get(`/api/photos/${photo?.id}`)), PNG)).toBe(0);
  }, 60_000);

  it('come in packed from elsewhere, photographs and all, and nothing that is none of ours or broken', async () => {
    const home = await house('one', true);
    const away = await house('two', false);
    const packed = await bytes(home.request.get('/api/backup.zip'));
    const bring = (body: Buffer) => away.request.put('/api/backups/brought').set('Content-Type', 'application/zip').send(body);
    const foreign = join(base, 'foreign.sqlite');
    const db = openDatabase(foreign);
    db.pragma('application_id = 4711');
    db.pragma('wal_checkpoint(TRUNCATE)');
    db.close();
    const damaged = Buffer.from(await bytes(home.request.get('/api/backup')));
    damaged.fill(0xff, 9000, 20_000);
    for (const [body, says] of [
      [Buffer.from('Dear diary'), /no SQLite file/],
      [packed.subarray(0, packed.length >> 1), /packed copy cannot be read/],
      [readFileSync(foreign), /not a Fresh Tuck database/],
      [damaged, /damaged/],
    ] as const) {
      const response = await bring(body);
      expect(response.status).toBe(422);
      expect((response.body as { detail: string }).detail).toMatch(says);
      expect(readdirSync(join(away.folder, 'backups'))).toEqual([]);
    }
    const brought = (await bring(packed).expect(201)).body as Copy;
    expect([brought.kind, brought.batches, brought.looks, brought.photographs, brought.photographsMissing]).toEqual([
      'brought',
      1,
      1,
      1,
      0,
    ]);
    await away.request.post(`/api/backups/${brought.name}/restorations`).send(act()).expect(201);
    expect(dump(away.services().db)).toBe(dump(home.services().db));
    const photo = away.services().photos.all()[0];
    expect(Buffer.compare(await bytes(away.request.get(`/api/photos/${photo?.id}`)), PNG)).toBe(0);
    await away.request.post('/api/backups/2020-01-01/restorations').send(act()).expect(404);
    await away.request.post('/api/backups/..%2F..%2Fetc/restorations').send(act()).expect(404);
  }, 60_000);

  it('move photographs of the first versions out of the database, and serve them meanwhile', async () => {
    const folder = join(base, 'old');
    const file = join(folder, 'household.sqlite');
    const first = await house('old', true);
    const { db } = first.services();
    const look = (db.prepare('SELECT entry_id FROM look').get() as { entry_id: string }).entry_id;
    const ids = [uuid(), uuid()];
    for (const id of ids)
      db.prepare('INSERT INTO photo_inside (id, entry_id, type, bytes, recorded_ms) VALUES (?, ?, ?, ?, 1)').run(
        id,
        look,
        'image/png',
        PNG,
      );
    expect(Buffer.compare(await bytes(first.request.get(`/api/photos/${ids[0]}`)), PNG)).toBe(0);
    const services = servicesOn(openDatabase(file), { now: () => 0 }, { demo: false, version: 'spec' });
    while (await services.photos.moveOne(services.photoFiles));
    expect(services.photos.inside()).toBe(0);
    for (const id of ids) expect(Buffer.compare(await bytes(first.request.get(`/api/photos/${id}`)), PNG)).toBe(0);
    await services.close();
    const unsafe = join(folder, 'photos', 'unasked.txt');
    writeFileSync(unsafe, 'x');
    expect(existsSync(unsafe)).toBeTrue();
  }, 60_000);
});
