import fc from 'fast-check';
import { v7 as uuid } from 'uuid';
import type { About, Nursery, NurseryPage, Packet, PastSeasons, Rack, Seedling } from '@fresh-tuck/contract';
import { SEEDLING_STAGES } from '@fresh-tuck/contract/choices';
import { lookBody, moveBody } from '@fresh-tuck/contract/testing';
import { asks, batchBody, household, packetBody, type Household } from '../testing/household.js';

const DAY_MS = 86_400_000;

describe('the nursery', () => {
  let home: Household;
  const { get, post } = asks(() => home);
  beforeEach(async () => (home = await household()));

  /** So many sprouts from a batch of their own, moved together. */
  async function moved(count: number, destination = 'cup', more: object = {}): Promise<number[]> {
    const packet = packetBody({ seedCount: 400 });
    await post('packets', packet);
    const batch = batchBody(packet.id, home.spotId, { seeds: count, startAt: null, ...more });
    await post('batches', batch);
    await post(`batches/${batch.id}/looks`, lookBody(count));
    await post(`batches/${batch.id}/moves`, moveBody({ uncounted: count, destination }));
    const { number: last } = home.db.prepare('SELECT max(number) AS number FROM cup').get() as { number: number };
    return Array.from({ length: count }, (_, nth) => last - count + 1 + nth);
  }
  const say = (number: number, kind: 'stage' | 'lost' | 'given', word: string | null = null, status = 201) =>
    post<Seedling>(
      `nursery/${number}/events`,
      { said: kind === 'stage' ? { kind, stage: word } : kind === 'lost' ? { kind, why: word } : { kind } },
      status,
    );
  const group = (name: string, from = 0) => get<NurseryPage>(`nursery?group=${name}&from=${from}`);
  const boards = () => get<Nursery>('nursery');

  it('comes a page at a time, the oldest first, and loses nobody between the pages', async () => {
    const labels = [...(await moved(30)), ...(await moved(25))];
    expect((await boards()).standing).toBe(55);
    const pages = [];
    for (let from = 0; from < 55; from += 20) pages.push(await group('moved', from));
    expect(pages.map(({ count, seedlings }) => [count, seedlings.length])).toEqual([
      [55, 20],
      [55, 20],
      [55, 15],
    ]);
    expect(pages.flatMap(({ seedlings }) => seedlings).map(({ number }) => number)).toEqual(labels);
  });

  it('shows what left last first', async () => {
    const labels = await moved(4);
    for (const number of labels) await say(number, 'stage', 'planted_out');
    await say(labels[0] ?? 0, 'lost', 'a slug');
    await say(labels[1] ?? 0, 'given');
    const { standing, out, gone, places } = await boards();
    expect([standing, out, gone, places.length]).toEqual([0, 2, 2, 0]);
    expect((await group('planted_out')).seedlings.map(({ number }) => number)).toEqual([labels[3], labels[2]] as number[]);
    expect((await group('gone')).seedlings.map((one) => one.gone?.why ?? null)).toEqual([null, 'a slug']);
  });

  it('never takes a stage that goes backwards, and undoes in any order', async () => {
    const word = fc.oneof(fc.constantFrom(...SEEDLING_STAGES.slice(1)), fc.constant('undo'), fc.constant('lost'));
    const [number = 0] = await moved(1);
    const said: { word: string; id: string }[] = [];
    const rank = (stage: string): number => SEEDLING_STAGES.indexOf(stage as 'up');
    for (const one of fc.sample(word, { numRuns: 80, seed: 3 })) {
      home.clock.step(60_000);
      const gone = said.some(({ word: before }) => before === 'lost');
      const stage = said.findLast(({ word: before }) => before !== 'lost')?.word ?? 'moved';
      if (one === 'undo') {
        // Not always the last: anything that stands.
        const nth = rank(stage) % Math.max(said.length, 1);
        await post(`nursery/${number}/undos`, { entryId: said[nth]?.id ?? uuid() }, said[nth] ? 201 : 422);
        said.splice(nth, 1);
      } else {
        const fits = !gone && (one === 'lost' || rank(one) > rank(stage));
        const answer = await say(number, one === 'lost' ? 'lost' : 'stage', one === 'lost' ? 'dried' : one, fits ? 201 : 422);
        if (fits) said.push({ word: one, id: answer.events.at(-1)?.id ?? '' });
      }
      const now = await get<Seedling>(`nursery/${number}`);
      const expected = said.findLast(({ word: before }) => before !== 'lost')?.word ?? 'moved';
      expect([now.stage, now.gone !== null]).toEqual([expected as 'up', said.some(({ word: before }) => before === 'lost')]);
    }
    const { detail } = await post<{ detail: string }>('nursery/acts', { numbers: [number], said: { kind: 'stage', stage: 'moved' } }, 422);
    expect(detail).toMatch(/does not go back|already/);
  });

  it('marks a tray in one act, all of it or none, and takes it back in one', async () => {
    const labels = await moved(60, 'cell');
    const act = uuid();
    const whole = await post<Nursery>('nursery/acts', { id: act, numbers: labels.slice(0, 41), said: { kind: 'stage', stage: 'up' } });
    expect(whole.places[0]?.trays[0]?.stands).toBe('41 of 60 up');
    expect(whole.lead).toBe('Lid off the leek tray');
    // More than there are: one label of another house, and nothing of it is said.
    const { detail } = await post<{ detail: string }>(
      'nursery/acts',
      { numbers: [...labels, 9999], said: { kind: 'given', to: 'next door' } },
      422,
    );
    expect(detail).toContain('there is no 9999');
    expect((await boards()).standing).toBe(60);
    await post('nursery/acts', { numbers: labels.slice(0, 2), said: { kind: 'composted' } });
    expect((await boards()).standing).toBe(58);
    const undone = await post<Nursery>('nursery/acts/undos', { actId: act });
    expect(undone.places[0]?.trays[0]?.stands).toBe('none of 58 up yet');
    await post('nursery/acts/undos', { actId: act }, 422);
  });

  it('stands where it was carried, as it was covered and watered, and takes each back', async () => {
    const labels = await moved(6);
    const [tray] = (await boards()).places.flatMap(({ trays }) => trays);
    expect((await boards()).places.map(({ name }) => name)).toEqual(['Somewhere']);
    const care = (done: object, status = 201) => post<Nursery>('nursery/care', { id: uuid(), trayIds: [tray?.id], done }, status);
    const placed = await care({ kind: 'place', spotId: home.spotId });
    expect(placed.places.map(({ spotId }) => spotId)).toEqual([home.spotId]);
    await care({ kind: 'place', spotId: uuid() }, 404);
    await post('nursery/care', { trayIds: [uuid()], done: { kind: 'seen' } }, 422);
    await post('nursery/acts', { numbers: labels, said: { kind: 'stage', stage: 'up' } });
    expect((await boards()).tasks[0]).toEqual(jasmine.objectContaining({ kind: 'uncover', act: 'Lid is off', today: true }));
    const lifted = uuid();
    const open = await post<Nursery>('nursery/care', { id: lifted, trayIds: [tray?.id], done: { kind: 'cover', cover: 'off' } });
    expect(open.tasks.map(({ kind }) => kind)).not.toContain('uncover');
    await post('nursery/care/undos', { recordId: lifted });
    expect((await boards()).tasks[0]?.kind).toBe('uncover');
    const water = () => boards().then(({ tasks }) => tasks.find(({ kind }) => kind === 'water'));
    await care({ kind: 'cover', cover: 'off' });
    home.clock.step(5 * DAY_MS);
    expect((await water())?.today).toBeTrue();
    await care({ kind: 'water', from: 'below' });
    expect((await water())?.today).toBeFalse();
    await care({ kind: 'water', from: null, finger: 'pooling' });
    expect((await boards()).tasks[0]).toEqual(jasmine.objectContaining({ kind: 'drain', tone: 'trouble' }));
  });

  it('stands apart once it is potted on, in the same place, and awaits its roots anew', async () => {
    const labels = await moved(4);
    const [tray] = (await boards()).places.flatMap(({ trays }) => trays);
    await post('nursery/care', { trayIds: [tray?.id], done: { kind: 'place', spotId: home.spotId } });
    for (const stage of ['up', 'true_leaves', 'roots_out']) {
      home.clock.step(6 * DAY_MS);
      await post('nursery/acts', { numbers: labels.slice(0, 2), said: { kind: 'stage', stage } });
    }
    expect((await boards()).tasks.find(({ kind }) => kind === 'pot_up')?.lead).toBe(`Pot up leek ${labels[0]} and ${labels[1]}`);
    home.clock.step(60_000);
    const act = { id: uuid(), numbers: labels.slice(0, 2), said: { kind: 'potted', destination: 'pot', last: false } };
    const { places, tasks } = await post<Nursery>('nursery/acts', act);
    expect(places.length).toBe(1);
    expect(places[0]?.trays.map(({ destination, plants }) => [destination, plants.map(({ stage }) => stage)])).toEqual([
      ['pot', ['true_leaves', 'true_leaves']],
      ['cup', ['moved', 'moved']],
    ]);
    expect(tasks.map(({ kind }) => kind)).not.toContain('pot_up');
    // It has its leaves: no lid is asked off what was never under one.
    expect(places[0]?.trays[0]?.cover).toBe('off');
    await post('nursery/acts/undos', { actId: act.id });
    expect((await boards()).tasks.map(({ kind }) => kind)).toContain('pot_up');
  });

  it('takes the weather that is told, the last word of a day alone, and takes it back', async () => {
    const day = (nth: number, minC: number) => ({
      begins: `2026-04-${11 + nth}T00:00`,
      ends: `2026-04-${12 + nth}T00:00`,
      minC,
      maxC: minC + 8,
    });
    const first = uuid();
    await post('weather', { id: first, spans: [day(0, 4), day(1, 5)] });
    const second = uuid();
    const told = await post<Nursery>('weather', { id: second, spans: [{ ...day(1, -2), windKmh: 50 }] });
    expect(told.weather.slice(0, 3).map(({ minC, windKmh }) => [minC, windKmh])).toEqual([
      [4, null],
      [-2, 50],
      [null, null],
    ]);
    const back = await post<Nursery>('weather/undos', { recordId: second });
    expect(back.weather[1]?.minC).toBe(5);
    await post('weather/undos', { recordId: second }, 404);
    const { detail } = await post<{ detail: string }>('weather', { spans: [{ ...day(0, 9), maxC: 2 }] }, 422);
    expect(detail).toContain('maxC must not lie below the lowest');
    await post('weather', { spans: [{ ...day(0, 9), begins: '2026-06-11T00:00', ends: '2026-06-12T00:00' }] }, 422);
  });

  it('tells the light of a place by latitude and window, and the lamp’s hours after dusk', async () => {
    const labels = await moved(3);
    const [tray] = (await boards()).places.flatMap(({ trays }) => trays);
    await post('nursery/care', { trayIds: [tray?.id], done: { kind: 'place', spotId: home.spotId } });
    await post('nursery/acts', { numbers: labels, said: { kind: 'stage', stage: 'true_leaves' } });
    expect((await boards()).places[0]?.light).toBeNull();
    const { version } = (await get<About>('about')).household ?? { version: 0 };
    const schools = { set: 'hole', firm: 'settled', pot: 'one', watered: 'above', cover: 'up' };
    const nursing = { id: uuid(), version, schools, sky: { latitude: 55.7, longitude: 12.6, sunshine: 0.4 } };
    await home.request.put('/api/household/nursing').send(nursing).expect(200);
    const light = { daylit: 'window', facing: 'noon', glazing: 'two', metresIn: 0.5, opposite: false, lamp: null };
    const dim = await post<Nursery>(`spots/${home.spotId}/light`, { light });
    expect(dim.places[0]?.light).toEqual(jasmine.objectContaining({ enough: false, lampFromHour: null }));
    const lamp = { kind: 'white', micromol: 150, gapCm: 30, hours: null };
    const lit = (await post<Nursery>(`spots/${home.spotId}/light`, { light: { ...light, lamp } })).places[0]?.light;
    expect(lit?.enough).toBeTrue();
    // On 11 April the sun sets there at about 20:00 by the summer clock; the lamp goes on so that the night stays six hours.
    expect(lit?.setHour).toBeCloseTo(20.1, 1);
    expect((lit?.lampToHour ?? 0) - (lit?.lampFromHour ?? 0)).toBeGreaterThan(6);
    const refused = await post<{ detail: string }>(
      `spots/${home.spotId}/light`,
      { light: { ...light, lamp: { ...lamp, hours: 30 } } },
      422,
    );
    expect(refused.detail).toContain('from 0 to 24 hours a day');
    expect((await boards()).tasks.find(({ kind }) => kind === 'water')?.lead).toContain('from above');
  });

  it('learns where seedlings live on: those past danger and those lost, by where they were moved to', async () => {
    const cups = await moved(4);
    const cells = await moved(3, 'cell');
    for (const number of cups.slice(0, 2)) await say(number, 'stage', 'true_leaves');
    await say(cups[2] ?? 0, 'lost', 'damped off');
    await say(cells[0] ?? 0, 'given');
    // One that only came up tells nothing yet.
    await say(cells[1] ?? 0, 'stage', 'up');
    const packet = packetBody();
    await post('packets', packet);
    expect((await get<Packet>(`packets/${packet.id}`)).fates).toEqual({
      cell: { lived: 1, lost: 0, worth: 1 },
      // Three of one tray tell a little less than three of as many.
      cup: { lived: 2, lost: 1, worth: jasmine.any(Number) as unknown as number },
    });
  });

  it('tells a plan how long plants were nursed and how late they were, batch by batch', async () => {
    const aim = (day: string) => ({ aim: { plants: null, destination: null, target: { kind: 'plant_out', day } } });
    const first = await moved(3, 'cup', aim('2026-05-20'));
    home.clock.step(40 * DAY_MS);
    await say(first[0] ?? 0, 'stage', 'planted_out');
    home.clock.step(4 * DAY_MS);
    await say(first[1] ?? 0, 'stage', 'planted_out');
    const second = await moved(2);
    home.clock.step(30 * DAY_MS);
    for (const number of second) await say(number, 'stage', 'planted_out');
    const { nursingDays, lateness } = await get<PastSeasons>('crops/leek/seasons');
    expect(nursingDays.map(Math.round)).toEqual([42, 30]);
    // Planted out on 21 and 25 May: three days after the 20th in the middle.
    expect(lateness).toEqual([{ year: 2026, days: 3, kind: 'plant_out' }]);
    expect(await get<PastSeasons>('crops/okra/seasons')).toEqual({ nursingDays: [], lateness: [], ways: [] });
  });

  it('fills racks in the order of their naming, and frees a slot when its plant is gone', async () => {
    for (const [name, slots] of [
      ['Stair rack', 3],
      ['Sill rack', 4],
    ] as const)
      await post('racks', { name, slots });
    const labels = await moved(5, 'slot');
    const taken = async () => (await get<Rack[]>('racks')).map((rack) => rack.taken);
    expect(await taken()).toEqual([3, 2]);
    await say(labels[4] ?? 0, 'lost', 'pump stopped');
    await say(labels[0] ?? 0, 'given');
    expect(await taken()).toEqual([3, 0]);
    await post('racks', { name: '', slots: 4 }, 422);
    await post('racks', { name: 'Too many', slots: 401 }, 422);
  });

  it('knows no label that nobody wears', async () => {
    for (const number of ['0', '-1', '2.5', 'two', '99999999999999999999'])
      await post(`nursery/${number}/events`, { said: { kind: 'given' } }, 404);
    const [number = 0] = await moved(1);
    await post(`nursery/${number}/events`, { said: { kind: 'stage', stage: null } }, 422);
    await post(`nursery/${number}/events`, { said: { kind: 'given', stage: 'up' } }, 422);
    await post(`nursery/${number}/undos`, { entryId: uuid() }, 422);
  });
});
