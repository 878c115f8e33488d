import type { Closure, DampLook, Setup, Weighing } from '../carrier/index.js';
import type { Crop } from '../crops/index.js';
import type { KnownFact, LotPrior, Prior } from '../forecast/index.js';
import type { MethodId } from '../method/index.js';
import type { TestResult } from '../seedtest/index.js';
import type { Stay } from '../warmth/index.js';
import type { ParcelLook, ParcelMove } from './state.js';
import { USUAL_WAYS, type HouseWays } from './ways.js';

/** The other parcels of a bag, as plain values. */
export interface BagMates {
  /** Chance that a seed of theirs has gone past "late" by each of the first looking times after now. */
  readonly lateBy: readonly number[];
  /** When the first of them is to be opened for itself. */
  readonly nextMs: number;
  /** Its number. */
  readonly number: number;
}

/** Another packet of a crop: what it is called, what is known of its living share, and what it has left. */
export interface OtherPacket {
  readonly title: string;
  readonly share: Prior['share'];
  readonly left: number | null;
}

/** The second of two steps: so many more seeds on a day, if fewer than so many have shown by then. */
export interface SecondStep {
  readonly atMs: number;
  readonly below: number;
  readonly seeds: number;
}

/** Everything about a parcel that its forecast hangs on: plain values, no ids. */
export interface ParcelFacts {
  readonly crop: Crop;
  readonly method: MethodId;
  readonly seeds: number;
  readonly wanted: number | null;
  readonly startMs: number;
  /** When its chill is done: the days that were wished, and as many more as warm spells cost it. */
  readonly chillUntilMs: number | null;
  /** Days of chill that it was given before it was begun. */
  readonly chilledDays?: number;
  /** Whether it was put into the cold without a chill being planned: it lies where its stays say. */
  readonly chillUnplanned?: boolean;
  /** Whether it is chilled dry, in its packet: that earns nothing. */
  readonly chillDry?: boolean;
  /** When it is to be out of the water, where it was put into it at the start; null where it was not. */
  readonly soakUntilMs?: number | null;
  /** More of its packet is to be started then, if fewer than so many have shown; null where nothing was agreed. */
  readonly secondStep?: SecondStep | null;
  /** What was known before any look: book, packet and own records. */
  readonly prior: LotPrior;
  readonly stays: readonly Stay[];
  readonly utcOffsetHours: number;
  readonly looks: readonly ParcelLook[];
  readonly moves: readonly ParcelMove[];
  readonly closure: Closure;
  /** How it was laid, where somebody said. */
  readonly setup?: Setup;
  /** Water that the towel was given, ml. */
  readonly doseMl: number;
  /** The household's looking times from now on, rising. */
  readonly lookTimesMs: readonly number[];
  /** Most a seed may be let past "late" unseen: chance at a look for any seed of the batch, less where its flush takes many looks. */
  readonly lateTolerance: number;
  /** The household's ways, where it said any. */
  readonly ways?: Partial<HouseWays>;
  /** Seeds left in the packet; null where nobody counted. */
  readonly packetLeft?: number | null;
  /** Whether the packet's rate was printed or proved, not only the book's. */
  readonly rateProved?: boolean;
  /** Other packets of the crop that have seed left, the likeliest first. */
  readonly otherPackets?: readonly OtherPacket[];
  readonly prepared?: readonly string[];
  /** Number of a later batch of the same packet that is under way: the lot is topped up already. */
  readonly followedBy?: number | null;
  /** What fingers said of the other towels of the bag: it dries as one. */
  readonly bagDamp?: readonly DampLook[];
  readonly weighings?: readonly Weighing[];
  /** What the other parcels of the bag ask for. */
  readonly mates?: BagMates | null;
  /** A germination test: when it is counted for the last time, and what it came to. */
  readonly test?: { readonly finalMs: number; readonly result: TestResult | null } | null;
  /** What was known, step by step, before any look: for "Why?". */
  readonly priorSteps?: readonly PriorStep[];
}

/** One thing that was known before any look, and the prior with it and all before it. */
export interface PriorStep {
  readonly what: 'book' | 'packet' | 'records';
  /** What is new with it. */
  readonly known: readonly KnownFact[];
  readonly prior: Prior;
}

/** A household's ways, with what is usual where it never said. */
export const waysOf = ({ ways }: Pick<ParcelFacts, 'ways'>): HouseWays => ({ ...USUAL_WAYS, ...ways });

/** What fingers said of a bag: of this parcel and of its mates, rising. */
export const feltOf = ({ looks, bagDamp }: ParcelFacts): DampLook[] =>
  [...looks.flatMap(({ atMs, damp, rewetted }) => (damp ? [{ atMs, damp, rewetted }] : [])), ...(bagDamp ?? [])].sort(
    (a, b) => a.atMs - b.atMs,
  );
