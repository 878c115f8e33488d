import { CROPS } from '@fresh-tuck/core/crops';
import { methodOf } from '@fresh-tuck/core/method';
import { parcelState, type ParcelState } from '@fresh-tuck/core/parcel';
import type { DemoParcel as Shown } from '@fresh-tuck/contract';
import { looksOf, movesOf, type Services } from '@fresh-tuck/server';
import { SPOTS, PARCELS } from './household.js';
import { trueSeeds, type TrueStay } from './laws/growth.js';
import { drawLot, type Lot } from './laws/lots.js';

const ORDINARY: Lot = { living: 0.85, pace: 1, law: 'gamma', dormant: 0.05, dormantTimes: 2 };

/** A lot's random seed for batches that visitors of the demo start themselves. */
const seedFrom = (id: string): number => [...id].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 9973, 7) / 9973;

/** Where a batch truly was. */
function trueStays(services: Services, carrierId: string): TrueStay[] {
  return services.batches.placesOf(carrierId).flatMap((carrierPlace) =>
    services.holders.placesOf(carrierPlace.holder_id).map((place) => {
      const spot = services.spots.get(place.spot_id);
      const known = SPOTS.find(({ name }) => name === spot.name);
      const guess = services.spots.guessOf(place.spot_id);
      return {
        fromMs: Math.max(place.from_ms, carrierPlace.from_ms),
        climate: known?.climate ?? { meanC: (guess.minC + guess.maxC) / 2, swingC: guess.maxC - guess.minC },
      };
    }),
  );
}

/** What truly lies in a parcel at a moment of the demo's clock. */
export function truthOf(services: Services, batchId: string, nowMs: number): Shown {
  const row = services.batches.get(batchId);
  const packet = services.packets.get(row.packet_id);
  const crop = CROPS.find(({ id }) => id === packet.crop_id);
  if (!crop) throw new Error(`unknown crop ${packet.crop_id}`);
  const scripted = PARCELS.find(({ cropId, variety }) => cropId === packet.crop_id && variety === packet.variety);
  const first = scripted !== undefined && row.seeds === scripted.seeds;
  const fates = drawLot(scripted?.lot ?? ORDINARY, row.seeds, first ? scripted.randomSeed : seedFrom(batchId));
  return {
    seeds: trueSeeds(crop, fates, trueStays(services, row.carrier_id), row.start_ms, nowMs, methodOf(row.method).event),
    damp: 'damp',
  };
}

/** What the household has written down of a parcel. */
export function knownState(services: Services, batchId: string): ParcelState {
  const { seeds, start_ms } = services.batches.get(batchId);
  const entries = services.journal.entries(batchId);
  return parcelState(seeds, start_ms, looksOf(entries), movesOf(entries));
}
