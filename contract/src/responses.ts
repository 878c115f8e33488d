import { nursingSchools, sky } from './nursery-requests.js';
import * as z from 'zod';
import type { WhyPanel } from '@fresh-tuck/core/words';
import { cropSchema, type Crop, type OwnFigures } from '@fresh-tuck/core/crops';
import { BAG_LINES, CLOSURES, COPY_KINDS, ENTRY_KINDS, HOLDER_KINDS } from './choices.js';
import { houseWays } from './parcel-values.js';

/** RFC 9457 problem details, with the fields that are wrong and what would be accepted. */
export const problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number(),
  detail: z.string(),
  errors: z.array(z.object({ field: z.string(), message: z.string() })).optional(),
});

/** Nobody is at home. */
export const absence = z.object({ id: z.string(), fromMs: z.number(), toMs: z.number() });

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
      away: z.array(absence),
      ways: houseWays.extend({ lateTolerance: z.number() }),
      nursing: z.object({ schools: nursingSchools, sky: sky.nullable() }),
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
  /** Bags and trays that it has room for, where somebody said; and those that stand there now. */
  holds: z.number().nullable(),
  taken: z.number(),
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
  kind: z.enum(['parcel', 'finished', 'packet', 'crop', 'seedling', 'line']),
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

/** A reading of a bed's soil. */
export const soilReading = z.object({ id: z.string(), day: z.string(), celsius: z.number(), source: z.enum(['soil', 'air']) });

export type SoilReading = z.infer<typeof soilReading>;
export type Problem = z.infer<typeof problem>;
export type Absence = z.infer<typeof absence>;
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
export type { Crop, WhyPanel };
