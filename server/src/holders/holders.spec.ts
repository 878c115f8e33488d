import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, Holder, Today } from '@fresh-tuck/contract';
import { lookBody, readingBody, spotBody } from '@fresh-tuck/contract/testing';
import { asks, batchBody, dump, household, type Household } from '../testing/household.js';

const HOUR_MS = 3_600_000;

describe('bags, tubs and trays', () => {
  let home: Household;
  const { get, post } = asks(() => home);
  beforeEach(async () => (home = await household()));
  const batch = (id = home.batchId) => get<BatchWithJournal>(`batches/${id}`);
  const holders = () => get<Holder[]>('holders');
  /** A batch in a bag that is there already. */
  const into = async (holderId: string): Promise<string> => {
    const body = batchBody(home.packetId, home.spotId, { seeds: 3, startAt: null, holder: { holderId } });
    await post('batches', body);
    return body.id;
  };

  it('are in use while something in them is open, and name what lies in them', async () => {
    const { holder } = await batch();
    const mate = await into(holder.id);
    expect((await holders()).map(({ numbers }) => numbers)).toEqual([[1, 2]]);
    await post(`batches/${home.batchId}/closings`, { reason: 'other' });
    expect((await holders()).length).toBe(1);
    await post(`batches/${mate}/closings`, { reason: 'other' });
    expect(await holders()).toEqual([]);
  });

  it('carry all that is in them to another place, each from that moment on', async () => {
    const { holder } = await batch();
    const mate = await into(holder.id);
    const porch = spotBody({ name: 'Porch', kind: 'cool_room' });
    await post('spots', porch);
    home.clock.step(2 * HOUR_MS);
    const moved = await post<Holder>(`holders/${holder.id}/place`, { spotId: porch.id }, 200);
    expect([moved.spotName, moved.numbers]).toEqual(['Porch', [1, 2]]);
    for (const id of [home.batchId, mate]) {
      const { facts } = await batch(id);
      expect(facts.stays.length).withContext(id).toBe(2);
      expect(facts.stays[1]?.fromMs).toBe(home.clock.now());
    }
    const today = await get<Today>('today');
    const named = today.stations.map(({ spot }) => spot.name);
    expect(named.every((name) => name === 'Porch')).toBeTrue();
  });

  it('dry as they are closed, from the moment they are closed so', async () => {
    const { holder, answers } = await batch();
    await post(`holders/${holder.id}/closure`, { closure: 'lidded' }, 200);
    const open = await batch();
    expect(open.facts.closure).toBe('lidded');
    expect(open.answers.drying.dryingAtMs).toBeLessThan(answers.drying.dryingAtMs);
    await post(`holders/${holder.id}/closure`, { closure: 'stapled' }, 422);
    await post(`holders/${uuid()}/closure`, { closure: 'lidded' }, 404);
  });

  it('are weighed against their fullest, and a refusal says what is to be done first', async () => {
    const { holder } = await batch();
    const weigh = (grams: number, full: boolean, status = 201) => post(`holders/${holder.id}/weighings`, { grams, full }, status);
    const before = dump(home.db);
    expect((await weigh(20, false, 422)).detail).toContain('weigh the bag once when it was just given its water');
    await weigh(0.1, true, 422);
    await weigh(6000, true, 422);
    expect(dump(home.db)).toBe(before);
    await weigh(25, true);
    home.clock.step(20 * HOUR_MS);
    // Seven millilitres were given: three and a half grams less is half of it.
    await weigh(21.5, false);
    const [given, now] = [home.clock.now() - 20 * HOUR_MS, home.clock.now()];
    // Weighed full is given its dose.
    expect((await batch()).facts.weighings).toEqual([
      { atMs: given, fullMs: given, shareLeft: 1 },
      { atMs: now, fullMs: given, shareLeft: 0.5 },
    ]);
    home.clock.step(HOUR_MS);
    // More than full is a wet scale, less than empty another bag: neither goes beyond what water can be.
    await weigh(99, false);
    await weigh(1, false);
    const shares = (await batch()).facts.weighings?.map(({ shareLeft }) => shareLeft);
    expect(shares).toEqual([1, 0.5, 1.2, 0]);
    // Given its water again, it is counted from there.
    await weigh(26, true);
    home.clock.step(HOUR_MS);
    await weigh(26, false);
    expect((await batch()).facts.weighings?.at(-1)?.shareLeft).toBe(1);
  });

  it('believe their own probe, day by day, and refuse a day that is not yet', async () => {
    const { holder } = await batch();
    const probe = (day: string, more: object, status = 201) => post(`holders/${holder.id}/probe`, readingBody(day, more), status);
    await probe('2026-04-12', {}, 422);
    await probe('2026-04-10', { minC: 31, maxC: 29 }, 422);
    await probe('2026-04-10', { minC: 30, maxC: 32 });
    const { facts } = await batch();
    expect(facts.stays.at(-1)?.readings.at(-1)).toEqual(jasmine.objectContaining({ minC: 30, maxC: 32 }));
    expect((await holders())[0]?.probed).toBeTrue();
  });

  it('never hold what lies elsewhere: a parcel that is bagged anew takes its towel along', async () => {
    const { holder } = await batch();
    const mate = await into(holder.id);
    await post(`batches/${mate}/bag`, { holder: { newId: uuid(), kind: 'tray', closure: 'lidded', spotId: home.spotId } });
    expect((await holders()).map(({ kind, numbers }) => [kind, numbers])).toEqual([
      ['bag', [1]],
      ['tray', [2]],
    ]);
    // What fingers say of the tray is no word about the bag.
    const before = (await batch()).answers.drying;
    await post(`batches/${mate}/looks`, lookBody(0, { damp: 'dry' }));
    expect((await batch()).answers.drying).toEqual(before);
    await post(`batches/${mate}/bag`, { holder: { newId: holder.id, kind: 'bag', closure: 'sealed_air', spotId: home.spotId } }, 422);
  });
});
