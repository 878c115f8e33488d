import { randomBeta, randomGamma, randomLcg, randomLogistic, randomNormal, randomUniform, randomWeibull } from 'd3-random';

/** The worlds a forecast is tried on. Only the first is the forecast's own. */
export const WORLDS = [
  'model',
  'weibull',
  'gamma',
  'log-logistic',
  'a fifth late',
  'some duds',
  'warmer by 2 °C',
  'cooler by 2 °C',
  'rate 0.15 lower',
  'lot x 0.7',
  'lot x 1.4',
] as const;
export type World = (typeof WORLDS)[number];

/** What the packet says. */
export const PRINTED_RATE = 0.85;

/** A lot as it truly is: each seed's need, in days at the optimum over the crop's figure; Infinity for dead seed. */
export interface TrueLot {
  readonly needs: readonly number[];
  /** °C that the thermometer reads too low. */
  readonly warmerC: number;
}

/** Random numbers that can be had again. */
export interface Chance {
  readonly uniform: () => number;
  readonly normal: () => number;
  readonly weibull: () => number;
  readonly gamma: () => number;
  readonly logistic: () => number;
  readonly beta: (a: number, b: number) => () => number;
}

export function chanceFrom(seed: number): Chance {
  const source = randomLcg(seed);
  return {
    uniform: randomUniform.source(source)(),
    normal: randomNormal.source(source)(),
    // Scaled so that the median is 1.
    weibull: randomWeibull.source(source)(4.5, 0, 1.0849),
    gamma: randomGamma.source(source)(14, 1 / 13.668),
    logistic: randomLogistic.source(source)(0, 0.145),
    beta: (a, b) => randomBeta.source(source)(a, b),
  };
}

function timeIn(world: World, chance: Chance): number {
  switch (world) {
    case 'weibull':
      return chance.weibull();
    case 'gamma':
      return chance.gamma();
    case 'log-logistic':
      return Math.exp(chance.logistic());
    case 'a fifth late':
      return Math.exp(0.25 * chance.normal()) * (chance.uniform() < 0.2 ? 2 + 2 * chance.uniform() : 1);
    default:
      return Math.exp(0.25 * chance.normal());
  }
}

function paceIn(world: World, chance: Chance): number {
  const own = Math.exp((world.startsWith('lot') ? 0.1 : 0.3) * chance.normal());
  return own * (world === 'lot x 0.7' ? 0.7 : world === 'lot x 1.4' ? 1.4 : 1);
}

/** Draws a lot of a world. */
export function drawTrueLot(world: World, seeds: number, chance: Chance): TrueLot {
  const mean = PRINTED_RATE - (world === 'rate 0.15 lower' ? 0.15 : 0);
  const dud = world === 'some duds' && chance.uniform() < 0.075;
  const living = dud ? chance.beta(0.6, 15)() : chance.beta(12 * mean, 12 * (1 - mean))();
  const pace = paceIn(world, chance);
  return {
    needs: Array.from({ length: seeds }, () => (chance.uniform() < living ? pace * timeIn(world, chance) : Infinity)),
    warmerC: world === 'warmer by 2 °C' ? 2 : world === 'cooler by 2 °C' ? -2 : 0,
  };
}
