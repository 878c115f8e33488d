/**
 * Reads the whole crop library critically: `npm run crops:report` prints where its
 * figures come from, pairs of crops with identical figures and figures far from
 * their family's, and writes docs/crops.md with the days it expects.
 */
import { writeFileSync } from 'node:fs';
import { CROPS, type Crop } from '@fresh-tuck/core/crops';
import { rateAt, responseOf, shareAt } from '@fresh-tuck/core/warmth';

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

const NAMES = ['seed mass', 'seed length', 'base', 'optimum', 'ceiling', 'days', 'spread', 'root growth', 'late length'] as const;
const families = group();
function group(): Map<string, Crop[]> {
  const result = new Map<string, Crop[]>();
  for (const crop of CROPS) result.set(crop.family, [...(result.get(crop.family) ?? []), crop]);
  return result;
}
const strays = [...families].flatMap(([family, members]) =>
  members.length < 4
    ? []
    : members.flatMap((crop) =>
        NAMES.flatMap((name, at) => {
          const value = figures(crop)[at] ?? 0;
          const others = members.filter((other) => other !== crop).map((other) => figures(other)[at] ?? 0);
          const [low, high] = [Math.min(...others), Math.max(...others)];
          const beyond =
            name === 'base' || name === 'optimum' || name === 'ceiling'
              ? value < low - 5 || value > high + 5
              : value < low / 2 || value > high * 2;
          return beyond ? [`${crop.id}: ${name} ${value} against ${low} to ${high} of the other ${family}`] : [];
        }),
      ),
);

const cell = (crop: Crop, celsius: number): string => {
  const rate = rateAt(responseOf(crop.temperature), celsius);
  const days = crop.days.tipAtOptimum / Math.max(rate, 1e-9);
  const share = crop.temperature.share === null ? '' : `, ${Math.round(100 * shareAt(crop.temperature.share.values, celsius))} %`;
  return rate < 0.02 ? 'none' : `${days < 10 ? days.toFixed(1) : days.toFixed(0)} d${share}`;
};
const rows = [...CROPS]
  .sort((a, b) => a.family.localeCompare(b.family) || a.name.localeCompare(b.name))
  .map(
    (crop) =>
      `| ${crop.family} | ${crop.name} | ${TEMPERATURES.map((celsius) => cell(crop, celsius)).join(' | ')} | ${crop.temperature.beta.optimumC} | ${crop.days.confidence} |`,
  );

const list = (lines: readonly string[]): string => (lines.length === 0 ? 'None.' : lines.map((line) => `- ${line}`).join('\n'));
const text = `# The crop library, read critically

Written by \`npm run crops:report\` from the ${CROPS.length} entries in \`core/src/crops/\`. The share beside the days is that of the living that come at that temperature, where the crop or a relative is tabled.

## Share of crops whose group of figures is a guess or of low confidence

| group | guessed |
| --- | --- |
${guesses.join('\n')}

## Crops with nearly all figures alike

${list(twins)}

## Figures far from the rest of their family

${list(strays)}

## Median days to the first tip on a towel

| family | crop | ${TEMPERATURES.map((celsius) => `${celsius} °C`).join(' | ')} | optimum | confidence |
| --- | --- | ${TEMPERATURES.map(() => '---').join(' | ')} | --- | --- |
${rows.join('\n')}
`;
writeFileSync(new URL('../docs/crops.md', import.meta.url), text);
console.log(text);
