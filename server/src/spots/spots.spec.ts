import fc from 'fast-check';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, Spot } from '@fresh-tuck/contract';
import { readingBody, spotBody } from '@fresh-tuck/contract/testing';
import { asks, batchBody, dump, household, NOW_MS, type Household } from '../testing/household.js';

const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;

describe('warm spots', () => {
  let home: Household;
  const { get, post } = asks(() => home);
  beforeEach(async () => (home = await household()));
  const put = (path: string, body: object) => home.request.put(`/api/${path}`).send({ id: uuid(), ...body });
  const spot = async (name: string, kind = 'room'): Promise<string> => {
    const body = spotBody({ name, kind });
    await post('spots', body);
    return body.id;
  };
  const batch = (id: string) => get<BatchWithJournal>(`batches/${id}`);

  it('stand in the order they are walked past; a new one comes last, and an order names each once', async () => {
    const [mat, sill] = [await spot('Mat', 'mat'), await spot('Sill')];
    const names = async () => (await get<Spot[]>('spots')).map(({ name }) => name);
    expect(await names()).toEqual(['Hall cupboard', 'Mat', 'Sill']);
    await put('spots/order', { spotIds: [sill, home.spotId, mat] }).expect(200);
    expect(await names()).toEqual(['Sill', 'Hall cupboard', 'Mat']);
    const before = dump(home.db);
    for (const spotIds of [[sill, mat], [sill, sill, mat], [sill, mat, home.spotId, uuid()], []]) {
      await put('spots/order', { spotIds }).expect(422);
    }
    expect(dump(home.db)).toBe(before);
    await post('spots', { ...spotBody({ name: 'x'.repeat(61) }) }, 422);
    await post('spots', { ...spotBody({ kind: 'oven' }) }, 422);
  });

  it('take a day’s lowest and highest; what was written later counts, and says so in words', async () => {
    const read = (day: string, minC: number, maxC: number, status = 201) =>
      post<Spot[]>(`spots/${home.spotId}/readings`, readingBody(day, { minC, maxC }), status);
    await read('2026-04-10', 20, 22);
    const [first] = await read('2026-04-10', 26, 28);
    expect(first?.latest).toEqual(jasmine.objectContaining({ day: '2026-04-10', minC: 26, maxC: 28 }));
    expect(first?.inWords).toBe('27 °C, swings 2°');
    await read('2026-04-10', 30, 20, 422);
    await read('2026-04-12', 20, 22, 422);
    await read('2026-02-30', 20, 22, 422);
    await post(`spots/${uuid()}/readings`, readingBody('2026-04-10'), 404);
  });

  it('are told by a guess until somebody reads, and by the reading’s age once it is old', async () => {
    const words = async () => (await get<Spot[]>('spots'))[0]?.inWords;
    expect(await words()).toBe('about 22.5 °C, a guess');
    await post(`spots/${home.spotId}/readings`, readingBody('2026-04-10', { minC: 27, maxC: 27 }));
    expect(await words()).toBe('27 °C, steady');
    home.clock.step(6 * DAY_MS);
    expect(await words()).toMatch(/^about 2[4-7][.\d]* °C, by what was read \d days ago$/);
    home.clock.step(200 * DAY_MS);
    expect(await words()).toBe('about 22.5 °C, a guess');
  });

  it('a day’s reading is as long as its day, also when the clocks change', async () => {
    home.clock.step(Date.parse('2026-10-27T12:00:00+01:00') - NOW_MS);
    for (const day of ['2026-10-24', '2026-10-25', '2026-10-26']) await post(`spots/${home.spotId}/readings`, readingBody(day));
    const hours = home.db.prepare('SELECT (to_ms - from_ms) / 3600000.0 FROM reading ORDER BY from_ms').pluck().all();
    expect(hours).toEqual([24, 25, 24]);
  });

  it('a batch rests on where its bag stood when, and a place that is read later reaches it at once', async () => {
    const cold = await spot('Porch', 'cool_room');
    const own = batchBody(home.packetId, home.spotId, { startAt: '2026-04-09T07:00', seeds: 4 });
    await post('batches', own);
    const { holder } = await batch(own.id);
    home.clock.step(6 * HOUR_MS);
    await post(`holders/${holder.id}/place`, { spotId: cold }, 200);
    home.clock.step(18 * HOUR_MS);
    const moved = await batch(own.id);
    expect(moved.facts.stays.map(({ guess }) => guess)).toEqual([
      { minC: 20, maxC: 25 },
      { minC: 10, maxC: 17 },
    ]);
    expect(moved.facts.stays[1]?.fromMs).toBe(NOW_MS + 6 * HOUR_MS);
    await post(`spots/${cold}/readings`, readingBody('2026-04-11', { minC: 2, maxC: 5 }));
    const read = await batch(own.id);
    expect(read.answers.progressNow).toBeLessThan(moved.answers.progressNow);
    expect(read.answers.progressNow).toBeGreaterThan(1);
    await post(`holders/${holder.id}/place`, { spotId: uuid() }, 404);
  });

  it('a record cut to a stay is the same whether it was read for that stay or once for years', () => {
    const { spots } = home.services;
    const readings = home.db.prepare(
      'INSERT INTO reading (id, spot_id, from_ms, to_ms, min_c, max_c, recorded_ms) VALUES (?, ?, ?, ?, ?, ?, ?)',
    );
    fc.sample(fc.tuple(fc.integer({ min: -400, max: -1 }), fc.integer({ min: 5, max: 30 })), { numRuns: 150, seed: 9 }).forEach(
      ([day, celsius]) => {
        const fromMs = NOW_MS + day * DAY_MS;
        readings.run(uuid(), home.spotId, fromMs, fromMs + DAY_MS, celsius, celsius + 2, NOW_MS);
      },
    );
    const since = spots.since(home.spotId, NOW_MS - 380 * DAY_MS);
    fc.assert(
      fc.property(fc.integer({ min: -360, max: -20 }), fc.integer({ min: 1, max: 60 }), (from, days) => {
        const [fromMs, toMs] = [NOW_MS + from * DAY_MS, NOW_MS + (from + days) * DAY_MS];
        expect(since(fromMs, toMs)).toEqual(spots.record(home.spotId, fromMs, toMs));
      }),
    );
  });
});
