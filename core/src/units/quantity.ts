/**
 * Reading and writing the quantities a gardener types. Both systems are
 * understood wherever a quantity is typed; what is shown follows the household.
 */
export type UnitSystem = 'metric' | 'us';

const NUMBER = String.raw`([+-]?\d+(?:[.,]\d+)?)`;
const TEMPERATURE = new RegExp(`^${NUMBER}\\s*°?\\s*([cf])?$`, 'i');
const LENGTH = /^(?:(\d+)\s+)?(\d+)\/(\d+)\s*(?:in|")$|^(\d+(?:[.,]\d+)?)\s*(mm|cm|in|")?$/i;

/** By definition. */
export const MM_PER_INCH = 25.4;
export const METRES_PER_FOOT = 0.3048;

const toNumber = (text: string): number => Number(text.replace(',', '.'));

export const celsiusFromFahrenheit = (fahrenheit: number): number => ((fahrenheit - 32) * 5) / 9;
export const fahrenheitFromCelsius = (celsius: number): number => (celsius * 9) / 5 + 32;

/**
 * Reads a temperature such as "24", "24 C", "75F" or "23,5 °C".
 *
 * @param text what was typed
 * @param system which scale a bare number is in
 * @returns °C, or null where the text is no temperature
 */
export function parseCelsius(text: string, system: UnitSystem): number | null {
  const match = TEMPERATURE.exec(text.trim());
  if (!match?.[1]) return null;
  const scale = (match[2] ?? (system === 'us' ? 'f' : 'c')).toLowerCase();
  const value = toNumber(match[1]);
  return scale === 'f' ? celsiusFromFahrenheit(value) : value;
}

/**
 * Reads a length such as "3 mm", "1.5 cm", "1/8 in" or `1 1/2 in`.
 *
 * @returns millimetres, or null where the text is no length
 */
export function parseMillimetres(text: string, system: UnitSystem): number | null {
  const match = LENGTH.exec(text.trim());
  if (!match) return null;
  if (match[2] && match[3]) {
    const inches = Number(match[1] ?? 0) + Number(match[2]) / Number(match[3]);
    return Number.isFinite(inches) ? inches * MM_PER_INCH : null;
  }
  const unit = (match[5] ?? (system === 'us' ? 'in' : 'mm')).toLowerCase();
  const value = toNumber(match[4] ?? '');
  return value * (unit === 'mm' ? 1 : unit === 'cm' ? 10 : MM_PER_INCH);
}

const LARGE = /^(\d+(?:[.,]\d+)?)\s*(m|cm|mm|ft|in|"|')?$/i;
const METRES: Readonly<Record<string, number>> = {
  m: 1,
  cm: 0.01,
  mm: 0.001,
  ft: METRES_PER_FOOT,
  "'": METRES_PER_FOOT,
  in: 0.0254,
  '"': 0.0254,
};

/**
 * Reads a length of the garden's size, such as "1.2", "1,2 m", "80 cm" or "4 ft"; a bare
 * number is metres, or feet where these are the household's.
 *
 * @returns metres, or null where the text is no length above 0
 */
export function parseMetres(text: string, system: UnitSystem): number | null {
  const match = LARGE.exec(text.trim());
  if (!match?.[1]) return null;
  const metres = toNumber(match[1]) * (METRES[(match[2] ?? (system === 'us' ? 'ft' : 'm')).toLowerCase()] ?? 1);
  return metres > 0 ? metres : null;
}

/** Writes a garden's length for people: "1.2 m", "4 ft". */
export function formatMetres(metres: number, system: UnitSystem): string {
  const value = system === 'us' ? metres / METRES_PER_FOOT : metres;
  return `${(Math.round(value * 100) / 100).toString()} ${system === 'us' ? 'ft' : 'm'}`;
}

/** Writes a temperature for people, to a tenth of a degree. */
export function formatTemperature(celsius: number, system: UnitSystem): string {
  const value = system === 'us' ? fahrenheitFromCelsius(celsius) : celsius;
  return `${(Math.round(value * 10) / 10).toString()} °${system === 'us' ? 'F' : 'C'}`;
}

/** Writes a length for people: whole millimetres, or the nearest sixteenth of an inch. */
export function formatLength(millimetres: number, system: UnitSystem): string {
  if (system === 'metric') return `${Math.round(millimetres)} mm`;
  const sixteenths = Math.max(1, Math.round((millimetres / MM_PER_INCH) * 16));
  const whole = Math.floor(sixteenths / 16);
  let top = sixteenths % 16;
  let bottom = 16;
  while (top > 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  const fraction = top > 0 ? `${top}/${bottom}` : '';
  return `${[whole > 0 ? whole : '', fraction].filter(Boolean).join(' ')} in`;
}

/** From here on a chance is no count out of ten any more. */
export const ALL_BUT_CERTAIN = 0.995;
/** A chance as counts out of ten; below 1 in 10 out of a hundred, as gardeners say it. */
export function chanceInWords(chance: number): string {
  if (chance >= ALL_BUT_CERTAIN) return 'all but certain';
  if (chance >= 0.95) return 'more than 9 chances in 10';
  if (chance < 0.005) return 'less than 1 chance in 100';
  if (chance < 0.095) {
    const hundredths = Math.round(chance * 100);
    return `${hundredths} ${hundredths === 1 ? 'chance' : 'chances'} in 100`;
  }
  const tenths = Math.round(chance * 10);
  return `${tenths} ${tenths === 1 ? 'chance' : 'chances'} in 10`;
}
