import {
  formatLength,
  formatTemperature,
  parseCelsius,
  parseMillilitres,
  parseMillimetres,
  parseWeight,
  type UnitSystem,
} from '../units/index.js';
import { converted, dilution, light, mix } from './workbench-mixing.js';
import { days, dose, sheet, weighed } from './workbench-towel.js';
import type { BenchField, BenchTool } from './workbench-kinds.js';

export type { BenchField, BenchPlace, BenchResult, BenchSetting, BenchTool } from './workbench-kinds.js';

/** The bench, in the order of a sowing. */
export const BENCH: readonly BenchTool[] = [dose, sheet, days, weighed, dilution, mix, light, converted];

/** Reads a field as it was typed; a sentence where it cannot be so. */
export function benchValue(field: BenchField, typed: string, units: UnitSystem): number | { readonly fault: string } | null {
  const text = typed.trim();
  if (field.kind === 'choice' || field.kind === 'crop' || field.kind === 'any') return null;
  if (text === '' && field.optional) return null;
  const read = {
    number: () => (/^\d+(?:[.,]\d+)?$/.test(text) ? Number(text.replace(',', '.')) : null),
    length: () => parseMillimetres(text, units),
    temperature: () => parseCelsius(text, units),
    volume: () => parseMillilitres(text, units),
    weight: () => parseWeight(text),
  }[field.kind]();
  const { low = 0, high = Infinity } = field;
  if (read === null || read < low || read > high) return { fault: `${field.label}: ${acceptedOf(field, units)}` };
  return read;
}

function acceptedOf({ kind, low = 0, high = Infinity, unit }: BenchField, units: UnitSystem): string {
  switch (kind) {
    case 'length':
      return `a length from ${formatLength(low, units)} to ${formatLength(high, units)}, like ${units === 'us' ? '5 1/2 in' : '140 mm'}.`;
    case 'temperature':
      return `a temperature from ${formatTemperature(low, units)} to ${formatTemperature(high, units)}, like 24 C or 75F.`;
    case 'volume':
      return 'an amount like 500 ml, 2 tsp or 8 fl oz.';
    case 'weight':
      return 'a weight like 0.4 g or 1/4 oz.';
    default:
      return `a number from ${low} to ${high}${unit ? ` ${unit}` : ''}.`;
  }
}
