import { Router, type Response } from 'express';
import { rackChange, rackRequest } from '@fresh-tuck/contract';
import { json, jsonOfSaved } from '../http/json.js';
import { read } from '../http/problem.js';
import { addShelfRoutes } from '../shelf/routes.js';
import type { Services } from '../services.js';

export function rackRoutes({ act, ask, clock, household, racks }: Services): Router {
  const saved = (response: Response, id: string): Promise<void> => jsonOfSaved(response, id, ask('racks', clock.now()));
  const router = Router()
    .get('/racks', async (_request, response) => {
      json(response, await ask('racks', clock.now()));
    })
    .get('/racks/away', (_request, response) => {
      response.json(racks.away());
    })
    .post('/racks', async (request, response) => {
      const body = read(rackRequest, request.body);
      household.get();
      act('rack', body, (nowMs) => racks.add(body, nowMs));
      await saved(response.status(201), body.id);
    })
    .put('/racks/:rackId', async (request, response) => {
      const { rackId } = request.params;
      const body = read(rackChange, request.body);
      act(`rack ${rackId}`, body, () => racks.change(rackId, body));
      await saved(response, rackId);
    });
  return addShelfRoutes(router, { act, path: 'racks', shelf: racks, answer: saved });
}
