import type { Crop, Damping, Medium, Wetness } from '../crops/index.js';

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

/** What a household does where nobody says otherwise. */
export type HouseSetup = Partial<Omit<Setup, 'light'>>;

/** How a crop is laid: as its kind asks, else as the household does, else as is usual. */
export function setupFor({ laid }: Pick<Crop, 'laid'>, house: HouseSetup = {}): Setup {
  const own = <T extends string>(asked: T | 'house', here: T | undefined, usual: T): T => (asked === 'house' ? (here ?? usual) : asked);
  return {
    medium: own(laid.medium, house.medium, USUAL_SETUP.medium),
    damped: own(laid.damped, house.damped, USUAL_SETUP.damped),
    wet: own(laid.wet, house.wet, USUAL_SETUP.wet),
    light: null,
  };
}

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
