import * as z from 'zod';
import { OCCURRENCE_KINDS } from './choices.js';
import { celsius, id, localMoment, number, text, whole } from './fields.js';

const hour = (what: string) => number(0, 24, what, 'as an hour of the day');
/** How a warm spot is set up: what lies under and over what stands there. */
export const spotSetup = z.strictObject({
  lidded: z.boolean({ error: 'setup.lidded must be true or false' }),
  cloths: whole(0, 6, 'setup.cloths'),
  mat: z
    .strictObject({
      watts: number(2, 400, 'setup.mat.watts', 'W'),
      /** Null where no thermostat switches it. */
      setC: number(5, 45, 'setup.mat.setC', '°C').nullable(),
      bandC: number(0.2, 8, 'setup.mat.bandC', '°C'),
      probe: z.enum(['fold', 'mat'], { error: 'setup.mat.probe must be fold or mat' }),
    })
    .nullable(),
  /** Hours of its day at which the sun reaches it. */
  sun: z
    .strictObject({ fromHour: hour('setup.sun.fromHour'), toHour: hour('setup.sun.toHour') })
    .refine(({ fromHour, toHour }) => toHour - fromHour >= 0.5, {
      error: 'setup.sun.toHour must lie half an hour or more after its beginning',
      path: ['toHour'],
    })
    .nullable(),
  /** The room around a mat; null where it is as rooms are. */
  room: z
    .strictObject({ minC: celsius('setup.room.minC'), maxC: celsius('setup.room.maxC') })
    .refine(({ minC, maxC }) => minC <= maxC, { error: 'setup.room.maxC must not lie below the lowest', path: ['maxC'] })
    .nullable(),
  /** Of a kilowatt-hour, in the household's money; null where nobody says. */
  pricePerKWh: number(0, 100, 'setup.pricePerKWh', 'in your money').nullable().default(null),
});
/** A spot set up anew, from now or from a moment that is past. */
export const setupRequest = z.strictObject({ id, at: localMoment('at').nullable().default(null), setup: spotSetup });

const span = { begins: localMoment('begins'), ends: localMoment('ends') };
const kind = z.enum(OCCURRENCE_KINDS, { error: `kind must be one of ${OCCURRENCE_KINDS.join(', ')}` });
const byC = number(0.5, 25, 'byC', '°C').nullable().default(null);
/** What came over a spot, or is known to come. */
export const occurrenceRequest = z
  .strictObject({ id, kind, ...span, byC, note: text(200, 'note').nullable().default(null) })
  .refine(({ begins, ends }) => begins < ends, { error: 'ends must lie after it begins', path: ['ends'] })
  .refine(({ kind: what, byC: by }) => (what === 'warm' || what === 'cold') === (by !== null), {
    error: 'byC must say by how many degrees a spell is warmer or colder, and nothing else',
    path: ['byC'],
  });
/** What would be if: a spot set up otherwise, or something coming over it. Nothing is kept. */
export const whatIfRequest = z.strictObject({
  setup: spotSetup.nullable().default(null),
  occurrences: z
    .array(
      z
        .strictObject({ kind, ...span, byC })
        .refine(({ begins, ends }) => begins < ends, { error: 'occurrences.ends must lie after it begins', path: ['ends'] }),
    )
    .max(4)
    .default([]),
});

/** A logger's file is announced, its hours come in parts, and it counts once it is whole. */
export const importRequest = z.strictObject({
  id,
  name: text(200, 'name'),
  lines: whole(1, 20_000_000, 'lines'),
  hours: whole(1, 200_000, 'hours'),
});
const HOUR_MS = 3_600_000;
/** Hours as they go over the wire: of the hour's beginning in hours since 1970, and its lowest and highest. */
const loggedHour = z.tuple([z.number().int().min(0).max(10_000_000), z.number().min(-40).max(85), z.number().min(-40).max(85)], {
  error: 'hours must be lists of the hour since 1970, its lowest and its highest temperature',
});
export const MOST_HOURS_A_PART = 1500;
export const importPart = z.strictObject({
  id,
  hours: z
    .array(loggedHour)
    .min(1)
    .max(MOST_HOURS_A_PART, { error: `hours must be at most ${MOST_HOURS_A_PART} at once` })
    .refine((hours) => hours.every(([, minC, maxC]) => minC <= maxC), { error: 'hours must have their lowest first' })
    .transform((hours) => hours.map(([at, minC, maxC]) => ({ fromMs: at * HOUR_MS, toMs: (at + 1) * HOUR_MS, minC, maxC }))),
});
export const importEnd = z.strictObject({ id });

/** A thermometer that is let in by a token of its own. */
export const probeRequest = z.strictObject({ id, name: text(60, 'name') });
export const probeWithdrawal = z.strictObject({ id });
/** What a thermometer sends. */
export const MOST_SAMPLES = 500;
export const samplesRequest = z.strictObject({
  unit: z.enum(['C', 'F'], { error: 'unit must be C or F' }),
  readings: z
    .array(
      z.strictObject({
        at: z.iso.datetime({ offset: true, error: 'readings.at must be a time with its zone, like 2026-04-11T07:10:00+02:00 or …Z' }),
        value: z.number({ error: 'readings.value must be a number' }),
      }),
      { error: 'readings must be a list of times with their values' },
    )
    .min(1, { error: 'readings must hold at least one reading' })
    .max(MOST_SAMPLES, { error: `readings must hold at most ${MOST_SAMPLES} at once` }),
});

const away = { leaving: localMoment('leaving'), back: localMoment('back') };
const inOrder = ({ leaving, back }: { readonly leaving: string; readonly back: string }): boolean => leaving < back;
const outOfOrder = { error: 'back must lie after the day of leaving', path: ['back'] };
/** Nobody is at home. */
export const absenceRequest = z.strictObject({ id, ...away }).refine(inOrder, outOfOrder);
export const absenceQuestion = z.strictObject(away).refine(inOrder, outOfOrder);

/** An address at which a calendar reads what is to be done. */
export const feedRequest = z.strictObject({ id, name: text(60, 'name') });
export const feedWithdrawal = z.strictObject({ id });

export type SpotSetup = z.infer<typeof spotSetup>;
export type SetupRequest = z.infer<typeof setupRequest>;
export type OccurrenceRequest = z.infer<typeof occurrenceRequest>;
export type WhatIfRequest = z.infer<typeof whatIfRequest>;
export type ImportRequest = z.infer<typeof importRequest>;
export type ImportPart = z.input<typeof importPart>;
export type SamplesRequest = z.infer<typeof samplesRequest>;
export type AbsenceRequest = z.infer<typeof absenceRequest>;
