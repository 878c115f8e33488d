import { Router } from 'express';
import { endSittingRequest, sittingChange, sittingDay, sittingRequest, skipRequest } from '@fresh-tuck/contract';
import { momentFrom } from '../clock.js';
import { read } from '../http/problem.js';
import type { Services } from '../services.js';

export function sittingRoutes({ act, clock, household, sittings }: Services): Router {
  /** A sitting is planned ahead: its hour only has to be one that exists. */
  const checkAt = (at: string | null): void => {
    if (at !== null) momentFrom(at, household.get().zone, clock.now(), 'at', Infinity);
  };
  return Router()
    .get('/sittings', (_request, response) => {
      response.json(sittings.names());
    })
    .get('/sittings/:sittingId', (request, response) => {
      response.json(sittings.whole(request.params.sittingId));
    })
    .post('/sittings', (request, response) => {
      const body = read(sittingRequest, request.body);
      household.get();
      checkAt(body.at);
      act('sitting', body, (nowMs) => sittings.add(body, nowMs));
      response.status(201).json(sittings.whole(body.id));
    })
    .put('/sittings/:sittingId', (request, response) => {
      const { sittingId } = request.params;
      const body = read(sittingChange, request.body);
      checkAt(body.at);
      act(`sitting ${sittingId}`, body, (nowMs) => sittings.change(sittingId, body, nowMs));
      response.json(sittings.whole(sittingId));
    })
    .put('/sittings/:sittingId/day', (request, response) => {
      const { sittingId } = request.params;
      const body = read(sittingDay, request.body);
      checkAt(body.at);
      act(`sitting-day ${sittingId}`, body, () => sittings.begin(sittingId, body.at));
      response.json(sittings.whole(sittingId));
    })
    .post('/sittings/:sittingId/lines/:lineId/skips', (request, response) => {
      const { sittingId, lineId } = request.params;
      const body = read(skipRequest, request.body);
      act(`skip ${lineId}`, body, () => sittings.skip(sittingId, lineId, body.skipped));
      response.status(201).json(sittings.whole(sittingId));
    })
    .post('/sittings/:sittingId/ends', (request, response) => {
      const { sittingId } = request.params;
      const body = read(endSittingRequest, request.body);
      act(`sitting-end ${sittingId}`, body, (nowMs) => sittings.end(sittingId, nowMs));
      response.status(201).json(sittings.whole(sittingId));
    });
}
