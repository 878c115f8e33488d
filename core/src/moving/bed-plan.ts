import type { BedSize } from './bed.js';

/** Plants of a kind that go into a bed together, at their spacing. */
export interface Planting {
  readonly plants: number;
  readonly spacingCm: { readonly inRow: number; readonly rows: number };
}

/** A planting as it lies in its bed: where each plant goes, and how its rows are measured out. */
export interface PlantingLaid {
  /** Whether its rows run along the bed's length rather than across it. */
  readonly lengthwise: boolean;
  /** Rows, and plants to a full one. */
  readonly rows: number;
  readonly toARow: number;
  /** Where its first row and the first plant of a row lie, from the bed's end and from its side, cm. */
  readonly fromEndCm: number;
  readonly fromSideCm: number;
  /** Centres of its plants, cm: along the bed's length, and across its width. */
  readonly spots: readonly { readonly alongCm: number; readonly acrossCm: number }[];
  /** Plants for which there was no room. */
  readonly over: number;
}

/** Whole times that something fits. */
const fits = (cm: number, each: number): number => Math.max(Math.floor(cm / each + 1e-9), 0);

/** Rows across the bed, one behind the other, from so far on. */
function across({ plants, spacingCm: { inRow, rows: apart } }: Planting, wideCm: number, fromCm: number, longCm: number) {
  const toARow = fits(wideCm, inRow);
  const rows = toARow === 0 ? 0 : Math.min(Math.ceil(plants / toARow), fits(longCm - fromCm, apart));
  const [fromEndCm, fromSideCm] = [fromCm + apart / 2, (wideCm - (toARow - 1) * inRow) / 2];
  const spots = Array.from({ length: Math.min(plants, rows * toARow) }, (_, nth) => ({
    alongCm: fromEndCm + Math.floor(nth / toARow) * apart,
    acrossCm: fromSideCm + (nth % toARow) * inRow,
  }));
  return { laid: { lengthwise: false, rows, toARow, fromEndCm, fromSideCm, spots, over: plants - spots.length }, usedCm: rows * apart };
}

/** Rows along the bed, beside each other, no longer than they must be. */
function along({ plants, spacingCm: { inRow, rows: apart } }: Planting, wideCm: number, fromCm: number, longCm: number) {
  const rows = Math.min(fits(wideCm, apart), plants);
  const toARow = rows === 0 ? 0 : Math.min(Math.ceil(plants / rows), fits(longCm - fromCm, inRow));
  const [fromEndCm, fromSideCm] = [fromCm + inRow / 2, (wideCm - (rows - 1) * apart) / 2];
  const spots = Array.from({ length: Math.min(plants, rows * toARow) }, (_, nth) => ({
    alongCm: fromEndCm + (nth % toARow) * inRow,
    acrossCm: fromSideCm + Math.floor(nth / toARow) * apart,
  }));
  return { laid: { lengthwise: true, rows, toARow, fromEndCm, fromSideCm, spots, over: plants - spots.length }, usedCm: toARow * inRow };
}

/**
 * A bed laid out: each planting in rows at its spacing, half a spacing from the edges at the
 * least, one behind the other in the order given. Rows run across the shorter side, where a
 * hand reaches, unless more fit along the longer one.
 *
 * @param plantings spacings above 0
 */
export function bedPlan({ widthM, lengthM }: BedSize, plantings: readonly Planting[]): PlantingLaid[] {
  const [wideCm, longCm] = [Math.min(widthM, lengthM) * 100, Math.max(widthM, lengthM) * 100];
  let fromCm = 0;
  return plantings.map((planting) => {
    const [over, beside] = [across(planting, wideCm, fromCm, longCm), along(planting, wideCm, fromCm, longCm)];
    const { laid, usedCm } = beside.laid.over < over.laid.over ? beside : over;
    fromCm += usedCm;
    return laid;
  });
}
