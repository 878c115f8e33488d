import { v7 as uuid } from 'uuid';
import * as contract from '@fresh-tuck/contract';
import { moveBody, readingBody } from '@fresh-tuck/contract/testing';
import * as z from 'zod';
import { batchBody, household, lookBody, type Household } from './testing/household.js';

/** A household in which something of everything has happened. */
async function livedIn(): Promise<{ home: Household; testId: string; closedId: string; bedId: string; wishId: string; trialId: string }> {
  const home = await household();
  const post = async (path: string, body: object): Promise<void> => {
    const { status, text } = await home.request.post(`/api/${path}`).send(body);
    expect(status).withContext(`${path}: ${text}`).toBeLessThan(300);
  };
  await post(`spots/${home.spotId}/readings`, readingBody('2026-04-10'));
  const marks = [{ seed: 1, stage: 'root', rootMm: 6 }];
  await post(
    `batches/${home.batchId}/looks`,
    lookBody(3, { at: '2026-04-10T18:30', marks, troubles: ['fuzz'], who: 'Ana', note: 'white' }),
  );
  await post(`batches/${home.batchId}/moves`, moveBody({ seeds: [1], uncounted: 1, destination: 'slot' }));
  const holderId = home.services.holders.inUse()[0] ?? '';
  await post(`holders/${holderId}/weighings`, { id: uuid(), grams: 31, full: true });
  const test = batchBody(home.packetId, home.spotId, {
    purpose: 'test',
    seeds: 4,
    wanted: null,
    replicates: 2,
    finalDays: 7,
    startAt: '2026-04-04T18:30',
  });
  await post('batches', test);
  const none = { abnormal: 0, hard: 0, fresh: 0, dead: 1 };
  await post(
    `batches/${test.id}/looks`,
    lookBody(2, {
      seen: { tipped: 2, rotten: 2, basedOn: null },
      classes: [
        { normal: 1, ...none },
        { normal: 1, ...none },
      ],
    }),
  );
  const closed = batchBody(home.packetId, home.spotId, { seeds: 3, wanted: 2 });
  await post('batches', closed);
  await post(`batches/${closed.id}/closings`, { id: uuid(), reason: 'given_up' });
  const water = batchBody(home.packetId, home.spotId, { method: 'water', seeds: 2, towel: undefined });
  await post('batches', JSON.parse(JSON.stringify(water)) as object);
  const bedId = uuid();
  await post('beds', { id: bedId, name: 'Court bed', widthM: 1, lengthM: 2, madeYear: 2024 });
  await post('racks', { id: uuid(), name: 'Rack', slots: 8 });
  await post('rounds', { id: uuid(), batchIds: [home.batchId] });
  const wishId = uuid();
  const wish = { cropId: 'okra', packetId: home.packetId, plants: 4, place: 'outdoors', goal: { kind: 'season' } };
  const melon = { cropId: 'melon', packetId: null, plants: 2, place: 'bed', bedId, goal: { kind: 'ripe', day: '2026-09-01' } };
  const wishes = [
    { wishId, words: wish },
    { wishId: uuid(), words: melon },
  ];
  await post('season/acts', { id: uuid(), year: 2026, wishes });
  const trialId = uuid();
  const plan = { packetId: home.packetId, seeds: 4, bags: 1, care: { of: 'share', share: 0.3 }, lot: 1 };
  const side = (name: string, batchIds: string[]) => ({ name, setting: null, batchIds });
  const arms = [side('Soaked', [closed.id]), side('Dry', [home.batchId])];
  await post('trials', { id: uuid(), trialId, words: { name: 'The soak', question: 'soak', plan, read: null, arms } });
  const noteId = uuid();
  await post('notes', { id: uuid(), noteId, words: { day: '2026-04-10', text: 'Warm wind', cropId: 'okra' } });
  return { home, testId: test.id, closedId: closed.id, bedId, wishId, trialId };
}

describe('every answer', () => {
  it('is what the contract says, to the last field', async () => {
    const { home, testId, closedId, bedId, wishId, trialId } = await livedIn();
    const answers: [path: string, schema: z.ZodType][] = [
      ['about', contract.about],
      ['today', contract.today],
      ['batches', z.array(contract.batch)],
      ...[home.batchId, testId, closedId].map((id): [string, z.ZodType] => [`batches/${id}`, contract.batchWithJournal]),
      ['box', contract.box],
      ['packets', z.array(contract.packetName)],
      [`packets/${home.packetId}`, contract.packetSheet],
      [`packets/${home.packetId}/kin`, z.array(contract.kin)],
      [`packets/${home.packetId}/start`, contract.start],
      ['spots', z.array(contract.spot)],
      ['holders', z.array(contract.holder)],
      ['crops', z.array(contract.cropSummary)],
      ['crops/okra', contract.cropSheet],
      ['crops/okra/seasons', contract.pastSeasons],
      ['nursery', contract.nursery],
      ['beds', z.array(contract.bed)],
      [`beds/${bedId}?cropId=leek&plants=12`, contract.bedPage],
      [`beds/${bedId}/soil`, z.array(contract.soilReading)],
      ['racks', z.array(contract.rack)],
      ['rounds/current', contract.round],
      ['find?words=okra', z.array(contract.found)],
      ['backups', contract.copies],
      ['shelf', contract.shelfView],
      [`spots/${home.spotId}/sheet`, contract.spotSheet],
      [`holders/${home.services.holders.inUse()[0]}/elsewhere`, contract.elsewhere],
      ['season', contract.season],
      ['season?year=2025', contract.season],
      [`season/wishes/${wishId}`, contract.seasonChain],
      ['season/sources', contract.seasonSources],
      ['season/fit', contract.seasonFit],
      ['season/due', contract.seasonDue],
      ['notes', contract.notes],
      ['looking-back?by=packet', contract.lookingBack],
      ['trials', z.array(contract.trialInShort)],
      [`trials/${trialId}`, contract.trial],
      ['trials/candidates?crop=okra', contract.trialCandidates],
      ['household/away?leaving=2026-04-12T09:00&back=2026-04-16T18:00', contract.awayView],
    ];
    for (const [path, schema] of answers) {
      const { status, body } = (await home.request.get(`/api/${path}`)) as { status: number; body: unknown };
      expect(status).withContext(path).toBe(200);
      const read = schema.safeParse(body);
      expect(read.error?.issues.slice(0, 3).map(({ path: at, message }) => `${at.join('.')}: ${message}`) ?? [])
        .withContext(path)
        .toEqual([]);
    }
  });

  it('to a mistake is a problem with its field and what would be accepted', async () => {
    const { home } = await livedIn();
    const wrong: [path: string, body: object, field: string][] = [
      ['batches', batchBody(home.packetId, home.spotId, { method: 'spoon' }), 'method'],
      ['batches', batchBody(home.packetId, home.spotId, { towel: undefined }), 'towel'],
      ['batches', { ...batchBody(home.packetId, home.spotId, { method: 'pot', places: 0 }), towel: undefined }, 'places'],
      [`batches/${home.batchId}/looks`, lookBody(99), 'seen.tipped'],
      [`batches/${home.batchId}/moves`, moveBody({ uncounted: 40 }), 'uncounted'],
      ['spots', { id: uuid(), name: ' ', kind: 'room' }, 'name'],
      ['beds', { id: uuid(), name: 'Bed', widthM: 0, lengthM: 2, madeYear: null }, 'widthM'],
      ['racks', { id: uuid(), name: 'Rack', slots: 0.5 }, 'slots'],
    ];
    for (const [path, body, field] of wrong) {
      const { status, body: told } = (await home.request.post(`/api/${path}`).send(body)) as { status: number; body: unknown };
      expect(status).withContext(path).toBe(422);
      const { errors = [] } = contract.problem.parse(told);
      expect(errors.map((error) => error.field))
        .withContext(path)
        .toContain(field);
      expect(errors[0]?.message ?? '')
        .withContext(path)
        .toMatch(/must/);
    }
  });
});
