import type { Rack, RackChange, RackRequest } from '@fresh-tuck/contract';
import type { Database } from '../db/database.js';
import { Problem } from '../http/problem.js';
import { counted } from '@fresh-tuck/core/units';
import { shelving } from '../shelf/shelved.js';
import type { NurseryStore } from '../nursery/store.js';
import type { SlotStore } from '../nursery/slots.js';

/**
 * Soilless systems. A move says "slot" and not which rack's: the living seedlings in
 * slots of which nobody said more fill the racks in the order in which these were named.
 */
export function rackStore(db: Database, nursery: NurseryStore, named: SlotStore) {
  const all = db.prepare('SELECT id, name, slots, version FROM rack WHERE put_away_ms IS NULL ORDER BY created_ms, rowid');
  const away = db.prepare('SELECT id, name, slots, version FROM rack WHERE put_away_ms IS NOT NULL ORDER BY created_ms, rowid');
  const insert = db.prepare('INSERT INTO rack (id, name, slots, created_ms) VALUES (@id, @name, @slots, @nowMs)');
  const update = db.prepare('UPDATE rack SET name = @name, slots = @slots, version = version + 1 WHERE id = @id');
  const shelf = shelving(db, 'rack', 'rack', {
    hangs: [
      {
        count: `SELECT count(*) FROM seedling_event WHERE kind = 'slotted' AND json_extract(told, '$.rackId') = @id`,
        told: (plants) => `${counted(plants, 'plant')} went into its slots`,
      },
    ],
  });
  function list(): Rack[] {
    const slotted = named.all();
    let standing = Math.max(nursery.inSlots() - slotted.length, 0);
    return (all.all() as Omit<Rack, 'taken'>[]).map((rack) => {
      const own = slotted.filter(({ rackId }) => rackId === rack.id).length;
      const more = Math.min(standing, rack.slots - own);
      standing -= more;
      return { ...rack, taken: own + more };
    });
  }
  return {
    ...shelf,
    list,
    /** Who is in which slot, as somebody named it. */
    slotted: named.all,
    /**
     * Slots that stand empty, in one rack or in all; null where the household has none.
     *
     * @throws Problem at `aim.rackId` where no such rack stands
     */
    free(rackId: string | null): number | null {
      const racks = list().filter(({ id }) => rackId === null || id === rackId);
      if (rackId !== null && racks.length === 0) throw Problem.field('aim.rackId', 'aim.rackId must be a rack of the household');
      return racks.length === 0 ? null : racks.reduce((sum, { slots, taken }) => sum + slots - taken, 0);
    },
    /** Put away: offered no more. */
    away: (): Rack[] => (away.all() as Omit<Rack, 'taken'>[]).map((rack) => ({ ...rack, taken: 0 })),
    add: (body: RackRequest, nowMs: number): void => {
      insert.run({ ...body, nowMs });
    },
    /** Renamed, or with another number of slots. */
    change(id: string, { version, name, slots }: RackChange): void {
      shelf.checkVersion(id, version);
      const last = named.all().findLast((one) => one.rackId === id);
      if (last && last.slot > slots)
        throw Problem.field('slots', `slots must be at least ${last.slot}: label ${last.number} stands in slot ${last.slot}`);
      update.run({ id, name, slots });
    },
  };
}
export type RackStore = ReturnType<typeof rackStore>;
