import * as z from 'zod';
import { METHODS } from './choices.js';
import { labelGrid, lineWords } from './sitting-requests.js';

export const sittingLine = z.object({
  id: z.string(),
  packetId: z.string(),
  /** "Leek, Bollard"; null where the packet is no longer in the box. */
  title: z.string().nullable(),
  cropId: z.string().nullable(),
  seedsLeft: z.number().nullable(),
  number: z.number(),
  token: z.string(),
  words: lineWords,
  bag: z.string().nullable(),
  /** The batch begun from it; null while there is none, or where it was taken back. */
  batchId: z.string().nullable(),
  /** What was begun from it; null while nothing is. */
  begun: z.object({ seeds: z.number(), method: z.enum(METHODS) }).nullable(),
  seconds: z.number().nullable(),
  skipped: z.boolean(),
});
export const sitting = z.object({
  id: z.string(),
  name: z.string().nullable(),
  at: z.string().nullable(),
  createdMs: z.number(),
  ended: z.boolean(),
  spent: z.number().nullable(),
  version: z.number(),
  lines: z.array(sittingLine),
  /** Own minutes a packet by the clock, of all sittings: how many were timed, and what the middle one took. */
  hands: z.partialRecord(z.enum(METHODS), z.object({ packets: z.number(), minutes: z.number() })),
});
/** A sitting by name: one that goes on, or one whose list may be used again. */
export const sittingName = z.object({
  id: z.string(),
  name: z.string().nullable(),
  at: z.string().nullable(),
  createdMs: z.number(),
  ended: z.boolean(),
  packets: z.number(),
  done: z.number(),
});
export const paper = z.object({ page: labelGrid.shape.page, stickers: labelGrid });
/** What a label's code leads to. */
export const labelled = z.object({
  kind: z.enum(['batch', 'line', 'seedling', 'packet', 'holder', 'spot']),
  /** Where it is opened: of a batch or packet its own id, of a bag and a seedling a batch's. */
  id: z.string().nullable(),
  title: z.string(),
});

export type SittingLineView = z.infer<typeof sittingLine>;
export type Sitting = z.infer<typeof sitting>;
export type SittingName = z.infer<typeof sittingName>;
export type Paper = z.infer<typeof paper>;
export type Labelled = z.infer<typeof labelled>;
