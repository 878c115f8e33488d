import fc from 'fast-check';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, Bed, PacketIdea, Today } from '@fresh-tuck/contract';
import { moveBody, packetBody } from '@fresh-tuck/contract/testing';
import { asks, batchBody, household, lookBody, NOW_MS, type Household } from '../testing/household.js';

const HOUR_MS = 3_600_000;
const local = (ms: number): string => new Date(ms + 2 * HOUR_MS).toISOString().slice(0, 16);

describe('records that come late', () => {
  let home: Household;
  const { get, post } = asks(() => home);
  const told = (id: string): Promise<BatchWithJournal> => get(`batches/${id}`);
  beforeEach(async () => (home = await household()));

  it('come to the same in whatever order they are entered', async () => {
    const steps = fc.array(fc.nat(2), { minLength: 3, maxLength: 5 });
    await fc.assert(
      fc.asyncProperty(steps, fc.array(fc.nat(100), { minLength: 5, maxLength: 5 }), async (rises, order) => {
        const totals = rises.reduce<number[]>((all, rise) => [...all, Math.min((all.at(-1) ?? 0) + rise, 8)], []);
        const looks = totals.map((tipped, nth) => ({
          at: local(NOW_MS - (60 - nth * 10) * HOUR_MS),
          tipped,
          key: order[nth] ?? 0,
        }));
        const enter = async (all: typeof looks): Promise<BatchWithJournal> => {
          const batch = batchBody(home.packetId, home.spotId, { seeds: 8, packetId: home.packetId });
          const packet = packetBody({ cropId: 'okra', variety: 'Any', seedCount: 8 });
          await post('packets', packet);
          await post('batches', { ...batch, packetId: packet.id });
          for (const { at, tipped } of all) await post(`batches/${batch.id}/looks`, lookBody(tipped, { at }));
          return told(batch.id);
        };
        const inOrder = await enter(looks);
        const mixed = await enter([...looks].sort((a, b) => a.key - b.key));
        expect(mixed.answers.state).toEqual(inOrder.answers.state);
        const texts = ({ journal }: BatchWithJournal): string[] => journal.map(({ text }) => text);
        expect(texts(mixed)).toEqual(texts(inOrder));
      }),
      { numRuns: 8 },
    );
  });

  it('are refused before their batch, in the future, and where a later look saw less', async () => {
    const at = `batches/${home.batchId}`;
    await post(`${at}/looks`, lookBody(2, { at: '2026-04-10T18:30' }));
    expect((await post(`${at}/looks`, lookBody(3, { at: '2026-04-09T18:30' }), 422)).detail).toContain('at most 2');
    // Through the bag one sees less: no witness against what was seen before.
    await post(`${at}/looks`, lookBody(2, { via: 'through', at: '2026-04-11T06:00' }));
    for (const when of ['2026-04-08T18:00', '2026-04-12T07:00']) {
      await post(`${at}/looks`, lookBody(0, { at: when }), 422);
      await post(`${at}/closings`, { reason: 'other', at: when }, 422);
      const days = { looks: [{ id: uuid(), at: when, tipped: 0, rotten: null, damp: null }] };
      expect((await post<{ errors: { field: string }[] }>(`${at}/days`, days, 422)).errors[0]?.field).toBe('looks.0.at');
    }
    const { holder } = await told(home.batchId);
    await post(`holders/${holder.id}/place`, { spotId: home.spotId, at: '2026-04-01T07:00' }, 422);
    await post(`holders/${holder.id}/weighings`, { grams: 20, full: true, at: '2026-04-12T07:00' }, 422);
  });

  it('do not make a parcel that was running already forgotten, and one just looked at is not listed again at once', async () => {
    const packet = packetBody({ cropId: 'tomato', variety: 'Rope', seedCount: 30 });
    await post('packets', packet);
    await post('batches', batchBody(packet.id, home.spotId, { startAt: '2026-04-03T18:30' }));
    const today = await get<Today>('today');
    expect(today.rescue).toBeNull();
    const numbers = ({ stations }: Today): number[] => stations.flatMap(({ stops }) => stops.map(({ batch }) => batch.number));
    expect(numbers(today)).toContain(1);
    const marks = [1, 2].map((seed) => ({ seed, stage: 'root', rootMm: 14 }));
    await post(`batches/${home.batchId}/looks`, lookBody(2, { marks }));
    const after = await get<Today>('today');
    expect(numbers(after)).not.toContain(1);
    expect(after.shut.find(({ batch }) => batch.number === 1)?.nextMs).toBe(Date.parse('2026-04-11T18:30:00+02:00'));
    home.clock.step(2 * HOUR_MS);
    expect(numbers(await get<Today>('today'))).toContain(1);
  });
});

describe('beds and ideas', () => {
  let home: Household;
  const { get, post } = asks(() => home);
  beforeEach(async () => (home = await household()));

  it('count plants of all crops against a bed’s area, and no longer what is lost', async () => {
    const bedId = uuid();
    await post('beds', { id: bedId, name: 'Wall bed', widthM: 1, lengthM: 2, madeYear: null });
    const at = `batches/${home.batchId}`;
    await post(`${at}/looks`, lookBody(3, { at: '2026-04-10T18:30' }));
    await post(`${at}/moves`, moveBody({ uncounted: 3, destination: 'bed', bedId }));
    const bed = async (): Promise<Bed | undefined> => (await get<Bed[]>('beds'))[0];
    // Okra stands 40 by 75 cm apart.
    expect((await bed())?.taken).toEqual({
      plants: 3,
      areaM2: jasmine.any(Number) as never,
      crops: [{ cropId: 'okra', name: 'Okra', plants: 3 }],
    });
    expect((await bed())?.taken.areaM2).toBeCloseTo(0.9, 6);
    const [label = 0] = home.db.prepare<[], number>('SELECT number FROM cup').pluck().all();
    await post(`nursery/${label}/events`, { said: { kind: 'lost', why: 'eaten' } });
    expect((await bed())?.taken.plants).toBe(2);
  });

  it('name what could be started now with its reason, and nothing that is used up or put away', async () => {
    const frost = { monthDay: '05-10', giveDays: 10, guessed: false };
    const { household: house } = await get<{
      household: { name: string; zone: string; units: string; lookingTimes: string[]; millilitresPerSpray: number; version: number };
    }>('about');
    const { name, zone, units, lookingTimes, millilitresPerSpray, version } = house;
    await home.request
      .put('/api/household')
      .send({ id: uuid(), name, zone, units, lookingTimes, millilitresPerSpray, version, frost })
      .expect(200);
    const due = packetBody({ cropId: 'bottle-gourd', variety: 'Pier', year: 2025, seedCount: 20 });
    const old = packetBody({ cropId: 'leek', variety: 'Old Rope', year: 2021, seedCount: 60 });
    const gone = packetBody({ cropId: 'melon', variety: 'Gone', year: 2025, seedCount: 20 });
    for (const packet of [due, old, gone, packetBody({ cropId: 'bottle-gourd', variety: 'Empty', seedCount: 0 })])
      await post('packets', packet);
    await post(`packets/${gone.id}/away`, {}, 200);
    const ideas = await get<PacketIdea[]>('packets/ideas');
    expect(ideas.find(({ id }) => id === due.id)?.why).toMatch(/^Its weeks before the last frost are now: start by \w+ \d+ \w+\.$/);
    expect(ideas.find(({ id }) => id === old.id)?.why).toMatch(/^\d years old: use it up/);
    expect(ideas.map(({ variety }) => variety)).not.toContain('Empty');
    expect(ideas.map(({ id }) => id)).not.toContain(gone.id);
  });
});
