import type { KnownFact } from '@fresh-tuck/core/forecast';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, Today } from '@fresh-tuck/contract';
import { batchBody, dump, household, lookBody, NOW_MS, type Household } from '../testing/household.js';

const HOUR_MS = 3_600_000;

describe('a batch’s journal', () => {
  let home: Household;
  const url = (end: string): string => `/api/batches/${home.batchId}/${end}`;
  const post = async (end: string, body: object, status = 201): Promise<BatchWithJournal> =>
    (await home.request.post(url(end)).send(body).expect(status)).body as BatchWithJournal;
  const look = (tipped: number, more: object = {}) => lookBody(0, { seen: { tipped, rotten: 0, basedOn: null }, ...more });

  beforeEach(async () => {
    home = await household();
  });

  it('takes the same look twice as one, and the same id with another body as a conflict', async () => {
    const body = look(2);
    const first = await post('looks', body);
    const again = await post('looks', body);
    expect(again.journal.length).toBe(first.journal.length);
    const brief = await home.request.post(url('looks')).set('Prefer', 'return=minimal').send(body).expect(201);
    expect(brief.body).toEqual({ id: home.batchId });
    await home.request
      .post(url('looks'))
      .send({ ...body, note: 'other' })
      .expect(409);
    expect((home.db.prepare('SELECT count(*) AS n FROM look').get() as { n: number }).n).toBe(1);
  });

  it('keeps two people’s looks at the same parcel and never adds them up', async () => {
    const base = await post('looks', look(1, { at: '2026-04-10T07:00' }));
    const basedOn = base.lastLookId;
    await post('looks', lookBody(0, { seen: { tipped: 3, rotten: 0, basedOn }, who: 'Ana', at: '2026-04-11T07:00' }));
    const both = await post('looks', lookBody(0, { seen: { tipped: 2, rotten: 0, basedOn }, who: 'Ben' }));
    expect(both.answers.state.tipped).toBe(3);
    expect(both.journal.filter(({ kind, counts }) => kind === 'look' && counts).length).toBe(3);
  });

  it('refuses tips that go back into the seed, and lets the look be corrected instead', async () => {
    const first = await post('looks', look(3, { at: '2026-04-10T18:30' }));
    await post('looks', lookBody(0, { seen: { tipped: 2, rotten: 0, basedOn: first.lastLookId } }), 422);
    const corrected = await post('looks', look(2, { supersedes: first.lastLookId }));
    expect(corrected.answers.state.tipped).toBe(2);
    expect(corrected.facts.looks[0]?.atMs).toBe(Date.parse('2026-04-10T18:30:00+02:00'));
    const undone = await post('undos', { id: uuid(), entryId: corrected.lastLookId });
    expect(undone.answers.state.tipped).toBe(3);
    expect(undone.journal.length).toBe(3);
  });

  it('moves sprouts to numbered cups, and an undo frees the sprouts but never the numbers', async () => {
    await post('looks', lookBody(0, { seen: { tipped: 3, rotten: 0, basedOn: null }, marks: [{ seed: 2, stage: 'root', rootMm: 5 }] }));
    const move = { id: uuid(), at: null, seeds: [2], uncounted: 1, destination: 'cup', who: null };
    const moved = await post('moves', move);
    expect(moved.cups.map(({ number, seed }) => [number, seed])).toEqual([
      [2, 2],
      [3, null],
    ]);
    expect([moved.answers.state.moved, moved.answers.state.showing]).toEqual([2, 1]);
    await post('moves', { ...move, id: uuid() }, 422);
    // The look that showed them cannot go while they are in their cups.
    await post('undos', { id: uuid(), entryId: moved.lastLookId }, 422);
    const undone = await post('undos', { id: uuid(), entryId: move.id });
    expect([undone.cups.length, undone.answers.state.showing]).toEqual([0, 3]);
    const again = await post('moves', { ...move, id: uuid() });
    expect(again.cups.map(({ number }) => number)).toEqual([4, 5]);
  });

  it('restores the forecast to the digit when a look is taken back', async () => {
    const before = await post('looks', look(2));
    const wrong = await post('looks', look(6));
    expect(wrong.answers.end.mean).not.toBe(before.answers.end.mean);
    const after = await post('undos', { id: uuid(), entryId: wrong.lastLookId });
    expect(after.answers).toEqual(before.answers);
  });

  it('corrects the starting count, not below what was seen nor beyond the packet', async () => {
    await post('looks', look(3));
    await post('recounts', { id: uuid(), seeds: 2 }, 422);
    await post('recounts', { id: uuid(), seeds: 21 }, 422);
    expect((await post('recounts', { id: uuid(), seeds: 10 })).facts.seeds).toBe(10);
    const packets = (await home.request.get('/api/packets')).body as { seedsLeft: number }[];
    expect(packets[0]?.seedsLeft).toBe(10);
  });

  it('closes, refuses looks then, and opens again by undo', async () => {
    const body = { id: uuid(), reason: 'given_up' };
    expect((await post('closings', body)).closed).toBeTrue();
    await post('looks', look(1), 409);
    const today = (await home.request.get('/api/today')).body as Today;
    expect([today.stations.length, today.shut.length]).toEqual([0, 0]);
    expect((await post('undos', { id: uuid(), entryId: body.id })).closed).toBeFalse();
  });

  it('teaches the packet’s next batch by its end, and unteaches it by the undo', async () => {
    type Known = { prior: { known: KnownFact[]; logMedian: { sd: number } } };
    const prior = async () => ((await home.request.get(`/api/packets/${home.packetId}`)).body as Known).prior;
    const before = await prior();
    await post('looks', look(6, { at: '2026-04-09T18:30' }));
    const body = { id: uuid(), reason: 'all_moved' };
    await post('closings', body);
    const after = await prior();
    expect(after?.known.at(-1)).toEqual(jasmine.objectContaining({ what: 'records', packet: 1, crop: 0 }));
    expect(after?.logMedian.sd).toBeLessThan(before?.logMedian.sd ?? 0);
    // Its own end must not teach the batch itself.
    const own = (await home.request.get(`/api/batches/${home.batchId}`)).body as BatchWithJournal;
    expect(own.facts.prior.known.map(({ what }) => what)).not.toContain('records');
    await post('undos', { id: uuid(), entryId: body.id });
    expect(await prior()).toEqual(before);
  });

  it('refuses any change of what is written', () => {
    expect(() => home.db.prepare('DELETE FROM entry').run()).not.toThrow();
    home.db.prepare("INSERT INTO entry VALUES ('x', ?, 'look', 1, 1, NULL, NULL, NULL)").run(home.batchId);
    expect(() => home.db.prepare('DELETE FROM entry').run()).toThrowError(/only added to/);
    expect(() => home.db.prepare('UPDATE entry SET at_ms = 2').run()).toThrowError(/only added to/);
  });
});

describe('Today', () => {
  it('opens a whole bag, in walking order, and leaves the rest shut until a time', async () => {
    const home = await household();
    const first = (await home.request.get(`/api/batches/${home.batchId}`)).body as BatchWithJournal;
    const leek = uuid();
    await home.request
      .post('/api/packets')
      .send({
        id: leek,
        cropId: 'leek',
        variety: 'Bollard',
        year: null,
        source: null,
        printedRatePercent: null,
        seedCount: null,
        dressed: false,
      })
      .expect(201);
    const mate = batchBody(leek, home.spotId, { startAt: null, holder: { holderId: first.holder.id } });
    const alone = batchBody(leek, home.spotId, { startAt: null });
    for (const body of [mate, alone]) await home.request.post('/api/batches').send(body).expect(201);
    // Okra at two and a half days is worth a look; the leek of this minute is not.
    const today = (await home.request.get('/api/today')).body as Today;
    expect(today.stations.map(({ spot }) => spot.name)).toEqual(['Hall cupboard']);
    expect(today.stations[0]?.stops.map(({ batch, dueNow }) => [batch.number, dueNow])).toEqual([
      [1, true],
      [2, false],
    ]);
    expect(today.stations[0]?.stops[1]?.bagReason).toContain('same bag as 1');
    expect(today.shut.map(({ batch }) => batch.number)).toEqual([3]);
    expect(today.shut[0]?.nextMs).toBeGreaterThan(NOW_MS);
  });

  it('follows the bag to a cooler place, from then on', async () => {
    const home = await household();
    const before = (await home.request.get(`/api/batches/${home.batchId}`)).body as BatchWithJournal;
    const fridge = uuid();
    await home.request.post('/api/spots').send({ id: fridge, name: 'Fridge', kind: 'fridge' }).expect(201);
    await home.request.post(`/api/holders/${before.holder.id}/place`).send({ id: uuid(), spotId: fridge }).expect(200);
    home.clock.step(24 * HOUR_MS);
    const after = (await home.request.get(`/api/batches/${home.batchId}`)).body as BatchWithJournal;
    expect(after.answers.progressNow).toBeLessThan(before.answers.progressNow + 0.2);
    expect(after.answers.now.mean).toBeLessThan(before.answers.tomorrow.mean);
  });

  it('changes nothing by being read', async () => {
    const home = await household();
    const before = dump(home.db);
    for (const path of ['about', 'today', 'spots', 'packets', 'holders', 'batches', 'crops', `batches/${home.batchId}`]) {
      await home.request.get(`/api/${path}`).expect(200);
    }
    expect(dump(home.db)).toBe(before);
  });
});
