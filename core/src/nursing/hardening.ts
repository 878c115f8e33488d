import type { Crop } from '../crops/index.js';
import { DAY_MS, HOUR_MS } from '../units/index.js';

/** A stretch of weather outdoors: of a day, or of an hour. */
export interface WeatherSpan {
  readonly fromMs: number;
  readonly toMs: number;
  readonly minC: number;
  readonly maxC: number;
  /** Gusts, km/h; null where nobody said. */
  readonly windKmh: number | null;
}

/** Days over which a plant is hardened (extension bulletins; 7 to 14). */
export const HARDENING_DAYS = 7;
/** What a plant out of doors bears at night, °C: when it first stands out, and when it is hardened. Common practice, no source, but for the last (see reference/seedling_days.csv). */
const NIGHTS: Readonly<Record<Crop['growing']['hardiness'], { readonly first: number; readonly last: number }>> = {
  tender: { first: 14, last: 10 },
  half_hardy: { first: 10, last: 5 },
  hardy: { first: 8, last: 3 },
};
/** By day it stays in below this, °C; and gusts from here on tear soft leaves, km/h. Common practice, no source. */
const LEAST_DAY_C: Readonly<Record<Crop['growing']['hardiness'], number>> = { tender: 13, half_hardy: 9, hardy: 6 };
const MOST_WIND_KMH = 40;
/** A porch or frame keeps so much of the night out, K. Guess. */
export const ROOF_KEEPS_K = 3;

/** The coldest night that a plant bears on a day of its hardening, °C. @param days since it began, 0 on the first; null where it has not begun */
export function nightBorne({ growing }: Pick<Crop, 'growing'>, days: number | null): number {
  const { first, last } = NIGHTS[growing.hardiness];
  return days === null ? first : first + (last - first) * Math.min(Math.max(days, 0) / HARDENING_DAYS, 1);
}

/** One day of a week's plan. */
export interface HardeningDay {
  readonly atMs: number;
  /** Of its hardening, 1 for the first; a day that is kept in does not count. */
  readonly nth: number | null;
  /** Hours out of doors by day, 0 where it stays in. */
  readonly hours: number;
  /** Whether it stays out over the night that follows. */
  readonly night: boolean;
  /** What keeps it in, by day or by night. */
  readonly kept: 'cold' | 'wind' | 'cold_night' | 'unknown' | null;
  readonly minC: number | null;
  readonly maxC: number | null;
  readonly windKmh: number | null;
}

/** Hours out of doors on each day of hardening, in shade at first. Common practice, no source. */
const HOURS = [2, 3, 4, 6, 8, 10, 12] as const;
/** Nights are spent outside from this day on. */
const NIGHTS_FROM = 5;

/** The weather of a day from whatever covers it: the coldest, the warmest and the strongest gust; null where nothing does. */
export function weatherOf(spans: readonly WeatherSpan[], fromMs: number, toMs: number): Omit<WeatherSpan, 'fromMs' | 'toMs'> | null {
  const own = spans.filter((span) => span.fromMs < toMs && span.toMs > fromMs);
  if (own.length === 0) return null;
  const winds = own.flatMap(({ windKmh }) => windKmh ?? []);
  return {
    minC: Math.min(...own.map(({ minC }) => minC)),
    maxC: Math.max(...own.map(({ maxC }) => maxC)),
    windKmh: winds.length === 0 ? null : Math.max(...winds),
  };
}

/**
 * A week of hardening by the weather that is told: a little longer out each day that is fit for
 * it, nights from the fifth, in wherever cold or wind would undo it.
 *
 * @param doneDays days of hardening that are behind it
 * @param midnightMs of the first day of the plan
 * @param sheltered whether its place keeps some of the cold out; @param usedDays of hardening that its place has given it
 */
export function hardeningWeek(
  crop: Pick<Crop, 'growing'>,
  spans: readonly WeatherSpan[],
  {
    doneDays,
    midnightMs,
    sheltered,
    usedDays = 0,
  }: { readonly doneDays: number; readonly midnightMs: number; readonly sheltered: boolean; readonly usedDays?: number },
): HardeningDay[] {
  let nth = doneDays;
  return Array.from({ length: 7 }, (_, index): HardeningDay => {
    const atMs = midnightMs + index * DAY_MS;
    const day = weatherOf(spans, atMs, atMs + DAY_MS);
    const night = weatherOf(spans, atMs + 18 * HOUR_MS, atMs + 32 * HOUR_MS);
    const known = { atMs, minC: day?.minC ?? null, maxC: day?.maxC ?? null, windKmh: day?.windKmh ?? null };
    const cold = day !== null && day.maxC < LEAST_DAY_C[crop.growing.hardiness];
    const windy = day?.windKmh !== null && day !== null && (day.windKmh ?? 0) >= MOST_WIND_KMH && !sheltered;
    if (cold || windy) return { ...known, nth: null, hours: 0, night: false, kept: cold ? 'cold' : 'wind' };
    nth++;
    const nightC = (night?.minC ?? Infinity) + (sheltered ? ROOF_KEEPS_K : 0);
    const ready = nth >= NIGHTS_FROM;
    const warm = nightC >= nightBorne(crop, Math.max(nth - 1, usedDays));
    return {
      ...known,
      nth,
      hours: HOURS[Math.min(nth, HOURS.length) - 1] ?? 12,
      night: ready && night !== null && warm,
      kept: night === null ? 'unknown' : ready && !warm ? 'cold_night' : null,
    };
  });
}

/** Whether what stands out of doors must come in tonight: the night and what the plant bears by now; null where it may stay, or nobody knows the night. */
export function carryIn(
  crop: Pick<Crop, 'growing'>,
  spans: readonly WeatherSpan[],
  {
    hardeningSinceMs,
    sheltered,
    eveningMs,
  }: { readonly hardeningSinceMs: number | null; readonly sheltered: boolean; readonly eveningMs: number },
): { readonly nightC: number; readonly bearsC: number } | null {
  const night = weatherOf(spans, eveningMs, eveningMs + 14 * HOUR_MS);
  if (!night) return null;
  const nightC = night.minC + (sheltered ? ROOF_KEEPS_K : 0);
  const bearsC = nightBorne(crop, hardeningSinceMs === null ? null : Math.floor((eveningMs - hardeningSinceMs) / DAY_MS));
  return nightC < bearsC ? { nightC, bearsC } : null;
}
