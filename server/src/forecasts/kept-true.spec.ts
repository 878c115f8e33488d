import { v7 as uuid } from 'uuid';
import type { Batch, PacketSheet } from '@fresh-tuck/contract';
import { householdBody, readingBody } from '@fresh-tuck/contract/testing';
import { batchBody, household, lookBody, packetBody, type Household } from '../testing/household.js';

describe('a forecast is kept true', () => {
  let home: Household;
  beforeEach(async () => {
    home = await household();
  });
  const send = async (method: 'post' | 'put', path: string, body: object): Promise<void> => {
    const { status, text } = await home.request[method](`/api/${path}`).send(body);
    expect(status).withContext(text).toBeLessThan(300);
  };
  const batch = async (id = home.batchId): Promise<Batch> => (await home.request.get(`/api/batches/${id}`).expect(200)).body as Batch;
  const sheet = async (): Promise<PacketSheet> => (await home.request.get(`/api/packets/${home.packetId}`).expect(200)).body as PacketSheet;
  const change = async (more: object): Promise<void> => {
    const { year, printedRatePercent, source, variety, dressed, cropId, version } = await sheet();
    const storage = { place: null, celsius: null, dryness: null };
    const rest = { seedsPerGram: null, trait: null, generation: null, motherId: null, fatherId: null, isolation: null, isolationM: null };
    const now = { id: uuid(), cropId, variety, year, source, printedRatePercent, printedDays: null, dressed, storage, version, ...rest };
    await send('put', `packets/${home.packetId}`, { ...now, ...more });
  };

  it('by a reading that comes late', async () => {
    const before = (await batch()).answers.halfMs;
    await send('post', `spots/${home.spotId}/readings`, readingBody('2026-04-09', { minC: 31, maxC: 33 }));
    expect((await batch()).answers.halfMs ?? 0).toBeLessThan(before ?? 0);
  });

  it('by a changed packet, while a finished batch is told as it stood', async () => {
    const other = batchBody(home.packetId, home.spotId, { seeds: 4, wanted: 2 });
    await send('post', 'batches', other);
    await send('post', `batches/${other.id}/closings`, { id: uuid(), reason: 'given_up' });
    const [running, finished] = [await batch(), await batch(other.id)];
    home.clock.step(60_000);
    await change({ printedRatePercent: 20, year: 2016 });
    const after = await batch();
    expect(after.facts.prior.share.mean).toBeLessThan(running.facts.prior.share.mean / 2);
    expect(after.answers.end.mean).toBeLessThan(running.answers.end.mean);
    // What was known when it was closed is what it is told by.
    expect((await batch(other.id)).facts.prior).toEqual(finished.facts.prior);
    expect(home.services.packets.asOf(home.packetId, home.clock.now() - 60_000).year).toBe(2024);
    expect(home.services.packets.asOf(home.packetId, home.clock.now()).year).toBe(2016);
  });

  it('by the household’s zone and ways', async () => {
    const before = await batch();
    await send('put', 'household', householdBody({ zone: 'America/Vancouver', version: 0 }));
    const moved = await batch();
    expect(moved.facts.utcOffsetHours).toBe(-7);
    expect(moved.facts.lookTimesMs[0]).not.toBe(before.facts.lookTimesMs[0]);
    const ways = { leastHope: 0.1, sureness: 0.9, retestChance: 0.05, patienceTimes: 9, lateTolerance: 0.02 };
    await send('put', 'household/ways', { id: uuid(), rootSchool: 'crop', unopenedFirst: false, ...ways, version: 1 });
    expect((await batch()).answers.patienceMs).toBeGreaterThan(moved.answers.patienceMs);
  });

  it('by what is taken back in a finished batch: what it taught is learnt anew', async () => {
    const packet = packetBody({ cropId: 'okra', variety: 'Other', seedCount: 50 });
    await send('post', 'packets', packet);
    const teacher = batchBody(home.packetId, home.spotId, { seeds: 10, wanted: 5 });
    await send('post', 'batches', teacher);
    await send('post', `batches/${teacher.id}/looks`, lookBody(0, { at: '2026-04-09T18:30' }));
    const late = lookBody(9, { at: '2026-04-10T18:30' });
    await send('post', `batches/${teacher.id}/looks`, late);
    await send('post', `batches/${teacher.id}/closings`, { id: uuid(), reason: 'all_moved' });
    const taught = (await sheet()).prior;
    expect(taught.known.at(-1)?.what).toBe('records');
    await send('post', `batches/${teacher.id}/undos`, { id: uuid(), entryId: late.id });
    const unlearnt = (await sheet()).prior;
    expect(unlearnt.share.mean).toBeLessThan(taught.share.mean);
    expect(unlearnt.logMedian.mean).not.toBe(taught.logMedian.mean);
  });
});
