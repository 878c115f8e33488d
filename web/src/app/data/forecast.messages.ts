import type { Household, Spot } from '@fresh-tuck/contract';
import type { Answers, Crop, Judgement, LotPrior, ParcelFacts, WhyPanel } from '@fresh-tuck/core';

/** What Tuck in asks: this many plants of that crop, started where. */
export interface PlanQuestion {
  readonly crop: Crop;
  readonly prior: LotPrior;
  /** Chance that a sprout survives the move. */
  readonly handling: number;
  readonly wanted: number;
  readonly sureness: number;
  /** What the gardener fixed, or null to be told. */
  readonly seeds: number | null;
  readonly startMs: number;
  readonly chillDays: number | null;
  readonly closure: ParcelFacts['closure'];
  readonly pane: { readonly widthMm: number; readonly heightMm: number; readonly plies: number };
  readonly spots: readonly Spot[];
  readonly utcOffsetHours: number;
}

/** What Tuck in answers. */
export interface Plan {
  /** The gardener's number, or the fewest that suffice; null where none does. */
  readonly seeds: number;
  readonly enough: number | null;
  /** Chance of the wanted plants for numbers around it. */
  readonly chances: readonly { readonly seeds: number; readonly chance: number }[];
  readonly expectedRate: number;
  readonly dose: { readonly millilitres: number; readonly sprays: number; readonly teaspoons: number };
  readonly nearestMm: number;
  readonly neededMm: number;
  readonly bySpot: readonly {
    readonly spotId: string;
    readonly facts: ParcelFacts;
    readonly answers: Answers;
    /** Days from the start until half of the living show; null where they never do. */
    readonly halfDays: number | null;
  }[];
}

interface Asked {
  readonly key: number;
  readonly household: Household;
  readonly nowMs: number;
}
export type WorkerRequest =
  | (Asked & { readonly kind: 'parcel' | 'why'; readonly facts: ParcelFacts })
  | (Asked & { readonly kind: 'plan'; readonly question: PlanQuestion });

export type WorkerReply =
  | { readonly key: number; readonly kind: 'parcel'; readonly answers: Answers; readonly judgement: Judgement }
  | { readonly key: number; readonly kind: 'plan'; readonly plan: Plan }
  | { readonly key: number; readonly kind: 'why'; readonly why: WhyPanel }
  | { readonly key: number; readonly kind: 'failed'; readonly message: string };
