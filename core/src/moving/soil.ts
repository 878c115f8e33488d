import { DAY_MS } from '../units/index.js';
import { soilDoubt, type SoilKnown } from './bed.js';

/** The air of a stretch, as it was told or measured. */
export interface AirSpan {
  readonly fromMs: number;
  readonly toMs: number;
  readonly minC: number;
  readonly maxC: number;
}

/** A hand deep the soil follows the mean air of the last days; so many days ago counts for a third. Common practice, no source. */
const FOLLOWS_DAYS = 4;
/** Fewer days of air than this say nothing of the soil. */
const FEWEST_DAYS = 3;
const BACK_DAYS = 12;

/**
 * The soil a hand deep, estimated from the air of the last days: their means, the later the
 * heavier. An estimate, off by some degrees: a cover, a wall or wet clay change it.
 *
 * @param spans days or hours, in any order
 * @returns null where too few of the last days are known
 */
export function soilFromAir(spans: readonly AirSpan[], nowMs: number): SoilKnown | null {
  const past = spans.filter(({ fromMs, toMs }) => fromMs < nowMs && toMs > nowMs - BACK_DAYS * DAY_MS);
  const known = past.reduce((sum, { fromMs, toMs }) => sum + (Math.min(toMs, nowMs) - fromMs) / DAY_MS, 0);
  const newest = Math.max(...past.map(({ toMs }) => Math.min(toMs, nowMs)));
  if (known < FEWEST_DAYS || nowMs - newest > 2 * DAY_MS) return null;
  let [sum, weights] = [0, 0];
  for (const { fromMs, toMs, minC, maxC } of past) {
    const days = (Math.min(toMs, nowMs) - fromMs) / DAY_MS;
    const weight = days * Math.exp(-(nowMs - (fromMs + toMs) / 2) / DAY_MS / FOLLOWS_DAYS);
    sum += weight * ((minC + maxC) / 2);
    weights += weight;
  }
  return { celsius: sum / weights, source: 'air', ageDays: Math.floor((nowMs - newest) / DAY_MS) };
}

/** An hour of a thermometer's record, lowest and highest, °C. */
export interface SoilHour {
  readonly minC: number;
  readonly maxC: number;
}

/**
 * A thermometer's record of the soil as a mean a day.
 *
 * @param hours by the day that they belong to, as the household's calendar has it
 */
export function soilDays(hours: readonly (SoilHour & { readonly day: string })[]): { readonly day: string; readonly celsius: number }[] {
  const days = new Map<string, number[]>();
  for (const { day, minC, maxC } of hours) days.set(day, [...(days.get(day) ?? []), (minC + maxC) / 2]);
  return [...days].map(([day, means]) => ({
    day,
    celsius: Math.round((means.reduce((sum, mean) => sum + mean, 0) / means.length) * 10) / 10,
  }));
}

/** Of what was read and what the air says, the one that leaves less doubt; what was read where both leave as much. */
export function soilBest(read: SoilKnown | null, estimated: SoilKnown | null): SoilKnown | null {
  if (read === null || estimated === null) return read ?? estimated;
  return soilDoubt(estimated) < soilDoubt(read) ? estimated : read;
}
