import * as z from 'zod';
import { DESTINATIONS } from '@fresh-tuck/core/moving';
import { PREPARATIONS } from '@fresh-tuck/core/preparing';
import { CLOSURES, DAMPINGS, HOLDER_KINDS, LIGHTS, MEDIA, METHODS, PURPOSES, TARGETS, WETNESSES } from './choices.js';
import { id, localMoment, number, SEED_LIMIT, whole } from './fields.js';

/** An existing bag, or a new one in a spot. */
const holder = z.union(
  [z.strictObject({ holderId: id }), z.strictObject({ newId: id, kind: z.enum(HOLDER_KINDS), closure: z.enum(CLOSURES), spotId: id })],
  { error: 'holder must be a bag that is there, or a new one with its kind, closing and spot' },
);

/** What is said of a batch whatever it is started in. */
const begun = {
  id,
  packetId: id,
  purpose: z.enum(PURPOSES, { error: 'purpose must be plants or test' }).default('plants'),
  seeds: whole(1, SEED_LIMIT, 'seeds'),
  /** What was taken from the packet where it is not the seeds laid: husks that split. */
  taken: whole(1, SEED_LIMIT, 'taken').nullable().default(null),
  /** Towels that the seeds are shared between, as evenly as can be. */
  replicates: whole(1, 8, 'replicates').default(1),
  /** A test's last day of counting. */
  finalDays: whole(1, 365, 'finalDays').nullable().default(null),
  /** What it is begun for: what follows the towel. */
  aim: z
    .strictObject({
      plants: whole(1, SEED_LIMIT, 'aim.plants').nullable(),
      destination: z.enum(DESTINATIONS, { error: `aim.destination must be one of ${DESTINATIONS.join(', ')}` }).nullable(),
      /** The rack whose slots they go to, where the household names one. */
      rackId: id.nullable().optional(),
      target: z
        .strictObject({
          kind: z.enum(TARGETS, { error: 'aim.target.kind must be plant_out or ripe' }),
          day: z.iso.date({ error: 'aim.target.day must be a date like 2026-05-20' }),
        })
        .nullable(),
    })
    .default({ plants: null, destination: null, target: null }),
  wanted: whole(1, SEED_LIMIT, 'wanted').nullable(),
  /** When it was tucked in; null is now. */
  startAt: localMoment('startAt').nullable(),
  chillDays: whole(1, 200, 'chillDays').nullable(),
  /** Days of chill that the seed was given before. */
  chilledDays: whole(0, 200, 'chilledDays').default(0),
  /** Whether its cold is given dry, in the packet: it is laid damp afterwards. */
  chillDry: z.boolean({ error: 'chillDry must be true or false' }).default(false),
  prepared: z.array(z.enum(PREPARATIONS)).max(PREPARATIONS.length),
  /** Whether it goes into the water at the start; where it was soaked before, it is out already. */
  soaking: z.boolean({ error: 'soaking must be true or false' }).default(false),
  /** Hours of that soak; null for the crop's longest. */
  soakHours: number(0.5, 96, 'soakHours', 'hours').nullable().default(null),
  damped: z
    .enum(DAMPINGS, { error: `damped must be one of ${DAMPINGS.join(', ')}` })
    .nullable()
    .default(null),
  wet: z
    .enum(WETNESSES, { error: `wet must be one of ${WETNESSES.join(', ')}` })
    .nullable()
    .default(null),
  light: z
    .enum(LIGHTS, { error: `light must be one of ${LIGHTS.join(', ')}` })
    .nullable()
    .default(null),
  /** Another packet of the same variety that some of the seeds come from. */
  also: z
    .strictObject({ packetId: id, seeds: whole(1, SEED_LIMIT, 'also.seeds') })
    .nullable()
    .default(null),
  /** The batch that this one begins again, another way or another time. */
  after: id.nullable().default(null),
  /** More of the packet on a day if fewer than so many have shown by then. */
  secondStep: z
    .strictObject({
      at: localMoment('secondStep.at'),
      below: whole(1, SEED_LIMIT, 'secondStep.below'),
      seeds: whole(1, SEED_LIMIT, 'secondStep.seeds'),
    })
    .nullable()
    .default(null),
  /** The line of a sitting that it is begun from: its label is printed already. Minutes at the worktop, pauses left out. */
  sitting: z
    .strictObject({ lineId: id, seconds: number(0, 86_400, 'sitting.seconds', 'seconds').nullable() })
    .nullable()
    .default(null),
  /** The side of a planned trial that it is begun for: its number from 0. */
  trial: z
    .strictObject({ trialId: id, arm: whole(0, 3, 'trial.arm') })
    .nullable()
    .default(null),
  doseMl: number(0.5, 500, 'doseMl', 'ml'),
  holder,
};

const towel = z.strictObject({
  widthMm: number(60, 600, 'towel.widthMm', 'mm'),
  heightMm: number(60, 600, 'towel.heightMm', 'mm'),
  plies: whole(1, 8, 'towel.plies'),
  medium: z.enum(MEDIA, { error: `towel.medium must be one of ${MEDIA.join(', ')}` }).default('paper'),
});

/** A batch as it is begun: what is said of its carrier hangs on the method. */
export const batchRequest = z.discriminatedUnion(
  'method',
  [
    z.strictObject({
      ...begun,
      method: z.literal('towel'),
      towel,
    }),
    z.strictObject({
      ...begun,
      method: z.enum(['plug', 'pod', 'pellet', 'pot']),
      /** Cells, slots, pellets or pots that the seeds are shared between; one a seed where nobody says. */
      places: whole(1, SEED_LIMIT, 'places').nullable().default(null),
    }),
    z.strictObject({ ...begun, method: z.enum(['water', 'bed', 'surface']) }),
  ],
  { error: `method must be one of ${METHODS.join(', ')}` },
);

/** Part of a lot laid another way, or put elsewhere: its own batch from then on. */
export const splitRequest = z.strictObject({
  id,
  /** The new batch. */
  newId: id,
  at: localMoment('at').nullable().default(null),
  /** Quiet seeds that go over. */
  seeds: whole(1, SEED_LIMIT, 'seeds'),
  method: z.enum(METHODS, { error: `method must be one of ${METHODS.join(', ')}` }),
  places: whole(1, SEED_LIMIT, 'places').nullable().default(null),
  towel: towel.nullable().default(null),
  doseMl: number(0.5, 500, 'doseMl', 'ml'),
  holder,
});
/** What is left of another batch is laid along with this one. */
export const joinRequest = z.strictObject({ id, otherId: id, at: localMoment('at').nullable().default(null) });

/** What a client sends: a default may be left out. */
export type BatchRequest = z.input<typeof batchRequest>;
export type SplitRequest = z.input<typeof splitRequest>;
export type JoinRequest = z.input<typeof joinRequest>;
