/**
 * Reads the whole crop library critically: `npm run crops:report` writes docs/crops.md
 * with where its figures come from, pairs of crops with identical figures, figures far
 * from their family's, days far from the published ones, each with its reason, and
 * what comes at four temperatures.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { CROPS, type Crop } from '@fresh-tuck/core/crops';
import { comesBelowC, rateAt, responseOf, shareAt } from '@fresh-tuck/core/warmth';
import { daysApart, strays, type Oddity } from './oddities.js';

const GROUPS = [
  'seed',
  'temperature',
  'days',
  'root',
  'viability',
  'water',
  'preparation',
  'moving',
  'growing',
  'methods',
  'hazards',
] as const;
const TEMPERATURES = [18, 22, 26, 30] as const;

/** The figures that two different crops should not all share. */
const figures = (crop: Crop): number[] => [
  crop.seed.gramsPerThousand,
  crop.seed.lengthMm,
  crop.temperature.beta.baseC,
  crop.temperature.beta.optimumC,
  crop.temperature.beta.ceilingC,
  crop.days.tipAtOptimum,
  crop.days.logSpread,
  crop.root.mmPerDayAtOptimum,
  crop.root.lateMm,
];

const guesses = GROUPS.map((group) => {
  const low = CROPS.filter((crop) => crop[group].confidence === 'low' || /guess/.test(crop[group].source)).length;
  return `| ${group} | ${Math.round((100 * low) / CROPS.length)} % |`;
});

const twins = CROPS.flatMap((a, index) =>
  CROPS.slice(index + 1).flatMap((b) => {
    const same = figures(a).filter((value, at) => value === figures(b)[at]).length;
    return same >= figures(a).length - 2 ? [`${a.id} and ${b.id}: ${same} of ${figures(a).length} figures alike`] : [];
  }),
);

const explained = JSON.parse(readFileSync(new URL('explained.json', import.meta.url), 'utf8')) as Record<string, string>;
const reasoned = (found: readonly Oddity[]): string[] => found.map(({ key, text }) => `${text}. ${explained[key] ?? '**Not explained.**'}`);

const cell = (crop: Crop, celsius: number): string => {
  const rate = rateAt(responseOf(crop.temperature), celsius);
  const days = crop.days.tipAtOptimum / Math.max(rate, 1e-9);
  const share = Math.round(100 * shareAt(crop.temperature.share?.values ?? [], celsius));
  return rate < 0.02 || share === 0 ? 'none' : `${days < 10 ? days.toFixed(1) : days.toFixed(0)} d, ${share} %`;
};
const rows = [...CROPS]
  .sort((a, b) => a.family.localeCompare(b.family) || a.name.localeCompare(b.name))
  .map(
    (crop) =>
      `| ${crop.family} | ${crop.name} | ${TEMPERATURES.map((celsius) => cell(crop, celsius)).join(' | ')} | ${Math.round(crop.temperature.beta.optimumC)} | ${crop.temperature.tentBaseC} to ${comesBelowC(crop.temperature)} | ${crop.temperature.share?.source ?? ''} (${crop.temperature.share?.confidence ?? ''}) |`,
  );

const list = (lines: readonly string[]): string => (lines.length === 0 ? 'None.' : lines.map((line) => `- ${line}`).join('\n'));
const text = `# The crop library, read critically

Written by \`npm run crops:report\` from the ${CROPS.length} entries in \`core/src/crops/\`; what is odd is explained in \`scripts/crops/explained.json\`, and a spec fails on an oddity without a reason. The share beside the days is that of the live seeds that come at that temperature, with whose it is: a table's own, a relative's, or a guess.

## Share of crops whose group of figures is a guess or of low confidence

| group | guessed |
| --- | --- |
${guesses.join('\n')}

## Crops with nearly all figures alike

${list(twins)}

## Figures far from the rest of their family

Beyond the range of the others by 5 °C, or by twice, in families of four and more.

${list(reasoned(strays(CROPS)))}

## Days that differ from the published by more than a third

Days to emergence, tip and all, against three tables. Where two tables contradict each other it is said which was believed.

${list(reasoned(daysApart(CROPS)))}

## Median days to the first tip on a towel, and the share that comes

| family | crop | ${TEMPERATURES.map((celsius) => `${celsius} °C`).join(' | ')} | optimum | comes from to, °C | whose share |
| --- | --- | ${TEMPERATURES.map(() => '---').join(' | ')} | --- | --- | --- |
${rows.join('\n')}
`;
writeFileSync(new URL('../../docs/crops.md', import.meta.url), text);
console.log(`docs/crops.md: ${CROPS.length} crops, ${strays(CROPS).length + daysApart(CROPS).length} oddities explained`);
