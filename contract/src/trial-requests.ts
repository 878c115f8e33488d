import * as z from 'zod';
import { QUESTIONS } from '@fresh-tuck/core/trials';
import { id, number, SEED_LIMIT, text, whole } from './fields.js';

/** Sides that a trial may have. */
export const MOST_ARMS = 4;
/** Batches on one side. */
export const MOST_ON_A_SIDE = 12;
/** Seeds on one side, which a household's laptop compares while one waits. */
export const MOST_SEEDS_A_SIDE = 1000;
/** A planned trial's bags a side. */
export const MOST_BAGS = 4;

const arm = z.strictObject({
  /** What is done to this side, in a word or two: "soaked". */
  name: text(40, 'a side’s name'),
  /** What the question is on this side, as its code, its packet or place by id, or hours; null where batches were put together by hand. */
  setting: z
    .string({ error: 'a side’s setting must be text' })
    .max(400, { error: 'a side’s setting must have at most 400 characters' })
    .nullable(),
  batchIds: z
    .array(id, { error: 'batchIds must be a list' })
    .max(MOST_ON_A_SIDE, { error: `a side must have at most ${MOST_ON_A_SIDE} batches: leave the oldest out` }),
});

/** What was planned ahead. */
const plan = z.strictObject({
  packetId: id,
  seeds: whole(1, SEED_LIMIT, 'plan.seeds'),
  /** Bags that each side's seeds are shared between. */
  bags: whole(1, MOST_BAGS, 'plan.bags'),
  /** The difference one would care about: so many days, or so large a share of the seeds. */
  care: z.discriminatedUnion(
    'of',
    [
      z.strictObject({ of: z.literal('days'), days: number(0.1, 60, 'plan.care.days', 'days') }),
      z.strictObject({ of: z.literal('share'), share: number(0.01, 1, 'plan.care.share', 'of all seeds') }),
    ],
    { error: 'plan.care.of must be days or share' },
  ),
  /** What the lots are drawn with: the same draws the same. */
  lot: whole(0, 2 ** 31 - 1, 'plan.lot'),
});

/** A trial as it is said: its question, its sides, what was planned of it and what was read from it. */
export const trialWords = z.strictObject({
  name: text(80, 'name'),
  question: z.enum(QUESTIONS, { error: `question must be one of ${QUESTIONS.join(', ')}` }),
  arms: z
    .array(arm, { error: 'arms must be a list' })
    .min(2, { error: 'arms must be two at least: one side is no comparison' })
    .max(MOST_ARMS, { error: `arms must be at most ${MOST_ARMS}` })
    .refine((all) => new Set(all.map(({ name }) => name.toLowerCase())).size === all.length, {
      error: 'arms must each have a name of their own',
    }),
  plan: plan.nullable(),
  /** What it came to, as it was written down. */
  read: text(240, 'read').nullable(),
  /** The side that it speaks for, by its number from 0; null where it speaks for none. */
  better: whole(0, MOST_ARMS - 1, 'better')
    .nullable()
    .default(null),
});

/** A trial said or changed; without words it is taken out of the notebook. */
export const trialRequest = z.strictObject({ id, trialId: id, words: trialWords.nullable() });
/** The last that was said of a trial is taken back. */
export const trialUndoRequest = z.strictObject({ id, trialId: id });

/** What is kept of a trial, and what a client says of one: a default may be left out. */
export type TrialWords = z.output<typeof trialWords>;
export type TrialSaying = z.input<typeof trialWords>;
export type TrialRequest = z.input<typeof trialRequest>;
