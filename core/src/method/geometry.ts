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
const ACROSS: Readonly<Record<CarrierKind, number>> = { towel: 8, glass: 6, cells: 8, slots: 4, pellets: 6, pots: 4, row: 8, lid: 8 };
const LEAST_MM = 60;

/**
 * The pane of a carrier whose size nobody measured, by its places; a towel's sheet is
 * always measured.
 *
 * @param places cells, slots or pots, or seeds where it has none; 1 or more
 */
export function paneOf({ carrier }: Method, places: number): Pane {
  const pitch = carrier === 'towel' ? PITCH_MM.cells : PITCH_MM[carrier];
  const across = carrier === 'row' ? places : Math.min(places, ACROSS[carrier]);
  return {
    widthMm: Math.max(across * pitch, LEAST_MM),
    heightMm: Math.max(Math.ceil(places / across) * pitch, LEAST_MM),
  };
}

/** A seat of a carrier: the middle of a cell, slot, pellet or pot, mm from the left and the top. */
export interface Seat {
  readonly xMm: number;
  readonly yMm: number;
}

/** Whether a carrier's seed sits in places that are counted; elsewhere it is spread. */
export const hasPlaces = (carrier: CarrierKind): boolean =>
  carrier === 'cells' || carrier === 'slots' || carrier === 'pellets' || carrier === 'pots';

/** Half the width of a place as it is drawn, against its pitch. */
export const seatRadiusMm = (carrier: CarrierKind): number => (carrier === 'towel' ? 0 : PITCH_MM[carrier] * 0.42);
/** Several seeds of one place stand so far from its middle, against its half width. */
const ASIDE = 0.45;

/** Middles of the places of a carrier, row by row from the left. @param places 1 or more */
export function seatsOf(carrier: CarrierKind, places: number): Seat[] {
  const pitch = carrier === 'towel' ? PITCH_MM.cells : PITCH_MM[carrier];
  const across = Math.min(places, ACROSS[carrier]);
  return Array.from({ length: places }, (_, index) => ({
    xMm: ((index % across) + 0.5) * pitch + Math.max(LEAST_MM - across * pitch, 0) / 2,
    yMm: (Math.floor(index / across) + 0.5) * pitch + Math.max(LEAST_MM - Math.ceil(places / across) * pitch, 0) / 2,
  }));
}

/** Where each seed of a carrier with places sits: one to a place and round again, those of one place around its middle. */
export function seated(carrier: CarrierKind, places: number, seeds: number): Seat[] {
  const seats = seatsOf(carrier, places);
  const aside = seatRadiusMm(carrier) * ASIDE;
  return Array.from({ length: seeds }, (_, index) => {
    const seat = seats[index % places] ?? { xMm: 0, yMm: 0 };
    const together = Math.floor((seeds - 1 - (index % places)) / places) + 1;
    if (together === 1) return seat;
    const turn = (2 * Math.PI * Math.floor(index / places)) / together - Math.PI / 2;
    return { xMm: seat.xMm + aside * Math.cos(turn), yMm: seat.yMm + aside * Math.sin(turn) };
  });
}

/** What is drawn there, as it is named aloud: "Board of 8 slots". */
export function drawnAs({ carrier }: Method, places: number): string {
  switch (carrier) {
    case 'towel':
      return 'Towel';
    case 'glass':
      return 'Shallow glass';
    case 'cells':
      return `Tray of ${places} ${places === 1 ? 'cell' : 'cells'}`;
    case 'slots':
      return `Board of ${places} ${places === 1 ? 'slot' : 'slots'}`;
    case 'pellets':
      return `${places} ${places === 1 ? 'pellet' : 'pellets'}`;
    case 'pots':
      return `${places} ${places === 1 ? 'pot' : 'pots'}`;
    case 'row':
      return 'Row of the bed';
    case 'lid':
      return 'Tray under its lid';
  }
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
