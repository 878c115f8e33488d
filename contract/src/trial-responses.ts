import * as z from 'zod';
import { QUESTIONS } from '@fresh-tuck/core/trials';
import { parcelFacts } from './parcel-values.js';
import { METHODS } from './choices.js';
import { trialWords } from './trial-requests.js';

/** How far a trial is: nothing begun, something lies, all are closed, or what it came to is written down. */
export const TRIAL_STATES = ['planned', 'running', 'closed', 'read'] as const;

/** What is shown of a batch before it is compared. */
const batchInShort = {
  id: z.string(),
  number: z.number(),
  title: z.string(),
  startMs: z.number(),
  closedMs: z.number().nullable(),
  seeds: z.number(),
  came: z.number(),
  spots: z.array(z.string()),
};

/** A batch in a trial. */
export const trialBatch = z.object({
  ...batchInShort,
  packetId: z.string(),
  variety: z.string(),
  ageYears: z.number().nullable(),
  people: z.array(z.string()),
  /** What it went through; null while it lies. */
  facts: parcelFacts.nullable(),
  /** Sprouts that were moved on, and what is known of them by now. */
  moved: z.number(),
  lived: z.number(),
  died: z.number(),
});

export const trial = z.object({
  id: z.string(),
  words: trialWords,
  state: z.enum(TRIAL_STATES),
  saidMs: z.number(),
  arms: z.array(z.object({ name: z.string(), setting: z.string().nullable(), batches: z.array(trialBatch) })),
});

/** A trial in the list of all. */
export const trialInShort = z.object({
  id: z.string(),
  name: z.string(),
  question: z.enum(QUESTIONS),
  /** Of whose seed it is; null where no batch stands in it. */
  cropId: z.string().nullable(),
  /** The setting of the side that came out better, as it was written down; null where none did. */
  better: z.object({ name: z.string(), setting: z.string() }).nullable(),
  state: z.enum(TRIAL_STATES),
  /** What it came to, where that was written down. */
  read: z.string().nullable(),
  arms: z.array(z.object({ name: z.string(), numbers: z.array(z.number()) })),
  fromMs: z.number().nullable(),
});

/** A closed batch that could stand in a trial, with its settings by question. */
export const trialCandidate = z.object({
  ...batchInShort,
  cropId: z.string(),
  packetId: z.string(),
  method: z.enum(METHODS),
  /** Its settings by question: codes, ids of packet and place, hours. */
  settings: z.record(z.enum(QUESTIONS), z.string()),
});
export const trialCandidates = z.object({
  crops: z.array(z.object({ id: z.string(), name: z.string(), batches: z.number() })),
  batches: z.array(trialCandidate),
  /** Places and packets by id, as they are called. */
  names: z.record(z.string(), z.string()),
});

export type Trial = z.infer<typeof trial>;
export type TrialBatchShown = z.infer<typeof trialBatch>;
export type TrialInShort = z.infer<typeof trialInShort>;
export type TrialCandidate = z.infer<typeof trialCandidate>;
export type TrialCandidates = z.infer<typeof trialCandidates>;
