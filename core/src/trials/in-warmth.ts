import type { ParcelFacts } from '../parcel/index.js';
import { DAY_MS } from '../units/index.js';

/** From when on a batch was in the warm: weeks in the cold are no days of its pace. */
export const warmFromMs = ({ startMs, chillUntilMs }: Pick<ParcelFacts, 'startMs' | 'chillUntilMs'>): number =>
  Math.max(startMs, chillUntilMs ?? 0);

/** What comes in the cold came first: all of it within so much of a day. */
const IN_THE_COLD = 1e-3;
/** Days in the warm by a moment, which never stand still. */
export function daysInWarmth(facts: Pick<ParcelFacts, 'startMs' | 'chillUntilMs'>): (ms: number) => number {
  const [{ startMs }, warmMs] = [facts, warmFromMs(facts)];
  const cold = warmMs > startMs ? IN_THE_COLD : 0;
  return (ms) => (ms < warmMs ? (cold * (ms - startMs)) / Math.max(warmMs - startMs, 1) : cold + (ms - warmMs) / DAY_MS);
}
