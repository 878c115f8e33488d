import type { Express } from 'express';
import supertest from 'supertest';
import { v7 as uuid } from 'uuid';
import { batchBody, householdBody, packetBody, spotBody } from '@fresh-tuck/contract/testing';
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

export { batchBody, householdBody, lookBody, packetBody } from '@fresh-tuck/contract/testing';

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
  await request
    .post('/api/spots')
    .send(spotBody({ id: spotId }))
    .expect(201);
  await request
    .post('/api/packets')
    .send(packetBody({ id: packetId, cropId: 'okra', variety: 'Tall Mast', printedRatePercent: 80, seedCount: 20 }))
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

/** What a spec asks of a household's server, as a page would. */
export const asks = (home: () => Household) => ({
  get: async <T>(path: string): Promise<T> => (await home().request.get(`/api/${path}`).expect(200)).body as T,
  /** @returns what it answered, once it answered with that status */
  post: async <T = { detail: string }>(path: string, body: object, status = 201): Promise<T> =>
    (
      await home()
        .request.post(`/api/${path}`)
        .send({ id: uuid(), ...body })
        .expect(status)
    ).body as T,
});
