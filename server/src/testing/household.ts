import type { Express } from 'express';
import supertest from 'supertest';
import { v7 as uuid } from 'uuid';
import { clockFrom, createApp, openDatabase, servicesOn, type Database, type Services } from '../index.js';

/** Saturday 11 April 2026, 07:10 in Copenhagen. */
export const NOW_MS = Date.parse('2026-04-11T07:10:00+02:00');

export interface Household {
  readonly app: Express;
  readonly services: Services;
  readonly db: Database;
  readonly clock: ReturnType<typeof clockFrom>;
  readonly request: ReturnType<typeof supertest>;
  readonly spotId: string;
  readonly packetId: string;
  readonly batchId: string;
}

export const householdBody = (more: object = {}) => ({
  id: uuid(),
  name: 'Test house',
  zone: 'Europe/Copenhagen',
  units: 'metric',
  lookingTimes: ['07:00', '18:30'],
  millilitresPerSpray: 0.8,
  ...more,
});

export const batchBody = (packetId: string, spotId: string, more: object = {}) => ({
  id: uuid(),
  packetId,
  seeds: 8,
  wanted: 5,
  startAt: '2026-04-08T18:30',
  chillDays: null,
  prepared: ['soak'],
  towel: { widthMm: 140, heightMm: 110, plies: 2 },
  doseMl: 7,
  holder: { newId: uuid(), kind: 'bag', closure: 'sealed_air', spotId },
  ...more,
});

/** A packet of leek, 90 seeds. */
export const packetBody = (more: object = {}) => ({
  id: uuid(),
  cropId: 'leek',
  variety: 'Quay',
  year: 2024,
  source: null,
  printedRatePercent: null,
  seedCount: 90,
  dressed: false,
  ...more,
});

export const lookBody = (more: object = {}) => ({
  id: uuid(),
  at: null,
  via: 'opened',
  seen: { tipped: 0, rotten: 0, basedOn: null },
  marks: [],
  damp: 'damp',
  rewetted: false,
  troubles: [],
  who: null,
  note: null,
  supersedes: null,
  ...more,
});

/** A household with one spot, one packet of 20 okra seeds and one running batch of 8. */
export async function household(file = ':memory:'): Promise<Household> {
  const clock = clockFrom(NOW_MS, true);
  const db = openDatabase(file);
  const services = servicesOn(db, clock, { demo: false, version: 'test' });
  const app = createApp(services, { log: () => undefined });
  const request = supertest(app);
  const spotId = uuid();
  const packetId = uuid();
  await request.put('/api/household').send(householdBody()).expect(200);
  await request.post('/api/spots').send({ id: spotId, name: 'Hall cupboard', kind: 'cupboard' }).expect(201);
  await request
    .post('/api/packets')
    .send({
      id: packetId,
      cropId: 'okra',
      variety: 'Tall Mast',
      year: 2024,
      source: null,
      printedRatePercent: 80,
      seedCount: 20,
      dressed: false,
    })
    .expect(201);
  const batch = batchBody(packetId, spotId);
  await request.post('/api/batches').send(batch).expect(201);
  return { app, services, db, clock, request, spotId, packetId, batchId: batch.id };
}

/** Everything in a database but the log of nothing: for before and after. */
export function dump(db: Database): string {
  const tables = db.prepare("SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name").all() as { name: string }[];
  return JSON.stringify(tables.map(({ name }) => [name, db.prepare(`SELECT * FROM "${name}"`).all()]));
}
