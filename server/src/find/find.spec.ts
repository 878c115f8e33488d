import { v7 as uuid } from 'uuid';
import type { Found } from '@fresh-tuck/contract';
import { lookBody, moveBody } from '@fresh-tuck/contract/testing';
import { asks, household, packetBody, type Household } from '../testing/household.js';

describe('find', () => {
  let home: Household;
  const { get, post } = asks(() => home);
  beforeEach(async () => (home = await household()));
  const find = async (words: string): Promise<[string, string][]> =>
    (await get<Found[]>(`find?words=${encodeURIComponent(words)}`)).map(({ kind, title }) => [kind, title]);

  it('reaches a parcel by its number and by its name, a slip or two forgiven', async () => {
    expect((await find('1'))[0]).toEqual(['parcel', '1 Okra, Tall Mast']);
    for (const words of ['okra', 'okre', 'OKRA', 'tall masst', 'mast okra'])
      expect((await find(words)).map(([, title]) => title))
        .withContext(words)
        .toContain('1 Okra, Tall Mast');
    expect(await find('zzzzzz')).toEqual([]);
  });

  it('takes a number as it stands, and a word as it begins', async () => {
    expect(await find('11')).toEqual([]);
    expect((await find('oki')).some(([kind]) => kind === 'parcel')).toBeFalse();
    expect((await find('ok')).some(([, title]) => title === 'Okra')).toBeTrue();
  });

  it('knows a crop by its other names and its family, and a packet with it', async () => {
    expect((await find('gumbo')).map(([kind]) => kind)).toEqual(jasmine.arrayContaining(['crop', 'packet']));
    expect((await find('Malvaceae')).some(([kind, title]) => kind === 'crop' && title === 'Okra')).toBeTrue();
  });

  it('finds a seedling by its label alone, with the batch it came from', async () => {
    await post(`batches/${home.batchId}/looks`, lookBody(2));
    await post(`batches/${home.batchId}/moves`, moveBody({ uncounted: 2 }));
    const hits = await get<Found[]>('find?words=2');
    expect(hits[0]).toEqual({ id: home.batchId, kind: 'seedling', title: '2 Okra, Tall Mast' });
  });

  it('is mended where the household changed: a packet renamed, a parcel finished', async () => {
    const packet = packetBody({ variety: 'Quay' });
    await post('packets', packet);
    expect((await find('quay')).map(([kind]) => kind)).toEqual(['packet']);
    const { seedCount: _, ...change } = { ...packet, id: uuid(), variety: 'Windlass', version: 0 };
    await home.request.put(`/api/packets/${packet.id}`).send(change).expect(200);
    expect(await find('quay')).toEqual([]);
    expect((await find('windlass')).map(([kind]) => kind)).toEqual(['packet']);
    await post(`batches/${home.batchId}/closings`, { reason: 'other' });
    expect((await find('1'))[0]).toEqual(['finished', '1 Okra, Tall Mast']);
  });

  it('sends a handful, and what is under way before what is finished', async () => {
    for (let nth = 0; nth < 14; nth++) await post('packets', packetBody({ variety: `Quay ${nth}` }));
    expect((await find('quay')).length).toBe(9);
    expect(await find('')).toEqual([]);
    await home.request.get(`/api/find?words=${'x'.repeat(500)}`).expect(422);
  });
});
