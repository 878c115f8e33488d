import { Router } from 'express';
import { rackRequest } from '@fresh-tuck/contract';
import { read } from '../http/problem.js';
import type { Services } from '../services.js';

export function rackRoutes({ act, household, racks }: Services): Router {
  return Router()
    .get('/racks', (_request, response) => {
      response.json(racks.list());
    })
    .post('/racks', (request, response) => {
      const body = read(rackRequest, request.body);
      household.get();
      act('rack', body, (nowMs) => racks.add(body, nowMs));
      response.status(201).json(racks.list());
    });
}
