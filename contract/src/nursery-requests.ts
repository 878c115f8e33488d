import * as z from 'zod';
import { COVERS, DAYLIT, FACINGS, GLAZINGS, LAMP_KINDS, MOST_LATITUDE, WATERINGS } from '@fresh-tuck/core/nursing';
import { DESTINATIONS } from '@fresh-tuck/core/moving';
import { CARES, DAMPS, ROLES, SEEDLING_STAGES } from './choices.js';
import { MOST_SLOTS } from './garden-requests.js';
import { celsius, id, localMoment, number, text, whole } from './fields.js';

const oneOf = <const T extends readonly [string, ...string[]]>(all: T, what: string) =>
  z.enum(all, { error: `${what} must be one of ${all.join(', ')}` });
/** When it was seen or done; null is now. */
const at = localMoment('at').nullable().default(null);
const why = text(200, 'why');
/** The greatest label there may be. */
const MOST_LABEL = 1_000_000_000;
/** Seedlings that one act speaks of. */
export const MOST_AT_ONCE = 400;

/** What is said of seedlings by their labels, all of them in one act. */
export const seedlingWord = z.discriminatedUnion(
  'kind',
  [
    z
      .strictObject({
        kind: z.literal('stage'),
        stage: oneOf(SEEDLING_STAGES, 'stage'),
        /** Which bed it was planted out in; null where nobody says. */
        bedId: id.nullable().default(null),
      })
      .refine(({ stage, bedId }) => bedId === null || stage === 'planted_out', {
        error: 'bedId must be left out but where the stage is planted_out',
        path: ['bedId'],
      }),
    z.strictObject({ kind: z.literal('lost'), why: why.pipe(z.string({ error: 'why must say how it was lost' })) }),
    /** Given away; to whom, if one likes. */
    z.strictObject({ kind: z.literal('given'), to: text(60, 'to').nullable().default(null) }),
    z.strictObject({ kind: z.literal('composted') }),
    /** Into a larger pot, or the last one. */
    z.strictObject({
      kind: z.literal('potted'),
      destination: oneOf(DESTINATIONS, 'destination'),
      millilitres: number(5, 60_000, 'millilitres', 'ml').nullable().default(null),
      last: z.boolean({ error: 'last must say whether it stays in this pot' }),
    }),
    /** Stand together from now on, under an id of their own. */
    z.strictObject({ kind: z.literal('together'), trayId: id }),
    /** Each in a slot of its own in a rack, in the order of the labels. */
    z.strictObject({
      kind: z.literal('slotted'),
      rackId: id,
      slots: z
        .array(whole(1, MOST_SLOTS, 'slots'))
        .min(1, { error: 'slots must name a slot for each label' })
        .max(MOST_SLOTS, { error: `slots must name at most ${MOST_SLOTS} slots` })
        .refine((all) => new Set(all).size === all.length, { error: 'slots must name each slot once' }),
    }),
    z.strictObject({ kind: z.literal('graded'), grade: whole(1, 5, 'grade').nullable() }),
    z.strictObject({ kind: z.literal('role'), role: oneOf(ROLES, 'role').nullable() }),
    z.strictObject({ kind: z.literal('trait'), trait: text(200, 'trait') }),
  ],
  { error: 'said.kind must be stage, lost, given, composted, potted, together, slotted, graded, role or trait' },
);
export const nurseryActRequest = z.strictObject({
  id,
  numbers: z
    .array(whole(1, MOST_LABEL, 'numbers'))
    .min(1, { error: 'numbers must name at least one label' })
    .max(MOST_AT_ONCE, { error: `numbers must name at most ${MOST_AT_ONCE} labels at once` })
    .refine((all) => new Set(all).size === all.length, { error: 'numbers must name each label once' }),
  said: seedlingWord,
  at,
});
/** Seedlings that came up where they were sown and stay there: each gets its label. */
export const stayRequest = z.strictObject({ id, batchId: id, at });
/** What is said of one seedling. */
export const seedlingRequest = z.strictObject({ id, said: seedlingWord, at });
/** An act on seedlings taken back whole. */
export const nurseryUndoRequest = z.strictObject({ id, actId: id });

/** What is done for seedlings that stand together. */
export const careWord = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({ kind: z.literal('place'), spotId: id }),
    z.strictObject({ kind: z.literal('cover'), cover: oneOf(COVERS, 'cover') }),
    z.strictObject({
      kind: z.literal('water'),
      /** Null where it was only felt or lifted. */
      from: oneOf(WATERINGS, 'from').nullable(),
      finger: oneOf(DAMPS, 'finger').nullable().default(null),
    }),
    z.strictObject({ kind: z.literal('feed'), strength: number(0.05, 1, 'strength', 'of the label’s dose') }),
    /** All of it looked at, and nothing new. */
    z.strictObject({ kind: z.literal('seen') }),
    z.strictObject({ kind: z.literal('carried'), out: z.boolean({ error: 'out must say whether it was carried out or in' }) }),
    /** Its case or cover opened for a while. */
    z.strictObject({ kind: z.literal('air') }),
    /** What it climbs or leans on is in, or its net is over it. */
    z.strictObject({ kind: z.literal('support') }),
    z.strictObject({ kind: z.literal('net') }),
  ],
  { error: `done.kind must be one of ${CARES.join(', ')}` },
);
export const careRequest = z.strictObject({
  id,
  trayIds: z.array(id).min(1, { error: 'trayIds must name at least one tray' }).max(100, { error: 'trayIds must name at most 100 trays' }),
  done: careWord,
  at,
});

/** How light gets to a place. */
export const placeLight = z.strictObject({
  daylit: oneOf(DAYLIT, 'light.daylit'),
  facing: oneOf(FACINGS, 'light.facing'),
  glazing: oneOf(GLAZINGS, 'light.glazing'),
  metresIn: z.union([z.literal(0), z.literal(0.5), z.literal(1)], { error: 'light.metresIn must be 0, 0.5 or 1' }),
  opposite: z.boolean({ error: 'light.opposite must be true or false' }),
  lamp: z
    .strictObject({
      kind: oneOf(LAMP_KINDS, 'light.lamp.kind'),
      micromol: number(1, 2500, 'light.lamp.micromol', 'µmol per m² and s'),
      gapCm: number(1, 300, 'light.lamp.gapCm', 'cm'),
      watts: number(1, 2000, 'light.lamp.watts', 'W').nullable().default(null),
      /** What a switch does every day, hours; null where we say how long. */
      hours: number(0, 24, 'light.lamp.hours', 'hours a day').nullable().default(null),
    })
    .nullable(),
});
export const lightRequest = z.strictObject({ id, light: placeLight, at });

const span = z
  .strictObject({
    begins: localMoment('spans.begins'),
    ends: localMoment('spans.ends'),
    minC: celsius('spans.minC'),
    maxC: celsius('spans.maxC'),
    windKmh: number(0, 300, 'spans.windKmh', 'km/h').nullable().default(null),
  })
  .refine(({ begins, ends }) => begins < ends, { error: 'spans.ends must lie after it begins', path: ['ends'] })
  .refine(({ minC, maxC }) => minC <= maxC, { error: 'spans.maxC must not lie below the lowest', path: ['maxC'] });
/** Days or hours of weather that are told at once. */
export const MOST_WEATHER = 400;
/** The weather outdoors, as it is told ahead or was. */
export const weatherRequest = z.strictObject({
  id,
  spans: z
    .array(span)
    .min(1, { error: 'spans must hold at least one day or hour' })
    .max(MOST_WEATHER, { error: `spans must hold at most ${MOST_WEATHER} days or hours at once` }),
});

/** The sky over a household: how far north it lies, and how much of the day is sunshine. */
export const sky = z.strictObject({
  latitude: number(-MOST_LATITUDE, MOST_LATITUDE, 'sky.latitude', 'degrees north'),
  longitude: number(-180, 180, 'sky.longitude', 'degrees east').nullable(),
  sunshine: number(0, 1, 'sky.sunshine', 'as a share'),
});
/** How a household raises what it moved. */
export const nursingSchools = z.strictObject({
  set: oneOf(['hole', 'laid', 'side'], 'schools.set'),
  firm: oneOf(['loose', 'settled'], 'schools.firm'),
  pot: oneOf(['one', 'several'], 'schools.pot'),
  watered: oneOf(WATERINGS, 'schools.watered'),
  cover: oneOf(['up', 'leaves'], 'schools.cover'),
});
export const nursingRequest = z.strictObject({
  id,
  schools: nursingSchools,
  sky: sky.nullable(),
  version: whole(0, 1_000_000_000, 'version').nullable().default(null),
});

export type NursingRequest = z.input<typeof nursingRequest>;
export type SeedlingWord = z.input<typeof seedlingWord>;
export type SeedlingRequest = z.input<typeof seedlingRequest>;
export type NurseryActRequest = z.input<typeof nurseryActRequest>;
export type NurseryUndoRequest = z.input<typeof nurseryUndoRequest>;
export type StayRequest = z.input<typeof stayRequest>;
export type CareWord = z.input<typeof careWord>;
export type CareRequest = z.input<typeof careRequest>;
export type PlaceLight = z.output<typeof placeLight>;
export type LightRequest = z.input<typeof lightRequest>;
export type WeatherRequest = z.input<typeof weatherRequest>;
