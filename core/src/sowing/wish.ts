import { placesIn, type BedSize } from '../moving/index.js';

export interface Spacing {
  /** Centimetres between plants in the row, and between rows. */
  readonly inRow: number;
  readonly rows: number;
}

/** Plants that a place asks for, or why it asks for none. */
export type Wish = { readonly plants: number } | { readonly refused: string };

/** Most plants that one sowing is planned for. */
const MOST_PLANTS = 400;

/** Plants that a bed asks for at a spacing; a refusal names what would be accepted. */
export function plantsForBed(bed: BedSize, { inRow, rows }: Spacing): Wish {
  const sides = [bed.widthM * 100, bed.lengthM * 100];
  const [narrow, long] = [Math.min(...sides), Math.max(...sides)];
  const size = `${Math.round(narrow)} by ${Math.round(long)} cm`;
  const [least, most] = [Math.min(inRow, rows), Math.max(inRow, rows)];
  if (!(least > 0)) return { refused: 'The spacing must be more than 0 cm both in the row and between rows.' };
  if (least > narrow + 1e-9) {
    return most > long + 1e-9 || least > long
      ? { refused: `The bed (${size}) is smaller than the room of one plant, ${inRow} by ${rows} cm: choose a larger bed or another crop.` }
      : {
          refused: `The spacing of ${least} cm is wider than the bed's ${Math.round(narrow)} cm: it must be at most ${Math.round(narrow)} cm.`,
        };
  }
  const places = placesIn(bed, { inRow, rows });
  if (places < 1) {
    return {
      refused: `The spacing of ${most} cm is wider than the bed's ${Math.round(long)} cm: it must be at most ${Math.round(long)} cm.`,
    };
  }
  if (places > MOST_PLANTS)
    return { refused: `The bed holds ${places} plants: one sowing is planned for at most ${MOST_PLANTS}; type how many you want.` };
  return { plants: places };
}

/** Slots of a rack that are free; a refusal where none is. */
export function plantsForRack(slots: number, taken: number): Wish {
  const free = slots - taken;
  return free > 0
    ? { plants: free }
    : { refused: `All ${slots} slots are taken: say in the Nursery what has left them, or type how many you want.` };
}
