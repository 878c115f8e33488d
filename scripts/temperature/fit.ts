import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { rateAt, type BetaResponse } from '../../core/src/warmth/response.js';
import type { Point } from './tables.js';

const LEAST_RATE = 1e-4;
/** Prior mean and sd: base, optimum and ceiling in °C; weak, so that four figures cannot run away. */
const PRIOR = [
  { mean: 0, sd: 15 },
  { mean: 28, sd: 8 },
  { mean: 40, sd: 7 },
];
const OPTIMUM = 1;
/** How firmly a handbook's optimum is held, °C. */
const HELD_SD_C = 0.15;
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

/** A fitted beta response with the residuals it leaves, in log days. */
export interface BetaFit {
  readonly days: number;
  readonly beta: BetaResponse;
  readonly residuals: readonly { readonly celsius: number; readonly log: number }[];
  readonly rms: number;
}

export const daysAt = ({ days, beta }: Pick<BetaFit, 'days' | 'beta'>, celsius: number): number =>
  days / Math.max(rateAt(beta, celsius), LEAST_RATE);

/**
 * Least squares on log days, with weak priors on base and ceiling; "NG" counts
 * one-sided, as slower than max(60 d, 1.5 x the slowest).
 *
 * @param heldC optimum taken from handbooks where the figures end before they turn, °C
 */
export function fitBeta(points: readonly Point[], heldC: number | null = null): BetaFit {
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
      const place = index - points.length;
      const prior = place === OPTIMUM && heldC !== null ? { mean: heldC, sd: HELD_SD_C } : PRIOR[place];
      const value = [beta.baseC, beta.optimumC, beta.ceilingC][place] ?? 0;
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
  const residuals = points.flatMap((point) =>
    point.days === null ? [] : [{ celsius: point.celsius, log: Math.log(daysAt({ days, beta }, point.celsius) / point.days) }],
  );
  return { days, beta, residuals, rms: Math.sqrt(residuals.reduce((sum, { log }) => sum + log * log, 0) / residuals.length) };
}

/** Straight line of rate on temperature: base where it is nothing, heat sum in °C days. */
export interface TentFit {
  readonly baseC: number;
  readonly heatSum: number;
}

/** Heat sums were fitted on the rising part, up to here, °C. */
const HEAT_SUM_UPTO_C = 25;

/** Least squares of 1/days on temperature over the rising part, as heat sums are found. */
export function fitTent(points: readonly Point[]): TentFit {
  const rates = points.flatMap(({ celsius, days }) => (days === null ? [] : [{ celsius, rate: 1 / days }]));
  const fastest = rates.reduce((best, point) => (point.rate > best.rate ? point : best)).celsius;
  const rising = rates.filter(({ celsius }) => celsius <= Math.min(fastest, HEAT_SUM_UPTO_C));
  const mean = (pick: (point: (typeof rates)[number]) => number): number =>
    rising.reduce((sum, point) => sum + pick(point), 0) / rising.length;
  const [meanC, meanRate] = [mean(({ celsius }) => celsius), mean(({ rate }) => rate)];
  const slope = mean(({ celsius, rate }) => (celsius - meanC) * (rate - meanRate)) / mean(({ celsius }) => (celsius - meanC) ** 2);
  return { baseC: meanC - meanRate / slope, heatSum: 1 / slope };
}

/** Each temperature inside the tested range predicted from the others: predicted over seen. */
export function leftOut(points: readonly Point[], heldC: number | null = null): { celsius: number; ratio: number }[] {
  const seen = points.filter(({ days }) => days !== null);
  return seen.slice(1, -1).map((point) => {
    const without = fitBeta(
      points.filter((other) => other !== point),
      heldC,
    );
    return { celsius: point.celsius, ratio: daysAt(without, point.celsius) / (point.days ?? 1) };
  });
}
