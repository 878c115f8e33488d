import type { Crop } from '../crops/index.js';
import { HOUR_MS } from '../units/index.js';

/** Hours that a crop is soaked, shortest and longest; null where it is not. */
export function soakHours({ water }: Pick<Crop, 'water'>): readonly [low: number, high: number] | null {
  return water.soakHours[1] > 0 ? water.soakHours : null;
}

/** Where seed in water stands. */
export interface SoakClock {
  /** Drinking still; drunk its fill and due out; past the crop's hours; at or past its drowning limit. */
  readonly state: 'drinking' | 'due' | 'overdue' | 'drowning';
  readonly hours: number;
  /** When it has drunk enough, when it should be out, and when it drowns, ms. */
  readonly enoughMs: number;
  readonly outByMs: number;
  readonly drownsMs: number;
}

/** A soak that is going on: when it has drunk enough, when it is to be out, and when it drowns, ms. */
export type Soaking = Pick<SoakClock, 'enoughMs' | 'outByMs' | 'drownsMs'>;

/** When seed in a soak has drunk enough; where the shortest hours are none, half of the longest are enough. */
const drunkAt = (crop: Crop, startMs: number, soakUntilMs: number): number =>
  Math.max(soakClock(crop, startMs, startMs).enoughMs, startMs + (soakUntilMs - startMs) / 2);

/** When a batch came on to its towel and was given its dose: out of its soak at the look that ended it, else by its hours. */
export function laidMs(crop: Crop, startMs: number, soakUntilMs: number | null, lookedMs: readonly number[]): number {
  if (soakUntilMs === null) return startMs;
  const drunkMs = drunkAt(crop, startMs, soakUntilMs);
  return Math.min(soakUntilMs, ...lookedMs.filter((ms) => ms >= drunkMs));
}

/**
 * The soak that a batch still lies in; null where it has none, or somebody has looked at
 * it since it had drunk enough: then it was taken out.
 *
 * @param lookedMs when it was looked at, in any order
 */
export function soakingNow(crop: Crop, startMs: number, soakUntilMs: number | null, lookedMs: readonly number[]): Soaking | null {
  if (soakUntilMs === null) return null;
  const { outByMs, drownsMs } = soakClock(crop, startMs, startMs);
  const drunkMs = drunkAt(crop, startMs, soakUntilMs);
  return lookedMs.some((ms) => ms >= drunkMs) ? null : { enoughMs: drunkMs, outByMs: Math.min(outByMs, soakUntilMs), drownsMs };
}

/**
 * When a soak that begins now is to end, ms: after the hours that were wished, else the
 * crop's longest, and never past the drowning limit.
 */
export const soakEnd = (crop: Crop, startMs: number, hours: number | null = null): number =>
  hours === null ? soakClock(crop, startMs, startMs).outByMs : startMs + Math.min(hours, crop.water.drowningLimitHours) * HOUR_MS;

/**
 * How a soak ends. Seed is out of the water between the crop's shortest and longest
 * hours; the drowning limit is the end whatever is seen. Seed that is left in water
 * until it roots has only that limit.
 *
 * @param untilRooted whether it stays in shallow, changed water until the root shows
 */
export function soakClock(crop: Crop, startMs: number, nowMs: number, untilRooted = false): SoakClock {
  const limit = crop.water.drowningLimitHours;
  const [low, high] = untilRooted ? [limit, limit] : (soakHours(crop) ?? [0, 0]);
  const at = (hours: number): number => startMs + hours * HOUR_MS;
  const [enoughMs, outByMs, drownsMs] = [at(low), at(Math.min(high, limit)), at(limit)];
  const state = nowMs >= drownsMs ? 'drowning' : nowMs > outByMs ? 'overdue' : nowMs >= enoughMs ? 'due' : 'drinking';
  return { state, hours: Math.max(nowMs - startMs, 0) / HOUR_MS, enoughMs, outByMs, drownsMs };
}
