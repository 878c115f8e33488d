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
  readonly partOfDay: 'morning' | 'afternoon' | 'evening';
}

/** @param zone IANA zone; @param nowMs what the part of the day is told from */
export function moments(zone: string, nowMs: number): Moments {
  const format = (options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat('en-GB', { timeZone: zone, ...options });
  const weekday = format({ weekday: 'long', day: 'numeric', month: 'long' });
  const short = format({ weekday: 'short', day: 'numeric', month: 'short' });
  const clock = format({ hour: '2-digit', minute: '2-digit', hourCycle: 'h23' });
  const parts = format({ year: 'numeric', month: '2-digit', day: '2-digit' });
  const plain = (text: string): string => text.replace(',', '');
  const field = (ms: number): string => `${parts.format(ms).split('/').reverse().join('-')}T${clock.format(ms)}`;
  const hour = Number(clock.format(nowMs).slice(0, 2));
  return {
    zone,
    full: (ms) => `${plain(weekday.format(ms))}, ${clock.format(ms)}`,
    day: (ms) => plain(short.format(ms)),
    dated: (ms) => `${plain(short.format(ms))}${field(ms).slice(0, 4) === field(nowMs).slice(0, 4) ? '' : ` ${field(ms).slice(0, 4)}`}`,
    short: (ms) => `${plain(short.format(ms))}, ${clock.format(ms)}`,
    clock: (ms) => clock.format(ms),
    field,
    partOfDay: hour < 12 ? 'morning' : hour < 17 ? 'afternoon' : 'evening',
  };
}

/** Midday of a plain date, ms: near enough for what is counted in days. */
export const dayMs = (day: string): number => Date.parse(`${day}T12:00:00Z`);
