import { DateTime } from 'luxon';
import type { Aim, PastSeasons } from '@fresh-tuck/contract';
import { counting, happened, untucked } from '../db/standing.js';
import type { Database } from '../db/database.js';
import { wayStore, type WayStore } from './ways.js';

const DAY_MS = 86_400_000;

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? (sorted[middle] ?? 0) : ((sorted[middle - 1] ?? 0) + (sorted[middle] ?? 0)) / 2;
};

interface Reached {
  readonly batchId: string;
  readonly cupNumber: number;
  readonly movedMs: number;
  readonly stage: 'planted_out' | 'ripe';
  readonly atMs: number;
  readonly aim: string;
}

/**
 * What earlier batches of a crop tell a plan: the days from move to planting out, and
 * how much later than wished each batch got there (the median of its plants).
 */
export function seasonStore(db: Database, ways: WayStore = wayStore(db)) {
  // From the crop's own batches on: stages of that name are many.
  const reached = db.prepare<unknown[], Reached>(`
    SELECT b.id AS batchId, c.number AS cupNumber, ${happened('e')} AS movedMs, s.stage, min(s.at_ms) AS atMs, b.aim
    FROM packet p CROSS JOIN batch b ON b.packet_id = p.id
      CROSS JOIN entry e ON e.batch_id = b.id AND e.kind = 'move' AND ${counting('e')} AND NOT ${untucked('b.id')}
      CROSS JOIN cup c ON c.entry_id = e.id CROSS JOIN seedling_event s ON s.cup_number = c.number
    WHERE p.crop_id = ? AND s.kind = 'stage' AND +s.stage IN ('planted_out', 'ripe') AND s.at_ms <= ?
      AND NOT EXISTS (SELECT 1 FROM seedling_event u WHERE u.supersedes = s.id)
    GROUP BY c.number, s.stage`);
  return {
    of(cropId: string, zone: string, untilMs: number): PastSeasons {
      const rows = reached.all(cropId, untilMs);
      const batches = [...new Set(rows.map(({ batchId }) => batchId))];
      const nursingDays: number[] = [];
      const lateness: PastSeasons['lateness'] = [];
      for (const id of batches) {
        const own = rows.filter(({ batchId }) => batchId === id);
        const out = own.filter(({ stage }) => stage === 'planted_out');
        if (out.length > 0) nursingDays.push(median(out.map(({ atMs, movedMs }) => (atMs - movedMs) / DAY_MS)));
        const { target = null } = JSON.parse(own[0]?.aim ?? '{}') as Partial<Aim>;
        const there = own.filter(({ stage }) => stage === (target?.kind === 'ripe' ? 'ripe' : 'planted_out'));
        if (!target || there.length === 0) continue;
        const wished = DateTime.fromISO(target.day, { zone });
        const days = median(there.map(({ atMs }) => DateTime.fromMillis(atMs, { zone }).startOf('day').diff(wished, 'days').days));
        lateness.push({ year: wished.year, days: Math.round(days), kind: target.kind });
      }
      return { nursingDays, lateness, ways: ways.of(cropId, untilMs) };
    },
  };
}
export type SeasonStore = ReturnType<typeof seasonStore>;
