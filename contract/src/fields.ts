import * as z from 'zod';
import { fieldOf } from './refusals.js';

/**
 * Ids are made by the client (UUID v7), so that a repeated request is known as the
 * same one; in small letters, so that it is the same however it was written.
 */
export const id = z.uuid({ error: (issue) => `${fieldOf(issue)} must be a UUID made by the client` }).toLowerCase();

/** A name or note that people type: trimmed, not empty, not endless. */
export const text = (most: number, what: string) =>
  z
    .string({ error: `${what} must be text` })
    .trim()
    .min(1, { error: `${what} must not be empty` })
    .max(most, { error: `${what} must have at most ${most} characters` });

export const whole = (low: number, high: number, what: string) =>
  z
    .number({ error: `${what} must be a whole number from ${low} to ${high}` })
    .int({ error: `${what} must be a whole number from ${low} to ${high}` })
    .min(low, { error: `${what} must be a whole number from ${low} to ${high}` })
    .max(high, { error: `${what} must be a whole number from ${low} to ${high}` });

export const number = (low: number, high: number, what: string, unit: string) => {
  const error = `${what} must be a number from ${low} to ${high} ${unit}`;
  return z.number({ error }).min(low, { error }).max(high, { error });
};

/** Household temperatures: from a hard frost to the point at which seed cooks. */
export const celsius = (what: string) => number(-30, 60, what, '°C');

const LOCAL = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/;
/** A moment on the household's clock, "2026-04-11T07:10"; whether it exists is checked against the zone. */
export const localMoment = (what: string) =>
  z
    .string({ error: `${what} must be a date and time like 2026-04-11T07:10` })
    .regex(LOCAL, { error: `${what} must be a date and time like 2026-04-11T07:10` });

const CLOCK = /^([01]\d|2[0-3]):[0-5]\d$/;
export const clockTime = z
  .string({ error: 'a looking time must be a time of day like 07:00' })
  .regex(CLOCK, { error: 'a looking time must be a time of day like 07:00' });

/** Plants that anybody sets to a pot. */
export const MOST_PER_POT = 12;
export const SEED_LIMIT = 400;
