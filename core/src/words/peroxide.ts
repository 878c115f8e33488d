import { diluted, SEED_PEROXIDE_PERCENT } from '../carrier/index.js';
/** Peroxide at home: usual safe practice. */
export const PEROXIDE_CAUTION =
  'Household peroxide, 3 % at the most: stronger stock burns skin and eyes and feeds fire. Never with vinegar or bleach. Gloves and eyes covered, its maker’s label first, out of children’s reach.';

const ml = (millilitres: number): string => `${Number(millilitres.toFixed(millilitres < 10 ? 1 : 0))} ml`;

/** How a bottle is mixed, and what is written on it. */
export interface BottleCard {
  readonly mix: string;
  readonly label: string;
  readonly caution: string;
}

/**
 * The card for a bottle of peroxide water, by C1 V1 = C2 V2.
 *
 * @param millilitres that the bottle holds
 * @param day as the label says it
 * @throws RangeError where the stock is stronger than 3 %, or weaker than what is mixed
 */
export function bottleCard(stockPercent: number, millilitres: number, day: string): BottleCard {
  const { stockMl, waterMl } = diluted(stockPercent, SEED_PEROXIDE_PERCENT, millilitres);
  return {
    mix: `${ml(waterMl)} of water first, then ${ml(stockMl)} of ${stockPercent} % peroxide: ${ml(millilitres)} at ${SEED_PEROXIDE_PERCENT} % (${SEED_PEROXIDE_PERCENT} × ${millilitres} = ${stockPercent} × ${Number(stockMl.toFixed(1))}).`,
    label: `Peroxide ${SEED_PEROXIDE_PERCENT} % for seed, not to drink · mixed ${day} · a week at the most`,
    caution: PEROXIDE_CAUTION,
  };
}

/** The bottle as one step at the worktop, with its caution. */
export const peroxideStep = () => ({
  text: `From the peroxide bottle, ${SEED_PEROXIDE_PERCENT} %: one part of the household 3 % to nine of water.`,
  caution: PEROXIDE_CAUTION,
});
