import { Router } from 'express';
import { clockRequest, householdRequest, waysRequest, type About } from '@fresh-tuck/contract';
import { read } from '../http/problem.js';
import type { Services } from '../services.js';

export function householdRoutes({ act, clock, demo, health, household, journal, version }: Services): Router {
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
        ways: found.ways,
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
    .put('/household/ways', (request, response) => {
      const body = read(waysRequest, request.body);
      household.get();
      act('ways', body, (nowMs) => household.saveWays(body, nowMs));
      response.json(about());
    });
}
