import * as z from 'zod';
import { DESTINATIONS, type Destination } from '@fresh-tuck/core/moving';
import { CARRIERS, LINK_KINDS, PREPARATIONS, PURPOSES, TARGETS } from './choices.js';
import { drawnFacts, parcelFacts, report, reportOnCard, told, type DrawnFacts } from './parcel-values.js';
import { holder, journalEntry, round, spot } from './responses.js';

export const cup = z.object({ number: z.number(), seed: z.number().nullable(), destination: z.string(), atMs: z.number() });

/** What a batch was begun for. */
export interface Aim {
  readonly plants: number | null;
  readonly destination: Destination | null;
  /** The rack whose slots they go to, where one was named. */
  readonly rackId?: string | null | undefined;
  readonly target: { readonly kind: (typeof TARGETS)[number]; readonly day: string } | null;
}

export const batch = z.object({
  id: z.string(),
  number: z.number(),
  token: z.string(),
  packetId: z.string(),
  /** Another packet of the crop that its advice may name; null where there is none. */
  otherPacketId: z.string().nullable(),
  cropId: z.string(),
  title: z.string(),
  holder,
  /** Other parcels in the same bag. */
  bagMates: z.array(z.number()),
  /** What it lies in or on. */
  carrier: z.object({ kind: z.enum(CARRIERS), places: z.number().nullable() }),
  /** The pane that it is drawn on. */
  widthMm: z.number(),
  heightMm: z.number(),
  closed: z.boolean(),
  /** Whether its tuck-in was taken back. */
  untucked: z.boolean(),
  /** When it was written down, which may be long after its start, ms. */
  recordedMs: z.number(),
  /** The last correction of what it was begun as; null where there is none. */
  amendedId: z.string().nullable(),
  /** Whether it was put to soak at its start, and its days of cold; as it was begun. */
  chillDays: z.number().nullable(),
  /** What may still come of a closed one, in a sentence; empty where nothing may. */
  closedInWords: z.string(),
  lastLookId: z.string().nullable(),
  lastLookMs: z.number().nullable(),
  prepared: z.array(z.enum(PREPARATIONS)),
  /** The batch that it follows, with the days that lie between the first start of the chain and its own. */
  from: z.object({ batchId: z.string(), number: z.number(), kind: z.enum(LINK_KINDS), daysLost: z.number() }).nullable(),
  /** Batches that follow it. */
  followers: z.array(z.object({ batchId: z.string(), number: z.number(), kind: z.enum(LINK_KINDS) })),
  dressed: z.boolean(),
  purpose: z.enum(PURPOSES),
  /** Seeds on each towel of a test. */
  replicates: z.array(z.number()),
  aim: z.object({
    plants: z.number().nullable(),
    destination: z.enum(DESTINATIONS).nullable(),
    rackId: z.string().nullable().optional(),
    target: z.object({ kind: z.enum(TARGETS), day: z.string() }).nullable(),
  }) satisfies z.ZodType<Aim>,
  facts: parcelFacts,
  answers: report,
  judgement: told,
});

export const batchWithJournal = batch.extend({
  /** Packets that its seed may be from, where nobody knows any more which; empty where it is known. */
  oneOf: z.array(z.object({ id: z.string(), title: z.string() })),
  journal: z.array(journalEntry),
  cups: z.array(cup),
  /** Sprouts of the crop that had rooted into the paper: how they came out, and how those past danger fared. */
  rooted: z.object({
    freed: z.number(),
    patched: z.number(),
    snapped: z.number(),
    freedLived: z.number(),
    freedLost: z.number(),
    patchedLived: z.number(),
    patchedLost: z.number(),
  }),
  /** Entries of the looks that the facts hold, in their order. */
  lookIds: z.array(z.string()),
});

export type { DrawnFacts };
/** A batch as Today draws it, without what only its own screens ask for: sixty of them go over the wire at once. */
export const card = batch.omit({ facts: true, answers: true }).extend({
  facts: drawnFacts,
  answers: reportOnCard,
});

/** A parcel on Today's route. */
export const stop = z.object({ batch: card, dueNow: z.boolean(), bagReason: z.string().nullable() });
export const today = z.object({
  nowMs: z.number(),
  stations: z.array(z.object({ spot, stops: z.array(stop) })),
  shut: z.array(z.object({ batch: card, nextMs: z.number(), nextInWords: z.string() })),
  batchCount: z.number(),
  /** About how long the round takes. */
  minutes: z.number(),
  /** What differs from what was first told today. */
  changes: z.array(z.object({ batchId: z.string(), number: z.number(), title: z.string(), text: z.string() })),
  /** Whether what is told today has been kept. */
  told: z.boolean(),
  /** What kills, before all else: a place whose warmth does, with what stands there. */
  dangers: z.array(
    z.object({ spotId: z.string(), spotName: z.string(), lead: z.string(), text: z.string(), batchIds: z.array(z.string()) }),
  ),
  /** What the hours ahead of a place will do to what stands there, the nearest first: before the harm. */
  alarms: z.array(
    z.object({
      spotId: z.string(),
      spotName: z.string(),
      atMs: z.number(),
      lead: z.string(),
      text: z.string(),
      batchIds: z.array(z.string()),
    }),
  ),
  /** Thermometers that were heard and are not any more. */
  silent: z.array(z.object({ probeId: z.string(), spotId: z.string(), text: z.string() })),
  /** After an absence: what may be past saving, the longest roots first. */
  rescue: z.object({ away: z.string(), batchIds: z.array(z.string()) }).nullable(),
  /** The round that somebody began and has not ended. */
  round: round.nullable(),
});

export const demoParcel = z.object({
  seeds: z.array(z.object({ seed: z.number(), stage: z.string(), rootMm: z.number().nullable() })),
  damp: z.string(),
});

export type Cup = z.infer<typeof cup>;
export type Batch = z.infer<typeof batch>;
export type BatchWithJournal = z.infer<typeof batchWithJournal>;
export type Card = z.infer<typeof card>;
export type Stop = z.infer<typeof stop>;
export type Today = z.infer<typeof today>;
export type DemoParcel = z.infer<typeof demoParcel>;
