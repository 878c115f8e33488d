import { Router } from 'express';
import { DateTime } from 'luxon';
import { closureRequest, placeRequest, readingRequest, weighingRequest } from '@fresh-tuck/contract';
import { Problem, read } from '../http/problem.js';
import type { Services } from '../services.js';

export function holderRoutes({ act, holders, household, spots }: Services): Router {
  return Router()
    .get('/holders', (_request, response) => {
      response.json(holders.inUse().map((id) => holders.holder(id)));
    })
    .post('/holders/:holderId/place', (request, response) => {
      const body = read(placeRequest, request.body);
      act(`place ${request.params.holderId}`, body, (nowMs) => {
        spots.get(body.spotId);
        holders.move(request.params.holderId, body.spotId, nowMs);
      });
      response.json(holders.holder(request.params.holderId));
    })
    .post('/holders/:holderId/closure', (request, response) => {
      const { holderId } = request.params;
      const body = read(closureRequest, request.body);
      act(`closure ${holderId}`, body, (nowMs) => holders.close(holderId, body.closure, nowMs));
      response.json(holders.holder(holderId));
    })
    .post('/holders/:holderId/probe', (request, response) => {
      const { holderId } = request.params;
      const body = read(readingRequest, request.body);
      const { zone } = household.get();
      act(`probe ${holderId}`, body, (nowMs) => {
        const day = DateTime.fromISO(body.day, { zone }).startOf('day');
        if (day.toMillis() > nowMs) throw Problem.field('day', 'day must not lie in the future');
        const { id, minC, maxC } = body;
        holders.addProbe(holderId, { id, minC, maxC, fromMs: day.toMillis(), toMs: day.plus({ days: 1 }).toMillis() }, nowMs);
      });
      response.status(201).json(holders.holder(holderId));
    })
    .post('/holders/:holderId/weighings', (request, response) => {
      const { holderId } = request.params;
      const body = read(weighingRequest, request.body);
      act(`weighing ${holderId}`, body, (nowMs) => holders.weigh(holderId, body, nowMs));
      response.status(201).json(holders.holder(holderId));
    });
}
