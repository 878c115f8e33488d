/**
 * Fits the temperature responses of the tabled crops: `npm run fit`. Writes
 * core/src/warmth/fits.json, docs/temperature.md and a figure a crop.
 */
import { writeFileSync } from 'node:fs';
import { figure } from './figure.js';
import { fitBeta, fitTent, leftOut } from './fit.js';
import { emergence, heatBases, root, seedlingName, seedlings } from './tables.js';

const round = (x: number, digits: number): number => Number(x.toFixed(digits));
const file = (crop: string): string => crop.replace(/[^a-z]+/g, '-');

/**
 * Optima of the handbooks (Knott's, after Harrington, and practice), °C, where the figures end
 * before they turn or turn too late: left free the curve makes up a warmth that nobody tested.
 */
const HELD: Readonly<Record<string, number>> = { cabbage: 29, eggplant: 29.5, okra: 35 };

const rows = [...emergence].map(([crop, points]) => {
  const heldC = HELD[crop] ?? null;
  const fit = fitBeta(points, heldC);
  const tent = fitTent(points);
  writeFileSync(new URL(`docs/temperature/${file(crop)}.svg`, root), figure(crop, points, fit, tent));
  return { crop, points, fit, tent, left: leftOut(points, heldC), heatBase: heatBases.get(crop) ?? null };
});

const source =
  'Fitted by scripts/temperature to days to emergence from J. F. Harrington and P. A. Minges, Vegetable Seed Germination (1954), reprinted in Knott’s Handbook (reference/emergence_days.csv, from memory)';
const fits = Object.fromEntries(
  rows.map(({ crop, points, fit, tent }) => [
    crop,
    {
      baseC: round(fit.beta.baseC, 2),
      optimumC: round(fit.beta.optimumC, 2),
      ceilingC: round(fit.beta.ceilingC, 2),
      emergenceDaysAtOptimum: round(fit.days, 3),
      figures: points.filter(({ days }) => days !== null).length,
      rmsLogDays: round(fit.rms, 4),
      tentBaseC: round(tent.baseC, 2),
      heatSumCDays: round(tent.heatSum, 1),
      share: seedlings.get(seedlingName(crop)) ?? null,
    },
  ]),
);
writeFileSync(new URL('core/src/warmth/fits.json', root), `${JSON.stringify({ source, fits }, null, 2)}\n`);

const cells = rows.flatMap(({ left }) => left);
const near = cells.filter(({ ratio }) => Math.abs(ratio - 1) <= 0.2).length;
const compared = rows.filter(({ heatBase }) => heatBase !== null);
const agreeing = compared.filter(({ tent, heatBase }) => Math.abs(tent.baseC - (heatBase ?? NaN)) <= 3).length;
const percent = (x: number): string => `${(100 * x).toFixed(1)} %`;
const few = rows.filter(({ points }) => points.filter(({ days }) => days !== null).length <= 4).map(({ crop }) => crop);
const report = `# Temperature responses

Written by \`npm run fit\` from \`reference/emergence_days.csv\` (Harrington and Minges 1954, from memory). The beta response (Yan and Hunt 1999) is fitted to log days with weak priors; "NG" counts as slower than max(60 days, 1.5 times the slowest figure). The straight line is the least-squares line of 1/days on temperature up to 25 °C or the fastest figure, as heat sums are found; its base stands beside that of Bierhuizen and Wagenvoort (1974).

- rms of log days at most 10 %: ${rows.filter(({ fit }) => fit.rms <= 0.1).length} of ${rows.length} crops; at most 16 %: ${rows.filter(({ fit }) => fit.rms <= 0.16).length}.
- A temperature left out, inside the tested range, predicted within 20 %: ${near} of ${cells.length} cells (${percent(near / cells.length)}).
- Bases of the straight line within 3 °C of the published heat sums: ${agreeing} of ${compared.length} crops.
- ${few.join(', ')} have three or four figures: four parameters fit them whatever the truth is, and their curves prove nothing.
- Held at the handbooks' optimum, as the figures end before they turn: ${Object.entries(HELD)
  .map(([crop, at]) => `${crop} ${at} °C`)
  .join(', ')}.

| crop | base | optimum | ceiling | days at optimum | rms | residuals, % at °C | left out, % at °C | line's base | published base | figure |
| --- | --- | --- | --- | --- | --- | --- | --- | --- | --- | --- |
${rows
  .map(({ crop, fit, tent, left, heatBase }) =>
    [
      crop,
      ...[fit.beta.baseC, fit.beta.optimumC, fit.beta.ceilingC].map((c) => c.toFixed(1)),
      fit.days.toFixed(1),
      percent(fit.rms),
      fit.residuals.map(({ celsius, log }) => `${(100 * log).toFixed(0)} at ${celsius}`).join(', '),
      left.map(({ celsius, ratio }) => `${(100 * (ratio - 1)).toFixed(0)} at ${celsius}`).join(', '),
      tent.baseC.toFixed(1),
      heatBase?.toFixed(1) ?? '',
      `[curve](temperature/${file(crop)}.svg)`,
    ].join(' | '),
  )
  .map((row) => `| ${row} |`)
  .join('\n')}
`;
writeFileSync(new URL('docs/temperature.md', root), report);
console.log(report.split('\n').slice(4, 10).join('\n'));
