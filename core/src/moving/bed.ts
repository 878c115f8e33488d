import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import type { Crop } from '../crops/index.js';

/** A bed as it is measured. */
export interface BedSize {
  readonly widthM: number;
  readonly lengthM: number;
}

/** A bed as it is known. */
export interface BedFacts extends BedSize {
  /** Null where nobody knows. */
  readonly madeYear: number | null;
}

/** What is known of its soil. */
export interface SoilKnown {
  readonly celsius: number;
  /** A thermometer in the soil, or the mean of the air of the last days. */
  readonly source: 'soil' | 'air';
  readonly ageDays: number;
}

/** Whether a crop can go into a bed now. */
export interface BedGate {
  /** Null where nothing is known of the soil, or the crop has no limit. */
  readonly chanceWarm: number | null;
  readonly ready: boolean;
  readonly soilC: number | null;
  readonly soilSd: number;
  readonly minC: number | null;
  /** Plants that fit; null for a crop without a spacing. */
  readonly places: number | null;
  /** Days that plugs buy: from now until a seedling has outgrown one. */
  readonly plugDays: number;
  /** Whether its roots want rhizobia: a young bed has none for a crop that lives with them. */
  readonly inoculate: boolean;
}

/** Error of a soil temperature, °C: read in the soil, or estimated from the air. Guess. */
const SOIL_SD = { soil: 0.7, air: 2.5 } as const;
/** It drifts by this much a day since it was read, °C. Guess. */
const DRIFT_SD_A_DAY = 0.5;
/** Days after its true leaf in which a seedling may stay in a plug. Common practice, no source. */
const IN_PLUG_AFTER_TRUE_LEAF = 8;
/** A cool windowsill slows a seedling to about this share of its best pace. Guess. */
const SILL_PACE = 0.6;
/** So many years after it was made a bed has met the bacteria that beans live with. Common practice, no source. */
const YOUNG_YEARS = 3;

/** Plants that a bed holds at a crop's spacing, rows along its better side; 0 where not one fits. */
export function placesIn({ widthM, lengthM }: BedSize, spacing: { readonly inRow: number; readonly rows: number }): number {
  const along = (row: number, across: number): number =>
    Math.floor((row * 100) / spacing.inRow + 1e-9) * Math.floor((across * 100) / spacing.rows + 1e-9);
  return Math.max(along(lengthM, widthM), along(widthM, lengthM));
}

/**
 * Whether a bed's soil is warm enough for a crop. Not ready means plugs, and the
 * days that they buy.
 *
 * @param soil the newest reading, or null; @param year in which it is asked
 */
export function bedGate(crop: Crop, bed: BedFacts, soil: SoilKnown | null, year: number): BedGate {
  const { minSoilC, spacingCm, daysToTrueLeaf } = crop.growing;
  const soilSd = soil ? Math.hypot(SOIL_SD[soil.source], DRIFT_SD_A_DAY * Math.max(soil.ageDays, 0)) : 0;
  const chanceWarm = soil === null || minSoilC === null ? null : 1 - normalCdf(minSoilC, soil.celsius, soilSd);
  return {
    chanceWarm,
    ready: minSoilC === null || (chanceWarm ?? 0) >= 0.5,
    soilC: soil?.celsius ?? null,
    soilSd,
    minC: minSoilC,
    places: spacingCm === null ? null : placesIn(bed, spacingCm),
    plugDays: Math.round((crop.days.tipToEmergence + daysToTrueLeaf) / SILL_PACE + IN_PLUG_AFTER_TRUE_LEAF),
    inoculate: bed.madeYear !== null && crop.preparation.steps.includes('inoculate') && year - bed.madeYear < YOUNG_YEARS,
  };
}
