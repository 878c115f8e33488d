import { execFileSync } from 'node:child_process';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 as uuid } from 'uuid';
import type { About, Nursery, Season, SeasonChain, SeasonDue, SeasonFit, SeasonSources } from '@fresh-tuck/contract';
import { lookBody, moveBody } from '@fresh-tuck/contract/testing';
import { dayNumber, isoOf, planThatFits } from '@fresh-tuck/core/season';
import { asks, batchBody, household, NOW_MS, packetBody, type Household } from '../testing/household.js';

const DAY_MS = 86_400_000;
const TODAY = dayNumber('2026-04-11');

describe('the season', () => {
  let home: Household;
  const { get, post } = asks(() => home);
  beforeEach(async () => {
    home = await household();
    await post('season/frost', FROST);
  });
  afterEach(() => home.services.close());

  const FROST = {
    ...{ recordId: null, spring: { monthDay: '05-10', giveDays: 10 }, autumn: { monthDay: '10-17', giveDays: 14 } },
    ...{ thresholdC: 0, shelterK: 0 },
  };
  const wish = (more: object = {}) => ({
    cropId: 'okra',
    packetId: home.packetId,
    plants: 4,
    place: 'outdoors',
    goal: { kind: 'season' },
    ...more,
  });
  const say = (words: object | null, wishId = uuid(), status = 201) =>
    post<Season & { detail: string }>('season/acts', { year: 2026, wishes: [{ wishId, words }] }, status);
  const packet = async (more: object): Promise<string> => {
    const body = packetBody(more);
    await post('packets', body);
    return body.id;
  };
  const lotOf = ({ lots }: Season, wishId: string) => lots.find((lot) => lot.wishId === wishId) ?? fail('no such lot');
  const stage = (season: Season, wishId: string, name: string) => lotOf(season, wishId).stages.find((one) => one.stage === name);
  function fail(why: string): never {
    throw new Error(why);
  }

  it('counts a wish back, changes with what is fixed of it, and is as it was when that is taken back', async () => {
    const melonId = await packet({ cropId: 'melon', variety: 'Dune Bell', seedCount: 16 });
    const wishId = uuid();
    const first = await say(wish({ cropId: 'melon', packetId: melonId, plants: 3 }), wishId);
    const lot = lotOf(first, wishId);
    expect([lot.state, lot.title, lot.seeds !== null && lot.seeds >= 3]).toEqual(['planned', 'Melon, Dune Bell', true]);
    expect(lot.gate).toBe(dayNumber('2026-05-20') + 7);
    // Ready half of the time on the day on which it may go out.
    expect(Math.abs((stage(first, wishId, 'hardened')?.at50 ?? 0) - (lot.gate ?? 0))).toBeLessThan(1.01);
    expect(lot.endInWords).toMatch(/^first fruit \d+ (August|September)$/);
    const act = uuid();
    const fixed = await post<Season>('season/acts', {
      ...{ id: act, year: 2026 },
      wishes: [{ wishId, words: { ...lot.words, start: '2026-05-06', pinned: true } }],
    });
    expect(lotOf(fixed, wishId).start).toBe(dayNumber('2026-05-06'));
    expect(await post<Season>('season/acts/undos', { actId: act })).toEqual({ ...first, nowMs: NOW_MS });
    await post('season/acts/undos', { actId: act }, 404);
    const chain = await get<SeasonChain>(`season/wishes/${wishId}`);
    expect(chain.steps.map(({ name }) => name)).toEqual(['Enough tips', 'Moved', 'Big enough', 'Hardened', 'Planted out', 'Ripe']);
    // Two weeks sooner would have been before today.
    expect(chain.shifts.map(({ days }) => days)).toEqual([-7, 0, 7, 14]);
    expect(chain.text).toMatch(/^Counted back, the day to start is \d+ April/);
    const gone = await say(null, wishId);
    expect(gone.lots).toEqual([]);
    expect(gone.lead).toBe('What shall grow in 2026?');
  });

  it('counts nothing back for out of doors while nobody has said when frost ends, and asks for nothing', async () => {
    await home.services.close();
    home = await household();
    const melonId = await packet({ cropId: 'melon', variety: 'Dune Bell', seedCount: 16 });
    const wishId = uuid();
    const season = await say(wish({ cropId: 'melon', packetId: melonId }), wishId);
    expect(lotOf(season, wishId).endInWords).toBe('no day while nobody says when frost ends');
    expect([season.due, season.text.startsWith('Nobody has said yet when the last frost is')]).toEqual([[], true]);
  });

  it('moves on with what is really done: begun, moved, planted out, ripe', async () => {
    const wishId = uuid();
    // The batch of okra that is under way was begun for it.
    const begun = await say(wish(), wishId);
    const lot = lotOf(begun, wishId);
    expect([lot.state, lot.batchId, isoOf(lot.start)]).toEqual(['started', home.batchId, '2026-04-08']);
    expect(begun.due).toEqual([]);
    home.clock.step(6 * DAY_MS);
    await post(`batches/${home.batchId}/looks`, lookBody(5));
    await post(`batches/${home.batchId}/moves`, moveBody({ uncounted: 5, destination: 'cup' }));
    const moved = await get<Season>('season');
    expect([lotOf(moved, wishId).state, stage(moved, wishId, 'moved')?.at50]).toEqual(['nursed', TODAY + 6]);
    const numbers = home.services.stands.nursed();
    home.clock.step(50 * DAY_MS);
    await post('nursery/acts', { numbers, said: { kind: 'stage', stage: 'planted_out' }, at: null });
    const out = await get<Season>('season');
    expect([lotOf(out, wishId).state, stage(out, wishId, 'planted_out')?.at90]).toEqual(['out', TODAY + 56]);
    home.clock.step(60 * DAY_MS);
    await post('nursery/acts', { numbers, said: { kind: 'stage', stage: 'ripe' }, at: null });
    expect(lotOf(await get<Season>('season'), wishId).state).toBe('ripe');
  });

  it('asks for a start that comes due, on its own list, on Today and in the calendar', async () => {
    const dillId = await packet({ cropId: 'dill', variety: 'Net Loft', seedCount: 200 });
    const wishId = uuid();
    await say(wish({ cropId: 'dill', packetId: dillId, plants: 6, start: '2026-04-16' }), wishId);
    const { due } = await get<SeasonDue>('season/due');
    expect(due.map(({ wishId: of, lead }) => [of, lead.replace(/\d+ seeds/, 'n seeds')])).toEqual([
      [wishId, 'Dill, Net Loft, 16 April: n seeds'],
    ]);
    const ics = (await home.request.get('/api/calendar.ics').expect(200)).text.replace(/\r\n /g, '');
    expect(ics).toContain(`UID:season-start-${wishId}@fresh-tuck`);
    expect(ics).toContain('DTSTART;VALUE=DATE:20260416');
    expect(ics).toMatch(/SUMMARY:Plant out Dill\\, Net Loft/);
    // Once it is begun nobody asks for it.
    await post('batches', batchBody(dillId, home.spotId, { startAt: null, seeds: 12, wanted: 6 }));
    expect((await get<SeasonDue>('season/due')).due).toEqual([]);
    const paper = (await home.request.get('/api/season/paper.svg').expect(200)).body as Buffer;
    expect(paper.toString()).toContain('The garden year 2026');
    const pdf = await home.request.get('/api/season/paper.pdf').buffer(true).parse(whole).expect(200);
    const file = join(tmpdir(), `${uuid()}.pdf`);
    writeFileSync(file, pdf.body as Buffer);
    const read = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
    const pages = /Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', [file], { encoding: 'utf8' }))?.[1];
    rmSync(file);
    expect([read.includes('The garden year 2026'), read.includes('Dill, Net Loft'), pages]).toEqual([true, true, '1']);
  });

  it('starts sooner where last year came late, and says so', async () => {
    const dayOf = async (lateDays: number | null): Promise<{ day: number; late: string | null; note: string }> => {
      await home.services.close();
      home = await household();
      await post('season/frost', FROST);
      const melonId = await packet({ cropId: 'melon', variety: 'Dune Bell', year: 2024, seedCount: 30 });
      if (lateDays !== null) {
        home.clock.step(Date.parse('2025-04-20T07:00:00+02:00') - NOW_MS);
        const batch = batchBody(melonId, home.spotId, {
          startAt: null,
          aim: { plants: 3, destination: 'cup', target: { kind: 'plant_out', day: '2025-05-27' } },
        });
        await post('batches', batch);
        home.clock.step(6 * DAY_MS);
        await post(`batches/${batch.id}/looks`, lookBody(4));
        await post(`batches/${batch.id}/moves`, moveBody({ uncounted: 4, destination: 'cup' }));
        await post(`batches/${batch.id}/closings`, { reason: 'all_moved' });
        home.clock.step(Date.parse('2025-05-27T12:00:00+02:00') + lateDays * DAY_MS - home.clock.now());
        const numbers = home.services.stands.nursed();
        await post('nursery/acts', { numbers, said: { kind: 'stage', stage: 'planted_out' }, at: null });
        home.clock.step(NOW_MS - home.clock.now());
      }
      const wishId = uuid();
      const season = await say(wish({ cropId: 'melon', packetId: melonId, plants: 3 }), wishId);
      const { sowings } = await get<SeasonSources>('season/sources');
      return { day: lotOf(season, wishId).start, late: lotOf(season, wishId).late, note: sowings[0]?.note ?? '' };
    };
    const plain = await dayOf(null);
    const after = await dayOf(19);
    // One batch proves half of what it shows; its own days in the nursery count besides.
    expect(plain.day - after.day).toBeGreaterThanOrEqual(9);
    expect(after.late).toBe('In 2025 it was 19 days late (1 batch): its start is counted 10 days sooner.');
    expect([plain.late, after.note]).toEqual([null, 'begun 20 April, 19 days late']);
  });

  it('sows again for an even harvest, tells what will not fit, and what is under way without a wish', async () => {
    const dillId = await packet({ cropId: 'dill', variety: 'Net Loft', seedCount: 400 });
    const wishId = uuid();
    await say(wish({ cropId: 'dill', packetId: dillId, plants: 20, start: '2026-04-20' }), wishId);
    const act = uuid();
    const many = await post<Season>(`season/wishes/${wishId}/successions`, { id: act, year: 2026, everyDays: 14, times: 3 });
    expect(many.lots.map(({ words }) => words.start)).toEqual(['2026-04-20', ...many.lots.slice(1).map(({ start }) => isoOf(start))]);
    const ripe = many.lots.map(({ wishId: id }) => stage(many, id, 'ripe')?.at50 ?? 0);
    expect(ripe.slice(1).every((day, nth) => Math.abs(day - (ripe[nth] ?? 0) - 14) < 2)).toBeTrue();
    expect(many.unwished.map(({ batchId }) => batchId)).toEqual([home.batchId]);
    // A shelf with room for two dozen cells.
    const litId = uuid();
    await post('spots', { id: litId, name: 'Lit shelf', kind: 'room' });
    const lamp = { kind: 'white', micromol: 190, gapCm: 28, watts: 36, hours: null };
    const light = { daylit: 'dark', facing: 'noon', glazing: 'two', metresIn: 0, opposite: false, lamp };
    await post(`spots/${litId}/light`, { light, at: null });
    const room = uuid();
    const full = await post<Season>('season/rooms', { id: room, spotId: litId, cells: 30 });
    const lit = full.rooms.find(({ id }) => id === litId);
    expect([lit?.holds, lit?.overflows.length !== 0, full.lead.includes('Lit shelf is full from')]).toEqual([30, true, true]);
    expect(lit?.overflows[0]?.text).toMatch(/^Lit shelf then: Dill, Net Loft \d+ cells/);
    const fit = planThatFits(await get<SeasonFit>('season/fit'));
    expect(fit.changes.length).toBeGreaterThan(0);
    expect((await post<Season>('season/undos', { recordId: room })).rooms.find(({ id }) => id === litId)?.holds).toBeNull();
    await post('season/acts/undos', { actId: act });
    expect((await get<Season>('season')).lots.length).toBe(1);
  });

  it('counts frost by a station’s nights, and refuses a record that cannot be of this place', async () => {
    const rows = readFileSync(new URL('../../../reference/frost/station.csv', import.meta.url), 'utf8')
      .trim()
      .split('\n')
      .slice(1);
    const celsius = rows.map((row) => (row.endsWith(',') ? null : Number(row.split(',')[1])));
    const recordId = uuid();
    await post('season/frost/records', { id: recordId, name: 'Harbour mast', first: '1999-01-01', celsius });
    const word = uuid();
    const season = await post<Season>('season/frost', { ...FROST, id: word, recordId, shelterK: 2 });
    expect([season.frost.source, season.frost.record?.name, season.frost.spring?.years]).toEqual(['record', 'Harbour mast', 24]);
    // Tuck in counts by the same last frost; taken back, by the one before.
    const house = async (): Promise<string | undefined> => (await get<About>('about')).household?.frost?.monthDay;
    expect(await house()).toMatch(/^03-/);
    expect(season.text).toMatch(/^By 24 springs at the station, the last frost falls about \d+ March/);
    const refused = async (more: object): Promise<string> =>
      (await post('season/frost/records', { name: 'Far away', first: '1999-01-01', celsius, ...more }, 422)).detail;
    expect(await refused({ first: '1999-07-02' })).toContain('its summer is in January, and your last frost is in the northern spring');
    expect(await refused({ celsius: celsius.slice(0, 900) })).toContain(
      'celsius must hold 5 springs and autumns with hardly a day missing: there are 2',
    );
    expect(await refused({ celsius: celsius.map(() => 21) })).toContain('these months are all alike');
    await post('season/undos', { recordId: word });
    expect([(await get<Season>('season')).frost.source, await house()]).toEqual(['said', '05-10']);
    // A record that is taken back counts no more, whatever names it.
    await post('season/frost', { ...FROST, recordId });
    await post('season/undos', { recordId });
    expect((await get<Season>('season')).frost.source).toBe('said');
    await post('season/frost', { ...FROST, recordId }, 422);
  });

  it('carries what stands under a full lamp to a porch that holds it, as one act that is undone in one', async () => {
    const lamp = { kind: 'white', micromol: 190, gapCm: 28, watts: 36, hours: null };
    const light = { daylit: 'dark', facing: 'noon', glazing: 'two', metresIn: 0, opposite: false, lamp };
    const [litId, porchId] = [uuid(), uuid()];
    await post('spots', { id: litId, name: 'Lit shelf', kind: 'room' });
    await post(`spots/${litId}/light`, { light, at: null });
    await post('spots', { id: porchId, name: 'Porch', kind: 'cool_room' });
    /** Young plants of a crop under the lamp. */
    const raised = async (cropId: string, stage: string | null): Promise<string> => {
      const body = batchBody(await packet({ cropId, variety: 'Any', seedCount: 60 }), home.spotId, { seeds: 10 });
      await post('batches', body);
      await post(`batches/${body.id}/looks`, lookBody(10));
      const before = new Set(home.services.stands.nursed());
      await post(`batches/${body.id}/moves`, moveBody({ uncounted: 10, destination: 'cell' }));
      const numbers = home.services.stands.nursed().filter((number) => !before.has(number));
      if (stage) await post('nursery/acts', { numbers, said: { kind: 'stage', stage }, at: null });
      await post('nursery/care', { trayIds: [body.id], done: { kind: 'place', spotId: litId }, at: null });
      return body.id;
    };
    const kale = await raised('kale', 'true_leaves');
    await raised('leek', 'seed_leaves');
    await raised('celeriac', 'true_leaves');
    await raised('tomatillo', 'true_leaves');
    const fitted = async () => planThatFits(await get<SeasonFit>('season/fit'));
    const roomFor = (spotId: string, cells: number) => post<Season>('season/rooms', { spotId, cells });
    const full = await roomFor(litId, 34);
    expect(full.rooms.find(({ id }) => id === litId)?.overflows.length).toBeGreaterThan(0);
    // A porch of which nobody said the room is offered to be said, and nothing is carried there.
    expect(full.rooms.find(({ id }) => id === porchId)).toEqual(jasmine.objectContaining({ holds: null, lots: [], spotId: porchId }));
    expect((await fitted()).carries).toEqual([]);
    await roomFor(porchId, 40);
    const { carries, changes } = await fitted();
    // Kale alone: leeks are fresh, celeriac would run to flower, tomatillo bears no cold.
    expect([carries.map(({ trayIds, plants, place }) => [trayIds, plants, place.name]), changes]).toEqual([[[[kale], 10, 'Porch']], []]);
    const act = uuid();
    const carried = carries.flatMap(({ trayIds, place }) => trayIds.map((trayId) => ({ trayId, spotId: place.id })));
    const after = await post<Season>('season/acts', { id: act, year: 2026, wishes: [], carries: carried });
    const there = ({ rooms }: Season, id: string) => rooms.find((one) => one.id === id)?.lots.map(({ title }) => title) ?? [];
    expect([there(after, porchId), there(after, litId).includes('Kale, Any')]).toEqual([['Kale, Any'], false]);
    const { places } = await get<Nursery>('nursery');
    expect(places.find(({ spotId }) => spotId === porchId)?.trays.map(({ id }) => id)).toEqual([kale]);
    expect(there(await post<Season>('season/acts/undos', { actId: act }), porchId)).toEqual([]);
    // Potted on they stand apart, and are carried by themselves.
    const numbers =
      (await get<Nursery>('nursery')).places
        .flatMap(({ trays }) => trays)
        .find(({ id }) => id === kale)
        ?.plants.map(({ number }) => number) ?? [];
    await post('nursery/acts', {
      numbers: numbers.slice(0, 6),
      said: { kind: 'potted', destination: 'cup', millilitres: 300, last: false },
      at: null,
    });
    const parts = (await get<SeasonFit>('season/fit')).standing.filter(({ carry }) => carry?.title === 'Kale, Any');
    expect(parts.map(({ carry }) => carry?.plants).sort()).toEqual([4, 6]);
    const refused = (more: object) => post<{ detail: string }>('season/acts', { year: 2026, wishes: [], ...more }, 422);
    expect((await refused({})).detail).toContain('wishes must name at least one');
    expect((await refused({ carries: [{ trayId: uuid(), spotId: porchId }] })).detail).toContain(
      'carries.0.trayId must be trays that stand in the nursery',
    );
    expect((await refused({ carries: [{ trayId: kale, spotId: uuid() }] })).detail).toContain(
      'carries.0.spotId must be a place of the house',
    );
  });

  it('counts what should have been started from today, and bags under a lamp as bags', async () => {
    const dillId = await packet({ cropId: 'dill', variety: 'Net Loft', seedCount: 200 });
    const [late, now] = [uuid(), uuid()];
    await say(wish({ cropId: 'dill', packetId: dillId, plants: 6, start: '2026-03-20' }), late);
    const season = await say(wish({ cropId: 'dill', packetId: dillId, plants: 6, start: '2026-04-11' }), now);
    const [behind, today] = [lotOf(season, late), lotOf(season, now)];
    expect([isoOf(behind.start), isoOf(behind.countedFrom)]).toEqual(['2026-03-20', '2026-04-11']);
    expect(behind.stages).toEqual(today.stages);
    expect(season.due.find(({ wishId }) => wishId === late)?.lead).toMatch(/^Dill, Net Loft, since 20 March/);
    const chain = await get<SeasonChain>(`season/wishes/${late}`);
    expect([chain.text.startsWith('It was to be started on 20 March; started today it is '), chain.shifts.map(({ days }) => days)]).toEqual(
      [true, [0, 7, 14]],
    );
    // In August a melon would hardly ever be ripe: it is asked for no more, and takes no room.
    const melonId = await packet({ cropId: 'melon', variety: 'Dune Bell', seedCount: 30 });
    const melon = uuid();
    await say(wish({ cropId: 'melon', packetId: melonId, plants: 3 }), melon);
    home.clock.step(130 * DAY_MS);
    const august = await get<Season>('season');
    expect([lotOf(august, melon).over, august.due.some(({ wishId }) => wishId === melon)]).toEqual([true, false]);
    expect(august.rooms.flatMap(({ lots }) => lots).some(({ wishId }) => wishId === melon)).toBeFalse();
    expect((await get<SeasonChain>(`season/wishes/${melon}`)).text).toMatch(
      /^Counted back, \d+ April would have been the day; started today .* Its time was over on \d+ \w+\.$/,
    );
    // The warm place gets a lamp: the bag there is one bag and no cell.
    const lamp = { kind: 'white', micromol: 190, gapCm: 28, watts: 36, hours: null };
    await post(`spots/${home.spotId}/light`, {
      light: { daylit: 'dark', facing: 'noon', glazing: 'two', metresIn: 0, opposite: false, lamp },
      at: null,
    });
    const lit = (await get<Season>('season')).rooms.filter(({ spotId }) => spotId === home.spotId);
    expect(lit.map(({ kind }) => kind).sort()).toEqual(['lit', 'warm']);
  });

  it('refuses a wish that cannot be, in a sentence that names it', async () => {
    const bedId = uuid();
    await post('beds', { id: bedId, name: 'Court bed', widthM: 1.2, lengthM: 2, madeYear: null });
    const rackId = uuid();
    await post('racks', { id: rackId, name: 'Rack', slots: 8 });
    const cases: [object, string][] = [
      [wish({ place: 'bed', bedId, plants: 60 }), 'wishes.0.words.plants must be at most'],
      [wish({ place: 'slot', rackId, plants: 9 }), 'wishes.0.words.plants must be at most 8: Rack has no more slots'],
      [wish({ cropId: 'leek' }), 'wishes.0.words.packetId must be a packet of Leek in the box'],
      [wish({ cropId: 'dragon' }), 'must be a crop of the library'],
      [wish({ bedId }), 'bedId must be left out where it goes into no bed'],
      [wish({ plants: 0 }), 'plants must be a whole number from 1 to 400'],
      [wish({ goal: { kind: 'ripe', day: '2026-02-31' } }), 'goal.day must be a date like 2026-05-20'],
      [wish({ spotId: uuid() }), 'wishes.0.words.spotId must be a place of the house'],
    ];
    for (const [words, told] of cases)
      expect((await say(words, uuid(), 422)).detail)
        .withContext(told)
        .toContain(told);
    expect((await get<Season>('season')).lots).toEqual([]);
    await post('season/wishes/01990000-0000-7000-8000-000000000000/successions', { year: 2026, everyDays: 14, times: 3 }, 404);
  });
});

/** The body of an answer that is no text. */
function whole(response: unknown, done: (error: Error | null, body: Buffer) => void): void {
  const stream = response as NodeJS.ReadableStream;
  const parts: Buffer[] = [];
  stream.on('data', (part: Buffer) => parts.push(part));
  stream.on('end', () => done(null, Buffer.concat(parts)));
}
