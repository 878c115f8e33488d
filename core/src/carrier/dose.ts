import { looseLitres, mediumOf, WETTER, type Medium, type Wetness } from './media.js';

/** Spoons as cooks measure them. */
export const MILLILITRES_PER_TEASPOON = 5;

/** A sheet of towel as it is folded into the bag. */
export interface Sheet {
  /** Open sheet, mm. */
  readonly widthMm: number;
  readonly heightMm: number;
  /** Layers of paper in the open sheet. */
  readonly plies: number;
}

/** Water for one towel. */
export interface Dose {
  readonly millilitres: number;
  readonly sprays: number;
  readonly teaspoons: number;
  /** What the seed drinks beyond that in its first day or two, ml: given as the towel dries, or it would lie in it. */
  readonly laterMl: number;
}

/** An open or lidded tray loses more before it is looked at: 3.0 g to a gram in place of 2.5. Common practice, no source. */
const OPEN_TRAY = 1.2;
/** Share of its dry mass that seed takes up before it shows: common practice, no source (0.3 to 1). */
const DRINKS = 0.6;
/**
 * Water for what seed lies in: dry mass of the medium times the crop's damp ratio as the
 * medium takes it, and what the seeds drink. Laboratories commonly give rolled towels
 * about 2.5 g of water to a gram of dry paper (common practice, no source); open trays
 * somewhat more.
 *
 * @param sheet open sheet of paper or cloth; of loose stuff the two sides of its bag
 * @param dampRatio grams of water to a gram of dry paper
 * @param seedGrams dry mass of the seeds that still drink; 0 where they were soaked and bring their water with them
 * @param millilitresPerSpray of the household's sprayer
 */
export function doseFor(
  sheet: Sheet,
  dampRatio: number,
  seedGrams: number,
  millilitresPerSpray: number,
  { medium = 'paper', wet = 'wrung', open = false }: { readonly medium?: Medium; readonly wet?: Wetness; readonly open?: boolean } = {},
): Dose {
  const { dry, perRatio, holds } = mediumOf(medium);
  const dryGrams =
    'gramsPerLitre' in dry
      ? looseLitres({ widthMm: sheet.widthMm / 2, heightMm: sheet.heightMm / 2 }) * dry.gramsPerLitre
      : ((sheet.widthMm * sheet.heightMm) / 1e6) * sheet.plies * dry.gramsPerM2Ply;
  const drinks = DRINKS * seedGrams;
  const damp = dryGrams * dampRatio * perRatio * WETTER[wet] * (open ? OPEN_TRAY : 1);
  const now = Math.min(damp + drinks, Math.max(dryGrams * holds, damp));
  return { ...doseOf(now, millilitresPerSpray), laterMl: Math.round(damp + drinks - now) };
}

/** An amount of water in the three ways a worktop measures it. */
export const doseOf = (millilitres: number, millilitresPerSpray: number): Omit<Dose, 'laterMl'> => ({
  millilitres: Math.max(Math.round(millilitres * 2) / 2, 0.5),
  sprays: Math.max(Math.round(millilitres / millilitresPerSpray), 1),
  teaspoons: Math.max(Math.round((millilitres / MILLILITRES_PER_TEASPOON) * 4) / 4, 0.25),
});
