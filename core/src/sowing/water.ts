import { doseFor, doseOf, type Dose, type Setup } from '../carrier/index.js';
import type { Crop } from '../crops/index.js';
import { methodOf, waterOf, type MethodId } from '../method/index.js';

/** A folded towel, mm, with the layers of its paper. */
export interface Fold {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly plies: number;
}

/** What water is measured for. */
export interface Wetted {
  readonly crop: Pick<Crop, 'water'>;
  readonly method: MethodId;
  /** Cells, slots, pellets or pots; seeds where it has none to count. */
  readonly places: number;
  readonly pane: Fold;
  /** Dry mass of the seed that still drinks, g; 0 where it was soaked or has lain damp. */
  readonly drinkingGrams: number;
  /** In an open or lidded tray rather than a bag. */
  readonly open: boolean;
  readonly setup?: Partial<Setup>;
  /** Of the household's sprayer. */
  readonly millilitresPerSpray: number;
}

/** Water that a batch is begun with: on a towel by its open sheet and medium, elsewhere by its places. */
export function waterFor({ crop, method, places, pane, drinkingGrams, open, setup, millilitresPerSpray }: Wetted): Dose {
  const way = methodOf(method);
  if (way.carrier !== 'towel') return { ...doseOf(waterOf(way, places), millilitresPerSpray), laterMl: 0 };
  const sheet = { widthMm: pane.widthMm * 2, heightMm: pane.heightMm * 2, plies: pane.plies };
  return doseFor(sheet, crop.water.dampRatio, drinkingGrams, millilitresPerSpray, { ...setup, open });
}
