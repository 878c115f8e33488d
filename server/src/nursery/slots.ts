import type { Database } from '../db/database.js';
import { first, all } from '../db/statements.js';
import { Problem } from '../http/problem.js';
import { GONE, MOVED, said, STAGE } from './standing.js';

/** A living seedling in a slot that somebody named. */
export interface Slotted {
  readonly number: number;
  readonly rackId: string;
  readonly slot: number;
}

/** Who is in which slot of a rack: freed by who goes, is potted on or harvested. */
export function slotStore(db: Database) {
  const slotted = all<Slotted, []>(
    db,
    `SELECT c.number, json_extract(s.told, '$.rackId') AS rackId, json_extract(s.told, '$.slot') AS slot
    FROM seedling_event s JOIN cup c ON c.number = s.cup_number JOIN entry e ON e.id = c.entry_id
    WHERE s.kind = 'slotted' AND ${said()} AND ${MOVED} AND NOT ${GONE} AND ${STAGE} NOT IN ('planted_out', 'harvested')
      AND NOT EXISTS (SELECT 1 FROM seedling_event n WHERE n.cup_number = c.number AND n.kind IN ('slotted', 'potted')
        AND (n.at_ms > s.at_ms OR (n.at_ms = s.at_ms AND n.rowid > s.rowid)) AND ${said('n')})
    ORDER BY rackId, slot`,
  );
  const rack = first<{ slots: number }, [string]>(db, 'SELECT slots FROM rack WHERE id = ? AND put_away_ms IS NULL');
  return {
    /** All that stand in a named slot. */
    all: (): readonly Slotted[] => slotted(),
    /**
     * Refuses what cannot stand so.
     *
     * @throws Problem for an unknown rack, a slot that it does not have, one that is taken, or not one for each label
     */
    check(numbers: readonly number[], rackId: string, slots: readonly number[]): void {
      const known = rack(rackId);
      if (!known) throw Problem.field('rackId', 'rackId must be a rack of the household');
      if (slots.length !== numbers.length) throw Problem.field('slots', `slots must name one for each of the ${numbers.length} labels`);
      const beyond = slots.find((slot) => slot > known.slots);
      if (beyond !== undefined) throw Problem.field('slots', `slots must be from 1 to ${known.slots}; ${beyond} is none of this rack`);
      const taken = slotted().find((one) => one.rackId === rackId && slots.includes(one.slot) && !numbers.includes(one.number));
      if (taken) throw Problem.field('slots', `slots must be free: ${taken.number} stands in slot ${taken.slot}`);
    },
  };
}
export type SlotStore = ReturnType<typeof slotStore>;
