import { Router } from 'express';
import type { Services } from '@fresh-tuck/server';
import { truthOf } from './truth.js';

/** What the demo can do besides: step on, look into a bag, begin again. */
export function demoRoutes(services: () => Services, step: () => void, reset: () => Promise<void>): Router {
  return Router()
    .get('/demo/parcels/:batchId', (request, response) => {
      response.json(truthOf(services(), request.params.batchId, services().clock.now()));
    })
    .post('/demo/step', (_request, response) => {
      step();
      response.json({ nowMs: services().clock.now() });
    })
    .post('/demo/reset', async (_request, response) => {
      await reset();
      response.json({ nowMs: services().clock.now() });
    });
}
