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
  const start = DateTime.fromMillis(afterMs, { zone }).startOf('day');
  const key = `${zone} ${times.join()} ${start.toMillis()} ${days}`;
  if (last?.key !== key) last = { key, all: timesFrom(start, times, days) };
  return last.all.filter((ms) => ms > afterMs);
}

/** The times of a day and those after it are asked for again with every parcel: the last answer is kept. */
let last: { readonly key: string; readonly all: readonly number[] } | null = null;

function timesFrom(start: DateTime, times: readonly string[], days: number): number[] {
  const result: number[] = [];
  for (let day = 0; day <= days; day++) {
    for (const time of times) {
      const [hour, minute] = time.split(':').map(Number);
      const ms = start
        .plus({ days: day })
        .set({ hour: hour ?? 0, minute: minute ?? 0 })
        .toMillis();
      result.push(ms);
    }
  }
  return result.sort((a, b) => a - b);
}
