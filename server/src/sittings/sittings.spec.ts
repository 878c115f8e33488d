import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, Labelled, Sitting, SittingName } from '@fresh-tuck/contract';
import { codeText } from '@fresh-tuck/core/paper';
import { asks, batchBody, household, packetBody, type Household } from '../testing/household.js';

describe('a sitting', () => {
  let home: Household;
  let packets: string[];
  const { get, post } = asks(() => home);
  const line = (packetId: string | undefined, more: object = {}) => ({ id: uuid(), packetId, words: {}, bag: null, ...more });
  const plan = (lines: object[], more: object = {}): Promise<Sitting> => post('sittings', { lines, ...more });
  const put = async (id: string, body: object, status = 200): Promise<Sitting> =>
    (
      await home.request
        .put(`/api/sittings/${id}`)
        .send({ id: uuid(), ...body })
        .expect(status)
    ).body as Sitting;
  const tuck = (one: Sitting['lines'][number] | undefined, more: object = {}, status = 201): Promise<BatchWithJournal> =>
    post(
      'batches',
      batchBody(one?.packetId ?? '', home.spotId, { startAt: null, sitting: { lineId: one?.id, seconds: 240 }, ...more }),
      status,
    );

  beforeEach(async () => {
    home = await household();
    packets = [];
    for (const variety of ['Bollard', 'Pier Green', 'Anchor']) {
      const body = packetBody({ variety });
      await post('packets', body);
      packets.push(body.id);
    }
  });

  it('gives each packet its label before it is opened, and the batch begun from it takes it over', async () => {
    const { lines, id } = await plan(packets.map((one) => line(one)));
    expect(lines.map(({ number }) => number)).toEqual([2, 3, 4]);
    const [first] = lines;
    expect(await get<Labelled>(`labels?code=${codeText(first?.token ?? '')}`)).toEqual(
      jasmine.objectContaining({ kind: 'line', id, title: '2 Leek, Bollard, not tucked in yet' }),
    );
    const batch = await tuck(first);
    expect([batch.number, batch.token]).toEqual([2, first?.token ?? '']);
    expect(await get<Labelled>(`labels?code=${codeText(batch.token)}`)).toEqual(jasmine.objectContaining({ kind: 'batch', id: batch.id }));
    const { lines: now, hands } = await get<Sitting>(`sittings/${id}`);
    expect(now.map(({ batchId }) => batchId)).toEqual([batch.id, null, null]);
    expect(hands).toEqual({ towel: { packets: 1, minutes: 4 } });
    // Something else begun meanwhile takes a number of its own.
    expect((await post<BatchWithJournal>('batches', batchBody(home.packetId, home.spotId))).number).toBe(5);
  });

  it('keeps its number where a tuck-in is taken back and done again', async () => {
    const { lines, id } = await plan([line(packets[0])]);
    const slip = await tuck(lines[0], { seeds: 6 });
    await tuck(lines[0], {}, 409);
    await post(`batches/${slip.id}/untuckings`, {});
    expect((await get<Sitting>(`sittings/${id}`)).lines[0]?.batchId).toBeNull();
    const again = await tuck(lines[0], { seeds: 9 });
    expect([again.number, again.token, again.facts.seeds]).toEqual([2, slip.token, 9]);
    expect((await get<Labelled>(`labels?code=${codeText(again.token)}`)).id).toBe(again.id);
    expect((await get<{ seedsLeft: number }>(`packets/${packets[0]}`)).seedsLeft).toBe(81);
    // The slip stays taken back: its label is on the other.
    const { number, journal } = await get<BatchWithJournal>(`batches/${slip.id}`);
    expect(number).toBe(2);
    await post(`batches/${slip.id}/undos`, { entryId: journal[0]?.id }, 409);
  });

  it('lays three lots into one bag, whichever comes first', async () => {
    const bag = uuid();
    const { lines } = await plan(packets.map((one) => line(one, { bag })));
    const holder = { newId: bag, kind: 'bag', closure: 'sealed_air', spotId: home.spotId };
    for (const one of [...lines].reverse()) await tuck(one, { holder });
    const [last] = await get<{ numbers: number[]; id: string }[]>('holders').then((all) => all.filter(({ id }) => id === bag));
    expect(last?.numbers).toEqual([2, 3, 4]);
    expect((await get<Labelled>(`labels?code=${codeText(bag)}`)).title).toBe('Bag with 2, 3, 4');
    // Without a sitting a bag's id is still new or nothing.
    await post('batches', batchBody(packets[0] ?? '', home.spotId, { holder }), 422);
  });

  it('is changed as a whole: new packets get new numbers, what is tucked in stays, what was changed meanwhile is said', async () => {
    const { lines, id, version } = await plan([line(packets[0]), line(packets[1])], { name: 'April', at: '2026-04-11T19:30' });
    await tuck(lines[1]);
    const kept = lines.map(({ id: lineId, packetId }) => ({ id: lineId, packetId, words: { seeds: 5 }, bag: null }));
    await put(id, { lines: [kept[0]], version }, 422);
    const third = line(packets[2]);
    const now = await put(id, { lines: [third, ...kept], version, spent: 4.5 });
    expect(now.lines.map(({ number, words }) => [number, words])).toEqual([
      [4, {}],
      [2, { seeds: 5 }],
      [3, {}],
    ]);
    expect([now.spent, now.name]).toEqual([4.5, null]);
    await put(id, { lines: kept, version }, 409);
    // A line that is taken off does not give its number to another.
    const fewer = await put(id, { lines: [...kept], version: now.version });
    const more = await put(id, { lines: [...kept, line(packets[2])], version: fewer.version });
    expect(more.lines.at(-1)?.number).toBe(5);
  });

  it('refuses by name what is gone from the box, used up, or no packet at all', async () => {
    expect((await plan([line(uuid())]).catch(() => null)) ?? (await post('sittings', { lines: [line(uuid())] }, 422))).toEqual(
      jasmine.objectContaining({ errors: [jasmine.objectContaining({ field: 'lines.0.packetId' })] }),
    );
    await post('sittings', { lines: [] }, 422);
    await post('sittings', { lines: [line(packets[0], { words: { seeds: 0 } })] }, 422);
    await post(`packets/${packets[0]}/counts`, { seeds: 0 });
    await post('sittings', { lines: [line(packets[0])] }, 422);
    // What lay on the list before it went is named there, and stops nothing else.
    const { lines, id, version } = await plan([line(packets[1]), line(packets[2])]);
    await post(`packets/${packets[1]}/away`, {}, 200);
    const now = await get<Sitting>(`sittings/${id}`);
    expect(now.lines.map(({ title }) => title)).toEqual([null, 'Leek, Anchor']);
    await put(id, { lines: lines.map(({ id: lineId, packetId }) => ({ id: lineId, packetId, words: {}, bag: null })), version });
  });

  it('is passed over, ended, and used again by name', async () => {
    const { lines, id } = await plan([line(packets[0]), line(packets[1])], { name: 'April' });
    await post(`sittings/${id}/lines/${lines[0]?.id}/skips`, { skipped: true });
    await post(`sittings/${id}/lines/${lines[0]?.id}/skips`, { skipped: false });
    await tuck(lines[0]);
    await tuck(lines[1]);
    await post(`sittings/${id}/lines/${lines[1]?.id}/skips`, { skipped: true }, 409);
    expect((await get<SittingName[]>('sittings'))[0]).toEqual(
      jasmine.objectContaining({ name: 'April', packets: 2, done: 2, ended: false }),
    );
    await post(`sittings/${id}/ends`, {});
    expect((await get<SittingName[]>('sittings'))[0]?.ended).toBe(true);
    await post(`sittings/${id}/ends`, {}, 409);
  });
});
