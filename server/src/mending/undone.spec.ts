import { v7 as uuid } from 'uuid';
import type { BatchWithJournal, JournalEntry, PacketImported, PacketSheet, Undoing } from '@fresh-tuck/contract';
import { moveBody, readingBody } from '@fresh-tuck/contract/testing';
import { asks, batchBody, household, lookBody, packetBody, type Household } from '../testing/household.js';
import { meaning } from '../testing/meaning.js';

const OTHER = uuid();
const BED = uuid();
const COLD = uuid();

describe('what is taken back', () => {
  let home: Household;
  const { get, post } = asks(() => home);
  const at = (path: string): string => `batches/${home.batchId}/${path}`;
  const batch = (): Promise<BatchWithJournal> => get(`batches/${home.batchId}`);
  const holder = async (): Promise<string> => (await batch()).holder.id;
  const line = async (kind: JournalEntry['kind']): Promise<string> =>
    (await batch()).journal.find((one) => one.kind === kind && one.counts)?.id ?? '';

  beforeEach(async () => {
    home = await household();
    await post('packets', packetBody({ id: OTHER, cropId: 'okra', variety: 'Short Mast', seedCount: 40 }));
    await post('beds', { id: BED, name: 'Wall bed', widthM: 1, lengthM: 2, madeYear: null });
    await post('spots', { id: COLD, name: 'Porch', kind: 'cool_room' });
    await post(at('looks'), lookBody(0, { at: '2026-04-09T18:30' }));
    await post(at('looks'), lookBody(3, { at: '2026-04-10T18:30', marks: [{ seed: 2, stage: 'root', rootMm: 6 }] }));
    await post(at('moves'), moveBody({ uncounted: 1, destination: 'cup' }));
  });

  /** Does something, takes it back, and holds what the database means against before. */
  async function thereAndBack(act: () => Promise<unknown>, undo: () => Promise<unknown>): Promise<void> {
    const before = await meaning(home);
    await act();
    const between = await meaning(home);
    expect(between).not.toEqual(before);
    await undo();
    const after = await meaning(home);
    for (const path of Object.keys(before)) expect(after[path]).withContext(path).toEqual(before[path]);
  }
  const undoEntry = async (kind: JournalEntry['kind'], along: string[] = []): Promise<unknown> =>
    post(at('undos'), { entryId: await line(kind), along });
  const undoBag = async (kind: JournalEntry['kind']): Promise<unknown> =>
    post(`holders/${await holder()}/undos`, { recordId: await line(kind) });

  const acts: readonly [what: string, act: () => Promise<unknown>, undo: () => Promise<unknown>][] = [
    ['a look', () => post(at('looks'), lookBody(5)), () => undoEntry('look')],
    [
      'a look that was corrected',
      async () => post(at('looks'), lookBody(4, { supersedes: (await batch()).lastLookId })),
      () => undoEntry('look'),
    ],
    ['a move, its labels with it', () => post(at('moves'), moveBody({ uncounted: 1, quietPlanted: 2 })), () => undoEntry('move')],
    ['a corrected count', () => post(at('recounts'), { seeds: 11, was: 8 }), () => undoEntry('recount')],
    ['a closing', () => post(at('closings'), { reason: 'set_aside', at: '2026-04-10T20:00' }), () => undoEntry('close')],
    [
      'another time for a look',
      async () => post(at('corrections'), { entryId: (await batch()).lastLookId, at: '2026-04-10T07:00' }),
      () => undoEntry('correct'),
    ],
    [
      'another destination for a move',
      async () => post(at('corrections'), { entryId: await line('move'), destination: 'bed', bedId: BED }),
      () => undoEntry('correct'),
    ],
    [
      'a wrong packet, start, preparation, cold, method, wish and destination',
      () =>
        post(at('amendments'), {
          ...{ after: null, packetId: OTHER, startAt: '2026-04-07T07:00', prepared: ['nick'], chillDays: 2, method: 'pot' },
          ...{ wanted: 3, destination: 'pot' },
        }),
      () => undoEntry('amend'),
    ],
    ['a whole tuck-in', () => post(at('untuckings'), {}), () => undoEntry('untuck')],
    [
      'a place of the bag',
      async () => post(`holders/${await holder()}/place`, { spotId: COLD, at: '2026-04-10T12:00' }, 200),
      () => undoBag('place'),
    ],
    [
      'another spot from the start',
      async () => post(`holders/${await holder()}/place`, { spotId: COLD, at: '2026-04-08T18:30' }, 200),
      () => undoBag('place'),
    ],
    ['a closure', async () => post(`holders/${await holder()}/closure`, { closure: 'corner_open' }, 200), () => undoBag('closure')],
    [
      'a bag of its own',
      () => post(at('bag'), { at: '2026-04-10T19:00', holder: { newId: uuid(), kind: 'tub', closure: 'lidded', spotId: COLD } }),
      () => undoBag('rebag'),
    ],
    [
      'a weighing',
      async () => post(`holders/${await holder()}/weighings`, { grams: 31, full: true, at: '2026-04-10T09:00' }),
      () => undoBag('weighing'),
    ],
    [
      'a reading',
      () => post(`spots/${home.spotId}/readings`, readingBody('2026-04-10', { minC: 30, maxC: 31 })),
      async () => post(`spots/${home.spotId}/undos`, { recordId: (await get<{ id: string }[]>(`spots/${home.spotId}/readings`))[0]?.id }),
    ],
    [
      'a probe’s reading',
      async () => post(`holders/${await holder()}/probe`, readingBody('2026-04-10', { minC: 18, maxC: 19 })),
      async () =>
        post(`holders/${await holder()}/undos`, { recordId: (await get<{ id: string }[]>(`holders/${await holder()}/probe`))[0]?.id }),
    ],
    [
      'a soil reading',
      () => post(`beds/${BED}/soil`, { day: '2026-04-10', celsius: 13, source: 'soil' }),
      async () => post(`beds/${BED}/undos`, { recordId: (await get<{ id: string }[]>(`beds/${BED}/soil`))[0]?.id }),
    ],
    [
      'a count of a packet',
      () => post(`packets/${OTHER}/counts`, { seeds: 12, grams: null }),
      async () => {
        const before = home.db.prepare<[], string>('SELECT id FROM packet_count WHERE seeds = 12').pluck().get();
        return post(`packets/${OTHER}/undos`, { recordId: before });
      },
    ],
    ['a packet put away', () => post(`packets/${OTHER}/away`, {}, 200), () => post(`packets/${OTHER}/back`, {}, 200)],
    ['a spot put away', () => post(`spots/${COLD}/away`, {}, 200), () => post(`spots/${COLD}/back`, {}, 200)],
    ['a bed put away', () => post(`beds/${BED}/away`, {}, 200), () => post(`beds/${BED}/back`, {}, 200)],
    [
      'a table of packets, new and changed',
      async () => {
        const { version } = await get<PacketSheet>(`packets/${OTHER}`);
        const { id: _, ...known } = packetBody({ cropId: 'okra', variety: 'Short Mast', year: 2021, seedCount: 9 });
        await post('packets/imports', { packets: [packetBody({ variety: 'New' })], changes: [{ packetId: OTHER, version, ...known }] });
      },
      async () => {
        const [last] = await get<PacketImported[]>('packets/imports');
        expect(last).toEqual(jasmine.objectContaining({ added: 1, changed: 1, undone: false }));
        expect(await post(`packets/imports/${last?.id}/undos`, {})).toEqual({ removed: 1, restored: 1, kept: [] } as never);
      },
    ],
  ];
  for (const [what, act, undo] of acts) it(`leaves nothing of it: ${what}`, () => thereAndBack(act, undo));

  it('leaves nothing of a seedling’s mark, whichever of them it was', async () => {
    const [label = 0] = home.db.prepare<[], number>('SELECT number FROM cup').pluck().all();
    await post(`nursery/${label}/events`, { said: { kind: 'stage', stage: 'up' }, at: '2026-04-11T07:10' });
    await thereAndBack(
      () => post(`nursery/${label}/events`, { said: { kind: 'lost', why: 'eaten' } }),
      async () => {
        const { events } = home.services.nursery.get(label);
        expect(events.map(({ kind }) => kind)).toEqual(['stage', 'lost']);
        await post(`nursery/${label}/undos`, { entryId: events[1]?.id });
      },
    );
    await post(`nursery/${label}/events`, { said: { kind: 'stage', stage: 'up' }, at: '2026-04-09T07:00' }, 422);
  });

  it('says what goes along before it goes: a look and the moves that rest on it', async () => {
    const { journal } = await batch();
    const [seen, nothing] = journal.filter(({ kind }) => kind === 'look').map(({ id }) => id);
    const told = await get<Undoing>(at(`entries/${seen}/undoing`));
    expect(told.along.length).toBe(1);
    expect(told.follows[0]).toBe('Then there are 0 tips, not 3.');
    expect(told.follows[1]).toMatch(/^1 sprout lies where it lay before\. Label \d+ leaves the Nursery and is not given again\.$/);
    await post(at('undos'), { entryId: seen }, 422);
    await post(at('undos'), { entryId: seen, along: told.along });
    const after = await batch();
    expect([after.answers.state.tipped, after.answers.state.moved, after.cups.length]).toEqual([0, 0, 0]);
    // What stands under it can still be taken back, whatever came after.
    expect((await get<Undoing>(at(`entries/${nothing}/undoing`))).follows).toEqual(['The totals stay: other looks say as much.']);
  });

  it('keeps what somebody else saved meanwhile', async () => {
    const one = { after: null, wanted: 4 };
    await post(at('amendments'), one);
    expect((await post(at('amendments'), { after: null, wanted: 6 }, 409)).detail).toContain('meanwhile');
    await post(at('recounts'), { seeds: 10, was: 8 });
    await post(at('recounts'), { seeds: 9, was: 8 }, 409);
    const { version } = await get<PacketSheet>(`packets/${OTHER}`);
    const { id: _, seedCount: __, ...known } = packetBody({ cropId: 'okra', variety: 'Short Mast' });
    const put = (path: string, body: object) => home.request.put(`/api/${path}`).send({ id: uuid(), ...body });
    await put(`packets/${OTHER}`, { ...known, year: 2020, version }).expect(200);
    await put(`packets/${OTHER}`, { ...known, year: 2019, version }).expect(409);
    await put(`spots/${COLD}`, { name: 'Back porch', kind: 'cool_room', version: 0 }).expect(200);
    await put(`spots/${COLD}`, { name: 'Stairs', kind: 'room', version: 0 }).expect(409);
    await put(`beds/${BED}`, { name: 'Wall bed', widthM: 2, lengthM: 2, madeYear: 2025, version: 0 }).expect(200);
    await put(`beds/${BED}`, { name: 'Wall bed', widthM: 3, lengthM: 2, madeYear: 2025, version: 0 }).expect(409);
    const look = (await batch()).lastLookId;
    await post(at('looks'), lookBody(4, { supersedes: look }));
    await post(at('looks'), lookBody(5, { supersedes: look }), 422);
  });

  it('removes what nothing hangs on, and of the rest says why it is only put away', async () => {
    expect((await post(`packets/${home.packetId}/removals`, {}, 409)).detail).toMatch(/^1 batch was begun from it\. Put it away instead/);
    await post(`packets/${OTHER}/removals`, {}, 200);
    await get(`packets/${home.packetId}`);
    await home.request.get(`/api/packets/${OTHER}`).expect(404);
    expect((await post(`spots/${home.spotId}/removals`, {}, 409)).detail).toContain('1 bag stood there');
    expect((await post(`spots/${home.spotId}/away`, {}, 409)).detail).toContain('1 bag stands there now');
    await post(`spots/${COLD}/removals`, {}, 200);
    await post(`beds/${BED}/removals`, {}, 200);
  });

  it('takes a tuck-in back whole: its seed is in the packet, its number is used, and nothing more is said of it', async () => {
    const left = async (): Promise<number | null> => (await get<PacketSheet>(`packets/${home.packetId}`)).seedsLeft;
    const before = await left();
    const { follows } = await get<{ follows: string[] }>(at('untucking'));
    expect(follows[0]).toMatch(
      /^8 seeds go back into Okra, Tall Mast\. Number 1 stays used: tear its label up\. The 2 looks at it count no more\. Label \d+ leaves the Nursery\.$/,
    );
    const other = batchBody(home.packetId, home.spotId, { seeds: 3, wanted: 1 });
    await post('batches', other);
    await post(`batches/${other.id}/looks`, lookBody(2));
    await post(`batches/${other.id}/moves`, moveBody({ uncounted: 1, destination: 'cup' }));
    const labels = (): number[] => home.services.stands.nursed();
    const [mine, theirs] = labels();
    expect(theirs).toBeDefined();
    await post(at('untuckings'), {});
    expect(await left()).toBe((before ?? 0) + 8 - 3);
    await post(at('looks'), lookBody(5), 409);
    // Another batch's seedlings stay where they stand.
    expect(labels()).toEqual([theirs ?? 0]);
    await home.request.get(`/api/nursery/${mine}`).expect(404);
    expect((await get<BatchWithJournal>(`batches/${other.id}`)).number).toBe(3);
    const next = batchBody(home.packetId, home.spotId, { seeds: 3, wanted: 1 });
    await post('batches', next);
    expect((await get<BatchWithJournal>(`batches/${next.id}`)).number).toBe(5);
  });
});
