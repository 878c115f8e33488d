import * as z from 'zod';
import { DESTINATIONS } from '@fresh-tuck/core/moving';
import { PREPARATIONS } from '@fresh-tuck/core/preparing';
import { CLOSURES, HOLDER_KINDS, METHODS, PURPOSES, TARGETS } from './choices.js';
import { id, localMoment, number, SEED_LIMIT, whole } from './fields.js';

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
  prepared: z.array(z.enum(PREPARATIONS)).max(PREPARATIONS.length),
  /** Whether it goes into the water at the start; where it was soaked before, it is out already. */
  soaking: z.boolean({ error: 'soaking must be true or false' }).default(false),
  /** More of the packet on a day if fewer than so many have shown by then. */
  secondStep: z
    .strictObject({
      at: localMoment('secondStep.at'),
      below: whole(1, SEED_LIMIT, 'secondStep.below'),
      seeds: whole(1, SEED_LIMIT, 'secondStep.seeds'),
    })
    .nullable()
    .default(null),
  doseMl: number(0.5, 500, 'doseMl', 'ml'),
  /** An existing bag, or a new one in a spot. */
  holder: z.union(
    [z.strictObject({ holderId: id }), z.strictObject({ newId: id, kind: z.enum(HOLDER_KINDS), closure: z.enum(CLOSURES), spotId: id })],
    { error: 'holder must be a bag that is there, or a new one with its kind, closing and spot' },
  ),
};

/** A batch as it is begun: what is said of its carrier hangs on the method. */
export const batchRequest = z.discriminatedUnion(
  'method',
  [
    z.strictObject({
      ...begun,
      method: z.literal('towel'),
      towel: z.strictObject({
        widthMm: number(60, 600, 'towel.widthMm', 'mm'),
        heightMm: number(60, 600, 'towel.heightMm', 'mm'),
        plies: whole(1, 8, 'towel.plies'),
      }),
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

/** What a client sends: a default may be left out. */
export type BatchRequest = z.input<typeof batchRequest>;
