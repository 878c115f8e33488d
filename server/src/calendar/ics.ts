import ical, { ICalCalendarMethod } from 'ical-generator';
import { DateTime } from 'luxon';
import { tzlib_get_ical_block } from 'timezones-ical-library';
import type { Told } from './store.js';

/** Names entries for good, whoever reads them where. */
const AT = '@fresh-tuck';
/** How often a calendar had better ask again, seconds. */
const ASK_AGAIN_S = 3600;

/** The zone's own rules, as a calendar wants them beside its times. */
const rulesOf = (zone: string): string | null => {
  const [block] = tzlib_get_ical_block(zone, false);
  // A zone that goes by another's rules is told under its own name: its times are named so.
  return block?.replace(/^TZID:.*$/m, `TZID:${zone}`).replace(/^X-LIC-LOCATION:.*$/m, `X-LIC-LOCATION:${zone}`) ?? null;
};

/**
 * A household's entries as iCalendar (RFC 5545), on its own clock.
 *
 * @param zone IANA zone
 */
export function asCalendar(name: string, zone: string, entries: readonly Told[]): string {
  const calendar = ical({
    // The library writes a name as it is given; a comma of it would end it.
    name: name.replace(/[\\;,]/g, (sign) => `\\${sign}`),
    prodId: { company: 'Fresh Tuck', product: 'Fresh Tuck', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    // The calendar itself has no zone, so that its stamps are of UTC, as they must be; each entry has the household's.
    timezone: { name: null, generator: rulesOf },
    ttl: ASK_AGAIN_S,
  });
  const local = (ms: number): DateTime => DateTime.fromMillis(ms, { zone });
  const isUtc = /^(?:Etc\/)?UTC$/.test(zone);
  for (const { uid, fromMs, toMs, allDay, heading, text, sequence, changedMs } of entries) {
    // A day that is touched is taken whole; the end is the day after the last.
    const [start, end] = allDay
      ? [
          local(fromMs).startOf('day'),
          local(toMs - 1)
            .startOf('day')
            .plus({ days: 1 }),
        ]
      : [local(fromMs), local(toMs)];
    calendar.createEvent({
      id: `${uid}${AT}`,
      sequence,
      stamp: DateTime.fromMillis(changedMs, { zone: 'utc' }),
      start,
      end,
      allDay,
      timezone: allDay || isUtc ? null : zone,
      summary: heading,
      description: text,
    });
  }
  return calendar.toString();
}
