import type { UnitSystem } from './quantity.js';

/** By definition, as a 128th of the US gallon. */
export const MILLILITRES_PER_FLUID_OUNCE = 29.5735295625;
/** By definition of the US gallon of 231 cubic inches, and of the ounce. */
const MILLILITRES: Readonly<Record<string, number>> = {
  ml: 1,
  cl: 10,
  dl: 100,
  l: 1000,
  tsp: 4.92892159375,
  tbsp: 14.78676478125,
  'fl oz': MILLILITRES_PER_FLUID_OUNCE,
  cup: 236.5882365,
  cups: 236.5882365,
  pt: 473.176473,
  qt: 946.352946,
  gal: 3785.411784,
};
/** By definition of the avoirdupois ounce. */
export const GRAMS_PER_OUNCE = 28.349523125;
const GRAMS: Readonly<Record<string, number>> = { mg: 0.001, g: 1, kg: 1000, oz: GRAMS_PER_OUNCE, lb: 453.59237 };
const AMOUNT = /^(?:(\d+)\s+)?(?:(\d+)\/(\d+)|(\d+(?:[.,]\d+)?))\s*([a-z]+(?:\s[a-z]+)?)?$/i;

/** Reads an amount in one of several units; null where the text is none above 0. */
function amountIn(text: string, units: Readonly<Record<string, number>>, usual: string): number | null {
  const match = AMOUNT.exec(text.trim());
  if (!match) return null;
  const times = units[(match[5] ?? usual).toLowerCase()];
  const value = match[2]
    ? Number(match[1] ?? 0) + Number(match[2]) / Number(match[3])
    : Number(match[1] ?? 0) + Number((match[4] ?? '').replace(',', '.'));
  return times === undefined || !Number.isFinite(value) || value <= 0 ? null : value * times;
}

/**
 * Reads a volume such as "250", "0,5 l", "2 tsp", "1 1/2 cup" or "8 fl oz"; a bare number
 * is millilitres, or fluid ounces where these are the household's.
 *
 * @returns ml, or null where the text is no volume above 0
 */
export const parseMillilitres = (text: string, system: UnitSystem): number | null =>
  amountIn(text, MILLILITRES, system === 'us' ? 'fl oz' : 'ml');

/**
 * Reads a weight such as "2.5", "40 mg" or "1/4 oz"; a bare number is grams in either system,
 * as kitchen scales for seed have it.
 *
 * @returns g, or null where the text is no weight above 0
 */
export const parseWeight = (text: string): number | null => amountIn(text, GRAMS, 'g');

const ounces = (ml: number): string => `${(ml / MILLILITRES_PER_FLUID_OUNCE).toPrecision(2)} fl oz`;
const metricVolume = (ml: number): string => (ml >= 1000 ? `${(ml / 1000).toPrecision(3)} l` : `${Number(ml.toPrecision(3))} ml`);
/** A volume in the household's units, with the other system's beside it. @param ml above 0 */
export const formatVolume = (ml: number, system: UnitSystem): string =>
  system === 'us' ? `${ounces(ml)} (${metricVolume(ml)})` : `${metricVolume(ml)} (${ounces(ml)})`;
