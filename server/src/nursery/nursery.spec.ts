import fc from 'fast-check';
import { v7 as uuid } from 'uuid';
import type { Nursery, Packet, PastSeasons, Rack, Seedling } from '@fresh-tuck/contract';
import { lookBody, moveBody } from '@fresh-tuck/contract/testing';
import { asks, batchBody, household, packetBody, type Household } from '../testing/household.js';

const DAY_MS = 86_400_000;

describe('the nursery', () => {
  let home: Household;
  const { get, post } = asks(() => home);
  beforeEach(async () => (home = await household()));

  /** So many sprouts from a batch of their own, moved together. */
  async function moved(count: number, destination = 'cup', more: object = {}): Promise<number[]> {
    const packet = packetBody({ seedCount: 400 });
    await post('packets', packet);
    const batch = batchBody(packet.id, home.spotId, { seeds: count, startAt: null, ...more });
    await post('batches', batch);
    await post(`batches/${batch.id}/looks`, lookBody(count));
    await post(`batches/${batch.id}/moves`, moveBody({ uncounted: count, destination }));
    const { number: last } = home.db.prepare('SELECT max(number) AS number FROM cup').get() as { number: number };
    return Array.from({ length: count }, (_, nth) => last - count + 1 + nth);
  }
  const say = (number: number, kind: 'stage' | 'lost' | 'given', said: string | null = null, status = 201) =>
    post<Seedling>(`nursery/${number}/events`, { kind, stage: kind === 'stage' ? said : null, why: kind === 'lost' ? said : null }, status);
  const group = async (name: string, from = 0) => (await get<Nursery>(`nursery?group=${name}&from=${from}`)).groups[0];

  it('comes a page at a time, the oldest first, and loses nobody between the pages', async () => {
    const labels = [...(await moved(30)), ...(await moved(25))];
    const whole = await get<Nursery>('nursery');
    expect(whole.living).toBe(55);
    expect(whole.groups.map(({ group: name, count, seedlings }) => [name, count, seedlings.length])).toEqual([['moved', 55, 20]]);
    const pages = [];
    for (let from = 0; from < 55; from += 20) pages.push(...((await group('moved', from))?.seedlings ?? []));
    expect(pages.map(({ number }) => number)).toEqual(labels);
  });

  it('shows what left last first, and what is gone only when it is asked for', async () => {
    const labels = await moved(4);
    for (const number of labels) await say(number, 'stage', 'planted_out');
    await say(labels[0] ?? 0, 'lost', 'a slug');
    await say(labels[1] ?? 0, 'given');
    const whole = await get<Nursery>('nursery');
    expect(whole.living).toBe(2);
    expect(whole.groups.map(({ group: name, count, seedlings }) => [name, count, seedlings.length])).toEqual([
      ['planted_out', 2, 2],
      ['gone', 2, 0],
    ]);
    expect(whole.groups[0]?.seedlings.map(({ number }) => number)).toEqual([labels[3], labels[2]] as number[]);
    expect((await group('gone'))?.seedlings.map(({ gone }) => gone?.why ?? null)).toEqual([null, 'a slug']);
  });

  it('tells of each what was said last that was not taken back, whatever was said before', async () => {
    const stages = ['up', 'seed_leaves', 'true_leaves', 'planted_out', 'ripe'];
    const word = fc.oneof(fc.constantFrom(...stages), fc.constant('undo'), fc.constant('lost'));
    const [number = 0] = await moved(1);
    const said: string[] = [];
    for (const one of fc.sample(word, { numRuns: 60, seed: 3 })) {
      home.clock.step(60_000);
      const gone = said.at(-1) === 'lost';
      const lastEventId =
        (await group(said.length === 0 ? 'moved' : gone ? 'gone' : (said.at(-1) ?? '')))?.seedlings[0]?.events.at(-1)?.id ?? null;
      if (one === 'undo') {
        await post(`nursery/${number}/undos`, { entryId: lastEventId ?? uuid() }, lastEventId ? 201 : 422);
        said.pop();
      } else if (gone) await say(number, one === 'lost' ? 'lost' : 'stage', one === 'lost' ? 'dried' : one, 422);
      else {
        await say(number, one === 'lost' ? 'lost' : 'stage', one === 'lost' ? 'dried' : one);
        said.push(one);
      }
      const stage = said.findLast((word) => word !== 'lost') ?? 'moved';
      const { seedlings } = (await group(said.at(-1) === 'lost' ? 'gone' : stage)) ?? { seedlings: [] };
      expect(seedlings.map((seedling) => [seedling.number, seedling.stage])).toEqual([[number, stage]]);
    }
  });

  it('learns where seedlings live on: those past danger and those lost, by where they were moved to', async () => {
    const cups = await moved(4);
    const cells = await moved(3, 'cell');
    for (const number of cups.slice(0, 2)) await say(number, 'stage', 'true_leaves');
    await say(cups[2] ?? 0, 'lost', 'damped off');
    await say(cells[0] ?? 0, 'given');
    // One that only came up tells nothing yet.
    await say(cells[1] ?? 0, 'stage', 'up');
    const packet = packetBody();
    await post('packets', packet);
    expect((await get<Packet>(`packets/${packet.id}`)).fates).toEqual({ cup: { lived: 2, lost: 1 }, cell: { lived: 1, lost: 0 } });
  });

  it('tells a plan how long plants were nursed and how late they were, batch by batch', async () => {
    const aim = (day: string) => ({ aim: { plants: null, destination: null, target: { kind: 'plant_out', day } } });
    const first = await moved(3, 'cup', aim('2026-05-20'));
    home.clock.step(40 * DAY_MS);
    await say(first[0] ?? 0, 'stage', 'planted_out');
    home.clock.step(4 * DAY_MS);
    await say(first[1] ?? 0, 'stage', 'planted_out');
    const second = await moved(2);
    home.clock.step(30 * DAY_MS);
    for (const number of second) await say(number, 'stage', 'planted_out');
    const { nursingDays, lateness } = await get<PastSeasons>('crops/leek/seasons');
    expect(nursingDays.map(Math.round)).toEqual([42, 30]);
    // Planted out on 21 and 25 May: three days after the 20th in the middle.
    expect(lateness).toEqual([{ year: 2026, days: 3, kind: 'plant_out' }]);
    expect(await get<PastSeasons>('crops/okra/seasons')).toEqual({ nursingDays: [], lateness: [], ways: [] });
  });

  it('fills racks in the order of their naming, and frees a slot when its plant is gone', async () => {
    for (const [name, slots] of [
      ['Stair rack', 3],
      ['Sill rack', 4],
    ] as const)
      await post('racks', { name, slots });
    const labels = await moved(5, 'slot');
    const taken = async () => (await get<Rack[]>('racks')).map((rack) => rack.taken);
    expect(await taken()).toEqual([3, 2]);
    await say(labels[4] ?? 0, 'lost', 'pump stopped');
    await say(labels[0] ?? 0, 'given');
    expect(await taken()).toEqual([3, 0]);
    await post('racks', { name: '', slots: 4 }, 422);
    await post('racks', { name: 'Too many', slots: 401 }, 422);
  });

  it('knows no label that nobody wears', async () => {
    for (const number of ['0', '-1', '2.5', 'two', '99999999999999999999'])
      await post(`nursery/${number}/events`, { kind: 'given', stage: null, why: null }, 404);
    const [number = 0] = await moved(1);
    await post(`nursery/${number}/events`, { kind: 'stage', stage: null, why: null }, 422);
    await post(`nursery/${number}/events`, { kind: 'given', stage: 'up', why: null }, 422);
    await post(`nursery/${number}/undos`, { entryId: uuid() }, 422);
  });
});
