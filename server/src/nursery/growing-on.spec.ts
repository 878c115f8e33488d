import { v7 as uuid } from 'uuid';
import type { Batch, Bed, BedPage, Nursery, NurseryTask, Rack, Seedling } from '@fresh-tuck/contract';
import { nextStage, NURSED } from '@fresh-tuck/core/nursing';
import { randomFrom } from '@fresh-tuck/core/testing';
import { lookBody, moveBody } from '@fresh-tuck/contract/testing';
import { asks, batchBody, dump, household, packetBody, type Household } from '../testing/household.js';

const DAY_MS = 86_400_000;

describe('from pot to bed', () => {
  let home: Household;
  const { get, post } = asks(() => home);
  beforeEach(async () => (home = await household()));

  const boards = () => get<Nursery>('nursery');
  const task = async (kind: string): Promise<NurseryTask | undefined> => (await boards()).tasks.find((one) => one.kind === kind);
  const act = (numbers: readonly number[], said: object, more: object = {}, status = 201) =>
    post<Nursery>('nursery/acts', { id: uuid(), numbers, said, ...more }, status);
  const refused = async (numbers: readonly number[], said: object): Promise<string> =>
    ((await act(numbers, said, {}, 422)) as unknown as { detail: string }).detail;

  /** Sprouts from a towel of their own, all of them showing; none of it is moved yet. */
  async function showing(cropId: string, count: number, more: object = {}): Promise<string> {
    const packet = packetBody({ cropId, seedCount: 400 });
    await post('packets', packet);
    const batch = batchBody(packet.id, home.spotId, { seeds: count, startAt: null, prepared: [], ...more });
    await post('batches', batch);
    await post(`batches/${batch.id}/looks`, lookBody(count));
    return batch.id;
  }
  async function move(batchId: string, count: number, more: object = {}): Promise<number[]> {
    await post(`batches/${batchId}/moves`, moveBody({ uncounted: count, ...more }));
    const { number: last } = home.db.prepare('SELECT max(number) AS number FROM cup').get() as { number: number };
    return Array.from({ length: count }, (_, nth) => last - count + 1 + nth);
  }
  async function bed(name: string, more: object = {}): Promise<string> {
    const id = uuid();
    await post('beds', { id, name, widthM: 1.2, lengthM: 2, madeYear: 2025, ...more });
    return id;
  }
  const soil = (bedId: string, celsius: number, day = '2026-04-11') =>
    post(`beds/${bedId}/soil`, { id: uuid(), day, celsius, source: 'soil' });

  it('two to a pot are thinned to the stronger once it has its true leaf, in one touch that is taken back in one', async () => {
    const numbers = await move(await showing('melon', 5), 5, { destination: 'pot', perPot: 2 });
    const [one = 0, two = 0, three = 0, four = 0, five = 0] = numbers;
    const pots = async () => (await boards()).places[0]?.trays[0]?.plants.map(({ pot }) => pot);
    expect(await pots()).toEqual([one, one, three, three, null]);
    home.clock.step(3 * DAY_MS);
    await act([two, four, five], { kind: 'stage', stage: 'up' });
    home.clock.step(DAY_MS);
    await act([one, three], { kind: 'stage', stage: 'up' });
    expect(await task('thin')).toBeUndefined();
    home.clock.step(9 * DAY_MS);
    await act([two, five], { kind: 'stage', stage: 'true_leaves' });
    const thin = await task('thin');
    // The other pot has none that could be told yet; the fifth stands alone.
    expect(thin).toEqual(jasmine.objectContaining({ numbers: [one], says: { kind: 'composted' }, act: 'Snipped' }));
    expect(thin?.text).toContain(`${two} stays`);
    const id = uuid();
    await post('nursery/acts', { id, numbers: thin?.numbers, said: thin?.says });
    expect([await task('thin'), await pots()]).toEqual([undefined, [null, three, three, null]]);
    await post('nursery/acts/undos', { id: uuid(), actId: id });
    expect((await task('thin'))?.numbers).toEqual([one]);
    // Potted on it stands alone, and asks for nothing.
    await act([two], { kind: 'potted', destination: 'pot', millilitres: 3000, last: true });
    expect(await task('thin')).toBeUndefined();
  });

  it('slots are filled by name, freed by who goes, and filled again; what cannot stand so is said', async () => {
    const rackId = uuid();
    await post('racks', { id: rackId, name: 'Porch rack', slots: 4 });
    const numbers = await move(await showing('lettuce', 3), 3, { destination: 'slot' });
    const [one = 0, two = 0, three = 0] = numbers;
    const fill = (labels: readonly number[], slots: readonly number[], status = 201) =>
      act(labels, { kind: 'slotted', rackId, slots }, {}, status);
    const stand = async () => (await boards()).places.find(({ rack }) => rack !== null)?.rack?.slots.map(({ number }) => number);
    await fill([one, two], [3, 1]);
    expect(await stand()).toEqual([two, null, one, null]);
    const before = dump(home.db);
    expect(await refused([three], { kind: 'slotted', rackId, slots: [3] })).toContain(`slots must be free: ${one} stands in slot 3`);
    expect(await refused([three], { kind: 'slotted', rackId, slots: [5] })).toContain('slots must be from 1 to 4; 5 is none of this rack');
    expect(await refused([two, three], { kind: 'slotted', rackId, slots: [2] })).toContain('slots must name one for each of the 2 labels');
    expect(await refused([three], { kind: 'slotted', rackId: uuid(), slots: [2] })).toContain('rackId must be a rack of the household');
    expect(dump(home.db)).toBe(before);
    await act([one], { kind: 'given' });
    await fill([three], [3]);
    expect(await stand()).toEqual([two, null, three, null]);
    // A rack that somebody stands in is not cut shorter, nor removed.
    const rack = { id: uuid(), name: 'Porch rack', slots: 2, version: 0 };
    const shorter = await home.request.put(`/api/racks/${rackId}`).send(rack).expect(422);
    expect((shorter.body as { detail: string }).detail).toContain(`slots must be at least 3: label ${three} stands in slot 3`);
    await post(`racks/${rackId}/removals`, { id: uuid() }, 409);
    // Exchanged in one act.
    await fill([two, three], [3, 1]);
    expect(await stand()).toEqual([three, null, two, null]);
    await act([three], { kind: 'potted', destination: 'pot', millilitres: 1000, last: true });
    expect([await stand(), (await get<Rack[]>('racks'))[0]?.taken]).toEqual([[null, null, two, null], 1]);
  });

  it('a cold bed holds broad beans until its soil is read warm; then Today says so, and planting day its net and strings', async () => {
    const bedId = await bed('Court bed');
    const batchId = await showing('broad-bean', 40, { aim: { plants: 40, destination: 'bed', target: null } });
    const numbers = await move(batchId, 20, { destination: 'plug', spotId: home.spotId });
    expect((await boards()).places[0]?.spotId).toBe(home.spotId);
    expect((await task('read_soil'))?.text).toContain('Nobody has read it yet.');
    await soil(bedId, 4);
    expect((await task('read_soil'))?.today).toBeFalse();
    home.clock.step(14 * DAY_MS);
    await act(numbers, { kind: 'stage', stage: 'true_leaves' });
    expect([await task('soil'), (await task('read_soil'))?.today]).toEqual([undefined, true]);
    await soil(bedId, 9.5, '2026-04-25');
    const warm = await task('soil');
    expect(warm).toEqual(jasmine.objectContaining({ lead: 'Court bed is warm enough for broad bean', bedId, today: true }));
    expect(warm?.text).toContain('20 in the nursery, once hardened, and 20 on the towel');
    expect(warm?.text).toContain('The bed is young: roll the roots in rhizobium powder.');

    const id = uuid();
    await post('nursery/acts', { id, numbers, said: { kind: 'stage', stage: 'planted_out', bedId } });
    const [planted] = await get<Bed[]>('beds');
    expect(planted?.taken).toEqual(
      jasmine.objectContaining({ plants: 20, crops: [{ cropId: 'broad-bean', name: 'Broad bean', plants: 20 }] }),
    );
    const [place] = (await boards()).places;
    expect([place?.name, place?.bed?.plantings[0]?.spots.length, place?.bed?.plantings[0]?.over]).toEqual(['Court bed', 20, 0]);
    const [net, strings] = [await task('net'), await task('support')];
    expect([net?.today, strings?.lead]).toEqual([true, 'Stakes and string round the broad bean plants']);
    await post('nursery/care', { id: uuid(), trayIds: strings?.trayIds, done: strings?.done });
    expect([await task('support'), (await task('net'))?.today]).toEqual([undefined, true]);
    // The others go straight in: of one batch some are out, and what is nursed in the bed is none of the plugs.
    await move(batchId, 2, { destination: 'bed', bedId });
    const inBed = (await boards()).places.find(({ name }) => name === 'Court bed');
    expect(inBed?.trays.map(({ destination, plants }) => [destination, plants.length])).toEqual([['bed', 2]]);
    // Taken back, they stand in their plugs again, and in no bed.
    await post('nursery/acts/undos', { id: uuid(), actId: id });
    const back = (await boards()).places;
    expect(back.map(({ name, trays }) => [name, trays.map(({ destination, plants }) => [destination, plants.length])])).toEqual([
      ['Hall cupboard', [['plug', 20]]],
      ['Court bed', [['bed', 2]]],
    ]);
  });

  it('what came up where it was sown is labelled there in one touch, and stands where its batch stands', async () => {
    const batchId = await showing('leek', 6, {
      method: 'plug',
      carrier: undefined,
      towel: undefined,
      holder: { newId: uuid(), kind: 'tray', closure: 'lidded', spotId: home.spotId },
    });
    const labels = await task('take_in');
    expect([labels?.batchId, labels?.act]).toEqual([batchId, 'They stay there']);
    const all = await post<Nursery>('nursery/stays', { id: uuid(), batchId });
    const tray = all.places.find(({ spotId }) => spotId === home.spotId)?.trays[0];
    expect([tray?.destination, tray?.plants.length, tray?.plants[0]?.stage]).toEqual(['plug', 6, 'up']);
    expect(all.tasks.some(({ kind }) => kind === 'take_in')).toBeFalse();
    expect((await get<Batch>(`batches/${batchId}`)).answers.state.moved).toBe(6);
    const again = await post<{ detail: string }>('nursery/stays', { id: uuid(), batchId }, 422);
    expect(again.detail).toContain('batchId must have seedlings up that have no label yet');
    await get<Seedling>(`nursery/${tray?.plants[0]?.number}`);
  });

  it('a photograph of a plant stands beside it in the order of vigour, and is taken back with its word', async () => {
    const [one = 0, two = 0] = await move(await showing('leek', 2), 2);
    const photoId = uuid();
    const png = Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex');
    const put = (id: string, bytes: Buffer, status: number) =>
      home.request.put(`/api/nursery/${one}/photos/${id}`).set('Content-Type', 'image/png').send(bytes).expect(status);
    await put(uuid(), Buffer.from('no picture'), 422);
    await put(photoId, png, 201);
    await home.request.get(`/api/photos/${photoId}`).expect(200);
    const order = async () => (await boards()).places[0]?.trays[0]?.order.map((each) => [each.number, each.photoId]);
    expect(await order()).toEqual([
      [one, photoId],
      [two, null],
    ]);
    expect((await get<Seedling>(`nursery/${one}`)).events.at(-1)).toEqual(jasmine.objectContaining({ inWords: 'photographed', photoId }));
    await post(`nursery/${one}/undos`, { id: uuid(), entryId: photoId });
    expect((await order())?.[0]).toEqual([one, null]);
  });

  it('a thermometer’s file of the soil comes in whole and is taken back whole; the air of the last days stands in for it', async () => {
    const bedId = await bed('Wall bed');
    const known = async () => (await get<Bed[]>('beds'))[0]?.soil;
    const weather = (day: number, minC: number, maxC: number) => ({
      begins: `2026-04-${String(day).padStart(2, '0')}T00:00`,
      ends: `2026-04-${String(day + 1).padStart(2, '0')}T00:00`,
      ...{ minC, maxC },
    });
    await post('weather', { id: uuid(), spans: [3, 4, 5, 6, 7, 8, 9, 10].map((day) => weather(day, 5, 11)) });
    expect(await known()).toEqual({ celsius: jasmine.any(Number) as unknown as number, source: 'air', ageDays: 0 });
    expect((await known())?.celsius).toBeCloseTo(8, 6);
    const days = ['2026-04-09', '2026-04-10', '2026-04-11'].map((day, nth) => ({ day, celsius: 6 + nth }));
    const id = uuid();
    await post(`beds/${bedId}/soil/imports`, { id, days });
    expect(await known()).toEqual({ celsius: 8, source: 'soil', ageDays: 0 });
    const before = dump(home.db);
    await post(`beds/${bedId}/soil/imports`, { id: uuid(), days: [...days, { day: '2026-04-20', celsius: 9 }] }, 422);
    expect(dump(home.db)).toBe(before);
    await post(`beds/${bedId}/undos`, { id: uuid(), recordId: id });
    expect((await known())?.source).toBe('air');
  });

  it('how seedlings stand is what counts of all that was said of them, whatever was said and taken back', async () => {
    const batchId = await showing('kale', 12);
    const numbers = await move(batchId, 12, { destination: 'cell' });
    const { nursery, stands } = home.services;
    const random = randomFrom(11);
    const pick = <T>(from: readonly T[]): T => from[Math.floor(random() * from.length)] as T;
    const partings = [{ kind: 'lost', why: 'slugs' }, { kind: 'given' }, { kind: 'composted' }];
    const seen = new Set<string>();
    for (let step = 0; step < 120; step++) {
      home.clock.step(DAY_MS / 8);
      const one = nursery.get(pick(numbers));
      const own = [
        one.number,
        ...numbers.filter((number) => number !== one.number && nursery.get(number).stage === one.stage && random() < 0.3),
      ];
      const said = random() < 0.85 ? { kind: 'stage', stage: nextStage(one.stage) } : pick(partings);
      // Some of it is refused, and then nothing of it may have been written.
      const body = random() < 0.7 ? { id: uuid(), numbers: own, said } : { id: uuid(), actId: pick(one.events)?.actId ?? uuid() };
      await home.request.post(`/api/nursery/acts${'said' in body ? '' : '/undos'}`).send(body);
      const all = numbers.map((number) => nursery.get(number));
      const group = ({ gone, stage }: Seedling): string => (gone ? 'gone' : stage);
      expect(stands.nursed()).toEqual(all.filter((each) => NURSED.some((stage) => stage === group(each))).map(({ number }) => number));
      for (const each of all) seen.add(group(each));
      for (const [left, count] of Object.entries(stands.counts())) expect(all.filter((each) => group(each) === left).length).toBe(count);
    }
    expect(['moved', 'planted_out', 'ripe', 'harvested', 'gone'].filter((group) => !seen.has(group))).toEqual([]);
    const gone = stands.page('gone', 0, 50);
    expect([gone.count, gone.numbers]).toEqual([stands.counts().gone, [...gone.numbers].sort((a, b) => b - a)]);
    await post(`batches/${batchId}/untuckings`, {});
    expect([stands.nursed(), stands.counts()]).toEqual([[], { planted_out: 0, ripe: 0, harvested: 0, gone: 0 }]);
  });

  it('a bed is cleared planting by planting, and told since when they stand', async () => {
    const bedId = await bed('Long bed');
    const numbers = await move(await showing('celeriac', 5), 5, { destination: 'cell' });
    // Two days in Greenwich, and one morning by the household's own calendar.
    home.clock.step(DAY_MS);
    await act(numbers.slice(0, 1), { kind: 'stage', stage: 'planted_out', bedId }, { at: '2026-04-12T00:30' });
    await act(numbers.slice(1, 2), { kind: 'stage', stage: 'planted_out', bedId }, { at: '2026-04-12T06:30' });
    home.clock.step(3 * DAY_MS);
    await act(numbers.slice(2), { kind: 'stage', stage: 'planted_out', bedId });
    const page = () => get<BedPage>(`beds/${bedId}`);
    expect((await page()).standing.map(({ text, ...more }) => ({ ...more, since: text.replace(/^.*, since /, '') }))).toEqual([
      { numbers: numbers.slice(0, 2), ripe: false, since: '12 April' },
      { numbers: numbers.slice(2), ripe: false, since: jasmine.any(String) },
    ]);
    await act(numbers.slice(0, 2), { kind: 'stage', stage: 'ripe' });
    await act(numbers.slice(2), { kind: 'stage', stage: 'harvested' });
    const left = await page();
    expect([left.standing.map(({ numbers: own, ripe }) => [own, ripe]), left.bed.taken.plants]).toEqual([[[numbers.slice(0, 2), true]], 2]);
  });
});
