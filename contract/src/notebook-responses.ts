import * as z from 'zod';
import { GROUPINGS, type PastSum } from '@fresh-tuck/core/trials';

const count = z.number().min(0);
const pastSum = z.object({
  ...{ batches: count, seeds: count, came: count, rotten: count, quiet: count, moved: count, snapped: count },
  ...{ openings: count, nothing: count, tooSoon: count, thrown: count, lived: count, died: count },
  days: z.number().nullable(),
  withinDays: z.number().nullable(),
  saidDays: z.number().nullable(),
  timesOff: z.number().nullable(),
  packet: z.object({ batches: count, timesOff: z.number(), forecastTimesOff: z.number() }).nullable(),
  asked: count,
  held: count,
}) satisfies z.ZodType<PastSum>;

/** What the house's finished batches tell, by one of what they share. */
export const lookingBack = z.object({
  lead: z.string(),
  /** Batches that are still to be read. */
  left: z.number(),
  by: z.enum(GROUPINGS),
  year: z.number().nullable(),
  years: z.array(z.number()),
  cropId: z.string().nullable(),
  whole: pastSum,
  /** How the forecast did, in sentences. */
  forecast: z.array(z.string()),
  losses: z.array(z.string()),
  learnt: z.array(z.string()),
  /** What to change next year, each with its figures. */
  next: z.array(z.object({ text: z.string(), cropId: z.string(), packetId: z.string().nullable() })),
  rows: z.array(z.object({ key: z.string(), title: z.string(), sum: pastSum, losses: z.array(z.string()) })),
  more: z.number(),
  /** Minutes at the worktop and what the seed cost, where that was written down, in sentences. */
  spent: z.array(z.string()),
  /** Where one crop is looked at: its days by warmth as the book has them and as this house's batches do. */
  curve: z
    .object({
      points: z.array(z.object({ celsius: z.number(), book: z.number(), own: z.number(), low: z.number(), high: z.number() })),
      batches: z.array(z.object({ batchId: z.string(), number: z.number(), celsius: z.number(), days: z.number() })),
      /** What it says, and whether it outweighs the book. */
      told: z.array(z.string()),
    })
    .nullable(),
  /** Day of the middle seed by batch: as it was said, and as it came. */
  middles: z.array(z.object({ batchId: z.string(), number: z.number(), title: z.string(), saidDays: z.number(), cameDays: z.number() })),
});
export type LookingBack = z.infer<typeof lookingBack>;

/** A page of what was written: notes of their own, and what was noted at looks, the latest day first. */
export const notes = z.object({
  notes: z.array(
    z.object({
      id: z.string(),
      /** Whether it is a note of its own, or stands at a line of a batch's journal. */
      kind: z.enum(['note', 'look']),
      day: z.string(),
      text: z.string(),
      batchId: z.string().nullable(),
      batchNumber: z.number().nullable(),
      cropId: z.string().nullable(),
      /** What it is about, as it is called; null where it is about nothing in particular. */
      about: z.string().nullable(),
      who: z.string().nullable(),
      photoIds: z.array(z.string()),
    }),
  ),
  /** Notes that there are besides. */
  more: z.number(),
});
export type Notes = z.infer<typeof notes>;
export type Note = Notes['notes'][number];
