/** Paper of common kitchen towels, g/m² a ply: common practice, no source (20 to 25). */
export const PAPER_GRAMS_PER_M2_PLY = 22.5;
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

/** Share of its dry mass that seed takes up before it shows: common practice, no source (0.3 to 1). */
const DRINKS = 0.6;
/** A folded towel holds about this many times its dry mass without a pool, g/g. Guess. */
const HOLDS = 4;

/**
 * Water for a folded paper towel: dry mass of the paper times the crop's damp
 * ratio, and what the seeds drink. Laboratories commonly give rolled towels
 * about 2.5 g of water to a gram of dry paper (common practice, no source).
 *
 * @param dampRatio grams of water to a gram of dry paper
 * @param seedGrams dry mass of the seeds that still drink; 0 where they were soaked and bring their water with them
 * @param millilitresPerSpray of the household's sprayer
 */
export function doseFor(sheet: Sheet, dampRatio: number, seedGrams: number, millilitresPerSpray: number): Dose {
  const dryGrams = ((sheet.widthMm * sheet.heightMm) / 1e6) * sheet.plies * PAPER_GRAMS_PER_M2_PLY;
  const drinks = DRINKS * seedGrams;
  const damp = dryGrams * dampRatio;
  const now = Math.min(damp + drinks, Math.max(dryGrams * HOLDS, damp));
  return { ...doseOf(now, millilitresPerSpray), laterMl: Math.round(damp + drinks - now) };
}

/** An amount of water in the three ways a worktop measures it. */
export const doseOf = (millilitres: number, millilitresPerSpray: number): Omit<Dose, 'laterMl'> => ({
  millilitres: Math.max(Math.round(millilitres * 2) / 2, 0.5),
  sprays: Math.max(Math.round(millilitres / millilitresPerSpray), 1),
  teaspoons: Math.max(Math.round((millilitres / MILLILITRES_PER_TEASPOON) * 4) / 4, 0.25),
});
