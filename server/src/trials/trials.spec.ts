import { v7 as uuid } from 'uuid';
import type { Trial, TrialCandidates, TrialInShort } from '@fresh-tuck/contract';
import { moveBody } from '@fresh-tuck/contract/testing';
import { asks, batchBody, household, lookBody, type Household } from '../testing/household.js';

describe('a trial', () => {
  let home: Household;
  const { get, post } = asks(() => home);
  beforeEach(async () => {
    home = await household();
  });

  async function closedBatch(more: object = {}): Promise<string> {
    const body = batchBody(home.packetId, home.spotId, { seeds: 4, wanted: 2, startAt: '2026-04-02T07:00', ...more });
    await post('batches', JSON.parse(JSON.stringify(body)) as object);
    await post(`batches/${body.id}/looks`, lookBody(3, { at: '2026-04-08T07:00', who: 'Ana' }));
    await post(`batches/${body.id}/moves`, moveBody({ at: '2026-04-08T07:05', seeds: [], uncounted: 2 }));
    await post(`batches/${body.id}/closings`, { reason: 'given_up', at: '2026-04-10T07:00' });
    return body.id;
  }
  const words = (first: readonly string[], second: readonly string[], more: object = {}) => ({
    ...{ name: 'Soak, okra', question: 'soak', plan: null, read: null },
    arms: [
      { name: 'Soaked', setting: '12', batchIds: first },
      { name: 'Dry', setting: '0', batchIds: second },
    ],
    ...more,
  });
  const refused = async (said: object): Promise<string> =>
    (await post<{ errors: { message: string }[] }>('trials', { trialId: uuid(), words: said }, 422)).errors[0]?.message ?? '';

  it('is put together from closed batches, changed, written down, and taken back word by word', async () => {
    const [a, b] = [await closedBatch(), await closedBatch({ packetId: home.packetId })];
    const trialId = uuid();
    const made = await post<Trial>('trials', { trialId, words: words([a], [b]) });
    expect(made.state).toBe('closed');
    const [first] = made.arms[0]?.batches ?? [];
    expect(first).toEqual(jasmine.objectContaining({ seeds: 4, came: 3, moved: 2, lived: 0, died: 0, people: ['Ana'] }));
    expect(first?.facts?.looks.length).toBe(1);
    const read = 'Cannot tell';
    expect((await post<Trial>('trials', { trialId, words: words([a], [b], { read }) })).state).toBe('read');
    expect((await get<TrialInShort[]>('trials'))[0]?.read).toBe(read);
    await post('trials', { trialId, words: null });
    expect(await get('trials')).toEqual([]);
    await post('trials/undos', { trialId });
    await post('trials/undos', { trialId });
    expect((await get<TrialInShort[]>('trials'))[0]?.state).toBe('closed');
  });

  it('that is planned gets its batches as they are begun, in the same act, and loses one whose tuck-in is taken back', async () => {
    const trialId = uuid();
    const plan = { packetId: home.packetId, seeds: 4, bags: 1, care: { of: 'days', days: 1 }, lot: 7 };
    expect((await post<Trial>('trials', { trialId, words: words([], [], { plan }) })).state).toBe('planned');
    const begun = batchBody(home.packetId, home.spotId, { seeds: 4, wanted: 2, trial: { trialId, arm: 1 } });
    await post('batches', begun);
    const running = await get<Trial>(`trials/${trialId}`);
    expect(running.state).toBe('running');
    expect(running.arms.map(({ batches }) => batches.map(({ id }) => id))).toEqual([[], [begun.id]]);
    expect(running.arms[1]?.batches[0]?.facts).toBeNull();
    await post(`batches/${begun.id}/untuckings`, {});
    expect((await get<Trial>(`trials/${trialId}`)).state).toBe('planned');
    const elsewhere = batchBody(home.packetId, home.spotId, { seeds: 4, wanted: 2, trial: { trialId, arm: 2 } });
    expect((await post<{ errors: object[] }>('batches', elsewhere, 422)).errors[0]).toEqual(
      jasmine.objectContaining({ field: 'trial.arm' }),
    );
    const nowhere = { ...elsewhere, trial: { trialId: uuid(), arm: 0 } };
    expect((await post<{ errors: object[] }>('batches', nowhere, 422)).errors[0]).toEqual(
      jasmine.objectContaining({ field: 'trial.trialId' }),
    );
  });

  it('refuses an empty side, one batch on two, one that still lies, and too many seeds, each in a sentence', async () => {
    const [a, b] = [await closedBatch(), await closedBatch()];
    expect(await refused(words([a], []))).toContain('Dry has no batch; choose one for it');
    expect(await refused(words([a], [b, a]))).toMatch(
      /must not name number \d+ on this side, as it stands on Soaked: a batch cannot be compared/,
    );
    expect(await refused(words([a], [home.batchId]))).toMatch(/number \d+ still lies, and what it will come to is not known/);
    expect(await refused(words([a], [b], { arms: [{ name: 'One', setting: null, batchIds: [a] }] }))).toContain(
      'one side is no comparison',
    );
    home.db.prepare('UPDATE batch SET seeds = 4000 WHERE id = ?').run(b);
    expect(await refused(words([a], [b]))).toContain('hold 4,000 seeds on Dry: at most 1,000 a side can be compared');
  });

  it('is chosen from the closed batches of a crop, with their settings', async () => {
    await closedBatch();
    const all = await get<TrialCandidates>('trials/candidates');
    expect(all).toEqual({ crops: [{ id: 'okra', name: 'Okra', batches: 1 }], batches: [], names: {} });
    const okra = await get<TrialCandidates>('trials/candidates?crop=okra');
    expect(okra.batches[0]).toEqual(jasmine.objectContaining({ came: 3, seeds: 4, method: 'towel' }));
    expect(okra.batches[0]?.settings).toEqual(jasmine.objectContaining({ medium: 'paper', soak: '24', spot: home.spotId }));
    expect(okra.names[home.packetId]).toBe('Tall Mast, 2024');
  });
});
