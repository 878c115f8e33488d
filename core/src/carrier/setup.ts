import type { Crop } from '../crops/index.js';
import type { Medium, Wetness } from './media.js';

/** What the water is: plain, or with a little household peroxide. */
export const DAMPINGS = ['water', 'peroxide'] as const;
export type Damping = (typeof DAMPINGS)[number];
/** Where it stands while it sprouts. */
export const LIGHTS = ['dark', 'indirect'] as const;
export type Light = (typeof LIGHTS)[number];

/** How seed was laid: what the schools of the worktop decide. */
export interface Setup {
  readonly medium: Medium;
  readonly damped: Damping;
  readonly wet: Wetness;
  /** Null where it is as the crop's page says. */
  readonly light: Light | null;
}

export const USUAL_SETUP: Setup = { medium: 'paper', damped: 'water', wet: 'wrung', light: null };

/** Share of the living that comes in the dark of a kind that waits for light, and in light of one that wants the dark. Guesses. */
const IN_THE_WRONG_LIGHT = { needs_light: 0.6, dark: 0.85 } as const;

/** Share of the living that comes in a light, against what the crop's page advises; 1 where nobody said. */
export function lightShare({ growing: { light: wants } }: Pick<Crop, 'growing'>, light: Light | null): number {
  if (light === 'dark' && wants === 'needs_light') return IN_THE_WRONG_LIGHT.needs_light;
  return light === 'indirect' && wants === 'dark' ? IN_THE_WRONG_LIGHT.dark : 1;
}

/** Strongest peroxide that is handled at home, %: the household bottle. */
export const HOUSEHOLD_PEROXIDE_PERCENT = 3;
/** One part of it to nine of water. Common practice, no source. */
export const SEED_PEROXIDE_PERCENT = 0.3;

/** A bottle mixed from stock and water. */
export interface Dilution {
  readonly stockMl: number;
  readonly waterMl: number;
}

/**
 * C1 V1 = C2 V2: stock and water for a bottle.
 *
 * @param stockPercent strength of the stock, above the wanted one and at most 3 %
 * @param wantedPercent strength of the mixed bottle
 * @param millilitres the mixed bottle holds
 * @throws RangeError where the stock is stronger than a household's, or weaker than what is wanted
 */
export function diluted(stockPercent: number, wantedPercent: number, millilitres: number): Dilution {
  if (!(stockPercent <= HOUSEHOLD_PEROXIDE_PERCENT))
    throw new RangeError(`stockPercent must be at most ${HOUSEHOLD_PEROXIDE_PERCENT}: stronger stock is not for homes`);
  if (!(wantedPercent > 0 && wantedPercent <= stockPercent)) throw new RangeError('wantedPercent must be above 0 and at most the stock’s');
  const stockMl = (wantedPercent * millilitres) / stockPercent;
  return { stockMl, waterMl: millilitres - stockMl };
}
