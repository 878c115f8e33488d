import type { Batch, BatchWithJournal, PacketSheet, PastSeasons } from '@fresh-tuck/contract';
import { batchBody, lookBody, moveBody, packetBody, spotBody } from '@fresh-tuck/contract/testing';
import { v7 as uuid } from 'uuid';
import { asks, household, type Household } from '../testing/household.js';

describe('parts of a lot, tries that follow each other, and ways that cannot be', () => {
  let home: Household;
  const { get, post } = asks(() => home);
  const batchOf = (id: string): Promise<BatchWithJournal> => get<BatchWithJournal>(`batches/${id}`);
  const sheetOf = (id: string): Promise<PacketSheet> => get<PacketSheet>(`packets/${id}`);
  /** What a refusal says of its field. */
  async function refused(body: object): Promise<string> {
    const answer = await home.request.post('/api/batches').send(body).expect(422);
    return (answer.body as { detail: string }).detail;
  }
  beforeEach(async () => (home = await household()));
  afterEach(() => home.services.close());

  const part = (more: object = {}) => ({
    id: uuid(),
    newId: uuid(),
    at: null,
    seeds: 3,
    method: 'pot',
    places: null,
    towel: null,
    doseMl: 240,
    holder: { newId: uuid(), kind: 'tray', closure: 'lidded', spotId: home.spotId },
    ...more,
  });

  it('lays some apart: they keep their days, nothing leaves the packet twice, and no seed is counted twice', async () => {
    const before = await sheetOf(home.packetId);
    const body = part();
    const laid = await post<BatchWithJournal>(`batches/${home.batchId}/splits`, body);
    const first = await batchOf(home.batchId);
    expect([laid.facts.seeds, laid.facts.method, laid.facts.startMs]).toEqual([3, 'pot', first.facts.startMs]);
    expect([first.answers.state.quiet, first.answers.state.lost]).toEqual([first.facts.seeds - 3, 3]);
    expect(laid.from).toEqual({ batchId: home.batchId, number: first.number, kind: 'split', daysLost: 0 });
    expect(first.followers.map(({ batchId }) => batchId)).toEqual([laid.id]);
    expect((await sheetOf(home.packetId)).seedsLeft).toBe(before.seedsLeft);
    // What is still quiet cannot be laid apart twice.
    await post(`batches/${home.batchId}/splits`, part({ seeds: first.facts.seeds }), 422);
  });

  it('lays them together again, and the packet has what it had', async () => {
    const body = part({ method: 'towel', towel: { widthMm: 140, heightMm: 110, plies: 2 } });
    await post(`batches/${home.batchId}/splits`, body);
    const stock = (await sheetOf(home.packetId)).seedsLeft;
    const whole = await post<BatchWithJournal>(`batches/${home.batchId}/joins`, { id: uuid(), otherId: body.newId });
    expect(whole.answers.state.quiet).toBe(8);
    expect((await batchOf(body.newId)).closed).toBeTrue();
    expect((await sheetOf(home.packetId)).seedsLeft).toBe(stock);
    await post(`batches/${home.batchId}/joins`, { id: uuid(), otherId: home.batchId }, 422);
  });

  it('takes seed from two packets of one variety, and of no other', async () => {
    const own = await sheetOf(home.packetId);
    const other = packetBody({ cropId: own.cropId, variety: own.variety, year: 2021, seedCount: 5 });
    const stranger = packetBody({ cropId: own.cropId, variety: 'Another', seedCount: 5 });
    await post('packets', other);
    await post('packets', stranger);
    const body = batchBody(home.packetId, home.spotId, { startAt: null, prepared: [], seeds: 6, also: { packetId: other.id, seeds: 4 } });
    await post('batches', body);
    expect([(await sheetOf(home.packetId)).seedsLeft, (await sheetOf(other.id)).seedsLeft]).toEqual([(own.seedsLeft ?? 0) - 2, 1]);
    const mixed = { ...body, id: uuid(), holder: { newId: uuid(), kind: 'bag', closure: 'sealed_air', spotId: home.spotId } };
    expect(await refused({ ...mixed, also: { packetId: stranger.id, seeds: 2 } })).toContain('must be a packet of the same variety');
    expect(await refused({ ...mixed, also: { packetId: other.id, seeds: 2 } })).toContain('also.seeds must be at most 1');
  });

  it('links a second try another way, tells the days lost, and learns what each way came to', async () => {
    await post(`batches/${home.batchId}/looks`, lookBody(3));
    await post(`batches/${home.batchId}/moves`, moveBody({ destination: 'slot' }));
    await post(`batches/${home.batchId}/closings`, { id: uuid(), reason: 'given_up' });
    const { cropId, id: packetId } = await sheetOf(home.packetId);
    const again = batchBody(packetId, home.spotId, {
      startAt: null,
      prepared: [],
      method: 'pod',
      places: 4,
      seeds: 4,
      after: home.batchId,
    });
    const { towel: _, ...body } = again as Record<string, unknown>;
    const second = await post<BatchWithJournal>('batches', body);
    expect([second.from?.kind, second.from?.daysLost]).toEqual([
      'restart',
      Math.round((second.facts.startMs - (await batchOf(home.batchId)).facts.startMs) / 86_400_000),
    ]);
    expect((await sheetOf(packetId)).outcomes.map(({ method, from }) => [method, from?.kind ?? null])).toEqual([
      ['towel', null],
      ['pod', 'restart'],
    ]);
    const { ways } = await get<PastSeasons>(`crops/${cropId}/seasons`);
    expect(ways).toEqual([{ method: 'towel', destination: 'slot', rackId: null, seeds: 8, plants: 2 }]);
  });

  it('refuses in a sentence what cannot be: drowned by plan, chilled nowhere, more than fits, a stone in a sponge', async () => {
    const ordinary = batchBody(home.packetId, home.spotId, { startAt: null, prepared: ['soak'], soaking: true });
    expect(await refused({ ...ordinary, soakHours: 400 })).toContain('soakHours must be a number from 0.5 to 96 hours');
    expect(await refused({ ...ordinary, soakHours: 90 })).toMatch(/soakHours must be at most \d+: \w+ drowns/);
    expect(await refused({ ...ordinary, chillDays: 30 })).toContain('until there is a cold spot');
    await post('spots', spotBody({ name: 'Fridge', kind: 'fridge' }));
    await post('batches', { ...ordinary, chillDays: 30 });
    await post('racks', { id: uuid(), name: 'Rack', slots: 3 });
    const { towel: _, ...pod } = {
      ...ordinary,
      id: uuid(),
      method: 'pod',
      seeds: 4,
      holder: { newId: uuid(), kind: 'tray', closure: 'lidded', spotId: home.spotId },
    } as Record<string, unknown>;
    expect(await refused(pod)).toContain('seeds must be at most 3: so many slots stand empty');
    const stone = packetBody({ cropId: 'avocado', seedCount: 3 });
    await post('packets', stone);
    expect(await refused({ ...pod, packetId: stone.id, seeds: 1, prepared: [], soaking: false })).toContain(
      'Avocado cannot be started in a soilless slot: its seed is 45 mm long',
    );
    expect((await get<Batch[]>('batches')).length).toBe(2);
  });
});
