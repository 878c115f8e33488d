import { getTimes } from 'suncalc';
import { DAY_MS, HOUR_MS } from '../units/index.js';

/** Where the household lies, as far as light is concerned. */
export interface Latitude {
  /** Degrees north, -66 to 66; the far south is negative. */
  readonly latitude: number;
}

/** Sunrise and sunset of a day, ms. */
export interface SunDay {
  readonly riseMs: number;
  readonly setMs: number;
  readonly hours: number;
}

/** Within these the sun rises and sets every day of the year, degrees. */
export const MOST_LATITUDE = 65;

/**
 * Sunrise and sunset: upper limb, usual refraction (the library's -0.833 degrees).
 *
 * @param noonMs about midday of the day that is asked for, ms
 * @param longitude degrees east; where it is not known, the zone's meridian
 * @throws RangeError beyond {@link MOST_LATITUDE}, where the sun may not rise
 */
export function sunDay({ latitude }: Latitude, longitude: number, noonMs: number): SunDay {
  if (!(Math.abs(latitude) <= MOST_LATITUDE)) throw new RangeError(`latitude must lie from -${MOST_LATITUDE} to ${MOST_LATITUDE} degrees`);
  const { sunrise, sunset } = getTimes(new Date(noonMs), latitude, longitude);
  const [riseMs, setMs] = [sunrise?.getTime() ?? Number.NaN, sunset?.getTime() ?? Number.NaN];
  return { riseMs, setMs, hours: (setMs - riseMs) / HOUR_MS };
}

const RADIANS = Math.PI / 180;
/** Solar constant as FAO-56 has it, MJ per m² and minute. */
const SOLAR = 0.082;

/** Day of the year, 1 for the first of January. */
const dayOfYear = (ms: number): number => Math.floor((ms - Date.UTC(new Date(ms).getUTCFullYear(), 0, 1)) / DAY_MS) + 1;

/**
 * Sun above the air on a level metre in a day, MJ (Allen and others, FAO Irrigation and
 * Drainage Paper 56, 1998, equations 21 to 25).
 */
export function aboveAir({ latitude }: Latitude, ms: number): number {
  const angle = ((2 * Math.PI) / 365) * dayOfYear(ms);
  const distance = 1 + 0.033 * Math.cos(angle);
  const declination = 0.409 * Math.sin(angle - 1.39);
  const at = latitude * RADIANS;
  const sunset = Math.acos(Math.max(Math.min(-Math.tan(at) * Math.tan(declination), 1), -1));
  return (
    ((24 * 60) / Math.PI) *
    SOLAR *
    distance *
    (sunset * Math.sin(at) * Math.sin(declination) + Math.cos(at) * Math.cos(declination) * Math.sin(sunset))
  );
}

/** Share of it that reaches the ground: overcast, and by how much more with sunshine all day (FAO-56, equation 35). */
const OVERCAST = 0.25;
const BY_SUNSHINE = 0.5;
/** Growing light in sun warmth, mol per MJ: 45 % of it, at 4.57 µmol per J (Thimijan and Heins, HortScience 18, 1983; Meek and others, Agronomy Journal 76, 1984). */
export const MOL_PER_MJ = 0.45 * 4.57;
/** mol per m² and day in a lamp of one µmol per m² and s that burns an hour: arithmetic. */
export const MOL_PER_HOUR = 0.0036;

/** Sun warmth at the ground on a level metre in a day, MJ. @param sunshine hours of it over the day's length, 0 to 1 */
export const atGround = (where: Latitude, ms: number, sunshine: number): number =>
  aboveAir(where, ms) * (OVERCAST + BY_SUNSHINE * sunshine);

/** Growing light of a day in the open, mol per m². @param sunshine as {@link atGround} */
export const openLight = (where: Latitude, ms: number, sunshine: number): number => atGround(where, ms, sunshine) * MOL_PER_MJ;
