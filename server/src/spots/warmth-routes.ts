import type { Router } from 'express';
import {
  importEnd,
  importPart,
  importRequest,
  occurrenceRequest,
  probeRequest,
  probeWithdrawal,
  setupRequest,
  takeBackRequest,
  whatIfRequest,
} from '@fresh-tuck/contract';
import { momentFrom } from '../clock.js';
import { json } from '../http/json.js';
import { Problem, read } from '../http/problem.js';
import type { Services } from '../services.js';

/** As far ahead as something is known to come over a place, ms. */
const AHEAD_MS = 60 * 86_400_000;

/** What a warm spot's own page asks and says: setting, events, loggers' files, thermometers that send. */
export function addWarmthRoutes(router: Router, services: Services): Router {
  const { act, ask, clock, files, household, probes, setups, spots, takenBack } = services;
  const zone = (): string => household.get().zone;
  const sheet = async (response: Parameters<typeof json>[0], spotId: string): Promise<void> =>
    json(response, await ask('spot', clock.now(), spotId));
  const moment = (local: string, field: string, nowMs: number): number => momentFrom(local, zone(), nowMs, field, nowMs + AHEAD_MS);

  /** A record of a spot that may be taken back, by what it is. */
  function recordOf(spotId: string, id: string) {
    try {
      return setups.spanOf(spotId, id);
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
    }
    try {
      return { kind: 'import' as const, ...spanOf(files.spanOf(spotId, id)) };
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
    }
    return { kind: 'reading' as const, ...spots.readingSpan(spotId, id) };
  }
  const spanOf = ({ fromMs, toMs }: { readonly fromMs: number; readonly toMs: number }) => ({ fromMs, toMs });

  return router
    .get('/spots/:spotId/sheet', async (request, response) => {
      await sheet(response, request.params.spotId);
    })
    .post('/spots/:spotId/what-if', async (request, response) => {
      const body = read(whatIfRequest, request.body);
      spots.get(request.params.spotId);
      json(response, await ask('whatIf', clock.now(), request.params.spotId, body));
    })
    .post('/spots/:spotId/setup', async (request, response) => {
      const { spotId } = request.params;
      const body = read(setupRequest, request.body);
      act(`setup ${spotId}`, body, (nowMs) => {
        spots.get(spotId);
        setups.set(body.id, spotId, body.setup, momentFrom(body.at, zone(), nowMs, 'at'), nowMs);
      });
      response.status(201);
      await sheet(response, spotId);
    })
    .post('/spots/:spotId/events', async (request, response) => {
      const { spotId } = request.params;
      const body = read(occurrenceRequest, request.body);
      act(`event ${spotId}`, body, (nowMs) => {
        spots.get(spotId);
        const { id, kind, note, byC } = body;
        const span = { fromMs: moment(body.begins, 'begins', nowMs), toMs: moment(body.ends, 'ends', nowMs) };
        setups.note(spotId, { id, note, ...span, ...(kind === 'warm' || kind === 'cold' ? { kind, byC: byC ?? 0 } : { kind }) }, nowMs);
      });
      response.status(201);
      await sheet(response, spotId);
    })
    .post('/spots/:spotId/undos', (request, response) => {
      const { spotId } = request.params;
      const body = read(takeBackRequest, request.body);
      act(`spot-undo ${spotId}`, body, (nowMs) => {
        const { kind, fromMs, toMs } = recordOf(spotId, body.recordId);
        takenBack.add({ id: body.recordId, kind, fromMs, toMs }, nowMs);
      });
      const { units } = household.get();
      response.status(201).json(spots.list(zone(), units, clock.now()));
    })
    .post('/spots/:spotId/imports', (request, response) => {
      const { spotId } = request.params;
      const body = read(importRequest, request.body);
      household.get();
      act(`import ${spotId}`, body, (nowMs) => {
        spots.get(spotId);
        files.begin(spotId, body, nowMs);
      });
      response.status(201).json({ id: body.id });
    })
    .post('/spots/:spotId/imports/:importId/parts', (request, response) => {
      const { spotId, importId } = request.params;
      const body = read(importPart, request.body);
      const latest = clock.now() + 3_600_000;
      if (body.hours.some(({ fromMs }) => fromMs > latest))
        throw Problem.field('hours', 'hours must not lie in the future: the logger’s clock or the year is wrong');
      const known = act(`part ${importId}`, body, (nowMs) => files.part(spotId, importId, body.id, body.hours, nowMs));
      response.status(201).json({ known });
    })
    .post('/spots/:spotId/imports/:importId/end', async (request, response) => {
      const { spotId, importId } = request.params;
      const body = read(importEnd, request.body);
      act(`import-end ${importId}`, body, (nowMs) => files.finish(spotId, importId, nowMs));
      response.status(201);
      await sheet(response, spotId);
    })
    .post('/spots/:spotId/probes', (request, response) => {
      const { spotId } = request.params;
      const body = read(probeRequest, request.body);
      household.get();
      // The token is told once and kept nowhere, also not with the request: repeated, it cannot be told again.
      let token: string | null = null;
      act(`probe ${spotId}`, body, (nowMs) => {
        spots.get(spotId);
        token = probes.add(body.id, spotId, body.name, nowMs);
      });
      if (token === null)
        throw new Problem(409, 'Told already', 'The token of this thermometer was told when it was made. Withdraw it and make another.');
      response.status(201).json({ id: body.id, token });
    })
    .post('/spots/:spotId/probes/:probeId/withdrawals', async (request, response) => {
      const { spotId, probeId } = request.params;
      const body = read(probeWithdrawal, request.body);
      act(`probe-withdrawal ${probeId}`, body, (nowMs) => probes.withdraw(spotId, probeId, nowMs));
      response.status(201);
      await sheet(response, spotId);
    });
}
