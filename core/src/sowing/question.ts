import type { Closure, Dose, Setup } from '../carrier/index.js';
import type { Crop } from '../crops/index.js';
import type { LotPrior } from '../forecast/index.js';
import type { MethodId } from '../method/index.js';
import type { Destination, Fates, Handling, RootSchool, Survival } from '../moving/index.js';
import type { ParcelFacts } from '../parcel/index.js';
import type { Preparation } from '../preparing/index.js';
import type { FinalCount } from '../seedtest/index.js';
import type { DayRange, DeadlyWarmth, Reading } from '../warmth/index.js';
import type { TwoSteps } from './two-steps.js';
import type { CountedBack, Course, CropLateness, Goal, Reached } from './when.js';

/** What stands between a seed and a plant, in its order; all but the first can be left out. */
export const FACTORS = ['shows', 'sound', 'moved', 'lives'] as const;
export type Factor = (typeof FACTORS)[number];

/** One factor with its share, and how many own records told it. */
export interface FactorShare {
  readonly factor: Factor;
  readonly share: number;
  readonly told: number;
  /** Whether the gardener left it out. */
  readonly out: boolean;
}

/** A place in which a batch could be begun: its record, what such places are like, and what is known of the packet there. */
export interface PlanSpot {
  readonly id: string;
  readonly readings: readonly Reading[];
  readonly guess: DayRange;
  readonly prior: LotPrior;
}

/** What is planned: this many plants of that crop, started how, when and where. */
export interface PlanQuestion {
  readonly crop: Crop;
  readonly method: MethodId;
  readonly packet: {
    readonly prior: LotPrior;
    /** Sprouts of its crop that were moved, and that snapped on the way. */
    readonly handled: { readonly moved: number; readonly snapped: number };
    readonly fates: Readonly<Record<string, Fates>>;
    /** Seedlings of its tests by whether they would become plants. */
    readonly sound: { readonly normal: number; readonly abnormal: number };
    readonly seedsLeft: number | null;
  };
  /** Other packets of the crop with what they hold, to fill up from. */
  readonly others: readonly { readonly id: string; readonly title: string; readonly prior: LotPrior; readonly seedsLeft: number | null }[];
  readonly wanted: number;
  /** Share of the plants that is worth keeping, where only the best are. */
  readonly keep: number;
  readonly sureness: number;
  /** What the gardener fixed, or null to be told. */
  readonly seeds: number | null;
  readonly destination: Destination;
  readonly school: RootSchool;
  /** Sprouts to a pot, and plants left in it. */
  readonly perPot: number;
  readonly keepers: number;
  readonly prepared: readonly Preparation[];
  /** Whether it goes into the water now; where it was soaked before, it is out already. */
  readonly soaking: boolean;
  /** Hours of that soak; null for the crop's longest. */
  readonly soakHours?: number | null;
  /** How it is laid. */
  readonly setup?: Setup;
  /** Cells, slots, pellets or pots that the seeds are shared between; null where the method has none. */
  readonly places?: number | null;
  /** Factors on the way to a plant that the gardener leaves out. */
  readonly without: readonly Factor[];
  /** The place that the gardener fixed, or null to be told. */
  readonly spotId: string | null;
  readonly startMs: number;
  /** Midday of the day by which it is wished for. */
  readonly target: { readonly kind: Exclude<Goal, 'move'>; readonly atMs: number } | null;
  /** What earlier batches of the crop tell. */
  readonly seasons: {
    readonly nursingDays: readonly number[];
    readonly lateness: readonly { readonly year: number; readonly days: number; readonly kind: Exclude<Goal, 'move'> }[];
  };
  readonly chillDays: number | null;
  /** Days of chill that it was given before. */
  readonly chilledDays?: number;
  /** Whether the cold is given dry, in the packet. */
  readonly chillDry?: boolean;
  readonly closure: Closure;
  /** The folded towel; what it is drawn on where it is none. */
  readonly pane: { readonly widthMm: number; readonly heightMm: number; readonly plies: number };
  readonly spots: readonly PlanSpot[];
  /** Whether only the place that it goes to is worked out to the end. */
  readonly onlyThere?: boolean;
}

/** A spot with what it would do. */
export interface PlanAtSpot {
  readonly spotId: string;
  /** The batch as it would be begun there. */
  readonly facts: ParcelFacts;
  /** Share of the living that come there: seed kept quiet or killed by its warmth is left out. */
  readonly comes: number;
  /** The fewest seeds that suffice there. */
  readonly enough: number | null;
  /** It kills: nothing is put there. */
  readonly refused: DeadlyWarmth | null;
  /** Days from the start until half of the live seeds show; null where they never do. */
  readonly halfDays: number | null;
  /** What it would run through there. */
  readonly course: Course;
  /** The days forward, if enough come. */
  readonly forward: readonly Reached[];
  /** Counted back from the wished date; and the chance of being in time if begun now. */
  readonly back: CountedBack | null;
  readonly inTimeNow: number | null;
  /** Final count of a test here. */
  readonly finalCount: FinalCount;
}

/** Everything that Tuck in works out before a batch is begun. */
export interface Plan {
  /** The gardener's number, or the fewest that suffice. */
  readonly seeds: number;
  /** The fewest that suffice; null where no number does. */
  readonly enough: number | null;
  /** Taken from the packet, where husks split. */
  readonly taken: number;
  /** Sprouts that the wished plants take. */
  readonly sprouts: number;
  /** Chance of the wanted plants for numbers around it. */
  readonly chances: readonly { readonly seeds: number; readonly chance: number }[];
  /** Fewest seeds by sureness. */
  readonly levels: readonly { readonly sureness: number; readonly seeds: number | null }[];
  readonly expectedRate: number;
  readonly handling: Handling;
  readonly survival: Survival;
  /** What stands between a seed and a plant, each share for itself. */
  readonly factors: readonly FactorShare[];
  /** Where it goes: the gardener's place, else the one that suits best; null where none may be chosen. */
  readonly spotId: string | null;
  /** Fewer first, and more on a stated day if too few show; null where the rate is not in doubt. */
  readonly twoSteps: TwoSteps | null;
  /** What the packet's rest gives where it has too few. */
  readonly shortage: {
    readonly left: number;
    readonly chance: number;
    /** Most plants that the rest gives as surely as asked. */
    readonly plants: number;
    /** The same with one sprout to a pot; null where it is one already. */
    readonly singly: number | null;
    /** Seeds of other packets of the crop that fill it up. */
    readonly fill: readonly { readonly packetId: string; readonly title: string; readonly seeds: number }[];
  } | null;
  readonly lateness: CropLateness | null;
  readonly nursingTold: number;
  readonly dose: Dose;
  readonly nearestMm: number;
  readonly neededMm: number;
  readonly bySpot: readonly PlanAtSpot[];
}
