import type { Crop } from '../../crops/index.js';
import type { WatchedEvent } from '../../method/index.js';
import { celsiusAt, developmentPerDay, type Climate } from './warmth.js';
import type { SeedFate } from './lots.js';

const HOUR_MS = 3_600_000;

/** What lies on the towel, seen or not. */
export interface TrueSeed {
  readonly seed: number;
  readonly stage: 'quiet' | 'swollen' | 'tip' | 'root' | 'leaves' | 'rotten';
  readonly rootMm: number | null;
}

/** Where a parcel was, with the climate that truly ruled there. */
export interface TrueStay {
  readonly fromMs: number;
  readonly climate: Climate;
}

/** Days at the optimum from the start to each hour. */
function development(crop: Crop, stays: readonly TrueStay[], startMs: number, untilMs: number): Float64Array {
  const hours = Math.max(Math.floor((untilMs - startMs) / HOUR_MS), 0);
  const done = new Float64Array(hours + 1);
  const { tentBaseC, beta } = crop.temperature;
  for (let hour = 0; hour < hours; hour++) {
    const ms = startMs + (hour + 0.5) * HOUR_MS;
    const climate = (stays.findLast((stay) => stay.fromMs <= ms) ?? stays[0])?.climate ?? { meanC: 20, swingC: 0 };
    done[hour + 1] = (done[hour] ?? 0) + developmentPerDay(tentBaseC, beta.optimumC, beta.ceilingC, celsiusAt(climate, ms)) / 24;
  }
  return done;
}

/** Seed leaves open so many days at the optimum after it is up. */
const UP_DAYS = 2;

/** Every seed of a parcel as it truly is at a moment. */
export function trueSeeds(
  crop: Crop,
  fates: readonly SeedFate[],
  stays: readonly TrueStay[],
  startMs: number,
  nowMs: number,
  event: WatchedEvent = 'tip',
): TrueSeed[] {
  const done = development(crop, stays, startMs, nowMs);
  const total = done.at(-1) ?? 0;
  const days = (nowMs - startMs) / (24 * HOUR_MS);
  return fates.map((fate, index): TrueSeed => {
    const seed = index + 1;
    const need = crop.days.tipAtOptimum * fate.tipFactor;
    // Out of sight it is quiet until it is up; above ground nothing is measured.
    if (event === 'emergence') {
      const up = need + crop.days.tipToEmergence * fate.elongationFactor;
      return { seed, stage: !fate.alive || total < up ? 'quiet' : total < up + UP_DAYS ? 'tip' : 'leaves', rootMm: null };
    }
    if (!fate.alive) return { seed, stage: days > fate.rotsAfterDays ? 'rotten' : 'quiet', rootMm: null };
    if (total < need) return { seed, stage: total > 0.75 * need ? 'swollen' : 'quiet', rootMm: null };
    const rootMm = Math.round(crop.root.mmPerDayAtOptimum * fate.elongationFactor * (total - need) * 2) / 2;
    if (rootMm > 3.5 * crop.root.lateMm) return { seed, stage: 'leaves', rootMm };
    return rootMm < 4 ? { seed, stage: 'tip', rootMm: Math.max(rootMm, 1) } : { seed, stage: 'root', rootMm };
  });
}
