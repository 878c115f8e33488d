import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 as uuid } from 'uuid';
import { openDatabase } from '../db/database.js';
import { memoryCache } from '../forecasts/lot-cache.js';
import { household, lookBody, type Household } from '../testing/household.js';
import { answering } from './questions.js';
import { readerOn } from '../forecasts/reader.js';

describe('questions asked beside the request loop', () => {
  let folder: string;
  let home: Household;
  beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'fresh-tuck-spec-'));
    home = await household(join(folder, 'household.sqlite'));
  }, 30_000);
  afterAll(async () => {
    await home.services.close();
    rmSync(folder, { recursive: true, force: true });
  });
  const ask = () => home.services.ask;
  const now = (): number => home.clock.now();

  it('are answered as in place, and always of what was written last', async () => {
    const inPlace = (): ReturnType<typeof answering> => {
      const db = openDatabase(join(folder, 'household.sqlite'));
      return answering(readerOn(db, memoryCache()));
    };
    for (const tipped of [1, 3, 6]) {
      await home.request
        .post(`/api/batches/${home.batchId}/looks`)
        .send(lookBody(0, { seen: { tipped, rotten: 0, basedOn: null } }))
        .expect(201);
      const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value)) as unknown;
      const answer = inPlace();
      expect(await ask().value('batch', now(), home.batchId)).toEqual(plain(answer('batch', now(), [home.batchId])) as never);
      expect(await ask().value('today', now())).toEqual(plain(answer('today', now(), [])) as never);
    }
    // What a finished batch taught is kept, and taken back when a reading comes late for its days.
    await home.request.post(`/api/batches/${home.batchId}/closings`).send({ id: uuid(), reason: 'all_moved' }).expect(201);
    const taught = (await ask().value('packet', now(), home.packetId)).prior;
    expect(taught.known.at(-1)?.what).toBe('records');
    await home.request.post(`/api/spots/${home.spotId}/readings`).send({ id: uuid(), day: '2026-04-09', minC: 30, maxC: 33 }).expect(201);
    const again = (await ask().value('packet', now(), home.packetId)).prior;
    expect(again.logMedian.mean).not.toBe(taught.logMedian.mean);
    const fresh = inPlace()('packet', now(), [home.packetId]) as { prior: typeof again };
    expect(again.logMedian.mean).toBeCloseTo(fresh.prior.logMedian.mean, 12);
  }, 60_000);

  it('share an answer where nothing was written between, and say what went wrong as it was', async () => {
    const [first, second] = await Promise.all([ask()('find', now(), 'okra'), ask()('find', now(), 'okra')]);
    expect(first).toBe(second);
    expect((JSON.parse(first.toString()) as { kind: string }[]).length).toBe(3);
    // A clock that is stepped on while an answer is worked out gets its own.
    const days = [0, 1].map(async (day) => (await ask().value('today', now() + day * 86_400_000)).nowMs);
    expect(await Promise.all(days)).toEqual([now(), now() + 86_400_000]);
    await home.request.get(`/api/batches/${uuid()}`).expect(404);
    await expectAsync(ask()('batch', now(), 'nowhere')).toBeRejectedWithError(/no batch/);
    const misspelt = JSON.parse((await ask()('find', now(), 'okra tal mast')).toString()) as { title: string }[];
    expect(misspelt.every(({ title }) => title.endsWith('Okra, Tall Mast'))).toBeTrue();
    expect(misspelt.length).toBe(2);
  });
});
