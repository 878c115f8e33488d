import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, Round, Today } from '@fresh-tuck/contract';
import { lookBody } from '@fresh-tuck/contract/testing';
import { asks, batchBody, household, type Household } from '../testing/household.js';

const HOUR_MS = 3_600_000;

describe('a round', () => {
  let home: Household;
  let ids: string[];
  const { get, post } = asks(() => home);
  const current = () => get<Round | null>('rounds/current');
  const look = async (id: string | undefined, more: object = {}): Promise<string> => {
    const body = lookBody(0, more);
    await post(`batches/${id}/looks`, body);
    return body.id;
  };

  beforeEach(async () => {
    home = await household();
    const second = batchBody(home.packetId, home.spotId, { seeds: 3 });
    const third = batchBody(home.packetId, home.spotId, { seeds: 2 });
    await post('batches', second);
    await post('batches', third);
    ids = [home.batchId, second.id, third.id];
    await post('rounds', { batchIds: ids });
  });

  it('goes on on another device where it was left, skipped ones behind it', async () => {
    expect(await current()).toEqual(jasmine.objectContaining({ batchIds: ids, doneIds: [] }));
    await look(ids[1]);
    await look(ids[0], { via: 'skipped', seen: null, damp: null });
    expect((await current())?.doneIds).toEqual([ids[0], ids[1]] as string[]);
    await look(ids[2]);
    expect(await current()).toBeNull();
  });

  it('a look that is taken back is to be made again', async () => {
    const entryId = await look(ids[0]);
    await post(`batches/${ids[0]}/undos`, { entryId });
    expect((await current())?.doneIds).toEqual([]);
  });

  it('a look that was there before it began is no look of it, and one that was corrected is', async () => {
    const before = await look(ids[0]);
    home.clock.step(60_000);
    await post('rounds', { batchIds: ids.slice(0, 2) });
    expect((await current())?.doneIds).toEqual([]);
    const within = await look(ids[1]);
    await look(ids[1], { supersedes: within });
    expect((await current())?.doneIds).toEqual([ids[1] ?? '']);
    expect(before).not.toBe(within);
  });

  it('passes by what was closed meanwhile, and is over when nothing is left', async () => {
    await post(`batches/${ids[2]}/closings`, { reason: 'rotten' });
    expect((await current())?.batchIds).toEqual(ids.slice(0, 2));
    await look(ids[0]);
    await post(`batches/${ids[1]}/closings`, { reason: 'rotten' });
    expect(await current()).toBeNull();
  });

  it('is over when it was left for most of a day, also where the clock was set back', async () => {
    home.clock.step(7.9 * HOUR_MS);
    expect(await current()).not.toBeNull();
    home.clock.step(0.2 * HOUR_MS);
    expect(await current()).toBeNull();
    home.clock.step(-17 * HOUR_MS);
    expect(await current()).toBeNull();
  });

  it('the newest is the one that goes on, and the same request is the same round', async () => {
    const again = { id: uuid(), batchIds: [ids[2]] };
    await post('rounds', again);
    await post('rounds', again);
    expect((await current())?.batchIds).toEqual([ids[2] ?? '']);
    await post('rounds', { ...again, batchIds: [ids[1]] }, 409);
    expect((await get<Today>('today')).round?.id).toBe(again.id);
  });

  it('walks only what is there', async () => {
    await post('rounds', { batchIds: [ids[0], uuid()] }, 404);
    await post('rounds', { batchIds: Array.from({ length: 201 }, () => ids[0]) }, 422);
    expect((await current())?.batchIds).toEqual(ids);
  });

  it('begins what nobody told: who looked is known to the next device', async () => {
    await look(ids[0], { who: 'Ada' });
    await look(ids[1], { who: 'Bo' });
    await look(ids[2], { who: 'Ada' });
    expect(await get<string[]>('people')).toEqual(['Ada', 'Bo']);
    expect((await get<BatchWithJournal>(`batches/${ids[1]}`)).journal[0]?.who).toBe('Bo');
  });
});
