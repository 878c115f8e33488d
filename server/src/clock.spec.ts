import { v7 as uuid } from 'uuid';
import type { About, BatchWithJournal, CropSheet, PacketSheet, Problem } from '@fresh-tuck/contract';
import { dump, household, lookBody, type Household } from './testing/household.js';

const DAY_MS = 86_400_000;

describe('a clock that is set back', () => {
  let home: Household;
  const post = async <T>(path: string, body: object, status = 201): Promise<T> => {
    const response = await home.request.post(`/api/${path}`).send(body);
    expect(response.status).withContext(`${path}: ${response.text}`).toBe(status);
    return response.body as T;
  };
  const look = (tipped: number, more: object = {}) => lookBody(0, { seen: { tipped, rotten: 0, basedOn: null }, ...more });
  const about = async () => (await home.request.get('/api/about').expect(200)).body as About;

  beforeEach(async () => {
    home = await household();
    await post(`batches/${home.batchId}/looks`, look(2));
    home.clock.step(3 * DAY_MS);
    await post(`batches/${home.batchId}/looks`, look(3));
    home.clock.step(-2 * DAY_MS);
  });

  it('takes back what was said last, in the order in which it was said', async () => {
    const wrong = look(6);
    const after = await post<BatchWithJournal>(`batches/${home.batchId}/looks`, wrong);
    expect(after.answers.state.tipped).toBe(6);
    const undone = await post<BatchWithJournal>(`batches/${home.batchId}/undos`, { id: uuid(), entryId: wrong.id });
    expect(undone.answers.state.tipped).toBe(3);
    expect(undone.journal.find(({ id }) => id === wrong.id)?.counts).toBeFalse();
    const closing = { id: uuid(), reason: 'given_up' };
    expect((await post<BatchWithJournal>(`batches/${home.batchId}/closings`, closing)).closed).toBeTrue();
    expect((await post<BatchWithJournal>(`batches/${home.batchId}/undos`, { id: uuid(), entryId: closing.id })).closed).toBeFalse();
  });

  it('lets the last count, figure, closure and place stand, not the one that is dated latest', async () => {
    const at = async (days: number, seeds: number, share: number): Promise<void> => {
      home.clock.step(days * DAY_MS);
      await post(`packets/${home.packetId}/counts`, { id: uuid(), seeds, grams: null });
      await home.request
        .put('/api/crops/okra/figures')
        .send({ id: uuid(), name: null, figures: { 'viability.share': share } })
        .expect(200);
    };
    await at(4, 50, 0.9);
    await at(-5, 20, 0.6);
    expect(((await home.request.get(`/api/packets/${home.packetId}`)).body as PacketSheet).seedsLeft).toBe(20);
    expect(((await home.request.get('/api/crops/okra')).body as CropSheet).crop.viability.share).toBe(0.6);
    const holderId = ((await home.request.get(`/api/batches/${home.batchId}`)).body as BatchWithJournal).holder.id;
    const shelf = uuid();
    await post('spots', { id: shelf, name: 'Shelf', kind: 'room' });
    home.clock.step(6 * DAY_MS);
    await post(`holders/${holderId}/place`, { id: uuid(), spotId: shelf }, 200);
    await post(`holders/${holderId}/closure`, { id: uuid(), closure: 'corner_open' }, 200);
    home.clock.step(-5 * DAY_MS);
    await post(`holders/${holderId}/place`, { id: uuid(), spotId: home.spotId }, 200);
    await post(`holders/${holderId}/closure`, { id: uuid(), closure: 'sealed_flat' }, 200);
    home.clock.step(7 * DAY_MS);
    const { holder } = (await home.request.get(`/api/batches/${home.batchId}`)).body as BatchWithJournal;
    expect([holder.spotId, holder.closure]).toEqual([home.spotId, 'sealed_flat']);
  });

  it('is said until somebody settles it, or it has caught up', async () => {
    const aheadMs = home.clock.now() + 2 * DAY_MS;
    expect((await about()).aheadMs).toBe(aheadMs);
    await post('clock/settlements', { id: uuid() });
    expect((await about()).aheadMs).toBeNull();
    await post(`batches/${home.batchId}/looks`, look(3));
    expect((await about()).aheadMs).toBeNull();
    home.clock.step(-DAY_MS);
    expect((await about()).aheadMs).toBeNull();
    home.clock.step(10 * DAY_MS);
    await post(`batches/${home.batchId}/looks`, look(3));
    home.clock.step(-DAY_MS);
    expect((await about()).aheadMs).toBe(home.clock.now() + DAY_MS);
    home.clock.step(2 * DAY_MS);
    expect((await about()).aheadMs).toBeNull();
  });

  it('stores nothing at another time than was said: what would lie before its batch is refused, and why is told', async () => {
    home.clock.step(-8 * DAY_MS);
    const before = dump(home.db);
    const problem = await post<Problem>(`batches/${home.batchId}/looks`, look(3), 422);
    expect(problem.errors?.[0]?.field).toBe('at');
    expect(problem.detail).toMatch(/before the batch was tucked in \(8 April 2026, 18:30\).*clock of this machine says 4 April 2026/);
    await home.request.post(`/api/batches/${home.batchId}/looks`).set('Fresh-Tuck-Waited', '90000000').send(look(3)).expect(422);
    expect(dump(home.db)).toBe(before);
    // A batch that was begun "later" is still told, as of the last that was seen of it.
    const { answers } = (await home.request.get(`/api/batches/${home.batchId}`).expect(200)).body as BatchWithJournal;
    expect(answers.state.tipped).toBe(3);
    await home.request.get('/api/today').expect(200);
  });
});
