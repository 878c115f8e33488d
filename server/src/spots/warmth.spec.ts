import ICAL from 'ical.js';
import { v7 as uuid } from 'uuid';
import type {
  About,
  AwayView,
  Batch,
  BatchWithJournal,
  Elsewhere,
  ShelfView,
  Sitting,
  SpotSheet,
  Today,
  WhatIf,
} from '@fresh-tuck/contract';
import { readingBody, spotBody } from '@fresh-tuck/contract/testing';
import { asks, batchBody, household, lookBody, NOW_MS, type Household } from '../testing/household.js';

const HOUR_MS = 3_600_000;
const MAT = { lidded: true, cloths: 0, mat: { watts: 20, setC: 27, bandC: 1, probe: 'fold' }, sun: null, room: null } as const;

describe('a warm spot', () => {
  let home: Household;
  beforeEach(async () => {
    home = await household();
  });
  const { get, post } = asks(() => home);
  const refused = async (path: string, body: object, status = 422): Promise<string> => (await post(path, body, status)).detail;
  const sill = async (): Promise<string> => {
    const id = uuid();
    await post('spots', spotBody({ id, name: 'Kitchen sill', kind: 'sill' }));
    return id;
  };
  const holderId = (): string => home.services.holders.inUse()[0] ?? '';

  it('stands on the shelf with what is on it, and says of every other board what it would do', async () => {
    const cold = uuid();
    await post('spots', spotBody({ id: cold, name: 'Cold porch', kind: 'cool_room', holds: 3 }));
    const shelf = await get<ShelfView>('shelf');
    expect(shelf.boards.map(({ spot, room, parcels }) => [spot.name, room, parcels.length])).toEqual([
      ['Hall cupboard', null, 1],
      ['Cold porch', 3, 0],
    ]);
    expect(shelf.lead).toBe('Okra comes to the edge first');
    const [here, there] = (await get<Elsewhere>(`holders/${holderId()}/elsewhere`)).boards;
    expect(here?.parcels[0]?.lead).toBe('as it is');
    expect(there?.parcels[0]?.lead).toMatch(/later|nothing moves there/);
    expect(there?.parcels[0]?.tone).not.toBe('growth');
    // Carried there it stands there, with its moment, and can be taken back.
    const move = uuid();
    await home.request.post(`/api/holders/${holderId()}/place`).send({ id: move, spotId: cold, at: null }).expect(200);
    expect((await get<ShelfView>('shelf')).boards[1]?.parcels[0]?.stands.readyMs ?? Infinity).toBeGreaterThan(
      shelf.boards[0]?.parcels[0]?.stands.readyMs ?? 0,
    );
    await post(`holders/${holderId()}/undos`, { recordId: move });
    expect((await get<ShelfView>('shelf')).boards[0]?.parcels[0]?.stands).toEqual(shelf.boards[0]?.parcels[0]?.stands as never);
  });

  it('is set up, and what would be if is told before it is', async () => {
    const mat = uuid();
    await post('spots', spotBody({ id: mat, name: 'Mat', kind: 'mat' }));
    await home.request.post(`/api/holders/${holderId()}/place`).send({ id: uuid(), spotId: mat, at: null }).expect(200);
    const before = await get<SpotSheet>(`spots/${mat}/sheet`);
    expect(before.setup.mat?.setC).toBe(27);
    expect(before.fit).toBeNull();
    expect(before.bodyInWords).toContain('A guess by its kind');
    const ask = async (setC: number): Promise<WhatIf> =>
      post<WhatIf>(`spots/${mat}/what-if`, { id: undefined, setup: { ...MAT, mat: { ...MAT.mat, setC } } }, 200);
    const [same, cooler] = [await ask(27), await ask(22)];
    expect(same.parcels[0]?.after.stands).toEqual(same.parcels[0]?.before.stands as never);
    expect(cooler.body.meanC).toBeLessThan(23);
    expect(cooler.text).toMatch(/The mat is on .* and takes \d+\sWh\./);
    expect(cooler.parcels[0]?.after.stands.readyMs).toBeGreaterThan(cooler.parcels[0]?.before.stands.readyMs ?? Infinity);
    expect(await refused(`spots/${mat}/what-if`, { id: undefined, setup: { ...MAT, mat: { ...MAT.mat, setC: 90 } } })).toMatch(
      /setC must be a number from 5 to 45/,
    );
    const changed = uuid();
    await post(`spots/${mat}/setup`, { id: changed, setup: { ...MAT, mat: { ...MAT.mat, setC: 22 } } });
    const after = await get<SpotSheet>(`spots/${mat}/sheet`);
    // What was told beforehand comes true in the forecast of the parcel that stands there.
    expect(after.parcels[0]?.stands.readyMs).toBeCloseTo(cooler.parcels[0]?.after.stands.readyMs ?? 0, -7);
    await post(`spots/${mat}/undos`, { recordId: changed });
    expect((await get<SpotSheet>(`spots/${mat}/sheet`)).setup.mat?.setC).toBe(27);
  });

  it('warns of the heat of a clear day before it harms, marks whoever stood there, and takes it back', async () => {
    const id = await sill();
    await home.request.post(`/api/holders/${holderId()}/place`).send({ id: uuid(), spotId: id, at: null }).expect(200);
    expect((await get<Today>('today')).alarms).toEqual([]);
    const event = uuid();
    const told = await post<SpotSheet>(`spots/${id}/events`, {
      id: event,
      kind: 'warm',
      begins: '2026-04-12T10:00',
      ends: '2026-04-12T18:00',
      byC: 24,
      note: 'box in the sun',
    });
    expect(told.events[0]?.inWords).toMatch(/warm spell, 24° more/);
    const [alarm] = (await get<Today>('today')).alarms;
    expect(alarm?.lead).toMatch(/^Kitchen sill will be too hot from tomorrow \d\d:00: up to about \d\d °C$/);
    expect(alarm?.text).toMatch(/Carry it to a cooler board before then/);
    await post(`spots/${id}/undos`, { recordId: event });
    expect((await get<Today>('today')).alarms).toEqual([]);
    const cut = { id: uuid(), kind: 'power_cut', begins: '2026-04-10T12:00', ends: '2026-04-10T18:00', note: 'the whole street' };
    await post(`spots/${home.spotId}/events`, cut);
    const lines = async (): Promise<string[]> => (await get<BatchWithJournal>(`batches/${home.batchId}`)).journal.map(({ text }) => text);
    expect(await lines()).toContain('No power at Hall cupboard: the whole street.');
    await post(`spots/${home.spotId}/undos`, { recordId: cut.id });
    expect((await lines()).join(' ')).not.toContain('No power');
    expect(await refused(`spots/${id}/events`, { kind: 'warm', begins: '2026-04-12T18:00', ends: '2026-04-12T10:00', byC: 4 })).toMatch(
      /ends must lie after it begins/,
    );
    expect(await refused(`spots/${id}/events`, { kind: 'sunny', begins: '2026-04-12T08:00', ends: '2026-04-12T10:00', byC: 4 })).toMatch(
      /byC must say/,
    );
  });

  it('holds a cold spell that is told afterwards against what stood there, until a thermometer knows better', async () => {
    const bare = uuid();
    await post('spots', spotBody({ id: bare, name: 'Landing', kind: 'room' }));
    const { id: held } = await post<Batch>('batches', batchBody(home.packetId, bare, { id: uuid(), startAt: '2026-04-06T18:00' }));
    const readyMs = async (): Promise<number> =>
      (await get<ShelfView>('shelf')).boards.find(({ spot }) => spot.id === bare)?.parcels.find(({ id }) => id === held)?.stands.readyMs ??
      0;
    const before = await readyMs();
    const cold = { id: uuid(), kind: 'cold', begins: '2026-04-07T20:00', ends: '2026-04-09T20:00', byC: 9, note: 'window left open' };
    await post(`spots/${bare}/events`, cold);
    const later = await readyMs();
    expect(later - before).toBeGreaterThan(6 * HOUR_MS);
    expect(later - before).toBeLessThan(3 * 24 * HOUR_MS);
    // What was told is no reading of the place.
    const sheet = await get<SpotSheet>(`spots/${bare}/sheet`);
    expect(sheet.record).toEqual([]);
    expect(sheet.spot.inWords).toContain('a guess');
    for (const day of ['2026-04-07', '2026-04-08', '2026-04-09'])
      await post(`spots/${bare}/readings`, readingBody(day, { minC: 19, maxC: 22 }));
    expect(await readyMs()).toBeLessThan(before + 6 * HOUR_MS);
    await post(`spots/${bare}/undos`, { recordId: cold.id });
  });

  it('takes a logger’s file in parts, counts it once whole, knows it again and gives it back', async () => {
    const first = Math.floor(NOW_MS / HOUR_MS) - 60;
    const hours = Array.from({ length: 48 }, (_, nth) => [first + nth, 20 + (nth % 5), 23 + (nth % 5)]);
    const bring = async (importId: string): Promise<void> => {
      await post(`spots/${home.spotId}/imports`, { id: importId, name: 'logger.csv', lines: 480, hours: 48 });
      await post(`spots/${home.spotId}/imports/${importId}/parts`, { hours: hours.slice(0, 20) });
      await post(`spots/${home.spotId}/imports/${importId}/parts`, { hours: hours.slice(20) });
    };
    const file = uuid();
    const guess = (await get<SpotSheet>(`spots/${home.spotId}/sheet`)).spot.inWords;
    await bring(file);
    // Half a file is none.
    expect((await get<SpotSheet>(`spots/${home.spotId}/sheet`)).record).toEqual([]);
    expect((await get<SpotSheet>(`spots/${home.spotId}/sheet`)).spot.inWords).toBe(guess);
    const sheet = await post<SpotSheet>(`spots/${home.spotId}/imports/${file}/end`, {});
    expect(sheet.record.length).toBe(48);
    expect(sheet.record.every(({ by }) => by === 'logger')).toBeTrue();
    expect(sheet.files.map(({ name, hours: all, known }) => [name, all, known])).toEqual([['logger.csv', 48, 0]]);
    expect(sheet.fit?.errorC).toBeLessThan(3);
    const again = uuid();
    await bring(again);
    expect(await refused(`spots/${home.spotId}/imports/${again}/end`, {}, 409)).toMatch(/known already/);
    expect(await refused(`spots/${home.spotId}/imports/${again}/parts`, { hours: [[first + 8760, 20, 21]] })).toMatch(
      /hours must not lie in the future/,
    );
    await post(`spots/${home.spotId}/undos`, { recordId: file });
    expect((await get<SpotSheet>(`spots/${home.spotId}/sheet`)).record).toEqual([]);
  });

  it('lets a thermometer in by its token, reads °F, knows what it repeats, and says when it has gone silent', async () => {
    const { token } = await post<{ token: string }>(`spots/${home.spotId}/probes`, { name: 'the wire' });
    const send = (body: object, status = 201, key = token) =>
      home.request.post('/api/probe/readings').set('Authorization', `Bearer ${key}`).send(body).expect(status);
    const at = (minutes: number): string => new Date(NOW_MS - minutes * 60_000).toISOString();
    const readings = Array.from({ length: 30 }, (_, nth) => ({ at: at(50 + nth * 5), value: 77 + (nth % 3) }));
    expect((await send({ unit: 'F', readings })).body).toEqual({ taken: 30, known: 0 });
    expect((await send({ unit: 'F', readings })).body).toEqual({ taken: 0, known: 30 });
    const { record, probes } = await get<SpotSheet>(`spots/${home.spotId}/sheet`);
    expect(record.map(({ minC, by }) => [minC, by])).toContain([25, 'probe']);
    expect(probes[0]?.last?.celsius).toBe(25);
    expect((await get<Today>('today')).silent[0]?.text).toMatch(/^No reading from the wire at Hall cupboard for 50 minutes; it said 25/);
    await send({ unit: 'C', readings: [{ at: at(1), value: 25.5 }] });
    expect((await get<Today>('today')).silent).toEqual([]);
    const said = async (body: object, status: number, key = token): Promise<string> =>
      ((await send(body, status, key)).body as { detail: string }).detail;
    expect(await said({ unit: 'K', readings }, 422)).toMatch(/unit must be C or F/);
    expect(await said({ unit: 'C', readings: [{ at: at(-60), value: 25 }] }, 422)).toMatch(/must not lie in the future: set the clock/);
    expect(await said({ unit: 'C', readings: [{ at: at(5), value: 77 * 9 }] }, 422)).toMatch(/from -40 to 85 °C/);
    expect(await said({ unit: 'C', readings: [{ at: '2026-04-11 07:00', value: 20 }] }, 422)).toMatch(/a time with its zone/);
    expect(await said({ unit: 'C', readings }, 401, 'nobody')).toMatch(/lets no probe in/);
    const wanted = (await home.request.get('/api/probe').set('Authorization', `Bearer ${token}`).expect(200)).body as { wanted: unknown };
    expect(wanted.wanted).toBeNull();
    const probeId = probes[0]?.id ?? '';
    await post(`spots/${home.spotId}/probes/${probeId}/withdrawals`, {});
    expect(await said({ unit: 'C', readings }, 403)).toMatch(/The token of the wire was withdrawn/);
    expect(JSON.stringify(home.db.prepare('SELECT * FROM act').all())).not.toContain(token);
  });
});

describe('being away', () => {
  let home: Household;
  beforeEach(async () => {
    home = await household();
  });
  const { get, post } = asks(() => home);

  it('says of a planned list from which day it is not late, and puts it off with one word', async () => {
    const id = uuid();
    const at = '2026-04-12T19:30';
    const lines = [{ id: uuid(), packetId: home.packetId, words: { spotId: home.spotId }, bag: null }];
    const { version } = await post<Sitting>('sittings', { id, name: 'Sunday', at, lines });
    const later = async (leaving: string, back: string): Promise<AwayView['later']> =>
      (await get<AwayView>(`household/away?leaving=${leaving}&back=${back}`)).later;
    const [list, ...more] = await later('2026-04-14T09:00', '2026-04-24T18:00');
    expect(more).toEqual([]);
    expect([list?.sittingId, list?.was]).toEqual([id, at]);
    expect(list?.at).toMatch(/^2026-04-(1[3-9]|2\d)T19:30$/);
    expect(list?.text).toMatch(/^Sunday: okra would be late while nobody is there. Begun on \w+ \d+ Apr or later it is not.$/);
    expect(list?.label).toBe(`Begin it on ${/Begun on (.*) or later/.exec(list?.text ?? '')?.[1] ?? ''}`);
    const put = (body: object, status = 200) =>
      home.request
        .put(`/api/sittings/${id}/day`)
        .send({ id: uuid(), ...body })
        .expect(status);
    const moved = (await put({ at: list?.at })).body as Sitting;
    expect([moved.at, moved.version, moved.lines.length]).toEqual([list?.at ?? '', version + 1, 1]);
    expect(await later('2026-04-14T09:00', '2026-04-24T18:00')).toEqual([]);
    // Gone before it begins, or back before anything shows: nothing to say.
    await put({ at });
    expect(await later('2026-04-11T12:00', '2026-04-12T18:00')).toEqual([]);
    expect(((await put({ at: '2026-04-31T10:00' }, 422)).body as { detail: string }).detail).toMatch(/^at/);
  });

  it('tells what runs late, with remedies whose first is free, and leaves those days out of the plan', async () => {
    await post('spots', spotBody({ name: 'Cold porch', kind: 'cool_room' }));
    await post(`batches/${home.batchId}/looks`, lookBody(2));
    const before = (await get<Today>('today')).shut.concat();
    const away = await get<AwayView>('household/away?leaving=2026-04-12T09:00&back=2026-04-16T18:00');
    expect(away.lead).toMatch(/^4 days away: see to 1 before leaving$/);
    const [okra] = away.parcels;
    expect(okra?.texts.join(' ')).toMatch(/A root (?:that shows already )?would be in the paper/);
    expect(okra?.remedies[0]?.text).toMatch(/^Move the two sprouts that show before leaving/);
    const id = uuid();
    const about = await post<About>('household/absences', { id, leaving: '2026-04-12T09:00', back: '2026-04-16T18:00' });
    expect(about.household?.away.map(({ id: one }) => one)).toEqual([id]);
    const within = (ms: number): boolean => ms > Date.parse('2026-04-12T09:00+02:00') && ms < Date.parse('2026-04-16T18:00+02:00');
    const planned = home.services.household.get();
    expect(planned.away.length).toBe(1);
    const today = await get<Today>('today');
    const next = [
      ...today.shut.map(({ nextMs }) => nextMs),
      ...today.stations.flatMap(({ stops }) => stops.map(({ batch }) => batch.answers.next.atMs)),
    ];
    expect(next.length).toBe(1);
    expect(next.some(within)).toBeFalse();
    await post('household/absences/undos', { recordId: id });
    expect((await get<About>('about')).household?.away).toEqual([]);
    expect((await get<Today>('today')).shut.length).toBe(before.length);
    const refusal = async (leaving: string, back: string): Promise<string> =>
      (await post('household/absences', { leaving, back }, 422)).detail;
    expect(await refusal('2026-04-16T09:00', '2026-04-12T18:00')).toMatch(/back must lie after the day of leaving/);
    expect(await refusal('2026-04-01T09:00', '2026-04-05T18:00')).toMatch(/back must lie ahead/);
    expect(await refusal('2026-04-12T09:00', '2027-04-12T18:00')).toMatch(/no more than 120 days/);
  });

  it('is told to outside calendars, each matter by one name, counted up when it changes', async () => {
    const soak = batchBody(home.packetId, home.spotId, { seeds: 3, wanted: 2, startAt: '2026-04-11T07:00', soaking: true });
    await post('batches', JSON.parse(JSON.stringify(soak)) as object, 201).catch(() => undefined);
    await post('household/absences', { leaving: '2026-04-12T09:00', back: '2026-04-16T18:00' });
    const read = (text: string) =>
      new ICAL.Component(ICAL.parse(text) as unknown[])
        .getAllSubcomponents('vevent')
        .map((each) => new ICAL.Event(each))
        .map(({ uid, sequence, summary, startDate, endDate }) => ({ uid, sequence, summary, start: startDate, end: endDate }));
    const fetch = async (path: string): Promise<string> =>
      (
        await home.request
          .get(path)
          .expect(200)
          .expect('Content-Type', /text\/calendar/)
      ).text;
    const text = await fetch('/api/calendar.ics');
    expect(text).toContain('BEGIN:VTIMEZONE\r\nTZID:Europe/Copenhagen');
    expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBeTrue();
    const first = read(text);
    expect(new Set(first.map(({ uid }) => uid)).size).toBe(first.length);
    const days = first.find(({ uid }) => uid.startsWith('away-'));
    expect([days?.start.isDate, days?.start.toString(), days?.end.toString()]).toEqual([true, '2026-04-12', '2026-04-17']);
    const look = first.find(({ uid }) => uid === `look-${home.batchId}@fresh-tuck`);
    expect(look?.start.zone.tzid).toBe('Europe/Copenhagen');
    expect(look?.summary).toBe('Open 1 Okra, Tall Mast');
    expect(first.every(({ sequence }) => sequence === 0)).toBeTrue();
    expect(read(await fetch('/api/calendar.ics'))).toEqual(
      first.map((each) => jasmine.objectContaining({ uid: each.uid, sequence: 0 }) as never),
    );
    await post(`batches/${home.batchId}/looks`, lookBody(3));
    const later = read(await fetch('/api/calendar.ics'));
    expect(
      later.find(({ uid }) => uid === look?.uid)?.sequence ?? later.find(({ uid }) => uid === `move-${home.batchId}@fresh-tuck`)?.sequence,
    ).toBe(1);
    const { id, path } = await post<{ id: string; path: string }>('calendar/feeds', { name: 'my telephone' });
    expect(read(await fetch(path)).length).toBe(later.length);
    await post(`calendar/feeds/${id}/withdrawals`, {});
    expect(((await home.request.get(path).expect(410)).body as { detail: string }).detail).toMatch(/my telephone was withdrawn/);
    await home.request.get('/api/calendar/nobody.ics').expect(404);
  });
});
