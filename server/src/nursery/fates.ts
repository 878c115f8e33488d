import { type BatchWithJournal } from '@fresh-tuck/contract';
import { pooledFates, type Destination, type Fates } from '@fresh-tuck/core/moving';
import type { Database } from '../db/database.js';
import { wentTo } from '../db/standing.js';
import { all, certain, first } from '../db/statements.js';
import { LIVED, LOST, MOVED } from './standing.js';

/** What became of the sprouts of a crop: what survival, handling and rooted paper are learnt from. */
export function fateStore(db: Database) {
  // Sprouts moved and snapped on the way, by crop: what the start count learns from.
  const handled = first<{ moved: number; snapped: number }, [string]>(
    db,
    `SELECT coalesce(sum((SELECT count(*) FROM cup c WHERE c.entry_id = m.entry_id AND c.planted = 0)), 0) AS moved,
      coalesce(sum(m.snapped), 0) AS snapped
    FROM packet p JOIN batch b ON b.packet_id = p.id JOIN entry e ON e.batch_id = b.id AND e.kind = 'move' JOIN move m ON m.entry_id = e.id
    WHERE p.crop_id = ? AND ${MOVED}`,
  );
  // How sprouts that had rooted into the paper came out, and what became of the labels of moves that were all of one kind.
  const fate = (kind: 'freed' | 'patched', other: 'freed' | 'patched', what: string): string =>
    `coalesce(sum((SELECT count(*) FROM cup c JOIN seedling_now now ON now.cup_number = c.number
      WHERE c.entry_id = m.entry_id AND m.${kind} > 0 AND m.${other} = 0 AND ${what})), 0)`;
  const rooted = first<BatchWithJournal['rooted'], [string]>(
    db,
    `SELECT coalesce(sum(m.freed), 0) AS freed, coalesce(sum(m.patched), 0) AS patched, coalesce(sum(m.snapped), 0) AS snapped,
      ${fate('freed', 'patched', LIVED)} AS freedLived, ${fate('freed', 'patched', LOST)} AS freedLost,
      ${fate('patched', 'freed', LIVED)} AS patchedLived, ${fate('patched', 'freed', LOST)} AS patchedLost
    FROM packet p JOIN batch b ON b.packet_id = p.id JOIN entry e ON e.batch_id = b.id AND e.kind = 'move' JOIN move m ON m.entry_id = e.id
    WHERE p.crop_id = ? AND m.freed + m.patched + m.snapped > 0 AND ${MOVED}`,
  );
  const fates = all<{ destination: Destination; lived: number; lost: number }, [string]>(
    db,
    `SELECT ${wentTo('m')} AS destination, sum(${LOST}) AS lost, sum(${LIVED}) AS lived
    FROM packet p JOIN batch b ON b.packet_id = p.id JOIN entry e ON e.batch_id = b.id AND e.kind = 'move' JOIN move m ON m.entry_id = e.id
      CROSS JOIN cup c ON c.entry_id = e.id AND c.planted = 0 CROSS JOIN seedling_now now ON now.cup_number = c.number
    WHERE p.crop_id = ? AND ${MOVED}
    GROUP BY m.entry_id`,
  );

  const byBatch = all<{ readonly batchId: string; readonly lived: number; readonly died: number; readonly composted: number }, []>(
    db,
    `SELECT e.batch_id AS batchId, coalesce(sum(${LIVED}), 0) AS lived, coalesce(sum(${LOST}), 0) AS died,
      coalesce(sum(now.left_as IS 'composted'), 0) AS composted
    FROM entry e JOIN cup c ON c.entry_id = e.id AND c.planted = 0 JOIN seedling_now now ON now.cup_number = c.number
    WHERE e.kind = 'move' AND ${MOVED} GROUP BY e.batch_id`,
  );

  return {
    /** What became of every batch's sprouts: past danger, lost, and thrown on the compost. */
    fatesByBatch: () => byBatch(),
    /**
     * Seedlings of a crop by where they were moved to: those past danger (a true leaf, planted
     * out, given away) and those lost. The ones in between tell nothing yet.
     */
    fates(cropId: string): Partial<Record<Destination, Fates>> {
      const trays = fates(cropId);
      const places = [...new Set(trays.map(({ destination }) => destination))];
      return Object.fromEntries(places.map((place) => [place, pooledFates(trays.filter(({ destination }) => destination === place))]));
    },
    /** Sprouts of a crop that had rooted into the paper, how they came out and fared. */
    rooted: (cropId: string): BatchWithJournal['rooted'] => certain(rooted(cropId)),
    /** Sprouts of a crop that were moved, and that snapped on the way. */
    handled: (cropId: string): { moved: number; snapped: number } => certain(handled(cropId)),
  };
}
