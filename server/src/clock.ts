import { DateTime } from 'luxon';
import { Problem } from './http/problem.js';

/** The server owns the time; tests, pictures and the demo set it. */
export interface Clock {
  now(): number;
}

export const systemClock: Clock = { now: () => Date.now() };

/**
 * A clock that starts at a set moment and goes on from there, or stands still.
 *
 * @param startMs epoch ms
 */
export function clockFrom(startMs: number, frozen: boolean): Clock & { step(ms: number): void } {
  let base = startMs;
  const began = Date.now();
  return {
    now: () => (frozen ? base : base + Date.now() - began),
    step: (ms) => {
      base += ms;
    },
  };
}

/**
 * Reads a moment on the household's clock.
 *
 * @param field named in the error
 * @throws Problem where the date does not exist or lies in the future
 */
export function momentFrom(local: string | null, zone: string, nowMs: number, field: string): number {
  if (local === null) return nowMs;
  const moment = DateTime.fromISO(local, { zone });
  if (!moment.isValid) throw Problem.field(field, `${field} must be a date that exists, like 2026-04-11T07:10`);
  const ms = moment.toMillis();
  // A minute's grace: the browser rounds to the minute.
  if (ms > nowMs + 60_000) throw Problem.field(field, `${field} must not lie in the future`);
  return Math.min(ms, nowMs);
}
