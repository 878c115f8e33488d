import type { PlaceNow } from '../warmth/index.js';
import { counted, formatTemperature, inUnits, type UnitSystem } from '../units/index.js';

/** Below this swing a place is called steady, °C. */
const STEADY_C = 2;
/** A reading this old is told with its age, days. */
const OLD_DAYS = 2;

/**
 * A place's warmth: "27.1 °C, steady", "23.4 °C, swings 3°", "about 21.5 °C by what was
 * read 9 days ago", "about 24 °C, a guess". It is called a guess only where the figures
 * rest on nothing else.
 */
export function placeInWords({ minC, maxC, weight, ageDays }: PlaceNow, units: UnitSystem): string {
  const middle = formatTemperature((minC + maxC) / 2, units);
  // A guess is not told to a tenth of a degree.
  const about = units === 'us' ? inUnits(`${(minC + maxC) / 2} °C`, units) : middle;
  if (weight === 0 || ageDays === null) return `about ${about}, a guess`;
  if (ageDays > OLD_DAYS) return `about ${about}, by what was read ${counted(Math.round(ageDays), 'day')} ago`;
  const swing = maxC - minC;
  return swing < STEADY_C ? `${middle}, steady` : `${middle}, swings ${Math.round(units === 'us' ? swing * 1.8 : swing)}°`;
}
