import { Router, type Response } from 'express';
import { rackChange, rackRequest, shelveRequest } from '@fresh-tuck/contract';
import { json, jsonOfSaved } from '../http/json.js';
import { read } from '../http/problem.js';
import type { Services } from '../services.js';

export function rackRoutes({ act, ask, clock, household, racks }: Services): Router {
  const saved = (response: Response, id: string): Promise<void> => jsonOfSaved(response, id, ask('racks', clock.now()));
  return Router()
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
    })
    .post('/racks/:rackId/away', async (request, response) => {
      const { rackId } = request.params;
      const body = read(shelveRequest, request.body);
      act(`rack-away ${rackId}`, body, (nowMs) => racks.putAway(rackId, nowMs));
      await saved(response, rackId);
    })
    .post('/racks/:rackId/back', async (request, response) => {
      const { rackId } = request.params;
      const body = read(shelveRequest, request.body);
      act(`rack-back ${rackId}`, body, () => racks.takeOut(rackId));
      await saved(response, rackId);
    })
    .post('/racks/:rackId/removals', async (request, response) => {
      const { rackId } = request.params;
      const body = read(shelveRequest, request.body);
      act(`rack-removal ${rackId}`, body, () => racks.remove(rackId));
      await saved(response, rackId);
    });
}
