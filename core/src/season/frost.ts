import type { Crop } from '../crops/index.js';
import { DAY_MS } from '../units/index.js';
import { frostTender } from './hardiness.js';

/** The last spring frost as a household knows it: a day of the year, give or take. */
export interface LastFrost {
  /** "05-10" */
  readonly monthDay: string;
  /** It comes so many days earlier or later in eight years of ten. */
  readonly giveDays: number;
  /** Whether it is the usual for such a region, and nobody's own record. */
  readonly guessed: boolean;
}

const WEEK_MS = 7 * DAY_MS;
const HALF_YEAR_MS = 183 * DAY_MS;
/** Frost further away is another winter's. */
const REACH_MS = 200 * DAY_MS;

/** Midday of the last frost of the spring nearest to a moment, ms. */
export function lastFrostNear({ monthDay }: Pick<LastFrost, 'monthDay'>, ms: number): number {
  const year = new Date(ms).getUTCFullYear();
  const days = [year - 1, year, year + 1].map((one) => Date.parse(`${one}-${monthDay}T12:00:00Z`));
  return days.find((day) => Math.abs(day - ms) <= HALF_YEAR_MS) ?? days[1] ?? ms;
}

/**
 * The earliest day on which a crop is planted out by the frost, ms: a tender kind waits
 * until the late frosts are over too, a hardy one goes out by its own weeks.
 *
 * @param readyMs when it would be ready to go out
 * @returns null where the frost does not hold it back
 */
export function outNotBefore(crop: Pick<Crop, 'id' | 'growing'>, frost: LastFrost, readyMs: number): number | null {
  const { hardiness, plantOutWeeksAfterFrost: weeks } = crop.growing;
  if (hardiness === 'hardy' && weeks === null) return null;
  const tender = frostTender(crop);
  const late = tender ? frost.giveDays * DAY_MS : 0;
  const earliest = (day: number): number => day + Math.max((weeks?.[0] ?? 0) * WEEK_MS, tender ? 0 : -Infinity) + late;
  const spring = earliest(lastFrostNear(frost, readyMs));
  return readyMs < spring && spring - readyMs < REACH_MS ? spring : null;
}

/** The days between which a crop is started for planting out by the frost, ms; null for what is not. */
export function startWindow({ growing }: Pick<Crop, 'growing'>, frost: LastFrost, nowMs: number): { fromMs: number; toMs: number } | null {
  const weeks = growing.startWeeksBeforeFrost;
  if (weeks === null) return null;
  // The spring that lies ahead, or has just begun.
  const frostMs = lastFrostNear(frost, nowMs + 60 * DAY_MS);
  return { fromMs: frostMs - Math.max(...weeks) * WEEK_MS, toMs: frostMs - Math.min(...weeks) * WEEK_MS };
}
