import { DateTime } from 'luxon';
import { Router } from 'express';
import { packetRequest, type Packet } from '@fresh-tuck/contract';
import { handlingFor } from '@fresh-tuck/core';
import { stockOf } from '@fresh-tuck/core/stock';
import { Problem, read } from '../http/problem.js';
import type { Services } from '../services.js';
import type { StoredPacket } from './store.js';

export function packetRoutes({ act, clock, crops, forecasts, household, nursery, packets }: Services): Router {
  const whole = (packet: StoredPacket): Packet => {
    const home = household.find();
    const nowMs = clock.now();
    const crop = crops.crop(packet.cropId);
    const prior = forecasts.priorOf(packet.id, null, 'tip', home, nowMs);
    const year = DateTime.fromMillis(nowMs, { zone: home?.zone ?? 'UTC' }).year;
    return {
      ...packet,
      prior,
      handling: handlingFor(crop, nursery.handled(packet.cropId)),
      stock: stockOf(crop, {
        share: prior.share,
        ageYears: packet.year === null ? null : Math.max(year - packet.year, 0),
        seedsLeft: packet.seedsLeft,
        tried: packet.batches.some(({ live }) => !live),
      }),
    };
  };
  return Router()
    .get('/packets', (_request, response) => {
      response.json(packets.list().map(whole));
    })
    .post('/packets', (request, response) => {
      const body = read(packetRequest, request.body);
      const thisYear = DateTime.fromMillis(clock.now(), { zone: household.get().zone }).year;
      // Seed packed for next season is sold in autumn.
      if (body.year !== null && body.year > thisYear + 1) throw Problem.field('year', `year must not lie after ${thisYear + 1}`);
      act('packet', body, (nowMs) => packets.add(body, nowMs));
      response.status(201).json(whole(packets.packet(body.id)));
    });
}
