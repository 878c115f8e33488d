import { fastLogWeibullCdf, fastNormalCdf } from '../chance/index.js';

/**
 * How the living seeds of a lot spread over progress: a kernel around the lot's
 * median, and a minority of stragglers that come later and wider.
 */
export interface TipLaw {
  readonly kernel: 'lognormal' | 'weibull';
  /** Share of the living seeds that straggle. */
  readonly stragglers: number;
  /** Prior weight of this law among the others. */
  readonly weight: number;
}

/** Stragglers come later by this much log progress, with this extra spread (a starting point that held up on foreign laws). */
const STRAGGLER_DELAY = 0.9;
const STRAGGLER_SD = 0.6;

/** The laws a forecast weighs against each other. Lots with few stragglers are the more usual. */
export const TIP_LAWS: readonly TipLaw[] = [
  { kernel: 'lognormal', stragglers: 0.01, weight: 0.3 },
  { kernel: 'lognormal', stragglers: 0.08, weight: 0.22 },
  { kernel: 'lognormal', stragglers: 0.25, weight: 0.08 },
  { kernel: 'weibull', stragglers: 0.02, weight: 0.25 },
  { kernel: 'weibull', stragglers: 0.15, weight: 0.15 },
];

/** The scales that a spread gives each part of a law, worked out once a spread. */
export interface LawShape {
  readonly perSpread: number;
  readonly weibull: number;
  readonly perLate: number;
}

/**
 * @param spread sd of log progress of the main crowd. The Weibull kernel takes the
 *   shape k whose log has the same sd, pi / (sqrt(6) k).
 */
export const lawShape = (spread: number): LawShape => ({
  perSpread: 1 / spread,
  weibull: Math.PI / (Math.sqrt(6) * spread),
  perLate: 1 / Math.sqrt(spread * spread + STRAGGLER_SD * STRAGGLER_SD),
});

/** Share of the straggling minority that has tipped at a log distance from the lot's median. */
export const lateShare = (shape: LawShape, distance: number): number => fastNormalCdf((distance - STRAGGLER_DELAY) * shape.perLate);

/** Share of the main crowd that has tipped at a log distance from the lot's median. */
export const crowdShare = (kernel: TipLaw['kernel'], shape: LawShape, distance: number): number =>
  kernel === 'lognormal' ? fastNormalCdf(distance * shape.perSpread) : fastLogWeibullCdf(distance * shape.weibull);

/**
 * Share of the living seeds that show a tip at a log distance from the lot's
 * median (log progress less log median; -Infinity before the start).
 *
 * @returns 0 to 1
 */
export const tippedShare = (law: TipLaw, shape: LawShape, distance: number): number =>
  (1 - law.stragglers) * crowdShare(law.kernel, shape, distance) + law.stragglers * lateShare(shape, distance);
