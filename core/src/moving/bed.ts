import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import type { Crop } from '../crops/index.js';
import { DAY_MS } from '../units/index.js';
import { fadeStep, fadeWeight } from '../warmth/index.js';

/** A bed as it is measured. */
export interface BedSize {
  readonly widthM: number;
  readonly lengthM: number;
}

/** A bed as it is known. */
export interface BedFacts extends BedSize {
  /** Null where nobody knows. */
  readonly madeYear: number | null;
  /** Area that stands planted already, of whatever crop, m². */
  readonly takenM2?: number;
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
  /** Plants that still fit beside what stands there; null for a crop without a spacing. */
  readonly places: number | null;
  /** Plants that the empty bed would hold. */
  readonly whole: number | null;
  /** Days since the soil was read, where that was too long ago to say anything; null otherwise. */
  readonly staleDays: number | null;
  /** Days that plugs buy: from now until a seedling has outgrown one. */
  readonly plugDays: number;
  /** Whether its roots want rhizobia: a young bed has none for a crop that lives with them. */
  readonly inoculate: boolean;
  /** Whether the bed's age must be known to say so, and is not. */
  readonly askAge: boolean;
}

/** Error of a soil temperature, °C: read in the soil, or estimated from the air. Guess. */
const SOIL_SD = { soil: 0.7, air: 2.5 } as const;
/** How far soil may lie, months on, from what it was when it was read, °C. Guess. */
const SEASON_SD = 4;
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

/** Area that a plant takes at a spacing, m². */
export const plantM2 = ({ inRow, rows }: { readonly inRow: number; readonly rows: number }): number => (inRow * rows) / 10_000;

/** Plants for which the area that is left is enough. */
const roomFor = ({ widthM, lengthM, takenM2 = 0 }: BedFacts, spacing: { readonly inRow: number; readonly rows: number }): number =>
  Math.max(Math.floor((widthM * lengthM - takenM2) / plantM2(spacing) + 1e-9), 0);

/** What a reading of the soil says by now: it grows old as one of a warm spot does, 1 fresh to 0. */
const soilWeight = ({ ageDays }: SoilKnown): number => fadeWeight(fadeStep(Math.max(ageDays, 0) * DAY_MS));

/** How far the soil may lie from what is known of it, one sd, °C. */
export function soilDoubt(soil: SoilKnown): number {
  const weight = soilWeight(soil);
  return Math.hypot(weight * SOIL_SD[soil.source], Math.sqrt(1 - weight ** 2) * SEASON_SD);
}

/**
 * Whether a bed's soil is warm enough for a crop. Not ready means plugs, and the
 * days that they buy.
 *
 * @param soil the newest reading, or null; @param year in which it is asked
 */
export function bedGate(crop: Crop, bed: BedFacts, soil: SoilKnown | null, year: number): BedGate {
  const { minSoilC, spacingCm, daysToTrueLeaf } = crop.growing;
  const spoken = soil !== null && soilWeight(soil) > 0 ? soil : null;
  const soilSd = spoken ? soilDoubt(spoken) : 0;
  const chanceWarm = spoken === null || minSoilC === null ? null : 1 - normalCdf(minSoilC, spoken.celsius, soilSd);
  const whole = spacingCm === null ? null : placesIn(bed, spacingCm);
  const legume = crop.preparation.steps.includes('inoculate');
  return {
    chanceWarm,
    ready: minSoilC === null || (chanceWarm ?? 0) >= 0.5,
    soilC: spoken?.celsius ?? null,
    staleDays: soil !== null && spoken === null ? soil.ageDays : null,
    soilSd,
    minC: minSoilC,
    places: whole === null || spacingCm === null ? null : Math.min(whole, roomFor(bed, spacingCm)),
    whole,
    plugDays: Math.round((crop.days.tipToEmergence + daysToTrueLeaf) / SILL_PACE + IN_PLUG_AFTER_TRUE_LEAF),
    inoculate: bed.madeYear !== null && legume && year - bed.madeYear < YOUNG_YEARS,
    askAge: bed.madeYear === null && legume,
  };
}
