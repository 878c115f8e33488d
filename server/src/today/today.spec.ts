import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, Today, WhyPanel } from '@fresh-tuck/contract';
import { batchBody, dump, household, lookBody, type Household } from '../testing/household.js';

const HOUR_MS = 3_600_000;

describe('what Today said', () => {
  let home: Household;
  const today = async () => (await home.request.get('/api/today')).body as Today;
  const batch = async () => (await home.request.get(`/api/batches/${home.batchId}`)).body as BatchWithJournal;
  const read = (minC: number, maxC: number, day = '2026-04-11') =>
    home.request.post(`/api/spots/${home.spotId}/readings`).send({ id: uuid(), day, minC, maxC }).expect(201);
  const why = async () => (await home.request.get(`/api/batches/${home.batchId}/why`)).body as WhyPanel;

  beforeEach(async () => {
    home = await household();
  });

  it('is kept once a day, and a change since the morning is named with its cause', async () => {
    await home.request.post(`/api/batches/${home.batchId}/looks`).send(lookBody()).expect(201);
    home.clock.step(HOUR_MS / 2);
    expect((await today()).told).toBeFalse();
    await home.request.post('/api/today/shown').send({ id: uuid() }).expect(201);
    await home.request.post('/api/today/shown').send({ id: uuid() }).expect(201);
    expect((home.db.prepare('SELECT count(*) AS n FROM said').get() as { n: number }).n).toBe(1);
    expect(await today()).toEqual(jasmine.objectContaining({ told: true, changes: [] }));
    home.clock.step(HOUR_MS);
    // The cupboard turns out to be a fridge: nothing will come tonight.
    for (const day of ['2026-04-08', '2026-04-09', '2026-04-10', '2026-04-11']) await read(8, 9, day);
    const [change] = (await today()).changes;
    expect(change?.text).toMatch(/^Earlier today it said tomorrow 07:00; now it says .*The thermometer at Hall cupboard says otherwise\.$/);
    // The next day it is told anew.
    home.clock.step(24 * HOUR_MS);
    expect(await today()).toEqual(jasmine.objectContaining({ told: false, changes: [] }));
  });

  it('rests on the packet, the warmth and each look: any change moves the figures of Why', async () => {
    await home.request
      .post(`/api/batches/${home.batchId}/looks`)
      .send(lookBody(0, { at: '2026-04-10T18:30', seen: { tipped: 1, rotten: 0, basedOn: null } }))
      .expect(201);
    const seen = await batch();
    await home.request
      .post(`/api/batches/${home.batchId}/looks`)
      .send(lookBody(0, { seen: { tipped: 4, rotten: 0, basedOn: seen.lastLookId } }))
      .expect(201);
    const before = await why();
    expect(before.contributions.map(({ kind }) => kind)).toEqual(['book', 'packet', 'warmth', 'look', 'look']);
    expect(before.contributions.at(-1)?.text).toBe('07:10: 3 new tips');
    for (const one of before.contributions.slice(2)) expect(one.with).toEqual(before.now);
    expect(before.contributions.at(-1)?.without).not.toEqual(before.now);
    await read(30, 31);
    const warmer = await why();
    expect(warmer.contributions.map(({ kind }) => kind)).toContain('thermometer');
    expect(warmer.now).not.toEqual(before.now);
    const last = (await batch()).lastLookId;
    await home.request.post(`/api/batches/${home.batchId}/undos`).send({ id: uuid(), entryId: last }).expect(201);
    expect((await why()).now).not.toEqual(warmer.now);
    expect(JSON.stringify(before)).not.toMatch(/NaN|undefined/);
  });

  it('follows the household’s ways at once, and refuses what cannot be', async () => {
    const ways = {
      rootSchool: 'finger',
      unopenedFirst: true,
      leastHope: 0.1,
      sureness: 0.9,
      retestChance: 0.05,
      patienceTimes: 4,
      lateTolerance: 0.2,
    };
    expect((await batch()).answers.next.via).toBe('opened');
    const before = dump(home.db);
    for (const wrong of [{ lateTolerance: 2 }, { rootSchool: 'long' }, { sureness: 'very' }, { patienceTimes: 0 }]) {
      await home.request
        .put('/api/household/ways')
        .send({ id: uuid(), ...ways, ...wrong })
        .expect(422);
    }
    expect(dump(home.db)).toBe(before);
    await home.request
      .put('/api/household/ways')
      .send({ id: uuid(), ...ways, version: 0 })
      .expect(200);
    expect((await batch()).answers.next.via).toBe('through');
    // The rest of the household is as it was.
    expect((await home.request.get('/api/about')).body).toEqual(
      jasmine.objectContaining({ household: jasmine.objectContaining({ name: 'Test house', ways }) }),
    );
  });

  it('adds up the chances of a bag, and names the parcel that opens it', async () => {
    const { holder } = await batch();
    const mate = batchBody(home.packetId, home.spotId, { startAt: null, seeds: 4, wanted: null, holder: { holderId: holder.id } });
    await home.request.post('/api/batches').send(mate).expect(201);
    const young = (await home.request.get(`/api/batches/${mate.id}`)).body as BatchWithJournal;
    expect(young.answers.next).toEqual({ atMs: (await batch()).answers.next.atMs, reason: 'bag', via: 'opened' });
    expect(young.judgement.headline.text).toContain('In one bag with 1.');
  });
});
