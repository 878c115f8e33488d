import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, Holder, Packet, Round, NurseryPage, Seedling, Today } from '@fresh-tuck/contract';
import { batchBody, dump, household, lookBody, packetBody, type Household } from '../testing/household.js';

const HOUR_MS = 3_600_000;

describe('the daily round', () => {
  let home: Household;
  const get = async <T>(path: string): Promise<T> => (await home.request.get(`/api/${path}`).expect(200)).body as T;
  const post = (path: string, body: object, status = 201) =>
    home.request
      .post(`/api/${path}`)
      .send({ id: uuid(), ...body })
      .expect(status);
  const batch = (id = home.batchId) => get<BatchWithJournal>(`batches/${id}`);
  const look = (tipped: number, more: object = {}) =>
    home.request
      .post(`/api/batches/${home.batchId}/looks`)
      .send(lookBody(0, { seen: { tipped, rotten: 0, basedOn: null }, ...more }))
      .expect(201);
  const move = (more: object, status = 201) =>
    post(`batches/${home.batchId}/moves`, { at: null, seeds: [], uncounted: 0, destination: 'cup', who: null, ...more }, status);

  beforeEach(async () => {
    home = await household();
  });

  it('lets a parcel join a bag and leave it: closure, probe and weight stay with the bag', async () => {
    const { holder } = await batch();
    const other = batchBody(home.packetId, home.spotId, { startAt: null, seeds: 4 });
    await home.request.post('/api/batches').send(other).expect(201);
    await post(`batches/${other.id}/bag`, { holder: { holderId: holder.id } });
    expect((await batch()).bagMates).toEqual([2]);
    await post(`holders/${holder.id}/closure`, { closure: 'corner_open' }, 200);
    expect((await batch(other.id)).facts.closure).toBe('corner_open');
    await post(`batches/${other.id}/bag`, { holder: { newId: uuid(), kind: 'tub', closure: 'lidded', spotId: home.spotId } });
    expect((await batch()).bagMates).toEqual([]);
    expect((await batch(other.id)).facts.closure).toBe('lidded');
    await post(`batches/${other.id}/bag`, { holder: { holderId: uuid() } }, 404);
  });

  it('believes the bag’s own probe before the place’s thermometer, and the scale about its water', async () => {
    const { holder, answers } = await batch();
    for (const day of ['2026-04-08', '2026-04-09', '2026-04-10', '2026-04-11'])
      await post(`holders/${holder.id}/probe`, { day, minC: 30, maxC: 31 });
    const warmer = await batch();
    expect(warmer.answers.progressNow).toBeGreaterThan(answers.progressNow * 1.15);
    await post(`holders/${holder.id}/weighings`, { grams: 20, full: false }, 422);
    await post(`holders/${holder.id}/weighings`, { grams: 22, full: true });
    home.clock.step(24 * HOUR_MS);
    await post(`holders/${holder.id}/weighings`, { grams: 18.5, full: false });
    const dried = await batch();
    expect(dried.answers.drying.factor).toBeGreaterThan(1.5);
    expect((await get<Holder[]>('holders'))[0]).toEqual(jasmine.objectContaining({ weighedG: 18.5, probed: true }));
  });

  it('shares what fingers said over the towels of a bag', async () => {
    const { holder } = await batch();
    const mate = batchBody(home.packetId, home.spotId, { seeds: 4, holder: { holderId: holder.id } });
    await home.request.post('/api/batches').send(mate).expect(201);
    const before = (await batch(mate.id)).answers.drying.dryingAtMs;
    await look(0, { damp: 'dry' });
    expect((await batch(mate.id)).answers.drying.dryingAtMs).toBeLessThan(before);
  });

  const seedlings = async (): Promise<Seedling[]> => (await get<NurseryPage>('nursery?group=moved')).seedlings;

  it('keeps how rooted sprouts came out, gives snapped ones no label, and learns it for the next start', async () => {
    await look(5);
    const handled = async () => (await get<Packet>(`packets/${home.packetId}`)).handled;
    expect(await handled()).toEqual({ moved: 0, snapped: 0 });
    await move({ uncounted: 4, rooted: { freed: 1, patched: 1, snapped: 2 } });
    const after = await batch();
    expect([after.answers.state.moved, after.cups.length]).toEqual([4, 2]);
    expect(await handled()).toEqual({ moved: 2, snapped: 2 });
    await move({ uncounted: 1, rooted: { freed: 1, patched: 1, snapped: 0 } }, 422);
    await move({ uncounted: 1, destination: 'attic' }, 422);
    await move({ uncounted: 1, destination: 'bed' }, 422);
    await move({ uncounted: 1, bedId: uuid() }, 422);
    await move({ uncounted: 1, destination: 'bed', bedId: uuid() }, 404);
  });

  it('takes quiet seeds that are planted along off the towel without calling them dead', async () => {
    await look(3);
    await move({ uncounted: 3, quietPlanted: 9 }, 422);
    await move({ uncounted: 3, quietPlanted: 5 });
    const after = await batch();
    expect([after.answers.state.quiet, after.answers.state.rotten, after.answers.state.lost]).toEqual([0, 0, 5]);
    const nursery = await seedlings();
    expect(nursery.map(({ proved }) => proved)).toEqual([true, true, true, false, false, false, false, false]);
    // The next look is based on the last real one: the planting is none.
    expect(after.journal.find(({ id }) => id === after.lastLookId)?.kind).toBe('look');
    await post(`batches/${home.batchId}/undos`, { entryId: after.journal[0]?.id });
    expect((await batch()).answers.state.quiet).toBe(5);
    expect(await seedlings()).toEqual([]);
  });

  it('follows a seedling by its label, and takes back what was said last', async () => {
    await look(1);
    await move({ uncounted: 1 });
    const [sprout] = await seedlings();
    const at = `nursery/${sprout?.number}`;
    await post(`${at}/events`, { said: { kind: 'stage', stage: 'up' } });
    await post(`${at}/events`, { said: { kind: 'lost', why: null } }, 422);
    await post(`${at}/events`, { said: { kind: 'stage', stage: 'blooming' } }, 422);
    const lost = (await post(`${at}/events`, { said: { kind: 'lost', why: 'eaten' } })).body as Seedling;
    expect([lost.stage, lost.gone?.why]).toEqual(['up', 'eaten']);
    await post(`${at}/events`, { said: { kind: 'given' } }, 422);
    await post(`${at}/undos`, { entryId: lost.events.at(-1)?.id });
    expect(await get<Seedling>(at)).toEqual(jasmine.objectContaining({ stage: 'up', gone: null }));
    await post('nursery/999/events', { said: { kind: 'given' } }, 404);
    expect(() => home.db.prepare('DELETE FROM seedling_event').run()).toThrowError(/only added to/);
  });

  it('lets another device go on with a round, and ends it when all was looked at or skipped', async () => {
    expect(await get<Round | null>('rounds/current')).toBeNull();
    await post('rounds', { batchIds: [home.batchId] });
    expect((await get<Today>('today')).round).toEqual(jasmine.objectContaining({ batchIds: [home.batchId], doneIds: [] }));
    await home.request
      .post(`/api/batches/${home.batchId}/looks`)
      .send(lookBody(0, { via: 'skipped', seen: null, damp: null }))
      .expect(201);
    expect(await get<Round | null>('rounds/current')).toBeNull();
    await post('rounds', { batchIds: [uuid()] }, 404);
    await post('rounds', { batchIds: [] }, 422);
  });

  it('calls a rescue after an absence, the longest roots first', async () => {
    await look(4, { at: '2026-04-09T07:00' });
    // It was running when it was written down this morning: somebody has just told of it.
    expect((await get<Today>('today')).rescue).toBeNull();
    home.clock.step(46 * HOUR_MS);
    // A lot that cannot have a root in the paper is looked at in its turn, and not rescued.
    const slow = packetBody({ cropId: 'parsley', variety: 'Slow Tide', seedCount: 40 });
    await post('packets', slow);
    await post('batches', batchBody(slow.id, home.spotId, { startAt: '2026-04-08T07:00', seeds: 9, prepared: [] }));
    expect((await get<Today>('today')).rescue).toEqual({ away: '4 days', batchIds: [home.batchId] });
    await look(4);
    expect((await get<Today>('today')).rescue).toBeNull();
  });

  it('dates a look by how long it waited in the browser, and knows it again', async () => {
    const body = lookBody(0, { seen: { tipped: 1, rotten: 0, basedOn: null } });
    const send = (waited: string, status: number) =>
      home.request.post(`/api/batches/${home.batchId}/looks`).set('Fresh-Tuck-Waited', waited).send(body).expect(status);
    const before = dump(home.db);
    await send('yesterday', 422);
    await send('-5', 422);
    expect(dump(home.db)).toBe(before);
    await send(String(6 * HOUR_MS), 201);
    await send(String(7 * HOUR_MS), 201);
    const { journal } = await batch();
    expect(journal.length).toBe(1);
    expect(journal[0]?.atMs).toBe(home.clock.now() - 6 * HOUR_MS);
  });

  it('keeps a picture of a look as it is, and nothing that only calls itself one', async () => {
    const sent = lookBody();
    await home.request.post(`/api/batches/${home.batchId}/looks`).send(sent).expect(201);
    const put = (type: string, bytes: Buffer, lookId = sent.id) =>
      home.request.put(`/api/looks/${lookId}/photos/${uuid()}`).set('Content-Type', type).send(bytes);
    const png = Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex');
    await put('image/png', Buffer.from('<svg onload=alert(1)>')).expect(422);
    await put('image/svg+xml', png).expect(422);
    await put('image/png', png, uuid()).expect(404);
    await put('image/png', Buffer.alloc(3_200_000)).expect(413);
    await put('image/png', png).expect(201);
    const photoId = (await batch()).journal[0]?.photoIds[0];
    const found = await home.request
      .get(`/api/photos/${photoId}`)
      .expect(200)
      .expect('Content-Type', /image\/png/);
    expect(Buffer.compare(found.body as Buffer, png)).toBe(0);
  });

  it('measures beds, their soil and what they hold', async () => {
    const bed = { name: 'Court bed', widthM: 0.8, lengthM: 1.2, madeYear: 2025 };
    await post('beds', { ...bed, widthM: 0 }, 422);
    await post('beds', { ...bed, name: '' }, 422);
    const [made] = (await post('beds', bed)).body as { id: string }[];
    await post(`beds/${made?.id}/soil`, { day: '2026-04-12', celsius: 9, source: 'soil' }, 422);
    await post(`beds/${made?.id}/soil`, { day: '2026-04-11', celsius: 200, source: 'soil' }, 422);
    await post(`beds/${made?.id}/soil`, { day: '2026-04-10', celsius: 9, source: 'soil' });
    await post(`beds/${made?.id}/soil`, { day: '2026-04-10', celsius: 14, source: 'air' });
    expect(await get('beds')).toEqual([jasmine.objectContaining({ soil: { celsius: 9, source: 'soil', ageDays: 1 } })]);
    await look(2);
    await move({ uncounted: 2, destination: 'bed', bedId: made?.id });
    expect((await seedlings()).map(({ bedName }) => bedName)).toEqual(['Court bed', 'Court bed']);
  });
});
