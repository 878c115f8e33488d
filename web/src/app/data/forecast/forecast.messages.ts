import type { Household, Packet, PastSeasons, Spot } from '@fresh-tuck/contract';
import type { Report } from '@fresh-tuck/core/judging';
import type { ParcelFacts } from '@fresh-tuck/core/parcel';
import type { CountedBack, CropLateness, Reached } from '@fresh-tuck/core/sowing';
import type { Crop } from '@fresh-tuck/core/crops';
import type { FinalCount } from '@fresh-tuck/core/seedtest';
import type { Told, WhyPanel } from '@fresh-tuck/core/words';
import type { Destination, RootSchool, Survival } from '@fresh-tuck/core/moving';

/** What Tuck in asks: this many plants of that crop, started where. */
export interface PlanQuestion {
  readonly crop: Crop;
  readonly packet: Pick<Packet, 'prior' | 'handled' | 'fates' | 'sound' | 'seedsLeft'>;
  /** Other packets of the crop with what they hold, to fill up from. */
  readonly others: readonly (Pick<Packet, 'id' | 'prior' | 'seedsLeft'> & { readonly title: string })[];
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
  readonly split: boolean;
  readonly soakHours: number;
  readonly startMs: number;
  /** Midday of the day by which it is wished for. */
  readonly target: { readonly kind: 'plant_out' | 'ripe'; readonly atMs: number } | null;
  readonly seasons: PastSeasons;
  readonly chillDays: number | null;
  readonly closure: ParcelFacts['closure'];
  readonly pane: { readonly widthMm: number; readonly heightMm: number; readonly plies: number };
  readonly spots: readonly Spot[];
  readonly utcOffsetHours: number;
}

/** A spot with what it would do. */
export interface PlanAtSpot {
  readonly spotId: string;
  readonly facts: ParcelFacts;
  readonly answers: Report;
  /** Days from the start until half of the living show; null where they never do. */
  readonly halfDays: number | null;
  /** The days forward, if enough come. */
  readonly forward: readonly Reached[];
  /** Counted back from the wished date; and the chance of being in time if begun now. */
  readonly back: CountedBack | null;
  readonly inTimeNow: number | null;
  /** Final count of a test here. */
  readonly finalCount: FinalCount;
}

/** What Tuck in answers. */
export interface Plan {
  /** The gardener's number, or the fewest that suffice; null where none does. */
  readonly seeds: number;
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
  readonly handling: Survival;
  readonly survival: Survival;
  /** What the packet's rest gives where it has too few. */
  readonly shortage: {
    readonly left: number;
    readonly chance: number;
    /** Most plants that the rest gives as surely as asked. */
    readonly plants: number;
    /** Seeds of other packets of the crop that fill it up. */
    readonly fill: readonly { readonly packetId: string; readonly title: string; readonly seeds: number }[];
  } | null;
  readonly lateness: CropLateness | null;
  readonly nursingTold: number;
  readonly dose: { readonly millilitres: number; readonly sprays: number; readonly teaspoons: number };
  readonly nearestMm: number;
  readonly neededMm: number;
  readonly bySpot: readonly PlanAtSpot[];
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
  | { readonly key: number; readonly kind: 'parcel'; readonly answers: Report; readonly judgement: Told }
  | { readonly key: number; readonly kind: 'plan'; readonly plan: Plan }
  | { readonly key: number; readonly kind: 'why'; readonly why: WhyPanel }
  | { readonly key: number; readonly kind: 'failed'; readonly message: string };
