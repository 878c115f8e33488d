import * as z from 'zod';
import type { WhyPanel } from '@fresh-tuck/core/words';
import { cropSchema, type Crop, type OwnFigures } from '@fresh-tuck/core/crops';
import { DESTINATIONS, type Destination } from '@fresh-tuck/core/moving';
import {
  BAG_LINES,
  CARRIERS,
  CLOSURES,
  COPY_KINDS,
  ENTRY_KINDS,
  HOLDER_KINDS,
  LINK_KINDS,
  NURSERY_GROUPS,
  PREPARATIONS,
  PURPOSES,
  TARGETS,
} from './choices.js';
import { drawnFacts, houseWays, parcelFacts, report, reportOnCard, told, type DrawnFacts } from './parcel-values.js';

/** RFC 9457 problem details, with the fields that are wrong and what would be accepted. */
export const problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number(),
  detail: z.string(),
  errors: z.array(z.object({ field: z.string(), message: z.string() })).optional(),
});

export const about = z.object({
  nowMs: z.number(),
  demo: z.boolean(),
  version: z.string(),
  /** The newest record, where it lies ahead of the clock and nobody has said that this is settled, ms. */
  aheadMs: z.number().nullable(),
  /** What is wrong with the database, in a sentence; null where nothing is known to be. */
  trouble: z.string().nullable(),
  household: z
    .object({
      name: z.string(),
      zone: z.string(),
      units: z.enum(['metric', 'us']),
      lookingTimes: z.array(z.string()),
      millilitresPerSpray: z.number(),
      version: z.number(),
      frost: z.object({ monthDay: z.string(), giveDays: z.number(), guessed: z.boolean() }).nullable(),
      ways: houseWays.extend({ lateTolerance: z.number() }),
    })
    .nullable(),
});

/** A copy of the household, with what stands in it. */
export const copy = z.object({
  name: z.string(),
  kind: z.enum(COPY_KINDS),
  madeMs: z.number(),
  household: z.string().nullable(),
  packets: z.number(),
  batches: z.number(),
  looks: z.number(),
  seedlings: z.number(),
  photographs: z.number(),
  photographsMissing: z.number(),
  newestMs: z.number().nullable(),
  bytes: z.number(),
});
/** Copies, and where they lie. */
export const copies = z.object({ folder: z.string(), copies: z.array(copy) });

export const reading = z.object({ id: z.string(), day: z.string(), minC: z.number(), maxC: z.number() });
export const spot = z.object({
  id: z.string(),
  name: z.string(),
  kind: z.string(),
  version: z.number(),
  guessMinC: z.number(),
  guessMaxC: z.number(),
  latest: reading.nullable(),
  /** "27.1 °C, steady", "23.4 °C, swings 3°", "about 24 °C, a guess". */
  inWords: z.string(),
});

export const holder = z.object({
  id: z.string(),
  kind: z.enum(HOLDER_KINDS),
  closure: z.enum(CLOSURES),
  spotId: z.string(),
  spotName: z.string(),
  numbers: z.array(z.number()),
  /** What the scale said last, g; and how many readings its own probe gave. */
  weighedG: z.number().nullable(),
  probed: z.boolean(),
});

export const cropSummary = z.object({
  id: z.string(),
  name: z.string(),
  otherNames: z.array(z.string()),
  latin: z.string(),
  family: z.string(),
  /** A crop of the household's own. */
  added: z.boolean(),
  /** Whether any figure differs from the book. */
  changed: z.boolean(),
});

/** Something that the find box reached. */
export const found = z.object({
  /** Of the batch, where it is a seedling. */
  id: z.string(),
  kind: z.enum(['parcel', 'finished', 'packet', 'crop', 'seedling']),
  title: z.string(),
});

/** A crop with what it rests on. */
export const cropSheet = z.object({
  crop: cropSchema,
  book: cropSchema,
  own: z.record(
    z.string(),
    z.custom<OwnFigures[string]>((value) => value !== undefined),
  ),
  added: z.boolean(),
});

export const journalEntry = z.object({
  id: z.string(),
  kind: z.enum([...ENTRY_KINDS, ...BAG_LINES]),
  atMs: z.number(),
  recordedMs: z.number(),
  who: z.string().nullable(),
  note: z.string().nullable(),
  text: z.string(),
  /** Ids of its photographs. */
  photoIds: z.array(z.string()),
  /** False where a later entry took it back or corrected it. */
  counts: z.boolean(),
  /** How it is taken back: an entry of the batch's own, or a line of its bag's; null where it is not. */
  mend: z.enum(['entry', 'bag']).nullable(),
  /** Whether its time can be corrected. */
  dated: z.boolean(),
  /** The bag whose line it is. */
  holderId: z.string().nullable(),
  /** A test's final count: taken back and counted anew rather than corrected. */
  finalCount: z.boolean(),
});

/** What taking an entry back does, said before it is done. */
export const undoing = z.object({ entryId: z.string(), along: z.array(z.string()), follows: z.array(z.string().min(2)) });
/** What taking a tuck-in back does. */
export const untucking = z.object({ follows: z.array(z.string().min(2)) });

/** A round under way. */
export const round = z.object({
  id: z.string(),
  batchIds: z.array(z.string()),
  /** Looked at, or skipped, since it began. */
  doneIds: z.array(z.string()),
  startedMs: z.number(),
});

export const bed = z.object({
  id: z.string(),
  name: z.string(),
  widthM: z.number(),
  lengthM: z.number(),
  madeYear: z.number().nullable(),
  version: z.number(),
  /** What stands in it: plants of all crops, the area that they take, and what that leaves, m². */
  taken: z.object({
    plants: z.number(),
    areaM2: z.number(),
    crops: z.array(z.object({ cropId: z.string(), name: z.string(), plants: z.number() })),
  }),
  soil: z.object({ celsius: z.number(), source: z.enum(['soil', 'air']), ageDays: z.number() }).nullable(),
});

/** A moved sprout as the Nursery lists it. */
export const seedling = z.object({
  number: z.number(),
  batchId: z.string(),
  batchNumber: z.number(),
  title: z.string(),
  cropId: z.string(),
  destination: z.string(),
  bedName: z.string().nullable(),
  proved: z.boolean(),
  movedMs: z.number(),
  stage: z.string(),
  /** When its stage was last said. */
  stageMs: z.number(),
  gone: z.object({ kind: z.enum(['lost', 'given']), why: z.string().nullable(), atMs: z.number() }).nullable(),
  /** What was said of it and still counts, the oldest first. */
  events: z.array(
    z.object({
      id: z.string(),
      kind: z.enum(['stage', 'lost', 'given']),
      stage: z.string().nullable(),
      why: z.string().nullable(),
      atMs: z.number(),
    }),
  ),
});

/** The Nursery: how many stand at each stage, and a page of them. */
export const nursery = z.object({
  living: z.number(),
  groups: z.array(z.object({ group: z.enum(NURSERY_GROUPS), count: z.number(), from: z.number(), seedlings: z.array(seedling) })),
});

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
  /** After an absence: what may be past saving, the longest roots first. */
  rescue: z.object({ away: z.string(), batchIds: z.array(z.string()) }).nullable(),
  /** The round that somebody began and has not ended. */
  round: round.nullable(),
});

export const demoParcel = z.object({
  seeds: z.array(z.object({ seed: z.number(), stage: z.string(), rootMm: z.number().nullable() })),
  damp: z.string(),
});

export type Problem = z.infer<typeof problem>;
export type About = z.infer<typeof about>;
export type Copy = z.infer<typeof copy>;
export type Copies = z.infer<typeof copies>;
export type Household = NonNullable<About['household']>;
export type Reading = z.infer<typeof reading>;
export type Spot = z.infer<typeof spot>;
export type Holder = z.infer<typeof holder>;
export type Found = z.infer<typeof found>;
export type CropSummary = z.infer<typeof cropSummary>;
export type CropSheet = z.infer<typeof cropSheet>;
export type Undoing = z.infer<typeof undoing>;
export type Untucking = z.infer<typeof untucking>;
export type JournalEntry = z.infer<typeof journalEntry>;
export type Round = z.infer<typeof round>;
export type Bed = z.infer<typeof bed>;
export type Nursery = z.infer<typeof nursery>;
export type Seedling = z.infer<typeof seedling>;
export type Cup = z.infer<typeof cup>;
export type Batch = z.infer<typeof batch>;
export type BatchWithJournal = z.infer<typeof batchWithJournal>;
export type Card = z.infer<typeof card>;
export type Stop = z.infer<typeof stop>;
export type Today = z.infer<typeof today>;
export type DemoParcel = z.infer<typeof demoParcel>;
export type { Crop, WhyPanel };
