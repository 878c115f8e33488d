import { DateTime } from 'luxon';
import { Router } from 'express';
import { packetRequest } from '@fresh-tuck/contract';
import { Problem, read } from '../http/problem.js';
import type { Services } from '../services.js';

export function packetRoutes({ act, clock, household, packets }: Services): Router {
  return Router()
    .get('/packets', (_request, response) => {
      response.json(packets.list());
    })
    .post('/packets', (request, response) => {
      const body = read(packetRequest, request.body);
      const thisYear = DateTime.fromMillis(clock.now(), { zone: household.get().zone }).year;
      // Seed packed for next season is sold in autumn.
      if (body.year !== null && body.year > thisYear + 1) throw Problem.field('year', `year must not lie after ${thisYear + 1}`);
      act('packet', body, (nowMs) => packets.add(body, nowMs));
      response.status(201).json(packets.packet(body.id));
    });
}
