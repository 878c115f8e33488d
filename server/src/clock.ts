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

/** Two clocks, or a clock and a minute that was typed, may differ by so much, ms. */
const GRACE_MS = 60_000;

/**
 * Reads a moment on the household's clock.
 *
 * @param field named in the error; @param latestMs the last moment that is taken
 * @throws Problem where the date does not exist or lies in the future
 */
export function momentFrom(local: string | null, zone: string, nowMs: number, field: string, latestMs = nowMs): number {
  if (local === null) return nowMs;
  const moment = DateTime.fromISO(local, { zone });
  if (!moment.isValid) throw Problem.field(field, `${field} must be a date that exists, like 2026-04-11T07:10`);
  const ms = moment.toMillis();
  if (ms > latestMs + GRACE_MS) throw Problem.field(field, `${field} must not lie in the future`);
  return Math.min(ms, latestMs);
}

/**
 * When something was done that was said to be done now: a while ago, if it waited
 * in the browser. Never before its batch: a few moments are put down to the two
 * clocks, more is a clock that was set back, and is said.
 *
 * @param waited how long it waited before it could be sent, ms
 * @throws Problem where the batch was begun later than that
 */
export function nowFor(startMs: number, nowMs: number, waited: number, zone: string): number {
  const ms = nowMs - waited;
  if (ms >= startMs) return ms;
  if (ms >= startMs - GRACE_MS) return startMs;
  const told = (at: number): string => DateTime.fromMillis(at, { zone }).toFormat('d LLLL yyyy, HH:mm');
  throw Problem.field(
    'at',
    `at must not lie before the batch was tucked in (${told(startMs)}), and the clock of this machine says ${told(ms)}: set the clock, or give the true time`,
  );
}
