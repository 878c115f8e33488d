import { Router } from 'express';
import { bedRequest, soilRequest } from '@fresh-tuck/contract';
import { read } from '../http/problem.js';
import type { Services } from '../services.js';

export function bedRoutes({ act, beds, clock, household }: Services): Router {
  return Router()
    .get('/beds', (_request, response) => {
      response.json(beds.list(clock.now()));
    })
    .post('/beds', (request, response) => {
      const body = read(bedRequest, request.body);
      household.get();
      act('bed', body, (nowMs) => beds.add(body, nowMs));
      response.status(201).json(beds.list(clock.now()));
    })
    .post('/beds/:bedId/soil', (request, response) => {
      const body = read(soilRequest, request.body);
      const { zone } = household.get();
      act(`soil ${request.params.bedId}`, body, (nowMs) => beds.addSoil(request.params.bedId, body, zone, nowMs));
      response.status(201).json(beds.list(clock.now()));
    });
}
