import { bestSpot, type Standing } from '../sowing/index.js';
import { counted, DAY_MS, listed, spanInWords, type Words } from '../units/index.js';
import type { BodyDay, DayRange, Occurrence, Reading } from '../warmth/index.js';
import { shiftInWords } from './board.js';
import { inTen } from './shares.js';

type Told = Pick<Words, 'temperature' | 'when'>;

/** What comes over a place, as its page lists it. */
export function occurrenceInWords(
  one: Occurrence,
  words: Pick<Words, 'temperature'> & { readonly degrees: (kelvin: number) => string },
): string {
  switch (one.kind) {
    case 'warm':
      return `a warm spell, ${words.degrees(one.byC)} more at its height`;
    case 'cold':
      return `a cold spell, ${words.degrees(one.byC)} less at its height`;
    case 'sunny':
      return 'a clear sky, sun on it';
    case 'power_cut':
      return 'no power';
    case 'thermostat_off':
      return 'thermostat off';
    case 'lid_off':
      return 'the lid off';
  }
}

/** A difference of temperature: "2.5°" in either system. */
export const degreesIn =
  (units: 'metric' | 'us') =>
  (kelvin: number): string =>
    `${Math.round((units === 'us' ? kelvin * 1.8 : kelvin) * 10) / 10}°`;

/**
 * What a place comes to over a day: its warmth and swing, and whether its mat gets there.
 *
 * @param read what its thermometer says of a day, where it was read; the body itself where it was not
 */
export function bodyInWords(
  body: BodyDay,
  setC: number | null,
  fit: { readonly errorC: number; readonly readings: number } | null,
  read: DayRange | null,
  words: Told & { readonly degrees: (kelvin: number) => string },
): string {
  const { minC, maxC } = read ?? body;
  const meanC = read ? (minC + maxC) / 2 : body.meanC;
  const day = `${words.temperature(meanC)} over a day, swinging ${words.degrees(maxC - minC)}.`;
  const short =
    setC !== null && body.reaches === false
      ? ` The mat is on all the time and does not reach ${words.temperature(setC)}: a lid or a warmer room would help it.`
      : '';
  const over =
    body.overshootC !== null && body.overshootC >= 0.5
      ? ` Switched on cold it goes ${words.degrees(body.overshootC)} beyond its setting.`
      : '';
  const known = fit
    ? ` What a change does is fitted to ${counted(fit.readings, 'reading')} of its own; off by ${words.degrees(fit.errorC)} as a rule.`
    : read
      ? ' What a change does is guessed by its kind until it is read by the hour.'
      : ' A guess by its kind: nothing was read here yet.';
  return `${day}${short}${over}${known}`;
}

/**
 * What the parcels of a place would get over the next days.
 *
 * @param hours rising, °C; at least one
 * @param missedC what the thermostat is set to, where the mat does not reach it; null where it does
 */
export function changedInWords(hours: readonly Reading[], missedC: number | null, words: Told): string {
  const mean = hours.reduce((sum, { minC, maxC }) => sum + (minC + maxC) / 2, 0) / hours.length;
  const peak = hours.reduce((top, hour) => (hour.maxC > top.maxC ? hour : top));
  const span = spanInWords((hours.at(-1)?.toMs ?? 0) - (hours[0]?.fromMs ?? 0));
  const missed = missedC === null ? '' : ` The mat does not reach ${words.temperature(missedC)}.`;
  return `The parcels get ${words.temperature(mean)} over the next ${span}, at most ${words.temperature(peak.maxC)} (${words.when(peak.fromMs)}).${missed}`;
}

/**
 * What a mat takes in a day, what that costs, and how long it needs from cold.
 *
 * @param body of a place that has one
 * @param pricePerKWh in the household's money; null where it was not given
 */
export function energyInWords({ on, wattHours, warmUpHours }: BodyDay, pricePerKWh: number | null): string {
  const hours = Math.round(on * 24);
  const use = `The mat is on ${hours >= 24 ? 'all day' : hours < 1 ? 'less than an hour a day' : `${counted(hours, 'hour')} a day`} and takes ${Math.round(wattHours)}\u00a0Wh`;
  const cost = pricePerKWh === null ? '' : `, ${((wattHours / 1000) * pricePerKWh).toFixed(2)} a day of your money`;
  const warm =
    warmUpHours === null
      ? ''
      : ` From cold it needs ${warmUpHours < 1 ? 'less than an hour' : `about ${counted(Math.round(warmUpHours), 'hour')}`}.`;
  return `${use}${cost}.${warm}`;
}

/** A crop as a place would treat it. */
export interface Belonging {
  readonly belongs: boolean;
  readonly best: string | null;
  readonly text: string;
}

/**
 * Whether a crop belongs at a place, against the household's others.
 *
 * @param here that place; @param places all of them, this one too
 */
export function belonging(here: Standing, places: readonly Standing[], nameOf: (spotId: string) => string): Belonging {
  const bestId = bestSpot(places);
  const best = places.find(({ spotId }) => spotId === bestId) ?? null;
  const days = (standing: Standing): string =>
    standing.halfDays === null ? 'never moves' : `half show in about ${daysWord(standing.halfDays)}`;
  const comes = (standing: Standing): string => (standing.comes >= 0.95 ? '' : `, ${inTen(standing.comes)} of the living come`);
  const told = here.refused ? 'would die of the heat here' : `${days(here)} here${here.halfDays === null ? '' : comes(here)}`;
  if (bestId === here.spotId) return { belongs: true, best: null, text: `Belongs here: ${told}.` };
  if (!best) return { belongs: false, best: null, text: `${told[0]?.toUpperCase() ?? ''}${told.slice(1)}; no board suits it.` };
  const against =
    here.halfDays !== null && best.halfDays !== null ? shiftInWords(here.halfDays * DAY_MS, best.halfDays * DAY_MS) : days(best);
  return { belongs: false, best: best.spotId, text: `Better at ${nameOf(best.spotId)}, ${against}${comes(best)}; ${told}.` };
}
const daysWord = (days: number): string =>
  days < 1.5 ? 'a day' : `${Math.round(days * 2) / 2 >= 10 ? Math.round(days) : Math.round(days * 2) / 2} days`;

/** What leads a place's page: how warm it is, and who minds. */
export function spotLead(
  name: string,
  warmth: string,
  minding: readonly { readonly name: string; readonly way: 'cooler' | 'warmer' }[],
): string {
  const [first] = minding;
  if (!first) return `${name}: ${warmth}`;
  const same = [...new Set(minding.filter(({ way }) => way === first.way).map(({ name: crop }) => crop.toLowerCase()))];
  return `${name}: ${warmth}, ${first.way === 'cooler' ? 'too warm' : 'too cool'} for ${listed(same)}`;
}
