import { randomExponential, randomGamma, randomLcg, randomLogistic, randomNormal, randomUniform, randomWeibull } from 'd3-random';

/**
 * How demo seed is made. These laws are foreign to the forecast on purpose: seed
 * does not know our model, and a demo grown from it would flatter it.
 */
export type LawName = 'weibull' | 'gamma' | 'log_logistic';

/** A lot as nature made it. */
export interface Lot {
  /** Share of the seeds that live. */
  readonly living: number;
  /** Its pace against the book: 1.4 comes 40 % later. */
  readonly pace: number;
  readonly law: LawName;
  /** Share of the living that wake late, and how many times later. */
  readonly dormant: number;
  readonly dormantTimes: number;
}

/** One seed's fate, drawn once. */
export interface SeedFate {
  readonly alive: boolean;
  /** Warmth that it needs to its tip, in days at the optimum, over the lot's book figure. */
  readonly tipFactor: number;
  readonly elongationFactor: number;
  /** Days until a dead one goes soft. */
  readonly rotsAfterDays: number;
}

type Source = () => number;

/** Draws relative times with median about 1. */
const TIMES: Record<LawName, (source: Source) => () => number> = {
  weibull: (source) => randomWeibull.source(source)(3.6, 0, 1.107),
  gamma: (source) => randomGamma.source(source)(11, 1 / 10.67),
  log_logistic: (source) => {
    const logistic = randomLogistic.source(source)(0, 0.16);
    return () => Math.exp(logistic());
  },
};

/**
 * Draws the seeds of a lot.
 *
 * @param seed of the random numbers: the same seed gives the same lot
 */
export function drawLot(lot: Lot, count: number, seed: number): SeedFate[] {
  const source = randomLcg(seed);
  const uniform = randomUniform.source(source)();
  const normal = randomNormal.source(source)();
  const time = TIMES[lot.law](source);
  const rot = randomExponential.source(source)(1 / 9);
  return Array.from({ length: count }, () => ({
    alive: uniform() < lot.living,
    tipFactor: lot.pace * time() * (uniform() < lot.dormant ? lot.dormantTimes : 1),
    elongationFactor: Math.exp(0.25 * normal()),
    rotsAfterDays: 5 + rot(),
  }));
}
