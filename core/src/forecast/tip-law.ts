import { fastLogWeibullCdf, fastNormalCdf } from '../chance/index.js';

/** Shapes that the main crowd of a lot may have. */
export const KERNELS = ['lognormal', 'weibull', 'gompertz', 'two_crowds'] as const;
export type Kernel = (typeof KERNELS)[number];

/**
 * How the living seeds of a lot spread over progress: a kernel around the lot's
 * median, and a minority of stragglers that come later and wider.
 */
export interface TipLaw {
  readonly kernel: Kernel;
  /** Share of the living seeds that straggle. */
  readonly stragglers: number;
  /** Prior weight of this law among the others. */
  readonly weight: number;
}

/** Stragglers come later by this much log progress, with this extra spread (a starting point that held up on foreign laws). */
const STRAGGLER_DELAY = 0.9;
const STRAGGLER_SD = 0.6;
/** Of two crowds the second is this share of the lot, later by so much log progress and a little wider (as above). */
const SECOND_CROWD = { share: 0.35, delay: 0.8, sd: 0.15 } as const;

/**
 * The laws a forecast weighs against each other. Lots with few stragglers are the more usual; so much is given to those
 * with many that a lot is not given up while its late seed is still to come (`docs/patience.md`).
 */
export const TIP_LAWS: readonly TipLaw[] = [
  { kernel: 'lognormal', stragglers: 0.01, weight: 0.19 },
  { kernel: 'lognormal', stragglers: 0.08, weight: 0.16 },
  { kernel: 'lognormal', stragglers: 0.25, weight: 0.1 },
  { kernel: 'weibull', stragglers: 0.02, weight: 0.14 },
  { kernel: 'weibull', stragglers: 0.15, weight: 0.14 },
  { kernel: 'gompertz', stragglers: 0.01, weight: 0.09 },
  { kernel: 'gompertz', stragglers: 0.1, weight: 0.09 },
  { kernel: 'two_crowds', stragglers: 0, weight: 0.09 },
];

/** The scales that a spread gives each part of a law, worked out once a spread. */
export interface LawShape {
  readonly perSpread: number;
  readonly perSecond: number;
  /** Shape of the Weibull kernel, and rate at which the Gompertz kernel's hazard rises in a median. */
  readonly steepness: number;
  /** e to the hazard of the Gompertz kernel at the start over its rate, and the log of that hazard over ln 2. */
  readonly gompertz: number;
  readonly logGompertz: number;
  readonly perLate: number;
}

/**
 * @param spread sd of log progress of the main crowd. The Weibull kernel takes the
 *   shape k whose log has the same sd, pi / (sqrt(6) k); the Gompertz kernel the same
 *   figure for its rate.
 */
export function lawShape(spread: number): LawShape {
  const steepness = Math.PI / (Math.sqrt(6) * spread);
  const rise = Math.expm1(steepness);
  return {
    perSpread: 1 / spread,
    perSecond: 1 / Math.hypot(spread, SECOND_CROWD.sd),
    steepness,
    gompertz: Math.exp(Math.LN2 / rise),
    logGompertz: -Math.log(rise),
    perLate: 1 / Math.hypot(spread, STRAGGLER_SD),
  };
}

/** Share of the straggling minority that has tipped at a log distance from the lot's median. */
export const lateShare = (shape: LawShape, distance: number): number => fastNormalCdf((distance - STRAGGLER_DELAY) * shape.perLate);

/**
 * Gompertz: 1 - exp(-c (e^(b x) - 1)) with x = progress over median, b its rate and
 * c = ln 2 / (e^b - 1). As 1 - e^c (1 - W) it takes the Weibull's table.
 */
const gompertzShare = ({ steepness, gompertz, logGompertz }: LawShape, distance: number): number =>
  Math.max(1 - gompertz * (1 - fastLogWeibullCdf(steepness * Math.exp(distance) + logGompertz)), 0);

/** Share of the main crowd that has tipped at a log distance from the lot's median. @param kernel index among {@link KERNELS} */
export function crowdShare(kernel: number, shape: LawShape, distance: number): number {
  switch (kernel) {
    case 0:
      return fastNormalCdf(distance * shape.perSpread);
    case 1:
      return fastLogWeibullCdf(distance * shape.steepness);
    case 2:
      return gompertzShare(shape, distance);
    default: {
      const first = fastNormalCdf(distance * shape.perSpread);
      return first + SECOND_CROWD.share * (fastNormalCdf((distance - SECOND_CROWD.delay) * shape.perSecond) - first);
    }
  }
}

/**
 * Share of the living seeds that show a tip at a log distance from the lot's
 * median (log progress less log median; -Infinity before the start).
 *
 * @returns 0 to 1
 */
export const tippedShare = (law: TipLaw, shape: LawShape, distance: number): number =>
  (1 - law.stragglers) * crowdShare(KERNELS.indexOf(law.kernel), shape, distance) + law.stragglers * lateShare(shape, distance);
