import type { Crop } from '../crops/index.js';
import type { Method } from './methods.js';

/** A seedling without light stretches by about this much a day at its best warmth, mm. Guess, from memory of etiolated seedlings. */
const STRETCH_MM_A_DAY = 12;
/** Once a shoot is visible it wants light, mm; past this it stays leggy, mm. Common practice ("light as soon as green shows"), no source. */
const SHOOT_SEEN_MM = 1;
const DRAWN_MM = 25;

/** What grows on after the event, and when it is ready and late. */
export interface GrowthLimits {
  /** A radicle, or a shoot. */
  readonly what: 'root' | 'shoot';
  readonly mmPerDayAtOptimum: number;
  readonly readyMm: number;
  readonly lateMm: number;
}

/**
 * When a sprout is ready and when it is too late. On a towel the root enters the
 * paper; in water nothing catches it, and the drowning limit is the end; where the
 * seed is out of sight a seedling that is up wants light at once, and is drawn
 * without it.
 *
 * @param readyRootMm root length at which the household moves sprouts of the crop
 * @param snags how readily roots catch in what the seed lies in, against kitchen paper
 */
export function growthLimits({ event, late }: Method, { root }: Crop, readyRootMm: number, snags = 1): GrowthLimits {
  return event === 'emergence'
    ? { what: 'shoot', mmPerDayAtOptimum: STRETCH_MM_A_DAY, readyMm: SHOOT_SEEN_MM, lateMm: DRAWN_MM }
    : {
        what: 'root',
        mmPerDayAtOptimum: root.mmPerDayAtOptimum,
        readyMm: readyRootMm,
        lateMm: lateLength(late === 'in_paper' ? root.lateMm / snags : root.lateMm, readyRootMm),
      };
}

/** A household that moves at a longer root does not call that length late: it has so much room beyond it at the least. Guess. */
const ROOM = 1.25;
/** Root length at which it is late, mm: in the paper, and never what the household's own school asks for. */
export const lateLength = (lateMm: number, readyMm: number): number => Math.max(lateMm, ROOM * readyMm);

/** Days at the optimum from wetting to the event that is watched: emergence comes later than the tip. */
export const daysToEvent = ({ event }: Method, { days }: Crop): number =>
  days.tipAtOptimum + (event === 'emergence' ? days.tipToEmergence : 0);
