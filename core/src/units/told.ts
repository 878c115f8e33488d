import { celsiusFromFahrenheit, fahrenheitFromCelsius, formatLength, METRES_PER_FOOT, MM_PER_INCH, type UnitSystem } from './quantity.js';

const N = String.raw`[-−]?\d+(?:\.\d+)?`;
/** "24 °C", "15-18 °C", "20 to 30 °C", "20 °C and 30 °C" comes as two. */
const TEMPERATURES = new RegExp(`(${N})(?:(-| to | and | or )(${N}))? ?°([CF])`, 'g');
/** "90 mm", "20-30 mm", "5 to 12 mm", and the same in cm and m. */
const LENGTHS = /(\d+(?:\.\d+)?)(?:(-| to | by )(\d+(?:\.\d+)?))? (mm|cm|m)\b/g;
const MM_PER = { mm: 1, cm: 10 } as const;

const numberOf = (text: string): number => Number(text.replace('−', '-'));

/** How finely prose says a length: pots to a quarter of an inch, beds to a whole one, roots to a sixteenth. */
const finest = (inches: number): number => (inches >= 6 ? 1 : inches >= 1 ? 1 / 4 : inches >= 0.4 ? 1 / 8 : 1 / 16);

/** An inch and a fraction without its unit. */
function inches(millimetres: number, limits: boolean): string {
  const exact = millimetres / MM_PER_INCH;
  const step = limits ? 1 / 16 : finest(exact);
  return formatLength(Math.max(Math.round(exact / step), 1) * step * MM_PER_INCH, 'us').replace(/ in$/, '');
}

/**
 * A text as a household reads it: temperatures in its scale, to a whole degree as
 * prose says them, and lengths in inches where it measures in them. Texts are
 * written in °C and mm; what a gardener typed in °F is turned back for one who
 * reads °C. Fractions of an inch stand apart from a range by "to".
 *
 * @param text any sentence, with or without quantities
 * @param limits whether its lengths are limits that must hold, and not prose: to a sixteenth of an inch
 */
export function inUnits(text: string, units: UnitSystem, limits = false): string {
  const scale = units === 'us' ? 'F' : 'C';
  const turn = units === 'us' ? fahrenheitFromCelsius : celsiusFromFahrenheit;
  const degrees = (value: string): string => String(Math.round(turn(numberOf(value))));
  const warm = text.replace(TEMPERATURES, (found: string, low: string, joint: string | undefined, high: string | undefined, own: string) =>
    own === scale ? found : `${degrees(low)}${joint && high ? `${joint}${degrees(high)}` : ''} °${scale}`,
  );
  if (units === 'metric') return warm;
  return warm.replace(LENGTHS, (_: string, low: string, joint: string | undefined, high: string | undefined, unit: 'mm' | 'cm' | 'm') => {
    if (unit === 'm')
      return `${[low, ...(high ? [high] : [])].map((metres) => Math.round(Number(metres) / METRES_PER_FOOT)).join(joint)} ft`;
    const from = inches(Number(low) * MM_PER[unit], limits);
    const to = joint && high ? inches(Number(high) * MM_PER[unit], limits) : null;
    return to === null || to === from ? `${from} in` : `${from}${joint === '-' ? ' to ' : joint}${to} in`;
  });
}
