import type { Crop } from '../crops/index.js';

/** Cardinal temperatures of the beta response, °C. */
export interface BetaResponse {
  readonly baseC: number;
  readonly optimumC: number;
  readonly ceilingC: number;
  /** Below this nothing moves, whatever the curve says: the base that people are shown. */
  readonly floorC?: number;
}

/** What a day at a temperature is worth, 0 to 1. */
export type Rate = (celsius: number) => number;

/** A crop's response: its fitted curve, cut off at the base that people are shown; the curve's own base is no physiology. */
export const responseOf = ({ tentBaseC, beta }: Pick<Crop['temperature'], 'tentBaseC' | 'beta'>): BetaResponse => ({
  ...beta,
  floorC: tentBaseC,
});

/**
 * Rate of development relative to the optimum: 0 at and beyond base and
 * ceiling and below the floor, 1 at the optimum.
 *
 * Source: W. Yan and L. A. Hunt, "An equation for modelling the temperature
 * response of plants using only the cardinal temperatures", Annals of Botany 84
 * (1999) 607-614, eq. 4, shifted so that its zero lies at the base.
 *
 * @param celsius any temperature
 * @returns 0 to 1
 */
export function rateAt({ baseC, optimumC, ceilingC, floorC }: BetaResponse, celsius: number): number {
  if (celsius <= baseC || celsius >= ceilingC || celsius < (floorC ?? baseC)) return 0;
  const exponent = (optimumC - baseC) / (ceilingC - optimumC);
  return ((ceilingC - celsius) / (ceilingC - optimumC)) * ((celsius - baseC) / (optimumC - baseC)) ** exponent;
}

/**
 * Straight rise from base to optimum, straight fall to the ceiling: the simpler
 * law whose base is the one people know from heat sums.
 */
export function tentRateAt({ baseC, optimumC, ceilingC }: BetaResponse, celsius: number): number {
  if (celsius <= baseC || celsius >= ceilingC) return 0;
  return celsius <= optimumC ? (celsius - baseC) / (optimumC - baseC) : (ceilingC - celsius) / (ceilingC - optimumC);
}
