import { Router, type Request } from 'express';
import { nurseryQuery, seedlingRequest, undoRequest } from '@fresh-tuck/contract';
import { momentFrom } from '../clock.js';
import { json } from '../http/json.js';
import { Problem, read } from '../http/problem.js';
import type { Services } from '../services.js';

const labelOf = (request: Request): number => {
  const number = Number(request.params['number']);
  if (!Number.isInteger(number)) throw new Problem(404, 'Not found', 'There is no seedling with this label.');
  return number;
};

export function nurseryRoutes({ act, ask, clock, household, nursery }: Services): Router {
  return Router()
    .get('/nursery', async (request, response) => {
      const { group, from } = read(nurseryQuery, request.query);
      json(response, await ask('nursery', clock.now(), group === null ? null : { group, from }));
    })
    .get('/crops/:cropId/seasons', async (request, response) => {
      json(response, await ask('seasons', clock.now(), request.params.cropId));
    })
    .post('/nursery/:number/events', (request, response) => {
      const number = labelOf(request);
      const body = read(seedlingRequest, request.body);
      const { zone } = household.get();
      act(`seedling ${number}`, body, (nowMs) => nursery.add(number, body, momentFrom(body.at, zone, nowMs, 'at'), nowMs));
      response.status(201).json(nursery.get(number));
    })
    .post('/nursery/:number/undos', (request, response) => {
      const number = labelOf(request);
      const body = read(undoRequest, request.body);
      act(`seedling-undo ${number}`, body, (nowMs) => nursery.undo(number, body.id, body.entryId, nowMs));
      response.status(201).json(nursery.get(number));
    });
}
