import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, CropSheet, CropSummary, Found, Packet } from '@fresh-tuck/contract';
import { dump, household, lookBody, type Household } from '../testing/household.js';

describe('crops of one’s own', () => {
  let home: Household;
  const sheet = async (id: string) => (await home.request.get(`/api/crops/${id}`).expect(200)).body as CropSheet;
  const batch = async () => (await home.request.get(`/api/batches/${home.batchId}`)).body as BatchWithJournal;
  const set = (cropId: string, figures: object, status = 200, name: string | null = null) =>
    home.request.put(`/api/crops/${cropId}/figures`).send({ id: uuid(), name, figures }).expect(status);

  beforeEach(async () => {
    home = await household();
  });

  it('lay figures over the book, move the forecast by them, and are taken back without a trace', async () => {
    const before = await batch();
    await set('okra', { 'days.tipAtOptimum': 9 });
    const slow = await batch();
    expect(slow.answers.now.mean).toBeLessThan(before.answers.now.mean);
    const { crop, book, own, added } = await sheet('okra');
    expect([crop.days.tipAtOptimum, own, added]).toEqual([9, { 'days.tipAtOptimum': 9 }, false]);
    expect(book.days.tipAtOptimum).toBeLessThan(9);
    await set('okra', {});
    expect((await batch()).answers).toEqual(before.answers);
    // Both savings are still there to be read: nothing is overwritten.
    expect((home.db.prepare('SELECT count(*) AS n FROM crop_version').get() as { n: number }).n).toBe(2);
  });

  it('begin as a copy, have packets, batches and a name of their own, and stay while a packet is of them', async () => {
    const mine = { id: uuid(), like: 'okra', name: 'Hill okra', figures: { 'root.readyMm': 6 } };
    await home.request.post('/api/crops').send(mine).expect(201);
    await home.request
      .post('/api/crops')
      .send({ ...mine, id: uuid(), name: 'OKRA' })
      .expect(422);
    const copy = { id: uuid(), like: mine.id, name: 'Dale okra', figures: { 'days.tipAtOptimum': 4 } };
    await home.request.post('/api/crops').send(copy).expect(201);
    expect((await sheet(copy.id)).own).toEqual({ 'root.readyMm': 6, 'days.tipAtOptimum': 4 });
    const packet = {
      id: uuid(),
      cropId: mine.id,
      variety: 'Short',
      year: null,
      source: null,
      printedRatePercent: null,
      seedCount: null,
      dressed: false,
    };
    await home.request.post('/api/packets').send(packet).expect(201);
    const list = (await home.request.get('/api/crops')).body as CropSummary[];
    expect(list.filter(({ added }) => added).map(({ name }) => name)).toEqual(['Dale okra', 'Hill okra']);
    await home.request.post(`/api/crops/${mine.id}/removals`).send({ id: uuid() }).expect(409);
    await home.request.post(`/api/crops/${copy.id}/removals`).send({ id: uuid() }).expect(201);
    await home.request.get(`/api/crops/${copy.id}`).expect(422);
    await home.request.post('/api/crops/okra/removals').send({ id: uuid() }).expect(422);
    const found = (await home.request.get('/api/find?words=okra')).body as Found[];
    expect(found.filter(({ kind }) => kind === 'packet').map(({ title }) => title)).toEqual(
      jasmine.arrayWithExactContents(['Okra, Tall Mast', 'Hill okra, Short']),
    );
  });

  it('refuse what cannot be at its figure and change nothing', async () => {
    const before = dump(home.db);
    const refused = (await set('okra', { 'root.lateMm': 1 }, 422)).body as { errors: { field: string; message: string }[] };
    expect(refused.errors).toEqual([{ field: 'root.lateMm', message: jasmine.stringContaining('longer than') as unknown as string }]);
    await set('okra', { 'seed.colour': 'brown' }, 422);
    await set('okra', { 'days.tipRange': { low: 1 } }, 422);
    await set('okra', {}, 422, 'My okra');
    await set('nothing', {}, 422);
    expect(dump(home.db)).toBe(before);
  });

  it('teach by finished batches anew when their figures change', async () => {
    const prior = async () => ((await home.request.get(`/api/packets/${home.packetId}`)).body as Packet).prior.logMedian.mean;
    const url = `/api/batches/${home.batchId}`;
    await home.request
      .post(`${url}/looks`)
      .send(lookBody(0, { seen: { tipped: 6, rotten: 0, basedOn: null } }))
      .expect(201);
    await home.request.post(`${url}/closings`).send({ id: uuid(), reason: 'all_moved' }).expect(201);
    const before = await prior();
    await set('okra', { 'days.tipAtOptimum': 6 });
    const doubled = await prior();
    // What the batch itself showed pulls the new book back towards what it was.
    expect(doubled).toBeGreaterThan(before);
    expect(doubled - before).toBeLessThan(Math.log(6 / 2.83));
  });
});
