import type { Crop } from '../crops/index.js';
import { tollOf, type DeadlyWarmth, type Progress } from '../warmth/index.js';
import { DAY_MS } from '../units/index.js';

/** A place as a sowing would find it. */
export interface Standing {
  readonly spotId: string;
  /** Share of the living that come there, and live through its warmth. */
  readonly comes: number;
  /** Days until half of them show; null where they never do. */
  readonly halfDays: number | null;
  /** It kills: nothing is put there. */
  readonly refused: DeadlyWarmth | null;
}

/** A share so near the best is as good: less is the table's noise. */
const NEAR_THE_BEST = 0.08;
/** The first days in a place tell what share comes there. */
const FIRST_DAYS = 3;

/** Share of the living that come at a place, its heat considered. @param fromMs when its warmth begins to count */
export function comesAt(crop: Crop, progress: Progress, fromMs: number): number {
  const { share, survival } = tollOf(crop, progress, fromMs, fromMs + FIRST_DAYS * DAY_MS);
  return share * survival;
}

/**
 * Where to put it: the quickest of the places at which nearly as many come as at the
 * best of them. A place that kills is none.
 *
 * @returns null where there is no place that may be chosen
 */
export function bestSpot(places: readonly Standing[]): string | null {
  const open = places.filter(({ refused, halfDays }) => refused === null && halfDays !== null);
  const most = Math.max(0, ...open.map(({ comes }) => comes));
  const good = open.filter(({ comes }) => comes >= most - NEAR_THE_BEST);
  return [...good].sort((a, b) => (a.halfDays ?? 0) - (b.halfDays ?? 0))[0]?.spotId ?? null;
}
