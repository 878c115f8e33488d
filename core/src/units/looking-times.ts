import { DateTime } from 'luxon';

/**
 * The household's looking times after a moment, as instants. They are local
 * times: 07:00 stays 07:00 when the clocks change, and a time that the change
 * skips falls on the next that exists.
 *
 * @param afterMs the moment, itself excluded
 * @param zone IANA zone
 * @param times local times "HH:mm", one or more
 * @param days how many days ahead
 */
export function lookingTimes(afterMs: number, zone: string, times: readonly string[], days: number): number[] {
  const { year, month, day } = DateTime.fromMillis(afterMs, { zone });
  const first = Date.UTC(year, month - 1, day) / DAY;
  const known = daysOf(`${zone} ${times.join()}`);
  const result: number[] = [];
  for (let ahead = first; ahead <= first + days; ahead++) {
    let own = known.get(ahead);
    if (!own) {
      own = timesOn(new Date(ahead * DAY), zone, times);
      known.set(ahead, own);
    }
    for (const ms of own) if (ms > afterMs) result.push(ms);
  }
  return result;
}

/** Of a calendar, which knows no change of clocks. */
const DAY = 86_400_000;
/** Some twenty years, so that a box of old batches asks for each day once. */
const DAYS_KEPT = 8_000;
/** Every parcel asks for the same days, and past ones for the days they ended. */
let kept: { readonly key: string; readonly days: Map<number, readonly number[]> } = { key: '', days: new Map() };

function daysOf(key: string): Map<number, readonly number[]> {
  if (kept.key !== key || kept.days.size > DAYS_KEPT) kept = { key, days: new Map() };
  return kept.days;
}

function timesOn(date: Date, zone: string, times: readonly string[]): number[] {
  // Set from the day's own start: of a time that comes twice as the clocks go back, the first.
  const start = DateTime.fromObject({ year: date.getUTCFullYear(), month: date.getUTCMonth() + 1, day: date.getUTCDate() }, { zone });
  return times
    .map((time) => {
      const [hour = 0, minute = 0] = time.split(':').map(Number);
      return start.set({ hour, minute }).toMillis();
    })
    .sort((a, b) => a - b);
}
