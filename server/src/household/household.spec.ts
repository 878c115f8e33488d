import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 as uuid } from 'uuid';
import type { About, Spot } from '@fresh-tuck/contract';
import { settingsFrom } from '../settings.js';
import { household, householdBody } from '../testing/household.js';

describe('the household', () => {
  it('keeps looking times in order and once each, and is asked for before anything else', async () => {
    const home = await household();
    const body = householdBody({ lookingTimes: ['18:30', '07:00', '18:30'], units: 'us', version: 0 });
    const about = (await home.request.put('/api/household').send(body).expect(200)).body as About;
    expect(about.household?.lookingTimes).toEqual(['07:00', '18:30']);
    expect(about.nowMs).toBe(home.clock.now());
    home.db.prepare('DELETE FROM household').run();
    const refused = await home.request.get('/api/today').expect(409);
    expect((refused.body as { detail: string }).detail).toContain('first run');
  });

  it('lets spots be walked in another order, and refuses an order that forgets one', async () => {
    const home = await household();
    const second = uuid();
    await home.request.post('/api/spots').send({ id: second, name: 'Fridge top', kind: 'fridge_top' }).expect(201);
    await home.request
      .put('/api/spots/order')
      .send({ id: uuid(), spotIds: [second] })
      .expect(422);
    const spots = (
      await home.request
        .put('/api/spots/order')
        .send({ id: uuid(), spotIds: [second, home.spotId] })
        .expect(200)
    ).body as Spot[];
    expect(spots.map(({ name }) => name)).toEqual(['Fridge top', 'Hall cupboard']);
  });

  it('tells a spot by its thermometer, the later reading of a day over the earlier, and by its kind when that is old', async () => {
    const home = await household();
    const read = (day: string, minC: number, maxC: number) =>
      home.request.post(`/api/spots/${home.spotId}/readings`).send({ id: uuid(), day, minC, maxC }).expect(201);
    await read('2026-04-10', 10, 12);
    const [spot] = (await read('2026-04-10', 26, 27)).body as Spot[];
    expect(spot?.inWords).toBe('26.5 °C, steady');
    home.clock.step(8 * 86_400_000);
    const told = async () => ((await home.request.get('/api/spots')).body as Spot[])[0]?.inWords;
    expect(await told()).toMatch(/^about 25\.\d °C, by what was read 8 days ago$/);
    home.clock.step(60 * 86_400_000);
    expect(await told()).toBe('about 22.5 °C, a guess');
  });

  it('gives its database away whole', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'fresh-tuck-spec-'));
    const home = await household(join(folder, 'household.sqlite'));
    const response = await home.request
      .get('/api/backup')
      .buffer(true)
      .parse((stream, done) => {
        const parts: Buffer[] = [];
        stream.on('data', (part: Buffer) => parts.push(part));
        stream.on('end', () => done(null, Buffer.concat(parts)));
      });
    expect(response.headers['content-disposition']).toContain('fresh-tuck-2026-04-11.sqlite');
    expect((response.body as Buffer).subarray(0, 15).toString()).toBe('SQLite format 3');
    await home.services.close();
    rmSync(folder, { recursive: true, force: true });
  });
});

describe('the settings', () => {
  it('stand on this machine alone unless told otherwise', () => {
    const { port, host, dataFolder } = settingsFrom({ XDG_DATA_HOME: '/data' });
    expect([port, host]).toEqual([4310, '127.0.0.1']);
    if (process.platform === 'linux') expect(dataFolder).toBe('/data/fresh-tuck');
    expect(settingsFrom({ FRESH_TUCK_NOW: '2026-04-11T07:10:00+02:00', FRESH_TUCK_NOW_FROZEN: '1' }).clock.now()).toBe(
      Date.parse('2026-04-11T05:10:00Z'),
    );
  });

  it('say which variable is wrong and what it accepts', () => {
    expect(() => settingsFrom({ PORT: 'eighty' })).toThrowError(/PORT must be a whole number/);
    expect(() => settingsFrom({ FRESH_TUCK_NOW: 'yesterday' })).toThrowError(/FRESH_TUCK_NOW must be an ISO time/);
  });
});
