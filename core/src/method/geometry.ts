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
