import * as z from 'zod';
import { DESTINATIONS } from '@fresh-tuck/core/moving';
import { DIVIDERS, ISOLATIONS, LINK_KINDS, METHODS, PURPOSES, TARGETS } from './choices.js';
import { lotPrior, stock, stockNow, storage, testResult } from './parcel-values.js';

/** A germination test of a packet, by reference: the batch is the proof. */
export const packetTest = z.object({
  batchId: z.string(),
  number: z.number(),
  atMs: z.number(),
  result: testResult.nullable(),
});

export const packet = z.object({
  id: z.string(),
  cropId: z.string(),
  cropName: z.string(),
  variety: z.string(),
  year: z.number().nullable(),
  source: z.string().nullable(),
  printedRatePercent: z.number().nullable(),
  printedDays: z.tuple([z.number(), z.number()]).nullable(),
  /** Rises with every change of it. */
  version: z.number(),
  /** Put away: kept in records, offered no more. */
  putAway: z.boolean(),
  seedsLeft: z.number().nullable(),
  seedsPerGram: z.number().nullable(),
  dressed: z.boolean(),
  trait: z.string().nullable(),
  note: z.string().nullable(),
  /** What it cost, in the household's money. */
  price: z.number().nullable(),
  /** Packets that it may come from, where nobody knows any more which; empty where it is known. */
  oneOf: z.array(z.object({ id: z.string(), title: z.string() })),
  generation: z.number().nullable(),
  motherId: z.string().nullable(),
  fatherId: z.string().nullable(),
  isolation: z.enum(ISOLATIONS).nullable(),
  isolationM: z.number().nullable(),
  storage: storage,
  /** Years that a year in its store ages it by. */
  pace: z.number(),
  /** What is known of its next batch before any look. */
  prior: lotPrior,
  /** Sprouts of its crop that were moved, and that snapped on the way. */
  handled: z.object({ moved: z.number(), snapped: z.number() }),
  /** Seedlings of its crop past danger, and lost, by where they were moved to. */
  fates: z.record(z.string(), z.object({ lived: z.number(), lost: z.number(), worth: z.number().optional() })),
  /** Seedlings of its tests by whether they would become plants. */
  sound: z.object({ normal: z.number(), abnormal: z.number() }),
  /** What is expected of it now, and what to do with it. */
  stock: stock,
  batches: z.array(
    z.object({
      id: z.string(),
      number: z.number(),
      seeds: z.number(),
      purpose: z.enum(PURPOSES),
      startMs: z.number(),
      live: z.boolean(),
    }),
  ),
});

/** What a batch would rest on, begun at a moment: every spot's record, and what is known of the packet there. */
export const start = z.object({
  startMs: z.number(),
  spots: z.array(
    z.object({
      id: z.string(),
      readings: z.array(z.object({ fromMs: z.number(), toMs: z.number(), minC: z.number(), maxC: z.number() })),
      guess: z.object({ minC: z.number(), maxC: z.number() }),
      /** By the event that is watched: a tip where it lies open, else what comes up. */
      priors: z.object({ tip: lotPrior, emergence: lotPrior }),
    }),
  ),
});

/** A packet as one chooses it. */
export const packetName = packet.pick({ id: true, cropId: true, cropName: true, variety: true, year: true, seedsLeft: true });
/** A packet that a row of a table is known as. */
export const match = packet
  .pick({
    ...{ id: true, version: true, putAway: true, cropId: true, variety: true, year: true, source: true, printedRatePercent: true },
    ...{
      printedDays: true,
      seedsLeft: true,
      seedsPerGram: true,
      dressed: true,
      trait: true,
      note: true,
      price: true,
      generation: true,
      storage: true,
    },
    ...{ motherId: true, fatherId: true, isolation: true, isolationM: true },
  })
  .nullable();
/** A table that was brought in. */
export const packetImported = z.object({
  id: z.string(),
  atMs: z.number(),
  added: z.number(),
  changed: z.number(),
  undone: z.boolean(),
});
/** What came of taking a table out again. */
export const importUndone = z.object({ removed: z.number(), restored: z.number(), kept: z.array(z.string()) });
/** A packet that could be started now, and why. */
export const idea = packet
  .pick({ id: true, cropName: true, variety: true, seedsLeft: true })
  .extend({ why: z.string().min(2), seeds: z.number().nullable() });
/** Another packet of the same crop, to fill up from. */
export const kin = packet.pick({ id: true, variety: true, seedsLeft: true, prior: true });

/** A packet as a row of the box draws it. */
export const boxRow = packet
  .pick({ id: true, cropName: true, variety: true, year: true, generation: true, dressed: true, seedsLeft: true })
  .extend({
    stock: stockNow,
  });
/** The box behind its dividers: how many stand behind each, and a page of them. */
export const box = z.object({
  /** Packets in all, whatever is looked for. */
  total: z.number(),
  counts: z.record(z.enum(DIVIDERS), z.number()),
  groups: z.array(
    z.object({
      divider: z.enum(DIVIDERS),
      /** That fit what is looked for. */
      count: z.number(),
      from: z.number(),
      packets: z.array(boxRow),
    }),
  ),
});

const relative = z.object({ id: z.string(), title: z.string(), year: z.number().nullable() });
/** A packet with where it came from and what came of it. */
export const packetSheet = packet.extend({
  mother: relative.nullable(),
  father: relative.nullable(),
  children: z.array(z.object({ id: z.string(), variety: z.string(), year: z.number().nullable(), generation: z.number().nullable() })),
  counts: z.array(z.object({ id: z.string(), seeds: z.number(), grams: z.number().nullable(), atMs: z.number() })),
  /** Why it cannot be removed but only put away; null where nothing hangs on it. */
  hangs: z.boolean(),
  tests: z.array(packetTest),
  /** What came of each batch that was begun from it, which way it was begun, and the batch it follows. */
  outcomes: z.array(
    z.object({
      batchId: z.string(),
      method: z.enum(METHODS),
      from: z.object({ batchId: z.string(), number: z.number(), kind: z.enum(LINK_KINDS) }).nullable(),
      tipped: z.number(),
      rotten: z.number(),
      moved: z.number(),
      quiet: z.number(),
    }),
  ),
  /** Distance that keeps its kind true, m; null where nobody says. */
  isolationNeededM: z.number().nullable(),
  hazards: z.object({ text: z.string(), regulated: z.string() }),
});

/** Soilless slots, and how many of them hold a living seedling. */
export const rack = z.object({ id: z.string(), name: z.string(), slots: z.number(), version: z.number(), taken: z.number() });

/** What earlier batches of a crop tell a plan: days of nursing, and how late they were. */
export const pastSeasons = z.object({
  nursingDays: z.array(z.number()),
  lateness: z.array(z.object({ year: z.number(), days: z.number(), kind: z.enum(TARGETS) })),
  /** Finished batches by way and destination: seeds started, and plants that stood there. */
  ways: z.array(
    z.object({
      method: z.enum(METHODS),
      destination: z.enum(DESTINATIONS),
      rackId: z.string().nullable(),
      seeds: z.number(),
      plants: z.number(),
    }),
  ),
});

export type Packet = z.infer<typeof packet>;
export type Start = z.infer<typeof start>;
export type PacketName = z.infer<typeof packetName>;
export type Match = z.infer<typeof match>;
export type PacketImported = z.infer<typeof packetImported>;
export type ImportUndone = z.infer<typeof importUndone>;
export type PacketIdea = z.infer<typeof idea>;
export type Kin = z.infer<typeof kin>;
export type BoxRow = z.infer<typeof boxRow>;
export type Box = z.infer<typeof box>;
export type PacketSheet = z.infer<typeof packetSheet>;
export type Rack = z.infer<typeof rack>;
export type PastSeasons = z.infer<typeof pastSeasons>;
