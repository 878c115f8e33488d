import { v7 as uuid } from 'uuid';
import { batchBody, dump, household, householdBody, lookBody, type Household } from './testing/household.js';

type Ask = (h: Household) => { method: 'post' | 'put'; path: string; body: object };

const look =
  (more: object): Ask =>
  ({ batchId }) => ({ method: 'post', path: `/api/batches/${batchId}/looks`, body: lookBody(0, more) });
const seen = (tipped: unknown, rotten: unknown = 0) => ({ seen: { tipped, rotten, basedOn: null } });
const batch =
  (more: object): Ask =>
  ({ packetId, spotId }) => ({ method: 'post', path: '/api/batches', body: batchBody(packetId, spotId, more) });
const reading =
  (more: object): Ask =>
  ({ spotId }) => ({
    method: 'post',
    path: `/api/spots/${spotId}/readings`,
    body: { id: uuid(), day: '2026-04-10', minC: 21, maxC: 24, ...more },
  });
const packet =
  (more: object): Ask =>
  () => ({
    method: 'post',
    path: '/api/packets',
    body: {
      id: uuid(),
      cropId: 'okra',
      variety: 'X',
      year: null,
      source: null,
      printedRatePercent: null,
      seedCount: null,
      dressed: false,
      ...more,
    },
  });

/** What is wrong, what is asked, its status, the field named, and what the sentence says is accepted. */
const REFUSED: readonly [string, Ask, number, string, RegExp][] = [
  ['more tips than seeds', look(seen(9)), 422, 'seen.tipped', /at most 8/],
  ['tips and rotten seeds beyond the seeds', look(seen(5, 4)), 422, 'seen.tipped', /at most 8/],
  ['half a tip', look(seen(1.5)), 422, 'seen.tipped', /whole number/],
  ['text where a number belongs', look(seen('three')), 422, 'seen.tipped', /whole number from 0 to 400/],
  ['a look before the batch', look({ at: '2026-04-08T10:00' }), 422, 'at', /before the batch/],
  ['a look in the future', look({ at: '2026-04-11T19:00' }), 422, 'at', /future/],
  ['a date that does not exist', look({ at: '2026-02-30T07:00' }), 422, 'at', /date that exists/],
  ['a mark on a seed that is not there', look({ ...seen(1), marks: [{ seed: 9, stage: 'tip', rootMm: null }] }), 422, 'marks', /1 to 8/],
  ['a mark without totals', look({ seen: null, marks: [{ seed: 1, stage: 'tip', rootMm: null }] }), 422, 'seen', /totals/],
  [
    'a root of half a kilometre',
    look({ ...seen(1), marks: [{ seed: 1, stage: 'root', rootMm: 500_000 }] }),
    422,
    'marks.0.rootMm',
    /0 to 400 mm/,
  ],
  ['a skipped look that saw something', look({ via: 'skipped' }), 422, 'via', /skipped/],
  ['a look based on one of nowhere', look({ seen: { tipped: 0, rotten: 0, basedOn: uuid() } }), 422, 'seen.basedOn', /look of this batch/],
  ['an unknown field', look({ colour: 'blue' }), 422, 'colour', /no such field/],
  ['a look at an unknown batch', () => ({ method: 'post', path: `/api/batches/${uuid()}/looks`, body: lookBody() }), 404, '', /no batch/],
  ['a temperature of 200', reading({ maxC: 200 }), 422, 'maxC', /-30 to 60 °C/],
  ['a maximum below the minimum', reading({ maxC: 20 }), 422, 'maxC', /below minC/],
  ['a day that does not exist', reading({ day: '2026-02-30' }), 422, 'day', /date like/],
  ['a day to come', reading({ day: '2026-04-13' }), 422, 'day', /future/],
  [
    'a reading at an unknown spot',
    () => ({ method: 'post', path: `/api/spots/${uuid()}/readings`, body: { id: uuid(), day: '2026-04-10', minC: 1, maxC: 2 } }),
    404,
    '',
    /no warm spot/,
  ],
  ['more seeds than the packet has', batch({ seeds: 13 }), 422, 'seeds', /at most 12/],
  ['no seeds', batch({ seeds: 0 }), 422, 'seeds', /1 to 400/],
  ['a start in the future', batch({ startAt: '2026-05-01T07:00' }), 422, 'startAt', /future/],
  ['a batch in no bag', batch({ holder: {} }), 422, 'holder', /a bag that is there, or a new one/],
  ['a batch of no packet', batch({ packetId: uuid() }), 404, '', /no packet/],
  ['a printed rate of 150 %', packet({ printedRatePercent: 150 }), 422, 'printedRatePercent', /1 to 100 %/],
  ['a packet from the future', packet({ year: 2031 }), 422, 'year', /2027/],
  ['a crop that the library does not hold', packet({ cropId: 'moonrock' }), 422, 'cropId', /crop of the library/],
  [
    'a zone that is none',
    () => ({ method: 'put', path: '/api/household', body: householdBody({ zone: 'Moon/Crater' }) }),
    422,
    'zone',
    /IANA/,
  ],
  [
    'a looking time of 25:00',
    () => ({ method: 'put', path: '/api/household', body: householdBody({ lookingTimes: ['25:00'] }) }),
    422,
    'lookingTimes.0',
    /07:00/,
  ],
  [
    'moving a quiet seed',
    ({ batchId }) => ({
      method: 'post',
      path: `/api/batches/${batchId}/moves`,
      body: { id: uuid(), at: null, seeds: [1], uncounted: 0, destination: 'cup', who: null },
    }),
    422,
    'seeds',
    /no tip/,
  ],
  [
    'moving more than was counted',
    ({ batchId }) => ({
      method: 'post',
      path: `/api/batches/${batchId}/moves`,
      body: { id: uuid(), at: null, seeds: [], uncounted: 2, destination: 'cup', who: null },
    }),
    422,
    'uncounted',
    /at most 0/,
  ],
  [
    'an undo of nothing',
    ({ batchId }) => ({ method: 'post', path: `/api/batches/${batchId}/undos`, body: { id: uuid(), entryId: uuid() } }),
    404,
    '',
    /no entry/,
  ],
  ['an id that is none', look({ id: '7' }), 422, 'id', /UUID/],
];

describe('bad input', () => {
  let home: Household;
  beforeAll(async () => {
    home = await household();
  });

  for (const [what, ask, status, field, says] of REFUSED) {
    it(`refuses ${what} in a sentence and changes nothing`, async () => {
      const before = dump(home.db);
      const { method, path, body } = ask(home);
      const response = await home.request[method](path).send(body);
      expect(response.status).toBe(status);
      expect(response.type).toBe('application/problem+json');
      const problem = response.body as { detail: string; status: number; errors?: { field: string; message: string }[] };
      expect(problem.status).toBe(status);
      const sentence = field === '' ? problem.detail : problem.errors?.find((error) => error.field === field)?.message;
      expect(sentence).withContext(JSON.stringify(problem)).toMatch(says);
      expect(JSON.stringify(problem)).not.toMatch(/at .*\.ts|node_modules|SQLITE/);
      expect(dump(home.db)).toBe(before);
    });
  }

  it('refuses a truncated body, two megabytes of anything and an unknown address, and changes nothing', async () => {
    const before = dump(home.db);
    const path = `/api/batches/${home.batchId}/looks`;
    const cut = await home.request.post(path).set('Content-Type', 'application/json').send('{"id": "0190');
    expect([cut.status, cut.type]).toEqual([400, 'application/problem+json']);
    const big = await home.request.post(path).send({ note: 'x'.repeat(2_000_000) });
    expect([big.status, big.type]).toEqual([413, 'application/problem+json']);
    expect((big.body as { detail: string }).detail).toMatch(/100 kB/);
    const lost = await home.request.get('/api/nowhere');
    expect([lost.status, lost.type]).toEqual([404, 'application/problem+json']);
    expect(dump(home.db)).toBe(before);
  });

  it('refuses foreign hosts and foreign pages, and sends a strict policy', async () => {
    const foreign = await home.request.get('/api/about').set('Host', 'garden.example');
    expect(foreign.status).toBe(421);
    const before = dump(home.db);
    const page = await home.request
      .post('/api/spots')
      .set('Origin', 'http://elsewhere.example')
      .send({ id: uuid(), name: 'X', kind: 'room' });
    expect(page.status).toBe(403);
    expect(dump(home.db)).toBe(before);
    const own = await home.request.get('/api/about');
    expect(own.headers['content-security-policy']).toContain("default-src 'self'");
    expect(own.headers['content-security-policy']).toContain("script-src 'self';");
    expect(own.headers['x-powered-by']).toBeUndefined();
  });
});
