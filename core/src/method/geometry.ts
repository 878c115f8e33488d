import type { CarrierKind, Method } from './methods.js';

/** The flat that something is drawn on, mm. */
export interface Pane {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** Room of one place, mm: cells and pots by their pitch, a row by the length a seed has. Common practice, no source. */
const PITCH_MM: Readonly<Record<Exclude<CarrierKind, 'towel'>, number>> = {
  glass: 20,
  cells: 40,
  slots: 60,
  pellets: 45,
  pots: 90,
  row: 30,
  lid: 20,
};
/** Places that stand side by side before the next row begins. */
const ACROSS = 8;
const LEAST_MM = 60;

/**
 * The pane of a carrier whose size nobody measured, by its places; a towel's sheet is
 * always measured.
 *
 * @param places cells, slots or pots, or seeds where it has none; 1 or more
 */
export function paneOf({ carrier }: Method, places: number): Pane {
  const pitch = carrier === 'towel' ? PITCH_MM.cells : PITCH_MM[carrier];
  const across = carrier === 'row' ? places : Math.min(places, ACROSS);
  return {
    widthMm: Math.max(across * pitch, LEAST_MM),
    heightMm: Math.max(Math.ceil(places / across) * pitch, LEAST_MM),
  };
}

/** Water that each place is begun with, ml: what damps it through. Common practice, no source. */
const PLACE_ML: Readonly<Record<Exclude<CarrierKind, 'towel'>, number>> = {
  glass: 15,
  cells: 12,
  slots: 15,
  pellets: 40,
  pots: 80,
  row: 20,
  lid: 8,
};
const [LEAST_ML, MOST_ML] = [5, 500];

/** Water that a carrier is begun with, ml; a towel is dosed by its paper. @param places cells, slots or pots, or seeds where it has none */
export const waterOf = ({ carrier }: Method, places: number): number =>
  Math.min(Math.max((carrier === 'towel' ? LEAST_ML : PLACE_ML[carrier]) * places, LEAST_ML), MOST_ML);

/** Carriers that are counted in places, and what one is called. */
const PLACE_NAMES: Readonly<Partial<Record<CarrierKind, readonly [one: string, many: string]>>> = {
  cells: ['cell', 'cells'],
  slots: ['slot', 'slots'],
  pellets: ['pellet', 'pellets'],
  pots: ['pot', 'pots'],
};
/** What the places of a carrier are called; null where it has none to count. */
export const placeNames = ({ carrier }: Method): readonly [one: string, many: string] | null => PLACE_NAMES[carrier] ?? null;
