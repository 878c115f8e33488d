import { DateTime } from 'luxon';

const HOUR_MS = 3_600_000;
const MOST = 20_000;

/** The last answers, by zone and hour: sixty parcels and a thousand packets ask for the same few. */
function byHour<T>(read: (moment: DateTime) => T): (zone: string, ms: number) => T {
  const kept = new Map<string, T>();
  return (zone, ms) => {
    const hour = Math.floor(ms / HOUR_MS);
    const key = `${zone} ${hour}`;
    const known = kept.get(key);
    if (known !== undefined) return known;
    const found = read(DateTime.fromMillis(hour * HOUR_MS, { zone }));
    if (kept.size >= MOST) kept.clear();
    kept.set(key, found);
    return found;
  };
}

/** The year of a moment on a zone's calendar. Zones change years and clocks on the quarter hour at the least. */
export const yearAt = byHour(({ year }) => year);
/** Hours that a zone is ahead of UTC. */
export const offsetAt = byHour(({ offset }) => offset / 60);
