import { Router } from 'express';
import { bedChange, bedQuery, bedRequest, soilImport, soilRequest, takeBackRequest } from '@fresh-tuck/contract';
import { json } from '../http/json.js';
import { read } from '../http/problem.js';
import { addShelfRoutes } from '../shelf/routes.js';
import type { Services } from '../services.js';

/** Readings of a bed's soil that are shown at once. */
const MOST_READINGS = 30;

export function bedRoutes({ act, ask, beds, clock, household, takenBack }: Services): Router {
  const list = () => beds.list(clock.now());
  const router = Router()
    .get('/beds', (_request, response) => {
      response.json(list());
    })
    .get('/beds/away', (_request, response) => {
      response.json(beds.away(clock.now()));
    })
    .get('/beds/:bedId', async (request, response) => {
      const { cropId, plants } = read(bedQuery, request.query);
      json(response, await ask('bed', clock.now(), request.params.bedId, cropId === null ? null : { cropId, plants }));
    })
    .post('/beds', (request, response) => {
      const body = read(bedRequest, request.body);
      household.get();
      act('bed', body, (nowMs) => beds.add(body, nowMs));
      response.status(201).json(list());
    })
    .put('/beds/:bedId', (request, response) => {
      const { bedId } = request.params;
      const body = read(bedChange, request.body);
      act(`bed ${bedId}`, body, () => beds.change(bedId, body));
      response.json(list());
    })
    .get('/beds/:bedId/soil', (request, response) => {
      response.json(beds.soilReadings(request.params.bedId, household.get().zone, clock.now(), MOST_READINGS));
    })
    .post('/beds/:bedId/soil', (request, response) => {
      const body = read(soilRequest, request.body);
      const { zone } = household.get();
      act(`soil ${request.params.bedId}`, body, (nowMs) => beds.addSoil(request.params.bedId, body, zone, nowMs));
      response.status(201).json(list());
    })
    .post('/beds/:bedId/soil/imports', (request, response) => {
      const body = read(soilImport, request.body);
      const { zone } = household.get();
      act(`soil-import ${request.params.bedId}`, body, (nowMs) => beds.importSoil(request.params.bedId, body, zone, nowMs));
      response.status(201).json(list());
    })
    .post('/beds/:bedId/undos', (request, response) => {
      const { bedId } = request.params;
      const body = read(takeBackRequest, request.body);
      act(`soil-undo ${bedId}`, body, (nowMs) => {
        for (const { id, dayMs } of beds.soilOf(bedId, body.recordId))
          takenBack.add({ id, kind: 'soil', fromMs: dayMs, toMs: dayMs }, nowMs);
      });
      response.status(201).json(list());
    });
  return addShelfRoutes(router, { act, path: 'beds', shelf: beds, answer: (response) => void response.json(list()) });
}
