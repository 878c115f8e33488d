import { Router } from 'express';
import { rackRequest } from '@fresh-tuck/contract';
import { json, jsonOfSaved } from '../http/json.js';
import { read } from '../http/problem.js';
import type { Services } from '../services.js';

export function rackRoutes({ act, ask, clock, household, racks }: Services): Router {
  return Router()
    .get('/racks', async (_request, response) => {
      json(response, await ask('racks', clock.now()));
    })
    .post('/racks', async (request, response) => {
      const body = read(rackRequest, request.body);
      household.get();
      act('rack', body, (nowMs) => racks.add(body, nowMs));
      await jsonOfSaved(response.status(201), body.id, ask('racks', clock.now()));
    });
}
