import type { Start } from '@fresh-tuck/contract';
import { offsetHours } from '@fresh-tuck/core/units';
import type { Reader } from '../forecasts/reader.js';

/**
 * What a batch of a packet would rest on in every spot, begun at a moment: the places'
 * records and what is known of the packet there, as its forecast will have them once
 * it was begun.
 */
export function startView({ forecasts, household, packets, spots, warm }: Reader) {
  return (packetId: string, startMs: number, nowMs: number): Start => {
    const home = household.get();
    const priorOf = (spotId: string, seen: 'tip' | 'emergence') => forecasts.priorOf(packetId, spotId, seen, home, startMs, nowMs);
    packets.get(packetId);
    return {
      startMs,
      spots: spots.ids().map((id) => {
        const { readings, guess } = warm.record(id, startMs, Infinity);
        const ahead = warm.ahead(id, nowMs, offsetHours(home.zone, nowMs));
        return { id, readings: [...readings, ...ahead], guess, priors: { tip: priorOf(id, 'tip'), emergence: priorOf(id, 'emergence') } };
      }),
    };
  };
}
