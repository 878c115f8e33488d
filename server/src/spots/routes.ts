import { Router } from 'express';
import { readingRequest, spotChange, spotOrder, spotRequest } from '@fresh-tuck/contract';
import { read } from '../http/problem.js';
import { addShelfRoutes } from '../shelf/routes.js';
import type { Services } from '../services.js';
import { addWarmthRoutes } from './warmth-routes.js';

/** Readings of a spot that are shown at once. */
const MOST_READINGS = 60;

export function spotRoutes(services: Services): Router {
  const { act, clock, household, spots } = services;
  const list = () => {
    const { zone, units } = household.get();
    return spots.list(zone, units, clock.now());
  };
  const router = Router()
    .get('/spots', (_request, response) => {
      response.json(list());
    })
    .get('/spots/away', (_request, response) => {
      const { zone, units } = household.get();
      response.json(spots.away(zone, units, clock.now()));
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
    .put('/spots/:spotId', (request, response) => {
      const { spotId } = request.params;
      const body = read(spotChange, request.body);
      act(`spot ${spotId}`, body, () => spots.change(spotId, body));
      response.json(list());
    })
    .get('/spots/:spotId/readings', (request, response) => {
      response.json(spots.readings(request.params.spotId, household.get().zone, MOST_READINGS));
    })
    .post('/spots/:spotId/readings', (request, response) => {
      const body = read(readingRequest, request.body);
      const { zone } = household.get();
      act(`reading ${request.params.spotId}`, body, (nowMs) => spots.addReading(request.params.spotId, body, zone, nowMs));
      response.status(201).json(list());
    });
  return addShelfRoutes(addWarmthRoutes(router, services), {
    act,
    path: 'spots',
    shelf: spots,
    answer: (response) => void response.json(list()),
  });
}
