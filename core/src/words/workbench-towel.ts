import { doseFor, layOut, MEDIA, spacingNeededMm, type Medium } from '../carrier/index.js';
import { counted, formatLength, formatTemperature, formatVolume, GRAMS_PER_OUNCE } from '../units/index.js';
import { rateAt, responseOf } from '../warmth/index.js';
import { MEDIUM_WORDS } from './vocabulary.js';
import { of, type BenchTool } from './workbench-kinds.js';

/** Water for what seed lies in. */
export const dose: BenchTool = {
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
    const water = `${formatVolume(millilitres, units)}: ${counted(sprays, 'spray')} of yours, or ${counted(teaspoons, 'teaspoon')} of 5 ml`;
    const on = `${MEDIUM_WORDS[medium].text}, ${formatLength(sheet.widthMm, units)} by ${formatLength(sheet.heightMm, units)}, ${counted(sheet.plies, 'layer')}`;
    return {
      lines: [`${water}.`, ...(laterMl > 0 ? [`The seed drinks ${laterMl} ml more in its first days: give that as the towel dries.`] : [])],
      place: { to: 'note', text: 'Write it into the notes', value: `Water for ${on}: ${water}.` },
    };
  },
};

/** Seeds of a packet by weight. */
export const weighed: BenchTool = {
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
        `${Number(perGram.toPrecision(3))} to the gram, ${Number((perGram * GRAMS_PER_OUNCE).toPrecision(3))} to the ounce; a thousand weigh ${Number((1000 / perGram).toPrecision(3))} g.`,
      ],
      place: { to: 'count', text: 'Count them into a packet', value: String(seeds) },
    };
  },
};

/** Seeds that have room on a sheet. */
export const sheet: BenchTool = {
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

/** Days of a crop at a warmth. */
export const days: BenchTool = {
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
