import { Router, type Request } from 'express';
import {
  careRequest,
  lightRequest,
  nurseryActRequest,
  nurseryQuery,
  nurseryUndoRequest,
  seedlingRequest,
  stayRequest,
  takeBackRequest,
  undoRequest,
  weatherRequest,
} from '@fresh-tuck/contract';
import { momentFrom } from '../clock.js';
import { json, jsonOfSaved } from '../http/json.js';
import { Problem, read } from '../http/problem.js';
import type { Services } from '../services.js';
import { stayingOn } from './stay.js';

/** Nobody tells the weather further ahead, ms. */
const AHEAD_MS = 20 * 86_400_000;

const labelOf = (request: Request): number => {
  const number = Number(request.params['number']);
  if (!Number.isInteger(number)) throw new Problem(404, 'Not found', 'There is no seedling with this label.');
  return number;
};

export function nurseryRoutes(services: Services): Router {
  const { act, ask, care, clock, household, nursery, spots, takenBack, trays, weather } = services;
  const stay = stayingOn(services);
  const whole = () => ask('nursery', clock.now());
  /** Potted on, they stand apart from those they stood with, in the same place. */
  function apart(numbers: readonly number[], id: string, atMs: number, nowMs: number): void {
    const stood = trays.with(numbers).find(({ plants }) => plants.some(({ number }) => numbers.includes(number)));
    const spotId = stood ? care.spotOf(stood.id, atMs) : null;
    if (spotId) care.add([id], id, { kind: 'place', spotId }, atMs, nowMs);
  }
  return Router()
    .get('/nursery', async (request, response) => {
      const { group, from } = read(nurseryQuery, request.query);
      json(response, await (group === null ? whole() : ask('nurseryPage', clock.now(), { group, from })));
    })
    .get('/nursery/:number', (request, response) => {
      response.json(nursery.get(labelOf(request)));
    })
    .get('/crops/:cropId/seasons', async (request, response) => {
      json(response, await ask('seasons', clock.now(), request.params.cropId));
    })
    .post('/nursery/acts', async (request, response) => {
      const body = read(nurseryActRequest, request.body);
      const { zone } = household.get();
      act('seedlings', body, (nowMs) => {
        const atMs = momentFrom(body.at, zone, nowMs, 'at');
        if (body.said.kind === 'potted') apart(body.numbers, body.id, atMs, nowMs);
        nursery.say(body.numbers, body.id, body.said, atMs, nowMs);
      });
      await jsonOfSaved(response.status(201), body.id, whole());
    })
    .post('/nursery/stays', async (request, response) => {
      const body = read(stayRequest, request.body);
      const { zone } = household.get();
      act('stay', body, (nowMs) => stay(body, momentFrom(body.at, zone, nowMs, 'at'), nowMs));
      await jsonOfSaved(response.status(201), body.id, whole());
    })
    .post('/nursery/acts/undos', async (request, response) => {
      const body = read(nurseryUndoRequest, request.body);
      act('seedlings-undo', body, (nowMs) => nursery.undoAct(body.actId, body.id, nowMs));
      await jsonOfSaved(response.status(201), body.id, whole());
    })
    .post('/nursery/care', async (request, response) => {
      const body = read(careRequest, request.body);
      const { zone } = household.get();
      act('care', body, (nowMs) => {
        trays.checkKnown(body.trayIds);
        if (body.done.kind === 'place') spots.get(body.done.spotId);
        care.add(body.trayIds, body.id, body.done, momentFrom(body.at, zone, nowMs, 'at'), nowMs);
      });
      await jsonOfSaved(response.status(201), body.id, whole());
    })
    .post('/nursery/care/undos', async (request, response) => {
      const body = read(takeBackRequest, request.body);
      act('care-undo', body, (nowMs) => {
        const done = care.ofAct(body.recordId);
        if (done.length === 0) throw Problem.unknown('care');
        for (const { id, atMs } of done) takenBack.add({ id, kind: 'care', fromMs: atMs, toMs: atMs }, nowMs);
      });
      await jsonOfSaved(response.status(201), body.id, whole());
    })
    .post('/weather', async (request, response) => {
      const body = read(weatherRequest, request.body);
      const { zone } = household.get();
      act('weather', body, (nowMs) => {
        const latest = nowMs + AHEAD_MS;
        const moment = (local: string, field: string): number => momentFrom(local, zone, nowMs, field, latest);
        const spans = body.spans.map(({ begins, ends, ...span }) => ({
          ...{ fromMs: moment(begins, 'spans.begins'), toMs: moment(ends, 'spans.ends') },
          ...span,
        }));
        weather.add(body.id, spans, nowMs);
      });
      await jsonOfSaved(response.status(201), body.id, whole());
    })
    .post('/weather/undos', async (request, response) => {
      const body = read(takeBackRequest, request.body);
      act('weather-undo', body, (nowMs) => {
        for (const gone of weather.ofAct(body.recordId)) takenBack.add({ ...gone, kind: 'weather' }, nowMs);
      });
      await jsonOfSaved(response.status(201), body.id, whole());
    })
    .post('/spots/:spotId/light', async (request, response) => {
      const body = read(lightRequest, request.body);
      const { zone } = household.get();
      const { spotId } = request.params;
      act(`light ${spotId}`, body, (nowMs) => {
        spots.get(spotId);
        care.setLight(body.id, spotId, body.light, momentFrom(body.at, zone, nowMs, 'at'), nowMs);
      });
      await jsonOfSaved(response.status(201), body.id, whole());
    })
    .post('/nursery/:number/events', (request, response) => {
      const number = labelOf(request);
      const body = read(seedlingRequest, request.body);
      const { zone } = household.get();
      act(`seedling ${number}`, body, (nowMs) => {
        nursery.get(number);
        const atMs = momentFrom(body.at, zone, nowMs, 'at');
        if (body.said.kind === 'potted') apart([number], body.id, atMs, nowMs);
        nursery.say([number], body.id, body.said, atMs, nowMs, 'kind');
      });
      response.status(201).json(nursery.get(number));
    })
    .post('/nursery/:number/undos', (request, response) => {
      const number = labelOf(request);
      const body = read(undoRequest, request.body);
      act(`seedling-undo ${number}`, body, (nowMs) => nursery.undo(number, body.id, body.entryId, nowMs));
      response.status(201).json(nursery.get(number));
    });
}
