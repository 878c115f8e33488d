import type { Start } from '@fresh-tuck/contract';
import { methodOf, type MethodId } from '@fresh-tuck/core/method';
import type { Reader } from '../forecasts/reader.js';

/**
 * What a batch of a packet would rest on in every spot, begun at a moment: the places'
 * records and what is known of the packet there, as its forecast will have them once
 * it was begun.
 */
export function startView({ forecasts, household, packets, spots }: Reader) {
  return (packetId: string, method: MethodId, startMs: number, nowMs: number): Start => {
    const home = household.get();
    const { event } = methodOf(method);
    packets.get(packetId);
    return {
      startMs,
      spots: spots.ids().map((id) => {
        const { readings, guess } = spots.record(id, startMs, Infinity);
        return { id, readings: [...readings], guess, prior: forecasts.priorOf(packetId, id, event, home, startMs, nowMs) };
      }),
    };
  };
}
