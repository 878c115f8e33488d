import type { PastSeasons } from '@fresh-tuck/contract';
import { methodOf, type MethodId } from '@fresh-tuck/core/method';
import { standsIn, type Destination } from '@fresh-tuck/core/moving';
import type { Database } from '../db/database.js';
import { closed, counting, untucked, wentTo } from '../db/standing.js';
import { all } from '../db/statements.js';

interface Tried {
  readonly id: string;
  readonly method: MethodId;
  readonly seeds: number;
  readonly shown: number;
  readonly aim: string;
}
interface Moved {
  readonly batchId: string;
  readonly destination: Destination;
  readonly moved: number;
  readonly living: number;
}

/** So many finished batches of a crop tell enough. */
const MOST_BATCHES = 80;

/** What came of a crop's finished batches, by the way they were started and where they ended. */
export function wayStore(db: Database) {
  const GONE = `EXISTS (SELECT 1 FROM seedling_event s WHERE s.cup_number = c.number AND s.kind = 'lost'
    AND NOT EXISTS (SELECT 1 FROM seedling_event u WHERE u.supersedes = s.id))`;
  const finished = `FROM batch b JOIN packet p ON p.id = b.packet_id
    WHERE p.crop_id = @cropId AND b.purpose = 'plants' AND b.start_ms <= @untilMs AND ${closed('b.id')} AND NOT ${untucked('b.id')}
    ORDER BY b.start_ms DESC, b.number DESC LIMIT ${MOST_BATCHES}`;
  const tried = all<Tried, [{ cropId: string; untilMs: number }]>(
    db,
    `SELECT b.id, b.method, b.aim,
      coalesce((SELECT r.seeds FROM entry e JOIN recount r ON r.entry_id = e.id
        WHERE e.batch_id = b.id AND e.kind = 'recount' AND ${counting('e')} ORDER BY e.rowid DESC LIMIT 1), b.seeds) AS seeds,
      coalesce((SELECT max(l.tipped) FROM entry e JOIN look l ON l.entry_id = e.id WHERE e.batch_id = b.id AND ${counting('e')}), 0) AS shown
    ${finished}`,
  );
  const moved = all<Moved, [{ cropId: string; untilMs: number }]>(
    db,
    `SELECT e.batch_id AS batchId, ${wentTo('m')} AS destination, count(*) AS moved, sum(NOT ${GONE}) AS living
    FROM entry e JOIN move m ON m.entry_id = e.id JOIN cup c ON c.entry_id = e.id
    WHERE e.batch_id IN (SELECT b.id ${finished}) AND ${counting('e')} GROUP BY e.batch_id, ${wentTo('m')}`,
  );
  return {
    of(cropId: string, untilMs: number): PastSeasons['ways'] {
      const ask = { cropId, untilMs };
      const lifted = moved(ask);
      return tried(ask).flatMap(({ id, method, seeds, shown, aim }) => {
        const { destination: said = null, rackId = null } = JSON.parse(aim) as { destination?: Destination | null; rackId?: string | null };
        if (methodOf(method).event === 'emergence') return [{ method, destination: standsIn(method, said), rackId, seeds, plants: shown }];
        const own = lifted.filter(({ batchId }) => batchId === id);
        const total = own.reduce((sum, line) => sum + line.moved, 0);
        // Nothing was moved: it was begun for where it was to go.
        if (total === 0) return said === null ? [] : [{ method, destination: said, rackId, seeds, plants: 0 }];
        // Seed is shared between destinations as its sprouts were.
        return own.map(({ destination, moved: count, living }) => ({
          method,
          destination,
          // Which rack is said with what it was begun for.
          rackId: destination === 'slot' ? rackId : null,
          seeds: Math.round((seeds * count) / total),
          plants: living,
        }));
      });
    },
  };
}
export type WayStore = ReturnType<typeof wayStore>;
