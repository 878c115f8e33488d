import { CROPS } from '@fresh-tuck/core/crops';
import { methodOf } from '@fresh-tuck/core/method';
import { parcelState, type ParcelState } from '@fresh-tuck/core/parcel';
import type { DemoParcel as Shown } from '@fresh-tuck/contract';
import { looksOf, movesOf, type Services } from '@fresh-tuck/server';
import { MAT, SPOTS } from './household.js';
import { PARCELS } from './parcels.js';
import { trueSeeds, type TrueStay } from '@fresh-tuck/core/practice';
import { drawLot, type Lot } from '@fresh-tuck/core/practice';
import type { Climate } from '@fresh-tuck/core/practice';

const ORDINARY: Lot = { living: 0.85, pace: 1, law: 'gamma', dormant: 0.05, dormantTimes: 2 };

/** A lot's random seed for batches that visitors of the demo start themselves. */
const seedFrom = (id: string): number => [...id].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 9973, 7) / 9973;

/** How a place without a mat is warmed that had one: by the room alone, °C. */
const UNHEATED_C = 20.4;

/** What a place truly is from a moment on: the demo's mat follows its thermostat. */
function climatesOf(services: Services, spotId: string): { fromMs: number; climate: Climate }[] {
  const spot = services.spots.get(spotId);
  const known = SPOTS.find(({ name }) => name === spot.name);
  const guess = services.spots.guessOf(spotId);
  const climate = known?.climate ?? { meanC: (guess.minC + guess.maxC) / 2, swingC: guess.maxC - guess.minC };
  if (spot.name !== MAT.spot) return [{ fromMs: 0, climate }];
  const set = services.setups.all(spotId).map(({ fromMs, setup: { mat } }) => ({
    fromMs,
    climate: { ...climate, meanC: mat === null ? UNHEATED_C : climate.meanC + (mat.setC ?? MAT.setup.mat.setC) - MAT.setup.mat.setC },
  }));
  return [{ fromMs: 0, climate }, ...set.reverse()];
}

/** Where a batch truly was. */
function trueStays(services: Services, carrierId: string): TrueStay[] {
  const places = services.batches
    .placesOf(carrierId)
    .flatMap((carrierPlace) =>
      services.holders
        .placesOf(carrierPlace.holder_id)
        .map((place) => ({ spotId: place.spot_id, fromMs: Math.max(place.from_ms, carrierPlace.from_ms) })),
    );
  return places.flatMap(({ spotId, fromMs }, nth) => {
    const toMs = places[nth + 1]?.fromMs ?? Infinity;
    const climates = climatesOf(services, spotId);
    const first = climates.findLast((one) => one.fromMs <= fromMs) ?? climates[0];
    return [...(first ? [{ fromMs, climate: first.climate }] : []), ...climates.filter((one) => one.fromMs > fromMs && one.fromMs < toMs)];
  });
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
