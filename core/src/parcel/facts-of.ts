import { lookingTimes, offsetHours } from '../units/index.js';
import type { ParcelFacts } from './facts.js';
import type { HouseWays } from './ways.js';

/** How far ahead looking times are named, days. */
const LOOK_DAYS_AHEAD = 70;

/** What a household brings to every parcel of its own. */
export interface House {
  /** IANA zone. */
  readonly zone: string;
  /** Local times "HH:mm". */
  readonly lookingTimes: readonly string[];
  readonly ways: HouseWays & {
    /** Most a seed may be let past "late" unseen: chance for any seed, per look. */
    readonly lateTolerance: number;
  };
}

type HousePart = 'utcOffsetHours' | 'lookTimesMs' | 'lateTolerance' | 'ways';

/**
 * A parcel's facts in its household at a moment: what Tuck in asks in the worker of a
 * batch that is to be begun, and what the server tells of one that was, are made here.
 */
export const factsOf = (own: Omit<ParcelFacts, HousePart>, { zone, lookingTimes: times, ways }: House, atMs: number): ParcelFacts => ({
  ...own,
  utcOffsetHours: offsetHours(zone, atMs),
  lookTimesMs: lookingTimes(atMs, zone, times, LOOK_DAYS_AHEAD),
  lateTolerance: ways.lateTolerance,
  ways,
});
