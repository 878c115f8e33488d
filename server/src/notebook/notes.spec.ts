import { v7 as uuid } from 'uuid';
import type { Notes } from '@fresh-tuck/contract';
import { asks, batchBody, household, lookBody, type Household } from '../testing/household.js';

const PNG = Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex');

describe('the notebook', () => {
  let home: Household;
  const { get, post } = asks(() => home);
  beforeEach(async () => {
    home = await household();
  });

  it('keeps notes by date, batch and crop among those of looks, with pictures, searched, changed and taken back', async () => {
    const [first, second] = [uuid(), uuid()];
    await post('notes', { noteId: first, words: { day: '2026-04-02', text: 'Paper from the new roll' } });
    await post('notes', { noteId: second, words: { day: '2026-04-09', text: 'Try the porch', cropId: 'okra' } });
    await post(`batches/${home.batchId}/looks`, lookBody(1, { note: 'A root like a hook' }));
    const all = await get<Notes>('notes');
    expect(all.notes.map(({ text }) => text)).toEqual(['A root like a hook', 'Try the porch', 'Paper from the new roll']);
    expect(all.notes.map(({ about }) => about?.replace(/^\d+/, 'N') ?? null)).toEqual(['N · Okra, Tall Mast', 'Okra', null]);
    const found = async (query: string): Promise<string[]> => (await get<Notes>(`notes?${query}`)).notes.map(({ text }) => text);
    expect(await found('find=OKRA')).toEqual(['A root like a hook', 'Try the porch']);
    expect(await found('find=new roll')).toEqual(['Paper from the new roll']);
    expect(await found(`batch=${home.batchId}`)).toEqual(['A root like a hook']);
    const photoId = uuid();
    await home.request.put(`/api/notes/${first}/photos/${photoId}`).set('Content-Type', 'image/png').send(PNG).expect(201);
    expect((await get<Notes>('notes')).notes.at(-1)?.photoIds).toEqual([photoId]);
    await home.request.get(`/api/photos/${photoId}`).expect(200);
    await post('notes', { noteId: first, words: { day: '2026-04-02', text: 'Paper from the old roll' } });
    await post('notes', { noteId: second, words: null });
    expect(await found('find=')).toEqual(['A root like a hook', 'Paper from the old roll']);
    await post('notes/undos', { noteId: second });
    await post('notes/undos', { noteId: first });
    expect(await found('find=')).toEqual(['A root like a hook', 'Try the porch', 'Paper from the new roll']);
    await post('notes', { noteId: uuid(), words: { day: 'tomorrow', text: 'x' } }, 422);
    await post('notes', { noteId: uuid(), words: { day: '2026-04-09', text: ' ' } }, 422);
    await post('notes', { noteId: uuid(), words: { day: '2026-04-09', text: 'x', batchId: uuid() } }, 404);
  });

  it('tells the story of a batch and of a trial on one page, without a name in it', async () => {
    const closed = async (): Promise<string> => {
      const body = batchBody(home.packetId, home.spotId, { seeds: 4, wanted: 2, startAt: '2026-04-02T07:00' });
      await post('batches', body);
      const look = {
        who: 'Henrietta',
        note: 'on Aunt Wilma’s sill',
        at: '2026-04-07T07:00',
        seen: { tipped: 3, rotten: 0, basedOn: null },
      };
      await post(`batches/${body.id}/looks`, lookBody(3, look));
      await post(`batches/${body.id}/closings`, { reason: 'given_up', at: '2026-04-10T07:00' });
      return body.id;
    };
    const [id, other] = [await closed(), await closed()];
    const trialId = uuid();
    const arms = [id, other].map((one, nth) => ({
      name: nth === 0 ? 'At Hall cupboard' : 'At Hall cupboard too',
      setting: home.spotId,
      batchIds: [one],
    }));
    const read = 'Those at Hall cupboard came sooner';
    await post('trials', { trialId, words: { name: 'The place', question: 'spot', plan: null, read, arms } });
    for (const path of [`batches/${id}`, `trials/${trialId}`]) {
      const svg = (await home.request.get(`/api/${path}/story.svg`).expect(200)).body as Buffer;
      const told = svg.toString();
      expect(told).toContain('3 of 4');
      for (const name of ['Henrietta', 'Wilma', 'Hall cupboard', 'seed shelf', 'Lantern', 'Home'])
        expect(told).withContext(path).not.toContain(name);
      const pdf = await home.request.get(`/api/${path}/story.pdf`).expect(200);
      expect((pdf.body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
    }
  });
});
