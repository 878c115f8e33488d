import { HOUR_MS } from '../units/index.js';
import { MOL_PER_HOUR, sunDay, type Latitude } from './daylight.js';
import { daylightAt, lampAt, lampPlan, LEAST_GAP_CM, type Lamp, type PlaceLight, type Stretch } from './place-light.js';

/** Where a household lies and what its sky is like. */
export interface Sky extends Latitude {
  /** Degrees east. */
  readonly longitude: number;
  /** Share of the day's length with sunshine, 0 to 1. */
  readonly sunshine: number;
}

/** Light of a day at a place, against what is wanted there. */
export interface PlaceDay {
  readonly wanted: Stretch;
  /** mol per m² and day. */
  readonly daylight: Stretch & { readonly usual: number };
  /** Sunrise and sunset, ms; null where no day comes in. */
  readonly riseMs: number | null;
  readonly setMs: number | null;
  readonly dayHours: number;
  /** The lamp's part: mol per m² and day, its hours, and when it burns, ms; null without one, or where it is not needed. */
  readonly lamp: { readonly brings: number; readonly hours: number; readonly fromMs: number; readonly toMs: number } | null;
  /** Hours of light in all, what lamp and day share counted once. */
  readonly litHours: number;
  /** mol per m² and day that are missing even so. */
  readonly short: number;
}

/** A place without daylight is lit from this hour of its clock. Common practice, no source. */
const LAMP_MORNING_HOUR = 6;

/**
 * A place's day of light: daylight with its stretch, and the lamp that makes up what is short,
 * from dusk on and into the day where the evening is not enough.
 *
 * @param wanted mol per m² and day
 * @param noonMs midday of the day, and its midnight, ms
 * @param gapCm from lamp to leaves as they stand now
 * @param switched hours that the lamp's switch gives every day; null where we say how long
 */
export function placeDay(
  place: PlaceLight,
  sky: Sky,
  wanted: Stretch,
  {
    noonMs,
    covered,
    gapCm,
    switched,
  }: { readonly noonMs: number; readonly covered: boolean; readonly gapCm: number; readonly switched: number | null },
): PlaceDay {
  const daylight = daylightAt(place, sky, noonMs, { sunshine: sky.sunshine, covered });
  const dark = place.daylit === 'dark';
  const sun = dark ? null : sunDay(sky, sky.longitude, noonMs);
  const dayHours = sun?.hours ?? 0;
  const aim = (wanted.low + wanted.high) / 2;
  const base = { wanted, daylight, riseMs: sun?.riseMs ?? null, setMs: sun?.setMs ?? null, dayHours };
  if (!place.lamp) return { ...base, lamp: null, litHours: dayHours, short: Math.max(wanted.low - daylight.usual, 0) };
  const micromol = lampAt(place.lamp, gapCm);
  const planned = lampPlan(aim, daylight.usual, micromol, dayHours);
  const hours = switched ?? planned.hours;
  const brings = hours * micromol * MOL_PER_HOUR;
  if (hours === 0) return { ...base, lamp: null, litHours: dayHours, short: 0 };
  const byDay = switched === null ? planned.byDay : 0;
  const fromMs = sun ? sun.setMs - byDay * HOUR_MS : noonMs + (LAMP_MORNING_HOUR - 12) * HOUR_MS;
  return {
    ...base,
    lamp: { brings, hours, fromMs, toMs: fromMs + hours * HOUR_MS },
    litHours: dayHours + hours - byDay,
    short: Math.max(wanted.low - daylight.usual - brings, 0),
  };
}

/** Height of a seedling just up, and what it gains for each day at 20 °C, cm. Guesses: a lamp is not hung by them to the centimetre. */
const UP_CM = 2;
const GAINS_CM = 0.35;
export const heightCm = (daysSinceUp: number): number => UP_CM + GAINS_CM * Math.max(daysSinceUp, 0);

/** The gap from lamp to leaves now, and by how much to raise it, cm; null where it hangs well. */
export function lampGap(lamp: Lamp, grownCm: number): { readonly gapCm: number; readonly raiseCm: number | null } {
  const gapCm = Math.max(lamp.gapCm - Math.max(grownCm, 0), 1);
  const least = LEAST_GAP_CM[lamp.kind];
  // Nothing is raised for a finger's breadth, and what was hung nearer on purpose stays as it was meant.
  const wanted = Math.min(lamp.gapCm, Math.max(least, lamp.gapCm * 0.6));
  return { gapCm, raiseCm: gapCm < wanted ? Math.ceil(lamp.gapCm - gapCm) : null };
}
