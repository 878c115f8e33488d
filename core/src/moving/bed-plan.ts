import type { BedSize } from './bed.js';

/** Plants of a kind that go into a bed together, at their spacing. */
export interface Planting {
  readonly plants: number;
  readonly spacingCm: { readonly inRow: number; readonly rows: number };
}

/** A planting as it lies in its bed: where each plant goes, and how its rows are measured out. */
export interface PlantingLaid {
  /** Rows, and plants to a full one. */
  readonly rows: number;
  readonly toARow: number;
  /** From the bed's end to its first row, and from the row's end to its first plant, cm. */
  readonly firstRowCm: number;
  readonly firstPlantCm: number;
  /** Centres of its plants, cm: along the bed's length, and across its width. */
  readonly spots: readonly { readonly alongCm: number; readonly acrossCm: number }[];
  /** Plants for which there was no room. */
  readonly over: number;
}

/** Lays plantings one behind the other, rows across a way of the bed. */
function laid(plantings: readonly Planting[], rowCm: number, deepCm: number): PlantingLaid[] {
  let from = 0;
  return plantings.map(({ plants, spacingCm: { inRow, rows: apart } }) => {
    const toARow = Math.floor(rowCm / inRow + 1e-9);
    const fits = Math.max(Math.floor((deepCm - from) / apart + 1e-9), 0);
    const rows = toARow === 0 ? 0 : Math.min(Math.ceil(plants / toARow), fits);
    const first = { row: from + apart / 2, plant: (rowCm - (toARow - 1) * inRow) / 2 };
    const placed = Math.min(plants, rows * toARow);
    const spots = Array.from({ length: placed }, (_, nth) => ({
      alongCm: first.row + Math.floor(nth / toARow) * apart,
      acrossCm: first.plant + (nth % toARow) * inRow,
    }));
    from += rows * apart;
    return { rows, toARow, firstRowCm: first.row, firstPlantCm: first.plant, spots, over: plants - placed };
  });
}

/**
 * A bed laid out: each planting in rows at its spacing, half a spacing from the edges, one
 * behind the other in the order given. Rows run across the shorter side, where a hand
 * reaches, unless more fit along the longer one.
 *
 * @param plantings spacings above 0
 */
export function bedPlan({ widthM, lengthM }: BedSize, plantings: readonly Planting[]): PlantingLaid[] {
  const [short, long] = [Math.min(widthM, lengthM) * 100, Math.max(widthM, lengthM) * 100];
  const across = laid(plantings, short, long);
  const along = laid(plantings, long, short);
  const over = (plan: readonly PlantingLaid[]): number => plan.reduce((sum, one) => sum + one.over, 0);
  if (over(along) >= over(across)) return across;
  return along.map((one) => ({ ...one, spots: one.spots.map(({ alongCm, acrossCm }) => ({ alongCm: acrossCm, acrossCm: alongCm })) }));
}
