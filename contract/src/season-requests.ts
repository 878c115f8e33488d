import * as z from 'zod';
import { DESTINATIONS } from '@fresh-tuck/core/moving';
import { METHODS } from './choices.js';
import { celsius, id, number, SEED_LIMIT, text, whole } from './fields.js';

/** Where the plants of a wish end. */
export const WISH_PLACES = ['bed', 'outdoors', 'slot', 'indoors'] as const;
export type WishPlace = (typeof WISH_PLACES)[number];
/** Lots that one sowing after another is split into. */
export const MOST_LOTS = 12;
/** Wishes of one year. */
export const MOST_WISHES = 200;

const date = (what: string) => z.iso.date({ error: `${what} must be a date like 2026-05-20` });
const monthDay = (what: string) =>
  z
    .string({ error: `${what} must be a day of the year like 05-10` })
    .regex(/^(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])$/, { error: `${what} must be a day of the year like 05-10` });

/** What is wished of a lot: as the year gives it, or by a day. */
export const wishGoal = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({ kind: z.literal('season') }),
    z.strictObject({ kind: z.literal('plant_out'), day: date('goal.day') }),
    z.strictObject({ kind: z.literal('ripe'), day: date('goal.day') }),
  ],
  { error: 'goal.kind must be season, plant_out or ripe' },
);

/** Plants that are wished for, and all that the gardener fixed of them. */
export const wishWords = z
  .strictObject({
    cropId: text(60, 'cropId'),
    /** Null where no packet is chosen: the newest of the crop is taken, or it has to be bought. */
    packetId: id.nullable(),
    plants: whole(1, SEED_LIMIT, 'plants'),
    place: z.enum(WISH_PLACES, { error: `place must be one of ${WISH_PLACES.join(', ')}` }),
    bedId: id.nullable().default(null),
    rackId: id.nullable().default(null),
    goal: wishGoal,
    /** The day that was chosen to start; null where it is counted back. */
    start: date('start').nullable().default(null),
    /** Whether a plan must leave it alone. */
    pinned: z.boolean({ error: 'pinned must be true or false' }).default(false),
    method: z.enum(METHODS, { error: `method must be one of ${METHODS.join(', ')}` }).default('towel'),
    /** What its sprouts move into; null for what the crop is usually raised in. */
    destination: z
      .enum(DESTINATIONS, { error: `destination must be one of ${DESTINATIONS.join(', ')}` })
      .nullable()
      .default(null),
    spotId: id.nullable().default(null),
    /** Where it grows on; null for the first place with a lamp. */
    litId: id.nullable().default(null),
    /** Lots of one crop, one after another, name the same one. */
    seriesId: id.nullable().default(null),
    /** The batch that it is, where one was under way before it was wished for. */
    batchId: id.nullable().default(null),
  })
  .refine(({ place, bedId }) => bedId === null || place === 'bed', {
    error: 'bedId must be left out where it goes into no bed',
    path: ['bedId'],
  })
  .refine(({ place, rackId }) => rackId === null || place === 'slot', {
    error: 'rackId must be left out where it goes into no slot',
    path: ['rackId'],
  });

/** Trays that one act carries elsewhere. */
const MOST_CARRIES = 100;

/** Wishes said, changed or taken off the list, and trays that are carried to make room, as one act. */
export const seasonActRequest = z
  .strictObject({
    id,
    year: whole(1990, 2100, 'year'),
    wishes: z
      .array(z.strictObject({ wishId: id, words: wishWords.nullable() }), { error: 'wishes must be a list' })
      .max(MOST_WISHES, { error: `wishes must name at most ${MOST_WISHES} at once` })
      .refine((all) => new Set(all.map(({ wishId }) => wishId)).size === all.length, { error: 'wishes must name each wish once' }),
    carries: z
      .array(z.strictObject({ trayId: id, spotId: id }), { error: 'carries must be a list' })
      .max(MOST_CARRIES, { error: `carries must name at most ${MOST_CARRIES} trays at once` })
      .refine((all) => new Set(all.map(({ trayId }) => trayId)).size === all.length, { error: 'carries must name each tray once' })
      .default([]),
  })
  .refine(({ wishes, carries }) => wishes.length + carries.length > 0, { error: 'wishes must name at least one', path: ['wishes'] });
/** A wish sown again and again for an even harvest. */
export const successionRequest = z.strictObject({
  id,
  year: whole(1990, 2100, 'year'),
  everyDays: whole(2, 90, 'everyDays'),
  /** Lots in all. */
  times: whole(2, MOST_LOTS, 'times'),
});
export const seasonUndoRequest = z.strictObject({ id, actId: id });

/** Days of a station's record: more than a century. */
const MOST_NIGHTS = 60_000;
export const frostRecordRequest = z.strictObject({
  id,
  name: text(80, 'name'),
  /** The day of its first figure. */
  first: date('first'),
  /** The coldest of each day, °C; null where nobody read it. */
  celsius: z
    .array(number(-75, 55, 'celsius', '°C').nullable(), { error: 'celsius must be a list of temperatures' })
    .min(1, { error: 'celsius must hold at least one day' })
    .max(MOST_NIGHTS, { error: `celsius must hold at most ${MOST_NIGHTS} days` }),
});

const saidFrost = (what: string) => z.strictObject({ monthDay: monthDay(`${what}.monthDay`), giveDays: whole(0, 60, `${what}.giveDays`) });
/** What frost is counted by: a station's record, or days that are said. */
export const frostWordRequest = z.strictObject({
  id,
  /** Null where the days are said. */
  recordId: id.nullable(),
  spring: saidFrost('spring').nullable(),
  autumn: saidFrost('autumn').nullable(),
  /** What counts as frost, °C. */
  thresholdC: celsius('thresholdC'),
  /** The garden's nights against the station's, K: warmer in a court, colder in a hollow. */
  shelterK: number(-6, 6, 'shelterK', 'degrees'),
});
/** How much stands under a lamp or in a window; null where it is as large as one likes. */
export const roomRequest = z.strictObject({ id, spotId: id, cells: whole(1, 5000, 'cells').nullable() });
/** A word about frost, a record or room taken back. */
export const seasonTakeBackRequest = z.strictObject({ id, recordId: id });

export type WishGoal = z.infer<typeof wishGoal>;
export type WishWords = z.output<typeof wishWords>;
export type SeasonActRequest = z.input<typeof seasonActRequest>;
export type SuccessionRequest = z.infer<typeof successionRequest>;
export type SeasonUndoRequest = z.infer<typeof seasonUndoRequest>;
export type FrostRecordRequest = z.infer<typeof frostRecordRequest>;
export type FrostWordRequest = z.infer<typeof frostWordRequest>;
export type RoomRequest = z.infer<typeof roomRequest>;
export type SeasonTakeBackRequest = z.infer<typeof seasonTakeBackRequest>;
