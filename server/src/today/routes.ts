import { Router } from 'express';
import { shownRequest } from '@fresh-tuck/contract';
import { json } from '../http/json.js';
import { read } from '../http/problem.js';
import type { Services } from '../services.js';

export function todayRoutes({ act, ask, clock, household, said, version }: Services): Router {
  return Router()
    .get('/today', async (_request, response) => {
      json(response, await ask('today', clock.now()));
    })
    .post('/today/shown', async (request, response) => {
      const body = read(shownRequest, request.body);
      const { zone } = household.get();
      const told = await ask.value('told', clock.now());
      act('shown', body, (nowMs) => said.keep(told, nowMs, zone, version));
      response.status(201).json({ id: body.id });
    });
}
