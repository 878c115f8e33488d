import { knownInWords } from '@fresh-tuck/core/words';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, PacketName, PacketSheet, PastSeasons, Problem, Rack } from '@fresh-tuck/contract';
import { readPacketRow, recogniseColumns } from '@fresh-tuck/core/seedbox';
import Papa from 'papaparse';
import { batchBody, household, lookBody, packetBody, type Household } from '../testing/household.js';

describe('the seed box', () => {
  let home: Household;
  const send = async <T>(method: 'post' | 'put', path: string, body: object, status = 201): Promise<T> => {
    const response = await home.request[method](`/api/${path}`).send(body);
    expect(response.status).withContext(`${path}: ${response.text}`).toBe(status);
    return response.body as T;
  };
  const get = async <T>(path: string): Promise<T> => (await home.request.get(`/api/${path}`).expect(200)).body as T;
  const add = async (more: object = {}): Promise<string> => {
    const body = packetBody(more);
    await send('post', 'packets', body);
    return body.id;
  };
  const sheet = (id: string) => get<PacketSheet>(`packets/${id}`);

  beforeEach(async () => (home = await household()));

  it('ages seed by its store, and says so', async () => {
    const [drawer, jar, shed] = [
      await add({ year: 2022, storage: { place: 'room', celsius: null, dryness: 'dry' } }),
      await add({ year: 2022, storage: { place: 'fridge', celsius: null, dryness: 'sealed' } }),
      await add({ year: 2022, storage: { place: 'shed', celsius: null, dryness: 'damp' } }),
    ];
    const means = await Promise.all([jar, drawer, shed].map(async (id) => (await sheet(id)).stock.mean));
    expect(means).toEqual([...means].sort((a, b) => b - a));
    expect((await sheet(shed)).prior.known.map(knownInWords).join()).toContain('aged by its store');
  });

  it('counts by weight and anew, and takes off what is begun since', async () => {
    const id = await add({ seedCount: null, grams: 0.5, seedsPerGram: 400 });
    expect((await sheet(id)).seedsLeft).toBe(200);
    await send('post', 'batches', batchBody(id, home.spotId, { seeds: 20 }));
    expect((await sheet(id)).seedsLeft).toBe(180);
    await send('post', `packets/${id}/counts`, { id: uuid(), seeds: 50, grams: null });
    await send('post', 'batches', batchBody(id, home.spotId, { seeds: 20 }));
    const after = await sheet(id);
    expect([after.seedsLeft, after.counts.map(({ seeds }) => seeds)]).toEqual([30, [50, 200]]);
    await send('post', `packets/${id}/counts`, { id: uuid(), seeds: 0, grams: null });
    expect((await sheet(id)).stock.advice).toContain('empty');
    const refused = await send<Problem>('post', 'batches', batchBody(id, home.spotId, { seeds: 1 }), 422);
    expect(refused.errors?.[0]?.message).toBe('seeds must be at most 0: that is what the packet has left');
    for (const bad of [
      { seeds: null, grams: null },
      { seeds: 4, grams: 1 },
      { seeds: 1.5, grams: null },
      { seeds: -1, grams: null },
    ]) {
      await send('post', `packets/${id}/counts`, { id: uuid(), ...bad }, 422);
    }
  });

  it('takes husks from the packet where they split into two seeds each', async () => {
    const id = await add({ cropId: 'coriander', seedCount: 30 });
    const batch = batchBody(id, home.spotId, { seeds: 24, taken: 12, prepared: ['split', 'soak'] });
    await send('post', 'batches', batch);
    expect((await sheet(id)).seedsLeft).toBe(18);
    await send('post', `batches/${batch.id}/recounts`, { id: uuid(), seeds: 20 });
    expect((await sheet(id)).seedsLeft).toBe(20);
    await send('post', 'batches', batchBody(id, home.spotId, { seeds: 4, taken: 5 }), 422);
    await send('post', 'batches', batchBody(id, home.spotId, { seeds: 50, taken: 25 }), 422);
  });

  it('runs a test on several towels; its count proves the packet once, by reference', async () => {
    const id = await add({ year: 2021 });
    const before = await sheet(id);
    const test = batchBody(id, home.spotId, { seeds: 45, wanted: null, purpose: 'test', replicates: 4, finalDays: 14 });
    await send('post', 'batches', test);
    const running = await get<BatchWithJournal>(`batches/${test.id}`);
    expect([running.replicates, running.purpose, running.judgement.verdict]).toEqual([[12, 11, 11, 11], 'test', 'leave']);
    expect(running.judgement.advice.map(({ kind }) => kind)).not.toContain('top_up');
    // Its towels lie in one bag, and hold as many as were counted onto them.
    expect(running.holder.numbers).toEqual([running.number]);
    await send('post', `batches/${test.id}/recounts`, { id: uuid(), seeds: 44 }, 422);
    const none = { abnormal: 0, hard: 0, fresh: 0 };
    const classes = [
      { ...none, normal: 9, dead: 3 },
      { ...none, normal: 8, dead: 3 },
      { ...none, normal: 9, abnormal: 1, dead: 1 },
      { ...none, normal: 7, hard: 1, dead: 3 },
    ];
    const seen = { tipped: 34, rotten: 10, basedOn: null };
    const count = (more: object, status: number) =>
      send<Problem>('post', `batches/${test.id}/looks`, lookBody(0, { seen, classes, ...more }), status);
    // What does not add up is refused whole.
    await count({ classes: classes.slice(1) }, 422);
    const short = await count({ classes: [{ ...none, normal: 9, dead: 2 }, ...classes.slice(1)] }, 422);
    expect(short.errors?.[0]?.message).toContain('must add up to its 12 seeds');
    await count({ seen: { ...seen, tipped: 33 } }, 422);
    await send('post', `batches/${home.batchId}/looks`, lookBody(0, { seen, classes }), 422);
    expect((await sheet(id)).stock).toEqual(before.stock);
    await count({}, 201);
    const proved = await sheet(id);
    expect(proved.tests.map(({ result }) => [result?.seeds, result?.totals.normal, result?.replicates?.agree])).toEqual([[45, 33, true]]);
    expect(proved.stock.mean).toBeGreaterThan(before.stock.mean);
    expect(proved.stock.high - proved.stock.low).toBeLessThan(before.stock.high - before.stock.low);
    expect([proved.sound, proved.stock.advice.includes('test_first')]).toEqual([{ normal: 33, abnormal: 1 }, false]);
    const counted = await get<BatchWithJournal>(`batches/${test.id}`);
    expect([counted.judgement.verdict, counted.journal[0]?.text, counted.journal[0]?.finalCount]).toEqual([
      'count',
      'Final count: 33 normal, 1 abnormal, 1 hard, 10 dead.',
      true,
    ]);
    // Closing it adds no second proof.
    await send('post', `batches/${test.id}/closings`, { id: uuid(), reason: 'other' });
    expect((await sheet(id)).stock.mean).toBeCloseTo(proved.stock.mean, 6);
    await send('post', 'batches', batchBody(id, home.spotId, { replicates: 2 }), 422);
    await send('post', 'batches', batchBody(id, home.spotId, { purpose: 'test' }), 422);
  });

  it('knows a packet’s family over two generations, and lets nobody be their own ancestor', async () => {
    const first = await add({ variety: 'Mother' });
    const second = await add({ variety: 'Child', generation: 1, motherId: first, isolation: 'distance', isolationM: 30 });
    const third = await add({ variety: 'Grandchild', generation: 2, motherId: second, fatherId: first, isolation: 'alone' });
    expect((await sheet(first)).children.map(({ variety }) => variety)).toEqual(['Child', 'Grandchild']);
    expect((await sheet(third)).mother?.title).toBe('Leek, Child');
    const body = { ...packetBody({ variety: 'Mother', motherId: third, version: 0 }), id: uuid(), seedCount: undefined };
    const refused = await send<Problem>('put', `packets/${first}`, body, 422);
    expect(refused.errors?.[0]?.field).toBe('motherId');
    await send('post', 'packets', packetBody({ motherId: uuid() }), 422);
    await send('put', `packets/${second}`, { ...body, id: uuid(), motherId: null, variety: 'Renamed' }, 200);
    expect((await sheet(third)).mother?.title).toBe('Leek, Renamed');
  });

  it('brings in a table whole or not at all, and writes one that reads the same', async () => {
    const good = [packetBody({ variety: 'One' }), packetBody({ variety: 'Two', printedDays: [7, 14] })];
    const had = (await get<PacketName[]>('packets')).length;
    for (const wrong of [{ year: 2031 }, { printedRatePercent: 150 }, { seedCount: 2.5 }, { cropId: 'moon-melon' }]) {
      await send('post', 'packets/imports', { id: uuid(), packets: [...good, packetBody(wrong)] }, 422);
      expect((await get<PacketName[]>('packets')).length).toBe(had);
    }
    await send('post', 'packets/imports', { id: uuid(), packets: good });
    await add({
      variety: '=SUM(A1)',
      storage: { place: 'cellar', celsius: 11, dryness: 'sealed' },
      trait: 'early, "sweet"; tall',
      dressed: true,
    });
    const { text } = await home.request.get('/api/packets.csv').expect(200);
    const [headings = [], ...rows] = Papa.parse<string[]>(text, { skipEmptyLines: true }).data;
    const columns = recogniseColumns(headings);
    expect(columns).not.toContain(null);
    const crops = await get<Parameters<typeof readPacketRow>[1]>('crops');
    const again = rows.map(
      (cells) =>
        readPacketRow(Object.fromEntries(columns.map((column, at) => [column, cells[at] ?? ''])) as Record<string, string>, crops, 2026)
          .draft,
    );
    const names = await get<PacketName[]>('packets');
    const packets = await Promise.all(names.reverse().map(({ id }) => sheet(id)));
    const told = packets.map(({ cropId, variety, year, printedDays, seedsLeft, dressed, trait, storage }) => [
      cropId,
      variety,
      year,
      printedDays,
      seedsLeft,
      dressed,
      trait,
      storage,
    ]);
    expect(
      again.map(
        (draft) =>
          draft && [draft.cropId, draft.variety, draft.year, draft.printedDays, draft.seedCount, draft.dressed, draft.trait, draft.storage],
      ),
    ).toEqual(told);
  });

  it('learns how late a crop was, and counts the slots that are free', async () => {
    const id = await add();
    const batch = batchBody(id, home.spotId, {
      startAt: '2026-03-20T18:30',
      aim: { plants: 3, destination: 'slot', target: { kind: 'plant_out', day: '2026-04-01' } },
    });
    await send('post', 'batches', batch);
    await send('post', `batches/${batch.id}/looks`, lookBody(0, { seen: { tipped: 3, rotten: 0, basedOn: null } }));
    await send('post', `batches/${batch.id}/moves`, { id: uuid(), at: null, seeds: [], uncounted: 3, destination: 'slot', who: null });
    await send('post', 'racks', { id: uuid(), name: 'Rack', slots: 8 });
    await send('post', 'racks', { id: uuid(), name: 'Rack', slots: 0 }, 422);
    expect((await get<Rack[]>('racks')).map(({ slots, taken }) => [slots, taken])).toEqual([[8, 3]]);
    const [first = 0, second = 0] = (await get<BatchWithJournal>(`batches/${batch.id}`)).cups.map(({ number }) => number);
    await send('post', `nursery/${first}/events`, { id: uuid(), said: { kind: 'stage', stage: 'planted_out' } });
    await send('post', `nursery/${second}/events`, { id: uuid(), said: { kind: 'lost', why: 'damped off' } });
    expect(await get<PastSeasons>('crops/leek/seasons')).toEqual({
      nursingDays: [0],
      lateness: [{ year: 2026, days: 10, kind: 'plant_out' }],
      ways: [],
    });
    expect((await sheet(id)).fates['slot']).toEqual(jasmine.objectContaining({ lived: 1, lost: 1 }));
    expect((await get<Rack[]>('racks'))[0]?.taken).toBe(2);
  });
});
