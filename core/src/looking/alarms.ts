import type { Crop } from '../crops/index.js';
import { coldRate } from '../preparing/index.js';
import { HOUR_MS } from '../units/index.js';
import { degreeHours, survivalOf, type Reading } from '../warmth/index.js';

/** What the hours ahead of a place do to a crop that lies damp there. */
export type Ahead =
  | {
      readonly kind: 'hot';
      /** Share of the seed that dies by the end of it. Rule of thumb, no source. */ readonly dies: number;
      readonly fromMs: number;
      readonly peakC: number;
    }
  | { readonly kind: 'frozen' | 'chilled'; readonly fromMs: number; readonly lowC: number }
  | { readonly kind: 'unchilled'; readonly fromMs: number; readonly peakC: number };

/** As far as an alarm looks ahead, ms: what comes later may still be prevented tomorrow. */
export const ALARM_AHEAD_MS = 48 * HOUR_MS;
/** A smaller share lost is no alarm: a warm hour at noon. As of a reading. */
const LEAST_LOSS = 0.1;
/** Damp seed freezes below this, °C. Common practice, no source. */
const FREEZES_C = -1;
/** Kinds from warm countries, once damp, are harmed by such a cold, °C, where it lasts so long, h. Common practice, no source. */
const CHILLED_C = 8;
const CHILLED_HOURS = 6;
/** So long too warm a cold lot loses the days of its chill, h. */
const UNCHILLED_HOURS = 12;

/** The first hour of the first run of so many of which something holds; -1 where there is none. */
function runOf(hours: readonly Reading[], least: number, holds: (hour: Reading) => boolean): number {
  let run = 0;
  for (let nth = 0; nth < hours.length; nth++) {
    run = holds(hours[nth] as Reading) ? run + 1 : 0;
    if (run === least) return nth - least + 1;
  }
  return -1;
}
const extreme = (hours: readonly Reading[], pick: 'min' | 'max'): number =>
  pick === 'min' ? Math.min(...hours.map(({ minC }) => minC)) : Math.max(...hours.map(({ maxC }) => maxC));

/**
 * Whether a place is about to harm what lies there, by its hours ahead: heat that kills,
 * frost, a night too cold for a kind from a warm country, warmth that undoes a chill.
 *
 * @param hours the place's hours from now on, rising, one after another
 * @param chilling whether the lot lies in its chill
 * @returns the worst that is foreseen; null where nothing is
 */
export function harmAhead(
  crop: Pick<Crop, 'temperature' | 'growing' | 'chill'>,
  hours: readonly Reading[],
  chilling: boolean,
  nowMs: number,
): Ahead | null {
  const near = hours.filter(({ fromMs, toMs }) => toMs > nowMs && fromMs < nowMs + ALARM_AHEAD_MS);
  const { injuryC } = crop.temperature;
  const dies = 1 - survivalOf(degreeHours(near, injuryC));
  if (dies >= LEAST_LOSS) {
    const from = near.find(({ maxC }) => maxC > injuryC);
    return { kind: 'hot', dies, fromMs: from?.fromMs ?? nowMs, peakC: extreme(near, 'max') };
  }
  const frost = runOf(near, 1, ({ minC }) => minC <= FREEZES_C);
  if (frost >= 0) return { kind: 'frozen', fromMs: (near[frost] as Reading).fromMs, lowC: extreme(near, 'min') };
  if (crop.growing.hardiness === 'tender' && !chilling) {
    const cold = runOf(near, CHILLED_HOURS, ({ minC, maxC }) => (minC + maxC) / 2 < CHILLED_C);
    if (cold >= 0) return { kind: 'chilled', fromMs: (near[cold] as Reading).fromMs, lowC: extreme(near, 'min') };
  }
  if (chilling) {
    const earns = coldRate(crop);
    const warm = runOf(near, UNCHILLED_HOURS, ({ minC, maxC }) => (minC + maxC) / 2 > crop.chill.toC && earns((minC + maxC) / 2) <= 0);
    if (warm >= 0) return { kind: 'unchilled', fromMs: (near[warm] as Reading).fromMs, peakC: extreme(near, 'max') };
  }
  return null;
}
