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
  // Seen by what comes up alone: the way through the mix spread as the forecast has it, and raggedly, a part never up.
  'seen when up',
  'up, and ragged',
  // Half of the prescribed cold, then the warm: part of the lot sleeps on.
  'chill too short',
] as const;
export type World = (typeof WORLDS)[number];

/** What the packet says. */
export const PRINTED_RATE = 0.85;

/** A lot as it truly is: each seed's need, in days at the optimum over the crop's figure; Infinity for dead seed. */
export interface TrueLot {
  readonly needs: readonly number[];
  /** Way from tip to what is seen, over the crop's figure, by seed; none where the tip is watched. */
  readonly delays: readonly number[];
  /** Cold that each needs, over the prescribed; none where the world wants none. */
  readonly chills: readonly number[];
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

/** The way up through the mix: alike for all, or one seed's its own and a twelfth of them lost on it. */
function delayIn(world: World, chance: Chance): number {
  if (world === 'seen when up') return Math.exp(0.2 * chance.normal());
  return chance.uniform() < 1 / 12 ? Infinity : 0.6 + 1.1 * chance.uniform();
}
/** Cold a seed needs over what is prescribed: by another law than the forecast's, and a few need none. */
const chillIn = (chance: Chance): number => (chance.uniform() < 0.03 ? 0 : 0.65 * chance.gamma());

/** Draws a lot of a world. */
export function drawTrueLot(world: World, seeds: number, chance: Chance): TrueLot {
  const mean = PRINTED_RATE - (world === 'rate 0.15 lower' ? 0.15 : 0);
  const dud = world === 'some duds' && chance.uniform() < 0.075;
  const living = dud ? chance.beta(0.6, 15)() : chance.beta(12 * mean, 12 * (1 - mean))();
  const pace = paceIn(world, chance);
  return {
    needs: Array.from({ length: seeds }, () => (chance.uniform() < living ? pace * timeIn(world, chance) : Infinity)),
    delays: world === 'seen when up' || world === 'up, and ragged' ? Array.from({ length: seeds }, () => delayIn(world, chance)) : [],
    chills: world === 'chill too short' ? Array.from({ length: seeds }, () => chillIn(chance)) : [],
    warmerC: world === 'warmer by 2 °C' ? 2 : world === 'cooler by 2 °C' ? -2 : 0,
  };
}
