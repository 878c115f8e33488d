import { creditOf, lastIsCold } from '../preparing/index.js';
import { DAY_MS, lookingTimes, offsetHours } from '../units/index.js';
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
  /** When nobody is at home: no look is planned then. */
  readonly away?: readonly Absence[];
  readonly ways: HouseWays & {
    /** Most a seed may be let past "late" unseen: chance at a look for any seed of the batch, less where its flush takes many looks. */
    readonly lateTolerance: number;
  };
}

/** A stretch in which nobody is at home. */
export interface Absence {
  readonly fromMs: number;
  readonly toMs: number;
}

/** The looking times at which somebody is at home. */
const atHome = (timesMs: readonly number[], away: readonly Absence[]): number[] =>
  timesMs.filter((ms) => !away.some(({ fromMs, toMs }) => ms >= fromMs && ms < toMs));

/** How far the credit of a chill is looked for beyond the days that it takes. */
const MOST_LATER = 3;

type Chilled = Pick<ParcelFacts, 'chillUntilMs' | 'chillUnplanned'>;

/**
 * When its chill is done: earned in full, as the record of its cold spot says. Seed of a
 * kind that wants it is chilled by standing in the cold, planned or not.
 */
function chilled(own: Omit<ParcelFacts, HousePart>, utcOffsetHours: number): Chilled {
  const { crop, stays, startMs, chillUntilMs, chilledDays = 0, chillDry = false } = own;
  const planned = { chillUntilMs };
  if (chillDry || crop.chill.weeks <= 0 || !lastIsCold(stays)) return planned;
  const warmDays = crop.chill.warmWeeks * 7;
  const wantedDays = chillUntilMs === null ? crop.chill.weeks * 7 : (chillUntilMs - startMs) / DAY_MS - warmDays + chilledDays;
  const since = Math.max((stays.at(-1)?.fromMs ?? startMs) - startMs, 0);
  const endMs = startMs + since + MOST_LATER * Math.max(wantedDays + warmDays, 1) * DAY_MS;
  const doneMs = creditOf(crop, stays, startMs, endMs, utcOffsetHours, chilledDays).when(wantedDays, warmDays) ?? endMs;
  if (chillUntilMs !== null) return { chillUntilMs: Math.max(chillUntilMs, doneMs) };
  return { chillUntilMs: doneMs, chillUnplanned: true };
}

type HousePart = 'utcOffsetHours' | 'lookTimesMs' | 'lateTolerance' | 'ways';

/**
 * A parcel's facts in its household at a moment: what Tuck in asks in the worker of a
 * batch that is to be begun, and what the server tells of one that was, are made here.
 */
export const factsOf = (
  own: Omit<ParcelFacts, HousePart>,
  { zone, lookingTimes: times, ways, away = [] }: House,
  atMs: number,
): ParcelFacts => ({
  ...own,
  ...chilled(own, offsetHours(zone, atMs)),
  utcOffsetHours: offsetHours(zone, atMs),
  lookTimesMs: atHome(lookingTimes(atMs, zone, times, LOOK_DAYS_AHEAD), away),
  lateTolerance: ways.lateTolerance,
  ways,
});
