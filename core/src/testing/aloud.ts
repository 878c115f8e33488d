import type { UnitSystem } from '../units/index.js';

/** What nobody would say, and what each slip is called. */
const SLIPS: readonly (readonly [string, RegExp])[] = [
  ['a hole', /undefined|NaN|Infinity|\bnull\b|\[object|\{|\}/],
  ['a word twice', /\b([a-z]+) \1\b/i],
  ['"none" for nothing', /(?:^|[:;(] ?)none(?:[;,.)]|$| in | to )|\bnone known\b/i],
  ['a for an', /\b[Aa] (?:[aeio]|u(?!n|s|til|ta))[a-z]*\b(?<!\b[Aa] (?:one|once|eu[a-z]*))/],
  ['an for a', /\b[Aa]n (?![aeiou“‘"(]|8|11\b|18\b|hour|x-|F1|NG)[a-z0-9]/],
  ['a raw name', /\b[a-z]+[A-Z][A-Za-z]*\b|\b[a-z]+_[a-z]+\b|\b[a-z]+\.[a-z]+[A-Z]?[a-z]*\b/],
  ['a slip of the pen', / {2}|\.\.(?!\.)| ,| \.(?!\d)|,,|;\.|\( | \)|:\.|,\.|\?\./],
  ['a unit without its degree', /\d ?[CF]\b(?!\d)/],
];

const FOREIGN: Readonly<Record<UnitSystem, RegExp>> = {
  us: /°C|\d ?(?:mm|cm)\b|millimet|centimet/,
  metric: /°F|\d ?in\b(?=[ ,.;)]|$)(?! (?:all|the|a|this|water|10|100)\b)|\binch/,
};

/**
 * What is wrong with a text as it would be read aloud in a household: units that are
 * not its own, doubled words, "none" where nothing is meant, a and an, raw field names.
 *
 * @returns what the slips are called, empty where there is none
 */
export function slipsIn(text: string, units: UnitSystem): string[] {
  const found = SLIPS.filter(([, pattern]) => pattern.test(text)).map(([name]) => name);
  return FOREIGN[units].test(text) ? [...found, 'units of another household'] : found;
}
