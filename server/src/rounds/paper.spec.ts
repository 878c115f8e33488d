import { v7 as uuid } from 'uuid';
import type { BatchWithJournal } from '@fresh-tuck/contract';
import { asks, batchBody, dump, household, type Household } from '../testing/household.js';

describe('a round that comes back on paper', () => {
  let home: Household;
  let ids: string[];
  const { get, post } = asks(() => home);
  const row = (batchId: string | undefined, at: string, more: object = {}) => ({ id: uuid(), batchId, at, ...more });
  const batch = (nth: number) => get<BatchWithJournal>(`batches/${ids[nth]}`);

  beforeEach(async () => {
    home = await household();
    const other = batchBody(home.packetId, home.spotId, { seeds: 5 });
    await post('batches', other);
    ids = [home.batchId, other.id];
    home.clock.step(3 * 86_400_000);
  });

  it('is entered in one go, each line at its own time, and what stood blank was not looked at', async () => {
    await post('rounds/paper', {
      who: 'Bo',
      looks: [
        row(ids[0], '2026-04-13T18:40', { tipped: 4, damp: 'damp', moved: 2 }),
        row(ids[0], '2026-04-12T07:10', { tipped: 1, damp: 'drying', rewetted: true }),
        row(ids[1], '2026-04-12T07:15', { damp: 'damp' }),
        row(ids[1], '2026-04-13T18:45', { skipped: true }),
      ],
    });
    const [one, other] = [await batch(0), await batch(1)];
    expect(one.facts.looks.map(({ atMs, tipped }) => [new Date(atMs).toISOString().slice(0, 16), tipped])).toEqual([
      ['2026-04-12T05:10', 1],
      ['2026-04-13T16:40', 4],
    ]);
    expect([one.answers.state.moved, one.cups.length, one.journal[0]?.who]).toEqual([2, 2, 'Bo']);
    expect([other.answers.state.tipped, other.facts.looks.filter(({ tipped }) => tipped !== null).length]).toEqual([0, 0]);
  });

  it('is taken whole or not at all, and says which line is wrong', async () => {
    const before = dump(home.db);
    const refused = async (more: object, at = '2026-04-13T07:00'): Promise<string> => {
      const looks = [row(ids[1], '2026-04-12T07:00', { tipped: 1, damp: 'damp' }), row(ids[0], at, more)];
      const response = await home.request.post('/api/rounds/paper').send({ id: uuid(), who: null, looks }).expect(422);
      return (response.body as { errors: { field: string }[] }).errors[0]?.field ?? '';
    };
    expect(await refused({ tipped: 9 })).toBe('looks.1.tipped');
    expect(await refused({ tipped: 1, moved: 3 })).toBe('looks.1.moved');
    expect(await refused({ tipped: 1 }, '2026-04-20T07:00')).toBe('looks.1.at');
    expect(await refused({ tipped: 1 }, '2026-04-01T07:00')).toBe('looks.1.at');
    expect(await refused({ tipped: 1, skipped: true })).toBe('looks.1.skipped');
    expect(dump(home.db)).toBe(before);
  });
});
