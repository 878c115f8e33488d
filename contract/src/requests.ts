import * as z from 'zod';
import { SEED_STAGES, TROUBLES } from '@fresh-tuck/core/parcel';
import { DESTINATIONS } from '@fresh-tuck/core/moving';
import {
  CLOSING_REASONS,
  CLOSURES,
  DAMPINGS,
  DAMPS,
  HOLDER_KINDS,
  MEDIA,
  PLACE_KINDS,
  UNIT_SYSTEMS,
  VIAS,
  WETNESSES,
  type PlaceKind,
} from './choices.js';
import { celsius, clockTime, id, localMoment, MOST_PER_POT, number, SEED_LIMIT, text, whole } from './fields.js';

const placeKind = z.enum(Object.keys(PLACE_KINDS) as [PlaceKind, ...PlaceKind[]], { error: 'kind must be one of the kinds of place' });

const zone = z.string({ error: 'zone must be an IANA time zone like Europe/Lisbon' }).refine(
  (name) => {
    try {
      return Boolean(new Intl.DateTimeFormat('en', { timeZone: name }));
    } catch {
      return false;
    }
  },
  { error: 'zone must be an IANA time zone like Europe/Lisbon' },
);

export const householdRequest = z.strictObject({
  id,
  name: text(60, 'name'),
  zone,
  units: z.enum(UNIT_SYSTEMS, { error: 'units must be metric or us' }),
  lookingTimes: z
    .array(clockTime, { error: 'lookingTimes must be a list of times of day' })
    .min(1, { error: 'lookingTimes must have at least one time of day' })
    .max(6, { error: 'lookingTimes must have at most 6 times of day' })
    .transform((times) => [...new Set(times)].sort()),
  millilitresPerSpray: number(0.1, 5, 'millilitresPerSpray', 'ml'),
  /** The last spring frost; null where nobody was asked yet, left out where it stays. */
  frost: z
    .strictObject({
      monthDay: z
        .string({ error: 'frost.monthDay must be a day of the year like 05-10' })
        .regex(/^(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])$/, { error: 'frost.monthDay must be a day of the year like 05-10' }),
      giveDays: whole(0, 60, 'frost.giveDays'),
      guessed: z.boolean({ error: 'frost.guessed must be true or false' }),
    })
    .nullable()
    .optional(),
  /** Null where it is named for the first time. */
  version: whole(0, 1_000_000_000, 'version').nullable().default(null),
});

export const waysRequest = z.strictObject({
  id,
  rootSchool: z.enum(['crop', 'tip', 'short', 'finger'], { error: 'rootSchool must be crop, tip, short or finger' }),
  unopenedFirst: z.boolean({ error: 'unopenedFirst must be true or false' }),
  leastHope: number(0.001, 0.5, 'leastHope', 'as a share'),
  sureness: number(0.5, 0.99, 'sureness', 'as a share'),
  retestChance: number(0.001, 0.5, 'retestChance', 'as a share'),
  patienceTimes: number(1.5, 20, 'patienceTimes', 'medians'),
  /** How seed is laid here; what is left out stays. */
  laid: z
    .strictObject({
      medium: z.enum(MEDIA, { error: `laid.medium must be one of ${MEDIA.join(', ')}` }),
      damped: z.enum(DAMPINGS, { error: `laid.damped must be one of ${DAMPINGS.join(', ')}` }),
      wet: z.enum(WETNESSES, { error: `laid.wet must be one of ${WETNESSES.join(', ')}` }),
    })
    .optional(),
  lateTolerance: number(0.001, 0.5, 'lateTolerance', 'as a share'),
  version: whole(0, 1_000_000_000, 'version').nullable().default(null),
});
/** A copy of the household to be made, or put back. */
export const copyRequest = z.strictObject({ id });
/** The clock is right as it is: what lies ahead of it was written while it ran ahead. */
export const clockRequest = z.strictObject({ id });
/** Today was shown to somebody: what it says is kept, once a day. */
export const shownRequest = z.strictObject({ id });

/** Bags and trays that a spot has room for; null where nobody said. */
const holds = whole(1, 200, 'holds').nullable().default(null);
export const spotRequest = z.strictObject({ id, name: text(60, 'name'), kind: placeKind, holds });
/** A spot renamed, or said to be of another kind. */
export const spotChange = z.strictObject({
  id,
  name: text(60, 'name'),
  kind: placeKind,
  holds,
  version: whole(0, 1_000_000_000, 'version'),
});
export const spotOrder = z.strictObject({ id, spotIds: z.array(id).min(1) });

export const readingRequest = z
  .strictObject({
    id,
    /** The day that the thermometer's minimum and maximum belong to. */
    day: z.iso.date({ error: 'day must be a date like 2026-04-11' }),
    minC: celsius('minC'),
    maxC: celsius('maxC'),
  })
  .refine(({ minC, maxC }) => minC <= maxC, { error: 'maxC must not lie below minC', path: ['maxC'] });

const figureValue = z.union(
  [
    z.number(),
    z.string().max(500),
    z.boolean(),
    z.null(),
    z.array(z.number()).max(2),
    z.array(z.string().max(60)).max(12),
    z.array(z.tuple([z.number(), z.number()])).max(30),
  ],
  { error: 'a figure must be a number, words, yes or no, or a list of them' },
);
/** Own figures of a crop by path; what each accepts is the crop's to say. */
const figures = z.record(z.string().max(60), figureValue, { error: 'figures must name figures of a crop' });

export const cropRequest = z.strictObject({
  id,
  /** The crop whose figures it begins with. */
  like: text(60, 'like'),
  name: text(60, 'name'),
  figures,
});
export const cropFiguresRequest = z.strictObject({ id, name: text(60, 'name').nullable(), figures });
export const removalRequest = z.strictObject({ id });

const mark = z.strictObject({
  seed: whole(1, SEED_LIMIT, 'seed'),
  stage: z.enum(SEED_STAGES, { error: `stage must be one of ${SEED_STAGES.join(', ')}` }),
  rootMm: number(0, 400, 'rootMm', 'mm').nullable(),
});

export const lookRequest = z
  .strictObject({
    id,
    at: localMoment('at').nullable(),
    via: z.enum(VIAS, { error: 'via must be opened, through or skipped' }),
    /** Totals since the start, and the look they were based on; null where the seeds were not looked at. */
    seen: z
      .strictObject({
        tipped: whole(0, SEED_LIMIT, 'seen.tipped'),
        rotten: whole(0, SEED_LIMIT, 'seen.rotten'),
        lost: whole(0, SEED_LIMIT, 'seen.lost').default(0),
        basedOn: id.nullable(),
      })
      .nullable(),
    marks: z.array(mark).max(SEED_LIMIT, { error: `marks must name at most ${SEED_LIMIT} seeds` }),
    damp: z.enum(DAMPS, { error: 'damp must be dry, drying, damp or pooling' }).nullable(),
    rewetted: z.boolean({ error: 'rewetted must be true or false' }),
    troubles: z.array(z.enum(TROUBLES, { error: `a trouble must be one of ${TROUBLES.join(', ')}` })).max(TROUBLES.length),
    who: text(60, 'who').nullable(),
    note: text(500, 'note').nullable(),
    /** A test's final count: seedlings of each towel by class. */
    classes: z
      .array(
        z.strictObject({
          normal: whole(0, SEED_LIMIT, 'classes.normal'),
          abnormal: whole(0, SEED_LIMIT, 'classes.abnormal'),
          hard: whole(0, SEED_LIMIT, 'classes.hard'),
          fresh: whole(0, SEED_LIMIT, 'classes.fresh'),
          dead: whole(0, SEED_LIMIT, 'classes.dead'),
        }),
      )
      .min(1)
      .max(8)
      .nullable()
      .default(null),
    /** The look that this one corrects. */
    supersedes: id.nullable(),
  })
  .refine((look) => look.via !== 'skipped' || (!look.seen && !look.damp && look.marks.length === 0 && look.troubles.length === 0), {
    error: 'via must be opened or through where something was seen: skipped means that nothing was',
    path: ['via'],
  })
  .refine((look) => look.marks.length === 0 || look.seen !== null, {
    error: 'seen must hold the totals when seeds are marked',
    path: ['seen'],
  })
  .refine((look) => new Set(look.marks.map(({ seed }) => seed)).size === look.marks.length, {
    error: 'marks must name each seed once',
    path: ['marks'],
  });

export const moveRequest = z
  .strictObject({
    id,
    at: localMoment('at').nullable(),
    /** Touched seeds by number, and sprouts that were only counted. */
    seeds: z.array(whole(1, SEED_LIMIT, 'seeds')).max(SEED_LIMIT),
    uncounted: whole(0, SEED_LIMIT, 'uncounted'),
    destination: z.enum(DESTINATIONS, { error: `destination must be one of ${DESTINATIONS.join(', ')}` }),
    /** The bed they go to, where it is a bed. */
    bedId: id.nullable().default(null),
    /** Where they stand from then on, with all that were moved from the batch before; null where nobody says. */
    spotId: id.nullable().default(null),
    /** Sprouts to a pot: more than one are thinned to the stronger later. */
    perPot: whole(1, MOST_PER_POT, 'perPot').default(1),
    /** How those that had rooted into the paper came out; snapped ones are lost and get no label. */
    rooted: z
      .strictObject({
        freed: whole(0, SEED_LIMIT, 'rooted.freed'),
        patched: whole(0, SEED_LIMIT, 'rooted.patched'),
        snapped: whole(0, SEED_LIMIT, 'rooted.snapped'),
      })
      .default({ freed: 0, patched: 0, snapped: 0 }),
    /** Seeds still quiet that are planted along. */
    quietPlanted: whole(0, SEED_LIMIT, 'quietPlanted').default(0),
    who: text(60, 'who').nullable(),
  })
  .refine((move) => move.seeds.length + move.uncounted + (move.quietPlanted ?? 0) > 0, {
    error: 'seeds must name at least one sprout',
    path: ['seeds'],
  })
  .refine((move) => move.rooted.freed + move.rooted.patched + move.rooted.snapped <= move.seeds.length + move.uncounted, {
    error: 'rooted must count at most the sprouts that are moved',
    path: ['rooted'],
  })
  .refine((move) => (move.destination === 'bed') === (move.bedId !== null), {
    error: 'bedId must name the bed, and only where the destination is a bed',
    path: ['bedId'],
  })
  .refine((move) => new Set(move.seeds).size === move.seeds.length, { error: 'seeds must name each sprout once', path: ['seeds'] });

/** When it was done; null is now. */
const at = localMoment('at').nullable().default(null);
/** An entry to take back, and what cannot stand without it. */
export const undoRequest = z.strictObject({ id, entryId: id, along: z.array(id).max(200).default([]) });
export const recountRequest = z.strictObject({
  id,
  seeds: whole(1, SEED_LIMIT, 'seeds'),
  /** The count that was corrected. */
  was: whole(1, SEED_LIMIT, 'was').nullable().default(null),
});
export const closeRequest = z.strictObject({
  id,
  at,
  reason: z.enum(CLOSING_REASONS, { error: `reason must be one of ${CLOSING_REASONS.join(', ')}` }),
});
export const placeRequest = z.strictObject({ id, at, spotId: id });

const newHolder = z.strictObject({ newId: id, kind: z.enum(HOLDER_KINDS), closure: z.enum(CLOSURES), spotId: id });
/** A parcel into another bag, or one of its own. */
export const rebagRequest = z.strictObject({
  id,
  at,
  holder: z.union([z.strictObject({ holderId: id }), newHolder], {
    error: 'holder must be a bag that is there, or a new one with its kind, closing and spot',
  }),
});
export const closureRequest = z.strictObject({
  id,
  at,
  closure: z.enum(CLOSURES, { error: `closure must be one of ${CLOSURES.join(', ')}` }),
});
export const weighingRequest = z.strictObject({
  id,
  at,
  grams: number(0.5, 5000, 'grams', 'g'),
  full: z.boolean({ error: 'full must be true or false: whether it was just given its water' }),
});
export const roundRequest = z.strictObject({
  id,
  batchIds: z
    .array(id, { error: 'batchIds must be a list of batches' })
    .min(1, { error: 'batchIds must name at least one batch' })
    .max(200),
});
export type HouseholdRequest = z.input<typeof householdRequest>;
export type WaysRequest = z.input<typeof waysRequest>;
export type CopyRequest = z.infer<typeof copyRequest>;
export type ClockRequest = z.infer<typeof clockRequest>;
export type ShownRequest = z.infer<typeof shownRequest>;
export type SpotRequest = z.input<typeof spotRequest>;
export type SpotChange = z.input<typeof spotChange>;
export type SpotOrder = z.infer<typeof spotOrder>;
export type ReadingRequest = z.infer<typeof readingRequest>;
export type CropRequest = z.infer<typeof cropRequest>;
export type CropFiguresRequest = z.infer<typeof cropFiguresRequest>;
export type RemovalRequest = z.infer<typeof removalRequest>;
export type LookRequest = z.input<typeof lookRequest>;
/** What a client sends: a default may be left out. */
export type MoveRequest = z.input<typeof moveRequest>;
export type RebagRequest = z.input<typeof rebagRequest>;
export type ClosureRequest = z.input<typeof closureRequest>;
export type WeighingRequest = z.input<typeof weighingRequest>;
export type RoundRequest = z.infer<typeof roundRequest>;
export type UndoRequest = z.input<typeof undoRequest>;
export type RecountRequest = z.input<typeof recountRequest>;
export type CloseRequest = z.input<typeof closeRequest>;
export type PlaceRequest = z.input<typeof placeRequest>;
