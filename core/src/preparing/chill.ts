/** Nobody has said yet where it goes when its chill is done: an ordinary warm room, °C. */
export const AFTER_CHILL = { minC: 18, maxC: 24 } as const;
/** A place below this is still the cold of a chill, °C. */
const STILL_COLD_C = 9;

/**
 * When the chill ends, also while it is over and the seed is still in the cold; null
 * where there is none, or it is out.
 *
 * @param celsiusNow temperature of its place
 */
export const chillDue = (chillUntilMs: number | null, celsiusNow: number, nowMs: number): number | null =>
  chillUntilMs !== null && (chillUntilMs > nowMs || celsiusNow < STILL_COLD_C) ? chillUntilMs : null;
