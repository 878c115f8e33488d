import { Router } from 'express';
import { findQuery } from '@fresh-tuck/contract';
import { json } from '../http/json.js';
import { read } from '../http/problem.js';
import type { Services } from '../services.js';

/** What the find box reaches, by what was typed. */
export function findRoutes({ ask, clock }: Services): Router {
  return Router().get('/find', async (request, response) => {
    const { words } = read(findQuery, request.query);
    json(response, await ask('find', clock.now(), words));
  });
}
