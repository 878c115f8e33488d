import { HOUR_MS, offsetHours } from '../units/index.js';

/** How a logger writes its days: year first, or day or month first where it does not say. */
export type DayOrder = 'ymd' | 'dmy' | 'mdy';

/** A moment as it is written: what its figures say, and how far it is from UTC where it says so. */
export interface Written {
  /** Of the clock that was read, as if it were UTC, ms. */
  readonly clockMs: number;
  /** Hours ahead of UTC; null where nothing is said. */
  readonly offset: number | null;
}

/** Day, time of day, half of the day and distance from UTC, each as loggers write it. */
const PARTS =
  /^\s*(\d{1,4})[-./](\d{1,2})[-./](\d{1,4})(?:[T ,;]+(\d{1,2})[:.h](\d{2})(?:[:.](\d{2})(?:[.,]\d+)?)?\s*([ap]\.?m\.?)?)?\s*(Z|UTC|GMT|[+-]\d{2}:?\d{2})?\s*$/i;
/** Seconds or milliseconds since 1970. */
const EPOCH = /^\s*(\d{10}|\d{13})\s*$/;

/** Whether a cell can be a moment at all. */
export const looksLikeMoment = (cell: string): boolean => PARTS.test(cell) || EPOCH.test(cell);
/** Whether a cell is a time of day alone: its day stands beside it. */
export const looksLikeClock = (cell: string): boolean => /^\s*\d{1,2}[:.]\d{2}(?:[:.]\d{2})?\s*(?:[ap]\.?m\.?)?\s*$/i.test(cell);

/** Which orders of day, month and year a written day allows. */
export function ordersOf(cell: string): readonly DayOrder[] {
  const found = PARTS.exec(cell);
  if (!found) return ['ymd', 'dmy', 'mdy'];
  const [, a = '', b = '', c = ''] = found;
  const [first, second] = [Number(a), Number(b)];
  if (a.length === 4) return ['ymd'];
  const [dmy, mdy] = [first <= 31 && second <= 12, first <= 12 && second <= 31];
  return [...(c.length === 4 || c.length === 2 ? [...(dmy ? (['dmy'] as const) : []), ...(mdy ? (['mdy'] as const) : [])] : [])];
}

function offsetOf(zone: string | undefined): number | null {
  if (!zone) return null;
  if (/^(z|utc|gmt)$/i.test(zone)) return 0;
  const sign = zone.startsWith('-') ? -1 : 1;
  const digits = zone.replace(/\D/g, '');
  return sign * (Number(digits.slice(0, 2)) + Number(digits.slice(2)) / 60);
}

/** An hour of a clock with halves, by the whole day. */
function hour24(hour: number, half: string | undefined): number {
  if (!half) return hour;
  return (hour % 12) + (half.toLowerCase().startsWith('p') ? 12 : 0);
}

/**
 * Reads a moment as a logger writes it.
 *
 * @returns null where it is none
 */
export function readMoment(cell: string, order: DayOrder): Written | null {
  const epoch = EPOCH.exec(cell);
  if (epoch) return { clockMs: Number(epoch[1]) * (epoch[1]?.length === 10 ? 1000 : 1), offset: 0 };
  const found = PARTS.exec(cell);
  if (!found) return null;
  const [, a, b, c, hours = '0', minutes = '0', seconds = '0', half, zone] = found;
  const figures = [Number(a), Number(b), Number(c)] as const;
  const [year, month, day] =
    order === 'ymd'
      ? figures
      : order === 'dmy'
        ? ([figures[2], figures[1], figures[0]] as const)
        : ([figures[2], figures[0], figures[1]] as const);
  const [hour, minute, second] = [hour24(Number(hours), half), Number(minutes), Number(seconds)];
  const full = year < 100 ? 2000 + year : year;
  const clockMs = Date.UTC(full, month - 1, day, hour, minute, second);
  // A day that no calendar has rolls over into another.
  const back = new Date(clockMs);
  if (back.getUTCMonth() !== month - 1 || back.getUTCDate() !== day || hour > 23 || minute > 59 || second > 59) return null;
  return { clockMs, offset: offsetOf(zone) };
}

/**
 * Turns clocks of a zone into moments. The hour that comes twice in autumn is the later
 * one once the clock has gone back, which a rising file shows.
 *
 * @param zone IANA zone of the logger's clock
 */
export function clockReader(zone: string): (clockMs: number) => number {
  const offsets = new Map<number, readonly [number, number]>();
  let lastMs = -Infinity;
  const offsetsAt = (clockMs: number): readonly [number, number] => {
    const hour = Math.floor(clockMs / (HOUR_MS / 4));
    const known = offsets.get(hour);
    if (known) return known;
    const around = [clockMs - 24 * HOUR_MS, clockMs + 24 * HOUR_MS].map((ms) => offsetHours(zone, ms) * HOUR_MS);
    const fits = [...new Set(around)].filter((offset) => offsetHours(zone, clockMs - offset) * HOUR_MS === offset).sort((a, b) => b - a);
    const found = [fits[0] ?? around[0] ?? 0, fits[1] ?? fits[0] ?? around[0] ?? 0] as const;
    offsets.set(hour, found);
    return found;
  };
  return (clockMs) => {
    const [first, second] = offsetsAt(clockMs);
    const sooner = clockMs - first;
    const at = sooner <= lastMs && clockMs - second > lastMs ? clockMs - second : sooner;
    lastMs = at;
    return at;
  };
}
