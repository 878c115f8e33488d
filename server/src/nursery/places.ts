import type { Nursery, NurseryPlace, Rack, Tray } from '@fresh-tuck/contract';
import { counted } from '@fresh-tuck/core/units';
import type { Slotted } from './slots.js';
import type { StandingPlant } from './trays.js';

/** A tray with where it stands. */
interface Stood {
  readonly spotId: string | null;
  readonly shown: Tray;
  readonly there: readonly StandingPlant[];
}

/** What a tray is told from the others by: of one batch some may stand in plugs and some in a bed. */
export const keyOf = ({ id, batchId, destination }: Pick<Tray, 'id' | 'batchId' | 'destination'>): string =>
  [id, batchId, destination].join(' ');

/** What names of a rack's slots are not taken. */
export const racksWithFree = (racks: readonly Rack[], slotted: readonly Slotted[]): Nursery['racks'] =>
  racks.map(({ id, name, slots }) => {
    const taken = new Set(slotted.flatMap((one) => (one.rackId === id ? [one.slot] : [])));
    return { id, name, free: Array.from({ length: slots }, (_, nth) => nth + 1).filter((slot) => !taken.has(slot)) };
  });

/** Trays that stand in a rack or a bed, and the racks as places of their own. */
export function standsIn(all: readonly Stood[], racks: readonly Rack[], slotted: readonly Slotted[], beds: ReadonlySet<string>) {
  const rackOf = new Map<string, string>();
  const bedOf = new Map<string, string>();
  for (const { shown, there } of all) {
    if (shown.destination === 'slot') {
      // Nobody said in which slots: the first rack is proposed.
      const named = there.find(({ slot }) => slot !== null && racks.some(({ id }) => id === slot.rackId))?.slot?.rackId;
      const rackId = named ?? racks[0]?.id;
      if (rackId !== undefined) rackOf.set(keyOf(shown), rackId);
    }
    const bedId = shown.destination === 'bed' ? (there.find((plant) => plant.bedId !== null)?.bedId ?? null) : null;
    if (bedId !== null && beds.has(bedId)) bedOf.set(keyOf(shown), bedId);
  }
  const shared = racks.flatMap((rack) => {
    const here = all.filter(({ shown }) => rackOf.get(keyOf(shown)) === rack.id);
    const [first] = here;
    if (!first) return [];
    const own = slotted.filter(({ rackId }) => rackId === rack.id);
    const slots = Array.from({ length: rack.slots }, (_, nth) => ({
      slot: nth + 1,
      number: own.find(({ slot }) => slot === nth + 1)?.number ?? null,
    }));
    const free = slots.filter(({ number }) => number === null).length;
    const place: NurseryPlace = {
      ...{
        spotId: null,
        name: rack.name,
        kind: 'rack',
        inWords: `${free} of ${counted(rack.slots, 'slot')} free`,
        setup: null,
        light: null,
      },
      ...{ trays: here.map(({ shown }) => shown), bed: null, rack: { id: rack.id, slots } },
    };
    return [{ first, place }];
  });
  return { rackOf, bedOf, shared };
}
