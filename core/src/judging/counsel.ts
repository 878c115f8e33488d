import type { CountForecast } from '../chance/index.js';
import type { Thirst, Trouble } from '../parcel/index.js';
import type { TestResult } from '../seedtest/index.js';
import type { Supply } from '../sowing/index.js';
import type { DeadlyWarmth } from '../warmth/index.js';
import type { FindingId } from './trouble-guide.js';

/** What a parcel needs, in order of precedence. */
export const VERDICTS = ['mend', 'rescue', 'move', 'count', 'top_up', 'restart', 'give_up', 'retest', 'leave'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** Lengths of what is to be moved: each as measured where few were, else the longest. */
export interface Lengths {
  readonly measuredMm: readonly number[] | null;
  readonly longestMm: number;
}

/** A trouble that was seen, with its page of the guide; a harmless one is re-tucked. */
interface Found {
  readonly what: 'trouble';
  readonly trouble: Trouble;
  readonly finding: FindingId;
}

/** Something to mend before all else. */
export type Mend =
  /** Its place kills: by what its thermometer said last, and what that may have cost already. */
  | ({ readonly kind: 'mend'; readonly what: 'heat'; readonly survival: number } & DeadlyWarmth)
  | { readonly kind: 'mend'; readonly what: 'overheated'; readonly injuryC: number; readonly survival: number }
  | {
      readonly kind: 'mend';
      readonly what: 'other_board';
      readonly way: 'cooler' | 'warmer';
      readonly meanC: number;
      /** Share of the living that come there, and quiet seeds that wait because of it. */
      readonly share: number;
      readonly waiting: number;
    }
  | { readonly kind: 'mend'; readonly what: 'thirst'; readonly damp: 'dry' | 'drying'; readonly felt: boolean; readonly doseMl: number }
  /** It sleeps on for want of cold: days earned of those that its kind wants, and share of the living that waits. */
  | {
      readonly kind: 'mend';
      readonly what: 'wants_cold';
      readonly earnedDays: number;
      readonly wantedDays: number;
      readonly asleep: number;
      readonly celsius: number;
      readonly alive: number;
    }
  | { readonly kind: 'mend'; readonly what: 'pool' }
  | {
      readonly kind: 'mend';
      readonly what: 'drowning';
      readonly drownsMs: number;
      readonly limitHours: number;
      readonly over: boolean;
      readonly survival: number;
    }
  | ({ readonly kind: 'mend' } & Found)
  | ({ readonly kind: 'retuck' } & Found);

/** What has grown and is to be moved. */
interface Grown {
  readonly what: 'lift';
  readonly grows: 'root' | 'shoot';
  readonly count: number;
  /** Before when, ms. */
  readonly byMs: number;
  readonly lengths: Lengths;
  readonly leavesOpen: boolean;
}

/** Something for what has shown. */
export type Lift =
  | ({ readonly kind: 'rescue' } & Grown)
  | ({ readonly kind: 'move' } & Grown)
  | {
      readonly kind: 'retuck';
      readonly what: 'tips';
      readonly count: number;
      readonly readyMs: number;
      readonly readyMm: number;
      readonly lateMm: number;
    };

/** Hope that is left, in figures. */
export interface Hope {
  readonly anyFurther: number;
  readonly untilMs: number;
  /** Chance that any comes ever. */
  readonly ever: number;
  readonly quietAlive: number;
}

/** Something for a wish that is not met, or a packet that is in doubt. */
export type Supplying =
  | {
      readonly kind: 'top_up';
      readonly what: 'more';
      readonly seeds: number;
      readonly chance: number;
      readonly byMs: number;
      readonly lagDays: number;
      readonly wanted: number;
      readonly enoughChance: number;
      /** Tips in all to be expected as it stands. */
      readonly low: number;
      readonly high: number;
      /** It is all that the packet has, and still not as sure as wished. */
      readonly last: boolean;
    }
  /** The second of two steps that was agreed is due. */
  | {
      readonly kind: 'top_up';
      readonly what: 'second_step';
      readonly seeds: number;
      readonly below: number;
      readonly shown: number;
    }
  /** What is missing cannot be had from this packet in any number that makes sense. */
  | {
      readonly kind: 'short';
      readonly short: NonNullable<Supply['short']>;
      readonly wanted: number;
      readonly low: number;
      readonly high: number;
      /** Another packet of the crop that could fill it up. */
      readonly packet: string | null;
    }
  | { readonly kind: 'restart'; readonly restart: NonNullable<Supply['restart']>; readonly hope: Hope }
  /** Closed for good, or set aside where a late one is not unlikely. */
  | {
      readonly kind: 'give_up';
      readonly quiet: number;
      readonly aside: boolean;
      readonly hope: Hope;
      readonly deadChance: number;
      readonly buy: boolean;
    }
  | { readonly kind: 'retest'; readonly tipped: number; readonly seeds: number; readonly chance: number }
  | { readonly kind: 'count'; readonly what: 'due'; readonly finalMs: number }
  | { readonly kind: 'count'; readonly what: 'result'; readonly result: TestResult; readonly showing: number };

/** Something for what stays where it is. */
export type Leave =
  | { readonly kind: 'leave'; readonly what: 'nothing_more' | 'no_quiet' }
  | {
      readonly kind: 'leave';
      /** Just looked at; due now; shut until the next look; kept cold, or in the water, until then. */
      readonly what: 'retuck' | 'look_now' | 'shut' | 'cold' | 'soak';
      /** Length that a root nobody has seen has by even chances, mm; null where none is likely in the paper. */
      readonly unseenMm: number | null;
      readonly quiet: number;
      readonly alive: number;
      readonly untilMs: number;
    };

/** One thing to do or to leave, as figures; `core/words` says it. */
export type Counsel = Mend | Lift | Supplying | Leave;

/** Why a parcel stands on Today as it does. */
export type Headline = { readonly through: boolean } & (
  | {
      readonly what: 'roots';
      readonly grows: 'root' | 'shoot';
      readonly count: number;
      readonly longestMm: number;
      readonly readyMs: number;
      readonly lateMs: number;
      readonly anyReady: boolean;
      /** Water that it may want besides, ml; 0 where it is damp. */
      readonly giveMl: number;
    }
  | { readonly what: 'unseen' | 'tips' | 'bag'; readonly now: CountForecast; readonly longestMm: number; readonly mate: number | null }
  | { readonly what: 'heat'; readonly peakC: number; readonly dies: number }
  | {
      readonly what: 'water';
      readonly thirst: Thirst | null;
      readonly dryingMs: number;
      readonly giveMl: number;
      readonly anyChance: number;
    }
  | { readonly what: 'soak'; readonly outByMs: number; readonly drownsMs: number }
  /** Mould or rot was seen: whether it has come back. */
  | { readonly what: 'trouble'; readonly trouble: Trouble | 'pool'; readonly sinceMs: number }
  | { readonly what: 'chill' }
  | { readonly what: 'final_count'; readonly now: CountForecast }
  | { readonly what: 'counted'; readonly showing: number }
  | { readonly what: 'second'; readonly seeds: number; readonly below: number; readonly shown: number }
  | {
      readonly what: 'unlooked';
      readonly now: CountForecast;
      readonly longestMm: number;
      readonly mate: number | null;
      readonly sinceMs: number;
    }
  | { readonly what: 'patience'; readonly hope: Hope }
);
