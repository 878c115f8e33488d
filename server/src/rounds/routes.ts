import { Router } from 'express';
import { roundRequest } from '@fresh-tuck/contract';
import { read } from '../http/problem.js';
import type { Services } from '../services.js';

export function roundRoutes({ act, batches, clock, rounds }: Services): Router {
  const current = () => rounds.current(clock.now(), new Set(batches.liveIds()));
  return Router()
    .get('/rounds/current', (_request, response) => {
      response.json(current());
    })
    .post('/rounds', (request, response) => {
      const body = read(roundRequest, request.body);
      act('round', body, (nowMs) => {
        for (const id of body.batchIds) batches.get(id);
        rounds.start(body, nowMs);
      });
      response.status(201).json(current());
    });
}
