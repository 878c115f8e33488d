/** Times as the household reads them, on its own clock. */
export interface Moments {
  readonly zone: string;
  /** "Saturday 11 April, 07:10" */
  full(ms: number): string;
  /** "Sat 11 Apr" */
  day(ms: number): string;
  /** "Sat 11 Apr", with its year where that is another: "Sun 2 Mar 2025". */
  dated(ms: number): string;
  /** "Sat 11 Apr, 07:10" */
  short(ms: number): string;
  /** "07:10" */
  clock(ms: number): string;
  /** "2026-04-11T07:10", as date fields hold it. */
  field(ms: number): string;
  /** A moment lately past, as one would say it: "this morning, 07:10", "yesterday evening, 18:30", "Fri 06:45", "Fri 3 Apr, 06:45". */
  spoken(ms: number): string;
  /** What a date field holds, back as a moment, ms; of an hour that comes twice the first, NaN where it is no moment. */
  at(local: string): number;
  readonly partOfDay: PartOfDay;
}

type PartOfDay = 'morning' | 'afternoon' | 'evening';
const DAY_MS = 86_400_000;
const partOf = (hour: number): PartOfDay => (hour < 12 ? 'morning' : hour < 17 ? 'afternoon' : 'evening');

/** @param zone IANA zone; @param nowMs what the part of the day is told from */
export function moments(zone: string, nowMs: number): Moments {
  const format = (options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat('en-GB', { timeZone: zone, ...options });
  const weekday = format({ weekday: 'long', day: 'numeric', month: 'long' });
  const short = format({ weekday: 'short', day: 'numeric', month: 'short' });
  const clock = format({ hour: '2-digit', minute: '2-digit', hourCycle: 'h23' });
  const parts = format({ year: 'numeric', month: '2-digit', day: '2-digit' });
  const plain = (text: string): string => text.replace(',', '');
  const field = (ms: number): string => `${parts.format(ms).split('/').reverse().join('-')}T${clock.format(ms)}`;
  const hourOf = (ms: number): number => Number(clock.format(ms).slice(0, 2));
  const asUtc = (local: string): number => (/^\d{4}-\d\d-\d\dT\d\d:\d\d$/.test(local) ? Date.parse(`${local}:00Z`) : NaN);
  const weekdayShort = format({ weekday: 'short' });
  const daysAgo = (ms: number): number =>
    Math.round((asUtc(`${field(nowMs).slice(0, 10)}T12:00`) - asUtc(`${field(ms).slice(0, 10)}T12:00`)) / DAY_MS);
  const spoken = (ms: number): string => {
    const days = daysAgo(ms);
    if (days === 0) return `this ${partOf(hourOf(ms))}, ${clock.format(ms)}`;
    if (days === 1) return `yesterday ${partOf(hourOf(ms))}, ${clock.format(ms)}`;
    if (days > 1 && days < 7) return `${weekdayShort.format(ms)} ${clock.format(ms)}`;
    return `${plain(short.format(ms))}, ${clock.format(ms)}`;
  };
  // The zone's distance from UTC is asked at the moment itself, which a first guess comes near.
  const at = (local: string): number => {
    const target = asUtc(local);
    if (Number.isNaN(target)) return NaN;
    const first = target - (asUtc(field(target)) - target);
    return target - (asUtc(field(first)) - first);
  };
  return {
    zone,
    full: (ms) => `${plain(weekday.format(ms))}, ${clock.format(ms)}`,
    day: (ms) => plain(short.format(ms)),
    dated: (ms) => `${plain(short.format(ms))}${field(ms).slice(0, 4) === field(nowMs).slice(0, 4) ? '' : ` ${field(ms).slice(0, 4)}`}`,
    short: (ms) => `${plain(short.format(ms))}, ${clock.format(ms)}`,
    clock: (ms) => clock.format(ms),
    field,
    spoken,
    at,
    partOfDay: partOf(hourOf(nowMs)),
  };
}

/** Midday of a plain date, ms: near enough for what is counted in days. */
export const dayMs = (day: string): number => Date.parse(`${day}T12:00:00Z`);
