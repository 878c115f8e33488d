import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, PacketName, Problem } from '@fresh-tuck/contract';
import { dump, household, lookBody, packetBody, type Household } from './testing/household.js';

const PNG = Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex');

describe('one act, one effect', () => {
  let home: Household;
  beforeEach(async () => (home = await household()));
  const refused = async (path: string, body: object, status: number): Promise<Problem> => {
    const before = dump(home.db);
    const response = await home.request.post(`/api/${path}`).send(body);
    expect(response.status).withContext(response.text).toBe(status);
    expect(dump(home.db)).toBe(before);
    return response.body as Problem;
  };

  it('refuses packets that are in the box already, naming the row, and brings in none of the table', async () => {
    const twice = packetBody();
    const rows = [packetBody(), packetBody({ id: home.packetId.toUpperCase() }), packetBody()];
    expect((await refused('packets/imports', { id: uuid(), packets: rows }, 422)).errors?.[0]?.field).toBe('packets.1.id');
    expect((await refused('packets/imports', { id: uuid(), packets: [twice, packetBody(), twice] }, 422)).errors?.[0]?.field).toBe(
      'packets.2.id',
    );
    await home.request
      .post('/api/packets/imports')
      .send({ id: uuid(), packets: [twice] })
      .expect(201);
    expect((await refused('packets', packetBody({ id: twice.id }), 422)).errors?.[0]?.field).toBe('id');
  });

  it('takes an id for the same however its letters are written, in a body and in an address', async () => {
    const look = lookBody(0, { id: uuid().toUpperCase() });
    const path = `/api/batches/${home.batchId.toUpperCase()}/looks`;
    await home.request.post(path).send(look).expect(201);
    await home.request
      .post(path.toLowerCase())
      .send({ ...look, id: look.id.toLowerCase() })
      .expect(201);
    const { journal } = (await home.request.get(`/api/batches/${home.batchId}`)).body as BatchWithJournal;
    expect(journal.map(({ id }) => id)).toEqual([look.id.toLowerCase()]);
    const [first] = (await home.request.get('/api/packets')).body as PacketName[];
    await home.request.get(`/api/packets/${first?.id.toUpperCase()}`).expect(200);
  });

  it('lifts no sprout out before it was seen, and corrects no count of a closed batch', async () => {
    const at = `batches/${home.batchId}`;
    await home.request
      .post(`/api/${at}/looks`)
      .send(
        lookBody(0, {
          at: '2026-04-10T18:30',
          seen: { tipped: 2, rotten: 0, basedOn: null },
          marks: [{ seed: 1, stage: 'tip', rootMm: 2 }],
        }),
      )
      .expect(201);
    const move = { id: uuid(), at: '2026-04-10T07:00', seeds: [1], uncounted: 0, destination: 'cup', who: null };
    expect((await refused(`${at}/moves`, move, 422)).detail).toMatch(/seed 1 shows no tip by then/);
    expect((await refused(`${at}/moves`, { ...move, seeds: [], uncounted: 1 }, 422)).detail).toMatch(
      /at most 0: so many tips were counted by then/,
    );
    await home.request
      .post(`/api/${at}/moves`)
      .send({ ...move, at: '2026-04-10T18:30' })
      .expect(201);
    await home.request.post(`/api/${at}/closings`).send({ id: uuid(), reason: 'given_up' }).expect(201);
    expect((await refused(`${at}/recounts`, { id: uuid(), seeds: 10 }, 409)).detail).toMatch(/closed/);
  });

  it('knows a photograph by its bytes, and takes a few of a look', async () => {
    const look = lookBody();
    await home.request.post(`/api/batches/${home.batchId}/looks`).send(look).expect(201);
    const put = (id: string, bytes: Buffer) =>
      home.request.put(`/api/looks/${look.id}/photos/${id}`).set('Content-Type', 'image/png').send(bytes);
    const id = uuid();
    await put(id, PNG).expect(201);
    await put(id, PNG).expect(201);
    await put(id, Buffer.concat([PNG, PNG])).expect(409);
    for (let nth = 0; nth < 3; nth++) await put(uuid(), Buffer.concat([PNG, Buffer.of(nth)])).expect(201);
    const fifth = await put(uuid(), PNG);
    expect([fifth.status, (fifth.body as Problem).errors?.[0]?.message]).toEqual([
      422,
      'photo must be one of at most 4 of a look; this one has so many',
    ]);
    await put(id, PNG).expect(201);
  });

  it('never turns a look away for coming after many', async () => {
    let last = 200;
    for (let nth = 0; nth < 3200 && last === 200; nth += 100) {
      const all = await Promise.all(Array.from({ length: 100 }, () => home.request.get('/api/people')));
      last = Math.max(...all.map(({ status }) => status));
    }
    expect(last).toBe(429);
    await home.request.post(`/api/batches/${home.batchId}/looks`).send(lookBody()).expect(201);
  }, 60_000);

  it('asks who sends it where a browser says so, and names the limit that was passed', async () => {
    for (const site of ['cross-site', 'same-site']) await home.request.get('/api/today').set('Sec-Fetch-Site', site).expect(403);
    for (const site of ['same-origin', 'none']) await home.request.get('/api/about').set('Sec-Fetch-Site', site).expect(200);
    const big = await home.request.post('/api/packets/imports').send({ id: uuid(), packets: 'x'.repeat(1_200_000) });
    expect([big.status, (big.body as Problem).detail]).toEqual([413, 'This request may hold at most 1 MB.']);
    const table = (await home.request.post('/api/packets').send(packetBody({ variety: '＝HYPERLINK("x")' }))).status;
    expect(table).toBe(201);
    expect((await home.request.get('/api/packets.csv')).text).toContain(`"'＝HYPERLINK(""x"")"`);
  });
});
