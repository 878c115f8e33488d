import type { Medium, Wetness } from '../crops/index.js';
import { MEDIA } from '../crops/index.js';

export { DAMPINGS, MEDIA, WETNESSES, type Damping, type Medium, type Wetness } from '../crops/index.js';

/** How a medium takes its water, shows what lies in it, and lets roots go. */
export interface MediumFacts {
  /** Dry mass: of a sheet by area and ply, of loose stuff by volume. */
  readonly dry: { readonly gramsPerM2Ply: number } | { readonly gramsPerLitre: number };
  /** Water to a gram of dry paper at which a crop's damp ratio is stated, times this. */
  readonly perRatio: number;
  /** Holds so many grams of water to a gram, dry, before some stands free. */
  readonly holds: number;
  /** How much of what shows is seen through a closed bag, against one sheet of kitchen paper. */
  readonly readable: number;
  /** How readily roots catch in it, against kitchen paper: the length at which one is late is divided by it. */
  readonly snags: number;
  /** What caution belongs to it; null where none does. */
  readonly caution: string | null;
}

const DUSTY = 'Damp it before you stir it and keep out of its dust.';

/**
 * Paper at 20 to 25 g/m² a ply and 2.5 g of water to a gram: common practice, no source.
 * Cotton and cloth take up less to their mass than paper before they drip, pads more;
 * perlite and vermiculite by the litre as bags of them are labelled. All other figures are
 * guesses from memory, corrected by what fingers and scale say of each bag.
 */
const BOOK: Readonly<Record<Medium, MediumFacts>> = {
  paper: { dry: { gramsPerM2Ply: 22.5 }, perRatio: 1, holds: 4, readable: 1, snags: 1, caution: null },
  tissue: { dry: { gramsPerM2Ply: 16 }, perRatio: 1, holds: 5, readable: 1.15, snags: 1.15, caution: null },
  cloth: { dry: { gramsPerM2Ply: 140 }, perRatio: 0.5, holds: 2, readable: 0.5, snags: 0.8, caution: null },
  pad: { dry: { gramsPerM2Ply: 180 }, perRatio: 1.6, holds: 8, readable: 0.4, snags: 1.4, caution: null },
  perlite: { dry: { gramsPerLitre: 100 }, perRatio: 0.8, holds: 3, readable: 0.6, snags: 0.6, caution: DUSTY },
  vermiculite: { dry: { gramsPerLitre: 110 }, perRatio: 1, holds: 4, readable: 0.45, snags: 0.6, caution: DUSTY },
};

/** @throws RangeError for a code that is no medium */
export function mediumOf(id: string): MediumFacts {
  const found = (BOOK as Readonly<Record<string, MediumFacts>>)[id];
  if (!found) throw new RangeError(`medium: "${id}" is none of ${MEDIA.join(', ')}`);
  return found;
}

/** Whether it is poured into a bag and has no fold. */
export const isLoose = (id: Medium): boolean => 'gramsPerLitre' in mediumOf(id).dry;

/** Loose stuff lies about so deep in a bag, mm. Common practice, no source. */
const LOOSE_DEPTH_MM = 20;

/** Litres of loose stuff that a bag of a folded pane's size takes. */
export const looseLitres = (pane: { readonly widthMm: number; readonly heightMm: number }): number =>
  (pane.widthMm * pane.heightMm * LOOSE_DEPTH_MM) / 1e6;

/** Water against the usual dose. Guess: "a little more for those who like free water". */
export const WETTER: Readonly<Record<Wetness, number>> = { wrung: 1, free: 1.25, pool: 1.5 };
