import { v7 as uuid } from 'uuid';
import type { LookingBack } from '@fresh-tuck/contract';
import { packetBody, spotBody } from '@fresh-tuck/contract/testing';
import { asks, batchBody, household, lookBody, type Household } from '../testing/household.js';

describe('looking back', () => {
  let home: Household;
  const { get, post } = asks(() => home);
  beforeEach(async () => {
    home = await household();
  });
  const back = (asked = ''): Promise<LookingBack> => get<LookingBack>(`looking-back${asked}`);

  /** A batch with so many tips by each day of April or before; closed at the end. */
  async function lot(came: readonly (readonly [day: string, tipped: number])[], closedOn: string, more: object = {}): Promise<string> {
    const body = batchBody(home.packetId, home.spotId, { seeds: 4, wanted: 2, startAt: '2026-04-02T07:00', ...more });
    await post('batches', JSON.parse(JSON.stringify(body)) as object);
    for (const [day, tipped] of came)
      await post(`batches/${body.id}/looks`, lookBody(tipped, { at: `2026-${day}T07:00`, seen: { tipped, rotten: 0, basedOn: null } }));
    await post(`batches/${body.id}/closings`, { reason: 'given_up', at: `2026-${closedOn}T07:00` });
    return body.id;
  }
  const USUAL = [['04-03', 0], ['04-06', 1], ['04-07', 3]] as const; // prettier-ignore

  it('tells of what has closed, and not of tests or of what was taken back', async () => {
    expect((await back()).whole.batches).toBe(0);
    await lot(USUAL, '04-10');
    const gone = batchBody(home.packetId, home.spotId, { seeds: 4, wanted: 2 });
    await post('batches', gone);
    await post(`batches/${gone.id}/untuckings`, {});
    const told = await back('?by=spot');
    expect(told.whole).toEqual(
      jasmine.objectContaining({ batches: 1, seeds: 4, came: 3, quiet: 1, moved: 0, openings: 3, nothing: 1, thrown: 3 }),
    );
    expect(told.rows.map(({ title }) => title)).toEqual(['Hall cupboard']);
    expect(told.middles[0]?.cameDays).toBeGreaterThan(4);
    expect(told.middles[0]?.cameDays).toBeLessThan(5);
    expect((await back('?by=year&year=2025')).whole.batches).toBe(0);
  });

  it('follows what is recorded late or taken back', async () => {
    const id = await lot(USUAL, '04-10');
    // A late one: the closing is taken back for it, and the batch tells nothing until it is closed again.
    const { journal } = await get<{ journal: readonly { id: string; kind: string }[] }>(`batches/${id}`);
    await post(`batches/${id}/undos`, { entryId: journal.find(({ kind }) => kind === 'close')?.id });
    expect((await back()).whole.batches).toBe(0);
    await post(`batches/${id}/looks`, lookBody(4, { at: '2026-04-10T20:00', seen: { tipped: 4, rotten: 0, basedOn: null } }));
    await post(`batches/${id}/closings`, { reason: 'given_up', at: '2026-04-11T06:00' });
    expect((await back()).whole).toEqual(jasmine.objectContaining({ batches: 1, came: 4, quiet: 0, thrown: 4 }));
  });

  it('blames no packet for seed that slept for want of cold, and counts its days from the end of its chill', async () => {
    const [apple, cellar] = [uuid(), uuid()];
    await post('packets', packetBody({ id: apple, cropId: 'apple', variety: 'Gate Post', printedRatePercent: 80, seedCount: 60 }));
    await post('spots', spotBody({ id: cellar, name: 'Cold cellar', kind: 'fridge' }));
    await lot([['03-01', 0], ['03-20', 0]], '04-08', { packetId: apple, seeds: 20, startAt: '2026-02-20T07:00' }); // prettier-ignore
    const { next } = await back('?crop=apple');
    expect(next.map(({ text, packetId }) => [text, packetId])).toEqual([
      [jasmine.stringMatching(/^Of apple \(Gate Post.*0 of 20 seeds came, and much of it still slept for want of cold/), apple],
    ]);
    const cold = { newId: uuid(), kind: 'bag', closure: 'sealed_air', spotId: cellar };
    const chilled = { packetId: apple, seeds: 12, startAt: '2025-12-20T07:00', chillDays: 100, holder: cold };
    const id = await lot([['04-02', 1], ['04-04', 6], ['04-06', 9]], '04-10', chilled); // prettier-ignore
    const [middle] = (await back('?crop=apple')).middles.filter(({ batchId }) => batchId === id);
    expect(middle?.cameDays).toBeGreaterThan(4);
    expect(middle?.cameDays).toBeLessThan(8);
  });
});
