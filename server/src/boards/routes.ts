import { Router } from 'express';
import { json } from '../http/json.js';
import type { Services } from '../services.js';

export function shelfRoutes({ ask, clock, holders, household }: Services): Router {
  return Router()
    .get('/shelf', async (_request, response) => {
      household.get();
      json(response, await ask('shelf', clock.now()));
    })
    .get('/holders/:holderId/elsewhere', async (request, response) => {
      holders.get(request.params.holderId);
      json(response, await ask('elsewhere', clock.now(), request.params.holderId));
    });
}
