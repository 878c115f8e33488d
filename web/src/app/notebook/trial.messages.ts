import type { Household, TrialBatchShown } from '@fresh-tuck/contract';
import type { CameBy, CareFor, Compared, Indices, Question, SeedToTry } from '@fresh-tuck/core/trials';

/** A side with all that its batches went through. */
export interface AskedArm {
  readonly name: string;
  readonly batches: readonly TrialBatchShown[];
}

/** What the worker of trials is asked. */
export type TrialQuestion =
  | {
      readonly kind: 'compare';
      readonly question: Question;
      readonly arms: readonly AskedArm[];
      readonly seed: number;
      readonly nowMs: number;
      readonly household: Household;
    }
  | { readonly kind: 'size'; readonly seeds: number; readonly care: CareFor; readonly seed: SeedToTry; readonly sides: number };

/** A pair as it is told. */
export interface PairTold {
  readonly first: number;
  readonly second: number;
  readonly lead: string;
  readonly different: boolean;
  /** The side that came sooner, or gave more; null where neither is called different. */
  readonly better: number | null;
  readonly fair: string;
  /** What else differed and weighs something, the heaviest first; and all that weighs nothing, in a sentence. */
  readonly heavy: readonly { readonly text: string; readonly worth: string; readonly days: number; readonly spoils: boolean }[];
  readonly light: string;
  readonly elseDays: number;
  readonly sureness: string | null;
  readonly chance: string;
  readonly chanceOf: 'days' | 'share';
  readonly inHundred: number;
  readonly pots: readonly string[];
}

/** A side as it is drawn. */
export interface ArmDrawn {
  readonly name: string;
  readonly seeds: number;
  readonly came: number;
  readonly rotten: number;
  readonly days: readonly number[];
  readonly curve: readonly CameBy[];
  readonly indices: Indices | null;
  readonly sparse: boolean;
}

/** A comparison with all that its page shows. */
export interface TrialShown {
  readonly compared: Compared;
  readonly lead: number;
  readonly pairs: readonly PairTold[];
  readonly arms: readonly ArmDrawn[];
  readonly lastDay: number;
}

export type TrialReply =
  | { readonly kind: 'progress'; readonly done: number }
  | { readonly kind: 'compared'; readonly shown: TrialShown }
  | { readonly kind: 'size'; readonly chance: number; readonly needed: number | null }
  | { readonly kind: 'failed'; readonly message: string };
