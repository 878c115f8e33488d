import { existsSync, mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 as uuid } from 'uuid';
import { lookBody } from '@fresh-tuck/contract/testing';
import { household, type Household } from '../testing/household.js';
import { contentOf, photoFiles, photoPath } from './files.js';

const png = (nth: number): Buffer => Buffer.concat([Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex'), Buffer.of(nth)]);
const files = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((one) => one.isFile())
    .map(({ name }) => name);

describe('files of pictures', () => {
  let folder: string;
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'fresh-tuck-photos-'))));
  afterEach(() => rmSync(folder, { recursive: true, force: true }));

  it('are named by their content: the same picture twice is one file, and only the household reads it', async () => {
    const store = photoFiles(join(folder, 'pictures'));
    const [first, again, other] = [
      await store.put(png(1), 'image/png'),
      await store.put(png(1), 'image/png'),
      await store.put(png(2), 'image/png'),
    ];
    expect(first).toBe(again);
    expect(first).toBe(contentOf(png(1)));
    expect(files(store.folder).sort()).toEqual([`${first}.png`, `${other}.png`].sort());
    const path = store.pathOf(first ?? '', 'image/png');
    expect(path).toBe(join(store.folder, photoPath(first ?? '', 'image/png')));
    expect(statSync(path).mode & 0o077).toBe(0);
  });

  it('are whole or not there: one that was cut short is written anew', async () => {
    const store = photoFiles(folder);
    const content = await store.put(png(3), 'image/png');
    const { truncateSync } = await import('node:fs');
    truncateSync(store.pathOf(content, 'image/png'), 4);
    await store.put(png(3), 'image/png');
    expect(statSync(store.pathOf(content, 'image/png')).size).toBe(png(3).length);
    expect(files(folder).filter((name) => name.endsWith('.part'))).toEqual([]);
  });

  it('many at once are as many as one after another', async () => {
    const store = photoFiles(folder);
    const contents = await Promise.all(Array.from({ length: 24 }, (_, nth) => store.put(png(nth % 6), 'image/png')));
    expect(new Set(contents).size).toBe(6);
    expect(files(folder).length).toBe(6);
  });
});

describe('pictures of looks', () => {
  let home: Household;
  let lookId: string;
  beforeEach(async () => {
    home = await household();
    const look = lookBody();
    await home.request.post(`/api/batches/${home.batchId}/looks`).send(look).expect(201);
    lookId = look.id;
  });
  const put = (id: string, bytes: Buffer, type = 'image/png') =>
    home.request.put(`/api/looks/${lookId}/photos/${id}`).set('Content-Type', type).send(bytes);

  it('a database of earlier years gives its pictures up one by one, and each is served all the while', async () => {
    const ids = [uuid(), uuid()];
    const insert = home.db.prepare('INSERT INTO photo_inside (id, entry_id, type, bytes, recorded_ms) VALUES (?, ?, ?, ?, ?)');
    ids.forEach((id, nth) => insert.run(id, lookId, 'image/png', png(40 + nth), home.clock.now()));
    const served = async (id: string | undefined) => (await home.request.get(`/api/photos/${id}`).expect(200)).body as Buffer;
    expect(Buffer.compare(await served(ids[0]), png(40))).toBe(0);
    const { photos, photoFiles: store } = home.services;
    expect(photos.inside()).toBe(2);
    expect(await photos.moveOne(store)).toBeTrue();
    expect(photos.inside()).toBe(1);
    for (const [nth, id] of ids.entries()) expect(Buffer.compare(await served(id), png(40 + nth))).toBe(0);
    expect([await photos.moveOne(store), await photos.moveOne(store)]).toEqual([true, false]);
    expect(photos.all().map(({ content }) => content)).toEqual([png(40), png(41)].map(contentOf));
  });

  it('one whose file is gone is said to be, and where it still is', async () => {
    const id = uuid();
    await put(id, png(9)).expect(201);
    const path = home.services.photoFiles.pathOf(contentOf(png(9)), 'image/png');
    expect(existsSync(path)).toBeTrue();
    rmSync(path);
    const gone = await home.request.get(`/api/photos/${id}`).expect(404);
    expect((gone.body as { detail: string }).detail).toBe('The file of this photograph is gone. A copy made before still has it.');
    await home.request.get(`/api/photos/${uuid()}`).expect(404);
  });

  it('is what its first bytes are, whatever it is called', async () => {
    for (const [type, hex, status] of [
      ['image/jpeg', 'ffd8ffe000104a46', 201],
      ['image/webp', '524946460000000057454250', 201],
      ['image/webp', '524946460000000041564920', 422],
      ['image/jpeg', '89504e470d0a1a0a', 422],
      ['text/html', '3c68746d6c3e', 422],
    ] as const) {
      await put(uuid(), Buffer.from(hex, 'hex'), type).expect(status);
    }
    await put('not-an-id', png(1)).expect(422);
  });
});
