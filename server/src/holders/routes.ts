import { Router } from 'express';
import { DateTime } from 'luxon';
import { closureRequest, placeRequest, readingRequest, takeBackRequest, weighingRequest } from '@fresh-tuck/contract';
import { momentFrom } from '../clock.js';
import { ONWARD_MS, type Gone } from '../db/taken-back.js';
import { Problem, read } from '../http/problem.js';
import type { Services } from '../services.js';

export function holderRoutes({ act, batches, holders, household, spots, takenBack }: Services): Router {
  /** When something was done to a bag: not before the bag was there. */
  const since = (holderId: string, at: string | null, nowMs: number): number => {
    const atMs = momentFrom(at, household.get().zone, nowMs, 'at');
    holders.get(holderId);
    if (atMs < holders.sinceMs(holderId)) throw Problem.field('at', 'at must not lie before the bag was there');
    return atMs;
  };

  /** A line of a bag's journal that may be taken back: its first place came with it. */
  function lineOf(holderId: string, recordId: string): Gone {
    const { places, closures, probes, weighings } = holders.lines(holderId);
    const from = (kind: Gone['kind']) => (row: { readonly id: string; readonly from_ms: number }) => ({
      ...{ id: row.id, kind, fromMs: row.from_ms, toMs: ONWARD_MS },
    });
    const all: Gone[] = [
      ...places.filter(({ came }) => came === 0).map(from('place')),
      ...closures.map(from('closure')),
      ...weighings.map(({ id, at_ms }) => ({ id, kind: 'weighing' as const, fromMs: at_ms, toMs: at_ms })),
      ...probes.map(({ id, from_ms, to_ms }) => ({ id, kind: 'probe' as const, fromMs: from_ms, toMs: to_ms })),
      ...holders
        .batchesIn(holderId)
        .flatMap(({ batchId }) => batches.placesOf(batches.get(batchId).carrier_id).slice(1))
        .filter(({ holder_id }) => holder_id === holderId)
        .map(from('rebag')),
    ];
    const found = all.find(({ id }) => id === recordId);
    if (found) return found;
    if (places.some(({ id }) => id === recordId))
      throw Problem.field('recordId', 'recordId must not be the place that the bag came to first: correct the spot instead');
    throw Problem.unknown('record of this bag');
  }

  return Router()
    .get('/holders', (_request, response) => {
      response.json(holders.inUse().map((id) => holders.holder(id)));
    })
    .post('/holders/:holderId/place', (request, response) => {
      const { holderId } = request.params;
      const body = read(placeRequest, request.body);
      act(`place ${holderId}`, body, (nowMs) => {
        spots.get(body.spotId);
        holders.move(holderId, body.id, body.spotId, since(holderId, body.at, nowMs), nowMs);
      });
      response.json(holders.holder(holderId));
    })
    .post('/holders/:holderId/closure', (request, response) => {
      const { holderId } = request.params;
      const body = read(closureRequest, request.body);
      act(`closure ${holderId}`, body, (nowMs) => holders.close(holderId, body.id, body.closure, since(holderId, body.at, nowMs), nowMs));
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
      act(`weighing ${holderId}`, body, (nowMs) => holders.weigh(holderId, body, since(holderId, body.at, nowMs), nowMs));
      response.status(201).json(holders.holder(holderId));
    })
    .get('/holders/:holderId/probe', (request, response) => {
      const { zone } = household.get();
      holders.get(request.params.holderId);
      response.json(
        holders
          .lines(request.params.holderId)
          .probes.slice(-30)
          .reverse()
          .map(({ id, from_ms, min_c, max_c }) => ({
            ...{ id, minC: min_c, maxC: max_c },
            day: DateTime.fromMillis(from_ms, { zone }).toISODate() ?? '',
          })),
      );
    })
    .post('/holders/:holderId/undos', (request, response) => {
      const { holderId } = request.params;
      const body = read(takeBackRequest, request.body);
      act(`bag-undo ${holderId}`, body, (nowMs) => {
        const line = lineOf(holderId, body.recordId);
        const along = line.kind === 'rebag' ? alongside(holderId, line.id) : [];
        for (const id of [line.id, ...along]) takenBack.add({ ...line, id }, nowMs);
      });
      response.status(201).json(holders.holder(holderId));
    });

  /** The other towels of a test go back together. */
  function alongside(holderId: string, lineId: string): string[] {
    return holders.batchesIn(holderId).flatMap(({ batchId }) => batches.alongside(batchId, lineId));
  }
}
