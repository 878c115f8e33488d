import { DateTime } from 'luxon';
import QuickLRU from 'quick-lru';

const QUARTER_MS = 900_000;
const MOST_KEPT = 20_000;
const offsets = new Map<string, QuickLRU<number, number>>();

/** Minutes that a zone is ahead of UTC; kept, as asking the platform costs more than all else that a sentence says. */
function offsetMinutes(zone: string, ms: number): number {
  const known = offsets.get(zone) ?? new QuickLRU<number, number>({ maxSize: MOST_KEPT });
  offsets.set(zone, known);
  // Zones change on quarters of an hour.
  const quarter = Math.floor(ms / QUARTER_MS);
  const found = known.get(quarter);
  if (found !== undefined) return found;
  const { offset } = DateTime.fromMillis(quarter * QUARTER_MS, { zone });
  known.set(quarter, offset);
  return offset;
}

/**
 * The wall clock of a zone at a moment, held as if it were UTC: for words, days
 * and hours, never for adding time across a change of clocks.
 *
 * @param zone IANA zone
 */
export const wallClock = (zone: string, ms: number): DateTime =>
  DateTime.fromMillis(ms + offsetMinutes(zone, ms) * 60_000, { zone: 'utc', locale: 'en-GB' });

/** Hours that a zone is ahead of UTC at a moment. */
export const offsetHours = (zone: string, ms: number): number => offsetMinutes(zone, ms) / 60;

/** The year of a moment on a zone's calendar. */
export const yearAt = (zone: string, ms: number): number => wallClock(zone, ms).year;
