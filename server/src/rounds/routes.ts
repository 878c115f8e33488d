import { Router } from 'express';
import { paperRoundRequest, roundRequest } from '@fresh-tuck/contract';
import { read } from '../http/problem.js';
import type { Services } from '../services.js';
import { paperRound } from './paper.js';

export function roundRoutes(services: Services): Router {
  const { act, batches, clock, rounds } = services;
  const enter = paperRound(services);
  const current = () => rounds.current(clock.now(), new Set(batches.liveIds()));
  return Router()
    .get('/rounds/current', (_request, response) => {
      response.json(current());
    })
    .post('/rounds/paper', (request, response) => {
      const body = read(paperRoundRequest, request.body);
      act('paper-round', body, (nowMs) => enter(body, nowMs));
      response.status(201).json({ id: body.id, looks: body.looks.length });
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
