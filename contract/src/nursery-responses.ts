import * as z from 'zod';
import { DESTINATIONS } from '@fresh-tuck/core/moving';
import { COVERS, NURSERY_GROUPS, PARTINGS, ROLES, SEEDLING_EVENTS, SEEDLING_STAGES } from './choices.js';
import { bed } from './responses.js';
import { careWord, placeLight, seedlingWord } from './nursery-requests.js';

const parting = z.object({ kind: z.enum(PARTINGS), why: z.string().nullable(), atMs: z.number() });

/** A moved sprout with its record. */
export const seedling = z.object({
  number: z.number(),
  batchId: z.string(),
  batchNumber: z.number(),
  title: z.string(),
  cropId: z.string(),
  destination: z.string(),
  bedName: z.string().nullable(),
  /** The packet that it came from, and when its batch was begun. */
  packetId: z.string(),
  packetTitle: z.string(),
  startedMs: z.number(),
  /** Whether its seed would come true, where it stands; null while it is no time for that. */
  seed: z.string().nullable(),
  proved: z.boolean(),
  movedMs: z.number(),
  stage: z.enum(SEEDLING_STAGES),
  /** When its stage was last said. */
  stageMs: z.number(),
  role: z.enum(ROLES).nullable(),
  grade: z.number().nullable(),
  gone: parting.nullable(),
  /** What was said of it and still counts, the oldest first. */
  events: z.array(
    z.object({
      id: z.string(),
      /** The act that said it, where that spoke of several. */
      actId: z.string().nullable(),
      kind: z.enum(SEEDLING_EVENTS),
      stage: z.string().nullable(),
      why: z.string().nullable(),
      atMs: z.number(),
      inWords: z.string(),
      /** The photograph that it is about; null for any other word. */
      photoId: z.string().nullable(),
    }),
  ),
});

/** Seedlings of one group, a page at a time. */
export const nurseryPage = z.object({ group: z.enum(NURSERY_GROUPS), count: z.number(), from: z.number(), seedlings: z.array(seedling) });

/** A seedling as it stands in its tray. */
export const plant = z.object({
  number: z.number(),
  stage: z.enum(SEEDLING_STAGES),
  proved: z.boolean(),
  role: z.enum(ROLES).nullable(),
  grade: z.number().nullable(),
  /** The first label of its pot where it shares one; null where it stands alone. */
  pot: z.number().nullable(),
  /** Its slot in a rack; null where it is in none, or nobody said. */
  slot: z.number().nullable(),
  /** Late for its next stage: the chance that it still comes, had somebody looked now; null where it is not. */
  late: z.number().nullable(),
});

/** What a touch does about something. */
export const nurseryTask = z.object({
  kind: z.string(),
  /** Whose it is: of a tray, of several in one round, or of none but a place. */
  trayIds: z.array(z.string()),
  spotId: z.string().nullable(),
  /** The bed, or the batch, where it is about one. */
  bedId: z.string().nullable(),
  batchId: z.string().nullable(),
  /** The crop that it lets go on, where it is about one alone. */
  cropId: z.string().nullable(),
  dueMs: z.number(),
  /** Of today's work. */
  today: z.boolean(),
  lead: z.string(),
  text: z.string(),
  /** When, in words. */
  when: z.string(),
  /** "Lid is off": what its button says; null where there is nothing to touch. */
  act: z.string().nullable(),
  /** What that writes down for its tray; null where it takes more than a touch. */
  done: careWord.nullable(),
  /** What it says of the labels that it is about. */
  says: seedlingWord.nullable(),
  /** What a finger may say instead: damp still. */
  instead: careWord.nullable(),
  /** The labels that it is about; empty where it is about all. */
  numbers: z.array(z.number()),
  tone: z.enum(['growth', 'trouble', 'waiting', 'water']),
});

/** One day of a week of hardening. */
export const hardeningDay = z.object({
  /** "Sun 12 Apr" */
  day: z.string(),
  nth: z.number().nullable(),
  hours: z.number(),
  night: z.boolean(),
  kept: z.enum(['cold', 'wind', 'cold_night', 'unknown']).nullable(),
  /** "3 to 11 °C, gusts 30 km/h", or that nobody told it. */
  weather: z.string(),
  text: z.string(),
});

/** Seedlings of one batch that stand together. */
export const tray = z.object({
  id: z.string(),
  batchId: z.string(),
  batchNumber: z.number(),
  /** Where it stands; null where nobody has said. */
  spotId: z.string().nullable(),
  cropId: z.string(),
  name: z.string(),
  variety: z.string(),
  destination: z.enum(DESTINATIONS),
  finalPot: z.boolean(),
  /** Grown as a blade: onion kin, grasses. */
  blade: z.boolean(),
  /** The mix that suits it when it is potted on. */
  mix: z.string(),
  cover: z.enum(COVERS),
  movedMs: z.number(),
  plants: z.array(plant),
  /** "41 of 60 up": how it stands. */
  stands: z.string(),
  /** What it asks for by itself. */
  tasks: z.array(nurseryTask),
  /** Its seedlings from the best to the poorest, with the reason; empty for a single one. */
  order: z.array(z.object({ number: z.number(), why: z.string(), photoId: z.string().nullable() })),
  /** The week ahead of one that is being hardened; empty for any other. */
  week: z.array(hardeningDay),
  /** What is awaited, in words, each step a line. */
  awaited: z.array(z.string()),
  tone: z.enum(['growth', 'trouble', 'waiting', 'water']),
});

/** Light of a day at a place. */
export const dayLight = z.object({
  wantedLow: z.number(),
  wantedHigh: z.number(),
  daylight: z.number(),
  daylightLow: z.number(),
  daylightHigh: z.number(),
  lamp: z.number(),
  /** Hours of the household's clock. */
  riseHour: z.number().nullable(),
  setHour: z.number().nullable(),
  lampFromHour: z.number().nullable(),
  lampToHour: z.number().nullable(),
  text: z.string(),
  enough: z.boolean(),
});

/** Plants of one crop that went into a bed together, drawn to scale. */
export const plantingLaid = z.object({
  cropId: z.string(),
  name: z.string(),
  plants: z.number(),
  /** "4 rows of 3, 30 cm apart; 20 cm in the row": how it is measured out. */
  text: z.string(),
  spots: z.array(z.object({ alongCm: z.number(), acrossCm: z.number() })),
  /** Plants that did not fit at their spacing. */
  over: z.number(),
});
/** Plants of one batch that stand in a bed, to be marked together. */
export const bedStanding = z.object({
  numbers: z.array(z.number()),
  /** "12 celeriac, Snow Cap, since 11 April": which, and since when. */
  text: z.string(),
  /** Whether the first of it was ripe. */
  ripe: z.boolean(),
});
/** A bed with what grows in it. */
export const nurseryBed = z.object({ id: z.string(), widthM: z.number(), lengthM: z.number(), plantings: z.array(plantingLaid) });
/** A rack, its slots in order; who is in one, or nobody. */
export const nurseryRack = z.object({ id: z.string(), slots: z.array(z.object({ slot: z.number(), number: z.number().nullable() })) });

/** A place with what stands there. */
export const nurseryPlace = z.object({
  /** Null where nobody has said where they stand. */
  spotId: z.string().nullable(),
  name: z.string(),
  kind: z.string().nullable(),
  inWords: z.string(),
  setup: placeLight.nullable(),
  light: dayLight.nullable(),
  trays: z.array(tray),
  /** A bed with what grows in it; null for any other place. */
  bed: nurseryBed.nullable(),
  /** A rack with who is in which slot; null for any other place. */
  rack: nurseryRack.nullable(),
});

/** A bed by itself: what grows in it, and how more would lie. */
export const bedPage = z.object({
  bed,
  plantings: z.array(plantingLaid),
  standing: z.array(bedStanding),
  /** The plants that were asked about, behind those that stand; null where none were. */
  proposed: plantingLaid.nullable(),
  /** Whether it can take them now. */
  gate: z.object({ tone: z.enum(['growth', 'trouble', 'waiting', 'water']), text: z.string() }).nullable(),
  spacingCm: z.object({ inRow: z.number(), rows: z.number() }).nullable(),
});

/** The Nursery: what stands where, and what is to be done. */
export const nursery = z.object({
  nowMs: z.number(),
  lead: z.string(),
  /** Those that stand in it still, and what was planted out and stands. */
  standing: z.number(),
  out: z.number(),
  gone: z.number(),
  tasks: z.array(nurseryTask),
  places: z.array(nurseryPlace),
  /** Spots that a tray can be carried to. */
  spots: z.array(z.object({ id: z.string(), name: z.string() })),
  /** Beds that it can be planted out in, and racks with their free slots. */
  beds: z.array(z.object({ id: z.string(), name: z.string() })),
  racks: z.array(z.object({ id: z.string(), name: z.string(), free: z.array(z.number()) })),
  /** Days ahead with the weather that was told of them. */
  weather: z.array(z.object({ day: z.string(), minC: z.number().nullable(), maxC: z.number().nullable(), windKmh: z.number().nullable() })),
  /** Whether the household has said how far north it lies. */
  located: z.boolean(),
});

export type Seedling = z.infer<typeof seedling>;
export type NurseryPage = z.infer<typeof nurseryPage>;
export type Plant = z.infer<typeof plant>;
export type NurseryTask = z.infer<typeof nurseryTask>;
export type Tray = z.infer<typeof tray>;
export type NurseryPlace = z.infer<typeof nurseryPlace>;
export type DayLight = z.infer<typeof dayLight>;
export type HardeningDay = z.infer<typeof hardeningDay>;
export type BedPage = z.infer<typeof bedPage>;
export type PlantingLaid = z.infer<typeof plantingLaid>;
export type Nursery = z.infer<typeof nursery>;
