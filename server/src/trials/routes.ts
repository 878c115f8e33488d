import { Router } from 'express';
import { trialQuery, trialRequest, trialUndoRequest } from '@fresh-tuck/contract';
import { json, jsonOfSaved } from '../http/json.js';
import { Problem, read } from '../http/problem.js';
import type { Services } from '../services.js';
import { checkTrial } from './checks.js';

/** Trials: said, changed, taken back; read with all that their sides went through. */
export function trialRoutes({ act, ask, batches, clock, household, journal, packets, takenBack, trials }: Services): Router {
  return Router()
    .get('/trials', async (_request, response) => {
      household.get();
      json(response, await ask('trials', clock.now()));
    })
    .get('/trials/candidates', async (request, response) => {
      const { crop } = read(trialQuery, request.query);
      household.get();
      json(response, await ask('trialCandidates', clock.now(), crop));
    })
    .get('/trials/:trialId', async (request, response) => {
      household.get();
      json(response, await ask('trial', clock.now(), request.params.trialId));
    })
    .post('/trials', async (request, response) => {
      const body = read(trialRequest, request.body);
      household.get();
      act('trial', body, (nowMs) => {
        if (body.words) checkTrial(body.words, { batches, journal, packets });
        trials.say(body.id, body.trialId, body.words, nowMs);
      });
      await jsonOfSaved(response.status(201), body.id, body.words ? ask('trial', clock.now(), body.trialId) : ask('trials', clock.now()));
    })
    .post('/trials/undos', async (request, response) => {
      const body = read(trialUndoRequest, request.body);
      act('trial-undo', body, (nowMs) => {
        const said = trials.last(body.trialId);
        if (!said) throw Problem.unknown('trial');
        takenBack.add({ id: said.id, kind: 'trial', fromMs: said.atMs, toMs: said.atMs }, nowMs);
      });
      await jsonOfSaved(response.status(201), body.id, ask('trials', clock.now()));
    });
}
