import type { Crop } from '../crops/index.js';
import { DAY_MS, HOUR_MS } from '../units/index.js';
import type { Progress, Stay } from './progress.js';
import { betterWay, shareAt } from './share.js';
import type { DayRange, Reading } from './spoken.js';

/** What the temperature so far has cost. */
export interface WarmthToll {
  /** Share of the living that come at the temperatures they had; the rest are kept quiet, not dead. */
  readonly share: number;
  /** Share that heat has not killed. */
  readonly survival: number;
  /** Mean temperature, °C. */
  readonly meanC: number;
  /** Mean of its last day, °C: where it lies now. */
  readonly hereC: number;
  /** When half of the harm was done, ms; null where heat did none. */
  readonly harmedMs: number | null;
}

/** Degree-hours above the limit of injury that kill about two in three. Rule of thumb, no source. */
const DEADLY_DEGREE_HOURS = 60;

/** Share of wet seed that lives through so many degree-hours above its limit of injury. */
export const survivalOf = (degreeHours: number): number => Math.exp(-degreeHours / DEADLY_DEGREE_HOURS);

/** Hours after which half of a dose has been had. */
function halfOf(doses: readonly number[], dose: number): number {
  let sum = 0;
  return doses.findIndex((hour) => (sum += hour) >= dose / 2) + 1;
}

/** A warmth that kills seed within days. */
export interface DeadlyWarmth {
  /** Warmest of the day, °C. */
  readonly peakC: number;
  /** Above this the kind is harmed, °C. */
  readonly injuryC: number;
  /** Share of wet seed that dies in a day there. Rule of thumb, no source. */
  readonly dies: number;
}

/** Less than this share lost in a day is no alarm: a warm hour at noon. */
const ALARM = 0.1;

/** Whether a place whose day runs between two temperatures kills a crop's wet seed; null where it does not. */
export function deadlyWarmth({ temperature: { injuryC } }: Pick<Crop, 'temperature'>, { minC, maxC }: DayRange): DeadlyWarmth | null {
  const hours = Array.from({ length: 24 }, (_, hour) => (minC + maxC) / 2 + ((maxC - minC) / 2) * Math.cos((hour / 12) * Math.PI));
  const dies = 1 - survivalOf(hours.reduce((sum, celsius) => sum + Math.max(celsius - injuryC, 0), 0));
  return dies < ALARM ? null : { peakC: maxC, injuryC, dies };
}

/** Degree-hours above the limit of injury that hours come to. */
export const degreeHours = (hours: readonly DayRange[], injuryC: number): number =>
  hours.reduce((sum, { minC, maxC }) => sum + (Math.max(minC - injuryC, 0) + Math.max(maxC - injuryC, 0)) / 2, 0);

/** A reading speaks of danger for so long, ms: until somebody reads anew, or a week. */
const ALARM_HOLDS_MS = 7 * 24 * HOUR_MS;

/**
 * Whether the place where a batch stands kills its seed by what its thermometer said
 * last. Danger stays until a later reading says otherwise or the bag stands elsewhere.
 *
 * @param stays ordered by time
 */
export function heatNow(crop: Crop, stays: readonly Stay[], nowMs: number): DeadlyWarmth | null {
  const here = stays.findLast(({ fromMs }) => fromMs <= nowMs) ?? stays[0];
  // What is only foreseen is no reading.
  const past = (here?.readings ?? []).filter(({ fromMs, errorC }) => fromMs <= nowMs && errorC === undefined);
  // Where two end alike, what was written later corrects what was written before.
  const last = past.reduce<Reading | null>((latest, one) => (latest === null || one.toMs >= latest.toMs ? one : latest), null);
  return last && nowMs - last.toMs <= ALARM_HOLDS_MS ? deadlyWarmth(crop, last) : null;
}

/** Temperatures that are asked back when they are typed, °C: wet seed mostly dies above, and freezes below. Common practice, no source. */
const ASKED_BACK_C = { above: 38, below: -3 } as const;
/** Beyond these no thermometer of a home reads: that is refused and not asked, °C. */
const READ_C = { least: -30, most: 60 } as const;

/** Whether a typed reading is so far out that it is asked back before it is kept. */
export function askedBack({ minC, maxC }: DayRange): 'deadly' | 'freezing' | null {
  if (maxC > READ_C.most || minC < READ_C.least) return null;
  return maxC >= ASKED_BACK_C.above ? 'deadly' : minC <= ASKED_BACK_C.below ? 'freezing' : null;
}

/**
 * Reads the toll off a record. The share is that at the mean temperature of the
 * stretch, each hour weighing as much as it lets seed develop, where any did. Cold
 * in which nothing moves costs seed that asks for chill nothing.
 *
 * @param fromMs, toMs the stretch, at least an hour long
 */
export function tollOf(crop: Crop, progress: Progress, fromMs: number, toMs: number): WarmthToll {
  const { share: cells, injuryC } = crop.temperature;
  const doses: number[] = [];
  let weighted = 0;
  let weights = 0;
  let plain = 0;
  let hours = 0;
  let here = 0;
  let hereHours = 0;
  for (let ms = fromMs; ms < toMs; ms += HOUR_MS) {
    const celsius = progress.celsiusAt(ms);
    const done = progress.at(ms + HOUR_MS) - progress.at(ms);
    doses.push(Math.max(celsius - injuryC, 0));
    weighted += celsius * done;
    weights += done;
    plain += celsius;
    hours++;
    if (ms >= toMs - DAY_MS) {
      here += celsius;
      hereHours++;
    }
  }
  const dose = doses.reduce((sum, hour) => sum + hour, 0);
  const meanC = hours > 0 ? plain / hours : progress.celsiusAt(fromMs);
  const moved = weights > 1e-6;
  const felt = moved ? weighted / weights : meanC;
  const chilling = !moved && crop.chill.weeks > 0 && meanC < crop.temperature.tentBaseC;
  return {
    share: cells === null || chilling ? 1 : Math.max(shareAt(cells.values, felt), 0.02),
    survival: survivalOf(dose),
    meanC,
    hereC: hereHours > 0 ? here / hereHours : meanC,
    harmedMs: dose > 0 ? fromMs + halfOf(doses, dose) * HOUR_MS : null,
  };
}

/** Below this share of the living, another spot is worth the walk, and what stays quiet is kept quiet by the warmth. */
export const BETTER_ELSEWHERE = 0.85;

/**
 * Which way more would come, by what it felt and where it lies now: nobody is sent on
 * who has just walked. Null where its place is as good as any.
 */
export function betterSpot({ temperature }: Pick<Crop, 'temperature'>, { share, meanC, hereC }: WarmthToll): 'cooler' | 'warmer' | null {
  const cells = temperature.share?.values ?? [];
  if (share >= BETTER_ELSEWHERE || shareAt(cells, hereC) >= BETTER_ELSEWHERE) return null;
  return betterWay({ temperature }, meanC);
}

/** Share of the living that come, where the warmth truly keeps some quiet; a little less is the table's noise. */
export const keptQuiet = ({ share }: WarmthToll): number => (share < BETTER_ELSEWHERE ? share : 1);
