import { evidenceFrom, type Evidence } from '../forecast/index.js';
import { mediumOf, USUAL_SETUP } from '../carrier/index.js';
import type { Basics } from '../parcel/index.js';
import { daysInWarmth, warmFromMs } from './in-warmth.js';

/** What a batch is called in a trial, beside what its facts say. */
export interface Traits {
  /** Its label's number. */
  readonly number: number;
  /** Which packet, by any name that is one packet's own; its variety, and the years its seed was old. */
  readonly packet: string;
  readonly variety: string;
  readonly ageYears: number | null;
  /** Where it stood, in the order it stood there. */
  readonly spots: readonly string[];
  /** Who looked. */
  readonly people: readonly string[];
}

/** A closed batch in a trial. */
export interface TrialBatch {
  readonly traits: Traits;
  /** What it went through, up to its closing. */
  readonly basics: Basics;
  readonly closedMs: number;
}

/** One side of a trial. */
export interface Arm {
  readonly name: string;
  readonly batches: readonly TrialBatch[];
}

/** What a trial can ask about. */
export const QUESTIONS = [
  'packet',
  'age',
  'method',
  'medium',
  'wet',
  'damped',
  'closure',
  'light',
  'soak',
  'chill',
  'prepared',
  'spot',
] as const;
export type Question = (typeof QUESTIONS)[number];

/** What time is told by: progress takes out what the warmth did; a question about the place keeps it in. */
export type Clock = 'progress' | 'days';
export const clockOf = (question: Question): Clock => (question === 'spot' ? 'days' : 'progress');

/** What a batch showed on a clock. */
export function shownOn({ basics }: TrialBatch, clock: Clock): Evidence {
  if (clock === 'progress') return basics.evidence;
  const { facts, growth, progress, evidence } = basics;
  const days = daysInWarmth(facts);
  const lived = Math.max(days(evidence.lastSeenMs), 1e-6);
  const speed = (growth.mmPerDayAtOptimum * progress.at(evidence.lastSeenMs)) / lived;
  const { readable } = mediumOf((facts.setup ?? USUAL_SETUP).medium);
  return evidenceFrom(facts.seeds, facts.looks, facts.startMs, days, Math.max(speed, 1e-6), readable);
}

/** Progress of a batch in the warm, days at the optimum. */
export const progressInWarmth = ({ facts, progress, evidence }: Basics): number =>
  progress.at(evidence.lastSeenMs) - progress.at(Math.min(warmFromMs(facts), evidence.lastSeenMs));

/** Days that a day at the optimum took on average, for all batches of a trial together: what progress is told in. */
export function daysPerProgress(batches: readonly TrialBatch[]): number {
  const sum = (of: (batch: TrialBatch) => number): number => batches.reduce((total, batch) => total + of(batch), 0);
  const progress = sum(({ basics }) => basics.facts.seeds * progressInWarmth(basics));
  const days = sum(({ basics: { facts, evidence } }) => facts.seeds * daysInWarmth(facts)(evidence.lastSeenMs));
  return progress > 0 ? days / progress : 1;
}
