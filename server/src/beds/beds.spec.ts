import { v7 as uuid } from 'uuid';
import type { Bed } from '@fresh-tuck/contract';
import { asks, dump, household, type Household } from '../testing/household.js';

const DAY_MS = 86_400_000;

describe('beds', () => {
  let home: Household;
  let bedId: string;
  const { get, post } = asks(() => home);
  const soil = async () => (await get<Bed[]>('beds'))[0]?.soil;
  const read = (day: string, celsius: number, source: 'soil' | 'air' = 'soil', status = 201) =>
    post(`beds/${bedId}/soil`, { day, celsius, source }, status);
  beforeEach(async () => {
    home = await household();
    bedId = uuid();
    await post('beds', { id: bedId, name: 'Wall bed', widthM: 0.6, lengthM: 2.5, madeYear: null });
  });

  it('know nothing of their soil until somebody reads it, and then the newest day', async () => {
    expect(await soil()).toBeNull();
    await read('2026-04-09', 8);
    await read('2026-04-06', 14);
    expect(await soil()).toEqual({ celsius: 8, source: 'soil', ageDays: 2 });
    home.clock.step(10 * DAY_MS);
    expect((await soil())?.ageDays).toBe(12);
  });

  it('believe a thermometer in the soil before the air of the same day, and the later word of two', async () => {
    await read('2026-04-10', 9);
    await read('2026-04-10', 15, 'air');
    expect((await soil())?.celsius).toBe(9);
    await read('2026-04-10', 10.5);
    expect((await soil())?.celsius).toBe(10.5);
    // The air of a newer day tells more than the soil of an older one.
    await read('2026-04-11', 13, 'air');
    expect(await soil()).toEqual({ celsius: 13, source: 'air', ageDays: 0 });
  });

  it('are measured within reason, and a refusal changes nothing', async () => {
    const before = dump(home.db);
    for (const wrong of [{ widthM: 0 }, { widthM: 51 }, { lengthM: -1 }, { name: ' ' }, { madeYear: 1200 }, { madeYear: 2025.5 }])
      await post('beds', { name: 'Wall bed', widthM: 0.6, lengthM: 2.5, madeYear: null, ...wrong }, 422);
    await read('2026-04-12', 9, 'soil', 422);
    await read('2026-04-31', 9, 'soil', 422);
    await read('2026-04-10', 61, 'soil', 422);
    await post(`beds/${uuid()}/soil`, { day: '2026-04-10', celsius: 9, source: 'soil' }, 404);
    expect(dump(home.db)).toBe(before);
  });

  it('stand in the order in which they were named', async () => {
    for (const name of ['Apple bed', 'Gate bed']) await post('beds', { name, widthM: 1, lengthM: 1, madeYear: 2020 });
    expect((await get<Bed[]>('beds')).map(({ name }) => name)).toEqual(['Wall bed', 'Apple bed', 'Gate bed']);
  });
});
