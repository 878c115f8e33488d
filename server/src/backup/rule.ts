import { DateTime } from 'luxon';

/** How many copies made by the day are kept, and for how long. */
const KEEP = { days: 7, weeks: 4, months: 12 } as const;

/**
 * Which daily copies are kept: the newest of each of the last seven days that have
 * one, of each of the last four weeks, and of each of the last twelve months.
 *
 * @param days calendar days with a copy, like 2026-04-11, in any order
 * @returns the days that stay
 */
export function keptDays(days: readonly string[]): Set<string> {
  const newestFirst = [...new Set(days)].sort().reverse();
  const kept = new Set(newestFirst.slice(0, KEEP.days));
  const newestOf = (stretch: (day: DateTime) => string, most: number): void => {
    const seen = new Set<string>();
    for (const day of newestFirst) {
      const name = stretch(DateTime.fromISO(day, { zone: 'utc' }));
      if (seen.has(name)) continue;
      if (seen.size >= most) return;
      seen.add(name);
      kept.add(day);
    }
  };
  newestOf((day) => `${day.weekYear} ${day.weekNumber}`, KEEP.weeks);
  newestOf((day) => `${day.year} ${day.month}`, KEEP.months);
  return kept;
}
