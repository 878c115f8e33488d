import { diluted } from '../carrier/index.js';
import { inSpoons, MIXES, MOL_PER_HOUR, scaleMix } from '../nursing/index.js';
import {
  fahrenheitFromCelsius,
  formatVolume,
  GRAMS_PER_OUNCE,
  MILLILITRES_PER_FLUID_OUNCE,
  parseCelsius,
  parseMillilitres,
  parseMillimetres,
  parseWeight,
  type UnitSystem,
} from '../units/index.js';
import { of, type BenchTool } from './workbench-kinds.js';

const PEROXIDE_CAUTION =
  'Household 3 % only: stronger stock burns skin and eyes and feeds fire. Gloves and eye protection, never with vinegar or bleach, and a label on the bottle.';
/** A bottle from stock and water. */
export const dilution: BenchTool = {
  id: 'dilution',
  title: 'Dilution',
  formula: 'stock × its strength = bottle × the strength wanted (C1 V1 = C2 V2)',
  fields: [
    {
      key: 'what',
      label: 'Of',
      kind: 'choice',
      initial: 'peroxide',
      choices: [
        { value: 'peroxide', text: 'household peroxide' },
        { value: 'feed', text: 'feed, or anything else' },
      ],
    },
    { key: 'stock', label: 'The stock has', kind: 'number', unit: '%', initial: '3', low: 0.001, high: 100 },
    { key: 'wanted', label: 'Wanted', kind: 'number', unit: '%', initial: '0.3', low: 0.0001, high: 100 },
    { key: 'bottle', label: 'The bottle holds', kind: 'volume', initial: '500 ml', low: 1, high: 50_000 },
  ],
  work(values, texts, { units }) {
    const [stock, wanted, bottle] = [of(values, 'stock'), of(values, 'wanted'), of(values, 'bottle')];
    if (wanted > stock) throw new RangeError('What is wanted must be weaker than the stock: water only thins it.');
    const peroxide = texts['what'] === 'peroxide';
    if (peroxide && stock > 3) throw new RangeError('Household peroxide has 3 %: stronger stock is not for homes.');
    const { stockMl, waterMl } = peroxide
      ? diluted(stock, wanted, bottle)
      : { stockMl: (wanted * bottle) / stock, waterMl: bottle - (wanted * bottle) / stock };
    const parts = waterMl / stockMl;
    const text = `${formatVolume(stockMl, units)} of the stock, ${formatVolume(waterMl, units)} of water`;
    return {
      lines: [`${text}.`, `By spoons: ${inSpoons(stockMl)}. One part to ${Number(parts.toPrecision(2))} of water.`],
      place: { to: 'note', text: 'Write it into the notes', value: `Mixed to ${wanted} % from ${stock} %: ${text}.` },
      ...(peroxide ? { caution: PEROXIDE_CAUTION } : {}),
    };
  },
};

/** A mix by its parts, for so many pots. */
export const mix: BenchTool = {
  id: 'mix',
  title: 'A mix for so many pots',
  formula: 'pots × what one holds × (1 + spare), shared by the parts',
  fields: [
    {
      key: 'recipe',
      label: 'Mix',
      kind: 'choice',
      initial: MIXES[0]?.id ?? '',
      choices: MIXES.map(({ id, name }) => ({ value: id, text: name })),
    },
    { key: 'pots', label: 'Pots', kind: 'number', initial: '12', low: 1, high: 2000 },
    { key: 'holds', label: 'One holds', kind: 'volume', initial: '150 ml', low: 5, high: 50_000 },
    { key: 'spare', label: 'Spare', kind: 'number', unit: '%', initial: '10', low: 0, high: 100 },
  ],
  work(values, texts, { units }) {
    const recipe = MIXES.find(({ id }) => id === texts['recipe']);
    if (!recipe) throw new RangeError('Choose one of the mixes.');
    const { totalMl, measured } = scaleMix(recipe, Math.round(of(values, 'pots')), of(values, 'holds'), of(values, 'spare') / 100);
    const lines = measured.map(({ what, amount, unit }) =>
      unit === 'ml' ? `${what}: ${formatVolume(amount, units)}` : `${what}: ${amount.toPrecision(2)} g`,
    );
    return {
      lines: [`${formatVolume(totalMl, units)} in all.`, ...lines],
      place: { to: 'note', text: 'Write it into the notes', value: `${recipe.name} for ${texts['pots']} pots: ${lines.join('; ')}.` },
      caution: 'Damp perlite, bone meal and compost before stirring, keep out of the dust, gloves, and wash your hands.',
    };
  },
};

/** Light of a day, and a lamp's hours. */
export const light: BenchTool = {
  id: 'light',
  title: 'Light in a day',
  formula: 'light sum = µmol a second × hours × 0.0036; lamp hours = (wanted − daylight) ÷ (µmol × 0.0036)',
  fields: [
    { key: 'micromol', label: 'The lamp gives', kind: 'number', unit: 'µmol/m²s', initial: '150', low: 1, high: 2500 },
    { key: 'hours', label: 'Lit', kind: 'number', unit: 'hours', initial: '14', low: 0, high: 24 },
    { key: 'daylight', label: 'Daylight besides', kind: 'number', unit: 'mol', initial: '0', low: 0, high: 70 },
    { key: 'wanted', label: 'Wanted', kind: 'number', unit: 'mol', initial: '12', low: 0.1, high: 70 },
  ],
  work(values) {
    const [micromol, hours, daylight, wanted] = ['micromol', 'hours', 'daylight', 'wanted'].map((key) => of(values, key)) as [
      number,
      number,
      number,
      number,
    ];
    const sum = daylight + micromol * hours * MOL_PER_HOUR;
    const needed = Math.max((wanted - daylight) / (micromol * MOL_PER_HOUR), 0);
    const told =
      needed > 24
        ? `No day is long enough for ${wanted} mol: it would take ${needed.toFixed(0)} hours. A stronger lamp, or a nearer one.`
        : `For ${wanted} mol the lamp burns ${needed.toFixed(1)} hours.${needed > 18 ? ' More than 18 hours of light do most seedlings no good.' : ''}`;
    return {
      lines: [`${sum.toFixed(1)} mol a square metre and day.`, told],
      place:
        needed > 24
          ? { to: 'note', text: 'Write it into the notes', value: told }
          : { to: 'lamp', text: `Burn a lamp ${needed.toFixed(1)} hours`, value: needed.toFixed(1) },
      caution: 'Lights off wet leaves; eyes off very bright ones and bare UV.',
    };
  },
};

/** A quantity in the other system. */
export const converted: BenchTool = {
  id: 'units',
  title: 'Units, both ways',
  formula: '°F = °C × 9/5 + 32; 1 in = 25.4 mm; 1 fl oz = 29.57 ml; 1 oz = 28.35 g',
  fields: [{ key: 'typed', label: 'Anything: 75F, 1/8 in, 2 tsp, 0.4 oz', kind: 'any', initial: '75F' }],
  work(_values, texts, { units }) {
    const typed = (texts['typed'] ?? '').trim();
    const lines = /[cf]$/i.test(typed)
      ? asTemperature(typed, units)
      : (asLength(typed, units) ?? asVolume(typed, units) ?? asWeight(typed));
    if (!lines) throw new RangeError('That is no quantity: a number with C, F, mm, cm, in, ml, l, tsp, tbsp, cup, fl oz, g or oz is.');
    return { lines, place: { to: 'copy', text: 'Copy it', value: lines[0] ?? '' } };
  },
};
const neat = (value: number): number => Number(value.toPrecision(4));
function asTemperature(typed: string, units: UnitSystem): string[] | null {
  const celsius = parseCelsius(typed, units);
  return celsius === null ? null : [`${neat(celsius)} °C = ${neat(fahrenheitFromCelsius(celsius))} °F`];
}
function asLength(typed: string, units: UnitSystem): string[] | null {
  if (!/(mm|cm|in|")$/i.test(typed)) return null;
  const mm = parseMillimetres(typed, units);
  return mm === null ? null : [`${neat(mm)} mm = ${neat(mm / 10)} cm = ${neat(mm / 25.4)} in`];
}
function asVolume(typed: string, units: UnitSystem): string[] | null {
  if (!/(ml|cl|dl|l|tsp|tbsp|cups?|fl oz|pt|qt|gal)$/i.test(typed)) return null;
  const ml = parseMillilitres(typed, units);
  return ml === null
    ? null
    : [`${neat(ml)} ml = ${neat(ml / MILLILITRES_PER_FLUID_OUNCE)} fl oz`, `By cups and spoons about ${inSpoons(ml)}.`];
}
function asWeight(typed: string): string[] | null {
  const grams = parseWeight(typed);
  return grams === null || /\d$/.test(typed) ? null : [`${neat(grams)} g = ${neat(grams / GRAMS_PER_OUNCE)} oz`];
}
