import { Router } from 'express';
import {
  absenceQuestion,
  absenceRequest,
  clockRequest,
  householdRequest,
  takeBackRequest,
  nursingRequest,
  waysRequest,
  type About,
} from '@fresh-tuck/contract';
import { json } from '../http/json.js';
import { momentFrom } from '../clock.js';
import { Problem, read } from '../http/problem.js';
import type { Services } from '../services.js';

/** Longer nobody leaves seed to itself, ms: a slipped year. */
const MOST_AWAY_MS = 120 * 86_400_000;

export function householdRoutes({ absences, act, ask, clock, demo, health, household, journal, takenBack, version }: Services): Router {
  const about = (): About => {
    const found = household.find();
    return {
      nowMs: clock.now(),
      demo,
      version,
      aheadMs: household.aheadOf(clock.now()),
      trouble: health.trouble(),
      household: found && {
        name: found.name,
        zone: found.zone,
        units: found.units,
        lookingTimes: found.lookingTimes,
        millilitresPerSpray: found.millilitresPerSpray,
        version: found.version,
        frost: found.frost,
        away: [...found.away],
        ways: found.ways,
        nursing: found.nursing,
      },
    };
  };
  return Router()
    .get('/people', (_request, response) => {
      response.json(journal.people());
    })
    .get('/about', (_request, response) => {
      response.json(about());
    })
    .put('/household', (request, response) => {
      const body = read(householdRequest, request.body);
      act('household', body, (nowMs) => household.save(body, nowMs));
      response.json(about());
    })
    .post('/clock/settlements', (request, response) => {
      const body = read(clockRequest, request.body);
      household.get();
      act('clock', body, (nowMs) => household.settleClock(nowMs));
      response.status(201).json(about());
    })
    .get('/household/away', async (request, response) => {
      const { leaving, back } = read(absenceQuestion, request.query);
      household.get();
      json(response, await ask('away', clock.now(), leaving, back));
    })
    .post('/household/absences', (request, response) => {
      const body = read(absenceRequest, request.body);
      const { zone } = household.get();
      act('absence', body, (nowMs) => {
        const [fromMs, toMs] = [
          momentFrom(body.leaving, zone, nowMs, 'leaving', Infinity),
          momentFrom(body.back, zone, nowMs, 'back', Infinity),
        ];
        if (toMs <= nowMs) throw Problem.field('back', 'back must lie ahead: nothing can be planned for days that are over');
        if (toMs - fromMs > MOST_AWAY_MS) throw Problem.field('back', 'back must lie no more than 120 days after the day of leaving');
        absences.add({ id: body.id, fromMs, toMs }, nowMs);
      });
      response.status(201).json(about());
    })
    .post('/household/absences/undos', (request, response) => {
      const body = read(takeBackRequest, request.body);
      act('absence-undo', body, (nowMs) => {
        const { fromMs, toMs } = absences.spanOf(body.recordId);
        takenBack.add({ id: body.recordId, kind: 'absence', fromMs, toMs }, nowMs);
      });
      response.status(201).json(about());
    })
    .put('/household/nursing', (request, response) => {
      const body = read(nursingRequest, request.body);
      household.get();
      act('nursing', body, (nowMs) => household.saveNursing(body, nowMs));
      response.json(about());
    })
    .put('/household/ways', (request, response) => {
      const body = read(waysRequest, request.body);
      household.get();
      act('ways', body, (nowMs) => household.saveWays(body, nowMs));
      response.json(about());
    });
}
