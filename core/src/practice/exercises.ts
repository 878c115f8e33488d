import type { FindingId } from '../judging/index.js';
import type { Crop } from '../crops/index.js';
import type { TrueSeed } from './laws/growth.js';

/** A simulated parcel as one is told of it. */
export interface ShownParcel {
  readonly crop: Pick<Crop, 'id' | 'name'>;
  readonly seeds: number;
  /** Days since it was tucked in. */
  readonly days: number;
  readonly celsius: number;
  /** What was seen of it, the oldest first. */
  readonly looks: readonly { readonly daysAgo: number; readonly came: number }[];
  readonly readyMm: number;
  readonly lateMm: number;
  readonly seedMm: number;
}

/** What may be done with an opened towel. */
export const DEEDS = ['leave', 'move', 'rescue', 'rot'] as const;
export type Deed = (typeof DEEDS)[number];

/** How sure one may say that one is. */
export const SURENESSES = [0.5, 0.7, 0.9] as const;
/** A guess holds what lies so near to it. */
export const WITHIN = 1;

/** What a drawing may show: a finding of the trouble guide, or a seed that is quiet and sound. */
export type Seen = FindingId | 'alive';

/** One exercise, with what is true of it and what the plan would have said. */
export type Exercise =
  | { readonly kind: 'what'; readonly finding: Seen; readonly options: readonly Seen[] }
  | {
      readonly kind: 'open';
      readonly parcel: ShownParcel;
      /** Days from now on which it may be opened. */
      readonly options: readonly number[];
      /** Of these, the first and the last on which a root is there and none is past "late". */
      readonly good: { readonly from: number; readonly to: number };
      readonly plan: number;
    }
  | {
      readonly kind: 'do';
      readonly parcel: ShownParcel;
      readonly towel: readonly TrueSeed[];
      readonly options: readonly Deed[];
      readonly best: Deed;
    }
  | {
      readonly kind: 'count';
      readonly parcel: ShownParcel;
      readonly options: readonly number[];
      readonly final: number;
      readonly plan: { readonly low: number; readonly high: number };
    };
export type ExerciseKind = Exercise['kind'];

/** What somebody answered: the option's number from 0, and how sure where that was asked. */
export interface Answer {
  readonly option: number;
  readonly sureness: number | null;
}

/** How an answer did. */
export interface Marked {
  readonly right: boolean;
  /** Days that it was off, where days were asked; with the plan's. */
  readonly days: { readonly own: number; readonly plan: number } | null;
  /** Whether the count held, where it was asked; with the plan's 80 %. */
  readonly count: { readonly held: boolean; readonly sureness: number; readonly planHeld: boolean } | null;
}

const daysOff = (day: number, { from, to }: { readonly from: number; readonly to: number }): number =>
  day < from ? from - day : day > to ? day - to : 0;

/** Marks an answer. @throws RangeError where the option is none of the exercise's */
export function marked(exercise: Exercise, { option, sureness }: Answer): Marked {
  const chosen = exercise.options[option];
  if (chosen === undefined) throw new RangeError('option: none of the exercise’s');
  switch (exercise.kind) {
    case 'what':
      return { right: chosen === exercise.finding, days: null, count: null };
    case 'do':
      return { right: chosen === exercise.best, days: null, count: null };
    case 'open': {
      const own = daysOff(chosen as number, exercise.good);
      return { right: own === 0, days: { own, plan: daysOff(exercise.plan, exercise.good) }, count: null };
    }
    case 'count': {
      const held = Math.abs((chosen as number) - exercise.final) <= WITHIN;
      const { low, high } = exercise.plan;
      const planHeld = exercise.final >= low && exercise.final <= high;
      return { right: held, days: null, count: { held, sureness: sureness ?? SURENESSES[0], planHeld } };
    }
  }
}
