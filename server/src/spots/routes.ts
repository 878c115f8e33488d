import { Router } from 'express';
import { readingRequest, spotOrder, spotRequest } from '@fresh-tuck/contract';
import { read } from '../http/problem.js';
import type { Services } from '../services.js';

export function spotRoutes({ act, clock, household, spots }: Services): Router {
  const list = () => {
    const { zone, units } = household.get();
    return spots.list(zone, units, clock.now());
  };
  return Router()
    .get('/spots', (_request, response) => {
      response.json(list());
    })
    .post('/spots', (request, response) => {
      const body = read(spotRequest, request.body);
      household.get();
      act('spot', body, (nowMs) => spots.add(body, nowMs));
      response.status(201).json(list());
    })
    .put('/spots/order', (request, response) => {
      const body = read(spotOrder, request.body);
      act('spot-order', body, () => spots.order(body.spotIds));
      response.json(list());
    })
    .post('/spots/:spotId/readings', (request, response) => {
      const body = read(readingRequest, request.body);
      const { zone } = household.get();
      act(`reading ${request.params.spotId}`, body, (nowMs) => spots.addReading(request.params.spotId, body, zone, nowMs));
      response.status(201).json(list());
    });
}
