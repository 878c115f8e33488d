import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, PacketSheet, PastSeasons, Rack } from '@fresh-tuck/contract';
import { asks, batchBody, household, lookBody, type Household } from '../testing/household.js';

describe('racks by name', () => {
  let home: Household;
  const { get, post } = asks(() => home);
  const rack = async (name: string, slots: number): Promise<string> => {
    const id = uuid();
    await post('racks', { id, name, slots });
    return id;
  };
  /** Seeds straight into the slots of a rack. */
  const slots = (seeds: number, rackId: string | null, more: object = {}) => {
    const { towel: _, ...body } = batchBody(home.packetId, home.spotId, {
      startAt: null,
      prepared: [],
      method: 'pod',
      seeds,
      aim: { plants: 1, destination: 'slot', target: null, ...(rackId === null ? {} : { rackId }) },
      holder: { newId: uuid(), kind: 'tray', closure: 'lidded', spotId: home.spotId },
      ...more,
    }) as Record<string, unknown> & { id: string };
    return body;
  };
  beforeEach(async () => (home = await household()));
  afterEach(() => home.services.close());

  it('take what fits into each, and no rack takes what another has room for', async () => {
    const [porch, stair] = [await rack('Porch', 2), await rack('Stair', 6)];
    expect((await post('batches', slots(3, porch), 422)).detail).toContain('seeds must be at most 2: so many slots stand empty');
    expect((await post('batches', slots(9, null), 422)).detail).toContain('seeds must be at most 8');
    expect((await post('batches', slots(1, uuid()), 422)).detail).toContain('aim.rackId must be a rack of the household');
    const body = slots(3, stair);
    await post('batches', body);
    expect((await get<BatchWithJournal>(`batches/${body.id}`)).aim.rackId).toBe(stair);
    expect((await get<Rack[]>('racks')).reduce((sum, { taken }) => sum + taken, 0)).toBe(3);
  });

  it('fit a part laid apart into the rack that its lot was begun for', async () => {
    const porch = await rack('Porch', 2);
    const body = batchBody(home.packetId, home.spotId, {
      startAt: null,
      prepared: [],
      seeds: 6,
      aim: { plants: 4, destination: 'slot', rackId: porch, target: null },
    });
    await post('batches', body);
    const part = (seeds: number) => ({
      newId: uuid(),
      seeds,
      method: 'pod',
      doseMl: 30,
      holder: { newId: uuid(), kind: 'tray', closure: 'lidded', spotId: home.spotId },
    });
    expect((await post(`batches/${body.id}/splits`, part(3), 422)).detail).toContain('seeds must be at most 2');
    const laid = await post<BatchWithJournal>(`batches/${body.id}/splits`, part(2));
    expect([laid.aim.rackId, laid.facts.method, laid.carrier]).toEqual([porch, 'pod', { kind: 'slots', places: null }]);
    // A refused part left nothing behind.
    expect((await get<BatchWithJournal>(`batches/${body.id}`)).answers.state.quiet).toBe(4);
  });

  it('remember what came of seed in each', async () => {
    const [porch, stair] = [await rack('Porch', 6), await rack('Stair', 6)];
    for (const [rackId, up] of [
      [porch, 0],
      [stair, 3],
    ] as const) {
      const body = slots(3, rackId);
      await post('batches', body);
      if (up > 0) await post(`batches/${body.id}/looks`, lookBody(up));
      await post(`batches/${body.id}/closings`, { reason: up > 0 ? 'all_moved' : 'given_up' });
    }
    const { cropId } = await get<PacketSheet>(`packets/${home.packetId}`);
    const { ways } = await get<PastSeasons>(`crops/${cropId}/seasons`);
    const told = new Map(ways.map(({ rackId, seeds, plants }) => [rackId, [seeds, plants]]));
    expect([told.get(porch), told.get(stair)]).toEqual([
      [3, 0],
      [3, 3],
    ]);
  });
});
