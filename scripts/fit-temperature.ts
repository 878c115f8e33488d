/**
 * Fits the beta response to the published days to emergence and writes
 * core/src/warmth/fits.json. Least squares on log days, with weak priors on base
 * and ceiling; "NG" counts one-sided, as slower than max(60 d, 1.5 x the slowest).
 * Run with `npm run fit`.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { parse } from 'csv-parse/sync';
import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { rateAt } from '../core/src/warmth/response.js';

interface Point {
  readonly celsius: number;
  /** Days, or null for little or no germination. */
  readonly days: number | null;
}

const root = new URL('..', import.meta.url);
const rows = parse<Record<string, string>>(readFileSync(new URL('reference/emergence_days.csv', root)), { columns: true });
const LEAST_RATE = 1e-4;
/** Prior mean and sd: base, optimum and ceiling in °C; weak, so that four figures cannot run away. */
const PRIOR = [
  { mean: 0, sd: 15 },
  { mean: 28, sd: 8 },
  { mean: 40, sd: 7 },
];
/** The ceiling is held below 50 °C, where no seed of these kinds comes. */
const CEILING = { softC: 48, sd: 0.7 };
/** Residual sd of log days against which the priors weigh. */
const LOG_SD = 0.05;
/** “NG” is a coarser word than a number of days. */
const NG_LOG_SD = 0.25;

type Parameters = readonly number[];

/** Log days at the optimum, base, distance to the optimum, distance to the ceiling (the last two as logs). */
function unpack([logDays = 0, baseC = 0, logRise = 0, logFall = 0]: Parameters) {
  const optimumC = baseC + Math.exp(logRise);
  return { days: Math.exp(logDays), beta: { baseC, optimumC, ceilingC: optimumC + Math.exp(logFall) } };
}

function fit(points: readonly Point[]) {
  const seen = points.flatMap(({ days }) => (days === null ? [] : [days]));
  const slowest = Math.log(Math.max(60, 1.5 * Math.max(...seen)));
  const target = points.map(({ days }) => (days === null ? slowest / NG_LOG_SD : Math.log(days) / LOG_SD));
  const model = (parameters: Parameters) => {
    const { days, beta } = unpack(parameters);
    return (index: number): number => {
      const point = points[index];
      if (point) {
        const log = Math.log(days) - Math.log(Math.max(rateAt(beta, point.celsius), LEAST_RATE));
        // Slower than the bound is all that "NG" says.
        return point.days === null ? Math.min(log, slowest) / NG_LOG_SD : log / LOG_SD;
      }
      const prior = PRIOR[index - points.length];
      const value = [beta.baseC, beta.optimumC, beta.ceilingC][index - points.length] ?? 0;
      return prior ? (value - prior.mean) / prior.sd : Math.max(beta.ceilingC - CEILING.softC, 0) / CEILING.sd;
    };
  };
  const count = points.length + PRIOR.length + 1;
  const data = { x: Array.from({ length: count }, (_, i) => i), y: [...target, 0, 0, 0, 0] };
  let best: { error: number; parameters: Parameters } | null = null;
  for (const baseC of [-6, 0, 6, 10]) {
    for (const [optimumC = 0, fall = 0] of [
      [18, 6],
      [20, 15],
      [26, 12],
      [31, 9],
    ]) {
      const result = levenbergMarquardt(data, model, {
        initialValues: [Math.log(Math.min(...seen)), baseC, Math.log(optimumC - baseC), Math.log(fall)],
        minValues: [-1, -25, Math.log(8), Math.log(2)],
        maxValues: [5, 18, Math.log(60), Math.log(20)],
        damping: 1.5,
        gradientDifference: 1e-4,
        maxIterations: 400,
        errorTolerance: 1e-9,
      });
      if (!best || result.parameterError < best.error) best = { error: result.parameterError, parameters: result.parameterValues };
    }
  }
  const { days, beta } = unpack(best?.parameters ?? []);
  const residuals = points
    .filter((point) => point.days !== null)
    .map(({ celsius, days: seenDays }) => Math.log(days / Math.max(rateAt(beta, celsius), LEAST_RATE)) - Math.log(seenDays ?? 1));
  const rms = Math.sqrt(residuals.reduce((sum, r) => sum + r * r, 0) / residuals.length);
  return { days, beta, rms, figures: seen.length };
}

const round = (x: number, digits: number): number => Number(x.toFixed(digits));
const fits: Record<string, object> = Object.fromEntries(
  rows.map((row): [string, object] => {
    const points = Object.entries(row).flatMap(([column, cell]): Point[] => {
      const celsius = /^(\d+)C_/.exec(column)?.[1];
      if (celsius === undefined || cell === '') return [];
      return [{ celsius: Number(celsius), days: cell === 'NG' ? null : Number(cell) }];
    });
    const { days, beta, rms, figures } = fit(points);
    return [
      row['crop'] ?? '',
      {
        baseC: round(beta.baseC, 2),
        optimumC: round(beta.optimumC, 2),
        ceilingC: round(beta.ceilingC, 2),
        emergenceDaysAtOptimum: round(days, 3),
        figures,
        rmsLogDays: round(rms, 4),
      },
    ];
  }),
);
const source =
  'Fitted by scripts/fit-temperature.ts to days to emergence from J. F. Harrington and P. A. Minges, Vegetable Seed Germination (1954), reprinted in Knott’s Handbook (reference/emergence_days.csv, from memory)';
writeFileSync(new URL('core/src/warmth/fits.json', root), `${JSON.stringify({ source, fits }, null, 2)}\n`);
console.table(fits);
