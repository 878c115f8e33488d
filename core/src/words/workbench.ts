import { diluted, doseFor, layOut, MEDIA, spacingNeededMm, type Medium } from '../carrier/index.js';
import type { Crop } from '../crops/index.js';
import { inSpoons, MIXES, MOL_PER_HOUR, scaleMix } from '../nursing/index.js';
import {
  counted,
  fahrenheitFromCelsius,
  formatLength,
  formatTemperature,
  formatVolume,
  parseCelsius,
  parseMillilitres,
  parseMillimetres,
  parseWeight,
  type UnitSystem,
} from '../units/index.js';
import { rateAt, responseOf } from '../warmth/index.js';
import { MEDIUM_WORDS } from './vocabulary.js';

/** What is typed or chosen on the bench. */
export interface BenchField {
  readonly key: string;
  readonly label: string;
  readonly kind: 'number' | 'length' | 'temperature' | 'volume' | 'weight' | 'choice' | 'crop' | 'any';
  readonly unit?: string;
  readonly initial: string;
  readonly low?: number;
  readonly high?: number;
  /** Leaves the field open: it is what is asked for. */
  readonly optional?: boolean;
  readonly choices?: readonly { readonly value: string; readonly text: string }[];
}
/** Where a result belongs. */
export type BenchPlace = 'note' | 'tuck' | 'count' | 'lamp' | 'crop' | 'copy';
/** What came out. */
export interface BenchResult {
  readonly lines: readonly string[];
  readonly place: { readonly to: BenchPlace; readonly text: string; readonly value: string };
  readonly caution?: string;
}
export interface BenchSetting {
  readonly units: UnitSystem;
  readonly millilitresPerSpray: number;
  readonly crop: Crop | null;
}
/** A tool of the bench: its fields, its formula, and what it works out. */
export interface BenchTool {
  readonly id: string;
  readonly title: string;
  readonly formula: string;
  readonly fields: readonly BenchField[];
  /** @throws RangeError in a sentence, where the figures do not go together */
  readonly work: (values: Readonly<Record<string, number>>, texts: Readonly<Record<string, string>>, setting: BenchSetting) => BenchResult;
}

const PEROXIDE_CAUTION =
  'Household 3 % only: stronger stock burns skin and eyes and feeds fire. Gloves and eye protection, never with vinegar or bleach, and a label on the bottle.';
const of = (values: Readonly<Record<string, number>>, key: string): number => values[key] ?? NaN;

const dilution: BenchTool = {
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

const dose: BenchTool = {
  id: 'dose',
  title: 'Water for a towel',
  formula: 'dry weight of the open sheet × water to a gram, and what the seeds drink (0.6 of their weight)',
  fields: [
    { key: 'width', label: 'Open sheet, wide', kind: 'length', initial: '280 mm', low: 40, high: 1000 },
    { key: 'height', label: 'high', kind: 'length', initial: '220 mm', low: 40, high: 1000 },
    { key: 'plies', label: 'Layers', kind: 'number', initial: '2', low: 1, high: 8 },
    {
      key: 'medium',
      label: 'Of',
      kind: 'choice',
      initial: 'paper',
      choices: MEDIA.map((value) => ({ value, text: MEDIUM_WORDS[value].text })),
    },
    { key: 'ratio', label: 'Water to a gram of dry paper', kind: 'number', unit: 'g', initial: '2.5', low: 0.5, high: 6 },
    { key: 'seeds', label: 'Dry seed laid', kind: 'weight', initial: '1 g', low: 0, high: 500, optional: true },
  ],
  work(values, texts, { units, millilitresPerSpray }) {
    const sheet = { widthMm: of(values, 'width'), heightMm: of(values, 'height'), plies: Math.round(of(values, 'plies')) };
    const medium = (texts['medium'] ?? 'paper') as Medium;
    const { millilitres, sprays, teaspoons, laterMl } = doseFor(sheet, of(values, 'ratio'), values['seeds'] ?? 0, millilitresPerSpray, {
      medium,
    });
    return {
      lines: [
        `${formatVolume(millilitres, units)}: ${counted(sprays, 'spray')} of yours, or ${counted(teaspoons, 'teaspoon')} of 5 ml.`,
        ...(laterMl > 0 ? [`The seed drinks ${laterMl} ml more in its first days: give that as the towel dries.`] : []),
      ],
      place: { to: 'tuck', text: 'Tuck in seed', value: '' },
    };
  },
};

const mix: BenchTool = {
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

const light: BenchTool = {
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
      place: { to: 'lamp', text: 'To the places and their lamps', value: needed.toFixed(1) },
      caution: 'Lights off wet leaves; eyes off very bright ones and bare UV.',
    };
  },
};

const weighed: BenchTool = {
  id: 'weighed',
  title: 'Seeds by weight',
  formula: 'seeds in the packet = seeds counted ÷ their weight × the weight of all',
  fields: [
    { key: 'counted', label: 'Seeds counted out', kind: 'number', initial: '50', low: 1, high: 10_000 },
    { key: 'sample', label: 'They weigh', kind: 'weight', initial: '0.4 g', low: 0.0001, high: 10_000 },
    { key: 'all', label: 'All of it weighs', kind: 'weight', initial: '3 g', low: 0.0001, high: 100_000 },
  ],
  work(values) {
    const perGram = of(values, 'counted') / of(values, 'sample');
    const seeds = Math.round(perGram * of(values, 'all'));
    return {
      lines: [
        `About ${seeds.toLocaleString('en')} seeds.`,
        `${Number(perGram.toPrecision(3))} to the gram, ${Number((perGram * 28.349523125).toPrecision(3))} to the ounce; a thousand weigh ${Number((1000 / perGram).toPrecision(3))} g.`,
      ],
      place: { to: 'count', text: 'Count them into a packet', value: String(seeds) },
    };
  },
};

const sheet: BenchTool = {
  id: 'sheet',
  title: 'Room on a sheet',
  formula: 'seed length + 2 × the root length at which it is late, from one to the next',
  fields: [
    { key: 'crop', label: 'Crop', kind: 'crop', initial: '' },
    { key: 'width', label: 'Folded sheet, wide', kind: 'length', initial: '140 mm', low: 30, high: 1000 },
    { key: 'height', label: 'high', kind: 'length', initial: '110 mm', low: 30, high: 1000 },
  ],
  work(values, _texts, { crop, units }) {
    if (!crop) throw new RangeError('Choose the crop first.');
    const needed = spacingNeededMm(crop.seed.lengthMm, crop.root.lateMm);
    const fits = most((seeds) => layOut(seeds, of(values, 'width'), of(values, 'height')).nearestMm >= needed || seeds === 1);
    return {
      lines: [
        `${counted(fits, 'seed')}, ${formatLength(needed, units)} apart or more.`,
        `The seed is ${formatLength(crop.seed.lengthMm, units)} long; past ${formatLength(crop.root.lateMm, units)} its root holds on to the paper.`,
      ],
      place: { to: 'tuck', text: `Tuck in ${fits}`, value: String(fits) },
    };
  },
};

/** Most that fit, up to what anybody lays on a sheet. */
function most(fits: (seeds: number) => boolean): number {
  let [low, high] = [1, 200];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (fits(middle)) low = middle;
    else high = middle - 1;
  }
  return low;
}

const days: BenchTool = {
  id: 'days',
  title: 'Warmth to days',
  formula: 'days = days at its best warmth ÷ speed at this one (Yan and Hunt 1999)',
  fields: [
    { key: 'crop', label: 'Crop', kind: 'crop', initial: '' },
    { key: 'celsius', label: 'At', kind: 'temperature', initial: '24 C', low: -5, high: 50 },
  ],
  work(values, _texts, { crop, units }) {
    if (!crop) throw new RangeError('Choose the crop first.');
    const celsius = of(values, 'celsius');
    const rate = rateAt(responseOf(crop.temperature), celsius);
    const { optimumC } = crop.temperature.beta;
    const best = `At its best, ${formatTemperature(optimumC, units)}, the middle seed shows on day ${crop.days.tipAtOptimum.toFixed(1)}.`;
    return {
      lines: [
        rate > 0.01
          ? `Day ${(crop.days.tipAtOptimum / rate).toFixed(1)} for the middle seed at ${formatTemperature(celsius, units)} day and night.`
          : `At ${formatTemperature(celsius, units)} it hardly moves at all.`,
        best,
      ],
      place: { to: 'crop', text: 'See it in your spots', value: crop.id },
    };
  },
};

const converted: BenchTool = {
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
  return ml === null ? null : [`${neat(ml)} ml = ${neat(ml / 29.5735295625)} fl oz`, `By cups and spoons about ${inSpoons(ml)}.`];
}
function asWeight(typed: string): string[] | null {
  const grams = parseWeight(typed);
  return grams === null || /\d$/.test(typed) ? null : [`${neat(grams)} g = ${neat(grams / 28.349523125)} oz`];
}

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
