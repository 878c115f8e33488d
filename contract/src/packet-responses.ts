import * as z from 'zod';
import type { LotPrior } from '@fresh-tuck/core';
import type { TestResult } from '@fresh-tuck/core/germination-test';
import type { Storage } from '@fresh-tuck/core/seedbox';
import type { Stock } from '@fresh-tuck/core/stock';
import { ISOLATIONS, PURPOSES, TARGETS } from './choices.js';

/** A germination test of a packet, by reference: the batch is the proof. */
export const packetTest = z.object({
  batchId: z.string(),
  number: z.number(),
  atMs: z.number(),
  result: z.custom<TestResult>().nullable(),
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
  seedsLeft: z.number().nullable(),
  seedsPerGram: z.number().nullable(),
  dressed: z.boolean(),
  trait: z.string().nullable(),
  generation: z.number().nullable(),
  motherId: z.string().nullable(),
  fatherId: z.string().nullable(),
  isolation: z.enum(ISOLATIONS).nullable(),
  isolationM: z.number().nullable(),
  storage: z.custom<Storage>(),
  /** Years that a year in its store ages it by. */
  pace: z.number(),
  /** What is known of its next batch before any look. */
  prior: z.custom<LotPrior>(),
  /** Sprouts of its crop that were moved, and that snapped on the way. */
  handled: z.object({ moved: z.number(), snapped: z.number() }),
  /** Seedlings of its crop past danger, and lost, by where they were moved to. */
  fates: z.record(z.string(), z.object({ lived: z.number(), lost: z.number() })),
  /** Seedlings of its tests by whether they would become plants. */
  sound: z.object({ normal: z.number(), abnormal: z.number() }),
  /** What is expected of it now, and what to do with it. */
  stock: z.custom<Stock>(),
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

const relative = z.object({ id: z.string(), title: z.string(), year: z.number().nullable() });
/** A packet with where it came from and what came of it. */
export const packetSheet = packet.extend({
  mother: relative.nullable(),
  father: relative.nullable(),
  children: z.array(z.object({ id: z.string(), variety: z.string(), year: z.number().nullable(), generation: z.number().nullable() })),
  counts: z.array(z.object({ seeds: z.number(), grams: z.number().nullable(), atMs: z.number() })),
  tests: z.array(packetTest),
  /** Distance that keeps its kind true, m; null where nobody says. */
  isolationNeededM: z.number().nullable(),
  hazards: z.object({ text: z.string(), regulated: z.string() }),
});

/** Soilless slots, and how many of them hold a living seedling. */
export const rack = z.object({ id: z.string(), name: z.string(), slots: z.number(), taken: z.number() });

/** What earlier batches of a crop tell a plan: days of nursing, and how late they were. */
export const pastSeasons = z.object({
  nursingDays: z.array(z.number()),
  lateness: z.array(z.object({ year: z.number(), days: z.number(), kind: z.enum(TARGETS) })),
});

export type Packet = z.infer<typeof packet>;
export type PacketSheet = z.infer<typeof packetSheet>;
export type Rack = z.infer<typeof rack>;
export type PastSeasons = z.infer<typeof pastSeasons>;
