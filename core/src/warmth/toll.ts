import type { Crop } from '../crops/index.js';
import type { Progress } from './progress.js';
import { shareAt } from './share.js';

const HOUR_MS = 3_600_000;

/** What the temperature so far has cost. */
export interface WarmthToll {
  /** Share of the living that come at the temperatures they had; the rest are kept quiet, not dead. */
  readonly share: number;
  /** Share that heat has not killed. */
  readonly survival: number;
  /** Mean temperature, °C. */
  readonly meanC: number;
}

/** Degree-hours above the limit of injury that kill about two in three. Rule of thumb, no source. */
const DEADLY_DEGREE_HOURS = 60;

/**
 * Reads the toll off a record. The share is that at the mean temperature of the
 * stretch, each hour weighing as much as it lets seed develop, where any did.
 *
 * @param fromMs, toMs the stretch, at least an hour long
 */
export function tollOf(crop: Crop, progress: Progress, fromMs: number, toMs: number): WarmthToll {
  const { share: cells, injuryC } = crop.temperature;
  let degreeHours = 0;
  let weighted = 0;
  let weights = 0;
  let plain = 0;
  let hours = 0;
  for (let ms = fromMs; ms < toMs; ms += HOUR_MS) {
    const celsius = progress.celsiusAt(ms);
    const done = progress.at(ms + HOUR_MS) - progress.at(ms);
    degreeHours += Math.max(celsius - injuryC, 0);
    weighted += celsius * done;
    weights += done;
    plain += celsius;
    hours++;
  }
  const meanC = hours > 0 ? plain / hours : progress.celsiusAt(fromMs);
  const felt = weights > 1e-6 ? weighted / weights : meanC;
  return {
    share: cells === null ? 1 : Math.max(shareAt(cells.values, felt), 0.02),
    survival: Math.exp(-degreeHours / DEADLY_DEGREE_HOURS),
    meanC,
  };
}

/** Below this share of the living, another board is worth the walk, and what stays quiet is kept quiet by the warmth. */
export const BETTER_ELSEWHERE = 0.75;

/** Share of the living that come, where the warmth truly keeps some quiet; a little less is the table's noise. */
export const keptQuiet = ({ share }: WarmthToll): number => (share < BETTER_ELSEWHERE ? share : 1);
