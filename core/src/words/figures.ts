import {
  fahrenheitFromCelsius,
  formatTemperature,
  METRES_PER_FOOT,
  MM_PER_INCH,
  parseCelsius,
  parseMetres,
  parseMillimetres,
  type UnitSystem,
} from '../units/index.js';
import type { Figure, FigureValue } from '../crops/index.js';

const plain = (value: number): string => String(Number(value.toPrecision(4)));

const NUMBER = String.raw`[-+−]?\d+(?:[.,]\d+)?`;
const numberIn = (text: string): number | null =>
  new RegExp(`^\\s*${NUMBER}\\s*$`).test(text) ? Number(text.trim().replace('−', '-').replace(',', '.')) : null;

/** Lengths that are told in inches where the household measures in them: how many mm are one. */
const INCHES: Readonly<Partial<Record<Figure['unit'], { readonly mm: number; readonly name: string }>>> = {
  mm: { mm: 1, name: 'in' },
  cm: { mm: 10, name: 'in' },
  'mm/day': { mm: 1, name: 'in/day' },
};

/** One quantity of a figure, in the household's units. */
function quantity({ unit }: Figure, value: number, units: UnitSystem): string {
  if (unit === 'celsius') return formatTemperature(value, units);
  const small = units === 'us' ? INCHES[unit] : undefined;
  if (small) return `${plain((value * small.mm) / MM_PER_INCH)} ${small.name}`;
  if (unit === 'm' && units === 'us') return `${plain(value / METRES_PER_FOOT)} ft`;
  if (unit === 'share') return `${plain(value * 100)} %`;
  return unit === '' ? plain(value) : `${plain(value)} ${unit}`;
}

/** A figure in words, for a sheet. */
export function figureInWords(figure: Figure, value: FigureValue, units: UnitSystem): string {
  if (value === null) return 'does not apply';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (figure.kind === 'choice') return figure.choices[String(value)] ?? String(value);
  if (typeof value === 'number') return quantity(figure, value, units);
  if (typeof value === 'string') return value === '' ? 'none' : value;
  if (figure.kind === 'stretch') {
    const [low = 0, high = 0] = value as readonly number[];
    return `${plain(low)} to ${quantity(figure, high, units)}`;
  }
  if (figure.kind === 'points') {
    return (value as readonly (readonly [number, number])[])
      .map(([celsius, share]) => `${formatTemperature(celsius, units)} ${plain(share * 100)} %`)
      .join(', ');
  }
  return value.length === 0 ? 'none' : value.join(', ');
}

/** A figure as it stands in a field to be edited; what `figureFrom` reads back. */
export function figureAsText(figure: Figure, value: FigureValue, units: UnitSystem): string {
  if (value === null) return '';
  if (figure.kind === 'stretch') {
    const [low = 0, high = 0] = value as readonly number[];
    return `${plain(low)} to ${quantity(figure, high, units)}`;
  }
  if (figure.kind === 'points') {
    return (value as readonly (readonly [number, number])[])
      .map(
        ([celsius, share]) =>
          `${plain(units === 'us' ? fahrenheitFromCelsius(celsius) : celsius)} °${units === 'us' ? 'F' : 'C'}: ${plain(share)}`,
      )
      .join('; ');
  }
  if (Array.isArray(value)) return value.join(', ');
  return typeof value === 'number' && figure.kind === 'number' ? quantity(figure, value, units) : String(value);
}

/** A number without the unit that was written after it. */
const bare = (text: string): string => text.replace(/[^\d.,+\-−]+$/, '');

function numberFrom({ unit }: Figure, text: string, units: UnitSystem): number | null {
  if (unit === 'celsius') return parseCelsius(text, units);
  if (unit === 'm') return parseMetres(text, units) ?? (numberIn(bare(text)) === 0 ? 0 : null);
  const small = INCHES[unit];
  if (small) {
    // A bare number is what the household sees: inches, else the figure's own unit.
    const length = text.replace(/\s*(?:\/|a |per )\s*day$/i, '');
    const own = units === 'metric' ? numberIn(length) : null;
    if (own !== null) return own;
    const mm = parseMillimetres(length, units);
    return mm === null ? null : mm / small.mm;
  }
  if (unit === 'share') {
    const percent = numberIn(text.replace('%', ''));
    return percent === null ? null : percent / 100;
  }
  return numberIn(bare(text));
}

/**
 * Reads what was typed for a figure: "24 C", "75F", "1/8 in", "3 to 5", "85 %",
 * "10: 0.4; 20: 1".
 *
 * @returns undefined where it cannot be read; null where it was left empty
 */
export function figureFrom(figure: Figure, typed: string, units: UnitSystem): FigureValue | undefined {
  const text = typed.trim();
  if (text === '' && figure.nullable) return null;
  switch (figure.kind) {
    case 'number':
      return numberFrom(figure, text, units) ?? undefined;
    case 'stretch': {
      const parts = text.split(/\s*(?:to|…|;|–)\s*/i).map((part) => numberIn(bare(part)));
      return parts.length === 2 && parts.every((part) => part !== null) ? parts : undefined;
    }
    case 'points': {
      const pairs = text.split(';').map((pair) => {
        const [celsius = '', share = '', ...rest] = pair.split(':');
        return rest.length > 0 ? [] : [parseCelsius(celsius, units), numberIn(share)];
      });
      const whole = pairs.every((pair) => pair.length === 2 && pair.every((part) => part !== null));
      return whole ? (pairs as unknown as readonly (readonly [number, number])[]) : undefined;
    }
    case 'names':
    case 'steps':
      return text === '' ? [] : text.split(/\s*,\s*/).filter(Boolean);
    case 'flag':
      return text === 'yes' || text === 'true' ? true : text === 'no' || text === 'false' ? false : undefined;
    default:
      return text;
  }
}
