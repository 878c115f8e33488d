import { Router } from 'express';
import { placeRequest } from '@fresh-tuck/contract';
import { read } from '../http/problem.js';
import type { Services } from '../services.js';

export function holderRoutes({ act, batches, holders, spots }: Services): Router {
  return Router()
    .get('/holders', (_request, response) => {
      const live = new Set(batches.liveIds());
      const inUse = holders.ids().filter((id) => holders.batchesIn(id).some(({ batchId }) => live.has(batchId)));
      response.json(inUse.map((id) => holders.holder(id)));
    })
    .post('/holders/:holderId/place', (request, response) => {
      const body = read(placeRequest, request.body);
      act(`place ${request.params.holderId}`, body, (nowMs) => {
        spots.get(body.spotId);
        holders.move(request.params.holderId, body.spotId, nowMs);
      });
      response.json(holders.holder(request.params.holderId));
    });
}
