import { Router, type Request } from 'express';
import { samplesRequest } from '@fresh-tuck/contract';
import { celsiusFromFahrenheit } from '@fresh-tuck/core/units';
import { read } from '../http/problem.js';
import type { Services } from '../services.js';

const tokenOf = (request: Request): string | null => /^Bearer\s+(\S+)$/i.exec(request.get('Authorization') ?? '')?.[1] ?? null;

/**
 * What a thermometer speaks to, by a token of its own (`docs/thermometers.md`): it sends
 * what it read, as often and as late as it likes, and reads what its thermostat is wanted at.
 */
export function probeRoutes({ changes, clock, db, probes, setups, spots }: Services): Router {
  return Router()
    .get('/probe', (request, response) => {
      const { spotId } = probes.letIn(tokenOf(request));
      const nowMs = clock.now();
      const { kind, name } = spots.get(spotId);
      const { mat } = setups.at(spotId, kind, nowMs);
      response.json({
        spot: name,
        now: new Date(nowMs).toISOString(),
        /** What the thermostat is to be set to; null where there is none to be set. */
        wanted: mat && mat.setC !== null ? { celsius: mat.setC, bandC: mat.bandC } : null,
      });
    })
    .post('/probe/readings', (request, response) => {
      const { id, spotId } = probes.letIn(tokenOf(request));
      const { unit, readings } = read(samplesRequest, request.body);
      const samples = readings.map(({ at, value }) => ({
        atMs: Date.parse(at),
        celsius: unit === 'F' ? Math.round(celsiusFromFahrenheit(value) * 100) / 100 : value,
      }));
      const told = db.transaction(() => probes.take(id, spotId, samples, clock.now())).immediate();
      if (told.taken > 0) changes.tell();
      response.status(201).json(told);
    });
}
