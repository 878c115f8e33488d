import type { Rack, RackRequest } from '@fresh-tuck/contract';
import type { Database } from '../db/database.js';
import type { NurseryStore } from '../nursery/store.js';

/**
 * Soilless systems. A move says "slot" and not which rack's, so the living
 * seedlings in slots fill the racks in the order in which these were named.
 */
export function rackStore(db: Database, nursery: NurseryStore) {
  const all = db.prepare('SELECT id, name, slots FROM rack ORDER BY created_ms, rowid');
  const insert = db.prepare('INSERT INTO rack (id, name, slots, created_ms) VALUES (@id, @name, @slots, @nowMs)');
  return {
    list(): Rack[] {
      let standing = nursery.inSlots();
      return (all.all() as Omit<Rack, 'taken'>[]).map((rack) => {
        const taken = Math.min(standing, rack.slots);
        standing -= taken;
        return { ...rack, taken };
      });
    },
    add: (body: RackRequest, nowMs: number): void => {
      insert.run({ ...body, nowMs });
    },
  };
}
export type RackStore = ReturnType<typeof rackStore>;
