import * as z from 'zod';
import { DESTINATIONS } from '@fresh-tuck/core/moving';
import { PREPARATIONS } from '@fresh-tuck/core/preparing';
import { DAMPS, METHODS } from './choices.js';
import { id, localMoment, SEED_LIMIT, text, whole } from './fields.js';

/** Records that are put right afterwards. */

/** Another time, or another destination, for an entry of a batch's journal. */
export const correctRequest = z
  .strictObject({
    id,
    entryId: id,
    at: localMoment('at').nullable().default(null),
    destination: z
      .enum(DESTINATIONS, { error: `destination must be one of ${DESTINATIONS.join(', ')}` })
      .nullable()
      .default(null),
    bedId: id.nullable().default(null),
  })
  .refine(({ at, destination }) => at !== null || destination !== null, {
    error: 'at must give the true time, or destination where they went',
    path: ['at'],
  })
  .refine(({ destination, bedId }) => (destination === 'bed') === (bedId !== null), {
    error: 'bedId must name the bed, and only where the destination is a bed',
    path: ['bedId'],
  });

/** What a batch was begun as, corrected: what is left out stays. */
export const amendRequest = z
  .strictObject({
    id,
    /** The last such correction that was known of: two people do not write over each other. */
    after: id.nullable(),
    packetId: id.optional(),
    startAt: localMoment('startAt').optional(),
    prepared: z.array(z.enum(PREPARATIONS)).max(PREPARATIONS.length).optional(),
    /** Days of cold first; null is none. */
    chillDays: whole(1, 200, 'chillDays').nullable().optional(),
    method: z.enum(METHODS, { error: `method must be one of ${METHODS.join(', ')}` }).optional(),
    /** Sprouts hoped for; null is no wish. */
    wanted: whole(1, SEED_LIMIT, 'wanted').nullable().optional(),
    destination: z
      .enum(DESTINATIONS, { error: `destination must be one of ${DESTINATIONS.join(', ')}` })
      .nullable()
      .optional(),
  })
  .refine(({ id: _, after: __, ...said }) => Object.values(said).some((one) => one !== undefined), {
    error: 'body must correct something',
    path: [],
  });

/** A tuck-in taken back. */
export const untuckRequest = z.strictObject({ id });

/** Looks of several days at one batch, entered together: each with its time and its totals by then. */
export const daysRequest = z.strictObject({
  id,
  looks: z
    .array(
      z.strictObject({
        id,
        at: localMoment('looks.at'),
        tipped: whole(0, SEED_LIMIT, 'looks.tipped'),
        rotten: whole(0, SEED_LIMIT, 'looks.rotten').nullable().default(null),
        damp: z.enum(DAMPS, { error: 'looks.damp must be dry, drying, damp or pooling' }).nullable().default(null),
        note: text(500, 'looks.note').nullable().default(null),
      }),
    )
    .min(1, { error: 'looks must name at least one look' })
    .max(60, { error: 'looks must name at most 60 looks at once' }),
  who: text(60, 'who').nullable().default(null),
});

/** A round that somebody walked with a pencil, entered in one go: each line at its own time. */
export const paperRoundRequest = z.strictObject({
  id,
  who: text(60, 'who').nullable().default(null),
  looks: z
    .array(
      z
        .strictObject({
          id,
          batchId: id,
          at: localMoment('looks.at'),
          /** In all since it was tucked in; null where nobody looked. */
          tipped: whole(0, SEED_LIMIT, 'looks.tipped').nullable().default(null),
          rotten: whole(0, SEED_LIMIT, 'looks.rotten').nullable().default(null),
          damp: z.enum(DAMPS, { error: 'looks.damp must be dry, drying, damp or pooling' }).nullable().default(null),
          rewetted: z.boolean({ error: 'looks.rewetted must be true or false' }).default(false),
          /** Left shut. */
          skipped: z.boolean({ error: 'looks.skipped must be true or false' }).default(false),
          /** Sprouts that were moved, to where the batch is begun for. */
          moved: whole(0, SEED_LIMIT, 'looks.moved').default(0),
          note: text(500, 'looks.note').nullable().default(null),
        })
        .refine(
          (row) => !row.skipped || (row.tipped === null && row.rotten === null && row.damp === null && row.moved === 0 && !row.rewetted),
          {
            error: 'looks.skipped must be left out where something was seen or done',
            path: ['skipped'],
          },
        ),
    )
    .min(1, { error: 'looks must name at least one parcel' })
    .max(200, { error: 'looks must name at most 200 parcels at once' }),
});
export type PaperRoundRequest = z.input<typeof paperRoundRequest>;

/** A record outside a batch's journal, taken back. */
export const takeBackRequest = z.strictObject({ id, recordId: id });
/** Put away, taken out again, or removed. */
export const shelveRequest = z.strictObject({ id });

export type CorrectRequest = z.input<typeof correctRequest>;
export type AmendRequest = z.input<typeof amendRequest>;
export type UntuckRequest = z.input<typeof untuckRequest>;
export type DaysRequest = z.input<typeof daysRequest>;
export type TakeBackRequest = z.input<typeof takeBackRequest>;
export type ShelveRequest = z.input<typeof shelveRequest>;
